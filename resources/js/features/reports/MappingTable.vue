<script setup lang="ts">
import { computed } from 'vue'
import OneOf from '@/shared/components/OneOf.vue'
import type { Column, Preview } from './useReport'

/** What each column of the file is: guessed by its name or remembered, and changed here. */
const props = defineProps<{ preview: Preview }>()
const columns = defineModel<Column[]>({ required: true })
const emit = defineEmits<{ change: [] }>()
const ROLES: [string, string][] = [
    ['sample', 'sample code'],
    ['lab_number', 'lab’s own number'],
    ['bag', 'bag number'],
    ['depth', 'depth'],
    ['result', 'a result'],
    ['analyte', 'name of the analyte'],
    ['value', 'the value'],
    ['unit', 'its unit'],
    ['extractant', 'its method'],
    ['ignore', 'left out'],
]
const INSTRUMENTS: [string, string][] = [
    ['icp', 'ICP'],
    ['colorimetric', 'colorimetric'],
]
const same = (codes: string[]): [string, string][] => codes.map((code) => [code, code])
const analytes = computed(() => props.preview.choices.analytes.map(({ code, name }) => [code, name] as const))
const forms = computed(() => new Map(props.preview.choices.forms.map((one) => [one.analyte, one.forms])))

function set(at: number, change: Partial<Column>): void {
    columns.value = columns.value.map((column, i) => (i === at ? { ...column, ...change } : column))
    emit('change')
}
</script>

<template>
    <div class="wide">
        <table class="plain">
            <thead>
                <tr>
                    <th>Column</th>
                    <th>First cells</th>
                    <th>It is</th>
                    <th>Of</th>
                    <th>As</th>
                    <th>In</th>
                    <th>Extractant</th>
                    <th>By</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="(column, i) in columns" :key="i">
                    <td>{{ preview.names[i] }}</td>
                    <td class="note">
                        {{
                            preview.cells
                                .slice(0, 3)
                                .map(({ cells }) => cells[i])
                                .filter(Boolean)
                                .join(', ')
                        }}
                    </td>
                    <td>
                        <OneOf
                            :model-value="column.role"
                            :options="ROLES"
                            :aria-label="`What ${preview.names[i]} is`"
                            @update:model-value="(role) => set(i, { role })"
                        />
                    </td>
                    <template v-if="column.role === 'result'">
                        <td>
                            <OneOf
                                :model-value="column.analyte ?? ''"
                                :options="analytes"
                                filterable
                                :aria-label="`Analyte of ${preview.names[i]}`"
                                @update:model-value="(analyte) => set(i, { analyte, form: '' })"
                            />
                        </td>
                        <td>
                            <OneOf
                                v-if="forms.has(column.analyte ?? '')"
                                :model-value="column.form"
                                :options="same(forms.get(column.analyte ?? '') ?? [])"
                                :aria-label="`Form of ${preview.names[i]}`"
                                @update:model-value="(form) => set(i, { form })"
                            />
                        </td>
                        <td>
                            <OneOf
                                :model-value="column.unit"
                                :options="same(preview.choices.units)"
                                :aria-label="`Unit of ${preview.names[i]}`"
                                @update:model-value="(unit) => set(i, { unit })"
                            />
                        </td>
                        <td>
                            <OneOf
                                :model-value="column.extractant"
                                :options="same(preview.choices.extractants)"
                                none="not said"
                                :aria-label="`Extractant of ${preview.names[i]}`"
                                @update:model-value="(extractant) => set(i, { extractant })"
                            />
                        </td>
                        <td>
                            <OneOf
                                :model-value="column.instrument"
                                :options="INSTRUMENTS"
                                none="not said"
                                :aria-label="`Instrument of ${preview.names[i]}`"
                                @update:model-value="(instrument) => set(i, { instrument })"
                            />
                        </td>
                    </template>
                    <td v-else colspan="5"></td>
                </tr>
            </tbody>
        </table>
    </div>
</template>

<style scoped>
.wide {
    overflow-x: auto;
}
.el-select {
    width: 122px;
}
</style>
