<script setup lang="ts">
import type { Schema } from '@/api/client'
import { count, depth, extent, length, number, percent, type Units } from '@/shared/format'

/** What a layout costs in cores and minutes, and the margin it buys. */
defineProps<{ layout: Schema<'Layout'>; layers: string[]; units: Units; busy: boolean }>()
</script>

<template>
    <h2>What it costs, and what it buys</h2>
    <table class="plain facts" :aria-busy="busy">
        <tbody>
            <tr>
                <td>Cores, {{ layers.map(depth).join(', ') }}</td>
                <td class="num" data-fact="cores">{{ number(layout.cores.length) }}</td>
            </tr>
            <tr v-if="layout.composites.length * layout.layers.length > 1">
                <td>
                    Samples, {{ count(layout.composites.length, 'composite') }} of
                    {{ count(layout.layers.length, 'layer') }}
                </td>
                <td class="num" data-fact="samples">
                    {{ number(layout.composites.length * layout.layers.length) }}
                </td>
            </tr>
            <tr>
                <td>Walk between them</td>
                <td class="num" data-fact="walk">{{ length(layout.walk_m, units) }}</td>
            </tr>
            <tr>
                <td>Time in the field, about</td>
                <td class="num" data-fact="minutes">{{ number(layout.minutes) }} min</td>
            </tr>
            <tr>
                <td>Ground left to use</td>
                <td class="num">
                    {{ extent(layout.usable_m2, units) }}, {{ percent(layout.usable_m2 / layout.area_m2) }}
                </td>
            </tr>
            <tr>
                <td>
                    <strong>Margin on pH, {{ percent(layout.margin.confidence) }}</strong>
                </td>
                <td class="num" data-fact="margin">
                    <strong>± {{ number(layout.margin.ph, 2) }}</strong>
                </td>
            </tr>
        </tbody>
    </table>
    <p class="note">
        Sampling error only, for a spread between cores of {{ number(layout.margin.sd, 2) }} pH,
        {{
            {
                usual: 'the usual one',
                stated: 'as stated',
                earlier: `from ${layout.margin.composites} earlier composites of this ground`,
            }[layout.margin.source]
        }}.
        <template v-if="layout.margin.low !== layout.margin.high">
            Ground varies: ± {{ number(layout.margin.low, 2) }} to ± {{ number(layout.margin.high, 2) }}.</template
        >
    </p>
</template>

<style scoped>
.facts {
    margin-bottom: 6px;
}
.facts td.num {
    padding-right: 0;
}
</style>
