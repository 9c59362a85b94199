import { describe, expect, it } from '@jest/globals'
import { freshProject, withRack } from '../../test-support/one-build.ts'
import { allFamilies } from '../families/registry.ts'
import { asUsed, newGoods } from '../goods/goods.ts'
import { IMPERIAL, inches } from '../measure/units.ts'
import { sayProblem } from '../wording/problems.ts'
import { sayIn } from '../wording/say.ts'
import { nextOffset } from './next-place.ts'
import { propose, proposing, startOf, withoutHome, type Proposing } from './proposals.ts'
import { contextOf, readingsOf } from './read-build.ts'
import { readBuilds } from './read-builds.ts'

describe('proposals', () => {
  it('shows different kinds that hold the goods, the ones that take all first', () => {
    const p = withRack(12, 20, {}, 'tote', 'tote-rack')
    p.builds = []
    const list = propose(p, 'wall-1', 0, withoutHome(p), 'new')
    expect(new Set(list.map((x) => x.build.family)).size).toBeGreaterThan(1)
    expect(list[0].leftOut).toBe(0)
    expect(list.map((x) => x.leftOut)).toEqual([...list.map((x) => x.leftOut)].sort((a, b) => a - b))
  })
  it('what the registry lists first decides nothing: of kinds that all hold, the cheapest come first', () => {
    const p = freshProject()
    const [w] = p.room.walls
    const box = newGoods({
      id: 'g',
      name: 'case',
      kind: 'box',
      count: 6,
      acrossMm: 300,
      deepMm: 250,
      tallMm: 200,
      massKg: 4,
    })
    const list = propose({ ...p, goods: [box] }, w.id, 0, [{ goodsId: 'g', count: 6 }], 'new')
    const kinds = new Set(list.map((x) => x.build.family))
    for (const kind of ['post-rack', 'shelf-unit', 'wall-cabinet', 'bracket-shelf']) expect(kinds).toContain(kind)
    expect(list.every((x) => x.leftOut === 0)).toBe(true)
    const costs = list.filter((x) => x.verdict !== 'fails' && x.verdict !== 'unknown').map((x) => x.minor)
    expect(costs).toEqual([...costs].sort((a, b) => a - b))
  })
  it('starts the next build past the last one', () => {
    const p = withRack(6, 12, {}, 'tote', 'tote-rack')
    const [r] = readingsOf(readBuilds(p))
    expect(nextOffset(p, 'wall-1')).toBeGreaterThan(Math.max(...[...r.boxes.values()].map((b) => b.max[0])))
  })
  it('starts the next build past what a turned one takes of the wall, not past its own length', () => {
    const p = withRack(6, 12, {}, 'tote', 'tote-rack')
    p.builds[0] = { ...p.builds[0], turn: 1, offsetMm: 300 }
    const [r] = readingsOf(readBuilds(p))
    const [wide, deep] = [0, 1].map((axis) => Math.max(...[...r.boxes.values()].map((b) => b.max[axis])))
    expect(wide).toBeGreaterThan(deep + 100)
    expect(nextOffset(p, 'wall-1')).toBe(Math.ceil(300 + deep + 50))
  })
  it('says that nothing of a wall is left where nothing is, and names the field', () => {
    const p = withRack(6, 12)
    const wall = p.room.walls.find((w) => w.id === 'wall-1')!
    const begin = (offsetMm: number) =>
      startOf(p, 'post-rack', { id: 'b9', wallId: wall.id, offsetMm, goods: p.builds[0].goods })!.problem
    for (const offsetMm of [wall.lengthMm - 99, wall.lengthMm, wall.lengthMm + 1000]) {
      expect(begin(offsetMm)).toEqual({
        ...{ code: 'past-wall', field: 'offsetMm', data: { mm: offsetMm, wallMm: wall.lengthMm } },
      })
      expect(sayProblem(begin(offsetMm)!, sayIn(IMPERIAL))).toMatch(/nothing of this wall is left/)
    }
    expect(begin(wall.lengthMm - 101)?.code).not.toBe('past-wall')
  })
  it('begins any kind somebody chooses, or says why it cannot stand there', () => {
    const p = withRack(6, 12)
    const given = { id: 'b9', wallId: 'wall-1', offsetMm: 0, goods: p.builds[0].goods }
    const began = allFamilies().map((f) => ({ id: f.id, got: startOf(p, f.id, given)! }))
    expect(began.filter((x) => x.got.problem === null).map((x) => x.id)).toEqual(
      expect.arrayContaining(['post-rack', 'ledger-shelf', 'reused-cabinets']),
    )
    const { offsetMm, ...asked } = given
    for (const { id, got } of began) {
      expect(got.build).toMatchObject({ family: id, ...asked })
      // Where it was asked for, or at the next studs.
      expect(got.build.offsetMm - offsetMm).toBeGreaterThanOrEqual(0)
      expect(got.build.offsetMm - offsetMm).toBeLessThan(inches(16))
      if (got.problem) expect(sayProblem(got.problem, sayIn(IMPERIAL))).not.toContain(got.problem.code)
    }
    expect(startOf(p, 'post-rack', { ...given, wallId: 'nowhere' })).toBeNull()
    expect(startOf(p, 'no-kind', given)).toBeNull()
  })
  it('gives a build only the wall up to the next one', () => {
    const p = withRack(6, 12, {}, 'tote', 'tote-rack')
    p.builds.push({ ...p.builds[0], id: 'b2', offsetMm: 900 })
    expect(contextOf(p, p.builds[0])!.space.lengthMm).toBe(900)
  })
  it('what holds is shown before what does not, and what is shown was made to hold', () => {
    const p = withRack(14, 26)
    p.builds = []
    const search = proposing(p, 'wall-1', 0, [{ goodsId: p.goods[0].id, count: 14 }], 'n')
    const told: Proposing[] = []
    let next = search.next()
    for (; !next.done; next = search.next()) told.push(next.value)
    const failing = (l: Proposing['found']) => l.filter((x) => x.verdict === 'fails').length
    expect(told[0].found.length).toBeGreaterThan(0)
    expect(failing(told[0].found)).toBeGreaterThan(0)
    expect(told.map((t) => t.open)).toEqual(told.map((_, i) => told.length - 1 - i))
    expect(failing(next.value)).toBe(0)
    expect(next.value.length).toBeGreaterThan(0)
  })
  it('where two kinds hold all, what holds less and fails is neither worked at nor shown', () => {
    const p = withRack(12, 20, {}, 'tote', 'tote-rack')
    p.builds = []
    const list = propose(p, 'wall-1', 0, withoutHome(p), 'new')
    expect(list.length).toBeGreaterThan(1)
    expect(list.filter((x) => x.verdict === 'fails' || x.verdict === 'unknown')).toEqual([])
  })
})

describe('places for what is not here, or larger in use', () => {
  const heights = (p: ReturnType<typeof withRack>) => {
    const [r] = readingsOf(readBuilds(p))
    return r.shaped.assembly.bays.map((b) => b.clear.max[2] - b.clear.min[2])
  }
  it('places kept for more of a thing are places to be found, and are judged full', () => {
    const p = withRack(4, 20, {}, 'pail', 'post-rack')
    expect(withoutHome(p)).toEqual([])
    p.goods[0] = { ...p.goods[0], spare: 3 }
    expect(withoutHome(p)).toEqual([{ goodsId: p.goods[0].id, count: 3 }])
    p.builds[0].goods = [{ goodsId: p.goods[0].id, count: 7 }]
    expect(contextOf(p, p.builds[0])!.goods[0].count).toBe(7)
    // More than there are places for is never counted.
    p.builds[0].goods = [{ goodsId: p.goods[0].id, count: 70 }]
    expect(contextOf(p, p.builds[0])!.goods[0].count).toBe(7)
  })
  it('what is lent keeps its place', () => {
    const p = withRack(4, 20, {}, 'pail', 'post-rack')
    p.goods[0] = { ...p.goods[0], time: 'lent' }
    expect(contextOf(p, p.builds[0])!.goods[0].count).toBe(4)
  })
  it('a thing larger in use presses on no more than it stands on, in a place as large as it is then', () => {
    const p = withRack(4, 20, { shelves: 2, topMm: [] }, 'pail', 'post-rack')
    const [g] = p.goods
    const larger = { acrossMm: g.acrossMm + 100, deepMm: g.deepMm + 60, tallMm: g.tallMm + 150 }
    p.goods[0] = { ...g, inUse: larger }
    const [r] = readingsOf(readBuilds(p))
    const bays = r.shaped.assembly.bays.filter((b) => b.items.length > 0)
    expect(bays.length).toBeGreaterThan(0)
    for (const b of bays)
      for (const i of b.items) {
        const size = [0, 1, 2].map((k) => i.box.max[k] - i.box.min[k])
        ;[g.acrossMm, g.deepMm, g.tallMm].forEach((mm, k) => expect(size[k]).toBeCloseTo(mm, 6))
        expect(b.clear.max[2] - i.box.min[2]).toBeGreaterThanOrEqual(larger.tallMm - 1e-6)
      }
    // Of neighbours in a row each has its larger width.
    for (const b of bays) {
      const middles = b.items.map((i) => (i.box.min[0] + i.box.max[0]) / 2).sort((x, y) => x - y)
      middles.slice(1).forEach((x, i) => expect(x - middles[i]).toBeGreaterThanOrEqual(larger.acrossMm - 1e-6))
    }
  })
  it('a tote that is taller in use hangs by the same rim', () => {
    const p = withRack(4, 14, {}, 'tote', 'tote-rack')
    const [g] = p.goods
    const openings = () => {
      const [r] = readingsOf(readBuilds(p))
      return r.shaped.assembly.bays.map((b) => b.clear.max[0] - b.clear.min[0])
    }
    const before = openings()
    const { acrossMm, deepMm, tallMm } = g
    p.goods[0] = { ...g, inUse: { acrossMm: acrossMm + 200, deepMm, tallMm: tallMm + 120 } }
    openings().forEach((mm) => expect(mm).toBeCloseTo(before[0], 6))
    expect(asUsed(p.goods[0]).tote!.rimMm).toBeCloseTo(g.tote!.rimMm + 120, 9)
    expect(asUsed(p.goods[0]).acrossMm).toBe(acrossMm)
    // What it is weighed and drawn as is the tote itself.
    const [r] = readingsOf(readBuilds(p))
    for (const b of r.shaped.assembly.bays)
      for (const i of b.items) expect(i.box.max[2] - i.box.min[2]).toBeCloseTo(tallMm, 6)
  })
  it('a place is as high as its thing in use, by as much as that is taller', () => {
    const p = withRack(4, 20, { shelves: 2, topMm: [] }, 'pail', 'post-rack')
    const atRest = Math.min(...heights(p))
    const { acrossMm, deepMm, tallMm } = p.goods[0]
    p.goods[0] = { ...p.goods[0], inUse: { acrossMm, deepMm, tallMm: tallMm + 254 } }
    expect(Math.min(...heights(p)) - atRest).toBeCloseTo(254, 6)
    // Smaller in use than at rest is none smaller.
    p.goods[0] = { ...p.goods[0], inUse: { acrossMm, deepMm, tallMm: 20 } }
    expect(Math.min(...heights(p))).toBeCloseTo(atRest, 6)
  })
})
