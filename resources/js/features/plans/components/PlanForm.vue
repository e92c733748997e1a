<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Refused, Schema } from '@/api/client'
import CoreGlyph from '@/shared/components/CoreGlyph.vue'
import FormField from '@/shared/components/FormField.vue'
import OneOf from '@/shared/components/OneOf.vue'
import { feet, metres, type Units } from '@/shared/format'
import { unitOf } from '@/shared/measures'
import ChipChoice from './ChipChoice.vue'
import LayerChoice from './LayerChoice.vue'
import type { Kept } from '../composables/useDraft'
import ZonesField from './ZonesField.vue'
import { PATTERNS, usualSpec, type Spec } from '../usual'
import NumberRow from '@/shared/components/NumberRow.vue'
import WalkFields from './WalkFields.vue'

type Parting = 'one' | 'cells' | 'zones'
const USUAL_ROWS_M = 30 * 0.0254
const MOST_ROWS_M = 4.83
const LEAST_ROWS_M = 0.1
const props = defineProps<{
    units: Units
    wrong: Refused | null
    schools: Schema<'School'>[]
    areaId: number
    placing: '' | 'Point' | 'Polygon'
}>()
const spec = defineModel<Spec>('spec', { required: true })
const kept = defineModel<Kept[]>('kept', { required: true })
defineEmits<{ shuffle: []; place: [what: 'Point' | 'Polygon'] }>()
const rowUnit = computed(() => (props.units === 'us' ? 0.0254 : 0.01))
const unit = () => (props.units === 'us' ? 'ft' : 'm')
const shown = (m: number) => Math.round(props.units === 'us' ? feet(m) : m)
const given = (n: number | null | undefined) => (props.units === 'us' ? metres(n ?? 0) : (n ?? 0))
const field = (name: string) => props.wrong?.fields[name]?.[0]
const school = computed(() => props.schools.find((one) => one.code === spec.value.school))
const parting = computed<Parting>({
    get: () => (spec.value.zones ? 'zones' : spec.value.cell_acres === null ? 'one' : 'cells'),
    set: (which) => {
        spec.value.cell_acres = which === 'cells' ? (spec.value.cell_acres ?? 2.5) : null
        spec.value.zones = null
        wanting.value = which === 'zones'
    },
})
const wanting = ref(false)
const QUALITY = [
    { key: 'duplicates', label: 'Duplicate composites' },
    { key: 'hidden', label: 'Hidden duplicates' },
] as const
function setQuality(key: 'duplicates' | 'hidden', n: number): void {
    const next = { duplicates: 0, hidden: 0, ...spec.value.quality, [key]: n }
    spec.value.quality = next.duplicates + next.hidden === 0 ? null : next
}
const pattern = computed({
    get: () => spec.value.pattern as Schema<'Pattern'>,
    set: (which) => {
        spec.value.pattern = which
        spec.value.rows = which === 'rows' ? (spec.value.rows ?? { spacing_m: USUAL_ROWS_M, bearing_deg: 0 }) : null
    },
})
function choose(code: string | undefined): void {
    const found = props.schools.find((one) => one.code === code)
    const { layers, cores, pattern: walk, cell_acres } = usualSpec(found, props.units)
    Object.assign(spec.value, { school: code || null, ...(found ? { layers: [...layers], cores, cell_acres } : {}) })
    if (found) pattern.value = walk as Schema<'Pattern'>
}
</script>

<template>
    <div>
        <FormField label="School" :hint="school?.why">
            <OneOf
                :model-value="spec.school ?? ''"
                size="default"
                none="None, own choice"
                :options="schools.map((one) => [one.code, one.name] as const)"
                @update:model-value="choose"
            />
        </FormField>
        <p class="note where"><RouterLink :to="`/plans/${areaId}/schools`">Where the schools disagree</RouterLink></p>
        <div class="depth">
            <CoreGlyph :depth="spec.layers[0] ?? '0-6in'" planned :width="13" />
            <div class="field">
                <span class="label">Depth layers, a composite for each</span>
                <LayerChoice v-model="spec.layers" />
                <p v-if="field('layers')" class="wrong" role="alert">{{ field('layers') }}</p>
            </div>
        </div>
        <FormField label="Cores in the composite" :wrong="field('cores')">
            <el-input-number v-model="spec.cores" :min="2" :max="200" :step="1" step-strictly name="cores" />
        </FormField>
        <fieldset>
            <legend>Pattern</legend>
            <ChipChoice v-model="pattern" label="Pattern" :options="PATTERNS" />
            <NumberRow
                v-if="spec.rows"
                :label="`Rows, ${units === 'us' ? 'inches' : 'cm'} apart`"
                :model-value="Math.round(spec.rows.spacing_m / rowUnit)"
                :min="Math.floor(LEAST_ROWS_M / rowUnit)"
                :max="Math.floor(MOST_ROWS_M / rowUnit)"
                @update:model-value="
                    (n) => (spec.rows!.spacing_m = (n ?? Math.round(USUAL_ROWS_M / rowUnit)) * rowUnit)
                "
            />
            <NumberRow v-if="spec.rows" v-model="spec.rows.bearing_deg" label="Rows run to, degrees" :max="359" />
            <button type="button" class="link other" @click="$emit('shuffle')">Other points</button>
            <span class="note">seed {{ spec.seed }}</span>
        </fieldset>
        <fieldset>
            <legend>Composites</legend>
            <ChipChoice
                v-model="parting"
                label="Composites"
                :options="[
                    { value: 'one', label: 'One' },
                    { value: 'cells', label: 'By cell' },
                    { value: 'zones', label: 'By zone' },
                ]"
            />
            <template v-if="spec.cell_acres !== null">
                <NumberRow
                    v-model="spec.cell_acres"
                    :label="`A cell, ${unitOf('ground', units)}`"
                    measure="ground"
                    :min="0.01"
                    :max="1000"
                />
                <ChipChoice
                    v-model="spec.cell_mode"
                    label="Cores of a cell"
                    :options="[
                        { value: 'over', label: 'Over the cell' },
                        { value: 'middle', label: 'Round its middle' },
                    ]"
                />
            </template>
            <ZonesField
                v-if="wanting || spec.zones"
                v-model="spec.zones"
                :placing="placing === 'Polygon'"
                @place="$emit('place', 'Polygon')"
            />
        </fieldset>
        <fieldset>
            <legend>Keep away from, {{ unit() }}</legend>
            <NumberRow
                v-for="one in kept"
                :key="one.landmark_id"
                :label="`Distance from ${one.name}, ${unit()}`"
                :model-value="shown(one.distance_m)"
                :max="30000"
                @update:model-value="(n) => (one.distance_m = given(n))"
                ><el-checkbox v-model="one.on">{{ one.name }}</el-checkbox></NumberRow
            >
            <NumberRow
                :label="`Margin from the boundary, ${unit()}`"
                :model-value="shown(spec.edge_m)"
                :max="3000"
                @update:model-value="(n) => (spec.edge_m = given(n))"
                ><span>Margin from the boundary</span></NumberRow
            >
        </fieldset>
        <details>
            <summary>Quality control</summary>
            <NumberRow
                v-for="one in QUALITY"
                :key="one.key"
                :label="one.label"
                :model-value="spec.quality?.[one.key] ?? 0"
                :max="100"
                @update:model-value="(n) => setQuality(one.key, n ?? 0)"
            />
            <p class="note">
                A duplicate composite is pulled with cores of its own; a hidden duplicate is a second bag of the same
                soil under another code. One of each in ten is usual.
            </p>
        </details>
        <WalkFields v-model="spec" :placing="placing === 'Point'" @place="$emit('place', 'Point')" />
    </div>
</template>

<style scoped>
.where {
    margin-top: -8px;
}
.depth {
    display: flex;
    gap: 8px;
    align-items: flex-start;
}
.depth .field {
    flex: 1;
    min-width: 0;
}
.other {
    margin: 0 8px 0 0;
}
summary {
    cursor: pointer;
    font-weight: 600;
    font-size: 12.5px;
}
</style>
