<script setup lang="ts">
import { useRoute } from 'vue-router'

/** The pages of a stage; the first address is that page alone, the others whatever stands below them too. */
const props = defineProps<{ label: string; pages: readonly (readonly [string, string])[] }>()
const route = useRoute()
const under = (to: string): boolean => route.path === to || route.path.startsWith(`${to}/`)
/** The longest address that fits is where one is. */
const here = (to: string): boolean =>
    under(to) && !props.pages.some(([other]) => other.length > to.length && under(other))
</script>

<template>
    <nav class="tabs" :aria-label="label">
        <RouterLink
            v-for="[to, name] in pages"
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
