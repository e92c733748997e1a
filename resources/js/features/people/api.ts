import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { api } from '@/api/client'

/** One's own account: sign-ins, tokens and the second factor. */
export const useAccount = () => useQuery({ queryKey: ['account'], queryFn: () => api.get('/account') })

/** The people of the team and who is invited. */
export const usePeople = () => useQuery({ queryKey: ['people'], queryFn: () => api.get('/people') })

/** What was done with accounts and what left the team. */
export const useEvents = (page: MaybeRefOrGetter<number>, kind: MaybeRefOrGetter<string>) =>
    useQuery({
        queryKey: ['account-events', page, kind],
        placeholderData: keepPreviousData,
        queryFn: () => api.get('/account-events', { query: { page: toValue(page), kind: toValue(kind) || undefined } }),
    })

/** What was changed of names, facts, answers and moves. */
export const useChanges = (asked: MaybeRefOrGetter<{ page: number; kind?: string; record?: number }>) =>
    useQuery({
        queryKey: ['changes', asked],
        placeholderData: keepPreviousData,
        queryFn: () => api.get('/changes', { query: toValue(asked) }),
    })

/** What somebody is invited to, for whoever holds the address. */
export const useInvitation = (token: MaybeRefOrGetter<string>) =>
    useQuery({
        queryKey: ['invitation', token],
        retry: false,
        queryFn: () => api.get('/invitations/{token}', { ids: { token: toValue(token) } }),
    })
