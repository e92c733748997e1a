import { beforeEach, describe, expect, it, vi } from 'vitest'

/** The phone's outbox over a store in memory and a server that answers as it is told. */
interface Kept {
    uuid: string
    user: string
    state: string
    ordinal: number
    message: string
}
const entries = new Map<string, Kept>()
const spreads = new Map<string, Record<string, unknown>>()
const server = vi.hoisted(() => ({ post: vi.fn() }))
const Refused = vi.hoisted(
    () =>
        class extends Error {
            constructor(
                message: string,
                public status: number,
                public fields: Record<string, string[]> = {},
            ) {
                super(message)
            }
        },
)

vi.stubGlobal('document', { addEventListener: () => {}, createElement: () => ({}), visibilityState: 'visible' })
vi.stubGlobal('navigator', {})
vi.stubGlobal('IDBKeyRange', { bound: (low: [string, string, number]) => low })
vi.mock('@/api/client', () => ({ api: { post: server.post }, Refused }))
vi.mock('./line', () => ({ onLine: () => {}, up: { value: true } }))
vi.mock('./store', () => ({
    deviceId: () => Promise.resolve('phone'),
    database: () =>
        Promise.resolve({
            countFromIndex: (store: string, _: string, [user, state]: [string, string]) =>
                Promise.resolve(store === 'entries' ? found(user, state).length : 0),
            getAllFromIndex: (store: string, _: string, [user, state]: [string, string], most?: number) =>
                Promise.resolve(
                    store === 'entries'
                        ? found(user, state).slice(0, most)
                        : store === 'spreads'
                          ? [...spreads.values()].filter((one) => one.user === user && one.state === state)
                          : [],
                ),
            getAll: (store: string) =>
                Promise.resolve(
                    store === 'entries' ? [...entries.values()] : store === 'spreads' ? [...spreads.values()] : [],
                ),
            put: (_: string, one: Record<string, unknown>) => Promise.resolve(spreads.set(String(one.uuid), one)),
            transaction: () => ({
                store: { put: (entry: Kept) => entries.set(entry.uuid, entry) },
                done: Promise.resolve(),
            }),
            delete: (_: string, uuid: string) => Promise.resolve(entries.delete(uuid)),
        }),
}))
const found = (user: string, state: string) =>
    [...entries.values()]
        .filter((one) => one.user === user && one.state === state)
        .sort((a, b) => a.ordinal - b.ordinal)
const keep = (n: number, user = 'maren') => {
    for (let i = 1; i <= n; i++)
        entries.set(`${user}${i}`, { uuid: `${user}${i}`, user, state: 'unsent', ordinal: i, message: '' })
}
const takesAll = (_: string, body: { entries: Kept[] }) =>
    Promise.resolve({ stored: body.entries.map(({ uuid }) => uuid), known: [], late: [], refused: [], clock_off_s: 3 })
const bodies = () => server.post.mock.calls.map((call) => call[1] as { entries: Kept[] })
const batches = () => bodies().map((body) => body.entries.length)

const outbox = await import('./outbox')

beforeEach(async () => {
    await outbox.sendFor(null)
    entries.clear()
    spreads.clear()
    server.post.mockReset()
})

async function sendAs(user: string): Promise<void> {
    await outbox.sendFor(user)
    await vi.waitFor(() => expect(outbox.box.sending).toBe(false))
    await outbox.send()
}

describe('the outbox', () => {
    it('sends in order, in batches, until nothing is left', async () => {
        keep(1100)
        server.post.mockImplementation(takesAll)
        await sendAs('maren')
        expect(batches()).toEqual([500, 500, 100])
        const sent = bodies().flatMap((body) => body.entries)
        expect(sent.map(({ ordinal }) => ordinal)).toEqual([...Array(1100).keys()].map((i) => i + 1))
        expect([outbox.box.unsent, outbox.box.clockOff]).toEqual([0, 3])
    })

    it('leaves what another person kept for that one', async () => {
        keep(2, 'tobias')
        keep(1)
        server.post.mockImplementation(takesAll)
        await sendAs('maren')
        expect(batches()).toEqual([1])
        expect(found('tobias', 'unsent')).toHaveLength(2)
    })

    it('keeps all unsent when the line fails, and sends it when it is asked again', async () => {
        keep(3)
        server.post.mockRejectedValueOnce(new Refused('no line', 0))
        server.post.mockImplementation(takesAll)
        await outbox.sendFor('maren')
        await vi.waitFor(() => expect(server.post).toHaveBeenCalledTimes(1))
        await vi.waitFor(() => expect(outbox.box.sending).toBe(false))
        expect(outbox.box.unsent).toBe(3)
        await outbox.send()
        expect(outbox.box.unsent).toBe(0)
    })

    it('sends a batch that cannot be read one by one, so that one bad entry holds up no other', async () => {
        keep(3)
        server.post.mockImplementation((path: string, body: { entries: Kept[] }) =>
            body.entries.some(({ uuid }) => uuid === 'maren2')
                ? Promise.reject(new Refused('bad', 422, { 'entries.0.at': ['The at of entry 1 is missing.'] }))
                : takesAll(path, body),
        )
        await sendAs('maren')
        expect(batches()).toEqual([3, 1, 1, 1])
        expect(outbox.box.refused.map(({ uuid, message }) => [uuid, message])).toEqual([
            ['maren2', 'The at of entry 1 is missing.'],
        ])
        expect(outbox.box.unsent).toBe(0)
    })

    it('sends what was spread in the order it was noted, its photo after it, and one bad entry alone', async () => {
        const note = (uuid: string, at: string, photo: Blob | null = null) =>
            spreads.set(uuid, {
                uuid,
                user: 'maren',
                state: 'unsent',
                at,
                photo,
                words: uuid,
                body: { uuid },
                message: '',
            })
        note('second', '2026-11-20T15:00:00Z', new Blob(['bag']))
        note('first', '2026-11-20T14:00:00Z')
        note('odd', '2026-11-20T16:00:00Z')
        server.post.mockImplementation((path: string, body: { entries: { uuid: string }[] }) => {
            if (path !== '/spread-entries') return Promise.resolve({ id: 1 })
            if (body.entries.some(({ uuid }) => uuid === 'odd'))
                return Promise.reject(new Refused('bad', 422, { 'entries.0.amount': ['The rate is no number.'] }))
            return Promise.resolve({
                stored: body.entries.map(({ uuid }) => ({ uuid, id: uuid === 'second' ? 8 : 7 })),
                known: [],
                refused: [],
            })
        })
        await sendAs('maren')
        const paths = server.post.mock.calls.map(([path, body]) =>
            path === '/spread-entries'
                ? (body as { entries: { uuid: string }[] }).entries.map(({ uuid }) => uuid).join()
                : path,
        )
        expect(paths).toEqual(['first,second,odd', 'first', 'second', 'odd', '/ground-events/{event}/photos'])
        expect([...spreads.values()].map(({ uuid, state, message, photo }) => [uuid, state, message, photo])).toEqual([
            ['second', 'sent', '', null],
            ['first', 'sent', '', null],
            ['odd', 'refused', 'The rate is no number.', null],
        ])
    })

    it('tells late and refused entries from those that were taken', async () => {
        keep(3)
        server.post.mockResolvedValue({
            stored: ['maren1'],
            known: [],
            late: ['maren2'],
            refused: [{ uuid: 'maren3', message: 'no such core' }],
            clock_off_s: 0,
        })
        await sendAs('maren')
        expect([...entries.values()].map(({ state }) => state)).toEqual(['sent', 'late', 'refused'])
        await outbox.dismiss(outbox.box.refused[0]!)
        expect(outbox.box.refused).toEqual([])
    })

    it('tells whoever is about to sign in whose entries wait on this device', async () => {
        keep(2, 'tobias')
        keep(3)
        entries.get('maren1')!.state = 'refused'
        expect(await outbox.waitingHere()).toEqual([
            { user: 'tobias', unsent: 2 },
            { user: 'maren', unsent: 2 },
        ])
    })
})
