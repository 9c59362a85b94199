import { describe, expect, it } from '@jest/globals'
import { newGoods, type Goods } from './goods.ts'

const of = (name: string, kind: Goods['kind'], [acrossMm, deepMm, tallMm]: number[], massKg: number | null = null) =>
  newGoods({ id: 'x', name, kind, count: 4, acrossMm, deepMm, tallMm, massKg })

describe('what is piled', () => {
  it('bags that lie flat, as high as is got at and as heavy as is carried', () => {
    expect(of('clay', 'bag', [250, 400, 110], 12.5).pile).toBe(5)
    expect(of('cement', 'bag', [400, 600, 130], 40).pile).toBe(2)
    expect(of('feed', 'bag', [500, 800, 330], 20).pile).toBe(2)
    expect(of('sand', 'bag', [400, 600, 130], 120).pile).toBe(1)
  })
  it('a bag that stands is none of them, nor is what has a lid', () => {
    expect(of('feed', 'bag', [300, 300, 700]).pile).toBe(1)
    expect(of('archive', 'tote', [400, 600, 320]).pile).toBe(1)
    expect(of('parts', 'box', [300, 400, 200]).pile).toBe(1)
  })
  it('wheels and bedding, as people do; somebody who says otherwise is obeyed', () => {
    expect(of('winter tires', 'other', [650, 650, 230]).pile).toBe(4)
    expect(of('sleeping bag', 'bag', [400, 250, 250]).pile).toBe(3)
    expect(newGoods({ ...of('winter tires', 'other', [650, 650, 230]), pile: 1 }).pile).toBe(1)
  })
})
