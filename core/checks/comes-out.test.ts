import { describe, expect, it } from '@jest/globals'
import { readParams } from '../../test-support/read-params.ts'
import type { Assembly } from '../assembly/assembly.ts'
import { partBoxes } from '../assembly/part-box.ts'
import { exampleContext, exampleGoods } from '../families/example-context.ts'
import { startingParams as unitParams } from '../families/shelf-unit/parameters.ts'
import { shelfUnit } from '../families/shelf-unit/shelf-unit.ts'
import { wallCabinet } from '../families/wall-cabinet/wall-cabinet.ts'
import { METRIC } from '../measure/units.ts'
import { sayCheck } from '../wording/checks.ts'
import { sayIn } from '../wording/say.ts'
import { comesOut } from './comes-out.ts'

const say = sayIn(METRIC)
const ctx = exampleContext('metric', [exampleGoods('metric', 'box', 4)])
/** Cartons 300 high behind a track of 38; the first shelf over them at `mm` clear. */
const behindTracks = (clearMm: number, shelves = 3) =>
  readParams(
    shelfUnit,
    {
      ...unitParams('metric', true),
      ...{ front: 'sliding', bays: 2, shelves, abovePlayMm: 0, topMm: [98, 98 + clearMm + 18] },
    },
    ctx,
  )
const of = (r: ReturnType<typeof behindTracks>) => r.checks.find((c) => c.check === 'comes-out')!

describe('things come out past what stays before them', () => {
  it('where they can be lifted over it, to the millimetre', () => {
    const just = behindTracks(338)
    expect(of(just)).toMatchObject({ state: 'holds', data: { overMm: 38, needMm: 338, haveMm: 338 } })
    expect(just.verdict).toMatchObject({ fails: 0, unknown: 0 })
    const less = behindTracks(337)
    expect(of(less)).toMatchObject({ state: 'fails', data: { overMm: 38, needMm: 338, haveMm: 337 } })
    // They stand in there with room to spare; nothing else says no.
    expect(less.checks.filter((c) => c.state === 'fails').map((c) => c.check)).toEqual(['comes-out'])
    expect(sayCheck(of(less), say)).toMatch(
      /^"Carton" does not come out: lifted over the 38 mm before it it lacks 1 mm/,
    )
  })
  it('and where they go out under what hangs there', () => {
    // Between two tracks: 38 below, 38 above.
    expect(of(behindTracks(376, 2))).toMatchObject({ state: 'holds', data: { haveMm: 338 } })
    expect(of(behindTracks(375, 2))).toMatchObject({ state: 'fails', data: { haveMm: 337 } })
  })
  it('says nothing where nothing is before them', () => {
    const open = readParams(shelfUnit, unitParams('metric', true), ctx)
    expect(open.checks.filter((c) => c.check === 'comes-out')).toEqual([])
  })
  it('a leaf that opens is not before what is in the box, and its rods are before what stands in it', () => {
    const e = wallCabinet.examples().find((x) => x.name.startsWith('leaves that are boxes'))!
    const r = readParams(wallCabinet, e.params as object, e.context)
    const found = r.checks.filter((c) => c.check === 'comes-out')
    expect(found.map((c) => c.state)).toEqual(['holds'])
    expect(found[0].parts.every((id) => id.startsWith('leaf-'))).toBe(true)
  })
  it('a rod put in the way is found, whatever it is called', () => {
    const open = readParams(shelfUnit, { ...unitParams('metric', true), bays: 1, shelves: 3 }, ctx)
    const a = open.shaped.assembly
    const bay = a.bays.find((b) => b.items.length > 0)!
    const highMm = bay.clear.max[2] - bay.items[0].box.max[2]
    const rod = (upMm: number, tallMm = 10): Assembly => ({
      ...a,
      parts: [
        ...a.parts,
        {
          ...a.parts[0],
          id: 'whatever',
          size: { lengthMm: bay.clear.max[0] - bay.clear.min[0], widthMm: 10, thicknessMm: tallMm },
          at: {
            centre: [
              (bay.clear.min[0] + bay.clear.max[0]) / 2,
              bay.clear.max[1] + 5,
              bay.clear.min[2] + upMm - tallMm / 2,
            ],
            along: [1, 0, 0],
            across: [0, 1, 0],
          },
        },
      ],
    })
    const look = (b: Assembly) =>
      comesOut.run({ assembly: b, boxes: partBoxes(b), goods: open.goods } as never).map((c) => c.state)
    expect(look(rod(highMm))).toEqual(['holds'])
    expect(look(rod(highMm + 1))).toEqual(['fails'])
    // Before the middle of it, and before all of it.
    const clear = bay.clear.max[2] - bay.clear.min[2]
    expect(look(rod(clear / 2 + 5))).toEqual(['fails'])
    expect(look(rod(clear, clear))).toEqual(['fails'])
  })
})
