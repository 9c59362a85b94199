import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { findFamily } from '../../families/registry.ts'
import { newGoods } from '../../goods/goods.ts'
import { METRIC } from '../../measure/units.ts'
import { newBuild } from '../../project/new-build.ts'
import { newProject, type Build } from '../../project/project.ts'
import { contextOf, readingsOf } from '../../project/read-build.ts'
import { readBuilds } from '../../project/read-builds.ts'
import { newFeature, type Feature } from '../../room/features.ts'
import { sayCheck } from '../../wording/checks.ts'
import { sayIn } from '../../wording/say.ts'

/** A shelf unit on the first wall, 1 m from its left end, with some boxes in it. */
function read(features: Feature[], front = 'doors') {
  const p = newProject('p', 'unit', 'metric', '2026-01-01T00:00:00.000Z')
  p.room.features = features
  const box = { id: 'x', name: 'box', kind: 'box' as const, count: 6, acrossMm: 400, deepMm: 300, tallMm: 300 }
  p.goods = [newGoods({ ...box, massKg: 5 })]
  const bare = newBuild({
    id: 'b',
    name: 'Unit',
    family: 'shelf-unit',
    params: {},
    wallId: 'wall-1',
    goods: [{ goodsId: 'x', count: 6 }],
  })
  const start = findFamily('shelf-unit')!.start(contextOf(p, bare)!) as Build['params']
  p.builds = [{ ...bare, offsetMm: 1000, params: { ...start, front } }]
  const [r] = readingsOf(readBuilds(p))
  return { r, own: r.checks.filter((c) => c.check === 'lit-inside') }
}
const size = { upMm: 2300, wideMm: 100, deepMm: 100, highMm: 50 }
const lamp = (atMm: number, outMm: number, over: Partial<Feature> = {}) =>
  newFeature({
    id: `lamp-${atMm}-${outMm}`,
    kind: 'light',
    wallId: 'wall-1',
    atMm,
    outMm,
    ...size,
    lumens: 3000,
    ...over,
  })

describe('light on what stands in a closed store', () => {
  it('is said of one that is closed, where somebody told how bright a lamp is, and of no other', () => {
    expect(read([]).own).toEqual([])
    expect(read([lamp(1500, 1500, { lumens: undefined })]).own).toEqual([])
    expect(read([lamp(1500, 1500)], 'open').own).toEqual([])
    for (const front of ['doors', 'curtain', 'sliding']) expect(read([lamp(1500, 1500)], front).own).toHaveLength(1)
  })
  it('is what falls on the middle of the front of its darkest place, by hand', () => {
    const lamps = [lamp(1500, 1500), lamp(400, 2500)]
    const { r, own } = read(lamps)
    const by = r.shaped.assembly.bays
      .filter((b) => b.items.length > 0)
      .map((b) => {
        const at = [1000 + (b.clear.min[0] + b.clear.max[0]) / 2, b.clear.max[1], (b.clear.min[2] + b.clear.max[2]) / 2]
        return lamps.reduce((sum, l) => {
          const [h, y, a] = [2300 - at[2], l.outMm + 50 - at[1], l.atMm + 50 - at[0]].map((mm) => mm / 1000)
          return sum + (0.67 * 3000 * h * y) / (Math.PI * (h * h + y * y + a * a) ** 2)
        }, 0)
      })
    expect(by.length).toBeGreaterThan(1)
    expectNear(Number(own[0].data.lux), Math.min(...by), 1e-6)
    expect(own[0].bays).toHaveLength(1)
  })
  it('enough of it holds, too little is said and fails nothing', () => {
    const bright = read([lamp(1500, 1500, { lumens: 30_000 })])
    expect(bright.own[0]).toMatchObject({ code: 'store-lit', state: 'holds' })
    const dim = read([lamp(1500, 1500, { lumens: 300 })])
    expect(dim.own[0]).toMatchObject({ code: 'store-dim', state: 'not-applicable' })
    expect(dim.r.verdict.fails).toBe(read([]).r.verdict.fails)
    for (const c of [bright.own[0], dim.own[0]])
      expect(sayCheck(c, sayIn(METRIC))).toMatch(/^With its front open .*\d+ lx .* 1 lamp.* 100 lx/)
  })
  it('a cover takes its share of it, and a lamp behind the front gives none', () => {
    const lux = (f: Feature) => Number(read([f]).own[0].data.lux)
    expectNear(lux(lamp(1500, 1500, { coverShare: 0.6 })), 0.6 * lux(lamp(1500, 1500)), 1e-6)
    expect(lux(lamp(1500, 0))).toBe(0)
  })
})
