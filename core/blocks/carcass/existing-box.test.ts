import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { draft } from '../../assembly/draft.ts'
import { partMassKg } from '../../assembly/mass.ts'
import { withMoved } from '../../assembly/moved.ts'
import { partBox } from '../../assembly/part-box.ts'
import { boxOverlap } from '../../geometry/box.ts'
import { newtons } from '../../measure/units.ts'
import { EXISTING_FRONTS, placeExisting, placesIn, type ExistingBox } from './existing-box.ts'

const box: ExistingBox = {
  id: 'c',
  name: 'Cabinet 1',
  left: 100,
  backMm: 38,
  footMm: 1400,
  wideMm: 800,
  deepMm: 320,
  highMm: 720,
  massKg: 22,
  holdsKg: 50,
  shelves: 1,
  front: 'pair',
  boardMm: 16,
  railMm: 16,
  railHighMm: 64,
}
const placed = (over: Partial<ExistingBox> = {}, rails = true) => {
  const d = draft('metric')
  const got = placeExisting(d, { ...box, ...over }, 'metric', rails)
  return { ...got, a: d.assembly, part: (id: string) => d.part(id) }
}

describe('a cabinet that was there already', () => {
  it('weighs what it weighs, with its leaves, and carries what is known', () => {
    for (const front of EXISTING_FRONTS) {
      const { a, part, box: id } = placed({ front })
      expect(a.parts.reduce((m, p) => m + partMassKg(p), 0)).toBeCloseTo(22, 9)
      expect(part(id).stock).toMatchObject({ kind: 'existing', ratedN: newtons(50) })
      expect(a.motions).toHaveLength({ open: 0, left: 1, right: 1, pair: 2, up: 1, sliding: 2 }[front])
    }
  })
  it('a leaf opens forward on its own side, and clear of the other one', () => {
    const { a } = placed()
    const [left, right] = withMoved(a, a.motions)
      .filter((p) => p.role === 'door')
      .map(partBox)
    // Turned a quarter about their outer edges they stand out from the front, at the sides.
    expect(left.max[1]).toBeGreaterThan(38 + 320 + 350)
    expect(left.min[0]).toBeLessThan(120)
    expect(right.max[0]).toBeGreaterThan(880)
    expect(boxOverlap(left, right)).toBeNull()
    const [alone] = withMoved(placed({ front: 'right' }).a, placed({ front: 'right' }).a.motions)
      .filter((p) => p.role === 'door')
      .map(partBox)
    expect(alone.max[0]).toBeGreaterThan(880)
  })
  it('has its own rails where it is hung by them, and none where it stands', () => {
    const hung = placed()
    expect([hung.upper, hung.lower]).toEqual(['c-upper', 'c-lower'])
    expect(partBox(hung.part('c-upper')).max[2]).toBeCloseTo(1400 + 720 - 16, 9)
    expect(partBox(hung.part('c-lower')).min[2]).toBeCloseTo(1400 + 16, 9)
    const stands = placed({}, false)
    expect([stands.upper, stands.lower]).toEqual(['c-box', 'c-box'])
    expect(stands.a.parts.filter((p) => p.role === 'back-rail')).toEqual([])
  })
  it('is divided evenly by its shelves, whatever its size: insides and boards make up its height', () => {
    fc.assert(
      fc.property(
        fc.record({
          wideMm: fc.integer({ min: 200, max: 2000 }),
          deepMm: fc.integer({ min: 150, max: 800 }),
          highMm: fc.integer({ min: 500, max: 2400 }),
          boardMm: fc.integer({ min: 6, max: 30 }),
          shelves: fc.integer({ min: 0, max: 6 }),
        }),
        (over) => {
          const b = { ...box, ...over }
          const all = placesIn(b).map((x) => x.clear)
          expect(all).toHaveLength(b.shelves + 1)
          const clear = all.reduce((h, x) => h + x.max[2] - x.min[2], 0)
          expect(clear + (b.shelves + 2) * b.boardMm).toBeCloseTo(b.highMm, 6)
          all.forEach((x, i) => {
            expect([x.min[0] - b.left, b.left + b.wideMm - x.max[0]]).toEqual([b.boardMm, b.boardMm])
            if (i > 0) expect(x.min[2] - all[i - 1].max[2]).toBeCloseTo(b.boardMm, 6)
          })
        },
      ),
    )
  })
})
