import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, onSignedOut, type Schema } from '@/api/client'
import { useMe } from '@/shared/api'
import { count } from '@/shared/format'
import { bringAnswersBack, forgetAnswers, setAnswersAside } from '@/shared/offline/install'
import { box, sendFor } from '@/shared/offline/outbox'
import { forgetTyped, moveTyped } from './useTyped'

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
        const others = { predicate: (query: { queryKey: readonly unknown[] }) => query.queryKey[0] !== 'session' }
        // Pages that stand show nothing more of somebody else, and ask again.
        await (other ? queries.resetQueries(others) : queries.invalidateQueries(others))
    }

    /** Another team, the same person: onto practice ground or back. Every page begins anew. */
    async function goOver(onto: boolean, path: string): Promise<void> {
        await (onto ? setAnswersAside() : bringAnswersBack())
        moveTyped(onto)
        queries.clear()
        window.location.assign(path)
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

    return { me, isPending, expired, signedIn, goOver, signOut }
}
