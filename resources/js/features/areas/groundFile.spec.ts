import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from 'vitest'
import { codeOf, definition } from './crs'
import { groundText } from './groundFile'

interface Truth {
    refused?: string
    first?: [number, number] | null
    within_m?: number
    notes?: string[]
}
const folder = fileURLToPath(new URL('../../../../tests/corpus/ground/', import.meta.url))
const truth = JSON.parse(readFileSync(`${folder}truth.json`, 'utf8')) as Record<string, Truth>
const bytes = (name: string): Uint8Array => new Uint8Array(readFileSync(folder + name))
/** What only the server refuses: broken ground in a file whose format is known. */
const BY_SERVER = /open-ring|metres-without|topology|utm\.csv|open-brackets|page\.html|table\.csv|empty/

function firstOf(node: unknown): [number, number] | null {
    if (Array.isArray(node)) return typeof node[0] === 'number' ? (node as [number, number]) : firstOf(node[0])
    const one = node as { features?: unknown[]; geometry?: unknown; geometries?: unknown[]; coordinates?: unknown }
    return firstOf(one.features?.[0] ?? one.geometry ?? one.geometries?.[0] ?? one.coordinates)
}

/** Metres between two places near one another. */
const apart = ([ax, ay]: [number, number], [bx, by]: [number, number]): number =>
    Math.hypot((ax - bx) * 111_320 * Math.cos((ay * Math.PI) / 180), (ay - by) * 111_132)

describe('files of ground', () => {
    for (const [name, expected] of Object.entries(truth)) {
        if (expected.refused && !BY_SERVER.test(name)) {
            it(`${name} is refused, and its format is named`, async () => {
                await expect(groundText(bytes(name))).rejects.toThrow(expected.refused)
            })
        } else if (!expected.refused) {
            it(`${name} becomes text in longitude and latitude`, async () => {
                const { text, notes } = await groundText(bytes(name))
                for (const words of expected.notes ?? []) expect(notes.join(' ')).toContain(words)
                if (expected.first && text.startsWith('{'))
                    expect(apart(firstOf(JSON.parse(text)) ?? [0, 0], expected.first)).toBeLessThan(
                        expected.within_m ?? 0,
                    )
            })
        }
    }

    it('knows the codes of names as programs write them', () => {
        expect(
            [
                'urn:ogc:def:crs:EPSG::32618',
                'EPSG:3857',
                'urn:ogc:def:crs:OGC:1.3:CRS84',
                'http://www.opengis.net/def/crs/EPSG/0/25832',
            ].map(codeOf),
        ).toEqual([32618, 3857, 4326, 25832])
        expect([codeOf('local grid'), definition(2263)]).toEqual([null, null])
    })
})
