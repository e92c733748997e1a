<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { number } from '@/shared/format'

/** What a pen showed against what its buffers are, with the ideal line and that of the pen. */
const props = defineProps<{ calibration: Schema<'Calibration'> }>()
const WIDE = 420
const TALL = 190
const LEFT = 46
const mv = computed(() => props.calibration.in_millivolts)
const ideal = (ph: number): number => (mv.value ? -props.calibration.ideal_mv * (ph - 7) : ph)
const slope = computed(() => ((mv.value ? -props.calibration.ideal_mv : 1) * props.calibration.slope_percent) / 100)
const own = (ph: number): number => (mv.value ? 0 : 7) + props.calibration.offset + slope.value * (ph - 7)
const phs = computed(() => props.calibration.points.map(({ buffer }) => buffer))
const [from, to] = [computed(() => Math.min(...phs.value) - 0.6), computed(() => Math.max(...phs.value) + 0.6)]
const values = computed(() => [
    ...props.calibration.points.map(({ shown }) => shown),
    ideal(from.value),
    ideal(to.value),
])
const [low, high] = [computed(() => Math.min(...values.value)), computed(() => Math.max(...values.value))]
const x = (ph: number): number => LEFT + ((ph - from.value) / (to.value - from.value)) * (WIDE - LEFT - 8)
const y = (value: number): number => TALL - 30 - ((value - low.value) / (high.value - low.value)) * (TALL - 46)
const line = (of: (ph: number) => number): string =>
    `M${x(from.value)} ${y(of(from.value)).toFixed(1)}L${x(to.value)} ${y(of(to.value)).toFixed(1)}`
</script>

<template>
    <figure>
        <svg
            :viewBox="`0 0 ${WIDE} ${TALL}`"
            :width="WIDE"
            :height="TALL"
            role="img"
            :aria-label="`${calibration.instrument}: slope ${number(calibration.slope_percent, 1)} percent of the ideal`"
        >
            <path :d="`M${LEFT} ${TALL - 30}H${WIDE}`" stroke="var(--ink)" stroke-width="1.1" />
            <path :d="line(ideal)" stroke="var(--line)" stroke-dasharray="5 4" fill="none" />
            <path :d="line(own)" stroke="var(--gley)" stroke-width="1.6" fill="none" />
            <g v-for="point in calibration.points" :key="point.buffer">
                <circle :cx="x(point.buffer)" :cy="y(point.shown)" r="4.5" fill="var(--ink)" />
                <text :x="x(point.buffer)" :y="TALL - 14" text-anchor="middle">{{ number(point.buffer, 2) }}</text>
                <text :x="LEFT - 6" :y="y(point.shown) + 4" text-anchor="end">
                    {{ number(point.shown, mv ? 0 : 2) }}
                </text>
            </g>
            <text :x="WIDE - 2" :y="TALL - 1" text-anchor="end">pH of the buffer</text>
            <text x="2" y="11">{{ mv ? 'mV' : 'pH shown' }}</text>
        </svg>
        <figcaption class="note">
            Solid: this pen; dashed: an ideal one ({{
                mv
                    ? `${number(calibration.ideal_mv, 2)} mV for each pH at ${number(calibration.celsius, 1)} °C`
                    : 'it shows what the buffer is'
            }}). Farthest buffer from the line: {{ number(calibration.residual, mv ? 1 : 2) }} {{ mv ? 'mV' : 'pH' }}.
        </figcaption>
    </figure>
</template>

<style scoped>
svg {
    max-width: 100%;
    height: auto;
}
figure {
    margin: 0 0 14px;
}
text {
    font: 11.5px var(--sans);
    fill: var(--ink-2);
}
</style>
