import { computed, reactive } from 'vue'
import { Refused } from '@/api/client'

/** What a page asked for and has not got, by the key of the question; the reason in words. */
const missing = reactive(new Map<string, { status: number; words: string }>())

/** Questions whose pages say themselves what came of them. */
const OWN_WORDS = ['session', 'invitation', 'search', 'report-progress', 'side-by-side', 'account-events', 'evidence']

interface Asked {
    queryHash: string
    queryKey: readonly unknown[]
    state: { data: unknown }
}

/** Notes a question that failed while nothing was there to show instead. */
export function failed(error: Error, asked: Asked): void {
    if (!(error instanceof Refused) || asked.state.data !== undefined || OWN_WORDS.includes(String(asked.queryKey[0])))
        return
    if (error.status === 0)
        missing.set(asked.queryHash, {
            status: 0,
            words: 'There is no signal, and this was not kept on this device. What is kept is shown; the rest comes with the signal.',
        })
    else if (error.status === 404 || error.status >= 500)
        missing.set(asked.queryHash, { status: error.status, words: error.message })
}

export const answered = (asked: Asked): void => void missing.delete(asked.queryHash)

/** What the page at hand has not got: a record that is gone takes its place, anything else stands above it. */
export function useMissing() {
    const all = computed(() => [...missing.values()])
    return {
        isGone: computed(() => all.value.some(({ status }) => status === 404)),
        words: computed(() => [...new Set(all.value.filter(({ status }) => status !== 404).map(({ words }) => words))]),
        forget: () => missing.clear(),
    }
}
