<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { number, siteUnits } from '@/shared/format'
import { shownIn, unitOf, type Measure } from '@/shared/measures'

/** The schemes side by side: what each costs, what it misses, and how sure that is. */
const props = defineProps<{ comparison: Schema<'Comparison'> }>()
const WIDE = 168
const most = computed(() =>
    Math.max(...props.comparison.schemes.map((scheme) => scheme.total_money[0]! + 2 * scheme.total_money[1]!), 1),
)
const x = (money: number) => (money / most.value) * WIDE
const figure = (pair: number[], decimals = 1) => `${number(pair[0], decimals)} ± ${number(1.96 * pair[1]!, decimals)}`
const sized = (pair: number[], measure: Measure) => figure(pair.map((one) => shownIn(one, measure, siteUnits.value)))
</script>

<template>
    <table class="plain schemes">
        <thead>
            <tr>
                <th>Scheme</th>
                <th class="num">Samples</th>
                <th class="num">Cores</th>
                <th class="num">Hours</th>
                <th class="num">Lab fees</th>
                <th class="num">Margin<br />on pH</th>
                <th class="num">{{ unitOf('ground', siteUnits) }} limed<br />for nothing</th>
                <th class="num">{{ unitOf('ground', siteUnits) }}<br />missed</th>
                <th class="num">{{ unitOf('load', siteUnits) }}<br />misplaced</th>
                <th>What it costs in all</th>
            </tr>
        </thead>
        <tbody>
            <tr v-for="scheme in comparison.schemes" :key="scheme.code" :class="{ chosen: scheme.best }">
                <td>
                    <strong v-if="scheme.best">{{ scheme.name }}, least</strong>
                    <template v-else>{{ scheme.name }}</template>
                </td>
                <td class="num">{{ number(scheme.samples) }}</td>
                <td class="num">{{ number(scheme.cores) }}</td>
                <td class="num">{{ number(scheme.hours, 1) }}</td>
                <td class="num">{{ number(scheme.lab_money) }}</td>
                <td class="num">± {{ number(scheme.margin, 2) }}</td>
                <td class="num">{{ sized(scheme.needless_acres, 'ground') }}</td>
                <td class="num">{{ sized(scheme.missed_acres, 'ground') }}</td>
                <td class="num">{{ sized(scheme.misplaced_tons, 'load') }}</td>
                <td>
                    <svg
                        :viewBox="`0 0 ${WIDE} 18`"
                        :width="WIDE"
                        height="18"
                        role="img"
                        :aria-label="`${figure(scheme.total_money, 0)}, of it ${number(scheme.wrong_money[0])} for wrong rates`"
                    >
                        <rect
                            y="4"
                            :width="x(scheme.total_money[0]!)"
                            height="10"
                            fill="#CFAE78"
                            stroke="var(--ink)"
                            stroke-width=".8"
                        />
                        <rect y="4" :width="x(scheme.wrong_money[0]!)" height="10" fill="#74502F" />
                        <path
                            :d="
                                `M${x(scheme.total_money[0]! - 1.96 * scheme.total_money[1]!)} ` +
                                `9H${x(scheme.total_money[0]! + 1.96 * scheme.total_money[1]!)}`
                            "
                            stroke="var(--ink)"
                            stroke-width="2"
                        />
                    </svg>
                    <span class="note total"
                        >{{ figure(scheme.total_money, 0)
                        }}{{ scheme.best || scheme.sure ? '' : ', not surely dearer' }}</span
                    >
                </td>
            </tr>
        </tbody>
    </table>
    <p class="note">
        <i class="wrong"></i> lime spread for nothing and yield lost to ground left sour <i class="pull"></i> lab fees
        and work; ± is the simulation’s own error at 95 %.
    </p>
</template>

<style scoped>
.schemes td {
    vertical-align: middle;
    white-space: nowrap;
}
svg {
    display: block;
}
.total {
    display: block;
}
i {
    display: inline-block;
    width: 10px;
    height: 10px;
    border: 1px solid var(--ink);
}
.wrong {
    background: #74502f;
}
.pull {
    background: #cfae78;
    margin-left: 10px;
}
</style>
