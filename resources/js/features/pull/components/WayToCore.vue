<script setup lang="ts">
import { computed } from 'vue'
import { bearing, length, type Units } from '@/shared/format'
import { way } from '@/shared/ground'
import CompassNeedle from './CompassNeedle.vue'
import type { Core } from '../composables/usePull'
import type { Position } from '../composables/usePosition'

/** The next core from where the phone is; from the core before where no position is known. */
const props = defineProps<{
    core: Core
    position: Position | null
    simulated: boolean
    units: Units
    trouble: string
}>()
const from = computed(() => (props.position ? way(props.position, props.core) : null))
</script>

<template>
    <section class="way" aria-live="polite">
        <CompassNeedle :degrees="from ? from.bearing : core.bearing_deg" />
        <div>
            <h2>Core {{ core.sequence }}</h2>
            <template v-if="from">
                <p class="far">{{ length(from.metres, units) }}</p>
                <p>{{ bearing(from.bearing) }}</p>
                <p>
                    {{ simulated ? 'simulated position' : 'position' }} ±
                    {{ length(Math.max(1, position!.accuracy), units) }}
                </p>
            </template>
            <template v-else-if="core.leg_m !== null">
                <p class="far">{{ length(core.leg_m, units) }}</p>
                <p>
                    {{ core.bearing_deg === null ? '' : bearing(core.bearing_deg) }}, from core {{ core.sequence - 1 }}
                </p>
            </template>
            <p v-else>The walk starts here: see the map.</p>
            <p v-if="!from" class="at">{{ core.latitude.toFixed(5) }}, {{ core.longitude.toFixed(5) }}</p>
        </div>
    </section>
    <p v-if="trouble && !position" class="note">{{ trouble }}</p>
    <p v-if="from && position!.accuracy > 15" class="note">
        The position is rough: pace the last steps from a known core.
    </p>
</template>

<style scoped>
.way {
    display: flex;
    gap: 20px;
    align-items: center;
    margin: 18px 0 12px;
}
h2 {
    font-size: 27px;
}
p {
    margin: 0;
    color: var(--ink-2);
}
.far {
    font: 700 50px/1.05 var(--sans);
    color: var(--ink);
    white-space: nowrap;
}
</style>
