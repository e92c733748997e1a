import { useQueryClient } from '@tanstack/vue-query'
import { computed, type MaybeRefOrGetter, toValue, watch } from 'vue'
import { siteUnits, type Units } from '@/shared/format'
import { chosenSite as chosen, useSites, useSiteDetail } from '@/shared/api'

/** The site that the pages are about: the one chosen last, or the first there is. */
export function useSite() {
    const queries = useQueryClient()
    const sites = useSites()
    const siteId = computed(
        () => (sites.data.value?.find((site) => site.id === chosen.value) ?? sites.data.value?.[0])?.id ?? null,
    )
    const detail = useSiteDetail(siteId)
    const site = computed(() => detail.data.value ?? null)
    watch(site, (of) => of && (siteUnits.value = of.units), { immediate: true })

    return {
        sites,
        siteId,
        site,
        pending: computed(() => sites.isPending.value || (siteId.value !== null && detail.isPending.value)),
        none: computed(() => sites.data.value?.length === 0),
        areas: computed(() => site.value?.areas ?? []),
        landmarks: computed(() => site.value?.landmarks ?? []),
        units: computed<Units>(() => site.value?.units ?? 'us'),
        timezone: computed(() => site.value?.timezone ?? 'UTC'),
        choose: (id: number) => (chosen.value = id),
        /** Asks again for everything that hangs on the site's ground. */
        refresh: () => queries.invalidateQueries(),
    }
}

/**
 * A record opened by link turns the pages to its own site, units and hour with it; another site chosen while it is
 * shown leaves it.
 */
export function useSiteOf(record: MaybeRefOrGetter<number | undefined>, leave: () => void): void {
    const { siteId, choose } = useSite()
    watch(
        () => toValue(record),
        (of) => of !== undefined && choose(of),
        { immediate: true },
    )
    watch(siteId, (to, from) => {
        const of = toValue(record)
        if (from !== null && of !== undefined && to !== of) leave()
    })
}
