<script setup lang="ts">
import { computed } from 'vue'
import PageHead from '@/shared/components/PageHead.vue'
import { useSite } from '@/shared/composables/useSite'
import { count, day } from '@/shared/format'
import { useFollowUp } from '../api'

const { site, siteId } = useSite()
const { data } = useFollowUp(siteId)
const overdue = computed(() => data.value?.filter((one) => one.state === 'overdue').length ?? 0)
const next = computed(() => data.value?.find((one) => one.state === 'waiting'))
const lede = computed(() => {
    if (!data.value?.length) return 'No area yet.'
    if (overdue.value) return `${count(overdue.value, 'area is', 'areas are')} overdue for a test.`
    return next.value
        ? `Nothing is overdue. Next: ${next.value.area}, by ${day(next.value.due)}.`
        : 'Nothing has been pulled yet.'
})
</script>

<template>
    <template v-if="site && data">
        <PageHead :over="site.name" title="Follow up" :lede="lede" />
        <table v-if="data.length" class="plain">
            <thead>
                <tr>
                    <th>Area</th>
                    <th class="num">Composites</th>
                    <th>Last pulled</th>
                    <th>Test again by</th>
                    <th>Why then</th>
                    <th></th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="one in data" :key="one.area_id">
                    <td>{{ one.area }}</td>
                    <td class="num">{{ one.composites }}</td>
                    <td>{{ day(one.last_pulled) }}</td>
                    <td>
                        <span :class="{ late: one.state === 'overdue' }"
                            >{{ one.due ? day(one.due) : 'at once'
                            }}{{ one.state === 'overdue' ? ', overdue' : '' }}</span
                        >
                    </td>
                    <td>{{ one.reason }}</td>
                    <td><RouterLink :to="`/plans/${one.area_id}`">Plan it</RouterLink></td>
                </tr>
            </tbody>
        </table>
        <p v-else><RouterLink to="/areas">Draw the first area</RouterLink></p>
        <p class="note">
            A single point is not a trend. Keep to the same season, the same lab and the same extractant: a change of
            any of them breaks the series.
        </p>
    </template>
</template>

<style scoped>
.late {
    color: var(--oxide);
    font-weight: 600;
}
.note {
    margin-top: 12px;
}
</style>
