<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { number } from '@/shared/format'

/** The margin on pH that a number of cores buys. */
const props = defineProps<{ curve: Schema<'MarginAt'>[]; cores: number; margin: Schema<'Margin'> }>()
const WIDE = 262
const TALL = 96
const LEFT = 34
const most = computed(() => Math.max(...props.curve.map((one) => one.ph), 0.2))
const x = (cores: number) => LEFT + ((Math.min(cores, 40) - 4) / 36) * (WIDE - LEFT - 8)
const y = (ph: number) => TALL - (Math.min(ph, most.value) / most.value) * (TALL - 12)
const path = computed(() =>
    props.curve.map((one, i) => `${i ? 'L' : 'M'}${x(one.cores).toFixed(1)} ${y(one.ph).toFixed(1)}`).join(''),
)
const ticks = computed(() => [most.value, most.value / 2, 0])
</script>

<template>
    <figure>
        <svg
            :viewBox="`0 0 ${WIDE} 124`"
            :width="WIDE"
            height="124"
            role="img"
            :aria-label="`Margin on pH by cores; ${cores} cores give ± ${number(margin.ph, 2)}`"
        >
            <path v-for="tick in ticks" :key="tick" :d="`M${LEFT} ${y(tick)}H${WIDE}`" stroke="var(--hair)" />
            <text v-for="tick in ticks" :key="`t${tick}`" :x="LEFT - 5" :y="y(tick) + 4" text-anchor="end">
                {{ tick ? '±' : '' }}{{ number(tick, tick ? 2 : 0) }}
            </text>
            <path :d="`M${x(Math.min(cores, 40))} 8V${TALL}`" stroke="var(--gley)" />
            <path :d="path" fill="none" stroke="var(--ink)" stroke-width="1.5" />
            <circle :cx="x(cores)" :cy="y(margin.ph)" r="4" fill="var(--gley)" />
            <path :d="`M${LEFT} ${TALL}H${WIDE}`" stroke="var(--ink)" stroke-width="1.1" />
            <text v-for="n in [5, 10, 20, 30, 40]" :key="n" :x="x(n)" :y="TALL + 15" text-anchor="middle">{{ n }}</text>
            <text :x="WIDE" :y="TALL + 27" text-anchor="end">cores in the composite</text>
        </svg>
    </figure>
</template>

<style scoped>
figure {
    margin: 6px 0;
}
text {
    font: 11.5px var(--sans);
    fill: var(--ink-2);
}
</style>
