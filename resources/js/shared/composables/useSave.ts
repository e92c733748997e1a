import { computed, ref, type ComputedRef, type Ref } from 'vue'
import { Refused } from '@/api/client'

export interface UseSaveReturn<I extends unknown[], O> {
    save: (...input: I) => Promise<O | undefined>
    saving: Ref<boolean>
    refusal: Ref<Refused | null>
    message: ComputedRef<string | null>
    wrong: (field: string) => string | undefined
    clear: () => void
}

/** Sends a change. When it is refused the reason stays at hand, by field, and what was typed stays where it is. */
export function useSave<I extends unknown[], O>(
    send: (...input: I) => Promise<O>,
    then?: (answer: O) => unknown,
): UseSaveReturn<I, O> {
    const saving = ref(false)
    const refusal = ref<Refused | null>(null)

    async function save(...input: I): Promise<O | undefined> {
        if (saving.value) return undefined
        saving.value = true
        refusal.value = null
        try {
            const answer = await send(...input)
            await then?.(answer)
            return answer
        } catch (error) {
            refusal.value =
                error instanceof Refused
                    ? error
                    : new Refused(error instanceof Error ? error.message : String(error), 0)
            return undefined
        } finally {
            saving.value = false
        }
    }

    const wrong = (field: string): string | undefined => refusal.value?.fields[field]?.[0]
    const message = computed(() => refusal.value?.message ?? null)
    return { save, saving, refusal, message, wrong, clear: () => (refusal.value = null) }
}
