import type { Draft } from '../../assembly/draft.ts'
import { placeSheet, type Sheeted } from './shelf-frame.ts'
import { UP } from '../mounts/wall-fixing.ts'
import type { Sheet } from '../../catalogue/sheets.ts'
import type { Box } from '../../geometry/box.ts'

/** Screws of one layer on the other are no further apart, mm. */
const LAYER_EVERY_MM = 300

/**
 * A piece of a second layer on those of the first: it bears where what is below the first bears that.
 * @param at its lower face, and how far out from the wall it goes
 */
export function layOn(
  d: Draft,
  at: { sheet: Sheet; z: number; backMm: number; frontMm: number },
  u: Sheeted,
  lower: readonly Sheeted[],
) {
  const { thicknessMm: t } = at.sheet
  placeSheet(d, u, { ...at, role: 'top', sheet: at.sheet.id, thicknessMm: t })
  for (const l of lower) {
    const [from, to] = [Math.max(l.from, u.from), Math.min(l.to, u.to)]
    if (to - from < 1) continue
    const rows = (mm: number) => Math.ceil(mm / LAYER_EVERY_MM)
    const joint = d.screw(l.id, u.id, Math.max(4, rows(to - from) * rows(at.frontMm - at.backMm)), 'side', t, t)
    const under = d.assembly.supports.filter((x) => 'part' in x.from && x.from.part === l.id && x.on.kind === 'part')
    under.forEach((x, i) => {
      const { min, max } = x.contact
      const [lo, hi] = [Math.max(min[0], from), Math.min(max[0], to)]
      if (hi - lo < 1e-6) return
      const contact: Box = { min: [lo, min[1], at.z], max: [hi, max[1], at.z] }
      d.hold({
        from: { part: u.id },
        on: { kind: 'part', part: l.id },
        contact,
        push: UP,
        way: 'push',
        via: 'bearing',
        ...(i === 0 ? { joint } : {}),
      })
    })
  }
}
