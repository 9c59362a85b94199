import { CROSS_SCREWS } from '../../blocks/frame/shelf-frame.ts'
import type { Lever } from '../family.ts'
import { moreLedgerScrews } from '../ledger-screws.ts'
import { DEEPER, leverPen, lighterSheets, stifferSheets, strengthPen } from '../levers.ts'
import type { BenchParams } from './parameters.ts'

export interface LeverData {
  'bench-frame': { section: string }
  'legs-closer': { mm: number }
  'legs-further': { mm: number }
  'worktop-sheet': { sheet: string }
  'bench-panels': Record<string, never>
  'bench-wall': Record<string, never>
  'bench-legs': Record<string, never>
  'less-overhang': { mm: number }
  'one-layer': Record<string, never>
  'cross-hangers': Record<string, never>
}

/** Legs that are tried, centre to centre, mm: three quarters of half a sheet, and half of it. */
const CLOSER = [914.4, 609.6]
const FURTHER = 1600
const USUAL_CROSS = 304.8
const LESS_OUT = 20

/** Ways in which a bench can be changed when something does not hold, fit or clear; one change each. */
export function benchLevers(p: BenchParams): Lever<BenchParams>[] {
  const { out, add } = strengthPen(p)
  if (p.railJoint === 'screws') add('rail-joint', { railJoint: 'more-screws' }, { railJoint: 'more-screws' })
  if (p.railJoint !== 'bolts') add('rail-joint', { railJoint: 'bolts' }, { railJoint: 'bolts' })
  if (p.supports === 'single' && (p.stiff === 'wall' || p.back === 'batten'))
    add('double-supports', { supports: 'doubled' })
  if (p.crossJoint !== 'hangers') {
    for (const crossJoint of ['three', 'four'] as const)
      if (CROSS_SCREWS[crossJoint] > CROSS_SCREWS[p.crossJoint])
        add('cross-joint', { crossJoint }, { count: CROSS_SCREWS[crossJoint] })
    add('cross-hangers', { crossJoint: 'hangers' }, {})
  }
  for (const s of stifferSheets(p.sheet)) add('worktop-sheet', { sheet: s.id }, { sheet: s.id })
  for (const s of stifferSheets(p.shelfSheet)) add('sheet', { shelfSheet: s.id }, { sheet: s.id })
  for (const mm of [254, 203.2])
    if (mm < (p.crossEveryMm ?? USUAL_CROSS)) add('cross-every', { crossEveryMm: mm }, { mm })
  for (const mm of CLOSER) if (mm < (p.legsApartMm ?? Infinity)) add('legs-closer', { legsApartMm: mm }, { mm })
  for (const section of DEEPER[p.frameSection] ?? []) add('bench-frame', { frameSection: section }, { section })
  for (const section of DEEPER[p.postSection] ?? []) add('post-section', { postSection: section }, { section })
  if (p.back === 'batten') {
    moreLedgerScrews(p, { add })
    add('bench-legs', { back: 'legs' }, {})
  } else if (p.stiff === 'wall') add('bench-panels', { stiff: 'panels', supports: 'single' }, {})
  else add('bench-wall', { stiff: 'wall' }, {})
  if (p.feet === 'standing') add('pin-feet', { feet: 'pinned' })
  if ((p.overhangMm ?? Infinity) > LESS_OUT) add('less-overhang', { overhangMm: LESS_OUT }, { mm: LESS_OUT })
  if (!p.floorBay) add('floor-bay', { floorBay: true })
  return out
}

/** Ways to spend less on a bench that is stronger than it need be. */
export function benchSavers(p: BenchParams): Lever<BenchParams>[] {
  const { out, add } = leverPen(p)
  if (p.feet === 'pinned') add('feet-standing', { feet: 'standing' })
  if (p.supports === 'doubled') add('single-supports', { supports: 'single' })
  if (p.layers === 'two') add('one-layer', { layers: 'one' }, {})
  for (const s of lighterSheets(p.sheet, 11)) add('worktop-sheet', { sheet: s.id }, { sheet: s.id })
  for (const s of lighterSheets(p.shelfSheet, 9)) add('sheet', { shelfSheet: s.id }, { sheet: s.id })
  for (const [light, heavy] of Object.entries(DEEPER)) {
    if (heavy.includes(p.frameSection)) add('bench-frame', { frameSection: light }, { section: light })
    if (heavy.includes(p.postSection)) add('post-section', { postSection: light }, { section: light })
  }
  if ((p.legsApartMm ?? 0) < FURTHER) add('legs-further', { legsApartMm: FURTHER }, { mm: FURTHER })
  for (const mm of [406.4, 508])
    if (mm > (p.crossEveryMm ?? USUAL_CROSS)) add('cross-every', { crossEveryMm: mm }, { mm })
  return out
}
