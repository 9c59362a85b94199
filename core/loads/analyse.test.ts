import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { expectNear } from '../../test-support/near.ts'
import type { Bay, Placed, Stock } from '../assembly/assembly.ts'
import { draft, type Draft } from '../assembly/draft.ts'
import { partMassKg } from '../assembly/mass.ts'
import { partBoxes } from '../assembly/part-box.ts'
import { findSheet } from '../catalogue/sheets.ts'
import { GRAVITY } from '../measure/units.ts'
import { METHODS } from '../mechanics/methods/all.ts'
import { analyse, edgeStrips } from './analyse.ts'
import { inEquilibrium, type LoadPath } from './load-path.ts'

const board = (section: string): Stock => ({ kind: 'board', section, grade: 'spf-no2', treated: false })
const SHEET: Stock = { kind: 'sheet', sheet: 'ply-23/32' }
const T = findSheet('ply-23/32')!.thicknessMm
const W = 1200
const D = 400

const thing = (
  x: number,
  y: number,
  w: number,
  d: number,
  massKg: number | null,
  stands: Placed['stands'] = 'flat',
): Placed => ({ goodsId: `g${x}-${y}`, massKg, stands, box: { min: [x, y, 1000], max: [x + w, y + d, 1200] } })
const bay = (carriers: string[], items: Placed[], holds: Bay['holds'] = 'surface'): Bay => ({
  id: 'bay',
  name: { code: 'shelf', column: 1, row: 1 },
  holds,
  clear: { min: [0, 0, 1000], max: [W, D, 1400] },
  carriers,
  items,
  play: { sideMm: 0, aboveMm: 0, deepMm: 0 },
  stickOutMm: 0,
  exit: [0, 1, 0],
})

/*
 *   ================   sheet along x on three cross rails (left, middle, right) that run out from the wall, each on a post at the back and one in front
 *   |      |       |
 */
function table(items: Placed[], more: (d: Draft) => void = () => undefined, loose = false) {
  const d = draft('imperial')
  const rails = [0, (W - 38.1) / 2, W - 38.1]
  rails.forEach((x, i) => {
    for (const [side, y] of [
      ['rear', 0],
      ['front', D - 88.9],
    ] as const) {
      d.square({
        id: `post-${i}-${side}`,
        role: 'post',
        stock: board('2x4'),
        min: [x, y, 0],
        size: [38.1, 88.9, 1000 - T - 88.9],
        along: 'z',
        across: 'y',
      })
      d.rest(`post-${i}-${side}`, 'floor')
    }
    d.square({
      id: `rail-${i}`,
      role: 'rail',
      stock: board('2x4'),
      min: [x, 0, 1000 - T - 88.9],
      size: [38.1, D, 88.9],
      along: 'y',
      across: 'z',
    })
    for (const side of ['rear', 'front']) d.rest(`rail-${i}`, `post-${i}-${side}`)
  })
  d.square({
    id: 'shelf',
    role: 'shelf',
    stock: SHEET,
    min: [0, 0, 1000 - T],
    size: [W, D, T],
    along: 'x',
    across: 'y',
    loose,
  })
  for (const i of [0, 1, 2]) d.rest('shelf', `rail-${i}`)
  more(d)
  d.bay(bay(['shelf'], items))
  return d.assembly
}
const look = (a: ReturnType<typeof table>, factor = { self: 1, goods: 1 }) =>
  analyse(a, partBoxes(a), {
    method: METHODS.asd,
    conditions: { moisture: 'dry', duration: 'permanent' },
    stripsOf: edgeStrips(a),
    factor,
  })
const into = (a: ReturnType<typeof table>, p: LoadPath, part: string) =>
  a.supports
    .filter((s) => s.on.kind === 'part' && s.on.part === part)
    .reduce((n, s) => n + (p.reactions.get(s.id) ?? 0), 0)
const ownN = (a: ReturnType<typeof table>, id: string) => partMassKg(a.parts.find((p) => p.id === id)!) * GRAVITY
/** What the goods alone bring to a part: what comes into it less what comes with nothing on the shelf. */
const fromGoods = (items: Placed[], part: string) =>
  into(table(items), look(table(items)), part) - into(table([]), look(table([])), part)

describe('from the goods to the ground, by hand', () => {
  it('a sheet over two spans under its own weight: 3/8, 10/8, 3/8 of a span, less what overhangs', () => {
    const a = table([])
    const p = look(a)
    const w = ownN(a, 'shelf')
    const [left, middle, right] = [0, 1, 2].map((i) => into(a, p, `rail-${i}`))
    expectNear(left + middle + right, w, 1e-9)
    expectNear(left, right, 1e-6)
    // Spans of 580.95 between the rails' middles; 19 mm overhang at each end bring a little more to the ends.
    const span = (W - 38.1) / 2
    const q = w / W
    const [o, l] = [19.05, span]
    // Three moments: M₂ = −(ql²/8) + (M_end)/2 with M_end = −qo²/2, M₂ = −ql²/8 + qo²/4.
    const m2 = (-q * l * l) / 8 + (q * o * o) / 4
    const end = q * o + (q * l) / 2 + (m2 + (q * o * o) / 2) / l
    expectNear(left, end, 1e-3)
  })
  it('something over one end rail goes to it, something between two rails mostly to them', () => {
    expectNear(fromGoods([thing(0, 0, 38, D, 20)], 'rail-0'), 20 * GRAVITY, 0.01)
    const between = [thing(200, 0, 200, D, 30)]
    const [l, m, r] = [0, 1, 2].map((i) => fromGoods(between, `rail-${i}`))
    expectNear(l + m + r, 30 * GRAVITY, 1e-9)
    // Two spans, a load in the first: the far end is lifted.
    expect(r).toBeLessThan(0)
    expect(l + m).toBeGreaterThan(30 * GRAVITY)
  })
  it('a sheet that only lies on its rails does not hang on the far one', () => {
    const a = table([thing(200, 0, 200, D, 300)], undefined, true)
    const p = look(a)
    for (const n of p.reactions.values()) expect(n).toBeGreaterThanOrEqual(-1e-6)
    expect(inEquilibrium(p)).toBe(true)
  })
  it('what stands in front comes down in front: moments about the rear post', () => {
    const a = table([thing(0, 300, 38, 100, 40)])
    const p = look(a)
    const front = into(a, p, 'post-0-front') - into(table([]), look(table([])), 'post-0-front')
    // Rail on posts at 44.45 and 355.55: the load at 350.
    expectNear(front, 40 * GRAVITY * ((350 - 44.45) / (D - 88.9)), 1e-3)
  })
  it('posts bring everything to the floor, their own weight too', () => {
    const a = table([thing(100, 50, 300, 300, 25)])
    const p = look(a)
    const all = 25 * GRAVITY + a.parts.reduce((n, x) => n + partMassKg(x) * GRAVITY, 0)
    const arrived = a.supports.filter((s) => s.on.kind === 'floor').reduce((n, s) => n + p.reactions.get(s.id)!, 0)
    expectNear(arrived, all, 1e-9)
    expectNear(p.loadsN, all, 1e-9)
    expect(inEquilibrium(p)).toBe(true)
  })
  it('a tote by its rim: half on each of two rails, along its depth', () => {
    const d = draft('imperial')
    for (const [id, x] of [
      ['left', 0],
      ['right', 500],
    ] as const) {
      for (const y of [0, D - 38.1]) {
        d.square({
          id: `post-${id}-${y}`,
          role: 'post',
          stock: board('2x2'),
          min: [x, y, 0],
          size: [38.1, 38.1, 900],
          along: 'z',
          across: 'x',
        })
        d.rest(`post-${id}-${y}`, 'floor')
      }
      d.square({
        id,
        role: 'rail',
        stock: board('2x4'),
        min: [x, 0, 900],
        size: [38.1, D, 88.9],
        along: 'y',
        across: 'z',
      })
      for (const y of [0, D - 38.1]) d.rest(id, `post-${id}-${y}`)
    }
    d.bay({
      ...bay(['left', 'right'], [thing(20, 0, 498, 300, 18)], 'rim'),
      clear: { min: [0, 0, 900], max: [538.1, D, 1400] },
    })
    const a = d.assembly
    const p = look(a)
    for (const id of ['left', 'right']) expectNear(into(a, p, id), (18 * GRAVITY) / 2, 1e-9)
    const state = p.members.get('left')!.state
    if (state.kind !== 'beam') throw new Error(state.kind)
    const load = state.bent.spec.loads.find((l) => l.kind === 'line' && l.toMm < D - 1)!
    expect(load).toMatchObject({ fromMm: 0, toMm: 300 })
  })
  it('a round base presses like a square of its area, equipment at four feet', () => {
    const patches = (stands: Placed['stands']) => {
      const p = look(table([thing(300, 50, 300, 300, 5, stands)]))
      const state = p.members.get('shelf')!.state
      return state.kind === 'panel'
        ? state.strips.filter((s) => s.spec.loads.some((l) => l.kind !== 'line' || l.toMm - l.fromMm < W - 1))
        : []
    }
    const round = patches('round')
    expect(round).toHaveLength(1)
    expectNear(round[0].stripMm!, (300 * Math.sqrt(Math.PI)) / 2, 1e-3)
    const feet = patches('feet')
    // Two strips, the front and the rear feet, each with a foot at either end.
    expect(feet.map((s) => Math.round(s.stripMm!))).toEqual([60, 60])
    // Each foot, and the sheet itself.
    for (const s of feet) expect(s.spec.loads.length).toBe(3)
  })
  it('nobody weighed it: all that it rests on is unknown, down to the posts, and nothing beside', () => {
    const p = look(table([thing(0, 0, 38, D, null)]))
    expect(p.notWeighed).toEqual(['g0-0'])
    for (const id of ['shelf', 'rail-0', 'post-0-front'])
      expect(p.members.get(id)!.state).toMatchObject({ kind: 'unknown', reason: 'not-weighed' })
  })
  it('factors multiply their own share: goods 1.5, self 1.35', () => {
    const items = [thing(100, 50, 300, 300, 25)]
    const [one, factored] = [look(table(items)), look(table(items), { self: 1.35, goods: 1.5 })]
    expectNear(factored.loadsN, 1.5 * 25 * GRAVITY + 1.35 * (one.loadsN - 25 * GRAVITY), 1e-9)
    expect(inEquilibrium(factored)).toBe(true)
  })
})

describe('edge strips', () => {
  const withStrip = (glued: boolean) =>
    table([thing(100, 50, 300, 300, 25)], (d) => {
      d.square({
        id: 'strip',
        role: 'edge',
        stock: board('1x2'),
        min: [38.1, D - 19.05, 1000 - T - 38.1],
        size: [W / 2 - 60, 19.05, 38.1],
        along: 'x',
        across: 'z',
      })
      const j = d.screw('shelf', 'strip', 4, 'side', T, 38.1)
      if (glued) d.assembly.joints.find((x) => x.id === j)!.kind = 'glued-screwed'
      d.rest('strip', 'shelf', 'hanging', j)
    })
  it('one that ends half-way stiffens nothing', () => {
    for (const glued of [true, false]) {
      const s = look(withStrip(glued)).members.get('shelf')!.state
      expect(s.kind === 'panel' && s.stiff).toEqual({ sag: 1, strips: [] })
    }
  })
})

describe('any goods on the shelf', () => {
  const goods = fc
    .array(
      fc.record({
        x: fc.integer({ min: 0, max: 10 }),
        y: fc.integer({ min: 0, max: 2 }),
        kg: fc.integer({ min: 1, max: 80 }),
        stands: fc.constantFrom<Placed['stands'][]>('flat', 'round', 'feet'),
      }),
      { minLength: 1, maxLength: 6 },
    )
    .map((list) =>
      list.map((g, i): Placed => ({ ...thing(g.x * 100, g.y * 100, 150, 150, g.kg, g.stands), goodsId: `g${i}` })),
    )
  const sag = (p: LoadPath) => {
    const s = p.members.get('shelf')!.state
    return s.kind === 'panel' ? Math.max(...s.strips.map((x) => Math.abs(x.result.sag.mm))) : NaN
  }
  it('is in equilibrium, turned about or not', () => {
    fc.assert(
      fc.property(goods, (items) => {
        const p = look(table(items))
        expect(inEquilibrium(p)).toBe(true)
        const turned = items.map((g): Placed => ({
          ...g,
          box: {
            min: [W - g.box.max[0], g.box.min[1], g.box.min[2]],
            max: [W - g.box.min[0], g.box.max[1], g.box.max[2]],
          },
        }))
        expectNear(sag(look(table(turned))), sag(p), 1e-4)
      }),
      { numRuns: 60 },
    )
  })
  it('superposes: what each brings to a rail adds up', () => {
    fc.assert(
      fc.property(goods, (items) => {
        const together = [0, 1, 2].map((i) => fromGoods(items, `rail-${i}`))
        const alone = [0, 1, 2].map((i) => items.reduce((n, g) => n + fromGoods([g], `rail-${i}`), 0))
        const all = items.reduce((n, g) => n + g.massKg! * GRAVITY, 0)
        together.forEach((n, i) => expect(Math.abs(n - alone[i])).toBeLessThan(1e-3 * all))
      }),
      { numRuns: 40 },
    )
  })
  // Strips say more than a plate does: what is asked of both is asked of each by itself.
  it.each([
    ['strips', 'flat', 1],
    ['a plate', 'round', 45],
  ] as const)('heavier never sags less, as %s', (_n, stands, leastKg) => {
    const alike = goods.map((items) => items.map((g) => ({ ...g, stands, massKg: Math.max(leastKg, g.massKg!) })))
    fc.assert(
      fc.property(alike, fc.double({ min: 1, max: 3, noNaN: true }), (items, k) => {
        const heavier = sag(look(table(items.map((g) => ({ ...g, massKg: g.massKg * k })))))
        expect(heavier).toBeGreaterThanOrEqual(sag(look(table(items))) - 1e-9)
      }),
      { numRuns: 40 },
    )
  })
  it('a machine on four feet is no worse than one three times as heavy', () => {
    for (const kg of [25, 40, 60, 90, 120]) {
      const machine = (massKg: number) => [{ ...thing(140, 40, 330, 330, massKg, 'feet'), goodsId: 'g' }]
      expect(sag(look(table(machine(3 * kg))))).toBeGreaterThan(1.5 * sag(look(table(machine(kg)))))
    }
  })
})
