import type { Assembly, Joint, Part } from '../assembly/assembly.ts'
import { jointsById } from '../assembly/by-id.ts'
import { stockKey } from '../assembly/identical.ts'
import { isLevelSheet, isUpright, type PartBoxes } from '../assembly/part-box.ts'
import { meetingAxis } from '../geometry/box.ts'
import { add, mid, norm, scale, type Axis, type Vec3 } from '../geometry/vec.ts'
import type { LoadPath } from '../loads/load-path.ts'
import { addTo } from '../measure/add-to.ts'
import { findScrew } from '../catalogue/fasteners.ts'
import type { Factor, Strength } from '../mechanics/methods/method.ts'
import { housingBearing } from '../mechanics/bearing.ts'
import type { JointRoom } from './joint-room.ts'
import { linkOf } from './members.ts'
import { PANEL_BEARING_MPA } from './bearing.ts'
import { besideOf } from './beside.ts'
import { oneFastener, passedIn } from './fastener.ts'
import { jointGives } from './ties.ts'
import { woodOf } from './wood.ts'
import { defineCheck, measured, plain, type CheckContext, type CheckResult, type Input } from './check.ts'

/** Modulus times area of a piece, N. */
function stiffArea(p: Part, c: Pick<CheckContext, 'method' | 'settings'>): number {
  const wood = woodOf(p)
  const e =
    wood?.kind === 'lumber'
      ? c.method.modulus(wood.grade, c.settings)?.value
      : wood && (wood.sheet.ei.along * 12) / wood.sheet.thicknessMm ** 3
  return (e ?? 0) * p.size.widthMm * p.size.thicknessMm
}

/** What the place of fasteners leaves of their strength: too near to an edge or to each other, and several in a row. */
function placeFactors(
  j: Joint,
  room: JointRoom | null | undefined,
  parts: ReadonlyMap<string, Part>,
  c: Pick<CheckContext, 'method' | 'settings'>,
): Factor[] {
  if (!room) return []
  const out: Factor[] =
    room.share < 1
      ? [
          {
            symbol: 'CΔ',
            value: room.share,
            source: `${room.source}: distances kept to this share only, and bored; NDS 2018 12.5.1.2: none below one half`,
          },
        ]
      : []
  const group =
    room.count > 1
      ? c.method.group(room.fastener, room.count, Math.max(room.alongMm, 1), () => [
          stiffArea(parts.get(j.near)!, c),
          stiffArea(parts.get(j.far)!, c),
        ])
      : null
  return group ? [...out, group] : out
}
const product = (list: Factor[]) => list.reduce((v, f) => v * f.value, 1)

/** What the fasteners of a joint give together, N, and how the first kind of them comes to it. */
interface Given {
  capacity: number
  one: Strength
  place: Factor[]
  count: number
}
interface Found extends Given {
  joint: Joint
  demand: number
  from: Part
  on: Part
  pulledOut: boolean
}

/** Null when any kind of its fasteners has no value. */
function whatItGives(
  j: Joint,
  rooms: readonly (JointRoom | null)[] | undefined,
  parts: ReadonlyMap<string, Part>,
  boxes: PartBoxes,
  c: Pick<CheckContext, 'method' | 'settings'>,
): Given | null {
  const each: { one: Strength; place: Factor[]; count: number }[] = []
  for (const [i, f] of j.fasteners.entries()) {
    const one = oneFastener(j, f, parts, boxes, c)
    if (!one) return null
    each.push({ one, place: placeFactors(j, rooms?.[i], parts, c), count: f.count })
  }
  return each.length === 0
    ? null
    : { capacity: each.reduce((s, e) => s + e.one.value * e.count * product(e.place), 0), ...each[0] }
}

/** Stocks by number: alike where they are bought alike. */
function kindsOf(parts: ReadonlyMap<string, Part>): Map<Part['stock'], number> {
  const [numbers, out] = [new Map<string, number>(), new Map<Part['stock'], number>()]
  for (const { stock } of parts.values()) {
    if (out.has(stock)) continue
    const key = stockKey(stock)
    if (!numbers.has(key)) numbers.set(key, numbers.size)
    out.set(stock, numbers.get(key)!)
  }
  return out
}

/** All that the strength of a joint depends on beside the stocks and the room it has. */
function shapeKey(j: Joint, near: Part, far: Part, boxes: PartBoxes): string {
  const { throughMm, behindMm } = passedIn(j, boxes.get(near.id)!, boxes.get(far.id)!)
  const upright = (near.at.along[2] > 0.5 ? 2 : 0) + (far.at.along[2] > 0.5 ? 1 : 0)
  let key = `${j.kind}|${upright}|${Math.round(10 * throughMm)}|${Math.round(10 * behindMm)}`
  for (const f of j.fasteners) key += `|${f.fastener}|${f.into}|${f.count}|${f.beforeMm ?? 0}|${f.betweenMm ?? 0}`
  return key
}

/** A joint that gives less than this against being pulled apart gives nothing, N. */
const TINY_N = 1e-6

interface Through {
  /** Across its fasteners, along them where it pulls, and how many places of it that is spread over. */
  slidN: number
  pulledN: number
  /** Axis along which its fasteners are driven. */
  axis: Axis
  supports: string[]
}

/**
 * Screws turn their piece about the lower edge of what they share with the other: they sit at two thirds of its height.
 * Product decision.
 */
const LEVER_SHARE = 2 / 3

/**
 * Pull that comes into the fasteners of a level board held on its side, for each newton it hands over: the load comes
 * down in its middle, half its thickness off the face, and off what lies between. A sheet or a board across that is fastened to it and to
 * something else keeps it from turning.
 */
function prying(
  held: Part,
  on: Part,
  c: { parts: ReadonlyMap<string, Part>; boxes: PartBoxes; joined: Joined; intoPosts: boolean },
): number {
  const [a, b] = [c.boxes.get(held.id)!, c.boxes.get(on.id)!]
  const axis = meetingAxis(a, b)
  if (axis === 2 || isUpright(held) || held.stock.kind !== 'board' || Math.abs(held.at.along[axis]) > 0.9) return 0
  const high = Math.min(a.max[2], b.max[2]) - Math.max(a.min[2], b.min[2])
  const apartMm = Math.max(0, a.min[axis] - b.max[axis], b.min[axis] - a.max[axis])
  const share = (mm: number) => (high <= 0 ? 0 : (mm + apartMm) / (LEVER_SHARE * high))
  // Where the posts take what turns a rail, its load comes down at its far face.
  if (c.intoPosts && isUpright(on)) return share(a.max[axis] - a.min[axis])
  const steady = c.joined.get(held.id)?.some((id) => {
    const other = c.parts.get(id)!
    const across = isLevelSheet(other) || (!isUpright(other) && Math.abs(other.at.along[axis]) > 0.9)
    return across && id !== on.id && (c.joined.get(id)?.length ?? 0) > 1
  })
  return steady ? 0 : share((a.max[axis] - a.min[axis]) / 2)
}

/** What every piece is fastened to. */
type Joined = ReadonlyMap<string, string[]>
function joinedOf(a: Assembly): Joined {
  const out = new Map<string, string[]>()
  for (const j of a.joints)
    for (const [x, y] of [
      [j.near, j.far],
      [j.far, j.near],
    ])
      addTo(out, x, y)
  return out
}

/**
 * What passes through the fasteners of every joint that carries: across them, and along them where it pulls the pieces
 * apart.
 */
function through(
  a: Assembly,
  path: LoadPath,
  parts: ReadonlyMap<string, Part>,
  boxes: PartBoxes,
): ReadonlyMap<string, Through> {
  const byId = jointsById(a)
  const out = new Map<string, Through>()
  // By joint, what passes at each place of it.
  const at = new Map<string, Map<string, { slid: Vec3; pulledN: number }>>()
  const joined = joinedOf(a)
  const intoPosts = besideOf({ assembly: a, parts }, path) === 'into-posts'
  for (const s of a.supports) {
    const j = s.via === 'bearing' || s.joint === null ? undefined : byId.get(s.joint)
    if (!j) continue
    const axis = meetingAxis(boxes.get(j.near)!, boxes.get(j.far)!)
    const t = out.get(j.id) ?? { slidN: 0, pulledN: 0, axis, supports: [] }
    out.set(j.id, t)
    t.supports.push(s.id)
    const force = scale(s.push, path.reactions.get(s.id) ?? 0)
    // The force on what is held, towards what holds it, pulls the two together by their fasteners; away from it they
    // press on each other.
    const [held, on] = 'part' in s.from && s.from.part === j.far ? [j.far, j.near] : [j.near, j.far]
    const towards = Math.sign(parts.get(on)!.at.centre[axis] - parts.get(held)!.at.centre[axis])
    const places = at.get(j.id) ?? new Map<string, { slid: Vec3; pulledN: number }>()
    at.set(j.id, places)
    const key = mid(s.contact.min, s.contact.max).map(Math.round).join()
    const place = places.get(key) ?? { slid: [0, 0, 0] as Vec3, pulledN: 0 }
    places.set(key, place)
    place.pulledN +=
      Math.max(0, force[axis] * towards) +
      Math.abs(force[2]) * prying(parts.get(held)!, parts.get(on)!, { parts, boxes, joined, intoPosts })
    const across: Vec3 = [...force]
    across[axis] = 0
    place.slid = add(place.slid, across)
  }
  // Fasteners of one joint stand at all its places, as many at each: the place with most decides.
  for (const [id, t] of out) {
    const places = [...at.get(id)!.values()]
    t.slidN = places.length * Math.max(...places.map((x) => norm(x.slid)))
    t.pulledN = places.length * Math.max(...places.map((x) => x.pulledN))
  }
  return out
}

/** Loads that pass through fasteners alone: the screws of every joint against what comes down through it. */
export const joints = defineCheck({
  id: 'joints',
  asksForTheMost: true,
  reads: ['assembly', 'parts', 'boxes', 'design', 'settings', 'method', 'rooms'],
  run({ assembly, parts, boxes, design, settings, method, rooms }): CheckResult[] {
    const passing = through(assembly, design, parts, boxes)
    const kindOf = kindsOf(parts)
    // Joints alike give the same: worked out once.
    const known = new Map<string, Given | null>()
    const worst = new Map<string, Found>()
    const lost = new Map<string, Joint>()
    const looked = new Map<string, string[]>()
    for (const j of assembly.joints) {
      const force = passing.get(j.id)
      if (force === undefined) continue
      const [near, far] = [parts.get(j.near)!, parts.get(j.far)!]
      const key = near.role < far.role ? `${near.role}-${far.role}` : `${far.role}-${near.role}`
      const alike = `${kindOf.get(near.stock)}|${kindOf.get(far.stock)}|${shapeKey(j, near, far, boxes)}|${rooms.get(j.id)?.map((r) => r?.share)}`
      let gives = known.get(alike)
      if (gives === undefined)
        known.set(alike, (gives = whatItGives(j, rooms.get(j.id), parts, boxes, { method, settings })))
      const pull = force.pulledN > 0 ? jointGives(j, force.axis, parts, boxes, { method, settings }) : 0
      if (gives === null || pull === null) lost.set(key, j)
      else {
        // Sliding and pulling at once use the fasteners up together: their shares add.
        // Where they give nothing across, and nothing slides, what they give pulled is the capacity.
        // Pulled along their length out of end grain or an edge they hold nothing that counts.
        const pulledOut = pull <= 0 && force.pulledN > TINY_N && j.fasteners.some((f) => f.into !== 'side')
        if (pulledOut) gives = { ...gives, capacity: 0 }
        const onlyPulled = !pulledOut && gives.capacity <= 0 && force.slidN <= TINY_N * force.pulledN
        if (onlyPulled) gives = { ...gives, capacity: pull }
        const demand =
          pulledOut || onlyPulled
            ? force.pulledN
            : force.slidN + (force.pulledN > 0 ? (force.pulledN * gives.capacity) / Math.max(pull, TINY_N) : 0)
        for (const id of [j.id, ...force.supports]) addTo(looked, key, id)
        const seen = worst.get(key)
        if (!seen || hard(demand, gives.capacity) > hard(seen.demand, seen.capacity))
          worst.set(key, { joint: j, demand, ...gives, from: near, on: far, pulledOut })
      }
    }
    const given = { check: 'joints', quantity: 'force' as const }
    const out: CheckResult[] = []
    for (const [key, w] of worst) {
      const f = w.joint.fasteners[0]
      const data = {
        near: w.from.role,
        far: w.on.role,
        fastener: findScrew(f.fastener)!.label,
        count: w.count,
        end: f.into === 'end' ? 1 : 0,
        endGrain: method.id === 'ec5' ? 'third' : 'two-thirds',
        oneN: w.one.value,
      }
      const inputs: Input[] = [
        { symbol: 'load on the joint', value: w.demand, quantity: 'force', source: method.loadFactor.source },
        { symbol: 'fasteners', value: w.count, quantity: 'count' },
        { symbol: w.one.baseSymbol, value: w.one.base, quantity: 'force', source: w.one.source },
        ...[...w.one.factors, ...w.place].map((x): Input => ({
          symbol: x.symbol,
          value: x.value,
          quantity: 'ratio',
          source: x.source,
        })),
      ]
      const working = { formula: 'load ≤ fasteners × what one carries across its length', inputs, source: w.one.source }
      const base = {
        link: linkOf(isUpright(w.from) ? w.on : w.from),
        subject: key,
        parts: [w.joint.near, w.joint.far],
        covers: looked.get(key),
        data,
        working,
        ...given,
      }
      // A fastener that may not be counted at all gives nothing: the joint holds only if nothing passes through it.
      out.push(
        w.capacity > 0
          ? measured({
              code: f.into === 'end' ? 'joint-end-grain' : 'joint',
              demand: w.demand,
              capacity: w.capacity,
              ...base,
            })
          : measured({
              ...base,
              code: w.pulledOut ? 'joint-pulled-out' : w.one.value > 0 ? 'joint-crowded' : 'joint-too-short',
              demand: w.demand,
              capacity: 0,
            }),
      )
    }
    for (const [key, j] of lost)
      out.push(
        plain({
          ...given,
          link: linkOf(parts.get(j.near)!),
          code: 'unknown-joint',
          subject: `${key}:unknown`,
          state: 'unknown',
          parts: [j.near, j.far],
          data: { near: parts.get(j.near)!.role, far: parts.get(j.far)!.role, role: parts.get(j.near)!.role },
        }),
      )
    return out
  },
})

const hard = (demand: number, capacity: number) => (capacity > 0 ? demand / capacity : demand > 0 ? Infinity : 0)

/** A shelf on the shoulder of a dado: as wide as it is deep in there, as long as it runs, mm; N. */
interface Pressed {
  parts: string[]
  w: number
  d: number
  n: number
  capacity: number
}
/** Shelves that stand in dadoes: the shoulder that carries them. */
export const housings = defineCheck({
  id: 'housing',
  reads: ['assembly', 'design'],
  run({ assembly, design }): CheckResult[] {
    const byJoint = jointsById(assembly)
    let worst: Pressed | null = null
    const covers: string[] = []
    const given = { check: 'housing', link: 'shelf', quantity: 'force', subject: 'dado' } as const
    for (const s of assembly.supports) {
      const j = s.joint === null ? undefined : byJoint.get(s.joint)
      if (j?.kind !== 'housed' || s.on.kind !== 'part' || !('part' in s.from)) continue
      const parts = [s.from.part, s.on.part]
      const state = design.members.get(s.from.part)?.state
      if (state?.kind === 'unknown')
        return [plain({ ...given, parts, code: `unknown-${state.reason}`, state: 'unknown', data: { role: 'shelf' } })]
      covers.push(s.id, j.id)
      const [w, d] = [s.contact.max[0] - s.contact.min[0], s.contact.max[1] - s.contact.min[1]]
      const n = design.reactions.get(s.id) ?? 0
      const capacity = housingBearing(w, d, PANEL_BEARING_MPA)
      if (!worst || hard(n, capacity) > hard(worst.n, worst.capacity)) worst = { parts, w, d, n, capacity }
    }
    if (!worst) return []
    const { parts, w, d, n, capacity } = worst
    return [
      measured({
        ...given,
        ...{ parts, covers, capacity },
        code: 'dado',
        demand: n,
        data: { deepMm: w },
        working: {
          formula: 'N ≤ depth of dado × its length × strength',
          inputs: [
            { symbol: 'N', value: n, quantity: 'force' },
            { symbol: 'depth of dado', value: w, quantity: 'length' },
            { symbol: 'length', value: d, quantity: 'length' },
            { symbol: 'strength', value: PANEL_BEARING_MPA, quantity: 'stress', source: 'product decision' },
          ],
          source: 'bearing',
        },
      }),
    ]
  },
})
