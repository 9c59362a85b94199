import type { CheckResult } from '../checks/check.ts'
import { isTrouble } from '../checks/verdict.ts'
import { sayCheck } from './checks.ts'
import { CHECK_NAMES } from './check-names.ts'
import type { Say } from './say.ts'

/** Findings of a build that are one to a person: troubles that say the same. */
export interface Finding {
  first: CheckResult
  all: CheckResult[]
}

/** Results in their order; those that trouble in the same words are one, where the first of them stands. */
export function findings(results: readonly CheckResult[], say: Say): Finding[] {
  const out: Finding[] = []
  const bySentence = new Map<string, Finding>()
  for (const r of results) {
    const words = isTrouble(r) ? `${r.state} ${sayCheck(r, say)}` : null
    const known = words === null ? undefined : bySentence.get(words)
    if (known) known.all.push(r)
    else {
      const f = { first: r, all: [r] }
      out.push(f)
      if (words !== null) bySentence.set(words, f)
    }
  }
  return out
}

/** What a finding is about: its checks, each with the letters of the pieces. */
export function findingNames({ all }: Finding): { check: string; letters: string[] }[] {
  const letters = new Map<string, Set<string>>()
  for (const r of all) {
    const of = letters.get(r.check) ?? new Set()
    letters.set(r.check, of)
    if (r.data.letter) of.add(String(r.data.letter))
  }
  return [...letters].map(([check, of]) => ({ check: CHECK_NAMES[check] ?? check, letters: [...of] }))
}
