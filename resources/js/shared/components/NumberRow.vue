<script setup lang="ts">
import type { Measure } from '@/shared/measures'
import MeasureField from './MeasureField.vue'

/** A number in a row of its own: what it is on the left, the field on the right; the label names the unit. */
withDefaults(defineProps<{ label: string; min?: number; max?: number; placeholder?: string; measure?: Measure }>(), {
    min: 0,
    max: undefined,
    placeholder: undefined,
    measure: undefined,
})
const value = defineModel<number | null | undefined>({ required: true })
</script>

<template>
    <div class="number">
        <slot
            ><span>{{ label }}</span></slot
        >
        <MeasureField v-if="measure" v-model="value" :measure="measure" :min="min" :max="max" :aria-label="label" />
        <el-input-number
            v-else
            v-model="value"
            :controls="false"
            :min="min"
            :max="max"
            :placeholder="placeholder"
            size="small"
            :aria-label="label"
        />
    </div>
</template>

<style scoped>
.number {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 8px;
    min-height: 30px;
}
.el-input-number {
    width: 62px;
    flex: none;
}
.number :deep(.el-checkbox__label) {
    white-space: normal;
    line-height: 1.2;
}
.number :deep(.el-checkbox) {
    height: auto;
}
</style>
