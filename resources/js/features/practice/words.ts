/** What a better plan would have done, by the choice that it makes otherwise. */
export const BETTER: Record<string, string> = {
    cores: 'More cores in each composite',
    apart: 'The two histories apart',
    away: 'Cores away from the road and the old wall',
    full_depth: 'Cores to the full depth',
    by_lab: 'A lab for what the kit alone decided',
}
export const LEVELS: Record<string, string> = {
    gentle: 'Gentle: even ground, a good kit, a lab without slips',
    usual: 'Usual: as fields and kits are',
    hard: 'Hard: patchy ground, a poor kit, a lab that slips now and then',
}
export const CLAIMS: Record<string, string> = { sort: 'sorts', rate: 'sizes rates', track: 'tracks change' }
