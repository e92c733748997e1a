import { computed, onScopeDispose, ref, shallowRef, watch, type Ref } from 'vue'
import type { Schema } from '@/api/client'
import { count, onSent, send } from '@/shared/offline/outbox'
import { database, deviceId, inWords, keep, type Entry, type HandIn, type Outcome } from '@/shared/offline/store'
import type { Place } from '@/shared/ground'

export type Core = Schema<'PlannedCore'>
export interface Standing {
    outcome: Exclude<Outcome, 'undone'>
    reason: string
    mine: boolean
}
interface Here extends Place {
    accuracy: number
}

/**
 * A composite core by core. Each word is kept on the phone at once; the phone's own word on a core stands until the server
 * has seen it, and from then on what all phones together say.
 */
export function usePull(
    planId: number,
    composite: Ref<number>,
    planned: Ref<Core[]>,
    server: Ref<Schema<'PullState'> | undefined>,
    user: Ref<string>,
) {
    const entries = shallowRef<Entry[]>([])
    const handIn = shallowRef<HandIn | null>(null)
    const device = ref('')
    const trouble = ref('')
    const busy = ref(false)
    let loads = 0

    /** What is on the phone; one that began before another, or before a mark, is too old to be shown. */
    async function load(): Promise<void> {
        const mine = ++loads
        try {
            const db = await database()
            device.value = await deviceId()
            const [all, handIns] = await Promise.all([
                db.getAllFromIndex('entries', 'composite', [planId, composite.value]),
                db.getAllFromIndex('handins', 'composite', [planId, composite.value]),
            ])
            if (mine !== loads) return
            entries.value = all.filter((one) => one.user === user.value).sort((a, b) => a.ordinal - b.ordinal)
            handIn.value =
                handIns
                    .filter((one) => one.user === user.value)
                    .sort((a, b) => a.at.localeCompare(b.at))
                    .at(-1) ?? null
        } catch (error) {
            trouble.value = inWords(error)
        }
    }
    watch([composite, user], load, { immediate: true })
    onScopeDispose(onSent(() => void load()))

    /** The phone's last words that the server has not answered for in its view of the composite. */
    const own = computed(() => {
        const seen = server.value?.seen[device.value] ?? 0
        const words = new Map<number, Entry>()
        for (const entry of entries.value)
            if (entry.state !== 'refused' && entry.ordinal > seen) words.set(entry.sequence, entry)
        return words
    })
    const conflicts = computed(() => (server.value?.conflicts ?? []).filter(({ sequence }) => !own.value.has(sequence)))
    const standing = computed(() => {
        const found = new Map<number, Standing>()
        for (const core of server.value?.cores ?? []) {
            const word = own.value.get(core.sequence)
            if (word?.outcome === 'undone' && core.device === device.value) continue
            found.set(core.sequence, {
                outcome: core.outcome as Standing['outcome'],
                reason: core.reason,
                mine: core.device === device.value,
            })
        }
        for (const { sequence, outcome, reason } of own.value.values())
            if (outcome !== 'undone') found.set(sequence, { outcome, reason: reason ?? '', mine: true })
        return found
    })
    const inConflict = computed(() => new Set(conflicts.value.map(({ sequence }) => sequence)))
    const next = computed(
        () =>
            planned.value.find((core) => !standing.value.has(core.sequence) && !inConflict.value.has(core.sequence)) ??
            null,
    )
    const counts = computed(() => {
        const of = (outcome: Standing['outcome']) =>
            [...standing.value.values()].filter((one) => one.outcome === outcome).length
        return { up: of('pulled') + of('moved'), moved: of('moved'), refused: of('refused'), skipped: of('skipped') }
    })
    const last = computed(() => {
        const mine = new Map<number, Entry>()
        for (const entry of entries.value) if (entry.state !== 'refused') mine.set(entry.sequence, entry)
        return (
            [...mine.values()]
                .filter((one) => one.outcome !== 'undone' && standing.value.has(one.sequence))
                .sort((a, b) => a.ordinal - b.ordinal)
                .at(-1) ?? null
        )
    })

    async function note(
        sequence: number,
        outcome: Outcome,
        reason: string | null,
        here: Here | null,
        settles: string[] = [],
    ): Promise<boolean> {
        if (busy.value) return false
        busy.value = true
        trouble.value = ''
        try {
            const kept = await keep({
                plan_id: planId,
                composite: composite.value,
                sequence,
                outcome,
                reason,
                at: new Date().toISOString(),
                longitude: here?.longitude ?? null,
                latitude: here?.latitude ?? null,
                accuracy_m: here?.accuracy ?? null,
                settles,
                user: user.value,
            })
            entries.value = [...entries.value, kept]
            await Promise.all([load(), count()])
            void send()
            return true
        } catch (error) {
            trouble.value = inWords(error)
            return false
        } finally {
            busy.value = false
        }
    }
    const undo = (): Promise<boolean> =>
        last.value ? note(last.value.sequence, 'undone', null, null) : Promise.resolve(false)

    async function handOver(whole: HandIn): Promise<void> {
        try {
            const db = await database()
            await db.put('handins', whole)
            handIn.value = whole
            await count()
            await send()
            await load()
        } catch (error) {
            trouble.value = inWords(error)
        }
    }
    const uncertain = computed(() => entries.value.filter((one) => one.state === 'late'))

    return { standing, conflicts, next, counts, last, note, undo, handIn, handOver, trouble, uncertain, load }
}
