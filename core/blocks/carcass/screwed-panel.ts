import type { Draft } from '../../assembly/draft.ts'
import type { Sheet } from '../../catalogue/sheets.ts'
import type { Box } from '../../geometry/box.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import { UP } from '../mounts/wall-fixing.ts'
import type { Stretch } from '../sizing/splice.ts'

/** Screws of a panel along an upright are no further apart, mm. Product decision. */
const PANEL_EVERY_MM = 200

/** An upright panel of sheet over uprights, screwed to each of them all along. */
export function screwPanel(
  d: Draft,
  sheet: Sheet,
  x: {
    id: string
    role: 'back' | 'side' | 'face'
    min: Vec3
    size: Vec3
    across: 'x' | 'y'
    on: readonly string[]
    /** Its screws stand on the middle line of an upright, at two panels that meet there too: they do not turn it. */
    centred?: boolean
    /** Those of them that are counted on to carry it; all where nothing is said. */
    borneBy?: readonly string[]
  },
): void {
  d.square({
    id: x.id,
    role: x.role,
    stock: { kind: 'sheet', sheet: sheet.id },
    min: x.min,
    size: x.size,
    along: 'z',
    across: x.across,
    grain: 'any',
  })
  const screws = 1 + Math.ceil(x.size[2] / PANEL_EVERY_MM)
  for (const on of x.on) {
    const into = d.part(on).size.thicknessMm
    const joint = d.screw(x.id, on, screws, 'side', sheet.thicknessMm, into)
    if (x.borneBy && !x.borneBy.includes(on)) continue
    if (!x.centred) {
      d.rest(x.id, on, 'fasteners', joint)
      continue
    }
    const [panel, upright] = [d.box(x.id), d.box(on)]
    const middle = (upright.min[0] + upright.max[0]) / 2
    const at = Math.min(Math.max(middle, panel.min[0]), panel.max[0])
    const [z0, z1] = [Math.max(panel.min[2], upright.min[2]), Math.min(panel.max[2], upright.max[2])]
    const face = panel.min[1] < upright.min[1] ? panel.max[1] : panel.min[1]
    const contact: Box = { min: [at, face, z0], max: [at, face, z1] }
    d.hold({
      ...{ from: { part: x.id }, on: { kind: 'part', part: on } as const, contact, push: UP, joint },
      ...{ way: 'both' as const, via: 'fasteners' as const },
    })
  }
}

/**
 * Panels over a row of uprights from the first to the last, in pieces that meet on the middle of one, each as long as a
 * sheet allows. @param lefts left edges of the uprights
 */
export function panelsOver(lefts: readonly number[], wideMm: number, mostMm: number): Stretch[] {
  const out: Stretch[] = []
  const end = lefts[lefts.length - 1] + wideMm
  let from = lefts[0]
  while (from < end - 1e-6) {
    const ends = [...lefts.slice(1, -1).map((x) => x + wideMm / 2), end].filter((x) => x > from + wideMm)
    const to = ends.filter((x) => x - from <= mostMm + 1e-6).pop() ?? ends[0]
    out.push({ from, to })
    from = to
  }
  return out
}
/** Which of the uprights a panel lies over. */
export const under = (s: Stretch, lefts: readonly number[], wideMm: number): number[] =>
  lefts.flatMap((x, i) => (x < s.to && x + wideMm > s.from ? [i] : []))
