<script setup lang="ts">
import TypedBefore from '@/shared/components/TypedBefore.vue'
import { useTyped } from '@/shared/composables/useTyped'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref, watch, toRef } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '@/api/client'
import { PracticeLook } from '@/features/practice'
import { SampleLink } from '@/features/send'
import FormField from '@/shared/components/FormField.vue'
import PageHead from '@/shared/components/PageHead.vue'
import PageTurner from '@/shared/components/PageTurner.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import SamplePick from '@/shared/components/SamplePick.vue'
import { standing, type Sample } from '@/shared/samples'
import { useSave } from '@/shared/composables/useSave'
import { useSession } from '@/shared/composables/useSession'
import { useSite } from '@/shared/composables/useSite'
import { count, day, plain, today } from '@/shared/format'
import BandCard from '../components/BandCard.vue'
import BenchTabs from '../components/BenchTabs.vue'
import { useChoices, useMethods, useSamples } from '@/shared/api'
import DateField from '@/shared/components/DateField.vue'

const route = useRoute()
const queries = useQueryClient()
const { me } = useSession()
const { site, siteId, timezone } = useSite()
const methods = useMethods()
const choices = useChoices()
const tests = computed(() =>
    (methods.data.value ?? []).filter((method) => method.workplace === 'bench' && method.analyte !== 'texture'),
)
const kitId = ref<number | null>(null)
const kit = computed(() => tests.value.find(({ id }) => id === kitId.value) ?? tests.value[0])
const labelOf = (sample: Sample): string => {
    const code = sample.portions.find((portion) => portion.kind === 'bench')?.code ?? sample.code
    return `${code}, ${sample.area.name}${standing(sample, kit.value?.id).length ? ', read already' : ''}`
}
const newest = useSamples(siteId, false, {})
const unread = useSamples(siteId, false, () => (kit.value ? { not_read_by: kit.value.id } : null))
const page = ref(1)
watch(kit, () => (page.value = 1))
const read = useSamples(siteId, false, () => (kit.value ? { read_by: kit.value.id, page: page.value } : null))
const waiting = computed(() => unread.data.value?.rows ?? [])
const pending = computed(
    () => methods.isPending.value || newest.isPending.value || (kit.value && unread.isPending.value),
)
const readings = computed(() =>
    (read.data.value?.rows ?? [])
        .flatMap((sample) => standing(sample, kit.value?.id).map((reading) => ({ sample, reading })))
        .sort((a, b) => b.reading.id - a.reading.id),
)
const sampleId = ref<number | null>(Number(route.query.sample) || null)
watch(waiting, () => (sampleId.value ??= waiting.value[0]?.id ?? null), { immediate: true })
const form = reactive({ reading: '', read_on: '', reader: '', flags: [] as string[], note: '' })
watch(
    [timezone, me],
    () => {
        form.read_on ||= site.value ? today(timezone.value) : ''
        form.reader ||= me.value?.name ?? ''
    },
    { immediate: true },
)

const typedHere = useTyped(
    () => 'a reading',
    () => `by-hand-${siteId.value}`,
    { reading: toRef(form, 'reading'), flags: toRef(form, 'flags'), note: toRef(form, 'note') },
)
const { save, saving, refusal, wrong } = useSave(
    () =>
        api.post(
            '/samples/{sample}/readings',
            { ...form, reading: plain(form.reading), method_id: kit.value?.id ?? 0 },
            { ids: { sample: sampleId.value ?? 0 } },
        ),
    async () => {
        Object.assign(form, { reading: '', flags: [], note: '' })
        typedHere.settle()
        await queries.invalidateQueries()
        sampleId.value = waiting.value[0]?.id ?? null
    },
)
</script>

<template>
    <template v-if="site && !pending">
        <PageHead
            :over="kit ? `${kit.name}, lot ${kit.lot}` : site.name"
            title="By hand"
            :lede="
                unread.data.value?.total
                    ? `${unread.data.value.more ? 'More than ' : ''}${count(unread.data.value.total, 'bench portion')} to read.`
                    : newest.data.value?.total
                      ? 'Every bench portion has been read.'
                      : 'No composite yet. Pull a plan first.'
            "
        >
            <BenchTabs />
        </PageHead>
        <div class="columns two">
            <form novalidate v-if="kit && newest.data.value?.total" @submit.prevent="save()">
                <TypedBefore :typed="typedHere" />
                <h2>Write down a reading</h2>
                <p class="note">
                    One that was made without the bench page to lead it. A run times the steps and records how it was
                    really done.
                </p>
                <RefusalNote v-if="refusal && !Object.keys(refusal.fields).length" :refusal="refusal" />
                <FormField v-if="tests.length > 1" label="Test">
                    <el-select
                        :model-value="kit.id"
                        @update:model-value="(id: number) => ((kitId = id), (form.reading = ''))"
                    >
                        <el-option v-for="test in tests" :key="test.id" :value="test.id" :label="test.name" />
                    </el-select>
                </FormField>
                <FormField label="Bench portion">
                    <SamplePick v-model="sampleId" :results="false" placeholder="Which portion" :label="labelOf" />
                </FormField>
                <PracticeLook :sample-id="sampleId" :method-id="kit.id" :reader="form.reader" :flags="form.flags" />
                <BandCard v-if="kit.bands" v-model="form.reading" :bands="kit.bands" :wrong="wrong('reading')" />
                <FormField v-else label="What it showed" :wrong="wrong('reading')"
                    ><el-input v-model="form.reading" name="reading" inputmode="decimal"
                /></FormField>
                <fieldset>
                    <legend>Was the protocol broken?</legend>
                    <el-checkbox-group v-model="form.flags" class="breaks">
                        <el-checkbox
                            v-for="one in choices.data.value?.protocol_breaks ?? []"
                            :key="one.code"
                            :value="one.code"
                        >
                            {{ one.name }}
                        </el-checkbox>
                    </el-checkbox-group>
                    <p class="note">
                        A reading with any of these is kept and shown, and left out of the verdict by rule.
                    </p>
                </fieldset>
                <div class="row pair">
                    <FormField label="Read on" :wrong="wrong('read_on')">
                        <DateField v-model="form.read_on" name="read_on" />
                    </FormField>
                    <FormField label="By" :wrong="wrong('reader')"
                        ><el-input v-model="form.reader" name="reader"
                    /></FormField>
                </div>
                <FormField label="Note" :wrong="wrong('note')"><el-input v-model="form.note" name="note" /></FormField>
                <el-button type="primary" native-type="submit" :loading="saving" :disabled="sampleId === null">
                    Record the reading
                </el-button>
                <p class="note after">
                    Light behind the reader, tube close to the card, pale ground behind it. Gloves and goggles; keep the
                    kit’s safety sheet at hand.
                </p>
            </form>
            <p v-else-if="!newest.data.value?.total"><RouterLink to="/pull">To the plans that wait</RouterLink></p>
            <section>
                <h2>Read so far</h2>
                <table class="plain">
                    <thead>
                        <tr>
                            <th>Composite</th>
                            <th>Area</th>
                            <th class="num">Band</th>
                            <th>On</th>
                            <th>By</th>
                            <th>Left out because</th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="{ sample, reading } in readings" :key="reading.id">
                            <td><SampleLink :id="sample.id" :code="sample.code" /></td>
                            <td class="narrow">{{ sample.area.name }}</td>
                            <td class="num">{{ reading.as_reported }}</td>
                            <td class="narrow">{{ day(reading.read_on) }}</td>
                            <td class="narrow">{{ reading.reader }}</td>
                            <td>{{ reading.flags.map((flag) => flag.name).join(', ') }}</td>
                        </tr>
                    </tbody>
                </table>
                <PageTurner
                    v-if="read.data.value"
                    :of="read.data.value"
                    label="Pages of readings"
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
.breaks {
    display: grid;
    grid-template-columns: 1fr 1fr;
    line-height: 1.2;
    row-gap: 6px;
    margin-bottom: 8px;
}
.breaks :deep(.el-checkbox) {
    margin-right: 6px;
    height: auto;
    min-height: 28px;
}
.breaks :deep(.el-checkbox__label) {
    white-space: normal;
}
.pair {
    gap: 16px;
    align-items: flex-start;
}
.pair .field {
    flex: 1;
}
@media (min-width: 1200px) {
    .narrow {
        white-space: nowrap;
    }
}
.after {
    margin-top: 14px;
}
</style>
