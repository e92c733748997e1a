<script setup lang="ts">
import { useTyped } from '@/shared/composables/useTyped'
import TypedBefore from '@/shared/components/TypedBefore.vue'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref } from 'vue'
import { api, type Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSite } from '@/shared/composables/useSite'
import { moment, optional, portionName } from '@/shared/format'
import { newId } from '@/shared/offline/store'
import { usePortion } from '../api'

/** One portion: where it is, how long it keeps, what may come next, and its whole trail, which is only ever added to. */
const props = defineProps<{ id: number; open: boolean }>()
const queries = useQueryClient()
const { timezone } = useSite()
const { data: portion } = usePortion(() => props.id)
const shown = ref(props.open)
const form = reactive({ step: '', place: '', condition: '', celsius: '' })
const wrongLine = ref<Schema<'TrailLine'> | null>(null)
const asking = reactive({ tests: '', volume: '', on: false })
const said = ref('')
/** The step that is being written, once something was typed into it. */
const entry = computed({
    get: () =>
        form.place !== (wrongLine.value?.place ?? '') || form.condition || form.celsius
            ? { ...form, line: wrongLine.value }
            : null,
    set: (was) => {
        wrongLine.value = was?.line ?? null
        Object.assign(form, { step: '', place: '', condition: '', celsius: '' })
        if (was)
            Object.assign(form, { step: was.step, place: was.place, condition: was.condition, celsius: was.celsius })
    },
})
const stored = computed(() => ({
    tests: portion.value?.tests.join(', ') ?? '',
    volume: String(portion.value?.volume_ml ?? ''),
}))
const wish = computed({
    get: () =>
        asking.on && (asking.tests !== stored.value.tests || asking.volume !== stored.value.volume)
            ? { tests: asking.tests, volume: asking.volume }
            : null,
    set: (was) => Object.assign(asking, was ?? {}, { on: was !== null }),
})
const typedHere = useTyped(
    () => `a step of ${portion.value?.code ?? 'a portion'}`,
    () => `portion-${props.id}`,
    { entry, wish },
)
shown.value ||= typedHere.broughtBack.value !== null
const left = computed(() => {
    const at = portion.value?.clock.deadline_at
    return at ? (Date.parse(at) - Date.now()) / 3_600_000 : null
})
const bar = computed(() => Math.min(1, portion.value?.clock.used_share ?? 0))

const { save, saving, refusal, wrong, clear } = useSave(
    () =>
        api.post('/custody-steps', {
            submission: newId(),
            codes: [portion.value!.code],
            step: form.step,
            at: wrongLine.value && form.step !== 'withdrawn' ? wrongLine.value.at : new Date().toISOString(),
            place: form.place || null,
            condition: form.condition || null,
            celsius: optional(form.celsius),
            corrects: wrongLine.value?.uuid ?? null,
        }),
    async (answer) => {
        said.value = answer.said.join(' ')
        leave()
        await queries.invalidateQueries()
    },
)
const { save: ask, refusal: refusedAsk } = useSave(
    () =>
        api.put(
            '/portions/{portion}',
            {
                tests: asking.tests
                    .split(/[,;]/)
                    .map((test) => test.trim().toLowerCase())
                    .filter(Boolean),
                volume_ml: optional(asking.volume),
            },
            { ids: { portion: props.id } },
        ),
    async () => {
        asking.on = false
        typedHere.settle()
        await queries.invalidateQueries()
    },
)
function leave(): void {
    clear()
    wrongLine.value = null
    Object.assign(form, { step: '', place: '', condition: '', celsius: '' })
    // What is asked of the portion may be half typed still.
    if (!typedHere.changed.value) typedHere.settle()
}
function take(step: string): void {
    leave()
    form.step = step
}
function correct(line: Schema<'TrailLine'>): void {
    leave()
    wrongLine.value = line
    form.step = 'withdrawn'
    form.place = line.place
}
function openAsk(): void {
    Object.assign(asking, stored.value, { on: true })
}
</script>

<template>
    <article v-if="portion" class="portion">
        <header>
            <h3>{{ portion.code }}</h3>
            <span
                >{{ portionName(portion.kind) }}{{ portion.volume_ml ? `, ${portion.volume_ml} ml` : ''
                }}{{ portion.tests.length ? `, for ${portion.tests.join(', ')}` : '' }}</span
            >
            <strong class="state">{{ portion.state_name }}{{ portion.place ? `, ${portion.place}` : '' }}</strong>
            <button type="button" class="link" :aria-expanded="shown" @click="shown = !shown">
                {{ shown ? 'Close' : 'Trail and steps' }}
            </button>
        </header>
        <p
            v-if="portion.clock.used_share !== null && (left !== null || portion.clock.over)"
            class="clock"
            :class="{ bad: portion.clock.over || portion.clock.soon }"
        >
            <svg viewBox="0 0 160 12" width="160" height="12" aria-hidden="true">
                <rect x="0.5" y="0.5" width="159" height="11" fill="none" stroke="var(--ink)" />
                <rect x="1" y="1" :width="158 * bar" height="10" fill="currentColor" opacity="0.45" />
            </svg>
            <template v-if="portion.clock.over">Its time has run out.</template>
            <template v-else-if="left !== null">{{
                left > 0 ? `${Math.floor(left)} h ${Math.floor((left % 1) * 60)} min left.` : 'Overdue.'
            }}</template>
            {{ portion.clock.rule }}
        </p>
        <p v-if="portion.drying" class="note">
            Dry from {{ moment(portion.drying.ready_at, timezone) }} to {{ moment(portion.drying.over_at, timezone) }};
            thin on clean paper, in air, no oven.
        </p>
        <p v-if="said" class="warning" role="status">{{ said }}</p>
        <div v-if="shown">
            <TypedBefore :typed="typedHere" />
            <div class="row steps">
                <button
                    v-for="step in portion.next"
                    :key="step.code"
                    type="button"
                    class="link"
                    @click="take(step.code)"
                >
                    {{ step.name }}
                </button>
                <button type="button" class="link" @click="openAsk">tests and volume</button>
            </div>
            <form v-if="asking.on" novalidate class="step" @submit.prevent="ask()">
                <RefusalNote :refusal="refusedAsk" />
                <FormField label="Tests asked of it" hint="codes with commas, such as ph, mehlich, nitrate"
                    ><el-input v-model="asking.tests" name="tests"
                /></FormField>
                <FormField label="Soil in it, ml"
                    ><el-input v-model="asking.volume" name="volume" style="width: 110px"
                /></FormField>
                <div class="row">
                    <el-button type="primary" native-type="submit">Keep</el-button>
                    <button type="button" class="link" @click="asking.on = false">Leave it</button>
                </div>
            </form>
            <form v-if="form.step" novalidate class="step" @submit.prevent="save()">
                <h4 v-if="wrongLine">Correct “{{ wrongLine.name }}” of {{ moment(wrongLine.at, timezone) }}</h4>
                <h4 v-else>{{ portion.next.find(({ code }) => code === form.step)?.name }}</h4>
                <RefusalNote :refusal="refusal" />
                <FormField v-if="wrongLine" label="What was so">
                    <el-select v-model="form.step" style="width: 230px">
                        <el-option value="withdrawn" label="It did not happen" />
                        <el-option
                            v-for="line in portion.trail.filter(({ uuid }) => uuid === wrongLine?.uuid)"
                            :key="line.step"
                            :value="line.step"
                            :label="`${line.name}, but elsewhere`"
                        />
                    </el-select>
                </FormField>
                <div class="row">
                    <FormField v-if="form.step !== 'withdrawn'" label="Where" :wrong="wrong('place')"
                        ><el-input v-model="form.place" name="place"
                    /></FormField>
                    <FormField v-if="form.step !== 'withdrawn'" label="°C, if measured" :wrong="wrong('celsius')"
                        ><el-input v-model="form.celsius" name="celsius" style="width: 90px"
                    /></FormField>
                    <FormField :label="wrongLine ? 'Why' : 'Condition'" :wrong="wrong('condition')"
                        ><el-input v-model="form.condition" name="condition"
                    /></FormField>
                </div>
                <div class="row">
                    <el-button type="primary" native-type="submit" :loading="saving">Write it</el-button>
                    <button type="button" class="link" @click="leave">Leave it</button>
                </div>
            </form>
            <div v-if="portion.damage.length" class="wrong" role="alert">
                This trail cannot have been as it stands. Have the record verified before you build on it.
                <ul>
                    <li v-for="words in portion.damage" :key="words">{{ words }}</li>
                </ul>
            </div>
            <table class="plain">
                <thead>
                    <tr>
                        <th>When</th>
                        <th>What</th>
                        <th>Where</th>
                        <th>Condition</th>
                        <th>By</th>
                        <th>In the record</th>
                        <th><span class="sr">What may be done</span></th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="line in portion.trail" :key="line.uuid" :class="{ struck: !line.stands }">
                        <td class="nowrap">{{ moment(line.at, timezone) }}</td>
                        <td>{{ line.corrects ? `corrected: ${line.name}` : line.name }}</td>
                        <td>{{ line.place }}</td>
                        <td>
                            {{
                                [line.celsius === null ? '' : `${line.celsius} °C`, line.condition]
                                    .filter(Boolean)
                                    .join(', ')
                            }}
                        </td>
                        <td>{{ line.by }}</td>
                        <td class="nowrap">
                            <template v-if="line.place_in_record">
                                {{ line.place_in_record }}, {{ moment(line.written_at, timezone) }}
                            </template>
                            <strong v-else class="bad">came past the program</strong>
                            <div v-if="line.clock_set_back" class="bad">the server’s clock had been set back</div>
                        </td>
                        <td>
                            <button
                                v-if="line.stands && !line.step.startsWith('split')"
                                type="button"
                                class="link"
                                @click="correct(line)"
                            >
                                Correct
                            </button>
                        </td>
                    </tr>
                </tbody>
            </table>
        </div>
    </article>
</template>

<style scoped>
.portion {
    border-top: 1px solid var(--rule);
    padding: 8px 0;
}
header {
    display: flex;
    gap: 4px 12px;
    align-items: baseline;
    flex-wrap: wrap;
}
header .link {
    margin-left: auto;
}
.state {
    color: var(--umber);
}
.clock {
    display: flex;
    gap: 8px;
    align-items: center;
    margin: 6px 0 0;
}
.bad {
    color: var(--oxide);
}
.steps {
    gap: 14px;
    flex-wrap: wrap;
    margin: 8px 0;
}
.step {
    background: var(--sheet);
    border: 1px solid var(--rule);
    padding: 10px;
    margin: 6px 0 10px;
}
h4 {
    margin: 0 0 6px;
}
.struck td:nth-child(-n + 4) {
    text-decoration: line-through;
    color: var(--ink-2);
}
.nowrap {
    white-space: nowrap;
}
</style>
