import { describe, expect, it } from '@jest/globals'
import { USUAL_THINGS } from '../catalogue/usual-things.ts'
import { METRIC } from '../measure/units.ts'
import { oneOf, sayMassOf, sayThings } from './things.ts'

describe('one of some things', () => {
  it.each([
    ['paint cans', 'paint can'],
    ['moving boxes', 'moving box'],
    ['pairs of skis', 'pair of skis'],
    ['bags of soil, 40 lb', 'bag of soil, 40 lb'],
    ['boxes for bottles', 'box for bottles'],
    ['27-gallon totes', '27-gallon tote'],
    ['shelves (old)', 'shelf (old)'],
    ['pliers', 'pliers'],
    ['2x4 8 ft', '2x4 8 ft'],
    ['glass', 'glass'],
    ['', ''],
  ])('%s: %s', (all, one) => expect(oneOf(all)).toBe(one))
  it('leaves alone what is one already', () => {
    const singular = USUAL_THINGS.filter((t) => !/s( |$)/.test(t.name)).map((t) => t.name)
    expect(singular.length).toBeGreaterThan(100)
    expect(singular.map(oneOf)).toEqual(singular)
  })
  it('is told so where there are more of it, and as it was named where there is one in all', () => {
    expect(sayThings(1, { name: 'kids bikes', count: 2 })).toBe('1 kids bike')
    expect(sayThings(2, { name: 'kids bikes', count: 2 })).toBe('2 kids bikes')
    expect(sayThings(1, { name: 'books', count: 1 })).toBe('1 books')
  })
})

describe('what goods weigh in all', () => {
  const nothing = { floorMm2: 0, volumeMm3: 0, shelfMm: 0 }
  it.each([
    [{ things: 3, massKg: 12, notWeighed: 0 }, '12 kg'],
    [{ things: 3, massKg: 12, notWeighed: 1 }, '12 kg, 1 not weighed'],
    [{ things: 3, massKg: 0, notWeighed: 3 }, 'none weighed'],
    [{ things: 0, massKg: 0, notWeighed: 0 }, '0 kg'],
  ])('%j is %s', (t, said) => expect(sayMassOf({ ...nothing, ...t }, METRIC)).toBe(said))
})
