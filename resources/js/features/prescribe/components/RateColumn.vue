<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { number, siteUnits } from '@/shared/format'
import { shownIn, turned, unitOf } from '@/shared/measures'

/** One school's amount, how sure it is, what goes on now, and its arithmetic line by line. */
const props = defineProps<{ rate: Schema<'Rate'> }>()
const tons = (value: number | null | undefined): string =>
    number(value == null ? value : shownIn(value, 'bulk', siteUnits.value), 1)
const parted = computed(() => (props.rate.later ?? 0) > 0.005)
</script>

<template>
    <section class="school">
        <h3>{{ rate.school }}</h3>
        <template v-if="rate.tons_per_acre !== null">
            <p class="amount">
                <span v-if="rate.at_most" class="most">at most</span>
                <strong>{{ tons(rate.tons_per_acre) }}</strong> {{ unitOf('bulk', siteUnits) }}
                <span v-if="rate.interval" class="between"
                    >{{ tons(rate.interval[0]) }} to {{ tons(rate.interval[1]) }}</span
                >
            </p>
            <p v-if="parted" class="now">
                Now {{ tons(rate.now) }} {{ unitOf('bulk', siteUnits) }}; the other {{ tons(rate.later) }} after a
                retest.
            </p>
            <p class="note">
                <template v-if="siteUnits === 'us'"
                    >{{ number(rate.pounds_per_1000_sq_ft) }} lb per 1,000 sq ft,
                    {{ number(rate.tonnes_per_hectare, 1) }} t/ha,</template
                ><template v-else
                    >{{ number(shownIn(rate.pounds_per_1000_sq_ft ?? 0, 'bed', siteUnits)) }} g/m²,</template
                >
                from a reading of
                {{ number(rate.reading, 2) }}
            </p>
            <table class="plain">
                <tbody>
                    <tr v-for="step in rate.steps" :key="step.what">
                        <td>
                            {{ step.what }}<span class="how">{{ step.how }}</span>
                        </td>
                        <td class="num">
                            = {{ number(turned(step.value, step.unit, siteUnits)[0], 2) }}
                            <span class="unit">{{ turned(step.value, step.unit, siteUnits)[1] }}</span>
                        </td>
                    </tr>
                </tbody>
            </table>
        </template>
        <p v-for="reason in rate.reasons" :key="reason" :class="rate.tons_per_acre === null ? 'none' : 'note'">
            {{ reason }}
        </p>
        <p class="note">Source: {{ rate.source }}</p>
    </section>
</template>

<style scoped>
.amount {
    margin: 4px 0 0;
    font-size: 15px;
}
.amount strong {
    font: 700 30px/1 var(--serif);
    font-feature-settings: 'lnum';
}
.between {
    color: var(--ink-2);
    margin-left: 8px;
}
.now {
    font: 15px/1.3 var(--serif);
    margin: 2px 0;
}
.most {
    color: var(--ink-2);
    margin-right: 4px;
}
.how {
    display: block;
    color: var(--ink-2);
    font-size: 12px;
}
.unit {
    color: var(--ink-2);
    font-size: 12px;
}
.none {
    font: 15px/1.3 var(--serif);
    margin-top: 6px;
}
</style>
