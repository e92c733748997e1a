import { describe, expect, it } from 'vitest'
import { keptFrom, shownIn, turned, unitOf, type Measure } from './measures'

describe('measures', () => {
    it('are those of the definitions', () => {
        expect(shownIn(100, 'rate', 'metric')).toBeCloseTo(112.0851, 4)
        expect(shownIn(1, 'bulk', 'metric')).toBeCloseTo(2.241702, 6)
        expect(shownIn(1, 'bed', 'metric')).toBeCloseTo(4.882428, 6)
        expect(shownIn(1, 'ground', 'metric')).toBeCloseTo(0.404686, 6)
        expect(shownIn(100, 'each_load', 'metric')).toBeCloseTo(110.2311, 4)
        expect(shownIn(6, 'depth', 'metric')).toBeCloseTo(15.24, 6)
        expect(shownIn(5, 'rate', 'us')).toBe(5)
    })

    it('come back as they were', () => {
        for (const one of ['rate', 'bulk', 'content', 'mass', 'ground', 'depth', 'each_ground', 'length'] as Measure[])
            for (const units of ['us', 'metric'] as const)
                expect(keptFrom(shownIn(7.3, one, units), one, units)).toBeCloseTo(7.3, 10)
    })

    it('are known by their unit, and others stay', () => {
        const [tons, unit] = turned(2, 'tons/acre', 'metric')
        expect([Number(tons.toFixed(3)), unit]).toEqual([4.483, 't/ha'])
        expect(turned(7, 'pH', 'metric')).toEqual([7, 'pH'])
        expect(turned(2, 'tons/acre', 'us')).toEqual([2, 'tons/acre'])
        expect(unitOf('length', 'metric')).toBe('m')
    })
})
