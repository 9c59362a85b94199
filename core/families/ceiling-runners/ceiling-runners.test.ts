import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import { partMassKg } from '../../assembly/mass.ts'
import { newGoods, type Goods } from '../../goods/goods.ts'
import { inEquilibrium } from '../../loads/load-path.ts'
import { METRIC, newtons } from '../../measure/units.ts'
import type { BuildReading } from '../../project/read-build.ts'
import { sayProblem } from '../../wording/problems.ts'
import { sayIn } from '../../wording/say.ts'
import { exampleContext, exampleJoists } from '../example-context.ts'
import type { ShapeContext } from '../family.ts'
import { ceilingRunners } from './ceiling-runners.ts'
import { startingParams, type CeilingRunnersParams } from './parameters.ts'

const say = sayIn(METRIC)
const tote = (over: Partial<Goods> = {}): Goods => ({
  ...newGoods({ id: 't', name: 'Tote', kind: 'tote', count: 1, acrossMm: 400, deepMm: 600, tallMm: 300, massKg: 20 }),
  tote: { rimMm: 40, overhangMm: 25, taperMm: 15, assumed: false },
  ...over,
})
const ctx = (items: Goods[] = [tote()], over: Partial<ShapeContext['space']> = {}): ShapeContext => {
  const c = exampleContext(
    'metric',
    items.map((item) => ({ item, count: item.count })),
  )
  return { ...c, space: { ...c.space, joists: exampleJoists('along'), ...over } }
}
const read = (p: Partial<CeilingRunnersParams> = {}, c = ctx()): BuildReading =>
  readParams(ceilingRunners, { ...startingParams('metric'), ...p }, c)
const problemOf = (p: Partial<CeilingRunnersParams> = {}, c = ctx()) =>
  tryParams(ceilingRunners, { ...startingParams('metric'), ...p }, c).problem

describe('one tote on two runners', () => {
  const r = read()
  const a = r.shaped.assembly
  const [bay] = a.bays
  /** Pushed to the left, its rim lies on the right ledge with its end. */
  const onRight = (bay.clear.min[0] + 400 + r.boxes.get('flange-1')!.min[0]) / 2
  it('hangs by its rim under the ceiling, its lid clear of it', () => {
    const [item] = bay.items
    expectNear(item.box.max[2] - r.boxes.get('flange-0')!.max[2], 40, 1e-6)
    expectNear(bay.clear.max[2], 2440, 1e-6)
    expect(bay.clear.max[2] - item.box.max[2]).toBeGreaterThan(9.5)
  })
  it('is pulled out by the load and by what turns the runner: W·(1 + e/a), by hand', () => {
    const web = r.boxes.get('web-1')!
    const e = (web.min[0] + web.max[0]) / 2 - onRight
    const arm = (38 / 2) * (1 - 2 / 8)
    const half = newtons(20) / 2
    const self = ['web-1', 'flange-1'].reduce((n, id) => n + newtons(partMassKg(a.parts.find((p) => p.id === id)!)), 0)
    const y = a.anchors.filter((x) => x.part === 'web-1').map((x) => x.at[1])
    expect(y).toHaveLength(2)
    const long = r.shaped.dims.find((d) => d.path === 'runnerMm')!.value
    const second = (at: number) => (at - y[0]) / (y[1] - y[0])
    const shares = [
      half * (1 - second(300)) + self * (1 - second(long / 2)),
      half * second(300) + self * second(long / 2),
    ]
    const most = Math.max(...shares)
    // What turns it is shared as the loads are.
    const by = most + ((most / (half + self)) * half * e) / arm
    const c = checkOf(r, 'anchors:build')
    expect(c.data.arranged).toBe('aside')
    expectNear(Number(c.data.pulledN), by, 0.02 * by)
  })
  it('loads the joists with what hangs there, no more: pull less press', () => {
    expect(inEquilibrium(r.service)).toBe(true)
    const arrived = a.supports
      .filter((s) => s.on.kind === 'ceiling')
      .reduce((n, s) => n + (r.service.reactions.get(s.id) ?? 0) * s.push[2], 0)
    expectNear(arrived, newtons(20 + r.massKg), 1e-3)
  })
  it('bends the ledge of its flange across the grain: N·e / length against t²/6', () => {
    const c = r.checks.find((x) => x.check === 'ledge')!
    const e = r.boxes.get('web-1')!.min[0] - onRight
    expectNear(c.demand!, (c.working!.inputs[0].value * e) / 600, 1e-6)
    expect(c.working!.inputs[0].value).toBeGreaterThanOrEqual(newtons(10) - 1e-9)
    const f = c.working!.inputs.filter((i) => i.quantity === 'stress' || i.quantity === 'ratio').map((i) => i.value)
    const stress = f.reduce((x, y) => x * y, 1)
    expectNear(c.capacity!, (stress * 18 ** 2) / 6, 1e-6)
    expect(stress).toBeLessThan(0.25)
  })
})

describe('what hangs under joists', () => {
  const along = exampleJoists('along')
  it.each([
    ['trusses', { joists: { ...along, kind: 'trusses' as const } }, 'hung-from-trusses'],
    ['nothing surveyed', { joists: null }, 'no-joists-known'],
    ['joists of no known size', { joists: { ...along, size: null } }, 'no-joist-size'],
    ['rafters', { joists: { ...along, kind: 'sloped' as const } }, 'hung-under-slope'],
    ['one joist within reach', { joists: { ...along, atMm: [300] } }, 'crosses-too-few'],
  ])('is refused under %s, in words', (_n, over, code) => {
    const p = problemOf({}, ctx([tote()], over))!
    expect(p.code).toBe(code)
    expect(sayProblem(p, say)).toMatch(/^[A-Z].*\.$/)
  })
  const highRim = tote({ tote: { rimMm: 60, overhangMm: 25, taperMm: 0, assumed: false } })
  it.each([
    ['webs too low for the rim', {}, [highRim], 'no-room-over-rim', 'webSection'],
    ['flanges no wider than webs', { flangeSection: '38x38mm' }, [tote()], 'no-ledge', 'flangeSection'],
    ['runners shorter than their tote', { runnerMm: 400 }, [tote()], 'runner-too-short', 'runnerMm'],
    ['no tote among the goods', {}, [tote({ kind: 'box', tote: null })], 'no-totes', undefined],
  ])('is refused with %s, by its field', (_n, p, items, code, field) => {
    const problem = problemOf(p, ctx(items))!
    expect([problem.code, problem.field]).toEqual([code, field])
    expect(sayProblem(problem, say)).toMatch(/^[A-Z].*\.$/)
  })
  it('is refused where two battens would lie in each other', () => {
    const out = ctx([tote({ deepMm: 140 })], { joists: exampleJoists('out') })
    const p = problemOf({ runnerMm: 150 }, out)!
    expect([p.code, p.field]).toEqual(['battens-meet', 'runnerMm'])
    expect(sayProblem(p, say)).toMatch(/^On runners of 150 mm .*\.$/)
  })
  it('has fixings in the joists that are really crossed, with thread behind the lining', () => {
    const r = read({}, ctx([tote({ count: 4 })]))
    for (const x of r.shaped.assembly.anchors) {
      expect(along.atMm.some((y) => Math.abs(y - x.at[1]) < 1e-9)).toBe(true)
      expect(x.embedMm).toBeGreaterThan(40)
      expect(x.into).toBe('joist')
    }
    // Neighbours share a runner: one more than openings, each with a screw in both joists.
    expect(r.shaped.assembly.parts.filter((p) => p.role === 'web')).toHaveLength(5)
    expect(r.shaped.assembly.anchors).toHaveLength(10)
  })
  it('lies across battens where joists run the way the totes slide, screwed from above before it goes up', () => {
    const r = read({}, ctx([tote({ count: 3 })], { joists: exampleJoists('out') }))
    const a = r.shaped.assembly
    const battens = a.parts.filter((p) => p.role === 'batten').map((p) => p.id)
    expect(battens.length).toBeGreaterThan(1)
    for (const x of a.anchors) expect(battens).toContain(x.part)
    expect(a.joints.filter((j) => battens.includes(j.near))).toHaveLength(battens.length * 4)
    expect(r.steps.map((s) => s.code)).toEqual(['runners-made', 'battens-over', 'frame-up', 'load-runners'])
    expect(r.verdict.state).toBe('holds')
  })
  it('an empty neighbour is worse for a shared runner than a full one, and is looked at', () => {
    const r = read({}, ctx([tote({ count: 2, massKg: 15 })]))
    // Drawn full the runner in the middle is loaded alike on both sides: it turns neither way.
    const edges = r.shaped.assembly.supports.filter(
      (s) => s.steadies && 'part' in s.from && s.from.part === 'web-1' && s.on.kind === 'ceiling',
    )
    for (const s of edges) expect(Math.abs(r.service.reactions.get(s.id) ?? 0)).toBeLessThan(1)
    expect(edges.some((s) => (r.most.get(s.id) ?? 0) > 10)).toBe(true)
  })
  it('a heavy load splits the ledge or pulls the screws, and a lever mends it', () => {
    const heavy = read({}, ctx([tote({ massKg: 45 })]))
    expect(heavy.checks.find((c) => c.check === 'ledge')!.state).toBe('fails')
    const thick = read({ flangeSection: '38x89mm' }, ctx([tote({ massKg: 45 })]))
    expect(thick.checks.find((c) => c.check === 'ledge')!.state).toBe('holds')
  })
})
