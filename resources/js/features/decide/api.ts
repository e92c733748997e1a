import { useQuery } from '@tanstack/vue-query'
import { api } from '@/api/client'

/** Every verdict ever signed. */
export const useVerdicts = () => useQuery({ queryKey: ['verdicts'], queryFn: () => api.get('/verdicts') })

/** Every version of every policy. */
export const usePolicies = () => useQuery({ queryKey: ['policies'], queryFn: () => api.get('/policies') })
