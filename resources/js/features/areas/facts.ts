import type { Schema } from '@/api/client'

export type Facts = Schema<'AreaFacts'>
type Named = { value: string; label: string }[]

export const SURFACES: Named = [
    { value: 'ground', label: 'ground' },
    { value: 'raised', label: 'raised bed' },
    { value: 'container', label: 'container' },
]
export const SLOPES: Named = [
    { value: 'level', label: 'level' },
    { value: 'top', label: 'top of a slope' },
    { value: 'side', label: 'side' },
    { value: 'foot', label: 'foot' },
]
export const TEXTURES: Named = [
    { value: 'sand', label: 'sandy' },
    { value: 'loam', label: 'loamy' },
    { value: 'silt', label: 'silty' },
    { value: 'clay', label: 'clayey' },
    { value: 'organic', label: 'peaty' },
]
export const EVENTS: Named = ['lime', 'fertiliser', 'manure', 'compost'].map((value) => ({ value, label: value }))

export function noFacts(): Facts {
    return {
        surfaces: [],
        slopes: [],
        textures: [],
        colour: '',
        crops_now: '',
        crops_wanted: '',
        irrigated: false,
        old_paint: false,
        industry: false,
        events: [],
        joined: [],
    }
}
