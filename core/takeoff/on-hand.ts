import type { Feature } from '../room/features.ts'
import { id, lengthMm, words, z } from '../measure/schema.ts'

/** What in the room it is the wood of: that comes down first, and is used again. */
const from = id.optional()

/** A board or sheet that is there already: cut from first, and free. */
export const onHandPiece = z.discriminatedUnion('kind', [
  z.object({
    id,
    kind: z.literal('board'),
    section: z.string(),
    treated: z.boolean(),
    lengthMm: lengthMm(50, 8000),
    note: words(80),
    from,
    /** Stretches that may be in no piece, from the raw end: knots, splits, old screws. */
    defects: z.array(z.object({ fromMm: lengthMm(0, 8000), toMm: lengthMm(0, 8000) })).max(20),
  }),
  /** `lengthMm` runs with the grain. */
  z.object({
    id,
    kind: z.literal('sheet'),
    sheet: z.string(),
    lengthMm: lengthMm(50, 4000),
    widthMm: lengthMm(50, 4000),
    note: words(80),
    from,
  }),
])
export type OnHandPiece = z.infer<typeof onHandPiece>

/** What of the room a piece is the wood of, where that stays after all: nobody can cut it. */
export const staysIn = (h: OnHandPiece, features: readonly Feature[]): Feature | null =>
  (h.from !== undefined && features.find((f) => f.id === h.from && !f.comesDown)) || null

/** What there is to cut from: without the wood of what stays in the room after all. */
export const woodAtHand = (p: {
  onHand: readonly OnHandPiece[]
  room: { features: readonly Feature[] }
}): OnHandPiece[] => p.onHand.filter((h) => !staysIn(h, p.room.features))

/** Whole stretches of a board between its defects, from its raw end; those shorter than `leastMm` are left out. */
export function soundStretches(
  p: Extract<OnHandPiece, { kind: 'board' }>,
  leastMm = 0,
): { fromMm: number; toMm: number }[] {
  const out: { fromMm: number; toMm: number }[] = []
  let from = 0
  for (const d of [...p.defects].sort((a, b) => a.fromMm - b.fromMm)) {
    if (d.fromMm - from > leastMm) out.push({ fromMm: from, toMm: Math.min(d.fromMm, p.lengthMm) })
    from = Math.max(from, d.toMm)
  }
  if (p.lengthMm - from > leastMm) out.push({ fromMm: from, toMm: p.lengthMm })
  return out
}
