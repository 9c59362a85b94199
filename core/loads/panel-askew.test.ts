import { describe, expect, it } from '@jest/globals'
import { gridPlate } from '../../test-support/grid-plate.ts'
import { expectNear } from '../../test-support/near.ts'
import type { Placed, Stock } from '../assembly/assembly.ts'
import { draft } from '../assembly/draft.ts'
import { mirrorAssembly } from '../assembly/mirror.ts'
import { partBoxes } from '../assembly/part-box.ts'
import { findSheet } from '../catalogue/sheets.ts'
import { unit, type Vec3 } from '../geometry/vec.ts'
import { METHODS } from '../mechanics/methods/all.ts'
import { analyse, edgeStrips } from './analyse.ts'
import { inEquilibrium } from './load-path.ts'

/*
 * A sheet 800 by 800 with a corner off it, u + v < 1000, on joists at 100, 300, 500 and 700 and on a board at 45° whose
 * middle line is u + v = 960.
 */
const BOARD: Stock = { kind: 'board', section: '38x89mm', grade: 'c16', treated: false }
const SHEET = findSheet('ply-18mm')!
const SIDE = 800
const [CUT, LINE] = [1000, 960]
const JOISTS = [100, 300, 500, 700]
/** Joists end so far before that line. */
const GAP = 15

const item = (x: number, y: number, massKg: number, side = 100): Placed => ({
  goodsId: 'g',
  massKg,
  stands: 'flat',
  box: { min: [x - side / 2, y - side / 2, 107], max: [x + side / 2, y + side / 2, 200] },
})

function corner(items: Placed[]) {
  const d = draft('metric')
  const boards = JOISTS.map((x, i) => {
    const id = `joist-${i}`
    const long = Math.min(SIDE, LINE - GAP - x)
    d.square({ id, role: 'joist', stock: BOARD, min: [x - 19, 0, 0], size: [38, long, 89], along: 'y', across: 'z' })
    return id
  })
  const at = (x: number): Vec3 => [x, LINE - x, 44.5]
  const across = { widthMm: 89, thicknessMm: 38, facing: unit([1, 1, 0]) }
  d.strut({ id: 'askew', role: 'rail', stock: BOARD, from: at(240), to: at(720), ...across })
  for (const id of [...boards, 'askew']) d.rest(id, 'floor')
  const outline: [number, number][] = [
    [0, 0],
    [SIDE, 0],
    [SIDE, CUT - SIDE],
    [CUT - SIDE, SIDE],
    [0, SIDE],
  ]
  const stock = { kind: 'sheet', sheet: SHEET.id } as const
  const size: Vec3 = [SIDE, SIDE, SHEET.thicknessMm]
  d.square({ id: 'top', role: 'top', stock, min: [0, 0, 89], size, along: 'x', across: 'y', outline, loose: true })
  for (const id of [...boards, 'askew']) d.rest('top', id)
  d.bay({
    ...{ id: 'on', name: { code: 'worktop', column: 1, row: 1 }, holds: 'surface', carriers: ['top'], items },
    clear: { min: [0, 0, 107], max: [SIDE, SIDE, 400] },
    ...{ play: { sideMm: 0, aboveMm: 0, deepMm: 0 }, stickOutMm: 0, exit: [0, 0, 1] },
  })
  return d.assembly
}
const solve = (a: ReturnType<typeof corner>, self = 0) => {
  const path = analyse(a, partBoxes(a), {
    ...{ method: METHODS.ec5, conditions: { wet: false, duration: 'long' } as never, factor: { self, goods: 1 } },
    stripsOf: edgeStrips(a),
  })
  const top = path.members.get('top')!.state
  if (top.kind !== 'panel') throw new Error(top.kind)
  const on = (id: string) =>
    a.supports
      .filter((s) => 'part' in s.from && s.from.part === 'top' && s.on.kind === 'part' && s.on.part === id)
      .reduce((n, s) => n + (path.reactions.get(s.id) ?? 0), 0)
  return { path, on, worst: Math.max(...top.strips.map((s) => Math.abs(s.result.moment.nmm))) }
}

describe('a sheet on a board that runs askew', () => {
  it('is held where each strip crosses it: by hand', () => {
    // On strips about v = 400 between the joist at 500 and the board at 960 - 400.
    const { on, path } = solve(corner([item(530, 400, 10, 10)]))
    const n = 10 * 9.80665
    expectNear(on('askew'), (n * 30) / 60, 5e-3)
    expectNear(on('joist-2'), (n * 30) / 60, 5e-3)
    expect(inEquilibrium(path)).toBe(true)
  })
  it('further out it crosses further in', () => {
    const { on } = solve(corner([item(330, 600, 10, 10)]))
    // At 960 - 600; the joist at 300 takes the other half.
    expectNear(on('askew'), (10 * 9.80665 * 30) / 60, 5e-3)
  })
  it('hands on where it does: nothing of its moment is lost, nor in a mirror', () => {
    for (const [x, y] of [
      [440, 450],
      [560, 340],
      [700, 200],
      [250, 650],
    ]) {
      const a = corner([item(x, y, 60)])
      expect([x, y, inEquilibrium(solve(a, 1).path)]).toEqual([x, y, true])
      const b = mirrorAssembly(a, SIDE)
      const [one, other] = [solve(a), solve(b)]
      expect(inEquilibrium(other.path)).toBe(true)
      expectNear(other.on('askew'), one.on('askew'), 1e-6)
      expectNear(other.worst, one.worst, 1e-6)
    }
  })
  it.each([
    [400, 500],
    [420, 480],
    [600, 300],
    [620, 280],
    [350, 550],
    [400, 300],
    [200, 400],
  ])('bends by its strips no less than a plate does, somebody at %d, %d', (x, y) => {
    const { worst } = solve(corner([item(x, y, 1000 / 9.80665)]))
    const grid = 40
    const step = SIDE / grid
    const points = Array.from({ length: grid + 1 }, (_, j) => j * step).flatMap((v) => [
      ...JOISTS.filter((u) => u + v < LINE - GAP + 1).map((uMm) => ({ uMm, vMm: v })),
      ...(LINE - v >= 240 && LINE - v <= 720 ? [{ uMm: LINE - v, vMm: v }] : []),
    ])
    const plate = gridPlate({
      ...{ lengthMm: SIDE, widthMm: SIDE, nu: grid, nv: grid, points },
      ...{ along: SHEET.ei.along, across: SHEET.ei.across, twist: SHEET.ei.across / 3 },
      gone: (u, v) => u + v > CUT + 1e-6,
      pressure: (u, v) => (Math.abs(u - x) < 50 && Math.abs(v - y) < 50 ? 1000 / 100 ** 2 : 0),
    })
    expect(plate.alongNmm).toBeGreaterThan(20)
    expect(worst).toBeGreaterThan(plate.alongNmm)
  })
})
