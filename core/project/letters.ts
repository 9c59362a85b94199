import type { Project } from './project.ts'
import { readingsOf, type BuildOutcome } from './read-build.ts'

/** What is written on the pieces of all builds as they are now: kept with the plan that is cut. */
export const lettersOf = (outcomes: readonly BuildOutcome[]): Project['progress']['letters'] =>
  Object.fromEntries(
    readingsOf(outcomes).map((r) => [
      r.build.id,
      Object.fromEntries(r.groups.map(({ key, letter, numbered }) => [key, { letter, numbered }])),
    ]),
  )

/** Those given before stay given, also to kinds that nobody asks for any more: the pieces may be lying there. */
export function addLetters(progress: Project['progress'], now: Project['progress']['letters']) {
  for (const [build, kinds] of Object.entries(now)) progress.letters[build] = { ...kinds, ...progress.letters[build] }
}
