import { valueAt, withValue } from '../families/params.ts'
import { findFamily } from '../families/registry.ts'
import { strain, type Verdict } from '../checks/verdict.ts'
import type { Build, Project } from './project.ts'
import { procure } from './plan.ts'
import { contextOf, readWith } from './read-build.ts'

/** One way to build it, beside others. */
export interface Variant {
  option: string | number | boolean
  now: boolean
  minor: number
  massKg: number
  /** Whole sheets that are bought, and the clear width of its lowest places together, mm. */
  sheets: number
  openMm: number
  /** Long-term sag of the piece that sags most of its limit, mm, and that share. */
  sagMm: number | null
  sagShare: number | null
  /** How hard the hardest-worked link works, beside sag. */
  strength: number
  verdict: Verdict['state']
}

/** The same build with each option of one choice, for a table. An option that cannot be shaped is left out. */
export function compare(p: Project, build: Build, path: string, options: readonly Variant['option'][]): Variant[] {
  const family = findFamily(build.family)
  const ctx = contextOf(p, build)
  if (!family || !ctx) return []
  return options.flatMap((option): Variant[] => {
    const r = readWith(family, { ...build, params: withValue(build.params, path, option) }, ctx)
    if (!r.ok) return []
    const { checks, massKg, verdict } = r.reading
    const sags = checks.filter((c) => c.check === 'sag' && c.ratio !== null)
    const worst = sags.reduce<(typeof sags)[number] | null>((a, b) => (!a || b.ratio! > a.ratio! ? b : a), null)
    const bill = procure(p, [r.reading]).bill
    const { bays } = r.reading.shaped.assembly
    const lowest = bays.filter((b) => b.name.row === Math.min(...bays.map((x) => x.name.row)))
    return [
      {
        option,
        now: valueAt(build.params, path) === option,
        minor: bill.totalMinor,
        massKg,
        sheets: bill.lines.filter((l) => l.aisle === 'sheets').reduce((n, l) => n + l.count, 0),
        openMm: lowest.reduce((mm, b) => mm + b.clear.max[0] - b.clear.min[0], 0),
        sagMm: worst ? Number(worst.data.endMm) : null,
        sagShare: worst?.ratio ?? null,
        strength: Math.max(0, ...checks.filter((c) => c.check !== 'sag' && c.state !== 'not-applicable').map(strain)),
        verdict: verdict.state,
      },
    ]
  })
}
