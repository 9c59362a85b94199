import { describe, expect, it } from '@jest/globals'
import { CONTAINERS } from '../catalogue/containers.ts'
import { rowsToGoods } from './csv.ts'
import { parseGoodsLine } from './parse-line.ts'

const read = (line: string) => {
  const r = parseGoodsLine(line, 'imperial', 'x')
  if (!r.ok) throw new Error(r.problem.code)
  const { count, name, kind, acrossMm, deepMm, tallMm, massKg } = r.value
  return { count, name, kind, size: [acrossMm, deepMm, tallMm], massKg }
}
const size = (id: string) => {
  const c = CONTAINERS.find((x) => x.id === id)!
  return [c.acrossMm, c.deepMm, c.tallMm]
}
const half = (mm: number) => Math.round(2 * mm) / 2

describe('things said by what they take', () => {
  it.each([
    '6 27-gallon totes',
    '6 27 gallon totes',
    '6 tote 27 gallon',
    '6 x 27 gal tote',
    '6 totes, 27 gallons'.replace(',', ''),
  ])('%s', (line) => {
    expect(read(line)).toMatchObject({ count: 6, kind: 'tote', size: size('tote-27').map(half), massKg: null })
  })
  it('one where no number is said, with its mass where that is', () => {
    expect(read('27-gallon tote')).toMatchObject({ count: 1, kind: 'tote' })
    expect(read('2 pail 10 l, 12 kg')).toMatchObject({ count: 2, kind: 'pail', massKg: 12, size: size('pail-10l') })
    expect(read('60 litre drum')).toMatchObject({ count: 1, kind: 'drum', size: size('drum-60l') })
    expect(read('4 box with lid 45 l')).toMatchObject({ count: 4, kind: 'tote', size: size('box-45l') })
  })
  it('of another size than is known it is as large as that takes, of the same shape', () => {
    const [a, d, t] = read('3 tote 34 gallon').size
    const [x, y, z] = size('tote-27')
    expect((a * d * t) / (x * y * z)).toBeCloseTo(34 / 27, 2)
    expect(a / d).toBeCloseTo(x / y, 2)
    // A can has no size among containers: the usual can of that name has.
    const can = read('3 fuel can 5 gallon')
    expect(can.kind).toBe('box')
    expect((can.size[0] * can.size[1] * can.size[2]) / 1e6).toBeGreaterThan(19)
  })
  it('what is not sold so, and what nobody has, is asked for by its size', () => {
    expect(parseGoodsLine('3 thing 20 l', 'metric', 'x').ok).toBe(false)
    // A usual thing goes by what it takes as well: it is as large as they are.
    expect(read('2 chest freezer 200 l').size).toEqual(read('1 chest freezer').size)
    expect(parseGoodsLine('1 tote 5000 l', 'metric', 'x')).toMatchObject({
      problem: { code: 'volume-odd', field: 'size' },
    })
    expect(parseGoodsLine('0 tote 60 l', 'metric', 'x')).toMatchObject({ problem: { code: 'count' } })
    expect(parseGoodsLine('1 tote 0 l', 'metric', 'x').ok).toBe(false)
    expect(parseGoodsLine('1 tote 60 l, heavy', 'metric', 'x').ok).toBe(false)
  })
  it('a row of a spreadsheet without sizes is read so too', () => {
    const { goods, problems } = rowsToGoods([{ name: '27-gallon tote', count: '6' }], 'imperial', () => 'x')
    expect(problems).toEqual([])
    expect(goods[0]).toMatchObject({ kind: 'tote', count: 6, acrossMm: size('tote-27')[0] })
  })
  it('a usual thing may be said with its mass alone, or with its size after it', () => {
    expect(read('8 bag of soil, 40 lb')).toMatchObject({ count: 8, kind: 'bag', massKg: expect.closeTo(18.14, 2) })
    expect(read('2 bag of soil')).toMatchObject({ count: 2, massKg: null })
    expect(read('chest freezer, 35 x 24 x 33').size[0]).toBeCloseTo(35 * 25.4, 6)
    expect(parseGoodsLine('2 bag of soil, 9000 kg', 'metric', 'x').ok).toBe(false)
  })
  it('sizes said are taken as they are', () => {
    expect(read('6 totes 16 x 24 x 12').size.map((mm) => mm / 25.4)).toEqual(
      [16, 24, 12].map((n) => expect.closeTo(n, 9)),
    )
    expect(read('10 l of screws in box 110 x 90 x 50').name).toContain('screws')
  })
})
