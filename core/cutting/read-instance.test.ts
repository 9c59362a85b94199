import { describe, expect, it } from '@jest/globals'
import { readInstance } from './format.ts'
import { planBoardsExact } from './boards-exact.ts'
import { planSheetsBest } from './sheets-best.ts'

const good = {
  format: 'cut1d-instance',
  version: 1,
  name: 'x',
  unit: 'mm',
  kerf: 3,
  trimStart: 0,
  trimEnd: 0,
  parts: [{ id: 'a', length: 700, qty: 5 }],
  stock: [{ id: 's', length: 2400, price: 100, available: null as number | null, offcut: false }],
}
const faults = (x: unknown) => {
  const r = readInstance(typeof x === 'string' ? x : JSON.stringify(x))
  return r.ok ? [] : r.faults
}

describe('a file to be cut', () => {
  it('is read, also behind a mark of the order of bytes', () => {
    expect(faults(good)).toEqual([])
    expect(faults(`\uFEFF${JSON.stringify(good)}`)).toEqual([])
  })
  it.each([
    ['no JSON', '{"format":', /JSON/],
    ['nothing', '', /JSON/],
    ['a number', '5', /^format: .* the file has nothing$/],
    ['another file', { format: 'tackloft' }, /^format: .* the file has "tackloft"$/],
    ['a negative length', { ...good, parts: [{ id: 'a', length: -1, qty: 1 }] }, /^parts\.0\.length: /],
    ['half a millimetre', { ...good, kerf: 3.5 }, /^kerf: /],
    [
      'a price too dear to reckon with',
      { ...good, stock: [{ ...good.stock[0], price: 3.5e11 }] },
      /^stock\.0\.price: .*1000000000/,
    ],
    ['no list', { ...good, parts: 'many' }, /^parts: /],
  ])('%s is told at its field', (_what, x, told) => expect(faults(x)[0]).toMatch(told))
  it('a list longer than anyone plans for is refused before it is read', () => {
    const parts = Array.from({ length: 70_000 }, () => ({ id: 5, length: 'a', qty: -1 }))
    expect(faults({ ...good, parts })).toEqual([
      'parts: 70000 are given; at most 20000 kinds of pieces are planned for',
    ])
    const stock = Array.from({ length: 130_000 }, (_, i) => ({ ...good.stock[0], id: `${i}` }))
    expect(faults({ ...good, stock })).toEqual(['stock: 130000 are given; at most 1000 kinds of stock are planned for'])
  })
  it('no more than eight faults are told', () =>
    expect(
      faults({ ...good, parts: Array.from({ length: 300 }, () => ({ id: 5, length: 'a', qty: -1 })) }),
    ).toHaveLength(8))
})

describe('time is kept', () => {
  /** The time is over since two seconds. */
  const over = { shouldStop: () => true, secondsLeft: () => -2 }
  it('when even a first plan takes too long, that is said and nothing is claimed', () => {
    const i = {
      ...good,
      format: 'cut1d-instance' as const,
      version: 1 as const,
      parts: Array.from({ length: 3000 }, (_, k) => ({ id: `${k}`, length: 100 + k, qty: 1 })),
      stock: [{ ...good.stock[0], length: 4000 }],
    }
    const boards = planBoardsExact(i, null, over)
    expect(boards.ok || boards.why.code).toBe('none-found')
    const sheets = planSheetsBest(
      {
        format: 'cut2d-instance',
        version: 1,
        name: 'x',
        unit: 'mm',
        kerf: 3,
        trim: 0,
        maxStages: null,
        parts: i.parts.map((p) => ({ id: p.id, w: p.length, h: 200, qty: 1, rotate: true })),
        stock: [{ id: 's', w: 4000, h: 2000, price: 1, available: null, offcut: false }],
      },
      null,
      over,
    )
    expect(sheets.ok || sheets.why.code).toBe('none-found')
  })
})
