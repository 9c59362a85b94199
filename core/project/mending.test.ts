import { describe, expect, it } from '@jest/globals'
import { freshProject, inFourWalls, withRack } from '../../test-support/one-build.ts'
import { newGoods } from '../goods/goods.ts'
import { procure } from './plan.ts'
import type { Project } from './project.ts'
import { beginning, propose, startOf, type Begun } from './proposals.ts'
import { readBuild, readingsOf } from './read-build.ts'
import { readBuilds } from './read-builds.ts'
import { remedies } from './remedies.ts'
import { toEnd } from './to-end.ts'

const crates = (count: number, massKg: number | null) =>
  newGoods({ id: 'g', name: 'crate', kind: 'box', count, acrossMm: 400, deepMm: 300, tallMm: 280, massKg })
const withCrates = (count: number, massKg: number | null): Project => ({
  ...freshProject(),
  goods: [crates(count, massKg)],
})
const at = (p: Project, offsetMm = 0) => ({
  ...{ id: 'b', wallId: p.room.walls[0].id, offsetMm },
  goods: p.goods.map((g) => ({ goodsId: g.id, count: g.count })),
})
const failing = (p: Project, { build }: Pick<Begun, 'build'>) =>
  readingsOf(readBuilds({ ...p, builds: [...p.builds, build] }))
    .find((r) => r.build.id === build.id)!
    .checks.filter((c) => c.state === 'fails')
    .map((c) => c.id)

describe('what somebody begins themselves', () => {
  const p = withCrates(18, 24)

  it('is made to hold where it stands, with all it holds, by changes that are told', () => {
    const first = startOf(p, 'shelf-unit', at(p))!
    expect(failing(p, first)).not.toEqual([])
    const told: (Begun | null)[] = []
    const made = toEnd(beginning(p, 'shelf-unit', at(p)), (so) => told.push(so))!
    expect([failing(p, made), ['holds', 'hard-worked'].includes(made.state)]).toEqual([[], true])
    expect(made.build).toMatchObject({ family: 'shelf-unit', goods: first.build.goods, wallId: first.build.wallId })
    expect(made.build.offsetMm).toBe(first.build.offsetMm)
    const read = readBuild(p, made.build)
    expect(read.ok && read.reading.shaped.unhoused).toEqual([])
    // Told as it was first, then after each change: what is told last is what it is.
    expect(told[0]).toMatchObject({ build: { params: first.build.params }, changes: [], state: 'fails' })
    expect(told.at(-1)).toEqual(made)
    expect(made.changes.length).toBeGreaterThanOrEqual(told.length - 1)
    expect(made.changes.length).toBeGreaterThan(0)
  })

  it('is left as it is first tacked where that holds', () => {
    const light = withCrates(4, 3)
    const made = toEnd(beginning(light, 'shelf-unit', at(light)))!
    expect(made.changes).toEqual([])
    expect(made.build.params).toEqual(startOf(light, 'shelf-unit', at(light))!.build.params)
  })

  it('is sized for what is presumed to weigh so much as long as nobody has weighed it', () => {
    const unweighed = withCrates(18, null)
    const made = toEnd(beginning(unweighed, 'shelf-unit', at(unweighed)))!
    const { goods } = freshProject()
    expect(goods).toEqual([])
    const weighed = { ...unweighed, goods: [crates(18, 12)] }
    expect(failing(weighed, made)).toEqual([])
    // That it holds is not said before they are weighed.
    expect(made.state).toBe('unknown')
  })

  it('is left as it is where what would help makes it half as dear again: that is somebody’s own choice', () => {
    const size = { acrossMm: 400, deepMm: 300, tallMm: 220, massKg: 4 }
    const heavy = { ...freshProject(), goods: [newGoods({ id: 'g', name: 'box', kind: 'box', count: 12, ...size })] }
    const made = toEnd(beginning(heavy, 'wall-cabinet', at(heavy)))!
    const [link, ...more] = failing(heavy, made)
    expect([link, more, made.changes, made.state]).toEqual(['lift:whole', [], [], 'fails'])
    const read = readBuild(heavy, made.build)
    if (!read.ok) throw new Error(read.problem.code)
    const cost = procure(heavy, [read.reading]).bill.totalMinor
    const keeping = remedies({ ...heavy, builds: [made.build] }, made.build, link).filter((x) => x.deltaHoused >= 0)
    expect(keeping.length).toBeGreaterThan(0)
    for (const x of keeping) expect(x.deltaMinor).toBeGreaterThan(cost / 2)
  })

  it('is refused in words where it cannot stand, and of no kind is none', () => {
    const wall = p.room.walls[0]
    const refused = toEnd(beginning(p, 'shelf-unit', at(p, wall.lengthMm)))
    expect(refused).toMatchObject({ problem: { code: 'past-wall', field: 'offsetMm' }, changes: [] })
    expect(toEnd(beginning(p, 'no-kind', at(p)))).toBeNull()
  })
})

describe('a proposal that meets something', () => {
  it('is not told to hold, and says what it meets', () => {
    const p = inFourWalls(withRack(6, 12, {}, 'tote', 'tote-rack'))
    const [own] = readingsOf(readBuilds(p))
    const longMm = Math.max(...[...own.boxes.values()].map((b) => b.max[0]))
    // Across the corner: what stands at the end of the next wall is in its way.
    const [first, second] = p.room.walls
    p.builds[0] = { ...p.builds[0], wallId: second.id, offsetMm: 0 }
    const goods = [{ ...p.goods[0], id: 'more', count: 3 }]
    const given = { ...p, goods: [...p.goods, ...goods] }
    const list = propose(given, first.id, first.lengthMm - longMm, [{ goodsId: 'more', count: 3 }], 'n')
    expect(list.length).toBeGreaterThan(0)
    const inTheWay = list.filter((x) => x.meets)
    expect(inTheWay.length).toBeGreaterThan(0)
    for (const x of inTheWay) {
      expect(x.verdict).toBe('fails')
      expect(x.meets).toMatchObject({ check: 'clearance', state: 'fails' })
    }
    // Where it is free the same things are held.
    const free = propose(given, p.room.walls[2].id, 0, [{ goodsId: 'more', count: 3 }], 'n')
    expect(free[0]).toMatchObject({ meets: null })
    expect(free[0].verdict).not.toBe('fails')
  })
})
