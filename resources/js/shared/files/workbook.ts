import { XMLParser } from 'fast-xml-parser'
import { unzip } from '@/shared/files/unzip'

/**
 * The sheets of a workbook (.xlsx), each as the text of a CSV whose lines are the rows of the sheet: read in the browser, so that
 * the server only ever sees rows. Source: ECMA-376, SpreadsheetML.
 */
export interface Sheet {
    name: string
    hidden: boolean
    csv: string
    rows: number
    /** Why it cannot be taken, with its cells; null where it can. */
    refused: string | null
    notes: string[]
}

/** A workbook that cannot be read, in words. */
export class NoWorkbook extends Error {}

const MOST_BYTES = 60_000_000
const ACCEPTED = 'Save the sheet as CSV, and choose that.'
const LISTED = new Set(['sheet', 'Relationship', 'row', 'c', 'si', 'r', 'mergeCell', 'xf', 'numFmt'])
const parser = new XMLParser({
    ignoreAttributes: false,
    attributeNamePrefix: '@',
    textNodeName: '#',
    removeNSPrefix: true,
    parseTagValue: false,
    parseAttributeValue: false,
    trimValues: false,
    htmlEntities: true,
    isArray: (name) => LISTED.has(name),
})

interface Xml {
    [key: string]: Xml | Xml[] | string | undefined
}
const list = (node: unknown): Xml[] => (Array.isArray(node) ? (node as Xml[]) : [])
const at = (node: unknown, ...path: string[]): unknown =>
    path.reduce<unknown>((found, key) => (found && typeof found === 'object' ? (found as Xml)[key] : undefined), node)
const text = (node: unknown): string =>
    typeof node === 'string' ? node : typeof at(node, '#') === 'string' ? (at(node, '#') as string) : ''
const attribute = (node: unknown, name: string): string => {
    const value = at(node, `@${name}`)
    return typeof value === 'string' ? value : ''
}

/** Sheets in their order, those that are hidden last. */
export function readWorkbook(bytes: Uint8Array): Sheet[] {
    let files: Map<string, Uint8Array>
    try {
        files = unzip(bytes)
    } catch (error) {
        throw new NoWorkbook(
            `The workbook cannot be unpacked (${error instanceof Error ? error.message : String(error)}). ${ACCEPTED}`,
        )
    }
    const part = (name: string): unknown => {
        const found = files.get(name)
        if (!found) return undefined
        if (found.length > MOST_BYTES) throw new NoWorkbook(`${name} is larger than 60 MB. ${ACCEPTED}`)
        return parser.parse(new TextDecoder().decode(found)) as unknown
    }
    const book = part('xl/workbook.xml')
    if (!book) throw new NoWorkbook(`This is no .xlsx workbook. ${ACCEPTED}`)
    const targets = new Map(
        list(at(part('xl/_rels/workbook.xml.rels'), 'Relationships', 'Relationship')).map((one) => [
            attribute(one, 'Id'),
            attribute(one, 'Target').replace(/^\/?(xl\/)?/, 'xl/'),
        ]),
    )
    const shared = list(at(part('xl/sharedStrings.xml'), 'sst', 'si')).map(richText)
    const formats = formatsOf(part('xl/styles.xml'))
    const from1904 = /^(1|true)$/.test(attribute(at(book, 'workbook', 'workbookPr'), 'date1904'))
    const sheets: Sheet[] = []
    for (const one of list(at(book, 'workbook', 'sheets', 'sheet'))) {
        const sheet = part(targets.get(attribute(one, 'id')) ?? '')
        if (sheet)
            sheets.push(
                read(
                    attribute(one, 'name'),
                    attribute(one, 'state') !== '' && attribute(one, 'state') !== 'visible',
                    sheet,
                    shared,
                    formats,
                    from1904,
                ),
            )
    }
    if (!sheets.some(({ rows }) => rows > 0)) throw new NoWorkbook('No sheet of this workbook holds anything.')
    return [...sheets.filter(({ hidden }) => !hidden), ...sheets.filter(({ hidden }) => hidden)].filter(
        ({ rows }) => rows > 0,
    )
}

function richText(node: Xml): string {
    return list(node.r).length
        ? list(node.r)
              .map((run) => text(run.t))
              .join('')
        : text(node.t)
}

type Format = { kind: 'percent' | 'date' | 'digits' | 'plain'; digits: number }

function formatsOf(styles: unknown): Format[] {
    const own = new Map(
        list(at(styles, 'styleSheet', 'numFmts', 'numFmt')).map((one) => [
            attribute(one, 'numFmtId'),
            attribute(one, 'formatCode'),
        ]),
    )
    return list(at(styles, 'styleSheet', 'cellXfs', 'xf')).map((xf) => {
        const id = Number(attribute(xf, 'numFmtId') || 0)
        return formatOf(id, own.get(String(id)) ?? '')
    })
}

function formatOf(id: number, code: string): Format {
    const bare = code.replace(/"[^"]*"|\\.|\[[^\]]*\]|_./g, '')
    if (id === 9 || id === 10 || bare.includes('%')) return { kind: 'percent', digits: 0 }
    if (
        (id >= 14 && id <= 22) ||
        (id >= 45 && id <= 47) ||
        (/[dmyhs]/i.test(bare) && !/[0#]/.test(bare.replace(/s\.0+/gi, '')))
    )
        return { kind: 'date', digits: 0 }
    return /^0{2,}$/.test(bare) ? { kind: 'digits', digits: bare.length } : { kind: 'plain', digits: 0 }
}

function read(
    name: string,
    hidden: boolean,
    sheet: unknown,
    shared: string[],
    formats: Format[],
    from1904: boolean,
): Sheet {
    const rows = new Map<number, Map<number, string>>()
    const uncached: string[] = []
    const notes: string[] = []
    let last = 0
    let hiddenRows = 0
    let dates = 0
    for (const row of list(at(sheet, 'worksheet', 'sheetData', 'row'))) {
        last = Number(attribute(row, 'r')) || last + 1
        hiddenRows += /^(1|true)$/.test(attribute(row, 'hidden')) && list(row.c).length ? 1 : 0
        const cells = new Map<number, string>()
        let column = 0
        for (const cell of list(row.c)) {
            const place = attribute(cell, 'r')
            column = place ? columnOf(place) : column + 1
            // A formula whose value is an empty text says so by its type; one without a value was never reckoned.
            if (
                cell.f !== undefined &&
                text(cell.v) === '' &&
                cell.is === undefined &&
                attribute(cell, 't') !== 'str'
            ) {
                uncached.push(place || `${letters(column)}${last}`)
                continue
            }
            const said = cellText(cell, shared, formats, from1904)
            dates += said.date ? 1 : 0
            if (said.text !== '') cells.set(column, said.text)
        }
        if (cells.size) rows.set(last, cells)
    }
    const carried = carryDown(list(at(sheet, 'worksheet', 'mergeCells', 'mergeCell')), rows)
    if (carried) notes.push(`${carried} merged cells were carried down over their rows.`)
    if (hiddenRows) notes.push(`${hiddenRows} hidden rows were read too.`)
    if (dates) notes.push(`${dates} cells are dates in the workbook, and are no results.`)
    return {
        name,
        hidden,
        csv: asCsv(rows),
        rows: rows.size,
        notes,
        refused: uncached.length ? refusal(name, uncached) : null,
    }
}

function refusal(name: string, cells: string[]): string {
    const shown = cells.slice(0, 6).join(', ')
    return (
        `Sheet "${name}": ${cells.length === 1 ? 'the formula' : 'the formulas'} in ` +
        `${shown}${cells.length > 6 ? ` and ${cells.length - 6} more` : ''} have no stored value. Open the workbook ` +
        `where it was made, save it, and choose it again.`
    )
}

function cellText(cell: Xml, shared: string[], formats: Format[], from1904: boolean): { text: string; date: boolean } {
    const type = attribute(cell, 't')
    const raw = text(cell.v)
    if (type === 's') return { text: (shared[Number(raw)] ?? '').trim(), date: false }
    if (type === 'inlineStr') return { text: (cell.is ? richText(cell.is as Xml) : '').trim(), date: false }
    if (type === 'b') return { text: raw === '1' ? 'TRUE' : 'FALSE', date: false }
    if (type === 'str' || type === 'e' || type === 'd') return { text: raw.trim(), date: type === 'd' }
    if (raw === '') return { text: '', date: false }
    const format = formats[Number(attribute(cell, 's') || 0)] ?? { kind: 'plain', digits: 0 }
    const value = Number(raw)
    if (format.kind === 'percent') return { text: `${trimmed(value * 100)}%`, date: false }
    if (format.kind === 'date') return { text: dateOf(value, from1904), date: true }
    if (format.kind === 'digits' && Number.isInteger(value))
        return { text: String(value).padStart(format.digits, '0'), date: false }
    return { text: /[eE]/.test(raw) || raw.length > 16 ? trimmed(value) : raw, date: false }
}

/** A number with no more digits than a double holds for certain. */
const trimmed = (value: number): string => String(Number(value.toPrecision(15)))

/** A serial day of the workbook as a date, so that nobody takes it for a result. */
function dateOf(serial: number, from1904: boolean): string {
    const days = from1904 ? serial + 1462 : serial
    const date = new Date(Date.UTC(1899, 11, 30) + Math.round(days * 86_400) * 1000)
    return Number.isFinite(date.getTime()) ? date.toISOString().slice(0, 10) : String(serial)
}

function columnOf(place: string): number {
    let column = 0
    for (const letter of /^[A-Z]+/i.exec(place)?.[0].toUpperCase() ?? '')
        column = column * 26 + letter.charCodeAt(0) - 64
    return column
}

function letters(column: number): string {
    return column > 26
        ? letters(Math.floor((column - 1) / 26)) + letters(((column - 1) % 26) + 1)
        : String.fromCharCode(64 + column)
}

/** Cells merged over several rows stand in each of them; the number of cells filled. */
function carryDown(merges: Xml[], rows: Map<number, Map<number, string>>): number {
    let filled = 0
    for (const merge of merges) {
        const [from = '', to = ''] = attribute(merge, 'ref').split(':')
        const [top, bottom, column] = [Number(/\d+$/.exec(from)?.[0]), Number(/\d+$/.exec(to)?.[0]), columnOf(from)]
        const value = rows.get(top)?.get(column)
        if (value === undefined || !(bottom > top) || bottom - top > 10_000) continue
        for (let row = top + 1; row <= bottom; row++) {
            const cells = rows.get(row)
            if (cells && !cells.has(column)) {
                cells.set(column, value)
                filled++
            }
        }
    }
    return filled
}

/** Line by line what stands in the rows, so that a row's number is the line's. */
function asCsv(rows: Map<number, Map<number, string>>): string {
    const last = Math.max(0, ...rows.keys())
    const wide = Math.max(0, ...[...rows.values()].map((cells) => Math.max(...cells.keys())))
    const lines: string[] = []
    for (let row = 1; row <= last; row++) {
        const cells = rows.get(row)
        lines.push(cells ? Array.from({ length: wide }, (_, i) => quoted(cells.get(i + 1) ?? '')).join(',') : '')
    }
    return lines.join('\r\n')
}

function quoted(cell: string): string {
    const line = cell.replace(/\s*[\r\n]+\s*/g, ' ')
    return /[",]/.test(line) ? `"${line.replace(/"/g, '""')}"` : line
}
