<script setup lang="ts" generic="T extends string">
/** A small select of one code out of a list, for the cells of a table; with `none` it may be emptied. */
defineProps<{ options: readonly (readonly [T, string])[]; none?: string }>()
const value = defineModel<T | ''>({ required: true })
</script>

<template>
    <el-select
        :model-value="value"
        size="small"
        :clearable="none !== undefined"
        :placeholder="none"
        @update:model-value="(code: T | undefined) => (value = code ?? '')"
    >
        <el-option v-for="[code, name] in options" :key="code" :value="code" :label="name" />
    </el-select>
</template>
