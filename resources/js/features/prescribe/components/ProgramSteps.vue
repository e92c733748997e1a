<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { rate, type Units } from '@/shared/format'

/** The steps of one part, like a recipe card: at the left the amount, at the right what it rests on. */
const props = defineProps<{ part: Schema<'ProgramPart'>; units: Units; editable?: boolean }>()
const emit = defineEmits<{ override: [line: Schema<'ProgramLine'>] }>()
const TITLES: Record<string, string> = {
    stop: 'Stop first',
    ph: 'pH',
    pk: 'Phosphorus and potassium',
    other: 'Secondary nutrients and micronutrients',
    nitrogen: 'Nitrogen',
}
const KINDS: Record<string, string> = {
    zero: 'none',
    direction: 'direction',
    unknown: 'not known',
    stop: 'stop',
    close: 'too close',
    ask: 'ask first',
}
const CLAIMS: Record<string, string> = {
    lab: 'lab result',
    rate: 'a test whose rate claim stands',
    sort: 'a test whose sort claim stands',
}
const steps = computed(() => props.part.steps.filter(({ code, lines }) => lines.length > 0 || code === 'stop'))
const amount = (line: Schema<'ProgramLine'>) => rate(line.lb_per_acre ?? 0, props.units, line.key === 'lime')
const said = (pounds: number | null, key: string): string => {
    if (pounds === null) return 'nothing'
    const { value, unit } = rate(pounds, props.units, key === 'lime')
    return `${value} ${unit}`
}
const between = ({ between: ends, key }: Schema<'ProgramLine'>): string => {
    if (!ends || ends[0] == null || ends[1] == null || ends[1] - ends[0] < 0.5) return ''
    const [low, high] = [rate(ends[0], props.units, key === 'lime'), rate(ends[1], props.units, key === 'lime')]
    return `${low.value} to ${high.value} ${high.unit}`
}
</script>

<template>
    <section v-for="step in steps" :key="step.code" class="step">
        <h2>{{ TITLES[step.code] }}</h2>
        <p v-if="!step.lines.length" class="note">Nothing stands in the way.</p>
        <div v-for="(line, i) in step.lines" :key="i" class="line" :class="`is-${line.kind}`">
            <p class="amount">
                <template v-if="line.kind === 'amount'">
                    <strong>{{ amount(line).value }}</strong> {{ amount(line).unit }}
                </template>
                <strong v-else class="word">{{ KINDS[line.kind] }}</strong>
                <span v-if="line.kind === 'amount' && between(line)" class="note block">{{ between(line) }}</span>
            </p>
            <div>
                <h3>{{ line.what }}</h3>
                <p class="answer">{{ line.answer }}</p>
                <p v-if="line.override" class="against">
                    <strong>Against the figures</strong>, which say {{ said(line.override.was, line.key) }}:
                    {{ line.override.reason }}
                </p>
                <ul v-if="line.reasons.length" class="reasons">
                    <li v-for="reason in line.reasons" :key="reason">{{ reason }}</li>
                </ul>
                <p v-for="caution in line.cautions" :key="caution" class="care">{{ caution }}</p>
            </div>
            <dl class="rests">
                <template v-if="line.claim !== 'none' || line.from">
                    <dt>Rests on</dt>
                    <dd>{{ line.from || '–' }}{{ CLAIMS[line.claim] ? `, ${CLAIMS[line.claim]}` : '' }}</dd>
                </template>
                <template v-if="line.sure">
                    <dt>How sure</dt>
                    <dd>{{ line.sure }}</dd>
                </template>
                <template v-if="line.changes">
                    <dt>What would change it</dt>
                    <dd>{{ line.changes }}</dd>
                </template>
                <dd v-if="editable && line.key" class="no-print">
                    <button type="button" class="link" @click="emit('override', line)">
                        {{ line.override ? 'Change or take back' : 'Set another amount' }}
                    </button>
                </dd>
            </dl>
        </div>
    </section>
</template>

<style scoped>
.step {
    border-top: 1px solid var(--ink);
    padding: 8px 0 4px;
}
.line {
    display: grid;
    grid-template-columns: 118px minmax(0, 1fr) 250px;
    gap: 16px;
    padding: 8px 0;
    border-top: 1px solid var(--hair);
}
.line:first-of-type {
    border-top: 0;
}
.amount {
    margin: 0;
}
.amount strong {
    display: block;
    font: 700 28px/1 var(--serif);
    font-feature-settings: 'lnum';
}
.amount .word {
    font-size: 19px;
    line-height: 1.15;
}
.block {
    display: block;
}
.answer {
    font: 15px/1.3 var(--serif);
    font-feature-settings: 'lnum';
    margin: 2px 0 4px;
}
.is-stop .word,
.is-ask .word {
    color: var(--amber-text);
}
.reasons {
    margin: 0 0 4px;
    padding-left: 16px;
    color: var(--ink-2);
    font-size: 12px;
}
.care {
    border-left: 3px solid var(--amber-text);
    padding-left: 8px;
    margin: 4px 0;
}
.against {
    border-left: 3px solid var(--oxide);
    padding-left: 8px;
    margin: 4px 0;
}
.rests {
    margin: 0;
    font-size: 12px;
}
dt {
    color: var(--ink-2);
}
dd {
    margin: 0 0 6px;
}
@media (max-width: 900px) {
    .line {
        grid-template-columns: 84px minmax(0, 1fr);
    }
    .rests {
        grid-column: 2;
    }
    .amount strong {
        font-size: 24px;
    }
}
@media print {
    .line {
        break-inside: avoid;
        grid-template-columns: 90px minmax(0, 1fr) 190px;
    }
}
</style>
