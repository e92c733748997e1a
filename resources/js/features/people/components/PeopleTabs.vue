<script setup lang="ts">
import { computed } from 'vue'
import PageTabs from '@/shared/components/PageTabs.vue'
import { useSession } from '@/shared/composables/useSession'

/** The pages of the team: one's own account, the people, the sites, and what was done with accounts. */
const { me } = useSession()
const pages = computed(() => [
    ['/account', 'You'] as const,
    ['/people', 'People'] as const,
    ['/settings', 'Sites'] as const,
    ['/changes', 'What was changed'] as const,
    ...(me.value?.may_administer ? [['/people/log', 'What was done'] as const] : []),
])
</script>

<template>
    <PageTabs label="Pages of the team" :pages="pages" />
</template>
