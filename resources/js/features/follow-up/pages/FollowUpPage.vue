<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import PageHead from '@/shared/components/PageHead.vue'
import { useSite } from '@/shared/composables/useSite'
import { count, day } from '@/shared/format'
import { useFollowUp } from '../api'
import FollowUpTabs from '../components/FollowUpTabs.vue'

/** When to look again, and why then. */
const { site, siteId } = useSite()
const page = ref(1)
watch(siteId, () => (page.value = 1))
const { data } = useFollowUp(siteId, page)
const lede = computed(() => {
    const it = data.value
    if (!it?.total) return 'No area yet.'
    if (it.overdue) return `${count(it.overdue, 'area is', 'areas are')} overdue for a test.`
    return it.next
        ? `Nothing is overdue. Next: ${it.next.area}, by ${day(it.next.due)}.`
        : 'Nothing has been pulled yet.'
})
</script>

<template>
    <template v-if="site && data">
        <PageHead :over="site.name" title="Follow up" :lede="lede"><FollowUpTabs /></PageHead>
        <table v-if="data.rows.length" class="plain">
            <thead>
                <tr>
                    <th>Area</th>
                    <th class="num">Composites</th>
                    <th>Last pulled, and the lab</th>
                    <th>Test again by</th>
                    <th>Why then</th>
                    <th><span class="sr">What may be done</span></th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="one in data.rows" :key="one.area_id">
                    <td>
                        <RouterLink :to="`/follow-up/areas/${one.area_id}`">{{ one.area }}</RouterLink>
                    </td>
                    <td class="num">{{ one.composites }}</td>
                    <td>
                        {{ day(one.last_pulled) }}<span v-if="one.lab" class="note">{{ one.lab }}</span>
                    </td>
                    <td>
                        <span :class="{ late: one.state === 'overdue' }"
                            >{{ one.due ? day(one.due) : 'at once'
                            }}{{ one.state === 'overdue' ? ', overdue' : '' }}</span
                        >
                    </td>
                    <td>
                        {{ one.reasons[0]?.why }}.
                        <span v-if="one.reasons.length > 1" class="note"
                            >Also:
                            {{
                                one.reasons
                                    .slice(1)
                                    .map(({ due, why }) => `${why.toLowerCase()} (${day(due)})`)
                                    .join('; ')
                            }}</span
                        >
                    </td>
                    <td><RouterLink :to="`/plans/${one.area_id}`">Plan it</RouterLink></td>
                </tr>
            </tbody>
        </table>
        <p v-else><RouterLink to="/areas">Draw the first area</RouterLink></p>
        <nav v-if="data.pages > 1" class="row pages" aria-label="Pages of the list">
            <el-button size="small" :disabled="page <= 1" @click="page -= 1">Sooner</el-button>
            <span>page {{ data.page }} of {{ data.pages }}</span>
            <el-button size="small" :disabled="page >= data.pages" @click="page += 1">Later</el-button>
        </nav>
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
.note,
.pages {
    margin-top: 12px;
}
td .note {
    display: block;
    margin: 0;
}
</style>
