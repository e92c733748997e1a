<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import { api, type Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import OneOf from '@/shared/components/OneOf.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { acresAndHectares, number } from '@/shared/format'
import { noFacts, type Facts } from '../facts'
import StoredBeside from '@/shared/components/StoredBeside.vue'
import TypedBefore from '@/shared/components/TypedBefore.vue'
import { useTyped } from '@/shared/composables/useTyped'
import FactsForm from './FactsForm.vue'

const props = defineProps<{
    siteId: number
    area: Schema<'Area'> | null
    boundary: Schema<'Geometry'> | null
    extent: Schema<'Extent'> | null
    boundaryWrong: string | null
    uses: Schema<'Use'>[]
    modifying: boolean
}>()
const emit = defineEmits<{
    saved: [area: Schema<'Area'>]
    taken: [id: number]
    cancel: []
    modify: []
    split: []
    cut: []
    hole: []
}>()
const form = reactive({
    name: props.area?.name ?? '',
    use: props.area?.use ?? '',
    history: props.area?.history ?? '',
    keep_name: false,
})
const facts = ref<Facts>(props.area ? (JSON.parse(JSON.stringify(props.area.facts)) as Facts) : noFacts())

const typedHere = useTyped(
    () => props.area?.name ?? 'a new area',
    () => (props.area ? `area-${props.area.id}` : `area-new-${props.siteId}`),
    { form, facts },
)
const beside = computed(() =>
    stored.value
        ? [
              { what: 'Name', stored: stored.value.name, typed: form.name },
              { what: 'Use', stored: stored.value.use, typed: form.use },
              { what: 'History', stored: stored.value.history, typed: form.history },
              { what: 'Extent', stored: acresAndHectares(stored.value.area_m2), typed: 'as drawn here' },
          ]
        : [],
)
function take(): void {
    typedHere.drop()
    emit('taken', stored.value?.id ?? 0)
}
/** The state the edit began from; where somebody saved meanwhile, what is stored is shown beside it. */
const state = ref(props.area?.state)
const stored = ref<Schema<'Area'> | null>(null)
/** What was saved or taken back elsewhere, as long as nothing is typed here. */
watch(
    () => props.area?.state,
    (now) => {
        if (!props.area || now === state.value || typedHere.changed.value) return
        Object.assign(form, { name: props.area.name, use: props.area.use, history: props.area.history })
        facts.value = JSON.parse(JSON.stringify(props.area.facts)) as Facts
        state.value = now
        typedHere.settle()
    },
)
const { save, saving, refusal, wrong } = useSave(
    () => {
        const body = { ...form, facts: facts.value, boundary: props.boundary ?? props.area!.boundary }
        return props.area
            ? api.put('/areas/{area}', { ...body, state: state.value ?? '' }, { ids: { area: props.area.id } })
            : api.post('/sites/{site}/areas', body, { ids: { site: props.siteId } })
    },
    (area) => {
        state.value = area.state
        typedHere.settle()
        emit('saved', area)
    },
)
watch(refusal, async (said) => {
    stored.value =
        said?.status === 409 && props.area
            ? ((await api.get('/sites/{site}', { ids: { site: props.siteId } })).areas?.find(
                  ({ id }) => id === props.area?.id,
              ) ?? null)
            : null
})
async function saveOver(): Promise<void> {
    state.value = stored.value?.state
    await save()
}
watch(
    () => form.name,
    () => (form.keep_name = false),
)
const questioned = (text: string | undefined): boolean => text?.includes('such as') ?? false
</script>

<template>
    <form novalidate @submit.prevent="save()">
        <h2>{{ area ? area.name : 'A new area' }}</h2>
        <p class="extent" aria-live="polite">
            <strong>{{
                extent ? acresAndHectares(extent.area_m2) : area ? acresAndHectares(area.area_m2) : 'Not drawn yet'
            }}</strong>
        </p>
        <div v-for="reason in area?.advice ?? []" :key="reason" class="warning">
            <span>{{ reason }} <button type="button" class="link" @click="emit('split')">Split it</button></span>
        </div>
        <p v-if="boundaryWrong" class="wrong" role="alert">{{ boundaryWrong }}</p>
        <RefusalNote v-if="refusal && Object.keys(refusal.fields).length === 0" :refusal="refusal" />
        <TypedBefore :typed="typedHere" />
        <StoredBeside v-if="stored" :rows="beside" @take="take" @over="saveOver" />
        <p v-if="wrong('boundary')" class="wrong" role="alert">{{ wrong('boundary') }}</p>
        <FormField label="Name" :wrong="wrong('name')" hint="Where it lies or what it is: a name that lasts">
            <el-input v-model="form.name" name="area-name" maxlength="80" />
        </FormField>
        <el-checkbox v-if="questioned(wrong('name'))" v-model="form.keep_name" class="keep"
            >Keep this name all the same</el-checkbox
        >
        <FormField label="Use" :wrong="wrong('use')">
            <OneOf
                v-model="form.use"
                size="default"
                placeholder="What grows here"
                :options="
                    uses.map(
                        (use) => [use.code, `${use.name}, pH ${number(use.low, 1)} to ${number(use.high, 1)}`] as const,
                    )
                "
            />
        </FormField>
        <FormField
            label="History"
            :wrong="wrong('history')"
            hint="Lime, fertiliser, manure, compost; wet spots; what stood here"
        >
            <el-input v-model="form.history" type="textarea" :rows="4" name="history" maxlength="2000" />
        </FormField>
        <details class="facts">
            <summary>Facts that decide what is sampled apart</summary>
            <FactsForm v-model="facts" />
        </details>
        <div class="row">
            <el-button type="primary" native-type="submit" :loading="saving">{{
                area ? 'Save changes' : 'Add the area'
            }}</el-button>
            <el-button v-if="area && !modifying" @click="emit('modify')">Move its corners</el-button>
            <button type="button" class="link" @click="(typedHere.drop(), emit('cancel'))">
                {{ area ? 'Close' : 'Discard' }}
            </button>
        </div>
        <p v-if="area && !modifying" class="note after">
            <button type="button" class="link" @click="emit('cut')">Cut it along a line</button>, or
            <button type="button" class="link" @click="emit('hole')">take a piece out</button>
        </p>
        <p v-if="area" class="note after">
            <RouterLink :to="`/plans/${area.id}`">Plan its cores</RouterLink>, or see
            <RouterLink :to="`/prescribe/${area.id}`">its recommendation</RouterLink> and
            <RouterLink :to="`/follow-up/areas/${area.id}`">its history</RouterLink>, and
            <RouterLink :to="`/changes?kind=area&record=${area.id}`">what was changed of it</RouterLink>
        </p>
    </form>
</template>

<style scoped>
.extent {
    font-size: 15px;
    margin: 2px 0 10px;
}
.keep {
    margin: -8px 0 10px;
}
.after {
    margin-top: 14px;
}
.facts {
    margin-bottom: 12px;
}
summary {
    cursor: pointer;
    font-weight: 600;
    font-size: 12.5px;
    margin-bottom: 8px;
}
</style>
