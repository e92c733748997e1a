import { readFileSync } from 'node:fs'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'

const ORIGIN = ['http:', '', '127.0.0.1'].join('/')

/** The worker that keeps pages and answers, in a world of its own: a line that is answered by hand, and stores in memory. */
function worker() {
    const listeners = new Map<string, (event: unknown) => void>()
    const self = {
        location: { origin: ORIGIN },
        addEventListener: (name: string, listener: (event: unknown) => void) => listeners.set(name, listener),
        skipWaiting: () => undefined,
        clients: { claim: () => undefined },
    }
    const kept = new Map<string, Response>()
    const store = {
        match: (key: string | { url: string }) =>
            Promise.resolve(kept.get(typeof key === 'string' ? key : key.url)?.clone()),
        put: (key: string, answer: Response) => Promise.resolve(void kept.set(key, answer)),
    }
    const asked: { url: string; answer: (response: Response) => void; fail: () => void }[] = []
    const fetch = ({ url }: { url: string }): Promise<Response> =>
        new Promise((answer, fail) => asked.push({ url, answer, fail: () => fail(new Error('no line')) }))
    const run = new Function('self', 'caches', 'fetch', readFileSync('public/sw.js', 'utf8')) as (
        ...world: unknown[]
    ) => void
    run(self, { open: () => Promise.resolve(store), match: store.match }, fetch)
    const get = (path: string): Promise<Response> | null => {
        let answered: Promise<Response> | null = null
        listeners.get('fetch')!({
            request: { method: 'GET', url: `${ORIGIN}${path}`, mode: 'cors' },
            respondWith: (response: Promise<Response>) => (answered = response),
        })
        return answered
    }
    return { get, asked, kept }
}

describe('the worker', () => {
    beforeEach(() => void vi.useFakeTimers())
    afterEach(() => void vi.useRealTimers())

    it('waits for an answer of which nothing was kept, however late it comes', async () => {
        const { get, asked } = worker()
        const answer = get('/api/today?site_id=1')!
        await vi.advanceTimersByTimeAsync(30_000)
        asked[0]!.answer(new Response('late'))
        expect(await (await answer).text()).toBe('late')
    })

    it('gives what was kept, marked so, where none comes soon or none at all', async () => {
        const { get, asked } = worker()
        const first = get('/api/today?site_id=1')!
        await vi.advanceTimersByTimeAsync(0)
        asked[0]!.answer(new Response('morning'))
        expect((await first).headers.get('X-Honest-Core-Kept')).toBeNull()
        const slow = get('/api/today?site_id=1')!
        await vi.advanceTimersByTimeAsync(4_000)
        expect(await (await slow).text()).toBe('morning')
        const dead = get('/api/today?site_id=1')!
        await vi.advanceTimersByTimeAsync(0)
        asked[2]!.fail()
        const kept = await dead
        expect([kept.headers.get('X-Honest-Core-Kept'), await kept.text()]).toEqual(['1', 'morning'])
        asked[1]!.answer(new Response('noon'))
        await vi.advanceTimersByTimeAsync(0)
        const after = get('/api/today?site_id=1')!
        await vi.advanceTimersByTimeAsync(0)
        asked[3]!.fail()
        expect(await (await after).text(), 'what came late was kept').toBe('noon')
    })

    it('fails where nothing was kept and there is no line', async () => {
        const { get, asked } = worker()
        const answer = get('/api/today?site_id=1')!
        await vi.advanceTimersByTimeAsync(0)
        asked[0]!.fail()
        expect((await answer).type).toBe('error')
    })

    it('keeps what a first page waits for once, whatever site was chosen', async () => {
        const { get, asked } = worker()
        const first = get('/api/start?site=1')!
        await vi.advanceTimersByTimeAsync(0)
        asked[0]!.answer(new Response('all'))
        await first
        const other = get('/api/start?site=2')!
        await vi.advanceTimersByTimeAsync(0)
        asked[1]!.fail()
        expect(await (await other).text()).toBe('all')
    })

    it('leaves other addresses and writes alone', () => {
        const { get } = worker()
        expect(get('/api/evidence/3')).toBeNull()
        expect(get('/grower/secret')).toBeNull()
    })
})
