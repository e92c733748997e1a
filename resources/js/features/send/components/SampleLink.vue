<script setup lang="ts">
defineProps<{ id: number; code: string }>()
</script>

<template>
    <RouterLink :to="`/samples/${id}`" class="code">{{ code }}</RouterLink>
</template>

<style scoped>
.code {
    font-weight: 600;
    white-space: nowrap;
}
</style>
