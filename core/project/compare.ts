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
    return [
      {
        option,
        now: valueAt(build.params, path) === option,
        minor: procure(p, [r.reading]).bill.totalMinor,
        massKg,
        sagMm: worst ? Number(worst.data.endMm) : null,
        sagShare: worst?.ratio ?? null,
        strength: Math.max(0, ...checks.filter((c) => c.check !== 'sag' && c.state !== 'not-applicable').map(strain)),
        verdict: verdict.state,
      },
    ]
  })
}
