<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, type Schema } from '@/api/client'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { number, percent, signed } from '@/shared/format'
import SwatchCard from './SwatchCard.vue'

/** A practice round, tube by tube; then what they were. */
const props = defineProps<{ round: Schema<'PracticeRound'>; bands: Schema<'ScaleBand'>[] }>()
const emit = defineEmits<{ read: [round: Schema<'PracticeRound'>]; close: [] }>()
const answers = ref<Schema<'BandAnswer'>[]>([])
const [chosen, between] = [ref(''), ref<string | null>(null)]
const at = computed(() => answers.value.length)
const tube = computed(() => props.round.tubes[at.value] ?? null)
const { save, saving, refusal } = useSave(
    () => api.post('/practice-rounds/{round}', { answers: answers.value }, { ids: { round: props.round.id } }),
    (read) => emit('read', read),
)
async function next(): Promise<void> {
    answers.value = [...answers.value, { band: chosen.value, between: between.value }]
    ;[chosen.value, between.value] = ['', null]
    if (answers.value.length === props.round.tubes.length) await save()
}
</script>

<template>
    <section>
        <template v-if="round.score">
            <h2>{{ round.score.right }} of {{ round.score.tubes }} right</h2>
            <p class="lede">
                {{ round.reader }} reads at least {{ percent(round.score.lower) }} of such tubes right, as far as this
                round can tell.
                <template v-if="round.score.bias !== null">On average {{ signed(round.score.bias, 2) }} off</template
                ><template v-if="round.score.repeatability !== null"
                    >; equal tubes were read {{ number(round.score.repeatability, 2) }} apart</template
                >.
            </p>
            <table class="plain known">
                <thead>
                    <tr>
                        <th class="num">Tube</th>
                        <th class="num">It was</th>
                        <th>Read as</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="(one, i) in round.tubes" :key="i">
                        <td class="num">{{ i + 1 }}</td>
                        <td class="num">{{ number(one.known, 2) }}</td>
                        <td>{{ one.between ? `between ${one.read} and ${one.between}` : one.read }}</td>
                    </tr>
                </tbody>
            </table>
            <el-button @click="emit('close')">Back to the readers</el-button>
        </template>
        <template v-else-if="tube">
            <p class="over">Tube {{ at + 1 }} of {{ round.tubes.length }}, read by {{ round.reader }}</p>
            <div class="pair">
                <div
                    v-if="tube.hex"
                    class="tube"
                    role="img"
                    :aria-label="`Tube ${at + 1}`"
                    :style="{ background: tube.hex }"
                ></div>
                <p v-else class="lede">Hold tube {{ at + 1 }} to the card.</p>
                <form novalidate @submit.prevent="next">
                    <SwatchCard v-model="chosen" v-model:between="between" :bands="bands" may-lie-between />
                    <el-button type="primary" native-type="submit" :disabled="chosen === ''">{{
                        at + 1 === round.tubes.length ? 'Hand them in' : 'Next tube'
                    }}</el-button>
                </form>
            </div>
        </template>
        <template v-else>
            <RefusalNote :refusal="refusal" />
            <el-button :loading="saving" @click="save()">Send the readings again</el-button>
        </template>
    </section>
</template>

<style scoped>
.pair {
    display: grid;
    grid-template-columns: 90px minmax(0, 640px);
    gap: 28px;
    align-items: start;
    background: #fff;
    padding: 16px;
}
.tube {
    height: 170px;
    border-radius: 0 0 40px 40px;
    border: 1px solid var(--line);
}
.known {
    width: auto;
    margin: 10px 0;
}
</style>
