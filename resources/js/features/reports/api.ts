import { useQuery } from '@tanstack/vue-query'
import { api } from '@/api/client'

/** What check soils came back as. */
export const useCheckCharts = () => useQuery({ queryKey: ['check-charts'], queryFn: () => api.get('/check-charts') })

/** The reports that were taken. */
export const useReports = () => useQuery({ queryKey: ['reports'], queryFn: () => api.get('/reports') })
