import { useQuery } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { api } from '@/api/client'

/** Pens in their buffers. */
export const useCalibrations = () => useQuery({ queryKey: ['calibrations'], queryFn: () => api.get('/calibrations') })

/** Readers and their colour vision. */
export const useVisionChecks = () => useQuery({ queryKey: ['vision-checks'], queryFn: () => api.get('/vision-checks') })

/** Tubes that were known. */
export const usePracticeRounds = () =>
    useQuery({ queryKey: ['practice-rounds'], queryFn: () => api.get('/practice-rounds') })

/** The definitions that ship. */
export const useBenchLibrary = () =>
    useQuery({ queryKey: ['bench-library'], staleTime: Infinity, queryFn: () => api.get('/bench/library') })

/** The bench of a site: portions, runs, methods, lots and devices. */
export const useBench = (siteId: MaybeRefOrGetter<number | null>) =>
    useQuery({
        queryKey: ['bench', siteId],
        enabled: () => toValue(siteId) !== null,
        queryFn: () => api.get('/bench', { query: { site_id: toValue(siteId) ?? 0 } }),
    })
