import { ref, type Ref } from 'vue'
import { api, Refused } from '@/api/client'
import { keeping } from '@/shared/offline/install'
import { inWords } from '@/shared/offline/store'

/** Puts the lines of a site and the shelf on the phone. */
export function useTakeSpread(siteId: Ref<number | null>) {
    const taken = ref(false)
    const taking = ref(false)
    const trouble = ref('')

    async function take(): Promise<void> {
        const site = siteId.value
        if (taking.value || site === null) return
        taking.value = true
        trouble.value = ''
        try {
            await keeping()
            await navigator.storage?.persist?.().catch(() => false)
            await Promise.all([
                api.get('/start'),
                api.get('/welcome'),
                api.get('/sites'),
                api.get('/sites/{site}', { ids: { site } }),
                api.get('/sites/{site}/spread-lines', { ids: { site } }),
                api.get('/shelf'),
            ])
            taken.value = true
        } catch (error) {
            trouble.value = error instanceof Refused ? error.message : inWords(error)
        } finally {
            taking.value = false
        }
    }
    return { taken, taking, trouble, take }
}
