<script setup lang="ts">
import type { Schema } from '@/api/client'
import { day, number } from '@/shared/format'
import TransectChart from './TransectChart.vue'

/** A transect as it was read: mean across the row, curve, cautions, and the readings as a table. */
const props = defineProps<{ transect: Schema<'Transect'>; us: boolean }>()
const CM_PER_INCH = 2.54
const shown = (cm: number): string => number(props.us ? cm / CM_PER_INCH : cm, 1)
const unit = props.us ? 'in' : 'cm'
</script>

<template>
    <div>
        <h2>
            {{ day(transect.read_on) }}:
            {{
                transect.mean_across === null
                    ? `${number(transect.places[0]?.mean, 1)} ppm at one place`
                    : `${number(transect.mean_across, 1)} ppm across the row`
            }}
        </h2>
        <TransectChart :transect="transect" :unit="unit" :per-cm="us ? 1 / CM_PER_INCH : 1" />
        <p v-for="caution in transect.cautions" :key="caution" class="warning">{{ caution }}</p>
        <details>
            <summary>The readings as a table</summary>
            <table class="plain">
                <thead>
                    <tr>
                        <th class="num">From the row, {{ unit }}</th>
                        <th class="num">Readings, ppm</th>
                        <th class="num">Mean, ppm</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="place in transect.places" :key="place.cm">
                        <td class="num">{{ shown(place.cm) }}</td>
                        <td class="num">{{ place.readings.join(', ') }}</td>
                        <td class="num">{{ number(place.mean, 1) }}{{ place.alone ? ' (one reading)' : '' }}</td>
                    </tr>
                </tbody>
            </table>
        </details>
    </div>
</template>

<style scoped>
summary {
    cursor: pointer;
    color: var(--gley);
}
</style>
