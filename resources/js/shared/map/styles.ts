import type { FeatureLike } from 'ol/Feature'
import { Circle as CircleGeometry, LineString, Point } from 'ol/geom'
import { getPointResolution } from 'ol/proj'
import { Circle, Fill, RegularShape, Stroke, Style, Text } from 'ol/style'

const SERIF = "'Alegreya Variable', Georgia, serif"
const SANS = "'Instrument Sans Variable', sans-serif"
const INK = '#221D17'
const GLEY = '#0E5A60'
const SHEET = '#FBF8F0'

/** The hatch of ground to keep away from. */
function hatch(colour: string): CanvasPattern | string {
    const tile = document.createElement('canvas')
    tile.width = tile.height = 6
    const pen = tile.getContext('2d')
    if (!pen) return colour
    pen.strokeStyle = colour
    pen.lineWidth = 1.1
    pen.beginPath()
    for (const shift of [-6, 0, 6]) {
        pen.moveTo(shift - 1, 7)
        pen.lineTo(shift + 7, -1)
    }
    pen.stroke()
    return pen.createPattern(tile, 'repeat') ?? colour
}

let hatched: CanvasPattern | string | null = null
export const hatchPattern = (): CanvasPattern | string => (hatched ??= hatch('rgba(107,69,38,.75)'))

/** Pixels that a length on the ground takes at the middle of the view. */
export function pixels(metres: number, resolution: number, centre: number[]): number {
    return metres / getPointResolution('EPSG:3857', resolution, centre)
}

export function areaStyle(feature: FeatureLike, chosen: boolean, pictured: boolean): Style[] {
    const ground = new Style({
        fill: new Fill({
            color: pictured ? `rgba(251,248,240,${chosen ? 0.5 : 0.15})` : chosen ? SHEET : 'rgba(234,227,210,.65)',
        }),
        stroke: new Stroke({ color: INK, width: chosen ? 2.2 : 1, lineJoin: 'round' }),
        zIndex: chosen ? 2 : 1,
    })
    const text = new Text({
        text: String(feature.get('name') ?? ''),
        font: `italic ${chosen ? '700 17' : '500 14'}px ${SERIF}`,
        fill: new Fill({ color: INK }),
        stroke: new Stroke({ color: 'rgba(244,240,230,.9)', width: 3 }),
        overflow: true,
        offsetY: chosen ? -14 : 0,
    })
    const [west = 0, , east = 0, north = 0] = feature.getGeometry()?.getExtent() ?? []
    return [
        ground,
        new Style({ text, geometry: chosen ? new Point([(west + east) / 2, north]) : undefined, zIndex: 3 }),
    ]
}

export function landmarkStyle(feature: FeatureLike): Style[] {
    const kind = feature.getGeometry()?.getType()
    const name = new Text({
        text: String(feature.get('name') ?? ''),
        font: `500 12px ${SANS}`,
        placement: kind === 'LineString' ? 'line' : 'point',
        fill: new Fill({ color: INK }),
        stroke: new Stroke({ color: 'rgba(244,240,230,.95)', width: 3 }),
        textBaseline: 'bottom',
        offsetY: kind === 'LineString' ? -4 : -10,
    })
    if (kind === 'LineString') {
        return [
            new Style({ stroke: new Stroke({ color: '#5A5044', width: 5 }), zIndex: 3 }),
            new Style({ stroke: new Stroke({ color: '#F4F0E6', width: 3, lineDash: [2, 3] }), text: name, zIndex: 4 }),
        ]
    }
    return [
        new Style({
            fill: new Fill({ color: '#5A5044' }),
            stroke: new Stroke({ color: INK, width: 1 }),
            image: new RegularShape({ points: 4, radius: 6, angle: Math.PI / 4, fill: new Fill({ color: '#5A5044' }) }),
            text: name,
            zIndex: 3,
        }),
    ]
}

/** The ground within a distance of a geometry, as a hatched stroke as wide as the ground it covers. */
export function awayStyle(feature: FeatureLike, resolution: number, centre: number[]): Style {
    const distance = Number(feature.get('distance_m') ?? 0)
    const geometry = feature.getGeometry()
    const width = Math.max(0.01, 2 * pixels(distance, resolution, centre))
    const point =
        geometry instanceof Point ? new CircleGeometry(geometry.getCoordinates(), (width / 2) * resolution) : undefined
    return new Style({
        geometry: point,
        stroke: point ? undefined : new Stroke({ color: hatchPattern(), width, lineCap: 'round', lineJoin: 'round' }),
        fill: new Fill({ color: hatchPattern() }),
    })
}

export function partStyle(feature: FeatureLike): Style[] {
    const line = new Style({ stroke: new Stroke({ color: INK, width: 0.8, lineDash: [5, 3] }) })
    const middle = feature.get('middle') as number[] | null
    const text = new Text({
        text: String(feature.get('number')),
        font: `italic 700 44px ${SERIF}`,
        fill: new Fill({ color: 'rgba(34,29,23,.2)' }),
    })
    return middle ? [line, new Style({ text, geometry: new Point(middle) })] : [line]
}

export function walkStyle(feature: FeatureLike, resolution: number): Style[] {
    if (feature.get('many')) return Number(feature.get('gap')) / resolution < CROWD_PX ? [] : [THIN]
    const line = feature.getGeometry()
    const styles = [new Style({ stroke: new Stroke({ color: GLEY, width: 1.5 }) })]
    if (line instanceof LineString) {
        line.forEachSegment((from, to) => {
            const [dx, dy] = [to[0]! - from[0]!, to[1]! - from[1]!]
            if (Math.hypot(dx, dy) / resolution < 44) return
            styles.push(
                new Style({
                    geometry: new Point([from[0]! + dx * 0.55, from[1]! + dy * 0.55]),
                    image: new RegularShape({
                        points: 3,
                        radius: 4.5,
                        rotation: Math.atan2(dx, dy),
                        fill: new Fill({ color: GLEY }),
                    }),
                }),
            )
        })
    }
    return styles
}

const DOT = new Style({ image: new Circle({ radius: 2.5, fill: new Fill({ color: GLEY }) }) })
const GRAIN = new Style({ image: new Circle({ radius: 1, fill: new Fill({ color: GLEY }) }) })
/** Closer than this, many cores are grains without a walk. */
const CROWD_PX = 8
const SPOT = new Style({
    image: new Circle({
        radius: 3.5,
        fill: new Fill({ color: GLEY }),
        stroke: new Stroke({ color: SHEET, width: 0.8 }),
    }),
})
/** Numbered cores closer than this on the screen would hide one another. */
const ROOM_PX = 19
const THIN = new Style({ stroke: new Stroke({ color: GLEY, width: 0.7 }) })

export function coreStyle(feature: FeatureLike, resolution: number): Style {
    const room = Number(feature.get('gap')) / resolution
    if (feature.get('many')) return room < CROWD_PX ? GRAIN : DOT
    if (room < ROOM_PX) return SPOT
    return new Style({
        image: new Circle({
            radius: 9,
            fill: new Fill({ color: GLEY }),
            stroke: new Stroke({ color: SHEET, width: 1 }),
        }),
        text: new Text({
            text: String(feature.get('sequence')),
            font: `600 11px ${SANS}`,
            fill: new Fill({ color: SHEET }),
            offsetY: 1,
        }),
        zIndex: Number(feature.get('sequence')),
    })
}

export const draftStyle = new Style({
    fill: new Fill({ color: 'rgba(220,232,228,.55)' }),
    stroke: new Stroke({ color: GLEY, width: 2.2 }),
    image: new Circle({ radius: 5, fill: new Fill({ color: SHEET }), stroke: new Stroke({ color: GLEY, width: 2 }) }),
})
