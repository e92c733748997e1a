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

/** What was read in a run. */
export const useRunReadings = (run: MaybeRefOrGetter<number>) =>
    useQuery({
        queryKey: ['run-readings', run],
        queryFn: () => api.get('/runs/{run}/readings', { ids: { run: toValue(run) } }),
    })

/** A run as the server has it, told what this clock says. */
export const useRunState = (run: MaybeRefOrGetter<number>) =>
    useQuery({
        queryKey: ['run', run],
        queryFn: () => api.get('/runs/{run}', { ids: { run: toValue(run) }, query: { now_ms: Date.now() } }),
    })

/** A method with its definition. */
export const useMethod = (id: MaybeRefOrGetter<number>) =>
    useQuery({
        queryKey: ['method', id],
        queryFn: () => api.get('/methods/{method}', { ids: { method: toValue(id) } }),
    })

/** The transects of an area, with the method they were read by. */
export const useTransects = (area: MaybeRefOrGetter<number | null>) =>
    useQuery({
        queryKey: ['transects', area],
        enabled: () => toValue(area) !== null,
        queryFn: () => api.get('/areas/{area}/transects', { ids: { area: toValue(area) ?? 0 } }),
    })
