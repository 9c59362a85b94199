import type { Assembly, Body, Part, Support } from '../assembly/assembly.ts'
import { partsById } from '../assembly/by-id.ts'
import { massCentre, partMassKg } from '../assembly/mass.ts'
import { isLevelSheet } from '../assembly/part-box.ts'
import type { Box } from '../geometry/box.ts'
import { mid, type Vec3 } from '../geometry/vec.ts'
import { addTo } from '../measure/add-to.ts'
import { newtons } from '../measure/units.ts'
import { STEEP } from './member.ts'
import { slabsOf, slantedEdges } from './on-outline.ts'

/*
 * What the load path reads of a build and no goods change: worked out once for all arrangements of the goods, which
 * share its parts and its supports.
 */

export type Node = { part: Part } | { body: Body }
export interface Frame {
  byPart: ReadonlyMap<string, Part>
  /** By part, bay or body (`bodyKey`). */
  supportsOf: ReadonlyMap<string, Support[]>
  /** By part, what holds others on it. */
  onPart: ReadonlyMap<string, Support[]>
  /** Parts and bodies in an order where everything comes after all that rests on it. */
  order: Node[]
  /** Neither level nor upright: a shelf or a box may lie on it all the same. */
  leaning: ReadonlyMap<string, Part>
  /** By part, the body it is one with, and the stiff frame that takes what pushes it sideways. */
  bodyOf: ReadonlyMap<string, string>
  frameOf: ReadonlyMap<string, string>
  /** What every part weighs, N, where, and what of a strut takes it. */
  weights: { part: Part; n: number; at: Vec3; ends: End[]; slabs?: ReturnType<typeof slabsOf> }[]
}
interface End {
  contact: Box
  /** What is there; null where it is the floor, a wall or the ceiling. */
  part: string | null
  support: string
  /** Of the weight of the strut. */
  share: number
}

/** Bodies and parts have ids of their own. */
export const bodyKey = (id: string) => `body ${id}`

const known = new WeakMap<Support[], WeakMap<Part[], { bodies: Body[]; frame: Frame }>>()
export function frameOf(a: Assembly): Frame {
  const ofParts = known.get(a.supports) ?? new WeakMap<Part[], { bodies: Body[]; frame: Frame }>()
  const seen = ofParts.get(a.parts)
  if (seen?.bodies === a.bodies) return seen.frame
  const frame = readFrame(a)
  known.set(a.supports, ofParts.set(a.parts, { bodies: a.bodies, frame }))
  return frame
}

function readFrame(a: Assembly): Frame {
  const supportsOf = new Map<string, Support[]>()
  for (const s of a.supports)
    addTo(supportsOf, 'part' in s.from ? s.from.part : 'bay' in s.from ? s.from.bay : bodyKey(s.from.body), s)
  const onPart = new Map<string, Support[]>()
  for (const s of a.supports) if (s.on.kind === 'part') addTo(onPart, s.on.part, s)
  const of = (which: readonly Body[]) => new Map(which.flatMap((b) => b.parts.map((id) => [id, b.id] as const)))
  return {
    byPart: partsById(a),
    supportsOf,
    onPart,
    order: sortedDown(a),
    leaning: new Map(a.parts.filter(leans).map((p) => [p.id, p])),
    bodyOf: of(a.bodies.filter((b) => !b.sideways)),
    frameOf: of(a.bodies.filter((b) => b.sideways)),
    // A strut takes no load across itself: its weight hangs on what it holds and on what holds it, by where its middle is.
    weights: a.parts.map((part) => ({
      part,
      n: newtons(partMassKg(part)),
      at: massCentre(part),
      ends: part.axial ? endsOf(part, a.supports) : [],
      ...(isLevelSheet(part) && slantedEdges(part).length > 0
        ? { slabs: slabsOf(part, part.at.centre[2] + part.size.thicknessMm / 2) }
        : {}),
    })),
  }
}

const leans = (p: Part): boolean => Math.abs(p.at.along[2]) > 1e-6 && Math.abs(p.at.along[2]) <= STEEP

function sortedDown(a: Assembly): Node[] {
  const below = new Map<string, string[]>()
  const nodes = new Map<string, Node>([
    ...a.parts.map((part) => [part.id, { part }] as const),
    ...a.bodies.map((body) => [bodyKey(body.id), { body }] as const),
  ])
  const waiting = new Map([...nodes.keys()].map((id) => [id, 0]))
  const edge = (from: string, to: string) => {
    addTo(below, from, to)
    waiting.set(to, (waiting.get(to) ?? 0) + 1)
  }
  const own = new Set<string>()
  for (const s of a.supports) {
    if ('bay' in s.from) continue
    const from = 'part' in s.from ? s.from.part : bodyKey(s.from.body)
    own.add(from)
    if (s.on.kind === 'part') edge(from, s.on.part)
  }
  for (const b of a.bodies) for (const id of b.parts) if (b.sideways || !own.has(id)) edge(id, bodyKey(b.id))
  const ready = [...nodes].filter(([id]) => waiting.get(id) === 0)
  const out: Node[] = []
  while (ready.length > 0) {
    const [id, node] = ready.pop()!
    out.push(node)
    for (const next of below.get(id) ?? []) {
      waiting.set(next, waiting.get(next)! - 1)
      if (waiting.get(next) === 0) ready.push([next, nodes.get(next)!])
    }
  }
  return out
}
function endsOf(p: Part, supports: readonly Support[]): End[] {
  const ends = supports.flatMap((s): Omit<End, 'share'>[] => {
    if (s.on.kind === 'part' && s.on.part === p.id && 'part' in s.from)
      return [{ contact: s.contact, part: s.from.part, support: s.id }]
    if ('part' in s.from && s.from.part === p.id)
      return [{ contact: s.contact, part: s.on.kind === 'part' ? s.on.part : null, support: s.id }]
    return []
  })
  const shares = ends.length === 2 ? betweenTwo(p, ends[0].contact, ends[1].contact) : ends.map(() => 1 / ends.length)
  return ends.map((e, i) => ({ ...e, share: shares[i] }))
}

/** What of a strut's weight comes down at each of its ends, by statics along the level line between them; a gusset is heavier at its corner. */
function betweenTwo(p: Part, one: Box, other: Box): [number, number] {
  const [a, b, c] = [mid(one.min, one.max), mid(other.min, other.max), massCentre(p)]
  const [x, y] = [b[0] - a[0], b[1] - a[1]]
  const long2 = x * x + y * y
  // Upright it comes down anywhere.
  if (long2 < 1) return [1 / 2, 1 / 2]
  const t = Math.min(1, Math.max(0, ((c[0] - a[0]) * x + (c[1] - a[1]) * y) / long2))
  return [1 - t, t]
}
