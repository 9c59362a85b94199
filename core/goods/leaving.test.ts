import { describe, expect, it } from '@jest/globals'
import { newGoods, type Goods } from './goods.ts'
import { leaving } from './leaving.ts'

const van = { longestMm: 2000, widestMm: 1000, mostKg: 300 }
const thing = (over: Partial<Goods>): Goods =>
  newGoods({ id: 'a', name: 'a', kind: 'box', count: 1, acrossMm: 1000, deepMm: 500, tallMm: 500, massKg: 20, ...over })

describe('what goes', () => {
  it('what stays is none of it', () =>
    expect(leaving([thing({})], van)).toMatchObject({ things: 0, loads: 0, bags: 0 }))
  it('is driven by what it fills or by what it weighs, by hand', () => {
    // A load is 0.6 of 2 × 1 × 0.6 m, 0.72 m³; four of a quarter of a cubic metre are 1.39 of it.
    expect(leaving([thing({ decision: 'pass', count: 4 })], van).loads).toBe(2)
    expect(leaving([thing({ decision: 'pass', count: 2 })], van).loads).toBe(1)
    expect(leaving([thing({ decision: 'pass', massKg: 320 })], van).loads).toBe(2)
  })
  it('what is thrown away and short goes into bags of sixty litres, filled', () => {
    const small = thing({ decision: 'bin', count: 10, acrossMm: 300, deepMm: 200, tallMm: 200 })
    // 120 litres.
    expect(leaving([small], van)).toMatchObject({ bags: 2, loads: 1 })
    expect(leaving([{ ...small, decision: 'pass' }], van)).toMatchObject({ bags: 0, loads: 1 })
  })
  it('names what is longer than the vehicle, and wins the floor whether it is gone or not', () => {
    const pole = thing({ id: 'p', decision: 'bin', acrossMm: 2500, deepMm: 100, tallMm: 100 })
    const gone = thing({ decision: 'pass', leaving: { to: 'a neighbour', first: '', gone: true } })
    const l = leaving([pole, gone], van)
    expect(l.tooLong.map((g) => g.id)).toEqual(['p'])
    expect(l).toMatchObject({ things: 2, gone: 1, massKg: 20 })
    expect(l.floorMm2).toBe(2500 * 100 + 1000 * 500)
  })
})
