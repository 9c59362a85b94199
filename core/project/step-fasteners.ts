import type { Assembly } from '../assembly/assembly.ts'
import { findScrew } from '../catalogue/fasteners.ts'
import type { JointRooms } from '../checks/joint-room.ts'
import type { DesignMethod } from '../mechanics/methods/method.ts'
import { pilotMm } from '../mechanics/spacing.ts'
import type { Step } from '../steps/step.ts'

/** Fasteners of one kind a step needs, and the hole to bore for them; null where they may simply be driven. */
export interface StepFasteners {
  fastener: string
  label: string
  count: number
  boreMm: number | null
}

/**
 * Fasteners of the joints a step makes: those it names, and of the others those whose second piece it brings. A hole is
 * bored where one of them would split the wood, and for every bolt and lag screw.
 */
export function stepFasteners(
  a: Assembly,
  rooms: JointRooms,
  steps: readonly Step[],
  index: number,
  method: DesignMethod,
): StepFasteners[] {
  const broughtAt = new Map(steps.flatMap((s, i) => s.parts.map((id) => [id, i] as const)))
  const roles = new Map(a.parts.map((p) => [p.id, p.role]))
  const namedAt = new Map(steps.flatMap((s, i) => (s.joins ?? []).map((pair) => [pair, i] as const)))
  const out = new Map<string, StepFasteners>()
  for (const j of a.joints) {
    const pair = [roles.get(j.near)!, roles.get(j.far)!].sort().join('-')
    if ((namedAt.get(pair) ?? Math.max(broughtAt.get(j.near) ?? 0, broughtAt.get(j.far) ?? 0)) !== index) continue
    j.fasteners.forEach((f, i) => {
      const fastener = findScrew(f.fastener)!
      const line = out.get(f.fastener) ?? { fastener: f.fastener, label: fastener.label, count: 0, boreMm: null }
      out.set(f.fastener, line)
      line.count += f.count
      const bore = ['bolt', 'lag', 'nut'].includes(fastener.kind) || rooms.get(j.id)?.[i]?.driven === false
      if (bore) line.boreMm = pilotMm(method.id, fastener)
    })
  }
  return [...out.values()]
}
