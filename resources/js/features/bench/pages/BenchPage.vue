<script setup lang="ts">
import { computed } from 'vue'
import PageHead from '@/shared/components/PageHead.vue'
import { useSite } from '@/shared/composables/useSite'
import { count, day, moment, number } from '@/shared/format'
import { money } from '@/shared/money'
import BenchTabs from '../components/BenchTabs.vue'
import RunSetup from '../components/RunSetup.vue'
import { useBench } from '../api'

const { site, siteId, timezone } = useSite()
const { data: bench } = useBench(siteId)
const unread = computed(
    () => bench.value?.portions.filter(({ kind, read_by: by }) => kind === 'bench' && by.length === 0).length ?? 0,
)
const lede = computed(() => {
    if (!bench.value) return ''
    const open = bench.value.open.length ? `${count(bench.value.open.length, 'run is', 'runs are')} open. ` : ''
    if (!bench.value.portions.length) return 'No composite yet. Pull a plan first; its bench portion comes here.'
    return (
        open +
        (unread.value
            ? `${count(unread.value, 'bench portion')} nobody has read yet.`
            : 'Every bench portion has been read by some test.')
    )
})
const ANALYTES: Record<string, string> = {
    ph: 'pH',
    no3n: 'nitrate N',
    p: 'phosphorus',
    k: 'potassium',
    texture: 'texture',
}
</script>

<template>
    <template v-if="site && bench">
        <PageHead :over="site.name" title="Bench" :lede="lede"><BenchTabs /></PageHead>
        <div class="columns two">
            <RunSetup v-if="bench.portions.length" :bench="bench" :site="site.id" />
            <p v-else><RouterLink to="/pull">To the plans that wait</RouterLink></p>
            <div>
                <section v-if="bench.open.length">
                    <h2>Open runs</h2>
                    <table class="plain">
                        <tbody>
                            <tr v-for="run in bench.open" :key="run.id">
                                <td>
                                    <RouterLink :to="`/bench/runs/${run.id}`">Go on with run {{ run.id }}</RouterLink>
                                </td>
                                <td>{{ run.method }}</td>
                                <td class="num">{{ count(run.tubes, 'tube') }}</td>
                                <td class="narrow">{{ run.readers.join(', ') }}</td>
                                <td class="narrow">
                                    since {{ moment(new Date(run.started_ms).toISOString(), timezone) }}
                                </td>
                            </tr>
                        </tbody>
                    </table>
                </section>
                <section>
                    <h2>What a test takes</h2>
                    <p class="note">
                        As its method says, and as the finished runs really spent it, failed and repeated tubes counted
                        in.
                    </p>
                    <table class="plain">
                        <thead>
                            <tr>
                                <th>Test</th>
                                <th>Of</th>
                                <th class="num">Said, min</th>
                                <th class="num">Really</th>
                                <th class="num">Said, cost</th>
                                <th class="num">Really</th>
                                <th class="num">Readings</th>
                            </tr>
                        </thead>
                        <tbody>
                            <tr v-for="method in bench.methods" :key="method.id">
                                <td>
                                    <RouterLink :to="`/bench/methods/${method.id}`">{{ method.name }}</RouterLink>
                                </td>
                                <td class="narrow">{{ ANALYTES[method.analyte] ?? method.analyte }}</td>
                                <td class="num">{{ number(method.minutes, 1) }}</td>
                                <td class="num">
                                    {{ method.spent_minutes === null ? '–' : number(method.spent_minutes, 1) }}
                                </td>
                                <td class="num">{{ money(method.cost_cents) }}</td>
                                <td class="num">{{ method.spent_cents === null ? '–' : money(method.spent_cents) }}</td>
                                <td class="num">{{ method.kept || '–' }}</td>
                            </tr>
                        </tbody>
                    </table>
                </section>
                <section v-if="bench.closed.length">
                    <h2>Runs before</h2>
                    <table class="plain">
                        <tbody>
                            <tr v-for="run in bench.closed" :key="run.id">
                                <td>
                                    <RouterLink :to="`/bench/runs/${run.id}`">Run {{ run.id }}</RouterLink>
                                </td>
                                <td>{{ run.method }}</td>
                                <td class="num">
                                    {{ run.state === 'dropped' ? 'dropped' : count(run.readings, 'reading') }}
                                </td>
                                <td class="narrow">{{ run.readers.join(', ') }}</td>
                                <td class="narrow">{{ day(run.finished_at, timezone) }}</td>
                            </tr>
                        </tbody>
                    </table>
                </section>
            </div>
        </div>
    </template>
</template>

<style scoped>
.two {
    grid-template-columns: minmax(420px, 1fr) minmax(0, 1.1fr);
}
section {
    margin-bottom: 20px;
}
</style>
