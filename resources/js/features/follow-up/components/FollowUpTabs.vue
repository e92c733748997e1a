<script setup lang="ts">
import PageTabs from '@/shared/components/PageTabs.vue'

/** The pages of following up. */
const PAGES = [
    ['/follow-up', 'Retests'],
    ['/follow-up/spread', 'Spreading log'],
    ['/follow-up/areas', 'Series'],
    ['/follow-up/answers', 'Did it work'],
    ['/follow-up/schools', 'Schools'],
    ['/follow-up/campaign', 'Campaign'],
] as const
</script>

<template>
    <PageTabs label="Pages of following up" :pages="PAGES" />
</template>
