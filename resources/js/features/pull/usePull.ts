import { useLocalStorage } from '@vueuse/core'
import { computed, type Ref } from 'vue'
import type { Schema } from '@/api/client'

export type Outcome = Schema<'CoreInput'>['outcome']
interface Kept {
    submission: string
    cores: Schema<'CoreInput'>[]
    note: string
}

/** What was done core by core; it stays on the phone until the composite is made. */
export function usePull(planId: number, composite: Ref<number>, planned: Ref<Schema<'PlannedCore'>[]>) {
    const kept = useLocalStorage<Kept>(
        () => `honest-core:pull:${planId}:${composite.value}`,
        () => ({ submission: newId(), cores: [], note: '' }),
    )
    const outcomeOf = (sequence: number): Outcome | null => kept.value.cores.find((core) => core.sequence === sequence)?.outcome ?? null
    const next = computed(() => planned.value.find((core) => outcomeOf(core.sequence) === null) ?? null)
    const counts = computed(() => {
        const of = (outcome: Outcome) => kept.value.cores.filter((core) => core.outcome === outcome).length
        return { up: of('pulled') + of('moved'), moved: of('moved'), refused: of('refused'), skipped: of('skipped') }
    })

    function mark(outcome: Outcome, reason: string | null = null): void {
        if (next.value) kept.value.cores.push({ sequence: next.value.sequence, outcome, reason })
    }
    const undo = (): void => void kept.value.cores.pop()
    const forget = (): void => void (kept.value = { submission: newId(), cores: [], note: '' })

    return { kept, next, counts, outcomeOf, mark, undo, forget, last: computed(() => kept.value.cores.at(-1) ?? null) }
}

function newId(): string {
    if (typeof crypto.randomUUID === 'function') return crypto.randomUUID()
    const hex = [...crypto.getRandomValues(new Uint8Array(16))].map((byte) => byte.toString(16).padStart(2, '0')).join('')
    return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-a${hex.slice(17, 20)}-${hex.slice(20)}`
}
