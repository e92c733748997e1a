import { zip } from '@mapbox/shp-write'
import { bytes } from '@/api/client'

/** Ground with the rate of each product, as GeoJSON has it. */
export interface Rates {
    type: 'FeatureCollection'
    features: {
        type: 'Feature'
        properties: Record<string, string | number>
        geometry: { type: string; coordinates: unknown }
    }[]
}

/**
 * The map of rates as a Shapefile: columns have ten letters at most, so that products are numbered and named beside their rate.
 */
export function named(rates: Rates): Rates {
    const known = ['area', 'part', 'label', 'acres']
    return {
        type: 'FeatureCollection',
        features: rates.features.map((feature) => {
            const given = feature.properties
            const products = Object.entries(given).filter(([name]) => !known.includes(name))
            return {
                ...feature,
                properties: {
                    part: given.part ?? 0,
                    acres: given.acres ?? 0,
                    ...Object.fromEntries(
                        products.flatMap(([name, pounds], i) => [
                            [`prod_${i + 1}`, name],
                            [`lb_ac_${i + 1}`, pounds],
                        ]),
                    ),
                },
            }
        }),
    }
}

export async function shapefileOf(rates: Rates): Promise<Uint8Array> {
    return zip(named(rates), {
        outputType: 'uint8array',
        compression: 'STORE',
        types: { polygon: 'rates' },
    }) as Promise<Uint8Array>
}

/** Asks for the map of rates and hands it over as a zipped Shapefile. */
export async function saveShapefile(program: number, name: string): Promise<void> {
    const text = new TextDecoder().decode(await bytes(`/programs/${program}/spread-list/geojson`))
    const blob = new Blob([(await shapefileOf(JSON.parse(text) as Rates)) as BlobPart], {
        type: 'application/zip',
    })
    const link = document.createElement('a')
    link.href = URL.createObjectURL(blob)
    link.download = `${name.toLowerCase().replace(/[^a-z0-9]+/g, '-')}.zip`
    link.click()
    URL.revokeObjectURL(link.href)
}
