import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import {
  formatDrill,
  formatLength,
  formatMass,
  formatSag,
  formatSecondMoment,
  formatSmallArea,
  formatSpread,
  lengthForField,
} from './format.ts'
import { formatMoney, parseMoney } from './money.ts'
import { parseLength } from './parse-length.ts'
import { parseMass } from './parse-mass.ts'
import { roundLength } from './rounding.ts'
import { IMPERIAL, inches, METRIC, MPA_PER_PSI, stepMm } from './units.ts'

const mm = (text: string, system: 'imperial' | 'metric' = 'imperial') => {
  const r = parseLength(text, system)
  return r.ok ? r.value : r.problem.code
}

describe('parseLength', () => {
  it.each([
    [`5' 7 1/4"`, 1708.15],
    ['67 1/4', 1708.15],
    ['67.25in', 1708.15],
    ['1.71 m', 1710],
    ['171cm', 1710],
    ['5ft 7 1/4 in', 1708.15],
    [`5'7-1/4"`, 1708.15],
    ['5’ 7¼”', 1708.15],
    ['½', 12.7],
    ['7 1/16"', 179.3875],
    ['8 ft', 2438.4],
    [`8'`, 2438.4],
    [`5' 7`, 1701.8],
    ['1,71 m', 1710],
    ['.5', 12.7],
    ['24 inches', 609.6],
    ['1 m 20 cm', 1200],
    ['1m50', 1500],
    ['1 m 505', 1505],
    [`9' - 6"`, 2895.6],
    [`9'-6 1/2"`, 2908.3],
    ['9 ft - 6', 2895.6],
  ])('reads %s', (text, expected) => expect(mm(text)).toBeCloseTo(expected, 6))
  it('takes a bare number in the small unit', () => {
    expect(mm('1708', 'metric')).toBe(1708)
    expect(mm('10', 'imperial')).toBe(254)
  })
  it.each([
    ['', 'empty'],
    ['  ', 'empty'],
    ['-3', 'negative'],
    ['-1/2"', 'negative'],
    ['abc', 'not-a-length'],
    ['12 monkeys', 'not-a-length'],
    ['1/0', 'not-a-length'],
    ['7 in 5 ft', 'not-a-length'],
    ['1,234', 'not-a-length'],
    ['3 4', 'not-a-length'],
    ['1.2.3', 'not-a-length'],
    ['12"x', 'not-a-length'],
    ['NaN', 'not-a-length'],
    ['Infinity', 'not-a-length'],
    ['1e5', 'not-a-length'],
    ['5 kg', 'not-a-length'],
    // One figure after metres may be anything, and so may a part.
    ['1m5', 'not-a-length'],
    ['1 m 1/2', 'not-a-length'],
    [`9' - -6"`, 'not-a-length'],
    ['9 m - 6', 'not-a-length'],
  ])('refuses %p', (text, code) => expect(mm(text)).toBe(code))
  it('is rounded once, not to a tenth and then to a millimetre', () => {
    expect([885.478, 885.5, 99.96, 99.94, 100.4].map((x) => formatLength(x, METRIC))).toEqual(
      ['885 mm', '886 mm', '100 mm', '99.9 mm', '100 mm'], // prettier-ignore
    )
  })
  it('reads back what a field shows, to half a step', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 20000, noNaN: true }),
        fc.constantFrom(IMPERIAL, METRIC, { ...IMPERIAL, fraction: 32 as const }),
        (x, units) => {
          const back = mm(lengthForField(x, units), units.system)
          expect(typeof back).toBe('number')
          expect(Math.abs((back as number) - x)).toBeLessThanOrEqual(stepMm(units) / 2 + 1e-6)
        },
      ),
    )
  })
})

describe('parseMass', () => {
  const kg = (text: string, system: 'imperial' | 'metric' = 'metric') => {
    const r = parseMass(text, system)
    return r.ok ? r.value : r.problem.code
  }
  it.each([
    ['14kg', 14],
    ['62 lb', 28.12272694],
    ['31 lb 4 oz', 14.17476155],
    ['500 g', 0.5],
    ['1.2 t', 1200],
    ['7', 7],
  ])('reads %s', (text, v) => expect(kg(text)).toBeCloseTo(v, 6))
  it('takes a bare number in the project unit', () => expect(kg('10', 'imperial')).toBeCloseTo(4.5359237, 7))
  it.each([
    ['', 'empty'],
    ['-2', 'negative'],
    ['heavy', 'not-a-mass'],
    ['5 mm', 'not-a-mass'],
  ])('refuses %p', (text, code) => expect(kg(text)).toBe(code))
})

describe('format', () => {
  it.each([
    [419.1, '16 1/2"'],
    [12.7, '1/2"'],
    [0, '0"'],
    [25.4 * 11.99, '12"'],
    [1.5875, '1/16"'],
    [-6.35, '-1/4"'],
    [0.3, '0"'],
  ])('%f mm in inches', (x, text) => expect(formatLength(x, IMPERIAL)).toBe(text))
  it('gives feet where asked, and never 12 inches over', () => {
    expect(formatLength(1708.15, IMPERIAL, { feet: true })).toBe(`5' 7 1/4"`)
    expect(formatLength(2438.2, IMPERIAL, { feet: true })).toBe(`8'`)
    expect(formatLength(200, IMPERIAL, { feet: true })).toBe('7 7/8"')
  })
  it('gives millimetres', () => {
    expect(formatLength(419.1, METRIC)).toBe('419 mm')
    expect(formatLength(6.35, METRIC)).toBe('6.4 mm')
    expect(formatLength(NaN, METRIC)).toBe('?')
  })
  it('masses and sag', () => {
    expect(formatMass(28.12272694, IMPERIAL)).toBe('62 lb')
    expect(formatSag(0.5, IMPERIAL)).toBe('0.020"')
    expect(formatSag(0.54, METRIC)).toBe('0.5 mm')
  })
})

describe('rounding', () => {
  it('goes the way it is told, and leaves the grid alone', () => {
    expect(roundLength(10.1, 1, 'up').mm).toBe(11)
    expect(roundLength(10.9, 1, 'down').mm).toBe(10)
    expect(roundLength(10 + 1e-9, 1, 'up').mm).toBe(10)
    expect(roundLength(25.4 * 3.1, 25.4 / 16, 'up')).toMatchObject({ toMm: 1.5875, way: 'up' })
  })
  it('never moves more than a step', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1e5, noNaN: true }),
        fc.constantFrom(1, 1.5875, 0.79375),
        fc.constantFrom('up' as const, 'down' as const),
        (x, to, way) => {
          const r = roundLength(x, to, way)
          expect(Math.abs(r.movedMm)).toBeLessThanOrEqual(to)
          expect(way === 'up' ? r.mm >= x - 1e-6 : r.mm <= x + 1e-6).toBe(true)
        },
      ),
    )
  })
})

describe('money and units', () => {
  it('reads and shows minor units', () => {
    expect(parseMoney('4.98')).toEqual({ ok: true, value: 498 })
    expect(parseMoney('$1250')).toEqual({ ok: true, value: 125000 })
    expect(parseMoney('4,9')).toEqual({ ok: true, value: 490 })
    for (const text of ['', '-1', 'free', '4.985', '1e3']) expect(parseMoney(text).ok).toBe(false)
    expect(formatMoney(498, 'USD')).toBe('$4.98')
  })
  it('has the psi of the tables: 1000 psi is 6.894757 MPa', () => expect(1000 * MPA_PER_PSI).toBeCloseTo(6.894757, 6))
})

describe('what the workings show', () => {
  it('drills as they are sold, sections in their own units', () => {
    expect(formatDrill(inches(0.142) * 0.875, IMPERIAL)).toBe('1/8"')
    expect(formatDrill(10.525, IMPERIAL)).toBe('27/64"')
    expect(formatDrill(3.46, METRIC)).toBe('3.5 mm')
    expect(formatDrill(0.1, METRIC)).toBe('0.5 mm')
    expect(formatDrill(0.05, IMPERIAL)).toBe('1/64"')
    expect(formatSmallArea(38.1 * 88.9, IMPERIAL)).toBe('5.3 in²')
    expect(formatSmallArea(4700, METRIC)).toBe('4,700 mm²')
    expect(formatSecondMoment((38.1 * 88.9 ** 3) / 12, IMPERIAL)).toBe('5.4 in⁴')
    expect(formatSecondMoment((38 * 89 ** 3) / 12, METRIC)).toBe('223 cm⁴')
    // 40 psf is the 1.92 kN/m² of the tables.
    expect([formatSpread(1.9152, IMPERIAL), formatSpread(1.9152, METRIC)]).toEqual(['40 psf', '1.92 kN/m²'])
  })
})
