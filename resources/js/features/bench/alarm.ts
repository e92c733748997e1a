import { useLocalStorage } from '@vueuse/core'
import { onScopeDispose, watch, type Ref } from 'vue'

const HIGH_HZ = 880
const LONG_S = 0.25

export const sound = useLocalStorage('honest-core:bench-sound', true)
let context: AudioContext | null = null

/** A short tone. Browsers let a page sound only after it was touched; before that it stays silent. */
function tone(): void {
    if (!navigator.userActivation.hasBeenActive) return
    try {
        context ??= new AudioContext()
        const oscillator = context.createOscillator()
        const gain = context.createGain()
        oscillator.frequency.value = HIGH_HZ
        gain.gain.setValueAtTime(0.2, context.currentTime)
        gain.gain.exponentialRampToValueAtTime(0.001, context.currentTime + LONG_S)
        oscillator.connect(gain).connect(context.destination)
        oscillator.start()
        oscillator.stop(context.currentTime + LONG_S)
    } catch {
        context = null
    }
}

/** Sounds once whenever another thing falls due, and keeps the title of the tab saying what is next. */
export function useAlarm(due: Ref<string | null>, title: Ref<string>): void {
    const before = document.title
    watch(due, (now, last) => {
        if (now !== null && now !== last && sound.value) tone()
    })
    watch(title, (words) => (document.title = words), { immediate: true })
    onScopeDispose(() => (document.title = before))
}
