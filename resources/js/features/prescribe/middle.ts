export type Point = [number, number]

const STEPS = 24

/** Where a figure stands within an outline and its holes: of a grid of points inside, the one farthest from every edge. */
export function middleOf(polygons: Point[][][]): Point {
    const points = polygons.flat(2)
    const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)]
    const [west, east, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
    const edges = polygons.flat().flatMap((ring) => ring.slice(1).map((to, i) => [ring[i] ?? to, to] as const))
    let [best, farthest]: [Point, number] = [[(west + east) / 2, (top + bottom) / 2], 0]
    for (let i = 1; i < STEPS; i++)
        for (let j = 1; j < STEPS; j++) {
            const at: Point = [west + ((east - west) * i) / STEPS, top + ((bottom - top) * j) / STEPS]
            const distance = isInside(at, edges) ? Math.min(...edges.map((edge) => distanceTo(at, edge))) : 0
            if (distance > farthest) [best, farthest] = [at, distance]
        }
    return best
}

type Edge = readonly [Point, Point]

const isInside = ([x, y]: Point, edges: Edge[]): boolean =>
    edges.filter(([[ax, ay], [bx, by]]) => ay > y !== by > y && x < ax + ((y - ay) / (by - ay)) * (bx - ax)).length %
        2 ===
    1

const distanceTo = ([x, y]: Point, [[ax, ay], [bx, by]]: Edge): number => {
    const square = (bx - ax) ** 2 + (by - ay) ** 2
    const along = square === 0 ? 0 : Math.max(0, Math.min(1, ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / square))
    return Math.hypot(x - ax - along * (bx - ax), y - ay - along * (by - ay))
}
