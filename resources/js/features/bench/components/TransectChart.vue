<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { number } from '@/shared/format'

/** Nitrate from the row to mid-row: every reading a ring, the means a line. */
const props = defineProps<{ transect: Schema<'Transect'>; unit: string; perCm: number }>()
const WIDE = 560
const TALL = 210
const LEFT = 40
const half = computed(() => props.transect.row_spacing_cm / 2)
const most = computed(() => Math.max(10, ...props.transect.places.flatMap(({ readings }) => readings)) * 1.1)
const ticks = computed(() => {
    const step = [5, 10, 20, 50, 100].find((one) => most.value / one <= 5) ?? 100
    return Array.from({ length: Math.floor(most.value / step) + 1 }, (_, i) => i * step)
})
const x = (cm: number): number => LEFT + (cm / half.value) * (WIDE - LEFT - 16)
const y = (ppm: number): number => TALL - 38 - (ppm / most.value) * (TALL - 50)
const path = computed(() =>
    props.transect.places
        .map(({ cm, mean }, i) => `${i ? 'L' : 'M'}${x(cm).toFixed(1)} ${y(mean).toFixed(1)}`)
        .join(''),
)
</script>

<template>
    <figure>
        <svg
            :viewBox="`0 0 ${WIDE} ${TALL}`"
            :width="WIDE"
            :height="TALL"
            role="img"
            :aria-label="
                `Nitrate from the row to the middle: ` +
                `${transect.places.map(({ cm, mean }) => `${number(mean, 1)} ppm at ${number(cm * perCm, 1)} ${unit}`).join(', ')}`
            "
        >
            <g v-for="tick in ticks" :key="tick">
                <path :d="`M${LEFT} ${y(tick)}H${WIDE}`" stroke="var(--hair)" />
                <text :x="LEFT - 6" :y="y(tick) + 4" text-anchor="end">{{ tick }}</text>
            </g>
            <path
                :d="`M${x(0)} ${TALL - 38}v-8m-4 0c1 -6 3 -8 4 -12c1 4 3 6 4 12z`"
                fill="var(--umber)"
                stroke="var(--umber)"
            />
            <path v-if="transect.places.length > 1" :d="path" fill="none" stroke="var(--gley)" stroke-width="1.6" />
            <template v-for="place in transect.places" :key="place.cm">
                <circle
                    v-for="(reading, i) in place.readings"
                    :key="i"
                    :cx="x(place.cm)"
                    :cy="y(reading)"
                    r="4"
                    fill="var(--sheet)"
                    stroke="var(--gley)"
                    stroke-width="1.4"
                />
                <circle :cx="x(place.cm)" :cy="y(place.mean)" r="2.6" fill="var(--ink)" />
                <text :x="x(place.cm)" :y="TALL - 22" text-anchor="middle">{{ number(place.cm * perCm, 1) }}</text>
            </template>
            <path :d="`M${LEFT} ${TALL - 38}H${WIDE}`" stroke="var(--ink)" stroke-width="1.1" />
            <text :x="LEFT" :y="TALL - 5">the row</text>
            <text :x="WIDE - 2" :y="TALL - 5" text-anchor="end">middle between rows, {{ unit }}</text>
            <text x="0" y="11">ppm</text>
        </svg>
    </figure>
</template>

<style scoped>
svg {
    max-width: 100%;
    height: auto;
}
figure {
    margin: 4px 0 8px;
}
text {
    font: 11.5px var(--sans);
    fill: var(--ink-2);
}
</style>
