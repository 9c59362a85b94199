import { describe, expect, it } from '@jest/globals'
import { lately } from './lately.ts'

describe('what was worked out lately', () => {
  it('is not worked out again, nothing found included, and the oldest is forgotten first', () => {
    const made: string[] = []
    const ask = lately<string | null>(2)
    const of = (key: string) => ask(key, () => (made.push(key), key === 'none' ? null : key))
    expect([of('a'), of('none'), of('a'), of('none')]).toEqual(['a', null, 'a', null])
    expect(made).toEqual(['a', 'none'])
    of('b')
    expect(of('none')).toBeNull()
    expect(made).toEqual(['a', 'none', 'b'])
    of('a')
    expect(made).toEqual(['a', 'none', 'b', 'a'])
  })
})
