import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { expectNear } from '../../test-support/near.ts'
import type { Machining, Part } from './assembly.ts'
import { netAcross, netModulus, netSection, stiffnessLeft } from './net-section.ts'

const [W, T] = [90, 40]
const board = (machining: Machining[]): Part => ({
  id: 'p',
  role: 'post',
  stock: { kind: 'board', section: '47x100mm', grade: 'c24', treated: false },
  size: { lengthMm: 800, widthMm: W, thicknessMm: T },
  at: { centre: [0, 0, 0], along: [0, 0, 1], across: [1, 0, 0] },
  grain: 'length',
  machining,
  axial: false,
  loose: false,
  temporary: false,
})
const hole = (diameterMm: number, depthMm: number | null, offMm = W / 2): Machining => ({
  kind: 'hole',
  face: 'over',
  atMm: 300,
  offMm,
  diameterMm,
  depthMm,
  tiltRad: 0,
})

/** Section moduli of what is left, by adding it up in small cells. */
function byCells(gone: (u: number, v: number) => boolean) {
  const n = 400
  const cells: { u: number; v: number; a: number }[] = []
  for (let i = 0; i < n; i++)
    for (let k = 0; k < n; k++) {
      const [u, v] = [((i + 0.5) * W) / n, ((k + 0.5) * T) / n]
      if (!gone(u, v)) cells.push({ u, v, a: (W * T) / (n * n) })
    }
  const area = cells.reduce((s, c) => s + c.a, 0)
  const modulus = (of: (c: (typeof cells)[number]) => number, depth: number) => {
    const centre = cells.reduce((s, c) => s + c.a * of(c), 0) / area
    return cells.reduce((s, c) => s + c.a * (of(c) - centre) ** 2, 0) / Math.max(centre, depth - centre)
  }
  return {
    flat: modulus((c) => c.v, T) / ((W * T * T) / 6),
    edge: modulus((c) => c.u, W) / ((T * W * W) / 6),
    area: area / (W * T),
  }
}

describe('dadoes across a piece', () => {
  const dado = (face: 'over' | 'under', atMm: number, depthMm: number, widthMm = 20): Machining => ({
    kind: 'dado',
    face,
    atMm,
    offMm: 0,
    widthMm,
    depthMm,
    stopped: false,
  })
  it('leave what is thinner, from both faces where they lie opposite each other', () => {
    expectNear(netSection(board([dado('over', 100, 10)])).flat, (30 / T) ** 2, 1e-12)
    expectNear(netSection(board([dado('over', 100, 10), dado('under', 300, 10)])).area, 30 / T, 1e-12)
    expectNear(netSection(board([dado('over', 100, 10), dado('under', 110, 10)])).flat, (20 / T) ** 2, 1e-12)
  })
  it('make it give more by the cube: against a beam of two stiffnesses added up in slices', () => {
    const p = board([dado('over', 100, 10), dado('under', 110, 10), dado('over', 500, 15, 40)])
    let flex = 0
    for (let i = 0; i < 8000; i++) {
      const x = (i + 0.5) / 10
      const gone = (x > 100 && x < 120 ? 10 : 0) + (x > 110 && x < 130 ? 10 : 0) + (x > 500 && x < 540 ? 15 : 0)
      flex += (T / (T - gone)) ** 3 / 8000
    }
    expectNear(stiffnessLeft(p), 1 / flex, 1e-9)
    expect(stiffnessLeft(board([]))).toBe(1)
  })
})

describe('what is left of a section', () => {
  it.each([
    ['a hole through its middle', hole(24, null), (u: number) => Math.abs(u - W / 2) < 12],
    ['a blind hole', hole(24, 28), (u: number, v: number) => Math.abs(u - W / 2) < 12 && v > T - 28],
    ['a hole near its edge', hole(20, null, 20), (u: number) => Math.abs(u - 20) < 10],
    [
      'a notch in its edge',
      { kind: 'notch', atMm: 100, offMm: 0, lengthMm: 60, depthMm: 30, edge: 'high' } as Machining,
      (u: number) => u > W - 30,
    ],
    [
      'a cut-out',
      { kind: 'cutout', atMm: 100, offMm: 10, lengthMm: 60, widthMm: 40 } as Machining,
      (u: number) => u > 10 && u < 50,
    ],
  ])('with %s is what its cells add up to', (_n, m, gone) => {
    const [is, cells] = [netSection(board([m])), byCells(gone)]
    expectNear(is.flat, cells.flat, 0.01)
    expectNear(is.edge, cells.edge, 0.01)
    expectNear(is.area, cells.area, 0.01)
  })
  it('is the whole without such work, and never more with it', () => {
    expect(netSection(board([]))).toEqual({ flat: 1, edge: 1, area: 1 })
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 60, noNaN: true }),
        fc.double({ min: 1, max: T, noNaN: true }),
        fc.double({ min: 0, max: W, noNaN: true }),
        (d, deep, off) => {
          const n = netSection(board([hole(d, deep, off)]))
          for (const v of [n.flat, n.edge, n.area]) expect(v > -1e-9 && v <= 1 + 1e-9).toBe(true)
        },
      ),
    )
  })
  it('across is what a line of holes leaves of the length', () => {
    const row = [100, 200, 300].map((atMm) => ({ ...hole(20, null), atMm }) as Machining)
    expectNear(netAcross(board(row)), 1 - 60 / 800, 1e-9)
    // One that lies beside that line does not count in it.
    expectNear(netAcross(board([...row, hole(40, null, 22)])), 1 - 60 / 800, 1e-9)
    expect(netAcross(board([]))).toBe(1)
  })
  it('is told by how deep the piece is where it bends', () => {
    const p = board([hole(24, 28)])
    expect(netModulus(p, T)).toBe(netSection(p).flat)
    expect(netModulus(p, W)).toBe(netSection(p).edge)
  })
  it('is nothing where all is gone', () => {
    const all: Machining = { kind: 'cutout', atMm: 0, offMm: 0, lengthMm: 50, widthMm: W }
    expect(netSection(board([all]))).toEqual({ flat: 0, edge: 0, area: 0 })
  })
})
