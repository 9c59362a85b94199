import { describe, expect, it } from '@jest/globals'
import { readFileSync } from 'node:fs'
import { withRack } from '../../test-support/one-build.ts'
import { withPresumed } from '../goods/presumed.ts'
import { newGoods } from '../goods/goods.ts'
import { newFeature } from '../room/features.ts'
import { massLimit, notWeighed } from './mass-limit.ts'
import { readProject } from './file.ts'
import { readBuild, readingsOf } from './read-build.ts'
import { readBuilds } from './read-builds.ts'

const project = (over: Partial<Parameters<typeof newGoods>[0]> = {}) => {
  const p = withRack(12, 20)
  p.goods = p.goods.map((g) => ({ ...g, massKg: null }))
  p.goods.push(
    newGoods({
      id: 'tin',
      name: 'tin',
      kind: 'box',
      count: 4,
      acrossMm: 150,
      deepMm: 150,
      tallMm: 150,
      massKg: 2,
      ...over,
    }),
  )
  p.builds = [{ ...p.builds[0], goods: [...p.builds[0].goods, { goodsId: 'tin', count: 4 }] }]
  return p
}
const at = (p: ReturnType<typeof project>, kg: number) => {
  const r = readBuild({ ...p, goods: p.goods.map((g) => (g.massKg === null ? { ...g, massKg: kg } : g)) }, p.builds[0])
  if (!r.ok) throw new Error(r.problem.code)
  return r.reading.verdict
}

describe('what nobody has weighed', () => {
  it('may weigh so much each that all holds, and hardly more', () => {
    const p = project()
    const { kg, goods } = massLimit(p, p.builds[0])
    expect(goods).toEqual([{ goodsId: p.goods[0].id, count: 12 }])
    expect(kg).toBeGreaterThan(1)
    for (const less of [1, 0.8, 0.5, 0.3, 0.1]) expect(at(p, less * kg!)).toMatchObject({ fails: 0, unknown: 0 })
    expect(at(p, kg! + 1).fails + at(p, kg! + 1).unknown).toBeGreaterThan(0)
  })
  it('is told as unknown where something else does not hold', () => {
    const p = project({ massKg: 400 })
    expect(massLimit(p, p.builds[0]).kg).toBeNull()
  })
  it('holds as it is presumed to weigh just where it holds when it is weighed so', () => {
    for (const [acrossMm, name] of [
      [150, 'tin'],
      [900, 'box of tiles'],
    ] as const) {
      const p = project({ massKg: null, acrossMm, deepMm: 300, tallMm: 300, name })
      const weighed = { ...p, goods: withPresumed(p.goods) }
      const r = readBuild(weighed, p.builds[0])
      const holds = r.ok && r.reading.verdict.fails + r.reading.verdict.unknown === 0
      expect(massLimit(p, p.builds[0]).asPresumed).toBe(holds)
    }
  })
  it('is asked for by what it is presumed to weigh in all, the most first', () => {
    const p = project({ massKg: null })
    expect(notWeighed(p, p.builds[0]).map((g) => g.goodsId)).toEqual([p.goods[0].id, 'tin'])
    p.goods[1] = { ...p.goods[1], kind: 'equipment', acrossMm: 1200, deepMm: 600, tallMm: 1200 }
    expect(notWeighed(p, p.builds[0])[0].goodsId).toBe('tin')
  })
  it('is none where what it stands in is in the way, whatever it weighs', () => {
    const p = project()
    expect(massLimit(p, p.builds[0]).kg).toBeGreaterThan(1)
    const [{ wallId, offsetMm }] = p.builds
    p.room.features = [newFeature({ id: 'f', kind: 'furnace', wallId, atMm: offsetMm + 300 })]
    expect(massLimit(p, p.builds[0])).toMatchObject({ asPresumed: false, kg: null })
  })
  it('is less where heavier things would make it meet what stands beside it', () => {
    const r = readProject(readFileSync('demo/potter.tackloft.json', 'utf8'))
    if (!r.ok) throw new Error('no demo')
    const build = r.project.builds.find((b) => b.name === 'Packing rack')!
    const [{ goodsId }] = build.goods
    const weighing = (massKg: number | null) => ({
      ...r.project,
      goods: r.project.goods.map((g) => (g.id === goodsId ? { ...g, massKg } : g)),
    })
    const { kg } = massLimit(weighing(null), build)
    // By itself it holds far more: it grows with that, into the drawers beside it.
    const alone = readBuild(weighing(2.5 * kg!), build)
    expect(alone.ok && alone.reading.verdict.state).toBe('holds')
    const beside = (each: number) =>
      readingsOf(readBuilds(weighing(each))).find((x) => x.build.id === build.id)!.verdict.state
    expect([beside(kg!), beside(2.5 * kg!)]).toEqual(['holds', 'fails'])
  })
  it('is nothing where all is weighed', () => {
    const p = withRack(12, 20)
    expect(massLimit(p, p.builds[0])).toEqual({ goods: [], asPresumed: false, kg: null })
  })
})
