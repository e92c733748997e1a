<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useSession } from '@/shared/composables/useSession'

/** The pages of the team: one's own account, the people, the sites, and what was done with accounts. */
const route = useRoute()
const { me } = useSession()
const pages = computed(() => [
    ['/account', 'You'],
    ['/people', 'People'],
    ['/settings', 'Sites'],
    ...(me.value?.may_administer ? [['/people/log', 'What was done']] : []),
])
</script>

<template>
    <nav class="tabs" aria-label="Pages of the team">
        <RouterLink
            v-for="[to, name] in pages"
            :key="to"
            :to="to!"
            :aria-current="route.path === to ? 'page' : undefined"
            >{{ name }}</RouterLink
        >
    </nav>
</template>

<style scoped>
.tabs {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 18px;
}
a {
    text-decoration: none;
}
a:hover {
    text-decoration: underline;
}
a[aria-current] {
    color: var(--ink);
    font-weight: 600;
    box-shadow: 0 2px 0 var(--ink);
}
</style>
