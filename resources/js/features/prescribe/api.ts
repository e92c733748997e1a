import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { api } from '@/api/client'

/** What stands for every analyte but pH, and how much of it is wanted. */
export const useAmounts = (
    area: MaybeRefOrGetter<number>,
    sample: MaybeRefOrGetter<number | null>,
    asked: MaybeRefOrGetter<{ crop?: string | undefined; yield?: number | undefined }>,
) =>
    useQuery({
        queryKey: ['amounts', area, sample, asked],
        placeholderData: keepPreviousData,
        queryFn: () =>
            api.get('/areas/{area}/amounts', {
                ids: { area: toValue(area) },
                query: { ...toValue(asked), sample_id: toValue(sample) ?? undefined },
            }),
    })

/** The areas of a site, each with what is recommended for it. */
export const useRecommendations = (siteId: MaybeRefOrGetter<number | null>) =>
    useQuery({
        queryKey: ['recommendations', siteId],
        enabled: () => toValue(siteId) !== null,
        queryFn: () => api.get('/recommendations', { query: { site_id: toValue(siteId) ?? 0 } }),
    })

/** The lime an area is recommended, by material. */
export const useRecommendation = (
    area: MaybeRefOrGetter<number | null>,
    sample: MaybeRefOrGetter<number | null>,
    asked: MaybeRefOrGetter<Record<string, string | number | null | undefined>>,
) =>
    useQuery({
        queryKey: ['recommendation', area, sample, asked],
        enabled: () => toValue(area) !== null,
        placeholderData: keepPreviousData,
        queryFn: () =>
            api.get('/areas/{area}/recommendation', {
                ids: { area: toValue(area) ?? 0 },
                query: { ...toValue(asked), sample_id: toValue(sample) ?? undefined },
            }),
    })
