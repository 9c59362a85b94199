import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { findFamily } from '../../families/registry.ts'
import { newGoods } from '../../goods/goods.ts'
import { METRIC } from '../../measure/units.ts'
import { newBuild } from '../../project/new-build.ts'
import { newProject, type Build, type Project } from '../../project/project.ts'
import { contextOf, type BuildReading } from '../../project/read-build.ts'
import { readBuilds } from '../../project/read-builds.ts'
import { sayCheck } from '../../wording/checks.ts'
import { sayIn } from '../../wording/say.ts'

/** Platforms with boxes of one mass at places along a wall, under joists along it or out from it. */
function project(kg: number, places: readonly number[], alongWallId: string): Project {
  const p = newProject('p', 'shared', 'metric', '2026-01-01T00:00:00.000Z')
  const box = { id: 'c', name: 'box', kind: 'box' as const, count: 8, acrossMm: 400, deepMm: 450, tallMm: 300 }
  p.goods = [newGoods({ ...box, massKg: kg })]
  const [first] = p.room.walls
  p.room.walls = [
    { ...first, lengthMm: 6000, depthMm: 2000 },
    { ...first, id: 'east', name: 'East wall', lengthMm: 3600 },
  ]
  p.room.ceiling = {
    ...p.room.ceiling,
    ...{ kind: 'joists', alongWallId, spacingMm: 400, firstMm: 150, allowanceKnM2: 0.48 },
    joist: { wideMm: 45, deepMm: 195, spanMm: 6000 },
  }
  p.builds = places.map((offsetMm, i): Build => {
    const goods = [{ goodsId: 'c', count: 3 }]
    const bare = newBuild({
      ...{
        id: `b${i}`,
        name: `Platform ${i + 1}`,
        family: 'ceiling-platform',
        params: {},
        wallId: first.id,
        offsetMm,
        goods,
      },
    })
    return { ...bare, params: findFamily(bare.family)!.start(contextOf(p, bare)!) as Build['params'] }
  })
  return p
}
const read = (p: Project): BuildReading[] =>
  readBuilds(p).map((o) => {
    if (!o.ok) throw new Error(JSON.stringify(o.problem))
    return o.reading
  })
const shared = (r: BuildReading) => r.checks.find((c) => c.check === 'shared-hold')
const ratio = (r: BuildReading) => r.checks.find((c) => c.check === 'joists')!.ratio!

describe('builds that hang from the same joists', () => {
  it('are told what they ask of those together: the sum of what each does', () => {
    const wall = newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z').room.walls[0].id
    const [a, b] = read(project(4, [0, 2600], wall))
    for (const r of [a, b]) expect(shared(r)).toMatchObject({ code: 'shared-joists', state: 'holds' })
    expectNear(Number(shared(a)!.data.sum), ratio(a) + ratio(b), 1e-9)
    expect(sayCheck(shared(a)!, sayIn(METRIC))).toMatch(
      /^"Platform 2" hangs from the same joists; together they take \d+ %/,
    )
  })
  it('are not proven where together they may ask too much, though each alone is well within it', () => {
    const wall = newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z').room.walls[0].id
    // So heavy that one alone takes eight tenths of what the joists may: two are more.
    const [at4, at8] = [4, 8].map((kg) => ratio(read(project(kg, [0], wall))[0]))
    const heavy = 4 + (4 * (0.8 - at4)) / (at8 - at4)
    const [alone] = read(project(heavy, [0], wall))
    expect(alone.checks.find((c) => c.check === 'joists')!.state).toBe('holds')
    expect(shared(alone)).toBeUndefined()
    const two = read(project(heavy, [0, 2600], wall))
    for (const r of two) {
      expect(shared(r)!.state).toBe('unknown')
      expect(r.verdict.state).not.toBe('holds')
    }
    expect(sayCheck(shared(two[0])!, sayIn(METRIC))).toMatch(/^Not proven: "Platform 2" hangs from the same joists/)
  })
  it('are nothing to each other where each has joists of its own', () => {
    const [a, b] = read(project(4, [0, 3400], 'east'))
    expect([shared(a), shared(b)]).toEqual([undefined, undefined])
  })
})
