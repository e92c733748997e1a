<script setup lang="ts">
import type { Outcome } from '@/shared/offline/store'

/** The cores of the composite in a row: what came up, what did not, what is next. */
defineProps<{ cores: { sequence: number; outcome: Outcome | null }[]; next: number | null }>()
</script>

<template>
    <ol>
        <li
            v-for="core in cores"
            :key="core.sequence"
            :class="[core.outcome ?? 'waits', { next: core.sequence === next }]"
        >
            <svg viewBox="0 0 12 26" aria-hidden="true">
                <path v-if="core.outcome === 'refused'" d="M1 13q0-6 5-6t5 6-5 5-5-5z" />
                <path v-else-if="core.outcome === 'skipped'" d="M2 6 10 18M10 6 2 18" />
                <path v-else d="M1 1H11V20L6 25 1 20Z" />
                <path v-if="core.outcome === 'moved'" d="M4 8 8 12 4 16" class="arrow" />
            </svg>
            <span class="sr"
                >core {{ core.sequence }}: {{ core.outcome ?? (core.sequence === next ? 'next' : 'waits') }}</span
            >
        </li>
    </ol>
</template>

<style scoped>
ol {
    display: flex;
    gap: 3px;
    list-style: none;
    margin: 0;
    padding: 0;
    border-top: 2px solid var(--ink);
    flex-wrap: wrap;
}
li {
    flex: 1 0 12px;
    max-width: 22px;
}
svg {
    display: block;
    width: 100%;
    max-width: 13px;
    margin: auto;
}
path {
    fill: none;
    stroke: var(--line);
    stroke-width: 1.3;
}
.pulled path,
.moved path {
    fill: #5c4128;
    stroke: var(--ink);
}
.moved path:first-child {
    fill: #bc9355;
}
path.arrow {
    fill: none !important;
    stroke: var(--ink);
    stroke-width: 1.8;
}
.refused path {
    fill: var(--line);
    stroke: var(--ink);
}
.skipped path {
    stroke: var(--ink);
    stroke-width: 2;
}
.next path {
    fill: var(--gley);
    stroke: var(--gley-deep);
}
</style>
