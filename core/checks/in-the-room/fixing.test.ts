import { describe, expect, it } from '@jest/globals'
import { findFamily } from '../../families/registry.ts'
import { newGoods } from '../../goods/goods.ts'
import { METRIC } from '../../measure/units.ts'
import { newBuild } from '../../project/new-build.ts'
import { newProject, type Build } from '../../project/project.ts'
import { contextOf, readingsOf } from '../../project/read-build.ts'
import { readBuilds } from '../../project/read-builds.ts'
import { remedies } from '../../project/remedies.ts'
import { newFeature, wayIn, type Feature } from '../../room/features.ts'
import { sayCheck } from '../../wording/checks.ts'
import { sayIn } from '../../wording/say.ts'

const say = sayIn(METRIC)
/** Said by somebody: nothing is kept free before it. */
const NOTHING = { leftMm: 0, rightMm: 0, frontMm: 0, aboveMm: 0, belowMm: 0 }

/** A build by itself on a wall of studs where there are openings. */
function read(family: string, features: Feature[], offsetMm: number) {
  const p = newProject('p', 'wall', 'metric', '2026-01-01T00:00:00.000Z')
  p.room.walls[0].lengthMm = 6000
  p.room.features = features
  const box = { id: 'x', name: 'box', kind: 'box' as const, count: 2, acrossMm: 300, deepMm: 250, tallMm: 250 }
  p.goods = [newGoods({ ...box, massKg: 4 })]
  const goods = [{ goodsId: 'x', count: 2 }]
  const bare = newBuild({ id: 'b', name: 'Build', family, params: {}, wallId: 'wall-1', offsetMm, goods })
  p.builds = [{ ...bare, params: findFamily(family)!.start(contextOf(p, bare)!) as Build['params'] }]
  return { p, r: readingsOf(readBuilds(p))[0] }
}
/** A cabinet hung there. */
function hung(features: Feature[]) {
  const { p, r } = read('wall-cabinet', features, 1000)
  return { p, r, own: r.checks.filter((c) => c.id.startsWith('fixing:opening')) }
}
const opening = (kind: 'door' | 'window' | 'sectional-door', over: Partial<Feature>) =>
  newFeature({ id: 'o', kind, wallId: 'wall-1', atMm: 900, wideMm: 1500, upMm: 0, highMm: 2400, leaf: null, sectional: null, clear: NOTHING, ...over }) // prettier-ignore

describe('fixings where a wall is open', () => {
  it.each(['door', 'window', 'sectional-door'] as const)(
    'go into no stud of a %s, and are told to be moved',
    (kind) => {
      const { p, r, own } = hung([opening(kind, {})])
      expect(own).toHaveLength(1)
      expect(own[0]).toMatchObject({
        state: 'fails',
        code: 'in-opening',
        data: { count: r.shaped.assembly.anchors.length },
      })
      expect(sayCheck(own[0], say)).toMatch(/fixings would go into the .*, where there is no wall\. Moving it \d/)
      expect(r.verdict.state).toBe('fails')
      // None of them counts among those that land in something.
      expect(r.checks.find((c) => c.id === 'fixing:wall')!.state).not.toBe('holds')
      const [mended] = remedies(p, p.builds[0], own[0].id, { most: 1 })
      const after = readingsOf(readBuilds({ ...p, builds: [mended.build] }))[0]
      expect(after.checks.filter((c) => c.code === 'in-opening')).toEqual([])
    },
  )
  it('hold over its head, under its sill and beside it', () => {
    const anchors = hung([]).r.shaped.assembly.anchors
    const z = anchors.map((a) => a.at[2])
    const [low, high] = [Math.min(...z), Math.max(...z)]
    for (const f of [
      { highMm: low - 1 },
      { upMm: high + 1, highMm: 200 },
      { atMm: 3000 },
      { atMm: 0, wideMm: 900 },
      { comesDown: true },
      { wallId: 'wall-2' },
    ])
      expect(hung([opening('window', f)]).own).toEqual([])
    expect(hung([opening('window', { highMm: low + 1 })]).own).toHaveLength(1)
  })
  it('are told without a move where there is no room beside it', () => {
    const { own } = hung([opening('door', { atMm: 100, wideMm: 5800 })])
    expect(own[0].data).toMatchObject({ moveMm: -1, clearMm: -1 })
    expect(sayCheck(own[0], say)).toContain('No single move clears it')
  })
})

describe('the way in', () => {
  const standing = (features: Feature[], offsetMm: number) =>
    read('bench', features, offsetMm).r.checks.filter((c) => c.check === 'clearance')
  it('through a door is kept whichever way its leaf opens, or without one', () => {
    for (const leaf of [null, { hinge: 'left', opens: 'out', openRad: 1.5, outsideMm: null }] as const) {
      const door = newFeature({ id: 'd', kind: 'door', wallId: 'wall-1', atMm: 500, leaf })
      expect(standing([door], 0).map((c) => [c.code, c.state])).toEqual([['meets-clear', 'fails']])
      expect(standing([door], 1400).map((c) => c.state)).toEqual(['holds'])
    }
  })
  it('through a wide door is kept but for a strip at each side', () => {
    const wide = newFeature({
      id: 'd',
      kind: 'sectional-door',
      wallId: 'wall-1',
      atMm: 100,
      wideMm: 2400,
      sectional: null,
    })
    expect(standing([wide], 0).map((c) => c.code)).toEqual(['meets-clear'])
    // Beginning 457 mm inside its edge is beside the way in.
    expect(standing([wide], 100 + 2400 - 450).map((c) => c.state)).toEqual(['holds'])
    expect(standing([wide], 100 + 2400 - 465).map((c) => c.state)).toEqual(['fails'])
    // What is typed beside or over it takes nothing of that.
    expect(standing([{ ...wide, clear: NOTHING }], 0).map((c) => c.state)).toEqual(['fails'])
    expect(standing([{ ...wide, walkedThrough: false }], 0).map((c) => c.state)).toEqual(['holds'])
  })
  it('is told as it is kept: narrower than the door, and none where somebody said so', () => {
    const wide = newFeature({ id: 'd', kind: 'sectional-door', wallId: 'wall-1', atMm: 100, wideMm: 2400 })
    expect(wayIn(wide)).toEqual({ besideMm: 457, frontMm: 914 })
    expect(wayIn({ ...wide, wideMm: 1200 })).toEqual({ besideMm: 300, frontMm: 914 })
    for (const none of [{ walkedThrough: false }, { comesDown: true }, { kind: 'window' as const }])
      expect(wayIn({ ...wide, ...none })).toBeNull()
  })
})
