<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schema } from '@/api/client'
import ScrolledTable from '@/shared/components/ScrolledTable.vue'
import { number } from '@/shared/format'

/** Test against reference, with the line on which they would be equal and both fitted lines. */
const props = defineProps<{ evidence: Schema<'Evidence'> }>()
const open = ref(false)
const SIZE = 300
const [LEFT, FOOT] = [36, 262]
const ratio = computed(() => props.evidence.difference?.ratio ?? false)
const turn = (value: number): number => (ratio.value ? Math.log(value) : value)
const pairs = computed(() =>
    props.evidence.dots.filter(
        ({ test, reference, out }) => !out && test !== null && (!ratio.value || (test > 0 && reference > 0)),
    ),
)
const span = computed(() => {
    const all = pairs.value.flatMap(({ test, reference }) => [turn(test!), turn(reference)])
    const [low, high] = [Math.min(...all), Math.max(...all)]
    const pad = (high - low || 1) * 0.08
    return { low: low - pad, high: high + pad }
})
const at = (value: number): number => (turn(value) - span.value.low) / (span.value.high - span.value.low)
const x = (value: number): number => LEFT + at(value) * (SIZE - LEFT - 8)
const y = (value: number): number => FOOT - Math.min(1, Math.max(0, at(value))) * (FOOT - 8)
const ends = computed(() => {
    const { low, high } = span.value
    return ratio.value ? [Math.exp(low), Math.exp(high)] : [low, high]
})
function line(fitted: { slope: number | null; intercept: number | null } | null | undefined): string | null {
    if (!fitted || fitted.slope === null || fitted.intercept === null) return null
    const steps = Array.from({ length: 41 }, (_, i) => ends.value[0]! + ((ends.value[1]! - ends.value[0]!) * i) / 40)
    const inside = steps
        .map((one) => [one, fitted.intercept! + fitted.slope! * one] as const)
        .filter(([, test]) => (!ratio.value || test > 0) && at(test) >= 0 && at(test) <= 1)
    return inside.length < 2 ? null : inside.map(([one, test], i) => `${i ? 'L' : 'M'}${x(one)} ${y(test)}`).join('')
}
const deming = computed(() => line(props.evidence.regression?.deming_known ?? props.evidence.regression?.deming))
const ranks = computed(() => line(props.evidence.regression?.passing_bablok))
const words = computed(() => `${pairs.value.length} pairs; ${lines.value}`)
const lines = computed(() => {
    const found = props.evidence.regression
    if (!found) return 'bands have no line'
    const one = (name: string, fitted: { slope: number | null; intercept: number | null } | null): string =>
        fitted?.slope == null ? '' : `${name}: ${number(fitted.intercept, 2)} + ${number(fitted.slope, 2)} × reference`
    return [
        one(
            found.deming_known
                ? `Deming, errors as ${number(found.deming_known.ratio, 2)} to 1`
                : 'Deming, equal errors',
            found.deming_known ?? found.deming,
        ),
        one('Passing and Bablok', found.passing_bablok),
        found.concordance?.ccc == null
            ? ''
            : `concordance ${number(found.concordance.ccc, 3)}` +
              (found.concordance.ci
                  ? ` (${number(found.concordance.ci[0], 3)} to ${number(found.concordance.ci[1], 3)})`
                  : ''),
    ]
        .filter(Boolean)
        .join('; ')
})
/** Both lines in figures, with the intervals of the one that has them. */
const fits = computed(() => {
    const found = props.evidence.regression
    if (!found) return []
    const figure = (value: number | null, ci?: number[] | null) => ({
        value: number(value, 2),
        interval: ci ? `${number(ci[0], 2)} to ${number(ci[1], 2)}` : '',
    })
    const [known, rank] = [found.deming_known, found.passing_bablok]
    return [
        { name: 'Deming, equal errors', figures: [figure(found.deming.intercept), figure(found.deming.slope)] },
        ...(known
            ? [
                  {
                      name: `Deming, errors as ${number(known.ratio, 2)} to 1`,
                      figures: [figure(known.intercept), figure(known.slope)],
                  },
              ]
            : []),
        {
            name: 'Passing and Bablok',
            figures: [figure(rank.intercept, rank.intercept_ci), figure(rank.slope, rank.slope_ci)],
        },
    ]
})
const steady = computed(() => {
    const ci = props.evidence.regression?.passing_bablok.slope_ci
    if (!ci) return ''
    return ci[0]! > 1 || ci[1]! < 1
        ? 'The slope is not 1: how far it is off hangs on the level.'
        : 'A slope of 1 lies inside its interval: the bias may be the same at every level.'
})
</script>

<template>
    <figure v-if="pairs.length > 1">
        <svg :viewBox="`0 0 ${SIZE} ${SIZE}`" role="img" :aria-label="words">
            <path :d="`M${LEFT} 8V${FOOT}H${SIZE - 8}`" fill="none" stroke="var(--ink)" />
            <path
                :d="`M${x(ends[0]!)} ${y(ends[0]!)}L${x(ends[1]!)} ${y(ends[1]!)}`"
                stroke="var(--line)"
                stroke-width="1.4"
            />
            <path v-if="deming" :d="deming" fill="none" stroke="var(--ink)" stroke-width="1.6" />
            <path v-if="ranks" :d="ranks" fill="none" stroke="#1F6B66" stroke-width="1.6" stroke-dasharray="7 3" />
            <template v-for="pair in pairs" :key="pair.code">
                <path
                    v-if="pair.lower !== null && pair.upper !== null"
                    :d="`M${x(pair.reference)} ${y(pair.lower)}V${y(pair.upper)}`"
                    stroke="var(--umber)"
                    stroke-width="3"
                    opacity=".55"
                />
                <path
                    v-if="!pair.same"
                    :d="`M${x(pair.reference)} ${y(pair.test!) - 5}l5 5l-5 5l-5 -5z`"
                    fill="var(--oxide)"
                    stroke="var(--paper)"
                />
                <circle
                    v-else
                    :cx="x(pair.reference)"
                    :cy="y(pair.test!)"
                    r="3.4"
                    fill="var(--ink)"
                    stroke="var(--paper)"
                />
            </template>
            <text :x="SIZE - 8" :y="FOOT + 30" text-anchor="end">{{ evidence.reference.name }}</text>
            <text :x="LEFT" :y="FOOT + 15">{{ number(ends[0]!, ratio ? 0 : 1) }}</text>
            <text :x="SIZE - 8" :y="FOOT + 15" text-anchor="end">{{ number(ends[1]!, ratio ? 0 : 1) }}</text>
            <text x="2" y="16">{{ number(ends[1]!, ratio ? 0 : 1) }}</text>
        </svg>
        <figcaption class="note">
            Grey: equal. {{ deming ? 'Black: Deming.' : '' }} {{ ranks ? 'Green, dashed: Passing and Bablok.' : '' }}
            {{ lines ? `${lines[0]!.toUpperCase()}${lines.slice(1)}.` : '' }}
            {{ steady }}
        </figcaption>
        <details @toggle="open = ($event.target as HTMLDetailsElement).open">
            <summary>As a table</summary>
            <table v-if="fits.length" class="plain">
                <thead>
                    <tr>
                        <th>Line</th>
                        <th class="num">Intercept</th>
                        <th class="num">Slope</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="fit in fits" :key="fit.name">
                        <td>{{ fit.name }}</td>
                        <td v-for="(figure, i) in fit.figures" :key="i" class="num">
                            {{ figure.value }}
                            <span v-if="figure.interval" class="interval">{{ figure.interval }}</span>
                        </td>
                    </tr>
                </tbody>
            </table>
            <ScrolledTable v-if="open" :rows="pairs" :columns="4">
                <template #head>
                    <tr>
                        <th>Composite</th>
                        <th class="num">Reference</th>
                        <th class="num">Test</th>
                        <th>Side</th>
                    </tr>
                </template>
                <template #default="{ row: pair }">
                    <td>{{ pair.code }}</td>
                    <td class="num">{{ number(pair.reference, ratio ? 0 : 2) }}</td>
                    <td class="num">{{ number(pair.test, ratio ? 0 : 2) }}</td>
                    <td>{{ pair.same ? 'same' : 'other' }}</td>
                </template>
            </ScrolledTable>
        </details>
    </figure>
</template>

<style scoped>
summary {
    cursor: pointer;
}
.interval {
    display: block;
    font-size: 11px;
    color: var(--ink-2);
}
figure {
    margin: 0;
    max-width: 320px;
}
svg {
    width: 100%;
    display: block;
}
text {
    font: 11px var(--sans);
    fill: var(--ink-2);
}
</style>
