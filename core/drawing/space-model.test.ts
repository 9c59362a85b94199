import { describe, expect, it } from '@jest/globals'
import { shapedExamples } from '../../test-support/examples.ts'
import type { Assembly, Motion } from '../assembly/assembly.ts'
import { movedPoint, opens, partly } from '../assembly/moved.ts'
import { partBox } from '../assembly/part-box.ts'
import { boxUnion } from '../geometry/box.ts'
import { frameOf } from '../clearance/placing.ts'
import { areaVector } from '../geometry/polyhedron.ts'
import { cross, dot, norm, sub, type Vec3 } from '../geometry/vec.ts'
import { outline } from '../room/outline.ts'
import { plainCeiling, type Room } from '../room/room.ts'
import { placementOf, roomModel } from './room-model.ts'
import { buildModel, type Lot, type SpaceModel } from './space-model.ts'

const examples = shapedExamples().map(({ name, shaped }) => ({ name, assembly: shaped.assembly }))
const triple = (a: Float32Array, i: number): Vec3 => [a[3 * i], a[3 * i + 1], a[3 * i + 2]]

/** Corners of each triangle. */
const trianglesIn = (lot: Lot): number[][] =>
  Array.from({ length: lot.triangles.length / 3 }, (_, i) => [...lot.triangles.slice(3 * i, 3 * i + 3)])

/** Volume of what an owner's triangles close, mm³: negative where they look inwards. */
function volumeOf(lot: Lot, owner: number): number {
  let [sum, from]: [number, Vec3 | null] = [0, null]
  for (const t of trianglesIn(lot)) {
    if (lot.owners[t[0]] !== owner) continue
    const [a, b, c] = t.map((k) => triple(lot.positions, k))
    from ??= a
    sum += dot(sub(a, from), cross(sub(b, a), sub(c, a))) / 6
  }
  return sum
}
/** Corners of a part in a model, with the lot it is in. */
const lotOf = (m: SpaceModel, part: string) => {
  const owner = m.owners.findIndex((o) => o.part === part)
  return { owner, lot: m.lots.find((l) => l.owners.includes(owner))! }
}

describe('a build in three dimensions', () => {
  it.each(examples.map((x) => [x.name, x.assembly] as const))(
    '%s: every part once, looking out, with its length where its grain runs',
    (_n, assembly: Assembly) => {
      const m = buildModel('b', assembly, null)
      expect(m.owners.map((o) => o.part)).toEqual(assembly.parts.map((p) => p.id))
      for (const p of assembly.parts) {
        const { lot, owner } = lotOf(m, p.id)
        expect(volumeOf(lot, owner)).toBeGreaterThan(0)
        const own = Array.from(lot.owners, (o, i) => (o === owner ? triple(lot.own, i) : null)).filter(
          (v) => v !== null,
        )
        const span = (k: number) => Math.max(...own.map((v) => v[k])) - Math.min(...own.map((v) => v[k]))
        if (p.stock.kind === 'board' && !p.machining.some((x) => x.kind === 'mitre'))
          expect(span(0)).toBeCloseTo(p.size.lengthMm, 1)
        if (p.stock.kind === 'sheet')
          expect(span(p.grain === 'width' ? 1 : 0)).toBeCloseTo(
            p.outline ? span(p.grain === 'width' ? 1 : 0) : p.size.lengthMm,
            1,
          )
      }
      const box = boxUnion(assembly.parts.map(partBox))
      // The wall is behind it: what comes out from the wall comes towards the eye.
      expect(m.min[1]).toBeCloseTo(-box.max[1], 0)
      expect(m.max[0]).toBeCloseTo(box.max[0], 0)
      expect(m.max[2]).toBeCloseTo(box.max[2], 0)
    },
  )
  it('normals are those of the triangles, and the same in the own frame of the part', () => {
    const m = buildModel('b', examples[0].assembly, null)
    for (const lot of m.lots)
      for (const t of trianglesIn(lot)) {
        const i = t[0]
        const [a, b, c] = t.map((k) => triple(lot.positions, k))
        const out = areaVector([a, b, c])
        if (norm(out) < 1) continue
        expect(dot(out, triple(lot.normals, i)) / norm(out)).toBeCloseTo(1, 4)
        const [u, v] = [1, 2].map((k) => sub(triple(lot.own, t[k]), triple(lot.own, i)))
        expect(dot(u, triple(lot.faces, i))).toBeCloseTo(0, 1)
        expect(dot(v, triple(lot.faces, i))).toBeCloseTo(0, 1)
      }
  })
  it('a door opens in the model as it does in the build', () => {
    let met = 0
    for (const { assembly } of examples) {
      const m = buildModel('b', assembly, null)
      for (const given of assembly.motions.filter(opens)) {
        const { lot } = lotOf(m, given.parts[0])
        const there = lot.motion as Motion
        expect(there.kind).toBe(given.kind)
        for (const share of [0, 0.4, 1]) {
          const p: Vec3 = [123, 456, 789]
          const [x, y, z] = movedPoint(partly(given, share), p)
          const [u, v, w] = movedPoint(partly(there, share), [p[0], -p[1], p[2]])
          expect([u, v, w].map((c) => c.toFixed(6))).toEqual([x, -y, z].map((c) => c.toFixed(6)))
        }
        met++
      }
    }
    expect(met).toBeGreaterThan(5)
  })
  it('goods are drawn with what they stand in, or left out', () => {
    const full = examples.find((x) => x.assembly.bays.some((b) => b.items.length > 0))!.assembly
    const things = full.bays.flatMap((b) => b.items).length
    expect(buildModel('b', full, new Map()).owners.filter((o) => o.goods)).toHaveLength(things)
    expect(buildModel('b', full, null).owners.filter((o) => o.goods)).toHaveLength(0)
  })
})

describe('a room in three dimensions', () => {
  const wall = {
    id: 'a',
    name: 'A',
    lengthMm: 4000,
    heightMm: 2500,
    depthMm: 900,
    construction: { kind: 'masonry' as const },
    cornerRad: Math.PI / 2,
  }
  const room: Room = {
    name: '',
    walls: ['a', 'b', 'c', 'd'].map((id, i) => ({ ...wall, id, lengthMm: i % 2 ? 3000 : 4000 })),
    closed: true,
    diagonals: [],
    ceiling: plainCeiling(2500),
    floor: { kind: 'slab', points: [] },
    features: [],
  }
  const plan = outline(room)
  const { assembly } = examples[0]
  const size = boxUnion(assembly.parts.map(partBox)).max

  it('its walls look inwards, its floor up', () => {
    const m = roomModel(room, plan, [], null)
    const [lot] = m.lots
    const middle: Vec3 = [(m.min[0] + m.max[0]) / 2, (m.min[1] + m.max[1]) / 2, 1250]
    let floorMm2 = 0
    for (const t of trianglesIn(lot)) {
      const i = t[0]
      const { paint } = m.owners[lot.owners[i]]
      const [a, b, c] = t.map((k) => triple(lot.positions, k))
      if (paint === 'wall') expect(dot(sub(middle, a), triple(lot.normals, i))).toBeGreaterThan(1000)
      if (paint === 'floor') expect(triple(lot.normals, i)[2]).toBeCloseTo(1, 6)
      if (paint === 'floor') floorMm2 += norm(cross(sub(b, a), sub(c, a))) / 2
    }
    expect(floorMm2).toBeCloseTo(12e6, -2)
    expect(m.max[2]).toBeCloseTo(2500, 3)
  })
  it.each([0, 1, 2, 3] as const)(
    'a build turned by %i quarters stands inside, solid, and its back at the wall',
    (turn) => {
      for (const w of plan.walls) {
        const frame = frameOf(w, { alongMm: 100, outMm: 0, turn }, size[0], size[1])
        const m = roomModel(room, plan, [{ id: 'x', assembly, at: placementOf(frame) }], null)
        for (const p of assembly.parts.slice(0, 4)) {
          const { lot, owner } = lotOf(m, p.id)
          expect(volumeOf(lot, owner)).toBeGreaterThan(0)
          const body = partBox(p)
          const [x, y] = frame.toPlan(body.min[0], body.min[1])
          const corner = Array.from(lot.owners, (o, i) => (o === owner ? triple(lot.positions, i) : null)).some(
            (c) => c && Math.hypot(c[0] - x, c[1] - y, c[2] - body.min[2]) < 1,
          )
          expect([w.wall.id, p.id, corner]).toEqual([w.wall.id, p.id, true])
        }
      }
    },
  )
})
