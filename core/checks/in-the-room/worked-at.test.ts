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

const say = sayIn(METRIC)

/** A bench in the corner of a wall, and what the room has for it. */
function read(features: Feature[], family = 'bench') {
  const p = newProject('p', 'bench', 'metric', '2026-01-01T00:00:00.000Z')
  p.room.features = features
  const box = { id: 'x', name: 'box', kind: 'box' as const, count: 2, acrossMm: 400, deepMm: 300, tallMm: 200 }
  p.goods = [newGoods({ ...box, massKg: 5 })]
  const goods = family === 'bench' ? [] : [{ goodsId: 'x', count: 2 }]
  const bare = newBuild({ id: 'b', name: 'Bench', family, params: {}, wallId: 'wall-1', goods })
  p.builds = [{ ...bare, params: findFamily(family)!.start(contextOf(p, bare)!) as Build['params'] }]
  const [r] = readingsOf(readBuilds(p))
  return { r, own: r.checks.filter((c) => c.check === 'worked-at') }
}
const lamp = (atMm: number, over: Partial<Feature> = {}) =>
  newFeature({ id: `lamp-${atMm}`, kind: 'light', wallId: 'wall-1', atMm, ...over })
const outlet = (atMm: number) => newFeature({ id: `plug-${atMm}`, kind: 'outlet', wallId: 'wall-1', atMm, upMm: 300 })
const codes = (features: Feature[]) => read(features).own.map((c) => [c.code, c.state])

describe('what people work at', () => {
  it('says that nobody has looked for light or an outlet', () => {
    const { r, own } = read([])
    expect(own.map((c) => [c.code, c.state])).toEqual([
      ['lit-unknown', 'not-applicable'],
      ['powered-unknown', 'not-applicable'],
    ])
    for (const c of own) expect(sayCheck(c, say)).toMatch(/nobody has looked/)
    expect(r.verdict.fails).toBe(0)
  })
  it('is lit by the nearest lamp or window, and its cord reaches the nearest outlet, by hand', () => {
    const { r, own } = read([lamp(200, { upMm: 2000, outMm: 0, wideMm: 100, deepMm: 100, highMm: 100 }), outlet(100)])
    expect(own.map((c) => [c.code, c.state])).toEqual([
      ['lit', 'holds'],
      ['powered', 'holds'],
    ])
    const tops = r.shaped.assembly.subassemblies.filter((s) => s.tags?.use === 'bench').flatMap((s) => s.parts)
    const boxes = tops.map((id) => r.boxes.get(id)!)
    const middle = [0, 1, 2].map(
      (i) => (Math.min(...boxes.map((b) => b.min[i])) + Math.max(...boxes.map((b) => b.max[i]))) / 2,
    )
    const gap = Math.hypot(Math.max(0, middle[0] - 300), Math.max(0, middle[1] - 100), 2000 - middle[2])
    expectNear(Number(own[0].data.gapMm), gap, 1e-6)
    expect(sayCheck(own[0], say)).toMatch(/^Lit by the light, \d/)
  })
  it('is in the shade, and past every cord, where those are far: said, and failed by nothing', () => {
    const far = read([lamp(5500, { upMm: 2300 }), outlet(5800)])
    expect(far.own.map((c) => [c.code, c.state])).toEqual([
      ['lit-far', 'not-applicable'],
      ['powered-far', 'not-applicable'],
    ])
    expect(sayCheck(far.own[0], say)).toMatch(/Hang a lamp over it before it is built/)
    expect(sayCheck(far.own[1], say)).toMatch(/further than a cord reaches \(1800 mm\)/)
    expect(far.r.verdict.fails).toBe(read([]).r.verdict.fails)
  })
  it('the nearer of two is told, whatever their order', () => {
    const [a, b] = [lamp(5500, { upMm: 2300 }), lamp(400, { upMm: 2000 })]
    expect(codes([a, b])).toEqual(codes([b, a]))
    expect(codes([a, b])[0]).toEqual(['lit', 'holds'])
  })
  it('is lit by as many lux as its lamps give, by hand, where somebody said how bright they are', () => {
    const size = { outMm: 250, wideMm: 100, deepMm: 100, highMm: 100, upMm: 2000 }
    const lamps = (lumens: number) => [lamp(200, { ...size, lumens }), lamp(900, { ...size, lumens }), lamp(5500)]
    const { r, own } = read(lamps(3000))
    const tops = r.shaped.assembly.subassemblies.filter((s) => s.tags?.use === 'bench').flatMap((s) => s.parts)
    const boxes = tops.map((id) => r.boxes.get(id)!)
    const at = [0, 1, 2].map(
      (i) => (Math.min(...boxes.map((b) => b.min[i])) + Math.max(...boxes.map((b) => b.max[i]))) / 2,
    )
    const lux = [250, 950].reduce((sum, x) => {
      const [h, a] = [(2000 - at[2]) / 1000, Math.hypot(x - at[0], 300 - at[1]) / 1000]
      return sum + (0.67 * 3000 * h * h) / (Math.PI * (h * h + a * a) ** 2)
    }, 0)
    expectNear(Number(own[0].data.lux), lux, 1e-6)
    expect(read(lamps(30_000)).own[0]).toMatchObject({ code: 'lit-enough', state: 'holds' })
    const dim = read(lamps(100))
    expect(dim.own[0]).toMatchObject({ code: 'lit-dim', state: 'not-applicable' })
    expect(sayCheck(dim.own[0], say)).toMatch(
      /^About \d+ lx in its middle from 2 lamps, and work at a bench asks for 300 lx/,
    )
    expect(dim.r.verdict.fails).toBe(read([]).r.verdict.fails)
    // What comes down first lights nothing.
    expect(codes(lamps(30_000).map((x) => ({ ...x, comesDown: true })))[0][0]).toBe('lit-unknown')
  })
  it('what nobody works at asks for neither', () => expect(read([lamp(200)], 'post-rack').own).toEqual([]))
})
