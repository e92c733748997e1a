<script setup lang="ts">
import { useRoute } from 'vue-router'

/** The pages of following up. */
const PAGES = [
    ['/follow-up', 'Retests'],
    ['/follow-up/spread', 'Spreading log'],
    ['/follow-up/areas', 'Series'],
    ['/follow-up/answers', 'Did it work'],
    ['/follow-up/schools', 'Schools'],
    ['/follow-up/campaign', 'Campaign'],
] as const
const route = useRoute()
const here = (to: string): boolean => (to === '/follow-up' ? route.path === to : route.path.startsWith(to))
</script>

<template>
    <nav class="tabs" aria-label="Pages of following up">
        <RouterLink
            v-for="[to, name] in PAGES"
            :key="to"
            :to="to"
            :class="{ here: here(to) }"
            :aria-current="here(to) ? 'page' : undefined"
            >{{ name }}</RouterLink
        >
    </nav>
</template>

<style scoped>
.tabs {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 18px;
}
a {
    text-decoration: none;
}
a:hover {
    text-decoration: underline;
}
.here {
    color: var(--ink);
    font-weight: 600;
    box-shadow: 0 2px 0 var(--ink);
}
</style>
