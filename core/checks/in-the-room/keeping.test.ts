import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { frameOf, solidsOf } from '../../clearance/placing.ts'
import type { Assembly } from '../../assembly/assembly.ts'
import type { Box } from '../../geometry/box.ts'
import type { Care } from '../../goods/care.ts'
import { newGoods, type Goods } from '../../goods/goods.ts'
import { METRIC } from '../../measure/units.ts'
import { newProject } from '../../project/project.ts'
import { FEATURE_DEFAULTS, type Feature, type FeatureKind } from '../../room/features.ts'
import { outline } from '../../room/outline.ts'
import { sayCheck } from '../../wording/checks.ts'
import { sayIn } from '../../wording/say.ts'
import type { RoomContext } from '../room-check.ts'
import { keeping } from './keeping.ts'

const p = newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z')
const plan = outline(p.room)
const [wall] = plan.walls
const frame = frameOf(wall, { alongMm: 1000, outMm: 0, turn: 0 }, 2000, 500)

const tin = (id: string, care: Care[]): Goods => ({
  ...newGoods({ id, name: id, kind: 'box', count: 1, acrossMm: 200, deepMm: 200, tallMm: 200, massKg: 2 }),
  care,
})
const at = (x: number, z: number): Box => ({ min: [x, 100, z], max: [x + 200, 300, z + 200] })
/** A feature on the wall, from here to there along it. */
const feature = (kind: FeatureKind, atMm: number, wideMm: number, upMm = 300): Feature =>
  ({
    ...FEATURE_DEFAULTS[kind],
    id: kind,
    name: '',
    kind,
    wallId: wall.wall.id,
    atMm,
    wideMm,
    upMm,
    outMm: 0,
    deepMm: 0,
    highMm: 100,
    leaf: null,
    sectional: null,
    certain: true,
  }) as never

interface Stands {
  g: Goods
  box: Box
}
function look(
  things: Stands[],
  features: Feature[] = [],
  front?: Box,
  others: Stands[] = [],
  more: readonly object[] = [],
) {
  const parts = [...(front ? [{ id: 'leaf', role: 'door' }] : []), ...more]
  const assembly = (list: Stands[]) =>
    ({
      parts: [],
      motions: [],
      bays: [
        {
          ...{ id: 'b', holds: 'surface', exit: [0, 1, 0] },
          clear: { min: [0, 0, 250], max: [900, 480, 600] },
          items: list.map((t) => ({ goodsId: t.g.id, box: t.box })),
        },
      ],
    }) as never as Assembly
  return keeping.run({
    assembly: { ...assembly(things), parts },
    boxes: new Map(front ? [['leaf', front]] : []),
    goods: new Map(things.map((t) => [t.g.id, t.g])),
    everything: new Map([...things, ...others].map((t) => [t.g.id, t.g])),
    frame,
    room: { ...p.room, features },
    outline: plan,
    neighbours: others.length > 0 ? [{ buildId: 'o', name: 'o', solids: solidsOf(frame, assembly(others)) }] : [],
    settings: { ...p.settings, personMm: 1750 },
  } as never as RoomContext)
}
const codes = (...given: Parameters<typeof look>) => look(...given).map((r) => `${r.code} ${r.state}`)

describe('what things ask for', () => {
  it('nothing is said of things that ask for nothing', () =>
    expect(look([{ g: tin('a', []), box: at(0, 900) }])).toEqual([]))
  it('what burns stays a metre away from a burner, to the millimetre', () => {
    // The tin reaches from 1000 to 1200 mm along the wall, 100 mm out: the heater begins where it is just near enough.
    const reach = Math.sqrt(1000 ** 2 - 100 ** 2)
    const paint = [{ g: tin('paint', ['aerosol']), box: at(0, 300) }]
    expect(codes(paint, [feature('water-heater', 1200 + reach - 1, 500)])).toEqual(['care-flame fails'])
    expect(codes(paint, [feature('water-heater', 1200 + reach + 1, 500)])).toEqual(['care-kept holds'])
    const [r] = look(paint, [feature('furnace', 1700, 500)])
    expect(sayCheck(r, sayIn(METRIC))).toMatch(
      /^"paint" can catch fire and is 510 mm from the furnace: at least 1000 mm/,
    )
  })
  it('what is charged has an outlet within a cord, or it is said that nobody looked', () => {
    const charger = [{ g: tin('charger', ['charging']), box: at(0, 300) }]
    expect(codes(charger, [feature('outlet', 2900, 70)])).toEqual(['care-kept holds'])
    expect(codes(charger, [feature('outlet', 3100, 70)])).toEqual(['care-outlet fails'])
    expect(codes(charger)).toEqual(['care-no-outlet not-applicable'])
  })
  it('a cord is led along the walls: further up and out from them it reaches less far along them', () => {
    // 1200 mm to the right and 700 mm up: 1389 mm through the air, 1900 mm of cord and what it stands out.
    const high = [{ g: tin('charger', ['charging']), box: at(0, 1100) }]
    const [r] = look(high, [feature('outlet', 2400, 70, 300)])
    expect(r).toMatchObject({ code: 'care-outlet', state: 'fails' })
    expectNear(Number(r.data.gapMm), 1200 + 700 + 100, 1e-9)
    expect(codes(high, [feature('outlet', 1900, 70)])).toEqual(['care-kept holds'])
  })
  it('more things than an outlet has places for want a strip, told once', () => {
    const outlet = [feature('outlet', 1500, 70)]
    const some = (n: number) =>
      Array.from({ length: n }, (_, i) => ({ g: tin(`charger ${i}`, ['charging']), box: at(200 * i, 300) }))
    expect(codes(some(2), outlet)).toEqual(['care-kept holds'])
    expect(codes(some(4), outlet)).toEqual(['care-strip holds'])
    expect(sayCheck(look(some(4), outlet)[0], sayIn(METRIC))).toMatch(
      /^4 things are charged here, .* never into another/,
    )
  })
  it('what charges behind a closed front wants a hole for its cord', () => {
    const doors: Box = { min: [0, 480, 0], max: [2000, 500, 1200] }
    const charger = [{ g: tin('charger', ['charging']), box: at(0, 300) }]
    const outlet = [feature('outlet', 1500, 70)]
    const without = ['care-cord-hole not-applicable']
    expect(codes(charger, outlet, doors)).toEqual(without)
    expect(codes(charger, outlet)).toEqual(['care-kept holds'])
    /** One through the back of a build, 900 mm wide and 1800 mm high, so far from its left and over the floor. */
    const bored = (diameterMm: number, x = 400, z = 300, role = 'back') => [
      {
        ...{ id: 'back', role, size: { lengthMm: 1800, widthMm: 900, thicknessMm: 6 } },
        at: { centre: [450, -3, 900], along: [0, 0, 1], across: [1, 0, 0] },
        machining: [{ kind: 'hole', depthMm: null, diameterMm, atMm: z, offMm: x }],
      },
    ]
    expect(codes(charger, outlet, doors, [], bored(50))).toEqual(['care-kept holds'])
    // Into the place it stands in, not into the one over it, nor into one beside it.
    expect(codes(charger, outlet, doors, [], bored(50, 400, 700))).toEqual(without)
    expect(codes(charger, outlet, doors, [], bored(50, 990))).toEqual(['care-kept holds'])
    expect(codes(charger, outlet, doors, [], bored(50, 1010))).toEqual(without)
    // No plug goes through holes for pins, and none through a shelf.
    expect(codes(charger, outlet, doors, [], bored(5))).toEqual(without)
    expect(codes(charger, outlet, doors, [], bored(50, 400, 300, 'shelf'))).toEqual(without)
  })
  it('what burns is not beside what charges, in the same build or in the next', () => {
    const paint = { g: tin('paint', ['aerosol']), box: at(0, 300) }
    const near = { g: tin('charger', ['charging']), box: at(600, 300) }
    const far = { g: tin('charger', ['charging']), box: at(800, 300) }
    const outlet = [feature('outlet', 1500, 70), feature('water-heater', 4500, 500)]
    expect(codes([paint, near], outlet)).toEqual(['care-sparks fails'])
    expect(codes([paint, far], outlet)).toEqual(['care-kept holds'])
    expect(codes([paint], outlet, undefined, [near])).toEqual(['care-sparks fails'])
  })
  it('food is kept apart from what leaks, and behind something', () => {
    const flour = { g: tin('flour', ['food']), box: at(0, 900) }
    const oil = { g: tin('oil', ['liquid']), box: at(300, 900) }
    expect(codes([flour, oil])).toEqual(['care-food fails', 'care-food-open holds'])
    const doors: Box = { min: [0, 480, 800], max: [2000, 500, 1200] }
    expect(codes([flour], [], doors)).toEqual(['care-kept holds'])
  })
  it('light, dust and damp are asked of the room and of what lies before it', () => {
    const papers = [{ g: tin('papers', ['light', 'dust', 'damp']), box: at(0, 20) }]
    expect(codes(papers)).toEqual(['care-damp holds', 'care-no-window not-applicable', 'care-dust holds'])
    expect(codes(papers, [feature('window', 4000, 900)])).toContain('care-light holds')
    const doors: Box = { min: [0, 480, 0], max: [2000, 500, 1200] }
    expect(codes(papers, [feature('window', 4000, 900)], doors)).toEqual(['care-damp holds'])
    // Half a door is no door.
    expect(codes(papers, [], { min: [0, 480, 0], max: [100, 500, 1200] })).toContain('care-dust holds')
  })
  it('frost, gas and what leaks over the eyes are said, whatever the place', () => {
    expect(codes([{ g: tin('glue', ['frost']), box: at(0, 900) }])).toEqual(['care-frost not-applicable'])
    const heater = [feature('water-heater', 4500, 500)]
    expect(codes([{ g: tin('bottle', ['gas']), box: at(0, 300) }], heater)).toEqual(['care-gas holds'])
    expect(codes([{ g: tin('spray', ['aerosol']), box: at(0, 1900) }], heater)).toEqual(['care-over-eyes holds'])
  })
  it('where nothing was surveyed nothing is said to hold', () => {
    expect(codes([{ g: tin('spray', ['aerosol']), box: at(0, 300) }])).toEqual(['care-no-burner not-applicable'])
    expect(codes([{ g: tin('wax', ['heat']), box: at(0, 300) }])).toEqual(['care-no-burner not-applicable'])
    expect(codes([{ g: tin('prints', ['light']), box: at(0, 300) }])).toEqual(['care-no-window not-applicable'])
  })
  it('of many alike one line is said, with how many more', () => {
    const [r] = look([
      { g: tin('a', ['dust']), box: at(0, 900) },
      { g: tin('b', ['dust']), box: at(300, 900) },
      { g: tin('c', ['dust']), box: at(600, 900) },
    ])
    expect(sayCheck(r, sayIn(METRIC))).toMatch(/^"a" and 2 more must be kept from dust/)
  })
})
