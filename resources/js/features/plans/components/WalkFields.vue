<script setup lang="ts">
import NumberRow from '@/shared/components/NumberRow.vue'
import type { Spec } from '../usual'

/** What a plan's time and margin hang on: the gate, the walk, the probe and the spread that was measured. */
const spec = defineModel<Spec>({ required: true })
defineProps<{ placing: boolean }>()
defineEmits<{ place: [] }>()
</script>

<template>
    <details>
        <summary>Walk, probe and spread</summary>
        <div class="start">
            <span>{{ spec.start ? 'Starts at the place set' : 'Starts anywhere' }}</span>
            <button v-if="spec.start" type="button" class="link" @click="spec.start = null">Anywhere</button>
            <button type="button" class="link" @click="$emit('place')">
                {{ placing ? 'Click on the map' : 'Set the gate' }}
            </button>
        </div>
        <NumberRow v-model="spec.speed_km_per_h" label="Your speed, km/h" :min="0.5" :max="60" placeholder="4" />
        <NumberRow v-model="spec.seconds_per_core" label="Seconds a core" :max="3600" placeholder="45" />
        <NumberRow v-model="spec.probe_mm" label="Probe, inner diameter, mm" :min="5" :max="300" />
        <NumberRow
            v-model="spec.ph_sd"
            label="Spread of pH between cores, measured"
            :min="0.01"
            :max="3"
            placeholder="–"
        />
    </details>
</template>

<style scoped>
.start {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 8px;
    min-height: 30px;
}
summary {
    cursor: pointer;
    font-weight: 600;
    font-size: 12.5px;
}
</style>
