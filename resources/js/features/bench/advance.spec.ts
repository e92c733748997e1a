import { describe, expect, it } from 'vitest'
import type { Schema } from '@/api/client'
import { advance } from './advance'

type Run = Schema<'Run'>
const step = (code: string, kind: string, times: [number, number, number] | null = null) => ({
    code,
    kind,
    do: code,
    least_s: times?.[0] ?? null,
    aim_s: times?.[1] ?? null,
    most_s: times?.[2] ?? null,
})
const tube = (number: number) => ({
    number,
    status: 'new',
    step: 'fill',
    wait: null,
    since_ms: null,
    window: null,
    unread: [] as string[],
    reads: [] as unknown[],
})
const run = {
    readers: ['Ada', 'Bram'],
    steps: [
        step('fill', 'act'),
        step('shake', 'timed', [55, 60, 90]),
        step('settle', 'wait', [100, 120, 150]),
        step('read', 'read'),
    ],
    tubes: [tube(1), tube(2)],
    agenda: [
        { tube: 1, act: 'do', step: 'fill', from_ms: 0, aim_ms: 0, until_ms: null },
        { tube: 2, act: 'do', step: 'fill', from_ms: 0, aim_ms: 5, until_ms: null },
    ],
} as unknown as Run
const mark = (kind: string, at: number, more: object = {}) =>
    ({ uuid: `${kind}${at}`, kind, tube: 1, at_ms: at, ...more }) as unknown as Schema<'Mark'>

/** What the page shows while the server has not answered: a step on, and nothing judged. */
describe('advance', () => {
    it('leaves the run alone without marks, and never changes what it was given', () => {
        expect(advance(run, [])).toBe(run)
        advance(run, [mark('end', 10)])
        expect(run.tubes[0]!.step).toBe('fill')
    })

    it('ends a step and offers the next', () => {
        const next = advance(run, [mark('end', 1_000)])
        expect([next.tubes[0]!.status, next.tubes[0]!.step]).toEqual(['ready', 'shake'])
        expect(next.tubes[1]).toEqual(run.tubes[1])
        expect(next.agenda.find((task) => task.tube === 1)).toMatchObject({
            act: 'begin',
            step: 'shake',
            aim_ms: 1_000,
        })
    })

    it('counts a window from the moment a timed step began', () => {
        const going = advance(run, [mark('end', 1_000), mark('begin', 2_000)])
        expect(going.tubes[0]!.window).toEqual({ from: 57_000, aim: 62_000, until: 92_000 })
        expect(going.agenda.find((task) => task.tube === 1)).toMatchObject({ act: 'end', until_ms: 92_000 })
    })

    it('waits before a reading that every reader owes', () => {
        const waiting = advance(run, [mark('end', 0), mark('begin', 1_000), mark('end', 61_000)])
        expect(waiting.tubes[0]).toMatchObject({
            status: 'waiting',
            wait: 'settle',
            step: 'read',
            unread: ['Ada', 'Bram'],
        })
        expect(waiting.tubes[0]!.window).toEqual({ from: 161_000, aim: 181_000, until: 211_000 })
        const half = advance(waiting, [mark('read', 180_000, { reader: 'Ada' })])
        expect(half.tubes[0]).toMatchObject({ step: 'read', unread: ['Bram'] })
        expect(half.tubes[0]!.reads).toEqual([{ step: 'read', reader: 'Ada', at_ms: 180_000, words: null }])
        const done = advance(half, [mark('read', 190_000, { reader: 'Bram' })])
        expect(done.tubes[0]).toMatchObject({ status: 'done', step: null, wait: null })
        expect(done.agenda.map((task) => task.tube)).toEqual([2])
    })

    it('takes a tube that was given up off the agenda, and passes over a tube that is not there', () => {
        expect(advance(run, [mark('give-up', 10)]).agenda.map((task) => task.tube)).toEqual([2])
        expect(advance(run, [mark('end', 10, { tube: 9 })]).tubes).toEqual(run.tubes)
    })

    it('keeps the agenda in the order of its moments', () => {
        const late = advance(run, [mark('end', 4)])
        expect(late.agenda.map((task) => task.tube)).toEqual([1, 2])
        expect(advance(run, [mark('end', 6)]).agenda.map((task) => task.tube)).toEqual([2, 1])
    })
})
