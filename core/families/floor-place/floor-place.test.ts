import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import { newGoods } from '../../goods/goods.ts'
import { inEquilibrium } from '../../loads/load-path.ts'
import { METRIC, newtons } from '../../measure/units.ts'
import { sayProblem } from '../../wording/problems.ts'
import { sayIn } from '../../wording/say.ts'
import { stepText } from '../../wording/steps.ts'
import { exampleContext, exampleGoods, thinWalls } from '../example-context.ts'
import type { ShapeContext } from '../family.ts'
import { findFamily } from '../registry.ts'
import { floorPlace } from './floor-place.ts'
import { startingParams, type FloorPlaceParams } from './parameters.ts'

const say = sayIn(METRIC)
const machine = (id: string, acrossMm: number, deepMm: number, tallMm: number, massKg: number, count = 1) => ({
  item: newGoods({ ...{ id, name: id, kind: 'equipment', count }, acrossMm, deepMm, tallMm, massKg }),
  count,
})
const [mower, barrow] = [machine('Mower', 560, 900, 1020, 31), machine('Barrow', 650, 700, 680, 14)]
const ctx = (goods = [mower, barrow], over: Partial<ShapeContext['space']> = {}) => {
  const c = exampleContext('metric', goods, 4000)
  return { ...c, space: { ...c.space, depthMm: 1250, ...over } }
}
const given = (over: Partial<FloorPlaceParams> = {}) => ({ ...startingParams('metric'), ...over })
const read = (over: Partial<FloorPlaceParams> = {}, c = ctx()) => readParams(floorPlace, given(over), c)
const problem = (over: Partial<FloorPlaceParams>, c = ctx()) => tryParams(floorPlace, given(over), c).problem!

describe('places on the floor', () => {
  const r = read()
  const a = r.shaped.assembly
  it('hold: each thing against the stop, with room beside it, nothing of it on the board', () => {
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
    expect(r.shaped.unhoused).toEqual([])
    const boxes = a.bays.map((b) => b.items[0].box)
    for (const b of boxes) {
      expectNear(b.min[1], 38, 1e-9)
      expect(b.min[2]).toBe(0)
    }
    const [first, second] = [...boxes].sort((x, y) => x.min[0] - y.min[0])
    expectNear(first.min[0], 51, 1e-9)
    expectNear(second.min[0] - first.max[0], 102, 1e-9)
    expect(a.bays.every((b) => b.carriers.length === 0)).toBe(true)
  })
  it('what stands there comes down on the floor and not on the stop, which its screws hold', () => {
    expect(inEquilibrium(r.service)).toBe(true)
    const onWall = a.supports
      .filter((s) => s.on.kind === 'wall' && s.push[2] > 0.9)
      .reduce((n, s) => n + (r.service.reactions.get(s.id) ?? 0), 0)
    expectNear(onWall, newtons(r.massKg), 1e-6)
    // A floor of timber is asked for what stands on it, over the room it has there.
    const onTimber = (kg: number) =>
      checkOf(read({}, ctx([machine('Safe', 700, 700, 900, kg)], { floor: 'timber' })), 'floor:floor')
    expect(onTimber(60)).toMatchObject({ state: 'holds', code: 'timber-floor' })
    const full = onTimber(300)
    expect(full.state).toBe('fails')
    expectNear(full.demand!, newtons(Number(full.data.kg)) / ((700 + 102) * 700), 1e-6)
  })
  it('the stop runs from stud to stud behind all of them', () => {
    const stops = a.parts.map((p) => r.boxes.get(p.id)!)
    expect(Math.min(...stops.map((b) => b.min[0]))).toBe(0)
    const right = Math.max(...a.bays.map((b) => b.clear.max[0]))
    expect(Math.max(...stops.map((b) => b.max[0]))).toBeGreaterThanOrEqual(right - 1e-6)
    for (const p of a.parts) expect(a.anchors.filter((x) => x.part === p.id).length).toBeGreaterThanOrEqual(2)
  })
  it('takes as many as the wall has room for, and says what is left', () => {
    const many = read({}, ctx([machine('Extractor', 560, 560, 900, 22, 9)]))
    const places = many.shaped.dims.find((d) => d.path === 'places')!.value
    expect(places).toBe(Math.floor(4000 / (560 + 102)))
    expect(many.shaped.unhoused).toEqual([{ goodsId: 'Extractor', count: 9 - places, why: 'no-place' }])
    const closer = read({ besideMm: 10 }, ctx([machine('Extractor', 560, 560, 900, 22, 9)]))
    expect(closer.shaped.assembly.bays.length).toBe(6)
  })
  it('is nothing for what goes on a shelf, nor where no wall holds a screw', () => {
    expect(floorPlace.suits(mower.item)).toEqual({ code: 'on-floor', score: 1 })
    expect(floorPlace.suits(machine('Jack', 350, 700, 200, 38).item)).toBeNull()
    expect(floorPlace.suits(exampleGoods('metric', 'box', 1).item)).toBeNull()
    expect(findFamily('floor-place')!.propose(ctx())).toHaveLength(1)
    expect(findFamily('floor-place')!.propose(thinWalls(ctx()))).toEqual([])
    const mixed = read({}, ctx([mower, exampleGoods('metric', 'box', 2)]))
    expect(mixed.shaped.unhoused).toMatchObject([{ count: 2, why: 'no-place' }])
  })
  it('refuses what cannot be, at its field and in words', () => {
    const refused = [
      [problem({}, ctx([mower], { depthMm: 800 })), 'places-too-deep', undefined],
      [problem({ places: 9 }, ctx([machine('Extractor', 560, 560, 900, 22, 9)])), 'places-past-wall', 'places'],
      [problem({ besideMm: 600 }, ctx([mower], { lengthMm: 1500 })), 'places-past-wall', 'besideMm'],
      [problem({}, ctx([exampleGoods('metric', 'box', 2)])), 'nothing-on-floor', undefined],
    ] as const
    for (const [p, code, field] of refused) {
      expect(p.code).toBe(code)
      expect(p.field).toBe(field)
      expect(sayProblem(p, say)).toMatch(/^[A-Z].*\.$/)
    }
  })
  it('is led through: the stop, the marks, and what goes there', () => {
    expect(r.steps.map((s) => s.code)).toEqual(['floor-stop-on', 'floor-marked', 'floor-rolled-in'])
    expect(stepText(r.steps[1], say)).toMatch(
      /2 places: along the wall from the left end of the stop 662 mm, then 752 mm, out to 938 mm/,
    )
    expect(new Set(r.steps.flatMap((s) => s.anchors ?? []))).toEqual(new Set(a.anchors.map((x) => x.id)))
  })
  it('can be changed by one thing at a time', () => {
    const codes = floorPlace.levers(given(), ctx()).map((l) => l.code)
    expect(codes).toEqual(expect.arrayContaining(['places-fewer', 'places-closer', 'floor-stop']))
    expect(floorPlace.savers(given(), ctx()).map((l) => l.params)).toEqual([given({ stopSection: '38x63mm' })])
  })
})
