<script setup lang="ts">
import type { Schema } from '@/api/client'
import OneOf from '@/shared/components/OneOf.vue'

/** What may have lifted the pH; the answers stay on the area. */
defineProps<{ causes: Schema<'PhCause'>[]; saving: boolean }>()
const emit = defineEmits<{ answer: [question: string, answer: string] }>()
const ANSWERS = [
    ['yes', 'yes'],
    ['no', 'no'],
    ['unknown', 'not known'],
] as const
</script>

<template>
    <section class="causes no-print">
        <h3>Why is the pH high? The answers stay on the area.</h3>
        <div v-for="one in causes" :key="one.code" class="cause">
            <span>{{ one.question }}</span>
            <OneOf
                :model-value="one.answer"
                :options="ANSWERS"
                :aria-label="one.question"
                @update:model-value="(to: string) => to && !saving && emit('answer', one.code, to)"
            />
        </div>
    </section>
</template>

<style scoped>
.causes {
    border-top: 1px solid var(--ink);
    padding: 8px 0 12px;
}
.cause {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 16px;
    padding: 4px 0;
    border-bottom: 1px solid var(--hair);
    max-width: 720px;
}
.one {
    width: 120px;
    flex: none;
}
</style>
