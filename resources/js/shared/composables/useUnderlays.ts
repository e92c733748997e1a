import { useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { api } from '@/api/client'
import type { Picture } from '@/shared/map/underlay'

/** The pictures of a site, and those of them that have their place under the map. */
export function useUnderlays(siteId: Ref<number | null>) {
    const { data } = useQuery({
        queryKey: ['underlays', siteId],
        enabled: () => siteId.value !== null,
        queryFn: () => api.get('/sites/{site}/underlays', { ids: { site: siteId.value ?? 0 } }),
    })
    const underlays = computed(() => data.value ?? [])
    const pictures = computed<Picture[]>(() =>
        underlays.value.flatMap(({ id, width, height, corners }) =>
            corners ? [{ url: `/api/underlays/${id}/picture`, width, height, corners }] : [],
        ),
    )

    return { underlays, pictures }
}
