<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, type Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import PageHead from '@/shared/components/PageHead.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSession } from '@/shared/composables/useSession'
import { useSite } from '@/shared/composables/useSite'
import { day, number, percent, signed } from '@/shared/format'
import BenchTabs from '../components/BenchTabs.vue'
import PracticeTubes from '../components/PracticeTubes.vue'
import VisionPlates from '../components/VisionPlates.vue'
import { useBench, usePracticeRounds, useVisionChecks } from '../api'

/** Who reads cards, whether their eyes are fit for it, and how well they read tubes that are known. */
const queries = useQueryClient()
const { me } = useSession()
const { siteId } = useSite()
const { data: checks } = useVisionChecks()
const { data: rounds } = usePracticeRounds()
const { data: bench } = useBench(siteId)
const reader = ref('')
const who = computed(() => reader.value || me.value?.name || '')
const looking = ref<Schema<'Plates'> | null>(null)
const round = ref<Schema<'PracticeRound'> | null>(null)
const plates = useSave(
    () => api.post('/vision-plates', undefined),
    (drawn) => (looking.value = drawn),
)
const cards = computed(() => bench.value?.methods.filter(({ scale }) => scale.kind === 'bands') ?? [])
const methodId = ref<number | null>(null)
const source = ref<'screen' | 'bench'>('screen')
const known = ref('')
const copies = ref(2)
const practice = useSave(
    () =>
        api.post('/practice-rounds', {
            method_id: methodId.value ?? cards.value[0]?.id ?? 0,
            reader: who.value,
            source: source.value,
            known:
                source.value === 'bench'
                    ? known.value
                          .split(/[\s,;]+/)
                          .filter(Boolean)
                          .map(Number)
                    : [],
            copies: copies.value,
        }),
    (started) => (round.value = started),
)
const bandsOf = (id: number): Schema<'ScaleBand'>[] => cards.value.find((method) => method.id === id)?.scale.bands ?? []
async function done(): Promise<void> {
    looking.value = null
    await queries.invalidateQueries()
}
const lede = computed(() => {
    const mine = checks.value?.find((one) => one.reader === me.value?.name)
    if (!checks.value) return ''
    return mine
        ? `${mine.reader}: ${mine.words}`
        : 'Cards are read by eye: who reads them shows first that colours are told apart.'
})
</script>

<template>
    <PageHead over="Bench" title="Readers" :lede="lede"><BenchTabs /></PageHead>
    <VisionPlates v-if="looking" :plates="looking" :reader="who" @done="done" />
    <PracticeTubes
        v-else-if="round"
        :round="round"
        :bands="bandsOf(round.method_id)"
        @read="(read) => ((round = read), queries.invalidateQueries())"
        @close="round = null"
    />
    <div v-else class="columns two">
        <div>
            <FormField label="Reader">
                <el-select v-model="reader" filterable allow-create default-first-option :placeholder="who">
                    <el-option
                        v-for="one in bench?.readers ?? []"
                        :key="one.name"
                        :value="one.name"
                        :label="one.name"
                    />
                </el-select>
            </FormField>
            <h2>Colour-vision check</h2>
            <p>
                Ten plates of dots; type the figure that you see, or nothing. In even light, straight before the screen.
                A screening for reading cards, no diagnosis.
            </p>
            <RefusalNote :refusal="plates.refusal.value" />
            <el-button type="primary" :loading="plates.saving.value" @click="plates.save()">Begin the check</el-button>
            <h2 class="next">Practice round</h2>
            <p>Known tubes in a mixed order; what they are is told when all are read.</p>
            <RefusalNote :refusal="practice.refusal.value" />
            <FormField label="Card">
                <el-select
                    :model-value="methodId ?? cards[0]?.id"
                    @update:model-value="(id: number) => (methodId = id)"
                >
                    <el-option v-for="one in cards" :key="one.id" :value="one.id" :label="one.name" />
                </el-select>
            </FormField>
            <FormField label="Tubes">
                <el-segmented
                    v-model="source"
                    :options="[
                        { label: 'on the screen', value: 'screen' },
                        { label: 'at the bench', value: 'bench' },
                    ]"
                />
            </FormField>
            <FormField
                v-if="source === 'bench'"
                label="What the tubes are known to be"
                hint="Values of check soils or buffers, parted by commas. Somebody else fills the tubes by the list and hides it."
            >
                <el-input v-model="known" name="known" placeholder="5.2, 6.1, 7.0" />
            </FormField>
            <FormField label="Tubes of each"><el-input-number v-model="copies" :min="1" :max="4" /></FormField>
            <el-button :loading="practice.saving.value" :disabled="!cards.length" @click="practice.save()"
                >Start the round</el-button
            >
        </div>
        <div>
            <h2>Checks on record</h2>
            <table v-if="checks?.length" class="plain">
                <thead>
                    <tr>
                        <th>Reader</th>
                        <th>On</th>
                        <th class="num">Plates right</th>
                        <th>Result</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="one in checks" :key="one.id">
                        <td class="narrow">{{ one.reader }}</td>
                        <td class="narrow">{{ day(one.taken_on) }}</td>
                        <td class="num">{{ one.right }} of {{ one.plates }}</td>
                        <td>{{ one.words }}</td>
                    </tr>
                </tbody>
            </table>
            <p v-else class="note">None yet.</p>
            <h2 class="next">Practice rounds</h2>
            <table v-if="rounds?.some(({ score }) => score)" class="plain">
                <thead>
                    <tr>
                        <th>Reader</th>
                        <th>Card</th>
                        <th>On</th>
                        <th class="num">Right</th>
                        <th class="num">Surely at least</th>
                        <th class="num">Bias</th>
                        <th class="num">Repeatability</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="one in rounds.filter(({ score }) => score)" :key="one.id">
                        <td class="narrow">{{ one.reader }}</td>
                        <td class="narrow">{{ one.method }}{{ one.source === 'screen' ? ', on the screen' : '' }}</td>
                        <td class="narrow">{{ day(one.at) }}</td>
                        <td class="num">{{ one.score?.right }} of {{ one.score?.tubes }}</td>
                        <td class="num">{{ percent(one.score?.lower) }}</td>
                        <td class="num">{{ signed(one.score?.bias, 2) }}</td>
                        <td class="num">{{ number(one.score?.repeatability, 2) }}</td>
                    </tr>
                </tbody>
            </table>
            <p v-else class="note">None yet.</p>
            <p class="note">
                Bias and repeatability in the unit of the card; repeatability is the spread of readings of equal tubes.
                Tubes on a screen show the eye, not the bench.
            </p>
        </div>
    </div>
</template>

<style scoped>
.two {
    grid-template-columns: 380px minmax(0, 1fr);
}
.next {
    margin-top: 22px;
}
</style>
