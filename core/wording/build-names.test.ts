import { describe, expect, it } from '@jest/globals'
import { newGoods } from '../goods/goods.ts'
import { buildName } from './build-names.ts'

const thing = (id: string, name: string, mm: number) =>
  newGoods({ id, name, kind: 'box', count: 9, acrossMm: mm, deepMm: mm, tallMm: mm, massKg: 1 })
const goods = [
  thing('a', 'jars', 100),
  thing('b', 'totes', 400),
  thing('c', 'chest freezer', 900),
  thing('d', 'x'.repeat(90), 2000),
]
const called = (ids: string[], taken: string[] = []) =>
  buildName({ family: 'post-rack', goods: ids.map((goodsId) => ({ goodsId, count: 1 })) }, goods, new Set(taken))

describe('the name of a build out of a plan', () => {
  it('tells its kind and the two that take most room in it', () => {
    expect(called(['a', 'c', 'b'])).toBe('Post rack: chest freezer, totes')
    expect(called(['a'])).toBe('Post rack: jars')
    expect(called([])).toBe('Post rack')
    expect(called(['gone'])).toBe('Post rack')
  })
  it('counts how many there are of each', () => {
    const many = {
      family: 'post-rack',
      goods: [
        { goodsId: 'a', count: 100 },
        { goodsId: 'b', count: 1 },
      ],
    }
    expect(buildName(many, goods, new Set())).toBe('Post rack: jars, totes')
  })
  it('is no name another has, nor too long to be read', () => {
    expect(called(['b'], ['Post rack: totes'])).toBe('Post rack: totes 2')
    expect(called(['b'], ['Post rack: totes', 'Post rack: totes 2'])).toBe('Post rack: totes 3')
    expect(called(['d', 'b'])).toBe('Post rack')
  })
})
