import { useQuery } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { api } from '@/api/client'

/** The spreadsheets of old pairs that were brought in for a test. */
export const useRecordSets = (method: MaybeRefOrGetter<number>) =>
    useQuery({
        queryKey: ['records', method],
        queryFn: () => api.get('/evidence/{method}/records', { ids: { method: toValue(method) } }),
    })

/** What the pairs of a test say, against what it is asked to stand beside; none is asked for without a test. */
export const useEvidence = (
    method: MaybeRefOrGetter<number | null>,
    against: MaybeRefOrGetter<Record<string, string | number>>,
) =>
    useQuery({
        queryKey: ['evidence', method, against],
        enabled: () => toValue(method) !== null,
        queryFn: () =>
            api.get('/evidence/{method}', { ids: { method: toValue(method) ?? 0 }, query: toValue(against) }),
    })
