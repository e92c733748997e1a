/**
 * The text of bytes, whatever it was written in: by its byte order mark, by what its XML declares, else UTF-8, else Windows-1252.
 * What it declares is taken out, since as text it is no longer so.
 */
export function decode(bytes: Uint8Array): string {
    return decoded(bytes).replace(/^(\s*<\?xml[^>]*?)\s+encoding\s*=\s*["'][\w-]+["']/i, '$1')
}

function decoded(bytes: Uint8Array): string {
    const [a, b, c] = bytes
    if (a === 0xef && b === 0xbb && c === 0xbf) return new TextDecoder('utf-8').decode(bytes.subarray(3))
    if (a === 0xff && b === 0xfe) return new TextDecoder('utf-16le').decode(bytes.subarray(2))
    if (a === 0xfe && b === 0xff) return new TextDecoder('utf-16be').decode(bytes.subarray(2))
    if (a === 0x3c && b === 0) return new TextDecoder('utf-16le').decode(bytes)
    if (a === 0 && b === 0x3c) return new TextDecoder('utf-16be').decode(bytes)
    const declared = /^\s*<\?xml[^>]*encoding\s*=\s*["']([\w-]+)["']/i.exec(
        new TextDecoder('latin1').decode(bytes.subarray(0, 200)),
    )?.[1]
    if (declared && !/^utf-?8$/i.test(declared)) {
        try {
            return new TextDecoder(declared).decode(bytes)
        } catch {
            // A name that nobody knows: it is read as what it looks like.
        }
    }
    try {
        return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
    } catch {
        return new TextDecoder('windows-1252').decode(bytes)
    }
}

/** What a file is by its first bytes, where it is no text; null for text. */
export function kindOf(bytes: Uint8Array): string | null {
    const start = new TextDecoder('latin1').decode(bytes.subarray(0, 16))
    const known: [string, string][] = [
        ['PK\u0003\u0004', 'zip'],
        ['SQLite format 3', 'GeoPackage'],
        ['%PDF', 'PDF'],
        ['\u0089PNG', 'PNG picture'],
        ['\u00ff\u00d8\u00ff', 'JPEG picture'],
        ['II*\u0000', 'TIFF picture'],
        ['MM\u0000*', 'TIFF picture'],
        ['\u00d0\u00cf\u0011\u00e0', 'old binary workbook (.xls)'],
        ['\u0000\u0000\u0027\u000a', 'Shapefile without its other parts (.shp)'],
        ['Rar!', 'RAR archive'],
        ['7z\u00bc\u00af', '7-Zip archive'],
        ['AC10', 'drawing (DWG)'],
    ]
    return known.find(([mark]) => start.startsWith(mark))?.[1] ?? null
}
