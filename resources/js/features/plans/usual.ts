import type { Schema } from '@/api/client'
import type { Units } from '@/shared/format'

export type Spec = Omit<Schema<'PlanInput'>, 'keep_away'>

/** A layer that a school names in inches, as somebody pulls it who measures in centimetres: 0-15cm for 0-6in. */
export function inCentimetres(layer: string): string {
    const inches = /^([\d.]+)-([\d.]+)in$/.exec(layer)
    return inches ? `${Math.round(Number(inches[1]) * 2.54)}-${Math.round(Number(inches[2]) * 2.54)}cm` : layer
}

/** The plan an area begins with: by the site's school where it has one, in the site's units where not. */
export function usualSpec(school?: Schema<'School'>, units: Units = 'us'): Spec {
    return {
        purpose: 'routine',
        school: school?.code ?? null,
        layers: school?.layers.map((one) => (units === 'metric' ? inCentimetres(one) : one)) ?? [
            units === 'metric' ? '0-15cm' : '0-6in',
        ],
        cores: school?.cores[1] ?? 15,
        pattern: school?.pattern ?? 'zigzag',
        cell_acres: school?.cell_acres ?? null,
        cell_mode: 'over',
        rows: null,
        zones: null,
        start: null,
        speed_km_per_h: null,
        seconds_per_core: null,
        edge_m: 5,
        probe_mm: 19,
        seed: 1,
        ph_sd: null,
        kept_reason: null,
        quality: null,
    }
}

export const PATTERNS: { value: Schema<'Pattern'>; label: string }[] = [
    { value: 'zigzag', label: 'Zigzag' },
    { value: 'w', label: 'W' },
    { value: 'random', label: 'Random' },
    { value: 'stratified', label: 'Stratified' },
    { value: 'grid', label: 'Even grid' },
    { value: 'transect', label: 'Transect' },
    { value: 'corners', label: 'Corners' },
    { value: 'rows', label: 'Across rows' },
]

/** Depth layers as they are sampled where each unit is at home. */
export const LAYERS: Record<Units, string[]> = {
    us: ['0-4in', '0-6in', '2-6in', '0-2in', '0-12in', '12-24in', '0-18in', '0-1in'],
    metric: ['0-10cm', '0-15cm', '0-20cm', '0-5cm', '5-15cm', '0-30cm', '15-30cm', '30-60cm'],
}
