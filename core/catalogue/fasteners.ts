import { inches, type UnitSystem } from '../measure/units.ts'

/** A wood screw. Diameters: thread outside, and root (inside the thread), mm. */
export interface Screw {
  id: string
  label: string
  system: UnitSystem
  diameterMm: number
  rootMm: number
  lengthMm: number
  /** How many a box holds. */
  box: number
}

// Diameters: ANSI/ASME B18.6.1 wood screws.
const GAUGE: Record<number, [number, number]> = { 8: [0.164, 0.131], 9: [0.177, 0.142], 10: [0.19, 0.152] }
const lengthName = (n: number) => {
  const whole = Math.floor(n)
  const eighths = Math.round((n - whole) * 8)
  const text: Record<number, string> = { 0: '', 1: '1/8', 2: '1/4', 3: '3/8', 4: '1/2', 5: '5/8', 6: '3/4', 7: '7/8' }
  return [whole || '', text[eighths]].filter(Boolean).join(' ')
}
const gauge = (g: number, length: number, box: number): Screw => ({
  id: `screw-${g}x${length}`,
  label: `#${g} x ${lengthName(length)} in screw`,
  system: 'imperial',
  diameterMm: inches(GAUGE[g][0]),
  rootMm: inches(GAUGE[g][1]),
  lengthMm: inches(length),
  box,
})
// Root about 0.65 of the outside diameter, the lower end of what EN 14592 screws show.
const metric = (d: number, length: number, box: number): Screw => ({
  id: `screw-${d}x${length}mm`,
  label: `${d} x ${length} mm screw`,
  system: 'metric',
  diameterMm: d,
  rootMm: 0.65 * d,
  lengthMm: length,
  box,
})

/** In each system from short to long. */
export const SCREWS: readonly Screw[] = [
  gauge(8, 1.25, 100), gauge(8, 1.625, 100), gauge(8, 2, 100), gauge(9, 2.5, 100), gauge(9, 3, 100), gauge(10, 3.5, 50), gauge(10, 4, 50),
  metric(4, 30, 200), metric(4, 40, 200), metric(4, 50, 200), metric(5, 60, 100), metric(5, 70, 100), metric(5, 80, 100), metric(6, 90, 100), metric(6, 100, 50),
]

export const findScrew = (id: string): Screw | undefined => SCREWS.find((s) => s.id === id)

/** What must stay between a screw's point and daylight, mm: points that poke through cut hands. */
const POINT_COVER_MM = 3

/**
 * The screw for a joint: the shortest with at least as much thread in the far piece as it passes through in the near one,
 * that does not come out on the other side; if none does both, the longest that stays inside.
 * @param throughMm thickness of the near piece
 * @param intoMm thickness of wood behind it
 */
export function screwFor(throughMm: number, intoMm: number, system: UnitSystem): Screw {
  let longest: Screw | null = null
  for (const s of SCREWS) {
    if (s.system !== system) continue
    if (s.lengthMm > throughMm + intoMm - POINT_COVER_MM) break
    if (s.lengthMm >= 1.95 * throughMm) return s
    longest = s
  }
  return longest ?? SCREWS.find((s) => s.system === system)!
}
