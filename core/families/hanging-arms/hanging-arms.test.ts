import { describe, expect, it } from '@jest/globals'
import { bicycle, wallFor } from '../../../test-support/bicycles.ts'
import { expectNear } from '../../../test-support/near.ts'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import { partMassKg } from '../../assembly/mass.ts'
import { arrangements } from '../../loads/arrangements.ts'
import { inEquilibrium } from '../../loads/load-path.ts'
import { newGoods, type Goods } from '../../goods/goods.ts'
import { METRIC, newtons } from '../../measure/units.ts'
import { safeLoads } from '../../project/safe-load.ts'
import { sayProblem } from '../../wording/problems.ts'
import { sayIn } from '../../wording/say.ts'
import type { ShapeContext } from '../family.ts'
import { hangingArms } from './hanging-arms.ts'
import { startingParams, type HangingArmsParams } from './parameters.ts'

const one = bicycle
const ctx = (goods: Goods[] = [one()], wallMm?: number, over?: Partial<ShapeContext['space']>) =>
  wallFor(goods, wallMm, over)
const params = (p: Partial<HangingArmsParams> = {}) => ({ ...startingParams('metric'), ...p })
const read = (p: Partial<HangingArmsParams> = {}, c = ctx()) => readParams(hangingArms, params(p), c)
const problemOf = (p: Partial<HangingArmsParams>, c = ctx()) => tryParams(hangingArms, params(p), c).problem

/** Where it stands and whether it is lifted is no question of what the arms carry. */
const IN_THE_ROOM = ['reach', 'lift', 'contents-fit', 'room-fit']

describe('bicycles on pairs of arms', () => {
  const r = read()
  const a = r.shaped.assembly
  it('holds: each on two arms under the straight of its bar, off the floor, clear of the uprights', () => {
    expect(r.verdict.state).toBe('holds')
    expect(a.bays).toHaveLength(2)
    for (const b of a.bays) {
      const [left, right] = b.carriers.map((id) => r.boxes.get(id)!)
      const [item] = b.items
      const middle = (item.box.min[0] + item.box.max[0]) / 2
      expectNear((left.min[0] + left.max[0]) / 2 + (right.min[0] + right.max[0]) / 2, 2 * middle, 1e-9)
      expect(right.max[0] - left.min[0]).toBeLessThan(0.3 * 1760)
      expect(item.box.min[2]).toBeGreaterThan(250)
      const face = r.boxes.get('upright-0-0')!.max[1]
      expectNear(item.box.min[1] - face, 20, 1e-9)
      expect(left.max[1]).toBeGreaterThan((item.box.min[1] + item.box.max[1]) / 2 + 20)
    }
  })
  it('a bar lies on its arms where it hangs: the upper side of the tube is as high as the bar', () => {
    const [item] = a.bays[0].items
    const bar = item.box.min[2] + 0.75 * 1040
    const arm = a.parts.find((p) => p.id === 'arm-0-0-0')!
    const y = (item.box.min[1] + item.box.max[1]) / 2
    const tilt = Math.asin(arm.at.along[2])
    const axis = arm.at.centre[2] + (y - arm.at.centre[1]) * Math.tan(tilt)
    expectNear(axis + 26.9 / 2 / Math.cos(tilt), bar, 1e-6)
  })
  it('all of it on one arm, by hand: M = W·e, σ = M / W', () => {
    const c = checkOf(r, 'tubes:tube')
    expect(c.data.arranged).toBe('on-one')
    const tube = a.parts.find((p) => p.id === 'arm-0-0-0')!
    const face = r.boxes.get('upright-0-0')!.max[1]
    const tilt = Math.asin(tube.at.along[2])
    const [item] = a.bays[0].items
    const e = (item.box.min[1] + item.box.max[1]) / 2 - face
    // Held first a sixth of its hole behind the face.
    const inside = ((100 - 12) / Math.cos(tilt) / 6) * Math.cos(tilt)
    // EN 1990: 1.5 of what is put there, 1.35 of the tube.
    const m = 1.5 * newtons(16) * (e + inside) + 1.35 * newtons(partMassKg(tube)) * (tube.at.centre[1] - face + inside)
    const modulus = (Math.PI * (26.9 ** 4 - 21.7 ** 4)) / (32 * 26.9)
    expectNear(c.demand!, m / modulus, 0.01)
  })
  it('arrives at the studs whole, however it hangs', () => {
    expect(inEquilibrium(r.service)).toBe(true)
    expect(arrangements(a).filter((x) => x.code === 'on-one')).toHaveLength(2)
    const up = a.supports
      .filter((s) => s.on.kind === 'wall' && s.push[2] > 0.9)
      .reduce((n, s) => n + (r.service.reactions.get(s.id) ?? 0), 0)
    expectNear(up, newtons(32 + r.massKg), 1e-6)
  })
  it('no screw of a rail is where an upright stands before it', () => {
    for (const x of a.anchors)
      for (const p of a.parts.filter((q) => q.role === 'post'))
        expect(Math.abs(x.at[0] - p.at.centre[0])).toBeGreaterThanOrEqual(p.size.widthMm / 2 + 15 - 1e-6)
  })
  it('one row where the wall is long, two where it is not; what finds no place is said', () => {
    const rows = (c: ShapeContext) => read({}, c).shaped.dims.find((d) => d.path === 'rows')!.value
    expect([rows(ctx()), rows(ctx([one()], 2400))]).toEqual([1, 2])
    const four = read({}, ctx([one({ count: 5 })], 2400))
    expect(four.shaped.unhoused).toEqual([{ goodsId: 'b', count: 3, why: 'no-place' }])
    const mixed = read({}, ctx([one(), newGoods({ ...one({ id: 'x' }), kind: 'box', count: 1, tallMm: 300 })]))
    expect(mixed.shaped.unhoused).toEqual([{ goodsId: 'x', count: 1, why: 'no-bar' }])
  })
  it('what is heavy or wanted daily hangs lowest', () => {
    const goods = [one({ count: 1, massKg: 10 }), one({ id: 'd', count: 1, often: 'daily', massKg: 12 })]
    const two = read({ rows: 2 }, ctx(goods, 2400))
    expect(two.shaped.assembly.bays.map((b) => b.items[0].goodsId)).toEqual(['d', 'b'])
  })
  it('is labelled with what one arm carries at the bar: as heavy a thing holds, a heavier one does not', () => {
    const c = ctx([one({ count: 1 })])
    const [label] = safeLoads({ settings: c.settings }, read({}, c))
    const weighing = (massKg: number) => read({}, ctx([one({ count: 1, massKg })])).checks
    const strong = (massKg: number) =>
      weighing(massKg).every((x) => x.state !== 'fails' || IN_THE_ROOM.includes(x.check))
    expect(label.spreadKg).toBe(label.singleKg)
    expect(label.spreadKg).toBeGreaterThan(16)
    expect([strong(label.spreadKg), strong(label.spreadKg + 2)]).toEqual([true, false])
  })
  it('is not proven while nobody has weighed one', () => {
    expect(read({}, ctx([one({ massKg: null })])).verdict.state).toBe('unknown')
  })
  it('a heavy one bends a thin tube, and a lever mends it', () => {
    const heavy = ctx([one({ count: 1, massKg: 29, deepMm: 780 })])
    const thin = { tube: 'tube-21.3x2.6' }
    expect(read(thin, heavy).verdict.state).toBe('fails')
    const mended = hangingArms
      .levers(params(thin), heavy)
      .map((l) => tryParams(hangingArms, l.params as object, heavy).reading?.checks)
    expect(mended.some((checks) => checks?.find((c) => c.id === 'tubes:tube')?.state === 'holds')).toBe(true)
  })
  it.each([
    ['nothing-by-bar', {}, ctx([one({ kind: 'box' })])],
    ['hung-past-wall', {}, ctx([one()], 1500)],
    ['hung-too-high', { rows: 3 }, ctx()],
    ['hung-too-high', { lowestMm: 1500 }, ctx()],
    ['hung-too-deep', {}, ctx([one()], 6000, { depthMm: 600 })],
    ['pair-past-bar', { apartMm: 600 }, ctx()],
    ['arm-short-of-bar', { armMm: 300 }, ctx()],
    ['hung-rail-misses-studs', {}, ctx([one({ count: 1 })], 6000, { studsMm: [730, 1030, 5000] })],
  ] as const)('%s: says so in words', (code, p, c) => {
    const problem = problemOf(p, c)!
    expect(problem.code).toBe(code)
    expect(sayProblem(problem, sayIn(METRIC))).not.toContain(code)
  })
})

describe('a rail that meets one stud only', () => {
  it('goes on to the next', () => {
    const c = ctx([one({ count: 1, acrossMm: 900 })], 6000, { studsMm: [400, 1200, 2000] })
    const r = read({}, c)
    const long = Math.max(
      ...r.shaped.assembly.parts.filter((p) => p.id.includes('rail')).map((p) => r.boxes.get(p.id)!.max[0]),
    )
    expect(long).toBeGreaterThan(1200)
    expect(long).toBeLessThan(1300)
    expect(r.verdict.unknown).toBe(0)
    expect(r.checks.filter((x) => x.state === 'fails').map((x) => x.id)).toEqual([])
  })
})
