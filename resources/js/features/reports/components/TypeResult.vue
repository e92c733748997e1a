<script setup lang="ts">
import { useTyped } from '@/shared/composables/useTyped'
import TypedBefore from '@/shared/components/TypedBefore.vue'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, type Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import { plain } from '@/shared/format'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import SamplePick from '@/shared/components/SamplePick.vue'
import { standing, type Sample } from '@/shared/samples'
import { useSave } from '@/shared/composables/useSave'
import DateField from '@/shared/components/DateField.vue'

/** The lab's results of one composite, typed from a paper report. */
const props = defineProps<{ methods: Schema<'Method'>[]; start: number | null; day: string }>()
const queries = useQueryClient()
const sampleId = ref<number | null>(props.start)
const sample = ref<Sample | null>(null)
const typedIn = ref<Record<number, string>>({})
const readOn = ref(props.day)
const title = (method: Schema<'Method'>) =>
    method.school ? `Buffer pH, ${method.school === 'smp' ? 'SMP' : 'Mehlich'}` : 'pH in water'
const free = computed(() =>
    props.methods.filter((method) => sample.value && standing(sample.value, method.id).length === 0),
)
const typedHere = useTyped(
    () => 'results of a composite',
    () => (sampleId.value ? `results-${sampleId.value}` : ''),
    { typedIn },
)
watch(sampleId, () => {
    typedIn.value = {}
    typedHere.begin()
})

const given = computed(() => free.value.filter((method) => (typedIn.value[method.id] ?? '').trim() !== ''))
const { save, saving, refusal, wrong } = useSave(
    () =>
        api.post(
            '/samples/{sample}/results',
            {
                read_on: readOn.value,
                results: given.value.map((method) => ({
                    method_id: method.id,
                    reading: plain(typedIn.value[method.id] ?? ''),
                })),
            },
            { ids: { sample: sampleId.value ?? 0 } },
        ),
    async () => {
        typedIn.value = {}
        typedHere.settle()
        await queries.invalidateQueries()
    },
)
const wrongOf = (method: Schema<'Method'>) => wrong(`results.${given.value.indexOf(method)}.reading`)
</script>

<template>
    <form novalidate @submit.prevent="save()">
        <RefusalNote v-if="refusal && !Object.keys(refusal.fields).length" :refusal="refusal" />
        <FormField label="Composite">
            <SamplePick
                v-model="sampleId"
                :results="true"
                placeholder="Which composite"
                :label="(one) => `${one.code}, ${one.area.name}`"
                @picked="(one) => (sample = one)"
            />
        </FormField>
        <template v-if="sample">
            <TypedBefore :typed="typedHere" />
            <FormField v-for="method in free" :key="method.id" :label="title(method)" :wrong="wrongOf(method)">
                <el-input
                    v-model="typedIn[method.id]"
                    :name="method.code"
                    inputmode="decimal"
                    :aria-label="title(method)"
                    style="width: 120px"
                />
            </FormField>
            <p v-if="wrong('results')" class="wrong" role="alert">{{ wrong('results') }}</p>
            <p v-if="!free.length" class="note">
                All its results are in.
                <RouterLink :to="`/samples/${sample.id}`">Correct one on its page</RouterLink>
            </p>
            <FormField label="Reported on" :wrong="wrong('read_on')">
                <DateField v-model="readOn" name="read_on" style="width: 160px" />
            </FormField>
            <el-button type="primary" native-type="submit" :loading="saving" :disabled="!free.length"
                >Store the results</el-button
            >
        </template>
    </form>
</template>
