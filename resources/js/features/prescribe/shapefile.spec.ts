import { unzipSync } from 'fflate'
import { combine, parseDbf, parseShp } from 'shpjs'
import { describe, expect, it } from 'vitest'
import { shapefileOf, type Rates } from './shapefile'

const RATES: Rates = {
    type: 'FeatureCollection',
    features: [
        {
            type: 'Feature',
            properties: { area: 'Sedge', part: 1, label: 'Part 1', acres: 2.5, 'limestone-calcitic': 1977.5, urea: 0 },
            geometry: {
                type: 'MultiPolygon',
                coordinates: [
                    [
                        [
                            [0, 0],
                            [0, 1],
                            [1, 1],
                            [1, 0],
                            [0, 0],
                        ],
                        [
                            [0.2, 0.2],
                            [0.4, 0.2],
                            [0.4, 0.4],
                            [0.2, 0.2],
                        ],
                    ],
                    [
                        [
                            [2, 0],
                            [2, 1],
                            [3, 1],
                            [3, 0],
                            [2, 0],
                        ],
                    ],
                ],
            },
        },
    ],
}

describe('a map of rates as a Shapefile', () => {
    it('is read back by another library with its holes, its zeros and its products', async () => {
        const files = unzipSync(await shapefileOf(RATES))
        const file = (ending: string): ArrayBuffer =>
            Object.entries(files)
                .find(([name]) => name.endsWith(ending))?.[1]
                .slice().buffer as ArrayBuffer
        expect(
            Object.keys(files)
                .map((name) => name.slice(-3))
                .sort(),
        ).toEqual(['dbf', 'prj', 'shp', 'shx'])
        const back = combine([parseShp(file('.shp')), parseDbf(file('.dbf'))]) as unknown as Rates
        expect(back.features).toHaveLength(1)
        expect(back.features[0]?.properties).toEqual({
            part: 1,
            acres: 2.5,
            prod_1: 'limestone-calcitic',
            lb_ac_1: 1977.5,
            prod_2: 'urea',
            lb_ac_2: 0,
        })
        expect((back.features[0]?.geometry.coordinates as unknown[][]).map((rings) => rings.length)).toEqual([2, 1])
    })
})
