import { describe, expect, it } from '@jest/globals'
import { kept } from './kept.ts'

describe('what is kept', () => {
  it('is worked out once for each key, also where it comes to nothing', () => {
    const asked: string[] = []
    const known = new Map<string, number | null>()
    const of = (key: string) =>
      kept(known, key, () => {
        asked.push(key)
        return key === 'a' ? null : 0
      })
    expect([of('a'), of('b'), of('a'), of('b')]).toEqual([null, 0, null, 0])
    expect(asked).toEqual(['a', 'b'])
  })
})
