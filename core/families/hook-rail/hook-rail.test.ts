import { describe, expect, it } from '@jest/globals'
import { bicycle, wallFor } from '../../../test-support/bicycles.ts'
import { expectNear } from '../../../test-support/near.ts'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import { validateAssembly } from '../../assembly/validate.ts'
import { WHEEL_HOOK } from '../../catalogue/hardware.ts'
import { newGoods, type Goods } from '../../goods/goods.ts'
import { inEquilibrium } from '../../loads/load-path.ts'
import { METRIC, newtons } from '../../measure/units.ts'
import { sayProblem } from '../../wording/problems.ts'
import { sayIn } from '../../wording/say.ts'
import type { ShapeContext } from '../family.ts'
import { hookRail } from './hook-rail.ts'
import { startingParams, type HookRailParams } from './parameters.ts'

const one = (over: Partial<Goods> = {}) => bicycle({ count: 4, ...over })
const ctx = (goods: Goods[] = [one()], wallMm?: number, over?: Partial<ShapeContext['space']>) =>
  wallFor(goods, wallMm, over)
const params = (p: Partial<HookRailParams> = {}) => ({ ...startingParams('metric'), ...p })
const read = (p: Partial<HookRailParams> = {}, c = ctx()) => readParams(hookRail, params(p), c)
const problemOf = (p: Partial<HookRailParams>, c = ctx()) => tryParams(hookRail, params(p), c).problem

describe('bicycles upright by a wheel', () => {
  const r = read()
  const a = r.shaped.assembly
  it('holds: each on a hook of its own, on end, its wheels to the rail, clear of the next', () => {
    expect(r.verdict.state).toBe('holds')
    expect(a.bays).toHaveLength(4)
    a.bays.forEach((b, k) => {
      const [item] = b.items
      expect(item.box.max.map((v, i) => v - item.box.min[i])).toEqual([620, 1040, 1760])
      const hook = r.boxes.get(b.carriers[0])!
      expectNear((hook.min[0] + hook.max[0]) / 2, (item.box.min[0] + item.box.max[0]) / 2, 1e-9)
      expect(item.box.max[2]).toBeGreaterThan((hook.min[2] + hook.max[2]) / 2)
      expect(item.box.min[2]).toBeGreaterThanOrEqual(50)
      if (k > 0) expect(item.box.min[0]).toBeGreaterThanOrEqual(a.bays[k - 1].items[0].box.max[0] + 40)
    })
  })
  it('has no two hooks in each other, however narrow what hangs on them', () => {
    const slim = read({ besideMm: 0, hooks: 4 }, ctx([one({ deepMm: 30 })]))
    const hooks = slim.shaped.assembly.bays.map((b) => slim.boxes.get(b.carriers[0])!)
    hooks.slice(1).forEach((h, k) => expect(h.min[0]).toBeGreaterThanOrEqual(hooks[k].max[0] - 1e-9))
    expect(validateAssembly(slim.shaped.assembly)).toEqual([])
  })
  it('takes a third of the wall they take lengthwise', () => {
    const [xs] = [a.bays.flatMap((b) => [b.clear.min[0], b.clear.max[0]])]
    expect(Math.max(...xs) - Math.min(...xs)).toBeLessThan((4 * 1760) / 2.6)
  })
  it('arrives at the studs whole', () => {
    expect(inEquilibrium(r.service)).toBe(true)
    const up = a.supports
      .filter((s) => s.on.kind === 'wall' && s.push[2] > 0.9)
      .reduce((n, s) => n + (r.service.reactions.get(s.id) ?? 0), 0)
    expectNear(up, newtons(4 * 16 + r.massKg), 1e-6)
  })
  it('what its rear wheel draws at the hook is covered by the load on its tip, at the hook and at the rail', () => {
    // Turning about the hook's bend: W·(c − e) = H·L, the wheels' centre of gravity no further out than half its height.
    for (const [long, tall] of [
      [1760, 1040],
      [1900, 1150],
      [1200, 760],
      [1000, 700],
    ]) {
      const wheelMm = 0.36 * tall
      const pull = (tall / 2 - WHEEL_HOOK.bendMm) / (long - 60 - wheelMm)
      for (const leverMm of [(2 / 3) * WHEEL_HOOK.highMm, 89 / 2 - 89 / 8, 150 / 2 - 150 / 8])
        expect(WHEEL_HOOK.outMm / leverMm).toBeGreaterThanOrEqual(WHEEL_HOOK.bendMm / leverMm + pull)
    }
  })
  it('no heavier than its hook is rated for, and a rail in two studs that is not pulled off', () => {
    const heavy = read({}, ctx([one({ count: 1, massKg: 45 })]))
    expect(heavy.checks.some((c) => c.state === 'fails' && c.parts.includes('hook-0'))).toBe(true)
    const weak = ctx([one({ count: 6, massKg: 30 })], 6000, { studsMm: [400, 3800] })
    const pulled = read({ wallScrews: 'one' }, weak)
    expect(pulled.checks.some((c) => c.state === 'fails')).toBe(true)
  })
  it('what is long hangs lower, for its wheel to be lifted in reach', () => {
    const hookAt = (acrossMm: number) => {
      const x = read({}, ctx([one({ count: 1, acrossMm })]))
      const box = x.boxes.get('hook-0')!
      return { hook: (box.min[2] + box.max[2]) / 2, low: x.shaped.assembly.bays[0].items[0].box.min[2] }
    }
    expect(hookAt(1880).low).toBeLessThan(hookAt(1700).low)
    for (const mm of [1500, 1700, 1880]) expect(hookAt(mm).hook).toBeLessThanOrEqual(1950)
  })
  it('as many as the wall takes; the rest, and what has no wheel, is said', () => {
    const short = read({}, ctx([one({ count: 5 }), newGoods({ ...one({ id: 'x' }), kind: 'box', count: 1 })], 2000))
    expect(short.shaped.unhoused).toEqual([
      { goodsId: 'x', count: 1, why: 'no-wheel' },
      { goodsId: 'b', count: 2, why: 'no-place' },
    ])
    expect(checkOf(short, 'contents-fit:unhoused:x').state).toBe('fails')
  })
  it('is asked for its size as it was measured, though it hangs on end', () => {
    const c = r.checks.filter((x) => x.check === 'contents-fit')
    expect(c.length).toBeGreaterThan(0)
    expect(c.every((x) => x.state === 'holds')).toBe(true)
  })
  it('is not proven while nobody has weighed one', () => {
    expect(read({}, ctx([one({ massKg: null })])).verdict.state).toBe('unknown')
  })
  it.each([
    ['nothing-by-wheel', {}, ctx([one({ kind: 'box' })])],
    ['wheels-past-wall', {}, ctx([one()], 500)],
    ['wheels-past-wall', { hooks: 8 }, ctx([one()], 3000)],
    ['wheels-too-high', { lowestMm: 900 }, ctx()],
    ['wheels-too-deep', {}, ctx([one()], 6000, { depthMm: 900 })],
    ['wheel-rail-in-floor', { lowestMm: 40 }, ctx([one({ acrossMm: 50 })])],
    ['wheel-rail-narrow', { railSection: '38x63mm' }, ctx()],
    ['wheel-rail-misses-studs', {}, ctx([one({ count: 1 })], 6000, { studsMm: [300, 5000] })],
  ] as const)('%s: says so in words', (code, p, c) => {
    const problem = problemOf(p, c)!
    expect(problem.code).toBe(code)
    expect(sayProblem(problem, sayIn(METRIC))).not.toContain(code)
  })
})
