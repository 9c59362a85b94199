import { describe, expect, it } from '@jest/globals'
import type { Box } from '../geometry/box.ts'
import { passedIn } from './fastener.ts'

/** An upright of 18 mm and a shelf beside it, let in by so much. */
const upright: Box = { min: [0, 0, 0], max: [18, 400, 2000] }
const shelf = (letInMm: number): Box => ({ min: [18 - letInMm, 0, 900], max: [618, 400, 918] })

describe('wood a fastener passes', () => {
  it('all of an upright where the shelf stands against it, what the dado leaves where it stands in it', () => {
    expect(passedIn({ kind: 'screwed' }, upright, shelf(0))).toEqual({ throughMm: 18, behindMm: 600 })
    expect(passedIn({ kind: 'housed' }, upright, shelf(6))).toEqual({ throughMm: 12, behindMm: 606 })
    expect(passedIn({ kind: 'housed' }, upright, shelf(0)).throughMm).toBe(18)
  })
})
