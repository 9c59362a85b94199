import { jointsById } from './by-id.ts'
import { partFeet } from './feet.ts'
import { addTo } from '../measure/add-to.ts'
import { findGrade, findSection } from '../catalogue/lumber.ts'
import { findScrew } from '../catalogue/fasteners.ts'
import { findSheet } from '../catalogue/sheets.ts'
import { findSoft } from '../catalogue/soft.ts'
import { findBar } from '../catalogue/steel.ts'
import { boxOverlap, penetration, type Box } from '../geometry/box.ts'
import { outsideBy } from '../geometry/contact.ts'
import { isSimple } from '../geometry/pieces.ts'
import { dot, mid, norm, type Vec3 } from '../geometry/vec.ts'
import { SAME_LENGTH_MM } from '../measure/rounding.ts'
import type { Assembly, Part } from './assembly.ts'
import { faceMm2 } from './mass.ts'
import { betweenOf, isLetIn, meets } from './sound.ts'
import { partBox, turnedBox } from './part-box.ts'

export interface Fault {
  code:
    | 'not-finite'
    | 'id-twice'
    | 'no-such-part'
    | 'no-such-bay'
    | 'no-such-joint'
    | 'no-stock'
    | 'size'
    | 'not-square'
    | 'outline'
    | 'larger-than-stock'
    | 'overlap'
    | 'apart'
    | 'circle'
    | 'rests-on-nothing'
    | 'item-outside'
    | 'items-overlap'
    | 'below-floor'
    | 'no-fastener'
    | 'in-no-subassembly'
  ids: string[]
  mm?: number
}

/** Parts that share a notch, dado or housing may reach into each other; all others may not by more than this, mm. */
const PENETRATION_MM = 0.5
/** Two parts that should meet may be this far apart, mm. */
const GAP_MM = 1

const finite = (v: unknown): boolean =>
  typeof v === 'number' ? Number.isFinite(v) : v && typeof v === 'object' ? Object.values(v).every(finite) : true

function stockFault(p: Part): boolean {
  const s = p.stock
  if (s.kind === 'soft') return findSoft(s.soft) === undefined
  if (s.kind === 'board') {
    const section = findSection(s.section)
    if (!section || !findGrade(s.grade)) return true
    const [t, w] = [Math.min(p.size.widthMm, p.size.thicknessMm), Math.max(p.size.widthMm, p.size.thicknessMm)]
    return t > section.thicknessMm + SAME_LENGTH_MM || w > section.widthMm + SAME_LENGTH_MM
  }
  if (s.kind === 'steel') {
    const rod = findBar(s.rod)
    const { lengthMm, widthMm, thicknessMm } = p.size
    const round = rod && [widthMm, thicknessMm].every((d) => Math.abs(d - rod.diameterMm) < SAME_LENGTH_MM)
    return !rod || !round || lengthMm > Math.max(...rod.lengths) + SAME_LENGTH_MM
  }
  if (s.kind === 'sheet') {
    const sheet = findSheet(s.sheet)
    if (!sheet || Math.abs(sheet.thicknessMm - p.size.thicknessMm) > SAME_LENGTH_MM) return true
    const [long, short] = [Math.max(p.size.lengthMm, p.size.widthMm), Math.min(p.size.lengthMm, p.size.widthMm)]
    return (
      long > Math.max(sheet.lengthMm, sheet.widthMm) + SAME_LENGTH_MM ||
      short > Math.min(sheet.lengthMm, sheet.widthMm) + SAME_LENGTH_MM
    )
  }
  return false
}

/** Whether the corners of a face go round, cross nowhere, and reach to all its sides. */
function isOutline(p: Part): boolean {
  const o = p.outline!
  const spans = ([0, 1] as const).every((k) => {
    const at = o.map((c) => c[k])
    const size = k === 0 ? p.size.lengthMm : p.size.widthMm
    return Math.abs(Math.min(...at)) < SAME_LENGTH_MM && Math.abs(Math.max(...at) - size) < SAME_LENGTH_MM
  })
  return faceMm2(p) > 0 && isSimple(o) && spans
}

/** Every way in which an assembly breaks the contract; empty when it keeps it. Shares nothing with the families. */
export function validateAssembly(a: Assembly): Fault[] {
  const faults: Fault[] = []
  const say = (code: Fault['code'], ids: string[], mm?: number) =>
    faults.push({ code, ids, ...(mm === undefined ? {} : { mm }) })
  if (!finite(a)) return [{ code: 'not-finite', ids: [] }]

  const parts = new Map<string, Part>()
  const seen = new Set<string>()
  for (const x of [
    ...a.parts,
    ...a.joints,
    ...a.bays,
    ...a.supports,
    ...a.anchors,
    ...a.subassemblies,
    ...a.shims,
    ...a.motions,
    ...a.bodies,
  ]) {
    if (seen.has(x.id)) say('id-twice', [x.id])
    seen.add(x.id)
  }
  const boxes = new Map<string, Box>()
  for (const p of a.parts) {
    parts.set(p.id, p)
    boxes.set(p.id, partBox(p))
    const { lengthMm, widthMm, thicknessMm } = p.size
    if (Math.min(lengthMm, widthMm, thicknessMm) <= 0) say('size', [p.id])
    if (
      Math.abs(norm(p.at.along) - 1) > 1e-6 ||
      Math.abs(norm(p.at.across) - 1) > 1e-6 ||
      Math.abs(dot(p.at.along, p.at.across)) > 1e-6
    )
      say('not-square', [p.id])
    if (p.outline && !isOutline(p)) say('outline', [p.id])
    if (stockFault(p)) say('no-stock', [p.id])
  }
  // On a floor that falls, feet reach below the level line, and what holds them down; nothing else may.
  const feet = new Set([
    ...partFeet(a).map((s) => s.from.part),
    ...a.anchors.filter((x) => x.into === 'slab').map((x) => x.part),
  ])
  for (const [partId, b] of boxes)
    if (b.min[2] < -PENETRATION_MM && !feet.has(partId)) say('below-floor', [partId], -b.min[2])
  const known = (ids: string[], owner: string) => {
    const missing = ids.filter((i) => !parts.has(i))
    if (missing.length > 0) say('no-such-part', [owner, ...missing])
    return missing.length === 0
  }
  /** Where something is fastened or rests must lie on both pieces as they are, turned or not. */
  const apart = (one: string, other: string, owner: string, at: Vec3, gapMm = GAP_MM) => {
    const off = [one, other].map((x) => outsideBy(turnedBox(parts.get(x)!), at))
    if (Math.max(...off) > gapMm) say('apart', [owner, one, other], Math.max(...off))
  }

  const joined = new Set<string>()
  for (const j of a.joints) {
    if (!known([j.near, j.far], j.id)) continue
    apart(j.near, j.far, j.id, j.at, GAP_MM + betweenOf(j))
    if (isLetIn(j)) joined.add([j.near, j.far].sort().join('|'))
    for (const f of j.fasteners) if (!findScrew(f.fastener)) say('no-fastener', [j.id, f.fastener])
  }
  overlaps(a, boxes, joined, say)

  const bays = new Set(a.bays.map((b) => b.id))
  const bodies = new Set(a.bodies.map((b) => b.id))
  const joints = jointsById(a)
  const jointIds = new Set(joints.keys())
  const anchorIds = new Set(a.anchors.map((x) => x.id))
  const restsOn = new Map<string, string[]>()
  for (const s of a.supports) {
    const from = 'part' in s.from ? s.from.part : 'bay' in s.from ? s.from.bay : s.from.body
    if ('part' in s.from && !known([s.from.part], s.id)) continue
    if ('body' in s.from) known([s.from.through], s.id)
    if (('bay' in s.from && !bays.has(from)) || ('body' in s.from && !bodies.has(from))) {
      say('no-such-bay', [s.id, from])
      continue
    }
    if (s.anchor !== null && !anchorIds.has(s.anchor)) say('no-such-joint', [s.id, s.anchor])
    if (s.joint !== null && !jointIds.has(s.joint)) say('no-such-joint', [s.id, s.joint])
    const on = s.on.kind === 'part' ? s.on.part : `(${s.on.kind})`
    if (s.on.kind === 'part') {
      if (!known([s.on.part], s.id)) continue
      if ('part' in s.from) {
        const passed = betweenOf(s.joint === null ? undefined : joints.get(s.joint))
        apart(s.from.part, meets(s, joints)!, s.id, mid(s.contact.min, s.contact.max), GAP_MM + passed)
      }
    }
    addTo(restsOn, from, on)
  }
  // What has no support of its own is held as part of its body.
  for (const b of a.bodies) for (const id of b.parts) if (!restsOn.has(id)) restsOn.set(id, [b.id])
  loadPath(a, restsOn, say)

  const grouped = new Set(a.subassemblies.flatMap((s) => s.parts))
  for (const s of a.subassemblies) known(s.parts, s.id)
  for (const x of a.anchors) known([x.part], x.id)
  for (const m of a.stick) known(m.parts, `stick ${m.code}`)
  const alone = a.parts.filter((p) => !grouped.has(p.id)).map((p) => p.id)
  if (alone.length > 0) say('in-no-subassembly', alone)

  for (const b of a.bays) {
    known(b.carriers, b.id)
    b.items.forEach((one, i) => {
      // Across and up an item belongs inside its opening; what sticks out or overfills is a finding of the checks, so
      // only the centre is held.
      const c = [0, 1, 2].map((k) => (one.box.min[k] + one.box.max[k]) / 2)
      if ([0, 1].some((k) => c[k] < b.clear.min[k] - GAP_MM || c[k] > b.clear.max[k] + GAP_MM))
        say('item-outside', [b.id, one.goodsId])
      for (const other of b.items.slice(i + 1)) {
        const o = boxOverlap(one.box, other.box)
        if (o && [0, 1, 2].every((k) => o.max[k] - o.min[k] > PENETRATION_MM))
          say('items-overlap', [b.id, one.goodsId, other.goodsId])
      }
    })
  }
  return faults
}

function overlaps(
  a: Assembly,
  boxes: Map<string, Box>,
  joined: Set<string>,
  say: (c: Fault['code'], ids: string[], mm?: number) => void,
) {
  const sorted = [...a.parts].sort((p, q) => boxes.get(p.id)!.min[0] - boxes.get(q.id)!.min[0])
  sorted.forEach((p, i) => {
    const bp = boxes.get(p.id)!
    for (let k = i + 1; k < sorted.length; k++) {
      const q = sorted[k]
      const bq = boxes.get(q.id)!
      if (bq.min[0] > bp.max[0]) break
      if (!boxOverlap(bp, bq) || joined.has([p.id, q.id].sort().join('|'))) continue
      const mm = penetration(turnedBox(p), turnedBox(q))
      if (mm > PENETRATION_MM) say('overlap', [p.id, q.id], mm)
    }
  })
}

/** Every part and bay must reach floor, wall or ceiling, and no load may go in a circle. */
function loadPath(a: Assembly, restsOn: Map<string, string[]>, say: (c: Fault['code'], ids: string[]) => void) {
  const state = new Map<string, 'open' | 'done'>()
  const visit = (id: string, path: string[]) => {
    if (id.startsWith('(') || state.get(id) === 'done') return
    if (state.get(id) === 'open') return say('circle', [...path.slice(path.indexOf(id)), id])
    state.set(id, 'open')
    const on = restsOn.get(id)
    if (!on) say('rests-on-nothing', [id])
    for (const next of on ?? []) visit(next, [...path, id])
    state.set(id, 'done')
  }
  for (const x of [...a.bays, ...a.parts, ...a.bodies]) visit(x.id, [])
}
