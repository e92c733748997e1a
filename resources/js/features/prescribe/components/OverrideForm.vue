<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import MeasureField from '@/shared/components/MeasureField.vue'
import { figure, siteUnits } from '@/shared/format'
import { shownIn, unitOf } from '@/shared/measures'

/** Sets another amount against the figures: it asks for a reason, and the reason prints. */
const props = defineProps<{ line: Schema<'ProgramLine'>; part: string }>()
const emit = defineEmits<{ set: [pounds: number, reason: string]; back: []; close: [] }>()
const pounds = ref<number | null | undefined>(props.line.lb_per_acre)
const reason = ref(props.line.override?.reason ?? '')
const ready = computed(() => pounds.value != null && reason.value.trim().length >= 10)
const says = computed(() => (props.line.override ? props.line.override.was : props.line.lb_per_acre))
const of = computed(() => (props.line.key === 'lime' ? 'of the schools’ limestone, ' : ''))
</script>

<template>
    <el-dialog :model-value="true" :title="`${line.what}, ${part}`" width="440" @close="emit('close')">
        <p>
            The figures say
            {{
                says === null ? 'nothing' : `${figure(shownIn(says, 'rate', siteUnits))} ${unitOf('rate', siteUnits)}`
            }}. Another amount prints with its reason, on paper and on the grower’s page.
        </p>
        <FormField :label="`Amount, ${of}${unitOf('rate', siteUnits)}`">
            <MeasureField v-model="pounds" measure="rate" :max="40000" size="default" />
        </FormField>
        <FormField label="Why, in 10 letters or more">
            <el-input v-model="reason" type="textarea" :rows="3" maxlength="500" />
        </FormField>
        <template #footer>
            <el-button v-if="line.override" @click="emit('back')">Take it back</el-button>
            <el-button type="primary" :disabled="!ready" @click="emit('set', pounds ?? 0, reason.trim())">
                Set it
            </el-button>
        </template>
    </el-dialog>
</template>
