import type { Anchor, Assembly, Joint } from '../assembly/assembly.ts'
import { ratedAnchor } from '../assembly/rated-anchor.ts'
import { findScrew, type Screw } from '../catalogue/fasteners.ts'
import type { JointRoom, JointRooms } from '../checks/joint-room.ts'
import type { DesignMethod } from '../mechanics/methods/method.ts'
import { pilotMm } from '../mechanics/spacing.ts'
import type { Step } from '../steps/step.ts'

/** Fasteners of one kind a step needs, and the hole to bore for them; null where they may simply be driven. */
export interface StepFasteners {
  fastener: string
  label: string
  count: number
  boreMm: number | null
  /** Known by its maker only, who says how it is bored for. */
  rated?: true
}

/** The joints a step makes: those it names, and of the others those whose second piece it brings. */
export function stepJoints(a: Assembly, steps: readonly Step[], index: number): Joint[] {
  const broughtAt = new Map(steps.flatMap((s, i) => s.parts.map((id) => [id, i] as const)))
  const roles = new Map(a.parts.map((p) => [p.id, p.role]))
  const namedAt = new Map(steps.flatMap((s, i) => (s.joins ?? []).map((pair) => [pair, i] as const)))
  return a.joints.filter((j) => {
    const pair = [roles.get(j.near)!, roles.get(j.far)!].sort().join('-')
    const named = namedAt.get(`${pair}:${j.kind}`) ?? namedAt.get(pair)
    return (named ?? Math.max(broughtAt.get(j.near) ?? 0, broughtAt.get(j.far) ?? 0)) === index
  })
}

/** The fixings into wall, joist or floor a step drives. */
export const stepAnchors = (a: Assembly, steps: readonly Step[], index: number): Anchor[] =>
  a.anchors.filter((x) => steps[index].anchors?.includes(x.id))

/** The hole to bore for a fastener of a joint, mm: where it would split the wood, and for every bolt and lag screw. */
export function boreFor(f: Screw, room: JointRoom | null | undefined, method: DesignMethod): number | null {
  return ['bolt', 'lag', 'nut'].includes(f.kind) || room?.driven === false ? pilotMm(method.id, f) : null
}

/** Fasteners of the joints a step makes. */
export function stepFasteners(
  a: Assembly,
  rooms: JointRooms,
  steps: readonly Step[],
  index: number,
  method: DesignMethod,
): StepFasteners[] {
  const out = new Map<string, StepFasteners>()
  const lineOf = (id: string): StepFasteners => {
    const line = out.get(id) ?? { fastener: id, label: findScrew(id)!.label, count: 0, boreMm: null }
    out.set(id, line)
    return line
  }
  for (const x of stepAnchors(a, steps, index)) {
    if (x.fastener === null) {
      const label = ratedAnchor(x)
      if (!label) continue
      const line = out.get(label) ?? { fastener: label, label, count: 0, boreMm: null, rated: true }
      line.count += x.count
      out.set(label, line)
      continue
    }
    const line = lineOf(x.fastener)
    line.count += x.count
    // What everything hangs on or is tied by is always bored for: a stud that splits holds nothing.
    line.boreMm ??= pilotMm(method.id, findScrew(x.fastener)!)
  }
  for (const j of stepJoints(a, steps, index)) {
    j.fasteners.forEach((f, i) => {
      const fastener = findScrew(f.fastener)!
      const line = lineOf(f.fastener)
      line.count += f.count
      line.boreMm ??= boreFor(fastener, rooms.get(j.id)?.[i], method)
    })
  }
  return [...out.values()]
}
