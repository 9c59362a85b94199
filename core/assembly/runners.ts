import { addTo } from '../measure/add-to.ts'
import type { Assembly, Joint, Motion, Support } from './assembly.ts'

/** By part, what holds it in a housing of another. */
type Housed = ReadonlyMap<string, Support[]>
const known = new WeakMap<readonly Support[], { of: readonly Joint[]; housed: Housed }>()

function housedIn({ joints, supports }: Assembly): Housed {
  const seen = known.get(supports)
  if (seen?.of === joints) return seen.housed
  const housings = new Set(joints.filter((j) => j.kind === 'housed').map((j) => j.id))
  const housed = new Map<string, Support[]>()
  for (const s of supports)
    if ('part' in s.from && s.on.kind === 'part' && s.joint !== null && housings.has(s.joint))
      addTo(housed, s.from.part, s)
  known.set(supports, { of: joints, housed })
  return housed
}

/** What of a drawer runs in grooves of what stands still: supports in housings that it slides along. */
export function runnersOf(m: Motion, a: Assembly): Support[] {
  if (m.kind !== 'slide') return []
  const housed = housedIn(a)
  return m.parts.flatMap((id) =>
    (housed.get(id) ?? []).filter((s) => s.on.kind === 'part' && !m.parts.includes(s.on.part)),
  )
}
