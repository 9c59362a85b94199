import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { checkOf, readParams } from '../../test-support/read-params.ts'
import { METRIC } from '../measure/units.ts'
import { exampleContext, exampleGoods } from '../families/example-context.ts'
import { exampleTools } from '../families/strip-wall/strip-wall.ts'
import { findFamily } from '../families/registry.ts'
import { sayCheck } from '../wording/checks.ts'
import { sayIn } from '../wording/say.ts'
import { coursesOf, fromHigher, offCourse, onCourse, upAlong, type Courses } from './courses.ts'
import { construction } from './room.ts'

/** Bricks of 65 mm with joints of 10: the lowest joint's middle 70 mm above the floor. */
const bricks = (fixIn: Courses['fixIn']): Courses => ({ everyMm: 75, firstMm: 70, jointMm: 10, fixIn })

describe('courses of a wall', () => {
  it.each([
    // Joints at 70, 145, 220: in units 25 mm off their middles and more.
    ['units', 107.5, 0],
    ['units', 70, 25],
    ['units', 90, 5],
    ['units', 140, -20],
    ['joints', 145, 0],
    ['joints', 147, 0],
    ['joints', 150, -5],
    ['joints', 120, 25],
    ['joints', 20, -25],
  ] as const)('fixings in %s at %s mm go up by %s', (fixIn, z, mm) =>
    expect(offCourse(bricks(fixIn), z)).toBeCloseTo(mm, 9),
  )
  it('once moved a fixing is where it belongs, and no further off than half a course', () => {
    const course = fc.record({
      everyMm: fc.double({ min: 40, max: 300, noNaN: true }),
      firstMm: fc.double({ min: 0, max: 300, noNaN: true }),
      jointMm: fc.double({ min: 5, max: 20, noNaN: true }),
      fixIn: fc.constantFrom('units' as const, 'joints' as const),
    })
    fc.assert(
      fc.property(course, fc.double({ min: 0, max: 3000, noNaN: true }), (c, z) => {
        const mm = offCourse(c, z)
        expect(Math.abs(mm)).toBeLessThanOrEqual(c.everyMm / 2 + 1e-6)
        expect(Math.abs(offCourse(c, z + mm))).toBeLessThan(1e-6)
      }),
    )
  })
  it('along a batten each fixing is put where its course lets it, within the batten', () => {
    const put = upAlong(bricks('joints'), [100, 500, 900], [90, 910])
    for (const z of put) expect((z - 70) % 75).toBeCloseTo(0, 6)
    expect(Math.min(...put)).toBeGreaterThanOrEqual(90)
    expect(Math.max(...put)).toBeLessThanOrEqual(910)
    expect(upAlong(null, [100, 500], [0, 900])).toEqual([100, 500])
  })
  it('through a low board a fixing goes where the board lets it', () => {
    const wall = { kind: 'masonry' as const, courses: bricks('joints') }
    expect(onCourse(wall, 150, [100, 200])).toBe(145)
    expect(onCourse(wall, 110, [85, 130])).toBe(110)
    expect(onCourse({ kind: 'concrete' }, 110, [0, 300])).toBe(110)
  })
  it('seen from what a build stands on are the same joints, so much lower', () => {
    const wall = { kind: 'masonry' as const, courses: bricks('joints') }
    const above = coursesOf(fromHigher(wall, 910))!
    for (const z of [1000, 1045, 1120, 1300])
      expect(offCourse(above, z - 910)).toBeCloseTo(offCourse(wall.courses, z), 9)
    expect(fromHigher({ kind: 'concrete' }, 910)).toEqual({ kind: 'concrete' })
  })
  it('are no part of other walls, and refused out of bounds', () => {
    expect(coursesOf({ kind: 'thin' })).toBeNull()
    expect(construction.safeParse({ kind: 'masonry', courses: { ...bricks('units'), everyMm: 0 } }).success).toBe(false)
    expect(construction.parse({ kind: 'masonry' })).toEqual({ kind: 'masonry' })
  })
})

describe('a build on measured courses', () => {
  const on = (fixIn: Courses['fixIn'], goods: ReturnType<typeof exampleTools>) => {
    const c = exampleContext('metric', goods)
    const wall = { kind: 'masonry' as const, courses: bricks(fixIn) }
    return {
      ...c,
      space: { ...c.space, construction: wall, studsMm: [] },
      settings: { ...c.settings, anchorRatedN: 6000 },
    }
  }
  it.each(['units', 'joints'] as const)('on battens has all its anchors in %s', (fixIn) => {
    const kind = findFamily('strip-wall')!
    const ctx = on(fixIn, exampleTools('metric').slice(0, 3))
    const r = readParams(kind, { ...(kind.start(ctx) as object), mount: 'battens' }, ctx)
    expect(r.shaped.assembly.anchors.length).toBeGreaterThan(3)
    for (const x of r.shaped.assembly.anchors) expect(offCourse(bricks(fixIn), x.at[2])).toBe(0)
    expect(checkOf(r, 'courses:wall').state).toBe('holds')
  })
  it('a ledger that misses the joints its anchors are rated for fails, and says by how much', () => {
    const kind = findFamily('ledger-shelf')!
    const ctx = on('joints', [exampleGoods('metric', 'box', 6)])
    const at = (topMm: number) =>
      checkOf(
        readParams(kind, { ...(kind.start(ctx) as object), shelves: 1, floorBay: false, topMm: [topMm] }, ctx),
        'courses:wall',
      )
    // Sheet 18, frame 89: its middle is 62.5 under the top; joints at 1195 and 1270, 18 mm inside its edges at most.
    expect(at(1270 + 62.5).state).toBe('holds')
    const off = at(1195 + 62.5 + 37)
    expect([off.state, off.data.mm]).toEqual(['fails', 37])
    expect(sayCheck(off, sayIn(METRIC))).toMatch(/not sit in mortar joints.*37 mm down/)
  })
})
