import { useDebounceFn } from '@vueuse/core'
import { ref } from 'vue'
import { api, Refused, type Schema } from '@/api/client'

/** The extent of a boundary while it changes; a boundary that is no ground says why. */
export function useMeasure() {
    const extent = ref<Schema<'Extent'> | null>(null)
    const wrong = ref<string | null>(null)
    let asked = 0

    async function ask(boundary: Schema<'Geometry'>, sketching: boolean): Promise<void> {
        const mine = ++asked
        try {
            const answer = await api.post('/boundaries/measure', { boundary })
            if (mine !== asked) return
            extent.value = answer
            wrong.value = null
        } catch (error) {
            if (mine === asked && !sketching) {
                extent.value = null
                wrong.value = error instanceof Refused ? error.message : String(error)
            }
        }
    }

    const sketch = useDebounceFn((boundary: Schema<'Geometry'>) => ask(boundary, true), 60, { maxWait: 120 })
    return {
        extent,
        wrong,
        sketch,
        measure: (boundary: Schema<'Geometry'>) => ask(boundary, false),
        forget: () => ((extent.value = null), (wrong.value = null)),
    }
}
