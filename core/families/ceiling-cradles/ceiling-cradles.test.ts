import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import { partMassKg } from '../../assembly/mass.ts'
import { mid } from '../../geometry/vec.ts'
import { newGoods, type Goods } from '../../goods/goods.ts'
import { inEquilibrium } from '../../loads/load-path.ts'
import { METRIC, newtons } from '../../measure/units.ts'
import type { BuildReading } from '../../project/read-build.ts'
import { sayCheck } from '../../wording/checks.ts'
import { sayProblem } from '../../wording/problems.ts'
import { sayIn } from '../../wording/say.ts'
import { exampleContext, exampleJoists } from '../example-context.ts'
import type { ShapeContext } from '../family.ts'
import { ceilingCradles } from './ceiling-cradles.ts'
import { startingParams, type CeilingCradlesParams } from './parameters.ts'

const say = sayIn(METRIC)
const long = (over: Partial<Goods> = {}): Goods =>
  newGoods({
    ...{ id: 'b', name: 'Batten', kind: 'board', count: 8, often: 'seldom' },
    ...{ acrossMm: 3000, deepMm: 48, tallMm: 24, massKg: 1.6, ...over },
  })
const ctx = (run: 'out' | 'along', goods = [long()], over: Partial<ShapeContext['space']> = {}): ShapeContext => {
  const c = exampleContext(
    'metric',
    goods.map((item) => ({ item, count: item.count })),
    5400,
  )
  return { ...c, space: { ...c.space, joists: exampleJoists(run), ...over } }
}
const read = (p: Partial<CeilingCradlesParams>, c: ShapeContext): BuildReading =>
  readParams(ceilingCradles, { ...startingParams('metric'), ...p }, c)
const problemOf = (p: Partial<CeilingCradlesParams>, c: ShapeContext) =>
  tryParams(ceilingCradles, { ...startingParams('metric'), ...p }, c).problem
const partsOf = (r: BuildReading, role: string) => r.shaped.assembly.parts.filter((p) => p.role === role)
const pulled = (r: BuildReading, rod: string): number => {
  const s = r.service.members.get(rod)!.state
  return s.kind === 'strut' ? s.axial.pulledN : NaN
}
const bearersUnder = (r: BuildReading, id: string) => {
  const xs = partsOf(r, 'cross').map((p) => p.at.centre[0])
  const items = r.shaped.assembly.bays[0].items.filter((i) => i.goodsId === id)
  return items.map(({ box }) => xs.filter((x) => x > box.min[0] && x < box.max[0]).length)
}

describe.each(['out', 'along'] as const)('cradles under joists that run %s', (run) => {
  const r = read({}, ctx(run))
  it('hold, and every newton arrives at the joists', () => {
    expect(r.verdict.state).toBe('holds')
    expect(inEquilibrium(r.service)).toBe(true)
    expect(
      r.service.arrivals.every((a) => r.carried.supports.find((s) => s.id === a.support)!.on.kind === 'ceiling'),
    ).toBe(true)
  })
  it('hang each bearer by two rods, none of them in a joist, from spreaders on joists on both sides', () => {
    const [bearers, rods, spreaders] = ['cross', 'rod', 'spreader'].map((role) => partsOf(r, role))
    expect(rods).toHaveLength(4 * bearers.length)
    expect(spreaders).toHaveLength(run === 'out' ? 2 : bearers.length)
    const joists = exampleJoists(run)
    const across = run === 'out' ? 0 : 1
    for (const rod of rods)
      for (const at of joists.atMm) expect(Math.abs(at - rod.at.centre[across])).toBeGreaterThan(38.1 / 2 + 5)
    for (const s of spreaders) {
      const box = r.boxes.get(s.id)!
      const own = rods.filter((x) => r.carried.joints.some((j) => j.near === x.id && j.far === s.id))
      const at = own.map((x) => x.at.centre[across])
      expect(joists.atMm.some((j) => j > box.min[across] && j < Math.min(...at))).toBe(true)
      expect(joists.atMm.some((j) => j < box.max[across] && j > Math.max(...at))).toBe(true)
    }
  })
  it('lay everything on two bearers at least, inside its wall', () => {
    for (const n of bearersUnder(r, 'b')) expect(n).toBeGreaterThan(1)
    for (const { box } of r.shaped.assembly.bays[0].items) {
      expect(box.min[0]).toBeGreaterThanOrEqual(0)
      expect(box.max[0]).toBeLessThanOrEqual(5400)
    }
  })
})

describe('by hand', () => {
  // One heavy thing beside the rear rods.
  const beam = long({ id: 'beam', count: 1, acrossMm: 2600, deepMm: 100, tallMm: 100, massKg: 24 })
  const r = read({ cradles: 2, apartMm: 1500, clearMm: 500 }, ctx('along', [beam]))
  const a = r.shaped.assembly
  const rods = (k: number) => [0, 1].map((i) => a.parts.find((p) => p.id === `rod-${k}-${i}-lower`)!)
  const [rear, front] = rods(0).map((p) => p.at.centre[1])
  const { box } = a.bays[0].items[0]
  const L = front - rear
  const at = (box.min[1] + box.max[1]) / 2 - rear
  const P = newtons(24) / 2
  it('a rod takes what its bearer hands it: P·(L − a) / L and P·a / L, its half of the bearer and itself', () => {
    const bearer = a.parts.find((p) => p.id === 'bearer-0')!
    // Of each piece of rod half its weight is at its lower end.
    const ofRods = [0, 1].map((i) =>
      ['lower', 'upper'].reduce(
        (n, x) => n + newtons(partMassKg(a.parts.find((p) => p.id === `rod-0-${i}-${x}`)!)) / 2,
        0,
      ),
    )
    const half = newtons(partMassKg(bearer)) / 2
    expectNear(pulled(r, 'rod-0-0-lower'), (P * (L - at)) / L + half + ofRods[0], 1e-3)
    expectNear(pulled(r, 'rod-0-1-lower'), (P * at) / L + half + ofRods[1], 1e-3)
  })
  it('a bearer bends by P·a·b / L less what the width of the load takes off', () => {
    const m = r.service.members.get('bearer-0')!.state
    if (m.kind !== 'beam') throw new Error(m.kind)
    const bearer = a.parts.find((p) => p.id === 'bearer-0')!
    const w = newtons(partMassKg(bearer)) / bearer.size.lengthMm
    const wide = box.max[1] - box.min[1]
    // Uniform over its width about a; the most is where the shear is nought.
    const rearN = (P * (L - at)) / L + (w * L) / 2
    const q = P / wide + w
    const start = at - wide / 2
    const x = start + (rearN - w * start) / q
    const most = rearN * x - (w * (x + 45) ** 2) / 2 - ((P / wide) * (x - start) ** 2) / 2
    expectNear(m.bent.result.moment.nmm, most, 0.01)
  })
  it('each joist is judged as a beam with what hangs from it', () => {
    const c = checkOf(r, 'joists:ceiling')
    expect(c.state).toBe('holds')
    expect(c.working!.inputs.find((i) => i.symbol === 'hangs from it')!.value).toBeGreaterThan(P)
  })
})

describe('what lies there', () => {
  it('is judged on any two of three bearers: nothing is as straight as they are', () => {
    const three = read({ cradles: 3 }, ctx('along', [long({ massKg: 9 })]))
    expect(checkOf(three, 'rods:rod').data.arranged).toBe('on-two')
  })
  it('may be short: it is laid where two bearers are under it', () => {
    const short = long({ id: 's', acrossMm: 900, count: 2 })
    for (const run of ['out', 'along'] as const) {
      const r = read({}, ctx(run, [long(), short]))
      expect(r.shaped.unhoused).toEqual([])
      for (const n of bearersUnder(r, 's')) expect(n).toBeGreaterThan(1)
      expect(r.verdict.state).toBe('holds')
    }
    const wide = read({ apartMm: 1500 }, ctx('along', [long(), short]))
    expect(wide.shaped.unhoused).toEqual([{ goodsId: 's', count: 2, why: 'too-short-for-arms' }])
  })
  it('that is not long has no place, nor what is more than fits between the rods', () => {
    const crate = newGoods({
      id: 'c',
      name: 'Crate',
      kind: 'box',
      count: 1,
      acrossMm: 400,
      deepMm: 300,
      tallMm: 300,
      massKg: 9,
    })
    expect(read({}, ctx('along', [long(), crate])).shaped.unhoused).toEqual([
      { goodsId: 'c', count: 1, why: 'not-long' },
    ])
    const many = read({ clearMm: 100 }, ctx('along', [long({ count: 20 })]))
    expect(many.shaped.unhoused).toEqual([{ goodsId: 'b', count: 12, why: 'no-place' }])
  })
  it('lies on its long edge where the strip before the wall is too shallow for it flat, and flat where it is not', () => {
    const ladder = long({ id: 'l', name: 'Ladder', count: 1, deepMm: 500, tallMm: 150, massKg: 12 })
    const of = (depthMm: number) => read({}, ctx('out', [ladder], { depthMm }))
    const [shallow, deep] = [of(560), of(1200)]
    const sizes = (r: BuildReading) => {
      const { min, max } = r.shaped.assembly.bays[0].items[0].box
      return [max[1] - min[1], max[2] - min[2]].map(Math.round)
    }
    expect(sizes(shallow)).toEqual([150, 500])
    expect(sizes(deep)).toEqual([500, 150])
    for (const r of [shallow, deep]) expect([r.shaped.unhoused, r.verdict.fails]).toEqual([[], 0])
    expect(checkOf(shallow, 'contents-fit:on-side:l').state).toBe('holds')
    // Higher than this under a ceiling it is a thing for heads.
    const canoe = { ...ladder, id: 'c', deepMm: 850, tallMm: 400 }
    expect(read({}, ctx('out', [canoe, long()], { depthMm: 560 })).shaped.unhoused.map((u) => u.goodsId)).toEqual(['c'])
  })
  it('comes out at the end it is slid in from', () => {
    expect(read({}, ctx('along')).shaped.assembly.bays[0].exit).toEqual([1, 0, 0])
    expect(read({ from: 'left' }, ctx('along')).shaped.assembly.bays[0].exit).toEqual([-1, 0, 0])
  })
  it('too heavy for a rod it fails, and a lever mends it', () => {
    const load = ctx('along', [long({ massKg: 55 })])
    const weak: Partial<CeilingCradlesParams> = { rod: 'rod-M6', cradles: 2 }
    expect(read(weak, load).verdict.fails).toBeGreaterThan(0)
    const levers = ceilingCradles.levers({ ...startingParams('metric'), ...weak }, load)
    expect(levers.filter((l) => l.code === 'rod').map((l) => (l.params as CeilingCradlesParams).rod)).toEqual([
      'rod-M8',
      'rod-M10',
      'rod-M12',
    ])
  })
})

describe('the joists it hangs from', () => {
  const said = (over: Partial<ReturnType<typeof exampleJoists>>) => {
    const c = checkOf(
      read({}, ctx('along', [long()], { joists: { ...exampleJoists('along'), ...over } })),
      'joists:ceiling',
    )
    return { ...c, told: sayCheck(c, say) }
  }
  it('end before it: how far it hangs past them is said, and nothing is proven', () => {
    const { size } = exampleJoists('along')
    const rods = read({}, ctx('along')).shaped.assembly.supports.filter((s) => s.on.kind === 'ceiling')
    const farthest = Math.max(...rods.map((s) => mid(s.contact.min, s.contact.max)[0]))
    const past = said({ size: { ...size!, spanMm: farthest - 400 } })
    expect([past.state, past.code]).toEqual(['unknown', 'joists-past'])
    expect(past.data.missedMm).toBeCloseTo(400 - exampleJoists('along').fromMm, 6)
    expect(past.told).toMatch(/past the end of the joists\. Move it or make it shorter/)
  })
})

describe('what it cannot hang from or reach is refused in words', () => {
  const cases: [string, Partial<CeilingCradlesParams>, ShapeContext][] = [
    ['hung-from-trusses', {}, ctx('along', [long()], { joists: { ...exampleJoists('along'), kind: 'trusses' } })],
    ['no-joists-known', {}, ctx('along', [long()], { joists: null })],
    ['cradles-none-long', {}, ctx('along', [long({ kind: 'box', acrossMm: 400, deepMm: 300 })])],
    ['cradles-past-wall', {}, ctx('along', [long({ acrossMm: 5600 })])],
    ['cradle-too-deep', { clearMm: 900 }, ctx('along', [long()], { depthMm: 700 })],
    ['cradle-too-narrow', { clearMm: 85 }, ctx('out')],
    ['cradle-in-ceiling', { topMm: 2400 }, ctx('along')],
    ['cradle-too-low', { topMm: 1000 }, ctx('along')],
  ]
  it.each(cases)('%s', (code, p, c) => {
    const problem = problemOf(p, c)
    expect(problem?.code).toBe(code)
    expect(sayProblem(problem!, say)).not.toContain('undefined')
  })
})
