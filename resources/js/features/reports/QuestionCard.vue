<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, type Schema } from '@/api/client'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { day } from '@/shared/format'

/** One question of a report; it is answered in words, never passed over. */
const props = defineProps<{ question: Schema<'ReportQuestion'>; report: number }>()
const queries = useQueryClient()
const note = ref('')
const ANSWERS = { note: 'It is right: note why', recheck: 'Order a recheck', exclude: 'Leave the results out' }
const SAID: Record<string, string> = { note: 'Found right', recheck: 'Recheck ordered', exclude: 'Left out' }
const { save, saving, refusal } = useSave(
    (answer: string) => api.post('/report-questions/{question}', { answer, note: note.value }, { ids: { question: props.question.id } }),
    async () => {
        note.value = ''
        await queries.invalidateQueries()
    },
)
</script>

<template>
    <article :class="{ done: question.answer }">
        <p class="words">{{ question.words }}</p>
        <p v-if="question.answer" class="note">
            {{ SAID[question.answer] }}: {{ question.note }} ({{ question.by }}, {{ day(question.at) }})
        </p>
        <form v-else class="row" novalidate @submit.prevent="save('note')">
            <el-input v-model="note" :aria-label="`What you say to: ${question.words}`" placeholder="Why" style="width: 340px" />
            <el-button v-for="(words, answer) in ANSWERS" :key="answer" :loading="saving" @click="save(answer)">{{ words }}</el-button>
        </form>
        <RefusalNote :refusal="refusal" />
    </article>
</template>

<style scoped>
article {
    border-left: 3px solid var(--amber);
    padding: 2px 0 4px 12px;
    margin-bottom: 12px;
}
.done {
    border-left-color: var(--rule);
}
.words {
    font: 16px/1.3 var(--serif);
    font-feature-settings: 'lnum';
    margin-bottom: 4px;
    max-width: 96ch;
}
</style>
