import { unzipSync } from 'fflate'

/** Bytes that an archive may hold when it is unpacked. */
const MOST_BYTES = 120_000_000

export class TooLarge extends Error {}

/** The files of an archive by their names, without those that a system leaves in it; larger ones than a page can hold are refused. */
export function unzip(bytes: Uint8Array): Map<string, Uint8Array> {
    let sum = 0
    const files = unzipSync(bytes, {
        filter: ({ name, originalSize }) => {
            sum += originalSize
            if (sum > MOST_BYTES) throw new TooLarge('The archive holds more than 120 MB; accepted is up to that.')
            return !name.endsWith('/') && !/(^|\/)(__MACOSX|\.)/.test(name)
        },
    })
    return new Map(Object.entries(files))
}
