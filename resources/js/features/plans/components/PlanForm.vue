<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Refused, Schema } from '@/api/client'
import CoreGlyph from '@/shared/components/CoreGlyph.vue'
import FormField from '@/shared/components/FormField.vue'
import { depth, feet, metres, type Units } from '@/shared/format'
import ChipChoice from './ChipChoice.vue'
import type { Kept } from '../composables/useDraft'
import ZonesField from './ZonesField.vue'
import { LAYERS, PATTERNS, usualSpec, type Spec } from '../usual'

type Parting = 'one' | 'cells' | 'zones'
const METRES_PER_INCH = 0.0254
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
const unit = () => (props.units === 'us' ? 'ft' : 'm')
const shown = (m: number) => Math.round(props.units === 'us' ? feet(m) : m)
const given = (n: number | undefined) => (props.units === 'us' ? metres(n ?? 0) : (n ?? 0))
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
        spec.value.rows =
            which === 'rows' ? (spec.value.rows ?? { spacing_m: 30 * METRES_PER_INCH, bearing_deg: 0 }) : null
    },
})
function choose(code: string | undefined): void {
    const found = props.schools.find((one) => one.code === code)
    const { layers, cores, pattern: walk, cell_acres } = usualSpec(found)
    Object.assign(spec.value, { school: code ?? null, ...(found ? { layers: [...layers], cores, cell_acres } : {}) })
    if (found) pattern.value = walk as Schema<'Pattern'>
}
</script>

<template>
    <div>
        <FormField label="School" :hint="school?.why">
            <el-select
                :model-value="spec.school ?? undefined"
                clearable
                filterable
                placeholder="None, own choice"
                @update:model-value="choose"
            >
                <el-option v-for="one in schools" :key="one.code" :value="one.code" :label="one.name" />
            </el-select>
        </FormField>
        <p class="note where"><RouterLink :to="`/plans/${areaId}/schools`">Where the schools disagree</RouterLink></p>
        <div class="depth">
            <CoreGlyph :depth="spec.layers[0] ?? '0-6in'" planned :width="13" />
            <FormField label="Depth layers, a composite for each" :wrong="field('layers')">
                <el-select
                    v-model="spec.layers"
                    aria-label="Depth layers"
                    multiple
                    filterable
                    allow-create
                    default-first-option
                >
                    <el-option v-for="layer in LAYERS" :key="layer" :value="layer" :label="depth(layer)" />
                </el-select>
            </FormField>
        </div>
        <FormField label="Cores in the composite" :wrong="field('cores')">
            <el-input-number v-model="spec.cores" :min="2" :max="200" :step="1" step-strictly name="cores" />
        </FormField>
        <fieldset>
            <legend>Pattern</legend>
            <ChipChoice v-model="pattern" label="Pattern" :options="PATTERNS" />
            <div v-if="spec.rows" class="kept">
                <span>Rows, inches apart</span>
                <el-input-number
                    :model-value="Math.round(spec.rows.spacing_m / METRES_PER_INCH)"
                    :controls="false"
                    :min="4"
                    :max="190"
                    size="small"
                    aria-label="Rows, inches apart"
                    @update:model-value="
                        (n: number | undefined) => (spec.rows!.spacing_m = (n ?? 30) * METRES_PER_INCH)
                    "
                />
            </div>
            <div v-if="spec.rows" class="kept">
                <span>Rows run to, degrees</span>
                <el-input-number
                    v-model="spec.rows.bearing_deg"
                    :controls="false"
                    :min="0"
                    :max="359"
                    size="small"
                    aria-label="Rows run to, degrees"
                />
            </div>
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
                <div class="kept">
                    <span>Acres a cell</span>
                    <el-input-number
                        v-model="spec.cell_acres"
                        :controls="false"
                        :min="0.05"
                        :max="1000"
                        size="small"
                        aria-label="Acres a cell"
                    />
                </div>
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
            <div v-for="one in kept" :key="one.landmark_id" class="kept">
                <el-checkbox v-model="one.on">{{ one.name }}</el-checkbox>
                <el-input-number
                    :model-value="shown(one.distance_m)"
                    :controls="false"
                    :min="0"
                    :max="30000"
                    size="small"
                    :aria-label="`Distance from ${one.name}, ${unit()}`"
                    @update:model-value="(n: number | undefined) => (one.distance_m = given(n))"
                />
            </div>
            <div class="kept">
                <span>Margin from the boundary</span>
                <el-input-number
                    :model-value="shown(spec.edge_m)"
                    :controls="false"
                    :min="0"
                    :max="3000"
                    size="small"
                    :aria-label="`Margin from the boundary, ${unit()}`"
                    @update:model-value="(n: number | undefined) => (spec.edge_m = given(n))"
                />
            </div>
        </fieldset>
        <details>
            <summary>Quality control</summary>
            <div v-for="one in QUALITY" :key="one.key" class="kept">
                <span>{{ one.label }}</span>
                <el-input-number
                    :model-value="spec.quality?.[one.key] ?? 0"
                    :controls="false"
                    :min="0"
                    :max="100"
                    size="small"
                    :aria-label="one.label"
                    @update:model-value="(n: number | undefined) => setQuality(one.key, n ?? 0)"
                />
            </div>
            <p class="note">
                A duplicate composite is pulled with cores of its own; a hidden duplicate is a second bag of the same
                soil under another code. One of each in ten is usual.
            </p>
        </details>
        <details>
            <summary>Walk, probe and spread</summary>
            <div class="kept">
                <span>{{ spec.start ? 'Starts at the place set' : 'Starts anywhere' }}</span>
                <button v-if="spec.start" type="button" class="link" @click="spec.start = null">Anywhere</button>
                <button type="button" class="link" @click="$emit('place', 'Point')">
                    {{ placing === 'Point' ? 'Click on the map' : 'Set the gate' }}
                </button>
            </div>
            <div class="kept">
                <span>Your speed, km/h</span>
                <el-input-number
                    v-model="spec.speed_km_per_h"
                    :controls="false"
                    :min="0.5"
                    :max="60"
                    size="small"
                    placeholder="4"
                    aria-label="Your speed, km/h"
                />
            </div>
            <div class="kept">
                <span>Seconds a core</span>
                <el-input-number
                    v-model="spec.seconds_per_core"
                    :controls="false"
                    :min="0"
                    :max="3600"
                    size="small"
                    placeholder="45"
                    aria-label="Seconds a core"
                />
            </div>
            <div class="kept">
                <span>Probe, inner diameter, mm</span>
                <el-input-number
                    v-model="spec.probe_mm"
                    :controls="false"
                    :min="5"
                    :max="300"
                    size="small"
                    aria-label="Probe, inner diameter, mm"
                />
            </div>
            <div class="kept">
                <span>Spread of pH between cores, measured</span>
                <el-input-number
                    v-model="spec.ph_sd"
                    :controls="false"
                    :min="0.01"
                    :max="3"
                    size="small"
                    placeholder="–"
                    aria-label="Spread of pH between cores, measured"
                />
            </div>
        </details>
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
.kept {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 8px;
    min-height: 30px;
}
.kept .el-input-number {
    width: 62px;
    flex: none;
}
.kept :deep(.el-checkbox__label) {
    white-space: normal;
    line-height: 1.2;
}
.kept :deep(.el-checkbox) {
    height: auto;
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
