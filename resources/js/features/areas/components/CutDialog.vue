<script setup lang="ts">
import { reactive } from 'vue'
import { api, type Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'

/** Names for the two parts of an area that is cut. */
const props = defineProps<{ area: Schema<'Area'>; line: Schema<'Geometry'> | null }>()
const emit = defineEmits<{ done: [areas: Schema<'Area'>[]]; cancel: [] }>()
const names = reactive([props.area.name, `${props.area.name}, other part`])
const { save, saving, refusal, wrong } = useSave(
    () => api.post('/areas/{area}/cut', { line: props.line, names: [...names] }, { ids: { area: props.area.id } }),
    (areas) => emit('done', areas),
)
</script>

<template>
    <el-dialog :model-value="true" title="Cut the area in two" width="440" @close="emit('cancel')">
        <p v-if="!line">It is cut across its middle, at right angles to its longer side.</p>
        <p class="note">The larger part keeps its plans and samples; both keep use, history and facts.</p>
        <RefusalNote v-if="refusal && !Object.keys(refusal.fields).length" :refusal="refusal" />
        <FormField label="The larger part" :wrong="wrong('names.0')"
            ><el-input v-model="names[0]" maxlength="80"
        /></FormField>
        <FormField label="The other part" :wrong="wrong('names.1')"
            ><el-input v-model="names[1]" maxlength="80"
        /></FormField>
        <div class="row">
            <el-button type="primary" :loading="saving" @click="save()">Cut it</el-button>
            <button type="button" class="link" @click="emit('cancel')">Leave it whole</button>
        </div>
    </el-dialog>
</template>
