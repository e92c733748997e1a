import { useQuery } from '@tanstack/vue-query'
import { api } from '@/api/client'

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

/** Every test in one line, with what its evidence says. */
export const useEvidenceLines = () => useQuery({ queryKey: ['evidence'], queryFn: () => api.get('/evidence') })
