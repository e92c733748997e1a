import { getShapefile, type Shapes } from './shapefile'
import { codeOf, definition, isRough, ofPrj, turnOf, type Turn } from './crs'
import { decode, kindOf } from '@/shared/files/decode'
import { unzip } from '@/shared/files/unzip'

/** Text that the server can read, with what was done to get there. */
export interface GroundText {
    text: string
    notes: string[]
}

const ACCEPTED =
    'Accepted are GeoJSON, KML, KMZ, GPX, a zipped Shapefile, well-known text, and CSV with longitude and latitude.'

/** A file that cannot be read as ground, in words. */
export class NoGround extends Error {}

const ROUGH = 'Turned from NAD27 by mean values: places may be off by some ten metres. Check them against the map.'

/** The ground in a file, as text in longitude and latitude: unpacked, decoded and turned in the browser. */
export async function groundText(bytes: Uint8Array): Promise<GroundText> {
    const kind = kindOf(bytes)
    if (kind === 'zip') return ofArchive(bytes)
    if (kind === 'GeoPackage')
        throw new NoGround(
            'This is a GeoPackage (or another database). Export the layer as GeoJSON in WGS 84, or as KML, and choose that file.',
        )
    if (kind?.startsWith('Shapefile'))
        throw new NoGround(
            'This is the .shp of a Shapefile without its other parts. Zip .shp, .dbf and .prj together, and choose the zip.',
        )
    if (kind) throw new NoGround(`This is a ${kind}. ${ACCEPTED}`)
    return ofText(decode(bytes))
}

async function ofArchive(bytes: Uint8Array): Promise<GroundText> {
    let files: Map<string, Uint8Array>
    try {
        files = unzip(bytes)
    } catch (error) {
        throw new NoGround(`This zip cannot be unpacked (${error instanceof Error ? error.message : String(error)}).`)
    }
    const named = (pattern: RegExp): [string, Uint8Array][] => [...files].filter(([name]) => pattern.test(name))
    const shapes = named(/\.shp$/i)
    if (shapes.length) return ofShapefiles(shapes, files)
    const kml = named(/\.kml$/i)
    const main = kml.find(([name]) => /(^|\/)doc\.kml$/i.test(name)) ?? kml[0]
    if (main) {
        const more = kml.length > 1 ? [`The archive holds ${kml.length} KML files; ${main[0]} was read.`] : []
        return { text: decode(main[1]), notes: ['Unpacked from a KMZ.', ...more] }
    }
    const one = named(/\.(geojson|json|gpx|csv|wkt|txt)$/i)
    if (one.length === 1 && one[0]) {
        const inner = ofText(decode(one[0][1]))
        return { ...inner, notes: [`${one[0][0]} was unpacked.`, ...inner.notes] }
    }
    const held = [...files.keys()].slice(0, 4).join(', ')
    throw new NoGround(
        named(/^xl\//).length
            ? 'This is a workbook. Save the sheet of corners as CSV, and choose that.'
            : `This is a zip with ${held || 'nothing'} in it. A Shapefile needs its .shp, a KMZ its .kml.`,
    )
}

async function ofShapefiles(shapes: [string, Uint8Array][], files: Map<string, Uint8Array>): Promise<GroundText> {
    const features: Shapes['features'] = []
    const notes: string[] = []
    for (const [name, shp] of shapes) {
        const part = (ending: string): Uint8Array | undefined =>
            [...files].find(([other]) => other.toLowerCase() === name.toLowerCase().replace(/shp$/, ending))?.[1]
        const prj = part('prj')
        const system = prj ? ofPrj(decode(prj)) : null
        if (prj && system === null)
            throw new NoGround(
                `${name}: the coordinate system of its .prj cannot be turned into WGS 84 here ` +
                    `(${decode(prj).slice(0, 60)}…). Export it in WGS 84, EPSG:4326.`,
            )
        const found = await getShapefile(shp, part('dbf'), part('cpg'))
        const turn = system ? turnOf(system) : null
        if (!prj) {
            if (!found.features.every(({ geometry }) => isInDegrees(geometry?.coordinates)))
                throw new NoGround(
                    `${name} has no .prj beside it, and its numbers are no degrees: its coordinate system would be a ` +
                        `guess. Add the .prj to the zip.`,
                )
            notes.push(`${name} has no .prj beside it; its numbers were taken for longitude and latitude in WGS 84.`)
        } else notes.push(`Read from the Shapefile ${name}${turn ? ', turned into WGS 84 by its .prj' : ''}.`)
        if (system && isRough(system)) notes.push(ROUGH)
        features.push(...found.features.map((feature) => turned(feature, turn)))
    }
    return { text: JSON.stringify({ type: 'FeatureCollection', features }), notes }
}

interface Node {
    type?: string
    crs?: { properties?: { name?: string } } | null
    features?: unknown[]
    coordinates?: unknown
    geometry?: Node | null
    geometries?: Node[]
    properties?: unknown
}

function ofText(text: string): GroundText {
    if (!/^\s*[{[]/.test(text)) return { text, notes: [] }
    let document: Node
    try {
        document = JSON.parse(text) as Node
    } catch {
        // What is broken is said by the server, with its place.
        return { text, notes: [] }
    }
    const name = document.crs?.properties?.name
    if (!name) return { text, notes: [] }
    const code = codeOf(name)
    const system = code === null ? null : definition(code)
    if (system === null)
        throw new NoGround(`This GeoJSON is in ${name}, which is not known here. Export it in WGS 84, EPSG:4326.`)
    const turn = turnOf(system)
    const whole = { ...turnedNode(document, turn), crs: undefined }
    const notes = turn ? [`Turned from ${name} into longitude and latitude, WGS 84.`] : []
    return { text: JSON.stringify(whole), notes: isRough(system) ? [...notes, ROUGH] : notes }
}

function turnedNode(node: Node, turn: Turn | null): Node {
    if (!turn) return node
    return {
        ...node,
        ...(node.features ? { features: node.features.map((one) => turnedNode(one as Node, turn)) } : {}),
        ...(node.geometry ? { geometry: turnedNode(node.geometry, turn) } : {}),
        ...(node.geometries ? { geometries: node.geometries.map((one) => turnedNode(one, turn)) } : {}),
        ...(node.coordinates ? { coordinates: turnedPositions(node.coordinates, turn) } : {}),
    }
}

function turned<T extends { geometry: { coordinates?: unknown } | null }>(feature: T, turn: Turn | null): T {
    return turn && feature.geometry?.coordinates
        ? {
              ...feature,
              geometry: { ...feature.geometry, coordinates: turnedPositions(feature.geometry.coordinates, turn) },
          }
        : feature
}

function turnedPositions(node: unknown, turn: Turn): unknown {
    if (!Array.isArray(node)) return node
    if (typeof node[0] === 'number') {
        const [x, y] = node as [number, number]
        // What lies outside of a projection stays as it is and is refused by its place.
        const there = Number.isFinite(x) && Number.isFinite(y) ? turn([x, y]) : [x, y]
        return there.every((part) => Number.isFinite(part)) ? there.slice(0, 2) : [x, y]
    }
    return node.map((one) => turnedPositions(one, turn))
}

function isInDegrees(node: unknown): boolean {
    if (!Array.isArray(node)) return true
    if (typeof node[0] === 'number') return Math.abs(node[0]) <= 180 && Math.abs(Number(node[1])) <= 90
    return node.every(isInDegrees)
}
