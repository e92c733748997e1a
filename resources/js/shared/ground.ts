const RADIUS_M = 6_371_008.8
const rad = (degrees: number): number => (degrees * Math.PI) / 180

export interface Place {
    longitude: number
    latitude: number
}

/** Way from one place to another over short ground: metres, and degrees clockwise from north. */
export function way(from: Place, to: Place): { metres: number; bearing: number } {
    const north = rad(to.latitude - from.latitude)
    const east = rad(to.longitude - from.longitude) * Math.cos(rad((from.latitude + to.latitude) / 2))
    return {
        metres: RADIUS_M * Math.hypot(north, east),
        bearing: (Math.atan2(east, north) * (180 / Math.PI) + 360) % 360,
    }
}

/** A place some metres from another. */
export function moved(from: Place, metres: number, bearing: number): Place {
    const north = (metres * Math.cos(rad(bearing))) / RADIUS_M
    const east = (metres * Math.sin(rad(bearing))) / (RADIUS_M * Math.cos(rad(from.latitude)))
    return { longitude: from.longitude + (east * 180) / Math.PI, latitude: from.latitude + (north * 180) / Math.PI }
}
