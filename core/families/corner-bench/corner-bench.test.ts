import { describe, expect, it } from '@jest/globals'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import { expectNear } from '../../../test-support/near.ts'
import type { Part, Placed } from '../../assembly/assembly.ts'
import { turnedBox } from '../../assembly/part-box.ts'
import { misplaced } from '../../assembly/sound.ts'
import { validateAssembly } from '../../assembly/validate.ts'
import { corners } from '../../geometry/box.ts'
import { newGoods } from '../../goods/goods.ts'
import { pressesOn } from '../../loads/pressing.ts'
import { IMPERIAL, METRIC } from '../../measure/units.ts'
import { newBuild } from '../../project/new-build.ts'
import { newProject, type Project } from '../../project/project.ts'
import { startOf } from '../../project/proposals.ts'
import { readBuilds } from '../../project/read-builds.ts'
import { readingsOf } from '../../project/read-build.ts'
import type { Corners } from '../../room/room.ts'
import { sayProblem } from '../../wording/problems.ts'
import { sayIn } from '../../wording/say.ts'
import { startingParams as benchParams } from '../bench/parameters.ts'
import { exampleContext, thinWalls } from '../example-context.ts'
import type { ShapeContext } from '../family.ts'
import { cornerBench } from './corner-bench.ts'
import { startingParams, type CornerBenchParams } from './parameters.ts'
import { frontFor } from './plan-out.ts'

const rad = (degrees: number): number => (degrees * Math.PI) / 180
const machine = (acrossMm: number, deepMm: number, massKg = 20) =>
  newGoods({ id: 'm', name: 'Saw', kind: 'equipment', count: 1, acrossMm, deepMm, tallMm: 400, massKg })
const left = (degrees = 90, fromMm = 0): Corners => ({ left: { rad: rad(degrees), fromMm: -fromMm }, right: null })

const ctx = (corners: Corners | null = left(), goods: ShapeContext['goods'] = []): ShapeContext => {
  const c = exampleContext('metric', goods)
  return { ...c, space: { ...c.space, corners } }
}
const params = (p: Partial<CornerBenchParams> = {}): CornerBenchParams => ({
  ...startingParams('metric', 'left'),
  ...{ depthMm: 600, otherDepthMm: 500, frontMm: 700 },
  ...p,
})
const read = (p: Partial<CornerBenchParams> = {}, c = ctx()) => readParams(cornerBench, params(p), c)
const partsOf = (r: ReturnType<typeof read>, pattern: RegExp) =>
  r.shaped.assembly.parts.filter((p) => pattern.test(p.id))
/** Corners of a part from above. */
const footOf = (p: Part) => corners(turnedBox(p)).map(([x, y]): [number, number] => [x, y])

/** 700 / √2 are 494.97: it is even along the walls. */
const OFF = 495
const [LENGTH, REACH] = [500 + OFF, 600 + OFF]

describe('a bench across a corner', () => {
  const r = read()
  it('is as long as the other end is deep and its front goes along: by hand', () => {
    const [top] = partsOf(r, /^top$/)
    expect(top.outline!.map(([u, v]) => [+u.toFixed(3), +v.toFixed(3)])).toEqual(
      [
        [0, 0],
        [LENGTH, 0],
        [LENGTH, 600],
        [500, REACH],
        [0, REACH],
      ].map((c) => c.map((mm) => +mm.toFixed(3))),
    )
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
  })
  it('all of it is under its top but what a joist is longer on one side', () => {
    for (const p of partsOf(r, /^(beam|block|post)-/))
      for (const [x, y] of footOf(p)) {
        expect([p.id, x > -1e-6, y > -1e-6, x < LENGTH + 1e-6, y < REACH + 1e-6]).toEqual([
          p.id,
          true,
          true,
          true,
          true,
        ])
        expect([p.id, x + y < 500 + REACH + 1e-6]).toEqual([p.id, true])
      }
    for (const p of partsOf(r, /^joist-/).filter((x) => x.machining.length > 0)) {
      // The long point is on its left: there it ends at the front.
      const box = footOf(p)
      const [x, y] = [Math.min(...box.map((c) => c[0])), Math.max(...box.map((c) => c[1]))]
      expect(x + y).toBeCloseTo(500 + REACH, 6)
      expect(p.machining[0]).toMatchObject({ kind: 'mitre', end: 'end', through: 'thickness', angleRad: Math.PI / 4 })
    }
  })
  it('what lies askew bears with what it touches, not with the box around that', () => {
    const { supports } = r.shaped.assembly
    const between = (from: string, on: string) =>
      supports.find((s) => 'part' in s.from && s.from.part === from && s.on.kind === 'part' && s.on.part === on)!
    // A board 38 wide over another at 45°: a parallelogram of 38 by 38·√2.
    expectNear(between('joist-5', 'beam-front').areaMm2!, 38 * 38 * Math.SQRT2, 1e-3)
    // The beam over the narrow side of its post, which is turned with it.
    expectNear(between('beam-front', 'post-front-0').areaMm2!, 38 * 38, 1e-3)
    expect(between('joist-0', 'beam-end').areaMm2).toBeUndefined()
  })
  it('has the same at its right end, mirrored', () => {
    const c = ctx({ left: null, right: { rad: rad(90), fromMm: LENGTH } })
    const m = read({ side: 'right' }, c)
    expect(m.verdict).toMatchObject({ fails: 0, unknown: 0 })
    expect(m.shaped.assembly.parts.map((p) => p.id)).toEqual(r.shaped.assembly.parts.map((p) => p.id))
    m.shaped.assembly.parts.forEach((p, i) => {
      const q = r.shaped.assembly.parts[i]
      const seen = (list: [number, number][]) =>
        list.map(([x, y]) => `${Math.round(100 * x) + 0} ${Math.round(100 * y) + 0}`).sort()
      expect([p.id, seen(footOf(p))]).toEqual([
        q.id,
        seen(footOf(q).map(([x, y]): [number, number] => [LENGTH - x, y])),
      ])
    })
    expect(m.massKg).toBeCloseTo(r.massKg, 9)
  })
  it('its top is cut to a corner that is not square', () => {
    const c = ctx(left(89, 20))
    const [top] = partsOf(read({}, c), /^top$/)
    const [atWall, atFront] = [top.outline![0][0], top.outline![4][0]]
    expect(atFront - atWall).toBeCloseTo(REACH / Math.tan(rad(89)), 6)
    expect(top.machining).toContainEqual({ kind: 'scribe', edge: 'start', allowanceMm: 5 })
  })
  it.each([
    ['corner-none-here', {}, ctx(null)],
    ['corner-none-here', {}, ctx({ left: null, right: { rad: rad(90), fromMm: 3000 } })],
    ['corner-overlaps', {}, ctx(left(89, 5))],
    ['corner-gapes', {}, ctx(left(90, 400))],
    ['corner-not-square', {}, ctx(left(80, 100))],
    ['corner-past-sheet', { frontMm: 1000 }, ctx()],
    ['corner-too-low', { tableMm: 650 }, ctx()],
    ['corner-front-narrow', { frontMm: 220 }, ctx()],
    ['corner-machine-no-room', { frontMm: 500 }, ctx(left(), [{ item: machine(520, 400), count: 1 }])],
    ['corner-ledger-misses-studs', { back: 'ledger', frontMm: 300, otherDepthMm: 250 }, ctx()],
    ['no-wall-to-hang-on', {}, thinWalls(ctx())],
  ] as [string, Partial<CornerBenchParams>, ShapeContext][])('%s: says so in words', (code, p, c) => {
    const { problem } = tryParams(cornerBench, params(p), c)
    expect(problem).toMatchObject({ code })
    for (const units of [METRIC, IMPERIAL]) expect(sayProblem(problem!, sayIn(units))).toMatch(/^[A-Z].*\.$/)
  })
})

describe('a machine across a corner', () => {
  const at = (g: ReturnType<typeof machine>, p: Partial<CornerBenchParams> = {}) => {
    const r = read({ tableMm: 95, frontMm: null, ...p }, ctx(left(), [{ item: g, count: 1 }]))
    const bay = r.shaped.assembly.bays.find((b) => b.items.length > 0)!
    return { r, bay, item: bay.items[0], front: r.shaped.dims.find((d) => d.path === 'frontMm')!.value }
  }
  const cornersOf = ({ box, turned }: Placed): [number, number][] => {
    const [x, y] = [0, 1].map((i) => (box.min[i] + box.max[i]) / 2)
    const { rad: a, acrossMm, deepMm } = turned!
    return [-1, 1].flatMap((u) =>
      [-1, 1].map((v): [number, number] => [
        x + (u * acrossMm * Math.cos(a) - v * deepMm * Math.sin(a)) / 2,
        y + (u * acrossMm * Math.sin(a) + v * deepMm * Math.cos(a)) / 2,
      ]),
    )
  }
  it.each([
    [560, 500],
    [400, 640],
    [700, 300],
    [480, 720],
  ])('%d wide and %d deep stands before it, its corners off walls, ends and front by their play', (wide, deep) => {
    const play = 19.05
    const { item, front, r } = at(machine(wide, deep))
    const off = Math.ceil(front / Math.SQRT2)
    const [length, reach] = [500 + off, 600 + off]
    const all = cornersOf(item)
    for (const [x, y] of all) {
      expect(Math.min(x, y)).toBeGreaterThan(play - 1.01)
      expect([x < length, y < reach]).toEqual([true, true])
      // From its front, square to it.
      expect((500 + reach - x - y) / Math.SQRT2).toBeGreaterThan(play - 1.01)
    }
    const nearest = Math.min(...all.map(([x, y]) => (500 + reach - x - y) / Math.SQRT2))
    expect(nearest).toBeCloseTo(play, 0)
    expect(r.verdict.fails).toBe(0)
  })
  it('the front is no longer than that needs: by hand', () => {
    // As deep both ways, no play: 2 deep + wide − 2√2 of the ends, or as wide as it is.
    expect(frontFor({ acrossMm: 400, deepMm: 900 }, 0, 500)).toBeCloseTo(1800 + 400 - 1000 * Math.SQRT2, 9)
    expect(frontFor({ acrossMm: 700, deepMm: 300 }, 10, 600)).toBe(720)
  })
  it('stands so much lower as its table is high, and level where that is nought', () => {
    const { r, bay } = at(machine(560, 500))
    const height = r.shaped.dims.find((d) => d.path === 'heightMm')!.value
    expect(bay.clear.min[2]).toBeCloseTo(height - 95, 9)
    expect(bay.name.code).toBe('well')
    expect(at(machine(560, 500), { tableMm: 0 }).bay.name.code).toBe('worktop')
  })
  it('presses with its feet where they are, turned: by hand', () => {
    const { item } = at(machine(560, 500))
    const feet = pressesOn(item)
    const [x, y] = [0, 1].map((i) => (item.box.min[i] + item.box.max[i]) / 2)
    const [u, v] = [(560 - 60) / 2, (500 - 60) / 2]
    const wanted = [-1, 1].flatMap((i) =>
      [-1, 1].map((k) => [x + (i * u + k * v) / Math.SQRT2, y + (k * v - i * u) / Math.SQRT2]),
    )
    const middles = feet.map(({ box }) => [(box.min[0] + box.max[0]) / 2, (box.min[1] + box.max[1]) / 2])
    const key = (list: number[][]) => list.map((c) => c.map((mm) => mm.toFixed(3)).join()).sort()
    expect(key(middles)).toEqual(key(wanted))
    expect(feet.reduce((s, f) => s + f.share, 0)).toBe(1)
    for (const { box } of feet) expect(box.max[0] - box.min[0]).toBeCloseTo(60 / Math.SQRT2, 9)
  })
  it('too heavy for its joists it fails, and a lever cures that', () => {
    const heavy = ctx(left(), [{ item: machine(560, 500, 900), count: 1 }])
    const p = params({ frontMm: null })
    expect(readParams(cornerBench, p, heavy).verdict.state).toBe('fails')
    const cured = cornerBench.levers(p, heavy).map((l) => tryParams(cornerBench, l.params as object, heavy))
    const fewest = Math.min(...cured.map((x) => x.reading?.verdict.fails ?? Infinity))
    expect(fewest).toBeLessThan(readParams(cornerBench, p, heavy).verdict.fails)
  })
  it('without a weight is not proven', () => {
    const g = { ...machine(560, 500), massKg: null }
    expect(read({ frontMm: null }, ctx(left(), [{ item: g, count: 1 }])).verdict.state).not.toBe('holds')
  })
})

describe('somebody on its top', () => {
  it('bends the joist across which they stand, by hand', () => {
    const r = read({ crossEveryMm: 203.2 })
    const joist = partsOf(r, /^joist-0$/)[0]
    const span = joist.size.lengthMm - 38
    // 1 kN, EN 1990's 1.5 on it, all of it in the middle of one at most; what strips share is less.
    const most = ((1.5 * 1000 * span) / 4 / ((38 * 89 ** 2) / 6)) * 1.05
    const c = r.checks.filter((x) => x.id.startsWith('bending:joist'))
    for (const x of c) expect(x.demand!).toBeLessThan(most)
    expect(Math.max(...c.map((x) => x.demand!))).toBeGreaterThan(0.6 * most)
    expect(checkOf(r, 'bearing:post').state).toBe('holds')
  })
})

describe('between two benches in a corner of a room', () => {
  const first = newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z')
  const room = (moveMm: number): Project => {
    const [w] = first.room.walls
    const wall = (id: string, cornerRad: number | null) => ({ ...w, id, lengthMm: 4000, cornerRad })
    const plain = (id: string, wallId: string, offsetMm: number, depthMm: number, lengthMm: number) =>
      newBuild({
        ...{ id, wallId, offsetMm, family: 'bench', goods: [] },
        params: { ...benchParams('metric', true), depthMm, lengthMm, shelves: 0 },
      })
    return {
      ...first,
      room: { ...first.room, closed: false, walls: [wall('a', rad(90)), wall('b', null)] },
      builds: [
        plain('along', 'a', 4000 - REACH - 1500 - 2, 500, 1500),
        newBuild({
          ...{ id: 'corner', wallId: 'b', offsetMm: 0, family: 'corner-bench', goods: [] },
          params: params(),
        }),
        plain('own', 'b', LENGTH + 2 - moveMm, 600, 1500),
      ],
    }
  }
  const failing = (p: Project) =>
    readingsOf(readBuilds(p)).flatMap((x) =>
      x.checks.filter((c) => c.state === 'fails').map((c) => c.id + JSON.stringify([c.code, c.data, x.build.id])),
    )
  it('stands in neither of them, and they are as deep as its ends', () => {
    expect(readBuilds(room(0)).map((x) => (x.ok ? 'ok' : JSON.stringify(x.problem)))).toEqual(['ok', 'ok', 'ok'])
    expect(failing(room(0))).toEqual([])
  })
  it('begun anywhere along a wall it is put into its corner', () => {
    const p = { ...room(0), builds: [] }
    for (const [wallId, offsetMm] of [
      ['a', 0],
      ['a', 2000],
      ['b', 1500],
    ] as const) {
      const got = startOf(p, 'corner-bench', { id: 'x', wallId, offsetMm, goods: [] })!
      expect([wallId, got.problem]).toEqual([wallId, null])
      const [r] = readingsOf(readBuilds({ ...p, builds: [got.build] }))
      const reach = r.shaped.assembly.parts.find((x) => x.id === 'top')!.size.lengthMm
      expect(got.build.offsetMm).toBeCloseTo(wallId === 'b' ? 0 : 4000 - reach, 0)
    }
  })
  it('says so where one reaches into it', () => {
    expect(failing(room(60)).length).toBeGreaterThan(0)
  })
})

describe('whatever its sizes', () => {
  it.each(
    [300, 445, 608, 900].flatMap((depthMm) =>
      [284, 520].flatMap((otherDepthMm) =>
        [420, 560, 711].map((frontMm) => [depthMm, otherDepthMm, frontMm] as [number, number, number]),
      ),
    ),
  )(
    '%d and %d deep, %d before: sound, and somebody on its top is judged wherever they are',
    (depthMm, otherDepthMm, frontMm) => {
      // It may stand off its corner by as much as a top may go past it.
      const p = { depthMm, otherDepthMm, frontMm }
      const c = ctx(left(90, 30))
      const { reading, problem } = tryParams(cornerBench, params(p), c)
      if (!reading) {
        expect(problem!.code).toBe('corner-past-sheet')
        return
      }
      expect(validateAssembly(reading.shaped.assembly)).toEqual([])
      expect(misplaced(reading.shaped.assembly)).toEqual([])
      const unknown = reading.checks.filter((x) => x.state === 'unknown').map((x) => `${x.id}: ${x.code}`)
      expect(unknown).toEqual([])
    },
  )
})
