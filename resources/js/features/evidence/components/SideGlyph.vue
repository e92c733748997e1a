<script setup lang="ts">
/** Two readings on one side of a limit, or one on each. */
defineProps<{ same: boolean; below: boolean }>()
</script>

<template>
    <svg viewBox="0 0 18 16" width="18" height="16" aria-hidden="true">
        <path d="M9 0V16" :stroke="same ? '#221D17' : '#9B2D16'" stroke-width="1.6" />
        <template v-if="same">
            <circle :cx="below ? 4 : 14" cy="4.5" r="2.4" fill="#221D17" />
            <circle :cx="below ? 4 : 14" cy="11.5" r="2.4" fill="#221D17" />
        </template>
        <template v-else>
            <path d="M4 2 6.5 4.5 4 7 1.5 4.5Z" fill="#9B2D16" />
            <path d="M14 9 16.5 11.5 14 14 11.5 11.5Z" fill="#9B2D16" />
        </template>
    </svg>
</template>
