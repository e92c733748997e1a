<script setup lang="ts">
import { useCsv } from '@/shared/composables/useCsv'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { SampleLink } from '@/features/send'
import { useMethods, useSamples } from '@/shared/api'
import PageHead from '@/shared/components/PageHead.vue'
import PageTurner from '@/shared/components/PageTurner.vue'
import { standing } from '@/shared/samples'
import { useSite } from '@/shared/composables/useSite'
import { count, day, today } from '@/shared/format'
import TypeResult from '../components/TypeResult.vue'
import { useReports } from '../api'

const route = useRoute()
const router = useRouter()
const { site, siteId, timezone } = useSite()
const methods = useMethods()
const page = ref(1)
const samples = useSamples(siteId, true, () => ({ page: page.value }))
/** The three series of the lab that the team began with; those of other labs and analytes stand in their reports. */
const lab = computed(() =>
    (methods.data.value ?? []).filter(({ code }) => ['lab-ph', 'lab-mehlich', 'lab-smp'].includes(code)),
)
const ph = computed(() => lab.value.find((method) => method.analyte === 'ph'))
const unread = useSamples(siteId, true, () => (ph.value ? { not_read_by: ph.value.id } : null))
const reportsPage = ref(1)
const reports = useReports(() => ({ page: reportsPage.value }))
const pending = computed(
    () => methods.isPending.value || samples.isPending.value || (ph.value && unread.isPending.value),
)
const start = computed(() => Number(route.query.sample) || unread.data.value?.rows[0]?.id || null)
const { csv } = useCsv()
</script>

<template>
    <template v-if="site && !pending">
        <PageHead
            :over="ph?.name ?? site.name"
            title="Reports"
            :lede="
                unread.data.value?.total
                    ? `${unread.data.value.more ? 'More than ' : ''}${count(unread.data.value.total, 'composite')} without the lab’s pH.`
                    : samples.data.value?.total
                      ? 'Every composite has the lab’s pH.'
                      : 'No composite yet. Pull a plan first.'
            "
        />
        <div class="columns two">
            <section>
                <h2>A file from the lab</h2>
                <p>
                    CSV of any shape, a spreadsheet or an interchange document. You see what it becomes before anything
                    is stored.
                </p>
                <p class="row">
                    <el-button type="primary" @click="router.push('/reports/take')">Take a lab’s file</el-button>
                    <RouterLink to="/reports/side-by-side">Side by side</RouterLink>
                    <RouterLink to="/reports/checks">Check soils</RouterLink>
                </p>
                <p class="row">
                    <a :href="csv('/api/results.csv')">All results as CSV</a>
                    <a href="/api/results.json">as JSON</a>
                </p>
                <h2 class="next">Typed from paper</h2>
                <TypeResult v-if="samples.data.value?.total" :methods="lab" :start="start" :day="today(timezone)" />
                <h2 class="next">Files taken</h2>
                <table class="plain">
                    <tbody>
                        <tr v-for="one in reports.data.value?.rows ?? []" :key="one.id">
                            <td>
                                <RouterLink :to="`/reports/${one.id}`">{{ one.file_name }}</RouterLink>
                                <span v-if="one.replaced" class="note">, replaced</span>
                            </td>
                            <td class="num">{{ count(Math.max(one.results, one.readings), 'result') }}</td>
                            <td>{{ one.open ? count(one.open, 'question') : '' }}</td>
                            <td>{{ day(one.taken_at, timezone) }}</td>
                        </tr>
                    </tbody>
                </table>
                <PageTurner
                    v-if="reports.data.value"
                    :of="reports.data.value"
                    label="Pages of files"
                    noun="files"
                    @turn="(to) => (reportsPage = to)"
                />
            </section>
            <section>
                <h2>Results</h2>
                <table class="plain">
                    <thead>
                        <tr>
                            <th>Composite</th>
                            <th>Area</th>
                            <th class="num">pH</th>
                            <th class="num">Mehlich buffer</th>
                            <th class="num">SMP buffer</th>
                            <th>Reported</th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="sample in samples.data.value?.rows ?? []" :key="sample.id">
                            <td><SampleLink :id="sample.id" :code="sample.code" /></td>
                            <td>{{ sample.area.name }}</td>
                            <td v-for="method in lab" :key="method.id" class="num">
                                {{ standing(sample, method.id)[0]?.as_reported ?? '–' }}
                            </td>
                            <td>{{ day(standing(sample, ph?.id)[0]?.read_on) }}</td>
                        </tr>
                    </tbody>
                </table>
                <PageTurner
                    v-if="samples.data.value"
                    :of="samples.data.value"
                    label="Pages of results"
                    noun="composites"
                    @turn="(to) => (page = to)"
                />
            </section>
        </div>
    </template>
</template>

<style scoped>
.two {
    grid-template-columns: 380px minmax(0, 1fr);
}
.next {
    margin: 24px 0 6px;
}
</style>
