<script setup lang="ts">
import { useRoute } from 'vue-router'

/** The pages of the bench. */
const PAGES = [
    ['/bench', 'Bench'],
    ['/bench/methods', 'Methods'],
    ['/bench/pens', 'Pens'],
    ['/bench/readers', 'Readers'],
    ['/bench/transects', 'Row transects'],
    ['/bench/by-hand', 'By hand'],
] as const
const route = useRoute()
const here = (to: string): boolean => (to === '/bench' ? route.path === to : route.path.startsWith(to))
</script>

<template>
    <nav class="tabs" aria-label="Pages of the bench">
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
    gap: 18px;
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
