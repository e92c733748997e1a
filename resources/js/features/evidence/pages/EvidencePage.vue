<script setup lang="ts">
import { number } from '@/shared/format'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { type Schema } from '@/api/client'
import PageHead from '@/shared/components/PageHead.vue'
import PageTurner from '@/shared/components/PageTurner.vue'
import VerdictStone from '@/shared/components/VerdictStone.vue'
import { useSession } from '@/shared/composables/useSession'
import { useStages } from '@/shared/composables/useStages'
import { useSite } from '@/shared/composables/useSite'
import ActionMatrix from '../components/ActionMatrix.vue'
import AgreementPlot from '../components/AgreementPlot.vue'
import ClaimPanel from '../components/ClaimPanel.vue'
import DifferencePlot from '../components/DifferencePlot.vue'
import LeftOut from '../components/LeftOut.vue'
import SignDialog from '../components/SignDialog.vue'
import SoilsToCome from '../components/SoilsToCome.vue'
import StripTable from '../components/StripTable.vue'
import TakenApart from '../components/TakenApart.vue'
import WouldSettle from '../components/WouldSettle.vue'
import { useEvidenceLines } from '@/shared/api'
import { useEvidence } from '../api'

const CLAIMS = ['sort', 'rate', 'track'] as const
const route = useRoute()
const router = useRouter()
const { me } = useSession()
const { timezone } = useSite()
const asked = computed(() => Number(route.params.method) || 0)
const turned = ref<number | null>(null)
watch(asked, () => (turned.value = null))
/** The page of tests that has the one looked at, until another page is turned to. */
const lines = useEvidenceLines(() =>
    turned.value === null ? (asked.value ? { method: asked.value } : {}) : { page: turned.value },
)
const first = ref<number | null>(null)
const chosen = ref<Schema<'EvidenceLine'> | null>(null)
const methodId = computed(() => asked.value || first.value)
watch(
    [lines.data, methodId],
    () => {
        const rows = lines.data.value?.rows ?? []
        first.value ??= rows[0]?.method_id ?? null
        const own = rows.find(({ method_id: one }) => one === methodId.value)
        if (own || turned.value === null) chosen.value = own ?? null
    },
    { immediate: true },
)
/** The lab, or the reader, that the test stands beside. */
const against = computed((): Record<string, string | number> => {
    const { reference, reader, against: other, records } = route.query
    if (records) return { records: 1 }
    if (reader && other) return { reader: String(reader), against: String(other) }
    return reference ? { reference: Number(reference) } : {}
})
function beside(choice: string): void {
    const [kind, one, other] = choice.split('\n')
    const query =
        kind === 'lab' ? { reference: one } : kind === 'records' ? { records: 1 } : { reader: one, against: other }
    void router.replace({ query })
}
const choices = computed(() => {
    const found = evidence.value
    if (!found) return []
    const labs = found.references.map(({ id, name }) => ({ value: `lab\n${id}`, label: name }))
    const readers = found.readers.flatMap((one) =>
        found.readers
            .filter((other) => other !== one)
            .map((other) => ({ value: `reader\n${one}\n${other}`, label: `${one} beside ${other}` })),
    )
    const old = found.method.workplace === 'bench' ? [{ value: 'records', label: 'Old records alone' }] : []
    return [...labs, ...old, ...readers]
})
const current = computed(() => {
    const found = evidence.value
    if (!found) return ''
    if (found.records_alone) return 'records'
    return found.against ? `reader\n${String(route.query.reader)}\n${found.against}` : `lab\n${found.reference.id}`
})
const { data: evidence } = useEvidence(() => (chosen.value?.untested === null ? methodId.value : null), against)
/** What the two are called in tables: a kit has bands, a lab may stand beside a lab, a reader beside a reader. */
const nouns = computed(() => ({
    test: evidence.value?.against
        ? String(route.query.reader)
        : evidence.value?.method.workplace === 'lab'
          ? 'Second lab'
          : evidence.value?.method.bands
            ? 'Kit'
            : 'Test',
    reference: evidence.value?.against || (evidence.value?.reference.workplace === 'bench' ? 'Other' : 'Lab'),
}))
/** What lies below the first screen is drawn part by part. */
const drawn = useStages(() => evidence.value?.method.id, 4)
const signing = ref<(typeof CLAIMS)[number] | null>(null)
const analyte = computed(() =>
    evidence.value?.method.analyte === 'ph' ? 'pH' : (evidence.value?.method.analyte ?? ''),
)
</script>

<template>
    <template v-if="chosen?.untested">
        <PageHead over="Evidence" :title="chosen.name" :lede="chosen.untested">
            <RouterLink to="/evidence">To the tests that can be judged</RouterLink>
        </PageHead>
        <p><VerdictStone verdict="untested" :size="36" /></p>
    </template>
    <template v-else-if="evidence && evidence.method.id === methodId">
        <PageHead
            :over="`${analyte}, measured against ${evidence.reference.name} on split portions, policy ${evidence.policy.version}`"
            :title="evidence.method.name"
        />
        <nav v-if="(lines.data.value?.total ?? 0) > 1" class="tests" aria-label="Tests">
            <RouterLink
                v-for="line in lines.data.value?.rows"
                :key="line.method_id"
                :to="`/evidence/${line.method_id}`"
                :aria-current="line.method_id === methodId ? 'page' : undefined"
            >
                {{ line.name }}
                <small v-if="line.computing" class="note">being computed again</small>
                <span>
                    <VerdictStone
                        v-for="claim in CLAIMS"
                        :key="claim"
                        :verdict="line.claims[claim].computed"
                        :size="17"
                        quiet
                    />
                </span>
            </RouterLink>
        </nav>
        <PageTurner
            v-if="lines.data.value"
            :of="lines.data.value"
            label="Pages of tests"
            noun="tests"
            :words="['Before', 'Further']"
            @turn="(to) => (turned = to)"
        />
        <p v-if="choices.length > 1" class="row beside">
            Beside
            <el-select
                :model-value="current"
                size="small"
                style="width: 320px"
                aria-label="What the test stands beside"
                @update:model-value="beside"
            >
                <el-option v-for="one in choices" :key="one.value" :value="one.value" :label="one.label" />
            </el-select>
            <RouterLink v-if="evidence.method.workplace === 'bench'" :to="`/evidence/${evidence.method.id}/records`"
                >Bring old records in</RouterLink
            >
            <span v-if="evidence.records_alone" class="note"
                >From records: how these were read is not known, and a verdict on them says so.</span
            >
            <span v-else-if="evidence.from_records" class="note"
                >{{ evidence.from_records }} of {{ evidence.pairs.total }} pairs are from records, as the policy
                says.</span
            >
            <span v-if="evidence.against" class="note"
                >One reader’s bands stand for the reference: this says how far readers agree, not whether they are
                right.</span
            >
        </p>
        <div class="claims">
            <ClaimPanel
                v-for="claim in CLAIMS"
                :key="claim"
                :name="claim"
                :state="evidence.claims[claim]"
                :policy="evidence.policy"
                :difference="evidence.difference"
                :timezone="timezone"
                :may-sign="
                    (me?.may_sign ?? false) &&
                    evidence.pairs.total > 0 &&
                    !evidence.against &&
                    evidence.reference.workplace === 'lab'
                "
                @sign="signing = claim"
            />
        </div>
        <div class="columns two">
            <div>
                <StripTable
                    v-if="drawn > 0 && evidence.pairs.total"
                    :evidence="evidence"
                    :nouns="nouns"
                    :against="against"
                />
                <p v-else-if="!evidence.pairs.total" class="lede">
                    No pair yet. Read the bench portion and enter the lab’s pH of the same composite, or bring old
                    records in.
                </p>
                <LeftOut :evidence="evidence" :against="against" />
            </div>
            <aside>
                <h2>
                    Difference from
                    {{
                        evidence.against ||
                        (evidence.reference.workplace === 'lab' ? 'the lab' : evidence.reference.name)
                    }}
                </h2>
                <DifferencePlot :evidence="evidence" />
                <h2>Action matrix</h2>
                <ActionMatrix
                    :matrix="evidence.matrix"
                    :actions="evidence.policy.terms.actions"
                    :test="nouns.test"
                    :reference="nouns.reference"
                />
                <p v-if="evidence.kappa?.quadratic != null" class="note">
                    Agreement beyond chance, weighted kappa: {{ number(evidence.kappa.linear, 2) }} linear,
                    {{ number(evidence.kappa.quadratic, 2) }} quadratic.
                </p>
                <p class="note">
                    An action is {{ evidence.policy.terms.actions.join(', ') }}, by the limits of what grows there.
                    {{
                        evidence.policy.pairs_then
                            ? `The policy was set when ${evidence.policy.pairs_then} pairs were there already.`
                            : 'Limits were set before the evidence was looked at.'
                    }}
                </p>
                <p v-for="note in evidence.notes" :key="note" class="note">{{ note }}</p>
                <p v-if="!me?.may_sign" class="note">A reviewer signs what this page proves.</p>
            </aside>
        </div>
        <WouldSettle v-if="drawn > 1" :evidence="evidence" />
        <SoilsToCome v-if="drawn > 2 && evidence.pairs.total" :evidence="evidence" />
        <div v-if="drawn > 3" class="columns apart">
            <TakenApart :evidence="evidence" />
            <section v-if="evidence.pairs.total > 1">
                <h2>Agreement</h2>
                <AgreementPlot :evidence="evidence" />
            </section>
        </div>
        <SignDialog v-if="signing" :evidence="evidence" :claim="signing" @done="signing = null" />
    </template>
    <p v-else-if="lines.data.value?.total === 0" class="lede">This team has no bench test yet.</p>
</template>

<style scoped>
.claims {
    display: grid;
    grid-template-columns: 1.15fr 1fr 1fr;
    gap: 28px;
    border-bottom: 1px solid var(--rule);
    padding-bottom: 12px;
    margin-bottom: 14px;
}
.claims > * + * {
    border-left: 1px solid var(--rule);
    padding-left: 20px;
}
.two {
    grid-template-columns: minmax(0, 1fr) 320px;
}
.apart {
    grid-template-columns: minmax(0, 1fr) 320px;
    border-top: 1px solid var(--rule);
    margin-top: 18px;
    padding-top: 12px;
}
.beside {
    margin: -6px 0 10px;
}
.tests {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 22px;
    margin: -4px 0 12px;
    border-bottom: 1px solid var(--rule);
}
.tests a {
    color: var(--ink);
    text-decoration: none;
    padding-bottom: 4px;
}
.tests a[aria-current] {
    color: var(--gley);
    font-weight: 600;
    box-shadow: 0 2px 0 var(--gley);
}
.tests a > span {
    display: flex;
    gap: 4px;
}
@media screen and (max-width: 700px) {
    .claims {
        grid-template-columns: minmax(0, 1fr);
        gap: 14px;
    }
    .claims > * + * {
        border-left: 0;
        border-top: 1px solid var(--rule);
        padding: 12px 0 0;
    }
}
</style>
