import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { api } from '@/api/client'

/** When each area of a site is to be tested again, a page at a time. */
export const useFollowUp = (siteId: MaybeRefOrGetter<number | null>, page: MaybeRefOrGetter<number>) =>
    useQuery({
        queryKey: ['follow-up', siteId, page],
        enabled: () => toValue(siteId) !== null,
        placeholderData: keepPreviousData,
        queryFn: () => api.get('/follow-up', { query: { site_id: toValue(siteId) ?? 0, page: toValue(page) } }),
    })

/** The lines of signed programs that a spreader works off. */
export const useSpreadLines = (siteId: MaybeRefOrGetter<number | null>) =>
    useQuery({
        queryKey: ['spread-lines', siteId],
        enabled: () => toValue(siteId) !== null,
        queryFn: () => api.get('/sites/{site}/spread-lines', { ids: { site: toValue(siteId) ?? 0 } }),
    })

/** The products of the team, to choose what was spread from. */
export const useProducts = () => useQuery({ queryKey: ['shelf'], queryFn: () => api.get('/shelf') })

/** An analyte of an area over the years, and what came of its programs. */
export const useSeries = (area: MaybeRefOrGetter<number | null>, analyte: MaybeRefOrGetter<string>) =>
    useQuery({
        queryKey: ['series', area, analyte],
        enabled: () => toValue(area) !== null,
        placeholderData: keepPreviousData,
        queryFn: () =>
            api.get('/areas/{area}/series', {
                ids: { area: toValue(area) ?? 0 },
                query: { analyte: toValue(analyte) || undefined },
            }),
    })

/** What came of the programs of a site. */
export const useAnswers = (siteId: MaybeRefOrGetter<number | null>) =>
    useQuery({
        queryKey: ['answers', siteId],
        enabled: () => toValue(siteId) !== null,
        queryFn: () => api.get('/sites/{site}/answers', { ids: { site: toValue(siteId) ?? 0 } }),
    })

/** Which school was right. */
export const useTrials = () => useQuery({ queryKey: ['school-trials'], queryFn: () => api.get('/school-trials') })

/** The retests of a season over all sites, by week. */
export const useCampaign = (from: MaybeRefOrGetter<string>) =>
    useQuery({
        queryKey: ['campaign', from],
        placeholderData: keepPreviousData,
        queryFn: () => api.get('/campaign', { query: { from: toValue(from) || undefined } }),
    })

/** Addresses that calendars subscribe to. */
export const useAddresses = () =>
    useQuery({ queryKey: ['calendar-addresses'], queryFn: () => api.get('/calendar-addresses') })
