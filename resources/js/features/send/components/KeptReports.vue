<script setup lang="ts">
import { useRouter } from 'vue-router'
import type { Schema } from '@/api/client'
import { useSite } from '@/shared/composables/useSite'
import { moment } from '@/shared/format'

/** What the lab's interface delivered for a consignment, as it came. */
const props = defineProps<{ consignment: Schema<'Consignment'> }>()
const router = useRouter()
const { timezone } = useSite()
function takeReport(report: Schema<'KeptReport'>): void {
    const instead = report.instead ? { instead: report.instead } : {}
    void router.push({
        path: '/reports/take',
        query: { consignment: props.consignment.id, report: report.id, ...instead },
    })
}
</script>

<template>
    <div>
        <h2>Reports</h2>
        <div v-for="report in consignment.reports" :key="report.id" class="report">
            <a :href="`/api/consignments/${consignment.id}/reports/${report.id}`">{{ report.name }}</a>,
            {{ moment(report.came_at, timezone) }}
            <p>
                <RouterLink v-if="report.report_id" :to="`/reports/${report.report_id}`">See what was taken</RouterLink>
                <el-button v-else size="small" @click="takeReport(report)">Look at it and take it</el-button>
            </p>
        </div>
        <p class="note">Kept as it came; nothing of it is entered before you have seen what it becomes.</p>
    </div>
</template>

<style scoped>
.report p {
    margin: 4px 0 10px;
}
</style>
