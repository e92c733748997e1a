<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import PageHead from '@/shared/components/PageHead.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSession } from '@/shared/composables/useSession'
import { useSite } from '@/shared/composables/useSite'
import OneOf from '@/shared/components/OneOf.vue'
import { day, number } from '@/shared/format'
import { SCHEMES, scheme, WRITINGS, writing } from '@/shared/scheme'
import PasswordForm from '../components/PasswordForm.vue'
import PeopleTabs from '../components/PeopleTabs.vue'
import ScriptTokens from '../components/ScriptTokens.vue'
import SecondFactor from '../components/SecondFactor.vue'
import { useAccount } from '../api'
import { deviceOf } from '../words'

const named = new Intl.DisplayNames('en', { type: 'language' })
const languages = WRITINGS.map((one) => [one, named.of(one) ?? one] as const)
const queries = useQueryClient()
const { me } = useSession()
const { timezone } = useSite()
const { data: account } = useAccount()
const end = useSave(
    (id: number) => api.delete('/account/sign-ins/{id}', { ids: { id } }),
    () => queries.invalidateQueries({ queryKey: ['account'] }),
)
const password = ref('')
const close = useSave(
    () => api.post('/account/close', { password: password.value }),
    () => window.location.assign('/'),
)
</script>

<template>
    <template v-if="account && me">
        <PageHead
            :over="`${me.team}, ${me.role}${me.may_administer ? ', administers the team' : ''}`"
            :title="account.name"
            :lede="
                account.of_demo
                    ? 'Anybody may sign in with this account of the demo: it stays as it is.'
                    : `You sign in as ${account.email}.`
            "
        >
            <PeopleTabs />
        </PageHead>
        <div class="columns" :class="{ two: !account.of_demo }">
            <div v-if="!account.of_demo">
                <PasswordForm />
                <SecondFactor :on="account.second_factor" class="next" />
            </div>
            <div>
                <h2>On this device</h2>
                <div class="row device">
                    <FormField label="The pages are">
                        <OneOf v-model="scheme" size="default" :options="SCHEMES" />
                    </FormField>
                    <FormField label="Numbers and days" :hint="`As in ${number(1234.5, 1)} and ${day('2026-09-24')}`">
                        <OneOf v-model="writing" size="default" none="as the browser has it" :options="languages" />
                    </FormField>
                </div>
                <h2 class="next">Where you are signed in</h2>
                <table class="plain">
                    <thead>
                        <tr>
                            <th>Device, by what it says of itself</th>
                            <th>From</th>
                            <th>Since</th>
                            <th>Last seen</th>
                            <th><span class="sr">End it</span></th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="one in account.sign_ins" :key="one.id">
                            <td>{{ deviceOf(one.agent) }}</td>
                            <td>{{ one.place }}</td>
                            <td>{{ day(one.since, timezone) }}</td>
                            <td>{{ day(one.seen_at, timezone) }}</td>
                            <td>
                                <span v-if="one.is_this" class="note">this one</span>
                                <button v-else type="button" class="link" @click="end.save(one.id)">End it</button>
                            </td>
                        </tr>
                    </tbody>
                </table>
                <template v-if="!account.of_demo">
                    <ScriptTokens :tokens="account.tokens" :timezone="timezone" class="next" />
                    <details class="next">
                        <summary>Close this account</summary>
                        <form novalidate @submit.prevent="close.save()">
                            <p>
                                Nobody signs in with it any more, on any device and by any token. What you wrote stays,
                                with your name: a record that loses its people is none.
                            </p>
                            <RefusalNote
                                v-if="close.refusal.value && !Object.keys(close.refusal.value.fields).length"
                                :refusal="close.refusal.value"
                            />
                            <FormField label="Your password, once more" :wrong="close.wrong('password')">
                                <el-input
                                    v-model="password"
                                    type="password"
                                    name="close-password"
                                    autocomplete="current-password"
                                />
                            </FormField>
                            <el-button native-type="submit" :loading="close.saving.value">Close my account</el-button>
                        </form>
                    </details>
                </template>
            </div>
        </div>
    </template>
</template>

<style scoped>
.two {
    grid-template-columns: 340px minmax(0, 1fr);
}
.next {
    margin-top: 22px;
}
.device {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 20px;
}
.device .field {
    flex: 1;
    min-width: 220px;
}
summary {
    cursor: pointer;
    color: var(--gley);
}
@media (max-width: 900px) {
    .two {
        grid-template-columns: minmax(0, 1fr);
    }
}
</style>
