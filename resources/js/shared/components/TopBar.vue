<script setup lang="ts">
import { useSession } from '@/shared/composables/useSession'
import { useSite } from '@/shared/composables/useSite'
import { today } from '@/shared/format'
import { up } from '@/shared/offline/line'
import { box } from '@/shared/offline/outbox'
import OneOf from './OneOf.vue'
import SearchBox from './SearchBox.vue'

const { me, signOut } = useSession()
const { sites, siteId, site, timezone, choose } = useSite()
</script>

<template>
    <header class="bar">
        <span class="where">
            <template v-if="(sites.data.value?.length ?? 0) > 1">
                <OneOf
                    :model-value="siteId ?? ''"
                    class="site"
                    aria-label="Site"
                    :options="(sites.data.value ?? []).map((one) => [one.id, one.name] as const)"
                    @update:model-value="choose(Number($event))"
                />
            </template>
            <strong v-else>{{ site?.name ?? 'No site yet' }}</strong>
            <span v-if="site">, season {{ today(timezone).slice(0, 4) }}</span>
        </span>
        <SearchBox />
        <span v-if="!up || box.unsent" class="unsent" role="status"
            >{{ up ? '' : 'No signal. ' }}{{ box.unsent ? `${box.unsent} unsent on this device` : '' }}</span
        >
        <span class="who">
            <RouterLink to="/practice">Practice</RouterLink>
            <RouterLink to="/help">Help</RouterLink>
            <RouterLink to="/account">{{ me?.name }}, {{ me?.role }}</RouterLink>
            <button type="button" class="link" @click="signOut">Sign out</button>
        </span>
    </header>
</template>

<style scoped>
.bar {
    display: flex;
    align-items: center;
    gap: 20px;
    margin-bottom: 14px;
    min-height: 28px;
    color: var(--ink-2);
}
.where strong {
    color: var(--ink);
}
.unsent {
    background: var(--amber-wash);
    color: var(--amber-text);
    padding: 2px 8px;
    white-space: nowrap;
}
.who {
    margin-left: auto;
    display: flex;
    gap: 10px;
    white-space: nowrap;
}
.site {
    width: 190px;
    font-weight: 600;
}
@media (max-width: 700px) {
    .bar {
        flex-wrap: wrap;
        gap: 6px 14px;
        margin-bottom: 10px;
    }
    .who {
        margin-left: 0;
        align-items: center;
    }
    .who a {
        min-height: 44px;
        display: inline-flex;
        align-items: center;
    }
}
</style>
