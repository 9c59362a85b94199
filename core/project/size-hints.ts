import { withValue } from '../families/params.ts'
import { findFamily } from '../families/registry.ts'
import { MM_PER_INCH } from '../measure/units.ts'
import type { Build, Project } from './project.ts'
import { procure } from './plan.ts'
import { contextOf, readWith } from './read-build.ts'

/** A size that is only a little less and saves boards or sheets. */
export interface SizeHint {
  path: string
  code: string
  data: Record<string, number>
  fromMm: number
  toMm: number
  boards: number
  sheets: number
  deltaMinor: number
  build: Build
}

/** Sizes a cut plan hangs on; others are given by what is stored. */
const OVERALL = new Set(['depth', 'length', 'clear-bay', 'rail-length'])
/** How much less is tried: marks of the project's tape. Nobody misses an inch. */
const LESS = {
  imperial: [1 / 16, 1 / 8, 1 / 4, 3 / 8, 1 / 2, 3 / 4, 1].map((n) => n * MM_PER_INCH),
  metric: [1, 2, 3, 5, 10, 15, 25],
}
/** Less than this is not worth a change, minor units. Product decision. */
const WORTH_MINOR = 300

/**
 * Overall sizes that, a little smaller, need fewer boards or sheets, with everything housed and held as before: the
 * least change that saves, for each size. What else the project builds is cut with it.
 */
export function sizeHints(p: Project, build: Build): SizeHint[] {
  const family = findFamily(build.family)
  const ctx = contextOf(p, build)
  if (!family || !ctx) return []
  const base = readWith(family, build, ctx)
  if (!base.ok) return []
  const others = p.builds.flatMap((b) => {
    const f = findFamily(b.family)
    const c = b.id === build.id ? null : contextOf(p, b)
    const r = f && c && readWith(f, b, c)
    return r?.ok ? [r.reading] : []
  })
  const counted = (r: typeof base.reading) => {
    const { cutPlan, bill } = procure(p, [r, ...others])
    return {
      minor: bill.totalMinor,
      boards: cutPlan.boards.filter((b) => b.handId === null).length,
      sheets: cutPlan.sheets.filter((s) => s.handId === null).length,
    }
  }
  const housed = (r: typeof base.reading) => r.shaped.assembly.bays.reduce((n, b) => n + b.items.length, 0)
  const was = counted(base.reading)
  const held = {
    fails: base.reading.verdict.fails,
    unknown: base.reading.verdict.unknown,
    housed: housed(base.reading),
  }
  return base.reading.shaped.dims.flatMap((d): SizeHint[] => {
    if (d.quantity !== 'length' || !OVERALL.has(d.code)) return []
    for (const less of LESS[p.settings.system]) {
      const changed: Build = { ...build, params: withValue(build.params, d.path, d.value - less) as Build['params'] }
      const r = readWith(family, changed, ctx)
      if (
        !r.ok ||
        housed(r.reading) < held.housed ||
        r.reading.verdict.fails > held.fails ||
        r.reading.verdict.unknown > held.unknown
      )
        continue
      const now = counted(r.reading)
      if (
        was.minor - now.minor < WORTH_MINOR ||
        now.sheets > was.sheets ||
        (now.sheets === was.sheets && now.boards >= was.boards)
      )
        continue
      return [
        {
          path: d.path,
          code: d.code,
          data: d.data ?? {},
          fromMm: d.value,
          toMm: d.value - less,
          boards: was.boards - now.boards,
          sheets: was.sheets - now.sheets,
          deltaMinor: now.minor - was.minor,
          build: changed,
        },
      ]
    }
    return []
  })
}
