import { useQuery } from '@tanstack/vue-query'
import { api } from '@/api/client'

/** The schools as the team has them. */
export const useSchools = () =>
    useQuery({ queryKey: ['schools'], staleTime: 60_000, queryFn: () => api.get('/schools') })
