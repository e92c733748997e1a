import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { Schema } from '@/api/client'

/** What the phone keeps in the browser's own database until the server has it, and what it takes along to the field. */
export type Outcome = Schema<'PullEntry'>['outcome']
export type State = 'unsent' | 'sent' | 'late' | 'refused'

export interface Entry extends Omit<Schema<'PullEntry'>, 'settles'> {
    settles: string[]
    user: string
    state: State
    message: string
}

export interface HandIn {
    submission: string
    user: string
    plan_id: number
    composite: number
    body: Schema<'SampleInput'>
    photos: Blob[]
    state: 'unsent' | 'sent' | 'refused'
    message: string
    samples: Schema<'Sample'>[]
    at: string
}

/** An entry of the spreader's log, with the words it is spoken of by and a photo of the bag. */
export interface SpreadKept {
    uuid: string
    user: string
    words: string
    body: Schema<'SpreadEntry'>
    photo: Blob | null
    state: 'unsent' | 'sent' | 'refused'
    message: string
    at: string
}

export interface Kept {
    plan_id: number
    user: string
    taken_at: string
    codes: Schema<'KeptCode'>[]
}

interface Shape extends DBSchema {
    entries: { key: string; value: Entry; indexes: { waiting: [string, State, number]; composite: [number, number] } }
    handins: { key: string; value: HandIn; indexes: { waiting: [string, string]; composite: [number, number] } }
    spreads: { key: string; value: SpreadKept; indexes: { waiting: [string, string] } }
    kept: { key: number; value: Kept }
    meta: { key: string; value: string | number }
}

let opened: Promise<IDBPDatabase<Shape>> | null = null

export function database(): Promise<IDBPDatabase<Shape>> {
    opened ??= openDB<Shape>('honest-core', 2, {
        upgrade(db, before) {
            if (before < 2)
                db.createObjectStore('spreads', { keyPath: 'uuid' }).createIndex('waiting', ['user', 'state'])
            if (before > 0) return
            const entries = db.createObjectStore('entries', { keyPath: 'uuid' })
            entries.createIndex('waiting', ['user', 'state', 'ordinal'])
            entries.createIndex('composite', ['plan_id', 'composite'])
            const handins = db.createObjectStore('handins', { keyPath: 'submission' })
            handins.createIndex('waiting', ['user', 'state'])
            handins.createIndex('composite', ['plan_id', 'composite'])
            db.createObjectStore('kept', { keyPath: 'plan_id' })
            db.createObjectStore('meta')
        },
        terminated: () => (opened = null),
    }).catch((error: unknown) => {
        opened = null
        throw error
    })
    return opened
}

/** This browser's own name among the phones of a team. */
export async function deviceId(): Promise<string> {
    const db = await database()
    const transaction = db.transaction('meta', 'readwrite')
    const known = await transaction.store.get('device')
    const id = typeof known === 'string' ? known : newId()
    if (id !== known) await transaction.store.put(id, 'device')
    await transaction.done
    return id
}

/** Keeps an entry under the phone's next number, both in one transaction: kept whole or not at all. */
export async function keep(entry: Omit<Entry, 'ordinal' | 'state' | 'message' | 'uuid'>): Promise<Entry> {
    const db = await database()
    const transaction = db.transaction(['meta', 'entries'], 'readwrite', { durability: 'strict' })
    const meta = transaction.objectStore('meta')
    const ordinal = Number((await meta.get('ordinal')) ?? 0) + 1
    const whole: Entry = { ...entry, uuid: newId(), ordinal, state: 'unsent', message: '' }
    await Promise.all([meta.put(ordinal, 'ordinal'), transaction.objectStore('entries').put(whole), transaction.done])
    return whole
}

/** Why the browser would not keep it, in words for the field. */
export function inWords(error: unknown): string {
    const name = error instanceof DOMException ? error.name : ''
    return name === 'QuotaExceededError' || /quota|space|full/i.test(String(error))
        ? 'The storage of this phone is full. It was not marked: free some space and press again, or write it on the field sheet.'
        : `This browser would not keep it, and it was not marked: ${error instanceof Error ? error.message : String(error)}`
}

export function newId(): string {
    if (typeof crypto.randomUUID === 'function') return crypto.randomUUID()
    const hex = [...crypto.getRandomValues(new Uint8Array(16))]
        .map((byte) => byte.toString(16).padStart(2, '0'))
        .join('')
    return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-a${hex.slice(17, 20)}-${hex.slice(20)}`
}
