import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { expectNear } from '../../test-support/near.ts'
import type { Placed, Stock } from '../assembly/assembly.ts'
import { draft } from '../assembly/draft.ts'
import { partMassKg } from '../assembly/mass.ts'
import { partBoxes } from '../assembly/part-box.ts'
import { findSheet } from '../catalogue/sheets.ts'
import { GRAVITY } from '../measure/units.ts'
import { METHODS } from '../mechanics/methods/all.ts'
import { analyse, edgeStrips } from './analyse.ts'
import { inEquilibrium } from './load-path.ts'

const SHEET: Stock = { kind: 'sheet', sheet: 'pb-5/8' }
const T = findSheet('pb-5/8')!.thicknessMm
const CLEAT = 38.1
const [SPAN, D] = [906, 300]
const W = SPAN + CLEAT

/** A shelf on two cleats across its ends, with boxes side by side on it. */
function shelf(items: Placed[], strip?: 'glued' | 'screwed', at: ('front' | 'rear')[] = ['front']) {
  const d = draft('imperial')
  for (const [i, x] of [0, W - CLEAT].entries()) {
    d.square({
      id: `cleat-${i}`,
      role: 'cleat',
      stock: { kind: 'board', section: '2x2', grade: 'spf-no2', treated: false },
      min: [x, 0, 0],
      size: [CLEAT, D, CLEAT],
      along: 'y',
      across: 'z',
    })
    d.rest(`cleat-${i}`, 'floor')
  }
  d.square({
    id: 'shelf',
    role: 'shelf',
    stock: SHEET,
    min: [0, 0, CLEAT],
    size: [W, D, T],
    along: 'x',
    across: 'y',
    loose: true,
  })
  for (const i of [0, 1]) d.rest('shelf', `cleat-${i}`)
  for (const edge of strip ? at : []) {
    d.square({
      id: `strip-${edge}`,
      role: 'edge',
      stock: { kind: 'board', section: '18x44mm', grade: 'c16', treated: false },
      min: [CLEAT, edge === 'front' ? D - 18 : 0, CLEAT - 44],
      size: [W - 2 * CLEAT, 18, 44],
      along: 'x',
      across: 'z',
    })
    const j = d.screw('shelf', `strip-${edge}`, 5, 'side', T, 44)
    if (strip === 'glued') d.assembly.joints.find((x) => x.id === j)!.kind = 'glued-screwed'
    d.rest(`strip-${edge}`, 'shelf', 'hanging', j)
  }
  d.bay({
    id: 'bay',
    name: { code: 'shelf', column: 1, row: 1 },
    holds: 'surface',
    clear: { min: [0, 0, CLEAT + T], max: [W, D, 600] },
    carriers: ['shelf'],
    items,
    play: { sideMm: 0, aboveMm: 0, deepMm: 0 },
    stickOutMm: 0,
    exit: [0, 1, 0],
  })
  const a = d.assembly
  return analyse(a, partBoxes(a), {
    method: METHODS.ec5,
    conditions: { moisture: 'dry', duration: 'permanent' },
    stripsOf: edgeStrips(a),
    factor: { self: 1, goods: 1 },
  })
}
const box = (x: number, wide: number, deep: number, massKg: number): Placed => ({
  goodsId: `g${x}`,
  massKg,
  stands: 'flat',
  box: { min: [x, 0, CLEAT + T], max: [x + wide, deep, 400] },
})
const sagOf = (p: ReturnType<typeof shelf>) => {
  const m = p.members.get('shelf')!
  if (m.state.kind !== 'panel') throw new Error(m.state.kind)
  return Math.max(...m.state.strips.map((s) => Math.abs(s.result.sag.mm)))
}

describe('a shelf on two ends', () => {
  it('bends under all that stands on the same wood: boxes of nearly one depth sag like boxes of one depth', () => {
    const four = (depths: number[]) => shelf(depths.map((deep, i) => box(20 + i * 225, 220, deep, 10)))
    const alike = sagOf(four([280, 280, 280, 280]))
    expectNear(sagOf(four([280, 277, 274, 271])), alike, 0.04)
    // By hand: 5wL⁴/384EI of 40 kg spread over 280 mm of depth, and the shelf's own weight over all of it.
    const ei = findSheet('pb-5/8')!.ei
    const own =
      (partMassKg({ stock: SHEET, size: { lengthMm: W, widthMm: D, thicknessMm: T }, machining: [] } as never) *
        GRAVITY) /
      W /
      D
    const w = (40 * GRAVITY) / 895 / 280 + own
    expectNear(alike, (5 * w * SPAN ** 4) / 384 / ei.along, 0.05)
  })
  it('bears its own weight: with nothing on it it sags by 5wL⁴/384EI, less what its ends stand out', () => {
    const p = shelf([])
    const ei = findSheet('pb-5/8')!.ei.along
    const w =
      (partMassKg({ stock: SHEET, size: { lengthMm: W, widthMm: D, thicknessMm: T }, machining: [] } as never) *
        GRAVITY) /
      W /
      D
    expectNear(sagOf(p), (5 * w * SPAN ** 4) / 384 / ei, 0.02)
  })
  it('superposes: what two loads do together is the sum of what each does beyond the shelf itself', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ deep: fc.integer({ min: 60, max: 300 }), kg: fc.integer({ min: 1, max: 25 }) }), {
          minLength: 2,
          maxLength: 4,
        }),
        (things) => {
          // Each on the same place of its own run with the others away, and all of them at once.
          const placed = things.map((t, i) => box(20 + i * 225, 220, t.deep, t.kg))
          const all = shelf(placed)
          expect(inEquilibrium(all)).toBe(true)
          const least = Math.max(...placed.map((x) => sagOf(shelf([x]))))
          expect(sagOf(all)).toBeGreaterThanOrEqual(least - 1e-9)
          const sum = (n: number) =>
            placed.slice(0, n).reduce((s, x) => s + sagOf(shelf([x])) - sagOf(shelf([])), sagOf(shelf([])))
          // The deepest place is looked for on a grid: a hair.
          expect(sagOf(all)).toBeLessThanOrEqual(sum(placed.length) * 1.001)
        },
      ),
      { numRuns: 30 },
    )
  })
  it('a little more depth of one box never hides the others', () => {
    for (const shift of [0.01, 0.06, 0.5, 1, 3, 20]) {
      const four = shelf([0, 1, 2, 3].map((i) => box(20 + i * 225, 220, 250 + (i === 2 ? shift : 0), 10)))
      expectNear(sagOf(four), sagOf(shelf([0, 1, 2, 3].map((i) => box(20 + i * 225, 220, 250, 10)))), 0.09)
    }
  })
  it('a strip under the front edge leaves the rear edge soft: 18 x 44 glued, 56 kg', () => {
    const spread = [box(CLEAT, SPAN - CLEAT, D, 56)]
    const [none, screwed, glued] = [
      sagOf(shelf(spread)),
      sagOf(shelf(spread, 'screwed')),
      sagOf(shelf(spread, 'glued')),
    ]
    expect(none).toBeGreaterThan(screwed)
    expect(screwed).toBeGreaterThan(glued)
    // As one section over the whole depth it would be said to sag a sixth of that.
    const state = shelf(spread, 'glued').members.get('shelf')!.state
    if (state.kind !== 'panel') throw new Error(state.kind)
    expect(glued).toBeGreaterThan(0.35 * none)
    expect(state.stiff.strips).toHaveLength(1)
    expect(state.stiff.strips[0].momentNmm).toBeGreaterThan(0)
    // The panel's own moment is larger than an even share would be, smaller than with no strip at all.
    const moment = (x: ReturnType<typeof shelf>) => {
      const m = x.members.get('shelf')!.state
      return m.kind === 'panel' ? Math.max(...m.strips.map((y) => Math.abs(y.result.moment.nmm) / y.widthMm)) : NaN
    }
    const share = moment(shelf(spread, 'glued')) / moment(shelf(spread))
    expect(share).toBeGreaterThan(0.4)
    expect(share).toBeLessThan(1)
  })
  it('strips under both edges share with it as beams side by side would, and it bends a little between them', () => {
    const spread = [box(CLEAT, SPAN - CLEAT, D, 56)]
    const both = shelf(spread, 'screwed', ['front', 'rear'])
    const state = both.members.get('shelf')!.state
    if (state.kind !== 'panel') throw new Error(state.kind)
    expect(state.stiff.strips).toHaveLength(2)
    // By hand: panel and two strips of C16, E 8000 N/mm², under one even load: 5wL⁴ / 384 ΣEI.
    const strips = 2 * ((8000 * 18 * 44 ** 3) / 12)
    const panel = findSheet('pb-5/8')!.ei.along * D
    const w = both.loadsN / W
    const alone = (5 * w * SPAN ** 4) / 384 / panel
    const shared = (5 * w * SPAN ** 4) / 384 / (panel + strips)
    const sag = sagOf(both)
    expect(sag).toBeGreaterThan(0.9 * shared)
    expect(sag).toBeLessThan(1.25 * shared)
    expect(alone / shared).toBeGreaterThan(3)
    // One of the two leaves the other edge as soft as it was, or nearly.
    expect(sagOf(shelf(spread, 'screwed'))).toBeGreaterThan(2 * sag)
    expect(sagOf(shelf(spread, 'screwed', ['rear']))).toBeGreaterThan(2 * sag)
    expect(sagOf(shelf(spread, 'glued', ['front', 'rear']))).toBeLessThan(sag)
  })
})
