<script setup lang="ts">
import type { Column, Preview } from './useReport'

/** What each column of the file is: guessed by its name or remembered, and changed here. */
defineProps<{ preview: Preview }>()
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
const ANALYTES: [string, string][] = [
    ['ph', 'pH'],
    ['buffer_ph', 'buffer pH'],
    ['p', 'phosphorus'],
    ['k', 'potassium'],
    ['ca', 'calcium'],
    ['mg', 'magnesium'],
    ['na', 'sodium'],
    ['s', 'sulphur'],
    ['zn', 'zinc'],
    ['mn', 'manganese'],
    ['cu', 'copper'],
    ['fe', 'iron'],
    ['b', 'boron'],
    ['om', 'organic matter'],
    ['cec', 'exchange capacity'],
    ['no3n', 'nitrate N'],
    ['nh4n', 'ammonium N'],
    ['ec', 'salts (EC)'],
    ['pb', 'lead'],
    ['as', 'arsenic'],
    ['base_sat', 'base saturation'],
    ['k_sat', 'K saturation'],
    ['ca_sat', 'Ca saturation'],
    ['mg_sat', 'Mg saturation'],
    ['na_sat', 'Na saturation'],
    ['h_sat', 'H saturation'],
    ['sand', 'sand'],
    ['silt', 'silt'],
    ['clay', 'clay'],
]
const UNITS = ['pH', 'ppm', 'percent', 'g/kg', 'lb/acre', 'lb/1000ft2', 'kg/ha', 'cmol/kg', 'mmol/kg', 'dS/m', 'uS/cm', 'mS/m']
const EXTRACTANTS = [
    'water',
    'cacl2',
    'mehlich-3',
    'mehlich-1',
    'bray-1',
    'olsen',
    'morgan',
    'modified-morgan',
    'ammonium-acetate',
    'dtpa',
    'kcl',
    'smp',
    'mehlich',
    'adams-evans',
    'sikora',
]
const FORMS: Record<string, string[]> = {
    p: ['P', 'P2O5'],
    k: ['K', 'K2O'],
    ca: ['Ca', 'CaO', 'CaCO3'],
    mg: ['Mg', 'MgO'],
    om: ['OM', 'OC'],
    no3n: ['NO3-N', 'NO3'],
    nh4n: ['NH4-N', 'NH4'],
    s: ['S', 'SO4-S', 'SO4'],
}

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
                        <el-select
                            :model-value="column.role"
                            size="small"
                            :aria-label="`What ${preview.names[i]} is`"
                            @update:model-value="(role: string) => set(i, { role })"
                        >
                            <el-option v-for="[code, name] in ROLES" :key="code" :value="code" :label="name" />
                        </el-select>
                    </td>
                    <template v-if="column.role === 'result'">
                        <td>
                            <el-select
                                :model-value="column.analyte ?? ''"
                                size="small"
                                filterable
                                :aria-label="`Analyte of ${preview.names[i]}`"
                                @update:model-value="(analyte: string) => set(i, { analyte, form: '' })"
                            >
                                <el-option v-for="[code, name] in ANALYTES" :key="code" :value="code" :label="name" />
                            </el-select>
                        </td>
                        <td>
                            <el-select
                                v-if="FORMS[column.analyte ?? '']"
                                :model-value="column.form"
                                size="small"
                                :aria-label="`Form of ${preview.names[i]}`"
                                @update:model-value="(formOf: string) => set(i, { form: formOf })"
                            >
                                <el-option v-for="one in FORMS[column.analyte ?? '']" :key="one" :value="one" :label="one" />
                            </el-select>
                        </td>
                        <td>
                            <el-select
                                :model-value="column.unit"
                                size="small"
                                :aria-label="`Unit of ${preview.names[i]}`"
                                @update:model-value="(unit: string) => set(i, { unit })"
                            >
                                <el-option v-for="one in UNITS" :key="one" :value="one" :label="one" />
                            </el-select>
                        </td>
                        <td>
                            <el-select
                                :model-value="column.extractant"
                                size="small"
                                clearable
                                placeholder="not said"
                                :aria-label="`Extractant of ${preview.names[i]}`"
                                @update:model-value="(extractant: string | undefined) => set(i, { extractant: extractant ?? '' })"
                            >
                                <el-option v-for="one in EXTRACTANTS" :key="one" :value="one" :label="one" />
                            </el-select>
                        </td>
                        <td>
                            <el-select
                                :model-value="column.instrument"
                                size="small"
                                clearable
                                placeholder="not said"
                                :aria-label="`Instrument of ${preview.names[i]}`"
                                @update:model-value="(instrument: string | undefined) => set(i, { instrument: instrument ?? '' })"
                            >
                                <el-option value="icp" label="ICP" />
                                <el-option value="colorimetric" label="colorimetric" />
                            </el-select>
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
