import type { Schema } from '@/api/client'
import { rate, type Units } from '@/shared/format'

/** The words of the answers, of lines and of schools; each stands here once. */
export const WORDS: Record<string, string> = {
    as_expected: 'As expected',
    less: 'Less',
    more: 'More',
    not_seen: 'Not seen',
    cannot_tell: 'Cannot tell',
    no_control: 'No control',
    changed: 'Changed',
}
export const STATES: Record<string, string> = {
    not_spread: 'Not spread',
    unknown_rate: 'Rate not known',
    no_before: 'Nothing before',
    no_after: 'Waits for its retest',
}
export const LINES: Record<string, string> = {
    lime: 'Lime',
    sulphur: 'Sulphur',
    p2o5: 'Phosphate',
    k2o: 'Potash',
}
export const SCHOOLS: Record<string, string> = {
    smp: 'Lime by the SMP buffer',
    mehlich: 'Lime by the Mehlich buffer',
    adams_evans: 'Lime by the Adams-Evans buffer',
    capacity: 'Lime by the measured capacity',
    sulphur: 'Sulphur by the table',
    'build-p': 'Phosphate, build up and maintain',
    'build-k': 'Potash, build up and maintain',
}

export const schoolName = (code: string): string => SCHOOLS[code] ?? (code || 'No school')

export const answerWord = (answer: Schema<'ProgramAnswer'>): string =>
    WORDS[answer.word] ?? STATES[answer.state] ?? answer.state

/** A rate as a spreader reads it. */
export function rateText(lbPerAcre: number | null, units: Units): string {
    if (lbPerAcre === null) return 'no rate'
    const { value, unit } = rate(lbPerAcre, units)
    return `${value} ${unit}`
}
