<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api } from '@/api/client'
import PageHead from '@/shared/components/PageHead.vue'
import { useSite } from '@/shared/composables/useSite'
import { count, day } from '@/shared/format'
import { HORIZONS } from '@/shared/horizons'

const { siteId, site } = useSite()
const { data } = useQuery({
    queryKey: ['today', siteId],
    enabled: () => siteId.value !== null,
    queryFn: () => api.get('/today', { query: { site_id: siteId.value ?? 0 } }),
})
const stages = computed(() =>
    HORIZONS.map((horizon) => ({ ...horizon, items: data.value?.waiting.filter((item) => item.stage === horizon.key) ?? [] })).filter(
        (horizon) => horizon.items.length > 0,
    ),
)
const lede = computed(() => {
    const n = data.value?.waiting.length ?? 0
    return n === 0
        ? 'Nothing waits. Everything pulled has been read, and every verdict is up to date.'
        : `${count(n, 'thing waits', 'things wait')}.`
})
</script>

<template>
    <template v-if="data && site">
        <PageHead :over="`${site.name}, ${day(data.date)}`" title="Today" :lede="lede" />
        <div class="columns two">
            <section>
                <table v-if="stages.length" class="plain">
                    <thead>
                        <tr>
                            <th>Stage</th>
                            <th>What</th>
                            <th>Where</th>
                        </tr>
                    </thead>
                    <tbody v-for="stage in stages" :key="stage.key">
                        <tr v-for="(item, i) in stage.items" :key="item.text + item.detail">
                            <td>
                                <template v-if="i === 0">
                                    <i class="patch" :style="{ background: stage.fill }"></i>
                                    {{ stage.label }}
                                </template>
                            </td>
                            <td>
                                <RouterLink :to="item.to">{{ item.text }}</RouterLink>
                            </td>
                            <td>{{ item.detail }}</td>
                        </tr>
                    </tbody>
                </table>
                <p v-else>
                    <RouterLink to="/plans">Plan the next composite</RouterLink>, or look at
                    <RouterLink to="/evidence">what the season proved</RouterLink>
                </p>
            </section>
            <aside>
                <h2>Season {{ data.season.year }}</h2>
                <table class="plain">
                    <tbody>
                        <tr>
                            <td>Sampling areas</td>
                            <td class="num">{{ data.season.areas }}</td>
                        </tr>
                        <tr>
                            <td>Composites pulled this year</td>
                            <td class="num">{{ data.season.composites }}</td>
                        </tr>
                        <tr>
                            <td>Readings on them and earlier ones</td>
                            <td class="num">{{ data.season.readings }}</td>
                        </tr>
                    </tbody>
                </table>
                <p class="note">Before you dig: have buried lines marked, mind traffic and stock, and drink water in the heat.</p>
            </aside>
        </div>
    </template>
</template>

<style scoped>
.two {
    grid-template-columns: minmax(0, 2fr) minmax(220px, 1fr);
}
.patch {
    display: inline-block;
    width: 9px;
    height: 9px;
    margin-right: 6px;
    border: 1px solid var(--ink);
}
aside .note {
    margin-top: 12px;
}
</style>
