import type { Units } from './format'

const KG_PER_LB = 0.45359237
const HA_PER_ACRE = 0.40468564224
const T_PER_TON = (2000 * KG_PER_LB) / 1000
const SQ_FT_PER_ACRE = 43_560

/** Quantities as they are kept and sent, in US units, and as ground that is worked in metres calls them. */
const MEASURES = {
    rate: ['lb/acre', 'kg/ha', KG_PER_LB / HA_PER_ACRE],
    bulk: ['tons/acre', 't/ha', T_PER_TON / HA_PER_ACRE],
    bed: ['lb per 1,000 sq ft', 'g/m²', (KG_PER_LB * SQ_FT_PER_ACRE) / 1000 / (HA_PER_ACRE * 10)],
    content: ['lb/ton', 'kg/t', 0.5],
    mass: ['lb', 'kg', KG_PER_LB],
    load: ['tons', 't', T_PER_TON],
    ground: ['acres', 'ha', HA_PER_ACRE],
    depth: ['in', 'cm', 2.54],
    water: ['in', 'mm', 25.4],
    each_load: ['a ton of 2,000 lb', 'a tonne', 1 / T_PER_TON],
    each_ground: ['an acre', 'a hectare', 1 / HA_PER_ACRE],
    length: ['ft', 'm', 0.3048],
} as const satisfies Record<string, readonly [string, string, number]>
export type Measure = keyof typeof MEASURES

/** What the unit is called. */
export const unitOf = (measure: Measure, units: Units): string => MEASURES[measure][units === 'us' ? 0 : 1]

/** A figure that is kept in the US unit, in the unit of the site. */
export const shownIn = (value: number, measure: Measure, units: Units): number =>
    units === 'us' ? value : value * MEASURES[measure][2]

/** A figure in the unit of the site, as it is kept. */
export const keptFrom = (value: number, measure: Measure, units: Units): number =>
    units === 'us' ? value : value / MEASURES[measure][2]

/** A figure that came with the name of its unit; one of no system stays. */
export function turned(value: number, unit: string, units: Units): [number, string] {
    const known = (Object.keys(MEASURES) as Measure[]).find((one) => MEASURES[one][0] === unit)
    return known ? [shownIn(value, known, units), unitOf(known, units)] : [value, unit]
}
