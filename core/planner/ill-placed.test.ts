import { describe, expect, it } from '@jest/globals'
import { prism } from '../geometry/convex.ts'
import { newGoods, type Goods } from '../goods/goods.ts'
import { newProject } from '../project/project.ts'
import { newFeature, type Feature } from '../room/features.ts'
import { outline } from '../room/outline.ts'
import { illPlaced } from './ill-placed.ts'

const thing = (more: Partial<Goods>): Goods => ({
  ...newGoods({ id: 'g', name: 'g', kind: 'other', count: 1, acrossMm: 200, deepMm: 200, tallMm: 200, massKg: 2 }),
  ...more,
})
/** What is bad about a thing 200 mm cubed, so far along the one wall and over the floor. */
function at(g: Goods, alongMm: number, upMm: number, features: Feature[] = []) {
  const p = newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z')
  const wall = { ...p.room.walls[0], id: 'n', lengthMm: 6000 }
  const room = { ...p.room, closed: false, walls: [wall], features }
  const o = outline(room)
  const { from, along, inward } = o.walls[0]
  const spot = (a: number, out: number): [number, number] => [
    from[0] + a * along[0] + out * inward[0],
    from[1] + a * along[1] + out * inward[1],
  ]
  const foot = [spot(alongMm, 0), spot(alongMm + 200, 0), spot(alongMm + 200, 200), spot(alongMm, 200)]
  const person = { ...p.settings, personMm: 1700 }
  return illPlaced(g, prism(foot, upMm, upMm + 200), { ...p, room, settings: person }, o)
}
const feature = (kind: Feature['kind'], atMm: number) => newFeature({ id: kind, kind, wallId: 'n', atMm })

describe('a bad place', () => {
  const paint = thing({ kind: 'pail', care: ['liquid'] })
  it('of what leaks is over the eyes, which are at 0.936 of stature', () => {
    // 0.936 · 1700 = 1591 mm to the top of it.
    expect(at(paint, 1000, 1391)).toBeNull()
    expect(at(paint, 1000, 1392)).toBe('over-eyes')
    expect(at(thing({ kind: 'box' }), 1000, 1392)).toBeNull()
    // A pail that says nothing else may hold paint; what is known to hold none does not.
    const called = (name: string) => at(thing({ kind: 'pail', name }), 1000, 1392)
    expect(['pail', 'blue bucket', 'tin of paint', 'fire extinguisher', 'jar'].map(called)).toEqual(
      ['over-eyes', 'over-eyes', 'over-eyes', null, null], // prettier-ignore
    )
  })
  it('of what burns is beside a flame, of a machine as well', () => {
    const heater = [feature('water-heater', 0)]
    const can = thing({ kind: 'equipment', often: 'weekly', care: ['gas'] })
    for (const g of [paint, can]) {
      expect(at(g, 700, 100, heater)).toBe('near-flame')
      expect(at(g, 3000, 100, heater)).toBeNull()
    }
  })
  it('of what is plugged in is further from every outlet than a cord is long', () => {
    const outlet = [feature('outlet', 500)]
    const [charger, fridge] = [thing({ care: ['charging'] }), thing({ kind: 'equipment', often: 'daily' })]
    for (const g of [charger, fridge]) {
      expect(at(g, 800, 300, outlet)).toBeNull()
      expect(at(g, 4000, 300, outlet)).toBe('far-from-outlet')
      // Where no outlet was surveyed nobody knows.
      expect(at(g, 4000, 300)).toBeNull()
    }
    expect(at({ ...fridge, often: 'seldom' }, 4000, 300, outlet)).toBeNull()
    // What is wheeled out to its work is not plugged in where it is kept.
    const called = (name: string) => at({ ...fridge, name }, 4000, 300, outlet)
    expect(['refrigerator', 'Drill press', 'pushchair', 'lawn mower', 'wheelbarrow'].map(called)).toEqual(
      ['far-from-outlet', 'far-from-outlet', null, null, null], // prettier-ignore
    )
  })
})
