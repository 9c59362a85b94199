import type { Part, Support } from '../assembly/assembly.ts'
import { countedSize, thicknessAxis } from '../assembly/part-box.ts'
import { cross, dot, mid, scale, sub, type Vec3 } from '../geometry/vec.ts'
import { kept } from '../measure/kept.ts'
import type { BeamLoad } from '../mechanics/beam.ts'
import { canPush } from './body.ts'
import { wayOf, type Bent, type MemberState, type Patch } from './load-path.ts'
import { solveHeld, type Held, type Rigidity } from './solve-held.ts'

/*
 * A straight member loaded and held any way: bent in each of its two planes as a beam on what holds it that way, pulled
 * or pressed along itself. A support that leans takes its part across the member from the beam, and has the rest of its
 * force along it.
 */

/** Less than this of a member's loads across or along it is rounding. */
const COUNTS = 1e-9
/** Couples of less than this times all loads are not looked at, mm. */
const SMALL_MM = 0.01
/** A support that leans less than this against a direction does not hold that way. */
const HOLDS = 0.05
/** One that runs along the member as much as this holds it along. */
const ALONG = 0.9

export interface StickSolved {
  bent: Bent[]
  /** Most it is pulled and pressed along itself, N, both positive. */
  pulledN: number
  pressedN: number
  passed: { support: Support; patch: Patch }[]
}

interface Spot {
  from: number
  to: number
}

type Rigid = (p: Part, depthMm: number, breadthMm: number) => Rigidity | null
type Along = (p: Part, b: Patch['box']) => Spot

/** Where a stick is held, whatever loads it. */
export interface StickSite {
  /** All that holds it, and of that what does more than steady it. */
  supports: readonly Support[]
  holding: readonly Support[]
  /** Middle of each support along the member, mm. */
  places: ReadonlyMap<Support, number>
  /** By axis and way: found when a load first goes that way. */
  acrossIt: Map<number, HeldAcross>
}

/** What holds a member against loads across it, one way along one axis. */
interface HeldAcross {
  thatWay: readonly Support[]
  /** In one place as one, by the first of them. */
  groups: ReadonlyMap<string, Support[]>
  /** What holds down where a place would lift, by the first that is there. */
  downAt: ReadonlyMap<string, Support[]>
  lying: Held[]
  fastened: Held[]
}

export function stickSite(p: Part, supports: readonly Support[], along: Along): StickSite {
  const places = new Map(
    supports.map((s) => {
      const r = along(p, s.contact)
      return [s, (r.from + r.to) / 2]
    }),
  )
  return { supports, holding: supports.filter((s) => !s.steadies), places, acrossIt: new Map() }
}

/** @param sign 1 where loads go along the axis, -1 where against it */
function heldAcross(site: StickSite, axis: Vec3, sign: 1 | -1): HeldAcross {
  const thatWay = site.holding.filter((s) => Math.abs(dot(s.push, axis)) > HOLDS)
  const up = scale(axis, -sign)
  const together = inOnePlace(
    site,
    thatWay.filter((s) => canPush(s, up)),
    axis,
  )
  const groups = new Map(together.map((g) => [g[0].id, g]))
  const downAt = heldDown(site, together, thatWay)
  const heldBy = (fastened: boolean) =>
    together.map(([s]): Held => ({
      id: s.id,
      atMm: site.places.get(s)!,
      loose: s.way !== 'both' && !(fastened && downAt.has(s.id)),
    }))
  return { thatWay, groups, downAt, lying: heldBy(false), fastened: downAt.size > 0 ? heldBy(true) : [] }
}

/** @returns the reason where it is not held */
export function solveStick(
  p: Part,
  patches: readonly Patch[],
  site: StickSite,
  rigid: Rigid,
  along: Along,
): StickSolved | Extract<MemberState, { kind: 'unknown' }>['reason'] {
  // What runs along the member beside its middle line turns it; what holds it along is known once it is solved, so it
  // is solved again with that, until that stays as it was.
  let solved = solveOnce(p, patches, site, [], rigid, along)
  let before: Passed[] = []
  for (let round = 0; round < ROUNDS && typeof solved !== 'string'; round++) {
    const beside = solved.passed.filter(({ patch }) => Math.abs(dot(wayOf(patch), p.at.along)) > COUNTS)
    if (beside.length === before.length && beside.every((x, i) => samePush(x, before[i]))) break
    before = beside
    const acting = beside.map(({ patch }): Patch => ({ ...patch, way: scale(wayOf(patch), -1) }))
    solved = solveOnce(p, patches, site, acting, rigid, along)
  }
  return typeof solved === 'string' ? solved : steadied(p, patches, site, solved)
}

const samePush = (a: Passed, b: Passed): boolean => a.support === b.support && a.patch.n === b.patch.n

type Passed = StickSolved['passed'][number]

/** What a force turns a member about its own length, N·mm. */
const turnOf = (p: Part, at: Vec3, n: Vec3): number => dot(p.at.along, cross(sub(at, p.at.centre), n))

/** Less than this of a turn times all loads is not looked at, mm. */
const TURNS_MM = 1e-6
/** A support this near along the member to one that steadies it makes a couple with it, mm. */
const BESIDE_MM = 1

/**
 * Loads beside the middle line of a member and what holds it turn it about its own length. Where something steadies it
 * each place it is held takes a share, as it takes of the loads, by a couple: pulled at the one, pressed at the other.
 */
function steadied(
  p: Part,
  patches: readonly Patch[],
  { supports, holding, places }: StickSite,
  solved: StickSolved,
): StickSolved {
  if (holding.length === supports.length) return solved
  const edges = supports.filter((s) => s.steadies)
  const total = patches.reduce((s, x) => s + Math.abs(x.n), 0)
  const middle = (b: Patch['box']) => mid(b.min, b.max)
  const left =
    patches.reduce((s, x) => s + turnOf(p, middle(x.box), scale(wayOf(x), x.n)), 0) +
    solved.passed.reduce((s, x) => s - turnOf(p, middle(x.patch.box), scale(wayOf(x.patch), x.patch.n)), 0)
  if (Math.abs(left) <= TURNS_MM * total) return solved
  const near = (s: Support, e: Support) => Math.abs(places.get(s)! - places.get(e)!) < BESIDE_MM
  const couples = edges.flatMap((edge) => {
    const here = solved.passed.filter((x) => near(x.support, edge))
    const parallel = (s: Support) => Math.abs(dot(s.push, edge.push)) > ALONG
    const mate = here.find((x) => parallel(x.support)) ?? idle(holding.find((s) => parallel(s) && near(s, edge)))
    if (!mate) return []
    const others = here.reduce((s, x) => s + (x === mate ? 0 : Math.abs(x.patch.n)), 0)
    // A newton more at the edge is one less at its mate; one more where the two push against each other.
    const less = Math.sign(dot(mate.support.push, edge.push))
    const one =
      turnOf(p, middle(edge.contact), edge.push) - less * turnOf(p, middle(mate.support.contact), mate.support.push)
    return [{ edge, mate, less, bears: others > 0 ? others : Math.max(0, mate.patch.n), one }]
  })
  // Turned towards an edge it presses there; an edge on the other side would have to pull.
  const pressed = couples.filter((c) => -left / c.one > 0)
  const bears = pressed.reduce((s, c) => s + c.bears, 0)
  if (bears <= 0) return solved
  const more = new Map(pressed.map((c): [Passed, number] => [c.mate, (-left * (c.bears / bears)) / c.one]))
  const less = new Map(pressed.map((c): [Passed, number] => [c.mate, c.less * more.get(c.mate)!]))
  const woken = pressed.flatMap((c) => (solved.passed.includes(c.mate) ? [] : [c.mate]))
  return {
    ...solved,
    passed: [
      ...[...solved.passed, ...woken].map((x) =>
        less.has(x) ? { ...x, patch: { ...x.patch, n: x.patch.n - less.get(x)! } } : x,
      ),
      ...pressed.map(({ edge, mate }) => ({
        support: edge,
        patch: { box: edge.contact, n: more.get(mate)!, way: scale(edge.push, -1) },
      })),
    ],
  }
}

/** A support that has had nothing to do yet. */
const idle = (s: Support | undefined): Passed | undefined =>
  s && { support: s, patch: { box: s.contact, n: 0, way: scale(s.push, -1) } }

/** Times a member is solved again with the couples its own supports make: they settle at once where they are few. */
const ROUNDS = 3

/**
 * Couples of forces along a member that act beside its middle line, in the plane of an axis; those in one place as one.
 */
function couplesOf(p: Part, acting: readonly Patch[], down: Vec3, along: Along): BeamLoad[] {
  const out: { atMm: number; nmm: number }[] = []
  for (const x of acting) {
    const n = x.n * dot(wayOf(x), p.at.along)
    const beside = dot(sub(mid(x.box.min, x.box.max), p.at.centre), down)
    if (Math.abs(n * beside) <= COUNTS) continue
    const r = along(p, x.box)
    const atMm = (r.from + r.to) / 2
    const here = out.find((c) => Math.abs(c.atMm - atMm) < SAME_PLACE_MM)
    if (here) here.nmm -= n * beside
    else out.push({ atMm, nmm: -n * beside })
  }
  return out.map((c) => ({ kind: 'couple', ...c }))
}

function solveOnce(
  p: Part,
  patches: readonly Patch[],
  site: StickSite,
  holdingAlong: readonly Patch[],
  rigid: Rigid,
  along: Along,
): ReturnType<typeof solveStick> {
  const { widthMm, thicknessMm } = countedSize(p)
  const total = patches.reduce((s, x) => s + Math.abs(x.n), 0)
  const forces = new Map<Support, number>()
  const bent: Bent[] = []
  const acting = holdingAlong.length > 0 ? [...patches, ...holdingAlong] : patches
  for (const [i, axis, depth, breadth] of [
    [0, p.at.across, widthMm, thicknessMm],
    [1, thicknessAxis(p), thicknessMm, widthMm],
  ] as const) {
    const across = patches.map((x) => x.n * dot(wayOf(x), axis))
    const sum = across.reduce((s, n) => s + n, 0)
    // Loads run down in a beam, reactions up.
    const sign = sum >= 0 ? 1 : -1
    const down: Vec3 = sum >= 0 ? axis : scale(axis, -1)
    const up = scale(down, -1)
    const couples = couplesOf(p, acting, down, along)
    const pushed = across.some((n) => Math.abs(n) > COUNTS * total)
    if (!pushed && couples.reduce((s, c) => s + Math.abs(c.kind === 'couple' ? c.nmm : 0), 0) <= SMALL_MM * total)
      continue
    const rigidity = rigid(p, depth, breadth)
    if (!rigidity) return 'no-stiffness'
    const { thatWay, groups, downAt, lying, fastened } = kept(site.acrossIt, 2 * i + (sign + 1) / 2, () =>
      heldAcross(site, axis, sign),
    )
    if (thatWay.some((s) => forces.has(s))) return 'too-few-supports'
    const loads: BeamLoad[] = []
    patches.forEach((x, k) => {
      if (Math.abs(across[k]) > COUNTS * total) loads.push(asBeamLoad(p, x, sign * across[k], along))
    })
    loads.push(...couples)
    const solve = (held: Held[]) => solveHeld(p.size.lengthMm, rigidity, held, loads)
    // What only lies there where that will do; held down where it would lift.
    const solved = solve(lying) ?? (fastened.length > 0 ? solve(fastened) : null)
    if (!solved) return 'too-few-supports'
    bent.push({ widthMm: breadth, depthMm: depth, ...solved })
    solved.supports.forEach((id, k) => {
      const n = solved.result.reactions[k]
      const by = (n < 0 ? downAt.get(id) : undefined) ?? groups.get(id)!
      for (const s of by) forces.set(s, n / by.length / dot(s.push, up))
    })
  }
  return alongItself(p, patches, site, forces, bent, along, COUNTS * Math.max(total, 1e-9))
}

/** What in the place of a support holds the member the other way: with it it is no more lifted off than fastened there. */
function heldDown({ places }: StickSite, groups: Support[][], all: readonly Support[]): Map<string, Support[]> {
  const out = new Map<string, Support[]>()
  for (const [s] of groups) {
    if (s.way !== 'push') continue
    const at = places.get(s)!
    const against = all.filter(
      (o) => o.way === 'push' && dot(o.push, s.push) < -ALONG && Math.abs(places.get(o)! - at) < SAME_PLACE_MM,
    )
    if (against.length > 0) out.set(s.id, against)
  }
  return out
}

/** Supports this near to each other along a member hold it in one place, mm. */
const SAME_PLACE_MM = 0.1

/** Supports that hold a member in one place, the same way: a pair of braces on its two sides. They share alike. */
function inOnePlace({ places }: StickSite, holding: readonly Support[], axis: Vec3): Support[][] {
  const out: Support[][] = []
  for (const s of holding) {
    const mate = out.find(
      ([o]) =>
        o.way === s.way &&
        Math.abs(dot(o.push, axis) - dot(s.push, axis)) < COUNTS &&
        Math.abs(places.get(o)! - places.get(s)!) < SAME_PLACE_MM,
    )
    if (mate) mate.push(s)
    else out.push([s])
  }
  return out
}

/**
 * A patch shorter than this share of the member acts at its middle: never less bending than the patch itself would
 * give.
 */
const POINT_SHARE = 0.05
export function asBeamLoad(p: Part, x: Pick<Patch, 'box'>, n: number, along: Along): BeamLoad {
  const r = along(p, x.box)
  const length = r.to - r.from
  if (length < POINT_SHARE * p.size.lengthMm) return { kind: 'point', atMm: (r.from + r.to) / 2, n }
  return { kind: 'line', fromMm: r.from, toMm: r.to, startNPerMm: n / length, endNPerMm: n / length }
}

function alongItself(
  p: Part,
  patches: readonly Patch[],
  { holding, places }: StickSite,
  forces: Map<Support, number>,
  bent: Bent[],
  along: Along,
  tolerance: number,
): ReturnType<typeof solveStick> {
  const u = p.at.along
  const acting = patches.map((x) => {
    const r = along(p, x.box)
    return { at: (r.from + r.to) / 2, n: x.n * dot(wayOf(x), u) }
  })
  for (const [s, n] of forces) acting.push({ at: places.get(s)!, n: n * dot(s.push, u) })
  const sum = acting.reduce((s, x) => s + x.n, 0)
  if (Math.abs(sum) > tolerance) {
    const against = scale(u, sum > 0 ? -1 : 1)
    const able = holding.filter((s) => Math.abs(dot(s.push, u)) > ALONG && canPush(s, against))
    // What leans has its force from the beam, and more of it would push across as well: a flat brace holds nothing along.
    const straight = able.filter((s) => !forces.has(s))
    const taking = straight.length > 0 ? straight : able
    if (taking.length === 0) return 'too-few-supports'
    for (const s of taking) {
      const n = -sum / taking.length / dot(s.push, u)
      forces.set(s, (forces.get(s) ?? 0) + n)
      acting.push({ at: places.get(s)!, n: n * dot(s.push, u) })
    }
  }
  // Along the member: what acts before a place towards its start pulls there.
  let [run, pulledN, pressedN] = [0, 0, 0]
  for (const x of acting.sort((a, b) => a.at - b.at)) {
    run -= x.n
    pulledN = Math.max(pulledN, run)
    pressedN = Math.max(pressedN, -run)
  }
  // What is left of rounding is nothing.
  const counts = (n: number) => (n > tolerance ? n : 0)
  return {
    bent,
    pulledN: counts(pulledN),
    pressedN: counts(pressedN),
    passed: [...forces].map(([support, n]) => ({
      support,
      patch: { box: support.contact, n, way: scale(support.push, -1) },
    })),
  }
}

/** A member that takes forces along itself only: what comes in at one end goes out at the other. */
export function solveStrut(
  p: Part,
  patches: readonly Patch[],
  supports: readonly Support[],
): StickSolved | 'off-axis' | 'too-few-supports' {
  // A board takes its force along itself, a plate from one of its fastenings to the other.
  const u = p.stock.kind === 'sheet' ? (supports[0]?.push ?? p.at.along) : p.at.along
  const total = patches.reduce((s, x) => s + Math.abs(x.n), 0)
  const acting = patches.map((x) => ({
    at: dot(mid(x.box.min, x.box.max), u),
    n: x.n * dot(wayOf(x), u),
    off: Math.abs(x.n) - Math.abs(x.n * dot(wayOf(x), u)),
  }))
  if (acting.some((x) => x.off > OFF_AXIS * Math.max(total, 1e-9))) return 'off-axis'
  const sum = acting.reduce((s, x) => s + x.n, 0)
  const [out] = supports.filter((s) => Math.abs(dot(s.push, u)) > ALONG && canPush(s, scale(u, sum > 0 ? -1 : 1)))
  if (!out) return 'too-few-supports'
  const n = -sum / dot(out.push, u)
  // Pressed when what comes in runs towards where it goes out.
  const towards =
    acting.reduce((s, x) => s + x.at * Math.abs(x.n), 0) /
      Math.max(
        1e-9,
        acting.reduce((s, x) => s + Math.abs(x.n), 0),
      ) <
    dot(mid(out.contact.min, out.contact.max), u)
  const pressed = sum > 0 === towards
  return {
    bent: [],
    pulledN: pressed ? 0 : Math.abs(sum),
    pressedN: pressed ? Math.abs(sum) : 0,
    passed: [{ support: out, patch: { box: out.contact, n, way: scale(out.push, -1) } }],
  }
}
/** A force this much off a strut's own line is none of a strut's, of all of it. */
const OFF_AXIS = 1e-3
