import { describe, expect, it } from '@jest/globals'
import { crateOf } from '../../test-support/crate.ts'
import { expectNear } from '../../test-support/near.ts'
import { withRack } from '../../test-support/one-build.ts'
import { readParams } from '../../test-support/read-params.ts'
import { findSheet } from '../catalogue/sheets.ts'
import { METRIC } from '../measure/units.ts'
import { procure } from '../project/plan.ts'
import { newProject, type Build, type Project } from '../project/project.ts'
import { readBuild, type BuildReading } from '../project/read-build.ts'
import { savings } from '../project/savings.ts'
import { sayCheck } from '../wording/checks.ts'
import { optionName } from '../wording/dims.ts'
import { sayLever } from '../wording/levers.ts'
import { sayIn } from '../wording/say.ts'
import { exampleContext } from './example-context.ts'
import { findFamily } from './registry.ts'
import { startingParams } from './shelf-unit/parameters.ts'
import { shelfUnit } from './shelf-unit/shelf-unit.ts'
import { stripLevers } from './strips.ts'

const STRIP = '44mm-of-ply-18mm'
const ctx = exampleContext('metric', [{ item: crateOf([700, 330, 250], 14), count: 4 }], 4000)
const unit = (over: object) =>
  readParams(shelfUnit, { ...startingParams('metric', true), rearStrip: true, strip: 'glued', ...over }, ctx)
const edges = (r: ReturnType<typeof unit>) => r.shaped.assembly.parts.filter((p) => p.role === 'edge')
const failing = (r: ReturnType<typeof unit>) =>
  r.checks.filter((c) => c.state !== 'holds' && c.parts.some((id) => /^strip/.test(id)))

describe('strips of a sheet in a build', () => {
  it('are of the sheet: its wood, its weight, and pieces of it in the list', () => {
    const [board, strip] = [unit({ stripSection: '18x44mm' }), unit({ stripSection: STRIP })]
    expect(edges(strip).length).toBe(edges(board).length)
    for (const p of edges(strip)) expect(p.stock).toMatchObject({ section: STRIP, grade: 'ply-18mm', treated: false })
    const lines = strip.pieces.filter((l) => l.role === 'edge')
    expect(lines.length).toBeGreaterThan(0)
    for (const l of lines) {
      expect(l.stock).toEqual({ kind: 'sheet', sheet: 'ply-18mm' })
      // On edge under the shelf it is sawn flat out of the sheet, the grain along it.
      expect(l).toMatchObject({ cut: { widthMm: 44 }, grain: 'length', ripped: false })
      const { lengthMm } = l.cut
      expectNear(l.massKg, (lengthMm * 44 * 18 * findSheet('ply-18mm')!.densityKgM3) / 1e9, 1e-9)
    }
  })
  it('stiffen the edges of a shelf less than boards do, by the moduli', () => {
    const sag = (r: ReturnType<typeof unit>) => r.checks.find((c) => c.id.startsWith('sag:shelf-'))!.demand!
    const [none, strip, board] = [
      unit({ strip: 'none' }),
      unit({ stripSection: STRIP }),
      unit({ stripSection: '18x44mm' }),
    ]
    expect(sag(strip)).toBeLessThan(sag(none))
    expect(sag(strip)).toBeGreaterThan(sag(board))
  })
  it('hang by glue on their edges, and by screws alone not at all: said so', () => {
    expect(failing(unit({ stripSection: STRIP }))).toEqual([])
    const screwed = unit({ stripSection: STRIP, strip: 'screwed' })
    const out = screwed.checks.filter((c) => c.code === 'joint-pulled-out')
    expect(out).toHaveLength(1)
    expect(out[0]).toMatchObject({ state: 'fails', capacity: 0 })
    // What a strip weighs, on the three screws and more along it.
    const heaviest = Math.max(...screwed.pieces.filter((l) => l.role === 'edge').map((l) => l.massKg))
    expect(out[0].demand!).toBeGreaterThan(heaviest * 9.8)
    expect(sayCheck(out[0], sayIn(METRIC))).toContain('the edge of a sheet')
    const into = screwed.shaped.assembly.joints.filter((j) => /^strip/.test(j.far)).flatMap((j) => j.fasteners)
    expect(new Set(into.map((f) => f.into))).toEqual(new Set(['edge']))
  })
  it('screwed flat to a side go into its face, and are judged so', () => {
    const r = unit({ strip: 'none', hold: 'cleats', cleatSection: '44mm-of-ply-18mm' })
    const cleats = r.shaped.assembly.joints.filter((j) => /^cleat/.test(j.near) || /^cleat/.test(j.far))
    expect(cleats.length).toBeGreaterThan(0)
    expect(r.verdict.unknown).toBe(0)
  })
  it('come out of the sheets the plan buys, whole', () => {
    const r = unit({ stripSection: STRIP })
    const p = { ...newProject('p', 'Shed', 'metric', '2026-01-01T00:00:00.000Z'), settings: ctx.settings }
    const { cutPlan } = procure(p, [r])
    expect(cutPlan.cannot).toEqual([])
    const labels = cutPlan.sheets.filter((s) => s.sheet === 'ply-18mm').flatMap((s) => s.cuts.map((c) => c.line))
    const wanted = r.pieces.filter((l) => l.role === 'edge')
    for (const l of wanted) expect(labels.filter((x) => x.endsWith(`/${l.letter}`))).toHaveLength(l.count)
    expect(cutPlan.boards.some((b) => b.section === STRIP)).toBe(false)
  })
})

describe('strips to choose', () => {
  const choice = (r: ReturnType<typeof unit>, path: string) => r.shaped.choices.find((c) => c.path === path)!

  it('are those of sheets the build has, in the widths of its thin boards, by name', () => {
    const c = choice(unit({}), 'stripSection')
    expect(c.options).toContain(STRIP)
    expect(c.options.filter((o) => String(o).includes('-of-') && !String(o).includes('ply-18mm'))).toEqual([])
    expect(optionName(c, STRIP)).toBe('44 mm strip, plywood 18 mm')
    // No strip is as thick as these.
    const posts = findFamily('post-rack')!.examples()[0]
    const rack = readParams(findFamily('post-rack')!, posts.params as object, posts.context)
    expect(
      rack.shaped.choices.find((x) => x.path === 'postSection')!.options.some((o) => String(o).includes('-of-')),
    ).toBe(false)
  })
  it('are not there where the sheet is one nothing is ripped from', () => {
    expect(choice(unit({ sheet: 'mdf-18mm' }), 'stripSection').options.some((o) => String(o).includes('-of-mdf'))).toBe(
      false,
    )
  })
  it('are tried for each choice of a thin board, and never for what is a strip already', () => {
    const of = (params: object) => stripLevers(params, unit(params).shaped.choices).map((l) => l.data)
    expect(of({ stripSection: '18x44mm' })).toContainEqual({ section: '18x44mm', strip: STRIP })
    expect(of({ stripSection: STRIP })).toEqual([])
    expect(sayLever('of-strips', { section: '18x44mm', strip: STRIP }, sayIn(METRIC))).toBe(
      'Rip the 18 x 44 from the sheet: 44 mm strip, plywood 18 mm',
    )
  })
})

describe('what a strip of a sheet saves', () => {
  it('is offered where the whole costs less and everything still holds', () => {
    const rack = (count: number) => {
      const given = { cleatSection: '1x3', sheet: 'ply-23/32', strips: 'none' }
      const p = withRack(count, 4, given, 'pail', 'floating-shelf-rack')
      const [build] = p.builds
      const change = stripLevers(build.params, read(p, build).shaped.choices).find((l) => l.data!.section === '1x3')!
      const ripped = { ...build, params: change.params as Build['params'] }
      const minor = (b: Build) => procure(p, [read(p, b)]).bill.totalMinor
      return { p, build, ripped, cheaper: minor(build) - minor(ripped) }
    }
    // Of six the cleats come out of what the shelves leave of their sheet; of ten they ask for one more.
    const [six, ten] = [rack(6), rack(10)]
    expect(six.cheaper).toBeGreaterThan(500)
    expect(ten.cheaper).toBeLessThan(0)
    expect(read(six.p, six.ripped).verdict.state).toBe('holds')
    const found = savings(six.p, six.build, 20).find((s) => s.changes[0].code === 'of-strips')
    expect(found).toMatchObject({ allHold: true, deltaMinor: -six.cheaper })
  })
})
const read = (p: Project, b: Build): BuildReading => {
  const r = readBuild(p, b)
  if (!r.ok) throw new Error(JSON.stringify(r.problem))
  return r.reading
}
