<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref } from 'vue'
import { api, type Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useLuck } from '../api'

const props = defineProps<{ policy: Schema<'Policy'>; uses: Schema<'Use'>[] }>()
const emit = defineEmits<{ done: [] }>()
const queries = useQueryClient()
const terms = props.policy.terms
const form = reactive({
    required: terms.required * 100,
    confidence: terms.confidence * 100,
    allowable: terms.allowable,
    change: terms.change,
    // The pages are live, so that a policy begins with bounds that hold however often one looks.
    looking: 'often' as Schema<'PolicyTerms'>['looking'],
    blind: true,
    together: terms.together,
    records: terms.records,
    thresholds: [...terms.thresholds],
    crops: Object.fromEntries(Object.entries(terms.crops).map(([use, limits]) => [use, [...limits]])) as Record<
        string,
        number[]
    >,
    reason: '',
})
const body = (): Schema<'PolicyInput'> => ({
    analyte: props.policy.analyte,
    required: form.required / 100,
    confidence: form.confidence / 100,
    allowable: form.allowable,
    change: form.change,
    crops: form.crops,
    thresholds: form.thresholds,
    looking: form.looking,
    blind: form.blind,
    together: form.together,
    records: form.records,
    reason: form.reason,
})
const { data: luck } = useLuck()
const cost = computed(() => luck.value?.together.find(({ analyte }) => analyte === props.policy.analyte))
const effects = ref<Schema<'PolicyEffect'>[] | null>(null)
const preview = useSave(
    () =>
        api.post('/policies/preview', {
            ...body(),
            reason: form.reason.length < 10 ? 'Looked at beforehand.' : form.reason,
        }),
    (found) => (effects.value = found),
)
const changed = computed(() => (effects.value ?? []).filter(({ was, would }) => would !== null && would !== was))
const unit = computed(() =>
    props.policy.analyte === 'ph'
        ? 'pH'
        : props.policy.terms.scale === 'ratio'
          ? 'factor less 1'
          : props.policy.analyte,
)
const { save, saving, refusal, wrong } = useSave(
    () => api.post('/policies', body()),
    async () => {
        await queries.invalidateQueries()
        emit('done')
    },
)
const name = (code: string) => props.uses.find((use) => use.code === code)?.name ?? code
</script>

<template>
    <el-dialog
        :model-value="true"
        :title="`Policy for ${policy.analyte === 'ph' ? 'pH' : policy.analyte}, version ${policy.version + 1}`"
        width="560"
        @close="emit('done')"
    >
        <p class="note">
            Verdicts signed before keep the policy they were given under. What the evidence says now is judged anew.
        </p>
        <RefusalNote v-if="refusal && !Object.keys(refusal.fields).length" :refusal="refusal" />
        <div class="four">
            <FormField label="Right action needed, %" :wrong="wrong('required')"
                ><el-input-number v-model="form.required" :controls="false" :min="1" :max="99"
            /></FormField>
            <FormField label="Confidence, %" :wrong="wrong('confidence')"
                ><el-input-number v-model="form.confidence" :controls="false" :min="50" :max="99.9"
            /></FormField>
            <FormField :label="`Difference a rate allows, ${unit}`" :wrong="wrong('allowable')"
                ><el-input-number v-model="form.allowable" :controls="false" :min="0.01" :step="0.1"
            /></FormField>
            <FormField :label="`Change to see, ${unit}`" :wrong="wrong('change')"
                ><el-input-number v-model="form.change" :controls="false" :min="0.01" :step="0.1"
            /></FormField>
        </div>
        <FormField label="The evidence is looked at" :wrong="wrong('looking')">
            <el-radio-group v-model="form.looking">
                <el-radio value="once">once, at a number fixed beforehand</el-radio>
                <el-radio value="often"
                    >after every pair: 20 clean pairs instead of 14 prove 80 %, 43 instead of 29 prove 90 %</el-radio
                >
            </el-radio-group>
        </FormField>
        <FormField label="Readings count" :wrong="wrong('blind')">
            <el-radio-group v-model="form.blind">
                <el-radio :value="true">when they were made before the lab’s value was on screen</el-radio>
                <el-radio :value="false">also when the lab’s value was known; they stand apart on the page</el-radio>
            </el-radio-group>
        </FormField>
        <FormField label="Pairs from old records" :wrong="wrong('records')">
            <el-radio-group v-model="form.records">
                <el-radio :value="false">stand apart</el-radio>
                <el-radio :value="true">count beside those made here, though how they were read is not known</el-radio>
            </el-radio-group>
        </FormField>
        <FormField label="The chance of a false verdict holds" :wrong="wrong('together')">
            <el-radio-group v-model="form.together">
                <el-radio :value="false">for each claim by itself</el-radio>
                <el-radio :value="true">for all claims of all tests of this together</el-radio>
            </el-radio-group>
            <p v-if="cost && cost.claims > 1" class="note">
                {{ cost.claims }} are judged now: together, the first to stand needs {{ cost.together }} clean pairs
                instead of {{ cost.alone }}.
            </p>
        </FormField>
        <FormField v-if="!Object.keys(form.crops).length" label="Action limits" :wrong="wrong('thresholds')">
            <el-input-number
                v-for="(limit, i) in form.thresholds"
                :key="i"
                :model-value="limit"
                :controls="false"
                :aria-label="`Action limit ${i + 1}`"
                @change="(value: number | undefined) => (form.thresholds[i] = value ?? limit)"
            />
        </FormField>
        <table v-else class="plain">
            <thead>
                <tr>
                    <th>Use</th>
                    <th class="num">Lime below</th>
                    <th class="num">Too high from</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="(limits, use) in form.crops" :key="use">
                    <td>
                        {{ name(String(use)) }}
                        <span v-if="wrong(`crops.${use}`)" class="wrong">{{ wrong(`crops.${use}`) }}</span>
                    </td>
                    <td v-for="i in [0, 1]" :key="i" class="num">
                        <el-input-number
                            v-model="limits[i]"
                            :controls="false"
                            :min="2.5"
                            :max="11"
                            size="small"
                            :aria-label="`${name(String(use))}, ${i ? 'too high from' : 'lime below'}`"
                        />
                    </td>
                </tr>
            </tbody>
        </table>
        <FormField class="why" label="Why it changes" :wrong="wrong('reason')"
            ><el-input v-model="form.reason" type="textarea" :rows="2" name="reason"
        /></FormField>
        <div v-if="effects" class="effects" role="status">
            <p v-if="!effects.length" class="note">No verdict has been signed on it, so that none would change.</p>
            <p v-else-if="!changed.length" class="note">
                None of {{ effects.length }} signed verdicts would have been another.
            </p>
            <ul v-else>
                <li v-for="one in changed" :key="one.verdict_id">
                    {{ one.method }}, {{ one.claim }}: {{ one.was }} would have been {{ one.would }}.
                </li>
            </ul>
        </div>
        <RefusalNote v-if="preview.refusal.value" :refusal="preview.refusal.value" />
        <div class="row">
            <el-button :loading="preview.saving.value" @click="preview.save()"
                >See what it would have changed</el-button
            >
            <el-button type="primary" :loading="saving" @click="save()">Set version {{ policy.version + 1 }}</el-button>
            <button type="button" class="link" @click="emit('done')">Leave it</button>
        </div>
    </el-dialog>
</template>

<style scoped>
.four {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0 20px;
}
.el-input-number {
    width: 90px;
}
.why {
    margin-top: 14px;
}
td {
    padding-top: 2px !important;
    padding-bottom: 2px !important;
}
</style>
