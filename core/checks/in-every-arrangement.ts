import type { Assembly } from '../assembly/assembly.ts'
import type { Arrangement } from '../loads/arrangements.ts'
import type { LoadPath } from '../loads/load-path.ts'
import type { AnyCheck, CheckContext, CheckResult } from './check.ts'
import { urgency } from './verdict.ts'

export interface Loaded extends Pick<Arrangement, 'code' | 'peopled'> {
  /** The build as it is then: goods elsewhere, leaves and drawers open. */
  arranged: Assembly
  service: LoadPath
  design: LoadPath
}

/**
 * Runs the checks with the goods as they are drawn, and those that read what passes through the build again for every
 * other arrangement: of each result the worst stays, says which arrangement it is of, and covers what all of them did.
 */
export function inEveryArrangement(
  checks: readonly AnyCheck[],
  context: Omit<CheckContext, 'service' | 'design' | 'arranged'>,
  loaded: readonly Loaded[],
): CheckResult[] {
  // Who comes and goes is no load of years.
  const forDays = { ...context.settings, duration: 'short' as const }
  const paths = loaded.map((l) => l.design)
  const most: LoadPath = {
    ...loaded[0].design,
    reactions: mostThrough(paths),
    besideMm: Math.max(...paths.map((p) => p.besideMm)),
  }
  const seen = ({ arranged, service, design }: Loaded): CheckContext => ({ arranged, service, design, ...context })
  return checks.flatMap((check) => {
    if (check.asksForTheMost) return check.run({ ...seen(loaded[0]), design: most })
    const [packed, ...others] = check.reads.some((r) => r === 'service' || r === 'design') ? loaded : loaded.slice(0, 1)
    const first = check.run(seen(packed))
    if (others.length === 0) return first
    const results = new Map(first.map((r) => [r.id, r]))
    const covers = new Map(first.map((r) => [r.id, new Set(r.covers)]))
    for (const l of others) {
      if (check.lasting && l.peopled) continue
      for (const r of check.run(l.peopled ? { ...seen(l), settings: forDays } : seen(l))) {
        const known = results.get(r.id)
        const worse = !known || urgency(r) > urgency(known) + WORSE
        if (worse) results.set(r.id, { ...r, data: { ...r.data, arranged: l.code } })
        // What an arrangement loads has been judged in it, and is no worse than what is shown.
        const judged = covers.get(r.id)
        if (judged) for (const id of r.covers) judged.add(id)
        else covers.set(r.id, new Set(r.covers))
      }
    }
    return [...results.values()].map((r) => ({ ...r, covers: [...covers.get(r.id)!] }))
  })
}
/** The most that passes through each support in any arrangement, with its sign, N. */
export function mostThrough(paths: readonly LoadPath[]): Map<string, number> {
  if (paths.length === 1) return paths[0].reactions
  const out = new Map(paths[0].reactions)
  for (const p of paths.slice(1))
    for (const [id, n] of p.reactions) if (Math.abs(n) > Math.abs(out.get(id) ?? 0)) out.set(id, n)
  return out
}

/** Worse by less than this is rounding: then the picture that is drawn stays. */
const WORSE = 1e-6
