import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { partBoxes } from '../../assembly/part-box.ts'
import { movedPart } from '../../assembly/moved.ts'
import { findSheet } from '../../catalogue/sheets.ts'
import { analyse } from '../../loads/analyse.ts'
import { METHODS } from '../../mechanics/methods/all.ts'
import { partMassKg } from '../../assembly/mass.ts'
import { newtons } from '../../measure/units.ts'
import { newGoods } from '../../goods/goods.ts'
import { exampleContext } from '../example-context.ts'
import { newBuild } from '../../project/new-build.ts'
import { readWith } from '../../project/read-build.ts'
import { newProject } from '../../project/project.ts'
import { planBoardsGreedy } from '../../cutting/boards-greedy.ts'
import { planSheetsBest } from '../../cutting/sheets-best.ts'
import { procure } from '../../project/plan.ts'
import { boxOverlap, boxSize } from '../../geometry/box.ts'
import { drawerBank } from './drawer-bank.ts'
import { plain, startingParams, type DrawerBankParams } from './parameters.ts'

const small = (id: string, count: number, acrossMm: number, deepMm: number, tallMm: number, massKg: number) => ({
  item: newGoods({ id, name: id, kind: 'box', count, acrossMm, deepMm, tallMm, massKg }),
  count,
})
const screws = small('screws', 12, 110, 90, 50, 0.9)
const ctx = (goods = [screws], wallMm = 6096) => exampleContext('metric', goods, wallMm)
const read = (over: Partial<DrawerBankParams> = {}, c = ctx()) => {
  const params = { ...startingParams('metric', true), ...over }
  const r = readWith(drawerBank, newBuild({ id: 'b', family: 'drawer-bank', params: params as never, wallId: 'w' }), c)
  if (!r.ok) throw new Error(JSON.stringify(r.problem))
  return r.reading
}
const part = (r: ReturnType<typeof read>, id: string) => r.shaped.assembly.parts.find((p) => p.id === id)!
const dim = (r: ReturnType<typeof read>, path: string) => r.shaped.dims.find((d) => d.path === path)!.value
const sixty = { drawers: [plain(1, 32), plain(2, 20), plain(3, 8)] } // prettier-ignore

describe('a bank of drawers', () => {
  const r = read()
  it('takes what the goods need, each thing once, and holds', () => {
    const items = r.shaped.assembly.bays.flatMap((b) => b.items)
    expect(items).toHaveLength(12)
    expect(r.shaped.unhoused).toEqual([])
    expect(r.checks.filter((x) => x.state === 'fails' || x.state === 'unknown').map((x) => x.id)).toEqual([])
  })
  it('a drawer of n units is n pitches less its bottom and its play', () => {
    const bank = read({ drawers: [1, 2, 3].map((units) => plain(units, 1)), unitMm: 60 })
    const faces = bank.shaped.assembly.parts.filter((p) => p.role === 'face').map((p) => p.size.widthMm)
    const bottom = part(bank, 'drawer-0-bottom').size.thicknessMm
    expect(faces.sort((a, b) => a - b).map((mm) => Math.round(mm + bottom + 2))).toEqual([60, 120, 180])
    for (const p of bank.shaped.assembly.parts.filter((x) => /-(left|right)$/.test(x.id)))
      expect((p.size.widthMm + bottom + 3) % 60).toBeCloseTo(0, 6)
  })
  it('runs in a groove for every unit, a millimetre higher than its bottom and as deep as it reaches and one more', () => {
    const upright = part(r, 'upright-0')
    const bottom = part(r, 'drawer-0-bottom')
    const boxes = partBoxes(r.shaped.assembly)
    const at = boxes.get('drawer-0-bottom')!
    const groove = upright.machining.find((m) => m.kind === 'dado' && Math.abs(m.atMm - at.min[2]) < 1e-6)
    expect(groove).toMatchObject({ widthMm: bottom.size.thicknessMm + 1 })
    const reach = boxes.get('upright-0')!.max[0] - at.min[0]
    expectNear((groove as { depthMm: number }).depthMm, reach + 1, 1e-9)
    // Bottoms fill the length of a sheet with a kerf between each two.
    const parts = Math.floor((2440 + 3) / (bottom.size.lengthMm + 3))
    expect(2440 - parts * bottom.size.lengthMm - (parts - 1) * 3).toBeLessThan(parts + 3)
  })
  it('its drawers pass each other, the box and a thing that stands as high as it may', () => {
    const a = read({ drawers: [plain(1, 6), plain(3, 2)] }).shaped.assembly // prettier-ignore
    for (const m of a.motions) {
      const own = new Set(m.parts)
      for (const id of m.parts.slice(1)) {
        const moved = movedPart(
          m,
          a.parts.find((p) => p.id === id)!,
        )
        const box = partBoxes({ ...a, parts: [moved] }).get(id)!
        for (const [other, b] of partBoxes(a)) {
          const both = own.has(other) ? null : boxOverlap(box, b, 0)
          expect(both === null || Math.min(...boxSize(both)) < 0.5).toBe(true)
        }
      }
    }
  })
  it('a thing one millimetre too high for a unit gets two', () => {
    const bottom = part(r, 'drawer-0-bottom').size.thicknessMm
    const most = Math.floor(dim(r, 'unitMm') - bottom - 3 - 4)
    const units = (tallMm: number) => {
      const bank = read({}, ctx([small('tin', 1, 80, 80, tallMm, 0.5)]))
      return Math.round((part(bank, 'drawer-0-face').size.widthMm + bottom + 2) / dim(bank, 'unitMm'))
    }
    expect([units(most), units(most + 1)]).toEqual([1, 2])
  })
  it('puts high drawers low, and a fixed panel where tall uprights would bow', () => {
    const bank = read(sixty)
    const boxes = partBoxes(bank.shaped.assembly)
    const panels = bank.shaped.assembly.parts.filter((p) => p.id.startsWith('panel-0-'))
    const heights = panels.map((p) => boxes.get(p.id)!.max[2]).concat(boxes.get('top')!.min[2])
    for (let i = 1; i < heights.length; i++) expect(heights[i] - heights[i - 1]).toBeLessThan(700 + 200)
    const low = (units: number) =>
      Math.min(
        ...bank.shaped.assembly.parts
          .filter((p) => p.role === 'face' && Math.round(p.size.widthMm / dim(bank, 'unitMm')) === units)
          .map((p) => boxes.get(p.id)!.min[2]),
      )
    expect(low(3)).toBeLessThan(low(1))
    expect(bank.shaped.assembly.motions).toHaveLength(60)
  })
  it('puts low things into low drawers, and keeps high ones for what needs them', () => {
    const tall = small('reel', 2, 150, 150, 100, 1)
    const bank = read({ drawers: [3, 1].map((units) => plain(units, 1)) }, ctx([screws, tall]))
    const clear = (id: string) =>
      bank.shaped.assembly.bays
        .filter((b) => b.items.some((i) => i.goodsId === id))
        .map((b) => b.clear.max[2] - b.clear.min[2])
    expect(Math.max(...clear('screws'))).toBeLessThan(Math.min(...clear('reel')))
  })
  it('lays a tool down, its length to the front', () => {
    const chisel = newGoods({
      id: 'chisel',
      name: 'Chisel',
      kind: 'tool',
      count: 1,
      acrossMm: 40,
      deepMm: 30,
      tallMm: 260,
      massKg: 0.3,
    })
    const bank = read({}, ctx([{ item: chisel, count: 1 }]))
    const [{ box }] = bank.shaped.assembly.bays.flatMap((b) => b.items)
    expect(boxSize(box).map(Math.round)).toEqual([40, 260, 30])
  })
})

describe('sixty drawers of three heights', () => {
  const bank = read(sixty)
  const { cutPlan } = procure(newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z'), [bank], {
    boards: planBoardsGreedy,
    sheets: (i) => {
      let rounds = 0
      return planSheetsBest(i, null, { shouldStop: () => ++rounds > 3000 })
    },
  })
  const bought = (sheet: string) => cutPlan.sheets.filter((x) => x.sheet === sheet)
  const made = (pattern: RegExp) => bank.shaped.assembly.parts.filter((p) => pattern.test(p.id))
  it('are as many pieces as drawers, and no thing twice', () => {
    expect(made(/^drawer-\d+-bottom$/)).toHaveLength(60)
    expect(made(/^drawer-\d+-(left|right)$/)).toHaveLength(120)
    expect(made(/^drawer-\d+-(back|face)$/)).toHaveLength(120)
    expect(cutPlan.cannot).toEqual([])
    expect(cutPlan.claims.filter((x) => x.key.includes('ply-9mm'))).toMatchObject([{ proved: true }])
  })
  it('their bottoms come out of exactly as many sheets as a count of rows and columns says, along the sheet', () => {
    const { lengthMm: a, widthMm: b } = made(/^drawer-0-bottom$/)[0].size
    const inOne = Math.floor((2440 + 3) / (a + 3)) * Math.floor((1220 + 3) / (b + 3))
    // Whole sheets, a half and a quarter: no more of any than hold them.
    const sheets = bought('ply-9mm').reduce((n, x) => n + (x.lengthMm * x.widthMm) / (2440 * 1220), 0)
    expectNear(sheets, 60 / inOne, 1e-9)
    // What spans along its sheet is not turned on it.
    for (const c of bought('ply-9mm').flatMap((x) => x.cuts)) expect([c.wMm, c.hMm]).toEqual([a, b])
  })
  it('sides, backs and faces come out of no more sheets than strips of their heights fill', () => {
    // By hand: strips of one height along the sheet, pieces one after the other in them, strips side by side.
    const lengths = new Map<number, number[]>()
    for (const p of made(/^drawer-\d+-(left|right|back|face)$/)) {
      const { lengthMm, widthMm } = p.size
      lengths.set(widthMm, [...(lengths.get(widthMm) ?? []), lengthMm])
    }
    let strips = 0
    for (const [wide, list] of lengths) {
      const rest: number[] = []
      for (const mm of list.sort((x, y) => y - x)) {
        const i = rest.findIndex((r) => r >= mm)
        if (i < 0) rest.push(2440 - mm - 3)
        else rest[i] -= mm + 3
      }
      strips += rest.length * (wide + 3)
    }
    const most = Math.ceil(strips / (1220 + 3))
    const area = made(/^drawer-\d+-(left|right|back|face)$/).reduce((n, p) => n + p.size.lengthMm * p.size.widthMm, 0)
    expect(bought('ply-12mm').length).toBeLessThanOrEqual(most)
    expect(bought('ply-12mm').length).toBeGreaterThanOrEqual(Math.ceil(area / (2440 * 1220)))
  })
})

describe('what cannot be', () => {
  const problem = (over: Partial<DrawerBankParams>, c = ctx()) => {
    const r = drawerBank.shape({ ...startingParams('metric', true), ...over }, c)
    return r.ok ? null : [r.problem.code, r.problem.field]
  }
  it('is told at its field', () => {
    expect(problem({ columns: 6, clearMm: 1100 })).toEqual(['bank-too-wide', 'columns'])
    expect(problem({ depthMm: 900 }, { ...ctx(), space: { ...ctx().space, depthMm: 600 } })).toEqual([
      'bank-too-deep',
      'depthMm',
    ])
    expect(problem({ drawers: [plain(6, 30)], columns: 1 })).toEqual(['bank-too-high', 'columns'])
    expect(problem({ drawers: [1, 2, 3].map((units) => plain(units, 60)) })).toEqual(['bank-too-many', 'drawers'])
    expect(problem({ unitMm: 30, bottomSheet: 'ply-12mm' })).toEqual(['bank-unit-low', 'unitMm'])
  })
  it('a thing higher than the highest drawer stays without a place', () => {
    const bank = read({}, ctx([screws, small('bottle', 1, 100, 100, 500, 1)]))
    expect(bank.shaped.unhoused).toEqual([{ goodsId: 'bottle', count: 1, why: 'no-place' }])
  })
})

describe('a bottom', () => {
  it('of plywood spans along its sheet; cut either way it would be reckoned as weak as across', () => {
    const bank = read()
    const bottom = part(bank, 'drawer-0-bottom')
    expect(bottom.grain).toBe('length')
    const sag = (grain: 'length' | 'any') => {
      const a = structuredClone(bank.shaped.assembly)
      a.parts.find((p) => p.id === bottom.id)!.grain = grain
      const path = analyse(a, partBoxes(a), {
        method: METHODS.ec5,
        conditions: { moisture: 'dry', duration: 'permanent' },
        stripsOf: new Map(),
        factor: { self: 1, goods: 0.2 },
      })
      const { state } = path.members.get(bottom.id)!
      return state.kind === 'panel' ? Math.max(...state.strips.map((x) => x.result.sag.mm)) : NaN
    }
    const { along, across } = findSheet('ply-9mm')!.ei
    expectNear(sag('any') / sag('length'), along / across, 1e-6)
  })
  it('of hardboard may be cut either way, and no drawer is loaded with more than a hand draws', () => {
    expect(part(read({ bottomSheet: 'hb-6mm' }), 'drawer-0-bottom').grain).toBe('any')
    const heavy = read({}, ctx([small('iron', 12, 100, 90, 40, 3)]))
    for (const b of heavy.shaped.assembly.bays)
      expect(b.items.reduce((n, i) => n + i.massKg!, 0)).toBeLessThanOrEqual(8)
    expect(heavy.shaped.unhoused).toEqual([])
  })
})

describe('drawn out', () => {
  it('by hand: it tips over the front third of what stays in its grooves', () => {
    // One heavy thing against the back of one drawer: it slides to the face.
    const c = ctx([small('block', 1, 100, 80, 40, 6)])
    const r = read({ drawers: [plain(1, 1)] }, c)
    const check = r.checks.find((x) => x.check === 'drawn-out')!
    const a = r.shaped.assembly
    const boxes = partBoxes(a)
    const bottom = boxes.get('drawer-0-bottom')!
    const long = bottom.max[1] - bottom.min[1]
    const [travel, stays] = [(long * 2) / 3, long / 3]
    const pivot = bottom.max[1] - stays / 6
    const face = boxes.get('drawer-0-face')!.min[1]
    const f = r.design.loadsN > 0 ? [1.35, 1.5] : [1, 1]
    const own = a.motions[0].parts.map((id) => a.parts.find((p) => p.id === id)!)
    const w = own.map((p) => ({ n: f[0] * newtons(partMassKg(p)), y: p.at.centre[1] }))
    w.push({ n: f[1] * newtons(6), y: face - 40 })
    const sum = w.reduce((s, x) => s + x.n, 0)
    const moment = w.reduce((s, x) => s + x.n * (x.y + travel - pivot), 0)
    // The hand hole is left out of the face's middle here.
    expectNear(check.demand!, 0.75 * (sum + moment / ((2 / 3) * stays)), 5e-3)
    const reach = boxes.get('upright-0')!.max[0] - bottom.min[0]
    expectNear(check.capacity!, (reach * stays) / 3, 1e-6)
  })
  it('proves nothing while somebody has weighed nothing of it', () => {
    const c = ctx([{ ...screws, item: { ...screws.item, massKg: null } }])
    expect(read({}, c).checks.find((x) => x.check === 'drawn-out')).toMatchObject({ state: 'unknown' })
  })
  it('a bank that nothing ties falls forward with everything drawn out', () => {
    const r = read(
      { tie: false, drawers: [plain(3, 6)], columns: 1, depthMm: 350 },
      ctx([small('iron', 40, 100, 90, 60, 2)]),
    )
    expect(r.checks.find((x) => x.id === 'tip-over:opened')!.state).toBe('fails')
  })
})
