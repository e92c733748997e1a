import Feature from 'ol/Feature'
import OlMap from 'ol/Map'
import View from 'ol/View'
import { ScaleLine } from 'ol/control'
import type { Extent } from 'ol/extent'
import GeoJSON from 'ol/format/GeoJSON'
import { LineString, MultiLineString, Point, type Geometry, type Polygon } from 'ol/geom'
import { Draw, Modify, Snap, defaults as usualInteractions } from 'ol/interaction'
import VectorLayer from 'ol/layer/Vector'
import VectorImageLayer from 'ol/layer/VectorImage'
import { drawByKeys } from './drawByKeys'
import { fromLonLat } from 'ol/proj'
import type RenderEvent from 'ol/render/Event'
import { getRenderPixel } from 'ol/render'
import VectorSource from 'ol/source/Vector'
import { onBeforeUnmount, onMounted, type Ref } from 'vue'
import type { Schema } from '@/api/client'
import type { Units } from '@/shared/format'
import { underlayLayer, type Picture } from './underlay'
import { areaStyle, awayStyle, coreStyle, draftStyle, landmarkStyle, partStyle, walkStyle } from './styles'

export type GeometryJson = Schema<'Geometry'>
export interface Ground {
    id: number
    name: string
    boundary: GeometryJson
}
export interface KeptAway {
    name: string
    geometry: GeometryJson
    distance_m: number
}
export interface Place {
    composite?: number
    sequence: number
    longitude: number
    latitude: number
}
export interface Part {
    number: number
    outline: number[][][]
}
export type DrawKind = 'Polygon' | 'LineString' | 'Point'

const ROUND = 7
/** From so many cores on they are dots, and the map is moved as a picture. */
const MANY = 300
const json = new GeoJSON({ dataProjection: 'EPSG:4326', featureProjection: 'EPSG:3857' })
const read = (geometry: GeometryJson): Geometry => json.readGeometry(geometry) as Geometry
const write = (geometry: Geometry): GeometryJson =>
    json.writeGeometryObject(geometry, { decimals: ROUND, rightHanded: true }) as unknown as GeometryJson

/** The median leg of a walk, in map units: from it follows whether numbered cores have room. */
function usualLeg(line: number[][]): number {
    const legs = line.slice(1).map((to, i) => Math.hypot(to[0]! - line[i]![0]!, to[1]! - line[i]![1]!))
    return legs.sort((a, b) => a - b)[legs.length >> 1] ?? Infinity
}

/** A map of the ground without tiles: areas, what to keep away from, cores and their walk. Degrees in and out. */
export function useGroundMap(
    target: Ref<HTMLElement | null>,
    on: { chose: (id: number) => void; drew: (g: GeometryJson) => void; sketched: (g: GeometryJson) => void },
) {
    const source = () => new VectorSource<Feature<Geometry>>()
    const [areas, away, parts, marks, walk, cores, draft] = [
        source(),
        source(),
        source(),
        source(),
        source(),
        source(),
        source(),
    ]
    let map: OlMap | null = null
    let chosen: number | null = null
    let pictured = false
    let drawing: Draw | null = null
    let modifying: Modify | null = null
    let scale: ScaleLine | null = null
    const snap = new Snap({ source: areas, pixelTolerance: 9 })

    function build(units: Units, centre: [number, number]): void {
        const view = new View({ center: fromLonLat(centre), zoom: 16.5, maxZoom: 22 })
        const awayLayer = new VectorLayer({
            source: away,
            style: (feature, resolution) => awayStyle(feature, resolution, view.getCenter() ?? [0, 0]),
            updateWhileInteracting: true,
        })
        const partsLayer = new VectorImageLayer({ imageRatio: 2, source: parts, style: partStyle })
        for (const layer of [awayLayer, partsLayer]) {
            layer.on('prerender', clip)
            layer.on('postrender', (event) => (event.context as CanvasRenderingContext2D).restore())
        }
        scale = new ScaleLine({ units: units === 'us' ? 'us' : 'metric', bar: true, steps: 4, minWidth: 120 })
        map = new OlMap({
            target: target.value ?? undefined,
            view,
            controls: [scale],
            interactions: usualInteractions({
                onFocusOnly: false,
                doubleClickZoom: false,
                altShiftDragRotate: false,
                pinchRotate: false,
            }),
            layers: [
                new VectorLayer({
                    source: areas,
                    style: (feature) => areaStyle(feature, feature.getId() === chosen, pictured),
                    updateWhileInteracting: true,
                    declutter: true,
                }),
                awayLayer,
                partsLayer,
                new VectorLayer({ source: marks, style: landmarkStyle, declutter: true }),
                new VectorImageLayer({
                    imageRatio: 2,
                    source: walk,
                    style: (feature, resolution) => walkStyle(feature, resolution),
                }),
                new VectorImageLayer({ imageRatio: 2, source: cores, style: coreStyle }),
                new VectorLayer({ source: draft, style: draftStyle }),
            ],
        })
        map.on('click', (event) => {
            if (drawing || modifying) return
            map?.forEachFeatureAtPixel(event.pixel, (feature) => {
                if (!areas.hasFeature(feature as Feature<Geometry>)) return false
                on.chose(Number(feature.getId()))
                return true
            })
        })
    }

    /** Keeps the hatch inside the chosen area: that is the ground it takes away. */
    function clip(event: RenderEvent): void {
        const pen = event.context as CanvasRenderingContext2D
        // The frame, not the map, knows the size: a layer kept as a picture is drawn larger than the map.
        const [width, height] = event.frameState!.size as [number, number]
        const { center, resolution } = event.frameState!.viewState
        const [east, north] = center as [number, number]
        pen.save()
        const geometry =
            chosen === null ? null : (areas.getFeatureById(chosen) as Feature<Geometry> | null)?.getGeometry()
        pen.beginPath()
        const polygons = (
            geometry?.getType() === 'MultiPolygon'
                ? (geometry as unknown as { getPolygons: () => Polygon[] }).getPolygons()
                : geometry
                  ? [geometry]
                  : []
        ) as Polygon[]
        for (const polygon of polygons) {
            for (const ring of polygon.getCoordinates()) {
                ring.forEach((position, i) => {
                    const at = [
                        width / 2 + (position[0]! - east) / resolution,
                        height / 2 - (position[1]! - north) / resolution,
                    ]
                    const [x, y] = getRenderPixel(event, at) as [number, number]
                    if (i === 0) pen.moveTo(x, y)
                    else pen.lineTo(x, y)
                })
                pen.closePath()
            }
        }
        pen.clip('evenodd')
    }

    function fill(target: VectorSource<Feature<Geometry>>, features: Feature<Geometry>[]): void {
        target.clear(true)
        target.addFeatures(features)
    }
    function feature(geometry: Geometry, properties: Record<string, unknown>, id?: number): Feature<Geometry> {
        const made = new Feature({ geometry, ...properties })
        if (id !== undefined) made.setId(id)
        return made
    }

    function showAreas(grounds: Ground[], which: number | null): void {
        chosen = which
        fill(
            areas,
            grounds.map((ground) => feature(read(ground.boundary), { name: ground.name }, ground.id)),
        )
        away.changed()
    }
    const showAway = (kept: KeptAway[], edgeM: number, boundary: GeometryJson | null): void =>
        fill(away, [
            ...kept.map((one) => feature(read(one.geometry), { distance_m: one.distance_m })),
            ...(boundary && edgeM > 0 ? outline(boundary).map((line) => feature(line, { distance_m: edgeM })) : []),
        ])
    const showMarks = (kept: { name: string; geometry: GeometryJson }[]): void =>
        fill(
            marks,
            kept.map((one) => feature(read(one.geometry), { name: one.name })),
        )

    function outline(boundary: GeometryJson): LineString[] {
        const geometry = read(boundary)
        const polygons = (
            geometry.getType() === 'MultiPolygon'
                ? (geometry as unknown as { getPolygons: () => Polygon[] }).getPolygons()
                : [geometry]
        ) as Polygon[]
        return polygons.flatMap((polygon) => polygon.getCoordinates().map((ring) => new LineString(ring)))
    }

    function showCores(places: Place[]): void {
        const many = places.length > MANY
        const walks = new Map<number, { at: number[]; sequence: number }[]>()
        for (const { composite = 1, sequence, longitude, latitude } of places) {
            const core = { at: fromLonLat([longitude, latitude]), sequence }
            const walked = walks.get(composite)
            if (walked) walked.push(core)
            else walks.set(composite, [core])
        }
        const gap = Math.min(...[...walks.values()].map((walked) => usualLeg(walked.map(({ at }) => at))))
        fill(
            cores,
            [...walks.values()].flat().map(({ at, sequence }) => feature(new Point(at), { sequence, many, gap })),
        )
        fill(
            walk,
            [...walks.values()]
                .filter((walked) => walked.length > 1)
                .map((walked) => feature(new LineString(walked.map(({ at }) => at)), { many, gap })),
        )
    }

    /** The composites' own grounds, where they are more than one, each with its number amid its cores. */
    function showParts(grounds: Part[], places: Place[]): void {
        const sums = new Map<number, [number, number, number]>()
        for (const { composite = 1, longitude, latitude } of places) {
            const [x, y, n] = sums.get(composite) ?? [0, 0, 0]
            sums.set(composite, [x + longitude, y + latitude, n + 1])
        }
        fill(
            parts,
            grounds
                .filter(({ outline }) => outline.length > 0)
                .map(({ number, outline }) => {
                    const [x, y, n] = sums.get(number) ?? [0, 0, 0]
                    const lines = new MultiLineString(outline.map((ring) => ring.map((place) => fromLonLat(place))))
                    return feature(lines, {
                        number,
                        middle: n && grounds.length <= MANY ? fromLonLat([x / n, y / n]) : null,
                    })
                }),
        )
    }

    let pictures: ReturnType<typeof underlayLayer>[] = []
    function showPictures(wanted: Picture[]): void {
        pictured = wanted.length > 0
        pictures.forEach((layer) => map?.removeLayer(layer))
        pictures = wanted.map(underlayLayer)
        pictures.forEach((layer) => map?.getLayers().insertAt(0, layer))
    }

    function showDraft(geometry: GeometryJson | null): void {
        fill(draft, geometry ? [feature(read(geometry), {})] : [])
    }

    let stopKeys: () => void = () => undefined
    function stop(): void {
        stopKeys()
        if (drawing) map?.removeInteraction(drawing)
        if (modifying) map?.removeInteraction(modifying)
        map?.removeInteraction(snap)
        drawing = modifying = null
    }

    function draw(kind: DrawKind): void {
        stop()
        draft.clear()
        drawing = new Draw({ source: draft, type: kind, style: draftStyle })
        drawing.on('drawstart', (event) =>
            event.feature.getGeometry()?.on('change', (change) => sketch(change.target as Geometry)),
        )
        drawing.on('drawend', (event) => {
            on.drew(write(event.feature.getGeometry() as Geometry))
            setTimeout(() => modify())
        })
        map?.addInteraction(drawing)
        map?.addInteraction(snap)
        if (map)
            stopKeys = drawByKeys(map, drawing, kind === 'Point', (at) => {
                const point = new Point(at)
                fill(draft, [feature(point, {})])
                on.drew(write(point))
                setTimeout(() => modify())
            })
    }

    function sketch(geometry: Geometry): void {
        const ring = geometry.getType() === 'Polygon' ? (geometry as Polygon).getCoordinates()[0] : undefined
        if (ring && ring.length > 3) on.sketched(write(geometry))
    }

    /** Lets the corners of what is drafted be moved. */
    function modify(): void {
        stop()
        modifying = new Modify({ source: draft, style: draftStyle })
        modifying.on('modifystart', () =>
            draft
                .getFeatures()[0]
                ?.getGeometry()
                ?.on('change', (change) => sketch(change.target as Geometry)),
        )
        modifying.on('modifyend', () => {
            const geometry = draft.getFeatures()[0]?.getGeometry()
            if (geometry) on.drew(write(geometry))
        })
        map?.addInteraction(modifying)
        map?.addInteraction(snap)
    }

    function fit(which: 'all' | 'chosen'): void {
        const geometry =
            which === 'chosen' && chosen !== null
                ? (areas.getFeatureById(chosen) as Feature<Geometry> | null)?.getGeometry()
                : null
        const extent: Extent | null = geometry?.getExtent() ?? (areas.isEmpty() ? null : areas.getExtent())
        if (extent) map?.getView().fit(extent, { padding: [56, 40, 64, 40], maxZoom: 20 })
    }
    const zoom = (by: number): void => map?.getView().adjustZoom(by)

    onMounted(() => map?.setTarget(target.value ?? undefined))
    onBeforeUnmount(() => map?.setTarget(undefined))

    return {
        build,
        showAreas,
        showAway,
        showMarks,
        showCores,
        showDraft,
        showPictures,
        showParts,
        draw,
        modify,
        stop,
        fit,
        zoom,
        pixelOf: (lonLat: [number, number]) => map?.getPixelFromCoordinate(fromLonLat(lonLat)) ?? null,
    }
}
