<script setup lang="ts">
import type { Schema } from '@/api/client'
import { number } from '@/shared/format'

/** One school's amount, with its arithmetic line by line. */
defineProps<{ rate: Schema<'Rate'> }>()
</script>

<template>
    <section class="school">
        <h3>{{ rate.school }}</h3>
        <template v-if="rate.tons_per_acre !== null">
            <p class="amount">
                <span v-if="rate.at_most" class="most">at most</span>
                <strong>{{ number(rate.tons_per_acre, 1) }}</strong> tons/acre
            </p>
            <p class="note">{{ number(rate.pounds_per_1000_sq_ft) }} lb per 1,000 sq ft, {{ number(rate.tonnes_per_hectare, 1) }} t/ha</p>
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
        <p v-if="rate.note" :class="rate.tons_per_acre === null ? 'none' : 'note'">{{ rate.note }}</p>
        <p v-if="rate.source" class="note">Source: {{ rate.source }}</p>
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
