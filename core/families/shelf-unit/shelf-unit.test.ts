import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import { partMassKg } from '../../assembly/mass.ts'
import { findSheet } from '../../catalogue/sheets.ts'
import { newGoods, type Goods } from '../../goods/goods.ts'
import { newtons } from '../../measure/units.ts'
import { exampleContext, exampleGoods } from '../example-context.ts'
import type { ShapeContext } from '../family.ts'
import { startingParams, type ShelfUnitParams } from './parameters.ts'
import { shelfUnit } from './shelf-unit.ts'

const CLEAR = 830
const DEEP = 300
const WIDE = 800
const box = (massKg: number, count = 2): ShapeContext =>
  exampleContext('metric', [
    {
      item: newGoods({
        ...{ id: 'box', name: 'box', kind: 'box', count },
        ...{ acrossMm: WIDE, deepMm: DEEP, tallMm: 300, massKg },
      }),
      count,
    },
  ])
const params = (over: Partial<ShelfUnitParams> = {}): ShelfUnitParams => ({
  ...startingParams('metric', true),
  ...{ bays: 1, clearMm: CLEAR, depthMm: DEEP, shelves: 2 },
  ...over,
})
const read = (massKg: number, over: Partial<ShelfUnitParams> = {}) => readParams(shelfUnit, params(over), box(massKg))
type Reading = ReturnType<typeof read>
const part = (r: Reading, id: string) => r.shaped.assembly.parts.find((p) => p.id === id)!
const figure = (r: Reading, check: string, symbol: string) =>
  checkOf(r, check).working!.inputs.find((i) => i.symbol === symbol)!.value

describe('what runs out', () => {
  it('stands under what is lighter than fifteen kilograms and over what is heavier; else as light as it is', () => {
    const of = (care: Goods['care']) => {
      const can = { kind: 'pail' as const, acrossMm: 170, deepMm: 170, tallMm: 210, massKg: 1 }
      const items: [Goods, number][] = [
        [
          newGoods({
            id: 'box',
            name: 'box',
            kind: 'box',
            count: 4,
            acrossMm: 700,
            deepMm: 300,
            tallMm: 250,
            massKg: 14,
          }),
          4,
        ],
        [
          newGoods({
            id: 'case',
            name: 'case',
            kind: 'box',
            count: 1,
            acrossMm: 700,
            deepMm: 300,
            tallMm: 250,
            massKg: 20,
          }),
          1,
        ],
        [newGoods({ id: 'can', name: 'can', count: 3, ...can, care }), 3],
      ]
      const ctx = exampleContext('metric', items.map(([item, count]) => ({ item, count }))) // prettier-ignore
      const r = readParams(shelfUnit, { ...startingParams('metric', true), bays: 1 }, ctx)
      expect(r.shaped.unhoused).toEqual([])
      const stands = (id: string) => r.shaped.assembly.bays.flatMap((b) => b.items.filter((x) => x.goodsId === id).map((x) => x.box.min[2])) // prettier-ignore
      return { cans: stands('can'), boxes: stands('box'), cases: stands('case') }
    }
    const [burns, plain] = [of(['aerosol']), of([])]
    expect(Math.max(...burns.cans)).toBeLessThan(Math.min(...burns.boxes))
    expect(Math.min(...burns.cans)).toBeGreaterThan(Math.max(...burns.cases))
    expect(Math.min(...plain.cans)).toBeGreaterThan(Math.max(...plain.boxes))
  })
})

const PLY = findSheet('ply-18mm')!
/** Middle of a beam on two ends under a load over a length c in its middle and one all over it: closed form, mm. */
const sagOf = (loadN: number, cMm: number, selfN: number, spanMm: number, ei: number) =>
  ((loadN / cMm) * cMm * (8 * spanMm ** 3 - 4 * spanMm * cMm ** 2 + cMm ** 3)) / (384 * ei) +
  (5 * selfN * spanMm ** 3) / (384 * ei)

describe('a unit of shelves in dadoes, by hand', () => {
  const kg = 40
  const r = read(kg)
  const shelf = part(r, 'shelf-0-0')
  // From the middle of what one dado bears to that of the other.
  const span = CLEAR + 6
  const self = newtons(partMassKg(shelf))
  it('a shelf is as long as its opening and both dadoes, its top over the things below it', () => {
    const tops = r.shaped.assembly.stick.map((m) => m.zMm)
    expect(shelf.size.lengthMm).toBe(CLEAR + 2 * 6)
    expect(tops).toHaveLength(2)
    const above = r.shaped.dims.find((d) => d.path === 'abovePlayMm')!.value
    // Rounded up to what a tape shows.
    expect(tops[1] - tops[0]).toBe(Math.ceil(300 + above + PLY.thicknessMm))
    for (const id of ['upright-0', 'upright-1']) expect(part(r, id).size.widthMm).toBe(DEEP)
    expect(r.shaped.assembly.bays.flatMap((b) => b.items)).toHaveLength(2)
  })
  it('sags as a beam under a box in its middle and its own weight', () => {
    const ei = figure(r, 'sag:shelf-0-0', 'EI') * DEEP
    const byHand = sagOf(newtons(kg), WIDE, (self / shelf.size.lengthMm) * span, span, ei)
    expectNear(figure(r, 'sag:shelf-0-0', 'span'), span, 1e-9)
    expectNear(figure(r, 'sag:shelf-0-0', 'day-one sag'), byHand, 0.005)
    expect(checkOf(r, 'sag:shelf-0-0').state).toBe('fails')
  })
  it('bends by W·(2L − c)/8 and its own weight, each times its factor', () => {
    const { goods, self: own } = { goods: 1.5, self: 1.35 }
    const m = (goods * newtons(kg) * (2 * span - WIDE)) / 8 + (own * self * span) / 8
    expectNear(figure(r, 'bending:shelf-0-0', 'm'), m / DEEP, 0.01)
  })
  it('a dado bears half, and what the box stands nearer to it', () => {
    // Pushed to one side it leaves all of the opening that it does not take on the other.
    const off = (CLEAR - WIDE) / 2
    const n = 1.5 * newtons(kg) * (1 / 2 + off / span) + (1.35 * self) / 2
    expectNear(figure(r, 'housing:dado', 'N'), n, 0.01)
    expectNear(checkOf(r, 'housing:dado').capacity!, 6 * DEEP * figure(r, 'housing:dado', 'strength'), 1e-9)
  })
  it('its uprights are struts between the shelves that hold them: π²·k·EI·b / L² / 3', () => {
    const c = checkOf(r, 'upright:side')
    const [ei, k, l] = ['EI', 'k', 'L'].map((s) => figure(r, 'upright:side', s))
    expectNear(c.capacity!, (Math.PI ** 2 * k * ei * DEEP) / l ** 2 / 3, 1e-6)
    // Two boxes, two shelves and the upright itself come down on one of them at most.
    expect(c.demand!).toBeGreaterThan((2 * 1.5 * newtons(kg)) / 2)
    expect(c.demand!).toBeLessThan(2 * 1.5 * newtons(kg) + 1.35 * newtons(20))
  })
})

describe('what makes its shelves stiffer', () => {
  const sag = (over: Partial<ShelfUnitParams>) => figure(read(25, over), 'sag:shelf-0-0', 'day-one sag')
  const plain = sag({})
  it('a glued strip does, a screwed one bends beside it, and no strip is no help', () => {
    const [screwed, glued] = [sag({ strip: 'screwed' }), sag({ strip: 'glued' })]
    expect(glued).toBeLessThan(screwed)
    expect(screwed).toBeLessThan(plain)
  })
  it('thicker sheet does by the cube of its thickness, what it weighs more taken off', () => {
    const r = read(25, { sheet: 'ply-21mm' })
    const shelf = part(r, 'shelf-0-0')
    const span = shelf.size.lengthMm - 7
    const ei = figure(r, 'sag:shelf-0-0', 'EI') * DEEP
    const self = (newtons(partMassKg(shelf)) / shelf.size.lengthMm) * span
    expectNear(figure(r, 'sag:shelf-0-0', 'day-one sag'), sagOf(newtons(25), WIDE, self, span, ei), 0.01)
  })
  it('on cleats it spans from the one to the other', () => {
    const r = read(25, { hold: 'cleats' })
    const span = figure(r, 'sag:shelf-0-0', 'span')
    expect(part(r, 'shelf-0-0').size.lengthMm).toBe(CLEAR)
    expect(span).toBeLessThan(CLEAR)
    expect(r.shaped.assembly.parts.filter((p) => p.role === 'cleat')).toHaveLength(4)
  })
})

describe('how a unit is laid out', () => {
  it('has as many openings as its things need, and says what found no place', () => {
    const goods = [exampleGoods('metric', 'box', 14)]
    const tacked = readParams(shelfUnit, startingParams('metric', true), exampleContext('metric', goods))
    expect(tacked.shaped.unhoused).toEqual([])
    const short = readParams(
      shelfUnit,
      { ...startingParams('metric', true), bays: 1, shelves: 2 },
      exampleContext('metric', goods),
    )
    const left = short.shaped.unhoused.reduce((n, u) => n + u.count, 0)
    const housed = short.shaped.assembly.bays.flatMap((b) => b.items).length
    expect(left).toBeGreaterThan(0)
    expect(left + housed).toBe(14)
  })
  it('stands behind a curtain or a leaf by what that takes of the depth there is', () => {
    const shallow = (front: ShelfUnitParams['front']) => {
      const c = exampleContext('metric', [exampleGoods('metric', 'box', 4)])
      const space = { ...c.space, depthMm: 320 }
      const r = readParams(shelfUnit, { ...startingParams('metric', true), front }, { ...c, space })
      return r.shaped.dims.find((d) => d.path === 'depthMm')!.value
    }
    expect(shallow('open') - shallow('doors')).toBeGreaterThanOrEqual(18 - 1)
    expect(shallow('curtain')).toBeLessThan(shallow('open'))
  })
  it('refuses what no sheet gives, by the field that asks for it', () => {
    const c = box(10)
    const trimmed = { ...c, settings: { ...c.settings, sheetTrimMm: 30 } }
    const wide = tryParams(shelfUnit, params({ clearMm: 2400 }), trimmed)
    expect(wide.problem).toMatchObject({ field: 'clearMm', code: 'longer-than-board' })
    const thin = tryParams(shelfUnit, params({ depthMm: 100, front: 'sliding' }), box(10))
    expect(thin.problem).toMatchObject({ field: 'depthMm' })
  })
  it('without a back and a tie it folds, and nothing else of it changes that', () => {
    const loose = read(20, { back: false, tie: false })
    expect(checkOf(loose, 'sway:build')).toMatchObject({ code: 'sway-free', state: 'fails' })
    expect(checkOf(read(20, { tie: false }), 'sway:build').code).toBe('sway-back')
  })
})
