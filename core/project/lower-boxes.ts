import { isTrouble } from '../checks/verdict.ts'
import type { CheckResult } from '../checks/check.ts'
import { assumedTote, type Goods } from '../goods/goods.ts'
import { inches, type UnitSystem } from '../measure/units.ts'
import { findFamily } from '../families/registry.ts'
import type { Build, Project } from './project.ts'
import { procure } from './plan.ts'
import { contextOf, readingsOf, readWith, roomPlan, type BuildReading } from './read-build.ts'
import { readAlone } from './read-builds.ts'
import type { Remedy } from './remedies.ts'
import { checksInRoom, surroundingsOf, withRoom } from './room-checks.ts'

/* The lever that changes what is kept: the same things in lower boxes of the same footprint, and more of them. */

/** Where height is what is wrong. */
const OF_HEIGHT = new Set([
  'contents-fit',
  'comes-out',
  'clearance',
  'door-sweep',
  'under-ceiling',
  'room-fit',
  'reach',
  'tilt-in',
])
/** Shares of its height that are tried, the highest first. */
const SHARES = [0.85, 0.7, 0.55]
/** A box lower than this is a tray, mm. Product decision. */
const LEAST_MM = 120
/** Boxes are sold in steps of about this, mm. Product decision. */
const STEP_MM: Record<UnitSystem, number> = { metric: 10, imperial: inches(1 / 2) }

/** What is packed: boxes and totes, of which another size can be had. */
const isPacked = (g: Goods): boolean => g.kind === 'box' || g.kind === 'tote'

/** The same contents in boxes so much lower: so many more, each so much lighter. */
export function packedLower(g: Goods, tallMm: number): Goods {
  const share = tallMm / g.tallMm
  return {
    ...g,
    tallMm,
    count: Math.ceil(g.count / share - 1e-9),
    massKg: g.massKg === null ? null : g.massKg * share,
    inUse: null,
    // Of another tote the rim is another.
    tote: g.tote && assumedTote(g.acrossMm, tallMm),
  }
}

/**
 * Lower boxes of the same footprint that end a trouble of height, for each kind of box of a build the highest that does;
 * only of what stands in this build alone, so that nothing changes elsewhere.
 */
export function lowerBoxes(p: Project, build: Build, checkId: string): Remedy[] {
  const family = findFamily(build.family)
  const round = surroundingsOf(p, roomPlan(p.room).outline, readingsOf(readAlone(p)))
  const read = (q: Project, b: Build): { reading: BuildReading; checks: CheckResult[] } | null => {
    const ctx = contextOf(q, b)
    const r = family && ctx && readWith(family, b, ctx)
    return r?.ok ? { reading: r.reading, checks: withRoom(r.reading.checks, checksInRoom(round, r.reading)) } : null
  }
  const base = read(p, build)
  const target = base?.checks.find((c) => c.id === checkId)
  if (!base || !target || !isTrouble(target) || !OF_HEIGHT.has(target.check)) return []
  const before = base.checks.filter(isTrouble).length
  const minor = (r: BuildReading) => procure(p, [r]).bill.totalMinor
  const alone = build.goods.flatMap(({ goodsId, count }) => {
    const g = p.goods.find((x) => x.id === goodsId)
    return g && isPacked(g) && g.spare === 0 && g.count === count ? [g] : []
  })
  return alone.flatMap((g): Remedy[] => {
    for (const share of SHARES) {
      const step = STEP_MM[p.settings.yard]
      const tallMm = Math.floor((g.tallMm * share) / step) * step
      if (tallMm < LEAST_MM) return []
      const goods = packedLower(g, tallMm)
      const lower: Build = {
        ...build,
        goods: build.goods.map((x) => (x.goodsId === g.id ? { ...x, count: goods.count } : x)),
      }
      const now = read({ ...p, goods: p.goods.map((x) => (x.id === g.id ? goods : x)) }, lower)
      if (!now || now.checks.some((c) => isTrouble(c) && c.check === target.check && c.code === target.code)) continue
      const troubles = now.checks.filter(isTrouble).length
      if (troubles >= before) continue
      return [
        {
          changes: [{ code: 'lower-boxes', data: { goods: g.name, mm: tallMm, count: goods.count } }],
          build: lower,
          goods,
          deltaMinor: minor(now.reading) - minor(base.reading),
          deltaKg: now.reading.massKg - base.reading.massKg,
          // More boxes, the same things: none of them has lost or won its place.
          deltaHoused: 0,
          allHold: troubles === 0,
        },
      ]
    }
    return []
  })
}
