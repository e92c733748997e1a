import { onScopeDispose, ref } from 'vue'
import { Refused, streamed, type Schema } from '@/api/client'

interface Line {
    done?: number
    of?: number
    result?: Schema<'Comparison'>
}

/** A comparison while it is computed: how far it is, what it found, why it was refused. It can be left at any time. */
export function useComparison() {
    const done = ref(0)
    const of = ref(0)
    const running = ref(false)
    const result = ref<Schema<'Comparison'> | null>(null)
    const refusal = ref<Refused | null>(null)
    let leaving: AbortController | null = null

    function leave(): void {
        leaving?.abort()
        leaving = null
        running.value = false
    }

    async function run(areaId: number, body: Schema<'ComparisonInput'>): Promise<void> {
        leave()
        const mine = (leaving = new AbortController())
        running.value = true
        refusal.value = null
        done.value = 0
        of.value = body.fields
        try {
            await streamed<Line>(`/areas/${areaId}/comparison`, body, mine.signal, (line) => {
                done.value = line.done ?? done.value
                of.value = line.of ?? of.value
                result.value = line.result ?? result.value
            })
        } catch (error) {
            if (!mine.signal.aborted) refusal.value = error instanceof Refused ? error : new Refused(String(error), 0)
        } finally {
            if (leaving === mine) running.value = false
        }
    }
    onScopeDispose(leave)

    return {
        run,
        leave,
        running,
        done,
        of,
        result,
        refusal,
        wrong: (field: string) => refusal.value?.fields[field]?.[0],
    }
}
