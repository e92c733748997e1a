import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { api } from '@/api/client'

/** The schools as the team has them. */
export const useSchools = () =>
    useQuery({ queryKey: ['schools'], staleTime: 60_000, queryFn: () => api.get('/schools') })

/** The days of a plan, counted back from the day lime is wanted on. */
export const useCalendar = (
    plan: MaybeRefOrGetter<number>,
    form: { lime_on: string; lab_days: number; shipping_days: number },
) =>
    useQuery({
        queryKey: ['calendar', plan, form],
        enabled: () => form.lime_on !== '',
        retry: false,
        queryFn: () => api.get('/plans/{plan}/calendar', { ids: { plan: toValue(plan) }, query: { ...form } }),
    })

/** A plan that may not be there yet. */
export const usePlanIfAny = (plan: MaybeRefOrGetter<number | null>) =>
    useQuery({
        queryKey: ['plan', plan],
        enabled: () => toValue(plan) !== null,
        queryFn: () => api.get('/plans/{plan}', { ids: { plan: toValue(plan) ?? 0 } }),
    })

/** The sheet of a plan: containers and cautions for the tests that are wanted. */
export const useSheet = (plan: MaybeRefOrGetter<number>, tests: MaybeRefOrGetter<string[]>) =>
    useQuery({
        queryKey: ['sheet', plan, tests],
        placeholderData: keepPreviousData,
        queryFn: () =>
            api.get('/plans/{plan}/sheet', {
                ids: { plan: toValue(plan) },
                query: { tests: toValue(tests).join(',') },
            }),
    })

/** What every school would ask of an area. */
export const useSchoolsOf = (area: MaybeRefOrGetter<number | null>) =>
    useQuery({
        queryKey: ['schools', 'area', area],
        enabled: () => toValue(area) !== null,
        queryFn: () => api.get('/areas/{area}/schools', { ids: { area: toValue(area) ?? 0 } }),
    })

/** What was found in an area before, and where. */
export const useLocatedResults = (area: MaybeRefOrGetter<number | null>) =>
    useQuery({
        queryKey: ['located-results', area],
        enabled: () => toValue(area) !== null,
        queryFn: () => api.get('/areas/{area}/located-results', { ids: { area: toValue(area) ?? 0 } }),
    })
