import { describe, expect, it } from 'vitest'
import { codeOf, turned, type StepDraft } from './definition'

describe('codes from words', () => {
    it('are lower case with hyphens, and unlike those that there are', () => {
        expect(codeOf('Shake, hard!', [])).toBe('shake-hard')
        expect(codeOf('Shake', ['shake', 'shake-2'])).toBe('shake-3')
        expect(codeOf('…', [])).toBe('step')
        expect(codeOf('x'.repeat(50), [])).toHaveLength(30)
    })
})

describe('a step that becomes another kind', () => {
    const step: StepDraft = {
        code: 'a',
        kind: 'timed',
        do: 'Shake',
        amount: '5 mL',
        least_s: 10,
        aim_s: 20,
        most_s: 30,
    }

    it('keeps what the new kind has', () => {
        expect(turned(step, 'wait')).toEqual({ ...step, kind: 'wait', short: 'settled-short', long: 'settled-long' })
    })

    it('loses times where it has none, and gets what it lacks', () => {
        expect(turned(step, 'read')).toEqual({
            code: 'a',
            kind: 'read',
            do: 'Shake',
            amount: '5 mL',
            hands_s: 15,
            reads: 'reading',
        })
        expect(turned({ code: 'b', kind: 'act', do: 'Fill' }, 'timed')).toMatchObject({
            least_s: 55,
            aim_s: 60,
            most_s: 90,
            short: 'mixed-short',
        })
    })
})
