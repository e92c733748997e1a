<script setup lang="ts">
import { computed } from 'vue'
import PageHead from '@/shared/components/PageHead.vue'
import FirstHour from '../components/FirstHour.vue'
import DueMark from '../components/DueMark.vue'
import { useSite } from '@/shared/composables/useSite'
import { count, day } from '@/shared/format'
import { HORIZONS } from '@/shared/horizons'
import { box } from '@/shared/offline/outbox'
import { useToday } from '@/shared/api'

const { siteId, site } = useSite()
const { data } = useToday(siteId)
const stages = computed(() =>
    HORIZONS.map((horizon) => ({
        ...horizon,
        items: data.value?.waiting.filter((item) => item.stage === horizon.key) ?? [],
    })).filter((horizon) => horizon.items.length > 0),
)
const lede = computed(() => {
    const n = data.value?.waiting.length ?? 0
    const urgent = data.value?.due.filter((one) => one.urgent).length ?? 0
    if (urgent)
        return `${count(urgent, 'thing is', 'things are')} overdue or getting warm; ${count(n, 'other waits', 'others wait')} here.`
    return n === 0 && !data.value?.due.length
        ? 'Nothing waits. Everything pulled has been read, and every verdict is up to date.'
        : `${count(n, 'thing waits', 'things wait')}.`
})
</script>

<template>
    <template v-if="data && site">
        <PageHead :over="`${site.name}, ${day(data.date)}`" title="Today" :lede="lede" />
        <div class="columns two">
            <section>
                <FirstHour
                    v-if="data.season.readings === 0"
                    :areas="data.season.areas"
                    :composites="data.season.composites"
                    :readings="data.season.readings"
                />
                <template v-if="data.due.length || box.unsent">
                    <h2>Due now, over all sites</h2>
                    <table class="plain due">
                        <tbody>
                            <tr v-if="box.unsent" class="urgent">
                                <td><DueMark kind="unsent" /></td>
                                <td>
                                    <RouterLink to="/pull"
                                        >{{ count(box.unsent, 'entry is', 'entries are') }} on this device
                                        alone</RouterLink
                                    >
                                </td>
                                <td>they go out when there is a line</td>
                                <td></td>
                            </tr>
                            <tr v-for="(item, i) in data.due" :key="i" :class="{ urgent: item.urgent }">
                                <td><DueMark :kind="item.kind" /></td>
                                <td>
                                    <RouterLink :to="item.to">{{ item.text }}</RouterLink>
                                </td>
                                <td>{{ item.detail }}</td>
                                <td>{{ item.site }}</td>
                            </tr>
                        </tbody>
                    </table>
                    <h2 v-if="stages.length">Waiting at {{ site.name }}</h2>
                </template>
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
                <p class="note">
                    Before you dig: have buried lines marked, mind traffic and stock, and drink water in the heat.
                </p>
            </aside>
        </div>
    </template>
</template>

<style scoped>
.due {
    margin: 4px 0 18px;
}
.due td:first-child {
    width: 92px;
    white-space: nowrap;
}
.urgent td:nth-child(2) {
    font-weight: 700;
}
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
