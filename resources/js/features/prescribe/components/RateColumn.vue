<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { number } from '@/shared/format'

/** One school's amount, how sure it is, what goes on now, and its arithmetic line by line. */
const props = defineProps<{ rate: Schema<'Rate'> }>()
const parted = computed(() => (props.rate.later ?? 0) > 0.005)
</script>

<template>
    <section class="school">
        <h3>{{ rate.school }}</h3>
        <template v-if="rate.tons_per_acre !== null">
            <p class="amount">
                <span v-if="rate.at_most" class="most">at most</span>
                <strong>{{ number(rate.tons_per_acre, 1) }}</strong> tons/acre
                <span v-if="rate.interval" class="between"
                    >{{ number(rate.interval[0], 1) }} to {{ number(rate.interval[1], 1) }}</span
                >
            </p>
            <p v-if="parted" class="now">
                Now {{ number(rate.now, 1) }} tons/acre; the other {{ number(rate.later, 1) }} after a retest.
            </p>
            <p class="note">
                {{ number(rate.pounds_per_1000_sq_ft) }} lb per 1,000 sq ft,
                {{ number(rate.tonnes_per_hectare, 1) }} t/ha, from a reading of
                {{ number(rate.reading, 2) }}
            </p>
            <table class="plain">
                <tbody>
                    <tr v-for="step in rate.steps" :key="step.what">
                        <td>
                            {{ step.what }}<span class="how">{{ step.how }}</span>
                        </td>
                        <td class="num">
                            = {{ number(step.value, 2) }} <span class="unit">{{ step.unit }}</span>
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
