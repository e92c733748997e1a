import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { api, type Schema } from '@/api/client'

/** Soils of known value. */
export const useCheckSoils = () => useQuery({ queryKey: ['check-soils'], queryFn: () => api.get('/check-soils') })

/** A composite with its portions, readings and pulls. */
export const useSample = (id: MaybeRefOrGetter<number>) =>
    useQuery({
        queryKey: ['sample', id],
        queryFn: () => api.get('/samples/{sample}', { ids: { sample: toValue(id) } }),
    })

/** A portion with its trail and what may come next; none is asked for while there is no number. */
export const usePortion = (id: MaybeRefOrGetter<number>) =>
    useQuery({
        queryKey: ['portion', id],
        enabled: () => toValue(id) > 0,
        queryFn: () => api.get('/portions/{portion}', { ids: { portion: toValue(id) } }),
    })

/** A page of the ledger, filtered. */
export const useLedgerPage = (asked: MaybeRefOrGetter<Record<string, string>>) =>
    useQuery({
        queryKey: ['ledger', asked],
        placeholderData: keepPreviousData,
        queryFn: () => api.get('/ledger', { query: toValue(asked) }),
    })

/** Consignments that are not at their end. */
export const useOpenConsignments = () =>
    useQuery({ queryKey: ['consignments', 'open'], queryFn: () => api.get('/consignments', { query: { open: '1' } }) })

/** A consignment with its lines and what the carrier said. */
export const useConsignment = (id: MaybeRefOrGetter<number>) =>
    useQuery({
        queryKey: ['consignment', id],
        queryFn: () => api.get('/consignments/{consignment}', { ids: { consignment: toValue(id) } }),
    })

const READY = ['dried', 'chilled', 'frozen', 'split', 'shelved']

/** Portions that could go to a lab now. */
export const useReadyPortions = () =>
    useQuery({
        queryKey: ['ledger', 'ready'],
        queryFn: async () => {
            const pages = await Promise.all(READY.slice(0, 4).map((state) => api.get('/ledger', { query: { state } })))
            const portions = pages.flatMap(({ rows }) =>
                rows.flatMap((row) => row.portions.map((portion) => ({ ...portion, area: row.area }))),
            )
            return [...new Map(portions.map((one) => [one.id, one])).values()].filter(
                ({ kind, state }) => ['lab', 'lab_b', 'hidden'].includes(kind) && READY.includes(state),
            )
        },
    })

/** What a consignment would cost and what it lacks, while it is packed. */
export const useConsignmentDraft = (
    asked: MaybeRefOrGetter<boolean>,
    body: MaybeRefOrGetter<Parameters<typeof api.post<'/consignments/draft'>>[1]>,
) =>
    useQuery({
        queryKey: ['consignment-draft', body],
        enabled: () => toValue(asked),
        placeholderData: (before: Schema<'ConsignmentDraft'> | undefined) => before,
        queryFn: () => api.post('/consignments/draft', toValue(body)),
    })
