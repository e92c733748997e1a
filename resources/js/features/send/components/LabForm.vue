<script setup lang="ts">
import { typed } from '@/shared/format'
import { useQueryClient } from '@tanstack/vue-query'
import { reactive, ref, toRaw } from 'vue'
import { api, type Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import TypedBefore from '@/shared/components/TypedBefore.vue'
import { useTyped } from '@/shared/composables/useTyped'
import { useSave } from '@/shared/composables/useSave'

/** What is known of a lab, to be changed; or a new one. */
const props = defineProps<{ lab: Schema<'Lab'> | null }>()
const emit = defineEmits<{ done: [] }>()
const queries = useQueryClient()
const EMPTY: Schema<'LabInput'> = {
    name: '',
    address: '',
    email: '',
    turnaround_days: 10,
    transit_days: 2,
    holidays: [],
    bag_ml: 450,
    quarantine: '',
    tests: [
        {
            code: 'ph',
            name: 'pH in water',
            method: '',
            extractant: 'water',
            unit: 'pH',
            fee_cents: 900,
            needs_ml: 100,
            depth: '0-6in',
            outside: '',
        },
    ],
    form: [{ label: 'Crop wanted', required: true }],
    columns: [
        { column: 'Sample', field: 'code' },
        { column: 'Depth', field: 'depth' },
        { column: 'Tests', field: 'tests' },
    ],
    service: false,
}
function fields(): Schema<'LabInput'> {
    const known = structuredClone(toRaw(props.lab)) ?? { id: 0, ...structuredClone(EMPTY) }
    return Object.fromEntries(Object.entries(known).filter(([name]) => name !== 'id')) as Schema<'LabInput'>
}
const form = reactive(fields())
const holidays = ref(form.holidays.join(', '))
const FIELDS: Record<string, string> = {
    code: 'code',
    depth: 'depth',
    tests: 'tests',
    area: 'area',
    use: 'what grows',
    irrigated: 'irrigated',
    pulled_on: 'day pulled',
    volume_ml: 'soil, ml',
    nothing: 'left empty',
}

const typedHere = useTyped(
    () => props.lab?.name ?? 'a new lab',
    () => `lab-${props.lab?.id ?? 'new'}`,
    { form, holidays },
)
const { save, saving, refusal, wrong } = useSave(
    () => {
        const body = { ...form, holidays: holidays.value.split(/[\s,;]+/).filter(Boolean) }
        return props.lab === null
            ? api.post('/labs', body)
            : api.put('/labs/{lab}', body, { ids: { lab: props.lab.id } })
    },
    async () => {
        typedHere.settle()
        emit('done')
        await queries.invalidateQueries()
    },
)
/** What is stored now is what this was looked at beside. */
async function over(): Promise<void> {
    const { labs } = await api.get('/labs')
    form.state = labs.find(({ id }) => id === props.lab?.id)?.state
    await save()
}
const fee = (test: Schema<'LabTestInput'>, text: string): void => void (test.fee_cents = Math.round(typed(text) * 100))
</script>

<template>
    <form novalidate class="edit" @submit.prevent="save()">
        <h2>{{ lab === null ? 'A new lab' : `Change ${form.name}` }}</h2>
        <TypedBefore :typed="typedHere" />
        <RefusalNote :refusal="refusal" />
        <p v-if="refusal?.status === 409" class="row">
            <button type="button" class="link" @click="over">Save mine over it</button>
            <button type="button" class="link" @click="(typedHere.drop(), $emit('done'))">Take what is stored</button>
        </p>
        <div class="grid">
            <FormField label="Name" :wrong="wrong('name')"><el-input v-model="form.name" name="name" /></FormField>
            <FormField label="Address" :wrong="wrong('address')"
                ><el-input v-model="form.address" name="address"
            /></FormField>
            <FormField label="E-mail address" :wrong="wrong('email')"
                ><el-input v-model="form.email" name="email"
            /></FormField>
            <FormField label="Days on the way" :wrong="wrong('transit_days')"
                ><el-input-number v-model="form.transit_days" :min="0" :max="30"
            /></FormField>
            <FormField label="Working days for a report" :wrong="wrong('turnaround_days')"
                ><el-input-number v-model="form.turnaround_days" :min="1" :max="120"
            /></FormField>
            <FormField label="Bag, ml" :wrong="wrong('bag_ml')"
                ><el-input-number v-model="form.bag_ml" :min="10" :max="5000"
            /></FormField>
            <FormField
                label="Closed on"
                hint="dates such as 2026-12-25, with commas"
                :wrong="wrong('holidays') ?? wrong('holidays.0')"
                ><el-input v-model="holidays" name="holidays"
            /></FormField>
            <FormField label="Quarantine on the way, if any" :wrong="wrong('quarantine')"
                ><el-input v-model="form.quarantine" name="quarantine"
            /></FormField>
        </div>
        <h3>Tests</h3>
        <table class="plain">
            <thead>
                <tr>
                    <th>Code</th>
                    <th>Name</th>
                    <th>Method</th>
                    <th>Extractant</th>
                    <th>Unit</th>
                    <th>Depth</th>
                    <th>Soil, ml</th>
                    <th>Fee</th>
                    <th>Write outside</th>
                    <th><span class="sr">What may be done</span></th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="(test, i) in form.tests" :key="i">
                    <td>
                        <el-input v-model="test.code" :aria-label="`Code of test ${i + 1}`" />
                        <p v-if="wrong(`tests.${i}.code`)" class="wrong">{{ wrong(`tests.${i}.code`) }}</p>
                    </td>
                    <td><el-input v-model="test.name" :aria-label="`Name of test ${i + 1}`" /></td>
                    <td><el-input v-model="test.method" :aria-label="`Method of test ${i + 1}`" /></td>
                    <td><el-input v-model="test.extractant" :aria-label="`Extractant of test ${i + 1}`" /></td>
                    <td><el-input v-model="test.unit" :aria-label="`Unit of test ${i + 1}`" /></td>
                    <td>
                        <el-input
                            :model-value="test.depth ?? ''"
                            :aria-label="`Depth of test ${i + 1}`"
                            @update:model-value="test.depth = $event || null"
                        />
                        <p v-if="wrong(`tests.${i}.depth`)" class="wrong">{{ wrong(`tests.${i}.depth`) }}</p>
                    </td>
                    <td>
                        <el-input
                            :model-value="String(test.needs_ml)"
                            :aria-label="`Soil of test ${i + 1}`"
                            @update:model-value="test.needs_ml = typed($event)"
                        />
                    </td>
                    <td>
                        <el-input
                            :model-value="String(test.fee_cents / 100)"
                            :aria-label="`Fee of test ${i + 1}`"
                            @change="fee(test, $event)"
                        />
                    </td>
                    <td><el-input v-model="test.outside" :aria-label="`Marking of test ${i + 1}`" /></td>
                    <td><button type="button" class="link" @click="form.tests.splice(i, 1)">Remove</button></td>
                </tr>
            </tbody>
        </table>
        <button type="button" class="link" @click="form.tests.push({ ...EMPTY.tests[0]!, code: '', name: '' })">
            Add a test
        </button>
        <div class="grid">
            <div>
                <h3>What its form asks</h3>
                <p v-for="(field, i) in form.form" :key="i" class="row">
                    <el-input v-model="field.label" :aria-label="`Field ${i + 1}`" style="width: 190px" /><el-checkbox
                        v-model="field.required"
                        >must be filled</el-checkbox
                    >
                    <button type="button" class="link" @click="form.form.splice(i, 1)">Remove</button>
                </p>
                <button type="button" class="link" @click="form.form.push({ label: '', required: false })">
                    Add a field
                </button>
            </div>
            <div>
                <h3>Columns of its list</h3>
                <p v-for="(column, i) in form.columns" :key="i" class="row">
                    <el-input v-model="column.column" :aria-label="`Column ${i + 1}`" style="width: 150px" />
                    <el-select v-model="column.field" style="width: 130px" :aria-label="`What column ${i + 1} holds`"
                        ><el-option v-for="(name, code) in FIELDS" :key="code" :value="code" :label="name"
                    /></el-select>
                    <button type="button" class="link" @click="form.columns.splice(i, 1)">Remove</button>
                </p>
                <button type="button" class="link" @click="form.columns.push({ column: '', field: 'nothing' })">
                    Add a column
                </button>
            </div>
        </div>
        <el-checkbox v-model="form.service"
            >It is told of consignments by the interface that is set up here</el-checkbox
        >
        <div class="row">
            <el-button type="primary" native-type="submit" :loading="saving">Keep the lab</el-button>
            <button type="button" class="link" @click="(typedHere.drop(), $emit('done'))">Leave it</button>
        </div>
    </form>
</template>

<style scoped>
.edit {
    border: 1px solid var(--rule);
    background: var(--sheet);
    padding: 14px;
    margin-bottom: 22px;
}
.grid {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
    gap: 4px 16px;
    margin: 10px 0;
}
h3 {
    margin: 10px 0 4px;
}
</style>
