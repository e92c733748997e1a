import { onScopeDispose, ref, shallowRef, watch, type Ref } from 'vue'
import type { Schema } from '@/api/client'
import { count, onSent, send } from '@/shared/offline/outbox'
import { database, inWords, newId, type SpreadKept } from '@/shared/offline/store'

/** Keeps what was spread on the phone at once, and sends it when there is a line; each entry once. */
export function useSpread(user: Ref<string>) {
    const kept = shallowRef<SpreadKept[]>([])
    const trouble = ref('')
    const busy = ref(false)

    async function load(): Promise<void> {
        try {
            const all = await database().then((db) => db.getAll('spreads'))
            kept.value = all.filter((one) => one.user === user.value && one.state === 'unsent')
        } catch (error) {
            trouble.value = inWords(error)
        }
    }
    watch(user, load, { immediate: true })
    onScopeDispose(onSent(() => void load()))

    async function note(
        body: Omit<Schema<'SpreadEntry'>, 'uuid'>,
        words: string,
        photo: Blob | null,
    ): Promise<boolean> {
        // Whose it is has to be known first: what nobody made would never be sent.
        if (busy.value || user.value === '') return false
        busy.value = true
        trouble.value = ''
        try {
            const uuid = newId()
            const db = await database()
            await db.put('spreads', {
                uuid,
                user: user.value,
                words,
                body: { ...body, uuid },
                photo,
                state: 'unsent',
                message: '',
                at: new Date().toISOString(),
            })
            await Promise.all([load(), count()])
            void send()
            return true
        } catch (error) {
            trouble.value = inWords(error)
            return false
        } finally {
            busy.value = false
        }
    }

    return { kept, trouble, busy, note }
}
