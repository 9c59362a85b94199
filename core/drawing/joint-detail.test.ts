import { describe, expect, it } from '@jest/globals'
import { shapedExamples } from '../../test-support/examples.ts'
import { partBoxes } from '../assembly/part-box.ts'
import { jointRooms } from '../checks/joint-room.ts'
import { dot, type Vec3 } from '../geometry/vec.ts'
import { METHODS } from '../mechanics/methods/all.ts'
import { anchorDetail } from './anchor-detail.ts'
import { alike, jointDetail, type JointDetail } from './joint-detail.ts'

const examples = shapedExamples().map(({ family, name, params, shaped, context }) => ({
  name,
  a: shaped.assembly,
  steps: family.steps(params, shaped),
  space: context.space,
}))
const detailsOf = (a: (typeof examples)[number]['a']) => {
  const rooms = jointRooms(a, partBoxes(a), METHODS.asd)
  return a.joints.flatMap((j) => {
    const d = jointDetail(a, j, rooms.get(j.id))
    return d ? [{ j, d, room: rooms.get(j.id) }] : []
  })
}
const marksOf = (d: JointDetail, ink: string) =>
  d
    .draw()
    .marks.filter((m) => m.kind === 'outline')
    .filter((m) => m.ink.includes(ink))

describe('joints drawn large', () => {
  it.each(examples.map((x) => [x.name, x.a] as const))('%s: every joint with fasteners, both pieces in it', (_n, a) => {
    const all = detailsOf(a)
    expect(all).toHaveLength(a.joints.filter((j) => j.fasteners.length > 0).length)
    const kinds = new Set(all.map((x) => alike(x.d)))
    if (all.length > 0) expect(kinds.size).toBeGreaterThan(0)
    // Alike joints are many: not each is a kind of its own.
    if (all.length > 40) expect(kinds.size).toBeLessThan(all.length / 2)
    const seen = new Set<string>()
    for (const { j, d, room } of all) {
      expect(Math.hypot(...d.way)).toBeCloseTo(1, 9)
      // The way goes from the near piece to the far one.
      const to = dot([0, 1, 2].map((k) => d.far.at.centre[k] - d.near.at.centre[k]) as Vec3, d.way)
      if (d.near.stock.kind !== 'steel' && d.far.stock.kind !== 'steel') expect([j.id, to > 0]).toEqual([j.id, true])
      // Alike ones look alike: one of each is drawn.
      if (!seen.has(alike(d))) {
        seen.add(alike(d))
        const scene = d.draw()
        const parts = new Set(scene.marks.map((m) => ('part' in m ? m.part : undefined)))
        expect([j.id, parts.has(d.near.id)]).toEqual([j.id, true])
        if (d.far.stock.kind !== 'steel') expect([j.id, parts.has(d.far.id)]).toEqual([j.id, true])
        expect(marksOf(d, 'fitting').length).toBeGreaterThan(0)
        const [l, b, r, t] = scene.bounds
        for (const m of scene.marks)
          if (m.kind === 'outline' && m.part)
            expect(m.points.filter(([x, y]) => !(x >= l && x <= r && y >= b && y <= t))).toEqual([])
      }
      d.fasteners.forEach((f, i) => {
        expect(f.throughMm + f.intoMm).toBeLessThanOrEqual(f.fastener.lengthMm + 1e-6)
        if (f.fastener.kind === 'screw' && !d.slanted) expect(f.intoMm).toBeGreaterThan(6)
        const asked = room?.[i]
        if (!asked || asked.share === 0 || !f.edgeMm) return
        // Where the checks found room the drawing keeps the distances they asked for.
        const least = Math.min(asked.rules[0].edge, asked.rules[0].end) * asked.share * f.fastener.diameterMm
        expect(f.edgeMm.filter((mm) => !(mm >= least - 1e-6))).toEqual([])
        if (f.apartMm !== null)
          expect(f.apartMm).toBeGreaterThanOrEqual(
            Math.min(...asked.rules.flatMap((r) => [r.along, r.across])) * asked.share * f.fastener.diameterMm - 1e-6,
          )
      })
    }
  })
  it.each(examples.map((x) => [x.name, x] as const))(
    '%s: every fixing is driven in one step, and drawn as deep in its stud or joist as it was judged',
    (_n, { a, steps, space }) => {
      expect(steps.flatMap((s) => s.anchors ?? []).sort()).toEqual(a.anchors.map((x) => x.id).sort())
      for (const x of a.anchors) {
        const d = anchorDetail(a, x, space)!
        expect(d.near.id).toBe(x.part)
        // What its maker rates has no screw one could draw: the line it goes along, into what was there before.
        if (x.fastener === null || x.into === 'bolt') {
          expect([d.byMaker, d.fasteners]).toEqual([x.count, []])
          const up = x.prepared?.on === 'ceiling'
          expect(d.way).toEqual(x.into === 'slab' ? [0, 0, -1] : up ? [0, 0, 1] : [0, -1, 0])
          const scene = d.draw()
          const strokes = scene.marks.filter((m) => m.kind === 'outline' && m.ink === 'work')
          expect(strokes.length).toBeGreaterThan(5)
          const drawn = scene.marks.flatMap((m) => ('part' in m && m.part ? [m.part] : []))
          expect(drawn).toEqual(expect.arrayContaining([x.part, `${x.id}-ground`]))
          continue
        }
        const beside = x.side && [x.side === 'left' ? -1 : 1, 0, 0]
        const way = x.into === 'joist' ? [0, 0, 1] : (beside ?? [0, -1, 0])
        expect(d.way.map((v) => Number(v.toFixed(6)))).toEqual(way)
        expect(d.fasteners[0].intoMm).toBeCloseTo(x.embedMm, 6)
        const drawn = d.draw().marks.flatMap((m) => ('part' in m && m.part ? [m.part] : []))
        expect(drawn).toEqual(expect.arrayContaining([x.part, `${x.id}-stud`, `${x.id}-lining`]))
      }
      const [first] = a.anchors
      if (first && first.into !== 'masonry' && first.into !== 'slab')
        expect(anchorDetail(a, first, { construction: { kind: 'masonry' }, joists: null, sides: null })).toBeNull()
    },
  )
  it('a rail on a post, by hand: screws from the rail’s side, as deep as they are long less the rail', () => {
    const { a } = examples.find((x) => x.name.startsWith('tote-rack: twelve totes'))!
    const found = detailsOf(a).find(({ d }) => d.near.role === 'rail' && d.far.role === 'post')!
    const [f] = found.d.fasteners
    expect(f.fastener.id).toBe('screw-8x2.5')
    expect(f.throughMm).toBeCloseTo(found.d.near.size.thicknessMm, 6)
    expect(f.intoMm).toBeCloseTo(Math.min(63.5 - found.d.near.size.thicknessMm, found.d.far.size.thicknessMm), 6)
    expect(Math.abs(found.d.way[0])).toBeCloseTo(1, 9)
    // Two screws, drawn with their heads.
    expect(marksOf(found.d, 'fitting')).toHaveLength(2 * f.count)
    // Both cut pieces are hatched.
    expect(marksOf(found.d, 'cut-board').length).toBe(2)
  })
  it('draws the hole that is bored, as wide as it is said and past the point', () => {
    const { a } = examples.find((x) => x.name.startsWith('tote-rack: twelve totes'))!
    const { j, room } = detailsOf(a).find(({ d }) => d.near.role === 'rail' && d.far.role === 'post')!
    const bored = jointDetail(a, j, room, () => 2.5)!
    const holes = marksOf(bored, 'work').flatMap((m) => (m.kind === 'outline' ? [m.points] : []))
    expect(holes).toHaveLength(bored.fasteners[0].count)
    for (const h of holes) {
      const size = [0, 1]
        .map((i) => Math.max(...h.map((q) => q[i])) - Math.min(...h.map((q) => q[i])))
        .sort((x, y) => x - y)
      expect(size[0]).toBeCloseTo(2.5, 6)
      expect(size[1]).toBeCloseTo(bored.fasteners[0].fastener.lengthMm + 3, 6)
    }
    expect(marksOf(jointDetail(a, j, room)!, 'work')).toEqual([])
  })
  it('a shelf in a dado is shown in it, and one without fasteners not at all', () => {
    const { a } = examples.find((x) => x.name.startsWith('wall-cabinet: cartons, imperial'))!
    const shelf = detailsOf(a).find(({ j }) => j.kind === 'housed')!
    expect(shelf.d.housedMm).toBeGreaterThan(4)
    expect(shelf.d.housedMm).toBeLessThan(12)
    const bare = a.joints.find((j) => j.fasteners.length === 0)
    if (bare) expect(jointDetail(a, bare, undefined)).toBeNull()
    expect(jointDetail(a, { ...shelf.j, near: 'gone' }, undefined)).toBeNull()
  })
})
