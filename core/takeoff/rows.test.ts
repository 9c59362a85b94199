import { expect, it } from '@jest/globals'
import { inCart, isBought, tickedCart, type Cart, type Purchase } from './purchases.ts'
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
  const rows = shoppingRows({ lines: [line], totalMinor: 770, unpriced: 0 }, { bought: ['board:2x4:2438'] }, [
    '38 x 38',
  ])
  expect(rows[0]).toMatchObject({ aisle: 'lumber', item: '2x4 8 ft', need: 3, each: 3.85, total: 7.7 })
  expect(rows[0]).toMatchObject({ in_cart: 2, done: 'yes' })
  expect(rows[1]).toMatchObject({ aisle: 'not in this list', item: '38 x 38', need: '', total: '' })
  // The same columns in every row: a spreadsheet has one head.
  expect(Object.keys(rows[1])).toEqual(Object.keys(rows[0]))
})

it('a tick stands for what was asked for then: what is asked for since is still to be bought', () => {
  const asked = (buy: number) => ({ ...line, buy })
  const none: Cart = { bought: ['sheet:ply'] }
  expect([inCart(line, none), isBought(line, none)]).toEqual([0, false])
  const two = tickedCart(asked(2), none)
  expect(two).toEqual({ bought: ['sheet:ply', line.key], inCart: { [line.key]: 2 } })
  expect([inCart(asked(2), two), isBought(asked(2), two)]).toEqual([2, true])
  // Three more are asked for: two of five, until it is ticked again.
  expect([inCart(asked(5), two), isBought(asked(5), two)]).toEqual([2, false])
  expect(shoppingRows({ lines: [asked(5)], totalMinor: 0, unpriced: 0 }, two)[0]).toMatchObject({
    in_cart: 2,
    done: '',
  })
  const five = tickedCart(asked(5), two)
  expect(five.inCart).toEqual({ [line.key]: 5 })
  expect(isBought(asked(5), five)).toBe(true)
  // Fewer are asked for, or all of them are there: it stays ticked.
  expect([isBought(asked(1), five), isBought(asked(0), five)]).toEqual([true, true])
  expect(tickedCart(asked(5), five)).toEqual({ bought: ['sheet:ply'], inCart: {} })
  // Ticks of before that was counted stand for all.
  expect(isBought(asked(9), { bought: [line.key] })).toBe(true)
})
