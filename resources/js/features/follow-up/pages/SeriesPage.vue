<script setup lang="ts">
import { useTyped } from '@/shared/composables/useTyped'
import { useCsv } from '@/shared/composables/useCsv'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, watch, toRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '@/api/client'
import DateField from '@/shared/components/DateField.vue'
import FormField from '@/shared/components/FormField.vue'
import OneOf from '@/shared/components/OneOf.vue'
import PageHead from '@/shared/components/PageHead.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSite, useSiteOf } from '@/shared/composables/useSite'
import { count, day, depth, number, signed, today } from '@/shared/format'
import { useSeries } from '../api'
import AnswerOfLine from '../components/AnswerOfLine.vue'
import ControlForm from '../components/ControlForm.vue'
import FollowUpTabs from '../components/FollowUpTabs.vue'
import SeriesChart from '../components/SeriesChart.vue'
import { rateText } from '../words'

/** An area over the years: its results, what was spread, its control, and what came of its programs. */
const route = useRoute()
const router = useRouter()
const queries = useQueryClient()
const { site, areas, units, timezone } = useSite()
const areaId = computed(() => Number(route.params.area) || areas.value[0]?.id || null)
const analyte = computed(() => (typeof route.query.analyte === 'string' ? route.query.analyte : ''))
const { data, error } = useSeries(areaId, analyte)
useSiteOf(
    () => (route.params.area ? data.value?.site_id : undefined),
    () => void router.push('/follow-up/areas'),
)
const show = (area: number | string, code: string) =>
    router.push({ path: `/follow-up/areas/${area}`, query: code ? { analyte: code } : {} })

const points = computed(() => [
    ...(data.value?.treated.stretches ?? []).flatMap(({ points: of, breaks }, i) =>
        of.map((point, n) => ({ ...point, of: 'treated', stretch: i + 1, breaks: n === 0 ? breaks : [] })),
    ),
    ...(data.value?.controls ?? []).flatMap(({ name, series }) =>
        series.stretches.flatMap(({ points: of, breaks }, i) =>
            of.map((point, n) => ({ ...point, of: name, stretch: i + 1, breaks: n === 0 ? breaks : [] })),
        ),
    ),
])
const rows = computed(() => [...points.value].sort((a, b) => a.on.localeCompare(b.on)))
const trends = computed(() =>
    (data.value?.treated.stretches ?? []).map(({ points: of, trend }, i) => ({ number: i + 1, of, trend })),
)
const answers = computed(() => data.value?.answers.filter((one) => one.analyte === data.value?.analyte) ?? [])
const span = (of: readonly number[]): string => of.map((end) => signed(end, (data.value?.digits ?? 2) + 1)).join(' to ')
const lede = computed(() => {
    const it = data.value
    if (!it) return ''
    const rounds = it.treated.stretches.reduce((sum, { points: of }) => sum + of.length, 0)
    if (!rounds) return 'No lab has measured this here yet.'
    const broken = it.treated.stretches.length - 1
    return (
        `${count(rounds, 'round')} of ${it.name}` +
        (broken ? `, ${count(broken, 'break')}: nothing is drawn across one.` : ', one unbroken series.') +
        (it.controls.length ? '' : ' Nothing is left untreated to hold it against.')
    )
})
const problem = reactive({ on: '', what: '' })
watch(site, () => (problem.on ||= site.value ? today(timezone.value) : ''), { immediate: true })
const typedHere = useTyped(
    () => 'a problem of the ground',
    () => (areaId.value ? `problem-${areaId.value}` : ''),
    { what: toRef(problem, 'what') },
)
watch(areaId, () => typedHere.begin())
const noting = useSave(
    () =>
        api.post(
            '/areas/{area}/ground-events',
            { kind: 'problem', on: problem.on, what: problem.what, amount: 0, unit: '' },
            { ids: { area: areaId.value ?? 0 } },
        ),
    async () => {
        problem.what = ''
        typedHere.settle()
        await queries.invalidateQueries()
    },
)
const takingBack = useSave(
    (event: number) => api.delete('/ground-events/{event}', { ids: { event } }),
    () => queries.invalidateQueries(),
)
const SOURCES: Record<string, string> = { facts: 'said of the area' }
const { csv } = useCsv()
</script>

<template>
    <template v-if="site">
        <PageHead :over="site.name" :title="data?.area ?? 'Series'" :lede="lede"><FollowUpTabs /></PageHead>
        <p v-if="!areas.length"><RouterLink to="/areas">Draw the first area</RouterLink></p>
        <p v-else-if="error" class="wrong" role="alert">{{ error.message }}</p>
        <template v-else-if="data">
            <div class="row choose">
                <FormField label="Area"
                    ><OneOf
                        :model-value="areaId ?? ''"
                        :options="areas.map(({ id, name }) => [id, name] as const)"
                        @update:model-value="(id) => id && show(id, data?.analyte ?? '')"
                /></FormField>
                <FormField label="Of what"
                    ><OneOf
                        :model-value="data.analyte"
                        :options="
                            data.analytes.length
                                ? data.analytes.map(({ code, name }) => [code, name] as const)
                                : [[data.analyte, data.name] as const]
                        "
                        @update:model-value="(code) => code && show(areaId ?? '', code)"
                /></FormField>
                <a :href="csv(`/api/areas/${data.area_id}/series.csv?analyte=${data.analyte}`)" download>As CSV</a>
            </div>
            <SeriesChart :series="data" />
            <div class="columns two">
                <div>
                    <h2>The rounds</h2>
                    <table v-if="rows.length" class="plain">
                        <thead>
                            <tr>
                                <th>Pulled</th>
                                <th>Of</th>
                                <th class="num">{{ data.name }}{{ data.unit ? `, ${data.unit}` : '' }}</th>
                                <th class="num">± 2 u</th>
                                <th class="num">Composites</th>
                                <th>Lab</th>
                                <th>Layer</th>
                            </tr>
                        </thead>
                        <tbody>
                            <template v-for="row in rows" :key="`${row.of} ${row.on} ${row.method}`">
                                <tr v-if="row.breaks.length" class="broken">
                                    <td colspan="7">{{ row.of }}: {{ row.breaks.join(' ') }}</td>
                                </tr>
                                <tr>
                                    <td class="whole">{{ day(row.on) }}</td>
                                    <td>{{ row.of }}</td>
                                    <td class="num">{{ number(row.mean, data.digits) }}</td>
                                    <td class="num">{{ row.u === null ? '–' : number(2 * row.u, data.digits) }}</td>
                                    <td class="num">{{ row.composites }}</td>
                                    <td>{{ row.lab }}{{ row.extractant ? `, ${row.extractant}` : '' }}</td>
                                    <td class="whole">{{ depth(row.layer) }}</td>
                                </tr>
                            </template>
                        </tbody>
                    </table>
                    <p v-for="one in trends" :key="one.number" class="trend">
                        <template v-if="trends.length > 1">Stretch {{ one.number }}: </template>
                        <template v-if="one.trend"
                            >{{ signed(one.trend.slope, data.digits + 1) }} {{ data.unit }} a year, 95&thinsp;% interval
                            {{ one.trend.interval ? span(one.trend.interval) : 'not known' }}
                            from {{ one.trend.points }} rounds{{
                                one.trend.seen ? '.' : ': it cannot be told from no change.'
                            }}</template
                        >
                        <template v-else>{{ count(one.of.length, 'round') }}: fewer than three are no trend.</template>
                    </p>
                    <p v-if="data.treated.aside.length" class="note">
                        By other methods in the same rounds:
                        {{
                            data.treated.aside
                                .map((one) => `${one.lab} ${number(one.mean, data?.digits ?? 2)} on ${day(one.on)}`)
                                .join('; ')
                        }}.
                    </p>
                    <ul v-if="data.watched.length" class="note">
                        <li v-for="one in data.watched" :key="`${one.on} ${one.test} ${one.code}`">
                            {{ day(one.on) }}, {{ one.test }}: {{ number(one.value, data.digits)
                            }}{{
                                one.changed === null
                                    ? ''
                                    : one.changed
                                      ? ', changed more than its noise'
                                      : ', no more than its noise'
                            }}
                        </li>
                    </ul>
                    <p class="note">{{ data.scatter }}</p>
                </div>
                <div>
                    <h2>What happened to the ground</h2>
                    <ol v-if="data.acts.length" class="acts">
                        <li v-for="(act, i) in data.acts" :key="i">
                            <span class="note">{{ i + 1 }}</span>
                            <span>{{ act.on.length === 10 ? day(act.on) : act.on }}</span>
                            <span
                                >{{ act.what || 'Rain'
                                }}{{ act.lb_per_acre === null ? '' : `, ${rateText(act.lb_per_acre, units)}`
                                }}{{
                                    act.rain_mm === null
                                        ? ''
                                        : units === 'us'
                                          ? `, ${number(act.rain_mm / 25.4, 2)} in`
                                          : `, ${number(act.rain_mm)} mm`
                                }}{{ act.part ? `, part ${act.part}` : '' }}
                                <span class="note">{{ SOURCES[act.source] }}</span></span
                            >
                            <button
                                v-if="act.id"
                                type="button"
                                class="link"
                                :aria-label="`Take back ${act.what || 'rain'} of ${act.on}`"
                                @click="takingBack.save(act.id)"
                            >
                                Take back
                            </button>
                        </li>
                    </ol>
                    <p v-else>Nothing was noted of it yet.</p>
                    <p v-if="takingBack.message.value" class="wrong" role="alert">{{ takingBack.message.value }}</p>
                    <form novalidate class="row problem" @submit.prevent="noting.save()">
                        <FormField label="A problem" :wrong="noting.wrong('what')"
                            ><el-input
                                v-model="problem.what"
                                name="problem"
                                maxlength="120"
                                placeholder="water stood for a week"
                        /></FormField>
                        <FormField label="On" :wrong="noting.wrong('on')"
                            ><DateField v-model="problem.on" name="problem-on"
                        /></FormField>
                        <el-button native-type="submit" :loading="noting.saving.value">Note it</el-button>
                    </form>
                    <p class="note">A problem brings the next test forward to a year after the last.</p>
                    <ControlForm :series="data" />
                </div>
            </div>
            <h2 v-if="answers.length">Did it work?</h2>
            <AnswerOfLine
                v-for="answer in answers"
                :key="`${answer.program_id} ${answer.key}`"
                :answer="answer"
                :units="units"
            />
        </template>
    </template>
</template>

<style scoped>
.choose {
    align-items: flex-end;
    gap: 16px;
    margin-bottom: 8px;
}
.choose .field {
    width: 230px;
}
.choose a {
    padding-bottom: 6px;
}
.two {
    grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
}
.whole {
    white-space: nowrap;
}
.broken td {
    color: var(--amber);
    border-top: 1px dashed var(--amber);
}
.trend {
    margin: 8px 0 0;
}
.acts {
    list-style: none;
    margin: 0 0 10px;
    padding: 0;
}
.acts li {
    display: grid;
    grid-template-columns: 18px 84px 1fr auto;
    gap: 8px;
    border-bottom: 1px solid var(--hair);
    padding: 3px 0;
}
.problem {
    align-items: flex-end;
    flex-wrap: wrap;
}
.problem .field:first-child {
    flex: 1;
    min-width: 170px;
}
</style>
