<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'

/** How far a portion has come: split, then measured at the bench or reported by the lab. */
const props = defineProps<{ portion: Schema<'Portion'>; done: boolean }>()
const last = computed(() => (props.portion.kind === 'lab' ? 'reported' : 'read'))
</script>

<template>
    <svg viewBox="0 0 165 14" width="165" height="14" role="img" :aria-label="done ? last : `split, not ${last} yet`">
        <path d="M4 7H96" stroke="#6B4526" stroke-width="1.5" :stroke-dasharray="done ? undefined : '2 3'" />
        <circle cx="4" cy="7" r="3" fill="#6B4526" />
        <circle cx="100" cy="7" r="4" :fill="done ? '#6B4526' : 'none'" :stroke="done ? '#6B4526' : '#8F846F'" stroke-width="1.3" />
        <text x="109" y="11">{{ last }}</text>
    </svg>
</template>

<style scoped>
text {
    font: 11.5px var(--sans);
    fill: var(--ink-2);
}
</style>
