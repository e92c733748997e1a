<script setup lang="ts" generic="T">
import { computed, ref } from 'vue'

/** A long table of lines of one height, of which those are drawn that are in sight. */
const props = defineProps<{ rows: T[]; columns: number }>()
const [LINE, TALL, MORE] = [24, 312, 8]
const top = ref(0)
const first = computed(() => Math.max(0, Math.floor(top.value / LINE) - MORE))
const last = computed(() => Math.min(props.rows.length, Math.ceil((top.value + TALL) / LINE) + MORE))
const drawn = computed(() => props.rows.slice(first.value, last.value).map((row, i) => ({ row, at: first.value + i })))
</script>

<template>
    <div
        class="scrolled"
        tabindex="0"
        role="region"
        aria-label="Lines of the table"
        :style="{ maxHeight: `${TALL}px` }"
        @scroll.passive="top = ($event.target as HTMLElement).scrollTop"
    >
        <table class="plain fixed" :aria-rowcount="rows.length">
            <thead>
                <slot name="head" />
            </thead>
            <tbody>
                <tr v-if="first > 0" aria-hidden="true">
                    <td :colspan="columns" class="gap" :style="{ height: `${first * LINE}px` }" />
                </tr>
                <tr
                    v-for="{ row, at } in drawn"
                    :key="at"
                    :aria-rowindex="at + 1"
                    class="line"
                    :style="{ height: `${LINE}px` }"
                >
                    <slot :row="row" />
                </tr>
                <tr v-if="last < rows.length" aria-hidden="true">
                    <td :colspan="columns" class="gap" :style="{ height: `${(rows.length - last) * LINE}px` }" />
                </tr>
            </tbody>
        </table>
    </div>
</template>

<style scoped>
.scrolled {
    overflow: auto;
}
.scrolled :deep(thead) {
    position: sticky;
    top: 0;
    background: var(--paper);
}
.line :deep(td) {
    padding-top: 0;
    padding-bottom: 0;
    white-space: nowrap;
}
.gap {
    padding: 0;
    border: 0;
}
</style>
