<script setup lang="ts">
import { useTyped } from '@/shared/composables/useTyped'
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, type Schema } from '@/api/client'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { day, mailto } from '@/shared/format'

/** One question of a report; it is answered in words, never passed over. */
const props = defineProps<{ question: Schema<'ReportQuestion'>; report: number }>()
const queries = useQueryClient()
const note = ref('')
const ANSWERS = { note: 'It is right: note why', recheck: 'Order a recheck', exclude: 'Leave the results out' }
const SAID: Record<string, string> = { note: 'Found right', recheck: 'Recheck ordered', exclude: 'Left out' }
const typedHere = useTyped(
    () => 'the answer to a question',
    () => `question-${props.question.id}`,
    { note },
)
const { save, saving, refusal } = useSave(
    (answer: string) =>
        api.post(
            '/report-questions/{question}',
            { answer, note: note.value },
            { ids: { question: props.question.id } },
        ),
    async () => {
        note.value = ''
        typedHere.settle()
        await queries.invalidateQueries()
    },
)
const copied = ref(false)
async function copy(): Promise<void> {
    await navigator.clipboard.writeText(props.question.letter?.text ?? '')
    copied.value = true
}
</script>

<template>
    <article :class="{ done: question.answer }">
        <p class="words">{{ question.words }}</p>
        <p v-if="question.answer" class="note">
            {{ SAID[question.answer] }}: {{ question.note }} ({{ question.by }}, {{ day(question.at) }})
        </p>
        <details v-if="question.letter && !question.note.includes('(the lab:')">
            <summary>The letter to the lab</summary>
            <pre>{{ question.letter.text }}</pre>
            <p class="row">
                <a :href="mailto(question.letter.to, question.letter.subject, question.letter.text)"
                    >Write it as a letter</a
                >
                <button type="button" class="link" @click="copy">{{ copied ? 'Copied' : 'Copy it' }}</button>
            </p>
        </details>
        <form v-if="!question.answer" class="row" novalidate @submit.prevent="save('note')">
            <el-input
                v-model="note"
                :aria-label="`What you say to: ${question.words}`"
                placeholder="Why"
                style="width: 340px"
            />
            <el-button v-for="(words, answer) in ANSWERS" :key="answer" :loading="saving" @click="save(answer)">{{
                words
            }}</el-button>
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
pre {
    font: 13px/1.45 var(--sans);
    background: var(--sheet);
    border: 1px solid var(--rule);
    padding: 10px;
    white-space: pre-wrap;
    max-width: 86ch;
}
.words {
    font: 16px/1.3 var(--serif);
    font-feature-settings: 'lnum';
    margin-bottom: 4px;
    max-width: 96ch;
}
</style>
