<script setup lang="ts">
import { number } from '@/shared/format'

/** Turns the pages of a list, and says how much of it is shown. */
const props = withDefaults(
    defineProps<{
        of: { total: number; more: boolean; page: number; pages: number }
        label: string
        noun: string
        words?: [string, string]
    }>(),
    { words: () => ['Newer', 'Older'] },
)
const emit = defineEmits<{ turn: [page: number] }>()
const all = (): string => `${props.of.more ? 'more than ' : ''}${number(props.of.total)} ${props.noun}`
</script>

<template>
    <nav v-if="of.pages > 1 || $slots.default" class="pager no-print" :aria-label="label">
        <button type="button" class="link" :disabled="of.page <= 1" @click="emit('turn', of.page - 1)">
            {{ words[0] }}
        </button>
        <span>Page {{ number(of.page) }} of {{ number(of.pages) }}, {{ all() }}</span>
        <button type="button" class="link" :disabled="of.page >= of.pages" @click="emit('turn', of.page + 1)">
            {{ words[1] }}
        </button>
        <slot />
    </nav>
</template>

<style scoped>
.pager {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 18px;
    margin: 14px 0;
}
.pager button:disabled {
    color: var(--ink-2);
    text-decoration: none;
    cursor: default;
}
</style>
