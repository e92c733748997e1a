<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '@/api/client'
import { SampleLink } from '@/features/send'
import PageHead from '@/shared/components/PageHead.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { standing, useSamples } from '@/shared/composables/useSamples'
import { useSave } from '@/shared/composables/useSave'
import { useSite } from '@/shared/composables/useSite'
import { count, day, today } from '@/shared/format'
import TypeResult from './TypeResult.vue'

const route = useRoute()
const queries = useQueryClient()
const { site, timezone } = useSite()
const { samples, methods, pending } = useSamples()
const lab = computed(() => methods.value.filter((method) => method.portion === 'lab'))
const ph = computed(() => lab.value.find((method) => method.analyte === 'ph'))
const waiting = computed(() => samples.value.filter((sample) => standing(sample, ph.value?.id).length === 0))
const imports = useQuery({ queryKey: ['imports'], queryFn: () => api.get('/imports') })
const start = computed(() => Number(route.query.sample) || waiting.value[0]?.id || null)
const file = ref<File | null>(null)
const said = ref('')

const { save, saving, refusal } = useSave(
    () => {
        const form = new FormData()
        if (file.value) form.append('file', file.value)
        form.append('read_on', today(timezone.value))
        return api.post('/imports', form)
    },
    async (taken) => {
        said.value = taken.taken_before
            ? `This file was taken on ${day(taken.taken_at, timezone.value)}; nothing was changed.`
            : `${count(taken.readings, 'result')} of ${count(taken.rows, 'composite')} taken.`
        file.value = null
        await queries.invalidateQueries()
    },
)
function pick(event: Event): void {
    said.value = ''
    file.value = (event.target as HTMLInputElement).files?.[0] ?? null
}
</script>

<template>
    <template v-if="site && !pending">
        <PageHead
            :over="ph?.name ?? site.name"
            title="Reports"
            :lede="
                waiting.length
                    ? `${count(waiting.length, 'composite')} without the lab’s pH.`
                    : samples.length
                      ? 'Every composite has the lab’s pH.'
                      : 'No composite yet. Pull a plan first.'
            "
        />
        <div class="columns two">
            <section>
                <h2>A file from the lab</h2>
                <p>
                    CSV with the columns <code>sample</code>, <code>ph</code>, <code>mehlich_buffer_ph</code>, <code>smp_buffer_ph</code>. A
                    file with one bad row stores nothing.
                </p>
                <RefusalNote :refusal="refusal" />
                <p v-if="said" role="status" class="said">{{ said }}</p>
                <div class="row">
                    <input type="file" accept=".csv,text/csv" aria-label="CSV file of lab results" @change="pick" />
                    <el-button type="primary" :disabled="!file" :loading="saving" @click="save()">Take the report</el-button>
                </div>
                <h2 class="next">Typed from paper</h2>
                <TypeResult v-if="samples.length" :samples="samples" :methods="lab" :start="start" :day="today(timezone)" />
                <h2 class="next">Files taken</h2>
                <table class="plain">
                    <tbody>
                        <tr v-for="one in imports.data.value ?? []" :key="one.id">
                            <td>{{ one.file_name }}</td>
                            <td class="num">{{ count(one.readings, 'result') }}</td>
                            <td>{{ day(one.taken_at, timezone) }}</td>
                        </tr>
                    </tbody>
                </table>
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
                        <tr v-for="sample in samples" :key="sample.id">
                            <td><SampleLink :id="sample.id" :code="sample.code" /></td>
                            <td>{{ sample.area.name }}</td>
                            <td v-for="method in lab" :key="method.id" class="num">
                                {{ standing(sample, method.id)[0]?.as_reported ?? '–' }}
                            </td>
                            <td>{{ day(standing(sample, ph?.id)[0]?.read_on) }}</td>
                        </tr>
                    </tbody>
                </table>
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
.said {
    border-left: 3px solid var(--gley);
    background: var(--gley-wash);
    padding: 8px 10px;
}
code {
    font: 600 12.5px var(--sans);
}
</style>
