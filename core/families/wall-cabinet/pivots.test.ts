import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import { ownSweep } from '../../checks/own-sweep.ts'
import { usableFaces } from '../../checks/usable-faces.ts'
import { newGoods, type Goods } from '../../goods/goods.ts'
import { METRIC, newtons } from '../../measure/units.ts'
import { partMassKg } from '../../assembly/mass.ts'
import type { BuildReading } from '../../project/read-build.ts'
import { sayProblem } from '../../wording/problems.ts'
import { sayIn } from '../../wording/say.ts'
import { stepText } from '../../wording/steps.ts'
import { exampleContext } from '../example-context.ts'
import { startingParams, type WallCabinetParams } from './parameters.ts'
import { wallCabinet } from './wall-cabinet.ts'

const say = sayIn(METRIC)
const tool = (
  name: string,
  [acrossMm, deepMm, tallMm]: [number, number, number],
  massKg: number,
  count: number,
): Goods => newGoods({ ...{ id: name, name, kind: 'tool', count }, acrossMm, deepMm, tallMm, massKg })
const THIN = [tool('rule', [40, 10, 500], 0.3, 6), tool('square', [150, 8, 250], 0.4, 6)]
const ctx = (goods: Goods[] = THIN) =>
  exampleContext(
    'metric',
    goods.map((item) => ({ item, count: item.count })),
  )
const base: Partial<WallCabinetParams> = { front: 'pivots', clearMm: 900, shelves: 0, leafHighMm: 700 }
const params = (p: Partial<WallCabinetParams>) => ({ ...startingParams('metric'), ...base, ...p })
const read = (p: Partial<WallCabinetParams> = {}, goods = THIN): BuildReading =>
  readParams(wallCabinet, params(p), ctx(goods))
const problemOf = (p: Partial<WallCabinetParams>, goods = THIN) =>
  tryParams(wallCabinet, params(p), ctx(goods)).problem!
const leavesOf = (r: BuildReading) => r.shaped.assembly.parts.filter((p) => p.role === 'door')

const T = 18
/** First pin: half the leaf and the deepest tool, or its corner turning 20 mm past the pin; and 6 mm to pass. */
const FIRST = Math.hypot(20, T / 2) + 6
/** From leaf to leaf: its thickness, both faces' deepest, 6 mm to pass. */
const APART = T + 2 * 10 + 6

describe.each([2, 4, 8])('%i leaves on pins', (leaves) => {
  const r = read({ leaves })
  it('hold, open past each other in their order, and are half on either side', () => {
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
    expect(leavesOf(r)).toHaveLength(leaves)
    expect(leavesOf(r).filter((p) => p.at.centre[0] < r.boxes.get('top-0')!.min[0] + 470)).toHaveLength(leaves / 2)
    for (const m of r.shaped.assembly.motions.filter((x) => x.kind === 'swing'))
      expect(checkOf(r, `own-sweep:${m.id}`).state).toBe('holds')
  })
  it('have as much to hang on as a count by hand: two faces each, narrower the further back, and the back', () => {
    const high = leavesOf(r)[0].size.lengthMm
    const wide = (k: number) => 450 - (FIRST + k * APART) + 20 - 3
    const faces = Array.from({ length: leaves / 2 }, (_, k) => 2 * 2 * wide(k) * high).reduce((a, b) => a + b, 0)
    const back = r.shaped.assembly.parts.find((p) => p.role === 'back')!
    const byHand = faces + back.size.lengthMm * back.size.widthMm
    const { areaMm2, wallMm2 } = usableFaces(r.shaped.assembly, r.boxes)
    expectNear(areaMm2, byHand, 1e-6)
    expect(wallMm2).toBeCloseTo((900 + 2 * T) * (r.boxes.get('upright-0')!.max[2] - wallFoot(r)), -3)
    const said = checkOf(r, 'usable-faces:build').data
    expectNear(Number(said.times), byHand / wallMm2, 1e-9)
    expect(said.leaves).toBe(leaves)
  })
  it('turn about pins as far further in as they are further back', () => {
    const swings = r.shaped.assembly.motions.flatMap((m) => (m.kind === 'swing' ? [m] : []))
    const left = swings.filter((m) => m.byRad > 0)
    const side = r.boxes.get('upright-0')!.max[0]
    left.forEach((m, k) => {
      expectNear(m.at[0] - side, FIRST + k * APART, 1e-6)
      expectNear(left[0].at[1] - m.at[1], k * APART, 1e-6)
      expect(m.after ?? []).toEqual(left.slice(0, k).map((x) => x.id))
    })
  })
})
/** The lowest of all its pieces: a strip on the wall is none of it. */
const wallFoot = (r: BuildReading) => Math.min(...[...r.boxes.values()].map((b) => b.min[2]))

describe('leaves on pins', () => {
  const r = read({ leaves: 4 })
  const a = r.shaped.assembly
  it('press their pins aside by weight times how far out it is over how far apart they are', () => {
    const [leaf] = leavesOf(r)
    const swing = a.motions.find((m) => m.parts[0] === leaf.id)!
    if (swing.kind !== 'swing') throw new Error(swing.kind)
    const things = a.bays.filter((b) => b.carriers.includes(leaf.id)).flatMap((b) => b.items)
    const all = [
      { n: newtons(partMassKg(leaf)), x: leaf.at.centre[0] },
      ...things.map((i) => ({ n: newtons(i.massKg!), x: (i.box.min[0] + i.box.max[0]) / 2 })),
    ]
    const moment = all.reduce((s, x) => s + x.n * (x.x - swing.at[0]), 0)
    const [foot, head] = [0, 1].map((k) => r.boxes.get(`${leaf.id}-pin-${k}`)!)
    const aside = a.supports.find((s) => 'body' in s.from && s.from.through === `${leaf.id}-pin-1` && s.push[0] === 1)!
    expect(things.length).toBeGreaterThan(0)
    expectNear(Math.abs(r.service.reactions.get(aside.id)!), moment / (head.max[2] - foot.min[2]), 0.01)
    const down = a.supports.find((s) => 'body' in s.from && s.from.through === `${leaf.id}-pin-0` && s.push[2] === 1)!
    const pins = 2 * newtons(0.06)
    expectNear(r.service.reactions.get(down.id)!, all.reduce((s, x) => s + x.n, 0) + pins, 1e-6)
  })
  it('push the panels they stand in, which what fastens an end of them holds: all at once, all at one end', () => {
    for (const panel of ['shelf-0-0', 'top-0']) {
      const c = checkOf(r, `hinges:${panel}`)
      const level = a.supports.filter(
        (s) => 'body' in s.from && s.on.kind === 'part' && s.on.part === panel && s.push[2] === 0,
      )
      const n = level.reduce((sum, s) => sum + Math.abs(r.design.reactions.get(s.id) ?? 0), 0)
      expect(n).toBeGreaterThan(0)
      expect(c.demand!).toBeGreaterThanOrEqual(n - 1e-6)
      expect(c.state).toBe('holds')
    }
  })
  it('behind others go by none of them unless those have gone before', () => {
    const rear = a.motions.find((m) => m.kind === 'swing' && (m.after?.length ?? 0) > 0)!
    const shut = { ...a, motions: a.motions.map((m) => (m.kind === 'swing' ? { ...m, after: [] } : m)) }
    const of = (assembly: typeof a) => ownSweep.run({ assembly } as never).find((c) => c.id === `own-sweep:${rear.id}`)!
    expect(of(a).state).toBe('holds')
    expect(of(shut).state).toBe('fails')
  })
  it('go in from the back, told how far apart their pins are', () => {
    const step = r.steps.find((s) => s.id === 'pivots')!
    expect(stepText(step, say)).toMatch(
      /^8 pivots, .*44 mm further in from its side and 44 mm further back.*rearmost of the 4/,
    )
  })
  it('are as few as take all tools, in pairs; what is too heavy or too deep stands on shelves', () => {
    const count = (goods: Goods[]) => leavesOf(read({ leaves: null }, goods)).length
    expect(count(THIN)).toBe(2)
    expect(count([tool('square', [200, 8, 300], 0.4, 40)])).toBeGreaterThan(2)
    const drill = tool('drill', [200, 200, 200], 2, 1)
    const mixed = read({ leaves: 2, shelves: null }, [...THIN, drill])
    const bay = mixed.shaped.assembly.bays.find((b) => b.items.some((i) => i.goodsId === 'drill'))!
    expect(bay.holds).toBe('surface')
  })
  it.each([
    [{ leaves: 4, apartMm: 60 }, 'leaf-tools-meet', /saw .* mallet|mallet .* saw/, 'apartMm'],
    [{ leaves: 8 }, 'leaves-too-narrow', /8 leaves do not go into an opening of 900 mm/, 'leaves'],
    [{ leaves: 2, bays: 2, clearMm: 600 }, 'leaves-one-opening', /one opening, not 2/, 'bays'],
  ] as const)('%j is refused as %s, in words', (p, code, words, field) => {
    const thick = [tool('saw', [150, 45, 560], 0.6, 4), tool('mallet', [130, 60, 330], 0.9, 8)]
    const problem = problemOf(p, thick)
    expect([problem.code, problem.field]).toEqual([code, field])
    expect(sayProblem(problem, say)).toMatch(words)
  })
  it('one leaf on a side has none behind it: nothing meets, however near they would be', () => {
    const deep = [tool('saw', [150, 45, 560], 0.6, 2)]
    expect(read({ leaves: 2, apartMm: 30 }, deep).verdict).toMatchObject({ fails: 0, unknown: 0 })
    // Alone between two leaves it reaches into the wood of the other.
    const alone = problemOf({ leaves: 4, apartMm: 30 }, [tool('saw', [150, 45, 560], 0.6, 4)])
    expect(alone.code).toBe('leaf-tools-meet')
    expect(sayProblem(alone, say)).toMatch(/^The saw .*(into each other|into the wood of the other)\./)
  })
  it('two that would meet are told by how much: both depths less what is between their faces', () => {
    const thick = [tool('saw', [150, 45, 560], 0.6, 4), tool('mallet', [130, 60, 330], 0.9, 8)]
    const { data } = problemOf({ leaves: 4, apartMm: 60 }, thick)
    expect(data!.mm).toBeCloseTo(45 + 60 - (60 - T), 6)
  })
})
