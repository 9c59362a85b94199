import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../test-support/near.ts'
import { newGoods, type Goods } from './goods.ts'
import { countedKg, KG_PER_LITRE, presumedMass, withPresumed } from './presumed.ts'
import { asTool, byItsBar, upHigh } from './ways.ts'

const thing = (name: string, kind: Goods['kind'], mm: [number, number, number], massKg: number | null = null): Goods =>
  newGoods({ id: name, name, kind, count: 1, acrossMm: mm[0], deepMm: mm[1], tallMm: mm[2], massKg })

describe('what nobody has weighed', () => {
  it('weighs what its contents do by the litre, rounded up to half a kilogram', () => {
    // 0.4 · 0.35 · 0.3 m = 42 l of books at 0.75 kg.
    expect(presumedMass(thing('Carton of books', 'box', [400, 350, 300]))).toEqual({
      contents: 'books',
      kgPerLitre: 0.75,
      kg: 31.5,
    })
    expect(presumedMass(thing('Box of cushions', 'box', [400, 350, 300])).contents).toBe('foam')
    expect(presumedMass(thing('Box', 'box', [400, 350, 300]))).toEqual({ contents: 'mixed', kgPerLitre: 0.35, kg: 15 })
  })
  it('fills a tote as far as its walls leave room', () => {
    // 0.4 · 0.6 · 0.34 m = 81.6 l round it, three quarters of them inside, at 0.35 kg: 21.4.
    const tote = { ...thing('Tote', 'tote', [400, 600, 340]), tote: { rimMm: 40, overhangMm: 40, taperMm: 25 } }
    expect(presumedMass(tote as Goods).kg).toBe(21.5)
    expect(presumedMass({ ...tote, name: 'Tote of ornaments' } as Goods)).toMatchObject({ contents: 'light', kg: 12.5 })
  })
  it('is round where it is round', () => {
    // π/4 · 0.2² · 0.25 m = 7.854 l of paint at 1.5 kg: 11.78.
    expect(presumedMass(thing('Tin', 'pail', [200, 200, 250])).kg).toBe(12)
  })
  it('is no more than one person handles, unless its name says that it is heavy', () => {
    expect(presumedMass(thing('Box', 'box', [600, 600, 600])).kg).toBe(32)
    expect(presumedMass(thing('Box of magazines', 'box', [600, 600, 600])).kg).toBe(46)
    // What nobody packed may weigh more.
    expect(presumedMass(thing('Thing', 'other', [600, 600, 600])).kg).toBe(46)
  })
  it('is that of the usual thing that is meant, whatever is said of which one it is', () => {
    const ladder = presumedMass(thing('step ladder', 'board', [1800, 500, 150])).kg
    expect(presumedMass(thing('old step ladder', 'board', [1800, 500, 150])).kg).toBe(ladder)
    // With a motor, or of steel, it is not as light as the usual one.
    const bicycle = (name: string) => presumedMass(thing(name, 'bicycle', [1750, 600, 1050])).kg
    expect([bicycle('old bicycle'), bicycle('bicycle')]).toEqual([18, 18])
    expect(bicycle('electric bike')).toBe(30)
    expect(presumedMass(thing('steel step ladder', 'board', [1800, 500, 150])).kg).toBe(2 * ladder)
    // What is called so by itself is no heavier than it is.
    expect(presumedMass(thing('electric scooter', 'other', [1150, 450, 1150])).kg).toBe(18)
    // Longer by so much, heavier by as much.
    expectNear(presumedMass(thing('8 ft step ladder', 'board', [2438, 500, 150])).kg / ladder, 2438 / 1800, 0.03)
  })
  it('was brought in by hand, unless it is a machine, a drum, or wood', () => {
    expect(presumedMass(thing('Box of tiles', 'box', [600, 600, 600])).kg).toBe(46)
    // 306 l at 0.35 kg.
    expectNear(presumedMass(thing('Freezer', 'equipment', [600, 600, 850])).kg, 107.5, 0.01)
    expect(presumedMass(thing('Drum', 'drum', [590, 590, 880])).kg).toBeGreaterThan(200)
  })
  it('is heavier the larger it is, and never nought', () => {
    for (const contents of Object.values(KG_PER_LITRE)) expect(contents).toBeGreaterThan(0)
    const of = (mm: number) => presumedMass(thing('Box', 'box', [mm, mm, mm])).kg
    expect([10, 100, 200, 300, 400].map(of).every((kg, i, all) => kg > 0 && (i === 0 || kg >= all[i - 1]))).toBe(true)
  })
  it('takes the place of no mass that is known', () => {
    const goods = [thing('Box', 'box', [400, 350, 300], 3), thing('Other box', 'box', [400, 350, 300])]
    expect(withPresumed(goods).map((g) => g.massKg)).toEqual([3, 15])
    expect(goods[1].massKg).toBeNull()
  })
  it('is held in both hands where it is a tool, so that a long one has its holder before it is weighed', () => {
    const hoe = thing('Reacher', 'tool', [450, 120, 1600])
    expect(presumedMass(hoe).kg).toBe(15)
    expect(presumedMass(thing('Small hook', 'tool', [30, 30, 200])).kg).toBe(0.5)
    expect(asTool(hoe, 15, 'own-holder')).not.toBeNull()
  })
  it('is no heavier than the heaviest bicycle, whatever it is called: it hangs by its bar', () => {
    const own = thing('Old green tourer', 'bicycle', [1750, 600, 1050])
    expect(presumedMass(own).kg).toBe(30)
    expect(byItsBar(own, 30)).not.toBeNull()
  })
  it('is given a place as what it is presumed to be: books go up high no more than once they are weighed', () => {
    const books = thing('Carton of books', 'box', [400, 350, 300])
    expect(countedKg(books)).toBe(31.5)
    expect(countedKg({ ...books, massKg: 8 })).toBe(8)
    expect(countedKg({ ...books, massKg: 0 })).toBe(0)
    expect(upHigh({ ...books, often: 'seldom' }, 20)).toBeNull()
    expect(upHigh({ ...books, often: 'seldom', massKg: 8 }, 20)).not.toBeNull()
  })
})
