<script setup lang="ts">
import { useTyped } from '@/shared/composables/useTyped'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref } from 'vue'
import { api, type Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import PageHead from '@/shared/components/PageHead.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSite } from '@/shared/composables/useSite'
import { count, moment, number, signed, typed } from '@/shared/format'
import BenchTabs from '../components/BenchTabs.vue'
import BufferLine from '../components/BufferLine.vue'
import { useCalibrations } from '../api'

/** Pens in their buffers: slope, offset, and how far they drifted after the work. */
const queries = useQueryClient()
const { timezone } = useSite()
const { data: calibrations } = useCalibrations()
const latest = computed(() => calibrations.value?.[0] ?? null)
const form = reactive({
    instrument: '',
    in_millivolts: false,
    celsius: '20',
    points: [
        { buffer: '4.01', shown: '' },
        { buffer: '7.00', shown: '' },
        { buffer: '10.01', shown: '' },
    ],
})
const instruments = computed(() => [...new Set((calibrations.value ?? []).map(({ instrument }) => instrument))])
const typedHere = useTyped(
    () => 'a calibration',
    () => 'calibration-new',
    { form },
)
const { save, saving, refusal, wrong } = useSave(
    () =>
        api.post('/calibrations', {
            instrument: form.instrument,
            in_millivolts: form.in_millivolts,
            celsius: typed(form.celsius),
            points: form.points
                .filter(({ buffer, shown }) => buffer.trim() !== '' || shown.trim() !== '')
                .map(({ buffer, shown }) => ({ buffer: typed(buffer), shown: typed(shown) })),
        }),
    async () => {
        for (const point of form.points) point.shown = ''
        typedHere.settle()
        await queries.invalidateQueries({ queryKey: ['calibrations'] })
    },
)
const checking = ref<Schema<'Calibration'> | null>(null)
const [buffer, shown] = [ref(''), ref('')]
const leftOut = ref<number | null>(null)
function check(one: Schema<'Calibration'>): void {
    checking.value = one
    leftOut.value = null
    buffer.value = String(
        one.points.find((point) => Math.abs(point.buffer - 7) < 0.5)?.buffer ?? one.points[0]?.buffer ?? '',
    )
    shown.value = ''
    drift.clear()
}
const drift = useSave(
    () =>
        api.post(
            '/calibrations/{calibration}/drift',
            { buffer: typed(buffer.value), shown: typed(shown.value) },
            { ids: { calibration: checking.value?.id ?? 0 } },
        ),
    async (answer) => {
        checking.value = null
        leftOut.value = answer.left_out ?? 0
        await queries.invalidateQueries()
    },
)
const noDrift = drift.refusal
const unit = (one: Schema<'Calibration'>): string => (one.in_millivolts ? 'mV' : 'pH')
const offset = (one: Schema<'Calibration'>): string => `${signed(one.offset, one.in_millivolts ? 1 : 2)} ${unit(one)}`
const lede = computed(() => {
    const one = latest.value
    if (!calibrations.value) return ''
    if (!one) return 'No pen was calibrated yet. Put it in its buffers before the first run of the day.'
    return one.reasons.length
        ? `${one.instrument} is not fit for work: ${one.reasons[0]}`
        : `${one.instrument} is fit for work: slope ${number(one.slope_percent, 1)} %, offset ${offset(one)}.`
})
</script>

<template>
    <PageHead over="Bench" title="Pens" :lede="lede"><BenchTabs /></PageHead>
    <div class="columns two">
        <form novalidate @submit.prevent="save()">
            <h2>Calibrate a pen</h2>
            <RefusalNote v-if="refusal && !Object.keys(refusal.fields).length" :refusal="refusal" />
            <FormField label="Pen" :wrong="wrong('instrument')" hint="A name that tells it from the others.">
                <el-select
                    v-model="form.instrument"
                    filterable
                    allow-create
                    default-first-option
                    placeholder="Which pen"
                >
                    <el-option v-for="one in instruments" :key="one" :value="one" :label="one" />
                </el-select>
            </FormField>
            <div class="row fields">
                <FormField label="It shows">
                    <el-segmented
                        v-model="form.in_millivolts"
                        :options="[
                            { label: 'pH', value: false },
                            { label: 'mV', value: true },
                        ]"
                    />
                </FormField>
                <FormField label="Buffers at, °C" :wrong="wrong('celsius')"
                    ><el-input v-model="form.celsius" name="celsius" inputmode="decimal"
                /></FormField>
            </div>
            <table class="plain">
                <thead>
                    <tr>
                        <th>pH of the buffer at that temperature</th>
                        <th>It shows, {{ form.in_millivolts ? 'mV' : 'pH' }}</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="(point, i) in form.points" :key="i">
                        <td>
                            <el-input
                                v-model="point.buffer"
                                :aria-label="`pH of buffer ${i + 1}`"
                                inputmode="decimal"
                            />
                            <p v-if="wrong(`points.${i}.buffer`)" class="wrong" role="alert">
                                {{ wrong(`points.${i}.buffer`) }}
                            </p>
                        </td>
                        <td>
                            <el-input
                                v-model="point.shown"
                                :aria-label="`Shown in buffer ${i + 1}`"
                                inputmode="decimal"
                            />
                            <p v-if="wrong(`points.${i}.shown`)" class="wrong" role="alert">
                                {{ wrong(`points.${i}.shown`) }}
                            </p>
                        </td>
                    </tr>
                </tbody>
            </table>
            <p class="row">
                <el-button type="primary" native-type="submit" :loading="saving">Keep the calibration</el-button>
                <button
                    v-if="form.points.length < 6"
                    type="button"
                    class="link"
                    @click="form.points.push({ buffer: '', shown: '' })"
                >
                    Another buffer
                </button>
            </p>
            <p class="note">
                Rinse between buffers, wait until it is steady, and take the pH that the bottle gives for its
                temperature. Buffers are used once.
            </p>
        </form>
        <div>
            <BufferLine v-if="latest" :calibration="latest" />
            <p v-if="leftOut !== null" class="warning" role="status">
                {{
                    leftOut
                        ? `The pen had drifted too far: ${count(leftOut, 'reading')} made with this calibration ` +
                          `${leftOut === 1 ? 'is' : 'are'} now left out of the verdict.`
                        : 'The drift is noted and within what is asked.'
                }}
            </p>
            <form v-if="checking" novalidate class="check" @submit.prevent="drift.save()">
                <h3>{{ checking.instrument }} after the run</h3>
                <RefusalNote :refusal="noDrift" />
                <div class="row fields">
                    <FormField label="Buffer">
                        <el-select v-model="buffer" style="width: 110px">
                            <el-option
                                v-for="point in checking.points"
                                :key="point.buffer"
                                :value="String(point.buffer)"
                                :label="String(point.buffer)"
                            />
                        </el-select>
                    </FormField>
                    <FormField label="It shows now, pH"
                        ><el-input v-model="shown" name="shown" inputmode="decimal"
                    /></FormField>
                </div>
                <el-button native-type="submit" :loading="drift.saving.value">Note the drift</el-button>
            </form>
            <section v-if="calibrations?.length">
                <h2>Calibrations</h2>
                <table class="plain">
                    <thead>
                        <tr>
                            <th>Pen</th>
                            <th>When</th>
                            <th class="num">Slope, %</th>
                            <th class="num">Offset</th>
                            <th class="num">Drift after</th>
                            <th>Fit for work</th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="one in calibrations" :key="one.id">
                            <td>{{ one.instrument }}</td>
                            <td class="narrow">{{ moment(one.at, timezone) }}</td>
                            <td class="num">{{ number(one.slope_percent, 1) }}</td>
                            <td class="num">{{ offset(one) }}</td>
                            <td class="num" :class="{ far: one.drifted }">
                                <template v-if="one.drift !== null"
                                    >{{ signed(one.drift, 2) }}{{ one.drifted ? ', too far' : '' }}</template
                                >
                                <button
                                    v-else
                                    type="button"
                                    class="link"
                                    :aria-label="`Note the drift of ${one.instrument}`"
                                    @click="check(one)"
                                >
                                    note
                                </button>
                            </td>
                            <td class="why">{{ one.reasons.length ? one.reasons.join(' ') : 'yes' }}</td>
                        </tr>
                    </tbody>
                </table>
            </section>
        </div>
    </div>
</template>

<style scoped>
.two {
    grid-template-columns: 380px minmax(0, 1fr);
}
.fields {
    gap: 16px;
    align-items: flex-start;
}
.check {
    border-left: 3px solid var(--gley);
    padding-left: 14px;
    margin: 14px 0;
}
.far {
    color: var(--oxide);
    font-weight: 600;
}
.why {
    max-width: 260px;
    font-size: 12px;
}
</style>
