import { afterEach, describe, expect, it } from 'vitest'
import {
    bearing,
    count,
    day,
    depth,
    extent,
    feet,
    figure,
    length,
    locale,
    mailto,
    siteUnits,
    mass,
    metres,
    moment,
    number,
    percent,
    rate,
    share,
    signed,
    optional,
    plain,
    typed,
} from './format'

describe('numbers', () => {
    it('have fixed decimals, a true minus, and a dash where there is none', () => {
        expect([number(1234.5, 1), number(-2.345, 2), number(null), number(Number.NaN), number(Infinity)]).toEqual([
            '1,234.5',
            '−2.35',
            '–',
            '–',
            '–',
        ])
        expect([number(-0.001, 2), number(-0.4)]).toEqual(['0.00', '0'])
    })

    it('say which way a difference goes, but not of nothing', () => {
        expect([signed(0.324), signed(-0.1), signed(0), signed(0.001), signed(1234.5, 1), signed(null)]).toEqual([
            '+0.32',
            '−0.10',
            '0.00',
            '0.00',
            '+1,234.5',
            '–',
        ])
    })

    it('never claim a larger share than is known', () => {
        expect([percent(0.799), percent(0.8), percent(1), percent(null)]).toEqual([
            '79\u2009%',
            '80\u2009%',
            '100\u2009%',
            '–',
        ])
        expect([share(0.004), share(0.996), share(0.5), share(0), share(1)]).toEqual([
            'under 1\u2009%',
            'over 99\u2009%',
            '50\u2009%',
            '0\u2009%',
            '100\u2009%',
        ])
    })

    it('take a comma before decimals only where the language writes one, and never between thousands', () => {
        expect([plain('6,1', 'de-DE'), plain(' -0,25 ', 'fr-FR'), plain('6.1', 'de-DE')]).toEqual([
            '6.1',
            ' -0.25 ',
            '6.1',
        ])
        expect([plain('6,1', 'en-US'), plain('1,234', 'en-GB'), plain('1.234,5', 'de-DE')]).toEqual([
            '6,1',
            '1,234',
            '1.234,5',
        ])
        expect(plain('0-6in, 6-12in', 'de-DE')).toBe('0-6in, 6-12in')
    })
    it('that may be left out are none, a number, or what was typed, to be refused', () => {
        expect([optional(''), optional(' 4.5 '), optional('4,5'), optional('cold')]).toEqual([null, 4.5, '4,5', 'cold'])
    })
    it('that were typed are numbers or none, and nothing is not zero', () => {
        expect([typed('6.1'), typed(' 7 '), typed('1e2')]).toEqual([6.1, 7, 100])
        expect([typed(''), typed('  '), typed('6,1'), typed('six')].every(Number.isNaN)).toBe(true)
    })
})

describe('a person who writes otherwise', () => {
    afterEach(() => (locale.value = 'en-US'))

    it('has a comma before decimals, and a space alone between thousands', () => {
        locale.value = 'de-DE'
        expect([number(1234567.5, 1), number(-0.25, 2), number(-0.001, 2), signed(12345.6, 1), figure(0.023)]).toEqual([
            '1\u202f234\u202f567,5',
            '−0,25',
            '0,00',
            '+12\u202f345,6',
            '0,023',
        ])
        expect([plain('6,1'), plain('1.234')]).toEqual(['6.1', '1.234'])
        locale.value = 'en-GB'
        expect([number(1234.5, 1), day('2026-09-24')]).toEqual(['1,234.5', '24 Sep 2026'])
    })

    it('has days as there', () => {
        locale.value = 'de-DE'
        expect(day('2026-09-24')).toBe('24. Sept. 2026')
        locale.value = 'sv-SE'
        expect(day('2026-09-24T23:30:00Z', 'Pacific/Auckland')).toBe('25 sep. 2026')
    })
})

describe('lengths and areas', () => {
    it('turn by the exact foot and acre', () => {
        expect([feet(0.3048), metres(1), metres(feet(12.34))]).toEqual([1, 0.3048, 12.34])
        expect([extent(4046.8564224, 'us'), extent(10_000, 'metric')]).toEqual(['1.0\u2009ac', '1.00\u2009ha'])
        expect([length(30.48, 'us'), length(30.48, 'metric')]).toEqual(['100\u2009ft', '30\u2009m'])
    })

    it('name a bearing by its eighth, the last one north again', () => {
        expect([bearing(0), bearing(44), bearing(359.6), bearing(225)]).toEqual([
            'north, 0°',
            'north-east, 44°',
            'north, 0°',
            'south-west, 225°',
        ])
    })

    it('write a layer with a dash and its unit apart', () => {
        expect([depth('0-6in'), depth('15-30cm')]).toEqual(['0–6\u2009in', '15–30\u2009cm'])
        siteUnits.value = 'metric'
        expect([depth('0-6in'), depth('2-6in'), depth('15-30cm')]).toEqual([
            '0–15\u2009cm',
            '5–15\u2009cm',
            '15–30\u2009cm',
        ])
        siteUnits.value = 'us'
    })
})

describe('days', () => {
    it('are the day they say wherever it is read, and moments the day of the site', () => {
        expect([day('2026-09-24'), day('2026-09-24', 'Pacific/Auckland'), day(null)]).toEqual([
            '24 Sep 2026',
            '24 Sep 2026',
            '–',
        ])
        expect(day('2026-09-24T23:30:00Z', 'Pacific/Auckland')).toBe('25 Sep 2026')
        expect(moment('2026-09-24T14:05:00Z', 'America/New_York')).toBe('24 Sep 10:05')
    })
})

describe('words', () => {
    it('are one or many', () => {
        expect([count(1, 'core'), count(0, 'core'), count(2, 'entry is', 'entries are')]).toEqual([
            '1 core',
            '0 cores',
            '2 entries are',
        ])
    })

    it('of a letter survive the way into its address', () => {
        expect(mailto('lab@reed.example', 'A & B', 'one\ntwo')).toBe(
            'mailto:lab@reed.example?subject=A%20%26%20B&body=one%0Atwo',
        )
    })
})

describe('masses on ground', () => {
    it('have three digits and the units of the site', () => {
        expect([figure(0.0046), figure(0.023), figure(0.1)]).toEqual(['0.0046', '0.023', '0.10'])
        expect([figure(0), figure(1.204), figure(12.04), figure(1204.4), figure(null)]).toEqual([
            '0',
            '1.20',
            '12',
            '1,204',
            '–',
        ])
        expect(rate(4000, 'us', true)).toEqual({ value: '2', unit: 'tons/acre' })
        // 1 lb an acre is 0.45359237 kg on 0.40468564224 ha.
        expect(rate(100, 'metric')).toEqual({ value: '112', unit: 'kg/ha' })
        expect(rate(4000, 'metric', true)).toEqual({ value: '4.48', unit: 't/ha' })
        expect([mass(50, 'us'), mass(5000, 'us'), mass(50, 'metric'), mass(5000, 'metric')]).toEqual([
            '50\u2009lb',
            '2.50\u2009tons',
            '22.7\u2009kg',
            '2.27\u2009t',
        ])
    })
})
