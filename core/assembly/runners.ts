import type { Assembly, Motion, Support } from './assembly.ts'

/** What of a drawer runs in grooves of what stands still: supports in housings that it slides along. */
export function runnersOf(m: Motion, a: Assembly): Support[] {
  if (m.kind !== 'slide') return []
  const housed = new Set(a.joints.filter((j) => j.kind === 'housed').map((j) => j.id))
  return a.supports.filter(
    (s) =>
      'part' in s.from &&
      m.parts.includes(s.from.part) &&
      s.on.kind === 'part' &&
      !m.parts.includes(s.on.part) &&
      s.joint !== null &&
      housed.has(s.joint),
  )
}
