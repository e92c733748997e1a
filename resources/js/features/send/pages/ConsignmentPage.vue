<script setup lang="ts">
import { useTyped } from '@/shared/composables/useTyped'
import TypedBefore from '@/shared/components/TypedBefore.vue'
import { useCsv } from '@/shared/composables/useCsv'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import PageHead from '@/shared/components/PageHead.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSite } from '@/shared/composables/useSite'
import { count, day, depth, mailto, moment } from '@/shared/format'
import { newId } from '@/shared/offline/store'
import { money } from '@/shared/money'
import { useLabs } from '@/shared/api'
import { useConsignment } from '../api'
import KeptReports from '../components/KeptReports.vue'
import SimulatedLab from '../components/SimulatedLab.vue'

/** A consignment: what is in it, its papers, where it is, and the letter to the lab when it is late. */
const id = Number(useRoute().params.consignment)
const queries = useQueryClient()
const { timezone, site } = useSite()
const { data: consignment, error } = useConsignment(id)
const known = useLabs()
const carrier = ref('')
const typedHere = useTyped(
    () => 'who carries it',
    () => `carrier-${id}`,
    { carrier },
)
const copied = ref(false)
const after = async (): Promise<void> => queries.invalidateQueries()
const ids = { consignment: id }
const {
    save: send,
    saving,
    refusal,
} = useSave(
    () =>
        api.post(
            '/consignments/{consignment}/send',
            { carrier: carrier.value || null, at: new Date().toISOString() },
            { ids },
        ),
    async () => {
        typedHere.settle()
        await after()
    },
)
const {
    save: ask,
    saving: asking,
    refusal: refusedAsk,
} = useSave(() => api.post('/consignments/{consignment}/ask', undefined, { ids }), after)
const { save: asked } = useSave(() => api.post('/consignments/{consignment}/enquiry', undefined, { ids }), after)
const { save: step, refusal: refusedStep } = useSave(
    (name: string) =>
        api.post('/custody-steps', {
            submission: newId(),
            codes: consignment.value!.contents.map(({ portion }) => portion.code),
            step: name,
            at: new Date().toISOString(),
            place: consignment.value!.lab.name,
            condition: null,
            celsius: null,
            corrects: null,
        }),
    after,
)
const next = computed(
    () =>
        ({ sent: ['arrived', 'The lab has it'], arrived: ['reported', 'The report came'] })[
            consignment.value?.state ?? ''
        ],
)
const state = computed(() => (consignment.value?.state === 'sent' ? 'on its way' : (consignment.value?.state ?? '')))
const lede = computed(() => {
    const one = consignment.value
    if (!one) return ''
    const late =
        one.days_late > 0
            ? ` ${count(one.days_late, 'working day')} late.`
            : one.expected_on && one.state !== 'reported'
              ? ` Report expected on ${day(one.expected_on)}.`
              : ''
    return `${count(one.contents.length, 'portion')} for ${one.lab.name}, ${state.value}.${late}`
})
async function copy(): Promise<void> {
    await navigator.clipboard.writeText(consignment.value?.enquiry ?? '')
    copied.value = true
}
const print = (): void => window.print()
const { csv } = useCsv()
</script>

<template>
    <p v-if="error" class="wrong">{{ error.message }}</p>
    <template v-if="consignment">
        <PageHead
            class="consignment"
            :over="`Send, packed ${moment(consignment.packed_at, timezone)} by ${consignment.packed_by}`"
            :title="`Consignment ${consignment.number}`"
            :lede="lede"
        >
            <a :href="csv(`/api/consignments/${consignment.id}/list.csv`)">List in the lab’s columns</a>
            <el-button @click="print">Print the papers</el-button>
        </PageHead>
        <p v-if="consignment.simulated" class="simulated" role="note">
            Simulated: this lab, its days and its results are made up.
        </p>
        <div class="columns two">
            <section class="papers">
                <h2>Packing list</h2>
                <p>
                    To {{ consignment.lab.name }}, {{ consignment.lab.address }}. From
                    {{ [site?.name, site?.owner, site?.address, site?.phone].filter(Boolean).join(', ') }}.
                </p>
                <table class="plain">
                    <thead>
                        <tr>
                            <th>Code</th>
                            <th>Depth</th>
                            <th>Pulled</th>
                            <th>Tests</th>
                            <th class="num">Fee</th>
                            <th class="no-print">State</th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="one in consignment.contents" :key="one.portion.id">
                            <td>
                                <strong>{{ one.portion.code }}</strong>
                                <span class="note no-print what">
                                    {{
                                        one.portion.kind === 'hidden'
                                            ? `hides ${one.sample}`
                                            : one.portion.kind === 'check'
                                              ? 'check soil'
                                              : one.area
                                    }}</span
                                >
                            </td>
                            <td>{{ one.depth ? depth(one.depth) : '' }}</td>
                            <td>{{ one.pulled_on ? day(one.pulled_on) : '' }}</td>
                            <td>{{ one.tests.map(({ name }) => name).join(', ') }}</td>
                            <td class="num">
                                {{ money(one.tests.reduce((sum, { fee_cents }) => sum + fee_cents, 0)) }}
                            </td>
                            <td class="no-print">{{ one.portion.state_name }}</td>
                        </tr>
                    </tbody>
                    <tfoot>
                        <tr>
                            <td colspan="4">{{ count(consignment.contents.length, 'portion') }}</td>
                            <td class="num">
                                <strong>{{ money(consignment.fee_cents) }}</strong>
                            </td>
                            <td class="no-print"></td>
                        </tr>
                    </tfoot>
                </table>
                <h2>Submission form</h2>
                <table class="plain form">
                    <tbody>
                        <tr v-for="field in consignment.form" :key="field.label">
                            <td>{{ field.label }}</td>
                            <td>{{ field.value || (field.required ? '____________________' : '') }}</td>
                        </tr>
                        <tr>
                            <td>Sent by</td>
                            <td>{{ consignment.packed_by }}, {{ site?.name }}</td>
                        </tr>
                    </tbody>
                </table>
                <div v-if="consignment.warnings.length" class="warning no-print">
                    <strong>Known when it was packed</strong>
                    <ul>
                        <li v-for="(warning, i) in consignment.warnings" :key="i">{{ warning.text }}</li>
                    </ul>
                </div>
                <template v-if="consignment.days_late > 0 || consignment.state === 'lost'">
                    <h2 class="no-print">Ask the lab</h2>
                    <pre class="letter no-print">{{ consignment.enquiry }}</pre>
                    <p class="row no-print">
                        <a
                            :href="
                                mailto(consignment.lab.email, `Consignment ${consignment.number}`, consignment.enquiry)
                            "
                            @click="asked()"
                            >Write it as a letter</a
                        >
                        <button type="button" class="link" @click="copy">{{ copied ? 'Copied' : 'Copy it' }}</button>
                        <button type="button" class="link" @click="asked()">
                            {{
                                consignment.asked_on
                                    ? `Asked on ${day(consignment.asked_on)}; asked again today`
                                    : 'The lab was asked today'
                            }}
                        </button>
                    </p>
                </template>
            </section>
            <aside class="no-print">
                <h2>Where it is</h2>
                <p>
                    {{ state }}{{ consignment.carrier ? `, ${consignment.carrier}` : ''
                    }}{{ consignment.sent_at ? `, sent ${moment(consignment.sent_at, timezone)}` : '' }}
                </p>
                <p v-if="consignment.word">Last word: {{ consignment.word }}</p>
                <RefusalNote :refusal="refusal ?? refusedAsk ?? refusedStep" />
                <form v-if="consignment.state === 'packed'" novalidate @submit.prevent="send()">
                    <TypedBefore :typed="typedHere" />
                    <FormField
                        label="Carrier"
                        :hint="
                            consignment.lab.service && known.data.value?.service.there
                                ? 'The lab’s interface is told of it.'
                                : undefined
                        "
                        ><el-input v-model="carrier" name="carrier"
                    /></FormField>
                    <el-button type="primary" native-type="submit" :loading="saving">It was handed over</el-button>
                </form>
                <p v-if="consignment.announced && consignment.state !== 'reported'">
                    <el-button type="primary" :loading="asking" @click="ask()">Ask where it is</el-button>
                </p>
                <p v-if="!consignment.announced && next">
                    <el-button @click="step(next[0]!)">{{ next[1] }}</el-button>
                </p>
                <KeptReports v-if="consignment.reports.length" :consignment="consignment" />
                <SimulatedLab v-if="known.data.value?.service.simulated && consignment.announced" />
            </aside>
        </div>
    </template>
</template>

<style scoped>
.two {
    grid-template-columns: minmax(0, 1fr) 280px;
}
.papers h2:not(:first-child) {
    margin-top: 18px;
}
.form td:first-child {
    width: 180px;
    color: var(--ink-2);
}
.simulated {
    border: 1px dashed var(--ink);
    padding: 6px 10px;
    display: inline-block;
}
.letter {
    font: 14px/1.45 var(--serif);
    background: var(--sheet);
    border: 1px solid var(--rule);
    padding: 12px;
    white-space: pre-wrap;
}
.row {
    gap: 14px;
    flex-wrap: wrap;
}
.warning {
    display: block;
    margin-top: 14px;
}
.what {
    margin-left: 8px;
}
.warning ul {
    margin: 4px 0 0;
    padding-left: 16px;
}
.papers strong {
    white-space: nowrap;
}
@media print {
    .two {
        display: block;
    }
    .consignment :deep(.lede),
    .consignment :deep(.over) {
        display: none;
    }
}
</style>
