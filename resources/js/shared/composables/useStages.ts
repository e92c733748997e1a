import { onBeforeUnmount, ref, watch, type Ref, type WatchSource } from 'vue'

/**
 * Draws a long page a part at a time, so that it never stands still for long: the number of parts that are drawn, one more
 * whenever the browser has nothing else to do. Begins anew when what is watched changes.
 */
export function useStages(source: WatchSource, parts: number): Ref<number> {
    const drawn = ref(0)
    const later = window.requestIdleCallback ?? ((step: () => void) => window.setTimeout(step, 30))
    let turn = 0
    watch(
        source,
        () => {
            const own = ++turn
            drawn.value = 0
            const next = (): void => {
                if (own !== turn) return
                drawn.value++
                if (drawn.value < parts) later(next)
            }
            later(next)
        },
        { immediate: true },
    )
    onBeforeUnmount(() => turn++)
    return drawn
}
