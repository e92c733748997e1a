<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import PageHead from '@/shared/components/PageHead.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useShortcut } from '@/shared/composables/useShortcut'
import { useSite } from '@/shared/composables/useSite'
import { count, number, signed } from '@/shared/format'
import { sound, useAlarm } from '../alarm'
import { span, useClock } from '../clock'
import LoggerTake from '../components/LoggerTake.vue'
import NextPanel from '../components/NextPanel.vue'
import ReadPanel from '../components/ReadPanel.vue'
import RunOver from '../components/RunOver.vue'
import TubeTable from '../components/TubeTable.vue'
import { useRun } from '../composables/useRun'
import { useBench, useBenchLibrary } from '../api'

const SOON = 6
const route = useRoute()
const id = Number(route.params.run)
const queries = useQueryClient()
const { siteId } = useSite()
const { run, tasks, unsent, refusal, mark, take } = useRun(id)
const now = useClock()
const library = useBenchLibrary()
const bench = useBench(siteId)
const device = computed(() => ({
    there: bench.data.value?.device ?? false,
    simulated: bench.data.value?.device_simulated ?? false,
}))

/** A tube worked out of turn; else the one the agenda names. A tube that is being read stays until it is read. */
const chosen = ref<number | null>(null)
const reading = computed(
    () => run.value?.tubes.find((tube) => tube.status === 'going' && tube.unread.length > 0) ?? null,
)
/** What has its time and falls due goes before what can wait, whatever was chosen. */
const BEFORE_MS = 2_000
const urgent = computed(
    () =>
        tasks.value
            .filter(
                (one) =>
                    one.until_ms !== null &&
                    now.value >= (one.act === 'end' ? one.from_ms : one.aim_ms) - BEFORE_MS &&
                    one.tube !== reading.value?.number,
            )
            .sort((a, b) => (a.until_ms ?? 0) - (b.until_ms ?? 0))[0],
)
const task = computed(
    () =>
        urgent.value ??
        tasks.value.find(({ tube }) => tube === chosen.value) ??
        tasks.value.find(({ tube }) => tube !== reading.value?.number) ??
        null,
)
const tube = computed(() => run.value?.tubes.find(({ number: n }) => n === task.value?.tube) ?? null)
watch(
    () => tube.value?.status,
    (status) => {
        if (status === 'waiting' || status === 'done' || status === 'given-up') chosen.value = null
    },
)
const soon = computed(() =>
    tasks.value.filter((one) => one !== task.value && one.tube !== reading.value?.number).slice(0, SOON),
)
const stepOf = (code: string): string => run.value?.steps.find((step) => step.code === code)?.do ?? ''
const WORDS = { begin: 'start', end: 'stop', do: '', read: 'look' }
const says = (one: { act: keyof typeof WORDS; step: string }): string =>
    one.act === 'do' ? stepOf(one.step) : `${WORDS[one.act]}: ${stepOf(one.step)}`

const dueNow = computed(() => tasks.value.filter((one) => one.until_ms !== null && now.value >= one.aim_ms))
const due = computed(() =>
    dueNow.value.length ? dueNow.value.map((one) => `${one.tube} ${one.step} ${one.act}`).join() : null,
)
const timed = computed(
    () => [...tasks.value].filter((one) => one.until_ms !== null).sort((a, b) => a.aim_ms - b.aim_ms)[0] ?? null,
)
useAlarm(
    due,
    computed(() => {
        const first = timed.value
        if (!run.value || run.value.state !== 'open') return `${run.value?.method ?? 'Bench'} · Honest Core`
        if (!first) return `Tube ${task.value?.tube ?? ''} · ${run.value.method}`
        return now.value >= first.aim_ms
            ? `● Tube ${first.tube} now · ${says(first)}`
            : `${span(first.aim_ms - now.value)} Tube ${first.tube} · ${says(first)}`
    }),
)

function act(): void {
    const one = task.value
    if (!one) return
    mark(one.act === 'begin' || one.act === 'read' ? 'begin' : 'end', one.tube, { step: one.step })
}
function all(): void {
    const one = task.value
    if (!one || !run.value) return
    const at = Date.now()
    for (const same of run.value.tubes.filter(
        (other) => other.step === one.step && other.status !== 'going' && other.status !== 'waiting',
    ))
        mark('end', same.number, { step: one.step }, at)
}
useShortcut(' ', 'Do what is next', act)
const undo = (number: number, uuid: string): void => mark('undo', number, { undoes: uuid })

const note = ref('')
const {
    save: close,
    saving: closing,
    refusal: notClosed,
} = useSave(
    (drop: boolean, leave: boolean) =>
        api.post('/runs/{run}/close', { leave_unread: leave, note: note.value, drop }, { ids: { run: id } }),
    async (closed) => {
        take(closed)
        await queries.invalidateQueries()
    },
)
const open = computed(
    () => run.value?.tubes.filter(({ status }) => status !== 'done' && status !== 'given-up').length ?? 0,
)
const read = computed(() => run.value?.tubes.filter(({ status }) => status === 'done').length ?? 0)
const lede = computed(() => {
    if (!run.value) return ''
    if (run.value.state === 'dropped') return 'Dropped: its log is kept, and it gives no readings.'
    if (run.value.state === 'finished') return `Finished: ${count(read.value, 'tube')} read.`
    return open.value
        ? `${count(run.value.tubes.length, 'tube')}, ${number(read.value)} read.`
        : 'Every tube is read or given up. Finish the run.'
})
const drop = (): void => {
    if (window.confirm('Drop the run? Its log is kept, and nothing of it becomes a reading.')) void close(true, true)
}
const finishWithout = (): void => {
    if (window.confirm(`Finish without ${count(open.value, 'tube')} that nobody has read?`)) void close(false, true)
}
</script>

<template>
    <template v-if="run">
        <PageHead
            :over="
                `Run ${run.id}, version ${run.version} of the ` +
                `method${run.lots.length ? `, lot ${run.lots.map(({ lot }) => lot).join(', ')}` : ''}`
            "
            :title="run.method"
            :lede="lede"
        >
            <el-checkbox v-if="run.state === 'open'" v-model="sound">Sound</el-checkbox>
            <RouterLink to="/bench" class="back">Back to the bench</RouterLink>
        </PageHead>
        <p v-if="unsent.length" class="warning" role="status">
            {{ count(unsent.length, 'mark is', 'marks are') }} kept on this computer and not sent yet. Go on; they go
            out by themselves, with their own times.
        </p>
        <p v-for="words in run.warnings" :key="words" class="warning">
            {{ words }} What it touches is left out of the verdict by rule.
        </p>
        <RefusalNote :refusal="refusal" />
        <div class="columns two">
            <div v-if="run.state === 'open'">
                <section v-if="reading" class="reading">
                    <h2>Tube {{ reading.number }}: {{ stepOf(reading.step ?? '') }}</h2>
                    <ReadPanel
                        :run="run"
                        :tube="reading"
                        :device="device"
                        @record="(found) => mark('read', reading!.number, { step: reading!.step ?? '', ...found })"
                    />
                </section>
                <NextPanel
                    v-if="task && tube"
                    :run="run"
                    :task="task"
                    :tube="tube"
                    :now="now"
                    :quiet="reading !== null"
                    @act="act"
                    @all="all"
                    @again="mark('again', tube.number)"
                />
                <section v-if="soon.length">
                    <h3>After that</h3>
                    <table class="plain soon">
                        <tbody>
                            <tr v-for="one in soon" :key="`${one.tube} ${one.step}`">
                                <td class="num">{{ one.aim_ms > now ? span(one.aim_ms - now) : 'now' }}</td>
                                <td>tube {{ one.tube }}</td>
                                <td>{{ says(one) }}</td>
                            </tr>
                        </tbody>
                    </table>
                </section>
                <LoggerTake v-if="run.probe" :run="run" @taken="take" />
                <section v-if="run.hazards.length" class="note">
                    <p v-for="hazard in run.hazards" :key="hazard">{{ hazard }}</p>
                </section>
                <FormField v-if="read" label="Note on the run"><el-input v-model="note" name="run_note" /></FormField>
                <section class="close">
                    <RefusalNote :refusal="notClosed" />
                    <el-button v-if="!open" type="primary" :loading="closing" @click="close(false, false)"
                        >Finish the run</el-button
                    >
                    <button v-else-if="read" type="button" class="link" @click="finishWithout">
                        Finish without the tubes that are not read
                    </button>
                    <button type="button" class="link" @click="drop">Drop the run</button>
                </section>
            </div>
            <RunOver v-else :run="run" />
            <section>
                <TubeTable
                    :run="run"
                    :now="now"
                    :breaks="library.data.value?.protocol_breaks ?? []"
                    :chosen="reading?.number ?? task?.tube ?? null"
                    @choose="(n) => (chosen = n)"
                    @incident="(n, code) => mark('incident', n, { code })"
                    @again="(n) => mark('again', n)"
                    @give-up="(n) => mark('give-up', n)"
                    @undo="undo"
                />
                <p v-if="run.state === 'open'" class="note">
                    What is read stays covered until the run is finished, and earlier readings and the lab’s are not
                    shown here, so that no reading leans on another.
                    {{ run.celsius === null ? '' : `At ${number(run.celsius, 1)} °C. `
                    }}{{
                        run.calibration
                            ? `Pen: slope ${number(run.calibration.slope_percent, 1)} %, offset ` +
                              `${signed(run.calibration.offset, run.calibration.in_millivolts ? 1 : 2)}.`
                            : ''
                    }}
                </p>
            </section>
        </div>
    </template>
</template>

<style scoped>
.back {
    align-self: center;
}
.two {
    grid-template-columns: 400px minmax(0, 1fr);
}
.soon td {
    padding: 3px 10px 3px 0;
}
.soon .num {
    min-width: 56px;
}
.reading {
    border-bottom: 1px solid var(--rule);
    margin-bottom: 14px;
}
.close {
    display: flex;
    gap: 16px;
    align-items: center;
    flex-wrap: wrap;
    margin-top: 16px;
}
</style>
