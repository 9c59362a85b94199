import { CROSS_SCREWS } from '../../blocks/frame/shelf-frame.ts'
import type { Lever } from '../family.ts'
import { DEEPER, leverPen, lighterSheets, rodsLike, stifferSheets, strengthPen } from '../levers.ts'
import { CLEAT_SCREWS, DROP_SCREWS, type CeilingPlatformParams } from './parameters.ts'

export interface LeverData {
  'cleat-screws': { count: number }
  'deck-frame': { section: string }
  'bearer-section': { section: string }
  'more-bearers': { count: number }
  'drop-screws': { count: number }
  'front-on-rods': object
}

/** Ways in which a platform can be changed when something does not hold or fit; one change each. */
export function ceilingPlatformLevers(p: CeilingPlatformParams): Lever<CeilingPlatformParams>[] {
  const { out, add } = strengthPen(p)
  for (const cleatScrews of ['two', 'three'] as const)
    if (CLEAT_SCREWS[cleatScrews] > CLEAT_SCREWS[p.cleatScrews])
      add('cleat-screws', { cleatScrews }, { count: CLEAT_SCREWS[cleatScrews] })
  for (const n of p.front === 'bolts' ? [] : [3, 4, 5])
    if (n > (p.bearers ?? 2)) add('more-bearers', { bearers: n }, { count: n })
  const [frame, bearer, spreader] = [p.frameSection, p.bearerSection, p.spreaderSection].map((s) => DEEPER[s]?.[0])
  if (frame) add('deck-frame', { frameSection: frame }, { section: frame })
  if (bearer) add('bearer-section', { bearerSection: bearer }, { section: bearer })
  if (p.front === 'drops') {
    for (const dropScrews of ['three', 'four'] as const)
      if (DROP_SCREWS[dropScrews] > DROP_SCREWS[p.dropScrews])
        add('drop-screws', { dropScrews }, { count: DROP_SCREWS[dropScrews] })
    add('front-on-rods', { front: 'rods' })
  }
  if (p.front === 'rods' && spreader) add('spreader-section', { spreaderSection: spreader }, { section: spreader })
  if (p.front !== 'drops') for (const r of rodsLike(p.rod, true)) add('rod', { rod: r.id }, { section: r.id })
  for (const crossJoint of ['three', 'four'] as const)
    if (CROSS_SCREWS[crossJoint] > CROSS_SCREWS[p.crossJoint])
      add('cross-joint', { crossJoint }, { count: CROSS_SCREWS[crossJoint] })
  for (const s of stifferSheets(p.sheet, 9)) add('sheet', { sheet: s.id }, { sheet: s.id })
  for (const mm of [304.8, 203.2]) if (mm < (p.crossEveryMm ?? 406)) add('cross-every', { crossEveryMm: mm }, { mm })
  return out
}

/** Ways to spend less on a platform that is stronger than it need be. */
export function ceilingPlatformSavers(p: CeilingPlatformParams): Lever<CeilingPlatformParams>[] {
  const { out, add } = leverPen(p)
  for (const s of lighterSheets(p.sheet, 9)) add('sheet', { sheet: s.id }, { sheet: s.id })
  for (const [light, heavy] of Object.entries(DEEPER))
    if (heavy[0] === p.frameSection) add('deck-frame', { frameSection: light }, { section: light })
  if ((p.crossEveryMm ?? 406) < 600) add('cross-every', { crossEveryMm: 600 }, { mm: 600 })
  return out
}
