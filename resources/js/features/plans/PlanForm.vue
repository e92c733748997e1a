<script setup lang="ts">
import type { Refused } from '@/api/client'
import CoreGlyph from '@/shared/components/CoreGlyph.vue'
import FormField from '@/shared/components/FormField.vue'
import { feet, metres, type Units } from '@/shared/format'
import type { Kept, Spec } from './useDraft'

const props = defineProps<{ units: Units; wrong: Refused | null }>()
const spec = defineModel<Spec>('spec', { required: true })
const kept = defineModel<Kept[]>('kept', { required: true })
defineEmits<{ shuffle: [] }>()
const unit = () => (props.units === 'us' ? 'ft' : 'm')
const shown = (m: number) => Math.round(props.units === 'us' ? feet(m) : m)
const given = (n: number | undefined) => (props.units === 'us' ? metres(n ?? 0) : (n ?? 0))
const field = (name: string) => props.wrong?.fields[name]?.[0]
</script>

<template>
    <div>
        <FormField label="Purpose">
            <el-select v-model="spec.purpose"><el-option value="routine" label="Routine: pH and nutrients" /></el-select>
        </FormField>
        <div class="depth">
            <CoreGlyph :depth="spec.depth" planned :width="13" />
            <FormField label="Depth" hint="The lab’s calibration is for this slice">
                <el-select v-model="spec.depth"><el-option value="0-6in" label="0–6 in (0–15 cm)" /></el-select>
            </FormField>
        </div>
        <FormField label="Cores in the composite" :wrong="field('cores')">
            <el-input-number v-model="spec.cores" :min="2" :max="200" :step="1" step-strictly name="cores" />
        </FormField>
        <fieldset>
            <legend>Pattern</legend>
            <el-segmented
                v-model="spec.pattern"
                :options="[
                    { label: 'Zigzag', value: 'zigzag' },
                    { label: 'W', value: 'w' },
                    { label: 'Random', value: 'random' },
                ]"
            />
            <button type="button" class="link other" @click="$emit('shuffle')">Other points</button>
            <span class="note">seed {{ spec.seed }}</span>
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
    </div>
</template>

<style scoped>
.depth {
    display: flex;
    gap: 8px;
    align-items: flex-start;
}
.depth .field {
    flex: 1;
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
fieldset .el-segmented {
    display: flex;
    margin-bottom: 6px;
}
</style>
