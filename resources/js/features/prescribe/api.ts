import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import type { Units } from '@/shared/format'
import { api, type Schema } from '@/api/client'

/** What stands for every analyte but pH, and how much of it is wanted. */
export const useAmounts = (
    area: MaybeRefOrGetter<number>,
    sample: MaybeRefOrGetter<number | null>,
    asked: MaybeRefOrGetter<{ crop?: string | undefined; yield?: number | undefined }>,
) =>
    useQuery({
        queryKey: ['amounts', area, sample, asked],
        placeholderData: keepPreviousData,
        queryFn: () =>
            api.get('/areas/{area}/amounts', {
                ids: { area: toValue(area) },
                query: { ...toValue(asked), sample_id: toValue(sample) ?? undefined },
            }),
    })

/** The areas of a site, each with what is recommended for it. */
export const useRecommendations = (siteId: MaybeRefOrGetter<number | null>) =>
    useQuery({
        queryKey: ['recommendations', siteId],
        enabled: () => toValue(siteId) !== null,
        queryFn: () => api.get('/recommendations', { query: { site_id: toValue(siteId) ?? 0 } }),
    })

/** The lime an area is recommended, by material. */
export const useRecommendation = (
    area: MaybeRefOrGetter<number | null>,
    sample: MaybeRefOrGetter<number | null>,
    asked: MaybeRefOrGetter<Record<string, string | number | null | undefined>>,
) =>
    useQuery({
        queryKey: ['recommendation', area, sample, asked],
        enabled: () => toValue(area) !== null,
        placeholderData: keepPreviousData,
        queryFn: () =>
            api.get('/areas/{area}/recommendation', {
                ids: { area: toValue(area) ?? 0 },
                query: { ...toValue(asked), sample_id: toValue(sample) ?? undefined },
            }),
    })

/** Where the program of each area of a site stands. */
export const usePrograms = (siteId: MaybeRefOrGetter<number | null>) =>
    useQuery({
        queryKey: ['programs', siteId],
        enabled: () => toValue(siteId) !== null,
        queryFn: () => api.get('/sites/{site}/programs', { ids: { site: toValue(siteId) ?? 0 } }),
    })

/** The program of an area by what was chosen so far. */
export const useProgram = (area: MaybeRefOrGetter<number | null>, crop: MaybeRefOrGetter<string | undefined>) =>
    useQuery({
        queryKey: ['program', area, crop],
        enabled: () => toValue(area) !== null,
        queryFn: () =>
            api.get('/areas/{area}/program', {
                ids: { area: toValue(area) ?? 0 },
                query: { crop: toValue(crop) },
            }),
    })

/** The same by other choices that nobody kept yet. */
export const useTriedProgram = (
    area: MaybeRefOrGetter<number | null>,
    choices: MaybeRefOrGetter<Schema<'ProgramChoices'> | null>,
) =>
    useQuery({
        queryKey: ['program', 'tried', area, choices],
        enabled: () => toValue(area) !== null && toValue(choices) !== null,
        placeholderData: keepPreviousData,
        retry: false,
        queryFn: () =>
            api.post(
                '/areas/{area}/program/try',
                { choices: toValue(choices) as Schema<'ProgramChoices'> },
                { ids: { area: toValue(area) ?? 0 } },
            ),
    })

/** Programs of up to three crops for the same ground. */
export const useProgramsOfCrops = (area: MaybeRefOrGetter<number>, crops: MaybeRefOrGetter<string[]>) =>
    useQuery({
        queryKey: ['program', 'crops', area, crops],
        enabled: () => toValue(crops).length > 0,
        placeholderData: keepPreviousData,
        queryFn: () =>
            api.get('/areas/{area}/program/crops', {
                ids: { area: toValue(area) },
                query: { crops: toValue(crops).join(',') },
            }),
    })

/** The crops that programs are made for. */
export const useCrops = () => useQuery({ queryKey: ['crops'], staleTime: Infinity, queryFn: () => api.get('/crops') })

/** Every program that was signed for an area. */
export const useSignedPrograms = (area: MaybeRefOrGetter<number | null>) =>
    useQuery({
        queryKey: ['signed-programs', area],
        enabled: () => toValue(area) !== null,
        queryFn: () => api.get('/areas/{area}/programs', { ids: { area: toValue(area) ?? 0 } }),
    })

/** A program as it was signed. */
export const useSignedProgram = (id: MaybeRefOrGetter<number>) =>
    useQuery({
        queryKey: ['signed-program', id],
        queryFn: () => api.get('/programs/{program}', { ids: { program: toValue(id) } }),
    })

/** What all areas of a site need together; by drafts, what would be bought. */
export const useShoppingList = (siteId: MaybeRefOrGetter<number | null>, drafts: MaybeRefOrGetter<boolean>) =>
    useQuery({
        queryKey: ['shopping', siteId, drafts],
        enabled: () => toValue(siteId) !== null,
        queryFn: () =>
            api.get('/sites/{site}/shopping-list', {
                ids: { site: toValue(siteId) ?? 0 },
                query: { drafts: toValue(drafts) ? 1 : undefined },
            }),
    })

/** The products of the team. */
export const useShelf = () => useQuery({ queryKey: ['shelf'], queryFn: () => api.get('/shelf') })

/** The rule tables of programs at a site. */
export const useRuleTables = (siteId: MaybeRefOrGetter<number | null>) =>
    useQuery({
        queryKey: ['rule-tables', siteId],
        enabled: () => toValue(siteId) !== null,
        queryFn: () => api.get('/sites/{site}/rule-tables', { ids: { site: toValue(siteId) ?? 0 } }),
    })

/** Computations that need no record. */
export const useReckoners = (units: MaybeRefOrGetter<Units>) =>
    useQuery({
        queryKey: ['reckoners', units],
        staleTime: Infinity,
        queryFn: () => api.get('/reckoner', { query: { units: toValue(units) } }),
    })

/** One computation, done anew for what was typed. */
export const useReckoned = (
    tool: MaybeRefOrGetter<string>,
    given: MaybeRefOrGetter<Record<string, string>>,
    units: MaybeRefOrGetter<Units>,
) =>
    useQuery({
        queryKey: ['reckoned', tool, given, units],
        enabled: () => Object.values(toValue(given)).some((one) => one !== ''),
        retry: false,
        placeholderData: keepPreviousData,
        queryFn: () =>
            api.post(
                '/reckoner/{tool}',
                { given: toValue(given), units: toValue(units) },
                { ids: { tool: toValue(tool) } },
            ),
    })
