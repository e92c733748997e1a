<script setup lang="ts">
/** The one field for a day, as Y-m-d; empty while none is said. */
const day = defineModel<string | null>({ required: true })
</script>

<template>
    <el-input :model-value="day ?? ''" type="date" @update:model-value="(to: string) => (day = to)" />
</template>
