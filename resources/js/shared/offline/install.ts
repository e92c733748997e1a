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

/** Takes a team's answers off the phone; nothing that is unsent is touched. */
export async function forgetAnswers(): Promise<void> {
    if ('caches' in window) await caches.delete('honest-core-answers').catch(() => false)
}
