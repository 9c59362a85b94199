import { describe, expect, it } from '@jest/globals'
import { crateOf } from '../../test-support/crate.ts'
import { expectNear } from '../../test-support/near.ts'
import { readParams, tryParams } from '../../test-support/read-params.ts'
import type { Assembly } from '../assembly/assembly.ts'
import { partsById } from '../assembly/by-id.ts'
import { partMassKg } from '../assembly/mass.ts'
import { partBoxes } from '../assembly/part-box.ts'
import { findGasSpring } from '../catalogue/gas-springs.ts'
import { exampleContext } from '../families/example-context.ts'
import { startingParams, type WallCabinetParams } from '../families/wall-cabinet/parameters.ts'
import { wallCabinet } from '../families/wall-cabinet/wall-cabinet.ts'
import { METRIC, newtons } from '../measure/units.ts'
import { METHODS } from '../mechanics/methods/all.ts'
import { springAt } from '../mechanics/gas-spring.ts'
import { sayCheck } from '../wording/checks.ts'
import { sayProblem } from '../wording/problems.ts'
import { sayIn } from '../wording/say.ts'
import type { CheckContext, CheckResult } from './check.ts'
import { gasSprings } from './gas-springs.ts'

const say = sayIn(METRIC)
const context = exampleContext('metric', [{ item: crateOf([350, 300, 280], 6, { count: 4 }), count: 4 }])
const params = (over: Partial<WallCabinetParams> = {}): WallCabinetParams => ({
  ...startingParams('metric'),
  front: 'lift-up',
  hang: 'rail',
  bays: 2,
  clearMm: 760,
  ...over,
})
const read = (over: Partial<WallCabinetParams> = {}) => readParams(wallCabinet, params(over), context)
const run = (a: Assembly): CheckResult[] =>
  gasSprings.run({
    assembly: a,
    parts: partsById(a),
    boxes: partBoxes(a),
    method: METHODS[context.settings.method],
    settings: context.settings,
  } as CheckContext)
const of = (list: readonly CheckResult[], id: string) => list.find((r) => r.id === `gas-springs:${id}`)!
const springs = (a: Assembly) => a.parts.filter((p) => p.stock.kind === 'bought' && findGasSpring(p.stock.item))

const r = read()
const a = r.shaped.assembly

describe('leaves that turn up', () => {
  it('have two springs each, hold, and say at what temperature', () => {
    const leaves = a.motions.filter((m) => m.kind === 'swing').length
    expect(leaves).toBe(4)
    expect(springs(a)).toHaveLength(2 * leaves)
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
    expect(sayCheck(of(r.checks, 'spring-holds'), say)).toContain('At 0 °C')
  })
  it('hold by their moment, by hand: W·h/2 ten per cent more, against two forces at 0 °C by their lever', () => {
    const leaf = a.parts.find((p) => p.role === 'door')!
    const h = leaf.size.widthMm
    const [first] = springs(a)
    const { at, size } = first
    const end = (s: number) => [1, 2].map((i) => at.centre[i] + (s * at.along[i] * size.lengthMm) / 2)
    const m = a.motions.find((x) => x.kind === 'swing')!
    if (m.kind !== 'swing') throw new Error('no swing')
    const place = ([y, z]: number[]) => [y - m.at[1], z - m.at[2]] as const
    const { leverMm } = springAt({ foot: place(end(-1)), head: place(end(1)) }, Math.PI / 2)
    const result = of(run(a), 'spring-holds')
    expectNear(result.demand!, 1.1 * newtons(partMassKg(leaf)) * (h / 2), 1e-6)
    const force = first.stock.kind === 'bought' ? findGasSpring(first.stock.item)!.forceN : 0
    expect(result.capacity!).toBeGreaterThanOrEqual(2 * 0.93 * force * leverMm - 1e-6)
    expect(result.capacity!).toBeLessThan(2 * 0.93 * force * leverMm * 1.3)
  })
  it('their springs stay shut by themselves and within their stroke, whatever the height and depth of the cabinet', () => {
    let tried = 0
    for (const tallMm of [180, 240, 320, 420])
      for (const depthMm of [260, 330, 450]) {
        const c = exampleContext('metric', [{ item: crateOf([300, 220, tallMm], 5, { count: 2 }), count: 2 }])
        const x = tryParams(wallCabinet, params({ depthMm, bays: 1 }), c)
        if (!x.reading) {
          expect(sayProblem(x.problem, say)).toContain('No gas spring goes in')
          continue
        }
        tried++
        expect(of(x.reading.checks, 'spring-fits')).toMatchObject({ state: 'holds', code: 'spring-fits' })
        expect(x.reading.checks.filter((q) => q.check === 'own-sweep').every((q) => q.state === 'holds')).toBe(true)
      }
    expect(tried).toBeGreaterThan(6)
  })
  it('high ones are parted at the shelves, low ones are one', () => {
    const three = exampleContext('metric', [{ item: crateOf([350, 300, 280], 6, { count: 9 }), count: 9 }])
    const high = readParams(wallCabinet, params({ bays: 1, shelves: 2 }), three).shaped.assembly
    const leaves = high.parts.filter((p) => p.role === 'door').sort((p, q) => p.at.centre[2] - q.at.centre[2])
    expect(leaves).toHaveLength(3)
    leaves.slice(1).forEach((p, i) => {
      const [below, above] = [leaves[i], p].map((x) => ({ z: x.at.centre[2], h: x.size.widthMm / 2 }))
      expectNear(above.z - above.h - (below.z + below.h), 3, 1e-6)
    })
  })
})

describe('springs that do not do', () => {
  const withSpring = (item: string): Assembly => ({
    ...a,
    parts: a.parts.map((p) =>
      springs(a).includes(p) && p.stock.kind === 'bought' ? { ...p, stock: { ...p.stock, item } } : p,
    ),
  })
  const [own] = springs(a).map((p) => (p.stock.kind === 'bought' ? findGasSpring(p.stock.item)! : null))
  const heavier = (times: number): Assembly => ({
    ...a,
    parts: a.parts.map((p) =>
      p.role === 'door' ? { ...p, stock: { kind: 'existing', name: 'heavy', massKg: partMassKg(p) * times } } : p,
    ),
  })
  it('too weak for the leaf: it comes down', () => {
    const x = {
      ...heavier(3),
      parts: heavier(3).parts.map((p) =>
        p.stock.kind === 'existing'
          ? { ...p, stock: { kind: 'bought', item: 'leaf of stone', massKg: p.stock.massKg } as const }
          : p,
      ),
    }
    expect(of(run(x), 'spring-holds').state).toBe('fails')
    expect(sayCheck(of(run(x), 'spring-holds'), say)).toContain('comes down on a head')
  })
  it('too strong: nobody pulls it down, and its hinges tear', () => {
    const x = run(withSpring(`gas spring ${own!.outMm} mm, 200 N`))
    expect(of(x, 'spring-pulls').state).toBe('fails')
    expect(of(x, 'spring-hinges').ratio!).toBeGreaterThan(of(run(a), 'spring-hinges').ratio!)
  })
  it('too strong: the panel over the leaf is drawn harder, and without the screws of one end nobody knows', () => {
    const panel = (x: readonly CheckResult[]) => of(x, 'spring-panel')
    const [mine, strong] = [run(a), run(withSpring(`gas spring ${own!.outMm} mm, 200 N`))].map(panel)
    expectNear(strong.demand! / mine.demand!, 200 / own!.forceN, 1e-9)
    expect(mine.state).toBe('holds')
    const loose = {
      ...a,
      joints: a.joints.filter((j) => j.kind !== 'housed' || j.near !== 'upright-0'),
    }
    expect(run(loose).some((r) => r.code === 'unknown-spring-panel' && r.state === 'unknown')).toBe(true)
  })
  it('of another length: past its stroke', () => {
    const other = own!.outMm === 165 ? 285 : 165
    expect(of(run(withSpring(`gas spring ${other} mm, 50 N`)), 'spring-fits')).toMatchObject({
      state: 'fails',
      code: 'spring-past-stroke',
    })
  })
  it('none, or one nobody knows: nothing is promised', () => {
    for (const item of ['broomstick', 'gas spring 245 mm, 9 N'])
      expect(run(withSpring(item))).toMatchObject([{ code: 'spring-none', state: 'fails' }])
  })
  it('and a build without such leaves is not asked', () =>
    expect(run(read({ front: 'doors' }).shaped.assembly)).toEqual([]))
})
