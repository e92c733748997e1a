<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { useQueryClient } from '@tanstack/vue-query'
import { api, type Schema } from '@/api/client'
import { useSave } from '@/shared/composables/useSave'
import { count, day, number, signed, type Units } from '@/shared/format'
import { answerWord, LINES, rateText, schoolName } from '../words'

/** Did it work? One line of a signed program: what was expected, what came, and what the next retest would have to be. */
const props = defineProps<{ answer: Schema<'ProgramAnswer'>; units: Units; withArea?: boolean }>()
const router = useRouter()
const queries = useQueryClient()
const it = computed(() => props.answer)
const change = (value: number | null | undefined): string =>
    `${signed(value, it.value.digits)}${it.value.unit && value !== null && value !== undefined ? ` ${it.value.unit}` : ''}`
const planning = useSave(
    () => api.post('/programs/{program}/retest-plan', { key: it.value.key }, { ids: { program: it.value.program_id } }),
    async ({ plans }) => {
        await queries.invalidateQueries()
        await router.push(`/plans/${plans[0]!.area_id}`)
    },
)
function point(one: Schema<'SeriesPoint'>): string {
    const { digits } = it.value
    const sure = one.u === null ? '' : ` ± ${number(2 * one.u, digits)}`
    return `${number(one.mean, digits)}${sure} on ${day(one.on)}, ${count(one.composites, 'composite')}`
}
</script>

<template>
    <article class="answer">
        <div class="left">
            <strong class="word">{{ answerWord(it) }}</strong>
            <span v-if="it.difference !== null" class="figure">{{ change(it.difference) }}</span>
            <span v-if="it.expected !== null" class="note">{{ change(it.expected) }} expected</span>
        </div>
        <div>
            <h3>
                <template v-if="withArea"
                    ><RouterLink :to="`/follow-up/areas/${it.area_id}?analyte=${it.analyte}`">{{ it.area }}</RouterLink
                    >: </template
                >{{ LINES[it.key] ?? it.key }} for {{ it.crop.toLowerCase() }}, {{ it.season }}
            </h3>
            <p class="says">{{ it.says }}</p>
            <dl>
                <dt>Sized by</dt>
                <dd>
                    {{ schoolName(it.school) }}<template v-if="it.soil">, on {{ it.soil }}</template
                    >;
                    <RouterLink :to="`/programs/${it.program_id}`">signed {{ day(it.signed_on) }}</RouterLink>
                </dd>
                <dt>Spread</dt>
                <dd>
                    <template v-for="(one, i) in it.spread" :key="i"
                        >{{ i ? '; ' : '' }}{{ one.what }}, {{ rateText(one.lb_per_acre, units) }} on
                        {{ day(one.on) }}</template
                    >{{ it.spread.length ? '' : 'nothing noted' }}
                </dd>
                <template v-if="it.before">
                    <dt>Before</dt>
                    <dd>{{ point(it.before) }}</dd>
                </template>
                <template v-if="it.after">
                    <dt>After</dt>
                    <dd>{{ point(it.after) }}</dd>
                </template>
                <template v-if="it.change">
                    <dt>Change</dt>
                    <dd>
                        treated {{ change(it.change.treated)
                        }}{{
                            it.change.control === null
                                ? ', no control'
                                : `, ${it.control ?? 'control'} ${change(it.change.control)}`
                        }}
                    </dd>
                </template>
                <template v-if="it.interval">
                    <dt>How sure</dt>
                    <dd>
                        95&thinsp;% interval {{ change(it.interval[0]) }} to {{ change(it.interval[1]) }}; the smallest
                        change that could have been seen {{ number(it.smallest_seen, it.digits) }}, four times in five
                        {{ number(it.smallest_with_power, it.digits) }}
                    </dd>
                </template>
            </dl>
            <ul v-if="it.reasons.length" class="note">
                <li v-for="why in it.reasons" :key="why">{{ why }}</li>
            </ul>
            <p v-if="it.design && !['as_expected', 'more'].includes(it.word)" class="retest">
                To see a change of {{ number(Math.abs(it.expected ?? 0), it.digits) }} the next retest wants
                {{ count(it.design.composites, 'composite') }} of {{ it.design.cores }} cores in each group and
                {{ count(it.design.duplicates, 'duplicate')
                }}{{
                    it.design.from_anew
                        ? ', pulled alike before and after the next dressing: what was pulled before is too little'
                        : ''
                }}.
                <button type="button" class="link" :disabled="planning.saving.value" @click="planning.save()">
                    Plan that retest
                </button>
                <span v-if="planning.message.value" class="wrong" role="alert">{{ planning.message.value }}</span>
            </p>
        </div>
    </article>
</template>

<style scoped>
.answer {
    display: grid;
    grid-template-columns: 148px 1fr;
    gap: 20px;
    border-top: 1px solid var(--rule);
    padding: 12px 0;
}
.left {
    display: grid;
    align-content: start;
    gap: 2px;
}
.word {
    font: 700 19px/1.1 var(--serif);
}
.figure {
    font: 700 26px/1.1 var(--serif);
    font-feature-settings: 'lnum';
}
h3 {
    font: 700 16px/1.2 var(--serif);
    font-feature-settings: 'lnum';
    margin: 0 0 4px;
}
.says {
    font: 15.5px/1.28 var(--serif);
    font-feature-settings: 'lnum';
    margin: 0 0 6px;
}
dl {
    display: grid;
    grid-template-columns: 76px 1fr;
    gap: 2px 10px;
    margin: 0 0 6px;
}
dt {
    color: var(--ink-2);
}
dd {
    margin: 0;
}
ul {
    margin: 0 0 6px;
    padding-left: 16px;
}
.retest {
    margin: 0;
}
</style>
