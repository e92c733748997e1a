import { computed, getCurrentScope, isRef, onScopeDispose, reactive, ref, watch, type Ref } from 'vue'

const PREFIX = 'honest-core:typed:'
const ASIDE = 'honest-core:aside:'

interface Entry {
    /** What it is called in the question whether to leave it. */
    name: string
    drop: () => void
}
/** Forms on the page that hold something which was not saved. */
export const unsaved = reactive(new Map<symbol, Entry>())

interface Kept {
    at: string
    /** What the form began with when it was typed. */
    from: string
    text: string
}
type Part = Ref<unknown> | Record<string, unknown>

function read(key: string): Kept | null {
    try {
        return JSON.parse(localStorage.getItem(PREFIX + key) ?? 'null') as Kept | null
    } catch {
        return null
    }
}

/** What was typed at home is put aside while somebody is on practice ground, and comes back with them. */
export function moveTyped(aside: boolean): void {
    const [from, to] = aside ? [PREFIX, ASIDE] : [ASIDE, PREFIX]
    if (!aside) drop(PREFIX)
    for (const key of kept(from)) {
        localStorage.setItem(to + key.slice(from.length), localStorage.getItem(key) ?? '')
        localStorage.removeItem(key)
    }
}
const kept = (prefix: string): string[] => Object.keys(localStorage).filter((one) => one.startsWith(prefix))
const drop = (prefix: string): void => kept(prefix).forEach((key) => localStorage.removeItem(key))

/** Nothing that was typed stays on the device for whoever signs in next; or not what was typed of one thing. */
export function forgetTyped(of?: string): void {
    if (of !== undefined) return localStorage.removeItem(PREFIX + of)
    for (const prefix of [PREFIX, ASIDE]) drop(prefix)
}

/**
 * Keeps what is typed into a form until it is saved or dropped: reload, back and a page that was left bring it back, and
 * leaving asks. The form begins from what its parts hold now; where they are filled later, call begin() then. Nothing is kept
 * while the key is empty.
 */
export function useTyped(name: () => string, key: () => string, parts: Record<string, Part>) {
    const id = Symbol('typed')
    const begun = ref('')
    const moved = ref(false)
    /** When what is on the page was typed; null where it comes from nothing that was kept. */
    const broughtBack = ref<string | null>(null)
    let current = ''

    const says = (): string =>
        JSON.stringify(
            Object.fromEntries(Object.entries(parts).map(([one, part]) => [one, isRef(part) ? part.value : part])),
        )
    function put(text: string): void {
        const values = JSON.parse(text) as Record<string, unknown>
        for (const [one, part] of Object.entries(parts)) {
            if (!(one in values)) continue
            if (isRef(part)) part.value = values[one]
            else Object.assign(part, values[one])
        }
    }
    function settle(): void {
        begun.value = says()
        broughtBack.value = null
        moved.value = false
        localStorage.removeItem(PREFIX + current)
        unsaved.delete(id)
    }
    /** The parts hold what is stored: what was typed before over it comes back. */
    function begin(): void {
        current = key()
        begun.value = current === '' ? '' : says()
        if (current === '') return
        const kept = read(current)
        broughtBack.value = null
        moved.value = false
        unsaved.delete(id)
        if (!kept) return
        // What the page itself put in while it was filled is nothing that anybody typed.
        if (kept.text === begun.value) return localStorage.removeItem(PREFIX + current)
        put(kept.text)
        broughtBack.value = kept.at
        moved.value = kept.from !== begun.value
    }
    function drop(): void {
        put(begun.value)
        settle()
    }
    const changed = computed(() => begun.value !== '' && says() !== begun.value)

    watch(
        says,
        (text) => {
            if (begun.value === '' || key() !== current) return
            if (text === begun.value) {
                localStorage.removeItem(PREFIX + current)
                unsaved.delete(id)
                return
            }
            const kept: Kept = { at: broughtBack.value ?? new Date().toISOString(), from: begun.value, text }
            localStorage.setItem(PREFIX + current, JSON.stringify(kept))
            unsaved.set(id, { name: name(), drop })
        },
        { flush: 'sync' },
    )
    begin()
    if (changed.value) unsaved.set(id, { name: name(), drop })
    if (getCurrentScope()) onScopeDispose(() => unsaved.delete(id))

    return { changed, broughtBack, moved, begin, settle, drop }
}
export type Typed = ReturnType<typeof useTyped>
