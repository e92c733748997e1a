import { ref } from 'vue'
import { api, Refused } from '@/api/client'
import { chosenSite } from '@/shared/api'
import { keeping } from '@/shared/offline/install'
import { database, inWords } from '@/shared/offline/store'

/** Puts plans, their maps, what was pulled of them, and codes for their labels on the phone. */
export function useTakeAlong(user: () => string) {
    const taken = ref(new Set<number>())
    const taking = ref<number | null>(null)
    const trouble = ref('')

    async function known(): Promise<void> {
        const all = await database().then((db) => db.getAll('kept'))
        taken.value = new Set(all.filter((one) => one.user === user()).map((one) => one.plan_id))
    }
    async function take(plans: number[]): Promise<void> {
        taking.value = 0
        trouble.value = ''
        try {
            await keeping()
            await navigator.storage?.persist?.().catch(() => false)
            const start = { query: { site: chosenSite.value ?? undefined } }
            const [{ site }] = await Promise.all([
                api.get('/start', start),
                api.get('/choices'),
                api.get('/welcome'),
                api.get('/sites'),
            ])
            if (site) await api.get('/today', { query: { site_id: site.id } })
            const db = await database()
            for (const id of plans) {
                const ids = { plan: id }
                const [plan, codes] = await Promise.all([
                    api.get('/plans/{plan}', { ids }),
                    api.post('/plans/{plan}/codes', undefined, { ids }),
                ])
                await api.get('/plans/{plan}/sheet', { ids, query: { tests: 'ph' } })
                for (const { number } of plan.layout.composites)
                    await api.get('/plans/{plan}/pull', { ids, query: { composite: number } })
                await db.put('kept', { plan_id: id, user: user(), taken_at: new Date().toISOString(), codes })
                taking.value += 1
            }
            await known()
        } catch (error) {
            trouble.value = error instanceof Refused ? error.message : inWords(error)
        } finally {
            taking.value = null
        }
    }
    void known().catch(() => undefined)
    return { taken, taking, trouble, take }
}
