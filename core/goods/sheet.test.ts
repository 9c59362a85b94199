import { describe, expect, it } from '@jest/globals'
import readSheets, { readSheet } from 'read-excel-file/universal'
import { workbook } from '../../test-support/workbook.ts'
import { rowsToGoods } from './csv.ts'
import { tableOf, tableOfSheets } from './sheet.ts'

describe('a sheet of a workbook', () => {
  it('is named by its first row that says anything', () => {
    expect(
      tableOf([[], [null, ''], ['Name', ' Count ', null, 'Name'], ['Rake', 2, 'beside', 'x'], [null, null]]),
    ).toEqual({
      headings: ['Name', 'Count', 'Name 2'],
      rows: [{ Name: 'Rake', Count: '2', 'Name 2': 'x' }],
    })
    expect(
      tableOf([
        ['a', 'a 2', 'a'],
        [1, 2, 3],
      ]).rows,
    ).toEqual([{ a: '1', 'a 2': '2', 'a 3': '3' }])
    expect(tableOf([])).toEqual({ headings: [], rows: [] })
  })
  it('says numbers as they would be typed, and days and answers in words', () => {
    const { rows } = tableOf([
      ['a', 'b', 'c', 'd'],
      [0.1 + 0.2, 1e-7, true, { toISOString: () => '2026-05-03T00:00:00.000Z' }],
    ])
    expect(rows).toEqual([{ a: '0.3', b: '1e-7', c: 'yes', d: '2026-05-03' }])
  })
  it('of a real workbook becomes goods', async () => {
    const file = workbook([
      ['name', 'count', 'across', 'deep', 'tall', 'mass'],
      ['Crate of rope', 4, 400, 305.5, 250, 9],
      ['Sled & "ropes"', 1, 1000, 450, 280, null],
    ])
    const { rows } = tableOf(await readSheet(new Blob([file])))
    const { goods, problems } = rowsToGoods(rows, 'metric', (i) => `g${i}`)
    expect(problems).toEqual([])
    expect(goods.map((g) => [g.name, g.count, g.acrossMm, g.deepMm, g.tallMm, g.massKg])).toEqual([
      ['Crate of rope', 4, 400, 305.5, 250, 9],
      ['Sled & "ropes"', 1, 1000, 450, 280, null],
    ])
  })
  it('and its other sheets are read as well where their columns are called the same; else they are named', async () => {
    const file = workbook([], {
      Garage: [
        ['name', 'count'],
        ['Rake', 2],
      ],
      Shed: [
        ['count', 'name'],
        [3, 'Hoe'],
      ],
      'Paid & "due"': [
        ['bill', 'sum'],
        ['yard', 12],
      ],
      Empty: [['bill', 'sum']],
    })
    const { headings, rows, notRead } = tableOfSheets(await readSheets(new Blob([file])))
    expect(headings).toEqual(['name', 'count'])
    expect(rows).toEqual([
      { name: 'Rake', count: '2' },
      { name: 'Hoe', count: '3' },
    ])
    expect(notRead).toEqual(['Paid & "due"'])
    expect(tableOfSheets([])).toEqual({ headings: [], rows: [], notRead: [] })
  })
})
