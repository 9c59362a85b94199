import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { findScrew } from '../catalogue/fasteners.ts'
import { inches } from '../measure/units.ts'
import {
  effectiveBolts,
  pilotMm,
  roomFor,
  spacingAsd,
  spacingEc5,
  spacingLargeAsd,
  spacingLargeEc5,
} from './spacing.ts'

describe('distances that keep wood from splitting', () => {
  it('wood screws as the commentary of NDS lists them: 15, 10, 5 diameters', () => {
    expect(spacingAsd('to-end', false)).toMatchObject({ end: 15, along: 15, edge: 2.5 })
    expect(spacingAsd('to-end', true)).toMatchObject({ end: 10, along: 10 })
    expect(spacingAsd('across', false)).toMatchObject({ end: 10, along: 10, across: 10 })
    expect(spacingAsd('across', true)).toMatchObject({ end: 5, along: 5, across: 5 })
  })
  it('nails as EN 1995-1-1 table 8.2 has them, by thickness and boring', () => {
    expect(spacingEc5('along', 4, false)).toEqual({ along: 10, across: 5, end: 10, loadedEdge: 5, edge: 5 })
    expect(spacingEc5('along', 5, false).along).toBe(12)
    expect(spacingEc5('across', 4, false)).toMatchObject({ along: 5, loadedEdge: 7 })
    expect(spacingEc5('across', 5, false).loadedEdge).toBe(10)
    expect(spacingEc5('across', 5, true)).toEqual({ along: 4, across: 4, end: 7, loadedEdge: 7, edge: 3 })
    expect(spacingEc5('to-end', 4, true)).toMatchObject({ along: 5, end: 12 })
  })
  it('bolts: 4 D from a loaded edge; 80 mm to an end they press towards', () => {
    expect(spacingLargeAsd('across')).toMatchObject({ loadedEdge: 4, edge: 1.5, end: 4 })
    expect(spacingLargeAsd('to-end').end).toBe(7)
    expect(spacingLargeEc5('to-end', 10).end).toBe(8)
    expect(spacingLargeEc5('across', 10)).toEqual({ along: 4, across: 4, end: 7, loadedEdge: 4, edge: 3 })
  })
  it('two M10 in a row 50 mm apart count as 2^0.9·(50/130)^0.25', () => {
    expect(effectiveBolts(2, 50, 10)).toBeCloseTo(1.4695, 3)
    expect(effectiveBolts(1, 50, 10)).toBeLessThanOrEqual(1)
    expect(effectiveBolts(2, 1300, 10)).toBe(2)
  })
  it('bores 7/8 of a root, 1 mm over a bolt', () => {
    expect(pilotMm('asd', findScrew('screw-8x2')!)).toBeCloseTo(inches(0.131) * (7 / 8), 9)
    expect(pilotMm('ec5', findScrew('screw-5x60mm')!)).toBeCloseTo(3.5, 9)
    expect(pilotMm('asd', findScrew('bolt-3/8x3.5')!)).toBeCloseTo(inches(3 / 8) + 1, 9)
    expect(pilotMm('asd', findScrew('lag-3/8x4')!)).toBeCloseTo(0.6 * inches(3 / 8), 9)
  })
  it('boring never asks for more room, along the grain asks for no less than across', () => {
    for (const runs of ['to-end', 'along', 'across'] as const)
      for (const d of [3, 4, 5, 6]) {
        const pairs = [
          [spacingAsd(runs, true), spacingAsd(runs, false)],
          [spacingEc5(runs, d, true), spacingEc5(runs, d, false)],
        ] as const
        for (const [bored, driven] of pairs)
          for (const k of ['end', 'edge', 'loadedEdge', 'along', 'across'] as const)
            expect(bored[k]).toBeLessThanOrEqual(driven[k])
      }
  })
})

describe('room in a field', () => {
  it('is counted in straight rows', () => {
    expect(roomFor({ wideMm: 0, highMm: 40, apartWideMm: 20, apartHighMm: 20 })).toBe(3)
    expect(roomFor({ wideMm: 20, highMm: 39.9, apartWideMm: 20, apartHighMm: 20 })).toBe(4)
    expect(roomFor({ wideMm: -0.1, highMm: 400, apartWideMm: 20, apartHighMm: 20 })).toBe(0)
  })
  it('agrees with setting them out one by one, and grows with the field', () => {
    const mm = fc.integer({ min: 0, max: 300 })
    const apart = fc.integer({ min: 5, max: 60 })
    fc.assert(
      fc.property(mm, mm, apart, apart, (w, h, aw, ah) => {
        let n = 0
        for (let x = 0; x <= w; x += aw) for (let y = 0; y <= h; y += ah) n++
        expect(roomFor({ wideMm: w, highMm: h, apartWideMm: aw, apartHighMm: ah })).toBe(n)
        expect(roomFor({ wideMm: w + 1, highMm: h, apartWideMm: aw, apartHighMm: ah })).toBeGreaterThanOrEqual(n)
      }),
    )
  })
})
