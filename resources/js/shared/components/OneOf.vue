<script setup lang="ts" generic="T extends string | number">
/** One out of a list; with `none` it may be emptied again. */
withDefaults(
    defineProps<{ options: readonly (readonly [T, string])[]; none?: string; size?: 'small' | 'default' | 'large' }>(),
    { size: 'small', none: undefined },
)
const value = defineModel<T | ''>({ required: true })
</script>

<template>
    <el-select
        :model-value="value"
        :size="size"
        :clearable="none !== undefined"
        :placeholder="none"
        @update:model-value="(code: T | '' | undefined) => (value = code ?? '')"
    >
        <el-option v-for="[code, name] in options" :key="code" :value="code" :label="name" />
    </el-select>
</template>
