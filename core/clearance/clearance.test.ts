import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import '../../test-support/fast-check.ts'
import { sweptTop } from '../../test-support/door-model.ts'
import type { Assembly, Part } from '../assembly/assembly.ts'
import type { Box } from '../geometry/box.ts'
import { brick, gapBetween, moved, prism, pushAlong } from '../geometry/convex.ts'
import { convexGap } from '../geometry/plane.ts'
import { scale, type Vec3 } from '../geometry/vec.ts'
import { newFeature, USUAL_LEAF, USUAL_SECTIONAL } from '../room/features.ts'
import { outline } from '../room/outline.ts'
import { plainCeiling, type Room, type Wall } from '../room/room.ts'
import { intoAlcove, longestRoundCorner, passesOpening, roundCorner, throughDoorway } from './carry.ts'
import { conflicts } from './conflicts.ts'
import { keepOuts, wallBodies } from './keep-outs.ts'
import { sweptBodies } from './motions.ts'
import { frameOf, placedBox, solidsOf, type BuildSolids } from './placing.ts'
import { doorTrack, leastGap, recordTravel, restingTopMm, sweepTopAt } from './sectional-door.ts'
import { snapStretch } from './snapping.ts'
import { highestThatStands, turnUpGap } from './stand-up.ts'

const box = (x: number, y: number, z: number, w: number, d: number, h: number) =>
  prism(
    [
      [x, y],
      [x + w, y],
      [x + w, y + d],
      [x, y + d],
    ],
    z,
    z + h,
  )

describe('convex bodies', () => {
  it('tell how deep they are in each other, how far apart, and what push parts them', () => {
    const a = box(0, 0, 0, 100, 100, 100)
    expect(gapBetween(a, box(130, 0, 0, 50, 50, 50))).toBeCloseTo(30, 9)
    expect(gapBetween(a, box(90, 20, 20, 50, 50, 50))).toBeCloseTo(-10, 9)
    expect(pushAlong(a, box(90, 20, 20, 50, 50, 50), [-1, 0, 0])).toBeCloseTo(10, 9)
    expect(pushAlong(a, box(90, 20, 20, 50, 50, 50), [1, 0, 0])).toBeCloseTo(140, 9)
    expect(pushAlong(a, box(200, 0, 0, 50, 50, 50), [1, 0, 0])).toBe(0)
  })
  it('a turned brick meets what its box would not: a diagonal brace leaves the corners free', () => {
    const r = Math.SQRT1_2
    const brace = brick(
      [500, 0, 500],
      [
        [r, 0, r],
        [-r, 0, r],
        [0, 1, 0],
      ],
      [1300, 90, 20],
    )
    expect(gapBetween(brace, box(0, -10, 900, 80, 20, 80))).toBeGreaterThan(0)
    expect(gapBetween(brace, box(460, -10, 460, 80, 20, 80))).toBeLessThan(0)
  })
  it('are free, and only just, once pushed as far as said', () => {
    const n = fc.integer({ min: -200, max: 200 })
    const s = fc.integer({ min: 20, max: 300 })
    fc.assert(
      fc.property(
        n,
        n,
        n,
        s,
        s,
        s,
        fc.double({ min: 0, max: 6.28, noNaN: true }),
        fc.double({ min: 0, max: 6.28, noNaN: true }),
        (x, y, z, w, d, h, turn, way) => {
          const [c, t] = [Math.cos(turn), Math.sin(turn)]
          const a = brick(
            [x, y, z],
            [
              [c, t, 0],
              [-t, c, 0],
              [0, 0, 1],
            ],
            [w, d, h],
          )
          const b = box(-60, -50, -70, 150, 120, 140)
          const u: Vec3 = [Math.cos(way), Math.sin(way), 0]
          const push = pushAlong(a, b, u)
          if (push === 0) return gapBetween(a, b) >= 0
          if (!Number.isFinite(push)) return false
          return (
            gapBetween(moved(a, scale(u, push + 0.01)), b) >= 0 && gapBetween(moved(a, scale(u, push - 0.5)), b) < 0
          )
        },
      ),
    )
  })
  it('flat figures give true distances', () => {
    expect(
      convexGap(
        [
          [0, 0],
          [10, 0],
          [10, 10],
          [0, 10],
        ],
        [
          [13, 14],
          [20, 14],
          [20, 20],
        ],
      ),
    ).toBeCloseTo(5, 9)
    expect(
      convexGap(
        [
          [0, 0],
          [10, 0],
          [10, 10],
          [0, 10],
        ],
        [
          [8, 2],
          [20, 2],
          [20, 8],
          [8, 8],
        ],
      ),
    ).toBeCloseTo(-2, 9)
  })
})

describe('a door on rollers', () => {
  const door = newFeature({ id: 'd', kind: 'sectional-door', wallId: 'w', atMm: 0, highMm: 2134 })
  const numbers = (s: typeof USUAL_SECTIONAL, heightMm: number) => ({
    heightMm,
    sections: s.sections,
    thickness: s.thicknessMm,
    radius: s.radiusMm,
    horizontal: s.horizontalMm,
    trackOut: s.trackOutMm,
    roller: s.rollerMm,
    topEdge: s.topEdgeMm,
    bottomEdge: s.bottomEdgeMm,
    beforeBend: s.beforeBendMm,
  })
  it.each([
    ['usual', USUAL_SECTIONAL, 2134],
    ['tight bend, five sections', { ...USUAL_SECTIONAL, sections: 5, radiusMm: 300, topEdgeMm: 60 }, 2400],
    [
      'wide bend, thin',
      { ...USUAL_SECTIONAL, radiusMm: 600, thicknessMm: 25, topEdgeMm: 130, sections: 4, horizontalMm: 3000 },
      2500,
    ],
  ])('sweeps what an independent model sweeps, within 2 mm: %s', (_n, s, high) => {
    const t = doorTrack({ highMm: high, upMm: 0 }, s)
    const outs = [90, 160, 280, 450, 700, 1200]
    const other = sweptTop(numbers(s, high), outs)
    outs.forEach((out, i) => {
      const mine = sweepTopAt(t, out)
      expect(mine === null).toBe(other[i] === null)
      if (mine !== null) expect(Math.abs(mine - other[i]!)).toBeLessThan(2)
    })
  })
  it('finds the same highest place with few looks as with many, on doors of every make', () => {
    const between = (a: number, b: number) => fc.double({ min: a, max: b, noNaN: true })
    const make = fc.record({
      sections: fc.integer({ min: 3, max: 6 }),
      thicknessMm: between(20, 60),
      radiusMm: between(150, 450),
      horizontalMm: between(1500, 2600),
      trackOutMm: between(30, 90),
      rollerMm: between(5, 45),
      topEdgeMm: between(20, 140),
      bottomEdgeMm: between(20, 100),
      beforeBendMm: between(0, 150),
    })
    fc.assert(
      fc.property(make, between(1900, 2500), between(60, 800), (s, highMm, out) => {
        const t = doorTrack({ highMm, upMm: 0 }, { ...USUAL_SECTIONAL, ...s })
        const [few, many] = [sweepTopAt(t, out, 80), sweepTopAt(t, out, 900)]
        expect(few === null).toBe(many === null)
        if (few !== null && many !== null) expect(Math.abs(few - many)).toBeLessThan(0.01)
      }),
      { seed: 5, numRuns: 12 },
    )
  })
  it('hits a tote hung 30 mm over the drawn track, because its top edge rises on the bend; further in it passes', () => {
    const t = doorTrack(door, USUAL_SECTIONAL)
    const under = restingTopMm(t) + 30
    // Straight along the track the door clears the tote by those 30 mm; where the bend ends it does not.
    const tote = (from: number): [number, number][] => [
      [from, under],
      [from + 500, under],
      [from + 500, under + 350],
      [from, under + 350],
    ]
    const near = leastGap(recordTravel(t), tote(USUAL_SECTIONAL.trackOutMm + USUAL_SECTIONAL.radiusMm - 100))
    expect(near.gapMm).toBeLessThan(0)
    const far = leastGap(recordTravel(t), tote(2000))
    expect(far.gapMm).toBeGreaterThan(25)
  })
  it('says when it is nearest: the gap at that moment is the gap', () => {
    const t = doorTrack(door, USUAL_SECTIONAL)
    const a = leastGap(recordTravel(t), [
      [900, 2700],
      [1200, 2700],
      [1200, 2900],
      [900, 2900],
    ])
    expect(a.atMm).toBeGreaterThan(t.rollers[t.rollers.length - 1])
    expect(a.gapMm).toBeCloseTo(
      leastGap(recordTravel(t), [
        [900, 2700],
        [1200, 2700],
        [1200, 2900],
        [900, 2900],
      ]).gapMm,
      9,
    )
  })
})

describe('getting it there', () => {
  it('a frame of 2400 by 600 needs √(2400² + 600²) to be stood up', () => {
    expect(highestThatStands(600, Math.hypot(2400, 600))).toBeCloseTo(2400, 6)
    // A beam 100 mm deep, its underside just over the arc, then just under it.
    const beam = (under: number): [number, number][] => [
      [300, under],
      [900, under],
      [900, under + 200],
      [300, under + 200],
    ]
    expect(turnUpGap(600, 2400, 0, beam(2480))).toBeGreaterThan(0)
    expect(turnUpGap(600, 2400, 0, beam(2460))).toBeLessThan(0)
  })
  it('a rectangle in a rectangle: 10 × 1 goes through 9 × 3 only askew', () => {
    expect(passesOpening(9, 3, 9, 3)).toBe(true)
    // Carver: with p = 9.4, q = 1, w = 9 the height must be at least 2.7 or so.
    const h = (2 * 9.4 * 1 * 9 + (9.4 ** 2 - 1) * Math.sqrt(9.4 ** 2 + 1 - 81)) / (9.4 ** 2 + 1)
    expect(passesOpening(9.4, 1, 9, h + 1e-6)).toBe(true)
    expect(passesOpening(9.4, 1, 9, h - 1e-3)).toBe(false)
    expect(throughDoorway({ lengthMm: 2440, widthMm: 1220, thicknessMm: 18 }, 813, 2032).passes).toBe(true)
    expect(throughDoorway({ lengthMm: 2000, widthMm: 1000, thicknessMm: 900 }, 813, 2032).passes).toBe(false)
  })
  it('the ladder round a corner: (a^⅔ + b^⅔)^1.5 for no width', () => {
    expect(longestRoundCorner(0, 1000, 800)).toBeCloseTo((1000 ** (2 / 3) + 800 ** (2 / 3)) ** 1.5, 2)
    // A square in equal passages: as wide as the passage and no longer.
    expect(longestRoundCorner(400, 1000, 1000)).toBeCloseTo(2 * Math.SQRT2 * 1000 - 2 * 400, 3)
    expect(roundCorner({ lengthMm: 3600, widthMm: 90, thicknessMm: 40 }, 1000, 800, 2000).passes).toBe(false)
    expect(roundCorner({ lengthMm: 2300, widthMm: 90, thicknessMm: 40 }, 1000, 800, 2000).passes).toBe(true)
  })
  it('into an alcove: slid in, tipped up inside, or not at all', () => {
    expect(intoAlcove({ deepMm: 600, highMm: 1900 }, { highMm: 2000, deepMm: 700, outsideMm: 2400 }, 10)).toBe(
      'slid-in',
    )
    expect(intoAlcove({ deepMm: 300, highMm: 1950 }, { highMm: 2000, deepMm: 700, outsideMm: 1960 }, 10)).toBe(
      'tipped-up',
    )
    expect(intoAlcove({ deepMm: 600, highMm: 1950 }, { highMm: 1955, deepMm: 700, outsideMm: 2400 }, 10)).toBe(
      'neither',
    )
  })
})

const wall = (id: string, lengthMm: number, cornerRad: number | null = null): Wall => ({
  id,
  name: id,
  lengthMm,
  heightMm: 2500,
  depthMm: 900,
  construction: { kind: 'masonry' },
  cornerRad,
})
const room = (features: Room['features'] = [], corner: number | null = null): Room => ({
  name: '',
  walls: [wall('n', 5000, corner), wall('e', 4000)],
  closed: false,
  diagonals: [],
  ceiling: plainCeiling(2500),
  floor: { kind: 'slab', points: [] },
  features,
})
/** A plain box of a build at the north wall. */
function standing(r: Room, alongMm: number, w: number, d: number, h: number, turn: 0 | 1 | 2 | 3 = 0) {
  const o = outline(r)
  const frame = frameOf(o.walls[0], { alongMm, outMm: 0, turn }, w, d)
  const body = placedBox(frame, { min: [0, 0, 0], max: [w, d, h] })
  const solids: BuildSolids = { parts: [{ id: 'p', body }], goods: [], ways: [], swept: [], whole: body }
  return { o, frame, solids }
}
const meet = (r: Room, alongMm: number, w = 1000, d = 500, h = 1800) => {
  const { o, frame, solids } = standing(r, alongMm, w, d, h)
  return conflicts(frame, solids, [], [...wallBodies(o), ...r.features.flatMap((f) => keepOuts(o, f))])
}

describe('what stands where', () => {
  it('a build clear of everything meets nothing', () => expect(meet(room(), 100)).toEqual([]))
  it('an outlet behind it: named, by how much, and the smallest move', () => {
    const f = newFeature({ id: 'o', kind: 'outlet', wallId: 'n', atMm: 1000, wideMm: 70, upMm: 300 })
    const [c] = meet(room([f]), 200)
    // It keeps from 960 to 1110: 240 to the left is more than there is, so 910 to the right; out by 105 would do, but
    // leaves the wall.
    expect(c).toMatchObject({ code: 'clear', parts: ['p'], move: { way: 'right' } })
    expect(Math.abs(c.move!.mm - 910)).toBeLessThan(3)
    expect(Math.abs(meet(room([f]), 995)[0].move!.mm - 115)).toBeLessThan(3)
    expect(meet(room([f]), 1115)).toEqual([])
  })
  it('the next wall, where the corner is 88.7°, is met by tan 1.3° of the depth', () => {
    const r = room([], (88.7 * Math.PI) / 180)
    const [c] = meet(r, 4000, 1000, 500)
    expect(c).toMatchObject({ code: 'wall', move: { way: 'left' } })
    expect(Math.abs(c.move!.mm - 500 * Math.tan((1.3 * Math.PI) / 180))).toBeLessThan(3)
    expect(meet(r, 3980, 1000, 500)).toEqual([])
  })
  it('a door that swings into it', () => {
    const door = newFeature({ id: 'd', kind: 'door', wallId: 'e', atMm: 700, leaf: USUAL_LEAF })
    // The east wall begins at the corner: its door's leaf sweeps 813 mm out from it, 700 to 1513 from the north wall.
    expect(meet(room([door]), 3900, 1000, 900).map((c) => c.code)).toEqual(['leaf'])
    // One that opens outwards keeps the way in all the same; further from it nothing is in its way.
    const outwards = room([{ ...door, leaf: { ...USUAL_LEAF, opens: 'out' } }])
    expect(meet(outwards, 3900, 1000, 900).map((c) => c.code)).toEqual(['clear'])
    expect(meet(outwards, 3900, 1000, 690)).toEqual([])
    expect(meet(room([{ ...door, leaf: null }]), 3900, 1000, 900).map((c) => c.code)).toEqual(['clear'])
    // Somebody who says that nothing is kept there has said so.
    const none = { leftMm: 0, rightMm: 0, frontMm: 0, aboveMm: 0, belowMm: 0 }
    expect(meet(room([{ ...door, leaf: null, clear: none }]), 3900, 1000, 900)).toEqual([])
  })
  it('the space round a heater is asked about only when the heater itself is free', () => {
    const heater = newFeature({ id: 'h', kind: 'water-heater', wallId: 'n', atMm: 1300 })
    expect(meet(room([heater]), 250).map((c) => c.code)).toEqual(['clear'])
    expect(meet(room([heater]), 500).map((c) => c.code)).toEqual(['solid'])
  })
  it('turned a quarter, its back is to the left and its footprint keeps its corner', () => {
    const { frame } = standing(room(), 300, 1000, 400, 1800, 1)
    expect([frame.alongMm, frame.outMm]).toEqual([400, 1000])
    const [x, y] = frame.toPlan(0, 0)
    expect([x, y].map(Math.round)).toEqual([300, -1000])
    expect(frame.direction([0, 1, 0]).map((v) => Math.round(v))).toEqual([1, 0, 0])
  })
  it('snaps by either end, to a corner before a stud', () => {
    const lines = [
      { atMm: 0, code: 'corner' as const },
      { atMm: 400, code: 'stud' as const },
      { atMm: 1000, code: 'neighbour' as const },
    ]
    expect(snapStretch(12, 300, lines, 20)).toEqual({ mm: 0, to: 'corner' })
    expect(snapStretch(690, 300, lines, 20)).toEqual({ mm: 700, to: 'neighbour' })
    expect(snapStretch(500, 300, lines, 20)).toEqual({ mm: 500, to: null })
  })
})

describe('what comes out at an end', () => {
  /** A sheet 2400 long in a build as long, drawn out to the right or the left. */
  const drawn = (alongMm: number, exit: 1 | -1, wayMm?: number) => {
    const r = room()
    const { o, frame, solids } = standing(r, alongMm, 2400, 300, 1300)
    const sheet = { min: [0, 100, 50], max: [2400, 118, 1270] } as Box
    const bay = {
      ...{ id: 'slot', holds: 'slot', exit: [exit, 0, 0], clear: sheet, ...(wayMm === undefined ? {} : { wayMm }) },
      items: [{ goodsId: 'sheet', box: sheet }],
    }
    const { ways } = solidsOf(frame, { parts: [], motions: [], bays: [bay] } as never as Assembly)
    return conflicts(frame, { ...solids, ways }, [], wallBodies(o))
  }
  it('needs its length and a hand past that end', () => {
    // From 2400 + 140 to the wall at 5000 are 2460, ten more than it takes.
    expect(drawn(140, 1)).toEqual([])
    const [c] = drawn(200, 1)
    expect(c).toMatchObject({ code: 'way-out', wall: { wall: { id: 'e' } }, move: { way: 'left' } })
    expect(Math.abs(c.byMm - 50)).toBeLessThan(1)
  })
  it('or as much as its bay says is enough', () => {
    expect(drawn(540, 1, 2000)).toEqual([])
    expect(drawn(600, 1, 2000).map((c) => c.code)).toEqual(['way-out'])
  })
  it('is asked for where it comes out alone', () => expect(drawn(2500, -1)).toEqual([]))
})

describe('what moves on a build', () => {
  const leaf: Part = {
    id: 'door',
    role: 'door',
    stock: { kind: 'sheet', sheet: 'ply-18mm' },
    size: { lengthMm: 700, widthMm: 400, thicknessMm: 18 },
    at: { centre: [200, 409, 350], along: [0, 0, 1], across: [1, 0, 0] },
    grain: 'length',
    machining: [],
    axial: false,
    loose: false,
    temporary: false,
  }
  const reach = (m: Parameters<typeof sweptBodies>[0]) => {
    const points = sweptBodies(m, [leaf]).flatMap((s) => [
      ...s.figure,
      ...s.figure.map((p): Vec3 => [p[0] + s.by[0], p[1] + s.by[1], p[2] + s.by[2]]),
    ])
    return [0, 1, 2].map((i) => [Math.min(...points.map((p) => p[i])), Math.max(...points.map((p) => p[i]))])
  }
  it('a hinged door sweeps a quarter circle as wide as itself', () => {
    const [x, y, z] = reach({
      id: 'm',
      kind: 'swing',
      parts: ['door'],
      at: [0, 400, 0],
      axis: [0, 0, 1],
      byRad: Math.PI / 2,
    })
    expect(y[1]).toBeGreaterThan(400 + 400)
    expect(y[1]).toBeLessThan(400 + 430)
    expect(x[1]).toBeLessThan(425)
    expect(z.map(Math.round)).toEqual([0, 700])
  })
  it('a lift-up front turns about its upper edge', () => {
    const [, y, z] = reach({
      id: 'm',
      kind: 'swing',
      parts: ['door'],
      at: [0, 400, 700],
      axis: [1, 0, 0],
      byRad: Math.PI / 2,
    })
    expect(y[1]).toBeGreaterThan(1095)
    expect(z[0]).toBeLessThan(5)
  })
  it('a drawer comes out by its travel', () => {
    const [, y] = reach({ id: 'm', kind: 'slide', parts: ['door'], by: [0, 350, 0] })
    expect(y[1]).toBeCloseTo(418 + 350, 6)
  })
})
