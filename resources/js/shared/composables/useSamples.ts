import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { api, type Schema } from '@/api/client'

export type Sample = Schema<'Sample'>
export type Reading = Schema<'Reading'>

/** Which composites of a site are asked for: read by a method or not, by words, or one. */
export interface Asked {
    read_by?: number
    not_read_by?: number
    q?: string
    id?: number
    page?: number
}

/**
 * Composites of a site, a page of them; none without a site, or where nothing is asked. At the bench without what labs
 * found: a reading is blind only until that was on screen.
 */
export const useSamples = (
    siteId: MaybeRefOrGetter<number | null>,
    results: boolean,
    asked: MaybeRefOrGetter<Asked | null>,
) =>
    useQuery({
        queryKey: ['samples', siteId, results, asked],
        enabled: () => toValue(siteId) !== null && toValue(asked) !== null,
        placeholderData: keepPreviousData,
        queryFn: () =>
            api.get('/samples', {
                query: { site_id: toValue(siteId) ?? 0, results: results ? 1 : 0, ...toValue(asked) },
            }),
    })

/** The readings of a sample by one method that no correction has replaced. */
export function standing(sample: Sample, methodId: number | undefined): Reading[] {
    return sample.readings.filter((reading) => reading.method_id === methodId && !reading.corrected)
}
