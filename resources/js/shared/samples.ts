import { type Schema } from '@/api/client'

export type Sample = Schema<'Sample'>
export type Reading = Schema<'Reading'>

/** The readings of a sample by one method that no correction has replaced. */
export function standing(sample: Sample, methodId: number | undefined): Reading[] {
    return sample.readings.filter((reading) => reading.method_id === methodId && !reading.corrected)
}
