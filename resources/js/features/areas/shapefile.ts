import { combine, parseDbf, parseShp } from 'shpjs'

export interface Shapes {
    features: {
        type: string
        properties: Record<string, unknown>
        geometry: { type: string; coordinates: unknown } | null
    }[]
}

/** The shapes of a Shapefile with their attributes, in the system they are in. */
export async function getShapefile(shp: Uint8Array, dbf?: Uint8Array, cpg?: Uint8Array): Promise<Shapes> {
    const alone = (bytes: Uint8Array): ArrayBuffer => bytes.slice().buffer as ArrayBuffer
    const shapes = parseShp(alone(shp))
    return combine([shapes, dbf ? parseDbf(alone(dbf), cpg ? alone(cpg) : undefined) : []]) as unknown as Shapes
}
