import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { api, type Schema } from '@/api/client'

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

/** A page of the pairs of a test; the first came with the evidence and is not asked for again. */
export const usePairs = (
    evidence: MaybeRefOrGetter<Schema<'Evidence'>>,
    against: MaybeRefOrGetter<Record<string, string | number>>,
    out: boolean,
    page: MaybeRefOrGetter<number>,
) => {
    const first = (): Schema<'PairsPage'> => (out ? toValue(evidence).left_out : toValue(evidence).pairs)
    const more = useQuery({
        queryKey: ['evidence', () => toValue(evidence).method.id, against, 'pairs', out, page],
        enabled: () => toValue(page) > 1,
        placeholderData: keepPreviousData,
        queryFn: () =>
            api.get('/evidence/{method}/pairs', {
                ids: { method: toValue(evidence).method.id },
                query: { ...toValue(against), out: out ? 1 : 0, page: toValue(page) },
            }),
    })
    return computed(() => (toValue(page) === 1 ? first() : (more.data.value ?? first())))
}
