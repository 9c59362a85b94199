import { contactOf, outsideBy } from '../geometry/contact.ts'
import { boxOverlap, boxSize, isWithin, outsideBox, penetration, sharesMoreThan, type Box } from '../geometry/box.ts'
import { mid, norm, sub, type Vec3 } from '../geometry/vec.ts'
import { findSection } from '../catalogue/lumber.ts'
import { SAME_LENGTH_MM } from '../measure/rounding.ts'
import type { Assembly, Joint, Part, Support } from './assembly.ts'
import { jointsById, partsById } from './by-id.ts'
import { isSquare, partBoxes, standsSquare, turnedBox, type PartBoxes } from './part-box.ts'

/** Pieces that meet may be this far apart, mm. */
const GAP_MM = 1

/** One piece stands in the other: in a dado, a notch, behind its bevel, or as a rod in its hole. */
export const isLetIn = (j: Pick<Joint, 'kind'>): boolean =>
  ['housed', 'notched', 'hung', 'hooked', 'socketed'].includes(j.kind)

/** What the fasteners of a joint pass between its two pieces, mm: those are so far apart. */
export const betweenOf = (j: Pick<Joint, 'fasteners'> | undefined): number =>
  Math.max(0, ...(j?.fasteners ?? []).map((f) => f.betweenMm ?? 0))

/** Something an assembly names and has not, or has and not where it says. */
export interface Flaw {
  /** Named and missing; not where its pieces are; a board that is no such board. */
  code: 'missing' | 'apart' | 'no-board'
  id: string
}

/** The piece a support lies on: the one that holds it, or the pin that stands in that. */
export function meets(s: Support, joints: ReadonlyMap<string, Joint>): string | null {
  const j = s.joint === null ? undefined : joints.get(s.joint)
  return j?.kind === 'on-pins' ? j.near : s.on.kind === 'part' ? s.on.part : null
}

/** Names of parts, joints, anchors and bodies that nothing bears. Nothing of such an assembly can be computed. */
export function missing(a: Assembly): Flaw[] {
  const parts = new Set(a.parts.map((p) => p.id))
  const fixings = new Set([...a.joints, ...a.anchors].map((x) => x.id))
  const bodies = new Set(a.bodies.map((b) => b.id))
  const bays = new Set(a.bays.map((b) => b.id))
  const out = new Set<string>()
  const want = (known: ReadonlySet<string>, ids: readonly (string | null)[]) => {
    for (const x of ids) if (x !== null && !known.has(x)) out.add(x)
  }
  want(fixings, a.fixings)
  for (const j of a.joints) want(parts, [j.near, j.far])
  for (const x of a.anchors) want(parts, [x.part])
  for (const b of a.bays) want(parts, b.carriers)
  for (const x of [...a.bodies, ...a.subassemblies, ...a.motions, ...a.stick]) want(parts, x.parts)
  for (const s of a.shims) want(parts, [s.part])
  for (const b of a.bodies) for (const cut of b.cuts) want(parts, cut)
  for (const s of a.supports) {
    if ('part' in s.from) want(parts, [s.from.part])
    else if ('bay' in s.from) want(bays, [s.from.bay])
    else {
      want(bodies, [s.from.body])
      want(parts, [s.from.through])
    }
    if (s.on.kind === 'part') want(parts, [s.on.part])
    want(fixings, [s.joint, s.anchor])
  }
  return [...out].map((id) => ({ code: 'missing', id }))
}

/**
 * Joints and supports that do not lie on the pieces they name, things that do not lie on top of what carries them, pieces
 * that reach into each other where they are joined face to face, and boards no section of theirs gives: what turning a
 * piece the wrong way does.
 */
export function misplaced(a: Assembly): Flaw[] {
  const parts = partsById(a)
  const boxes = partBoxes(a)
  const out: Flaw[] = []
  const apart = (id: string) => out.push({ code: 'apart', id })
  const square = new Map(a.parts.map((p) => [p.id, isSquare(p)]))
  const off = (id: string, at: Vec3, gapMm = GAP_MM) =>
    square.get(id) ? outsideBox(boxes.get(id)!, at) > gapMm : outsideBy(turnedBox(parts.get(id)!), at) > gapMm
  for (const j of a.joints) {
    const [p, q] = [parts.get(j.near)!, parts.get(j.far)!]
    const into = isLetIn(j)
    const both = square.get(p.id) && square.get(q.id)
    const gapMm = GAP_MM + betweenOf(j)
    const shared = into || !both ? null : boxOverlap(boxes.get(p.id)!, boxes.get(q.id)!, gapMm)
    const reaches = both
      ? shared !== null && Math.min(...boxSize(shared)) > GAP_MM
      : !into && penetration(turnedBox(p), turnedBox(q)) > GAP_MM
    // A hinge sits where it was put.
    const beside = j.kind !== 'hinged' && shared !== null && norm(sub(mid(shared.min, shared.max), j.at)) > GAP_MM
    // What a fastener passes between its two pieces is there.
    const hollow = gapMm > GAP_MM && !a.parts.some((x) => x !== p && x !== q && !off(x.id, j.at))
    if (off(p.id, j.at, gapMm) || off(q.id, j.at, gapMm) || reaches || beside || hollow) apart(j.id)
  }
  const joints = jointsById(a)
  for (const s of a.supports) {
    if ('bay' in s.from) {
      if (s.on.kind === 'part' && square.get(s.on.part) && !onTop(s.contact, boxes.get(s.on.part)!)) apart(s.on.part)
      continue
    }
    for (const id of ['part' in s.from ? s.from.part : s.from.through, meets(s, joints)]) {
      if (id === null) continue
      const { min, max } = s.contact
      // All of a contact lies on a piece that is square to the room; of one that leans its middle does.
      const gapMm = GAP_MM + betweenOf(s.joint === null ? undefined : joints.get(s.joint))
      const inside = square.get(id) ? isWithin(s.contact, boxes.get(id)!, gapMm) : !off(id, mid(min, max), gapMm)
      if (!inside) apart(id)
    }
  }
  for (const s of a.supports) if (shrunk(s, parts)) apart(s.id)
  // What goes into the floor goes through a piece that lies on it.
  for (const x of a.anchors) if (x.into === 'slab' && off(x.part, x.at)) apart(x.id)
  for (const p of a.parts) if (!isBoard(p)) out.push({ code: 'no-board', id: p.id })
  for (const id of inEachOther(a, boxes)) apart(id)
  return out
}

/** Things lie on the upper face of what carries them. */
const onTop = (contact: Box, carrier: Box): boolean =>
  isWithin(contact, carrier, GAP_MM) && Math.abs(contact.max[2] - carrier.max[2]) <= GAP_MM

/** Whether a piece of no rectangle shares less with what it lies on than was found when it was laid there. */
function shrunk(s: Support, parts: ReadonlyMap<string, Part>): boolean {
  if (s.via !== 'bearing' || s.steadies || !('part' in s.from) || s.on.kind !== 'part') return false
  const [p, q] = [parts.get(s.from.part)!, parts.get(s.on.part)!]
  if (!p.outline || !standsSquare(p) || !isSquare(q)) return false
  const met = contactOf(turnedBox(p), turnedBox(q), GAP_MM)
  return met === null || !isWithin(s.contact, met.box, GAP_MM)
}

/** Pieces square to the room that stand where another does, and are not let into it. */
function inEachOther(a: Assembly, boxes: PartBoxes): string[] {
  const letIn = new Set(a.joints.flatMap((j) => (isLetIn(j) ? [pair(j.near, j.far)] : [])))
  const sorted = a.parts
    .filter(isSquare)
    .map((p) => ({ id: p.id, box: boxes.get(p.id)! }))
    .sort((p, q) => p.box.min[0] - q.box.min[0])
  const out: string[] = []
  sorted.forEach((p, i) => {
    for (let k = i + 1; k < sorted.length && sorted[k].box.min[0] < p.box.max[0] - GAP_MM; k++) {
      const q = sorted[k]
      if (sharesMoreThan(p.box, q.box, GAP_MM) && !letIn.has(pair(p.id, q.id))) out.push(p.id)
    }
  })
  return out
}
const pair = (p: string, q: string) => (p < q ? `${p}|${q}` : `${q}|${p}`)

/** A board is no wider and no thicker than its section; its length is its own. */
function isBoard(p: Part): boolean {
  if (p.stock.kind !== 'board') return true
  const section = findSection(p.stock.section)
  const { widthMm: w, thicknessMm: t } = p.size
  return (
    section !== undefined &&
    Math.min(w, t) <= section.thicknessMm + SAME_LENGTH_MM &&
    Math.max(w, t) <= section.widthMm + SAME_LENGTH_MM
  )
}
