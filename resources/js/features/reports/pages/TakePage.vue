<script setup lang="ts">
import { useTyped } from '@/shared/composables/useTyped'
import TypedBefore from '@/shared/components/TypedBefore.vue'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, bytes } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import PageHead from '@/shared/components/PageHead.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSite } from '@/shared/composables/useSite'
import { count, number, today } from '@/shared/format'
import MappingTable from '../components/MappingTable.vue'
import { useReport } from '../composables/useReport'
import { useLabs } from '@/shared/api'
import { useReports, useReportProgress } from '../api'
import FilePick from '@/shared/components/FilePick.vue'
import DateField from '@/shared/components/DateField.vue'
import StoredRows from '../components/StoredRows.vue'

/** A lab's file: what its columns are, what its first rows become, then taken whole. */
const route = useRoute()
const router = useRouter()
const { site, timezone } = useSite()
const { data: labs } = useLabs()
const { data: replaced } = useReports(() => (route.query.instead ? { id: Number(route.query.instead) } : null))
const labId = ref<number | null>(null)
watch(labs, (known) => (labId.value ??= known?.labs[0]?.id ?? null), { immediate: true })
/** A corrected report is of the lab of the one it replaces. */
watch(replaced, (known) => (labId.value = known?.rows[0]?.lab_id ?? labId.value), { immediate: true })
const named = ref('')
const { data: replaceable } = useReports(() =>
    labId.value === null ? null : { replaces_for: labId.value, ...(named.value ? { q: named.value } : {}) },
)
const readOn = ref('')
watch(site, () => (readOn.value ||= site.value ? today(timezone.value) : ''), { immediate: true })
const onItsWay = useReport(labId, readOn)
const { file, preview, columns, density, skip, supersedes, trouble, sheets, sheet, paper, open, choose, again } =
    onItsWay
const { reading, take, taking, refusal } = onItsWay
/** How a file's columns are read, and which rows are left out, is kept by the file: chosen again, it is read so again. */
let readAs: { header?: number; comma?: boolean } = {}
const shape = computed({
    get: () => ({ header: preview.value?.header_row, comma: preview.value?.decimal_comma }),
    set: (was) => (readAs = was),
})
const fileKey = (): string => (preview.value ? `report-${labId.value}-${preview.value.sha256}` : '')
const typedHere = useTyped(() => 'how the columns of a file are read', fileKey, { columns, skip, shape })
let begunFor = ''
watch([reading, preview], () => {
    if (reading.value || fileKey() === begunFor) return
    begunFor = fileKey()
    typedHere.begin()
    if (typedHere.broughtBack.value) void again(true, readAs)
})
supersedes.value = Number(route.query.instead) || null
/** A report that came over a lab's interface is opened as it was kept. */
const { consignment, report } = route.query
if (consignment && report) {
    void Promise.all([
        api.get('/consignments/{consignment}', { ids: { consignment: Number(consignment) } }),
        bytes(`/consignments/${Number(consignment)}/reports/${Number(report)}`),
    ]).then(
        ([from, content]) => {
            labId.value = from.lab.id
            return open(new File([content], from.reports.find(({ id }) => id === Number(report))?.name ?? 'report.csv'))
        },
        (error: Error) => (trouble.value = error.message),
    )
}
const earlier = computed(() => {
    const rows = replaceable.value?.rows ?? []
    const missing = (replaced.value?.rows ?? []).filter(({ id }) => !rows.some((one) => one.id === id))
    return [...missing, ...rows]
})
/** What needs a look comes first. */
const results = computed(() => {
    const all = preview.value?.results ?? []
    const odd = (one: (typeof all)[number]): boolean => one.problem !== null || one.portion === null
    return [...all.filter(odd), ...all.filter((one) => !odd(one))]
})
const bad = computed(() => results.value.filter((one) => one.problem !== null || one.portion === null).length)
const picked = (event: Event): File | null => (event.target as HTMLInputElement).files?.[0] ?? null
const pick = (event: Event): void => void open(picked(event))
async function store(): Promise<void> {
    const taken = await take()
    if (taken) typedHere.settle()
    if (taken) await router.push(`/reports/${taken.id}${taken.taken_before ? '?before=1' : ''}`)
}
const { data: told } = useReportProgress(() => preview.value?.sha256 ?? null, taking)
const progress = computed(() => {
    const { stage, done, of } = told.value ?? { stage: 'none', done: 0, of: 0 }
    if (stage === 'storing') return `Row ${number(done)} of ${number(of)} is stored.`
    return stage === 'asking' ? 'All rows are stored; the report is being questioned.' : 'The file is being read.'
})
const perArea = computed(
    () =>
        columns.value.some(({ role, unit }) => role === 'result' && /acre|ha$|ft2/.test(unit)) ||
        results.value.some((one) => /acre|ha$|ft2/.test(one.unit_reported)),
)
const rowsRefused = computed(() => [...new Set((refusal.value?.rows ?? []).map(({ row }) => row))])
const leave = (rows: number[]): void => void (skip.value = [...new Set([...skip.value, ...rows])].sort((a, b) => a - b))
const lede = computed(() => {
    if (!preview.value)
        return 'CSV in any shape, .xlsx, an HTML table, or an interchange document. Nothing is stored before you have seen what it becomes.'
    const known = preview.value.remembered ? 'Its columns are read as the last time. ' : ''
    const asked = preview.value.doubts.length
    const look = [
        asked ? `${count(asked, 'thing')} to be settled` : '',
        bad.value ? `${number(bad.value)} of the first ${number(results.value.length)} results need a look` : '',
    ].filter(Boolean)
    // All clear is said only of a file whose every column, unit and form was understood or confirmed.
    const clear = results.value.length
        ? 'every column is understood, and the first results are all clear'
        : 'no result is in it'
    return `${known}${count(preview.value.rows, 'row')}; ${look.join(', ') || clear}.`
})
/** What is asked of single cells or of the file; what is asked of a column stands in its row. */
const others = computed(() => {
    const ofColumns = new Set(
        (preview.value?.understood ?? []).flatMap(({ doubts }) => doubts.map(({ words }) => words)),
    )
    return (preview.value?.doubts ?? []).filter(({ words }) => !ofColumns.has(words))
})
const chosen = computed(() => sheets.value[sheet.value])
</script>

<template>
    <PageHead over="Reports" title="Take a lab’s file" :lede="lede"
        ><RouterLink to="/reports">Back to the reports</RouterLink></PageHead
    >
    <p v-if="labs && !labs.labs.length" class="warning">
        <span
            >No lab is known yet. <RouterLink to="/labs">Add the lab first</RouterLink>, so that its file is
            remembered.</span
        >
    </p>
    <div class="row fields">
        <FormField label="Lab">
            <el-select
                :model-value="labId ?? undefined"
                style="width: 230px"
                @update:model-value="(id: number) => ((labId = id), file && again(false))"
            >
                <el-option v-for="lab in labs?.labs ?? []" :key="lab.id" :value="lab.id" :label="lab.name" />
            </el-select>
        </FormField>
        <FormField label="Reported on"><DateField v-model="readOn" name="read_on" style="width: 150px" /></FormField>
        <FormField label="It replaces">
            <el-select
                :model-value="supersedes ?? undefined"
                clearable
                filterable
                remote
                remote-show-suffix
                :remote-method="(typed: string) => (named = typed.trim())"
                placeholder="nothing"
                style="width: 230px"
                @update:model-value="(id: number | undefined) => (supersedes = id ?? null)"
            >
                <el-option v-for="one in earlier" :key="one.id" :value="one.id" :label="one.file_name" />
            </el-select>
        </FormField>
        <div class="field">
            <span class="label">File</span>
            <FilePick
                accept=".csv,.txt,.tsv,.xls,.xlsx,.xlsm,.htm,.html,.xml,.json,text/csv"
                aria-label="File of the lab"
                :disabled="labId === null"
                @change="pick"
            />
        </div>
        <div class="field">
            <span class="label">The lab’s own paper, to keep beside it</span>
            <FilePick
                accept=".pdf,.png,.jpg,.jpeg"
                aria-label="The lab’s own paper"
                :disabled="labId === null"
                @change="(event: Event) => (paper = picked(event))"
            />
        </div>
    </div>
    <div v-if="sheets.length > 1" class="row">
        <FormField label="Sheet">
            <el-select
                :model-value="sheet"
                aria-label="Sheet of the workbook"
                style="width: 300px"
                @update:model-value="(which: number) => choose(which)"
            >
                <el-option
                    v-for="(one, i) in sheets"
                    :key="one.name"
                    :value="i"
                    :label="`${one.name}, ${count(one.rows, 'row')}${one.hidden ? ', hidden in the workbook' : ''}`"
                />
            </el-select>
        </FormField>
        <span class="note">The workbook has {{ count(sheets.length, 'sheet') }}; one is taken at a time.</span>
    </div>
    <p v-for="note in chosen?.notes ?? []" :key="note" class="note">{{ note }}</p>
    <p v-if="trouble" class="wrong" role="alert">{{ trouble }}</p>
    <RefusalNote :refusal="refusal" />
    <p v-if="rowsRefused.length">
        <button type="button" class="link" @click="leave(rowsRefused)">
            Leave {{ count(rowsRefused.length, 'row') }} out, and say so in the report
        </button>
    </p>
    <template v-if="preview">
        <p v-if="preview.taken_before" class="warning">
            <span
                >This very file was taken before as
                <RouterLink :to="`/reports/${preview.taken_before.id}`">{{
                    preview.taken_before.file_name
                }}</RouterLink>; taking it again changes nothing.</span
            >
        </p>
        <p class="note shape">
            {{
                preview.interchange
                    ? 'An interchange document.'
                    : `${preview.charset}, header in row ${preview.header_row}${preview.turned ? ', samples in columns' : ''}.`
            }}
            <label v-if="!preview.interchange">
                Header in row
                <el-input-number
                    :model-value="preview.header_row"
                    size="small"
                    :min="1"
                    :controls="false"
                    aria-label="Row of the header"
                    style="width: 60px"
                    @change="(row: number | undefined) => row && again(false, { header: row })"
                />
            </label>
            <el-checkbox :model-value="preview.decimal_comma" @change="(on) => again(true, { comma: Boolean(on) })"
                >Decimal commas</el-checkbox
            >
        </p>
        <p v-if="perArea" class="row">
            Bulk density of the soil, g/cm³
            <el-input-number
                :model-value="density ?? undefined"
                size="small"
                :controls="false"
                placeholder="1.32"
                aria-label="Bulk density, g/cm³"
                style="width: 70px"
                @change="(value: number | undefined) => ((density = value ?? null), again(true))"
            />
            <span class="note"
                >A mass on an area becomes ppm by depth and density; with none given by the usual 1.32.</span
            >
        </p>
        <div v-if="others.length" class="warning asked" role="status">
            <ul>
                <li v-for="one in others.slice(0, 12)" :key="one.words">{{ one.words }}</li>
                <li v-if="others.length > 12">and {{ number(others.length - 12) }} more.</li>
            </ul>
        </div>
        <TypedBefore :typed="typedHere" />
        <MappingTable v-if="!preview.interchange" v-model="columns" :preview="preview" @change="again(true)" />
        <StoredRows :results="results.slice(0, 24)" :skip="skip" @leave="(row) => leave([row])" />
        <details v-if="preview.left_out.length">
            <summary>{{ count(preview.left_out.length, 'row or column', 'rows or columns') }} left out</summary>
            <ul>
                <li v-for="one in preview.left_out" :key="`${one.row} ${one.why}`">Row {{ one.row }}: {{ one.why }}</li>
            </ul>
        </details>
        <p class="act">
            <el-button type="primary" :loading="taking || reading" @click="store"
                >Take the report, {{ count(preview.rows, 'row') }}</el-button
            >
            <span v-if="taking" class="note" role="status">{{ progress }} You can leave this page; it goes on.</span>
            <span v-else class="note"> Whole or not at all; rows of the lab’s own checks are left out and said.</span>
        </p>
    </template>
</template>

<style scoped>
.fields {
    align-items: flex-start;
    gap: 18px;
}
.shape {
    display: flex;
    gap: 18px;
    align-items: center;
}
.act {
    margin-top: 14px;
}
.asked ul {
    margin: 0;
    padding-left: 16px;
}
</style>
