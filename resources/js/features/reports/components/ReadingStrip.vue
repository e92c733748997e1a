<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'

/** All readings of one composite on the scale of the analyte, a lane for each series, with the action limits of its crop. */
const props = defineProps<{
    row: Schema<'SideRow'>
    series: Schema<'SideSeries'>[]
    place: (value: number) => number
    width: number
    words: string
}>()
const LANE = 17
const tall = computed(() => Math.max(1, props.series.length) * LANE)
const clamp = (value: number | null, open: number): number =>
    value === null ? open : Math.min(props.width, Math.max(0, props.place(value)))
const lanes = computed(() =>
    props.series.map((series, lane) => ({
        series,
        y: lane * LANE,
        marks: props.row.marks
            .filter((mark) => mark.method_id === series.id)
            .map((mark) => ({
                mark,
                left: clamp(mark.from, 0),
                right: clamp(mark.to, props.width),
                at: mark.value === null ? null : clamp(mark.value, 0),
            })),
    })),
)
const limits = computed(() => props.row.limits.map((limit) => clamp(limit, 0)))
const hatched = (said: string): boolean => said === 'band' || said === 'range'
</script>

<template>
    <svg :viewBox="`0 0 ${width} ${tall}`" :width="width" :height="tall" role="img" :aria-label="words">
        <rect v-if="limits.length" :width="limits[0]" :height="tall" fill="var(--straw)" />
        <rect
            v-if="limits.length > 1"
            :x="limits.at(-1)"
            :width="width - limits.at(-1)!"
            :height="tall"
            fill="url(#too-high-dots)"
        />
        <path v-for="limit in limits" :key="limit" :d="`M${limit} 0V${tall}`" stroke="var(--ink)" stroke-width="1.8" />
        <template v-for="{ series: one, y, marks } in lanes" :key="one.id">
            <g v-for="({ mark, left, right, at }, i) in marks" :key="i" :opacity="mark.left_out.length ? 0.45 : 1">
                <template v-if="hatched(mark.said)">
                    <rect :x="left" :y="y + 3" :width="Math.max(2, right - left)" height="11" fill="var(--sheet)" />
                    <rect
                        :x="left"
                        :y="y + 3"
                        :width="Math.max(2, right - left)"
                        height="11"
                        fill="url(#kit-hatch)"
                        stroke="var(--umber)"
                        stroke-width="1.1"
                    />
                </template>
                <path
                    v-else-if="at === null && (mark.from !== null || mark.to !== null)"
                    :d="
                        mark.to === null
                            ? `M${left} ${y + 3}v11M${left} ${y + 8.5}H${width - 2}l-4 -3m4 3l-4 3`
                            : `M${right} ${y + 3}v11M${right} ${y + 8.5}H2l4 -3m-4 3l4 3`
                    "
                    fill="none"
                    stroke="var(--ink)"
                    stroke-width="1.6"
                />
                <template v-else-if="at !== null && one.workplace === 'lab'">
                    <rect
                        :x="left"
                        :y="y + 3"
                        :width="Math.max(1, right - left)"
                        height="11"
                        fill="var(--ink)"
                        opacity=".2"
                    />
                    <path :d="`M${at} ${y + 2}v13`" stroke="var(--ink)" stroke-width="2.6" />
                </template>
                <template v-else-if="at !== null">
                    <path
                        v-if="right > left + 1"
                        :d="`M${left} ${y + 8.5}H${right}`"
                        stroke="var(--ink)"
                        stroke-width="1.2"
                    />
                    <circle
                        :cx="at"
                        :cy="y + 8.5"
                        r="3.6"
                        :fill="mark.left_out.length ? 'var(--sheet)' : 'var(--ink)'"
                        stroke="var(--ink)"
                    />
                </template>
                <path
                    v-if="mark.left_out.length"
                    :d="`M${(at ?? (left + right) / 2) - 4} ${y + 4.5}l8 8m0 -8l-8 8`"
                    stroke="var(--ink)"
                    stroke-width="1.4"
                />
            </g>
        </template>
    </svg>
</template>

<style scoped>
svg {
    display: block;
}
</style>
