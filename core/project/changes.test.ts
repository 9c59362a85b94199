import { describe, expect, it } from '@jest/globals'
import { readFileSync } from 'node:fs'
import type { Box } from '../geometry/box.ts'
import { partMassKg } from '../assembly/mass.ts'
import { findSheet } from '../catalogue/sheets.ts'
import { exampleGoods } from '../families/example-context.ts'
import { newFeature } from '../room/features.ts'
import { findFamily } from '../families/registry.ts'
import { readProject } from './file.ts'
import { newBuild } from './new-build.ts'
import { newProject, type Build, type Project } from './project.ts'
import { contextOf, type BuildReading } from './read-build.ts'
import { readBuilds, type KeptReadings } from './read-builds.ts'
import { remedies } from './remedies.ts'
import { safeLoads } from './safe-load.ts'

/* Whatever the application offers to do must do what it says: each offer is carried out and read again. */

const beekeeper = (): Project => {
  const r = readProject(readFileSync('demo/beekeeper.tackloft.json', 'utf8'))
  if (!r.ok) throw new Error(JSON.stringify(r.problems))
  return r.project
}
/** What stays the same from one look to the next; that this says what reading anew says is tried below. */
const kept: KeptReadings = new Map()
const readingOf = (p: Project, id: string): BuildReading => {
  const o = readBuilds(p, kept)[p.builds.findIndex((b) => b.id === id)]
  if (!o.ok) throw new Error(JSON.stringify(o.problem))
  return o.reading
}
const troubles = (r: BuildReading) => r.checks.filter((c) => c.state === 'fails' || c.state === 'unknown')
const meets = (r: BuildReading) => r.checks.filter((c) => c.check === 'clearance' && c.state === 'fails')
const withBuild = (p: Project, build: Build): Project => ({
  ...p,
  builds: p.builds.map((b) => (b.id === build.id ? build : b)),
})

describe('moves in a full room', () => {
  // Alone on its wall: the next build along it would take room from it, and it would be shaped anew.
  const p = { ...beekeeper(), builds: beekeeper().builds.filter((b) => b.id !== 'hives') }
  const [rack] = p.builds
  const at = (offsetMm: number) => withBuild(p, { ...rack, offsetMm })
  const shifted = (b: Build, mm: number, way: unknown): Build => ({
    ...b,
    offsetMm: b.offsetMm + (way === 'right' ? mm : way === 'left' ? -mm : 0),
    outMm: b.outMm + (way === 'out' ? mm : way === 'back' ? -mm : 0),
  })
  const places = [0, 700, 1900, 3500]

  it.each(places)('from %s mm along the wall: the smallest move ends its conflict, the clearing one ends all', (mm) => {
    const here = at(mm)
    const before = meets(readingOf(here, rack.id))
    for (const c of before) {
      const { moveMm, moveWay, clearMm, clearWay } = c.data
      if (Number(moveMm) > 0) {
        const after = meets(readingOf(withBuild(here, shifted(here.builds[0], Number(moveMm), moveWay)), rack.id))
        expect(after.map((x) => x.id)).not.toContain(c.id)
        expect(after.filter((x) => !before.some((y) => y.id === x.id)).map((x) => x.id)).toEqual([])
      }
      if (Number(clearMm) > 0)
        expect(meets(readingOf(withBuild(here, shifted(here.builds[0], Number(clearMm), clearWay)), rack.id))).toEqual(
          [],
        )
    }
  })

  it('a thing it meets is met by points of both, one it does not meet by none', () => {
    // Plain boxes along one wall, compared without the code that finds conflicts.
    const solid = new Set(['bench', 'pipe', 'other'])
    const things = p.room.features.filter((f) => f.wallId === rack.wallId && solid.has(f.kind))
    expect(things.length).toBeGreaterThan(0)
    for (const mm of places) {
      const here = at(mm)
      const r = readingOf(here, rack.id)
      const boxes: Box[] = [...r.boxes.values(), ...r.shaped.assembly.bays.flatMap((b) => b.items.map((i) => i.box))]
      for (const f of things) {
        const thing: Box = {
          min: [f.atMm - mm, f.outMm, f.upMm],
          max: [f.atMm - mm + f.wideMm, f.outMm + f.deepMm, f.upMm + f.highMm],
        }
        const reach = Math.max(
          ...boxes.map((b) =>
            Math.min(...[0, 1, 2].map((i) => Math.min(b.max[i], thing.max[i]) - Math.max(b.min[i], thing.min[i]))),
          ),
        )
        const said = meets(r).some((c) => c.id.endsWith(`solid:${f.id}`))
        // The brace is not its box: it is only asked about where that cannot matter.
        if (reach <= 1) expect({ mm, thing: f.name, said }).toEqual({ mm, thing: f.name, said: false })
        if (reach > 60) expect({ mm, thing: f.name, said }).toEqual({ mm, thing: f.name, said: true })
      }
    }
  })
})

const CASES: [string, 'pail' | 'tote', number, number, object][] = [
  ['post-rack', 'pail', 24, 45, { sheet: 'osb-7/16' }],
  ['post-rack', 'pail', 18, 60, { railJoint: 'screws', depthMm: 590 }],
  ['tote-rack', 'tote', 16, 40, { top: 'ply-15/32' }],
  ['shelf-unit', 'pail', 24, 14, { sheet: 'pb-5/8', clearMm: 1100 }],
  ['shelf-unit', 'pail', 16, 26, { hold: 'cleats', tie: false }],
]
function project(family: string, kind: 'pail' | 'tote', count: number, massKg: number, params: object): Project {
  const p = newProject('p', 'Offers', 'imperial', '2026-01-01T00:00:00.000Z')
  p.goods = [{ ...exampleGoods('imperial', kind, count).item, massKg }]
  const build = newBuild({
    id: 'b',
    name: 'Rack',
    family,
    params: {},
    wallId: 'wall-1',
    goods: [{ goodsId: p.goods[0].id, count }],
  })
  build.params = { ...(findFamily(family)!.start(contextOf(p, build)!) as object), ...params } as Build['params']
  p.builds = [build]
  return p
}

describe.each(CASES)('offers for a %s of %ss', (...given) => {
  const p = project(...given)
  const before = readingOf(p, 'b')
  it('cure what they are offered for, and where they say that all holds, all holds', () => {
    const bad = troubles(before).slice(0, 2)
    for (const c of bad)
      for (const r of remedies(p, p.builds[0], c.id)) {
        const after = readingOf(withBuild(p, r.build), 'b')
        expect(troubles(after).length).toBeLessThan(troubles(before).length)
        if (r.allHold) expect(troubles(after).map((x) => x.id)).toEqual([])
        expect(after.massKg - before.massKg).toBeCloseTo(r.deltaKg, 6)
      }
  })
})

describe('standing up under a beam', () => {
  const under = (upMm: number, deepMm: number) => {
    const p = project('post-rack', 'pail', 12, 10, { raise: 'tilt', topMm: [300, 1000, 1700] })
    p.room.features = [
      newFeature({
        id: 'beam',
        kind: 'beam',
        wallId: 'wall-1',
        atMm: 0,
        outMm: 0,
        upMm,
        wideMm: 3000,
        deepMm,
        highMm: 100,
        name: 'tie beam',
      }),
    ]
    const r = readingOf(p, 'b')
    const [low, deep] = [
      Math.max(...[...r.boxes.values()].map((b) => b.max[2])),
      Math.max(...[...r.boxes.values()].map((b) => b.max[1])),
    ]
    return {
      low,
      deep,
      code: r.checks.find((c) => c.check === 'stand-up')?.code,
      state: r.checks.find((c) => c.check === 'stand-up')?.state,
    }
  }
  const { low, deep } = under(3000, 300)
  it('turns up where the beam is over its diagonal', () =>
    expect(under(Math.hypot(low, deep) + 40, 300)).toMatchObject({ code: 'turn-up', state: 'holds' }))
  it('turns up in front and slides in where the beam is between its height and its diagonal', () =>
    expect(under(low + 20, 300)).toMatchObject({ code: 'turn-up-in-front', state: 'holds' }))
})

describe('safe loads', () => {
  it('of a thin shelf between two uprights: the weight at which 2 · 5wL⁴/384EI is a 240th of its span', () => {
    const p = project('shelf-unit', 'pail', 4, 5, { bays: 1, clearMm: 900 })
    const r = readingOf(p, 'b')
    const loads = safeLoads(p, r)
    expect(loads.length).toBeGreaterThan(1)
    const shelf = r.shaped.assembly.parts.find((x) => x.role === 'shelf')!
    const on = r.shaped.assembly.supports
      .filter((s) => 'part' in s.from && s.from.part === shelf.id)
      .map((s) => (s.contact.min[0] + s.contact.max[0]) / 2)
    const span = Math.max(...on) - Math.min(...on)
    const ei = findSheet('ply-23/32')!.ei.along * shelf.size.widthMm
    const allN = ((span / p.settings.sagRatio) * (384 * ei)) / (2 * 5 * span ** 3)
    const kg = allN / 9.80665 - partMassKg(shelf)
    expect(loads[0].by).toBe('sag')
    expect(loads[0].spreadKg).toBeGreaterThan(kg - 0.75)
    expect(loads[0].spreadKg).toBeLessThanOrEqual(kg)
    expect(loads[0].singleKg).toBeLessThan(loads[0].spreadKg)
  })
  it('are less where less sag is allowed', () => {
    const p = project('post-rack', 'pail', 8, 5, { sheet: 'osb-7/16' })
    const r = readingOf(p, 'b')
    const strict = safeLoads({ settings: { ...p.settings, sagRatio: 600 } }, r)
    safeLoads(p, r).forEach((l, i) => expect(strict[i].spreadKg).toBeLessThanOrEqual(l.spreadKg))
  })
})

describe('what is remembered from reading to reading', () => {
  it('says the same as reading anew, however builds are moved, tied, turned and undone', () => {
    const start = beekeeper()
    const kept: KeptReadings = new Map()
    const [a, b] = start.builds
    const change =
      (build: Build, over: Partial<Build>) =>
      (p: Project): Project =>
        withBuild(p, { ...p.builds.find((x) => x.id === build.id)!, ...over })
    const moves = [
      change(a, { offsetMm: 700 }),
      change(b, { wallId: a.wallId, offsetMm: 2200 }),
      change(b, { offsetMm: a.offsetMm + 2959.1 + 700 }),
      change(b, { tiedTo: [a.id] }),
      change(a, { outMm: 300 }),
      change(b, { turn: 1 }),
      change(b, { tiedTo: [], turn: 0 }),
      (p: Project): Project => ({ ...p, settings: { ...p.settings, personMm: 1600 } }),
      (): Project => start,
    ]
    let p = start
    for (const m of moves) {
      p = m(p)
      const said = (list: readonly ReturnType<typeof readBuilds>[number][]) =>
        list.map((o) =>
          o.ok ? { checks: o.reading.checks, verdict: o.reading.verdict, steps: o.reading.steps } : o.problem,
        )
      expect(said(readBuilds(p, kept))).toEqual(said(readBuilds(p)))
    }
  })
})
