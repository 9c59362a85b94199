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

/** A list of things that are told apart by their ids: changing or taking away one must never mean another. */
export const listOf = <T extends z.ZodType<{ id: string }>>(item: T, most: number) =>
  z
    .array(item)
    .max(most)
    .superRefine((list, ctx) => {
      const seen = new Set<string>()
      list.forEach((x, i) => {
        if (seen.has(x.id)) ctx.addIssue({ code: 'custom', path: [i, 'id'], message: `"${x.id}" is there already` })
        seen.add(x.id)
      })
    })
