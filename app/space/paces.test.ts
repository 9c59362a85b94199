import { describe, expect, test } from '@jest/globals'
import { FULL, PACES, PaceKeeper } from './paces.ts'

/** Frames this far apart. */
function frames(k: PaceKeeper, from: number, apart: number, many: number): number {
  for (let i = 0; i < many; i++) k.drawn((from += apart))
  return from
}

describe('paces of a moving picture', () => {
  test('each is quicker than the one before: fewer pixels or less drawn', () => {
    const much = ['all', 'bare', 'rough', 'faces']
    PACES.slice(1).forEach((p, i) => {
      const before = PACES[i]
      expect(p.ratio <= before.ratio).toBe(true)
      expect(much.indexOf(p.much) >= much.indexOf(before.much)).toBe(true)
      expect(p).not.toEqual(before)
    })
  })
  test('frames that keep up change nothing', () => {
    const k = new PaceKeeper()
    frames(k, 0, 17, 300)
    expect(k.pace).toBe(FULL)
  })
  test('slow frames in a row: the next pace, down to the last', () => {
    const k = new PaceKeeper()
    const t = frames(k, 0, 40, 3)
    expect(k.pace).toBe(PACES[1])
    frames(k, t, 40, 100)
    expect(k.pace).toBe(PACES[PACES.length - 1])
  })
  test('far too slow: two paces at once', () => {
    const k = new PaceKeeper()
    frames(k, 0, 60, 3)
    expect(k.pace).toBe(PACES[2])
  })
  test('one slow frame now and then is the machine, not the pace', () => {
    const k = new PaceKeeper()
    let t = 0
    for (let i = 0; i < 20; i++) t = frames(k, frames(k, t, 80, 1), 17, 5)
    expect(k.pace).toBe(FULL)
  })
  test('a rest between two movements is no slow frame', () => {
    const k = new PaceKeeper()
    let t = 0
    for (let i = 0; i < 20; i++) {
      t = frames(k, t, 17, 3) + 100
      k.rests()
    }
    frames(k, t, 400, 20)
    expect(k.pace).toBe(FULL)
  })
  test('with time left a better pace is tried, but none that was too slow', () => {
    const k = new PaceKeeper()
    k.set(PACES[4])
    let t = frames(k, 0, 17, 200)
    expect(PACES.indexOf(k.pace)).toBe(2)
    t = frames(k, t, 40, 2)
    expect(PACES.indexOf(k.pace)).toBe(3)
    frames(k, t, 17, 500)
    expect(PACES.indexOf(k.pace)).toBe(3)
  })
})
