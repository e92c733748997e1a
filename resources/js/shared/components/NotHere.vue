<script setup lang="ts">
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import PageHead from './PageHead.vue'

/** In the place of a record that is gone, or that was never this team's. */
const route = useRoute()
const router = useRouter()
const LISTS: Record<string, [string, string]> = {
    areas: ['/areas', 'To the areas'],
    plans: ['/plans', 'To the plans'],
    pull: ['/pull', 'To the plans to pull'],
    send: ['/send', 'To the ledger'],
    bench: ['/bench', 'To the bench'],
    reports: ['/reports', 'To the reports'],
    evidence: ['/evidence', 'To the evidence'],
    decide: ['/decide', 'To the register'],
    prescribe: ['/prescribe', 'To the programs'],
    'follow-up': ['/follow-up', 'To what follows'],
}
const list = computed((): [string, string] => LISTS[String(route.meta.stage)] ?? ['/', 'To Today'])
</script>

<template>
    <PageHead
        title="This is not there"
        lede="It was taken away, or was never there, or belongs to another team. Nothing of yours was changed."
    />
    <p class="row">
        <RouterLink :to="list[0]">{{ list[1] }}</RouterLink>
        <button type="button" class="link" @click="router.back()">Back to where you were</button>
    </p>
</template>
