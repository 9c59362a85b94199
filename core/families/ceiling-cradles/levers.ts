import type { Lever } from '../family.ts'
import { DEEPER, leverPen, rodsLike, strengthPen } from '../levers.ts'
import type { CeilingCradlesParams } from './parameters.ts'
import { USUAL_APART } from './plan-out.ts'

export interface LeverData {
  'cradle-bearer': { section: string }
  'cradles-closer': { mm: number }
  'cradles-wider-apart': { mm: number }
  'slid-in-from': { from: CeilingCradlesParams['from'] }
}

/** So far apart they are tried, mm: every second joist of 16 in, every one of 24 in, and every one of 16. */
const CLOSER = [812.8, 609.6, 406.4]
const WIDER = [1625.6, 2032]

/** Ways in which cradles can be changed when something does not hold or fit; one change each. */
export function ceilingCradlesLevers(p: CeilingCradlesParams): Lever<CeilingCradlesParams>[] {
  const { out, add } = strengthPen(p)
  for (const mm of CLOSER)
    if (mm < (p.apartMm ?? USUAL_APART)) add('cradles-closer', { apartMm: mm, cradles: null }, { mm })
  const [bearer, spreader] = [p.bearerSection, p.spreaderSection].map((s) => DEEPER[s]?.[0])
  if (bearer) add('cradle-bearer', { bearerSection: bearer }, { section: bearer })
  if (spreader) add('spreader-section', { spreaderSection: spreader }, { section: spreader })
  for (const r of rodsLike(p.rod, true)) add('rod', { rod: r.id }, { section: r.id })
  const other = p.from === 'right' ? 'left' : 'right'
  add('slid-in-from', { from: other }, { from: other })
  return out
}

/** Ways to spend less on cradles that are stronger than they need be. */
export function ceilingCradlesSavers(p: CeilingCradlesParams): Lever<CeilingCradlesParams>[] {
  const { out, add } = leverPen(p)
  for (const mm of WIDER)
    if (mm > (p.apartMm ?? USUAL_APART)) add('cradles-wider-apart', { apartMm: mm, cradles: null }, { mm })
  for (const [light, heavy] of Object.entries(DEEPER))
    if (heavy[0] === p.bearerSection) add('cradle-bearer', { bearerSection: light }, { section: light })
  for (const r of rodsLike(p.rod, false)) add('rod', { rod: r.id }, { section: r.id })
  return out
}
