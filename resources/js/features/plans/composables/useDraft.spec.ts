import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick, ref, type EffectScope } from 'vue'
import { api, Refused, type Schema } from '@/api/client'
import { usualSpec } from '../usual'
import { useDraft } from './useDraft'

type Layout = Schema<'Layout'>
type Plan = Schema<'Plan'>
type Landmark = Schema<'Landmark'>

const layoutOf = (name: string) => ({ name }) as unknown as Layout
const road = { id: 4, name: 'Gravel road', distance_m: 90, geometry: { type: 'Point' } } as unknown as Landmark
const creek = { id: 5, name: 'Creek', distance_m: 10, geometry: { type: 'Point' } } as unknown as Landmark
const planOf = (more: object = {}) =>
    ({
        id: 7,
        area: { id: 3 },
        boundary_moved: false,
        layout: layoutOf('as saved'),
        spec: {
            ...usualSpec(),
            cores: 20,
            keep_away: [{ landmark_id: 4, name: 'Gravel road', distance_m: 60, geometry: road.geometry }],
        },
        ...more,
    }) as unknown as Plan

/** Answers of the server that come when the test says so, in the order it says. */
function server() {
    const open: { body: Schema<'PlanInput'>; answer: (it: Layout) => void; refuse: (why: unknown) => void }[] = []
    const post = (_: string, body: Schema<'PlanInput'>): Promise<Layout> =>
        new Promise((answer, refuse) => open.push({ body, answer, refuse }))
    vi.spyOn(api, 'post').mockImplementation(post as unknown as typeof api.post)
    return open
}

describe('the plan an area begins with', () => {
    it('is as deep as the units of its site have it', () => {
        expect([usualSpec().layers, usualSpec(undefined, 'metric').layers]).toEqual([['0-6in'], ['0-15cm']])
        const school = { layers: ['0-2in', '2-6in'], cores: [10, 15, 20] } as unknown as Schema<'School'>
        expect(usualSpec(school, 'metric').layers).toEqual(['0-5cm', '5-15cm'])
        expect(usualSpec(school).layers).toEqual(['0-2in', '2-6in'])
    })
})

describe('a plan while it is being made', () => {
    let scope: EffectScope
    beforeEach(() => {
        vi.useFakeTimers()
        scope = effectScope()
    })
    afterEach(() => {
        scope.stop()
        vi.useRealTimers()
        vi.restoreAllMocks()
    })

    const start = (given: { saved?: Plan; landmarks?: Landmark[]; area?: number } = {}) => {
        const area = ref<number | null>(given.area ?? 3)
        const saved = ref<Plan | null>(given.saved ?? null)
        const landmarks = ref<Landmark[]>(given.landmarks ?? [])
        const draft = scope.run(() => useDraft(area, landmarks, saved, ref(true), ref(undefined)))
        if (!draft) throw new Error('no scope')
        return { draft, area, saved, landmarks }
    }
    const settle = async () => {
        await nextTick()
        await vi.advanceTimersByTimeAsync(200)
    }

    it('keeps the answer to the newest question, whichever comes first', async () => {
        const open = server()
        const { draft } = start()
        await settle()
        draft.spec.cores = 30
        await settle()
        expect(open.map((one) => one.body.cores)).toEqual([15, 30])
        expect(draft.busy.value).toBe(true)
        open[1]?.answer(layoutOf('of 30'))
        await settle()
        open[0]?.answer(layoutOf('of 15'))
        await settle()
        expect(draft.layout.value).toEqual(layoutOf('of 30'))
        expect(draft.busy.value).toBe(false)
    })

    it('shows no late refusal of a question that was overtaken', async () => {
        const open = server()
        const { draft } = start()
        await settle()
        draft.spec.cores = 30
        await settle()
        open[1]?.answer(layoutOf('of 30'))
        open[0]?.refuse(new Refused('Too few cores.', 422))
        await settle()
        expect(draft.wrong.value).toBeNull()
        expect(draft.layout.value).toEqual(layoutOf('of 30'))
    })

    it('asks nothing while a number is being typed or no layer is chosen', async () => {
        const open = server()
        const { draft } = start()
        await settle()
        draft.spec.cores = NaN
        await settle()
        draft.spec.cores = 15
        draft.spec.layers = []
        await settle()
        expect(open).toHaveLength(1)
    })

    it('is the same as its saved plan until something differs, and then again', async () => {
        const open = server()
        const { draft } = start({ saved: planOf(), landmarks: [road] })
        await settle()
        expect(draft.same.value).toBe(true)
        expect(draft.layout.value).toEqual(layoutOf('as saved'))
        expect(open).toHaveLength(0)
        const mark = draft.kept.value[0]
        if (!mark) throw new Error('no landmark')
        mark.distance_m = 80
        await settle()
        expect(draft.same.value).toBe(false)
        expect(open[0]?.body.keep_away).toEqual([{ landmark_id: 4, distance_m: 80 }])
        mark.distance_m = 60
        await settle()
        expect(draft.same.value).toBe(true)
        expect(draft.layout.value).toEqual(layoutOf('as saved'))
    })

    it('drafts a saved plan anew where the boundary of its area has moved', async () => {
        const open = server()
        start({ saved: planOf({ boundary_moved: true }), landmarks: [road] })
        await settle()
        expect(open).toHaveLength(1)
    })

    it('takes the distances of the plan, leaves out what it left out, and says what is no longer marked', () => {
        server()
        const { draft } = start({ saved: planOf(), landmarks: [creek] })
        expect(draft.kept.value.map(({ name, distance_m, on }) => [name, distance_m, on])).toEqual([
            ['Creek', 10, false],
            ['Gravel road, no longer marked on the site', 60, true],
        ])
    })

    it('keeps away from every landmark of the site where there is no plan yet', () => {
        server()
        const { draft } = start({ landmarks: [road, creek] })
        expect(draft.body.value.keep_away).toEqual([
            { landmark_id: 4, distance_m: 90 },
            { landmark_id: 5, distance_m: 10 },
        ])
    })

    it("does not take another area's plan for its own", () => {
        server()
        const { draft } = start({ saved: planOf(), area: 9 })
        expect(draft.spec.cores).toBe(15)
        expect(draft.layout.value).toBeNull()
    })
})
