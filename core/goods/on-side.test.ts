import { describe, expect, it } from '@jest/globals'
import { newGoods, type Goods } from './goods.ts'
import { onSide } from './on-side.ts'
import { onArms } from './ways.ts'

const long = (deepMm: number, tallMm: number): Goods =>
  newGoods({ id: 'g', name: 'g', kind: 'board', count: 1, acrossMm: 3000, deepMm, tallMm, massKg: 10 })
const sides = ({ deepMm, tallMm }: Goods) => [deepMm, tallMm]

describe('long things on arms', () => {
  it('lie on their long edge where they are wide and thick enough, and go in so', () => {
    expect(sides(onSide(long(450, 180), 900))).toEqual([180, 450])
    // As narrow as arms usually are, thinner than stands, higher than there is room, or thick already.
    expect(sides(onSide(long(350, 180), 900))).toEqual([350, 180])
    expect(sides(onSide(long(450, 79), 900))).toEqual([450, 79])
    expect(sides(onSide(long(450, 180), 449))).toEqual([450, 180])
    expect(sides(onSide(long(450, 290), 900))).toEqual([450, 290])
  })
  it('suit arms that are as long as they are thick', () => {
    expect(onArms(long(890, 400), 880)).not.toBeNull()
    expect(onArms(long(950, 400), 880)).toBeNull()
    expect(onArms(long(890, 60), 880)).toBeNull()
  })
})
