import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref, type ComputedRef, type Ref } from 'vue'
import { api, Refused, type Schema } from '@/api/client'
import { useSave } from '@/shared/composables/useSave'
import { asCsv, isSpreadsheet } from './spreadsheet'

export type Preview = Schema<'ReportPreview'>
export type Column = Schema<'ReportColumn'>

/** A file of a lab on its way in: read and shown first, then taken whole or not at all. */
export function useReport(labId: Ref<number | null>, readOn: Ref<string>) {
    const queries = useQueryClient()
    const file = ref<File | null>(null)
    const preview = ref<Preview | null>(null)
    const columns = ref<Column[]>([])
    /** g/cm³; the usual one where none is given */
    const density = ref<number | null>(null)
    const skip = ref<number[]>([])
    const supersedes = ref<number | null>(null)
    const trouble = ref('')

    function form(withMapping: boolean, options: { header?: number; comma?: boolean } = {}): FormData {
        const body = new FormData()
        if (file.value) body.append('file', file.value)
        body.append('lab_id', String(labId.value ?? 0))
        const header = options.header ?? preview.value?.header_row
        if (header !== undefined && !preview.value?.interchange) body.append('header_row', String(header))
        const comma = options.comma ?? preview.value?.decimal_comma
        if (comma !== undefined) body.append('decimal_comma', comma ? '1' : '0')
        if (withMapping) body.append('mapping', JSON.stringify({ columns: columns.value, bulk_density: density.value }))
        return body
    }
    const reading = useSave(
        (withMapping: boolean, options?: { header?: number; comma?: boolean }) => api.post('/reports/read', form(withMapping, options)),
        (found) => {
            preview.value = found
            columns.value = found.mapping.columns
            density.value = found.mapping.bulk_density ?? null
        },
    )
    const taking = useSave(
        () => {
            const body = form(true)
            body.append('read_on', readOn.value)
            body.append('skip', skip.value.join(','))
            body.append('name', file.value?.name ?? '')
            if (supersedes.value !== null) body.append('supersedes_id', String(supersedes.value))
            return api.post('/reports', body)
        },
        async () => {
            await queries.invalidateQueries()
        },
    )

    async function open(chosen: File | null): Promise<void> {
        trouble.value = ''
        reading.clear()
        taking.clear()
        preview.value = null
        skip.value = []
        file.value = null
        if (!chosen) return
        try {
            file.value = isSpreadsheet(chosen) ? await asCsv(chosen) : chosen
        } catch (error) {
            trouble.value = `The spreadsheet cannot be read (${error instanceof Error ? error.message : String(error)}). Accepted are .xlsx, CSV, and interchange XML or JSON.`
            return
        }
        await reading.save(false)
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
        open,
        again: reading.save,
        reading: reading.saving,
        take: taking.save,
        taking: taking.saving,
        refusal,
    }
}
