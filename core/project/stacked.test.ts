import { describe, expect, it } from '@jest/globals'
import { readFileSync } from 'node:fs'
import { expectNear } from '../../test-support/near.ts'
import { validateAssembly } from '../assembly/validate.ts'
import { partMassKg } from '../assembly/mass.ts'
import { newGoods } from '../goods/goods.ts'
import { newFeature } from '../room/features.ts'
import { inEquilibrium } from '../loads/load-path.ts'
import { newtons } from '../measure/units.ts'
import { findFamily } from '../families/registry.ts'
import { placeBuilds } from './room-checks.ts'
import { readProject, writeProject } from './file.ts'
import { newBuild } from './new-build.ts'
import { newProject, type Build, type Project } from './project.ts'
import { roomPlan, type BuildReading } from './read-build.ts'
import { readBuilds } from './read-builds.ts'
import { remedies } from './remedies.ts'
import { safeLoads } from './safe-load.ts'
import { flatTop, standsOnTop } from './stacked.ts'

const crate = (id: string, massKg: number | null) =>
  newGoods({ id, name: id, kind: 'box', count: 8, acrossMm: 350, deepMm: 300, tallMm: 240, massKg })

/** A rack with a flat top, and a shelf unit that stands on it. */
function project(over: Partial<Build> = {}, upperKg: number | null = 5): Project {
  const p = newProject('p', 'stacked', 'metric', '2026-01-01T00:00:00.000Z')
  p.goods = [crate('low', 6), crate('high', upperKg)]
  const made = (id: string, family: string, goodsId: string, params: object, more: Partial<Build> = {}): Build => {
    const f = findFamily(family)!
    const bare = newBuild({
      id,
      name: id,
      family,
      params: {},
      wallId: 'wall-1',
      goods: [{ goodsId, count: 4 }],
      ...more,
    })
    const ctx = { goods: [], settings: p.settings, space: { construction: p.room.walls[0].construction } }
    return { ...bare, params: { ...(f.start(ctx as never) as object), ...params } as Build['params'] }
  }
  const rack = made('rack', 'post-rack', 'low', {
    shelves: 2,
    floorBay: false,
    depthMm: 400,
    lengthMm: 1200,
    railJoint: 'bolts',
    crossJoint: 'four',
  })
  const unit = made(
    'unit',
    'shelf-unit',
    'high',
    { bays: 1, shelves: 2, clearMm: 760 },
    { standsOn: 'rack', outMm: 57, ...over },
  )
  p.builds = [rack, unit]
  return p
}
const read = (p: Project): BuildReading[] =>
  readBuilds(p).map((o) => {
    if (!o.ok) throw new Error(JSON.stringify(o.problem))
    return o.reading
  })
const problem = (p: Project) => {
  const o = readBuilds(p)[1]
  return o.ok ? null : o.problem.code
}
const weightN = (r: BuildReading) =>
  r.shaped.assembly.parts.reduce((n, x) => n + newtons(partMassKg(x)), 0) +
  r.shaped.assembly.bays.flatMap((b) => b.items).reduce((n, i) => n + newtons(i.massKg ?? 0), 0)

describe('one build on another', () => {
  const [rack, unit] = read(project())
  const [alone] = read(project({ standsOn: null, offsetMm: 2500 }))

  it('stands on its flat top, at that height in the room, and under what is left of the ceiling', () => {
    const top = flatTop(rack.shaped.assembly)!.box.max[2]
    expectNear(unit.liftMm, top, 1e-9)
    expect(unit.space.ceilingMm).toBeLessThanOrEqual(2400 - top + 1e-6)
    expect(unit.checks.find((c) => c.id === 'stands-on:feet')!.state).toBe('holds')
    const placed = placeBuilds(roomPlan(project().room).outline, [unit])[0]
    expectNear(placed.solids.whole.min[2], top, 1e-6)
    expect(validateAssembly(unit.shaped.assembly)).toEqual([])
  })
  it('meets what is on the wall at its height over the top it stands on', () => {
    const p = project()
    const wallId = p.room.walls[0].id
    p.room.features = [newFeature({ id: 'socket', kind: 'outlet', wallId, atMm: 300, upMm: 1400 })]
    const [below, above] = read(p).map((r) => r.space.obstacles)
    const top = flatTop(read(p)[0].shaped.assembly)!.box.max[2]
    expect(below[0].footMm).toBeLessThanOrEqual(1400)
    expectNear(below[0].footMm - above[0].footMm, top, 1e-9)
    expectNear(below[0].headMm - above[0].headMm, top, 1e-9)
  })
  it('presses on it with all its weight and more where its goods do worst; the lower one holds that too', () => {
    const more = rack.service.loadsN - alone.service.loadsN
    expect(more).toBeGreaterThanOrEqual(weightN(unit) - 1e-6)
    expect(more).toBeLessThan(1.6 * weightN(unit))
    expect(inEquilibrium(rack.service)).toBe(true)
    const floor = (r: BuildReading) => r.checks.find((c) => c.check === 'floor')!.demand!
    expect(floor(rack)).toBeGreaterThan(floor(alone))
    // It is not bought, cut or drawn with the lower one.
    expect(rack.pieces).toEqual(
      alone.pieces.map((l) => ({ ...l, letter: rack.pieces.find((x) => x.parts[0] === l.parts[0])!.letter })),
    )
    expect(rack.shaped.assembly.bays.every((b) => !b.id.startsWith('on-'))).toBe(true)
  })
  it('tips it sooner: what stands high counts with the lower one', () => {
    const tip = (r: BuildReading) => r.checks.filter((c) => c.check === 'tip-over').map((c) => c.ratio ?? 0)
    expect(Math.max(...tip(rack))).toBeGreaterThanOrEqual(Math.max(...tip(alone)) - 1e-9)
  })
  it('nobody weighed what is above: neither is proven', () => {
    const [low, high] = read(project({}, null))
    expect(high.verdict.unknown).toBeGreaterThan(0)
    expect(low.verdict.unknown).toBeGreaterThan(0)
  })
  it('has a step of its own to be set on it, before it is tied or loaded', () => {
    const codes = unit.steps.map((s) => s.code)
    expect(codes).toContain('set-on')
    expect(codes.indexOf('set-on')).toBeLessThan(codes.findIndex((c) => c.startsWith('load-')))
    expect(unit.steps.find((s) => s.code === 'set-on')!.data!.name).toBe('rack')
  })
  it('past its edge it does not hold, and says by how much', () => {
    const [, over] = read(project({ offsetMm: 900 }))
    const c = over.checks.find((x) => x.id === 'stands-on:feet')!
    expect(c.state).toBe('fails')
    expect(Number(c.data.overMm)).toBeGreaterThan(50)
  })
  it('what cannot be is said: nothing there, in a circle, turned, hung, or on a top that is none', () => {
    expect(problem(project({ standsOn: 'gone' }))).toBe('stands-on-nothing')
    expect(problem(project({ turn: 1 }))).toBe('stands-on-turned')
    const circle = project()
    circle.builds[0] = { ...circle.builds[0], standsOn: 'unit' }
    expect(problem(circle)).toBe('stands-on-itself')
    const swapped = project({ standsOn: null })
    swapped.builds = [swapped.builds[1], { ...swapped.builds[0], standsOn: 'unit' }]
    expect(problem(swapped)).toBe('no-flat-top')
  })
  it('comes through the file, and a change of the lower one changes where the upper stands', () => {
    const p = project()
    const back = readProject(writeProject(p))
    expect(back.ok && back.project.builds[1].standsOn).toBe('rack')
    const kept = new Map()
    const first = readBuilds(p, kept)
    const lower = { ...p.builds[0], params: { ...p.builds[0].params, shelves: 3 } }
    const then = readBuilds({ ...p, builds: [lower, p.builds[1]] }, kept)
    const lift = (o: (typeof first)[number]) => (o.ok ? o.reading.liftMm : NaN)
    expect(lift(then[1])).toBeGreaterThan(lift(first[1]))
  })
  it('files before this one have all builds on the floor', () => {
    const old = JSON.parse(readFileSync('demo/potter.tackloft.json', 'utf8')) as {
      version: number
      builds: { standsOn?: unknown }[]
    }
    old.version = 4
    for (const b of old.builds) delete b.standsOn
    const r = readProject(JSON.stringify(old))
    expect(r.ok && r.project.builds.every((b) => b.standsOn === null)).toBe(true)
  })
})

describe('what is found out beside the reading counts what stands on a build', () => {
  const heavy = project({}, 25)
  const [rack] = read(heavy)
  it('labels promise less where another build stands', () => {
    const label = (r: BuildReading, p: Project) =>
      safeLoads(p, r).filter((l) => l.bays.some((b) => b.startsWith('bay-')))
    const free = project({ standsOn: null, offsetMm: 2500 }, 25)
    const [alone] = read(free)
    const most = (list: ReturnType<typeof label>) => Math.max(...list.map((l) => l.spreadKg))
    expect(most(label(rack, heavy))).toBeLessThanOrEqual(most(label(alone, free)))
    expect(label(rack, heavy).length).toBe(label(alone, free).length)
  })
  it('remedies are tried with it on: none is offered that only holds without', () => {
    const spoilt = {
      ...heavy,
      builds: [
        { ...heavy.builds[0], params: { ...heavy.builds[0].params, sheet: 'ply-12mm', railSection: '38x63mm' } },
        heavy.builds[1],
      ],
    }
    const [low] = read(spoilt)
    const worst = low.verdict.weakest!
    for (const r of remedies(spoilt, spoilt.builds[0], worst.id, { budget: 30 })) {
      expect(r.changes.every((c) => c.code !== 'move')).toBe(true)
      if (!r.allHold) continue
      const after = read({ ...spoilt, builds: [r.build, spoilt.builds[1]] })[0]
      expect(after.verdict.fails).toBe(0)
    }
  })
})

describe('three high, and over a gap', () => {
  it('the third stands on what is under both, and its ceiling is lower by both', () => {
    const p = project()
    const [rack, unit] = p.builds
    // A rack on the rack, and the unit on that one.
    const middle: Build = { ...rack, id: 'middle', name: 'middle', standsOn: 'rack' }
    p.builds = [rack, middle, { ...unit, standsOn: 'middle', params: { ...unit.params, clearMm: 250 } }]
    const [low, mid, high] = readBuilds(p).map((o) => (o.ok ? o.reading : null))
    const topOf = (r: BuildReading | null) => flatTop(r!.shaped.assembly)!.box.max[2]
    if (!high) throw new Error('the third was not read')
    expectNear(mid!.liftMm, topOf(low))
    expectNear(high.liftMm, topOf(low) + topOf(mid))
    expectNear(high.space.ceilingMm, low!.space.ceilingMm - high.liftMm)
    // Another bottom: what was kept of the third is worked out anew.
    const kept = new Map()
    readBuilds(p, kept)
    const lower = { ...rack, params: { ...rack.params, shelves: 1 } }
    const then = readBuilds({ ...p, builds: [lower, p.builds[1], p.builds[2]] }, kept)[2]
    expect(then.ok && then.reading.liftMm).toBeLessThan(high.liftMm)
  })
  it('what stands on it and cannot be read leaves it unproven', () => {
    const p = project()
    const kept = new Map()
    const [free] = readBuilds({ ...p, builds: [p.builds[0]] }, kept)
    expect(free.ok && free.reading.checks.some((c) => c.code === 'carries-unread')).toBe(false)
    const [under, on] = readBuilds({ ...p, builds: [p.builds[0], { ...p.builds[1], goods: [] }] }, kept)
    expect(on.ok).toBe(false)
    if (!under.ok) throw new Error('the lower one was not read')
    expect(under.reading.checks.find((c) => c.code === 'carries-unread')).toMatchObject({ state: 'unknown' })
  })
  it('presses on the top, which is no floor of a dwelling', () => {
    const [, unit] = read(project())
    const c = unit.checks.find((x) => x.check === 'floor')!
    expect(c).toMatchObject({ code: 'top-pressed', state: 'holds', capacity: 1 })
    // The foot of a side, and what comes down through it with all goods in place; elsewhere they press a little more.
    const sides = unit.shaped.assembly.supports.filter((s) => s.on.kind === 'floor' && 'part' in s.from)
    const each = sides.map(
      ({ id, contact: { min, max } }) =>
        (unit.service.reactions.get(id) ?? 0) / ((max[0] - min[0]) * (max[1] - min[1])),
    )
    expect(c.demand! / Math.max(...each)).toBeGreaterThanOrEqual(1)
    expect(c.demand! / Math.max(...each)).toBeLessThan(1.1)
  })
  it('a foot in a gap between the sheets of a top stands on nothing', () => {
    const [rack, unit] = read(project())
    const top = flatTop(rack.shaped.assembly)!
    const standing = { build: unit.build, assembly: unit.shaped.assembly, most: unit.most, weighed: true }
    expect(standsOnTop(standing, rack.build, top).state).toBe('holds')
    const [{ part, box }] = top.sheets
    const half = (from: number, to: number) => ({
      part,
      box: { min: [from, box.min[1], box.min[2]], max: [to, box.max[1], box.max[2]] } as typeof box,
    })
    // The foot at the left end, 18 mm thick, over nothing: the sheet begins behind it, and an offcut lies before it.
    const gap = { ...top, sheets: [half(box.min[0] - 300, box.min[0] - 1), half(box.min[0] + 40, box.max[0])] }
    const over = standsOnTop(standing, rack.build, {
      ...gap,
      box: { ...box, min: [box.min[0] - 300, box.min[1], box.min[2]] },
    })
    expect(over.state).toBe('fails')
    expect(over.demand).toBeGreaterThan(10)
  })
})
