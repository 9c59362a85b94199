import { addTo } from '../measure/add-to.ts'
import type { Assembly, Bay, Motion, Part, Placed, Support } from '../assembly/assembly.ts'
import type { Box } from '../geometry/box.ts'
import { kept } from '../measure/kept.ts'
import type { Vec3 } from '../geometry/vec.ts'
import { newtons } from '../measure/units.ts'
import { alongSlants, ontoIt, slantedEdges, type Place } from './on-outline.ts'
import { NEAR_RAIL_MM } from './panel.ts'
import { inLineWith } from '../assembly/in-line.ts'
import { isFlat, partBox } from '../assembly/part-box.ts'
import { runnersOf } from '../assembly/runners.ts'
import { movedBox, movedWay, opens, withMoved } from '../assembly/moved.ts'

/*
 * Goods stand where they do worst. People put one heavy box in the middle of an empty shelf, push everything to one
 * end, or empty every other place; a build that only holds as it is drawn does not hold. Each arrangement is the same
 * build with the same goods elsewhere.
 */
export interface Arrangement {
  code:
    'packed' | 'gathered' | 'alone' | 'every-other' | 'forward' | 'aside' | 'on-two' | 'on-one' | 'person' | 'opened'
  assembly: Assembly
  /** Somebody is on it, who comes and goes. */
  peopled?: true
}

/**
 * Where the goods of a shelf are gathered, of the way they can go: at either end and in the middle; over several spans
 * between them too.
 */
const PLACES = [0, 0.5, 1]
const BETWEEN = [0.25, 0.75]
/** So many doors are opened one at a time as well. */
const MOST_ALONE = 4
/** Less room than this share of the shelf is no other place. */
const ROOM_SHARE = 0.02
/** A part this upright divides what spans over it. Size of the upward part of its axis. */
const UPRIGHT = 0.9

/** All arrangements a build is judged in, the one that is drawn first. */
export function arrangements(a: Assembly): Arrangement[] {
  const out: Arrangement[] = [{ code: 'packed', assembly: a }]
  // One thing alone on its shelf is gathered and alone in the same place: that is looked at once.
  const seen = new Set([placing(a.bays)])
  const add = (code: Arrangement['code'], change: (b: Bay) => Placed[]) => {
    let differs = false
    const bays = a.bays.map((b) => {
      if (b.carriers.length === 0 || b.items.length === 0) return b
      const items = change(b)
      if (items === b.items) return b
      differs = true
      return { ...b, items }
    })
    const where = differs ? placing(bays) : ''
    if (!differs || seen.has(where)) return
    seen.add(where)
    out.push({ code, assembly: { ...a, bays } })
  }
  const spans = new Map(a.bays.map((b) => [b.id, spansOf(a, b)]))
  for (const place of [...PLACES, ...BETWEEN])
    add('gathered', (b) =>
      b.holds === 'surface' && (!BETWEEN.includes(place) || spans.get(b.id)!.length > 1) ? gathered(b, place) : b.items,
    )
  const under = bearersUnder(a)
  add('alone', (b) => (b.holds === 'surface' ? alone(b, under(b)) : b.items))
  // What stands between two columns takes most with the goods of both close to it.
  if (new Set(a.bays.map((b) => b.name.column)).size > 1)
    for (const odd of [0, 1])
      add('gathered', (b) => (b.holds === 'surface' ? gathered(b, b.name.column % 2 === odd ? 0 : 1) : b.items))
  add('forward', (b) => (b.holds === 'surface' ? pulledForward(b) : b.items))
  const flat = new Set(a.parts.filter(isFlat).map((p) => p.id))
  for (const way of [-1, 1])
    add('aside', (b) => (b.holds === 'rim' && b.carriers.some((c) => flat.has(c)) ? pushedAside(b, way) : b.items))
  const shared = bendsAcrossColumns(a)
  const some = (b: Bay, keep: (i: Placed) => boolean) => (b.items.every(keep) ? b.items : b.items.filter(keep))
  for (const odd of [0, 1]) {
    if (shared) add('every-other', (b) => some(b, () => b.name.column % 2 === odd))
    add('every-other', (b) => {
      const of = spans.get(b.id)!
      return of.length < 2 ? b.items : some(b, (i) => of.findIndex((x) => middle(i) < x) % 2 === odd)
    })
  }
  // Drawn forward as well: then an arm is pried most.
  const also = out.filter((x) => x.code === 'forward').map((x) => x.assembly)
  out.push(...[a, ...also].flatMap(onTwo), ...onOneArm(a), ...leanedOn(a), ...stoodOn(a))
  return [...out, ...opened(a, out)]
}

/** Tells where everything stands, to a hundredth of a millimetre: two numbers of 32 bits. */
function placing(bays: readonly Bay[]): string {
  let [one, other] = [0x811c9dc5, 0x9747b28c]
  const add = (n: number) => {
    one = Math.imul(one ^ n, 0x01000193)
    other = Math.imul(other ^ (n + (other >>> 15)), 0x5bd1e995)
  }
  for (const { items } of bays) {
    add(items.length)
    for (const { box } of items) for (const i of [0, 1]) add(Math.round(box.min[i] * 100))
  }
  return `${one} ${other}`
}

/** More carriers beside each other than this have what is on them on two of them: no board is as straight as they are. */
const MOST_SHARING = 2

/**
 * What lies on a row of arms lies on two of them, now here, now there: a stiff board, or short ones, rest on no more.
 */
export function onTwo(a: Assembly): Arrangement[] {
  const rows = a.bays.filter((b) => b.carriers.length > MOST_SHARING && b.items.length > 0)
  const most = Math.max(0, ...rows.map((b) => b.carriers.length - 1))
  return Array.from({ length: most }, (_, k) => {
    const two = new Map(rows.map((b) => [b.id, b.carriers.slice(Math.min(k, b.carriers.length - 2)).slice(0, 2)]))
    const bays = a.bays.map((b) => (two.has(b.id) ? { ...b, carriers: two.get(b.id)! } : b))
    const supports = a.supports.filter(
      (s) =>
        !('bay' in s.from) || s.on.kind !== 'part' || !two.has(s.from.bay) || two.get(s.from.bay)!.includes(s.on.part),
    )
    return { code: 'on-two', assembly: { ...a, bays, supports } }
  })
}

/**
 * What hangs by its bar on two arms, pushed along until all of it is on one: nobody hangs it by its middle, and past that
 * it tips.
 */
export function onOneArm(a: Assembly): Arrangement[] {
  const hung = new Set(
    a.bays.filter((b) => b.carriers.length === 2 && b.items.some((i) => i.stands === 'bar')).map((b) => b.id),
  )
  if (hung.size === 0) return []
  const byId = new Map(a.bays.map((b) => [b.id, b]))
  return [0, 1].map((k) => ({
    code: 'on-one',
    assembly: {
      ...a,
      bays: a.bays.map((b) => (hung.has(b.id) ? { ...b, carriers: [b.carriers[k]] } : b)),
      supports: a.supports.filter(
        (s) =>
          !('bay' in s.from) ||
          s.on.kind !== 'part' ||
          !hung.has(s.from.bay) ||
          s.on.part === byId.get(s.from.bay)!.carriers[k],
      ),
    },
  }))
}

/** A person sits, kneels or stands there, N: EN 1991-1-1 table 6.2, Qk of a category A floor is 2 kN; half of it. */
export const PERSON_N = 1000
/** Over so much of a top, mm: EN 1991-1-1 6.3.1.2 takes a square of 50; a foot or a knee is twice that wide. */
const PERSON_MM = 100

/** Tags of what people lean or sit on at work, and of what they may stand on. */
export const BEARS_PEOPLE: ReadonlySet<unknown> = new Set(['bench', 'stood-on'])

/** A person on every top people work at, wherever that does most. Tops are told by their tags; each has a bay on it. */
function leanedOn(a: Assembly): Arrangement[] {
  const tops = new Set(a.subassemblies.filter((s) => s.tags?.use === 'bench').flatMap((s) => s.parts))
  // One at a time on each top, also where something stands in a bay of its own on it.
  const area = ({ clear: { min, max } }: Bay) => (max[0] - min[0]) * (max[1] - min[1])
  const on = a.bays.filter((b) => b.carriers.some((c) => tops.has(c)))
  const bays = on.filter((b) => !on.some((o) => area(o) > area(b) && o.carriers.some((c) => b.carriers.includes(c))))
  if (bays.length === 0) return []
  const places = new Map(bays.map((b) => [b.id, placesOn(a, b)]))
  const most = Math.max(...[...places.values()].map((l) => l.length))
  return Array.from({ length: most }, (_, k): Arrangement => ({
    code: 'person',
    peopled: true,
    assembly: {
      ...a,
      bays: a.bays.map((b) => {
        const at = places.get(b.id)
        if (!at) return b
        const { x, y } = at[k % at.length]
        const z = b.clear.min[2]
        const person: Placed = {
          goodsId: 'person',
          massKg: PERSON_N / newtons(1),
          stands: 'flat',
          box: { min: [x[0], y[0], z], max: [x[1], y[1], z + 1] },
        }
        return { ...b, items: [...b.items, person] }
      }),
    },
  }))
}

/** One person on planks that may be stood on: between two supports, over one and at both ends. */
function stoodOn(a: Assembly): Arrangement[] {
  const planks = new Set(a.subassemblies.filter((s) => s.tags?.use === 'stood-on').flatMap((s) => s.parts))
  const bays = a.bays.filter((b) => b.carriers.some((c) => planks.has(c)))
  return bays.flatMap((b) => {
    const xs = new Map(placesOn(a, b).map(({ x }) => [Math.round(x[0]), x]))
    const { min, max } = b.clear
    const y = (min[1] + max[1]) / 2
    return [...xs.values()].map((x): Arrangement => {
      const person: Placed = {
        goodsId: 'person',
        massKg: PERSON_N / newtons(1),
        stands: 'flat',
        box: { min: [x[0], y - PERSON_MM / 2, min[2]], max: [x[1], y + PERSON_MM / 2, min[2] + 1] },
      }
      const on = a.bays.map((o) => (o === b ? { ...b, items: [...b.items, person] } : o))
      return { code: 'person', peopled: true, assembly: { ...a, bays: on } }
    })
  })
}

/**
 * Where a person does most to a top: between two cross pieces, or uprights where there are none, at its front edge and in the middle; at both ends; over a
 * cross piece, in its middle and just inside the rail under the front; and over that rail in the middle between its legs,
 * where all of it goes into the rail.
 */
function placesOn(a: Assembly, b: Bay): Place[] {
  const { min, max } = b.clear
  const upright = new Set(a.parts.filter((p) => Math.abs(p.at.along[2]) > UPRIGHT).map((p) => p.id))
  // Of two layers what is under the lower one.
  const under = a.supports.filter(
    (s) =>
      'part' in s.from && b.carriers.includes(s.from.part) && s.on.kind === 'part' && !b.carriers.includes(s.on.part),
  )
  const isLong = (s: Support) => s.contact.max[0] - s.contact.min[0] >= (max[0] - min[0]) / 2
  const at = (list: readonly Support[]) =>
    [...new Set(list.map((s) => (s.contact.min[0] + s.contact.max[0]) / 2))].sort((x, y) => x - y)
  const short = under.filter((s) => !isLong(s))
  const [legs, crosses] = [true, false].map((is) =>
    at(short.filter((s) => s.on.kind === 'part' && upright.has(s.on.part) === is)),
  )
  const within = (mm: number, i: 0 | 1): [number, number] => {
    const from = Math.max(min[i], Math.min(max[i] - PERSON_MM, mm - PERSON_MM / 2))
    return [from, from + PERSON_MM]
  }
  const rails = under.filter(isLong).sort((x, y) => middleY(x) - middleY(y))
  const [rear, rail] = [rails[0] ?? null, rails[rails.length - 1] ?? null]
  const ys = [within(max[1], 1), within((min[1] + max[1]) / 2, 1), within(min[1], 1)]
  const cross = crosses[Math.floor(crosses.length / 2)]
  const [gap, span] = [widestGap(crosses), widestGap(legs)]
  const place = (x: number, y: [number, number]): Place => ({ x: within(x, 0), y })
  const onRail = (r: Support | null, xs: readonly number[]) =>
    r ? xs.map((x) => place(x, [r.contact.min[1], r.contact.max[1]])) : []
  const justInside = [rail && middleY(rail) - JUST_INSIDE_MM, rear && middleY(rear) + JUST_INSIDE_MM].flatMap((y) =>
    y === null ? [] : [within(y, 1)],
  )
  // A rail at a wall hangs on its fixings there: on one of them, and on the last at either end.
  const fixed = rear?.on.kind === 'part' ? fixedAt(a, rear.on.part) : []
  const usual = [
    ...[gap ?? span ?? (min[0] + max[0]) / 2, min[0], max[0]].flatMap((x) => ys.map((y) => place(x, y))),
    ...(cross === undefined ? [] : [place(cross, ys[1])]),
    ...(cross === undefined ? [] : justInside.map((y) => place(cross, y))),
    ...onRail(rail, [span ?? (min[0] + max[0]) / 2]),
    ...onRail(rear, fixed),
  ]
  const tops = a.parts.filter((p) => b.carriers.includes(p.id) && slantedEdges(p).length > 0)
  if (tops.length === 0) return usual
  const beside = crosses.slice(1).map((x, i) => (crosses[i] + x) / 2)
  return tops.flatMap((p) => [
    ...usual.flatMap((x) => ontoIt(p, x) ?? []),
    ...alongSlants(p, PERSON_MM, [...crosses, ...beside]),
  ])
}
/** Where a part is fixed to the wall: the first, the middle and the last of its fixings. */
function fixedAt(a: Assembly, part: string): number[] {
  const xs = a.supports
    .filter((s) => 'part' in s.from && s.from.part === part && s.on.kind === 'wall')
    .map((s) => (s.contact.min[0] + s.contact.max[0]) / 2)
  const all = [...new Set(xs)].sort((x, y) => x - y)
  return [...new Set([all[0], all[Math.floor(all.length / 2)], all[all.length - 1]])].filter((x) => x !== undefined)
}
const middleY = (s: Support) => (s.contact.min[1] + s.contact.max[1]) / 2
/** So far inside the middle of a rail a cross piece takes all of a person, mm: see `NEAR_RAIL_MM`. */
const JUST_INSIDE_MM = NEAR_RAIL_MM + 1
/** The middle of the widest gap of a row; null where there is none. */
function widestGap(xs: readonly number[]): number | null {
  let [wide, middle]: [number, number | null] = [0, null]
  for (let i = 1; i < xs.length; i++)
    if (xs[i] - xs[i - 1] > wide) [wide, middle] = [xs[i] - xs[i - 1], (xs[i] + xs[i - 1]) / 2]
  return middle
}

/**
 * All doors open and drawers out wherever the goods stand, and each alone with the goods as they are drawn: what hangs
 * is then pulled most, or twisted most.
 */
function opened(a: Assembly, shut: readonly Arrangement[]): Arrangement[] {
  // What hangs out of grooves is judged by itself; that it does not tip its build over, too.
  const motions = a.motions.filter((m) => opens(m) && runnersOf(m, a).length === 0)
  if (motions.length === 0) return []
  const alone = motions.length > 1 ? motions.slice(0, MOST_ALONE) : []
  const all = opening(a, motions)
  return [
    ...shut.map((x): Arrangement => ({ ...x, code: 'opened', assembly: all(x.assembly) })),
    ...alone.map((m): Arrangement => ({ code: 'opened', assembly: opening(a, [m])(a) })),
  ]
}

/**
 * Parts where their motions bring them, and with them the goods they carry and what holds them on each other; of all
 * arrangements of one build the same parts, and where they share their supports the same of those.
 */
function opening(a: Assembly, motions: readonly Motion[]): (arranged: Assembly) => Assembly {
  const of = new Map(motions.flatMap((m) => m.parts.map((id) => [id, m] as const)))
  const parts = withMoved(a, motions)
  const held = new Map<Support[], Support[]>()
  const supportsOf = movedSupports(a, of)
  return (arranged) => {
    const bays = arranged.bays.map((b) => {
      const m = b.carriers.map((c) => of.get(c)).find((x) => x !== undefined)
      return m
        ? { ...b, clear: movedBox(m, b.clear), items: b.items.map((i) => ({ ...i, box: movedBox(m, i.box) })) }
        : b
    })
    const supports = held.get(arranged.supports) ?? supportsOf(arranged.supports)
    held.set(arranged.supports, supports)
    return { ...arranged, parts, bays, supports }
  }
}

/** What holds parts on each other where their motions bring them. */
function movedSupports(a: Assembly, of: ReadonlyMap<string, Motion>): (supports: Support[]) => Support[] {
  const letIn = new Set(a.joints.filter((j) => j.kind === 'housed').map((j) => `${j.near} ${j.far}`))
  const runs = new Map<string, Part[]>()
  const runOf = (id: string) =>
    kept(runs, id, () =>
      inLineWith(
        a.parts.find((p) => p.id === id)!,
        a.parts,
      ),
    )
  const moved = (s: Support): Support => {
    const from = 'part' in s.from ? s.from.part : 'body' in s.from ? s.from.through : null
    const m = from === null ? undefined : of.get(from)
    if (!m || s.on.kind !== 'part') return s
    const { part: on } = s.on
    const grooved = m.kind === 'slide' && letIn.has(`${on} ${from}`)
    if (of.get(on) !== m && !grooved) return s
    const contact = movedBox(m, s.contact)
    // What slides in a groove is held where it is then, by the board of its track it has come to.
    const at = grooved ? boardAt(runOf(on), contact, on) : on
    return { ...s, contact, push: movedWay(m, s.push), on: { ...s.on, part: at } }
  }
  return (supports) => {
    const all = supports.map(moved)
    return all.some((s, i) => s !== supports[i]) ? all : supports
  }
}

/** Of boards in one line the one that the middle of a contact is on; `was` where it is past all of them. */
function boardAt(run: readonly Part[], contact: Box, was: string): string {
  const x = (contact.min[0] + contact.max[0]) / 2
  const here = run.filter((p) => x >= partBox(p).min[0] && x <= partBox(p).max[0])
  return here.length === 0 || here.some((p) => p.id === was) ? was : here[0].id
}

/**
 * Whether something that is no upright carries goods of two columns: only then an empty column makes its neighbour's
 * worse. (A post takes what hangs on it from one side only in any case.)
 */
function bendsAcrossColumns(a: Assembly): boolean {
  const upright = new Set(a.parts.filter((p) => Math.abs(p.at.along[2]) > UPRIGHT).map((p) => p.id))
  const below = new Map<string, string[]>()
  for (const s of a.supports)
    if ('part' in s.from && s.on.kind === 'part' && !upright.has(s.on.part)) addTo(below, s.from.part, s.on.part)
  const columnOf = new Map<string, number>()
  const carries = (part: string, column: number): boolean => {
    const known = columnOf.get(part)
    if (known !== undefined) return known !== column
    columnOf.set(part, column)
    return (below.get(part) ?? []).some((x) => carries(x, column))
  }
  return a.bays.some((b) => b.items.length > 0 && b.carriers.some((c) => !upright.has(c) && carries(c, b.name.column)))
}

const middle = (i: Placed) => (i.box.min[0] + i.box.max[0]) / 2

/** Right ends of the spans of a bay between the uprights that stand in it; the last has no end. */
function spansOf(a: Assembly, b: Bay): number[] {
  const xs = a.parts
    .filter((p) => Math.abs(p.at.along[2]) > UPRIGHT && p.at.centre[2] < b.clear.max[2])
    .map((p) => p.at.centre[0])
    .filter((x) => x > b.clear.min[0] + 1 && x < b.clear.max[0] - 1)
  return [...new Set(xs)].sort((x, y) => x - y).concat(Infinity)
}

/** Things that stand over each other or behind each other move as one. */
function stacks(items: readonly Placed[]): { items: Placed[]; from: number; to: number; kg: number }[] {
  const out: { items: Placed[]; from: number; to: number; kg: number }[] = []
  for (const i of [...items].sort((x, y) => x.box.min[0] - y.box.min[0])) {
    const last = out[out.length - 1]
    const kg = i.massKg ?? 0
    if (last && i.box.min[0] < last.to - 0.01) {
      last.items.push(i)
      last.to = Math.max(last.to, i.box.max[0])
      last.kg += kg
    } else out.push({ items: [i], from: i.box.min[0], to: i.box.max[0], kg })
  }
  return out
}

/** The goods of a shelf drawn to its front edge, as people leave them: what hangs on a wall is then pulled most. */
function pulledForward(b: Bay): Placed[] {
  const front = b.clear.max[1]
  let moved = false
  const items = stacks(b.items).flatMap((s) => {
    const by = front - Math.max(...s.items.map((i) => i.box.max[1]))
    if (by < ROOM_SHARE * (front - b.clear.min[1])) return s.items
    moved = true
    return s.items.map((i): Placed => ({
      ...i,
      box: {
        min: [i.box.min[0], i.box.min[1] + by, i.box.min[2]],
        max: [i.box.max[0], i.box.max[1] + by, i.box.max[2]],
      },
    }))
  })
  return moved ? items : b.items
}

/** Middles, along the wall, of what a bay's shelf lies on from front to back. */
function bearersUnder(a: Assembly): (b: Bay) => number[] {
  const on = new Map<string, Support[]>()
  for (const s of a.supports) if ('part' in s.from && s.on.kind === 'part') addTo(on, s.from.part, s)
  return (b) => {
    const half = (b.clear.max[0] - b.clear.min[0]) / 2
    const xs = b.carriers
      .flatMap((c) => on.get(c) ?? [])
      .filter((s) => s.contact.max[0] - s.contact.min[0] < half)
      .map((s) => (s.contact.min[0] + s.contact.max[0]) / 2)
    return [...new Set(xs)].sort((x, y) => x - y)
  }
}

/**
 * The heaviest thing of a shelf in the middle of the widest span that takes it, what has room beside it there with it, and
 * the rest of the shelf empty: spans beside it hold a loaded one down.
 * @param bearers middles of what the shelf lies on
 */
function alone(b: Bay, bearers: readonly number[]): Placed[] {
  const byKg = stacks(b.items).sort((x, y) => y.kg - x.kg)
  const [heavy] = byKg
  const wide = (s: typeof heavy) => s.to - s.from
  const { min, max } = b.clear
  const xs = bearers.length > 1 ? bearers.map((x) => Math.max(min[0], Math.min(max[0], x))) : [min[0], max[0]]
  const spans = xs.slice(1).map((to, i) => ({ from: xs[i], to }))
  const span = spans.reduce((f, x) => (x.to - x.from > f.to - f.from + 1 ? x : f), spans[0])
  if (span.to - span.from < wide(heavy)) return b.items
  const at = Math.max(min[0], Math.min(max[0] - wide(heavy), (span.from + span.to - wide(heavy)) / 2))
  let [left, right] = [at, at + wide(heavy)]
  const out = [{ s: heavy, x: at }]
  for (const s of byKg.slice(1)) {
    const [toLeft, toRight] = [left - wide(s) >= span.from, right + wide(s) <= span.to]
    if (!toLeft && !toRight) continue
    // On the side that leaves it closer to the middle.
    const goesLeft = toLeft && (!toRight || at - left <= right - at - wide(heavy))
    out.push({ s, x: goesLeft ? left - wide(s) : right })
    if (goesLeft) left -= wide(s)
    else right += wide(s)
  }
  return out.flatMap(({ s, x }) => s.items.map((i) => shifted(i, x - s.from)))
}

const shifted = (i: Placed, by: number): Placed => ({
  ...i,
  box: {
    min: [i.box.min[0] + by, i.box.min[1], i.box.min[2]],
    max: [i.box.max[0] + by, i.box.max[1], i.box.max[2]],
  },
})

/** On a flat rail a rim lies further out from what holds the rail when it is pushed to the other side. */
function pushedAside(b: Bay, way: number): Placed[] {
  return b.items.map((i): Placed => {
    const by = way < 0 ? b.clear.min[0] - i.box.min[0] : b.clear.max[0] - i.box.max[0]
    const to = (v: Vec3): Vec3 => [v[0] + by, v[1], v[2]]
    return { ...i, box: { min: to(i.box.min), max: to(i.box.max) } }
  })
}

/**
 * The goods of a shelf side by side without gaps, the heaviest in their middle, at some place of the room they have.
 */
function gathered(b: Bay, place: number): Placed[] {
  const all = stacks(b.items)
  const wide = all.reduce((n, s) => n + s.to - s.from, 0)
  const room = b.clear.max[0] - b.clear.min[0] - wide
  if (room < ROOM_SHARE * (b.clear.max[0] - b.clear.min[0])) return b.items
  const order: typeof all = []
  for (const s of [...all].sort((x, y) => y.kg - x.kg)) {
    if (order.length % 2 === 0) order.push(s)
    else order.unshift(s)
  }
  let x = b.clear.min[0] + place * room
  return order.flatMap((s) => {
    const by = x - s.from
    x += s.to - s.from
    return s.items.map((i) => shifted(i, by))
  })
}
