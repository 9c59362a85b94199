import { gapBetween, moved, pushAlong, type Convex } from '../geometry/convex.ts'
import { scale, type Vec3 } from '../geometry/vec.ts'
import type { Feature } from '../room/features.ts'
import type { WallLine } from '../room/outline.ts'
import type { KeepCode, KeepOut } from './keep-outs.ts'
import type { BuildSolids, Frame } from './placing.ts'

/** Things that touch are not yet in each other, mm: tapes, not surfaces, were laid. */
export const TOUCH_MM = 1

/** Another build, as what stands there. */
export interface Neighbour {
  buildId: string
  name: string
  solids: BuildSolids
}

export type MoveWay = 'left' | 'right' | 'out' | 'back'

export interface Conflict {
  /** What it meets. */
  code: KeepCode | 'build' | 'way-out' | 'motion'
  feature: Feature | null
  wall: WallLine | null
  neighbour: { id: string; name: string } | null
  /** Deepest reach into it, mm. */
  byMm: number
  /** What of the build: pieces or goods, the deepest first. */
  parts: string[]
  bays: string[]
  /** Height of the middle of the overlap above the floor, and its place along the wall from the wall's left end, mm. */
  atMm: number
  upMm: number
  /**
   * The smallest single move that ends this conflict and makes no new one: along its wall where that can be, for away
   * from the wall it loses its tie. Null when none was found.
   */
  move: Move | null
  /** False when the effort ended before all moves were looked at: then there may be one. */
  sought: boolean
  /** The same that ends all conflicts at once; null also when this is the only one. */
  clearing: Move | null
}

interface Move {
  way: MoveWay
  mm: number
}

/** A move further than this is another place, not a move, mm. */
const FARTHEST_MOVE_MM = 4000
const STILL: Vec3 = [0, 0, 0]
/** Rounds of moving on from one obstacle to the next. */
const ROUNDS = 12
/** Moves end this far free of what they clear, mm, and on a whole millimetre. */
const FREE_MM = 1

/** What is moved as one: its bodies, and a box round all of them. */
interface Mover {
  bodies: readonly Convex[]
  min: Vec3
  max: Vec3
}
function mover(bodies: readonly Convex[]): Mover {
  const edge = (pick: 'min' | 'max', of: (...n: number[]) => number) =>
    [0, 1, 2].map((i) => bodies.reduce((m, b) => of(m, b[pick][i]), pick === 'min' ? Infinity : -Infinity)) as Vec3
  return { bodies, min: edge('min', Math.min), max: edge('max', Math.max) }
}

/**
 * Whether boxes, the first shifted, do not reach into each other by more than a touch: then neither does what is in
 * them.
 */
function apart(m: Pick<Convex, 'min' | 'max'>, by: Vec3, o: Convex): boolean {
  for (let i = 0; i < 3; i++)
    if (m.max[i] + by[i] - o.min[i] <= TOUCH_MM || o.max[i] - m.min[i] - by[i] <= TOUCH_MM) return true
  return false
}

/** Calls back with each body of what is moved that may be in `o` once shifted, until one says enough. */
const someOf = (m: Mover, by: Vec3, o: Convex, test: (at: Convex) => boolean): boolean =>
  !apart(m, by, o) && m.bodies.some((b) => !apart(b, by, o) && test(moved(b, by)))

/**
 * How much may be looked at, in exact tests of two bodies: what a look at one room may cost is bounded, however much
 * stands in one place. `meet`: against each other build; `moves`: for all moves of one build.
 */
export interface Effort {
  meet: number
  moves: number
}
/**
 * For a worker or the command line: ordinary rooms are looked at whole, forty builds in one place within some seconds.
 */
export const thorough = (builds: number): Effort => ({
  meet: 20_000,
  moves: Math.ceil(Math.max(40_000, Math.min(400_000, 1_600_000 / Math.max(1, builds)))),
})
/** Only whether something is met. */
export const ONLY_MET: Effort = { meet: 1, moves: 0 }
/** What is shared by the builds of a room that is read at once, on every change: some 100 ms in all. */
const AT_ONCE = { meet: 20_000, moves: 40_000 }
export const atOnce = (builds: number): Effort => ({
  meet: Math.ceil(AT_ONCE.meet / Math.max(1, builds) ** 2),
  moves: Math.ceil(AT_ONCE.moves / Math.max(1, builds)),
})

/** Exact tests that are left; a search that finds none left ends and says so. */
interface Left {
  tests: number
}
function hits(m: Mover, by: Vec3, o: Convex, left: Left): boolean {
  return left.tests <= 0 || someOf(m, by, o, (at) => left.tests-- <= 0 || gapBetween(at, o) < -TOUCH_MM)
}

/** One thing to be moved with the others: what it has to come free of, and what it is free of now and may not enter. */
interface Task {
  mine: Mover
  avoid: readonly Convex[]
  fresh: readonly Convex[]
}

/** How far to go one way until nothing is in what it has to avoid; null when that leads nowhere near. */
function freeAlong(tasks: readonly Task[], u: Vec3, left: Left): number | null {
  let t = 0
  for (let round = 0; round < ROUNDS; round++) {
    let need = 0
    for (const { mine, avoid } of tasks)
      for (const o of avoid) {
        if (left.tests <= 0) return null
        someOf(mine, scale(u, t), o, (at) => {
          if (left.tests-- <= 0) return true
          if (gapBetween(at, o) < -TOUCH_MM) need = Math.max(need, pushAlong(at, o, u))
          return false
        })
      }
    if (left.tests <= 0) return null
    if (need === 0) return t
    t += need + FREE_MM
    if (!(t <= FARTHEST_MOVE_MM)) return null
  }
  return null
}

type Met = Omit<Conflict, 'move' | 'sought' | 'clearing'>
interface Group {
  conflict: Met
  others: Convex[]
}

/**
 * Everything a build stands in: other builds, walls, things and the space they keep, and what would block the way of
 * its totes. One conflict for each thing met, the graver reason first (a thing itself before the space kept round it).
 */
export function conflicts(
  frame: Frame,
  own: BuildSolids,
  neighbours: readonly Neighbour[],
  keeps: readonly KeepOut[],
  effort: Effort = thorough(neighbours.length + 1),
): Conflict[] {
  const groups = new Map<string, Group>()
  /**
   * Looked at so far against one thing; past the effort the rest of it is passed over: that it is met is known by then.
   */
  const looked = new Map<string, number>()
  const done = (key: string) => (looked.get(key) ?? 0) >= effort.meet && groups.has(key)
  const look = (key: string) => looked.set(key, (looked.get(key) ?? 0) + 1)
  const along = (c: Convex) => {
    const w = frame.wall
    const [x, y] = [(c.min[0] + c.max[0]) / 2, (c.min[1] + c.max[1]) / 2]
    return (x - w.from[0]) * w.along[0] + (y - w.from[1]) * w.along[1]
  }
  const note = (
    key: string,
    base: Pick<Conflict, 'code' | 'feature' | 'wall' | 'neighbour'>,
    deep: number,
    mine: Convex,
    other: Convex,
    part: string | null,
    bay: string | null,
  ) => {
    const g = groups.get(key)
    const c: Met = g?.conflict ?? { ...base, byMm: 0, parts: [], bays: [], atMm: 0, upMm: 0 }
    const first = deep > c.byMm
    if (first) {
      c.byMm = deep
      c.atMm = along(mine)
      c.upMm = (Math.max(mine.min[2], other.min[2]) + Math.min(mine.max[2], other.max[2])) / 2
    }
    for (const [list, id] of [
      [c.parts, part],
      [c.bays, bay],
    ] as const)
      if (id !== null && !list.includes(id)) list[first ? 'unshift' : 'push'](id)
    const others = g?.others ?? []
    if (!others.includes(other)) others.push(other)
    groups.set(key, { conflict: c, others })
  }
  const bodies = [
    ...own.parts.map((p) => ({ body: p.body, part: p.id, bay: null as string | null })),
    ...own.goods.map((x) => ({ body: x.body, part: null as string | null, bay: x.bay })),
  ]
  const meet = (key: string, base: Pick<Conflict, 'code' | 'feature' | 'wall' | 'neighbour'>, other: Convex) => {
    if (gapBetween(own.whole, other) >= -TOUCH_MM) return
    for (const b of bodies) {
      if (done(key)) return
      if (apart(b.body, STILL, other)) continue
      look(key)
      const gap = gapBetween(b.body, other)
      if (gap < -TOUCH_MM) note(key, base, -gap, b.body, other, b.part, b.bay)
    }
  }
  for (const n of neighbours) {
    if (gapBetween(own.whole, n.solids.whole) >= -TOUCH_MM) continue
    const base = { code: 'build' as const, feature: null, wall: null, neighbour: { id: n.buildId, name: n.name } }
    const key = `build:${n.buildId}`
    for (const other of [...n.solids.parts, ...n.solids.goods]) {
      if (done(key)) break
      meet(key, base, other.body)
    }
  }
  for (const k of keeps) {
    const of = k.feature ? `thing:${k.feature.id}` : `wall:${k.wall.wall.id}`
    // The space round a thing is only asked about when the thing itself, and what moves of it, is free.
    if (k.code === 'clear' && [...groups.keys()].some((key) => key.startsWith(`${of}:`))) continue
    meet(`${of}:${k.code}`, { code: k.code, feature: k.feature, wall: k.wall, neighbour: null }, k.body)
  }
  // The way out of a tote: blocked by what stands, not by space kept free.
  const obstacles = [
    ...neighbours.flatMap((n) =>
      [...n.solids.parts, ...n.solids.goods].map((s) => ({
        body: s.body,
        feature: null,
        neighbour: { id: n.buildId, name: n.name },
        wall: null as WallLine | null,
        key: `build:${n.buildId}`,
      })),
    ),
    ...keeps
      .filter((k) => k.code === 'wall' || (k.code === 'solid' && k.feature?.kind !== 'walkway'))
      .map((k) => ({
        body: k.body,
        feature: k.feature,
        neighbour: null,
        wall: k.wall,
        key: k.feature ? `thing:${k.feature.id}` : `wall:${k.wall.wall.id}`,
      })),
  ]
  const onTheMove = [
    ...own.ways.map((x) => ({ code: 'way-out' as const, body: x.body, bay: x.bay as string | null })),
    ...own.swept.map((x) => ({ code: 'motion' as const, body: x.body, bay: null as string | null })),
  ]
  for (const way of onTheMove)
    for (const o of obstacles) {
      if (apart(way.body, STILL, o.body)) continue
      const key = `${way.code}:${o.key}`
      if (done(key)) continue
      look(key)
      const gap = gapBetween(way.body, o.body)
      if (gap < -TOUCH_MM)
        note(
          key,
          { code: way.code, feature: o.feature, wall: o.wall, neighbour: o.neighbour },
          -gap,
          way.body,
          o.body,
          null,
          way.bay,
        )
    }

  const w = frame.wall
  const ways: [MoveWay, Vec3][] = [
    ['left', [-w.along[0], -w.along[1], 0]],
    ['right', [w.along[0], w.along[1], 0]],
    ['out', [w.inward[0], w.inward[1], 0]],
    ['back', [-w.inward[0], -w.inward[1], 0]],
  ]
  const movers = [
    {
      mine: mover(bodies.map((b) => b.body)),
      all: [
        ...neighbours.flatMap((n) => [...n.solids.parts, ...n.solids.goods].map((x) => x.body)),
        ...keeps.map((k) => k.body),
      ],
    },
    { mine: mover(onTheMove.map((x) => x.body)), all: obstacles.map((o) => o.body) },
  ]
  const all = [...groups.values()]
  // What is met now may be met after a move; nothing else may.
  const left: Left = { tests: effort.moves }
  const free =
    all.length === 0 ? [] : movers.map(({ mine, all: round }) => round.filter((o) => !hits(mine, STILL, o, left)))
  const least = (avoid: readonly (readonly Convex[])[]): Move | null => {
    if (left.tests <= 0) return null
    let move: Move | null = null
    const tasks = movers.map(({ mine }, i): Task => ({ mine, avoid: avoid[i], fresh: free[i] }))
    for (const [way, u] of ways) {
      const t = smallestMove(tasks, u, left)
      // Without a full look a move may lead into something else: none is said then.
      if (left.tests <= 0) return null
      if (t === null) continue
      const mm = Math.ceil(t)
      const alongMm = frame.place.alongMm + (way === 'left' ? -mm : way === 'right' ? mm : 0)
      const outMm = frame.place.outMm + (way === 'out' ? mm : way === 'back' ? -mm : 0)
      const keepsWall = way === 'left' || way === 'right'
      const had = move?.way === 'left' || move?.way === 'right'
      if (alongMm >= 0 && outMm >= 0 && (!move || (keepsWall && !had) || (keepsWall === had && mm < move.mm)))
        move = { way, mm }
    }
    return move
  }
  const clearing = all.length > 1 ? least(movers.map((m) => m.all)) : null
  const told = (conflict: Met, avoid: readonly (readonly Convex[])[]): Conflict => {
    const move = least(avoid)
    return { ...conflict, move, sought: left.tests > 0, clearing }
  }
  return all.map(({ conflict, others }) => {
    if (conflict.code === 'way-out' || conflict.code === 'motion') return told(conflict, [[], others])
    // Free of a thing is free of the space it keeps, too.
    const round = keeps.filter((k) => conflict.feature && k.feature === conflict.feature).map((k) => k.body)
    return told(conflict, [[...others, ...round], []])
  })
}

/** Obstacles one after the other that a move may run into before it counts as leading nowhere. */
const DETOURS = 6

/** The least move along `u` that frees all from what they have to avoid, without entering anything that was free. */
function smallestMove(first: readonly Task[], u: Vec3, left: Left): number | null {
  let tasks = first
  for (let i = 0; i < DETOURS; i++) {
    const t = freeAlong(tasks, u, left)
    if (t === null || left.tests <= 0) return null
    const by = scale(u, t)
    const entered = tasks.map(({ mine, avoid, fresh }) =>
      fresh.filter((o) => !avoid.includes(o) && hits(mine, by, o, left)),
    )
    if (entered.every((e) => e.length === 0)) return t
    tasks = tasks.map((task, n) => ({ ...task, avoid: [...task.avoid, ...entered[n]] }))
  }
  return null
}
