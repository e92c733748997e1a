import { useQuery } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { api } from '@/api/client'

/** Levels, lessons, one's own grounds and classes. */
export const usePractice = () => useQuery({ queryKey: ['practice'], queryFn: () => api.get('/practice') })

/** What the ground was; refused before something is signed. */
export const useReveal = () =>
    useQuery({ queryKey: ['practice-reveal'], retry: false, queryFn: () => api.get('/practice/reveal') })

/** Results of a class side by side. */
export const useClass = (id: MaybeRefOrGetter<number>) =>
    useQuery({
        queryKey: ['practice-class', id],
        queryFn: () => api.get('/practice/classes/{class}', { ids: { class: toValue(id) } }),
    })
