<script setup lang="ts">
import TypedBefore from '@/shared/components/TypedBefore.vue'
import { useTyped } from '@/shared/composables/useTyped'
import { computed, ref } from 'vue'
import type { Refused, Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import ConditionEditor from './ConditionEditor.vue'
import type { Draft } from '../definition'
import ListEditor from './ListEditor.vue'
import ScaleEditor from './ScaleEditor.vue'
import StepEditor from './StepEditor.vue'

/** A method's definition, new or to be revised; the scale is open only while it is new. */
const props = defineProps<{
    fresh: boolean
    analytes: Schema<'NamedCode'>[]
    breaks: Schema<'NamedCode'>[]
    refusal: Refused | null
    saving: boolean
    act: string
}>()
const emit = defineEmits<{ save: [why: string]; leave: [] }>()
const draft = defineModel<Draft>({ required: true })
const why = ref(props.fresh ? 'As the leaflet of the kit says.' : '')
const wrong = (field: string): string | undefined => props.refusal?.fields[field]?.[0]
const reagents = computed({
    get: () => draft.value.reagents.map(({ name }) => name),
    set: (names) => (draft.value.reagents = names.map((name) => ({ name }))),
})
const typedHere = useTyped(
    () => 'a method',
    () => `method-${props.fresh ? 'new' : String(draft.value.name)}`,
    { draft, why },
)
/** Blank lines of a list are for typing, not for keeping. */
function save(): void {
    draft.value.reagents = draft.value.reagents.filter(({ name }) => name.trim() !== '')
    draft.value.hazards = draft.value.hazards.filter((line) => line.trim() !== '')
    emit('save', why.value)
}
</script>

<template>
    <form novalidate @submit.prevent="save">
        <TypedBefore :typed="typedHere" />
        <RefusalNote v-if="refusal && !Object.keys(refusal.fields).length" :refusal="refusal" />
        <div class="row fields">
            <FormField label="Name it has here"
                ><el-input v-model="draft.name" name="name" style="width: 260px"
            /></FormField>
            <template v-if="fresh">
                <FormField label="It measures">
                    <el-select v-model="draft.analyte" style="width: 150px">
                        <el-option v-for="{ code, name } in analytes" :key="code" :value="code" :label="name" />
                    </el-select>
                </FormField>
                <FormField label="In"><el-input v-model="draft.unit" name="unit" style="width: 80px" /></FormField>
            </template>
            <FormField label="Cost a test, cents"
                ><el-input-number v-model="draft.cost_cents" :min="0" :controls="false"
            /></FormField>
            <FormField label="Minutes a test"
                ><el-input-number v-model="draft.minutes" :min="0" :step="0.5" :controls="false"
            /></FormField>
            <FormField label="Readings of a portion"
                ><el-input-number v-model="draft.readings" :min="1" :max="10"
            /></FormField>
            <template v-if="draft.celsius">
                <FormField label="Coldest, °C"
                    ><el-input-number v-model="draft.celsius.lowest" :controls="false" class="short"
                /></FormField>
                <FormField label="Warmest, °C"
                    ><el-input-number v-model="draft.celsius.highest" :controls="false" class="short"
                /></FormField>
            </template>
        </div>
        <h3>Steps</h3>
        <StepEditor v-model="draft.steps" :breaks="breaks" />
        <h3>Scale</h3>
        <ScaleEditor v-model="draft.scale" :open="fresh" :unit="draft.unit" />
        <h3>Conditions</h3>
        <ConditionEditor v-model="draft.conditions" :breaks="breaks" />
        <div class="lists">
            <ListEditor v-model="reagents" label="Reagents, one a line" hint="Each is noted by its lot." />
            <ListEditor
                v-model="draft.hazards"
                label="Cautions, one a line"
                hint="Shown wherever the method is worked."
            />
        </div>
        <FormField :label="fresh ? 'Where it is from' : 'Why it changes'" :wrong="wrong('why')"
            ><el-input v-model="why" name="why"
        /></FormField>
        <p v-if="wrong('definition')" class="wrong" role="alert">{{ wrong('definition') }}</p>
        <div class="row">
            <el-button type="primary" native-type="submit" :loading="saving">{{ act }}</el-button>
            <button type="button" class="link" @click="emit('leave')">
                {{ fresh ? 'Not now' : 'Leave it as it is' }}
            </button>
        </div>
    </form>
</template>

<style scoped>
.fields {
    align-items: flex-start;
    gap: 16px;
}
.fields :deep(.el-input-number) {
    width: 120px;
}
.fields :deep(.short) {
    width: 76px;
}
.lists {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 20px;
    margin-top: 14px;
}
h3 {
    margin: 14px 0 4px;
}
</style>
