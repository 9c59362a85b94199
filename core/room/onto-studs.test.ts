import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { findFamily } from '../families/registry.ts'
import { newGoods } from '../goods/goods.ts'
import { METRIC } from '../measure/units.ts'
import { RoomMarket } from '../planner/market.ts'
import { newBuild } from '../project/new-build.ts'
import { newProject, type Build, type Project } from '../project/project.ts'
import { contextOf, readingsOf } from '../project/read-build.ts'
import { readBuilds } from '../project/read-builds.ts'
import { propose, startOf } from '../project/proposals.ts'
import { remedies } from '../project/remedies.ts'
import { NO_WISHES } from '../project/wishes.ts'
import { sayCheck } from '../wording/checks.ts'
import { sayIn } from '../wording/say.ts'
import { newFeature } from './features.ts'
import { FROM_END_MM, longerOntoStuds, shiftsOntoStuds } from './onto-studs.ts'
import { studCentres, type Wall } from './room.ts'

const wallOf = (firstMm: number, spacingMm: number, lengthMm = 4800): Wall => ({
  ...newProject('p', 'studs', 'metric', '2026-01-01T00:00:00.000Z').room.walls[0],
  lengthMm,
  construction: { kind: 'studs', spacingMm, firstMm, studMm: 38, lined: true, liningMm: 12.5, found: [] },
})
const behind = (w: Wall, from: number, to: number) =>
  studCentres(w).filter((x) => x >= from + 40 && x <= to - 40).length

describe('moved along a wall over a second stud', () => {
  it('is by the least that does it, to either side, and never off the wall', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 50, max: 600 }),
        fc.integer({ min: 300, max: 650 }),
        fc.integer({ min: 0, max: 4000 }),
        fc.integer({ min: 200, max: 800 }),
        (firstMm, spacingMm, from, long) => {
          const w = wallOf(firstMm, spacingMm)
          const to = from + long
          const { left, right } = shiftsOntoStuds(w, from, to)
          for (const [mm, way] of [
            [left, -1],
            [right, 1],
          ] as const) {
            // By trying each millimetre.
            const room = way < 0 ? from : w.lengthMm - to
            const tried = Array.from({ length: Math.max(0, room + 1) }, (_, i) => i).find(
              (i) => behind(w, from + way * i, to + way * i) >= 2,
            )
            if (tried === undefined) expect(mm).toBeNull()
            else expect(Math.abs(mm! - tried)).toBeLessThan(1)
          }
        },
      ),
    )
  })
  it('nothing does it for what is narrower than their spacing, or where there are none', () => {
    expect(shiftsOntoStuds(wallOf(300, 600), 1000, 1600)).toEqual({ left: null, right: null })
    expect(shiftsOntoStuds({ ...wallOf(300, 600), construction: { kind: 'masonry' } }, 0, 2000)).toEqual({
      left: null,
      right: null,
    })
  })
})

it('longer is by what the second stud is past its end, and a stud behind neither end is counted', () => {
  const w = wallOf(600, 600)
  // Studs at 600, 1200, 1800: the second from 500 on is at 1200, and 40 are left past it.
  expect(longerOntoStuds(w, 500, 1000)).toBe(240)
  expect(longerOntoStuds(w, 570, 1000)).toBe(840)
  expect(longerOntoStuds(w, 500, 1300)).toBeNull()
  expect(longerOntoStuds(w, 4100, 4300)).toBeNull()
})

/** Four totes in a rack of one column, before a wall whose studs begin far out. */
function project(offsetMm: number, firstMm = 620, spacingMm = 400): Project {
  const p = newProject('p', 'studs', 'metric', '2026-01-01T00:00:00.000Z')
  const tote = { id: 't', name: 'tote', kind: 'tote' as const, count: 4, acrossMm: 490, deepMm: 720, tallMm: 350 }
  p.goods = [newGoods({ ...tote, massKg: 14 })]
  p.room.walls[0].construction = wallOf(firstMm, spacingMm).construction
  const bare = newBuild({ id: 'b', name: 'Rack', family: 'tote-rack', params: {}, wallId: 'wall-1', offsetMm })
  bare.goods = [{ goodsId: 't', count: 4 }]
  const params = findFamily('tote-rack')!.start(contextOf(p, bare)!) as Build['params']
  p.builds = [{ ...bare, params }]
  return p
}

describe('what a single stud would hold', () => {
  const p = project(100)
  const [r] = readingsOf(readBuilds(p))
  const check = r.checks.find((c) => c.check === 'fixing')!
  it('fails, and says how far along the wall a second one is', () => {
    expect(check).toMatchObject({ code: 'one-fixing', state: 'fails', data: { moveWay: 'right' } })
    expect(sayCheck(check, sayIn(METRIC))).toMatch(
      /Move it \d+ mm to the right, or make it \d+ mm longer, over a second stud/,
    )
  })
  it('speaks of studs only where there are some', () => {
    const said = (data: Partial<typeof check.data>) =>
      sayCheck({ ...check, data: { ...check.data, ...data } as typeof check.data }, sayIn(METRIC))
    for (const text of [said({ kind: 'masonry' }), said({ kind: 'thin', prepared: 1 })])
      expect(text).not.toMatch(/stud/)
    expect(said({ kind: 'thin', prepared: 1 })).toMatch(/two bolts, or more blocking/)
    // Where no way is known none is made up.
    expect(said({ moveMm: -1, clearMm: -1, longerMm: -1 })).toMatch(/Move it, over a second stud, or first screw/)
  })
  it('is offered the move, and then it is held', () => {
    const first = remedies(p, p.builds[0], check.id).find((x) => x.changes[0].code === 'move')!
    expect(first.changes).toEqual([{ code: 'move', data: { mm: check.data.moveMm, way: 'right' } }])
    const [moved] = readingsOf(readBuilds({ ...p, builds: [first.build] }))
    expect(moved.checks.find((c) => c.check === 'fixing')).toMatchObject({ state: 'holds' })
  })
  it('is offered to be made longer, and then it is held', () => {
    const q = project(0, 600, 600)
    const box = { id: 'x', name: 'box', kind: 'box' as const, count: 3, acrossMm: 600, deepMm: 500, tallMm: 500 }
    q.goods.push(newGoods({ ...box, massKg: 15 }))
    const bare = newBuild({ id: 's', name: 'Shelves', family: 'shelf-unit', params: {}, wallId: 'wall-1' })
    bare.goods = [{ goodsId: 'x', count: 3 }]
    q.builds = [{ ...bare, params: findFamily('shelf-unit')!.start(contextOf(q, bare)!) as Build['params'] }]
    const [own] = readingsOf(readBuilds(q))
    const one = own.checks.find((c) => c.check === 'fixing')!
    expect(one).toMatchObject({ code: 'one-fixing', state: 'fails' })
    const found = remedies(q, q.builds[0], one.id, { most: 9 })
    const more = found.find((x) => x.changes[0].code === 'one-more')!
    const [now] = readingsOf(readBuilds({ ...q, builds: [more.build] }))
    expect(now.checks.find((c) => c.check === 'fixing')).toMatchObject({ state: 'holds' })
    const reach = (r: typeof own) => Math.max(...[...r.boxes.values()].map((b) => b.max[0]))
    expect(reach(now) - reach(own)).toBeGreaterThanOrEqual(Number(one.data.longerMm))
    // The shelf of one bay made so much wider sags: that is no way out.
    expect(found.some((x) => x.changes[0].code === 'longer')).toBe(false)
  })
  it('is planned a little further along, and where it is held anyway it stays in the corner', () => {
    const offerOf = (q: Project) =>
      new RoomMarket({ ...q, builds: [] }, NO_WISHES).offer('tote-rack', 'wall-1', [{ goodsId: 't', count: 4 }], [])!
    const over = offerOf(project(0, 450))
    expect(over.fixings).toBeGreaterThanOrEqual(2)
    expect(over.build.offsetMm).toBeGreaterThan(0)
    expect(offerOf(project(0, 100)).build.offsetMm).toBe(0)
  })
})

describe('what stands where no stud is behind it', () => {
  const standing = ['tip-over', 'sway']
  const bad = (p: Project) =>
    readingsOf(readBuilds(p))[0].checks.filter((c) => standing.includes(c.check) && c.state === 'fails')
  it.each([
    ['as wide as two studs stand apart is moved to where they are', 400, ['move']],
    ['narrower than they stand apart is a column wider too', 600, ['one-more', 'move']],
  ])('%s, and is held then', (_name, spacingMm, codes) => {
    const p = project(0, 620, spacingMm)
    const told = bad(p)
    expect(told.length).toBeGreaterThan(1)
    expect(readingsOf(readBuilds(p))[0].shaped.assembly.anchors).toEqual([])
    for (const c of told) {
      const found = remedies(p, p.builds[0], c.id, { most: 9 })
      const r = found.find((x) => x.changes.map((y) => y.code).join() === codes.join())!
      expect(r.deltaHoused).toBe(0)
      expect(r.allHold).toBe(true)
      const [now] = readingsOf(readBuilds({ ...p, builds: [r.build] }))
      expect(now.checks.filter((x) => x.state === 'fails')).toEqual([])
      // No further than there is need: less by what is left past the stud, and one of its fixings has none.
      const less = { ...r.build, offsetMm: r.build.offsetMm - 2 * FROM_END_MM }
      expect(readingsOf(readBuilds({ ...p, builds: [less] }))[0].checks.some((x) => x.code === 'one-fixing')).toBe(true)
    }
  })
  it('is not moved along a wall that has none', () => {
    const p = project(0)
    p.room.walls[0].construction = { kind: 'thin' }
    expect(bad(p).length).toBeGreaterThan(0)
    for (const c of bad(p))
      expect(remedies(p, p.builds[0], c.id, { most: 9 }).flatMap((x) => x.changes.map((y) => y.code))).not.toContain(
        'move',
      )
  })
})

describe('a build is begun', () => {
  const boxes = { id: 'x', name: 'box', kind: 'box' as const, count: 3, acrossMm: 500, deepMm: 400, tallMm: 300 }
  function begunAt(offsetMm: number, firstMm: number, features: Project['room']['features'] = []) {
    const p = { ...project(0, firstMm, 600), builds: [] }
    p.room.features = features
    p.goods = [newGoods({ ...boxes, massKg: 6 })]
    const given = { id: 'n', wallId: 'wall-1', offsetMm, goods: [{ goodsId: 'x', count: 3 }] }
    const own = startOf(p, 'shelf-unit', given)!.build
    const [r] = readingsOf(readBuilds({ ...p, builds: [own] }))
    const ways = () => propose(p, 'wall-1', offsetMm, given.goods, 'n').map((x) => x.build)
    return { own, ways, fixing: r.checks.find((c) => c.check === 'fixing') }
  }
  it('a little further along where two studs hold it, proposed or chosen', () => {
    const { own, ways, fixing } = begunAt(0, 600)
    expect(fixing).toMatchObject({ state: 'holds' })
    expect(own.offsetMm).toBeGreaterThan(0)
    expect(own.offsetMm).toBeLessThan(600)
    const proposed = ways().find((b) => b.family === 'shelf-unit')!
    expect(proposed.offsetMm).toBe(own.offsetMm)
  })
  it('where it was asked for when they are there, something is in the way, or no place near has them', () => {
    expect(begunAt(0, 100).own.offsetMm).toBe(0)
    const door = newFeature({ id: 'd', kind: 'door', wallId: 'wall-1', atMm: 1010 })
    expect(begunAt(0, 600, [door]).own.offsetMm).toBe(0)
    // Past the last stud but one nothing to the right has two.
    expect(begunAt(4100, 600).own.offsetMm).toBe(4100)
  })
})

it('several things that have no place are taken out at once, and what has one stays', () => {
  const p = project(0, 100)
  const box = (id: string, deepMm: number) => ({
    ...{ id, name: `box ${id}`, kind: 'box' as const, count: 1 },
    ...{ acrossMm: 400, deepMm, tallMm: 300 },
  })
  p.room.walls[0].depthMm = 500
  p.goods = [box('a', 300), box('b', 900), box('c', 950)].map((g) => newGoods({ ...g, acrossMm: g.deepMm, massKg: 8 }))
  const goods = p.goods.map((g) => ({ goodsId: g.id, count: 1 }))
  const build = startOf({ ...p, builds: [] }, 'post-rack', { id: 'b', wallId: 'wall-1', offsetMm: 0, goods })!.build
  p.builds = [build]
  const [r] = readingsOf(readBuilds(p))
  const out = r.checks.filter((c) => c.id.includes('unhoused:'))
  expect(out.map((c) => c.data.goods).sort()).toEqual(['box b', 'box c'])
  const found = remedies(p, build, out[0].id).find((x) => x.changes.length === 2)!
  expect(found.changes.map((c) => [c.code, c.data.out, c.data.keep])).toEqual([
    ['carry-less', 1, 0],
    ['carry-less', 1, 0],
  ])
  expect(found.deltaHoused).toBe(0)
  expect(found.build.goods).toEqual([{ goodsId: 'a', count: 1 }])
})
