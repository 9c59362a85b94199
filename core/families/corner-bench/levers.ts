import { inches } from '../../measure/units.ts'
import type { Lever } from '../family.ts'
import { moreLedgerScrews } from '../ledger-screws.ts'
import { DEEPER, leverPen, lighterSheets, stifferSheets, strengthPen } from '../levers.ts'
import type { CornerBenchParams } from './parameters.ts'

export interface LeverData {
  'corner-on-posts': Record<string, never>
  'corner-on-ledger': Record<string, never>
}

const CROSS = inches(8)

/** Ways in which a bench across a corner can be changed when something does not hold, fit or clear; one change each. */
export function cornerBenchLevers(p: CornerBenchParams): Lever<CornerBenchParams>[] {
  const { out, add } = strengthPen(p)
  if (p.back === 'ledger') {
    moreLedgerScrews(p, { add })
    add('corner-on-posts', { back: 'posts' }, {})
  } else add('corner-on-ledger', { back: 'ledger' }, {})
  for (const s of stifferSheets(p.sheet)) add('worktop-sheet', { sheet: s.id }, { sheet: s.id })
  for (const mm of [inches(7), inches(6)])
    if (mm < (p.crossEveryMm ?? CROSS)) add('cross-every', { crossEveryMm: mm }, { mm })
  for (const section of DEEPER[p.frameSection] ?? []) add('bench-frame', { frameSection: section }, { section })
  for (const section of DEEPER[p.postSection] ?? []) add('post-section', { postSection: section }, { section })
  return out
}

/** Ways to spend less on one that is stronger than it need be. */
export function cornerBenchSavers(p: CornerBenchParams): Lever<CornerBenchParams>[] {
  const { out, add } = leverPen(p)
  if (p.back === 'posts') add('corner-on-ledger', { back: 'ledger' }, {})
  for (const s of lighterSheets(p.sheet, 11)) add('worktop-sheet', { sheet: s.id }, { sheet: s.id })
  for (const mm of [inches(10), inches(12)])
    if (mm > (p.crossEveryMm ?? CROSS)) add('cross-every', { crossEveryMm: mm }, { mm })
  for (const [light, heavy] of Object.entries(DEEPER)) {
    if (heavy.includes(p.frameSection)) add('bench-frame', { frameSection: light }, { section: light })
    if (heavy.includes(p.postSection)) add('post-section', { postSection: light }, { section: light })
  }
  return out
}
