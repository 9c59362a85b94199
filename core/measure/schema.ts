import { z } from 'zod'

// Zod otherwise probes `eval`, which a strict content-security policy forbids. Before the first schema.
z.config({ jitless: true })

export { z }

/** The largest length anyone stores things over, mm: beyond it a typing slip is likelier than a room. */
export const LONGEST_MM = 50_000
/** The heaviest single thing, kg. */
export const HEAVIEST_KG = 5_000

export const lengthMm = (min: number, max: number) => z.number().min(min).max(max).meta({ unit: 'mm' })
export const id = z.string().min(1).max(60)
export const words = (max = 120) => z.string().max(max)
