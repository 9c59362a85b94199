import { describe, expect, it } from '@jest/globals'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import { partBox } from '../../assembly/part-box.ts'
import { METRIC } from '../../measure/units.ts'
import { newBuild } from '../../project/new-build.ts'
import { newProject } from '../../project/project.ts'
import { readingsOf } from '../../project/read-build.ts'
import { readBuilds } from '../../project/read-builds.ts'
import { sayProblem } from '../../wording/problems.ts'
import { sayIn } from '../../wording/say.ts'
import { exampleContext, exampleGoods, thinWalls } from '../example-context.ts'
import type { ShapeContext } from '../family.ts'
import type { PostRackParams } from '../post-rack/parameters.ts'
import { partition } from './partition.ts'

const ctx = (): ShapeContext => {
  const c = thinWalls(exampleContext('metric', [exampleGoods('metric', 'box', 16)]))
  return { ...c, space: { ...c.space, away: true } }
}
const params = (p: Partial<PostRackParams> = {}): PostRackParams => ({
  ...(partition.start(ctx()) as PostRackParams),
  shelves: 4,
  ...p,
})
const read = (p: Partial<PostRackParams> = {}, c = ctx()) => readParams(partition, params(p), c)

describe('a rack that divides a room', () => {
  const r = read()
  const a = r.shaped.assembly
  it('holds: panels over its back meet on posts, and none is larger than its sheet', () => {
    expect(r.verdict.state).toBe('holds')
    const covers = a.parts.filter((p) => p.role === 'back').map((p) => partBox(p))
    const posts = a.parts.filter((p) => p.role === 'post').map((p) => partBox(p))
    expect(covers.length).toBeGreaterThan(1)
    for (const c of covers) {
      expect(Math.min(c.max[0] - c.min[0], c.max[2] - c.min[2])).toBeLessThanOrEqual(1250)
      expect(Math.max(c.max[0] - c.min[0], c.max[2] - c.min[2])).toBeLessThanOrEqual(2500)
      for (const x of [c.min[0], c.max[0]])
        expect(posts.some((b) => x > b.min[0] - 1e-6 && x < b.max[0] + 1e-6)).toBe(true)
    }
    // From end to end, and no gap between two.
    const edges = covers.map((c) => [c.min[0], c.max[0]]).sort((x, y) => x[0] - y[0])
    edges.slice(1).forEach(([from], i) => expect(from).toBeCloseTo(edges[i][1], 6))
    expect(edges[0][0]).toBeCloseTo(Math.min(...posts.map((b) => b.min[0])), 6)
  })
  it('is kept from folding by its panels, and from falling either way by feet held down on both sides', () => {
    expect(checkOf(r, 'sway:build').state).toBe('holds')
    expect(new Set(a.anchors.map((x) => x.into))).toEqual(new Set(['slab']))
    const rows = new Set(a.anchors.map((x) => Math.round(x.at[1])))
    expect(rows.size).toBe(2)
    expect(checkOf(r, 'tip-over:pull').state).toBe('holds')
    expect(read({ feet: 'standing' }).verdict.state).toBe('fails')
  })
  it.each([
    ['cover-too-high', { topMm: [300, 900, 1700, 2700] }],
    ['cover-too-wide', { midPosts: 0, topMm: [300, 900, 1400, 1900] }],
  ] as [string, Partial<PostRackParams>][])('%s: says so in words', (code, p) => {
    const c = ctx()
    const high = { ...c, space: { ...c.space, heightMm: 4000 } }
    const { problem } = tryParams(partition, params(p), high)
    expect(problem?.code).toBe(code)
    expect(sayProblem(problem!, sayIn(METRIC))).not.toContain(code)
  })
  it('is first set out from its wall, and judged there as one that nothing is behind', () => {
    const p = newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z')
    const { item } = exampleGoods('metric', 'box', 16)
    const build = newBuild({
      ...{ id: 'b', family: 'partition', wallId: 'wall-1', offsetMm: 2000 },
      params: { ...params() },
      goods: [{ goodsId: item.id, count: 16 }],
    })
    expect(build.turn).toBe(1)
    const rated = { ...p, settings: { ...p.settings, anchorRatedN: 4000 } }
    const [reading] = readingsOf(readBuilds({ ...rated, goods: [{ ...item, count: 16 }], builds: [build] }))
    expect(reading.space.away).toBe(true)
    expect(reading.checks.find((c) => c.id === 'tip-over:pull')!.state).toBe('holds')
  })
})
