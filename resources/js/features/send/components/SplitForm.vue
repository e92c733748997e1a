<script setup lang="ts">
import { useTyped } from '@/shared/composables/useTyped'
import { useQueryClient } from '@tanstack/vue-query'
import { reactive, toRef } from 'vue'
import { api, type Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { optional, portionName } from '@/shared/format'

/** Another portion of the composite: a second lab's, one for the archive, or a duplicate under another code. */
const props = defineProps<{ sample: Schema<'Sample'> }>()
const emit = defineEmits<{ done: [] }>()
const queries = useQueryClient()
const dry = props.sample.portions.some((portion) => !['split', 'drying', 'chilled', 'frozen'].includes(portion.state))
const form = reactive({ kind: 'archive' as Schema<'SplitInput'>['kind'], volume: '', tests: '', dry })
const typedHere = useTyped(
    () => 'a portion to split off',
    () => `split-${props.sample.id}`,
    { volume: toRef(form, 'volume'), tests: toRef(form, 'tests') },
)
const { save, saving, refusal, wrong } = useSave(
    () =>
        api.post(
            '/samples/{sample}/portions',
            {
                kind: form.kind,
                volume_ml: optional(form.volume),
                tests: form.tests
                    .split(/[,;]/)
                    .map((test) => test.trim().toLowerCase())
                    .filter(Boolean),
                at: new Date().toISOString(),
                dry: form.dry,
            },
            { ids: { sample: props.sample.id } },
        ),
    async () => {
        typedHere.settle()
        await queries.invalidateQueries()
        emit('done')
    },
)
</script>

<template>
    <form novalidate class="split" @submit.prevent="save()">
        <h3>Split off another portion</h3>
        <RefusalNote :refusal="refusal" />
        <div class="row">
            <FormField label="Which" :wrong="wrong('kind')">
                <el-select v-model="form.kind" style="width: 190px">
                    <el-option
                        v-for="kind in ['archive', 'lab_b', 'hidden']"
                        :key="kind"
                        :value="kind"
                        :label="portionName(kind)"
                    />
                </el-select>
            </FormField>
            <FormField label="Soil, ml" :wrong="wrong('volume_ml')"
                ><el-input v-model="form.volume" name="volume" style="width: 90px"
            /></FormField>
            <FormField label="Tests" :wrong="wrong('tests')"
                ><el-input v-model="form.tests" name="tests" placeholder="ph, mehlich" style="width: 150px"
            /></FormField>
        </div>
        <el-checkbox v-model="form.dry">The soil is dry and mixed</el-checkbox>
        <p v-if="form.kind === 'hidden'" class="note">
            It goes under a number of its own, and its label and list read as those of one more composite. Only your
            records know.
        </p>
        <div class="row">
            <el-button type="primary" native-type="submit" :loading="saving">Split it off</el-button>
            <button type="button" class="link" @click="emit('done')">Leave it</button>
        </div>
    </form>
</template>

<style scoped>
.split {
    background: var(--sheet);
    border: 1px solid var(--rule);
    padding: 10px;
    margin: 10px 0;
}
</style>
