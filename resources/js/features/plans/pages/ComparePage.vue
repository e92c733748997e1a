<script setup lang="ts">
import { useTyped } from '@/shared/composables/useTyped'
import TypedBefore from '@/shared/components/TypedBefore.vue'
import { computed, reactive, toRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import MeasureField from '@/shared/components/MeasureField.vue'
import FormField from '@/shared/components/FormField.vue'
import PageHead from '@/shared/components/PageHead.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSite } from '@/shared/composables/useSite'
import { figure, number } from '@/shared/format'
import { shownIn, unitOf } from '@/shared/measures'
import SchemeTable from '../components/SchemeTable.vue'
import { useComparison } from '../composables/useComparison'
import { useChoices } from '@/shared/api'
import { useLocatedResults } from '../api'

const STAKES = [
    ['lab_fee', 'Lab fee a sample', null],
    ['wage_per_hour', 'Work an hour', null],
    ['lime_price_per_ton', 'Lime,', 'each_load'],
    ['loss_per_acre_and_ph', 'Yield lost for each pH short,', 'each_ground'],
    ['tons_per_acre_and_ph', 'Lime that lifts pH by one,', 'bulk'],
    ['lab_sd_ph', 'The lab’s own spread, pH', null],
    ['seconds_per_core', 'Seconds a core', null],
    ['speed_km_per_h', 'Speed, km/h', null],
] as const
const CELLS_ACRES = [10, 5, 2.5, 1]
const route = useRoute()
const { site, areas, units } = useSite()
const area = computed(() => areas.value.find((one) => one.id === Number(route.params.area)) ?? null)
const choices = useChoices()
const form = reactive({
    ground: 'stated' as 'stated' | 'fitted' | 'results',
    mean_ph: 6.1,
    sd_ph: 0.45,
    range_m: 120,
    fields: 200,
    seed: 1,
    cores_in_composite: 20,
    cores_in_cell: 10,
    results: '',
})
const stakes = reactive<Record<string, number>>({})
watch(
    () => choices.data.value?.comparison,
    (usual) => {
        if (!usual) return
        for (const [key] of STAKES) stakes[key] ??= usual[key] ?? 0
        for (const key of ['mean_ph', 'sd_ph', 'range_m', 'cores_in_composite', 'cores_in_cell'] as const)
            form[key] = usual[key] ?? form[key]
    },
    { immediate: true },
)
const typedHere = useTyped(
    () => 'earlier results to compare by',
    () => (area.value ? `compare-${area.value.id}` : ''),
    { results: toRef(form, 'results') },
)
watch(
    () => area.value?.id,
    () => {
        form.results = ''
        typedHere.begin()
        if (form.results) form.ground = 'results'
    },
)
if (form.results) form.ground = 'results'
const own = useLocatedResults(() => area.value?.id ?? null)
function takeOwn(): void {
    const rows = (own.data.value?.rows ?? []).map(({ longitude, latitude, ph }) => `${longitude},${latitude},${ph}`)
    form.results = ['longitude,latitude,ph', ...rows].join('\n')
}
const { run, leave, running, done, of, result, refusal, wrong } = useComparison()
const best = computed(() => result.value?.schemes.find((scheme) => scheme.best) ?? null)
const rivals = computed(() => result.value?.schemes.filter((scheme) => !scheme.best && !scheme.sure) ?? [])
const answer = computed(() => {
    if (!best.value)
        return (
            'One composite is cheap and hides what differs; a fine grid finds it and costs labour. Set the ground ' +
            'and the stakes, then compare.'
        )
    const close = rivals.value.map((scheme) => scheme.name).join(', ')
    return (
        `${best.value.name[0]!.toUpperCase()}${best.value.name.slice(1)} costs least: ` +
        `${number(best.value.total_money[0])} ± ` +
        `${number(1.96 * best.value.total_money[1]!)}.${close ? ` Not surely dearer: ${close}.` : ' All others are surely dearer.'}`
    )
})
</script>

<template>
    <template v-if="site && area">
        <PageHead :over="`${site.name}, composite, zones or grid`" :title="area.name" :lede="answer">
            <RouterLink :to="`/plans/${area.id}`">Back to the plan</RouterLink>
        </PageHead>
        <div class="columns two">
            <form novalidate @submit.prevent="run(area.id, { ...form, stakes: { ...stakes } })">
                <fieldset>
                    <legend>The ground</legend>
                    <el-segmented
                        v-model="form.ground"
                        :options="[
                            { label: 'As stated', value: 'stated' },
                            { label: 'Fitted', value: 'fitted' },
                            { label: 'Earlier results', value: 'results' },
                        ]"
                    />
                </fieldset>
                <div v-if="form.ground === 'stated'" class="grid">
                    <FormField label="Mean pH" :wrong="wrong('mean_ph')"
                        ><el-input-number v-model="form.mean_ph" :controls="false" :step="0.1" size="small"
                    /></FormField>
                    <FormField label="Spread, pH" :wrong="wrong('sd_ph')"
                        ><el-input-number v-model="form.sd_ph" :controls="false" :min="0" size="small"
                    /></FormField>
                    <FormField label="Alike within, m" :wrong="wrong('range_m')"
                        ><el-input-number v-model="form.range_m" :controls="false" :min="1" size="small"
                    /></FormField>
                </div>

                <p v-if="form.ground !== 'stated'" class="note">
                    <button v-if="own.data.value?.rows.length" type="button" class="link" @click="takeOwn">
                        Take the {{ own.data.value.rows.length }} of this area, {{ own.data.value.year }}
                    </button>
                    <template v-else
                        >No plan of this area by cell or zone has three lab results yet; paste others.</template
                    >
                </p>
                <TypedBefore v-if="form.ground !== 'stated'" :typed="typedHere" />
                <FormField
                    v-if="form.ground !== 'stated'"
                    label="Earlier results"
                    :wrong="wrong('results')"
                    hint="CSV: longitude, latitude, ph"
                >
                    <el-input v-model="form.results" type="textarea" :rows="5" name="results" />
                </FormField>
                <div class="grid">
                    <FormField label="Cores, composite"
                        ><el-input-number
                            v-model="form.cores_in_composite"
                            :controls="false"
                            :min="1"
                            :max="200"
                            size="small"
                    /></FormField>
                    <FormField label="Cores in a cell"
                        ><el-input-number
                            v-model="form.cores_in_cell"
                            :controls="false"
                            :min="1"
                            :max="200"
                            size="small"
                    /></FormField>
                    <FormField label="Fields to try" :wrong="wrong('fields')"
                        ><el-input-number v-model="form.fields" :controls="false" :min="10" :max="500" size="small"
                    /></FormField>
                </div>
                <fieldset>
                    <legend>What is at stake, in your money</legend>
                    <label v-for="[key, label, measure] in STAKES" :key="key" class="stake">
                        <span>{{ label }} {{ measure ? unitOf(measure, units) : '' }}</span>
                        <MeasureField v-if="measure" v-model="stakes[key]" :measure="measure" />
                        <el-input-number v-else v-model="stakes[key]" :controls="false" :min="0" size="small" />
                    </label>
                </fieldset>
                <RefusalNote v-if="refusal && !Object.keys(refusal.fields).length" :refusal="refusal" />
                <div class="row">
                    <el-button type="primary" native-type="submit" :disabled="running">Compare</el-button>
                    <button v-if="running" type="button" class="link" @click="leave">Stop</button>
                    <span v-if="running" role="status">{{ done }} of {{ of }} fields</span>
                </div>
                <progress v-if="running" :value="done" :max="of" aria-label="Fields done"></progress>
            </form>
            <section>
                <template v-if="result">
                    <SchemeTable :comparison="result" />
                    <p class="note">
                        {{ number(shownIn(result.acres, 'ground', units), units === 'us' ? 1 : 2) }}
                        usable {{ unitOf('ground', units) }}, lime below pH {{ number(result.lime_ph, 1) }} to
                        {{ number(result.target_ph, 1) }}.
                        <template v-if="result.model"
                            >{{ result.fields }} made-up fields of mean {{ number(result.model.mean, 2) }}, spread
                            {{ number(result.model.sd, 2) }}, alike within {{ number(result.model.range_m) }} m; seed
                            {{ result.seed }}.</template
                        >
                        <template v-else
                            >{{ result.results }} earlier results, each standing for the ground nearest to it, sampled
                            {{ result.fields }} times; seed {{ result.seed }}.</template
                        >
                    </p>
                    <p class="note">
                        Needless lime and lost yield count with the prices on the left. Prices change the answer: change
                        them and compare again.
                    </p>
                </template>
                <p v-else class="lede">
                    Six schemes are tried on the same {{ form.fields }} fields: one composite, the zones of its newest
                    plan or else three equal strips, and cells of
                    {{ CELLS_ACRES.map((one) => figure(shownIn(one, 'ground', units))).join(', ') }}
                    {{ unitOf('ground', units) }}.
                </p>
            </section>
        </div>
    </template>
</template>

<style scoped>
.two {
    grid-template-columns: 280px minmax(0, 1fr);
}
.grid {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    gap: 0 10px;
    align-items: end;
}
.grid :deep(.el-input-number),
.stake .el-input-number {
    width: 76px;
}
.stake {
    display: flex;
    justify-content: space-between;
    align-items: center;
    min-height: 30px;
    gap: 8px;
}
fieldset .el-segmented {
    display: flex;
}
progress {
    width: 100%;
    accent-color: var(--gley);
    margin-top: 8px;
}
section {
    overflow-x: auto;
}
</style>
