<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schema } from '@/api/client'
import { day, number } from '@/shared/format'

/**
 * An analyte over the years as a field book draws it: points with bars, a gap where the series broke, the control beside it, and
 * what was spread at the foot. Arrow keys go from point to point.
 */
type Point = Schema<'SeriesPoint'>
interface Mark extends Point {
    of: string
    hollow: boolean
}
const props = defineProps<{ series: Schema<'AreaSeries'> }>()
const WIDE = 1060
const TALL = 322
const [LEFT, RIGHT, TOP, FOOT] = [46, 14, 26, 262]
const FEW_YEARS = 2
const APART = 26
const DAY = 86_400_000
const ms = (text: string): number => Date.parse(`${text.slice(0, 10)}T12:00:00Z`)
const lines = computed(() => [
    { of: 'treated', hollow: false, stretches: props.series.treated.stretches },
    ...props.series.controls.map((one) => ({ of: one.name, hollow: true, stretches: one.series.stretches })),
])
const marks = computed<Mark[]>(() =>
    lines.value
        .flatMap(({ of, hollow, stretches }) =>
            stretches.flatMap(({ points }) => points.map((point) => ({ ...point, of, hollow }))),
        )
        .sort((a, b) => ms(a.on) - ms(b.on)),
)
const spread = computed(() => props.series.acts.filter(({ kind }) => kind === 'application'))
/** What was spread on one day stands under one mark, by its numbers in the list. */
const foot = computed(() => {
    const found = new Map<string, { from: string; to: string; first: number; last: number }>()
    props.series.acts.forEach(({ kind, from, to }, i) => {
        if (kind !== 'application') return
        const one = found.get(`${from} ${to}`)
        if (one) one.last = i + 1
        else found.set(`${from} ${to}`, { from, to, first: i + 1, last: i + 1 })
    })
    let last = -Infinity
    let row = 0
    return [...found.values()].map((one) => {
        const left = x(ms(one.from))
        row = left - last < APART ? row + 1 : 0
        last = left
        return { ...one, row, numbers: one.first === one.last ? String(one.first) : `${one.first}–${one.last}` }
    })
})
const rains = computed(() => props.series.acts.filter(({ rain_mm }) => rain_mm !== null))
const problems = computed(() => props.series.acts.filter(({ kind }) => kind === 'problem'))
const times = computed(() => [
    ...marks.value.map(({ on }) => ms(on)),
    ...spread.value.map(({ from }) => ms(from)),
    ...props.series.watched.map(({ on }) => ms(on)),
])
const from = computed(() => Math.min(...times.value) - 60 * DAY)
const to = computed(() => Math.max(...times.value) + 60 * DAY)
const x = (time: number): number => LEFT + ((time - from.value) / (to.value - from.value)) * (WIDE - LEFT - RIGHT)
const step = computed(() => {
    const wide = high.value - low.value
    return [0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100, 200, 500, 1000].find((one) => wide / one <= 7) ?? wide / 7
})
const ends = computed(() => [
    ...marks.value.flatMap(({ mean, u }) => [mean - 2 * (u ?? 0), mean + 2 * (u ?? 0)]),
    ...props.series.watched.map(({ value }) => value),
])
const least = computed(() => (props.series.analyte === 'ph' ? 1 : Math.max(1, Math.max(...ends.value) * 0.2)))
const middle = computed(() => (Math.min(...ends.value) + Math.max(...ends.value)) / 2)
const half = computed(() => Math.max(least.value / 2, ((Math.max(...ends.value) - Math.min(...ends.value)) / 2) * 1.08))
const low = computed(() => Math.max(props.series.analyte === 'ph' ? -Infinity : 0, middle.value - half.value))
const high = computed(() => middle.value + half.value)
const y = (value: number): number => FOOT - ((value - low.value) / (high.value - low.value)) * (FOOT - TOP)
const grid = computed(() => {
    const found: number[] = []
    for (let at = Math.ceil(low.value / step.value) * step.value; at <= high.value; at += step.value) found.push(at)
    return found
})
/** The first of each year, or of each quarter where all lies within few of them. */
const ticks = computed(() => {
    const every = to.value - from.value > FEW_YEARS * 365 * DAY ? 12 : 3
    const found: { at: number; label: string }[] = []
    const first = new Date(from.value)
    for (let i = 0; ; i += every) {
        const at = Date.UTC(first.getUTCFullYear(), i, 1)
        if (at >= to.value) return found
        const moment = new Date(at)
        const year = moment.getUTCFullYear()
        if (at > from.value)
            found.push({
                at,
                label:
                    every === 12
                        ? String(year)
                        : `${moment.toLocaleString('en-US', { month: 'short', timeZone: 'UTC' })} ${year}`,
            })
    }
})
const path = (points: Point[]): string =>
    points.map((one, i) => `${i === 0 ? 'M' : 'L'}${x(ms(one.on)).toFixed(1)} ${y(one.mean).toFixed(1)}`).join('')
/** Where the treated line breaks: halfway between the last point before and the first after. */
const breaks = computed(() =>
    props.series.treated.stretches.slice(1).map((stretch, i) => {
        const last = props.series.treated.stretches[i]!.points.at(-1)!
        return { at: (x(ms(last.on)) + x(ms(stretch.points[0]!.on))) / 2, why: stretch.breaks, number: i + 1 }
    }),
)
/** Two standard uncertainties up and down, with a foot at each end. */
function bar({ on, mean }: Point, u: number): string {
    const left = x(ms(on)) - 4
    return `M${left} ${y(mean + 2 * u)}h8m-4 0V${y(mean - 2 * u)}m-4 0h8`
}
const chosen = ref(-1)
const at = computed(() => marks.value[chosen.value] ?? null)
const words = computed(() => {
    const it = at.value
    if (!it) return ''
    const { unit, digits } = props.series
    return (
        `${day(it.on)}, ${it.of}: ${number(it.mean, digits)}${it.u === null ? '' : ` ± ${number(2 * it.u, digits)}`}` +
        `${unit ? ` ${unit}` : ''}, ${it.composites} ${it.composites === 1 ? 'composite' : 'composites'}, ${it.lab}, ${it.layer}`
    )
})
function move(by: number): void {
    if (!marks.value.length) return
    chosen.value = Math.min(marks.value.length - 1, Math.max(0, chosen.value + by))
}
</script>

<template>
    <figure>
        <svg
            v-if="marks.length"
            :viewBox="`0 0 ${WIDE} ${TALL}`"
            role="application"
            tabindex="0"
            :aria-label="`${series.name} of ${series.area} over the years; arrow keys go from point to point`"
            @keydown.right.prevent="move(1)"
            @keydown.left.prevent="move(-1)"
            @keydown.home.prevent="chosen = 0"
            @keydown.end.prevent="chosen = marks.length - 1"
        >
            <g class="grid">
                <g v-for="value in grid" :key="value">
                    <path :d="`M${LEFT} ${y(value)}H${WIDE - RIGHT}`" />
                    <text :x="LEFT - 6" :y="y(value) + 4" text-anchor="end">
                        {{ number(value, step < 1 ? 1 : 0) }}
                    </text>
                </g>
                <g v-for="tick in ticks" :key="tick.at">
                    <path :d="`M${x(tick.at)} ${TOP}V${FOOT + 6}`" />
                    <text :x="x(tick.at) + 4" :y="FOOT + 16">{{ tick.label }}</text>
                </g>
            </g>
            <path class="axis" :d="`M${LEFT} ${TOP - 8}V${FOOT}H${WIDE - RIGHT}`" />
            <text x="2" :y="TOP - 12">{{ series.name }}{{ series.unit ? `, ${series.unit}` : '' }}</text>
            <g v-for="one in breaks" :key="one.number" class="break">
                <path :d="`M${one.at - 5} ${TOP}l4 8-8 10 8 10-4 8M${one.at + 5} ${TOP}l4 8-8 10 8 10-4 8`" />
                <path :d="`M${one.at} ${TOP + 40}V${FOOT}`" stroke-dasharray="2 5" />
                <text :x="one.at" :y="TOP - 6" text-anchor="middle">break {{ one.number }}</text>
            </g>
            <g v-for="line in lines" :key="line.of" :class="{ control: line.hollow }">
                <path
                    v-for="(stretch, i) in line.stretches"
                    :key="i"
                    class="line"
                    :d="path(stretch.points)"
                    :stroke-dasharray="line.hollow ? '7 4' : undefined"
                />
            </g>
            <g
                v-for="(mark, i) in marks"
                :key="`${mark.of} ${mark.on} ${mark.method}`"
                class="mark"
                @click="chosen = i"
            >
                <path v-if="mark.u !== null" class="bar" :d="bar(mark, mark.u)" />
                <rect
                    v-if="mark.hollow"
                    :x="x(ms(mark.on)) - 4.5"
                    :y="y(mark.mean) - 4.5"
                    width="9"
                    height="9"
                    class="box"
                />
                <circle v-else :cx="x(ms(mark.on))" :cy="y(mark.mean)" r="5" />
                <circle v-if="i === chosen" class="ring" :cx="x(ms(mark.on))" :cy="y(mark.mean)" r="10" />
            </g>
            <g v-for="one in series.watched" :key="`${one.on} ${one.test}`" class="watched">
                <path
                    :d="`M${x(ms(one.on)) - 4} ${y(one.value) - 4}l8 8m0-8l-8 8`"
                    :stroke-width="one.changed ? 2.4 : 1.3"
                />
                <title>{{ day(one.on) }}: {{ one.test }}, {{ one.value }}</title>
            </g>
            <g v-for="act in foot" :key="act.from" class="act">
                <rect
                    v-if="act.from !== act.to"
                    :x="x(ms(act.from))"
                    :y="FOOT + 22"
                    :width="Math.max(4, x(ms(act.to)) - x(ms(act.from)))"
                    height="5"
                />
                <path v-else :d="`M${x(ms(act.from))} ${FOOT + 20}l-6 11h12z`" />
                <text :x="x(ms(act.from))" :y="FOOT + 44 + (act.row % 2) * 12" text-anchor="middle">
                    {{ act.numbers }}
                </text>
            </g>
            <path
                v-for="(act, i) in rains"
                :key="`r${i}`"
                class="rain"
                :d="`M${x(ms(act.from))} ${TOP - 8}v${Math.min(24, (act.rain_mm ?? 0) / 2)}`"
            />
            <path
                v-for="(act, i) in problems"
                :key="`p${i}`"
                class="problem"
                :d="`M${x(ms(act.from))} ${FOOT + 19}l7 7-7 7-7-7z`"
            />
        </svg>
        <p v-else class="note">No lab has measured this here yet.</p>
        <p class="said" aria-live="polite">{{ words }}</p>
        <figcaption>
            <span><i class="dot" /> treated</span>
            <span v-if="series.controls.length"><i class="square" /> control</span>
            <span v-if="series.watched.length"
                ><b aria-hidden="true">×</b> a test that watches; bold where it changed more than its noise</span
            >
            <span>bars: two standard uncertainties</span>
            <span v-if="spread.length"><i class="spread" /> spread, by its number below</span>
        </figcaption>
    </figure>
</template>

<style scoped>
figure {
    margin: 0 0 12px;
}
svg {
    display: block;
    width: 100%;
    height: auto;
}
text {
    font: 11.5px var(--sans);
    fill: var(--ink-2);
}
.grid path {
    stroke: var(--hair);
}
.axis {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.1;
}
.line {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.5;
}
.control .line {
    stroke: var(--umber);
}
.mark {
    cursor: pointer;
}
.mark circle {
    fill: var(--ink);
    stroke: var(--paper);
    stroke-width: 1.2;
}
.bar {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.1;
}
.box {
    fill: var(--sheet);
    stroke: var(--umber);
    stroke-width: 1.6;
}
.mark .ring {
    fill: none;
    stroke: var(--gley);
    stroke-width: 2;
}
.break path {
    fill: none;
    stroke: var(--amber);
    stroke-width: 1.2;
}
.break text {
    fill: var(--amber);
}
.watched path {
    stroke: var(--gley);
    fill: none;
}
.act path,
.act rect {
    fill: var(--umber);
}
.rain {
    stroke: var(--line);
    stroke-width: 4;
}
.problem {
    fill: none;
    stroke: var(--oxide);
    stroke-width: 1.6;
}
.said {
    min-height: 20px;
    margin: 4px 0;
    font-weight: 600;
}
figcaption {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 18px;
    color: var(--ink-2);
    font-size: 12px;
}
figcaption i {
    display: inline-block;
    width: 9px;
    height: 9px;
    margin-right: 4px;
}
.dot {
    border-radius: 50%;
    background: var(--ink);
}
.square {
    border: 1.6px solid var(--umber);
    background: var(--sheet);
}
.spread {
    background: var(--umber);
    clip-path: polygon(50% 0, 100% 100%, 0 100%);
}
</style>
