import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { api } from '@/api/client'

/** The register of signed verdicts, a page of it. */
export const useVerdicts = (page: MaybeRefOrGetter<number>) =>
    useQuery({
        queryKey: ['verdicts', page],
        placeholderData: keepPreviousData,
        queryFn: () => api.get('/verdicts', { query: { page: toValue(page) } }),
    })

/** How many claims are judged, and how many would stand by luck. */
export const useLuck = () => useQuery({ queryKey: ['evidence', 'luck'], queryFn: () => api.get('/claims/luck') })

/** What the rules of today say of the verdicts of a page of the register. */
export const useTodaysRules = (page: MaybeRefOrGetter<number>) =>
    useQuery({
        queryKey: ['verdicts', 'today', page],
        queryFn: () => api.get('/verdicts/todays-rules', { query: { page: toValue(page) } }),
    })

/** Every version of every policy. */
export const usePolicies = () => useQuery({ queryKey: ['policies'], queryFn: () => api.get('/policies') })

/** A verdict as it was signed. */
export const useVerdict = (id: MaybeRefOrGetter<number>) =>
    useQuery({
        queryKey: ['verdict', id],
        queryFn: () => api.get('/verdicts/{verdict}', { ids: { verdict: toValue(id) } }),
    })

/** What a test usually costs in money and minutes. */
export const useUsualCosts = (method: MaybeRefOrGetter<number | null>) =>
    useQuery({
        queryKey: ['costs', method],
        enabled: () => toValue(method) !== null,
        queryFn: () => api.get('/evidence/{method}/costs', { ids: { method: toValue(method) ?? 0 } }),
    })
