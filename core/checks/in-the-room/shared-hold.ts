import { mid } from '../../geometry/vec.ts'
import { defineRoomCheck, type OtherBuild, type RoomContext } from '../room-check.ts'
import { plain, type CheckResult } from '../check.ts'

/*
 * What several builds hang from: joists that carry two of them, bolts and blocking both are fixed to. Each build is judged
 * as if it hung there alone; here what they ask of it together is.
 */

/** A load counts to the joist it is within this share of the spacing of. */
const NEAR_SHARE = 0.1

type Hangs = Pick<OtherBuild, 'frame' | 'assembly'>

/** Joists a build hangs from, by their number from the wall they run along. */
export function joistsOf({ frame, assembly }: Hangs, c: Pick<RoomContext, 'room' | 'outline'>): Set<number> {
  const { alongWallId, firstMm, spacingMm } = c.room.ceiling
  const run = c.outline.walls.find((w) => w.wall.id === alongWallId)
  const found = new Set<number>()
  // What hangs from bolts and blocking asks nothing of joists here: what those carry was said.
  const said = new Set(assembly.anchors.filter((x) => x.prepared).map((x) => x.id))
  for (const s of run ? assembly.supports : []) {
    if (s.on.kind !== 'ceiling' || (s.anchor !== null && said.has(s.anchor))) continue
    const [x, y] = mid(s.contact.min, s.contact.max)
    const p = frame.toPlan(x, y)
    const out = (p[0] - run!.from[0]) * run!.inward[0] + (p[1] - run!.from[1]) * run!.inward[1]
    const n = (out - firstMm) / spacingMm
    if (Math.abs(n - Math.round(n)) <= NEAR_SHARE) found.add(Math.round(n))
  }
  return found
}

/** Things prepared in walls and ceiling that a build is fixed to. */
export const preparedOf = ({ assembly }: Pick<OtherBuild, 'assembly'>): Set<string> =>
  new Set(assembly.anchors.flatMap((x) => (x.prepared ? [x.prepared.of] : [])))

const meets = <T>(a: ReadonlySet<T>, b: ReadonlySet<T>): boolean => [...a].some((x) => b.has(x))

/** What a build asks of the joists it hangs from, as a share of what they may take; null where that was not computed. */
const askedOfJoists = (checks: OtherBuild['checks']): number | null =>
  checks.find((x) => x.check === 'joists')?.ratio ?? null

export const sharedHold = defineRoomCheck({
  id: 'shared-hold',
  reads: ['assembly', 'frame', 'checks', 'others', 'room', 'outline'],
  run(c): CheckResult[] {
    const own = { assembly: c.assembly, frame: c.frame }
    const given = { check: 'shared-hold', link: 'ground' as const }
    const parts = [...new Set(c.assembly.anchors.map((x) => x.part))]
    const prepared = preparedOf(own)
    const fixed = prepared.size > 0 ? c.others.filter((o) => meets(prepared, preparedOf(o))) : []
    const out = fixed.map((o) =>
      plain({
        ...{ ...given, quantity: 'count' as const, code: 'shared-prepared', subject: o.id },
        ...{ state: 'unknown' as const, parts, data: { name: o.name } },
      }),
    )
    const joists = joistsOf(own, c)
    const beside = joists.size > 0 ? c.others.filter((o) => meets(joists, joistsOf(o, c))) : []
    if (beside.length === 0) return out
    // Where either bends a joist most the other bends it no more than where it does so most itself: shares add.
    const shares = [c.checks, ...beside.map((o) => o.checks)].map(askedOfJoists)
    const sum = shares.reduce<number | null>((a, b) => (a === null || b === null ? null : a + b), 0)
    const data = { name: beside[0].name, others: beside.length - 1, sum: sum ?? 0 }
    const state = sum !== null && sum <= 1 ? 'holds' : 'unknown'
    return [...out, plain({ ...given, quantity: 'ratio', code: 'shared-joists', subject: 'ceiling', state, data })]
  },
})
