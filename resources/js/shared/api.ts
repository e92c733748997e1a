import { useQuery } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { api } from '@/api/client'

/** Lists that forms choose from: crops, tools, protocol breaks and the like. */
export const useChoices = () =>
    useQuery({ queryKey: ['choices'], staleTime: Infinity, queryFn: () => api.get('/choices') })

/** Every method of the team. */
export const useMethods = () =>
    useQuery({ queryKey: ['methods'], staleTime: 60_000, queryFn: () => api.get('/methods') })

/** The labs, and whether an interface is set up. */
export const useLabs = () => useQuery({ queryKey: ['labs'], queryFn: () => api.get('/labs') })

/** What may be known before anybody has signed in. */
export const useWelcome = () =>
    useQuery({ queryKey: ['welcome'], staleTime: Infinity, queryFn: () => api.get('/welcome') })

/** Every test in one line, with what its evidence says. */
export const useEvidenceLines = () => useQuery({ queryKey: ['evidence'], queryFn: () => api.get('/evidence') })

/** A plan with its layout. */
export const usePlan = (id: MaybeRefOrGetter<number>) =>
    useQuery({
        queryKey: ['plan', id],
        queryFn: () => api.get('/plans/{plan}', { ids: { plan: toValue(id) } }),
    })

/** The plans of a site, in one line each. */
export const usePlans = (siteId: MaybeRefOrGetter<number | null>) =>
    useQuery({
        queryKey: ['plans', siteId],
        enabled: () => toValue(siteId) !== null,
        queryFn: () => api.get('/plans', { query: { site_id: toValue(siteId) ?? 0 } }),
    })

/** What waits and what falls due at a site. */
export const useToday = (siteId: MaybeRefOrGetter<number | null>) =>
    useQuery({
        queryKey: ['today', siteId],
        enabled: () => toValue(siteId) !== null,
        queryFn: () => api.get('/today', { query: { site_id: toValue(siteId) ?? 0 } }),
    })
