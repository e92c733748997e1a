import { ref } from 'vue'
import type { Sheet } from '@/shared/files/workbook'

const isWorkbook = (file: File): boolean => /\.xls[xm]$/i.test(file.name)

/**
 * A spreadsheet that was chosen: a text as it is, a workbook one sheet at a time, as the rows that the server reads.
 *
 * @param then what is done when another file or sheet is chosen; there is none where it cannot be read
 */
export function useSpreadsheet(then: (file: File | null) => Promise<void>) {
    const file = ref<File | null>(null)
    const sheets = ref<Sheet[]>([])
    const sheet = ref(0)
    const trouble = ref('')

    async function chosen(one: File | null, why = ''): Promise<void> {
        file.value = one
        trouble.value = why
        await then(one)
    }

    /** One sheet of a workbook. */
    async function choose(which: number, name = file.value?.name ?? 'workbook.xlsx'): Promise<void> {
        sheet.value = which
        const one = sheets.value[which]
        await (one && !one.refused
            ? chosen(new File([one.csv], name, { type: 'text/csv' }))
            : chosen(null, one?.refused ?? ''))
    }

    async function open(picked: File | null): Promise<void> {
        sheets.value = []
        if (!picked || !isWorkbook(picked)) {
            await chosen(picked)
            return
        }
        try {
            const { readWorkbook } = await import('@/shared/files/workbook')
            sheets.value = readWorkbook(new Uint8Array(await picked.arrayBuffer()))
        } catch (error) {
            await chosen(null, error instanceof Error ? error.message : String(error))
            return
        }
        await choose(0, picked.name)
    }

    return { file, sheets, sheet, trouble, open, choose }
}
