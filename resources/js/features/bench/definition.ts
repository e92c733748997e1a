/** A method's definition as the form edits it; what it may say is the server's to judge. */
export interface StepDraft {
    code: string
    kind: 'act' | 'timed' | 'wait' | 'read'
    do: string
    amount?: string
    hands_s?: number
    least_s?: number
    aim_s?: number
    most_s?: number
    short?: string
    long?: string
    reads?: string
    stokes_um?: number
}
export interface BandDraft {
    name: string
    lower: number | null
    upper: number | null
    colour?: [number, number, number]
}
export interface ConditionDraft {
    code: string
    name: string
    options: { value: string; name: string; breaks?: string }[]
}
export interface Draft {
    code: string
    name: string
    analyte: string
    unit: string
    scale: {
        kind: string
        bands?: BandDraft[]
        table?: { from: number; to: number; band: string }[]
        [more: string]: unknown
    }
    readings: number
    colour: boolean
    probe: string | null
    conditions: ConditionDraft[]
    celsius: { lowest: number; highest: number } | null
    reagents: { name: string }[]
    steps: StepDraft[]
    hazards: string[]
    cost_cents: number
    minutes: number
    source?: string
}

/** A code from words: lower case, digits and hyphens, unlike those that there are. */
export function codeOf(words: string, taken: string[]): string {
    const plain =
        words
            .toLowerCase()
            .replace(/[^a-z0-9]+/g, '-')
            .replace(/^-|-$/g, '')
            .slice(0, 30) || 'step'
    let code = plain
    for (let i = 2; taken.includes(code); i++) code = `${plain}-${i}`
    return code
}

/** The kind of a step changed: it keeps what the new kind has, and gets what it lacks. */
export function turned(step: StepDraft, kind: StepDraft['kind']): StepDraft {
    const base = { code: step.code, kind, do: step.do, ...(step.amount ? { amount: step.amount } : {}) }
    if (kind === 'act') return { ...base, hands_s: step.hands_s ?? 10 }
    if (kind === 'read') return { ...base, hands_s: step.hands_s ?? 15, reads: step.reads ?? 'reading' }
    const times = { least_s: step.least_s ?? 55, aim_s: step.aim_s ?? 60, most_s: step.most_s ?? 90 }
    return {
        ...base,
        ...times,
        short: step.short ?? (kind === 'wait' ? 'settled-short' : 'mixed-short'),
        ...(kind === 'wait' ? { long: step.long ?? 'settled-long' } : {}),
    }
}
