import { expect, it } from '@jest/globals'
import { expectNear } from '../../test-support/near.ts'
import { draft } from '../assembly/draft.ts'
import type { Patch } from './load-path.ts'
import { panelSite, solvePanel } from './panel.ts'
import { findSheet } from '../catalogue/sheets.ts'
import { METHODS } from '../mechanics/methods/all.ts'
import { partBoxes } from '../assembly/part-box.ts'
import { analyse, edgeStrips } from './analyse.ts'
import { inEquilibrium } from './load-path.ts'

const sheet = findSheet('ply-18mm')!
const [LONG, DEEP, ENDS] = [800, 600, 560]

/** A top over two uprights of sheet that end 40 mm behind its front edge. */
function top() {
  const d = draft('metric')
  const upright = (id: string, x: number) => {
    d.square({
      ...{ id, role: 'side', stock: { kind: 'sheet', sheet: 'ply-18mm' }, along: 'z', across: 'y' },
      min: [x, 0, 0],
      size: [18, ENDS, 800],
    })
    d.rest(id, 'floor')
  }
  upright('left', 0)
  upright('right', LONG - 18)
  d.square({
    ...{ id: 'top', role: 'top', stock: { kind: 'sheet', sheet: 'ply-18mm' }, along: 'x', across: 'y' },
    min: [0, 0, 800],
    size: [LONG, DEEP, 18],
  })
  for (const id of ['left', 'right']) d.rest('top', id)
  return d
}
const on = (x: [number, number], y: [number, number], n: number): Patch => ({
  box: { min: [x[0], y[0], 818], max: [x[1], y[1], 818] },
  n,
})

it('what stands past the ends of its supports is held by the wood inside as well: no moment is lost', () => {
  const d = top()
  const supports = d.assembly.supports.filter((s) => 'part' in s.from && s.from.part === 'top')
  const site = panelSite(d.part('top'), supports, sheet.ei)
  // The edges of a small fitting cut the wood under a person's hands in three.
  const patches = [on([350, 450], [500, 600], 1000), on([100, 145], [545, 560], 3)]
  const { passed } = solvePanel(d.part('top'), patches, site)!
  const sum = (of: (p: (typeof passed)[number]) => number) => passed.reduce((s, p) => s + of(p), 0)
  const y = (p: (typeof passed)[number]) => (p.patch.box.min[1] + p.patch.box.max[1]) / 2
  expectNear(
    sum((p) => p.patch.n),
    1003,
    1e-9,
  )
  expectNear(
    sum((p) => p.patch.n * y(p)),
    1000 * 550 + 3 * 552.5,
    1e-9,
  )
  // Nothing is handed to where no upright is.
  for (const p of passed) expect(p.patch.box.max[1]).toBeLessThanOrEqual(ENDS + 1e-9)
})

it('a stiff frame holds an upright down by a little that it is lifted, and by no more', () => {
  const loaded = (kg: number, stiff: boolean) => {
    const d = draft('metric')
    for (const [k, x] of [0, 600, 1200].entries()) {
      d.square({
        ...{ id: `u${k}`, role: 'side', stock: { kind: 'sheet', sheet: 'ply-18mm' }, along: 'z', across: 'y' },
        min: [x, 0, 0],
        size: [18, 500, 500],
      })
      d.rest(`u${k}`, 'floor')
    }
    d.square({
      ...{ id: 'top', role: 'top', stock: { kind: 'sheet', sheet: 'ply-18mm' }, along: 'x', across: 'y' },
      min: [0, 0, 500],
      size: [1218, 500, 18],
    })
    for (const k of [0, 1, 2]) d.rest('top', `u${k}`, 'bearing', d.screw('top', `u${k}`, 3, 'edge', 18, 100))
    if (stiff) d.frame('frame', ['u0', 'u1', 'u2'])
    d.bay({
      id: 'bay',
      name: { code: 'worktop', column: 1, row: 1 },
      holds: 'surface',
      clear: { min: [0, 0, 518], max: [1218, 500, 900] },
      carriers: ['top'],
      items: [{ goodsId: 'x', massKg: kg, stands: 'flat', box: { min: [200, 0, 518], max: [418, 500, 600] } }] as never,
      play: { sideMm: 0, aboveMm: 0, deepMm: 0 },
      stickOutMm: 0,
      exit: [0, 0, 1],
    })
    const a = d.assembly
    return analyse(a, partBoxes(a), {
      method: METHODS.ec5,
      conditions: { moisture: 'dry', duration: 'long' } as never,
      factor: { self: 1, goods: 1 },
      stripsOf: edgeStrips(a),
    })
  }
  // Over two equal spans 3/32 of a load in the middle of one lifts the far support.
  expect(loaded(20, false).notHeld).toEqual([])
  expect(loaded(100, false).notHeld).toEqual(['u2'])
  expect(loaded(100, true).notHeld).toEqual([])
  expect(loaded(300, true).notHeld).toEqual(['u2'])
  expect(inEquilibrium(loaded(100, true))).toBe(true)
})
