<script setup lang="ts">
import StripPatterns from '@/shared/components/StripPatterns.vue'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { type Schema } from '@/api/client'
import { SampleLink } from '@/features/send'
import PageHead from '@/shared/components/PageHead.vue'
import PageTurner from '@/shared/components/PageTurner.vue'
import { count, number } from '@/shared/format'
import ReadingStrip from '../components/ReadingStrip.vue'
import { useSideBySide } from '../api'
import LabPairs from '../components/LabPairs.vue'

/** Everything that was read of one analyte, composite by composite, on the same scale. */
type Row = Schema<'SideRow'>
type Mark = Schema<'SideMark'>
const WIDTH = 330
const route = useRoute()
const router = useRouter()
const analyte = computed(() => (route.query.analyte as string | undefined) ?? '')
const area = computed(() => Number(route.query.area) || null)
const only = computed(() => route.query.only === 'odd')
const page = computed(() => Number(route.query.page) || 1)
const { data, error } = useSideBySide(analyte, area, page)
const ask = (change: Record<string, string | number | undefined>): void =>
    void router.replace({ query: { ...route.query, page: undefined, ...change } })
const rows = computed(() =>
    (data.value?.rows ?? []).filter((row) => !only.value || ['differ', 'close', 'partly'].includes(row.state)),
)
const letters = computed(
    () => new Map((data.value?.series ?? []).map((series, i) => [series.id, String.fromCharCode(65 + (i % 26))])),
)
const digits = computed(() => data.value?.digits ?? 0)

/** The scale: whole steps of pH; by logarithms where the analyte is judged by ratios. */
const scale = computed(() => {
    const values = (data.value?.rows ?? []).flatMap((row) => [
        ...row.limits,
        ...row.marks.flatMap(({ from, to, value }) => [from, to, value]),
    ])
    const finite = values.filter((value): value is number => value !== null && Number.isFinite(value))
    if (!finite.length) return { from: 0, to: 1, steps: [0, 1], log: false }
    const [low, high] = [Math.min(...finite), Math.max(...finite)]
    if (data.value?.ratio && high > 0) {
        const from = Math.max(low, high / 1000, 0.1) / 1.15
        const steps = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000].filter(
            (step) => step >= from && step <= high * 1.15,
        )
        return { from, to: high * 1.15, steps, log: true }
    }
    const span = Math.max(high - low, 1e-6)
    const step = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100, 200, 500, 1000].find((one) => span / one <= 8) ?? span / 8
    const [from, to] = [Math.floor(low / step) * step, Math.ceil(high / step) * step + (high === low ? step : 0)]
    return {
        from,
        to,
        steps: Array.from({ length: Math.round((to - from) / step) + 1 }, (_, i) => from + i * step),
        log: false,
    }
})
const place = computed(() => {
    const { from, to, log } = scale.value
    return (value: number): number =>
        log
            ? (Math.log(Math.max(value, from) / from) / Math.log(to / from)) * WIDTH
            : ((value - from) / (to - from)) * WIDTH
})
const seriesOf = (row: Row): Schema<'SideSeries'>[] =>
    (data.value?.series ?? []).filter(({ id }) => row.marks.some((mark) => mark.method_id === id))
const action = (mark: Mark): string =>
    mark.left_out.length
        ? `left out: ${mark.left_out.join(', ')}`
        : mark.close
          ? 'too close to call'
          : mark.call === null && mark.calls.length > 1
            ? 'cannot tell'
            : mark.call === null
              ? ''
              : (data.value?.actions[mark.call] ?? '')
const shown = (mark: Mark): string =>
    mark.value === null
        ? mark.shown
        : number(mark.value, digits.value) +
          (mark.uncertainty ? ` ± ${number(mark.uncertainty, digits.value || (mark.uncertainty < 1 ? 1 : 0))}` : '')
const STATES: Record<string, string> = {
    same: 'One answer',
    partly: 'One answer, part of it too close to call',
    differ: 'Two answers',
    close: 'Too close to call',
    unknown: '',
}
const words = (row: Row): string =>
    `${row.code}: ` +
    (row.limits.length ? `limits ${row.limits.join(' and ')}; ` : '') +
    `${row.marks.map((mark) => `${letters.value.get(mark.method_id)} ${shown(mark)}`).join(', ')}. ` +
    STATES[row.state]
const lede = computed(() => {
    const all = data.value?.rows ?? []
    if (!all.length) return 'Nothing was read of it yet.'
    const n = (state: string): number => all.filter((row) => row.state === state).length
    const parts = [
        n('differ') ? `${number(n('differ'))} give two answers` : '',
        n('close') ? `${number(n('close'))} are too close to call` : '',
        n('same') + n('partly') ? `${number(n('same') + n('partly'))} give one answer` : '',
    ].filter(Boolean)
    const { total = all.length, more = false, pages = 1, page: at = 1 } = data.value ?? {}
    const shown =
        pages > 1
            ? `Page ${number(at)} of ${number(pages)}, ${number(all.length)} of ${more ? 'more than ' : ''}${number(total)} composites`
            : count(all.length, 'composite')
    return `${shown}${parts.length ? `: ${parts.join(', ')}.` : '. No limit is set for it, so that nothing can be called.'}`
})
const told = (name: string, more: string): string => (more && !name.toLowerCase().includes(more) ? `, ${more}` : '')
const FROM: Record<string, string> = {
    stated: 'stated',
    sampling: 'with the sampling in it, from duplicates',
    repeats: 'from its own repeats',
    usual: 'as labs usually repeat',
    unknown: '',
}
</script>

<template>
    <p v-if="error" class="wrong">{{ error.message }}</p>
    <template v-if="data">
        <PageHead
            over="Reports"
            :title="`${data.name.charAt(0).toUpperCase()}${data.name.slice(1)}, side by side`.replace('PH', 'pH')"
            :lede="lede"
        >
            <RouterLink to="/reports">Back to the reports</RouterLink>
        </PageHead>
        <div class="row choose">
            <nav aria-label="Analyte" class="analytes">
                <button
                    v-for="one in data.analytes"
                    :key="one.code"
                    type="button"
                    class="link"
                    :aria-current="one.code === data.analyte ? 'true' : undefined"
                    @click="ask({ analyte: one.code })"
                >
                    {{ one.name }}
                </button>
            </nav>
            <el-select
                :model-value="area ?? undefined"
                clearable
                placeholder="every area"
                aria-label="Area"
                style="width: 210px"
                @update:model-value="(id: number | undefined) => ask({ area: id || undefined })"
            >
                <el-option v-for="one in data.areas" :key="one.id" :value="one.id" :label="one.name" />
            </el-select>
            <el-checkbox :model-value="only" @change="(on) => ask({ only: on ? 'odd' : undefined })"
                >Only what is not of one answer</el-checkbox
            >
        </div>
        <StripPatterns />
        <ul class="series">
            <li v-for="one in data.series" :key="one.id">
                <b>{{ letters.get(one.id) }}</b> {{ one.name }}{{ told(one.name, one.extractant)
                }}{{ told(one.name, one.instrument) }}
                <span class="note">
                    {{
                        one.banded
                            ? 'bands'
                            : one.uncertainty
                              ? `± ${number(one.uncertainty, digits || 2)} ${FROM[one.uncertainty_from]}`
                              : one.uncertainty_from === 'usual'
                                ? '± as labs usually repeat'
                                : 'its uncertainty is not known'
                    }}<template v-if="!one.limits_hold && data.actions.length"
                        >; the limits are made for {{ data.limits_of }} and say nothing of it</template
                    >
                </span>
            </li>
        </ul>
        <table v-if="rows.length" class="plain sides">
            <thead>
                <tr>
                    <th>Composite</th>
                    <th class="scale" :style="{ width: `${WIDTH}px` }">
                        {{ data.name }}{{ data.unit && data.unit !== 'pH' ? `, ${data.unit}` : ''
                        }}{{ scale.log ? ', by factors' : '' }}
                        <span v-for="step in scale.steps" :key="step" :style="{ left: `${place(step)}px` }">{{
                            Number(step.toFixed(2))
                        }}</span>
                    </th>
                    <th class="read">Read</th>
                    <th>Together</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="row in rows" :key="row.sample_id">
                    <td class="narrow">
                        <SampleLink :id="row.sample_id" :code="row.code" /> {{ row.area }}
                        <span class="note crop"
                            >{{ row.crop
                            }}{{
                                row.limits.length
                                    ? `, ${row.limits.map((one) => number(one, digits ? 1 : 0)).join(' to ')}`
                                    : ''
                            }}</span
                        >
                    </td>
                    <td class="strip">
                        <ReadingStrip
                            :row="row"
                            :series="seriesOf(row)"
                            :place="place"
                            :width="WIDTH"
                            :words="words(row)"
                        />
                    </td>
                    <td class="read">
                        <p v-for="one in seriesOf(row)" :key="one.id">
                            <b>{{ letters.get(one.id) }}</b>
                            <template
                                v-for="(mark, i) in row.marks.filter(({ method_id }) => method_id === one.id)"
                                :key="i"
                            >
                                <template v-if="i">; </template>{{ shown(mark)
                                }}<em v-if="action(mark)" :class="{ close: mark.close }">&nbsp;{{ action(mark) }}</em>
                            </template>
                        </p>
                    </td>
                    <td class="narrow state" :class="row.state">{{ STATES[row.state] }}</td>
                </tr>
            </tbody>
        </table>
        <p v-else-if="data.rows.length" class="lede">
            Every composite {{ data.pages > 1 ? 'of this page ' : '' }}gives one answer.
        </p>
        <PageTurner :of="data" label="Pages of composites" noun="composites" @turn="(to) => ask({ page: to })" />
        <LabPairs v-if="data.labs.length" :pairs="data.labs" :ratio="data.ratio" />
    </template>
</template>

<style scoped>
.choose {
    gap: 22px;
    flex-wrap: wrap;
    align-items: center;
}
.analytes {
    display: flex;
    gap: 14px;
}
.analytes [aria-current] {
    font-weight: 600;
    color: var(--ink);
    box-shadow: 0 2px 0 var(--gley);
}
.series {
    list-style: none;
    padding: 0;
    margin: 10px 0;
    display: flex;
    flex-wrap: wrap;
    gap: 2px 26px;
}
.sides td {
    padding: 3px 10px 3px 0;
    vertical-align: top;
}
.read,
.sides th.read {
    padding-left: 5px !important;
}
.sides td.strip {
    line-height: 0;
}
th.scale {
    position: relative;
    padding-bottom: 18px !important;
}
th.scale span {
    position: absolute;
    bottom: 3px;
    transform: translateX(-50%);
    font-size: 11px;
    font-weight: 400;
}
.crop {
    display: block;
}
.read p {
    margin: 0;
    height: 17px;
    line-height: 17px;
    font-size: 12.5px;
    white-space: nowrap;
}
.read b {
    margin-right: 5px;
}
.read em {
    font-style: normal;
    color: var(--ink-2);
}
.read em.close,
.state.close,
.state.partly {
    color: var(--amber-text);
}
.state.differ {
    color: var(--oxide);
    font-weight: 600;
}
.labs {
    margin-top: 22px;
}
@media screen and (max-width: 700px) {
    .read p {
        height: auto;
        white-space: normal;
    }
    .analytes {
        flex-wrap: wrap;
    }
}
</style>
