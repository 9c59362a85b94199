import { describe, expect, it } from '@jest/globals'
import { planBoardsExact } from '../cutting/boards-exact.ts'
import { cut1dInstance } from '../cutting/format.ts'
import { planSheetsGreedy } from '../cutting/sheets-greedy.ts'
import { sayCannot } from './cuts.ts'

describe('what is asked wrongly', () => {
  const base = {
    format: 'cut1d-instance',
    version: 1,
    name: 'x',
    unit: 'mm',
    kerf: 3,
    trimStart: 5,
    trimEnd: 0,
    stock: [{ id: 's', length: 2400, price: 1, available: null, offcut: false }],
  }
  it('names an id that stands twice', () => {
    const r = cut1dInstance.safeParse({
      ...base,
      parts: [
        { id: 'a', length: 1, qty: 1 },
        { id: 'a', length: 2, qty: 1 },
      ],
    })
    expect(r.error!.issues).toMatchObject([
      { path: ['parts', 1, 'id'], message: '"a" is given twice; every id may stand once' },
    ])
    expect(cut1dInstance.safeParse({ ...base, parts: [{ id: 'a', length: 1, qty: 1 }] }).success).toBe(true)
  })
  it('says how long, and whether turning would help', () => {
    const say = (n: number) => `${n} mm`
    const long = planBoardsExact(cut1dInstance.parse({ ...base, parts: [{ id: 'b1/A', length: 2396, qty: 1 }] }), null)
    expect(!long.ok && sayCannot(long.why, say)).toBe(
      'Piece A is 2396 mm long; the longest board gives 2395 mm once its end is squared.',
    )
    const sheet = (rotate: boolean, h: number) =>
      planSheetsGreedy({
        format: 'cut2d-instance',
        version: 1,
        name: 'x',
        unit: 'mm',
        kerf: 3,
        trim: 5,
        maxStages: null,
        parts: [{ id: 'a', w: 500, h, qty: 1, rotate }],
        stock: [{ id: 's', w: 2440, h: 1220, price: 1, available: null, offcut: false }],
      })
    const grain = sheet(false, 2000)
    expect(!grain.ok && sayCannot(grain.why, say)).toMatch(/Turned it would go in, but its grain is fixed/)
    const large = sheet(false, 3000)
    expect(!large.ok && sayCannot(large.why, say)).toMatch(/no sheet is large enough once its edges are trimmed\.$/)
    expect(sheet(true, 2000).ok).toBe(true)
  })
})
