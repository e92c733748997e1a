import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/vue-query'
import { StorageSerializers, useLocalStorage } from '@vueuse/core'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { api, Refused, type Schema } from '@/api/client'

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

const COMPUTING_MS = 3_000

/** Tests in one line each, with what their evidence says; asked again while some of it is being computed. */
export const useEvidenceLines = (
    asked: MaybeRefOrGetter<{ page?: number; method?: number; tested?: number; q?: string }>,
) =>
    useQuery({
        queryKey: ['evidence', asked],
        placeholderData: keepPreviousData,
        queryFn: () => api.get('/evidence', { query: toValue(asked) }),
        refetchInterval: ({ state }) => (state.data?.computing ? COMPUTING_MS : false),
    })

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

/** The pictures laid under the ground of a site. */
export const useUnderlayList = (siteId: MaybeRefOrGetter<number | null>) =>
    useQuery({
        queryKey: ['underlays', siteId],
        enabled: () => toValue(siteId) !== null,
        queryFn: () => api.get('/sites/{site}/underlays', { ids: { site: toValue(siteId) ?? 0 } }),
    })

/** Which composites of a site are asked for: read by a method or not, by words, or one. */
export interface SamplesAsked {
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
    asked: MaybeRefOrGetter<SamplesAsked | null>,
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

/** The sites of the team. */
export const useSites = () => useQuery({ queryKey: ['sites'], queryFn: () => api.get('/sites') })

/** A site with its areas. */
export const useSiteDetail = (siteId: MaybeRefOrGetter<number | null>) =>
    useQuery({
        queryKey: ['site', siteId],
        enabled: () => toValue(siteId) !== null,
        queryFn: () => api.get('/sites/{site}', { ids: { site: toValue(siteId) ?? 0 } }),
    })

/** What a search finds; one letter is not looked for. */
export const useSearch = (asked: MaybeRefOrGetter<string>) =>
    useQuery({
        queryKey: ['search', asked],
        enabled: () => toValue(asked).trim().length > 1,
        queryFn: () => api.get('/search', { query: { q: toValue(asked).trim() } }),
    })

/** The site that was chosen last on this device. */
export const chosenSite = useLocalStorage<number | null>('honest-core:site', null, {
    serializer: StorageSerializers.number,
})

/** Who is signed in; null where nobody is. The sites and the one chosen last come in the same answer. */
export function useMe() {
    const queries = useQueryClient()
    return useQuery({
        queryKey: ['session'],
        staleTime: Infinity,
        retry: false,
        queryFn: async (): Promise<Schema<'Me'> | null> => {
            try {
                const { me, sites, site } = await api.get('/start', { query: { site: chosenSite.value ?? undefined } })
                queries.setQueryData(['sites'], sites)
                if (site) queries.setQueryData(['site', site.id], site)
                return me
            } catch (error) {
                if (error instanceof Refused && error.status === 401) return null
                throw error
            }
        },
    })
}
