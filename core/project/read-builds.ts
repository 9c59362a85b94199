import { freshLetters, type LetterPen } from '../assembly/identical.ts'
import type { CheckResult } from '../checks/check.ts'
import { verdict } from '../checks/verdict.ts'
import type { Look } from './judge.ts'
import type { Build, Project } from './project.ts'
import {
  chainBelow,
  nextOnWall,
  priceBook,
  readBuild,
  readingsOf,
  roomPlan,
  standingOn,
  type BuildOutcome,
  type BuildReading,
} from './read-build.ts'
import {
  afterTakingDown,
  checksInRoom,
  checksInRoomKept,
  surroundingsOf,
  tiesOf,
  withRoom,
  type Surroundings,
} from './room-checks.ts'

/** Readings of builds that did not change since, by build. */
export type KeptReadings = Map<string, { key: unknown[]; outcome: BuildOutcome; fresh: number; look: Look }>

/** Reads all builds by themselves; letters that are given stay, the others run on from one build to the next. */
export function readAlone(p: Project, kept?: KeptReadings, look: Look = 'everywhere'): BuildOutcome[] {
  const { letters } = p.progress
  const taken = new Set(Object.values(letters).flatMap((kinds) => Object.values(kinds).map((g) => g.letter)))
  const next = freshLetters(taken)
  let fresh = 0
  const prices = priceBook(p)
  const done = new Map<string, BuildOutcome>()
  const readOne = (b: Build): BuildOutcome => {
    const above = standingOn(p, b)
    const uppers = readingsOf(above.flatMap((u) => done.get(u.id) ?? []))
    // All that one build's reading depends on; the document is immutable, so the same object is the same value.
    const all = [b, p.goods, p.room, p.settings, p.prices, letters, fresh, nextOnWall(p, b)]
    const key: unknown[] = [...all, ...chainBelow(p, b), ...above.map((u) => u.id), ...uppers]
    const known = kept?.get(b.id)
    const enough = known?.look === 'everywhere' || look === 'as-drawn'
    if (known && enough && key.length === known.key.length && key.every((k, i) => k === known.key[i])) {
      for (let i = 0; i < known.fresh; i++) next()
      fresh += known.fresh
      return known.outcome
    }
    const before = fresh
    const pen: LetterPen = { given: letters[b.id] ?? {}, next: () => (fresh++, next()) }
    const outcome = readBuild(p, b, prices, { pen, uppers, look })
    kept?.set(b.id, { key, outcome, fresh: fresh - before, look })
    return outcome
  }
  for (const b of fromAbove(p.builds)) done.set(b.id, readOne(b))
  return p.builds.map((b) => done.get(b.id)!)
}

/** Builds in their order, but each after all that stand on it: what they press is known then. */
function fromAbove(builds: readonly Build[]): Build[] {
  const out = new Set<Build>()
  const take = (b: Build, above: readonly Build[]) => {
    if (out.has(b) || above.includes(b)) return
    for (const u of builds) if (u.standsOn === b.id) take(u, [...above, b])
    out.add(b)
  }
  for (const b of builds) take(b, [])
  return [...out]
}

/** What was read in the room the last time, beside the readings it was made of: ticks and names change neither. */
const inRoom = new WeakMap<KeptReadings, { key: unknown[]; outcomes: BuildOutcome[] }>()

/**
 * Reads all builds, each by itself and then in the room with the others. @param look those that changed may be judged as
 * they are drawn only: then they are not proven
 */
export function readBuilds(p: Project, kept?: KeptReadings, look: Look = 'everywhere'): BuildOutcome[] {
  const alone = readAlone(p, kept, look)
  const key: unknown[] = [p.room, p.settings, p.goods, ...alone]
  const known = kept && inRoom.get(kept)
  if (known && known.key.length === key.length && key.every((k, i) => k === known.key[i])) return known.outcomes
  const outcomes = inTheRoom(p, alone, kept ? checksInRoomKept : (s, r) => checksInRoom(s, r))
  if (kept) inRoom.set(kept, { key, outcomes })
  return outcomes
}

/** Whether a look at the room ended before all moves were looked at. */
export const leftOpen = (r: Pick<BuildReading, 'checks'>): boolean =>
  r.checks.some((c) => c.check === 'clearance' && c.data.sought === 0)

/**
 * What a quick look left open, looked at thoroughly: the checks of those builds that are against what stands round
 * them.
 */
export function deeperLook(p: Project, builds: readonly string[]): { id: string; checks: CheckResult[] }[] {
  const readings = readingsOf(readAlone(p))
  const round = surroundingsOf(p, roomPlan(p.room).outline, readings)
  return readings
    .filter((r) => builds.includes(r.build.id))
    .map((r) => ({ id: r.build.id, checks: checksInRoom(round, r).filter((c) => c.check === 'clearance') }))
}
/** The same readings with those checks in the place of the quick ones. */
export function withDeeperLook(
  outcomes: readonly BuildOutcome[],
  deeper: ReturnType<typeof deeperLook>,
): BuildOutcome[] {
  const of = new Map(deeper.map((d) => [d.id, d.checks]))
  return outcomes.map((o) => {
    const seen = o.ok && of.get(o.reading.build.id)
    if (!o.ok || !seen) return o
    const checks = o.reading.checks.flatMap((c) =>
      c.check === 'clearance' ? (seen.find((d) => d.id === c.id) ?? c) : c,
    )
    return { ok: true, reading: { ...o.reading, checks, verdict: verdict(checks) } }
  })
}

function inTheRoom(
  p: Project,
  alone: readonly BuildOutcome[],
  look: (s: Surroundings, r: BuildReading) => CheckResult[],
): BuildOutcome[] {
  const round = surroundingsOf(p, roomPlan(p.room).outline, readingsOf(alone))
  return alone.map((o) => {
    if (!o.ok) return o
    const checks = withRoom(o.reading.checks, look(round, o.reading))
    const tied = { ...o.reading, ...tiesOf(round, o.reading) }
    const steps = [...afterTakingDown(round, o.reading, tied.steps)]
    return { ok: true, reading: { ...tied, steps, checks, verdict: verdict(checks) } }
  })
}
