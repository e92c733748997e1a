<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'

/** A portion's way: what is done, where it is now, what is expected and what is late, each with its own shape. */
const props = defineProps<{ portion: Schema<'PortionOnItsWay'> }>()
const STATIONS = ['split', 'packed', 'sent', 'arrived', 'measured', 'reported']
const AT = [8, 92, 176, 260, 344, 428]
const bench = computed(() => props.portion.kind === 'bench' || props.portion.kind === 'archive')
const short = (moment: string): string =>
    new Date(moment)
        .toLocaleDateString('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' })
        .replace('Sept', 'Sep')
const stops = computed(() => {
    const way = props.portion.way
    const reached = STATIONS.map((step) => way[step] ?? (step === 'split' ? way.split_dry : undefined))
    const last = reached.reduce((at, moment, i) => (moment ? i : at), 0)
    const ended = ['reported', 'shelved', 'used_up', 'discarded'].includes(props.portion.state)
    return STATIONS.map((step, i) => {
        const moment = reached[i]
        const expected = step === 'reported' ? props.portion.consignment?.expected_on : null
        const late = step === 'reported' && !moment && (props.portion.consignment?.days_late ?? 0) > 0
        return {
            step,
            x: AT[i]!,
            done: Boolean(moment),
            here: i === last && !ended && props.portion.state !== 'lost',
            late,
            text: moment ? short(moment) : expected ? short(expected) : '',
        }
    }).filter(({ step, done }) => !bench.value || done || step === 'split' || step === 'measured')
})
const said = computed(() =>
    stops.value
        .filter(({ done, late }) => done || late)
        .map(({ step, text, late }) => (late ? `report late, expected ${text}` : `${step} ${text}`))
        .join(', '),
)
const solid = computed(() => Math.max(...stops.value.filter(({ done }) => done).map(({ x }) => x), 8))
const end = computed(() => Math.max(...stops.value.map(({ x }) => x)))
</script>

<template>
    <svg viewBox="0 0 500 20" width="500" height="20" role="img" :aria-label="said">
        <path :d="`M8 10H${solid}`" stroke="var(--umber)" stroke-width="1.6" />
        <path
            v-if="end > solid"
            :d="`M${solid} 10H${end}`"
            stroke="var(--umber)"
            stroke-width="1.2"
            stroke-dasharray="2 4"
        />
        <g v-for="stop in stops" :key="stop.step">
            <path v-if="stop.late" :d="`M${stop.x} 3l7 7-7 7-7-7z`" fill="var(--oxide)" />
            <circle
                v-else
                :cx="stop.x"
                cy="10"
                :r="stop.done ? 4 : 4.2"
                :fill="stop.done ? 'var(--umber)' : 'var(--sheet)'"
                :stroke="stop.done ? 'var(--umber)' : 'var(--line)'"
                stroke-width="1.3"
            />
            <circle
                v-if="stop.here"
                :cx="stop.x"
                cy="10"
                r="7.4"
                fill="none"
                stroke="var(--umber)"
                stroke-width="1.4"
            />
            <text
                v-if="stop.text"
                :x="stop.x + 11"
                y="14"
                :class="{ late: stop.late, faint: !stop.done && !stop.late }"
            >
                {{ stop.text }}
            </text>
        </g>
        <path
            v-if="portion.state === 'lost'"
            :d="`M${solid + 12} 4l12 12m0-12l-12 12`"
            stroke="var(--oxide)"
            stroke-width="2.4"
        />
    </svg>
</template>

<style scoped>
svg {
    display: block;
    width: 100%;
    max-width: 500px;
}
text {
    font: 500 11.5px var(--sans);
    fill: var(--ink);
    paint-order: stroke;
    stroke: var(--paper);
    stroke-width: 4px;
}
.faint {
    fill: var(--ink-2);
}
.late {
    font-weight: 700;
    fill: var(--oxide);
}
</style>
