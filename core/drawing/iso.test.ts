import { describe, expect, it } from '@jest/globals'
import { shapedExamples } from '../../test-support/examples.ts'
import type { Assembly, Part } from '../assembly/assembly.ts'
import type { TurnedBox } from '../geometry/box.ts'
import { add, cross, dot, scale, sub, unit, type Vec3 } from '../geometry/vec.ts'
import { drawIso } from './iso.ts'
import { EYE } from './piece.ts'
import { solidOf } from './solid.ts'
import { fastenerArrows } from './joint-detail.ts'
import { apart, waysIn } from './way-in.ts'
import type { Mark, Scene } from './scene.ts'

type Edge = Extract<Mark, { kind: 'edge' }>

/** A solid and the planes it is cut along: what lies beyond any of them is gone. */
type Cut = TurnedBox & { cuts?: readonly { out: Vec3; atMm: number }[] }
const piecesOf = (p: Part, by: Vec3 = [0, 0, 0]): Cut[] => {
  const { pieces, cuts } = solidOf(p)
  const moved = cuts.map((h) => ({ ...h, atMm: h.atMm + dot(by, h.out) }))
  return pieces.map((b) => ({ ...b, centre: add(b.centre, by), cuts: moved }))
}

/**
 * Where a ray runs through a solid beyond its start, mm along it: in the solid's own frame, by where it crosses the sides
 * of its outline; nothing of it is shared with the drawing.
 */
function runs(b: Cut, from: Vec3, way: Vec3): [number, number][] {
  const third = cross(b.along, b.across)
  const local = (v: Vec3): Vec3 => [dot(v, b.along), dot(v, b.across), dot(v, third)]
  const [p, d] = [local(sub(from, b.centre)), local(way)]
  const [l, w, t] = b.size.map((s) => s / 2)
  const ring = b.outline ?? [
    [-l, -w],
    [l, -w],
    [l, w],
    [-l, w],
  ]
  const stops = [0, 3e5]
  if (Math.abs(d[2]) > 1e-12) for (const z of [-t, t]) stops.push((z - p[2]) / d[2])
  ring.forEach(([u, v], i) => {
    const [x, y] = ring[(i + 1) % ring.length]
    const [ex, ey] = [x - u, y - v]
    const det = d[0] * ey - d[1] * ex
    if (Math.abs(det) > 1e-12) stops.push(((u - p[0]) * ey - (v - p[1]) * ex) / det)
  })
  for (const h of b.cuts ?? [])
    if (Math.abs(dot(way, h.out)) > 1e-12) stops.push((h.atMm - dot(from, h.out)) / dot(way, h.out))
  const sorted = stops.filter((s) => s >= 0).sort((a, b2) => a - b2)
  const inside = (s: number): boolean => {
    const [x, y, z] = [p[0] + s * d[0], p[1] + s * d[1], p[2] + s * d[2]]
    if (Math.abs(z) > t) return false
    const there = add(from, scale(way, s))
    if (b.cuts?.some((h) => dot(there, h.out) > h.atMm)) return false
    let odd = false
    ring.forEach(([u, v], i) => {
      const [q, r] = ring[(i + 1) % ring.length]
      if (v > y !== r > y && x < u + ((y - v) / (r - v)) * (q - u)) odd = !odd
    })
    return odd
  }
  const out: [number, number][] = []
  for (let i = 1; i < sorted.length; i++)
    if (inside((sorted[i - 1] + sorted[i]) / 2)) out.push([sorted[i - 1], sorted[i]])
  return out
}
const through = (b: Cut, from: Vec3, way: Vec3): number =>
  runs(b, from, way).reduce((sum, [start, end]) => sum + end - start, 0)

/** Of solids, what a ray towards the eye can meet at all: those whose box on the page holds its point. */
function meetable(solids: readonly Cut[], eye: Vec3): (point: Vec3) => Cut[] {
  const boxes = solids.map((s) => {
    const axes = [s.along, s.across, cross(s.along, s.across)].map((a) => seenFrom(eye, a))
    const half = [0, 1].map((i) => axes.reduce((sum, a, k) => sum + (Math.abs(a[i]) * s.size[k]) / 2, 0.5))
    return { at: seenFrom(eye, s.centre), half }
  })
  return (point) => {
    const [x, y] = seenFrom(eye, point)
    return solids.filter((_, i) => {
      const { at, half } = boxes[i]
      return Math.abs(x - at[0]) <= half[0] && Math.abs(y - at[1]) <= half[1]
    })
  }
}

/** Less of a solid than this before a point may be told either way: a rod is drawn with flat sides. */
const GRAZES_MM = 4.5

/** Where a ray first comes into a solid, mm along it; null when it does not. */
function reached(b: Cut, from: Vec3, way: Vec3): number | null {
  const all = runs(b, from, way)
  return all.reduce((sum, [start, end]) => sum + end - start, 0) < 0.3 ? null : all[0][0]
}
function inFigure(f: readonly (readonly number[])[], x: number, y: number): boolean {
  let odd = false
  f.forEach(([u, v], i) => {
    const [q, r] = f[(i + 1) % f.length]
    if (v > y !== r > y && x < u + ((y - v) / (r - v)) * (q - u)) odd = !odd
  })
  return odd
}

function onLine(e: Edge, [x, y]: readonly number[]): boolean {
  const [dx, dy] = [e.to[0] - e.from[0], e.to[1] - e.from[1]]
  const l = Math.hypot(dx, dy)
  const t = ((x - e.from[0]) * dx + (y - e.from[1]) * dy) / (l * l)
  return t > -1e-3 && t < 1 + 1e-3 && Math.abs((x - e.from[0]) * dy - (y - e.from[1]) * dx) / l < 0.02
}

const across = (v: Vec3): Vec3 => scale(unit(v), Math.sqrt(3 / 2))
/** What runs to the right and up on the page. */
const PAGE = {
  above: [across([1, -1, 0]), across([-1, -1, 2])],
  below: [across([1, -1, 0]), across([1, 1, 2])],
}
/** Where a point comes to lie on the page, the eye above or below: worked out here by itself. */
function seenFrom(eye: Vec3, p: Vec3): readonly [number, number] {
  const [right, up] = eye[2] > 0 ? PAGE.above : PAGE.below
  return [dot(right, p), dot(up, p)]
}

/** Whether another edge of the same part that is seen comes to lie in the same place of the page. */
function coincides(
  edges: readonly (readonly [Vec3, Vec3])[],
  point: Vec3,
  by: Vec3,
  meets: (point: Vec3) => Cut[],
  eye: Vec3,
): boolean {
  const [x, y] = seenFrom(eye, point)
  return edges.some(([a, b]) => {
    const [from, to] = [a, b].map((v) => v.map((c, i) => c + by[i]) as Vec3)
    const [p, q] = [seenFrom(eye, from), seenFrom(eye, to)]
    const [dx, dy] = [q[0] - p[0], q[1] - p[1]]
    const l = Math.hypot(dx, dy)
    const t = ((x - p[0]) * dx + (y - p[1]) * dy) / (l * l)
    if (!(t > -1e-3 && t < 1 + 1e-3) || Math.abs((x - p[0]) * dy - (y - p[1]) * dx) / l > 0.02) return false
    const there = from.map((v, i) => v + t * (to[i] - v)) as Vec3
    return meets(there).every((s) => through(s, there, eye) < GRAZES_MM)
  })
}

/** A face seen edge-on: a ray that runs in it passes what lies on it there and what does not alike. */
const runsInFace = (s: Cut, point: Vec3, eye: Vec3): boolean => {
  const edgeOn = (out: Vec3, atMm: number) => Math.abs(dot(eye, out)) < 1e-9 && Math.abs(dot(point, out) - atMm) < 0.02
  if (through(s, point, eye) > 0 && (s.cuts ?? []).some((h) => edgeOn(h.out, h.atMm))) return true
  return [s.along, s.across].some((out, i) =>
    [-1, 1].some((side) => edgeOn(out, dot(s.centre, out) + (side * s.size[i]) / 2)),
  )
}

/** Samples of all edges that are clearly seen or clearly hidden, and whether they are drawn so. */
function wrongly(
  parts: readonly Part[],
  edges: readonly Edge[],
  moved?: ReadonlyMap<string, Vec3>,
  eye: Vec3 = EYE,
  samples = [0.013, 0.5, 0.77],
): string[] {
  const at = (id: string): Vec3 => moved?.get(id) ?? [0, 0, 0]
  const meets = meetable(
    parts.flatMap((p) => piecesOf(p, at(p.id))),
    eye,
  )
  const wrong: string[] = []
  const byPart = new Map<string, Edge[]>()
  for (const e of edges)
    if (e.ink !== 'work' && e.part)
      byPart
        .set(e.part, byPart.get(e.part) ?? [])
        .get(e.part)!
        .push(e)
  let looked = 0
  for (const p of parts) {
    const solid = solidOf(p)
    if (solid.round) continue
    const mine = byPart.get(p.id) ?? []
    for (const [a, b] of solid.edges)
      for (const t of samples) {
        const point = a.map((v, i) => v + t * (b[i] - v) + at(p.id)[i]) as Vec3
        const there = meets(point)
        const deepest = Math.max(0, ...there.map((s) => through(s, point, eye)))
        // What only grazes an edge may be told either way.
        if (deepest > 0.02 && deepest < GRAZES_MM) continue
        looked++
        const drawn = mine.some((e) => onLine(e, seenFrom(eye, point)))
        const hidden = deepest >= GRAZES_MM
        if (hidden && drawn && there.some((s) => runsInFace(s, point, eye))) continue
        if (hidden && drawn && coincides(solid.edges, point, at(p.id), meets, eye)) continue
        if (hidden === drawn)
          wrong.push(
            `${p.id} at ${point.map((v) => v.toFixed(1)).join()}: ${hidden ? 'hidden, and drawn' : 'seen, and not drawn'}`,
          )
      }
  }
  expect(looked).toBeGreaterThan(parts.length)
  return wrong
}

const examples = shapedExamples().map(({ family, name, params, shaped }) => ({
  kind: family.id,
  name,
  assembly: shaped.assembly,
  groups: family.steps(params, shaped).map((s) => shaped.assembly.parts.filter((p) => s.parts.includes(p.id))),
}))

/** The first of each kind: the others are of the same shapes. */
const firsts = examples.filter((x, i) => examples.findIndex((y) => y.kind === x.kind) === i)

const plain = new Map<Assembly, Scene>()
/** As it stands, without goods: drawn once for all that look at it. */
const drawn = (a: Assembly): Scene => {
  const scene = plain.get(a) ?? drawIso(a, { goods: new Map(), showGoods: false })
  plain.set(a, scene)
  return scene
}

describe('in space', () => {
  it.each(firsts.map((x) => [x.name, x] as const))('%s: nothing seen is missing, nothing hidden is drawn', (_n, x) => {
    const scene = drawn(x.assembly)
    const edges = scene.marks.filter((m): m is Edge => m.kind === 'edge')
    const samples = [0.013, 0.31, 0.5, 0.77, 0.99]
    expect(wrongly(x.assembly.parts, edges, undefined, EYE, samples).slice(0, 5)).toEqual([])
  })
  it.each(firsts.map((x) => [x.name, x] as const))(
    '%s: what is painted last is what is nearest',
    (_n, { assembly }) => {
      const scene = drawn(assembly)
      const faces = scene.marks.filter((m): m is Extract<Mark, { kind: 'face' }> => m.kind === 'face')
      const solids = assembly.parts.flatMap((p) => piecesOf(p).map((box) => ({ ...box, id: p.id })))
      const meets = meetable(solids, EYE) as (point: Vec3) => typeof solids
      const [l, b, r, t] = scene.bounds
      const [right, up] = [unit([1, -1, 0]), unit([-1, -1, 2])].map((v) => scale(v, Math.sqrt(2 / 3)))
      const nearestAt = (x: number, y: number): string[] => {
        const from = add(add(scale(right, x), scale(up, y)), scale(EYE, 1e5))
        const there = meets(from).flatMap((s) => {
          const at = reached(s, from, scale(EYE, -1))
          return at === null ? [] : [{ id: s.id, at }]
        })
        const nearest = Math.min(...there.map((h) => h.at))
        // Flush faces of neighbours: either is right.
        return there.filter((h) => h.at < nearest + 0.6).map((h) => h.id)
      }
      let met = 0
      const wrong: string[] = []
      for (let i = 1; i < 17; i++)
        for (let k = 1; k < 17; k++) {
          const [x, y] = [l + ((r - l) * (i + 0.31)) / 17.7, b + ((t - b) * (k + 0.17)) / 17.3]
          // A place within a hair of an edge may be told either way.
          const right0 = nearestAt(x, y)
          const round = [-0.3, 0.3].flatMap((d) => [nearestAt(x + d, y), nearestAt(x, y + d)])
          if (round.some((near) => near.join() !== right0.join()) || right0.length === 0) continue
          const painted = faces.filter((f) => inFigure(f.points, x, y)).pop()
          met++
          // Of an arm in its hole nothing of the hole is cut from what is round it.
          const setIn = (one: string) =>
            assembly.joints.some((j) => j.kind === 'socketed' && j.near === painted?.part && j.far === one)
          if (!right0.includes(painted?.part ?? '') && !right0.some(setIn))
            wrong.push(`${x.toFixed(1)}, ${y.toFixed(1)}: ${painted?.part}, not ${right0.join()}`)
        }
      expect(wrong).toEqual([])
      expect(met).toBeGreaterThan(10)
    },
  )
  it.each(firsts.map((x) => [x.name, x] as const))('%s: taken apart, the same', (_n, { assembly: a, groups }) => {
    const moved = apart(groups, 260)
    // What comes first stays; what cannot come straight in is left where it is.
    for (const p of groups.find((g) => g.length > 0)!) expect(moved.has(p.id)).toBe(false)
    if (groups.filter((g) => g.length > 0).length > 1) expect(moved.size).toBeGreaterThan(0)
    const scene = drawIso(a, { goods: new Map(), showGoods: false, moved })
    const edges = scene.marks.filter((m): m is Edge => m.kind === 'edge' && !m.hidden)
    expect(wrongly(a.parts, edges, moved).slice(0, 5)).toEqual([])
  })
  it.each(firsts.map((x) => [x.name, x] as const))('%s: from below, the same', (_n, { assembly: a }) => {
    const scene = drawIso(a, { goods: new Map(), showGoods: false, below: true })
    const edges = scene.marks.filter((m): m is Edge => m.kind === 'edge')
    expect(wrongly(a.parts, edges, undefined, unit([1, 1, -1])).slice(0, 5)).toEqual([])
    const [l, b, r, t] = scene.bounds
    for (const e of edges)
      for (const [x, y] of [e.from, e.to]) expect([x > l, x < r, y > b, y < t]).toEqual([true, true, true, true])
  })
  it('arrows of fasteners end on the near piece, from outside, and move with it', () => {
    for (const [n, { assembly: a }] of firsts.entries()) {
      const arrows = fastenerArrows(a, a.joints)
      expect(arrows.length).toBe(a.joints.filter((j) => j.fasteners.length > 0).length)
      const scene = drawIso(a, { goods: new Map(), showGoods: false, arrows })
      const marks = scene.marks.filter((m): m is Extract<Mark, { kind: 'arrow' }> => m.kind === 'arrow')
      expect(marks.map((m) => m.text)).toEqual(arrows.map((x) => `${x.count} ×`))
      const lengths = marks.map((m) => Math.hypot(m.to[0] - m.from[0], m.to[1] - m.from[1]))
      const [l, b, r, t] = drawn(a).bounds
      for (const m of marks)
        expect(m.from[0] > scene.bounds[0] && m.from[1] > scene.bounds[1] && m.from[1] < scene.bounds[3]).toBe(true)
      // Along one of the build's own axes an arrow is as long as any other.
      arrows.forEach((x, i) => {
        if (x.way.filter((v) => Math.abs(v) > 1e-9).length === 1)
          expect(lengths[i] / Math.max(r - l, t - b)).toBeCloseTo(0.05, 6)
      })
      const [first] = arrows
      if (!first || n % 8 > 0) continue
      const by: Vec3 = [0, 400, 0]
      const [there] = drawIso(a, {
        goods: new Map(),
        showGoods: false,
        arrows: [first],
        moved: new Map([[first.part, by]]),
      }).marks.filter((m): m is Extract<Mark, { kind: 'arrow' }> => m.kind === 'arrow')
      expect(Math.hypot(there.to[0] - marks[0].to[0], there.to[1] - marks[0].to[1])).toBeCloseTo(400, 6)
    }
  })
  it('the grain runs along a board on its faces, and towards the eye at its end', () => {
    const board: Part = {
      ...examples[0].assembly.parts[0],
      id: 'b',
      stock: { kind: 'board', section: '2x4', grade: 'no2', treated: false },
      size: { lengthMm: 900, widthMm: 90, thicknessMm: 40 },
      at: { centre: [0, 0, 0], along: [1, 0, 0], across: [0, 1, 0] },
      machining: [],
      outline: undefined,
    }
    const grainOf = (p: Part) =>
      drawIso({ ...examples[0].assembly, parts: [p], bays: [] }, { goods: new Map() })
        .marks.filter((m): m is Extract<Mark, { kind: 'face' }> => m.kind === 'face')
        .map((m) => [m.tone, typeof m.grain === 'number' ? Math.round((m.grain * 180) / Math.PI) : m.grain])
    // What runs to the right in the build falls to the right on the page, by 30°.
    expect(new Map(grainOf(board) as [string, number][])).toEqual(
      new Map<string, number | string>([
        ['top', 150],
        ['front', 150],
        ['side', 'end'],
      ]),
    )
    const upright: Part = { ...board, at: { ...board.at, along: [0, 0, 1] } }
    expect(new Map(grainOf(upright) as [string, number][]).get('top')).toBe('end')
    expect(new Map(grainOf(upright) as [string, number][]).get('front')).toBe(90)
  })
  it('what is new comes the way that is free: from the front into a box, from above onto it, nowhere into a closed one', () => {
    const board = (id: string, centre: Vec3, [lengthMm, widthMm, thicknessMm]: Vec3): Part => ({
      ...examples[0].assembly.parts[0],
      id,
      size: { lengthMm, widthMm, thicknessMm },
      at: { centre, along: [1, 0, 0], across: [0, 1, 0] },
      machining: [],
      outline: undefined,
    })
    const walls = [
      board('left', [-110, 0, 100], [20, 200, 200]),
      board('right', [110, 0, 100], [20, 200, 200]),
      board('bottom', [0, 0, -10], [240, 200, 20]),
    ]
    const shelf = board('shelf', [0, 0, 100], [200, 200, 20])
    const lid = board('lid', [0, 0, 210], [240, 200, 20])
    const front = board('front', [0, 110, 100], [240, 20, 240])
    const back = board('back', [0, -110, 100], [240, 20, 240])
    expect(waysIn(walls, [shelf], 50).get('shelf')).toEqual([0, 50, 0])
    expect(waysIn([...walls, front], [shelf], 50).get('shelf')).toEqual([0, 0, 50])
    expect(waysIn([...walls, front, lid], [shelf], 50).get('shelf')).toEqual([0, -50, 0])
    expect(waysIn([...walls, front, lid, back], [shelf], 50).size).toBe(0)
    expect(waysIn([], [shelf], 50).size).toBe(0)
  })
  it('what is cut out of a part is missing from its solid', () => {
    for (const { assembly } of examples)
      for (const p of assembly.parts) {
        const isPlain = p.machining.every((m) => m.kind === 'dado' || m.kind === 'rabbet')
        if (p.stock.kind !== 'sheet' || !isPlain) continue
        const volume = solidOf(p).pieces.reduce((s, b) => {
          const ring = b.outline
          const area = ring
            ? ring.reduce(
                (a, [u, v], i) => a + (u * ring[(i + 1) % ring.length][1] - v * ring[(i + 1) % ring.length][0]) / 2,
                0,
              )
            : b.size[0] * b.size[1]
          return s + area * b.size[2]
        }, 0)
        const taken = p.machining.reduce(
          (s, m) =>
            m.kind === 'dado'
              ? s + m.widthMm * m.depthMm * (p.size.widthMm - m.offMm)
              : m.kind === 'rabbet'
                ? s + m.widthMm * m.depthMm * (m.edge === 'low' || m.edge === 'high' ? p.size.lengthMm : p.size.widthMm)
                : s,
          0,
        )
        const whole = p.outline ? volume : p.size.lengthMm * p.size.widthMm * p.size.thicknessMm
        // Where two cuts meet in a corner it is taken once.
        if (!p.outline) expect(volume).toBeGreaterThanOrEqual(whole - taken - 1e-6)
        if (!p.outline && p.machining.length === 1) expect(volume).toBeCloseTo(whole - taken, 3)
        expect(volume).toBeLessThanOrEqual(whole + 1e-6)
      }
  })
})
