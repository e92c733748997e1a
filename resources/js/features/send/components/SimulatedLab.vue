<script setup lang="ts">
import { ref } from 'vue'
import { api, type Schema } from '@/api/client'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'

/** Orders one gives a simulated lab: time, and things that go wrong. */
const word = ref('')
const { save: order, refusal: refusedOrder } = useSave(
    (change: Schema<'SimulationInput'>) => api.post('/simulation', change),
    (answer) => (word.value = answer.word),
)
</script>

<template>
    <div>
        <h2>The simulated lab</h2>
        <div class="row">
            <button type="button" class="link" @click="order({ advance_days: 1 })">A day passes</button>
            <button type="button" class="link" @click="order({ advance_days: 7 })">A week passes</button>
            <button type="button" class="link" @click="order({ trouble: 'lose' })">Lose one</button>
            <button type="button" class="link" @click="order({ trouble: 'delay' })">Delay one</button>
            <button type="button" class="link" @click="order({ slip: 'swap', told: false })">Exchange two</button>
            <button type="button" class="link" @click="order({ slip: 'shift', told: false })">Set a meter wrong</button>
        </div>
        <p v-if="word" class="note" role="status">{{ word }}</p>
        <RefusalNote :refusal="refusedOrder" />
    </div>
</template>

<style scoped>
.row {
    gap: 14px;
    flex-wrap: wrap;
}
</style>
