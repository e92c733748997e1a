import { computed, type Ref } from 'vue'
import type { Picture } from '@/shared/map/underlay'
import { useUnderlayList } from '@/shared/api'

/** The pictures of a site, and those of them that have their place under the map. */
export function useUnderlays(siteId: Ref<number | null>) {
    const { data } = useUnderlayList(siteId)
    const underlays = computed(() => data.value ?? [])
    const pictures = computed<Picture[]>(() =>
        underlays.value.flatMap(({ id, width, height, corners }) =>
            corners ? [{ url: `/api/underlays/${id}/picture`, width, height, corners }] : [],
        ),
    )

    return { underlays, pictures }
}
