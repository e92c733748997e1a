import { useQuery } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { api, Refused, type Schema } from '@/api/client'
import { database } from '@/shared/offline/store'

/** The codes that are kept for a plan; with no line, those that were taken along. */
export const useKeptCodes = (plan: number) =>
    useQuery({
        queryKey: ['codes', plan],
        staleTime: Infinity,
        queryFn: async (): Promise<Schema<'KeptCode'>[]> => {
            try {
                return await api.post('/plans/{plan}/codes', undefined, { ids: { plan } })
            } catch (error) {
                const kept = await database().then((db) => db.get('kept', plan))
                if (!kept || !(error instanceof Refused) || error.status !== 0) throw error
                return kept.codes
            }
        },
    })

/** How far a composite is, on this phone or another. */
export const usePullState = (plan: MaybeRefOrGetter<number>, composite: MaybeRefOrGetter<number>) =>
    useQuery({
        queryKey: ['pull', plan, composite],
        retry: false,
        refetchInterval: 30_000,
        queryFn: () =>
            api.get('/plans/{plan}/pull', { ids: { plan: toValue(plan) }, query: { composite: toValue(composite) } }),
    })
