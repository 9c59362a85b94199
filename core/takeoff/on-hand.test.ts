import { describe, expect, it } from '@jest/globals'
import { cutKey } from '../project/plan.ts'
import { newProject } from '../project/project.ts'
import { newFeature } from '../room/features.ts'
import { soundStretches, staysIn, woodAtHand, type OnHandPiece } from './on-hand.ts'

const board = (over: object = {}) =>
  ({
    ...{ id: 'h', kind: 'board', section: '38x89mm', treated: false, lengthMm: 2400, note: '', defects: [] },
    ...over,
  }) as Extract<OnHandPiece, { kind: 'board' }>
const bench = (comesDown?: boolean) =>
  newFeature({ id: 'old', kind: 'bench', wallId: 'wall-1', atMm: 0, ...(comesDown ? { comesDown } : {}) })

describe('wood of what comes down', () => {
  const hand = [board(), board({ id: 'of-it', from: 'old' }), board({ id: 'of-none', from: 'gone' })]
  const there = (features: ReturnType<typeof bench>[]) =>
    woodAtHand({ onHand: hand, room: { features } }).map((h) => h.id)
  it('is there while that comes down, and once it is gone from the survey; not where it stays', () => {
    expect(there([bench(true)])).toEqual(['h', 'of-it', 'of-none'])
    expect(there([])).toEqual(['h', 'of-it', 'of-none'])
    expect(there([bench()])).toEqual(['h', 'of-none'])
    expect(staysIn(hand[1], [bench()])?.id).toBe('old')
    expect(staysIn(hand[0], [bench()])).toBeNull()
  })
  it('is planned with, and a plan with it is none any more where it stays', () => {
    const p = newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z')
    const piece = {
      ...{ build: 'b', letter: 'A', parts: ['x'], count: 2, stock: board(), cut: { lengthMm: 900, widthMm: 89 } },
      ...{ stockKind: 'board', grain: 'any', machining: [], ends: [], ripped: false },
    }
    piece.stock = { kind: 'board', section: '38x89mm', grade: 'C24', treated: false } as never
    const key = (onHand: OnHandPiece[], features: ReturnType<typeof bench>[]) =>
      cutKey({ ...p, onHand, room: { ...p.room, features } }, [{ pieces: [piece as never] }])
    const [without, used, staying] = [key([], []), key([hand[1]], [bench(true)]), key([hand[1]], [bench()])]
    expect(used).not.toBe(without)
    expect(staying).toBe(without)
  })
})

describe('a board with bad places', () => {
  it('is as many boards as there are sound stretches of it', () => {
    const bad = (...defects: [number, number][]) =>
      soundStretches(board({ defects: defects.map(([fromMm, toMm]) => ({ fromMm, toMm })) }), 100)
    expect(bad()).toEqual([{ fromMm: 0, toMm: 2400 }])
    // In any order, one into the other, and over the end; a stretch no longer than the least is left out.
    expect(bad([1000, 1100], [50, 80], [1050, 1200], [2300, 2500])).toEqual([
      { fromMm: 80, toMm: 1000 },
      { fromMm: 1200, toMm: 2300 },
    ])
  })
})
