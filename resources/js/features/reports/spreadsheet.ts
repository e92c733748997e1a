/** A spreadsheet's first sheet as the text of a CSV: read in the browser, so that the server only ever sees rows. */
export async function asCsv(file: File): Promise<File> {
    const { readSheet } = await import('read-excel-file/browser')
    const rows = await readSheet(file)
    const text = rows.map((row) => row.map(cell).join(',')).join('\r\n')
    return new File([text], file.name, { type: 'text/csv' })
}

function cell(value: unknown): string {
    if (value === null || value === undefined) return ''
    const text = value instanceof Date ? value.toISOString().slice(0, 10) : String(value as string | number | boolean)
    return /[",\r\n]/.test(text) ? `"${text.replace(/"/g, '""')}"` : text
}

export const isSpreadsheet = (file: File): boolean => /\.xlsx$/i.test(file.name)
