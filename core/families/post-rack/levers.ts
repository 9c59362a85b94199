import type { Lever } from '../family.ts'
import { leverPen, lighterSheets, stifferSheets, strengthPen, THICKER_BRACE } from '../levers.ts'
import { CROSS_SCREWS } from '../../blocks/frame/shelf-frame.ts'
import { standingLevers } from '../stands-alone.ts'
import { LIMITS, type PostRackParams } from './parameters.ts'

export interface LeverData {
  'tie-sides': object
  'mid-posts': { count: number }
}

const DEEPER: Record<string, string[]> = {
  '2x3': ['2x4', '2x6'],
  '2x4': ['2x6', '2x8'],
  '2x6': ['2x8'],
  '38x63mm': ['38x89mm', '47x100mm'],
  '38x89mm': ['47x100mm', '47x150mm'],
  '47x100mm': ['47x150mm'],
}

/** Ways in which a post rack can be changed when something does not hold, fit or clear; one change each. */
export function postRackLevers(p: PostRackParams): Lever<PostRackParams>[] {
  const { out, add } = strengthPen(p)
  if (p.raise === 'tilt') add('in-place', { raise: 'in-place' })
  if (!p.brace && p.cover === 'none') add('add-brace', { brace: true })
  if (p.cover === 'none') add('cover-back', { cover: 'panels' })
  else
    for (const sheet of stifferSheets(p.coverSheet)) add('cover-sheet', { coverSheet: sheet.id }, { sheet: sheet.id })
  standingLevers(p, { add })
  if (p.sides === 'free') add('tie-sides', { sides: 'tied' })
  if (p.brace || p.ends === 'braced')
    for (const section of THICKER_BRACE[p.backSection] ?? []) add('back-section', { backSection: section }, { section })
  for (const railJoint of ['more-screws', 'bolts'] as const)
    if (railJoint !== p.railJoint && p.railJoint !== 'bolts') add('rail-joint', { railJoint }, { railJoint })
  if (p.supports === 'single' && p.feet === 'standing') add('double-supports', { supports: 'doubled' })
  for (const [crossJoint, n] of [
    ['three', 3],
    ['four', 4],
  ] as const)
    if (n > CROSS_SCREWS[p.crossJoint]) add('cross-joint', { crossJoint }, { count: n })
  for (const n of [1, 2, 3])
    if (n > (p.midPosts ?? 0) && n <= LIMITS.midPosts) add('mid-posts', { midPosts: n, midAtMm: [] }, { count: n })
  for (const section of DEEPER[p.railSection] ?? []) add('rail-section', { railSection: section }, { section })
  for (const section of DEEPER[p.postSection] ?? []) add('post-section', { postSection: section }, { section })
  for (const mm of [406.4, 304.8, 203.2])
    if (mm < (p.crossEveryMm ?? 610)) add('cross-every', { crossEveryMm: mm }, { mm })
  for (const s of stifferSheets(p.sheet)) add('sheet', { sheet: s.id }, { sheet: s.id })
  if (p.follow === 'goods') add('follow-wall', { follow: 'wall' })
  if (!p.floorBay) add('floor-bay', { floorBay: true })
  return out
}

const SHALLOWER: Record<string, string[]> = {
  '2x8': ['2x6', '2x4'],
  '2x6': ['2x4', '2x3'],
  '2x4': ['2x3'],
  '47x150mm': ['47x100mm', '38x89mm'],
  '47x100mm': ['38x89mm', '38x63mm'],
  '38x89mm': ['38x63mm'],
}

/** Ways to spend less on a post rack that is stronger than it need be. */
export function postRackSavers(p: PostRackParams): Lever<PostRackParams>[] {
  const { out, add } = leverPen(p)
  if (p.feet === 'pinned') add('feet-standing', { feet: 'standing' })
  if (p.supports === 'doubled') add('single-supports', { supports: 'single' })
  for (const s of lighterSheets(p.sheet, 9)) add('sheet', { sheet: s.id }, { sheet: s.id })
  for (const section of SHALLOWER[p.railSection] ?? []) add('rail-section', { railSection: section }, { section })
  for (const section of SHALLOWER[p.postSection] ?? []) add('post-section', { postSection: section }, { section })
  for (const mm of [609.6, 812.8]) if (mm > (p.crossEveryMm ?? 610)) add('cross-every', { crossEveryMm: mm }, { mm })
  for (const n of [0, 1, 2])
    if (p.midPosts !== null && n < p.midPosts) add('mid-posts', { midPosts: n, midAtMm: [] }, { count: n })
  return out
}
