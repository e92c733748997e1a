/** What each role may do, as it is offered. */
export const ROLES = [
    ['technician', 'technician: does the work'],
    ['reviewer', 'reviewer: does the work, and signs'],
    ['reader', 'reader: sees all, changes nothing'],
] as const

export type Role = (typeof ROLES)[number][0]

/** What was done, as the log has it. */
export const KINDS: Record<string, string> = {
    signed_in: 'signed in',
    refused: 'was refused',
    signed_out: 'signed out',
    ended: 'ended a sign-in',
    password: 'password',
    reset: 'made an address for a new password',
    second_factor: 'second factor',
    invited: 'invited',
    joined: 'joined',
    role: 'changed a role',
    closed: 'closed an account',
    token: 'token',
    exported: 'took out',
    shared: 'shared',
    site: 'changed a site',
    team: 'renamed the team',
    not_allowed: 'wanted, and may not',
}

/** What can be changed, as it is told. */
export const RECORDS: Record<string, string> = {
    site: 'site',
    area: 'area',
    lab: 'lab',
    landmark: 'landmark',
    plan: 'day of a plan',
    week: 'week of a round',
    answer: 'answer about',
}

/** The fields of those, as their forms call them. */
export const FIELDS: Record<string, string> = {
    name: 'Name',
    use: 'Use',
    history: 'History',
    boundary: 'Boundary',
    facts: 'Facts',
    letters: 'Letters',
    address: 'Address',
    owner: 'Whose ground it is',
    phone: 'Phone',
    timezone: 'Time zone',
    units: 'Units',
    latitude: 'Latitude',
    longitude: 'Longitude',
    school: 'School',
    nutrient_school: 'Phosphate and potash by',
    lime_school: 'Lime by',
    email: 'Mail',
    turnaround_days: 'Turnaround, days',
    transit_days: 'On the way, days',
    holidays: 'Holidays',
    bag_ml: 'Bag, ml',
    quarantine: 'Quarantine',
    tests: 'Tests',
    form: 'Form',
    columns: 'Columns',
    service: 'Interface',
    geometry: 'Place',
    distance_m: 'Distance, m',
    pull_on: 'Day',
    week: 'Week of',
    question: 'Question',
    answer: 'Answer',
}

/** A browser and its machine by the words it says of itself: a guess, as they all claim to be one another. */
export function deviceOf(agent: string): string {
    const browser = /Firefox\//.test(agent)
        ? 'Firefox'
        : /Edg\//.test(agent)
          ? 'Edge'
          : /Chrom(e|ium)\//.test(agent)
            ? 'Chromium'
            : /Safari\//.test(agent)
              ? 'Safari'
              : 'a browser'
    const machine = /Android/.test(agent)
        ? 'Android'
        : /iPhone|iPad/.test(agent)
          ? 'iOS'
          : /Windows/.test(agent)
            ? 'Windows'
            : /Mac OS/.test(agent)
              ? 'macOS'
              : /Linux/.test(agent)
                ? 'Linux'
                : ''
    return machine ? `${browser} on ${machine}` : browser
}
