<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schema } from '@/api/client'
import ScrolledTable from '@/shared/components/ScrolledTable.vue'
import { number, signed } from '@/shared/format'

/** Differences from the reference against the level, with limits of agreement, their intervals and what a rate allows. */
const props = defineProps<{ evidence: Schema<'Evidence'> }>()
const open = ref(false)
const WIDE = 330
const TALL = 250
const [LEFT, RIGHT, TOP, FOOT] = [40, 288, 10, 214]
const ratio = computed(() => props.evidence.difference?.ratio ?? false)
const unit = computed(() => (props.evidence.method.analyte === 'ph' ? 'pH' : props.evidence.method.analyte))
const points = computed(() =>
    props.evidence.dots
        .filter(({ test, reference }) => test !== null && (!ratio.value || (test > 0 && reference > 0)))
        .map(({ code, test, reference, same, out }) => {
            const [t, r] = ratio.value ? [Math.log(test!), Math.log(reference)] : [test!, reference]
            return { code, level: (t + r) / 2, difference: t - r, same, out }
        }),
)
const found = computed(() => props.evidence.difference)
const spanX = computed(() => {
    const levels = points.value.map(({ level }) => level)
    const [low, high] = [Math.min(...levels), Math.max(...levels)]
    const pad = (high - low || 1) * 0.08
    return { low: low - pad, high: high + pad }
})
const most = computed(
    () =>
        Math.max(
            found.value?.allowable ?? 0,
            ...points.value.map(({ difference }) => Math.abs(difference)),
            Math.abs(found.value?.upper_limit ?? 0),
            Math.abs(found.value?.lower_limit ?? 0),
        ) * 1.18,
)
const x = (level: number): number =>
    LEFT + 6 + ((level - spanX.value.low) / (spanX.value.high - spanX.value.low)) * (RIGHT - LEFT - 12)
const y = (difference: number): number => {
    const at = TOP + ((most.value - difference) / (2 * most.value)) * (FOOT - TOP)
    return Math.min(FOOT, Math.max(TOP, at))
}
const shown = (value: number): string => (ratio.value ? `× ${number(Math.exp(value), 2)}` : signed(value))
const ticksX = computed(() => {
    const { low, high } = spanX.value
    if (ratio.value)
        return [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000]
            .filter((one) => Math.log(one) > low && Math.log(one) < high)
            .map((one) => ({ at: Math.log(one), text: String(one) }))
    const step = [0.1, 0.5, 1, 2, 5, 10, 20, 50, 100].find((one) => (high - low) / one <= 6) ?? 1
    return Array.from(
        { length: Math.floor(high / step) - Math.ceil(low / step) + 1 },
        (_, i) => (Math.ceil(low / step) + i) * step,
    ).map((at) => ({ at, text: number(at, step < 1 ? 1 : 0) }))
})
const words = computed(() => {
    const limits = found.value
    return (
        `${points.value.filter(({ out }) => !out).length} differences; mean ` +
        `${limits?.mean == null ? 'unknown' : shown(limits.mean)}, limits of agreement ` +
        `${limits?.lower_limit == null ? 'unknown' : `${shown(limits.lower_limit)} to ${shown(limits.upper_limit!)}`}`
    )
})
const means = computed(() => {
    const limits = found.value
    if (!limits || limits.mean === null) return ''
    const spread =
        limits.lower_limit === null
            ? ''
            : ` Nineteen of twenty lie between ${shown(limits.lower_limit)} and ${shown(limits.upper_limit!)}; a rate ` +
              `allows ${ratio.value ? `a factor of ${number(Math.exp(limits.allowable), 2)}` : `± ${number(limits.allowable, 2)}`}.`
    const by = ratio.value ? shown(limits.mean) : number(Math.abs(limits.mean), 2)
    const lean =
        Math.abs(limits.mean) < 1e-9
            ? 'reads as the reference does'
            : `reads ${limits.mean > 0 ? 'higher' : 'lower'}, by ${by}`
    const [all, lab, test] = [limits.sd, limits.reference_sd, limits.sd_without_reference]
    const labs =
        lab === null || all === null
            ? ''
            : test
              ? ` Of the spread of ${number(all, 2)}, ${number(lab, 2)} is the lab’s own; without it the test’s is ${number(test, 2)}.`
              : ` The spread of ${number(all, 2)} is no larger than the lab’s own, ${number(lab, 2)}.`
    const bands = limits.of_bands
        ? ' Differences are of the middles of bands: for looking at, not for sizing a rate.'
        : ''
    return `On the whole it ${lean}.${spread}${labs}${bands}`
})
</script>

<template>
    <figure v-if="points.length">
        <svg :viewBox="`0 0 ${WIDE} ${TALL}`" role="img" :aria-label="words">
            <rect
                v-if="found"
                :x="LEFT"
                :y="y(found.allowable)"
                :width="RIGHT - LEFT"
                :height="y(-found.allowable) - y(found.allowable)"
                fill="var(--straw)"
            />
            <path :d="`M${LEFT} ${y(0)}H${RIGHT}`" stroke="var(--line)" />
            <path :d="`M${LEFT} ${TOP}V${FOOT}H${RIGHT}`" fill="none" stroke="var(--ink)" />
            <template v-if="found && found.mean !== null">
                <path :d="`M${LEFT} ${y(found.mean)}H${RIGHT}`" stroke="var(--ink)" stroke-width="1.6" />
                <text :x="RIGHT + 4" :y="y(found.mean) + 4" class="bold">{{ shown(found.mean) }}</text>
            </template>
            <template
                v-for="limit in found
                    ? ([
                          [found.lower_limit, found.lower_limit_ci],
                          [found.upper_limit, found.upper_limit_ci],
                      ] as const)
                    : []"
                :key="String(limit[0])"
            >
                <template v-if="limit[0] !== null">
                    <path
                        :d="`M${LEFT} ${y(limit[0])}H${RIGHT}`"
                        stroke="var(--oxide)"
                        stroke-width="1.5"
                        stroke-dasharray="6 3"
                    />
                    <path
                        v-if="limit[1]"
                        :d="`M${RIGHT - 7} ${y(limit[1][1]!)}h6m-3 0V${y(limit[1][0]!)}m-3 0h6`"
                        fill="none"
                        stroke="var(--oxide)"
                        stroke-width="1.2"
                    />
                    <text :x="RIGHT + 4" :y="y(limit[0]) + 4" class="red">{{ shown(limit[0]) }}</text>
                </template>
            </template>
            <template v-for="point in points" :key="point.code">
                <path
                    v-if="point.out"
                    :d="`M${x(point.level) - 4} ${y(point.difference) - 4}l8 8m0 -8l-8 8`"
                    stroke="#6B5F4C"
                    stroke-width="1.4"
                />
                <path
                    v-else-if="!point.same"
                    :d="`M${x(point.level)} ${y(point.difference) - 5.5}l5.5 5.5l-5.5 5.5l-5.5 -5.5z`"
                    fill="var(--oxide)"
                    stroke="var(--paper)"
                />
                <circle
                    v-else
                    :cx="x(point.level)"
                    :cy="y(point.difference)"
                    r="3.8"
                    fill="var(--ink)"
                    stroke="var(--paper)"
                />
            </template>
            <text v-for="tick in ticksX" :key="tick.at" :x="x(tick.at)" :y="FOOT + 15" text-anchor="middle">
                {{ tick.text }}
            </text>
            <text :x="RIGHT" :y="FOOT + 31" text-anchor="end">middle of the two, {{ unit }}</text>
            <text :x="LEFT - 4" :y="y(0) + 4" text-anchor="end">{{ ratio ? '× 1' : '0' }}</text>
        </svg>
        <figcaption class="note">{{ means }}</figcaption>
        <details @toggle="open = ($event.target as HTMLDetailsElement).open">
            <summary>As a table</summary>
            <ScrolledTable v-if="open" :rows="points" :columns="3">
                <template #head>
                    <tr>
                        <th>Composite</th>
                        <th class="num">Difference</th>
                        <th>Side</th>
                    </tr>
                </template>
                <template #default="{ row: point }">
                    <td>{{ point.code }}</td>
                    <td class="num">{{ shown(point.difference) }}</td>
                    <td>{{ point.out ? 'left out' : point.same ? 'same' : 'other' }}</td>
                </template>
            </ScrolledTable>
        </details>
    </figure>
</template>

<style scoped>
figure {
    margin: 0 0 14px;
}
svg {
    width: 100%;
    display: block;
}
text {
    font: 11px var(--sans);
    fill: var(--ink-2);
}
.bold {
    font-weight: 600;
    fill: var(--ink);
}
.red {
    fill: var(--oxide);
}
summary {
    cursor: pointer;
    color: var(--gley);
    font-size: 12.5px;
}
</style>
