<script setup lang="ts">
import { computed } from 'vue'
import { number } from '@/shared/format'

/** What was found with its interval, against what is allowed either side of nothing; a claim about a size has one side alone. */
const props = defineProps<{
    /** inner and outer ends of what was found, low to high */
    from: number
    to: number
    outerFrom: number
    outerTo: number
    allowed: number
    oneSided?: boolean
    ratio?: boolean
    words: string
}>()
const WIDE = 330
const most = computed(() => Math.max(props.allowed, Math.abs(props.outerFrom), Math.abs(props.outerTo)) * 1.15)
const x = (value: number): number =>
    props.oneSided
        ? 8 + (value / most.value) * (WIDE - 70)
        : 26 + ((value + most.value) / (2 * most.value)) * (WIDE - 52)
const shown = (value: number): string => (props.ratio ? `× ${number(Math.exp(value), 2)}` : number(value, 2))
const beyond = computed(() => props.outerTo > props.allowed || (!props.oneSided && props.outerFrom < -props.allowed))
</script>

<template>
    <svg :viewBox="`0 0 ${WIDE} 50`" role="img" :aria-label="words">
        <rect
            :x="oneSided ? x(0) : x(-allowed)"
            y="14"
            :width="oneSided ? x(allowed) - x(0) : x(allowed) - x(-allowed)"
            height="18"
            fill="var(--straw)"
        />
        <path
            :d="`M${x(allowed)} 11V35${oneSided ? '' : `M${x(-allowed)} 11V35`}`"
            stroke="var(--ink)"
            stroke-dasharray="3 2"
        />
        <path :d="`M${x(outerFrom)} 23H${x(outerTo)}`" stroke="var(--line)" stroke-width="4" />
        <path
            :d="`M${x(from)} 23H${x(to)}M${x(from)} 17v12M${x(to)} 17v12`"
            :stroke="beyond ? 'var(--oxide)' : 'var(--ink)'"
            stroke-width="2.2"
            fill="none"
        />
        <text :x="x(allowed)" y="9" text-anchor="middle">
            {{ oneSided ? 'must be seen' : 'allowed' }} {{ shown(allowed) }}
        </text>
        <text v-if="!oneSided" :x="Math.max(2, x(from))" y="46" text-anchor="middle">{{ shown(from) }}</text>
        <text :x="x(to)" y="46" text-anchor="middle">{{ shown(to) }}</text>
    </svg>
</template>

<style scoped>
svg {
    width: 100%;
    max-width: 330px;
    margin-top: 4px;
}
text {
    font: 11.5px var(--sans);
    fill: var(--ink-2);
}
</style>
