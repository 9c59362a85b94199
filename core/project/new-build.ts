import { findFamily } from '../families/registry.ts'
import type { AnyFamily } from '../families/family.ts'
import type { Build, Project } from './project.ts'
import { contextOf, priceBook, type BuildContext } from './read-build.ts'

/** A build standing straight at the left end of its wall unless said otherwise. */
export const newBuild = (given: Pick<Build, 'id' | 'family' | 'params' | 'wallId'> & Partial<Build>): Build => ({
  name: '',
  offsetMm: 0,
  outMm: 0,
  turn: findFamily(given.family)?.turn ?? 0,
  mirrored: false,
  tiedTo: [],
  standsOn: null,
  goods: [],
  paramsVersion: findFamily(given.family)?.version ?? 1,
  ...given,
})

/**
 * A new build of a kind at a place, nothing standing on it, and what it is shaped to: what stands on the floor is set out
 * from its wall as far as its skirting stands before it. Null where the wall is none.
 */
export function setAtWall(
  p: Project,
  family: AnyFamily,
  at: Pick<Build, 'id' | 'wallId' | 'offsetMm' | 'goods'>,
  prices = priceBook(p),
): { bare: Build; ctx: BuildContext } | null {
  const bare = newBuild({ ...at, family: family.id, params: {} })
  const ctx = contextOf(p, bare, prices, [])
  if (!ctx) return null
  const outMm = p.room.walls.find((w) => w.id === bare.wallId)?.skirting?.deepMm ?? 0
  if (outMm === 0 || family.hangs(family.start(ctx))) return { bare, ctx }
  const before = { ...bare, outMm }
  return { bare: before, ctx: contextOf(p, before, prices, []) ?? ctx }
}
