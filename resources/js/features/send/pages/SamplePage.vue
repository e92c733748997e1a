<script setup lang="ts">
import { useTyped } from '@/shared/composables/useTyped'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, type Schema } from '@/api/client'
import CoreGlyph from '@/shared/components/CoreGlyph.vue'
import FormField from '@/shared/components/FormField.vue'
import PageHead from '@/shared/components/PageHead.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import type { Reading } from '@/shared/samples'
import { useSave } from '@/shared/composables/useSave'
import { useSession } from '@/shared/composables/useSession'
import { useSite } from '@/shared/composables/useSite'
import { count, day, depth, today } from '@/shared/format'
import PortionPanel from '../components/PortionPanel.vue'
import SplitForm from '../components/SplitForm.vue'
import { useChoices, useMethods } from '@/shared/api'
import { useSample } from '../api'

const route = useRoute()
const queries = useQueryClient()
const { me } = useSession()
const { timezone } = useSite()
const { data: known } = useMethods()
const methods = computed(() => known.value ?? [])
const splitting = ref(false)
const id = computed(() => Number(route.params.sample))
const { data: sample, error } = useSample(id)
const lost = computed(
    () => sample.value?.pulls.filter((pull) => pull.outcome === 'refused' || pull.outcome === 'skipped') ?? [],
)
const said = computed(() => {
    const { tool, moisture, weather, helper } = sample.value?.conditions ?? {}
    return [tool, moisture && `${moisture} soil`, weather, helper && `with ${helper}`].filter(Boolean).join(', ')
})
const methodOf = (reading: Reading): Schema<'Method'> | undefined =>
    methods.value.find((method) => method.id === reading.method_id)

const correcting = ref<Reading | null>(null)
const form = reactive({ reading: '', note: '', flags: [] as string[] })
const choices = useChoices()
const typedHere = useTyped(
    () => 'a correction',
    () => (correcting.value ? `correction-${correcting.value.id}` : ''),
    { form },
)
const { save, saving, refusal, wrong, clear } = useSave(
    () => {
        const old = correcting.value as Reading
        return api.post(
            '/samples/{sample}/readings',
            {
                method_id: old.method_id,
                reading: form.reading,
                read_on: today(timezone.value),
                reader: me.value?.name ?? old.reader,
                flags: form.flags,
                note: form.note,
                corrects_id: old.id,
            },
            { ids: { sample: id.value } },
        )
    },
    async () => {
        typedHere.settle()
        correcting.value = null
        await queries.invalidateQueries()
    },
)
function correct(reading: Reading): void {
    clear()
    correcting.value = reading
    Object.assign(form, { reading: reading.as_reported, note: '', flags: reading.flags.map((flag) => flag.code) })
    typedHere.begin()
}
watch(
    sample,
    (found) => {
        const asked = found?.readings.find(
            (reading) => reading.id === Number(route.query.correct) && !reading.corrected,
        )
        if (asked && !correcting.value) correct(asked)
    },
    { immediate: true },
)
</script>

<template>
    <p v-if="error" class="wrong">{{ error.message }}</p>
    <template v-if="sample">
        <PageHead :over="`${sample.site.name}, ${sample.area.name}`" :title="`Composite ${sample.code}`">
            <RouterLink :to="`/samples/${sample.id}/labels`">Print the labels</RouterLink>
        </PageHead>
        <div class="columns two">
            <section>
                <h2>Readings</h2>
                <table v-if="sample.readings.length" class="plain">
                    <thead>
                        <tr>
                            <th>Method</th>
                            <th class="num">As read</th>
                            <th>On</th>
                            <th>By</th>
                            <th>Protocol</th>
                            <th><span class="sr">What may be done</span></th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="reading in sample.readings" :key="reading.id" :class="{ struck: reading.corrected }">
                            <td>{{ reading.method }}</td>
                            <td class="num">{{ reading.as_reported }}</td>
                            <td>{{ day(reading.read_on) }}</td>
                            <td>{{ reading.reader }}</td>
                            <td>
                                {{
                                    reading.flags.length
                                        ? `left out: ${reading.flags.map((flag) => flag.name).join(', ')}`
                                        : methodOf(reading)?.workplace === 'bench'
                                          ? 'kept'
                                          : ''
                                }}
                                <span v-if="reading.seen_before" class="note"
                                    >read after the lab’s value was known</span
                                >
                                <span v-if="reading.note" class="note">{{ reading.note }}</span>
                            </td>
                            <td>
                                <span v-if="reading.corrected" class="note">corrected below</span>
                                <button v-else type="button" class="link" @click="correct(reading)">Correct</button>
                            </td>
                        </tr>
                    </tbody>
                </table>
                <p v-else>
                    Nothing has been read yet:
                    <RouterLink :to="`/bench?sample=${sample.id}`">read the bench portion</RouterLink>, or
                    <RouterLink :to="`/reports?sample=${sample.id}`">enter the lab’s pH</RouterLink>
                </p>
                <form novalidate v-if="correcting" class="correct" @submit.prevent="save()">
                    <h3>Correct {{ correcting.method }}</h3>
                    <p class="note">The old reading stays, struck out; this one takes its place.</p>
                    <RefusalNote v-if="refusal && !Object.keys(refusal.fields).length" :refusal="refusal" />
                    <FormField label="Right reading" :wrong="wrong('reading')">
                        <el-select v-if="methodOf(correcting)?.bands" v-model="form.reading" style="width: 120px">
                            <el-option
                                v-for="band in methodOf(correcting)?.bands ?? []"
                                :key="band.name"
                                :value="band.name"
                            />
                        </el-select>
                        <el-input v-else v-model="form.reading" name="reading" style="width: 120px" />
                    </FormField>
                    <fieldset v-if="methodOf(correcting)?.workplace === 'bench'">
                        <legend>Protocol breaks; none puts the reading back</legend>
                        <el-checkbox-group v-model="form.flags" class="breaks">
                            <el-checkbox
                                v-for="one in choices.data.value?.protocol_breaks ?? []"
                                :key="one.code"
                                :value="one.code"
                            >
                                {{ one.name }}
                            </el-checkbox>
                        </el-checkbox-group>
                    </fieldset>
                    <FormField label="Why" :wrong="wrong('note')"
                        ><el-input v-model="form.note" name="note"
                    /></FormField>
                    <div class="row">
                        <el-button type="primary" native-type="submit" :loading="saving"
                            >Record the correction</el-button
                        >
                        <button type="button" class="link" @click="(typedHere.drop(), (correcting = null))">
                            Leave it
                        </button>
                    </div>
                </form>
                <h2 class="portions">Portions</h2>
                <PortionPanel
                    v-for="portion in sample.portions"
                    :id="portion.id"
                    :key="portion.id"
                    :open="Number(route.query.portion) === portion.id"
                />
                <SplitForm v-if="splitting" :sample="sample" @done="splitting = false" />
                <button v-else type="button" class="link" @click="splitting = true">Split off another portion</button>
            </section>
            <aside>
                <h2>The sample</h2>
                <div class="facts">
                    <CoreGlyph :depth="sample.depth" :width="15" :scale="1.2" />
                    <table class="plain">
                        <tbody>
                            <tr>
                                <td>Depth</td>
                                <td>{{ depth(sample.depth) }}</td>
                            </tr>
                            <tr>
                                <td>Pulled</td>
                                <td>{{ day(sample.pulled_on) }}, {{ sample.pulled_by }}</td>
                            </tr>
                            <tr>
                                <td>Cores</td>
                                <td>{{ sample.cores_pulled }} of {{ sample.cores_planned }}</td>
                            </tr>
                            <tr v-if="said">
                                <td>How</td>
                                <td>{{ said }}</td>
                            </tr>
                            <tr v-if="sample.note">
                                <td>Note</td>
                                <td>{{ sample.note }}</td>
                            </tr>
                        </tbody>
                    </table>
                </div>
                <p v-if="sample.deviations.length" class="warning">
                    Every reading of it carries: {{ sample.deviations.join('; ') }}.
                </p>
                <p v-if="lost.length" class="note">
                    {{ count(lost.length, 'core') }} did not come up:
                    {{ lost.map((pull) => `${pull.sequence} ${pull.reason || pull.outcome}`).join(', ') }}.
                </p>
                <p v-if="sample.photos.length" class="photos">
                    <a v-for="photo in sample.photos" :key="photo" :href="`/api/photos/${photo}`" target="_blank"
                        ><img :src="`/api/photos/${photo}`" alt="Photo of the pull"
                    /></a>
                </p>
                <p>
                    <RouterLink :to="`/plans/${sample.area.id}?plan=${sample.plan_id}`">Its plan</RouterLink>, and
                    <RouterLink :to="`/prescribe/${sample.area.id}`">what may be recommended</RouterLink>
                </p>
            </aside>
        </div>
    </template>
</template>

<style scoped>
.portions {
    margin-top: 22px;
}
.photos img {
    width: 88px;
    height: 66px;
    object-fit: cover;
    border: 1px solid var(--ink);
    margin-right: 6px;
}
.two {
    grid-template-columns: minmax(0, 1fr) 300px;
}
.struck td:nth-child(-n + 5) {
    text-decoration: line-through;
    color: var(--ink-2);
}
.correct {
    margin-top: 18px;
    max-width: 380px;
}
.breaks {
    display: grid;
    line-height: 1.2;
}
.facts {
    margin-top: 6px;
    display: flex;
    gap: 12px;
    margin-bottom: 10px;
}
</style>
