import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import { misplaced } from '../../assembly/sound.ts'
import { METHODS } from '../../mechanics/methods/all.ts'
import { METRIC } from '../../measure/units.ts'
import { sayProblem } from '../../wording/problems.ts'
import { sayIn } from '../../wording/say.ts'
import { alongTheWall, exampleContext, exampleJoists, thinWalls } from '../example-context.ts'
import type { ShapeContext } from '../family.ts'
import { framedWall } from './framed-wall.ts'
import { startingParams, type FramedWallParams } from './parameters.ts'

const ctx = (over: Partial<ShapeContext['space']> = {}, lengthMm = 3600): ShapeContext => {
  const c = thinWalls(exampleContext('metric', [], lengthMm))
  return { ...c, space: { ...c.space, away: true, ...over } }
}
const params = (over: Partial<FramedWallParams> = {}): FramedWallParams => ({ ...startingParams('metric'), ...over })
const read = (over: Partial<FramedWallParams> = {}, c = ctx()) => readParams(framedWall, params(over), c)
const boxesOf = (r: ReturnType<typeof read>, pattern: RegExp) =>
  r.shaped.assembly.parts.filter((p) => pattern.test(p.id)).map((p) => r.boxes.get(p.id)!)

describe('a framed wall', () => {
  const r = read({ doorMm: 860, doorAtMm: 1300, doorHighMm: 2100 })
  it('stands from slab to ceiling, no plate in its door, a long stud and a short one on both sides of it', () => {
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
    const [low, high] = [boxesOf(r, /^plate-low/), boxesOf(r, /^plate-high/)]
    expect(low.map((b) => [b.min[0], b.max[0]])).toEqual([
      [0, 1300],
      [2160, 3600],
    ])
    for (const b of high) expect(b.max[2]).toBeCloseTo(2440, 6)
    const studs = boxesOf(r, /^stud-/)
    for (const b of studs) expect([b.min[2], b.max[2]]).toEqual([38, 2402])
    expect(studs.some((b) => Math.abs(b.max[0] - 1262) < 1e-6)).toBe(true)
    expect(studs.some((b) => Math.abs(b.min[0] - 2198) < 1e-6)).toBe(true)
    for (const b of studs) expect(b.max[0] <= 1262 + 1e-6 || b.min[0] >= 2198 - 1e-6).toBe(true)
    const [header] = boxesOf(r, /^header/)
    expect([header.min[0], header.max[0], header.min[2]]).toEqual([1262, 2198, 2100])
  })
  it('no stud is further from the next than asked for, the door left out', () => {
    for (const everyMm of [300, 400, 600]) {
      const lefts = boxesOf(read({ everyMm, doorMm: 0 }), /^stud-/).map((b) => b.min[0])
      for (let i = 1; i < lefts.length; i++) expect(lefts[i] - lefts[i - 1]).toBeLessThanOrEqual(everyMm + 1e-6)
    }
  })
  it('its panels close all of a face but the door, and meet on wood', () => {
    const panels = boxesOf(r, /^panel-/)
    const area = panels.reduce((n, b) => n + (b.max[0] - b.min[0]) * (b.max[2] - b.min[2]), 0)
    // From 10 mm over the floor; the door is open from there to 2100 mm.
    expectNear(area, 3600 * 2430 - 860 * 2090, 1e-9)
    const wood = boxesOf(r, /^(stud|trimmer|cripple)-/)
    for (const b of panels)
      for (const x of [b.min[0], b.max[0]])
        expect(wood.some((w) => x > w.min[0] - 1e-6 && x < w.max[0] + 1e-6)).toBe(true)
    expect(boxesOf(read({ faces: 'both' }), /^panel-/)).toHaveLength(2 * boxesOf(read(), /^panel-/).length)
  })
  it('open studs have noggings, closed ones have none', () => {
    expect(boxesOf(r, /^nogging-/)).toEqual([])
    const open = read({ faces: 'none' })
    expect(boxesOf(open, /^nogging-/).length).toBeGreaterThan(4)
    expect(open.verdict).toMatchObject({ fails: 0, unknown: 0 })
  })
  it('plates longer than a board meet between two studs', () => {
    const long = read({ doorMm: 0 }, ctx({ joists: { ...exampleJoists('out'), size: null } }, 7000))
    const plates = boxesOf(long, /^plate-low/)
    expect(plates.length).toBeGreaterThan(1)
    const seam = plates[0].max[0]
    const studs = boxesOf(long, /^stud-/)
    expect(studs.some((b) => Math.abs(b.max[0] - seam) < 1e-6)).toBe(true)
    expect(studs.some((b) => Math.abs(b.min[0] - seam) < 1e-6)).toBe(true)
  })
  it('wherever its door is, no two studs stand in each other, and both beside it are there', () => {
    const c = ctx(
      { joists: { ...exampleJoists('out'), atMm: Array.from({ length: 18 }, (_, i) => 200 + 400 * i) } },
      7000,
    )
    for (let at = 200; at <= 5940; at += 287) {
      const x = read({ doorMm: 860, doorAtMm: at }, c)
      expect(misplaced(x.shaped.assembly)).toEqual([])
      const studs = boxesOf(x, /^stud-/)
      for (const edge of [at - 38, at + 860 + 38])
        expect(studs.some((b) => Math.min(Math.abs(b.max[0] - edge), Math.abs(b.min[0] - edge)) < 1e-6)).toBe(true)
      expect(x.verdict).toMatchObject({ fails: 0, unknown: 0 })
    }
  })
  it.each([
    ['framed-no-ceiling', {}, { joists: null }],
    ['framed-no-ceiling', {}, { joists: { ...exampleJoists('out'), kind: 'trusses' } }],
    ['framed-no-slab', {}, { floor: 'timber' }],
    ['framed-not-at-ceiling', { highMm: 2300 }, {}],
    ['framed-no-joist', {}, { joists: { ...alongTheWall(ctx()).space.joists!, atMm: [300, 700] } }],
    ['framed-few-joists', {}, { joists: { ...exampleJoists('out'), atMm: [200, 9000] } }],
    ['framed-door-past-wall', { doorAtMm: 40 }, {}],
    ['framed-door-too-high', { doorHighMm: 2400 }, {}],
    ['framed-stud-too-long', { highMm: 4000 }, { ceilingMm: 4000 }],
    ['framed-panel-too-high', { highMm: 2600 }, { ceilingMm: 2600 }],
  ] as [string, Partial<FramedWallParams>, Partial<ShapeContext['space']>][])(
    '%s: says so in words',
    (code, over, space) => {
      const c = ctx(space)
      const boards = code === 'framed-stud-too-long' ? () => [{ lengthMm: 3000, priceMinor: 100 }] : c.boards
      const { problem } = tryParams(framedWall, params(over), { ...c, boards: boards as ShapeContext['boards'] })
      expect(problem).toMatchObject({ code })
      expect(sayProblem(problem!, sayIn(METRIC))).toMatch(/^[A-Z].*\.$/)
    },
  )
})

describe('a framed wall that is pushed', () => {
  const r = read({ doorMm: 0, everyMm: 400 })
  const high = 2440 - 2 * 38
  const lefts = boxesOf(r, /^stud-/).map((b) => b.min[0])
  const apart = lefts[1] - lefts[0]
  const factor = METHODS.ec5.loadFactor.goods
  it('bends its studs by half a kilonewton a metre at 1.2 m, by hand', () => {
    // In their middle, where that is lower.
    const up = Math.min(1200, high / 2)
    const moment = (factor * 0.5 * apart * up * (high - up)) / high
    expectNear(checkOf(r, 'pushed:studs-0').demand!, moment / ((38 * 89 ** 2) / 6), 1e-9)
  })
  it('bows under 0.24 kPa all over, by hand, a 240th at most', () => {
    const c = checkOf(r, 'pushed:bows-0')
    expectNear(c.capacity!, high / 240, 1e-9)
    // E0,mean of C16, EN 338.
    expectNear(c.demand!, (5 * 0.00024 * apart * high ** 4) / ((384 * 8000 * 38 * 89 ** 3) / 12), 1e-6)
  })
  it('asks each fixing for half-way to its neighbours, by hand', () => {
    const c = checkOf(r, 'pushed:fixings-0')
    expect([...c.covers].sort()).toEqual(r.shaped.assembly.anchors.map((x) => x.id).sort())
    expect(c.state).toBe('holds')
    const share = { slab: (2440 - 1200) / 2440, joist: 1200 / 2440 }
    const asked = (['slab', 'joist'] as const).flatMap((into) => {
      const at = r.shaped.assembly.anchors.filter((x) => x.into === into).map((x) => x.at[0])
      return at.map((x, i) => {
        const [from, to] = [i === 0 ? 0 : (at[i - 1] + x) / 2, i === at.length - 1 ? 3600 : (x + at[i + 1]) / 2]
        // Pressed all over asks more of these than people do.
        return factor * Math.max(0.5 * share[into], (0.00024 * 2440) / 2) * (to - from)
      })
    })
    expect(asked.some((n) => Math.abs(n - c.demand!) < 1e-6 * n)).toBe(true)
  })
  it('under a low ceiling brings more of the line to its head than to its foot, by hand', () => {
    const low = read({ doorMm: 0, everyMm: 400 }, ctx({ ceilingMm: 1900 }))
    const at = low.shaped.assembly.anchors.filter((x) => x.into === 'joist').map((x) => x.at[0])
    // 1.2 m up on 1.9 m: 63 % of half a kilonewton a metre.
    const asked = at.map((x, i) => {
      const [from, to] = [i === 0 ? 0 : (at[i - 1] + x) / 2, i === at.length - 1 ? 3600 : (x + at[i + 1]) / 2]
      return factor * 0.5 * (1200 / 1900) * (to - from)
    })
    expectNear(checkOf(low, 'pushed:fixings-0').demand!, Math.max(...asked), 1e-9)
  })
  it('is not proven where nobody rated the anchors, and fails where they are far too weak', () => {
    const rated = (n: number | null) => {
      const c = ctx()
      return read({ doorMm: 0 }, { ...c, settings: { ...c.settings, anchorRatedN: n } })
    }
    expect(checkOf(rated(null), 'pushed:fixings-0')).toMatchObject({ state: 'unknown', code: 'unknown-pushed' })
    expect(rated(null).verdict.state).not.toBe('holds')
    expect(checkOf(rated(600), 'pushed:fixings-0').state).toBe('fails')
  })
  it('fails with light studs far apart, and a lever cures it', () => {
    const weak = read({ section: '38x63mm', everyMm: 600, doorMm: 1500 })
    expect(checkOf(weak, 'pushed:studs-0').state).toBe('fails')
    const cured = framedWall
      .levers(params({ section: '38x63mm', everyMm: 600, doorMm: 1500 }), ctx())
      .map((l) => readParams(framedWall, l.params as object, ctx()))
      .some((x) => checkOf(x, 'pushed:studs-0').state === 'holds')
    expect(cured).toBe(true)
  })
  it('does not fall: what is asked of falling is not asked of it', () => {
    expect(checkOf(r, 'tip-over:pull')).toMatchObject({ state: 'not-applicable', code: 'held-above' })
  })
  it('in an earthquake says what it needs, and nothing that is no number', () => {
    const c = ctx()
    const shaken = read({}, { ...c, settings: { ...c.settings, seismicG: 1 } })
    for (const x of shaken.checks)
      for (const n of [x.demand, x.capacity, x.ratio])
        expect([x.id, n === null || Number.isFinite(n)]).toEqual([x.id, true])
  })
})
