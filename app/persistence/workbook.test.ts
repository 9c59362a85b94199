import { describe, expect, it } from '@jest/globals'
import readSheets from 'read-excel-file/universal'
import { goodsToRows, GOODS_COLUMNS, rowsToGoods, type RawRow } from '../../core/goods/csv.ts'
import { tableOfSheets } from '../../core/goods/sheet.ts'
import { newGoods } from '../../core/goods/goods.ts'
import { asWorkbook, cellsOf } from './workbook.ts'
import { zip } from './zip-at-once.ts'

describe('a table as a workbook', () => {
  it('has numbers where nothing but numbers stands, and text as it is', () => {
    const rows = [
      { name: '12', mm: '40.5', code: '007', n: 3, note: '' },
      { name: 'box', mm: '', code: '12', n: 4, note: '=1+1' },
    ]
    expect(cellsOf(rows)).toEqual([
      ['name', 'mm', 'code', 'n', 'note'],
      ['12', 40.5, '007', 3, null],
      ['box', null, '12', 4, '=1+1'],
    ])
    expect(cellsOf(rows, ['n', 'gone'])).toEqual([
      ['n', 'gone'],
      [3, null],
      [4, null],
    ])
    expect(cellsOf([], ['name'])).toEqual([['name']])
  })
  it('gives the same things when it is read again', async () => {
    const goods = [
      newGoods({ id: 'a', name: '2 x 4 offcuts', kind: 'board', count: 3, acrossMm: 900, deepMm: 89, tallMm: 38, massKg: 2.5 }),
      newGoods({ id: 'b', name: '=SUM(A1)', kind: 'box', count: 12, acrossMm: 400, deepMm: 300, tallMm: 250.5, massKg: null }),
    ] // prettier-ignore
    const blob = await asWorkbook('goods', goodsToRows(goods), GOODS_COLUMNS)
    const sheets = await readSheets(await blob.arrayBuffer())
    expect(sheets.map((s) => s.sheet)).toEqual(['goods'])
    const { headings, rows } = tableOfSheets(sheets)
    expect(headings).toEqual([...GOODS_COLUMNS])
    let n = 0
    const back = rowsToGoods(rows as RawRow[], 'metric', () => ['a', 'b'][n++])
    expect(back).toEqual({ goods, problems: [] })
  })
  it('is packed at once, however large', async () => {
    const large = new Uint8Array(400_000).fill(65)
    const packed = await new Promise<Uint8Array>((done) => zip({ 'a.txt': large }, (_, all) => done(all!)))
    expect(packed.length).toBeLessThan(5000)
    expect([...packed.slice(0, 2)]).toEqual([0x50, 0x4b])
  })
})
