<script setup lang="ts">
/** Two readings on one side of a limit, or one on each. */
defineProps<{ same: boolean; below: boolean }>()
</script>

<template>
    <svg viewBox="0 0 18 16" width="18" height="16" aria-hidden="true">
        <path d="M9 0V16" :stroke="same ? 'var(--ink)' : 'var(--oxide)'" stroke-width="1.6" />
        <template v-if="same">
            <circle :cx="below ? 4 : 14" cy="4.5" r="2.4" fill="var(--ink)" />
            <circle :cx="below ? 4 : 14" cy="11.5" r="2.4" fill="var(--ink)" />
        </template>
        <template v-else>
            <path d="M4 2 6.5 4.5 4 7 1.5 4.5Z" fill="var(--oxide)" />
            <path d="M14 9 16.5 11.5 14 14 11.5 11.5Z" fill="var(--oxide)" />
        </template>
    </svg>
</template>
