import { onScopeDispose, ref, watch, type Ref } from 'vue'
import { moved, way, type Place } from '@/shared/ground'

export interface Position extends Place {
    accuracy: number
}
const STEP_MS = 1_000
const STEP_M = 6
const START_M = 45

/** Where the phone is: by the browser, or simulated, which walks to the next core on its own and is marked so. */
export function usePosition(next: Ref<Place | null>, simulated: Ref<boolean>) {
    const position = ref<Position | null>(null)
    const trouble = ref('')
    let watching: number | null = null
    let walking: ReturnType<typeof setInterval> | undefined

    function stop(): void {
        if (watching !== null) navigator.geolocation.clearWatch(watching)
        watching = null
        clearInterval(walking)
    }
    function begin(): void {
        stop()
        position.value = null
        trouble.value = ''
        if (simulated.value) walking = setInterval(walk, STEP_MS)
        else if ('geolocation' in navigator) {
            watching = navigator.geolocation.watchPosition(
                ({ coords }) => {
                    trouble.value = ''
                    position.value = {
                        longitude: coords.longitude,
                        latitude: coords.latitude,
                        accuracy: coords.accuracy,
                    }
                },
                (error) => {
                    trouble.value =
                        error.code === error.PERMISSION_DENIED
                            ? 'The browser may not know the position; distances are from core to core.'
                            : 'No position yet; distances are from core to core.'
                },
                { enableHighAccuracy: true, maximumAge: 5_000 },
            )
        } else trouble.value = 'This browser knows no position; distances are from core to core.'
    }
    function walk(): void {
        const goal = next.value
        if (!goal) return
        const here = position.value ?? { ...moved(goal, START_M, 220), accuracy: 4 }
        const { metres, bearing } = way(here, goal)
        position.value = { ...moved(here, Math.min(STEP_M, metres), bearing), accuracy: 4 }
    }
    watch(simulated, begin, { immediate: true })
    onScopeDispose(stop)
    return { position, trouble }
}
