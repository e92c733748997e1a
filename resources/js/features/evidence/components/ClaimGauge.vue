<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { percent } from '@/shared/format'

/** The share that was found with its bounds, against the share that is needed. */
const props = defineProps<{ claim: Schema<'Claim'>; required: number }>()
const WIDE = 330
const LEFT = 6
const from = computed(() => Math.min(0.5, Math.floor((props.claim.lower ?? 0.5) * 10) / 10))
const x = (share: number): number => LEFT + ((share - from.value) / (1 - from.value)) * (WIDE - 2 * LEFT - 8)
const needAt = computed(() => x(props.required))
</script>

<template>
    <svg
        v-if="claim.rate != null && claim.lower != null && claim.upper != null"
        :viewBox="`0 0 ${WIDE} 52`"
        class="gauge"
        role="img"
        :aria-label="
            `found ${percent(claim.rate)}, sure of at least ${percent(claim.lower)}, at most ` +
            `${percent(claim.upper)}; needed ${percent(required)}`
        "
    >
        <rect :x="x(claim.lower)" y="19" :width="x(claim.upper) - x(claim.lower)" height="8" fill="var(--rule)" />
        <path :d="`M${LEFT} 27H${WIDE - LEFT - 8}`" stroke="var(--line)" />
        <path :d="`M${x(claim.lower)} 16V30`" stroke="var(--ink)" stroke-width="2.4" />
        <path :d="`M${needAt} 13V32`" stroke="var(--ink)" stroke-dasharray="3 2" />
        <circle :cx="x(claim.rate)" cy="23" r="4" fill="var(--ink)" />
        <text :x="needAt" y="10" text-anchor="middle">needed {{ percent(required) }}</text>
        <text :x="x(claim.lower)" y="45" :text-anchor="x(claim.lower) < 50 ? 'start' : 'middle'">
            sure of {{ percent(claim.lower) }}
        </text>
        <text :x="WIDE - 2" y="45" text-anchor="end">seen {{ percent(claim.rate) }}</text>
    </svg>
</template>

<style scoped>
.gauge {
    width: 100%;
    max-width: 330px;
    margin-top: 4px;
}
text {
    font: 11.5px var(--sans);
    fill: var(--ink-2);
}
</style>
