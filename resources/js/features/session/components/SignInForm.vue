<script setup lang="ts">
import { reactive, ref, watch } from 'vue'
import { api } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSession } from '@/shared/composables/useSession'

const props = defineProps<{ email?: string }>()
const { signedIn } = useSession()
const form = reactive({ email: props.email ?? '', password: '', code: '' })
const asksCode = ref(false)
const asked = ref(false)
const { save, saving, wrong, message, refusal } = useSave(
    () => api.post('/session', { ...form, code: form.code || undefined }),
    signedIn,
)
watch(refusal, (it) => (asksCode.value ||= it?.fields.code !== undefined))
const forgotten = useSave(
    () => api.post('/password/ask', { email: form.email }),
    () => (asked.value = true),
)
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
        <FormField v-if="asksCode" label="Code of the authenticator" :wrong="wrong('code')">
            <el-input
                v-model="form.code"
                name="code"
                inputmode="numeric"
                autocomplete="one-time-code"
                style="width: 160px"
            />
        </FormField>
        <p v-if="refusal && refusal.status !== 422" class="wrong" role="alert">{{ message }}</p>
        <el-button type="primary" native-type="submit" :loading="saving">Sign in</el-button>
        <details class="forgotten">
            <summary>Forgotten the password?</summary>
            <p v-if="asked" role="status">
                Where an account has this address and mail is set up here, an address for a new password is on its way.
                Who administers your team can make you one too.
            </p>
            <template v-else>
                <p class="note">
                    Who administers your team makes an address at which you set a new one. Where mail is set up here, it
                    is sent to you:
                </p>
                <p v-if="forgotten.wrong('email')" class="wrong" role="alert">{{ forgotten.wrong('email') }}</p>
                <button type="button" class="link" @click="forgotten.save()">
                    Send it to {{ form.email || 'the address above' }}
                </button>
            </template>
        </details>
    </form>
</template>

<style scoped>
.forgotten {
    margin-top: 14px;
}
summary {
    cursor: pointer;
    color: var(--gley);
}
</style>
