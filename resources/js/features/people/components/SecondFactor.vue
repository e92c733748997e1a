<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import QRCode from 'qrcode'
import { reactive, ref } from 'vue'
import { api, type Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import ShownOnce from './ShownOnce.vue'

/** A code of an authenticator, asked for at each sign-in beside the password. */
defineProps<{ on: boolean }>()
const queries = useQueryClient()
const form = reactive({ password: '', code: '' })
const begun = ref<Schema<'FactorBegun'> | null>(null)
const picture = ref('')
const recovery = ref<string[]>([])
const again = () => queries.invalidateQueries({ queryKey: ['account'] })
const begin = useSave(
    () => api.post('/account/second-factor', { password: form.password }),
    async (made) => {
        const svg = await QRCode.toString(made.uri, { type: 'svg', margin: 1, errorCorrectionLevel: 'M' })
        picture.value = `data:image/svg+xml;utf8,${encodeURIComponent(svg)}`
        begun.value = made
        form.password = ''
    },
)
const confirm = useSave(
    () => api.put('/account/second-factor', { code: form.code }),
    async (codes) => {
        recovery.value = codes.recovery
        begun.value = null
        form.code = ''
        await again()
    },
)
const end = useSave(
    () => api.post('/account/second-factor/end', { password: form.password }),
    async () => {
        form.password = ''
        await again()
    },
)
</script>

<template>
    <section>
        <h2>Second factor</h2>
        <ShownOnce
            v-if="recovery.length"
            words="For the day on which the phone is lost, each good once:"
            :text="recovery.join('\n')"
            @done="recovery = []"
        />
        <p class="note">
            {{
                on
                    ? 'A code of your authenticator is asked for at each sign-in.'
                    : 'With it, a sign-in asks for a code that an authenticator on your phone shows, beside the password.'
            }}
        </p>
        <form v-if="begun" novalidate @submit.prevent="confirm.save()">
            <p>Take this picture with the authenticator, then write the code that it shows.</p>
            <img :src="picture" alt="QR code for an authenticator" width="170" height="170" />
            <p class="note">
                Or type it: <span class="secret">{{ begun.secret.match(/.{1,4}/g)?.join(' ') }}</span>
            </p>
            <FormField label="Code" :wrong="confirm.wrong('code')">
                <el-input
                    v-model="form.code"
                    name="factor-code"
                    inputmode="numeric"
                    autocomplete="one-time-code"
                    style="width: 120px"
                />
            </FormField>
            <el-button type="primary" native-type="submit" :loading="confirm.saving.value">Confirm</el-button>
        </form>
        <form v-else novalidate @submit.prevent="on ? end.save() : begin.save()">
            <RefusalNote
                v-if="begin.refusal.value && !Object.keys(begin.refusal.value.fields).length"
                :refusal="begin.refusal.value"
            />
            <RefusalNote
                v-if="end.refusal.value && !Object.keys(end.refusal.value.fields).length"
                :refusal="end.refusal.value"
            />
            <FormField label="Your password, once more" :wrong="begin.wrong('password') ?? end.wrong('password')">
                <el-input
                    v-model="form.password"
                    type="password"
                    name="factor-password"
                    autocomplete="current-password"
                />
            </FormField>
            <el-button native-type="submit" :loading="begin.saving.value || end.saving.value">
                {{ on ? 'Take it away' : 'Set it up' }}
            </el-button>
        </form>
    </section>
</template>

<style scoped>
.secret {
    user-select: all;
    letter-spacing: 0.04em;
}
img {
    background: #fff;
}
</style>
