import type { ShapeContext } from '../core/families/family.ts'

/** The same space with studs so far apart along all of its wall, the first at a place, mm. */
export function studsAt({ space, ...c }: ShapeContext, firstMm: number, spacingMm: number): ShapeContext {
  const studsMm = Array.from(
    { length: Math.floor((space.lengthMm - firstMm) / spacingMm) + 1 },
    (_, i) => firstMm + i * spacingMm,
  )
  const made = { kind: 'studs', spacingMm, firstMm, studMm: 38, lined: true, liningMm: 12.5, found: [] } as const
  return { ...c, space: { ...space, studsMm, construction: { ...made, found: [] } } }
}
