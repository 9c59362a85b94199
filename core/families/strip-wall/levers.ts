import type { Lever } from '../family.ts'
import { leverPen, lighterSheets, stifferSheets, strengthPen } from '../levers.ts'
import { RAIL_SCREWS, STRIP_SCREWS, type StripWallParams } from './parameters.ts'

export interface LeverData {
  'strip-screws': { count: number }
  'holder-rail-screws': { count: number }
  'strip-wider': { section: string }
  'strip-whole': object
  'strip-ripped': object
  'strips-direct': object
  'on-battens': object
  'thicker-pegs': { section: string }
  'holder-sheet': { sheet: string }
  'higher-bars': { section: string }
}

const WIDER: Record<string, string> = { '1x4': '1x6', '1x6': '1x8', '18x69mm': '18x94mm', '18x94mm': '18x144mm' }
const PEGS: Record<string, string> = {
  'dowel-5/8': 'dowel-3/4',
  'dowel-3/4': 'dowel-1',
  'dowel-16mm': 'dowel-20mm',
  'dowel-20mm': 'dowel-25mm',
}
const HIGHER: Record<string, string> = { '1x3': '1x4', '18x69mm': '18x94mm' }
const swapped = (o: Record<string, string>) => Object.fromEntries(Object.entries(o).map(([a, b]) => [b, a]))

/** Ways in which a strip wall can be changed when something does not hold or fit; one change each. */
export function stripWallLevers(p: StripWallParams): Lever<StripWallParams>[] {
  const { out, add } = strengthPen(p)
  for (const stripScrews of ['two', 'three'] as const)
    if (STRIP_SCREWS[stripScrews] > STRIP_SCREWS[p.stripScrews])
      add('strip-screws', { stripScrews }, { count: STRIP_SCREWS[stripScrews] })
  for (const railScrews of ['three', 'four'] as const)
    if (RAIL_SCREWS[railScrews] > RAIL_SCREWS[p.railScrews])
      add('holder-rail-screws', { railScrews }, { count: RAIL_SCREWS[railScrews] })
  const [wider, peg, bar] = [WIDER[p.stripSection], PEGS[p.pegSection], HIGHER[p.barSection]]
  if (wider) add('strip-wider', { stripSection: wider }, { section: wider })
  if (p.strip === 'ripped') add('strip-whole', { strip: 'whole' })
  if (peg) add('thicker-pegs', { pegSection: peg }, { section: peg })
  if (bar) add('higher-bars', { barSection: bar }, { section: bar })
  for (const s of stifferSheets(p.sheet)) add('holder-sheet', { sheet: s.id }, { sheet: s.id })
  if (p.mount === 'direct') add('on-battens', { mount: 'battens' })
  else add('strips-direct', { mount: 'direct' })
  if (p.follow === 'goods') add('follow-wall', { follow: 'wall' })
  return out
}

/** Ways to spend less on one that is stronger than it need be. */
export function stripWallSavers(p: StripWallParams): Lever<StripWallParams>[] {
  const { out, add } = leverPen(p)
  if (p.strip === 'whole') add('strip-ripped', { strip: 'ripped' })
  const narrower = swapped(WIDER)[p.stripSection]
  if (narrower) add('strip-wider', { stripSection: narrower }, { section: narrower })
  const thinner = swapped(PEGS)[p.pegSection]
  if (thinner) add('thicker-pegs', { pegSection: thinner }, { section: thinner })
  for (const s of lighterSheets(p.sheet, 9)) add('holder-sheet', { sheet: s.id }, { sheet: s.id })
  return out
}
