<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import type { Schema } from '@/api/client'
import { PracticeLook } from '@/features/practice'
import FormField from '@/shared/components/FormField.vue'
import { useShortcut } from '@/shared/composables/useShortcut'
import { number } from '@/shared/format'
import PhotoReader from './PhotoReader.vue'
import ProbePanel from './ProbePanel.vue'
import SwatchCard from './SwatchCard.vue'

/** What is read off one tube by one reader; earlier readings stay covered. */
const props = defineProps<{
    run: Schema<'Run'>
    tube: Schema<'Tube'>
    device: { there: boolean; simulated: boolean }
}>()
const emit = defineEmits<{
    record: [
        reading: {
            reader: string
            typed: string
            between: string | null
            note: string
            match: Schema<'MatchLine'> | null
            capture_id: number | null
        },
    ]
}>()
const queries = useQueryClient()
const [typed, between, note] = [ref(''), ref<string | null>(null), ref('')]
const match = ref<Schema<'MatchLine'> | null>(null)
const captureId = ref<number | null>(null)
const photo = ref(false)
const reader = computed(() => props.tube.unread[0] ?? '')
watch([() => props.tube.number, reader, () => props.tube.step], () => {
    ;[typed.value, between.value, note.value, match.value, captureId.value] = ['', null, '', null, null]
})
const step = computed(() => props.run.steps.find(({ code }) => code === props.tube.step))
const decimals = computed(() => Math.max(0, Math.ceil(-Math.log10(props.run.scale.resolution ?? 1))))
const banded = computed(() => props.run.scale.kind === 'bands' || props.run.scale.kind === 'direction')

function record(): void {
    if (typed.value.trim() === '') return
    emit('record', {
        reader: reader.value,
        typed: typed.value.trim(),
        between: between.value,
        note: note.value,
        match: match.value,
        capture_id: captureId.value,
    })
}
function takeMatch(found: Schema<'ColourMatch'>): void {
    const [near, next] = found.swatches
    if (!near || !next) return
    typed.value = near.name
    between.value = found.safety === 'close' ? next.name : null
    match.value = {
        nearest: near.name,
        difference: near.difference,
        next: next.name,
        margin: found.margin,
        safety: found.safety,
    }
    photo.value = false
}
for (let i = 1; i <= 9; i++)
    useShortcut(String(i), i === 1 ? 'Choose a band of the card by its place, 1 to 9' : '', () => {
        const band = banded.value ? props.run.scale.bands?.[i - 1] : undefined
        if (band) [typed.value, between.value] = [band.name, null]
    })
</script>

<template>
    <form class="read" novalidate @submit.prevent="record()">
        <p class="who">
            <strong>{{ reader }}</strong> reads{{ tube.reads.length ? '; the reading before is covered' : '' }}.
        </p>
        <PracticeLook
            :sample-id="tube.sample_id"
            :method-id="run.method_id"
            :reader="reader"
            :run-id="run.id"
            :tube="tube.number"
            :flags="tube.breaks.map(({ code }) => code)"
        />
        <SwatchCard
            v-if="banded"
            v-model="typed"
            v-model:between="between"
            :bands="run.scale.bands ?? []"
            :may-lie-between="run.scale.kind === 'bands'"
        />
        <template v-if="run.colour">
            <p class="note">
                A screen is not the card: hold the tube to the kit’s own card, light behind you, pale ground behind the
                tube.
                <button type="button" class="link" @click="photo = true">Read it off a photo</button>
            </p>
            <p v-if="match" class="note">
                By photo: nearest {{ match.nearest }}, {{ number(match.difference, 1) }} away.
            </p>
        </template>
        <ProbePanel
            v-if="run.probe && device.there"
            :key="tube.number"
            :run="run.id"
            :tube="tube.number"
            :simulated="device.simulated"
            :decimals="decimals"
            :unit="run.unit"
            :kept="tube.captures.at(-1) ?? null"
            @broke="queries.invalidateQueries({ queryKey: ['run', run.id] })"
            @take="
                (capture) => {
                    typed = number(capture.mean, decimals).replace(',', '').replace('−', '-')
                    captureId = capture.id
                }
            "
        />
        <FormField
            v-if="!banded"
            :label="
                run.scale.kind === 'drops'
                    ? 'Drops until the colour turned'
                    : run.scale.kind === 'heights'
                      ? 'Height of all that has settled, mm'
                      : `What it shows, ${run.unit}`
            "
        >
            <el-input v-model="typed" name="typed" inputmode="decimal" />
        </FormField>
        <FormField label="Note"><el-input v-model="note" name="note" /></FormField>
        <el-button type="primary" native-type="submit" :disabled="typed.trim() === ''"
            >Record {{ step?.reads === 'reading' ? 'the reading' : `the height` }}</el-button
        >
        <PhotoReader v-if="photo" :bands="run.scale.bands ?? []" @take="takeMatch" @close="photo = false" />
    </form>
</template>

<style scoped>
.who {
    margin-bottom: 4px;
}
</style>
