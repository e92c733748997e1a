<script setup lang="ts">
import { useTyped } from '@/shared/composables/useTyped'
import TypedBefore from '@/shared/components/TypedBefore.vue'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref, toRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import PageHead from '@/shared/components/PageHead.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSession } from '@/shared/composables/useSession'
import { useSite } from '@/shared/composables/useSite'
import { count, day, today, typed } from '@/shared/format'
import { amountOf } from '../eventAmount'
import BenchTabs from '../components/BenchTabs.vue'
import TransectTimes from '../components/TransectTimes.vue'
import DateField from '@/shared/components/DateField.vue'
import { useTransects } from '../api'
import TransectRead from '../components/TransectRead.vue'

/** A nitrate probe from the row to mid-row, beside the rain and what was spread. */
const CM_PER_INCH = 2.54
const EVERY_CM = 7.62
const route = useRoute()
const router = useRouter()
const queries = useQueryClient()
const { me } = useSession()
const { site, areas, timezone, units } = useSite()
const areaId = computed(() => Number(route.params.area) || areas.value[0]?.id || null)
const { data } = useTransects(areaId)
const us = computed(() => units.value === 'us')
const unit = computed(() => (us.value ? 'in' : 'cm'))
const form = reactive({
    read_on: '',
    reader: '',
    instrument: 'Nitrate probe',
    spacing: '',
    note: '',
    places: [] as { at: string; first: string; second: string }[],
})
watch(
    [site, me],
    () => {
        form.read_on ||= site.value ? today(timezone.value) : ''
        form.reader ||= me.value?.name ?? ''
        form.spacing ||= site.value ? (us.value ? '30' : '75') : ''
    },
    { immediate: true },
)
/** A place at every distance of practice from the row to mid-row; typed distances can be changed. */
watch(
    () => form.spacing,
    (text) => {
        const half = typed(text) / 2
        if (
            !Number.isFinite(half) ||
            half <= 0 ||
            half > 500 ||
            form.places.some(({ first, second }) => first || second)
        )
            return
        const every = us.value ? EVERY_CM / CM_PER_INCH : EVERY_CM
        const at: number[] = []
        for (let i = 0; i * every < half - every / 4; i++) at.push(i * every)
        form.places = [...at, half].map((one) => ({ at: String(Math.round(one * 100) / 100), first: '', second: '' }))
    },
    { immediate: true },
)
const typedHere = useTyped(
    () => 'a transect',
    () => (areaId.value && form.places.length ? `transect-${areaId.value}` : ''),
    { spacing: toRef(form, 'spacing'), places: toRef(form, 'places'), note: toRef(form, 'note') },
)
const clearReadings = (): void => {
    for (const place of form.places) [place.first, place.second] = ['', '']
    form.note = ''
}
const toCm = (text: string): number => typed(text) * (us.value ? CM_PER_INCH : 1)
const { save, saving, refusal, wrong } = useSave(
    () =>
        api.post(
            '/areas/{area}/transects',
            {
                read_on: form.read_on,
                reader: form.reader,
                instrument: form.instrument,
                row_spacing_cm: toCm(form.spacing),
                places: form.places
                    .filter(({ first, second }) => first.trim() || second.trim())
                    .map(({ at, first, second }) => ({
                        cm: toCm(at),
                        readings: [first, second].filter((one) => one.trim()).map(typed),
                    })),
                note: form.note,
            },
            { ids: { area: areaId.value ?? 0 } },
        ),
    async (answer) => {
        clearReadings()
        typedHere.settle()
        queries.setQueryData(['transects', areaId.value], answer)
    },
)
const event = reactive({ kind: 'rain' as 'rain' | 'application', on: '', what: '', amount: '' })
watch(site, () => (event.on ||= site.value ? today(timezone.value) : ''), { immediate: true })
const typedEvent = useTyped(
    () => 'rain, or what was spread',
    () => (areaId.value ? `ground-event-${areaId.value}` : ''),
    { kind: toRef(event, 'kind'), what: toRef(event, 'what'), amount: toRef(event, 'amount') },
)
/** What was typed of one area is not of the next. */
watch([areaId, () => form.places.length > 0], ([id], [was]) => {
    if (was !== null && id !== was) clearReadings()
    typedHere.begin()
    Object.assign(event, { kind: 'rain', what: '', amount: '' })
    typedEvent.begin()
})
const eventUnit = computed(() => (event.kind === 'rain' ? (us.value ? 'in' : 'mm') : us.value ? 'lb/acre' : 'kg/ha'))
const noting = useSave(
    () =>
        api.post(
            '/areas/{area}/ground-events',
            { kind: event.kind, on: event.on, what: event.what, amount: typed(event.amount), unit: eventUnit.value },
            { ids: { area: areaId.value ?? 0 } },
        ),
    (answer) => {
        Object.assign(event, { what: '', amount: '' })
        typedEvent.settle()
        queries.setQueryData(['transects', areaId.value], answer)
    },
)
const removing = useSave(
    (id: number) => api.delete('/ground-events/{event}', { ids: { event: id } }),
    () => queries.invalidateQueries({ queryKey: ['transects'] }),
)
const chosen = ref<number | null>(null)
watch(data, () => (chosen.value = data.value?.transects.at(-1)?.id ?? null), { immediate: true })
const one = computed(() => data.value?.transects.find(({ id }) => id === chosen.value) ?? null)
</script>

<template>
    <template v-if="site">
        <PageHead
            :over="site.name"
            title="Row transects"
            :lede="
                data
                    ? `${data.area}: ${count(data.transects.length, 'transect')}. ${data.caution}`
                    : 'Draw an area first.'
            "
            ><BenchTabs
        /></PageHead>
        <div class="columns two">
            <div>
                <FormField label="Area">
                    <el-select
                        :model-value="areaId ?? undefined"
                        @update:model-value="(id: number) => router.push(`/bench/transects/${id}`)"
                    >
                        <el-option v-for="area in areas" :key="area.id" :value="area.id" :label="area.name" />
                    </el-select>
                </FormField>
                <form novalidate @submit.prevent="save()">
                    <h2>Read a transect</h2>
                    <TypedBefore :typed="typedHere" />
                    <RefusalNote v-if="refusal && !Object.keys(refusal.fields).length" :refusal="refusal" />
                    <div class="grid">
                        <FormField label="Read on" :wrong="wrong('read_on')"
                            ><DateField v-model="form.read_on" name="read_on"
                        /></FormField>
                        <FormField :label="`Row spacing, ${unit}`" :wrong="wrong('row_spacing_cm')"
                            ><el-input v-model="form.spacing" name="spacing" inputmode="decimal"
                        /></FormField>
                        <FormField label="By" :wrong="wrong('reader')"
                            ><el-input v-model="form.reader" name="reader"
                        /></FormField>
                        <FormField label="With" :wrong="wrong('instrument')"
                            ><el-input v-model="form.instrument" name="instrument"
                        /></FormField>
                    </div>
                    <table class="plain">
                        <thead>
                            <tr>
                                <th>From the row, {{ unit }}</th>
                                <th>First, ppm</th>
                                <th>Second, ppm</th>
                            </tr>
                        </thead>
                        <tbody>
                            <tr v-for="(place, i) in form.places" :key="i">
                                <td>
                                    <el-input
                                        v-model="place.at"
                                        :aria-label="`Distance of place ${i + 1}`"
                                        inputmode="decimal"
                                    />
                                </td>
                                <td>
                                    <el-input
                                        v-model="place.first"
                                        :aria-label="`First reading at place ${i + 1}`"
                                        inputmode="decimal"
                                    />
                                </td>
                                <td>
                                    <el-input
                                        v-model="place.second"
                                        :aria-label="`Second reading at place ${i + 1}`"
                                        inputmode="decimal"
                                    />
                                </td>
                            </tr>
                        </tbody>
                    </table>
                    <p v-if="wrong('places')" class="wrong" role="alert">{{ wrong('places') }}</p>
                    <el-button type="primary" native-type="submit" :loading="saving" :disabled="areaId === null"
                        >Keep the transect</el-button
                    >
                </form>
            </div>
            <div v-if="data">
                <TransectRead v-if="one" :transect="one" :us="us" />
                <TransectTimes
                    v-if="data.transects.length || data.events.length"
                    :transects="data.transects"
                    :events="data.events"
                    :chosen="chosen"
                    @choose="(id) => (chosen = id)"
                />
                <form novalidate class="event" @submit.prevent="noting.save()">
                    <h3>Rain, or what was spread</h3>
                    <TypedBefore :typed="typedEvent" />
                    <RefusalNote :refusal="noting.refusal.value" />
                    <div class="row">
                        <el-segmented
                            v-model="event.kind"
                            :options="[
                                { label: 'rain', value: 'rain' },
                                { label: 'spread', value: 'application' },
                            ]"
                        />
                        <DateField v-model="event.on" aria-label="On which day" style="width: 140px" />
                        <el-input
                            v-model="event.amount"
                            :aria-label="`How much, ${eventUnit}`"
                            :placeholder="eventUnit"
                            inputmode="decimal"
                            style="width: 90px"
                        />
                        <el-input
                            v-if="event.kind === 'application'"
                            v-model="event.what"
                            aria-label="What was spread and how"
                            placeholder="What, and how"
                            style="width: 190px"
                        />
                        <el-button native-type="submit" :loading="noting.saving.value">Note it</el-button>
                    </div>
                </form>
                <table v-if="data.events.length" class="plain">
                    <tbody>
                        <tr v-for="(item, i) in data.events" :key="i">
                            <td class="narrow">{{ day(item.on) }}</td>
                            <td>{{ item.kind === 'rain' ? 'rain' : item.what }}</td>
                            <td class="num">
                                {{ item.unit ? amountOf(item) : item.id ? '' : 'said of the area' }}
                            </td>
                            <td class="num">
                                <button
                                    v-if="item.id"
                                    type="button"
                                    class="link"
                                    :aria-label="`Take back the note of ${day(item.on)}`"
                                    @click="removing.save(item.id)"
                                >
                                    take back
                                </button>
                            </td>
                        </tr>
                    </tbody>
                </table>
            </div>
        </div>
    </template>
</template>

<style scoped>
.two {
    grid-template-columns: 380px minmax(0, 1fr);
}
.grid {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0 14px;
}
.event {
    margin: 14px 0 6px;
}
</style>
