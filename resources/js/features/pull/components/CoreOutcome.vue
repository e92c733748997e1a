<script lang="ts">
export type Asked = 'moved' | 'refused' | 'skipped'
</script>

<script setup lang="ts">
/** What became of a core: one press where it came up, a reason where it did not. */
defineProps<{ reasons: Record<string, string[]> | null }>()
defineEmits<{ mark: [outcome: 'pulled' | Asked, reason: string | null] }>()
const asking = defineModel<Asked | null>('asking', { required: true })
const QUESTION: Record<Asked, string> = {
    moved: 'Why was it moved?',
    refused: 'What refused it?',
    skipped: 'Why is it skipped?',
}
</script>

<template>
    <div v-if="asking" class="why" role="group" :aria-label="QUESTION[asking]">
        <h3>{{ QUESTION[asking] }}</h3>
        <button
            v-for="reason in reasons?.[asking] ?? ['stone']"
            :key="reason"
            type="button"
            @click="$emit('mark', asking, reason)"
        >
            {{ reason }}
        </button>
        <button type="button" class="link" @click="asking = null">Not {{ asking }}</button>
    </div>
    <template v-else>
        <button type="button" class="big" @click="$emit('mark', 'pulled', null)">Pulled</button>
        <div class="three">
            <button type="button" @click="asking = 'moved'">Moved</button>
            <button type="button" @click="asking = 'refused'">Stone or refusal</button>
            <button type="button" @click="asking = 'skipped'">Skipped</button>
        </div>
    </template>
</template>

<style scoped>
.three button,
.why button:not(.link) {
    display: block;
    width: 100%;
    min-height: 76px;
    border: 1.5px solid var(--ink);
    border-radius: 4px;
    background: var(--sheet);
    color: var(--ink);
    font: 700 19px var(--sans);
    cursor: pointer;
    text-align: center;
}
.three {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    gap: 10px;
}
.why {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 10px;
}
.why h3 {
    grid-column: 1 / -1;
    font-size: 20px;
}
</style>
