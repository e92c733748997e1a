import proj4 from 'proj4'

/**
 * Coordinate systems that ground files come in, as definitions for the projection library. Codes of EPSG; parameters of the
 * published registry, written from memory and checked against another library (tests/corpus/ground).
 */
const WGS84 = '+datum=WGS84 +no_defs'
const GRS80 = '+ellps=GRS80 +towgs84=0,0,0 +no_defs'
/** NAD27 by mean values for the contiguous states: good to some ten metres. */
const NAD27 = '+ellps=clrk66 +towgs84=-8,160,176 +no_defs'
const OTHERS: Record<number, string> = {
    4326: `+proj=longlat ${WGS84}`,
    4979: `+proj=longlat ${WGS84}`,
    4269: `+proj=longlat ${GRS80}`,
    4258: `+proj=longlat ${GRS80}`,
    4283: `+proj=longlat ${GRS80}`,
    4267: `+proj=longlat ${NAD27}`,
    2154: `+proj=lcc +lat_0=46.5 +lon_0=3 +lat_1=49 +lat_2=44 +x_0=700000 +y_0=6600000 ${GRS80}`,
    27700:
        '+proj=tmerc +lat_0=49 +lon_0=-2 +k=0.9996012717 +x_0=400000 +y_0=-100000 +ellps=airy ' +
        '+towgs84=446.448,-125.157,542.06,0.15,0.247,0.842,-20.489 +no_defs',
    28992:
        '+proj=sterea +lat_0=52.1561605555556 +lon_0=5.38763888888889 +k=0.9999079 +x_0=155000 +y_0=463000 ' +
        '+ellps=bessel +towgs84=565.4171,50.3319,465.5524,1.9342,-1.6677,9.1019,4.0725 +no_defs',
    31370:
        '+proj=lcc +lat_0=90 +lon_0=4.36748666666667 +lat_1=51.1666672333333 +lat_2=49.8333339 +x_0=150000.013 ' +
        '+y_0=5400088.438 +ellps=intl +towgs84=-106.8686,52.2978,-103.7239,0.3366,-0.457,1.8422,-1.2747 +no_defs',
    2056:
        '+proj=somerc +lat_0=46.9524055555556 +lon_0=7.43958333333333 +k_0=1 +x_0=2600000 +y_0=1200000 +ellps=bessel ' +
        '+towgs84=674.374,15.056,405.346,0,0,0,0 +no_defs',
    21781:
        '+proj=somerc +lat_0=46.9524055555556 +lon_0=7.43958333333333 +k_0=1 +x_0=600000 +y_0=200000 +ellps=bessel ' +
        '+towgs84=674.374,15.056,405.346,0,0,0,0 +no_defs',
    5070: `+proj=aea +lat_0=23 +lon_0=-96 +lat_1=29.5 +lat_2=45.5 +x_0=0 +y_0=0 ${GRS80}`,
}
const MERCATOR = [3857, 900913, 102100, 102113, 3785]
const DHDN = '+ellps=bessel +towgs84=598.1,73.7,418.2,0.202,0.045,-2.455,6.7 +no_defs'

/** The definition of an EPSG code, or null for one that is not known here. */
export function definition(code: number): string | null {
    if (OTHERS[code]) return OTHERS[code]
    if (MERCATOR.includes(code))
        return '+proj=merc +a=6378137 +b=6378137 +lat_ts=0 +lon_0=0 +x_0=0 +y_0=0 +k=1 +units=m +nadgrids=@null +no_defs'
    if (code > 32600 && code <= 32660) return `+proj=utm +zone=${code - 32600} ${WGS84}`
    if (code > 32700 && code <= 32760) return `+proj=utm +zone=${code - 32700} +south ${WGS84}`
    if (code > 26900 && code <= 26923) return `+proj=utm +zone=${code - 26900} ${GRS80}`
    if (code > 26700 && code <= 26722) return `+proj=utm +zone=${code - 26700} ${NAD27}`
    if (code >= 25828 && code <= 25838) return `+proj=utm +zone=${code - 25800} ${GRS80}`
    if (code > 28348 && code <= 28358) return `+proj=utm +zone=${code - 28300} +south ${GRS80}`
    if (code >= 31466 && code <= 31469) {
        const zone = code - 31464
        return `+proj=tmerc +lat_0=0 +lon_0=${zone * 3} +k=1 +x_0=${zone}500000 +y_0=0 ${DHDN}`
    }
    return null
}

/** The EPSG code that a name of a coordinate system says, as urn:ogc:def:crs:EPSG::32618. */
export function codeOf(name: string): number | null {
    if (/CRS:?84$/i.test(name) || /^WGS ?84$/i.test(name)) return 4326
    const found = /EPSG.*?\b(\d{4,6})$/i.exec(name.trim())
    return found ? Number(found[1]) : null
}

export type Turn = (position: [number, number]) => [number, number]

/** Turns positions of a system into longitude and latitude in WGS 84; null where they are that already. */
export function turnOf(system: string): Turn | null {
    if (/\+proj=longlat/.test(system) && /WGS84|GRS80/.test(system)) return null
    const path = proj4(system, 'EPSG:4326')
    return (position) => path.forward(position)
}

/** What is to be said of a system whose shift to WGS 84 is a mean one. */
export const isRough = (system: string): boolean => system.includes('-8,160,176')

/** The definition of a Shapefile's .prj; null where it cannot be read. */
export function ofPrj(wkt: string): string | null {
    if (/North_American_1927|NAD_?27|NAD27/i.test(wkt)) {
        const zone = /UTM_Zone_(\d{1,2})N/i.exec(wkt)?.[1]
        if (zone) return `+proj=utm +zone=${zone} ${NAD27}`
        return /^\s*GEOGCS/i.test(wkt) ? `+proj=longlat ${NAD27}` : null
    }
    try {
        const projection = new proj4.Proj(wkt) as unknown as { datum?: { datum_type?: number } }
        // 5: the library knows no shift from this datum to WGS 84. Those of today's plates lie within some two metres of it.
        const near = /North_American_1983|NAD_?83|ETRS|GDA_?(19)?94|GDA_?2020|WGS_?(19)?84/i.test(wkt)
        return projection.datum?.datum_type === 5 && !near ? null : wkt
    } catch {
        return null
    }
}
