import { describe, expect, it } from '@jest/globals'
import type { PlateSpec } from '../mechanics/plate.ts'
import { solvedOnce } from './edged-panel.ts'

describe('a plate solved once', () => {
  const spec = (n: number): PlateSpec => ({
    ...{ lengthMm: 900, widthMm: 300, along: 5e6, across: 2e6, twist: 1e6, supportsMm: [0, 900], beams: [] },
    loads: [{ fromU: 100, toU: 800, fromV: 0, toV: 300, n }],
  })
  it('is the same when it is asked for again, and another one under another load', () => {
    expect(solvedOnce(spec(400))).toBe(solvedOnce(spec(400)))
    expect(solvedOnce(spec(800))!.sag.mm / solvedOnce(spec(400))!.sag.mm).toBeCloseTo(2, 6)
  })
  it('is none where something of it is no number: it is never taken for unloaded', () => {
    for (const n of [NaN, Infinity, -Infinity]) expect(solvedOnce(spec(n))).toBeNull()
    expect(solvedOnce({ ...spec(400), along: Infinity })).toBeNull()
  })
})
