import { useQuery } from '@tanstack/vue-query'
import { api } from '@/api/client'

/** Soils of known value. */
export const useCheckSoils = () => useQuery({ queryKey: ['check-soils'], queryFn: () => api.get('/check-soils') })
