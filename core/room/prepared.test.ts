import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { expectNear } from '../../test-support/near.ts'
import { checkOf } from '../../test-support/read-params.ts'
import { sundryLines } from '../takeoff/sundries.ts'
import { findFamily } from '../families/registry.ts'
import { newGoods } from '../goods/goods.ts'
import { METRIC, newtons } from '../measure/units.ts'
import { readProject, writeProject } from '../project/file.ts'
import { newBuild } from '../project/new-build.ts'
import { newProject, type Build, type Project } from '../project/project.ts'
import { contextOf, type BuildReading } from '../project/read-build.ts'
import { readBuilds } from '../project/read-builds.ts'
import { sayCheck } from '../wording/checks.ts'
import { sayIn } from '../wording/say.ts'
import { newFeature, type Feature } from './features.ts'
import { parseRun } from './parse-run.ts'
import { preparedAcross, preparedBehind, preparedFrom, type Prepared } from './prepared.ts'
import type { Construction } from './room.ts'

const say = sayIn(METRIC)
const bolt = (id: string, atMm: number, upMm: number, holdsKg: number | null = 200): Feature =>
  newFeature({ id, kind: 'bolt', wallId: 'wall-1', atMm: atMm - 5, upMm: upMm - 5, holdsKg })
const blocking = (upMm: number, holdsKg: number | null = 200, more: Partial<Feature> = {}): Feature =>
  newFeature({ id: 'blk', kind: 'blocking', wallId: 'wall-1', atMm: 0, wideMm: 3000, upMm, holdsKg, ...more })

const THIN: Construction = { kind: 'thin' }
const STUDS: Construction = {
  ...{ kind: 'studs', spacingMm: 600, firstMm: 250, studMm: 38 },
  ...{ lined: true, liningMm: 12.5, found: [] },
}
/** A wall cabinet with eight crates in it, on a wall where something was prepared. */
function project(
  features: Feature[],
  construction: Construction,
  params: object = {},
  more: Partial<Build> = {},
): Project {
  const p = newProject('p', 'prepared', 'metric', '2026-01-01T00:00:00.000Z')
  const crate = { id: 'c', name: 'crate', kind: 'box' as const, count: 8, acrossMm: 300, deepMm: 250, tallMm: 200 }
  p.goods = [newGoods({ ...crate, massKg: 5 })]
  p.room.walls[0].construction = construction
  p.room.features = features
  const goods = [{ goodsId: 'c', count: 4 }]
  const bare = newBuild({
    id: 'b',
    name: 'Cabinet',
    family: 'wall-cabinet',
    params: {},
    wallId: 'wall-1',
    goods,
    ...more,
  })
  const start = findFamily(bare.family)!.start(contextOf(p, bare)!) as object
  p.builds = [{ ...bare, params: { ...start, ...params } as Build['params'] }]
  return p
}
const outcomes = (p: Project) => readBuilds(p)
function read(p: Project): BuildReading {
  const [o] = outcomes(p)
  if (!o.ok) throw new Error(JSON.stringify(o.problem))
  return o.reading
}

describe('bolts in a wall that carries nothing', () => {
  const three = [300, 600, 900].map((x, i) => bolt(`f${i}`, x, 1700))
  const r = read(project(three, THIN))
  const [strip] = r.shaped.assembly.parts.filter((x) => x.role === 'hanger')
  const anchors = r.shaped.assembly.anchors.filter((x) => x.part === strip.id)
  it('carry a cabinet whose strip goes over them: it is hung so high that it does, and bored for each', () => {
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
    expect(anchors.map((x) => [x.into, x.prepared!.of, Math.round(x.at[2])])).toEqual(
      ['f0', 'f1', 'f2'].slice(0, anchors.length).map((of) => ['bolt', of, 1700]),
    )
    expect(anchors.length).toBeGreaterThanOrEqual(2)
    const holes = strip.machining.filter((m) => m.kind === 'hole')
    expect(holes).toHaveLength(anchors.length)
    const box = r.boxes.get(strip.id)!
    for (const [i, h] of holes.entries()) {
      expectNear(box.min[0] + h.atMm, anchors[i].at[0], 1e-9)
      expectNear(box.min[2] + h.offMm, anchors[i].at[2], 1e-9)
      expect(h.diameterMm).toBe(12)
    }
    expect(r.shaped.dims.find((x) => x.path === 'hangMm')!.why.code).toBe('hang-prepared')
  })
  it('are asked for no more than they were said to carry: slide and pull as shares of it, by hand', () => {
    const c = checkOf(r, 'anchors:build')
    const value = (symbol: string) => c.working!.inputs.find((i) => i.symbol === symbol)!.value
    expectNear(value('its share'), newtons(200), 1e-9)
    expectNear(c.ratio!, (value('V') + value('T')) / newtons(200), 1e-9)
    expect(checkOf(r, 'fixing:wall')).toMatchObject({ code: 'in-prepared', state: 'holds' })
    expect(sayCheck(checkOf(r, 'fixing:wall'), say)).toMatch(/all of them into bolts or blocking/)
    expect(sundryLines([r.shaped.assembly], project([], THIN).settings).map((l) => l.label)).toContain(
      'nut and washer for a bolt that is there',
    )
  })
  it('said to carry too little fail; nobody having said anything nothing is proven', () => {
    const weak = read(
      project(
        three.map((f) => ({ ...f, holdsKg: 5 })),
        THIN,
      ),
    )
    expect(checkOf(weak, 'anchors:build').state).toBe('fails')
    const unsaid = read(
      project(
        three.map((f) => ({ ...f, holdsKg: null })),
        THIN,
      ),
    )
    expect(unsaid.verdict.state).toBe('unknown')
    expect(sayCheck(checkOf(unsaid, 'anchors:build'), say)).toMatch(/nobody has said what they carry.*Survey/)
    const nought = read(
      project(
        three.map((f) => ({ ...f, holdsKg: 0 })),
        THIN,
      ),
    )
    expect(nought.verdict.state).toBe('fails')
  })
  it('too short for what lies over them, or beside it, are none: then there is nothing to hang it on', () => {
    for (const features of [three.map((f) => ({ ...f, deepMm: 20 })), three.map((f) => ({ ...f, atMm: 4000 }))]) {
      const [o] = outcomes(project(features, THIN))
      expect(o.ok ? o.reading.verdict.state : o.problem.code).toBe('no-stud-behind-it')
    }
    const [none] = outcomes(project([], THIN))
    expect(none.ok ? none.reading.verdict.state : none.problem.code).toBe('no-wall-to-hang-on')
  })
  it('go through rail and back of a cabinet that is screwed through its rail', () => {
    const through = read(project(three, THIN, { hang: 'rail' }))
    const bored = (id: string) =>
      through.shaped.assembly.parts.find((x) => x.id === id)!.machining.filter((m) => m.kind === 'hole')
    expect(bored('rail-upper').length).toBeGreaterThanOrEqual(2)
    const [rail, back] = ['rail-upper', 'back-0'].map((id) => through.boxes.get(id)!)
    const p = through.shaped.assembly.parts.find((x) => x.id === 'back-0')!
    for (const [i, h] of bored('rail-upper').entries()) {
      const own = bored('back-0')[i]
      const x = Math.abs(p.at.along[0]) > 0.5 ? own.atMm : own.offMm
      expectNear(back.min[0] + x, rail.min[0] + h.atMm, 1e-9)
    }
  })
  it('mirrored it meets the same bolts', () => {
    const m = read(project(three, THIN, {}, { mirrored: true }))
    const at = (q: BuildReading) => q.shaped.assembly.anchors.map((x) => Math.round(x.at[0])).sort((a, b) => a - b)
    expect(at(m)).toEqual(at(r))
  })
})

describe('blocking between studs', () => {
  const r = read(project([blocking(1640)], STUDS))
  const anchors = r.shaped.assembly.anchors
  it('takes a screw between the studs besides those in them, with no more thread than it is thick', () => {
    const within = anchors.filter((x) => x.prepared)
    expect(within.length).toBeGreaterThanOrEqual(1)
    for (const x of within) {
      expect(x.into).toBe('stud')
      expect(x.embedMm).toBeLessThanOrEqual(38)
      for (const stud of [250, 850, 1450]) expect(Math.abs(x.at[0] - stud)).toBeGreaterThanOrEqual(60)
    }
    expect(anchors.filter((x) => !x.prepared).map((x) => (x.at[0] - 250) % 600)).toEqual(
      anchors.filter((x) => !x.prepared).map(() => 0),
    )
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
  })
  it('is shared evenly by all that is fixed in one stretch of it', () => {
    const two = read(project([blocking(1500, 200, { highMm: 400 })], THIN, { hang: 'two-strips' }))
    const [x] = two.shaped.assembly.anchors.filter((a) => a.prepared)
    const n = two.shaped.assembly.anchors.filter((a) => a.prepared!.field === x.prepared!.field).length
    expect(n).toBeGreaterThan(1)
    const c = checkOf(two, 'anchors:build')
    expectNear(c.working!.inputs.find((i) => i.symbol === 'its share')!.value, newtons(200) / n, 1e-9)
  })
  it('nobody said the strength of leaves it unproven though studs are there as well', () =>
    expect(read(project([blocking(1640, null)], STUDS)).verdict.state).toBe('unknown'))
  it('ties a rack where no stud is, and is what gives first when it was said to give little', () => {
    const rack = (holdsKg: number | null) =>
      read(project([blocking(0, holdsKg, { highMm: 2300 })], THIN, {}, { family: 'post-rack' }))
    const tied = rack(300)
    expect(tied.shaped.assembly.anchors.length).toBeGreaterThanOrEqual(2)
    expect(checkOf(tied, 'tip-over:pull')).toMatchObject({ code: 'tip-tied', state: 'holds' })
    expect(checkOf(rack(1), 'tip-over:pull')).toMatchObject({ state: 'fails', data: { weakest: 'prepared' } })
    expect(checkOf(rack(null), 'tip-over:pull').state).toBe('unknown')
  })
})

describe('what two builds are fixed to', () => {
  const both = (features: Feature[], apartMm: number) => {
    const p = project(features, THIN)
    p.builds.push({ ...structuredClone(p.builds[0]), id: 'c', name: 'Second', offsetMm: apartMm })
    return outcomes(p).map((o) => (o.ok ? o.reading : null)!)
  }
  it('is not proven for both together where it is one and the same', () => {
    for (const r of both([blocking(1500, 5000, { highMm: 400, wideMm: 3600 })], 1700)) {
      expect(r.verdict.state).toBe('unknown')
      expect(r.checks.find((c) => c.code === 'shared-prepared')!.data.name).toMatch(/^(Cabinet|Second)$/)
    }
  })
  it('holds where each has its own', () => {
    const two = [0, 1700].map((atMm, i) => ({
      ...blocking(1500, 5000, { highMm: 400, wideMm: 1500, atMm }),
      id: `k${i}`,
    }))
    for (const r of both(two, 1700)) expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
  })
})

describe('places in what is prepared', () => {
  const strip: Prepared = {
    of: 'f',
    kind: 'blocking',
    on: 'wall',
    left: 100,
    right: 1700,
    from: 1500,
    to: 1640,
    thickMm: 38,
    holdsN: 1,
  }
  it('are one in each stretch between studs, within both, clear of all edges', () => {
    const band = { left: 0, right: 1500, low: 1590, high: 1679 }
    const at = preparedBehind([strip], 'wall', band, 1634, [400, 1000, 1600])
    expect(at.map((s) => [s.field, ...s.at])).toEqual([
      [0, 260, 1620],
      [1, 700, 1620],
      [2, 1250, 1620],
    ])
    expect(preparedBehind([strip], 'wall', { ...band, low: 1610 }, 1634, [])).toEqual([])
    expect(preparedBehind([strip], 'ceiling', band, 1634, [])).toEqual([])
  })
  it('lie in the stretch asked for and in the blocking, whatever both are', () => {
    const mm = (max: number) => fc.double({ min: 0, max, noNaN: true })
    fc.assert(
      fc.property(
        mm(2000),
        mm(2000),
        mm(2000),
        mm(2000),
        fc.array(mm(2000), { maxLength: 5 }),
        (l, w, low, h, studs) => {
          const band = { left: l, right: l + w, low, high: low + h }
          for (const { at } of preparedBehind(
            [strip],
            'wall',
            band,
            low + h / 2,
            [...studs].sort((a, b) => a - b),
          )) {
            expect(at[0]).toBeGreaterThanOrEqual(Math.max(l, 100) - 1e-9)
            expect(at[0]).toBeLessThanOrEqual(Math.min(l + w, 1700) + 1e-9)
            expect(at[1]).toBeGreaterThanOrEqual(Math.max(low, 1500) + 20 - 1e-9)
            expect(at[1]).toBeLessThanOrEqual(Math.min(low + h, 1640) - 20 + 1e-9)
          }
        },
      ),
    )
  })
  it('are the same from higher up, and along and out change places under joists along the wall', () => {
    const [up] = preparedFrom([strip], { upMm: 900, outMm: 50 })
    expect([up.from, up.to, up.left]).toEqual([600, 740, 100])
    const over = { ...strip, on: 'ceiling' as const }
    expect(preparedFrom([over], { upMm: 900, outMm: 50 })[0].from).toBe(1450)
    expect(preparedAcross(preparedAcross(over))).toEqual(over)
    expect(preparedAcross(over)).toMatchObject({ left: 1500, right: 1640, from: 100, to: 1700 })
  })
})

describe('in Survey', () => {
  it('they are called by name, kept in the file with what they carry, and in nobody’s way', () => {
    const run = parseRun('blocking 1200 x 140 at 300 up 1500; bolt at 400 and 800 up 1700', 'wall-1', 'metric')
    if (!run.ok) throw new Error(run.problem.code)
    expect(run.value.features.map((f) => [f.kind, f.atMm, f.upMm, f.holdsKg])).toEqual([
      ['blocking', 300, 1500, null],
      ['bolt', 395, 1700, null],
      ['bolt', 795, 1700, null],
    ])
    const p = project([bolt('f', 300, 1700, 150), blocking(100)], STUDS)
    const back = readProject(writeProject(p))
    if (!back.ok) throw new Error(JSON.stringify(back.problems))
    expect(back.project.room.features.map((f) => f.holdsKg)).toEqual([150, 200])
    expect(read(p).checks.filter((c) => c.check === 'clearance' && c.state === 'fails')).toEqual([])
  })
})

describe('what hangs along a wall that carries nothing', () => {
  const bands = (holdsKg: number | null = 400): Feature[] =>
    [1050, 1530].map((upMm, i) => ({ ...blocking(upMm, holdsKg), id: `k${i}`, wideMm: 3000 }))
  const kit = (family: string, features: Feature[], params: object = {}, wall: Construction = THIN) => {
    const p = project(features, wall, params, { family })
    const tool = { id: 't', name: 'saw', kind: 'tool' as const, count: 3, acrossMm: 130, deepMm: 40, tallMm: 420 }
    p.goods.push(newGoods({ ...tool, massKg: 0.8 }))
    if (family !== 'ledger-shelf') p.builds[0].goods = [{ goodsId: 't', count: 3 }]
    return p
  }
  const anchorsOf = (r: BuildReading) => r.shaped.assembly.anchors
  it('strips lie over each height with blocking, held in nothing else', () => {
    const r = read(kit('strip-wall', bands(), { rows: 2, lengthMm: 1200 }))
    expect(anchorsOf(r).every((a) => a.prepared)).toBe(true)
    const heights = [...new Set(anchorsOf(r).map((a) => Math.round(a.at[2])))]
    expect(heights).toEqual([1120, 1600])
    expect(r.shaped.dims.find((d) => d.path === 'riseMm')).toMatchObject({ value: 480 })
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
  })
  it('strips go no higher than there is something for them: of one height there is one', () => {
    const r = read(kit('strip-wall', bands().slice(0, 1)))
    expect(new Set(anchorsOf(r).map((a) => Math.round(a.at[2])))).toEqual(new Set([1120]))
    const [o] = outcomes(kit('strip-wall', bands().slice(0, 1), { rows: 2 }))
    expect(o.ok ? null : o.problem.code).toBe('strip-misses-studs')
  })
  it('what lies lower than anything hangs sets no rise, and unevenly prepared heights are not passed by a strip', () => {
    const uneven = [200, 1050, 1530, 1760].map((upMm, i) => ({ ...blocking(upMm, 400), id: `k${i}` }))
    const r = read(kit('strip-wall', uneven))
    expect(r.shaped.dims.find((d) => d.path === 'riseMm')!.tackedValue).toBe(480)
    const heights = new Set(anchorsOf(r).map((a) => Math.round(a.at[2])))
    for (const z of heights) expect([1120, 1600]).toContain(z)
  })
  it('is not proven while nobody said what that carries, and fails where it carries next to nothing', () => {
    expect(read(kit('strip-wall', bands(null))).verdict.state).toBe('unknown')
    expect(read(kit('strip-wall', bands(0.2))).verdict.fails).toBeGreaterThan(0)
  })
  it('on studs strips stay where they are reached best', () => {
    const [with_, without] = [bands(), []].map((f) => read(kit('strip-wall', f, {}, STUDS)))
    const top = (r: BuildReading) => r.shaped.dims.find((d) => d.path === 'lowestMm')!.value
    expect(top(with_)).toBe(top(without))
  })
  it('a ledger is held by blocking at its height, and by none that is lower', () => {
    const wide = (upMm: number) => [blocking(upMm, 600, { highMm: 200 })]
    const r = read(kit('ledger-shelf', wide(1000), { topMm: [1200], shelves: 1, bays: 1 }))
    const own = anchorsOf(r).filter((a) => a.part.startsWith('ledger'))
    expect(own.length).toBeGreaterThanOrEqual(2)
    expect(own.every((a) => a.prepared?.of === 'blk')).toBe(true)
    const [o] = outcomes(kit('ledger-shelf', wide(300), { topMm: [1200], shelves: 1, bays: 1 }))
    expect(o.ok ? null : o.problem.code).toBe('ledger-misses-studs')
  })
  it('a pegboard is held by blocking as high as itself', () => {
    const r = read(kit('pegboard', [blocking(900, 300, { highMm: 1200 })]))
    expect(anchorsOf(r).every((a) => a.prepared)).toBe(true)
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
    const [o] = outcomes(kit('pegboard', [blocking(1400, 300)]))
    expect(o.ok ? null : o.problem.code).toBe('battens-miss-studs')
  })
})
