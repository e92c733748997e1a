<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'

/**
 * One composite on the scale of the analyte: the limits of its crop, the test's band or dot and the reference's tick.
 * Rows touch, so limits step down the page.
 */
const props = defineProps<{
    pair: Schema<'Pair'>
    from: number
    to: number
    step: number
    uncertainty: number | null
    width: number
}>()
const TALL = 35
const x = (ph: number): number => ((ph - props.from) / (props.to - props.from)) * props.width
const clamp = (ph: number | null, open: number): number => Math.min(props.width, Math.max(0, x(ph ?? open)))
const low = computed(() => props.pair.limits[0] ?? props.from)
const high = computed(() => props.pair.limits.at(-1) ?? props.to)
const band = computed(() => {
    const kit = props.pair.band
    if (!kit) return null
    const left = clamp(kit.lower, props.from)
    return { left, width: clamp(kit.upper, props.to) - left }
})
const ticks = computed(() =>
    Array.from({ length: Math.round((props.to - props.from) / props.step) + 1 }, (_, i) =>
        x(props.from + i * props.step),
    ),
)
const words = computed(
    () =>
        `${props.pair.code}: limits ${props.pair.limits.join(' and ')}, test ` +
        `${props.pair.band?.name ?? props.pair.test}, reference ${props.pair.reference}; ` +
        `${props.pair.same ? 'same side' : 'other side'}`,
)
</script>

<template>
    <svg :viewBox="`0 0 ${width} ${TALL}`" :width="width" :height="TALL" role="img" :aria-label="words">
        <rect :width="clamp(low, from)" :height="TALL" fill="var(--straw)" />
        <rect :x="clamp(high, to)" :width="width - clamp(high, to)" :height="TALL" fill="url(#too-high-dots)" />
        <path v-for="tick in ticks" :key="tick" :d="`M${tick} ${TALL}v-4`" stroke="var(--line)" />
        <template v-if="band">
            <rect :x="band.left" y="9" :width="band.width" height="17" fill="var(--sheet)" />
            <rect
                :x="band.left"
                y="9"
                :width="band.width"
                height="17"
                fill="url(#kit-hatch)"
                stroke="var(--umber)"
                stroke-width="1.2"
            />
        </template>
        <circle
            v-else-if="pair.test !== null"
            :cx="x(pair.test)"
            cy="17.5"
            r="4"
            fill="var(--ink)"
            stroke="var(--sheet)"
        />
        <path :d="`M${x(low)} 0V${TALL}`" stroke="var(--ink)" stroke-width="2" />
        <path v-if="pair.limits.length > 1" :d="`M${x(high)} 0V${TALL}`" stroke="var(--ink)" stroke-width="1.4" />
        <rect
            v-if="uncertainty"
            :x="x(pair.reference - uncertainty)"
            y="4"
            :width="x(pair.reference + uncertainty) - x(pair.reference - uncertainty)"
            height="27"
            fill="var(--ink)"
            opacity=".2"
        />
        <path :d="`M${x(pair.reference)} 4v27`" stroke="var(--ink)" stroke-width="2.6" />
        <path
            v-if="!pair.same && pair.test !== null"
            :d="`M${x(pair.test)} 27v6H${x(pair.reference)}v-3`"
            fill="none"
            stroke="var(--oxide)"
            stroke-width="1.8"
        />
    </svg>
</template>

<style scoped>
svg {
    display: block;
}
</style>
