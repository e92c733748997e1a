import { computed, reactive } from 'vue'
import { api, Refused, type Schema } from '@/api/client'
import { onLine, up } from './line'
import { database, deviceId, type Entry, type HandIn, type SpreadKept } from './store'

/**
 * Sends what the phone has kept, in order, each exactly once: an entry stays unsent until the server has answered for it,
 * and the server knows it again by its id. One tab sends at a time. A line that fails ends the round; the next one begins
 * when the line is back, when the page is looked at again, or after a while.
 */
const BATCH = 500
const SPREADS = 50
const WAIT_MS = [5_000, 10_000, 20_000, 60_000]

export const box = reactive({
    unsent: 0,
    refused: [] as Entry[],
    stuck: [] as HandIn[],
    unspread: [] as SpreadKept[],
    sending: false,
    clockOff: 0,
    trouble: '',
})
export const anyUnsent = computed(() => box.unsent > 0)

const whenSent = new Set<() => void>()
let user: string | null = null
let failures = 0
let askedMeanwhile = false
let timer: ReturnType<typeof setTimeout> | undefined

/** Calls the listener after a round in which the server took something. */
export function onSent(listener: () => void): () => void {
    whenSent.add(listener)
    return () => whenSent.delete(listener)
}

/** From now on sends for this person alone; what another one left on the phone waits for that one. */
export async function sendFor(email: string | null): Promise<void> {
    user = email
    failures = 0
    await count()
    if (email !== null) void send()
}

/** How much of anybody's waits on this device, by whom: for whoever is about to sign in. */
export async function waitingHere(): Promise<{ user: string; unsent: number }[]> {
    const db = await database()
    const all = await Promise.all([db.getAll('entries'), db.getAll('handins'), db.getAll('spreads')])
    const sums = new Map<string, number>()
    for (const { user: whose, state } of all.flat()) if (state === 'unsent') sums.set(whose, (sums.get(whose) ?? 0) + 1)
    return [...sums].map(([whose, unsent]) => ({ user: whose, unsent }))
}

export async function count(): Promise<void> {
    if (user === null) {
        Object.assign(box, { unsent: 0, refused: [], stuck: [], unspread: [] })
        return
    }
    const db = await database()
    const [entries, handIns, spreads, refused, stuck, unspread] = await Promise.all([
        db.countFromIndex('entries', 'waiting', waiting(user)),
        db.countFromIndex('handins', 'waiting', [user, 'unsent']),
        db.countFromIndex('spreads', 'waiting', [user, 'unsent']),
        db.getAllFromIndex('entries', 'waiting', waiting(user, 'refused')),
        db.getAllFromIndex('handins', 'waiting', [user, 'refused']),
        db.getAllFromIndex('spreads', 'waiting', [user, 'refused']),
    ])
    Object.assign(box, { unsent: entries + handIns + spreads, refused, stuck, unspread })
}

export async function send(): Promise<void> {
    clearTimeout(timer)
    if (user === null) return
    await alone(async () => {
        const whose = user
        if (whose === null) return
        box.sending = true
        let took = false
        try {
            took = await sendEntries(whose)
            took = (await sendHandIns(whose)) || took
            took = (await sendSpreads(whose)) || took
            failures = 0
        } catch (error) {
            if (!(error instanceof Refused)) throw error
            again(error)
        } finally {
            box.sending = false
            await count()
            if (askedMeanwhile && failures === 0) timer = setTimeout(() => void send())
            askedMeanwhile = false
            if (took) whenSent.forEach((listener) => listener())
        }
    })
}

/** Takes a refused entry or hand-in off the phone, once a person has read why. */
export async function dismiss(entry: Entry | HandIn | SpreadKept): Promise<void> {
    const db = await database()
    if ('submission' in entry) await db.delete('handins', entry.submission)
    else await db.delete('words' in entry ? 'spreads' : 'entries', entry.uuid)
    await count()
}

function again(error: Refused): void {
    const signedOut = error.status === 401
    if (signedOut) return
    failures += 1
    timer = setTimeout(() => void send(), WAIT_MS[Math.min(failures, WAIT_MS.length) - 1])
}

async function sendEntries(whose: string): Promise<boolean> {
    const db = await database()
    const device = await deviceId()
    let took = false
    for (;;) {
        const batch = await db.getAllFromIndex('entries', 'waiting', waiting(whose), BATCH)
        if (batch.length === 0) return took
        const answer = await post(device, batch)
        const refused = new Map(answer.refused.map(({ uuid, message }) => [uuid, message]))
        const late = new Set(answer.late)
        const transaction = db.transaction('entries', 'readwrite')
        for (const entry of batch) {
            const message = refused.get(entry.uuid)
            const state = message !== undefined ? 'refused' : late.has(entry.uuid) ? 'late' : 'sent'
            void transaction.store.put({ ...entry, state, message: message ?? '' })
        }
        await transaction.done
        box.clockOff = answer.clock_off_s
        took = true
        await count()
    }
}

/** A batch that the server cannot read is sent one by one, so that one bad entry never holds up the others. */
async function post(device: string, batch: Entry[]): Promise<Schema<'PullEntriesAnswer'>> {
    try {
        return await api.post('/pull-entries', { device, now: new Date().toISOString(), entries: batch.map(bare) })
    } catch (error) {
        if (!(error instanceof Refused) || error.status !== 422) throw error
        if (batch.length === 1) {
            const message = Object.values(error.fields)[0]?.[0] ?? error.message
            return {
                stored: [],
                known: [],
                late: [],
                refused: [{ uuid: batch[0]!.uuid, message }],
                clock_off_s: box.clockOff,
            }
        }
        const answers = []
        for (const entry of batch) answers.push(await post(device, [entry]))
        return {
            stored: answers.flatMap((one) => one.stored),
            known: answers.flatMap((one) => one.known),
            late: answers.flatMap((one) => one.late),
            refused: answers.flatMap((one) => one.refused),
            clock_off_s: answers[0]?.clock_off_s ?? 0,
        }
    }
}

async function sendHandIns(whose: string): Promise<boolean> {
    const db = await database()
    let took = false
    const kept = await db.getAllFromIndex('handins', 'waiting', [whose, 'unsent'])
    for (const handIn of kept.sort((a, b) => a.at.localeCompare(b.at))) {
        try {
            const { samples } = await api.post('/plans/{plan}/samples', handIn.body, { ids: { plan: handIn.plan_id } })
            for (const photo of handIn.photos) await sendPhoto(samples[0]!.id, photo)
            await db.put('handins', { ...handIn, state: 'sent', samples, photos: [] })
        } catch (error) {
            if (!(error instanceof Refused) || ![404, 409, 422].includes(error.status)) throw error
            await db.put('handins', {
                ...handIn,
                state: 'refused',
                message: Object.values(error.fields)[0]?.[0] ?? error.message,
            })
        }
        took = true
    }
    return took
}

/** What was spread, in the order in which it was noted; the photo of its bag goes after the entry it is of. */
async function sendSpreads(whose: string): Promise<boolean> {
    const db = await database()
    const kept = await db.getAllFromIndex('spreads', 'waiting', [whose, 'unsent'])
    const device = await deviceId()
    kept.sort((a, b) => a.at.localeCompare(b.at))
    for (let from = 0; from < kept.length; from += SPREADS) {
        const batch = kept.slice(from, from + SPREADS)
        const answer = await postSpreads(device, batch)
        const ids = new Map([...answer.stored, ...answer.known].map(({ uuid, id }) => [uuid, id]))
        const refused = new Map(answer.refused.map(({ uuid, message }) => [uuid, message]))
        for (const one of batch) {
            const id = ids.get(one.uuid)
            if (id !== undefined && one.photo) await sendBagPhoto(id, one.photo)
            await db.put('spreads', {
                ...one,
                photo: null,
                state: id === undefined ? 'refused' : 'sent',
                message: refused.get(one.uuid) ?? '',
            })
        }
        await count()
    }
    return kept.length > 0
}

/** A batch that the server cannot read is sent one by one, so that one bad entry never holds up the others. */
async function postSpreads(device: string, batch: SpreadKept[]): Promise<Schema<'SpreadEntriesAnswer'>> {
    try {
        return await api.post('/spread-entries', { device, entries: batch.map(({ body }) => body) })
    } catch (error) {
        if (!(error instanceof Refused) || error.status !== 422) throw error
        if (batch.length === 1) {
            const message = Object.values(error.fields)[0]?.[0] ?? error.message
            return { stored: [], known: [], refused: [{ uuid: batch[0]!.uuid, message }] }
        }
        const answers = []
        for (const one of batch) answers.push(await postSpreads(device, [one]))
        return {
            stored: answers.flatMap((one) => one.stored),
            known: answers.flatMap((one) => one.known),
            refused: answers.flatMap((one) => one.refused),
        }
    }
}

async function sendBagPhoto(event: number, photo: Blob): Promise<void> {
    const form = new FormData()
    form.append('picture', photo, 'bag.jpg')
    try {
        await api.post('/ground-events/{event}/photos', form, { ids: { event } })
    } catch (error) {
        if (!(error instanceof Refused) || error.status !== 422) throw error
        box.trouble = `The photo of a bag was refused: ${error.message}`
    }
}

async function sendPhoto(sample: number, photo: Blob): Promise<void> {
    const form = new FormData()
    form.append('picture', photo, 'pull.jpg')
    try {
        await api.post('/samples/{sample}/photos', form, { ids: { sample } })
    } catch (error) {
        if (!(error instanceof Refused) || error.status !== 422) throw error
        box.trouble = `A photo was refused: ${error.message}`
    }
}

function bare({
    uuid,
    plan_id,
    composite,
    ordinal,
    sequence,
    outcome,
    reason,
    at,
    longitude,
    latitude,
    accuracy_m,
    settles,
}: Entry) {
    return {
        uuid,
        plan_id,
        composite,
        ordinal,
        sequence,
        outcome,
        reason,
        at,
        longitude,
        latitude,
        accuracy_m,
        settles,
    }
}

function waiting(whose: string, state: Entry['state'] = 'unsent'): IDBKeyRange {
    return IDBKeyRange.bound([whose, state, 0], [whose, state, Infinity])
}

/** One round at a time; what was kept meanwhile gets a round of its own. */
async function alone(work: () => Promise<void>): Promise<void> {
    if (box.sending) {
        askedMeanwhile = true
        return
    }
    if ('locks' in navigator) {
        await navigator.locks.request('honest-core-outbox', { ifAvailable: true }, async (lock) => {
            if (lock) await work()
            else timer = setTimeout(() => void send(), WAIT_MS[0])
        })
    } else await work()
}

onLine(() => void send())
document.addEventListener('visibilitychange', () => {
    if (document.visibilityState === 'visible' && (box.unsent > 0 || !up.value)) void send()
})
