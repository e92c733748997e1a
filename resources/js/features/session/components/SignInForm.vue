<script setup lang="ts">
import { reactive } from 'vue'
import { api } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSession } from '@/shared/composables/useSession'

const props = defineProps<{ email?: string }>()
const { signedIn } = useSession()
const form = reactive({ email: props.email ?? '', password: '' })
const { save, saving, wrong, message, refusal } = useSave(() => api.post('/session', { ...form }), signedIn)
defineExpose({ fill: (email: string, password: string) => Object.assign(form, { email, password }), save })
</script>

<template>
    <form novalidate @submit.prevent="save()">
        <FormField label="E-mail address" :wrong="wrong('email')">
            <el-input v-model="form.email" name="email" autocomplete="username" />
        </FormField>
        <FormField label="Password" :wrong="wrong('password')">
            <el-input v-model="form.password" name="password" type="password" autocomplete="current-password" />
        </FormField>
        <p v-if="refusal && refusal.status !== 422" class="wrong" role="alert">{{ message }}</p>
        <el-button type="primary" native-type="submit" :loading="saving">Sign in</el-button>
    </form>
</template>
