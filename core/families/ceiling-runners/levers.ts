import { findSection } from '../../catalogue/lumber.ts'
import type { Lever } from '../family.ts'
import { leverPen, strengthPen } from '../levers.ts'
import { SCREWS, type CeilingRunnersParams } from './parameters.ts'

export interface LeverData {
  'flange-section': { section: string }
  'web-section': { section: string }
  'batten-section': { section: string }
  'batten-screws': { count: number }
  'flange-screws': { mm: number }
  'one-deep': object
  'two-deep': object
}

const STIFFER: Record<string, string[]> = {
  '1x4': ['1x6', '2x4'],
  '1x6': ['2x6'],
  '2x4': ['2x6'],
  '18x94mm': ['38x89mm'],
  '38x89mm': ['47x100mm'],
}
const HIGHER: Record<string, string> = { '2x3': '2x4', '2x4': '2x6', '38x63mm': '38x89mm', '38x89mm': '47x100mm' }
const LOWER: Record<string, string> = Object.fromEntries(Object.entries(HIGHER).map(([a, b]) => [b, a]))
const WIDER: Record<string, string> = { '2x4': '2x6', '38x89mm': '47x100mm', '47x100mm': '47x150mm' }

/** Ways in which runners can be changed when something does not hold or fit; one change each. */
export function ceilingRunnersLevers(p: CeilingRunnersParams): Lever<CeilingRunnersParams>[] {
  const { out, add } = strengthPen(p)
  for (const flangeSection of STIFFER[p.flangeSection] ?? [])
    add('flange-section', { flangeSection }, { section: flangeSection })
  const [higher, lower, wider] = [HIGHER[p.webSection], LOWER[p.webSection], WIDER[p.battenSection]]
  if (higher) add('web-section', { webSection: higher }, { section: higher })
  if (lower) add('web-section', { webSection: lower }, { section: lower })
  if (wider) add('batten-section', { battenSection: wider }, { section: wider })
  for (const n of ['two', 'three'] as const)
    if (SCREWS[n] > SCREWS[p.battenScrews]) add('batten-screws', { battenScrews: n }, { count: SCREWS[n] })
  if (p.flangeScrewsMm === null || p.flangeScrewsMm > CLOSE_MM)
    add('flange-screws', { flangeScrewsMm: CLOSE_MM }, { mm: CLOSE_MM })
  if (p.deep !== 1) add('one-deep', { deep: 1 })
  return out
}

/** Screws are put closer to this, mm. */
const CLOSE_MM = 80

/** Ways to spend less on runners that are stronger than they need be. */
export function ceilingRunnersSavers(p: CeilingRunnersParams): Lever<CeilingRunnersParams>[] {
  const { out, add } = leverPen(p)
  const lighter = Object.entries(STIFFER).flatMap(([light, heavy]) => (heavy.includes(p.flangeSection) ? [light] : []))
  for (const flangeSection of lighter)
    if (findSection(flangeSection)) add('flange-section', { flangeSection }, { section: flangeSection })
  const lower = LOWER[p.webSection]
  if (lower) add('web-section', { webSection: lower }, { section: lower })
  if (p.deep === null || p.deep === 1) add('two-deep', { deep: 2 })
  return out
}
