import { ref } from 'vue'

/** How numbers, lengths, areas and days are written. Nothing here computes agronomy. */
export type Units = 'us' | 'metric'

/** How the person writes numbers and days. */
export const locale = ref(globalThis.navigator?.language ?? 'en-US')

/** The units of the site that the pages are about. */
export const siteUnits = ref<Units>('us')

const THIN = '\u2009'
const NARROW = '\u202f'
const METRES_PER_FOOT = 0.3048
const M2_PER_ACRE = 4046.8564224
const KG_PER_LB = 0.45359237
const KG_PER_HA = KG_PER_LB / 0.40468564224
const LB_PER_TON = 2000
const CM_PER_IN = 2.54
const COMPASS = ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west']

/** What stands before decimals where the person is at home: beside a comma, thousands are parted by a space alone. */
const decimalOf = (language: string): string =>
    new Intl.NumberFormat(language).formatToParts(1.5).find(({ type }) => type === 'decimal')?.value ?? '.'

/** A number with fixed decimals and a true minus; a dash where there is none. */
export function number(value: number | null | undefined, decimals = 0): string {
    if (value === null || value === undefined || !Number.isFinite(value)) return '–'
    const isNothing = Number(value.toFixed(decimals)) === 0
    const parts = new Intl.NumberFormat(`${locale.value}-u-nu-latn`, {
        minimumFractionDigits: decimals,
        maximumFractionDigits: decimals,
    }).formatToParts(isNothing ? 0 : value)
    const mark = decimalOf(locale.value) === ',' ? NARROW : ','
    return parts.map(({ type, value: text }) => (type === 'group' ? mark : type === 'minusSign' ? '−' : text)).join('')
}

/** A signed difference: +0.32, −0.10, 0.00. */
export function signed(value: number | null | undefined, decimals = 2): string {
    const text = number(value, decimals)
    return value !== null && value !== undefined && value > 0 && Number(value.toFixed(decimals)) > 0 ? `+${text}` : text
}

/** A share as a whole percentage, rounded down so that it never claims more than is known. */
export function percent(share: number | null | undefined): string {
    return share === null || share === undefined ? '–' : `${number(Math.floor(share * 100 + 1e-9))}${THIN}%`
}

/** A part of a whole, to the nearest percent; what is smaller than one says so. */
export function share(part: number | null | undefined): string {
    if (part === null || part === undefined || !Number.isFinite(part)) return '–'
    if (part > 0 && part < 0.005) return `under 1${THIN}%`
    return part < 1 && part > 0.995 ? `over 99${THIN}%` : `${number(part * 100)}${THIN}%`
}

export function acresAndHectares(areaM2: number): string {
    if (siteUnits.value === 'metric') return extent(areaM2, 'metric')
    return `${number(areaM2 / M2_PER_ACRE, 2)}${THIN}ac (${number(areaM2 / 10_000, 2)}${THIN}ha)`
}

export function extent(areaM2: number, units: Units): string {
    return units === 'us' ? `${number(areaM2 / M2_PER_ACRE, 1)}${THIN}ac` : `${number(areaM2 / 10_000, 2)}${THIN}ha`
}

export function length(metres: number, units: Units): string {
    return units === 'us' ? `${number(metres / METRES_PER_FOOT)}${THIN}ft` : `${number(metres)}${THIN}m`
}

export function feet(metres: number): number {
    return metres / METRES_PER_FOOT
}

export function metres(feetGiven: number): number {
    return feetGiven * METRES_PER_FOOT
}

/** In English a month is named after its day, whatever the country: nobody takes one for the other. */
const isEnglish = (): boolean => locale.value.startsWith('en')

/** "24 Sep 2026" of a day given as 2026-09-24 or of a moment, in a time zone. */
export function day(text: string | null | undefined, timezone = 'UTC'): string {
    if (!text) return '–'
    const moment = new Date(text.length === 10 ? `${text}T12:00:00Z` : text)
    const zone = text.length === 10 ? 'UTC' : timezone
    if (!isEnglish())
        return new Intl.DateTimeFormat(locale.value, {
            day: 'numeric',
            month: 'short',
            year: 'numeric',
            timeZone: zone,
        }).format(moment)
    const parts = new Intl.DateTimeFormat('en-US', {
        day: 'numeric',
        month: 'short',
        year: 'numeric',
        timeZone: zone,
    })
        .formatToParts(moment)
        .reduce<Record<string, string>>((found, part) => ({ ...found, [part.type]: part.value }), {})
    return `${parts.day} ${parts.month} ${parts.year}`
}

/** Today's date in a time zone, as 2026-09-24. */
export function today(timezone: string): string {
    return new Intl.DateTimeFormat('sv-SE', { timeZone: timezone, dateStyle: 'short' }).format(new Date())
}

export function bearing(degrees: number): string {
    return `${COMPASS[Math.round(degrees / 45) % 8]}, ${Math.round(degrees) % 360}°`
}

/** A depth layer; on ground that is worked in metres what was planned in inches is told in whole centimetres. */
export function depth(text: string): string {
    const inches = /^([\d.]+)-([\d.]+)in$/.exec(text)
    if (inches && siteUnits.value === 'metric')
        return `${Math.round(Number(inches[1]) * CM_PER_IN)}–${Math.round(Number(inches[2]) * CM_PER_IN)}${THIN}cm`
    return text.replace(/(\d)-(\d)/, '$1–$2').replace(/(\d)(in|cm)$/, `$1${THIN}$2`)
}

/**
 * What was typed, with a point before its decimals: where the person's language writes a comma there, one comma is taken for
 * that; anywhere else it stays, and is refused. It is never a mark of thousands.
 */
export function plain(text: string, language = locale.value): string {
    return decimalOf(language) === ',' && /^\s*[-+−]?\d*,\d+\s*$/.test(text) ? text.replace(',', '.') : text
}

/** The number that was typed; what is no number is sent as none, and the server says what it wants. */
export function typed(text: string): number {
    return text.trim() === '' ? Number.NaN : Number(plain(text))
}

/** The same of a field that may be left empty: what is no number goes as it was typed, so that it is refused and not lost. */
export function optional(text: string): number | null {
    const value = typed(text)
    return text.trim() === '' ? null : Number.isNaN(value) ? (text as unknown as number) : value
}

export function count(n: number, one: string, many = `${one}s`): string {
    return `${number(n)} ${n === 1 ? one : many}`
}

const PORTIONS: Record<string, string> = {
    lab: 'Lab portion',
    lab_b: 'Second lab portion',
    bench: 'Bench portion',
    archive: 'Archive portion',
    hidden: 'Hidden duplicate',
    check: 'Check soil',
}

export function portionName(kind: string): string {
    return PORTIONS[kind] ?? kind
}

/** A moment in the site's own time: 26 Nov 14:05. */
export function moment(text: string, timezone: string): string {
    return new Date(text)
        .toLocaleString(isEnglish() ? 'en-GB' : locale.value, {
            day: 'numeric',
            month: 'short',
            hour: '2-digit',
            minute: '2-digit',
            timeZone: timezone,
        })
        .replace(',', '')
        .replace('Sept', 'Sep')
}

/** The address that opens a letter in whatever writes letters here. */
export function mailto(to: string, subject: string, text: string): string {
    return `mailto:${to}?subject=${encodeURIComponent(subject)}&body=${encodeURIComponent(text)}`
}

/** Three significant digits, no more than two decimals but for what is small: what is not nothing is never shown as 0. */
export function figure(value: number | null | undefined): string {
    if (value === null || value === undefined || !Number.isFinite(value)) return '–'
    const size = Math.abs(value)
    const small = size > 0 && size < 0.1 ? Math.min(8, 1 - Math.floor(Math.log10(size))) : 2
    const decimals = size >= 100 ? 0 : size >= 10 ? 1 : small
    return number(Number(value.toFixed(decimals)), Number.isInteger(Number(value.toFixed(decimals))) ? 0 : decimals)
}

/** A mass on an area: a small figure and its unit, tons where there are many pounds. */
export function rate(lbPerAcre: number, units: Units, bulky = false): { value: string; unit: string } {
    if (units === 'metric') {
        const kg = lbPerAcre * KG_PER_HA
        return bulky ? { value: figure(kg / 1000), unit: 't/ha' } : { value: figure(kg), unit: 'kg/ha' }
    }
    return bulky
        ? { value: figure(lbPerAcre / LB_PER_TON), unit: 'tons/acre' }
        : { value: figure(lbPerAcre), unit: 'lb/acre' }
}

/** What something weighs, in the units of the site. */
export function mass(pounds: number, units: Units): string {
    if (units === 'metric') {
        const kg = pounds * KG_PER_LB
        return kg >= 1000 ? `${figure(kg / 1000)}${THIN}t` : `${figure(kg)}${THIN}kg`
    }
    return pounds >= LB_PER_TON ? `${figure(pounds / LB_PER_TON)}${THIN}tons` : `${figure(pounds)}${THIN}lb`
}

const SQ_FT_PER_ACRE = 43_560

/** What a strip or a bed gets of a rate: lb for 1,000 sq ft, or g for each square metre. */
export function bedRate(lbPerAcre: number, units: Units): string {
    return units === 'us'
        ? `${figure((lbPerAcre * 1000) / SQ_FT_PER_ACRE)} lb/1,000 sq ft`
        : `${figure((lbPerAcre * KG_PER_HA) / 10)} g/m²`
}
