import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import type { Section } from '../../catalogue/lumber.ts'

/** A ledger reaches in from both ends by this much, so that nothing is marked where it shows, mm. */
const IN_MM = 50

/**
 * A board screwed to the wall under a body while that is hung, on edge: it carries the weight until the fixings do, and
 * comes off again. @returns its id
 */
export function temporaryLedger(
  d: Draft,
  l: { id: string; section: Section; stock: Stock; left: number; right: number; underMm: number },
): string {
  d.square({
    id: l.id,
    role: 'ledger',
    stock: l.stock,
    min: [l.left + IN_MM, 0, l.underMm - l.section.widthMm],
    size: [l.right - l.left - 2 * IN_MM, l.section.thicknessMm, l.section.widthMm],
    along: 'x',
    across: 'z',
    temporary: true,
  })
  return l.id
}
