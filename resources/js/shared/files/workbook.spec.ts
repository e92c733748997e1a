import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from 'vitest'
import { readWorkbook } from './workbook'

interface Truth {
    sheets?: string[]
    csv?: string
    refused?: string
    notes?: string
    unreadable?: string
}
const folder = fileURLToPath(new URL('../../../../tests/corpus/workbooks/', import.meta.url))
const truth = JSON.parse(readFileSync(`${folder}truth.json`, 'utf8')) as Record<string, Truth>

/** Workbooks that another library made (tests/corpus/workbooks/make.py), with what each of them says. */
describe('workbooks', () => {
    for (const [name, expected] of Object.entries(truth)) {
        it(name, () => {
            const bytes = new Uint8Array(readFileSync(folder + name))
            if (expected.unreadable) {
                expect(() => readWorkbook(bytes)).toThrow(expected.unreadable)
                return
            }
            const sheets = readWorkbook(bytes)
            expect(sheets.map((sheet) => sheet.name + (sheet.hidden ? ' (hidden)' : ''))).toEqual(expected.sheets)
            if (expected.refused) expect(sheets[0]?.refused).toContain(expected.refused)
            else expect(sheets[0]?.refused).toBeNull()
            if (expected.csv) expect(sheets[0]?.csv).toBe(expected.csv)
            if (expected.notes) expect(sheets[0]?.notes.join(' ')).toContain(expected.notes)
        })
    }
})
