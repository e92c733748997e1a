<script setup lang="ts">
import { signed } from '@/shared/format'
import { computed } from 'vue'
import type { Schema } from '@/api/client'

/** Differences lot by lot, in the order in which they were first read, with each lot's mean: drift is seen, not told. */
const props = defineProps<{ evidence: Schema<'Evidence'>; words: string }>()
const [TALL, TOP, FOOT, LEFT, STEP] = [150, 10, 118, 34, 96]
const lots = computed(() => {
    const named = (lot: string): string => lot || 'no lot named'
    const means = new Map(
        props.evidence.strata.filter(({ by }) => by === 'lot').map(({ group, difference }) => [group, difference]),
    )
    return [...means].map(([name, mean], at) => ({
        name,
        mean,
        x: LEFT + STEP * (at + 0.5),
        dots: props.evidence.dots
            .filter(({ lot, test, out }) => !out && named(lot) === name && test !== null)
            .map(({ code, test, reference }) => ({ code, value: test! - reference })),
    }))
})
const most = computed(() =>
    Math.max(
        props.evidence.difference?.ratio ? 1 : 0.1,
        ...lots.value.flatMap(({ dots }) => dots.map(({ value }) => Math.abs(value))),
    ),
)
const y = (value: number): number => (TOP + FOOT) / 2 - (value / most.value) * ((FOOT - TOP) / 2)
const wide = computed(() => LEFT + STEP * lots.value.length + 8)
</script>

<template>
    <svg :viewBox="`0 0 ${wide} ${TALL}`" :width="wide" :height="TALL" role="img" :aria-label="words">
        <path :d="`M${LEFT} ${y(0)}H${wide - 8}`" stroke="var(--line)" />
        <path :d="`M${LEFT} ${TOP}V${FOOT}`" stroke="var(--ink)" />
        <text v-for="at in [most, 0, -most]" :key="at" :x="LEFT - 5" :y="y(at) + 4" text-anchor="end">
            {{ at === 0 ? '0' : signed(at, Math.abs(at) < 10 ? 1 : 0) }}
        </text>
        <g v-for="lot in lots" :key="lot.name">
            <circle
                v-for="(dot, i) in lot.dots"
                :key="dot.code"
                :cx="lot.x + ((i % 5) - 2) * 6"
                :cy="y(dot.value)"
                r="2.6"
                fill="var(--ink)"
                fill-opacity="0.75"
            >
                <title>{{ dot.code }}</title>
            </circle>
            <path
                v-if="lot.mean !== null"
                :d="`M${lot.x - 24} ${y(lot.mean)}h48`"
                stroke="var(--oxide)"
                stroke-width="2"
            />
            <text :x="lot.x" :y="FOOT + 18" text-anchor="middle">{{ lot.name }}</text>
        </g>
    </svg>
</template>

<style scoped>
svg {
    max-width: 100%;
    height: auto;
}
text {
    font: 11px var(--sans);
    fill: var(--ink-2);
}
</style>
