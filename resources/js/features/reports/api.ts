import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { api } from '@/api/client'

/** What check soils came back as. */
export const useCheckCharts = () => useQuery({ queryKey: ['check-charts'], queryFn: () => api.get('/check-charts') })

/** The reports that were taken, a page of them, or those that a corrected one of a lab may replace. */
export const useReports = (
    asked: MaybeRefOrGetter<{ page?: number; id?: number; replaces_for?: number; q?: string } | null>,
) =>
    useQuery({
        queryKey: ['reports', asked],
        enabled: () => toValue(asked) !== null,
        placeholderData: keepPreviousData,
        queryFn: () => api.get('/reports', { query: toValue(asked) ?? {} }),
    })

/** A report that was taken, with what was asked of it. */
export const useTakenReport = (id: MaybeRefOrGetter<number>) =>
    useQuery({
        queryKey: ['report', id],
        queryFn: () => api.get('/reports/{report}', { ids: { report: toValue(id) } }),
    })

/** All readings of the same composites beside one another. */
export const useSideBySide = (
    analyte: MaybeRefOrGetter<string | null>,
    area: MaybeRefOrGetter<number | null>,
    page: MaybeRefOrGetter<number>,
) =>
    useQuery({
        queryKey: ['side-by-side', analyte, area, page],
        placeholderData: keepPreviousData,
        queryFn: () =>
            api.get('/side-by-side', {
                query: {
                    analyte: toValue(analyte) || undefined,
                    area: toValue(area) || undefined,
                    page: toValue(page),
                },
            }),
    })

/** How far the server is with a report that is being taken. */
export const useReportProgress = (sha256: MaybeRefOrGetter<string | null>, taking: MaybeRefOrGetter<boolean>) =>
    useQuery({
        queryKey: ['report-progress', sha256],
        enabled: () => toValue(taking) && toValue(sha256) !== null,
        refetchInterval: 700,
        queryFn: () => api.get('/reports/progress', { query: { sha256: toValue(sha256) ?? undefined } }),
    })
