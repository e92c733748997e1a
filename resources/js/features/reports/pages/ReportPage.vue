<script setup lang="ts">
import { useCsv } from '@/shared/composables/useCsv'
import { useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '@/api/client'
import { SampleLink } from '@/features/send'
import PageHead from '@/shared/components/PageHead.vue'
import { count, day, number } from '@/shared/format'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import QuestionCard from '../components/QuestionCard.vue'
import { useLabs } from '@/shared/api'
import FilePick from '@/shared/components/FilePick.vue'
import { useTakenReport } from '../api'

/** A report that was taken: what was asked of it, and every result as it was reported. */
const route = useRoute()
const id = computed(() => Number(route.params.report))
const { data: report } = useTakenReport(id)
const { data: labs } = useLabs()
const open = computed(() => report.value?.asked.filter(({ answer }) => answer === null) ?? [])
const answered = computed(() => report.value?.asked.filter(({ answer }) => answer !== null) ?? [])
const lede = computed(() => {
    const one = report.value
    if (!one) return ''
    const before = route.query.before ? 'This file was taken before; nothing was changed. ' : ''
    const asked = open.value.length
        ? `${count(open.value.length, 'question')} to answer.`
        : one.asked.length
          ? 'Every question is answered.'
          : 'Nothing in it looks wrong.'
    return `${before}${count(one.results, 'result')}. ${asked}`
})
const queries = useQueryClient()
const keeping = useSave(
    (paper: File) => {
        const body = new FormData()
        body.append('paper', paper)
        return api.post('/reports/{report}/papers', body, { ids: { report: id.value } })
    },
    () => queries.invalidateQueries({ queryKey: ['report'] }),
)
function keep(event: Event): void {
    const paper = (event.target as HTMLInputElement).files?.[0]
    if (paper) void keeping.save(paper)
}
const SAID: Record<string, string> = {
    below: 'below the limit',
    above: 'above the range',
    range: 'a range',
    trace: 'a trace',
    rating: 'a rating',
}
const { csv } = useCsv()
</script>

<template>
    <template v-if="report">
        <PageHead
            :over="`${labs?.labs.find((lab) => lab.id === report?.lab_id)?.name ?? 'Report'}, ${day(report.read_on)}`"
            :title="report.file_name"
            :lede="lede"
        >
            <RouterLink v-if="!report.superseded_by" :to="`/reports/take?instead=${report.id}`"
                >A corrected report came</RouterLink
            >
            <RouterLink to="/reports">Back to the reports</RouterLink>
        </PageHead>
        <p v-if="report.superseded_by" class="warning">
            <span
                >Replaced by
                <RouterLink :to="`/reports/${report.superseded_by.id}`">{{
                    report.superseded_by.file_name
                }}</RouterLink>; its values stay here to be seen and count no more.</span
            >
        </p>
        <p v-if="report.supersedes" class="note">It takes the place of {{ report.supersedes }}.</p>
        <section v-if="report.asked.length">
            <h2>Questions</h2>
            <QuestionCard
                v-for="question in [...open, ...answered]"
                :key="question.id"
                :question="question"
                :report="report.id"
            />
        </section>
        <section v-if="report.left_out.length">
            <h2>Left out</h2>
            <ul>
                <li v-for="row in report.left_out" :key="row.row">Row {{ row.row }}: {{ row.why }}.</li>
            </ul>
        </section>
        <section>
            <h2>The lab’s own paper</h2>
            <p v-for="one in report.papers" :key="one.id">
                <a :href="`/api/reports/${report.id}/papers/${one.id}`">{{ one.name }}</a>,
                {{ number(one.bytes / 1024) }} kB
            </p>
            <p class="row">
                <span class="note">{{
                    report.papers.length
                        ? 'Another one:'
                        : 'None is kept yet; a PDF or a picture, kept as it is and never read:'
                }}</span>
                <FilePick accept=".pdf,.png,.jpg,.jpeg" aria-label="Keep the lab’s own paper" @change="keep" />
            </p>
            <RefusalNote :refusal="keeping.refusal.value" />
        </section>
        <section>
            <h2>Results</h2>
            <table class="plain">
                <thead>
                    <tr>
                        <th class="num">Row</th>
                        <th>Composite</th>
                        <th>Portion</th>
                        <th>Result</th>
                        <th class="num">Reported</th>
                        <th class="num">Compared as</th>
                        <th>State</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="one in report.shown" :key="one.id">
                        <td class="num">{{ one.row }}</td>
                        <td>
                            <SampleLink v-if="one.sample_id && one.sample" :id="one.sample_id" :code="one.sample" />
                        </td>
                        <td class="narrow">
                            {{ one.portion
                            }}{{
                                one.kind === 'hidden'
                                    ? ', hidden duplicate'
                                    : one.kind === 'check'
                                      ? ', check soil'
                                      : ''
                            }}
                        </td>
                        <td class="narrow">{{ one.series }}</td>
                        <td class="num">{{ one.as_reported }} {{ one.form }} {{ one.unit_reported }}</td>
                        <td class="num">
                            {{ one.value === null ? (SAID[one.said] ?? '–') : `${number(one.value, 2)} ${one.unit}` }}
                        </td>
                        <td class="narrow">
                            {{ one.superseded ? 'replaced' : one.excluded ? `left out: ${one.excluded}` : '' }}
                        </td>
                    </tr>
                </tbody>
            </table>
            <p v-if="report.results > report.shown.length" class="note">
                The first {{ number(report.shown.length) }} of {{ number(report.results) }}.
                <a :href="csv('/api/results.csv')">All results as CSV</a>
            </p>
        </section>
    </template>
</template>

<style scoped>
section {
    margin-bottom: 20px;
}
</style>
