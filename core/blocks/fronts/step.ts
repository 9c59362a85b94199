import type { Assembly, Part } from '../../assembly/assembly.ts'
import type { Step } from '../../steps/step.ts'
import { GAP_MM } from './hinged.ts'

/** Hanging the leaves of a build, with all that they hang by; none where it has no leaves. */
export function hangDoors(a: Assembly): Step | false {
  const turning = new Set(a.motions.flatMap((m) => (m.kind === 'swing' ? m.parts : [])))
  const ids = (which: (p: Part) => boolean) => a.parts.filter(which).map((p) => p.id)
  const leaves = ids((p) => turning.has(p.id))
  if (leaves.length === 0) return false
  const hinged = a.joints.filter((j) => j.kind === 'hinged')
  const hinges = [...new Set(hinged.map((j) => j.near))]
  const on = [...new Set(hinged.map((j) => j.far))].filter((id) => !turning.has(id))
  return {
    id: 'doors',
    code: 'doors-hung',
    data: { leaves: leaves.length, hinges: hinges.length, gapMm: GAP_MM },
    parts: [...leaves, ...hinges],
    on,
    cautions: ['lift-two'],
    hold: { code: 'doors-shut' },
  }
}
