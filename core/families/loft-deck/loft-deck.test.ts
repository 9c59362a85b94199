import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import { alike } from '../../assembly/identical.ts'
import { partMassKg } from '../../assembly/mass.ts'
import { hangerFor, JOIST_HANGERS } from '../../catalogue/hardware.ts'
import { findSection } from '../../catalogue/lumber.ts'
import { newGoods } from '../../goods/goods.ts'
import { inEquilibrium } from '../../loads/load-path.ts'
import { METRIC, newtons } from '../../measure/units.ts'
import { judge } from '../../project/judge.ts'
import type { BuildReading } from '../../project/read-build.ts'
import { sayProblem } from '../../wording/problems.ts'
import { sayIn } from '../../wording/say.ts'
import { exampleContext } from '../example-context.ts'
import type { ShapeContext } from '../family.ts'
import { loftDeck } from './loft-deck.ts'
import { startingParams, type LoftDeckParams } from './parameters.ts'

const say = sayIn(METRIC)
const box = newGoods({
  id: 'b',
  name: 'Box',
  kind: 'box',
  count: 8,
  acrossMm: 400,
  deepMm: 400,
  tallMm: 300,
  massKg: 15,
})
const ctx = (over: Partial<ShapeContext['space']> = {}, count = 8, wallMm = 6000): ShapeContext => {
  const c = exampleContext('metric', [{ item: box, count }], wallMm)
  return { ...c, space: { ...c.space, heightMm: 3100, ceilingMm: 3100, depthMm: 2600, ...over } }
}
const params = (p: Partial<LoftDeckParams>) => ({ ...startingParams('metric'), ...p })
const read = (p: Partial<LoftDeckParams> = {}, c = ctx()): BuildReading => readParams(loftDeck, params(p), c)
const problemOf = (p: Partial<LoftDeckParams>, c = ctx()) => tryParams(loftDeck, params(p), c).problem
const of = (r: BuildReading, role: string) => r.shaped.assembly.parts.filter((p) => p.role === role)
const boxes = (r: BuildReading, role: string) => of(r, role).map((p) => r.boxes.get(p.id)!)

describe('a loft deck', () => {
  const r = read({ lengthMm: 2400 })
  const a = r.shaped.assembly
  it('holds, with headroom under its rim and all goods on it', () => {
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
    expect(r.shaped.unhoused).toEqual([])
    expect(Math.min(...boxes(r, 'rail').map((b) => b.min[2]))).toBeGreaterThanOrEqual(2032)
  })
  it('brings every weight to the wall and the floor, each joist by half to either hanger', () => {
    expect(inEquilibrium(r.service)).toBe(true)
    for (const joist of of(r, 'joist')) {
      const [x, y] = a.supports
        .filter((s) => 'part' in s.from && s.from.part === joist.id)
        .map((s) => r.service.reactions.get(s.id)!)
      const carried = r.service.members.get(joist.id)!.totalN
      expectNear(x + y, carried, 1e-6)
    }
    const hanger = checkOf(r, 'ratings:rating')
    const most = Math.max(
      ...of(r, 'joist').flatMap((j) =>
        a.supports
          .filter((s) => 'part' in s.from && s.from.part === j.id)
          .map((s) => r.service.reactions.get(s.id)! + newtons(0.3)),
      ),
    )
    // The rating is asked with the method's factors, in the worst arrangement.
    expect(hanger.demand!).toBeGreaterThan(most)
    expect(hanger.capacity).toBe(hangerFor(findSection('47x150mm')!.widthMm).ratedN)
  })
  it('a joist under an even load bends as q·L² / 8 says', () => {
    // Boxes side by side along one sheet: their weight over its joists.
    const joist = of(r, 'joist')[2]
    const m = r.service.members.get(joist.id)!
    if (m.state.kind !== 'beam') throw new Error(m.state.kind)
    const { spec, result } = m.state.bent
    const longMm = joist.size.lengthMm
    expect(spec.supports.map((s) => s.atMm)).toEqual([0, longMm])
    // By hand: all its loads as they lie, by their moments about the middle.
    const at = (v: number) => v - r.boxes.get(joist.id)!.min[1]
    const half = longMm / 2
    const right = m.loads.reduce((n, x) => {
      const [from, to] = [at(x.box.min[1]), at(x.box.max[1])]
      const mid = (from + to) / 2
      return n + (x.n * mid) / longMm
    }, 0)
    const beyond = m.loads.reduce((sum, x) => {
      const [from, to] = [Math.max(half, at(x.box.min[1])), at(x.box.max[1])]
      if (to <= from) return sum
      const part = to - at(x.box.min[1]) > 0 ? (to - from) / Math.max(to - at(x.box.min[1]), 1e-9) : 0
      return sum + x.n * part * ((from + to) / 2 - half)
    }, 0)
    const middle = right * half - beyond
    expect(Math.abs(result.moment.nmm)).toBeGreaterThanOrEqual(Math.abs(middle) * 0.999)
    expect(Math.abs(result.moment.nmm)).toBeLessThan(Math.abs(middle) * 1.1)
  })
  it('a rim in a notch bends its post by its load times how far it is off the middle', () => {
    const c = r.checks.find((x) => x.check === 'buckling')!
    const moment = c.working!.inputs.find((i) => i.symbol === 'M front to back')!.value
    const axial = c.working!.inputs.find((i) => i.symbol === 'P')!.value
    const { widthMm } = findSection('47x100mm')!
    const rim = findSection('47x200mm')!
    const off = (widthMm - rim.thicknessMm) / 2
    // What is in the notch is at most all that the post bears; the notch leaves it less to bend.
    expect(moment).toBeGreaterThan(0.9 * (axial - newtons(partMassKg(of(r, 'post')[0])) * 1.5) * off)
  })
  it('has a hanger for every joist end, for joists as high as they are', () => {
    expect(of(r, 'hardware')).toHaveLength(2 * of(r, 'joist').length)
    expect(hangerFor(89).ratedN).toBeLessThan(hangerFor(235).ratedN)
    expect(hangerFor(400)).toBe(JOIST_HANGERS[JOIST_HANGERS.length - 1])
  })
})

describe('where there is no depth for a whole sheet', () => {
  it('is as deep as the room lets it, its posts counted', () => {
    const r = read({ lengthMm: 2400 }, ctx({ depthMm: 1000 }))
    expect(Math.max(...[...r.boxes.values()].map((b) => b.max[1]))).toBeLessThanOrEqual(1000 + 1e-6)
    expect(checkOf(r, 'room-fit:room-depth').state).toBe('holds')
    expect(r.shaped.dims.find((d) => d.path === 'depthMm')!.why.code).toBe('loft-room')
  })
})

describe('where sheets meet', () => {
  const r = read({ follow: 'wall' }, ctx({}, 14, 4600))
  it('two joists lie with a filler between, each under its own sheet', () => {
    const decks = boxes(r, 'shelf').sort((x, y) => x.min[0] - y.min[0])
    expect(decks.length).toBeGreaterThan(1)
    const joint = decks[1].min[0]
    const joists = boxes(r, 'joist')
    const [left, right] = [
      joists.filter((b) => b.max[0] <= joint && joint - b.max[0] < 15),
      joists.filter((b) => b.min[0] >= joint && b.min[0] - joint < 15),
    ]
    expect([left.length, right.length]).toEqual([1, 1])
    const filler = boxes(r, 'filler')[0]
    expectNear(filler.max[0] - filler.min[0], right[0].min[0] - left[0].max[0], 1e-9)
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
  })
  it('in two rows there are blocks under the seam, and none where a pair has its filler', () => {
    const two = read({ depthMm: 2000, lengthMm: 2400 })
    const seam = 1000
    for (const b of boxes(two, 'block')) expect(Math.abs((b.min[1] + b.max[1]) / 2 - seam)).toBeLessThanOrEqual(47)
    expect(of(two, 'block').length).toBeGreaterThan(0)
    expect(two.verdict).toMatchObject({ fails: 0, unknown: 0 })
  })
})

describe('a framed wall below', () => {
  const r = read({ front: 'wall', follow: 'wall', doorMm: 900, doorAtMm: 1200 }, ctx({}, 8, 4000))
  it('leaves its door free, stands on plates to either side, and carries the rim over it', () => {
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
    for (const role of ['post', 'plate'])
      for (const b of boxes(r, role)) expect(b.max[0] <= 1200 + 1e-6 || b.min[0] >= 2100 - 1e-6).toBe(true)
    const studs = boxes(r, 'post')
    expect(studs.some((b) => Math.abs(b.max[0] - 1200) < 1e-6)).toBe(true)
    expect(studs.some((b) => Math.abs(b.min[0] - 2100) < 1e-6)).toBe(true)
    expect(boxes(r, 'rail').some((b) => b.min[0] < 1200 && b.max[0] > 2100)).toBe(true)
  })
  it('is kept from bowing sideways half-way up', () => {
    const { assembly: a, unhoused } = r.shaped
    const nogs = new Set(a.parts.filter((p) => p.id.startsWith('nogging')).map((p) => p.id))
    expect(nogs.size).toBeGreaterThan(2)
    const joints = a.joints.filter((j) => !nogs.has(j.near) && !nogs.has(j.far))
    const bare = {
      ...a,
      parts: a.parts.filter((p) => !nogs.has(p.id)),
      joints,
      supports: a.supports.filter((s) => !('part' in s.from && nogs.has(s.from.part))),
      fixings: a.fixings.filter((id) => joints.some((j) => j.id === id) || a.anchors.some((x) => x.id === id)),
      subassemblies: a.subassemblies.map((s) => ({ ...s, parts: s.parts.filter((id) => !nogs.has(id)) })),
    }
    const given = { settings: ctx().settings, space: r.space, goods: r.goods, unhoused, alike: alike(bare) }
    const ratio = (checks: BuildReading['checks']) =>
      Math.max(...checks.filter((c) => c.check === 'buckling').map((c) => c.ratio ?? Infinity))
    expect(ratio(judge(bare, given).checks)).toBeGreaterThan(1.2 * ratio(r.checks))
  })
})

describe('what cannot be is said, at its field', () => {
  it.each<[string, Partial<LoftDeckParams>, Partial<ShapeContext['space']>, string, string | undefined]>([
    ['no room over it', {}, { ceilingMm: 2500, heightMm: 2500 }, 'loft-no-room-above', 'topMm'],
    ['past the ceiling', { topMm: 3200 }, {}, 'loft-past-ceiling', 'topMm'],
    ['a shelf', { topMm: 1300 }, {}, 'loft-too-low', 'topMm'],
    ['a rim too low', { rimSection: '47x100mm' }, {}, 'loft-rim-low', 'rimSection'],
    ['a door beside the wall', { front: 'wall', doorMm: 900, doorAtMm: 20 }, {}, 'loft-door-past-wall', 'doorAtMm'],
    ['one stud', { lengthMm: 1200 }, { studsMm: [300] }, 'loft-ledger-studs', 'lengthMm'],
    ['deeper things than it', { depthMm: 400 }, {}, 'loft-holds-nothing', 'depthMm'],
    ['a thin wall', {}, { construction: { kind: 'thin' } }, 'no-wall-to-hang-on', undefined],
  ])('%s', (name, p, space, code, field) => {
    const goods = name === 'deeper things than it' ? [{ item: { ...box, deepMm: 450 }, count: 2 }] : ctx().goods
    const problem = problemOf(p, { ...ctx(space), goods })!
    expect(problem.code).toBe(code)
    expect(problem.field).toBe(field)
    expect(sayProblem(problem, say)).not.toContain(code)
  })
  it('is proposed only under a ceiling that leaves room', () => {
    expect(loftDeck.propose(ctx())).toHaveLength(1)
    expect(loftDeck.propose(ctx({ ceilingMm: 2440 }))).toEqual([])
  })
})
