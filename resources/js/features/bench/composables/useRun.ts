import { useQueryClient } from '@tanstack/vue-query'
import { computed, onScopeDispose, ref, type ComputedRef, type Ref } from 'vue'
import { api, Refused, type Schema } from '@/api/client'
import { newId } from '@/shared/offline/store'
import { advance } from '../advance'
import { useRunState } from '../api'

export type Run = Schema<'Run'>
export type Tube = Schema<'Tube'>
export type Task = Schema<'Task'>
type Mark = Schema<'Mark'>
export type MarkMore = Partial<Omit<Mark, 'uuid' | 'kind' | 'tube' | 'at_ms'>>

const TRY_AGAIN_MS = 3_000

export interface UseRunReturn {
    run: ComputedRef<Run | null>
    tasks: ComputedRef<Task[]>
    unsent: Ref<Mark[]>
    refusal: Ref<Refused | null>
    mark: (kind: Mark['kind'], tube: number, more?: MarkMore, at?: number) => void
    take: (run: Run) => void
}

/**
 * A run as the server tells it, with the marks that it has not answered for yet laid over it. A mark is kept on this
 * computer before anything else, with its own moment, so that neither a reload nor a line that fails loses it or its time.
 */
export function useRun(id: number): UseRunReturn {
    const queries = useQueryClient()
    const key = ['run', id]
    const place = `honest-core:run:${id}`
    const unsent = ref<Mark[]>(JSON.parse(localStorage.getItem(place) ?? '[]') as Mark[])
    const refusal = ref<Refused | null>(null)
    const { data } = useRunState(id)
    let sending = false
    let timer: ReturnType<typeof setTimeout> | undefined

    const keep = (): void => localStorage.setItem(place, JSON.stringify(unsent.value))
    const take = (run: Run): void => void queries.setQueryData(key, run)

    async function send(): Promise<void> {
        clearTimeout(timer)
        timer = undefined
        if (sending || unsent.value.length === 0) return
        sending = true
        const batch = unsent.value.slice(0, 200)
        const sent = (): void => {
            unsent.value = unsent.value.filter((one) => !batch.some(({ uuid }) => uuid === one.uuid))
            keep()
        }
        try {
            const run = await api.post('/runs/{run}/marks', { now_ms: Date.now(), marks: batch }, { ids: { run: id } })
            sent()
            take(run)
        } catch (error) {
            const refused = error instanceof Refused ? error : new Refused(String(error), 0)
            if (refused.status === 409 || refused.status === 422) {
                // The server looked at them and will not take them; asking again would change nothing.
                sent()
                refusal.value = refused
                await queries.invalidateQueries({ queryKey: key })
            } else {
                timer = setTimeout(() => void send(), TRY_AGAIN_MS)
            }
        } finally {
            sending = false
        }
        if (unsent.value.length > 0 && timer === undefined) void send()
    }

    function mark(kind: Mark['kind'], tube: number, more: MarkMore = {}, at = Date.now()): void {
        refusal.value = null
        unsent.value = [...unsent.value, { uuid: newId(), kind, tube, at_ms: at, ...more }]
        keep()
        void send()
    }

    void send()
    onScopeDispose(() => clearTimeout(timer))

    const run = computed(() => (data.value ? advance(data.value, unsent.value) : null))
    const tasks = computed(() => run.value?.agenda ?? [])
    return { run, tasks, unsent, refusal, mark, take }
}
