import { wholeBox } from '../assembly/part-box.ts'
import { allFamilies } from '../families/registry.ts'
import { newBuild } from './new-build.ts'
import type { Build, Project } from './project.ts'
import { procure } from './plan.ts'
import { contextOf, priceBook, readBuild, readingsOf, readWith } from './read-build.ts'
import { readBuilds } from './read-builds.ts'
import { remedies } from './remedies.ts'
import type { Verdict } from '../checks/verdict.ts'
import type { Problem } from '../measure/result.ts'

/** A way to hold some goods at a stretch of wall, worked out and priced. */
export interface Proposal {
  build: Build
  holds: number
  leftOut: number
  minor: number
  lengthMm: number
  verdict: Verdict['state']
}

/** As many ways are shown at least: where kinds are fewer, their second ones. */
const SHOWN = 3
/** Space kept between two builds on a wall, mm: a hand's width to get a sheet past. Product decision. */
const BETWEEN_MM = 50

/** Where the next build on a wall can start: past the last one standing there. */
export function nextOffset(p: Project, wallId: string): number {
  const ends = readingsOf(readBuilds(p))
    .filter((r) => r.build.wallId === wallId)
    .map((r) => r.build.offsetMm + wholeBox(r.boxes).max[0] + BETWEEN_MM)
  return Math.ceil(Math.max(0, ...ends))
}

/**
 * A build of a kind somebody chose themselves, all tacked, for some goods at a place; null where the wall is none. It need
 * not hold, nor take all of them.
 */
export function startOf(
  p: Project,
  kind: string,
  given: Pick<Build, 'id' | 'wallId' | 'offsetMm' | 'goods'>,
): { build: Build; problem: Problem | null } | null {
  const family = allFamilies().find((f) => f.id === kind)
  const first = family && newBuild({ ...given, family: kind, params: {} })
  const ctx = first && contextOf(p, first)
  if (!family || !first || !ctx) return null
  const build = { ...first, params: family.start(ctx) as Build['params'] }
  const r = readBuild(p, build)
  return { build, problem: r.ok ? null : r.problem }
}

/** Goods kept that no build holds yet. */
export function withoutHome(p: Project): { goodsId: string; count: number }[] {
  const placed = new Map<string, number>()
  for (const b of p.builds) for (const g of b.goods) placed.set(g.goodsId, (placed.get(g.goodsId) ?? 0) + g.count)
  return p.goods
    .filter((g) => g.decision === 'keep')
    .map((g) => ({ goodsId: g.id, count: g.count - (placed.get(g.id) ?? 0) }))
    .filter((g) => g.count > 0)
}

/** Changes made to a proposal before it is shown: what it would be told to do at once. */
const REPAIRS = 3

/**
 * A first guess made to hold: remedies that let the same goods in, cheapest first, until nothing of strength fails or
 * none is found.
 */
function repaired(p: Project, first: Build): Build {
  let build = first
  for (let i = 0; i < REPAIRS; i++) {
    const r = readBuild(p, build)
    const worst = r.ok && r.reading.verdict.fails > 0 ? r.reading.verdict.weakest : null
    if (!worst) return build
    const found = remedies({ ...p, builds: [...p.builds, build] }, build, worst.id, { most: 8 }).filter(
      (x) => x.deltaHoused >= 0 && x.build.offsetMm === build.offsetMm,
    )
    if (found.length === 0) return build
    build = found[0].build
  }
  return build
}

const trouble = (x: Proposal) => Number(x.verdict === 'fails') + Number(x.verdict === 'unknown')
/** What leaves least out, then what holds, then what costs least. */
const better = (a: Proposal, b: Proposal) => a.leftOut - b.leftOut || trouble(a) - trouble(b) || a.minor - b.minor

/** Proposals of every family that can take the goods, the best of each kind, the best of them first. */
export function propose(p: Project, wallId: string, offsetMm: number, goods: Build['goods'], id: string): Proposal[] {
  const prices = priceBook(p)
  const wanted = goods.reduce((n, g) => n + g.count, 0)
  const byFamily = allFamilies().map((family) => {
    const bare = newBuild({ id, family: family.id, params: {}, wallId, offsetMm, goods })
    const ctx = contextOf(p, bare, prices)
    if (!ctx) return []
    return family.propose(ctx).flatMap((params): Proposal[] => {
      const first: Build = { ...bare, params: params as Build['params'] }
      const build = repaired(p, first)
      const r = readWith(family, build, ctx)
      if (!r.ok) return []
      const holds = wanted - r.reading.shaped.unhoused.reduce((n, u) => n + u.count, 0)
      return [
        {
          build,
          holds,
          leftOut: wanted - holds,
          minor: procure(p, [r.reading]).bill.totalMinor,
          lengthMm: wholeBox(r.reading.boxes).max[0],
          verdict: r.reading.verdict.state,
        },
      ]
    })
  })
  const ranked = byFamily.map((list) => list.sort(better))
  const best = ranked.flatMap((l) => l.slice(0, 1))
  const seconds = ranked.flatMap((l) => l.slice(1)).sort(better)
  return [...best, ...seconds.slice(0, Math.max(0, SHOWN - best.length))].sort(better)
}
