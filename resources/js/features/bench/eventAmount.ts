import { figure, siteUnits } from '@/shared/format'
import { keptFrom, shownIn, unitOf, type Measure } from '@/shared/measures'

/** An amount as it was noted, turned into the units of the site where it was noted in the others. */
export function amountOf({ amount, unit }: { amount?: number | null; unit?: string | null }): string {
    const units = siteUnits.value
    const measure: Measure = unit === 'in' || unit === 'mm' ? 'water' : 'rate'
    if (amount == null || !unit || unit !== unitOf(measure, units === 'us' ? 'metric' : 'us'))
        return `${amount} ${unit}`
    const value = units === 'us' ? keptFrom(amount, measure, 'metric') : shownIn(amount, measure, 'metric')
    return `${figure(value)} ${unitOf(measure, units)}`
}
