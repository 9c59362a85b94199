import { moreLedgerScrews } from '../ledger-screws.ts'
import { CROSS_SCREWS } from '../../blocks/frame/shelf-frame.ts'
import type { Lever } from '../family.ts'
import { DEEPER, leverPen, lighterSheets, stifferSheets, strengthPen, rodsLike } from '../levers.ts'
import type { LedgerShelfParams } from './parameters.ts'

export interface LeverData {
  'ledger-screws': { count: number }
  'shelf-frame': { section: string }
  'posts-closer': { mm: number }
  'posts-further': { mm: number }
  'ledger-bearers': { section: string }
  'stronger-chain': object
  'front-on-posts': object
}

/** Posts that are tried, centre to centre, mm: three quarters of half a sheet, and half of it. */
const CLOSER = [914.4, 609.6]
const FURTHER = 1600

/** Ways in which shelves on a ledger can be changed when something does not hold, fit or clear; one change each. */
export function ledgerShelfLevers(p: LedgerShelfParams): Lever<LedgerShelfParams>[] {
  const { out, add } = strengthPen(p)
  moreLedgerScrews(p, { add })
  for (const railJoint of ['more-screws', 'bolts'] as const)
    if (p.front === 'posts' && railJoint !== p.railJoint && p.railJoint !== 'bolts')
      add('rail-joint', { railJoint }, { railJoint })
  for (const crossJoint of ['three', 'four'] as const)
    if (CROSS_SCREWS[crossJoint] > CROSS_SCREWS[p.crossJoint])
      add('cross-joint', { crossJoint }, { count: CROSS_SCREWS[crossJoint] })
  for (const mm of CLOSER) if (mm < (p.apartMm ?? Infinity)) add('posts-closer', { apartMm: mm, bays: null }, { mm })
  for (const section of DEEPER[p.frameSection] ?? []) add('shelf-frame', { frameSection: section }, { section })
  for (const section of (p.front === 'posts' && DEEPER[p.postSection]) || [])
    add('post-section', { postSection: section }, { section })
  for (const mm of [406.4, 304.8]) if (mm < (p.crossEveryMm ?? 610)) add('cross-every', { crossEveryMm: mm }, { mm })
  for (const s of stifferSheets(p.sheet)) add('sheet', { sheet: s.id }, { sheet: s.id })
  if (p.front !== 'posts') {
    for (const r of rodsLike(p.rod, true)) add('rod', { rod: r.id }, { section: r.id })
    for (const s of DEEPER[p.bearerSection] ?? []) add('ledger-bearers', { bearerSection: s }, { section: s })
    for (const s of DEEPER[p.spreaderSection] ?? []) add('spreader-section', { spreaderSection: s }, { section: s })
    if (p.front === 'chains' && p.chain === 'light') add('stronger-chain', { chain: 'heavy' })
    add('front-on-posts', { front: 'posts' })
  }
  if (p.follow === 'goods') add('follow-wall', { follow: 'wall' })
  if (!p.floorBay) add('floor-bay', { floorBay: true })
  return out
}

/** Ways to spend less on shelves that are stronger than they need be. */
export function ledgerShelfSavers(p: LedgerShelfParams): Lever<LedgerShelfParams>[] {
  const { out, add } = leverPen(p)
  for (const s of lighterSheets(p.sheet, 9)) add('sheet', { sheet: s.id }, { sheet: s.id })
  for (const [light, heavy] of Object.entries(DEEPER)) {
    if (heavy.includes(p.frameSection)) add('shelf-frame', { frameSection: light }, { section: light })
    if (p.front === 'posts' && heavy.includes(p.postSection))
      add('post-section', { postSection: light }, { section: light })
  }
  if ((p.apartMm ?? 0) < FURTHER) add('posts-further', { apartMm: FURTHER, bays: null }, { mm: FURTHER })
  for (const mm of [609.6, 812.8]) if (mm > (p.crossEveryMm ?? 610)) add('cross-every', { crossEveryMm: mm }, { mm })
  return out
}
