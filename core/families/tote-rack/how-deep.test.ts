import { describe, expect, it } from '@jest/globals'
import { wholeBox } from '../../assembly/part-box.ts'
import { newGoods } from '../../goods/goods.ts'
import { readParams } from '../../../test-support/read-params.ts'
import { exampleContext } from '../example-context.ts'
import { startingParams } from './parameters.ts'
import { toteRack } from './tote-rack.ts'

/** Totes so deep, in a strip before their wall that is so deep. */
function begun(deepMm: number, spaceMm: number, over: object = {}) {
  const item = newGoods({
    ...{ id: 't', name: 'tote', kind: 'tote', count: 8 },
    ...{ acrossMm: 500, deepMm, tallMm: 380, massKg: 14 },
  })
  const given = exampleContext('metric', [{ item, count: 8 }])
  const ctx = { ...given, space: { ...given.space, depthMm: spaceMm } }
  const r = readParams(toteRack, { ...startingParams('metric', 'rim', true), ...over }, ctx)
  return { r, rail: r.shaped.dims.find((d) => d.path === 'railLengthMm')!, deep: wholeBox(r.boxes).max[1] }
}
const BACK_MM = 18
const OUT_MM = 25.4

describe('how deep a tote rack is begun', () => {
  it('has room for the boards across its back too', () => {
    for (let spaceMm = 740; spaceMm <= 860; spaceMm += 5) {
      const { rail, deep, r } = begun(743, spaceMm)
      if (743 - OUT_MM + BACK_MM > spaceMm) continue
      expect({ spaceMm, ends: deep <= spaceMm + 1 }).toEqual({ spaceMm, ends: true })
      expect(rail.value).toBeGreaterThanOrEqual(743 - OUT_MM - 1)
      expect(r.checks.filter((c) => c.state === 'fails').map((c) => c.id)).toEqual([])
    }
  })
  it('where no board divides and there is too little room the totes stand out by as much as that', () => {
    // No board is so long, nor twice so long.
    const { rail } = begun(2150, 2150)
    expect(rail.why.code).toBe('rail-space')
    expect(rail.value).toBeLessThanOrEqual(2150 - BACK_MM)
    expect(rail.value).toBeGreaterThanOrEqual(2150 - OUT_MM)
  })
  it('in a strip too shallow for that it is as deep as it must be, which the room tells', () => {
    const { rail, deep } = begun(743, 600)
    expect(rail.value).toBeGreaterThanOrEqual(743 - OUT_MM - 1)
    expect(deep).toBeGreaterThan(600)
  })
  it('without anything behind its rails it has that room for itself', () => {
    const bare = begun(743, 735, { backRails: 0, brace: false, tie: false })
    expect(bare.deep).toBeLessThanOrEqual(736)
    expect(bare.rail.value).toBeGreaterThan(begun(743, 735).rail.value + BACK_MM / 2)
  })
})
