import { useQuery } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { api } from '@/api/client'

/** When each area of a site is to be tested again. */
export const useFollowUp = (siteId: MaybeRefOrGetter<number | null>) =>
    useQuery({
        queryKey: ['follow-up', siteId],
        enabled: () => toValue(siteId) !== null,
        queryFn: () => api.get('/follow-up', { query: { site_id: toValue(siteId) ?? 0 } }),
    })
