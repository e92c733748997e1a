<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import VerdictStone from '@/shared/components/VerdictStone.vue'
import { count, day, number, percent } from '@/shared/format'
import ClaimGauge from './ClaimGauge.vue'
import LimitGauge from './LimitGauge.vue'

const props = defineProps<{
    name: 'sort' | 'rate' | 'track'
    state: Schema<'ClaimState'>
    policy: Schema<'Policy'>
    difference: Schema<'DifferenceLimits'> | null
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
    const next = more
        ? ` ${count(more, 'more pair')} without a miss would prove ${percent(props.policy.terms.required)}.`
        : ''
    if (verdict === 'stands') return `${found}; we can be sure it is right at least ${percent(lower)} of the time.`
    if (verdict === 'falls')
        return (upper ?? 1) < props.policy.terms.required
            ? `${found}. It is right at most ${percent(upper)} of the time; ` +
                  `${percent(props.policy.terms.required)} is needed.`
            : `${found}. It misses one action too often.`
    return `${found}; we can only be sure it is right at least ${percent(lower)} of the time.${next}`
})
const ratio = computed(() => props.policy.terms.scale === 'ratio')
const FACTOR = 1.96 * Math.SQRT2
/** Limits of agreement against what a rate allows, or the detectable change against the change to see. */
const limits = computed(() => {
    const { difference, name, policy } = props
    const interval = claim.value.sd_within_ci
    if (
        name === 'rate' &&
        difference &&
        !difference.of_bands &&
        difference.lower_limit !== null &&
        difference.upper_limit !== null
    ) {
        const [low, high] = [difference.lower_limit_ci, difference.upper_limit_ci]
        return {
            from: difference.lower_limit,
            to: difference.upper_limit,
            outerFrom: low?.[0] ?? difference.lower_limit,
            outerTo: high?.[1] ?? difference.upper_limit,
            allowed: difference.allowable,
        }
    }
    if (name === 'track' && claim.value.detectable_change != null && interval) {
        const allowed = ratio.value ? Math.log1p(policy.terms.change) : policy.terms.change
        return {
            from: FACTOR * interval[0]!,
            to: claim.value.detectable_change,
            outerFrom: FACTOR * interval[0]!,
            outerTo: FACTOR * interval[1]!,
            allowed,
        }
    }
    return null
})
/** What it speaks for in a line, and a line for each lot and season that was not asked. */
const covered = computed(() => {
    const { lots, seasons } = props.state.coverage
    const of = (groups: typeof lots): string[] =>
        groups.filter(({ state }) => state === 'covered').map(({ name }) => name)
    const parts = [
        of(lots)
            .map((name) => (name === '' ? 'readings that name no lot' : `lot ${name}`))
            .join(', '),
        of(seasons).length ? `season ${of(seasons).join(', ')}` : '',
    ].filter(Boolean)
    return parts.length ? `It speaks for ${parts.join('; ')}.` : ''
})
const silent = computed(() =>
    [...props.state.coverage.lots, ...props.state.coverage.seasons]
        .filter(({ state, pairs, needed }) => state === 'refuted' || (state === 'not asked' && pairs < needed))
        .map(({ words: said }) => said),
)
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
        <LimitGauge
            v-else-if="limits"
            :from="limits.from"
            :to="limits.to"
            :outer-from="limits.outerFrom"
            :outer-to="limits.outerTo"
            :allowed="limits.allowed"
            :one-sided="name === 'track'"
            :ratio="ratio"
            :words="
                `found ${number(limits.from, 2)} to ${number(limits.to, 2)}, at the widest ` +
                `${number(limits.outerFrom, 2)} to ${number(limits.outerTo, 2)}; ${number(limits.allowed, 2)} is allowed`
            "
        />
        <details v-if="others.length">
            <summary>{{ name === 'sort' ? 'The reasons in full' : 'And also' }}</summary>
            <ul>
                <li v-for="reason in others" :key="reason">{{ reason }}</li>
            </ul>
        </details>
        <ul v-if="claim.verdict !== 'unable'" class="covers">
            <li v-if="covered">{{ covered }}</li>
            <li v-for="said in silent" :key="said" class="silent">{{ said }}</li>
        </ul>
        <p class="signed">
            <template v-if="state.signed">
                Signed
                <RouterLink :to="`/decide/verdicts/${state.signed.id}`">{{ state.signed.verdict }}</RouterLink>
                by {{ state.signed.signed_by }}, {{ day(state.signed.signed_at, timezone) }}, policy
                {{ state.signed.policy_version }}.
                <strong v-if="state.moved" class="moved">New evidence since.</strong>
                <strong v-if="state.signed.silent_on" class="moved">
                    It was not asked for {{ state.signed.silent_on }}.
                </strong>
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
ul.covers {
    list-style: none;
    padding: 0;
    font-size: 12.5px;
    color: var(--ink-2);
}
.silent {
    color: var(--amber);
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
