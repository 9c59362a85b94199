import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../test-support/near.ts'
import { referencePlate } from '../../test-support/reference-plate.ts'
import { draft } from '../assembly/draft.ts'
import { findSheet } from '../catalogue/sheets.ts'
import { twistOf } from './edged-panel.ts'
import type { Patch } from './load-path.ts'
import { panelOnFrame } from './panel-on-frame.ts'
import { intoRails, isConcentrated, isPointed } from './panel.ts'

const sheet = findSheet('ply-18mm')!
const [LONG, DEEP, EI] = [500, 600, 4e10]

/** A sheet over two cross pieces at its ends and two rails along it, 40 mm wide and 20 mm inside its edges. */
function table() {
  const d = draft('metric')
  const board = (id: string, min: [number, number, number], size: [number, number, number], along: 'x' | 'y') =>
    d.square({
      id,
      role: along === 'x' ? 'rail' : 'cross',
      stock: { kind: 'board', section: '38x89mm', grade: 'C24', treated: false },
      min,
      size,
      along,
      across: 'z',
    })
  board('near', [0, 20, 0], [LONG, 40, 90], 'x')
  board('far', [0, DEEP - 60, 0], [LONG, 40, 90], 'x')
  board('left', [0, 60, 0], [38, DEEP - 120, 90], 'y')
  board('right', [LONG - 38, 60, 0], [38, DEEP - 120, 90], 'y')
  d.square({
    id: 'top',
    role: 'top',
    stock: { kind: 'sheet', sheet: sheet.id },
    min: [0, 0, 90],
    size: [LONG, DEEP, 18],
    along: 'x',
    across: 'y',
  })
  for (const on of ['near', 'far', 'left', 'right']) d.rest('top', on)
  return { part: d.part('top'), supports: d.assembly.supports }
}
const knee = (x: number, y: number, n = 1000, wide = 100): Patch => ({
  box: { min: [x - wide / 2, y - wide / 2, 108], max: [x + wide / 2, y + wide / 2, 108] },
  n,
})
const { part, supports } = table()
const solve = (patch: Patch, ei: number | null = EI) => panelOnFrame(part, [patch], supports, sheet, () => ei)!

describe('a person on a sheet over cross pieces and rails', () => {
  it.each([
    ['in the middle', 250, 300],
    ['at its edge', 250, 550],
    ['beside the middle', 150, 420],
  ])('%s bends it as the sine series says, or a little more', (_name, x, y) => {
    const reference = referencePlate({
      // From the middle of one cross piece to that of the other.
      lengthMm: LONG - 38,
      widthMm: DEEP,
      along: sheet.ei.along,
      across: sheet.ei.across,
      twist: twistOf(sheet),
      beams: [
        { vMm: 40, ei: EI },
        { vMm: DEEP - 40, ei: EI },
      ],
      loads: [{ fromU: x - 69, toU: x + 31, fromV: y - 50, toV: y + 50, n: 1000 }],
    })
    const r = solve(knee(x, y))
    expect(r.bent.result.moment.nmm).toBeGreaterThan(0.97 * reference.moment)
    expect(r.bent.result.moment.nmm).toBeLessThan(1.08 * reference.moment)
    expect(Math.abs(r.bent.result.sag.mm)).toBeGreaterThan(0.97 * reference.sag)
    expect(Math.abs(r.bent.result.sag.mm)).toBeLessThan(1.12 * reference.sag)
  })
  it('far less than a strip as wide as the knee would', () =>
    expect(solve(knee(250, 300)).bent.result.moment.nmm).toBeLessThan((0.75 * 1000 * (LONG / 4 - 100 / 8)) / 100))
  it('is no plate where nobody knows a rail', () =>
    expect(panelOnFrame(part, [knee(250, 300)], supports, sheet, () => null)).toBeNull())
})

describe('a pin on a sheet over two cross pieces alone', () => {
  const crosses = supports.filter((s) => s.on.kind === 'part' && ['left', 'right'].includes(s.on.part))
  const bare = (patch: Patch) => panelOnFrame(part, [{ ...patch, held: true }], crosses, sheet, () => null)
  it.each([
    ['in the middle', 250, 300, 30],
    ['in the middle, small', 250, 300, 16],
    ['near an end and a free edge', 120, 540, 30],
  ])('%s bends it as the sine series says, or more', (_name, x, y, wide) => {
    const reference = referencePlate({
      ...{ lengthMm: LONG - 38, widthMm: DEEP, along: sheet.ei.along, across: sheet.ei.across, twist: twistOf(sheet) },
      beams: [],
      loads: [{ fromU: x - 19 - wide / 2, toU: x - 19 + wide / 2, fromV: y - wide / 2, toV: y + wide / 2, n: 100 }],
    })
    const r = bare(knee(x, y, 100, wide))!
    expect(Math.abs(r.bent.result.sag.mm)).toBeGreaterThan(0.97 * reference.sag)
    expect(Math.abs(r.bent.result.sag.mm)).toBeLessThan(1.12 * reference.sag)
    expect(r.bent.result.moment.nmm).toBeGreaterThan(0.97 * reference.moment)
    expect(r.bent.result.moment.nmm).toBeLessThan(1.4 * reference.moment)
  })
  it('is told by how little it holds on', () => {
    const held = { held: true } as const
    expect(isPointed(part, { ...knee(250, 300, 20, 30), ...held })).toBe(true)
    expect(isPointed(part, { ...knee(250, 300, 2000, 41), ...held })).toBe(false)
    // What lies there lies on the wood under it.
    expect(isPointed(part, knee(250, 300, 20, 30))).toBe(false)
  })
})

describe('a person on a sheet over uprights alone', () => {
  /** A top over two uprights of sheet at its ends. */
  const over = (long: number) => {
    const d = draft('metric')
    const board = (
      id: string,
      stock: string,
      min: [number, number, number],
      size: [number, number, number],
      flat: boolean,
    ) =>
      d.square({
        ...{ id, role: flat ? 'top' : 'side', stock: { kind: 'sheet', sheet: stock }, min, size },
        ...{ along: flat ? 'x' : 'z', across: 'y' },
      })
    board('left', 'ply-18mm', [0, 0, 0], [18, DEEP, 800], false)
    board('right', 'ply-18mm', [long - 18, 0, 0], [18, DEEP, 800], false)
    board('top', 'ply-18mm', [0, 0, 800], [long, DEEP, 18], true)
    for (const on of ['left', 'right']) d.rest('top', on)
    return { top: d.part('top'), on: d.assembly.supports }
  }
  it.each([
    ['in the middle', 798, 399, 300],
    ['in the middle of its front edge', 798, 399, 550],
    ['beside the middle of a shorter one', 498, 180, 420],
    ['at the edge of a shorter one', 498, 249, 550],
    ['near an end', 798, 120, 550],
  ])('%s bends it as the sine series says, or a little more', (_name, long, x, y) => {
    const { top, on } = over(long)
    const reference = referencePlate({
      ...{ lengthMm: long - 18, widthMm: DEEP, along: sheet.ei.along, across: sheet.ei.across, twist: twistOf(sheet) },
      beams: [],
      loads: [{ fromU: x - 59, toU: x + 41, fromV: y - 50, toV: y + 50, n: 1000 }],
    })
    const r = panelOnFrame(top, [knee(x, y)], on, sheet, () => null)!
    expect(r.bent.result.moment.nmm).toBeGreaterThan(0.97 * reference.moment)
    expect(r.bent.result.moment.nmm).toBeLessThan(1.08 * reference.moment)
    expect(Math.abs(r.bent.result.sag.mm)).toBeGreaterThan(0.97 * reference.sag)
    expect(Math.abs(r.bent.result.sag.mm)).toBeLessThan(1.12 * reference.sag)
  })
})

describe('what stands at a rail', () => {
  const sums = (patch: Patch) => {
    const { down } = intoRails(part, [patch], supports)
    const at = (id: string) =>
      down.filter((x) => x.support.on.kind === 'part' && x.support.on.part === id).reduce((s, x) => s + x.patch.n, 0)
    return { near: at('near'), far: at('far'), down }
  }
  it('goes into it; past its middle the other one holds the sheet level, all by statics', () => {
    const { near, far } = sums(knee(250, 590))
    expectNear(near + far, 1000, 1e-9)
    // About the near rail's middle: 520 mm from one to the other, 550 to the load.
    expectNear(far, (1000 * 550) / 520, 1e-9)
    expect(near).toBeLessThan(0)
  })
  it('straight over it all of it, where it stands along it', () => {
    const { far, down } = sums(knee(180, DEEP - 40, 1000, 60))
    expectNear(far, 1000, 1e-9)
    const [{ patch }] = down
    expect([patch.box.min[0], patch.box.max[0]]).toEqual([150, 210])
  })
  it('in the middle it is the cross pieces’, and so is what is light or broad', () => {
    for (const patch of [knee(250, 300), knee(250, 590, 200), knee(250, 500, 1000, 200)])
      expect(intoRails(part, [patch], supports)).toEqual({ down: [], rest: [patch] })
    expect(isConcentrated(part, knee(250, 300))).toBe(true)
    expect(isConcentrated(part, knee(250, 300, 399))).toBe(false)
    expect(isConcentrated(part, knee(250, 300, 1000, 151))).toBe(false)
  })
})
