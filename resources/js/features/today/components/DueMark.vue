<script setup lang="ts">
/** What kind of thing is due, by shape and word. */
defineProps<{ kind: 'warm' | 'late' | 'drying' | 'plan' | 'unsent' }>()
const WORDS = { warm: 'storage', late: 'consignment', drying: 'drying', plan: 'pull', unsent: 'unsent' }
</script>

<template>
    <svg viewBox="0 0 16 16" width="14" height="14" aria-hidden="true">
        <path v-if="kind === 'warm'" d="M6 2h4v7a3.4 3.4 0 1 1-4 0z" />
        <path v-else-if="kind === 'late'" d="M8 1l7 7-7 7-7-7z" class="full" />
        <path v-else-if="kind === 'drying'" d="M1 12h14M3 8h10M5 4h6" />
        <path v-else-if="kind === 'plan'" d="M4 2h8v9l-4 4-4-4z" />
        <path v-else d="M2 14v-3M6 14V8M10 14V5M14 14V2M1 2l14 13" />
    </svg>
    {{ WORDS[kind] }}
</template>

<style scoped>
svg {
    vertical-align: -2px;
    margin-right: 4px;
}
path {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.6;
}
.full {
    fill: var(--oxide);
    stroke: var(--oxide);
}
</style>
