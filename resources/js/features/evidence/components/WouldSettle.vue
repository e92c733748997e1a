<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { SampleLink } from '@/features/send'
import { count, number, percent, signed } from '@/shared/format'
import SamplingFirst from './SamplingFirst.vue'

/** What would settle the claim, what sampling adds, and what a correction would give. */
const props = defineProps<{ evidence: Schema<'Evidence'> }>()
const needs = computed(() => props.evidence.needs)
const policy = computed(() => props.evidence.policy.terms)
const lead = computed(() => {
    const more = needs.value.more_pairs
    if (more === null) return 'More pairs cannot mend it: the claim is refuted, or the scale cannot make it.'
    return more === 0
        ? 'It is proven; nothing more is needed under this policy.'
        : `${count(more, 'more pair')} without a further miss would prove it.`
})
const lacking = computed(() => needs.value.classes.filter(({ lacks }) => lacks > 0))
const shown = (value: number): string =>
    props.evidence.difference?.ratio ? `× ${number(Math.exp(value), 2)}` : signed(value)
</script>

<template>
    <div class="columns two">
        <section>
            <h2>What would settle it</h2>
            <p class="words">{{ lead }}</p>
            <ul>
                <li v-for="one in lacking" :key="one.action">
                    “{{ one.action }}” was asked
                    {{ one.n === 0 ? 'never' : one.n === 1 ? 'once' : count(one.n, 'time') }}: at least
                    {{ count(one.lacks, 'more composite') }} that the reference sends there.
                </li>
                <li v-if="evidence.worth.pairs && evidence.worth.sessions < evidence.worth.pairs">
                    {{ count(evidence.worth.pairs, 'pair') }} of {{ count(evidence.worth.sessions, 'sitting') }} are
                    worth {{ number(evidence.worth.effective, 1) }} read one a sitting. A pair on another day is worth
                    more than one more today.
                </li>
                <li v-for="word in needs.scope" :key="word">{{ word }}</li>
                <li>
                    Looking once, at a number fixed beforehand, {{ count(needs.once, 'more clean pair') }} would reach
                    {{ percent(policy.required) }}; with bounds that hold however often you look,
                    {{ number(needs.often) }}. This policy looks {{ policy.looking }}.
                </li>
            </ul>
            <details class="limits">
                <summary>What these verdicts do not hold against</summary>
                <p class="note">
                    Sittings that share half of their hits or more: 60 pairs of six such evenings let a false sort claim
                    stand 13 % of the time. A spread that grows fourfold over the readings: a false rate 11 to 17 %, at
                    14 to 50 pairs. Gross errors now and then: there the share within is proven, the limits are not. All
                    were measured on 1,000 made-up sets or more.
                </p>
            </details>
            <template v-if="needs.outlook">
                <h3>What the next pairs are worth</h3>
                <p v-if="!needs.outlook.some(({ ten, five }) => (ten ?? five) > 0.005)" class="note">
                    Neither one, five nor ten of them can settle it, of whatever soils.
                </p>
                <table v-else class="plain">
                    <thead>
                        <tr>
                            <th>Chance that they settle whether it sorts</th>
                            <th class="num">1 pair</th>
                            <th class="num">5</th>
                            <th class="num">10</th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="one in needs.outlook" :key="one.action ?? 'soils'">
                            <td>{{ one.action === null ? 'soils as they come' : `soils for “${one.action}”` }}</td>
                            <td class="num">{{ percent(one.one) }}</td>
                            <td class="num">{{ percent(one.five) }}</td>
                            <td class="num">{{ one.ten === null ? '–' : percent(one.ten) }}</td>
                        </tr>
                    </tbody>
                </table>
            </template>
            <template v-if="needs.portions.length">
                <h3>On the shelf, and worth reading next</h3>
                <table class="plain">
                    <tbody>
                        <tr v-for="one in needs.portions" :key="one.portion">
                            <td><SampleLink :id="one.sample_id" :code="one.portion" /> {{ one.area }}</td>
                            <td>{{ one.place }}</td>
                            <td>{{ one.why }}</td>
                        </tr>
                    </tbody>
                </table>
            </template>
        </section>
        <div>
            <SamplingFirst :evidence="evidence" />
            <template v-if="evidence.corrections.length">
                <h2 class="next">Can it be corrected?</h2>
                <p class="note">
                    Each composite is judged by a line fitted without it. Nothing is corrected unless you do it
                    yourself.
                </p>
                <table class="plain">
                    <thead>
                        <tr>
                            <th>By</th>
                            <th class="num">Bias</th>
                            <th class="num">Spread</th>
                            <th class="num">Same action</th>
                            <th>Worth it</th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="one in evidence.corrections" :key="one.by">
                            <td>{{ one.by }}</td>
                            <td class="num">{{ shown(one.before.mean) }} → {{ shown(one.after.mean) }}</td>
                            <td class="num">{{ number(one.before.sd, 2) }} → {{ number(one.after.sd, 2) }}</td>
                            <td class="num">{{ one.before.agree }} → {{ one.after.agree }} of {{ one.n }}</td>
                            <td>{{ one.helps ? 'it would help' : 'no' }}</td>
                        </tr>
                    </tbody>
                </table>
            </template>
            <template v-if="evidence.censored.length">
                <h2 class="next">Below a limit, or no number</h2>
                <p class="note">
                    Counted, shown, and left out of every difference:
                    {{ evidence.censored.map(({ code, said }) => `${code} (${said})`).join(', ') }}. Half a limit is
                    never put in their place.
                </p>
            </template>
        </div>
    </div>
</template>

<style scoped>
.two {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    border-top: 1px solid var(--rule);
    margin-top: 18px;
    padding-top: 12px;
}
.words {
    font: 16px/1.3 var(--serif);
}
ul {
    padding-left: 18px;
}
.next {
    margin-top: 16px;
}
</style>
