import type { Assembly, Part } from './assembly.ts'

/** What is only there while building, and the build once that is gone: what is judged, bought and cut. */
export function settled(a: Assembly): { built: Assembly; temporary: Part[] } {
  const temporary = a.parts.filter((p) => p.temporary)
  if (temporary.length === 0) return { built: a, temporary }
  const gone = new Set(temporary.map((p) => p.id))
  const stays = (id: string) => !gone.has(id)
  const joints = a.joints.filter((j) => stays(j.near) && stays(j.far))
  const anchors = a.anchors.filter((x) => stays(x.part))
  const fixings = new Set([...joints, ...anchors].map((x) => x.id))
  return {
    temporary,
    built: {
      ...a,
      parts: a.parts.filter((p) => stays(p.id)),
      joints,
      anchors,
      supports: a.supports.filter(
        (s) => !('part' in s.from && gone.has(s.from.part)) && !(s.on.kind === 'part' && gone.has(s.on.part)),
      ),
      subassemblies: a.subassemblies
        .map((s) => ({ ...s, parts: s.parts.filter(stays) }))
        .filter((s) => s.parts.length > 0),
      fixings: a.fixings.filter((id) => fixings.has(id)),
    },
  }
}
