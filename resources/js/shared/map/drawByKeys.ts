import type OlMap from 'ol/Map'
import type Draw from 'ol/interaction/Draw'

const STEP_PX = 24
const STRIDE_PX = 128
const MOVES: Record<string, [number, number]> = {
    ArrowLeft: [-1, 0],
    ArrowRight: [1, 0],
    ArrowUp: [0, 1],
    ArrowDown: [0, -1],
}

/**
 * Draws without a pointer: arrows move the ground under the cross in the middle, Enter sets a corner there and a second time
 * ends, Backspace takes the last corner back, Escape begins anew. Returns what stops it.
 */
export function drawByKeys(map: OlMap, drawing: Draw, isPoint: boolean, placed: (at: number[]) => void): () => void {
    const target = map.getTargetElement()
    let last: number[] | null = null

    function press(event: KeyboardEvent): void {
        const view = map.getView()
        const centre = view.getCenter()
        if (!centre || event.target !== target) return
        const move = MOVES[event.key]
        if (move) {
            const by = (event.shiftKey ? STRIDE_PX : STEP_PX) * (view.getResolution() ?? 1)
            view.setCenter([centre[0]! + move[0] * by, centre[1]! + move[1] * by])
        } else if (event.key === 'Enter' || event.key === ' ') {
            if (isPoint) placed(centre)
            else if (last && last[0] === centre[0] && last[1] === centre[1]) drawing.finishDrawing()
            else {
                drawing.appendCoordinates([centre])
                last = centre
            }
        } else if (event.key === 'Backspace') {
            drawing.removeLastPoint()
            last = null
        } else if (event.key === 'Escape') {
            drawing.abortDrawing()
            last = null
        } else return
        event.preventDefault()
        event.stopImmediatePropagation()
    }
    target?.addEventListener('keydown', press, true)
    return () => target?.removeEventListener('keydown', press, true)
}
