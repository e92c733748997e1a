import { onScopeDispose, ref, type Ref } from 'vue'

const TICK_MS = 100

/** The device's clock in milliseconds since 1970, as a page shows it: read anew ten times a second and when the page is looked at again. */
export function useClock(): Ref<number> {
    const now = ref(Date.now())
    const read = (): void => void (now.value = Date.now())
    const timer = setInterval(read, TICK_MS)
    document.addEventListener('visibilitychange', read)
    onScopeDispose(() => {
        clearInterval(timer)
        document.removeEventListener('visibilitychange', read)
    })
    return now
}

/** A span as 0:42, 12:05 or 7:43:00; whole seconds, rounded up so that 0:00 means now. */
export function span(ms: number): string {
    const seconds = Math.max(0, Math.ceil(ms / 1000 - 1e-6))
    const [h, m, s] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60]
    const two = (n: number): string => String(n).padStart(2, '0')
    return h ? `${h}:${two(m)}:${two(s)}` : `${m}:${two(s)}`
}
