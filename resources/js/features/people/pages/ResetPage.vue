<script setup lang="ts">
import { ref } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import OpenPage from '../components/OpenPage.vue'

const route = useRoute()
const email = String(route.query.email ?? '')
const password = ref('')
const done = ref(false)
const { save, saving, refusal, wrong } = useSave(
    () =>
        api.post('/password/reset', {
            email,
            token: String(route.params.token),
            new_password: password.value,
        }),
    () => (done.value = true),
)
</script>

<template>
    <OpenPage v-if="done" title="Your new password is set" lede="Every device has to sign in again.">
        <p><a href="/">Sign in</a></p>
    </OpenPage>
    <OpenPage v-else title="A new password" :lede="email ? `For ${email}.` : ''">
        <form novalidate @submit.prevent="save()">
            <RefusalNote v-if="refusal && !wrong('new_password')" :refusal="refusal" />
            <input type="text" name="username" autocomplete="username" :value="email" hidden readonly />
            <FormField
                label="New password"
                :wrong="wrong('new_password')"
                hint="10 characters at least; several words are easier to keep than odd signs"
            >
                <el-input v-model="password" type="password" name="reset-password" autocomplete="new-password" />
            </FormField>
            <el-button type="primary" native-type="submit" :loading="saving">Set it</el-button>
        </form>
    </OpenPage>
</template>
