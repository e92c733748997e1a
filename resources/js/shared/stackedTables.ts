/**
 * On a phone a table stands line by line, each cell with the head of its column before it; the style sheet draws that, and what
 * is written there comes from the head of the table, whatever page it is on.
 */
const NARROW = '(max-width: 700px)'

/** Which column each cell of a table stands in, cells that reach over others counted. */
export function columnsOf(rows: { cells: { over: number; down: number }[] }[]): number[][] {
    const taken: Set<number>[] = rows.map(() => new Set())
    return rows.map(({ cells }, at) => {
        let column = 0
        return cells.map(({ over, down }) => {
            while (taken[at]!.has(column)) column++
            const stands = column
            for (let row = at; row < Math.min(at + down, rows.length); row++)
                for (let one = stands; one < stands + over; one++) taken[row]!.add(one)
            column += over
            return stands
        })
    })
}

function label(table: HTMLTableElement): void {
    const heads = [...(table.tHead?.rows ?? [])].at(-1)
    if (!heads) return
    const names = [...heads.cells].flatMap((cell) => {
        // A scale, and a head that only readers hear, say nothing before a cell.
        const isSilent = cell.classList.contains('scale') || cell.querySelector('.sr') !== null
        const name = isSilent ? '' : cell.innerText.replace(/\s+/g, ' ').trim()
        return Array.from({ length: cell.colSpan }, () => name)
    })
    for (const body of table.tBodies) {
        const rows = [...body.rows]
        const places = columnsOf(
            rows.map((row) => ({ cells: [...row.cells].map((cell) => ({ over: cell.colSpan, down: cell.rowSpan })) })),
        )
        rows.forEach((row, at) =>
            [...row.cells].forEach((cell, i) => {
                const name = i === 0 && places[at]![0] === 0 ? '' : (names[places[at]![i]!] ?? '')
                if (cell.dataset.head !== name) cell.dataset.head = name
            }),
        )
    }
}

/** Writes the heads into the tables of the application while the window is narrow, and again whenever a page changes. */
export function stackTables(root: HTMLElement): void {
    const narrow = window.matchMedia(NARROW)
    let due = false
    const all = (): void => {
        due = false
        if (narrow.matches) root.querySelectorAll<HTMLTableElement>('table.plain').forEach(label)
    }
    const soon = (): void => {
        if (due || !narrow.matches) return
        due = true
        requestAnimationFrame(all)
    }
    new MutationObserver(soon).observe(root, { childList: true, subtree: true, characterData: true })
    narrow.addEventListener('change', soon)
    soon()
}
