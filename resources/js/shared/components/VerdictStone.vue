<script setup lang="ts">
import type { Schema } from '@/api/client'

/** A verdict is a shape and a word; the word is hidden only inside a labelled triplet. */
withDefaults(defineProps<{ verdict: Schema<'Verdicts'>; size?: number; quiet?: boolean }>(), { size: 18 })
const GROUND = 'M2 17.25H18'
const STONE = 'M7 17V7.4C7 5 8.3 3.1 10 3.1S13 5 13 7.4V17'
</script>

<template>
    <span class="stone" :class="verdict">
        <svg
            viewBox="0 0 20 20"
            :width="size"
            :height="size"
            fill="none"
            stroke="currentColor"
            stroke-width="1.5"
            aria-hidden="true"
        >
            <template v-if="verdict === 'stands'">
                <path :d="GROUND" />
                <path d="M6.3 17V7.4C6.3 4.6 7.9 2.4 10 2.4S13.7 4.6 13.7 7.4V17Z" fill="currentColor" stroke="none" />
            </template>
            <template v-else-if="verdict === 'open'">
                <path :d="GROUND" />
                <path :d="STONE" stroke-width="1.6" />
            </template>
            <template v-else-if="verdict === 'falls'">
                <path :d="GROUND" />
                <path
                    d="M2.5 10.1L11.1 7.6C13.8 6.8 16.3 7.6 16.9 9.6C17.5 11.6 15.7 13.5 13.1 14.3L4.4 16.8Z"
                    fill="currentColor"
                    stroke="none"
                />
            </template>
            <template v-else-if="verdict === 'untested'">
                <path :d="GROUND" stroke-dasharray="1.6 2.2" />
                <path d="M7 16V7.4C7 5 8.3 3.1 10 3.1S13 5 13 7.4V16" stroke-width="1.6" stroke-dasharray="1.6 2.3" />
            </template>
            <template v-else>
                <path d="M2 17.25H6.2M13.8 17.25H18" />
                <path d="M6.3 6.3 13.7 13.7M13.7 6.3 6.3 13.7" stroke-width="1.7" />
            </template>
        </svg>
        <span :class="{ sr: quiet }">{{ verdict }}</span>
    </span>
</template>

<style scoped>
.stone {
    display: inline-flex;
    align-items: center;
    gap: 5px;
}
.falls {
    color: var(--oxide);
}
</style>
