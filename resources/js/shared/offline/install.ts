/** The page is kept on the phone by its service worker, where the browser allows one: on a secure address or this machine. */
export const canKeep = 'serviceWorker' in navigator && window.isSecureContext

export function install(): void {
    if (!canKeep) return
    // What it keeps for the field is much more than the first page: that comes before it.
    const register = () => void navigator.serviceWorker.register('/sw.js').catch(() => undefined)
    if (document.readyState === 'complete') register()
    else window.addEventListener('load', register, { once: true })
}

/** Waits until pages and answers are being kept. */
export async function keeping(): Promise<void> {
    const { active } = await navigator.serviceWorker.ready
    if (navigator.serviceWorker.controller) return
    await new Promise<void>((done) => {
        navigator.serviceWorker.addEventListener('controllerchange', () => done(), { once: true })
        // A page that was on its way while the worker began is not taken by itself, and would wait for ever.
        active?.postMessage('claim')
    })
}

const ANSWERS = 'honest-core-answers'
const ASIDE = 'honest-core-answers-aside'

/** Takes a team's answers off the phone, those that were put aside too; nothing that is unsent is touched. */
export async function forgetAnswers(): Promise<void> {
    if ('caches' in window) await Promise.all([ANSWERS, ASIDE].map((one) => caches.delete(one).catch(() => false)))
}

/** What is kept for the field is put aside while somebody is on practice ground, and comes back with them. */
export const setAnswersAside = (): Promise<void> => move(ANSWERS, ASIDE)
export const bringAnswersBack = (): Promise<void> => move(ASIDE, ANSWERS)

async function move(from: string, to: string): Promise<void> {
    if (!('caches' in window)) return
    try {
        await caches.delete(to)
        const [source, target] = await Promise.all([caches.open(from), caches.open(to)])
        for (const request of await source.keys()) {
            const answer = await source.match(request)
            if (answer) await target.put(request, answer)
        }
        await caches.delete(from)
    } catch {
        // Without room for both nothing is shown that is another team's.
        await Promise.all([caches.delete(ANSWERS), caches.delete(from)])
    }
}
