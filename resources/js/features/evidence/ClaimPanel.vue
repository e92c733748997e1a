<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import VerdictStone from '@/shared/components/VerdictStone.vue'
import { count, day, percent } from '@/shared/format'
import ClaimGauge from './ClaimGauge.vue'

const props = defineProps<{
    name: 'sort' | 'rate' | 'track'
    state: Schema<'ClaimState'>
    policy: Schema<'Policy'>
    timezone: string
    maySign: boolean
}>()
defineEmits<{ sign: [] }>()
const QUESTIONS = {
    sort: 'Does it send us to the right action?',
    rate: 'Can its number size a rate?',
    track: 'Can it see the change we care about?',
}
const claim = computed(() => props.state.computed)
const words = computed(() => {
    const { verdict, agree, n, lower, upper, more_pairs: more, reasons } = claim.value
    if (props.name !== 'sort' || !n) return reasons[0] ?? ''
    const found = `Agrees on the action in ${agree} of ${n} samples`
    const next = more ? ` ${count(more, 'more pair')} without a miss would prove ${percent(props.policy.terms.required)}.` : ''
    if (verdict === 'stands') return `${found}; we can be sure it is right at least ${percent(lower)} of the time.`
    if (verdict === 'falls')
        return `${found}. ${(upper ?? 1) < props.policy.terms.required ? `It is right at most ${percent(upper)} of the time; ${percent(props.policy.terms.required)} is needed.` : 'It misses one action too often.'}`
    return `${found}; we can only be sure it is right at least ${percent(lower)} of the time.${next}`
})
const others = computed(() => (props.name === 'sort' ? claim.value.reasons : claim.value.reasons.slice(1)))
</script>

<template>
    <section class="claim" :aria-label="name">
        <div class="head">
            <VerdictStone :verdict="claim.verdict" :size="36" quiet />
            <div>
                <h2>
                    {{ name[0]?.toUpperCase() }}{{ name.slice(1) }}:
                    <span :class="claim.verdict">{{ claim.verdict }}</span>
                </h2>
                <p class="note">{{ QUESTIONS[name] }}</p>
            </div>
        </div>
        <p class="words">{{ words }}</p>
        <ClaimGauge v-if="name === 'sort'" :claim="claim" :required="policy.terms.required" />
        <details v-if="others.length">
            <summary>{{ name === 'sort' ? 'The reasons in full' : 'And also' }}</summary>
            <ul>
                <li v-for="reason in others" :key="reason">{{ reason }}</li>
            </ul>
        </details>
        <p class="signed">
            <template v-if="state.signed">
                Signed
                <RouterLink :to="`/decide/verdicts/${state.signed.id}`">{{ state.signed.verdict }}</RouterLink>
                by {{ state.signed.signed_by }}, {{ day(state.signed.signed_at, timezone) }}, policy {{ state.signed.policy_version }}.
                <strong v-if="state.moved" class="moved">New evidence since.</strong>
            </template>
            <template v-else>Not signed.</template>
            <button v-if="maySign && (!state.signed || state.moved)" type="button" class="link" @click="$emit('sign')">
                {{ state.signed ? 'Sign what it says now' : 'Sign it' }}
            </button>
        </p>
    </section>
</template>

<style scoped>
.head {
    display: flex;
    gap: 10px;
    align-items: center;
}
h2 {
    font-size: 22px;
    line-height: 1;
}
.head .note {
    margin: 2px 0 0;
}
.falls {
    color: var(--oxide);
}
.words {
    font: 15.5px/1.28 var(--serif);
    font-feature-settings: 'lnum';
    margin: 8px 0 0;
}
details {
    font-size: 12.5px;
    margin-top: 2px;
}
summary {
    cursor: pointer;
    color: var(--gley);
}
ul {
    margin: 4px 0;
    padding-left: 16px;
}
.signed {
    color: var(--ink-2);
    margin: 6px 0 0;
}
.moved {
    color: var(--amber);
}
.signed .link {
    margin-left: 6px;
    font-weight: 600;
}
</style>
