<script setup lang="ts">
import PageHead from '@/shared/components/PageHead.vue'
</script>

<template>
    <PageHead title="There is nothing at this address" lede="It may have been mistyped." />
    <RouterLink to="/">To what waits today</RouterLink>
</template>
