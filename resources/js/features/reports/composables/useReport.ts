import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref, type ComputedRef, type Ref } from 'vue'
import { api, Refused, type Schema } from '@/api/client'
import { useSave } from '@/shared/composables/useSave'
import { useSpreadsheet } from '@/shared/composables/useSpreadsheet'

export type Preview = Schema<'ReportPreview'>
export type Column = Schema<'ReportColumn'>

/** A file of a lab on its way in: read and shown first, then taken whole or not at all. */
export function useReport(labId: Ref<number | null>, readOn: Ref<string>) {
    const queries = useQueryClient()
    const preview = ref<Preview | null>(null)
    const columns = ref<Column[]>([])
    /** g/cm³; the usual one where none is given */
    const density = ref<number | null>(null)
    const skip = ref<number[]>([])
    const supersedes = ref<number | null>(null)
    /** What a person has said of the file; null where it was left to be found out. */
    const header = ref<number | null>(null)
    const comma = ref<boolean | null>(null)
    const { file, sheets, sheet, trouble, open, choose } = useSpreadsheet(async (chosen) => {
        forget()
        if (chosen) await reading.save(false)
    })
    /** The lab's own paper, kept beside the report. */
    const paper = ref<File | null>(null)

    function form(withMapping: boolean): FormData {
        const body = new FormData()
        if (file.value) body.append('file', file.value)
        body.append('lab_id', String(labId.value ?? 0))
        if (header.value !== null) body.append('header_row', String(header.value))
        if (comma.value !== null) body.append('decimal_comma', comma.value ? '1' : '0')
        if (withMapping) body.append('mapping', JSON.stringify({ columns: columns.value, bulk_density: density.value }))
        return body
    }
    let isMapped = false
    /** How often something was said of the file, and how much of that the reading under way knows. */
    let [said, known] = [0, 0]
    const reading = useSave(
        (withMapping: boolean) => {
            known = said
            return api.post('/reports/read', form(withMapping))
        },
        (found) => {
            preview.value = found
            // What was said while it was read is newer than what it found.
            if (known !== said) return
            columns.value = found.mapping.columns
            density.value = found.mapping.bulk_density ?? null
        },
    )
    const taking = useSave(
        async () => {
            const body = form(true)
            body.append('read_on', readOn.value)
            body.append('skip', skip.value.join(','))
            body.append('name', file.value?.name ?? '')
            if (supersedes.value !== null) body.append('supersedes_id', String(supersedes.value))
            const taken = await api.post('/reports', body)
            if (paper.value) {
                const own = new FormData()
                own.append('paper', paper.value)
                await api.post('/reports/{report}/papers', own, { ids: { report: taken.id } })
            }
            return taken
        },
        async () => {
            await queries.invalidateQueries()
        },
    )

    function forget(): void {
        reading.clear()
        taking.clear()
        preview.value = null
        skip.value = []
        header.value = comma.value = null
    }

    /** Reads the file again with what was said of it; what is said meanwhile is read after it, and nothing of it is lost. */
    async function again(withMapping: boolean, of: { header?: number; comma?: boolean } = {}): Promise<void> {
        header.value = of.header ?? header.value
        comma.value = of.comma ?? comma.value
        said++
        isMapped = withMapping
        if (reading.saving.value) return
        do await reading.save(isMapped)
        while (known !== said && reading.refusal.value === null)
    }
    const refusal: ComputedRef<Refused | null> = computed(() => taking.refusal.value ?? reading.refusal.value)

    return {
        file,
        preview,
        columns,
        density,
        skip,
        supersedes,
        trouble,
        sheets,
        sheet,
        paper,
        open,
        choose,
        again,
        reading: reading.saving,
        take: taking.save,
        taking: taking.saving,
        refusal,
    }
}
