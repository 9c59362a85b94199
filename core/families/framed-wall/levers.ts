import { inches } from '../../measure/units.ts'
import type { Lever } from '../family.ts'
import { DEEPER, leverPen, lighterSheets, strengthPen } from '../levers.ts'
import type { FramedWallParams } from './parameters.ts'

export interface LeverData {
  'framed-section': { section: string }
  'framed-closer': { mm: number }
  'framed-anchors': { mm: number }
  'framed-bare': Record<string, never>
  'framed-one-face': Record<string, never>
}

/** Ways in which a framed wall can be changed when something of it does not hold; one change each. */
export function framedWallLevers(p: FramedWallParams): Lever<FramedWallParams>[] {
  const { out, add } = strengthPen(p)
  for (const section of DEEPER[p.section] ?? []) add('framed-section', { section }, { section })
  for (const mm of [inches(12), inches(10)])
    if (mm < (p.everyMm ?? inches(16))) add('framed-closer', { everyMm: mm }, { mm })
  for (const mm of [inches(24), inches(16)])
    if (mm < (p.anchorEveryMm ?? inches(32))) add('framed-anchors', { anchorEveryMm: mm }, { mm })
  return out
}

/** Ways to spend less on one that is stronger than it need be. */
export function framedWallSavers(p: FramedWallParams): Lever<FramedWallParams>[] {
  const { out, add } = leverPen(p)
  if (p.faces === 'both') add('framed-one-face', { faces: 'one' }, {})
  if (p.faces !== 'none') {
    add('framed-bare', { faces: 'none' }, {})
    for (const s of lighterSheets(p.sheet, 8)) add('sheet', { sheet: s.id }, { sheet: s.id })
  }
  return out
}
