import { useQuery } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { api } from '@/api/client'

/** What speaks against sampling two areas as one. */
export const useTogether = (area: MaybeRefOrGetter<number>, other: MaybeRefOrGetter<number | null>) =>
    useQuery({
        queryKey: ['together', area, other],
        enabled: () => toValue(other) !== null,
        queryFn: () =>
            api.get('/areas/{area}/together/{other}', { ids: { area: toValue(area), other: toValue(other) ?? 0 } }),
    })
