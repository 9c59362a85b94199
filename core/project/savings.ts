import { ONLY_MET } from '../clearance/conflicts.ts'
import { findFamily } from '../families/registry.ts'
import { stripLevers } from '../families/strips.ts'
import { isHardWorked } from '../checks/verdict.ts'
import type { Build, Project } from './project.ts'
import { procure } from './plan.ts'
import { contextOf, readingsOf, readWith, roomPlan } from './read-build.ts'
import { readAlone } from './read-builds.ts'
import type { Remedy } from './remedies.ts'
import { checksInRoom, surroundingsOf } from './room-checks.ts'

/** Less than this is not worth the change, minor units. Product decision. */
const WORTH_MINOR = 200

/**
 * The reverse of a remedy: where a build holds with strength to spare, changes that make it cheaper and still hold
 * everywhere, with nothing working hard that did not before. Dearest saving first.
 */
export function savings(p: Project, build: Build, most = 4): Remedy[] {
  const family = findFamily(build.family)
  const ctx = contextOf(p, build)
  if (!family || !ctx) return []
  const base = readWith(family, build, ctx)
  if (!base.ok || base.reading.verdict.fails > 0 || base.reading.verdict.unknown > 0) return []
  const round = surroundingsOf(p, roomPlan(p.room).outline, readingsOf(readAlone(p)))
  const minor = (r: typeof base.reading) => procure(p, [r]).bill.totalMinor
  const housed = (r: typeof base.reading) => r.shaped.assembly.bays.reduce((n, b) => n + b.items.length, 0)
  const [cost, hard] = [minor(base.reading), base.reading.checks.filter(isHardWorked).length]
  const found: Remedy[] = []
  const strips = stripLevers(build.params, base.reading.shaped.choices)
  for (const l of [...family.savers(build.params, ctx), ...strips]) {
    const changed: Build = { ...build, params: l.params as Build['params'] }
    const drawn = readWith(family, changed, ctx, undefined, 'as-drawn')
    if (!drawn.ok || drawn.reading.verdict.fails > 0 || drawn.reading.verdict.unknown > 0) continue
    const r = readWith(family, changed, ctx)
    if (
      !r.ok ||
      r.reading.verdict.fails > 0 ||
      r.reading.verdict.unknown > 0 ||
      housed(r.reading) < housed(base.reading) ||
      r.reading.checks.filter(isHardWorked).length > hard
    )
      continue
    const deltaMinor = minor(r.reading) - cost
    if (
      deltaMinor > -WORTH_MINOR ||
      checksInRoom(round, r.reading, ONLY_MET).some((c) => c.state === 'fails' || c.state === 'unknown')
    )
      continue
    found.push({
      changes: [{ code: l.code, data: l.data ?? {} }],
      build: changed,
      deltaMinor,
      deltaKg: r.reading.massKg - base.reading.massKg,
      deltaHoused: housed(r.reading) - housed(base.reading),
      allHold: true,
    })
  }
  return found.sort((a, b) => a.deltaMinor - b.deltaMinor).slice(0, most)
}
