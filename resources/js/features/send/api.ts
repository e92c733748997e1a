import { useQuery } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { api } from '@/api/client'

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
