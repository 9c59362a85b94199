import { describe, expect, it } from '@jest/globals'
import { facesOf, isFree } from './face.ts'

const face = { longMm: 3000, highMm: 2400 }
const asked = (longMm: number, highMm: number, onFloor = false) => ({ longMm, highMm, onFloor })

describe('the face of a wall', () => {
  it('bare has room for what is no larger than it', () => {
    expect(isFree(face, [], asked(3000, 2400, true))).toBe(true)
    expect(isFree(face, [], asked(3001, 2400))).toBe(false)
    expect(isFree(face, [], asked(3000, 2401))).toBe(false)
  })
  it('has room beside what stands there, and over it for what need not stand on the floor', () => {
    const rack = { from: 0, to: 1800, lowMm: 0, highMm: 1500 }
    expect(isFree(face, [rack], asked(1200, 2400, true))).toBe(true)
    expect(isFree(face, [rack], asked(1201, 500, true))).toBe(false)
    expect(isFree(face, [rack], asked(3000, 900))).toBe(true)
    expect(isFree(face, [rack], asked(3000, 901))).toBe(false)
  })
  it('between two things has what they leave', () => {
    const taken = [
      { from: 0, to: 1000, lowMm: 0, highMm: 2400 },
      { from: 1700, to: 3000, lowMm: 0, highMm: 2400 },
    ]
    expect(isFree(face, taken, asked(700, 2000, true))).toBe(true)
    expect(isFree(face, taken, asked(701, 100))).toBe(false)
  })
  it('is taken no less than a thing takes as it is kept', () => {
    const of = (kind: Parameters<typeof facesOf>[0]['kind']) =>
      facesOf({ kind, acrossMm: 900, deepMm: 600, tallMm: 1450 }).map((f) => [f.longMm, f.highMm])
    expect(of('equipment')).toEqual([[900, 1450]])
    expect(of('box')).toEqual([[600, 1450]])
    expect(of('board')).toEqual([
      [600, 900],
      [900, 600],
    ])
  })
})
