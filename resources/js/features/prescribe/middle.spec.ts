import { describe, expect, it } from 'vitest'
import { middleOf, type Point } from './middle'

const ring = (...points: Point[]): Point[] => [...points, points[0]!]

describe('where the figure of a part stands', () => {
    it('is the middle of a square', () => {
        expect(middleOf([[ring([0, 0], [24, 0], [24, 24], [0, 24])]])).toEqual([12, 12])
    })
    it('is in the thick arm of an L, whose bounds have their middle on an edge', () => {
        const [x, y] = middleOf([[ring([0, 12], [20, 12], [20, 0], [24, 0], [24, 24], [0, 24])]])
        expect(y).toBeGreaterThan(15)
        expect(x).toBeGreaterThan(5)
        expect(x).toBeLessThan(20)
    })
    it('is not in a hole, and in the larger of two pieces', () => {
        const holed = middleOf([
            [ring([0, 0], [30, 0], [30, 30], [0, 30]), ring([5, 5], [25, 5], [25, 25], [5, 25])],
            [ring([40, 0], [60, 0], [60, 20], [40, 20])],
        ])
        expect(holed[0]).toBeGreaterThan(45)
    })
})
