import { describe, expect, it } from '@jest/globals'
import { METRIC } from '../measure/units.ts'
import { sayLine } from '../wording/cuts.ts'
import { sayIn } from '../wording/say.ts'
import { careOfAll, linesOf, ranges } from './batch-lines.ts'
import { boardCuts, wholeBoard } from './board-cuts.ts'
import { batched, settingsMade } from './cut-order.ts'
import type { BoardLaid } from './sawing.ts'

const board = (n: number, pieces: [string, number][]): BoardLaid => {
  let at = 5
  return {
    id: `b${n}`,
    stockKey: 'x',
    section: '38x89mm',
    treated: false,
    lengthMm: 2400,
    leftoverMm: 0,
    handId: null,
    fromMm: 0,
    cuts: pieces.map(([label, lengthMm]) => {
      const atMm = at
      at += lengthMm + 3
      return { line: 'x', labels: [label], lengthMm, atMm, ripMm: null }
    }),
  }
}
const boards = Array.from({ length: 10 }, (_, i) =>
  board(
    i,
    [0, 1, 2].map((k) => [`D${3 * i + k + 1}`, 700]),
  ),
)
const batches = batched([...boards, board(10, [['E', 700]])].flatMap((b) => boardCuts(b, wholeBoard(b), { kerfMm: 3 })))
const names = new Map(Array.from({ length: 11 }, (_, i) => [`b${i}`, `Board ${i + 25}`]))

describe('lines of a batch', () => {
  it('hold alike cuts from alike boards, and each cut once', () => {
    const [square, cross] = batches
    expect(batches).toHaveLength(2)
    expect(linesOf(square)).toHaveLength(1)
    const lines = linesOf(cross)
    expect(lines.map((l) => [l.on.length, l.each, l.frees.length])).toEqual([
      [10, 3, 30],
      [1, 1, 1],
    ])
    const keys = lines.flatMap((l) => l.cuts.map((c) => c.key))
    expect(new Set(keys)).toEqual(new Set(cross.cuts.map((c) => c.key)))
    expect(keys).toHaveLength(cross.cuts.length)
    expect(lines.map((l) => sayLine(l, names, sayIn(METRIC)))).toEqual([
      'Boards 25–34: 3 each → D1–D30',
      'Board 35: frees E, leaves 1692 mm',
    ])
    expect(sayLine(linesOf(square)[0], names, sayIn(METRIC))).toBe('Boards 25–35')
  })
  it('keep unlike cuts of one sheet apart, in their order on it', () => {
    const [one] = batches[1].cuts
    const cut = (n: number, on: string, frees: string[], holds: string[]) => ({
      ...one,
      n,
      key: `${n}`,
      on,
      frees,
      holds,
    })
    // Frees one, takes off others, frees one: three lines, and the second sheet's two beside the first's.
    const cuts = [
      cut(1, 's1', ['A1'], []),
      cut(2, 's2', ['A3'], []),
      cut(3, 's1', [], ['C1', 'C2']),
      cut(4, 's1', ['A2'], []),
      cut(5, 's2', [], ['C3', 'C4']),
    ]
    const lines = linesOf({ cuts })
    expect(lines.map((l) => [l.on, l.frees, l.holds])).toEqual([
      [['s1', 's2'], ['A1', 'A3'], []],
      [['s1', 's2'], [], ['C1', 'C2', 'C3', 'C4']],
      [['s1'], ['A2'], []],
    ])
  })
  it('say what is to be minded at all of them once', () => {
    const of = (...care: ('sled' | 'outfeed')[]) => ({ ...linesOf(batches[0])[0], care })
    expect(careOfAll([of('sled', 'outfeed'), of('sled')])).toEqual(['sled'])
    expect(careOfAll([of('sled')])).toEqual([])
  })
  it('names in ranges, by letter and number', () => {
    expect(ranges(['D3', 'D1', 'A', 'D2', 'B7', 'B8', 'D10'], '–')).toBe('A, B7, B8, D1–D3, D10')
    expect(ranges(['2', '3', '4', '9'], ' to ')).toBe('2 to 4, 9')
  })
  it('a fence and a stop keep their settings while the other is used', () => {
    const [square, cross] = batches
    expect(settingsMade([square, cross, { ...square }, { ...cross, settingMm: 650 }, cross])).toBe(4)
  })
})
