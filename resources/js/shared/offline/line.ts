import { ref } from 'vue'
import { onAnswer } from '@/api/client'

/** Is there a line to the server? Told by the answers themselves; what the phone says of its radio only ever adds doubt. */
export const up = ref(navigator.onLine)

const whenUp = new Set<() => void>()

export function onLine(listener: () => void): void {
    whenUp.add(listener)
}

onAnswer((fresh) => {
    const before = up.value
    up.value = fresh
    if (fresh && !before) whenUp.forEach((listener) => listener())
})
window.addEventListener('offline', () => (up.value = false))
window.addEventListener('online', () => whenUp.forEach((listener) => listener()))
