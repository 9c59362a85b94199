import { expect, it } from '@jest/globals'
import type { Purchase } from './purchases.ts'
import { shoppingRows } from './rows.ts'

const line: Purchase = {
  key: 'board:2x4:2438',
  aisle: 'lumber',
  label: '2x4 8 ft',
  count: 3,
  have: 1,
  buy: 2,
  holds: null,
  eachMinor: 385,
  totalMinor: 770,
}

it('a shopping list in rows says what was got, and what no plan could be made for', () => {
  const rows = shoppingRows({ lines: [line], totalMinor: 770, unpriced: 0 }, ['board:2x4:2438'], ['38 x 38'])
  expect(rows[0]).toMatchObject({ aisle: 'lumber', item: '2x4 8 ft', need: 3, each: 3.85, total: 7.7, done: 'yes' })
  expect(rows[1]).toMatchObject({ aisle: 'not in this list', item: '38 x 38', need: '', total: '' })
  // The same columns in every row: a spreadsheet has one head.
  expect(Object.keys(rows[1])).toEqual(Object.keys(rows[0]))
})
