<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schema } from '@/api/client'
import DateField from '@/shared/components/DateField.vue'
import FormField from '@/shared/components/FormField.vue'
import MeasureField from '@/shared/components/MeasureField.vue'
import OneOf from '@/shared/components/OneOf.vue'
import { feet, metres, type Units } from '@/shared/format'
import { unitOf } from '@/shared/measures'

/** What a program hangs on besides its results: crop, yield, planting, schools, credits, and the bed to measure out. */
const props = defineProps<{ crops: Schema<'WantedCrop'>[]; yieldUnit: string | null; units: Units }>()
const emit = defineEmits<{ crop: [code: string] }>()
const choices = defineModel<Schema<'ProgramChoices'>>({ required: true })
const more = ref(false)
const CREDITS = [
    ['legume', 'Nitrogen of a legume before it', 'rate'],
    ['applied', 'Nitrogen spread already', 'rate'],
    ['manure_tons', 'Manure', 'bulk'],
    ['manure_nh4', 'its ammonium N', 'content'],
    ['manure_organic', 'its organic N', 'content'],
    ['irrigation_ppm', 'NO3-N in the water, ppm', null],
    ['irrigation_in', 'Water', 'water'],
] as const
const SCHOOLS = [
    ['smp', 'SMP buffer'],
    ['mehlich', 'Mehlich buffer'],
    ['adams_evans', 'Adams-Evans buffer'],
    ['capacity', 'measured capacity'],
] as const
const NUTRIENTS = [
    ['build', 'build up and maintain'],
    ['sufficiency', 'sufficiency'],
] as const
const set = (change: Partial<Schema<'ProgramChoices'>>): void => {
    choices.value = { ...choices.value, ...change }
}
const credit = (name: string, to: number | undefined): void => {
    const next = { ...(choices.value.credits ?? {}), [name]: to ?? null }
    const given = Object.fromEntries(Object.entries(next).filter(([, value]) => value !== null && value !== undefined))
    set({ credits: Object.keys(given).length ? given : null })
}
const small = computed(() => (props.units === 'metric' ? 'm' : 'ft'))
const shown = (metresGiven: number | undefined): number | undefined =>
    metresGiven === undefined
        ? undefined
        : Math.round((props.units === 'metric' ? metresGiven : feet(metresGiven)) * 100) / 100
const bed = (side: 0 | 1, to: number | undefined): void => {
    const next: [number, number] = [choices.value.bed?.[0] ?? 0, choices.value.bed?.[1] ?? 0]
    next[side] = to === undefined ? 0 : props.units === 'metric' ? to : metres(to)
    if (next[0] === 0 && next[1] === 0) set({ bed: null })
    else set({ bed: [next[0] || metres(10), next[1] || metres(4)] })
}
/** One unit of the tables, bushel or ton an acre, in the unit of the site. */
const yieldEach = computed(() =>
    props.units === 'us' ? 1 : (props.crops.find((one) => one.code === choices.value.crop)?.yield_t_per_ha ?? 1),
)
const yieldShown = computed(() =>
    choices.value.yield == null ? undefined : Number((choices.value.yield * yieldEach.value).toPrecision(6)),
)
const named = computed(() => props.crops.map((one) => [one.code, `${one.name} (${one.group})`] as const))
</script>

<template>
    <form class="choices no-print" @submit.prevent>
        <div class="row">
            <FormField label="Crop">
                <OneOf
                    class="crop"
                    :model-value="choices.crop"
                    :options="named"
                    @update:model-value="(code: string) => code && emit('crop', code)"
                />
            </FormField>
            <FormField v-if="yieldUnit" :label="`Yield hoped for, ${units === 'us' ? `${yieldUnit}s/acre` : 't/ha'}`">
                <el-input-number
                    :model-value="yieldShown"
                    :controls="false"
                    :min="0"
                    :max="2000"
                    size="small"
                    @update:model-value="
                        (to: number | undefined) => set({ yield: to === undefined ? null : to / yieldEach })
                    "
                />
            </FormField>
            <FormField label="Planted or green on">
                <DateField
                    :model-value="choices.plant_on"
                    @update:model-value="(to: string | null) => to && set({ plant_on: to })"
                />
            </FormField>
            <FormField label="Phosphate and potash by">
                <OneOf
                    :model-value="choices.nutrient_school"
                    :options="NUTRIENTS"
                    @update:model-value="(to: 'build' | 'sufficiency' | '') => to && set({ nutrient_school: to })"
                />
            </FormField>
            <FormField label="Lime by">
                <OneOf
                    :model-value="choices.lime_school"
                    :options="SCHOOLS"
                    none="first there is"
                    @update:model-value="(to: string) => set({ lime_school: to })"
                />
            </FormField>
            <button type="button" class="link" :aria-expanded="more" @click="more = !more">
                {{ more ? 'Less' : 'Credits, depth, bed' }}
            </button>
        </div>
        <div v-if="more" class="row more">
            <FormField
                v-for="[name, label, measure] in CREDITS"
                :key="name"
                :label="measure ? `${label}, ${unitOf(measure, units)}` : label"
            >
                <MeasureField
                    v-if="measure"
                    :model-value="choices.credits?.[name]"
                    :measure="measure"
                    :max="100000"
                    @update:model-value="(to) => credit(name, to ?? undefined)"
                />
                <el-input-number
                    v-else
                    :model-value="choices.credits?.[name] ?? undefined"
                    :controls="false"
                    :min="0"
                    :max="100000"
                    size="small"
                    @update:model-value="(to: number | undefined) => credit(name, to)"
                />
            </FormField>
            <FormField :label="`Mixed to, ${unitOf('depth', units)}`">
                <MeasureField
                    :model-value="choices.mixed_in"
                    measure="depth"
                    :min="1"
                    :max="12"
                    @update:model-value="(to) => to && set({ mixed_in: to })"
                />
            </FormField>
            <FormField label="Years to build up">
                <el-input-number
                    :model-value="choices.years"
                    :controls="false"
                    :min="1"
                    :max="20"
                    size="small"
                    @update:model-value="(to: number | undefined) => to && set({ years: to })"
                />
            </FormField>
            <FormField
                v-for="side in [0, 1] as const"
                :key="side"
                :label="`Bed, ${side ? 'width' : 'length'}, ${small}`"
            >
                <el-input-number
                    :model-value="shown(choices.bed?.[side])"
                    :controls="false"
                    :min="0"
                    :max="3000"
                    size="small"
                    @update:model-value="(to: number | undefined) => bed(side, to)"
                />
            </FormField>
            <el-checkbox
                :model-value="choices.organic_only"
                @update:model-value="(to: string | number | boolean) => set({ organic_only: to === true })"
                >Organic products only</el-checkbox
            >
            <el-checkbox
                :model-value="choices.by_nitrate"
                @update:model-value="(to: string | number | boolean) => set({ by_nitrate: to === true })"
                >Nitrogen by the nitrate test</el-checkbox
            >
        </div>
    </form>
</template>

<style scoped>
.choices {
    margin-bottom: 10px;
}
.row {
    display: flex;
    flex-wrap: wrap;
    align-items: flex-end;
    gap: 8px 16px;
}
.row .field {
    margin: 0;
}
.more {
    margin-top: 10px;
}
.crop {
    width: 250px;
}
.one {
    width: 150px;
}
.el-input-number {
    width: 88px;
}
</style>
