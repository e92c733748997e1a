import { computed } from 'vue'
import { type Schema } from '@/api/client'
import { useSite } from './useSite'
import { useMethods, useSampleLines } from '@/shared/api'

export type Sample = Schema<'Sample'>
export type Reading = Schema<'Reading'>

/**
 * The composites of the site and the methods that read them. At the bench without what labs found: a reading is blind
 * only until that was on screen.
 */
export function useSamples(results: boolean) {
    const { siteId } = useSite()
    const samples = useSampleLines(siteId, results)
    const methods = useMethods()
    return {
        samples: computed(() => samples.data.value ?? []),
        methods: computed(() => methods.data.value ?? []),
        pending: computed(() => samples.isPending.value || methods.isPending.value),
    }
}

/** The readings of a sample by one method that no correction has replaced. */
export function standing(sample: Sample, methodId: number | undefined): Reading[] {
    return sample.readings.filter((reading) => reading.method_id === methodId && !reading.corrected)
}
