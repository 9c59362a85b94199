import { describe, expect, it } from '@jest/globals'
import { rowsToGoods } from './csv.ts'
import { guessMatch, MATCHED, matchedRows, missingIn, unitOf } from './match-columns.ts'

const columns = (headings: string[]) =>
  Object.fromEntries(Object.entries(guessMatch(headings)).flatMap(([k, v]) => (v.column ? [[k, v.column]] : [])))

describe('columns of another list', () => {
  it.each([
    [
      ['Item', 'Qty', 'Width (cm)', 'Depth (cm)', 'Height (cm)', 'Weight (kg)', 'Location'],
      {
        name: 'Item',
        count: 'Qty',
        across: 'Width (cm)',
        deep: 'Depth (cm)',
        tall: 'Height (cm)',
        mass: 'Weight (kg)',
        where_now: 'Location',
      },
    ],
    [
      ['Description', 'L', 'W', 'H', 'Category'],
      { name: 'Description', across: 'W', deep: 'L', tall: 'H', group: 'Category' },
    ],
    [
      ['name', 'across_mm', 'deep_mm', 'tall_mm', 'mass_kg', 'often'],
      { name: 'name', across: 'across_mm', deep: 'deep_mm', tall: 'tall_mm', mass: 'mass_kg', often: 'often' },
    ],
    [['foo', 'bar'], {}],
  ])('are guessed from their headings %j', (headings, expected) => {
    expect(columns(headings)).toEqual(expected)
    const taken = Object.values(columns(headings))
    expect(new Set(taken).size).toBe(taken.length)
  })
  it('name their unit, or none', () => {
    for (const [heading, unit] of [
      ['Width (cm)', 'cm'],
      ['height [in]', 'in'],
      ['Weight, lbs', 'lb'],
      ['across_mm', 'mm'],
      ['Width', null],
      ['Item', null],
      ['', null],
    ] as const)
      expect({ heading, unit: unitOf(heading) }).toEqual({ heading, unit })
  })
  it('are read as they were matched: units to bare numbers, what has one of its own as it is', () => {
    const match = guessMatch(['Item', 'Qty', 'Width (cm)', 'Depth (cm)', 'Height (cm)', 'Weight (kg)', 'Used'])
    const rows = [
      {
        Item: 'Crate',
        Qty: '4 pcs',
        'Width (cm)': '40',
        'Depth (cm)': '30,5',
        'Height (cm)': '250 mm',
        'Weight (kg)': '9',
        Used: 'every day',
      },
      {
        Item: 'Sled',
        Qty: '',
        'Width (cm)': '100',
        'Depth (cm)': '45',
        'Height (cm)': '28',
        'Weight (kg)': '',
        Used: 'once a year',
      },
    ]
    const read = rowsToGoods(matchedRows(rows, match), 'imperial', (i) => `g${i}`)
    expect(read.problems).toEqual([])
    expect(read.goods).toMatchObject([
      { name: 'Crate', count: 4, acrossMm: 400, deepMm: 305, tallMm: 250, massKg: 9, often: 'daily' },
      { name: 'Sled', count: 1, acrossMm: 1000, massKg: null, often: 'seldom' },
    ])
  })
  it('that are missing are named, and a usual thing needs no size', () => {
    expect(missingIn(guessMatch(['Item', 'Width']))).toEqual(['deep', 'tall'])
    const read = rowsToGoods([{ name: 'Step ladders', count: '2' }, { name: 'Gadget' }], 'metric', (i) => `g${i}`)
    expect(read.goods).toMatchObject([{ name: 'Step ladders', kind: 'board', acrossMm: 1800 }])
    expect(read.problems).toMatchObject([{ row: 2, code: 'row-missing', field: 'across' }])
  })
  it('of nothing are nothing', () => {
    expect(matchedRows([], guessMatch([]))).toEqual([])
    expect(matchedRows([{}], guessMatch(['Item']))).toEqual([{}])
    expect(Object.keys(guessMatch([]))).toEqual([...MATCHED])
  })
})
