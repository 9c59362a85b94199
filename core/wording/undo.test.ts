import { describe, expect, it } from '@jest/globals'
import { settings, startingSettings } from '../assembly/settings.ts'
import { goodsItem, newGoods, type Goods } from '../goods/goods.ts'
import { wall } from '../room/room.ts'
import { goodsChanged, settingsChanged, wallChanged } from './undo.ts'

describe('what undo takes back', () => {
  it('is said in words for every field there is, none of them a name of the code', () => {
    const goods = newGoods({
      id: 'g',
      name: 'pail',
      kind: 'pail',
      count: 1,
      acrossMm: 300,
      deepMm: 300,
      tallMm: 380,
      massKg: 1,
    })
    const said = [
      ...Object.keys(goodsItem.shape).map((k) => goodsChanged('pail', { [k]: goods[k as keyof Goods] })),
      ...Object.keys(wall.shape).map((k) => wallChanged('pail', { [k]: undefined })),
      ...Object.keys(settings.shape).map((k) => `${settingsChanged({ [k]: undefined })} of pail`),
    ]
    for (const s of said) expect(s).toMatch(/^[a-z]+( [a-z]+)* of pail$/)
  })
  it('names what is changed together once', () => {
    expect(goodsChanged('box', { acrossMm: 1, deepMm: 2, tallMm: 3 })).toBe('size of box')
    expect(goodsChanged('box', { count: 1, massKg: 2 })).toBe('count, mass of box')
    expect(settingsChanged({ kerfMm: startingSettings('metric').kerfMm })).toBe('saw kerf')
  })
})
