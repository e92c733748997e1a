<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { reactive, ref } from 'vue'
import { api } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'

/** Another password of one's own. */
const queries = useQueryClient()
const form = reactive({ password: '', new_password: '' })
const changed = ref(false)
const { save, saving, refusal, wrong } = useSave(
    () => api.put('/account/password', { ...form }),
    async () => {
        Object.assign(form, { password: '', new_password: '' })
        changed.value = true
        await queries.invalidateQueries({ queryKey: ['account'] })
    },
)
</script>

<template>
    <form novalidate @submit.prevent="((changed = false), save())">
        <h2>Password</h2>
        <RefusalNote v-if="refusal && !Object.keys(refusal.fields).length" :refusal="refusal" />
        <p v-if="changed" class="note" role="status">
            Your password is changed. Every other device has to sign in again.
        </p>
        <FormField label="Password of now" :wrong="wrong('password')">
            <el-input v-model="form.password" type="password" name="old-password" autocomplete="current-password" />
        </FormField>
        <FormField
            label="New password"
            :wrong="wrong('new_password')"
            hint="10 characters at least; several words are easier to keep than odd signs"
        >
            <el-input v-model="form.new_password" type="password" name="new-password" autocomplete="new-password" />
        </FormField>
        <el-button native-type="submit" :loading="saving">Change the password</el-button>
    </form>
</template>
