import { describe, expect, it } from '@jest/globals'
import { shapedExamples } from '../../test-support/examples.ts'
import type { Machining, Part } from '../assembly/assembly.ts'
import { isRoundPart, partBox } from '../assembly/part-box.ts'
import { volumeOf, type Polyhedron } from '../geometry/polyhedron.ts'
import { add, cross, dot, scale, sub, unit, type Vec3 } from '../geometry/vec.ts'
import { meshOf } from './mesh.ts'
import { leanOf, workOn } from './work.ts'

const sum = (list: readonly number[]) => list.reduce((s, v) => s + v, 0)
const volume = (mesh: readonly Polyhedron[]) => sum(mesh.map(volumeOf))

/** Edges that are not run through once each way: none, where a solid is closed and its faces all look out. */
function openEdges(solid: Polyhedron): string[] {
  const seen = new Map<string, number>()
  const name = (c: Vec3) => c.map((v) => (Math.round(v * 1e4) / 1e4 || 0).toFixed(4)).join()
  for (const f of solid)
    f.forEach((c, i) => {
      const [a, b] = [name(c), name(f[(i + 1) % f.length])]
      const [key, way] = a < b ? [`${a}|${b}`, 1] : [`${b}|${a}`, -1]
      seen.set(key, (seen.get(key) ?? 0) + way)
    })
  return [...seen].filter(([, n]) => n !== 0).map(([key]) => key)
}

function boundsOf(mesh: readonly Polyhedron[]) {
  const points = mesh.flat(2)
  const range = (k: number) => points.map((c) => c[k])
  return {
    min: [0, 1, 2].map((k) => Math.min(...range(k))),
    max: [0, 1, 2].map((k) => Math.max(...range(k))),
  }
}

/** What work takes out of a part, where none of it meets any other, mm³. */
function taken(m: Machining, p: Part): number {
  const { lengthMm: l, widthMm: w, thicknessMm: t } = p.size
  const hole = (d: number, deep: number) => (Math.PI / 4) * d * d * deep
  switch (m.kind) {
    case 'dado':
      return m.widthMm * m.depthMm * (w - m.offMm)
    case 'groove':
      return m.widthMm * m.depthMm * l
    case 'rabbet':
      return m.widthMm * m.depthMm * (m.edge === 'low' || m.edge === 'high' ? l : w)
    case 'notch':
      return m.lengthMm * m.depthMm * t
    case 'cutout':
      return m.lengthMm * m.widthMm * t
    case 'recess':
      return m.lengthMm * m.widthMm * m.depthMm
    case 'bevel':
      return ((t * t * Math.tan(m.angleRad)) / 2) * l
    case 'mitre': {
      const [across, other] = m.through === 'width' ? [w, t] : [t, w]
      return ((across * across * Math.tan(Math.abs(m.angleRad))) / 2) * other
    }
    case 'hole':
      return hole(m.diameterMm, m.depthMm ?? t) / Math.cos(m.tiltRad)
    case 'row':
      return m.count * hole(m.diameterMm, m.depthMm)
    case 'corner':
      return (m.at === 'all' ? 4 : 2) * (1 - Math.PI / 4) * m.radiusMm ** 2 * t
    case 'scribe':
      return 0
  }
}
/** A slot that ends in the middle of a hole: what lies in both of them is taken once. */
function sharedByKeyholes(p: Part): number {
  return sum(
    p.machining.flatMap((m) => {
      if (m.kind !== 'hole' || m.depthMm !== null) return []
      const slot = p.machining.find((n) => n.kind === 'notch' && Math.abs(n.atMm + n.lengthMm / 2 - m.atMm) < 1e-6)
      if (slot?.kind !== 'notch') return []
      const [r, a] = [m.diameterMm / 2, slot.lengthMm / 2]
      return [(a * Math.sqrt(r * r - a * a) + r * r * Math.asin(a / r)) * p.size.thicknessMm]
    }),
  )
}
function own(p: Part): number {
  const { lengthMm: l, widthMm: w, thicknessMm: t } = p.size
  if (isRoundPart(p)) return (Math.PI / 4) * w * t * l
  const ring = p.outline
  const face = ring
    ? sum(ring.map(([u, v], i) => u * ring[(i + 1) % ring.length][1] - v * ring[(i + 1) % ring.length][0])) / 2
    : l * w
  return face * t
}

const examples = shapedExamples().map(({ name, shaped: { assembly: a } }) => ({
  name,
  parts: a.parts,
  joints: a.joints,
}))

const turned: Part['at'] = {
  centre: [310, -200, 450],
  along: unit([3, 1, 2]),
  across: unit(cross([0, 0, 1], unit([3, 1, 2]))),
}
const board = (machining: Machining[], size = { lengthMm: 400, widthMm: 120, thicknessMm: 20 }): Part => ({
  ...examples[0].parts[0],
  id: 'p',
  stock: { kind: 'board', section: '1x6', grade: 'no2', treated: false },
  size,
  at: turned,
  outline: undefined,
  machining,
})
const rad = (deg: number) => (deg * Math.PI) / 180

describe('solids in three dimensions', () => {
  it.each(examples.map((x) => [x.name, x.parts] as const))('%s: every part closed, and of its size', (_n, parts) => {
    for (const p of parts) {
      const mesh = meshOf(p)
      expect([p.id, mesh.flatMap(openEdges).slice(0, 3)]).toEqual([p.id, []])
      for (const s of mesh) expect(volumeOf(s)).toBeGreaterThan(0)
      const apart = sum(p.machining.map((m) => taken(m, p))) - sharedByKeyholes(p)
      // Where two cuts meet in a corner it is taken once: within a thousandth of the whole.
      expect(Math.abs(volume(mesh) - (own(p) - apart)) / own(p)).toBeLessThan(p.machining.length > 1 ? 0.004 : 0.001)
      if (p.machining.some((m) => m.kind === 'mitre' || m.kind === 'bevel')) continue
      const [is, box] = [boundsOf(mesh), partBox(p)]
      // A rod is as much thicker as it takes for its volume to be true.
      const thicker = isRoundPart(p) ? 0.001 * p.size.widthMm : 0
      for (const side of ['min', 'max'] as const)
        is[side].forEach((v, k) =>
          expect(Math.abs(v - box[side][k])).toBeLessThan(thicker + 1e-3 * Math.max(10, own(p) ** (1 / 3))),
        )
    }
  })
  const each: [string, Machining[]][] = [
    ['mitre through the width', [{ kind: 'mitre', end: 'end', angleRad: rad(45), through: 'width' }]],
    [
      'two mitres',
      (['start', 'end'] as const).map((end) => ({ kind: 'mitre', end, angleRad: rad(30), through: 'width' })),
    ],
    ['mitre through the thickness', [{ kind: 'mitre', end: 'start', angleRad: rad(-22.5), through: 'thickness' }]],
    ['bevel', [{ kind: 'bevel', face: 'under', edge: 'low', angleRad: rad(45) }]],
    ['rounded corners', [{ kind: 'corner', radiusMm: 40, at: 'all' }]],
    ['rounded in front', [{ kind: 'corner', radiusMm: 60, at: 'front' }]],
    ['groove', [{ kind: 'groove', face: 'over', offMm: 30, widthMm: 12, depthMm: 8 }]],
    ['cut-out', [{ kind: 'cutout', atMm: 100, offMm: 20, lengthMm: 90, widthMm: 50 }]],
    ['hole through', [{ kind: 'hole', face: 'over', atMm: 90, offMm: 60, diameterMm: 25, depthMm: null, tiltRad: 0 }]],
    [
      'hole not through',
      [{ kind: 'hole', face: 'under', atMm: 90, offMm: 60, diameterMm: 25, depthMm: 12, tiltRad: 0 }],
    ],
    ...(['start', 'end', 'low', 'high'] as const).map((towards): [string, Machining[]] => [
      `hole at a tilt towards ${towards}`,
      [
        {
          kind: 'hole',
          face: 'over',
          atMm: 90,
          offMm: 60,
          diameterMm: 25,
          depthMm: null,
          tiltRad: rad(15),
          towards,
        },
        {
          kind: 'hole',
          face: 'under',
          atMm: 240,
          offMm: 60,
          diameterMm: 22,
          depthMm: 14,
          tiltRad: rad(5),
          towards,
        },
        { kind: 'hole', face: 'over', atMm: 300, offMm: 60, diameterMm: 10, depthMm: 9, tiltRad: 0 },
      ],
    ]),
    ['row', [{ kind: 'row', face: 'over', atMm: 60, offMm: 40, count: 7, everyMm: 32, diameterMm: 5, depthMm: 10 }]],
    [
      'bevel beside a dado',
      [
        { kind: 'bevel', face: 'over', edge: 'high', angleRad: rad(45) },
        { kind: 'dado', face: 'under', atMm: 150, offMm: 40, widthMm: 18, depthMm: 6, stopped: true },
      ],
    ],
    [
      'holes in and beside a dado',
      [
        { kind: 'dado', face: 'over', atMm: 150, offMm: 0, widthMm: 18, depthMm: 6, stopped: false },
        { kind: 'hole', face: 'over', atMm: 300, offMm: 60, diameterMm: 10, depthMm: null, tiltRad: 0 },
        { kind: 'hole', face: 'under', atMm: 159, offMm: 60, diameterMm: 8, depthMm: 4, tiltRad: 0 },
      ],
    ],
  ]
  it.each(each)('%s, turned any way: closed, and what is left of it', (name, machining) => {
    const p = board(machining)
    const mesh = meshOf(p)
    expect(mesh.flatMap(openEdges)).toEqual([])
    // A stopped dado runs from its end to the edge, where the bevel may have been first.
    const both = name === 'bevel beside a dado' ? 0.002 : 0.0005
    expect(Math.abs(volume(mesh) - (own(p) - sum(machining.map((m) => taken(m, p))))) / own(p)).toBeLessThan(both)
  })
  it('a hole at a tilt comes out where its slope says, on the other side', () => {
    for (const [face, out] of [
      ['over', 1],
      ['under', -1],
    ] as const) {
      const tilt = { tiltRad: rad(20), towards: 'end' as const }
      const p = board([{ kind: 'hole', face, atMm: 90, offMm: 60, diameterMm: 24, depthMm: null, ...tilt }])
      const third = cross(p.at.along, p.at.across)
      const rim = (side: number) =>
        meshOf(p)
          .flat(2)
          .map((c) => sub(c, p.at.centre))
          .filter((c) => Math.abs(dot(c, third) - side * 10) < 1e-6)
          .filter((c) => Math.abs(dot(c, p.at.along)) < 199 && Math.abs(dot(c, p.at.across)) < 59)
          .map((c) => 200 + dot(c, p.at.along))
      const middle = (side: number) => (Math.max(...rim(side)) + Math.min(...rim(side))) / 2
      expect(middle(out)).toBeCloseTo(90, 6)
      expect(middle(-out)).toBeCloseTo(90 - 20 * Math.tan(rad(20)), 6)
      // An oval, longer along the slope.
      expect(Math.max(...rim(out)) - Math.min(...rim(out))).toBeCloseTo(24 / Math.cos(rad(20)), 6)
      // On paper as in space.
      const paper = workOn(p, face === 'over' ? 'under' : 'over')[0].map(
        (c) => 200 + dot(sub(c, p.at.centre), p.at.along),
      )
      expect((Math.max(...paper) + Math.min(...paper)) / 2).toBeCloseTo(90 - 20 * Math.tan(rad(20)), 6)
    }
  })
  it('an arm leads out of its hole along the line of the bore', () => {
    let met = 0
    for (const { parts, joints } of examples)
      for (const j of joints.filter((x) => x.kind === 'socketed')) {
        const [into, arm] = [j.near, j.far].map((id) => parts.find((p) => p.id === id)!)
        const third = cross(into.at.along, into.at.across)
        const way = dot(sub(arm.at.centre, into.at.centre), arm.at.along) > 0 ? arm.at.along : scale(arm.at.along, -1)
        const out = Math.sign(dot(way, third))
        for (const m of into.machining) {
          if (m.kind !== 'hole' || !m.towards) continue
          expect(m.face).toBe(out > 0 ? 'over' : 'under')
          const [u, v] = leanOf(m)
          const bore = unit(add(scale(third, out), add(scale(into.at.along, u), scale(into.at.across, v))))
          expect(dot(bore, way)).toBeCloseTo(1, 9)
          met++
        }
      }
    expect(met).toBeGreaterThan(4)
  })
  it('a hole that runs out over an edge of a dado is a hole in both', () => {
    const dado: Machining = { kind: 'dado', face: 'over', atMm: 150, offMm: 0, widthMm: 18, depthMm: 6, stopped: false }
    const hole: Machining = {
      kind: 'hole',
      face: 'over',
      atMm: 150,
      offMm: 60,
      diameterMm: 20,
      depthMm: null,
      tiltRad: 0,
    }
    const p = board([dado, hole])
    const mesh = meshOf(p)
    // Half of it goes through all of the board, the other half through what the dado leaves.
    const gone = taken(dado, p) + (Math.PI / 4) * 400 * (20 / 2 + 14 / 2)
    // A circle of few corners has 1.6 % less than a round one.
    expect(Math.abs(volume(mesh) - (own(p) - gone))).toBeLessThan(0.017 * Math.PI * 100 * 20)
  })
  it('the long point of a mitre is where it is told to be', () => {
    for (const [angleRad, through, way] of [
      [0.5, 'width', -1],
      [-0.5, 'width', 1],
      [0.5, 'thickness', -1],
      [-0.5, 'thickness', 1],
    ] as const) {
      const p = board([{ kind: 'mitre', end: 'end', angleRad, through }])
      const third = cross(p.at.along, p.at.across)
      const points = meshOf(p).flat(2)
      const along = (c: Vec3) => dot(sub(c, p.at.centre), p.at.along)
      const far = Math.max(...points.map(along))
      expect(far).toBeCloseTo(200, 6)
      const side = through === 'width' ? p.at.across : third
      for (const c of points.filter((q) => along(q) > far - 1e-6))
        expect(Math.sign(dot(sub(c, p.at.centre), side))).toBe(way)
    }
  })
})
