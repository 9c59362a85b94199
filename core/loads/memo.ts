import type { Part, Support } from '../assembly/assembly.ts'
import type { Vec3 } from '../geometry/vec.ts'
import { addTo } from '../measure/add-to.ts'
import type { Hold } from './body.ts'
import { wayOf, type Patch } from './load-path.ts'
import type { BeamSite, SolvedMember } from './member.ts'
import type { PanelSite } from './panel.ts'
import type { StickSite } from './stick.ts'

/** What was solved before for one assembly, whatever goods stand where: looked up and added to. */
export interface Memo {
  /** By part, what each loading came to. */
  members: Map<string, { patches: readonly Patch[]; solved: SolvedMember }[]>
  /** Where level sheets, beams and sticks are held, by what holds them: no load changes it. */
  panelSites: WeakMap<readonly Support[], PanelSite>
  beamSites: WeakMap<readonly Support[], BeamSite>
  stickSites: WeakMap<readonly Support[], StickSite>
  holds: WeakMap<readonly Support[], readonly Hold[]>
}
export const newMemo = (): Memo => ({
  members: new Map(),
  panelSites: new WeakMap(),
  beamSites: new WeakMap(),
  stickSites: new WeakMap(),
  holds: new WeakMap(),
})

function sameVec(a: Vec3, b: Vec3): boolean {
  return a === b || (a[0] === b[0] && a[1] === b[1] && a[2] === b[2])
}
const samePatch = (a: Patch, b: Patch): boolean =>
  a === b ||
  (a.n === b.n &&
    (a.box === b.box || (sameVec(a.box.min, b.box.min) && sameVec(a.box.max, b.box.max))) &&
    (a.way === b.way || sameVec(wayOf(a), wayOf(b))))

function samePatches(a: readonly Patch[], b: readonly Patch[]): boolean {
  if (a.length !== b.length) return false
  for (let i = 0; i < a.length; i++) if (!samePatch(a[i], b[i])) return false
  return true
}

/** A member under some loads, solved once. */
export function solvedBefore(
  { members }: Memo,
  p: Part,
  patches: readonly Patch[],
  solve: () => SolvedMember,
): SolvedMember {
  const list = members.get(p.id)
  const seen = list?.find((x) => samePatches(x.patches, patches))
  if (seen) return seen.solved
  const solved = solve()
  addTo(members, p.id, { patches, solved })
  return solved
}
