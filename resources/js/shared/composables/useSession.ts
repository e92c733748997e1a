import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, onSignedOut, type Schema } from '@/api/client'
import { useMe } from '@/shared/api'
import { count } from '@/shared/format'
import { forgetAnswers } from '@/shared/offline/install'
import { box, sendFor } from '@/shared/offline/outbox'
import { forgetTyped } from './useTyped'

/** Set when the server has forgotten us while a page was open: the page stays, and a sign-in is laid over it. */
const expired = ref(false)

onSignedOut(() => (expired.value = true))

export function useSession() {
    const queries = useQueryClient()
    const { data, isPending } = useMe()
    const me = computed(() => data.value ?? null)

    async function signedIn(who: Schema<'Me'>): Promise<void> {
        expired.value = false
        const other = me.value !== null && me.value.email !== who.email
        queries.setQueryData(['session'], who)
        if (other) {
            await forgetAnswers()
            forgetTyped()
        }
        await sendFor(who.email)
        if (other) queries.removeQueries({ predicate: (query) => query.queryKey[0] !== 'session' })
        await queries.invalidateQueries({ predicate: (query) => query.queryKey[0] !== 'session' })
    }

    async function signOut(): Promise<void> {
        const kept = box.unsent
        if (
            kept > 0 &&
            !window.confirm(
                `${count(kept, 'entry is', 'entries are')} still on this phone alone, and will go out when you sign in ` +
                    `here again. Sign out?`,
            )
        )
            return
        await api.delete('/session')
        await forgetAnswers()
        forgetTyped()
        queries.clear()
        window.location.assign('/')
    }

    return { me, isPending, expired, signedIn, signOut }
}
