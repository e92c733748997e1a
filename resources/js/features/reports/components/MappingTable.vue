<script setup lang="ts">
import { computed } from 'vue'
import OneOf from '@/shared/components/OneOf.vue'
import { number } from '@/shared/format'
import type { Column, Preview } from '../composables/useReport'

/** What each column of the file is, from which words, and one of its cells before and after: understood, remembered, or said here. */
const props = defineProps<{ preview: Preview }>()
const columns = defineModel<Column[]>({ required: true })
const emit = defineEmits<{ change: [] }>()
const ROLES: [string, string][] = [
    ['sample', 'sample code'],
    ['lab_number', 'lab’s own number'],
    ['bag', 'bag number'],
    ['depth', 'depth'],
    ['depth_top', 'top of the layer'],
    ['depth_bottom', 'bottom of the layer'],
    ['date', 'a date'],
    ['result', 'a result'],
    ['rating', 'the lab’s rating'],
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
const ofColumn = (i: number) => props.preview.understood[i]

/** What a person has said of a column is confirmed by it. */
function set(at: number, change: Partial<Column>): void {
    columns.value = columns.value.map((column, i) => (i === at ? { ...column, ...change, confirmed: true } : column))
    emit('change')
}

/** A column that measures something else has neither form nor unit yet, but for pH. */
function measures(at: number, analyte: string): void {
    const home = props.preview.choices.analytes.find(({ code }) => code === analyte)?.home_unit
    set(at, { analyte, form: forms.value.get(analyte)?.[0] ?? '', ...(home === 'pH' ? { unit: 'pH' } : {}) })
}

const cells = (i: number): string =>
    props.preview.cells
        .slice(0, 3)
        .map(({ cells: row }) => row[i])
        .filter(Boolean)
        .join(', ')

function after(i: number): string {
    const example = ofColumn(i)?.example
    if (!example) return ''
    return example.value === null
        ? `“${example.cell}” becomes nothing yet`
        : `“${example.cell}” becomes ${number(example.value, 2)} ${example.unit}`.trim()
}
</script>

<template>
    <div class="wide">
        <table class="plain">
            <thead>
                <tr>
                    <th>Column</th>
                    <th>It is</th>
                    <th>Of</th>
                    <th>As</th>
                    <th>In</th>
                    <th>Extractant</th>
                    <th>By</th>
                </tr>
            </thead>
            <tbody>
                <template v-for="(column, i) in columns" :key="i">
                    <tr :class="{ more: ofColumn(i)?.doubts.length }">
                        <td>
                            {{ preview.names[i] }}
                            <span class="note block">{{
                                column.role === 'result' && after(i) ? after(i) : cells(i)
                            }}</span>
                            <span v-if="ofColumn(i)?.why && column.role === 'ignore'" class="note block">{{
                                ofColumn(i)?.why
                            }}</span>
                        </td>
                        <td>
                            <OneOf
                                :model-value="column.role"
                                :options="ROLES"
                                :aria-label="`What ${preview.names[i]} is`"
                                @update:model-value="(role) => set(i, { role })"
                            />
                        </td>
                        <template v-if="column.role === 'result' || column.role === 'rating'">
                            <td>
                                <OneOf
                                    :model-value="column.analyte ?? ''"
                                    :options="analytes"
                                    filterable
                                    :aria-label="`Analyte of ${preview.names[i]}`"
                                    @update:model-value="(analyte) => measures(i, analyte)"
                                />
                            </td>
                            <td>
                                <OneOf
                                    v-if="column.role === 'result' && forms.has(column.analyte ?? '')"
                                    :model-value="column.form"
                                    :options="same(forms.get(column.analyte ?? '') ?? [])"
                                    :aria-label="`Form of ${preview.names[i]}`"
                                    @update:model-value="(form) => set(i, { form })"
                                />
                            </td>
                            <td>
                                <OneOf
                                    v-if="column.role === 'result'"
                                    :model-value="column.unit"
                                    :options="same(preview.choices.units)"
                                    filterable
                                    :aria-label="`Unit of ${preview.names[i]}`"
                                    @update:model-value="(unit) => set(i, { unit })"
                                />
                            </td>
                            <td>
                                <OneOf
                                    :model-value="column.extractant"
                                    :options="same(preview.choices.extractants)"
                                    none="not said"
                                    filterable
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
                    <tr v-if="ofColumn(i)?.doubts.length" class="doubts">
                        <td colspan="7">
                            <span v-for="doubt in ofColumn(i)?.doubts" :key="doubt.words" class="doubt">{{
                                doubt.words
                            }}</span>
                            <button
                                v-if="!ofColumn(i)?.doubts.some(({ hides }) => hides)"
                                type="button"
                                class="link"
                                :aria-label="`It is so: ${preview.names[i]}`"
                                @click="set(i, {})"
                            >
                                It is so
                            </button>
                        </td>
                    </tr>
                </template>
            </tbody>
        </table>
    </div>
</template>

<style scoped>
.wide {
    overflow-x: auto;
}
.one {
    width: 128px;
}
.block {
    display: block;
}
.more td {
    border-bottom: 0;
}
.doubts td {
    padding-top: 0;
    font-size: 12px;
}
.doubt {
    color: var(--amber-text);
    margin-right: 12px;
}
</style>
