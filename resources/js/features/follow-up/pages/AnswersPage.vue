<script setup lang="ts">
import { computed, ref } from 'vue'
import PageHead from '@/shared/components/PageHead.vue'
import { useSite } from '@/shared/composables/useSite'
import { count } from '@/shared/format'
import { useAnswers } from '../api'
import AnswerOfLine from '../components/AnswerOfLine.vue'
import FollowUpTabs from '../components/FollowUpTabs.vue'
import { STATES, WORDS } from '../words'

/** Did it work? Every line of every signed program of a site that corrects something, the answered first. */
const { site, siteId, units } = useSite()
const { data } = useAnswers(siteId)
const answered = computed(() => data.value?.filter(({ word }) => word !== '') ?? [])
const waiting = computed(() => data.value?.filter(({ word }) => word === '') ?? [])
const showWaiting = ref(false)
const counted = computed(() => {
    const found = new Map<string, number>()
    for (const { word, state } of data.value ?? []) {
        const name = WORDS[word] ?? STATES[state] ?? state
        found.set(name, (found.get(name) ?? 0) + 1)
    }
    return [...found].map(([name, n]) => `${name.toLowerCase()} ${n}`).join(', ')
})
const lede = computed(() =>
    data.value?.length
        ? `${answered.value.length} of ${count(data.value.length, 'line')} of signed programs can be answered: ${counted.value}.`
        : 'No signed program corrects anything here yet.',
)
</script>

<template>
    <template v-if="site && data">
        <PageHead :over="site.name" title="Did it work?" :lede="lede"><FollowUpTabs /></PageHead>
        <p v-if="!data.length">
            Sign a program, note what was spread of it, and test again:
            <RouterLink to="/prescribe">Programs</RouterLink>
        </p>
        <AnswerOfLine
            v-for="answer in answered"
            :key="`${answer.program_id} ${answer.key}`"
            :answer="answer"
            :units="units"
            with-area
        />
        <template v-if="waiting.length">
            <p>
                <button type="button" class="link" :aria-expanded="showWaiting" @click="showWaiting = !showWaiting">
                    {{ showWaiting ? 'Hide' : 'Show' }} {{ count(waiting.length, 'line') }} that cannot be answered yet
                </button>
            </p>
            <template v-if="showWaiting">
                <AnswerOfLine
                    v-for="answer in waiting"
                    :key="`${answer.program_id} ${answer.key}`"
                    :answer="answer"
                    :units="units"
                    with-area
                />
            </template>
        </template>
    </template>
</template>
