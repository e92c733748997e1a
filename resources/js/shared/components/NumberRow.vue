<script setup lang="ts">
/** A number in a row of its own: what it is on the left, the field on the right; the label names the unit. */
withDefaults(defineProps<{ label: string; min?: number; max?: number; placeholder?: string }>(), {
    min: 0,
    max: undefined,
    placeholder: undefined,
})
const value = defineModel<number | null | undefined>({ required: true })
</script>

<template>
    <div class="number">
        <slot
            ><span>{{ label }}</span></slot
        >
        <el-input-number
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
