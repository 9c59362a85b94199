import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../test-support/near.ts'
import { checkOf, readParams } from '../../test-support/read-params.ts'
import type { Assembly } from '../assembly/assembly.ts'
import { massCentre, partMassKg } from '../assembly/mass.ts'
import { partBoxes } from '../assembly/part-box.ts'
import { goodsWeights, selfWeights } from '../assembly/weights.ts'
import { exampleContext, exampleGoods, thinWalls } from '../families/example-context.ts'
import { postRack } from '../families/post-rack/post-rack.ts'
import { startingParams } from '../families/post-rack/parameters.ts'
import { wallCabinet } from '../families/wall-cabinet/wall-cabinet.ts'
import { newtons } from '../measure/units.ts'
import { seismicShare } from './seismic.ts'
import { tiesPulled } from './ties.ts'
import { METHODS } from '../mechanics/methods/all.ts'

const shaken = (seismicG: number, tied: boolean, massKg = 9) => {
  const base = exampleContext('imperial', [exampleGoods('imperial', 'box', 12)])
  const goods = base.goods.map((g) => ({ ...g, item: { ...g.item, massKg } }))
  const c = { ...(tied ? base : thinWalls(base)), goods }
  const settings = { ...c.settings, seismicG, anchorRatedN: null }
  const p = { ...startingParams('imperial', tied), shelves: 3, ends: 'braced' as const, lengthMm: 2000 }
  const context = { ...c, settings }
  return { r: readParams(postRack, p, context), context }
}
/** Sums over every piece and every thing that stands on it, by hand. */
function sums(a: Assembly) {
  const front = Math.max(...a.parts.flatMap((p) => (p.role === 'post' ? [partBoxes(a).get(p.id)!.max[1]] : [])))
  const all = [
    ...a.parts.map((p) => ({ n: 9.80665 * partMassKg(p), at: massCentre(p) })),
    ...a.bays
      .filter((b) => b.carriers.length > 0)
      .flatMap((b) =>
        b.items.map((i) => ({
          n: 9.80665 * (i.massKg ?? 0),
          at: [0, 1, 2].map((k) => (i.box.min[k] + i.box.max[k]) / 2),
        })),
      ),
  ]
  return {
    high: all.reduce((s, w) => s + w.n * w.at[2], 0),
    stands: all.reduce((s, w) => s + w.n * (front - w.at[1]), 0),
  }
}

describe('an earthquake, by hand', () => {
  it('pushes by no less than 0.3 and no more than 1.6 of SDS, more under a roof than on the ground', () => {
    // 0.4·1·SDS/2.5 = 0.16·SDS on the ground: the least counts.
    expectNear(seismicShare(1), 0.3, 1e-12)
    expectNear(seismicShare(0.8, 1), 0.4 * 0.8 * 3 * 0.4, 1e-12)
    expectNear(seismicShare(1, 20), 1.6, 1e-12)
  })
  it('turns what stands free about its front feet, which less than its weight keeps down', () => {
    const { r } = shaken(0.5, false)
    const { high, stands } = sums(r.shaped.assembly)
    const c = checkOf(r, 'earthquake:build')
    expect(c.code).toBe('quake-free')
    expectNear(c.demand!, 0.15 * high, 1e-6)
    expectNear(c.capacity!, (0.9 - 0.2 * 0.5) * stands, 1e-6)
  })
  it('pulls at the ties of what is tied by what its weight does not keep down', () => {
    const { r, context } = shaken(1.5, true, 20)
    const a = r.shaped.assembly
    const { high, stands } = sums(a)
    const ties = a.anchors.filter((x) => x.into === 'stud')
    const low = Math.min(...ties.map((x) => x.at[2]))
    const c = checkOf(r, 'earthquake:build')
    expect(c.code).toBe('quake-tied')
    expectNear(c.demand!, Math.max(0, (0.45 * high - (0.9 - 0.2 * 1.5) * stands) / low), 1e-6)
    const gives = tiesPulled(a, { method: METHODS.asd, settings: context.settings }).map((t) => t.n!)
    expectNear(c.capacity!, gives.length * Math.min(...gives), 1e-9)
  })
  it('is not asked for where the project does not reckon with one, and not known of what nobody weighed', () => {
    expect(shaken(0, true).r.checks.filter((c) => c.check === 'earthquake')).toEqual([])
    const base = exampleContext('imperial', [exampleGoods('imperial', 'box', 12)])
    const goods = base.goods.map((g) => ({ ...g, item: { ...g.item, massKg: null } }))
    const c = { ...base, goods, settings: { ...base.settings, seismicG: 1 } }
    const r = readParams(postRack, startingParams('imperial', true), c)
    expect(checkOf(r, 'earthquake:build')).toMatchObject({ code: 'unknown-not-weighed', state: 'unknown' })
  })
})

describe('weights of a build', () => {
  it('are those of every piece where its middle is, holes and notches taken off', () => {
    const [example] = wallCabinet.examples()
    const r = readParams(wallCabinet, example.params as object, example.context)
    const a = r.shaped.assembly
    const self = selfWeights(a)
    const kg = a.parts.reduce((s, p) => s + partMassKg(p), 0)
    expectNear(
      self.reduce((s, w) => s + w.n, 0),
      newtons(kg),
      1e-9,
    )
    a.parts.forEach((p, i) => expect([self[i].x, self[i].y, self[i].z]).toEqual(massCentre(p)))
    // What stands on the floor under a build is not on it.
    const { r: rack } = shaken(0, true)
    const onIt = rack.shaped.assembly.bays.filter((b) => b.carriers.length > 0).flatMap((b) => b.items)
    expect(goodsWeights(rack.shaped.assembly)).toHaveLength(onIt.length)
  })
})
