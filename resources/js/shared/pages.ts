/** Pages that are found by their names, beside records. */
export interface FoundPage {
    kind: string
    label: string
    detail: string
    to: string
}

const PAGES: [string, string, string][] = [
    ['Today', 'what waits and what is due', '/'],
    ['Areas', 'ground that is sampled apart', '/areas'],
    ['Plans', 'cores, depth, walk', '/plans'],
    ['Pull', 'core by core, on the phone', '/pull'],
    ['Send and track', 'the season ledger', '/send'],
    ['Scan codes', 'a step for many bags', '/scan'],
    ['Labs', 'forms, fees, check soils', '/labs'],
    ['Pack a consignment', 'for a lab', '/consignments/new'],
    ['Bench', 'start a run', '/bench'],
    ['Methods', 'tests of the bench and their lots', '/bench/methods'],
    ['Pens', 'calibrations and drift', '/bench/pens'],
    ['Readers', 'colour vision and practice', '/bench/readers'],
    ['Write down a reading', 'by hand', '/bench/by-hand'],
    ['Reports', 'files of labs', '/reports'],
    ['Take a lab’s file', 'a report', '/reports/take'],
    ['Side by side', 'all readings of one analyte', '/reports/side-by-side'],
    ['Check soils', 'control charts', '/reports/checks'],
    ['Evidence', 'what each test proves', '/evidence'],
    ['Decide', 'the register of verdicts, policies', '/decide'],
    ['What to buy next season', 'strategies', '/decide/strategies'],
    ['Prescribe', 'programs by area', '/prescribe'],
    ['Shelf', 'products and prices', '/shelf'],
    ['Tables', 'rules with their source', '/tables'],
    ['Shopping list', 'what the programs need', '/shopping'],
    ['Reckoner', 'computations without a record', '/reckoner'],
    ['Follow up', 'retests', '/follow-up'],
    ['Spreading log', 'what was spread', '/follow-up/spread'],
    ['Did it work', 'answers of programs', '/follow-up/answers'],
    ['Campaign', 'retests by week, calendar', '/follow-up/campaign'],
    ['Your account', 'password, second factor, tokens', '/account'],
    ['People', 'invite somebody, roles', '/people'],
    ['Sites', 'units, address, export, CSV', '/settings'],
    ['What was changed', 'names, facts, answers, moves; take back', '/changes'],
    ['Practice ground', 'lessons, classes, ground whose truth is known', '/practice'],
    ['Help', 'the work, in its order', '/help'],
]
const MOST = 5

/** What can be done from anywhere: a page that begins it. */
const COMMANDS: [string, string, string][] = [
    ['Draw a new area', 'on the map', '/areas?do=new'],
    ['Bring in a file of areas', 'GeoJSON, KML, Shapefile, GPX, CSV', '/areas?do=import'],
    ['Mark something to keep away from', 'a landmark', '/areas?do=landmark'],
    ['Add a site', 'another property', '/areas?do=site'],
    ['Add a lab', 'tests, fees, forms', '/labs?do=new'],
    ['Add a product', 'to the shelf', '/shelf?do=new'],
    ['Invite somebody', 'into the team', '/people'],
    ['Begin a lesson', 'on practice ground', '/practice'],
    ['Take back a change', 'names, facts, answers, moves', '/changes'],
    ['Set the pages dark or light', 'this device', '/account'],
]

/** Commands in whose name or words all of what was typed stands. */
export const commandsNamed = (typed: string): FoundPage[] => named(COMMANDS, 'do', typed)

/** Pages in whose name or words all of what was typed stands. */
export const pagesNamed = (typed: string): FoundPage[] => named(PAGES, 'page', typed)

function named(list: [string, string, string][], kind: string, typed: string): FoundPage[] {
    const words = typed.toLowerCase().split(/\s+/).filter(Boolean)
    if (!words.length) return []
    return list
        .filter(([label, detail]) => words.every((word) => `${label} ${detail}`.toLowerCase().includes(word)))
        .sort(
            ([a], [b]) => Number(b.toLowerCase().startsWith(words[0]!)) - Number(a.toLowerCase().startsWith(words[0]!)),
        )
        .slice(0, MOST)
        .map(([label, detail, to]) => ({ kind, label, detail, to }))
}
