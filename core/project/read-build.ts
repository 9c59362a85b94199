import { alike, labels, type Alike } from '../assembly/identical.ts'
import { partBoxes, type PartBoxes } from '../assembly/part-box.ts'
import { partMassKg } from '../assembly/mass.ts'
import { startingPrices, type PriceLine } from '../catalogue/prices.ts'
import { CHECKS } from '../checks/all.ts'
import type { CheckContext, CheckResult } from '../checks/check.ts'
import { verdict, type Verdict } from '../checks/verdict.ts'
import { boardsOf } from '../families/boards-of.ts'
import type { AnyFamily, ShapeContext, Shaped } from '../families/family.ts'
import { findFamily } from '../families/registry.ts'
import type { Goods } from '../goods/goods.ts'
import { analyse } from '../loads/analyse.ts'
import type { LoadPath } from '../loads/load-path.ts'
import type { Problem } from '../measure/result.ts'
import { METHODS } from '../mechanics/methods/all.ts'
import { freeSpace, type FreeSpace } from '../room/room.ts'
import type { Step } from '../steps/step.ts'
import { pieceLines, type PieceLine } from '../takeoff/pieces.ts'
import type { Build, Project } from './project.ts'

/** Everything that is read from one build. */
export interface BuildReading {
  build: Build
  shaped: Shaped
  space: FreeSpace
  boxes: PartBoxes
  groups: Alike[]
  labels: Map<string, string>
  service: LoadPath
  design: LoadPath
  checks: CheckResult[]
  verdict: Verdict
  pieces: PieceLine[]
  steps: Step[]
  massKg: number
  goods: Map<string, Goods>
}
export type BuildOutcome = { ok: true; reading: BuildReading } | { ok: false; build: Build; problem: Problem }

/** The price book of a project: the starting one with the person's own prices in it. */
export const priceBook = (p: Pick<Project, 'prices' | 'settings'>): PriceLine[] =>
  startingPrices(p.settings.yard).map((l) => (l.key in p.prices ? { ...l, minor: p.prices[l.key] } : l))

/** What a build is shaped to: its goods that are still kept, and its space up to the next build on the wall. */
export function contextOf(p: Project, build: Build, prices = priceBook(p)): ShapeContext | null {
  const wall = p.room.walls.find((w) => w.id === build.wallId)
  if (!wall) return null
  const next = p.builds.filter((b) => b.id !== build.id && b.wallId === build.wallId && b.offsetMm > build.offsetMm).map((b) => b.offsetMm)
  const goods = build.goods.flatMap(({ goodsId, count }) => {
    const item = p.goods.find((g) => g.id === goodsId && g.decision === 'keep')
    return item ? [{ item, count: Math.min(count, item.count) }] : []
  })
  return { goods, space: freeSpace(p.room, wall, build.offsetMm, Math.min(...next, wall.lengthMm)), settings: p.settings, boards: boardsOf(prices, p.settings.yard) }
}

/** Reads one build: shape, load path, checks, parts and steps. Pure and quick: called on every change. */
export function readBuild(p: Project, build: Build, firstLetter = 0, prices = priceBook(p)): BuildOutcome {
  const family = findFamily(build.family)
  if (!family) return { ok: false, build, problem: { code: 'no-such-family', data: { family: build.family } } }
  const ctx = contextOf(p, build, prices)
  if (!ctx) return { ok: false, build, problem: { code: 'no-such-wall' } }
  return readWith(family, build, ctx, firstLetter)
}

export function readWith(family: AnyFamily, build: Build, ctx: ShapeContext, firstLetter = 0): BuildOutcome {
  const shaped = family.shape(build.params, ctx)
  if (!shaped.ok) return { ok: false, build, problem: shaped.problem }
  const { assembly } = shaped.value
  const method = METHODS[ctx.settings.method]
  const { moisture } = ctx.settings
  const boxes = partBoxes(assembly)
  const service = analyse(assembly, boxes, { method, moisture, factor: { self: 1, goods: 1 } })
  const { self, goods: goodsFactor } = method.loadFactor
  const design = self === 1 && goodsFactor === 1 ? service : analyse(assembly, boxes, { method, moisture, factor: { self, goods: goodsFactor } })
  const groups = alike(assembly, firstLetter)
  const goods = new Map(ctx.goods.map((g) => [g.item.id, g.item]))
  const context: CheckContext = {
    assembly, boxes, alike: groups, service, design, settings: ctx.settings, method, space: ctx.space, goods, unhoused: shaped.value.unhoused,
  }
  const checks = CHECKS.flatMap((c) => c.run(context))
  return {
    ok: true,
    reading: {
      build, shaped: shaped.value, space: ctx.space, boxes, groups, labels: labels(groups), service, design, checks, verdict: verdict(checks),
      pieces: pieceLines(build.id, groups), steps: family.steps(build.params, shaped.value), massKg: assembly.parts.reduce((m, x) => m + partMassKg(x), 0), goods,
    },
  }
}

/** Reads all builds, letters running on from one to the next. */
export function readBuilds(p: Project): BuildOutcome[] {
  let letters = 0
  const prices = priceBook(p)
  return p.builds.map((b) => {
    const outcome = readBuild(p, b, letters, prices)
    if (outcome.ok) letters += outcome.reading.groups.length
    return outcome
  })
}

export const readingsOf = (outcomes: readonly BuildOutcome[]): BuildReading[] => outcomes.flatMap((o) => (o.ok ? [o.reading] : []))
