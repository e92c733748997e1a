<script setup lang="ts">
import { useTyped } from '@/shared/composables/useTyped'
import { useQueryClient } from '@tanstack/vue-query'
import { reactive, ref } from 'vue'
import { api, type Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import OneOf from '@/shared/components/OneOf.vue'
import PageHead from '@/shared/components/PageHead.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSession } from '@/shared/composables/useSession'
import { useSite } from '@/shared/composables/useSite'
import { count, day } from '@/shared/format'
import PeopleTabs from '../components/PeopleTabs.vue'
import ShownOnce from '../components/ShownOnce.vue'
import { usePeople } from '../api'
import { ROLES, type Role } from '../words'

type Person = Schema<'Person'>
const queries = useQueryClient()
const { me } = useSession()
const { timezone } = useSite()
const { data } = usePeople()
const again = () => queries.invalidateQueries({ queryKey: ['people'] })
const form = reactive({ email: '', role: 'technician' as Role, administers: false })
const once = ref<{ words: string; text: string } | null>(null)
const typedHere = useTyped(
    () => 'an invitation',
    () => 'invitation-new',
    { form },
)
const invite = useSave(
    () => api.post('/people/invitations', { ...form }),
    async (made) => {
        once.value = {
            words: `An address for ${made.email}, good until ${day(made.ends_at, timezone.value)}:`,
            text: made.address,
        }
        form.email = ''
        typedHere.settle()
        await again()
    },
)
const withdraw = useSave(
    (invitation: number) => api.delete('/people/invitations/{invitation}', { ids: { invitation } }),
    again,
)
const change = useSave(
    (person: Person, role: Role, administers: boolean) =>
        api.put('/people/{person}', { role, administers }, { ids: { person: person.id } }),
    async () => {
        await again()
        await queries.invalidateQueries({ queryKey: ['session'] })
    },
)
/** What was refused is shown again as it is: a list would go on showing what was chosen. */
const tries = ref(0)
async function give(person: Person, role: Role, administers: boolean): Promise<void> {
    await change.save(person, role, administers)
    tries.value++
}
const reset = useSave(
    async (person: Person) =>
        [person, await api.post('/people/{person}/reset', undefined, { ids: { person: person.id } })] as const,
    ([person, { address }]) =>
        (once.value = {
            words: `An address at which ${person.name} sets a new password, good for a day:`,
            text: address,
        }),
)
const unguard = useSave(
    (person: Person) => api.post('/people/{person}/second-factor/end', undefined, { ids: { person: person.id } }),
    again,
)
const close = useSave(
    (person: Person) => api.post('/people/{person}/close', undefined, { ids: { person: person.id } }),
    again,
)
const shut = (person: Person): void => {
    if (window.confirm(`${person.name} signs in no more. What they wrote stays, with their name. Close the account?`))
        void close.save(person)
}
</script>

<template>
    <template v-if="data && me">
        <PageHead
            :over="me.team"
            title="People"
            :lede="`${count(data.people.filter((one) => !one.closed_at).length, 'person', 'people')} in this team.`"
        >
            <PeopleTabs />
        </PageHead>
        <RefusalNote
            v-for="(refusal, i) in [change.refusal.value, close.refusal.value, reset.refusal.value].filter(
                (one) => one,
            )"
            :key="i"
            :refusal="refusal"
        />
        <ShownOnce v-if="once" v-bind="once" is-address @done="once = null" />
        <table class="plain">
            <thead>
                <tr>
                    <th>Name</th>
                    <th>Signs in as</th>
                    <th>Role</th>
                    <th v-if="data.may_administer"><span class="sr">What may be done</span></th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="person in data.people" :key="`${person.id} ${tries}`" :class="{ gone: person.closed_at }">
                    <td>{{ person.name }}{{ person.is_me ? ', you' : '' }}</td>
                    <td>{{ person.email }}</td>
                    <td>
                        <template v-if="data.may_administer && !person.closed_at">
                            <OneOf
                                :model-value="person.role"
                                :aria-label="`Role of ${person.name}`"
                                :options="ROLES"
                                style="width: 250px"
                                @update:model-value="(role) => give(person, role as Role, person.administers)"
                            />
                            <label class="administers">
                                <input
                                    type="checkbox"
                                    :checked="person.administers"
                                    @change="
                                        (event) => give(person, person.role, (event.target as HTMLInputElement).checked)
                                    "
                                />
                                administers the team
                            </label>
                        </template>
                        <template v-else>
                            {{
                                person.closed_at
                                    ? `closed on ${day(person.closed_at, timezone)}`
                                    : person.role + (person.administers ? ', administers the team' : '')
                            }}
                        </template>
                    </td>
                    <td v-if="data.may_administer" class="acts">
                        <template v-if="!person.closed_at && !person.is_me">
                            <button type="button" class="link" @click="reset.save(person)">New password</button>
                            <button type="button" class="link" @click="unguard.save(person)">Phone lost</button>
                            <button type="button" class="link" @click="shut(person)">Close</button>
                        </template>
                    </td>
                </tr>
            </tbody>
        </table>
        <div v-if="data.may_administer" class="columns two">
            <form novalidate @submit.prevent="invite.save()">
                <h2>Invite somebody</h2>
                <RefusalNote
                    v-if="invite.refusal.value && !Object.keys(invite.refusal.value.fields).length"
                    :refusal="invite.refusal.value"
                />
                <FormField label="E-mail address" :wrong="invite.wrong('email')">
                    <el-input v-model="form.email" name="invite-email" type="email" maxlength="200" />
                </FormField>
                <FormField label="Role" :wrong="invite.wrong('role')">
                    <OneOf v-model="form.role" size="default" :options="ROLES" />
                </FormField>
                <label class="administers">
                    <input v-model="form.administers" type="checkbox" /> administers the team too
                </label>
                <p>
                    <el-button type="primary" native-type="submit" :loading="invite.saving.value">Invite</el-button>
                </p>
                <p class="note">
                    {{
                        data.mail
                            ? 'The address goes out by mail, and is shown here once.'
                            : 'No mail is set up here: the address is shown once, to be handed on.'
                    }}
                </p>
            </form>
            <section>
                <h2>Invited</h2>
                <p v-if="!data.invitations.length" class="note">Nobody is invited at the moment.</p>
                <table v-else class="plain">
                    <tbody>
                        <tr v-for="one in data.invitations" :key="one.id">
                            <td>{{ one.email }}</td>
                            <td>{{ one.role }}{{ one.administers ? ', administers the team' : '' }}</td>
                            <td>by {{ one.by }}, until {{ day(one.ends_at, timezone) }}</td>
                            <td>
                                <button type="button" class="link" @click="withdraw.save(one.id)">Withdraw</button>
                            </td>
                        </tr>
                    </tbody>
                </table>
            </section>
        </div>
        <p v-else class="note">Who administers the team invites people and gives roles.</p>
    </template>
</template>

<style scoped>
.two {
    grid-template-columns: 340px minmax(0, 1fr);
    margin-top: 22px;
}
.gone td {
    color: var(--ink-2);
}
.administers {
    display: inline-flex;
    gap: 6px;
    align-items: center;
    white-space: nowrap;
}
td .administers {
    margin-left: 10px;
}
.acts {
    white-space: nowrap;
}
.acts button {
    margin-right: 12px;
}
@media (max-width: 900px) {
    .two {
        grid-template-columns: minmax(0, 1fr);
    }
}
</style>
