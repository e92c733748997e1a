<script setup lang="ts">
import PageTabs from '@/shared/components/PageTabs.vue'

/** The pages of the bench. */
const PAGES = [
    ['/bench', 'Bench'],
    ['/bench/methods', 'Methods'],
    ['/bench/pens', 'Pens'],
    ['/bench/readers', 'Readers'],
    ['/bench/transects', 'Row transects'],
    ['/bench/by-hand', 'By hand'],
] as const
</script>

<template>
    <PageTabs label="Pages of the bench" :pages="PAGES" />
</template>
