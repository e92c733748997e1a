<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { number } from '@/shared/format'

/** A check soil's results in the order of the reports, with centre and limits, and beneath them their moving ranges. */
const props = defineProps<{ chart: Schema<'CheckChart'> }>()
const WIDE = 620
const TALL = 150
const RANGES = 56
const LEFT = 46
const digits = computed(() => (props.chart.unit === 'pH' ? 2 : 1))
const points = computed(() => props.chart.points)
const x = (i: number): number => LEFT + 14 + (i * (WIDE - LEFT - 40)) / Math.max(1, points.value.length - 1)
const bounds = computed(() => {
    const all = [...points.value.map(({ value }) => value), props.chart.lower, props.chart.upper].filter(
        (one): one is number => one !== null,
    )
    const [low, high] = [Math.min(...all), Math.max(...all)]
    const pad = (high - low || 1) * 0.12
    return { low: low - pad, high: high + pad }
})
const y = (value: number): number =>
    8 + ((bounds.value.high - value) / (bounds.value.high - bounds.value.low)) * (TALL - 16)
const most = computed(
    () => Math.max(props.chart.range_limit ?? 0, ...points.value.map(({ range }) => range ?? 0)) * 1.15 || 1,
)
const r = (range: number): number => TALL + 22 + (1 - range / most.value) * (RANGES - 8)
const line = (at: (i: number) => number | null): string =>
    points.value
        .map((_, i) => ({ i, v: at(i) }))
        .filter(({ v }) => v !== null)
        .map(({ i, v }, n) => `${n ? 'L' : 'M'}${x(i)} ${v}`)
        .join('')
const words = computed(
    () =>
        `${props.chart.soil}, ${props.chart.series}: ` +
        points.value
            .map(({ value, signal }) => `${number(value, digits.value)}${signal ? ' signalled' : ''}`)
            .join(', ') +
        `; centre ${number(props.chart.centre, digits.value)}, limits ${number(props.chart.lower, digits.value)} ` +
        `to ${number(props.chart.upper, digits.value)}`,
)
</script>

<template>
    <svg :viewBox="`0 0 ${WIDE} ${TALL + RANGES + 24}`" role="img" :aria-label="words">
        <template v-if="chart.centre !== null && chart.upper !== null && chart.lower !== null">
            <rect
                :x="LEFT"
                :y="y(chart.upper)"
                :width="WIDE - LEFT - 8"
                :height="y(chart.lower) - y(chart.upper)"
                fill="#F1E9D5"
            />
            <path :d="`M${LEFT} ${y(chart.centre)}H${WIDE - 8}`" stroke="var(--ink)" />
            <path
                v-for="limit in [chart.lower, chart.upper]"
                :key="limit"
                :d="`M${LEFT} ${y(limit)}H${WIDE - 8}`"
                stroke="var(--ink)"
                stroke-dasharray="5 3"
            />
            <text
                v-for="limit in [chart.lower, chart.centre, chart.upper]"
                :key="`t${limit}`"
                :x="LEFT - 6"
                :y="y(limit) + 4"
                text-anchor="end"
            >
                {{ number(limit, digits) }}
            </text>
        </template>
        <path :d="line((i) => y(points[i]!.value))" fill="none" stroke="var(--umber)" stroke-width="1.3" />
        <template v-for="(point, i) in points" :key="i">
            <circle :cx="x(i)" :cy="y(point.value)" r="3.6" :fill="point.signal ? 'var(--oxide)' : 'var(--ink)'" />
            <circle
                v-if="point.signal"
                :cx="x(i)"
                :cy="y(point.value)"
                r="7"
                fill="none"
                stroke="var(--oxide)"
                stroke-width="1.6"
            />
        </template>
        <text :x="0" :y="TALL + 18">range</text>
        <path :d="`M${LEFT} ${r(0)}H${WIDE - 8}`" stroke="var(--line)" />
        <path
            v-if="chart.range_limit !== null"
            :d="`M${LEFT} ${r(chart.range_limit)}H${WIDE - 8}`"
            stroke="var(--ink)"
            stroke-dasharray="5 3"
        />
        <text v-if="chart.range_limit !== null" :x="LEFT - 6" :y="r(chart.range_limit) + 4" text-anchor="end">
            {{ number(chart.range_limit, digits) }}
        </text>
        <path
            :d="line((i) => (points[i]!.range === null ? null : r(points[i]!.range!)))"
            fill="none"
            stroke="var(--umber)"
            stroke-width="1.3"
        />
        <template v-for="(point, i) in points" :key="`r${i}`">
            <circle
                v-if="point.range !== null"
                :cx="x(i)"
                :cy="r(point.range)"
                r="3"
                :fill="chart.range_limit !== null && point.range > chart.range_limit ? 'var(--oxide)' : 'var(--ink)'"
            />
        </template>
    </svg>
</template>

<style scoped>
svg {
    width: 100%;
    max-width: 620px;
    display: block;
}
text {
    font: 11px var(--sans);
    fill: var(--ink-2);
}
</style>
