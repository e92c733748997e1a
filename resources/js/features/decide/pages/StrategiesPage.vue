<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, type Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import PageHead from '@/shared/components/PageHead.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { number, percent } from '@/shared/format'
import { useEvidenceLines } from '@/shared/api'
import { useUsualCosts } from '../api'

/** What to buy next season: mixes of tests by what they cost an area with their mistakes. */
const route = useRoute()
const router = useRouter()
const words = ref('')
const lines = useEvidenceLines(() => ({ tested: 1, ...(words.value ? { q: words.value } : {}) }))
const asked = computed(() => Number(route.query.test) || 0)
const own = useEvidenceLines(() => ({ tested: 1, method: asked.value }))
/** What is offered, with the one that is looked at. */
const tests = computed(() => {
    const rows = lines.data.value?.rows ?? []
    const one = own.data.value?.rows.find(({ method_id: id }) => id === asked.value)
    return one && !rows.some(({ method_id: id }) => id === one.method_id) ? [one, ...rows] : rows
})
const method = computed(
    () => asked.value || (tests.value.find(({ pairs }) => pairs >= 5) ?? tests.value[0])?.method_id || null,
)
const { data: usual } = useUsualCosts(method)
const form = reactive({
    lab_fee: 18,
    lab_minutes: 8,
    test_fee: 0.6,
    test_minutes: 10,
    hour: 30,
    under: 120,
    over: 60,
    drift: 0.1,
})
const result = ref<Schema<'StrategyComparison'> | null>(null)
const { save, saving, refusal, wrong } = useSave(
    () => api.post('/evidence/{method}/strategies', { ...form }, { ids: { method: method.value! } }),
    (found) => (result.value = found),
)
watch(usual, (costs) => {
    if (!costs) return
    Object.assign(form, costs)
    result.value = null
    void save()
})
const FIELDS: [keyof typeof form, string, string][] = [
    ['lab_fee', 'Lab’s fee', 'a sample'],
    ['lab_minutes', 'Attention for the lab', 'minutes'],
    ['test_fee', 'Test’s cost', 'a sample'],
    ['test_minutes', 'Attention for the test', 'minutes'],
    ['hour', 'An hour costs', ''],
    ['under', 'Taken for higher than it is', 'cost of too little done, an area'],
    ['over', 'Taken for lower than it is', 'cost of too much done, an area'],
    ['drift', 'Ground changes in a year by', 'standard deviation'],
]
const NAMES: Record<string, string> = {
    lab: 'Lab for all',
    both: 'Test first, lab when near the limit',
    test: 'Test for all',
    change: 'Test for change, lab every third year',
}
const WIDE = 560
const most = computed(() => Math.max(1, ...(result.value?.outcomes ?? []).map((one) => one.interval[1]!)) * 1.05)
const x = (cost: number): number => (cost / most.value) * (WIDE - 60)
const money = (cost: number): string => number(cost, cost < 100 ? 2 : 0)
const lede = computed(() => {
    const found = result.value
    if (!found) return 'The mix with the lowest cost, mistakes counted, on the evidence there is.'
    const alike = found.outcomes.slice(1).filter(({ apart }) => !apart)
    const sure = alike.length
        ? `on this evidence it cannot be told apart from: ${alike.map(({ strategy }) => NAMES[strategy]!.toLowerCase()).join('; ')}`
        : 'the evidence tells it apart from all others'
    return `${NAMES[found.cheapest]}: cheapest at ${money(found.outcomes[0]!.cost)} an area and year; ${sure}.`
})
const turns = computed(() =>
    (result.value?.turns ?? []).map((turn, i, all) => {
        const times = (factor: number): string =>
            factor < 1 ? `a ${number(1 / factor, 0)}th` : `${number(factor, factor < 10 ? 1 : 0)} times`
        const first =
            all.length > 1
                ? `less than ${times(all[1]!.factor)} of that`
                : 'anything between a hundredth and a hundred times that'
        const from = i === 0 ? `If mistakes cost ${first}` : `From ${times(turn.factor)} on`
        return `${from}: ${NAMES[turn.cheapest]}.`
    }),
)
</script>

<template>
    <PageHead over="Decide" title="What to buy next season" :lede="lede"
        ><RouterLink to="/decide">Back to the register</RouterLink></PageHead
    >
    <p v-if="lines.data.value && !tests.length && !words" class="lede">
        No test of the bench has a lab to stand beside yet.
    </p>
    <div v-else class="columns two">
        <form novalidate @submit.prevent="save()">
            <FormField label="Test">
                <el-select
                    :model-value="method ?? undefined"
                    style="width: 100%"
                    aria-label="Test"
                    filterable
                    remote
                    remote-show-suffix
                    :remote-method="(typed: string) => (words = typed.trim())"
                    @update:model-value="(id: number) => router.replace({ query: { test: id } })"
                >
                    <el-option
                        v-for="one in tests"
                        :key="one.method_id"
                        :value="one.method_id"
                        :label="`${one.name}, ${one.pairs} pairs`"
                    />
                </el-select>
            </FormField>
            <FormField
                v-for="[key, label, hint] in FIELDS"
                :key="key"
                :label="label"
                :hint="hint || undefined"
                :wrong="wrong(key)"
            >
                <el-input-number
                    v-model="form[key]"
                    :controls="false"
                    :min="0"
                    :aria-label="label"
                    style="width: 110px"
                />
            </FormField>
            <RefusalNote :refusal="refusal" />
            <el-button type="primary" native-type="submit" :loading="saving">Compare</el-button>
        </form>
        <section v-if="result">
            <h2>Cost of an area and year</h2>
            <svg
                :viewBox="`0 0 ${WIDE} ${result.outcomes.length * 46 + 4}`"
                role="img"
                :aria-label="result.outcomes.map((one) => `${NAMES[one.strategy]} ${money(one.cost)}`).join('; ')"
            >
                <g v-for="(one, i) in result.outcomes" :key="one.strategy" :transform="`translate(0 ${i * 46})`">
                    <text x="0" y="14" :class="{ best: i === 0 }">{{ NAMES[one.strategy] }}</text>
                    <rect x="0" y="20" :width="x(one.testing)" height="12" fill="#A9825A" />
                    <rect
                        :x="x(one.testing)"
                        y="20"
                        :width="Math.max(0, x(one.cost) - x(one.testing))"
                        height="12"
                        fill="url(#mistake)"
                        stroke="var(--oxide)"
                    />
                    <path
                        :d="`M${x(one.interval[0]!)} 26H${x(one.interval[1]!)}M${x(one.interval[0]!)} 21v10M${x(one.interval[1]!)} 21v10`"
                        stroke="var(--ink)"
                        stroke-width="1.4"
                        fill="none"
                    />
                    <text :x="x(one.interval[1]!) + 6" y="30" class="best">{{ money(one.cost) }}</text>
                </g>
                <defs>
                    <pattern
                        id="mistake"
                        width="5"
                        height="5"
                        patternUnits="userSpaceOnUse"
                        patternTransform="rotate(45)"
                    >
                        <path d="M0 0V5" stroke="var(--oxide)" stroke-width="1.6" />
                    </pattern>
                </defs>
            </svg>
            <p class="note">
                Plain: testing. Hatched: mistakes at their stated cost. Line: where the true cost lies, at 95 %.
            </p>
            <table class="plain">
                <thead>
                    <tr>
                        <th>Mix</th>
                        <th class="num">To the lab</th>
                        <th class="num">Testing</th>
                        <th class="num">Taken for higher</th>
                        <th class="num">Taken for lower</th>
                        <th class="num">Cost, with its interval</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="(one, i) in result.outcomes" :key="one.strategy">
                        <td>{{ NAMES[one.strategy] }}</td>
                        <td class="num">{{ percent(one.lab_share) }}</td>
                        <td class="num">{{ money(one.testing) }}</td>
                        <td class="num">{{ number(100 * one.under, 1) }} %</td>
                        <td class="num">{{ number(100 * one.over, 1) }} %</td>
                        <td class="num">
                            {{ money(one.cost) }} ({{ money(one.interval[0]!) }} to {{ money(one.interval[1]!) }})
                            <span v-if="i" class="note">
                                dearer by {{ money(one.dearer[0]!) }} to {{ money(one.dearer[1]!)
                                }}{{ one.apart ? '' : ', not told apart' }}
                            </span>
                        </td>
                    </tr>
                </tbody>
            </table>
            <h2 class="next">How the answer turns with the cost of a mistake</h2>
            <ul>
                <li v-for="turn in turns" :key="turn">{{ turn }}</li>
            </ul>
            <h2 class="next">What this rests on</h2>
            <ul>
                <li v-for="word in result.words" :key="word">{{ word }}</li>
                <li>
                    {{ result.reference }} itself is taken to be
                    {{
                        result.lab_uncertainty === null
                            ? 'without error, as nothing is stated of it'
                            : `uncertain by ± ${number(result.lab_uncertainty, 2)}`
                    }}: it makes mistakes near a limit too.
                </li>
            </ul>
        </section>
    </div>
</template>

<style scoped>
.two {
    grid-template-columns: 280px minmax(0, 1fr);
}
svg {
    width: 100%;
    max-width: 620px;
}
text {
    font: 13px var(--sans);
    fill: var(--ink);
}
form :deep(.field > .note) {
    margin-left: 8px;
}
.best {
    font-weight: 600;
}
.num .note {
    display: block;
}
th,
.num .note {
    white-space: normal;
}
.next {
    margin-top: 16px;
}
ul {
    padding-left: 18px;
}
</style>
