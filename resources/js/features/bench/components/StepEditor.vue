<script setup lang="ts">
import type { Schema } from '@/api/client'
import OneOf from '@/shared/components/OneOf.vue'
import { codeOf, turned, type StepDraft } from '../definition'

/** The steps of a method in their order, each with its kind, its times and what a wrong time breaks. */
defineProps<{ breaks: Schema<'NamedCode'>[] }>()
const steps = defineModel<StepDraft[]>({ required: true })
const KINDS: [StepDraft['kind'], string][] = [
    ['act', 'do'],
    ['timed', 'do for a time'],
    ['wait', 'wait'],
    ['read', 'read'],
]

function addStep(at: number): void {
    const code = codeOf(
        'step',
        steps.value.map((step) => step.code),
    )
    steps.value = [...steps.value.slice(0, at), { code, kind: 'act', do: '', hands_s: 10 }, ...steps.value.slice(at)]
}
function kindOf(step: StepDraft, kind: StepDraft['kind']): void {
    steps.value = steps.value.map((one) => (one === step ? turned(step, kind) : one))
}
</script>

<template>
    <table class="plain">
        <thead>
            <tr>
                <th>Step</th>
                <th>Kind</th>
                <th>Amount</th>
                <th class="num">At least, s</th>
                <th class="num">Aim, s</th>
                <th class="num">At most, s</th>
                <th>Too short</th>
                <th>Too long</th>
                <th><span class="sr">Change the order</span></th>
            </tr>
        </thead>
        <tbody>
            <tr v-for="(step, i) in steps" :key="step.code">
                <td><el-input v-model="step.do" size="small" :aria-label="`What to do in step ${i + 1}`" /></td>
                <td>
                    <OneOf
                        :model-value="step.kind"
                        :options="KINDS"
                        class="kind"
                        :aria-label="`Kind of step ${i + 1}`"
                        @update:model-value="(kind) => kind && kindOf(step, kind)"
                    />
                </td>
                <td>
                    <el-input
                        :model-value="step.amount ?? ''"
                        size="small"
                        :aria-label="`Amount of step ${i + 1}`"
                        @update:model-value="(text: string) => (text ? (step.amount = text) : delete step.amount)"
                    />
                </td>
                <template v-if="step.kind === 'timed' || (step.kind === 'wait' && step.stokes_um === undefined)">
                    <td v-for="field in ['least_s', 'aim_s', 'most_s'] as const" :key="field">
                        <el-input-number
                            v-model="step[field]"
                            size="small"
                            :controls="false"
                            :min="0"
                            :aria-label="`${field} of step ${i + 1}`"
                            class="seconds"
                        />
                    </td>
                </template>
                <td v-else colspan="3" class="note">
                    {{ step.stokes_um === undefined ? '' : `by Stokes’ law for ${step.stokes_um} µm` }}
                </td>
                <td v-for="field in ['short', 'long'] as const" :key="field">
                    <OneOf
                        v-if="step.kind === 'timed' || step.kind === 'wait'"
                        :model-value="step[field] ?? ''"
                        :options="breaks.map(({ code, name }) => [code, name] as const)"
                        none="no matter"
                        class="break"
                        :aria-label="`What too ${field} breaks in step ${i + 1}`"
                        @update:model-value="(code) => (code ? (step[field] = code) : delete step[field])"
                    />
                </td>
                <td class="num">
                    <button
                        type="button"
                        class="link"
                        :aria-label="`Add a step before step ${i + 1}`"
                        @click="addStep(i)"
                    >
                        add before
                    </button>
                    <button
                        type="button"
                        class="link"
                        :aria-label="`Remove step ${i + 1}`"
                        @click="steps = steps.filter((one) => one !== step)"
                    >
                        remove
                    </button>
                </td>
            </tr>
        </tbody>
    </table>
</template>

<style scoped>
.seconds {
    width: 68px;
}
.kind {
    width: 110px;
}
.break {
    width: 118px;
}
.num .link + .link {
    margin-left: 8px;
}
</style>
