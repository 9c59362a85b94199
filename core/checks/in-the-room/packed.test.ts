import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { partMassKg } from '../../assembly/mass.ts'
import { packedKg, packedOf } from '../../assembly/packed.ts'
import { findFamily } from '../../families/registry.ts'
import { newGoods } from '../../goods/goods.ts'
import { METRIC } from '../../measure/units.ts'
import { newBuild } from '../../project/new-build.ts'
import { newProject, type Build } from '../../project/project.ts'
import { contextOf, readingsOf } from '../../project/read-build.ts'
import { readBuilds } from '../../project/read-builds.ts'
import { newFeature, type Feature } from '../../room/features.ts'
import { sayCheck } from '../../wording/checks.ts'
import { sayPacked } from '../../wording/packing.ts'
import { sayIn } from '../../wording/say.ts'

const say = sayIn(METRIC)

/** A rack for pictures, knocked down or not, what brings it and the doors of its room. */
function read(
  over: object,
  vehicle: Partial<{ longestMm: number; widestMm: number; mostKg: number }> = {},
  doors: Feature[] = [],
) {
  const p = newProject('p', 'pictures', 'metric', '2026-01-01T00:00:00.000Z')
  p.room.features = doors
  Object.assign(p.settings.carriage, vehicle)
  const sizes = { acrossMm: 40, deepMm: 500, tallMm: 700 }
  p.goods = [newGoods({ id: 'x', name: 'picture', kind: 'other', count: 10, ...sizes, massKg: 3 })]
  const goods = [{ goodsId: 'x', count: 10 }]
  const bare = newBuild({ id: 'b', name: 'Rack', family: 'slot-rack', params: {}, wallId: 'wall-1', goods })
  const params = { ...(findFamily('slot-rack')!.start(contextOf(p, bare)!) as object), columns: 2, ...over }
  p.builds = [{ ...bare, params: params as Build['params'] }]
  const [r] = readingsOf(readBuilds(p))
  const own = r.checks.filter((c) => c.check === 'packed')
  return { r, own, list: packedOf(r.shaped.assembly) }
}
const door = (wideMm: number, highMm: number) =>
  newFeature({ id: `door-${wideMm}`, kind: 'door', wallId: 'wall-1', atMm: 4500, wideMm, highMm })
const knocked = { made: 'knock-down' }

describe('what is knocked down', () => {
  const { r, own, list } = read(knocked)
  const { assembly } = r.shaped
  it('is every upright with its blocks and every other part by itself, and weighs what all its parts weigh', () => {
    const uprights = assembly.parts.filter((p) => p.id.startsWith('upright-'))
    const blocks = assembly.parts.filter((p) => p.id.startsWith('block-'))
    expect(blocks.length).toBeGreaterThan(0)
    const pieces = list.reduce((n, x) => n + x.count, 0)
    expect(pieces).toBe(assembly.parts.length - blocks.length)
    const sides = list.filter((x) => x.firsts.some((id) => id.startsWith('upright-')))
    expect(sides.reduce((n, x) => n + x.count, 0)).toBe(uprights.length)
    expectNear(
      packedKg(list),
      assembly.parts.reduce((kg, p) => kg + partMassKg(p), 0),
      1e-9,
    )
  })
  it('is as thick as an upright and the blocks on it', () => {
    const outer = list.find((x) => x.firsts.includes('upright-0'))!
    const { size } = assembly.parts.find((p) => p.id === 'upright-0')!
    const block = assembly.parts.find((p) => p.id.startsWith('block-'))!.size.thicknessMm
    expect([outer.lengthMm, outer.widthMm, outer.thicknessMm]).toEqual([
      size.lengthMm,
      size.widthMm,
      size.thicknessMm + block,
    ])
    // Blocks are on both faces of the middle one: that is another piece.
    expect(list.find((x) => x.firsts.includes('upright-1'))!.thicknessMm).toBe(size.thicknessMm + 2 * block)
    expect(outer.count).toBe(2)
  })
  it('lies in the vehicle, told in pieces, loads and sides; and no door is told of where there is none', () => {
    expect(own.map((c) => [c.code, c.state])).toEqual([['packs', 'holds']])
    expect(sayCheck(own[0], say)).toMatch(
      /^Knocked down it is \d+ pieces, [\d.]+ kg in all; the largest, .* lies in your vehicle\.$/,
    )
    expect(sayCheck(read(knocked, { mostKg: 20 }).own[0], say)).toMatch(/in \d loads/)
  })
  it('that is longer or broader than what brings it is told, by its worst piece', () => {
    const largest = list[0]
    const short = read(knocked, { longestMm: largest.lengthMm - 1 })
    expect(short.own[0]).toMatchObject({ code: 'packs-past', state: 'fails', parts: largest.parts })
    expect(read(knocked, { longestMm: largest.lengthMm }).own[0].state).toBe('holds')
    expect(sayCheck(short.own[0], say)).toMatch(/your vehicle takes/)
  })
  it('that goes through no door is told, and one that goes through any is not', () => {
    expect(read(knocked, {}, [door(820, 2000)]).own[1]).toMatchObject({ code: 'packs-door', state: 'holds' })
    const small = read(knocked, {}, [door(300, 400)]).own[1]
    expect(small).toMatchObject({ code: 'packs-stuck', state: 'fails' })
    expect(sayCheck(small, say)).toMatch(/through no door of the room\.$/)
    expect(read(knocked, {}, [door(300, 400), door(820, 2000)]).own[1].state).toBe('holds')
  })
  it('that folds is listed, and has no sides to lie in a vehicle with', () => {
    const curtained = read({ ...knocked, front: 'curtain' }, { longestMm: 1600, widestMm: 700 })
    const cloth = curtained.list.find((x) => x.lengthMm === 0)!
    expect(sayPacked(cloth, curtained.r.shaped.assembly, curtained.r.labels, say)).toMatchObject({
      count: 1,
      what: 'canvas curtain',
      sides: 'folded',
    })
  })
  it('is listed with its letters, and taken apart in its last step', () => {
    const line = sayPacked(
      list.find((x) => x.firsts.includes('upright-0'))!,
      assembly,
      r.labels,
      say,
    )
    expect(line.count).toBe(2)
    expect(line.what).toMatch(/^sides [A-Z]\d?, [A-Z]\d?, each with \d+ cleats?$/)
    expect(line.mass).toMatch(/kg$/)
    expect(r.steps.filter((s) => s.apart).map((s) => s.code)).toEqual(['slots-apart'])
    expect(r.steps.at(-1)!.code).toBe('slots-apart')
  })
  it('is nothing of a rack that is made for good', () => {
    const good = read({})
    expect(good.own).toEqual([])
    expect(good.list).toEqual([])
    expect(good.r.steps.some((s) => s.apart)).toBe(false)
  })
})

describe('a slot rack on blocks', () => {
  it('keeps its things clear of them', () => {
    const { r } = read(knocked)
    const blocks = r.shaped.assembly.parts.filter((p) => p.id.startsWith('block-')).map((p) => r.boxes.get(p.id)!)
    const things = r.shaped.assembly.bays.flatMap((b) => b.items.map((i) => i.box))
    const meet = things.filter((t) =>
      blocks.some((b) => [0, 1, 2].every((i) => b.min[i] < t.max[i] - 1e-6 && b.max[i] > t.min[i] + 1e-6)),
    )
    expect(meet).toEqual([])
  })
  it('lets nothing stand out behind a front', () => {
    for (const front of ['doors', 'panel', 'curtain']) {
      // Two panels on the edge of one thin upright are too near to each other.
      const { r } = read({ ...knocked, front, columns: front === 'panel' ? 1 : 2 })
      const { bays } = r.shaped.assembly
      expect(bays.every((b) => b.stickOutMm === 0)).toBe(true)
      for (const b of bays) for (const i of b.items) expect(i.box.max[1]).toBeLessThanOrEqual(b.clear.max[1] + 1e-6)
      const own = r.checks.filter((c) =>
        ['joints', 'splitting', 'contents-fit', 'partitions', 'unread'].includes(c.check),
      )
      expect(own.filter((c) => c.state === 'fails').map((c) => c.id)).toEqual([])
    }
  })
})
