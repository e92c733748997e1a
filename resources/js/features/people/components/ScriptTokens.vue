<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { reactive, ref } from 'vue'
import { api, type Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import OneOf from '@/shared/components/OneOf.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { day } from '@/shared/format'
import ShownOnce from './ShownOnce.vue'

/** Tokens by which scripts ask the documented interface in one's name. */
defineProps<{ tokens: Schema<'ScriptToken'>[]; timezone: string }>()
const queries = useQueryClient()
const form = reactive({ name: '', writes: 'no' as 'no' | 'yes', days: 90, password: '' })
const made = ref('')
const again = () => queries.invalidateQueries({ queryKey: ['account'] })
const make = useSave(
    () => api.post('/account/tokens', { ...form, writes: form.writes === 'yes' }),
    async ({ token }) => {
        made.value = token
        Object.assign(form, { name: '', password: '' })
        await again()
    },
)
const end = useSave((id: number) => api.delete('/account/tokens/{id}', { ids: { id } }), again)
</script>

<template>
    <section>
        <h2>Tokens for scripts</h2>
        <p class="note">
            A script asks the interface that <code>docs/openapi.yaml</code> describes with
            <code>Authorization: Bearer</code> and a token. It does what you may, keeps no accounts, and signs nothing.
        </p>
        <ShownOnce v-if="made" words="The token:" :text="made" @done="made = ''" />
        <table v-if="tokens.length" class="plain">
            <thead>
                <tr>
                    <th>For</th>
                    <th>May</th>
                    <th>Used</th>
                    <th>Ends</th>
                    <th><span class="sr">End it</span></th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="one in tokens" :key="one.id">
                    <td>{{ one.name }}</td>
                    <td>{{ one.writes ? 'read and write' : 'read' }}</td>
                    <td>{{ one.used_at ? day(one.used_at, timezone) : 'never' }}</td>
                    <td>{{ day(one.ends_at, timezone) }}</td>
                    <td><button type="button" class="link" @click="end.save(one.id)">End it</button></td>
                </tr>
            </tbody>
        </table>
        <details>
            <summary>Make a token</summary>
            <form novalidate @submit.prevent="make.save()">
                <RefusalNote
                    v-if="make.refusal.value && !Object.keys(make.refusal.value.fields).length"
                    :refusal="make.refusal.value"
                />
                <FormField label="What it is for" :wrong="make.wrong('name')">
                    <el-input v-model="form.name" name="token-name" maxlength="80" />
                </FormField>
                <FormField label="It may">
                    <OneOf
                        v-model="form.writes"
                        size="default"
                        :options="
                            [
                                ['no', 'read'],
                                ['yes', 'read and write'],
                            ] as const
                        "
                    />
                </FormField>
                <FormField label="Good for, days" :wrong="make.wrong('days')">
                    <el-input-number v-model="form.days" :controls="false" :min="1" :max="730" name="token-days" />
                </FormField>
                <FormField label="Your password, once more" :wrong="make.wrong('password')">
                    <el-input
                        v-model="form.password"
                        type="password"
                        name="token-password"
                        autocomplete="current-password"
                    />
                </FormField>
                <el-button native-type="submit" :loading="make.saving.value">Make the token</el-button>
            </form>
        </details>
    </section>
</template>

<style scoped>
summary {
    cursor: pointer;
    color: var(--gley);
    margin: 8px 0;
}
</style>
