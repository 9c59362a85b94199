import { expect, it } from '@jest/globals'
import type { Part } from './assembly.ts'
import { inLineWith } from './in-line.ts'

const board = (
  id: string,
  from: number,
  to: number,
  over: { y?: number; role?: string; along?: number[] } = {},
): Part =>
  ({
    id,
    role: over.role ?? 'guide',
    size: { lengthMm: to - from, widthMm: 38, thicknessMm: 38 },
    at: { centre: [(from + to) / 2, over.y ?? 0, 0], along: over.along ?? [1, 0, 0], across: [0, 0, 1] },
    machining: [],
  }) as never
const ids = (p: Part, all: Part[]) => inLineWith(p, all).map((x) => x.id)

it('boards that meet end to end are one run, from whichever of them it is asked', () => {
  const all = [board('c', 4000, 5000), board('a', 0, 2500), board('b', 2500, 4000)]
  for (const p of all) expect(ids(p, all)).toEqual(['a', 'b', 'c'])
})
it('a gap, another line, another kind and what stands across end it', () => {
  const a = board('a', 0, 2500)
  expect(ids(a, [a, board('b', 2510, 4000)])).toEqual(['a'])
  expect(ids(a, [a, board('b', 2500, 4000, { y: 40 })])).toEqual(['a'])
  expect(ids(a, [a, board('b', 2500, 4000, { role: 'rail' })])).toEqual(['a'])
  const up = board('u', 0, 500, { along: [0, 0, 1] })
  expect(ids(up, [up, a])).toEqual(['u'])
})
