<script setup lang="ts">
import { useTyped } from '@/shared/composables/useTyped'
import TypedBefore from '@/shared/components/TypedBefore.vue'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref, toRef } from 'vue'
import { useRoute } from 'vue-router'
import { api, type Schema } from '@/api/client'
import FilePick from '@/shared/components/FilePick.vue'
import FormField from '@/shared/components/FormField.vue'
import OneOf from '@/shared/components/OneOf.vue'
import PageHead from '@/shared/components/PageHead.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSpreadsheet } from '@/shared/composables/useSpreadsheet'
import { useSite } from '@/shared/composables/useSite'
import { useChoices, useMethods } from '@/shared/api'
import { count, day, number } from '@/shared/format'
import { useRecordSets } from '../api'

/** Years of kit and lab values out of a spreadsheet: which column is what, what comes of it, and that it is from records. */
type Mapping = Schema<'RecordMapping'>
const route = useRoute()
const queries = useQueryClient()
const { timezone } = useSite()
const methodId = computed(() => Number(route.params.method))
const methods = useMethods()
const choices = useChoices()
const sets = useRecordSets(methodId)
const test = computed(() => methods.data.value?.find(({ id }) => id === methodId.value))
const labs = computed(() =>
    (methods.data.value ?? [])
        .filter(({ workplace, analyte }) => workplace === 'lab' && analyte === test.value?.analyte)
        .map(({ id, name }) => [id, name] as const),
)
const about = reactive({ reference_id: '' as number | '', use: '' as string, says: '' })
const typedHere = useTyped(
    () => 'where old records come from',
    () => (methodId.value ? `records-${methodId.value}` : ''),
    { use: toRef(about, 'use'), says: toRef(about, 'says') },
)
const uses = computed(() => (choices.data.value?.uses ?? []).map(({ code, name }) => [code, name] as const))
const preview = ref<Schema<'RecordPreview'> | null>(null)
const mapping = ref<Mapping | null>(null)
const comma = ref<'' | '0' | '1'>('')
const submission = ref('')
const taken = ref<Schema<'RecordSet'> | null>(null)
const { file, sheets, sheet, trouble, open, choose } = useSpreadsheet(async (chosen) => {
    mapping.value = preview.value = taken.value = null
    submission.value = crypto.randomUUID()
    if (chosen) await look.save()
})
const pick = (event: Event): void => void open((event.target as HTMLInputElement).files?.[0] ?? null)
const reference = computed(() => about.reference_id || (labs.value[0]?.[0] ?? ''))
function body(): FormData {
    const form = new FormData()
    form.append('file', file.value!)
    form.append('name', file.value!.name)
    form.append('reference_id', String(reference.value))
    if (mapping.value) form.append('mapping', JSON.stringify(mapping.value))
    if (comma.value) form.append('decimal_comma', comma.value)
    return form
}
const ids = () => ({ ids: { method: methodId.value } })
const look = useSave(
    () => api.post('/evidence/{method}/records/preview', body(), ids()),
    (found) => {
        preview.value = found
        mapping.value = { ...found.mapping }
    },
)
const take = useSave(
    () => {
        const form = body()
        form.append('use', about.use)
        form.append('says', about.says)
        form.append('submission', submission.value)
        return api.post('/evidence/{method}/records', form, ids())
    },
    async (found) => {
        taken.value = found
        typedHere.settle()
        preview.value = null
        await queries.invalidateQueries()
    },
)
const withdraw = useSave(
    (set: number) => api.post('/record-sets/{set}/withdraw', undefined, { ids: { set } }),
    async () => {
        await queries.invalidateQueries()
    },
)
const columns = computed(() => (preview.value?.columns ?? []).map((name, i) => [i, name || `column ${i + 1}`] as const))
const NO_COLUMN = -1
const COLUMNS = [
    ['sample', 'Names the sample', false],
    ['reference', 'What the lab found', false],
    ['test', 'What the test read', false],
    ['date', 'Day or year', true],
    ['lot', 'Lot', true],
    ['reader', 'Who read it', true],
] as const
const ORDERS = [
    ['ymd', 'year, month, day'],
    ['dmy', 'day, month, year'],
    ['mdy', 'month, day, year'],
] as const
const units = computed(() => (preview.value?.units ?? []).map((code) => [code, code] as const))
const set = (key: keyof Mapping, value: unknown): void => {
    if (!mapping.value) return
    mapping.value = { ...mapping.value, [key]: value === '' ? (key.endsWith('unit') ? '' : null) : value }
    void look.save()
}
const ready = computed(
    () => preview.value && !preview.value.asks.length && !preview.value.unsettled && preview.value.rows > 0,
)
</script>

<template>
    <PageHead
        over="Evidence"
        :title="`Old records of ${test?.name ?? 'a test'}`"
        lede="Pairs of kit and lab that were kept in a spreadsheet count as from records: how they were read is not known."
    >
        <RouterLink :to="`/evidence/${methodId}`">Back to its evidence</RouterLink>
    </PageHead>
    <p v-if="taken" class="lede" role="status">
        {{ count(taken.rows, 'reading') }} of {{ taken.file_name }} are in.
        <RouterLink :to="`/evidence/${methodId}?records=1`">See what they prove</RouterLink>
    </p>
    <div class="row start">
        <FormField label="Lab that they were held against">
            <OneOf
                :model-value="reference"
                :options="labs"
                aria-label="Lab that they were held against"
                @update:model-value="(id: number | '') => (about.reference_id = id)"
            />
        </FormField>
        <FormField label="Spreadsheet, .csv or .xlsx">
            <FilePick
                accept=".csv,.tsv,.txt,.xlsx"
                aria-label="Spreadsheet, .csv or .xlsx"
                :disabled="reference === ''"
                @change="pick"
            />
        </FormField>
        <FormField v-if="sheets.length > 1" label="Sheet">
            <OneOf
                :model-value="sheet"
                :options="sheets.map(({ name }, i) => [i, name] as const)"
                aria-label="Sheet of the workbook"
                @update:model-value="(i: number | '') => choose(Number(i))"
            />
        </FormField>
    </div>
    <p v-if="trouble" class="wrong" role="alert">{{ trouble }}</p>
    <RefusalNote :refusal="look.refusal.value ?? take.refusal.value" />
    <div v-if="preview && mapping" class="columns two">
        <section>
            <h2>Which column is what</h2>
            <p class="note">Guessed by the names; look at each.</p>
            <FormField v-for="[key, label, may] in COLUMNS" :key="key" :label="label">
                <OneOf
                    :model-value="mapping[key] ?? (may ? NO_COLUMN : '')"
                    :options="may ? [[NO_COLUMN, 'no column'], ...columns] : columns"
                    :aria-label="label"
                    @update:model-value="(value: number | '') => set(key, value === NO_COLUMN ? '' : value)"
                />
            </FormField>
            <FormField v-if="mapping.date !== null" label="Dates are written as">
                <OneOf
                    :model-value="mapping.order"
                    :options="ORDERS"
                    aria-label="Dates are written as"
                    @update:model-value="(value: string) => set('order', value)"
                />
            </FormField>
            <FormField v-else label="All are from the year">
                <el-input-number
                    :model-value="mapping.year ?? undefined"
                    :controls="false"
                    :min="1950"
                    :max="2200"
                    aria-label="All are from the year"
                    @change="(value: number | undefined) => set('year', value ?? '')"
                />
            </FormField>
            <template v-if="test?.analyte !== 'ph'">
                <FormField label="Unit of the lab">
                    <OneOf
                        :model-value="mapping.reference_unit"
                        :options="units"
                        none="not said"
                        aria-label="Unit of the lab"
                        @update:model-value="(value: string) => set('reference_unit', value)"
                    />
                </FormField>
                <FormField v-if="!test?.bands" label="Unit of the test">
                    <OneOf
                        :model-value="mapping.test_unit"
                        :options="units"
                        none="not said"
                        aria-label="Unit of the test"
                        @update:model-value="(value: string) => set('test_unit', value)"
                    />
                </FormField>
            </template>
            <FormField v-if="preview.unsettled || comma" label="A comma is">
                <el-radio-group v-model="comma" @change="look.save()">
                    <el-radio value="1">the decimal mark</el-radio>
                    <el-radio value="0">between thousands</el-radio>
                </el-radio-group>
            </FormField>
        </section>
        <section>
            <h2>What comes of it</h2>
            <ul v-if="preview.asks.length || preview.unsettled" class="asks">
                <li v-for="ask in preview.asks" :key="ask">{{ ask }}</li>
                <li v-if="preview.unsettled">A number could be read in two ways: say what the comma is.</li>
            </ul>
            <template v-else>
                <p class="words">
                    {{ count(preview.rows, 'reading') }} of {{ count(preview.samples, 'sample') }};
                    {{ preview.left_out_total ? count(preview.left_out_total, 'row') : 'no row' }} left out.
                    <span v-if="preview.read.length < preview.rows" class="note"
                        >The first {{ preview.read.length }} are shown.</span
                    >
                </p>
                <table class="plain">
                    <thead>
                        <tr>
                            <th class="num">Row</th>
                            <th>Sample</th>
                            <th class="num">Lab{{ preview.home_unit === 'ph' ? '' : `, ${preview.home_unit}` }}</th>
                            <th class="num">Test</th>
                            <th>On</th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="one in preview.read" :key="one.row">
                            <td class="num">{{ one.row }}</td>
                            <td>{{ one.sample }}</td>
                            <td class="num">{{ number(one.reference, 2) }}</td>
                            <td class="num">
                                {{ typeof one.test === 'number' ? number(one.test, 2) : one.test }}
                            </td>
                            <td>{{ one.on.length === 4 ? one.on : day(one.on) }}</td>
                        </tr>
                    </tbody>
                </table>
                <details v-if="preview.left_out.length" :open="preview.left_out.length < 8">
                    <summary>Left out, with reasons</summary>
                    <ul>
                        <li v-for="one in preview.left_out" :key="one.row">Row {{ one.row }}: {{ one.reason }}.</li>
                    </ul>
                </details>
            </template>
            <form v-if="ready" novalidate class="take" @submit.prevent="take.save()">
                <FormField label="What grew there" :wrong="take.wrong('use')">
                    <OneOf v-model="about.use" :options="uses" none="not said" aria-label="What grew there" />
                </FormField>
                <TypedBefore :typed="typedHere" />
                <FormField label="Where the records come from" :wrong="take.wrong('says')">
                    <el-input v-model="about.says" name="says" placeholder="Whose notebook, which years, which lab" />
                </FormField>
                <el-button type="primary" native-type="submit" :loading="take.saving.value">
                    Bring {{ count(preview.rows, 'reading') }} in
                </el-button>
            </form>
        </section>
    </div>
    <section v-if="sets.data.value?.length" class="kept">
        <h2>Brought in so far</h2>
        <table class="plain">
            <tbody>
                <tr v-for="one in sets.data.value" :key="one.id" :class="{ struck: one.withdrawn_at }">
                    <td>{{ one.file_name }}</td>
                    <td class="num">{{ count(one.rows, 'reading') }}</td>
                    <td>{{ one.says }}</td>
                    <td>{{ one.by }}, {{ day(one.taken_at, timezone) }}</td>
                    <td>
                        <span v-if="one.withdrawn_at" class="note"
                            >withdrawn {{ day(one.withdrawn_at, timezone) }}</span
                        >
                        <button v-else type="button" class="link" @click="withdraw.save(one.id)">Withdraw it</button>
                    </td>
                </tr>
            </tbody>
        </table>
        <RefusalNote :refusal="withdraw.refusal.value" />
    </section>
</template>

<style scoped>
.start {
    align-items: flex-end;
    gap: 24px;
}
.two {
    grid-template-columns: 280px minmax(0, 1fr);
}
.words {
    font: 16px/1.3 var(--serif);
}
.asks {
    padding-left: 18px;
    font: 16px/1.4 var(--serif);
}
.take {
    margin-top: 14px;
    max-width: 460px;
}
.kept {
    margin-top: 18px;
    border-top: 1px solid var(--rule);
    padding-top: 12px;
}
.struck td {
    color: var(--ink-2);
}
</style>
