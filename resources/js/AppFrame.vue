<script setup lang="ts">
import { computed } from 'vue'
import { NewSite } from '@/features/areas'
import SoilProfile from '@/shared/components/SoilProfile.vue'
import TopBar from '@/shared/components/TopBar.vue'
import { useToday } from '@/shared/api'
import { useSite } from '@/shared/composables/useSite'

/** What is around a page: the profile, the bar, and the form for the first site where there is none. */
const WORDS: Record<string, string> = {
    plans: 'to plan',
    pull: 'ready',
    bench: 'to read',
    reports: 'waiting',
    decide: 'to sign',
    'follow-up': 'overdue',
}
const { siteId, none } = useSite()
const today = useToday(siteId)
const notes = computed(() => {
    const counts: Record<string, number> = {}
    for (const item of today.data.value?.waiting ?? []) counts[item.stage] = (counts[item.stage] ?? 0) + 1
    return Object.fromEntries(
        Object.entries(counts).map(([stage, n]) => [
            stage,
            stage === 'areas' ? 'start here' : `${n} ${WORDS[stage] ?? 'waiting'}`,
        ]),
    )
})
</script>

<template>
    <div class="frame">
        <SoilProfile class="no-print" :notes="notes" />
        <div class="page">
            <TopBar class="no-print" />
            <main id="main" tabindex="-1">
                <NewSite v-if="none" />
                <slot v-else />
            </main>
        </div>
    </div>
</template>

<style scoped>
.frame {
    display: flex;
    min-height: 100vh;
}
.page {
    flex: 1;
    min-width: 0;
    padding: 10px 22px 22px;
}
main:focus {
    outline: none;
}
@media (max-width: 700px) {
    .frame {
        display: block;
    }
    .page {
        padding: 10px 14px;
    }
}
@media print {
    .frame {
        display: block;
        min-height: 0;
    }
    .page {
        padding: 0;
    }
}
</style>
