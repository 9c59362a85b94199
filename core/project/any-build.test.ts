import { describe, expect, it } from '@jest/globals'
import { isSawn } from '../assembly/identical.ts'
import fc from 'fast-check'
import { validateAssembly } from '../assembly/validate.ts'
import { drawView, VIEWS } from '../drawing/view.ts'
import { exampleContext } from '../families/example-context.ts'
import type { ShapeContext } from '../families/family.ts'
import { allFamilies, findFamily } from '../families/registry.ts'
import { GOODS_KINDS } from '../catalogue/containers.ts'
import { newGoods } from '../goods/goods.ts'
import { inEquilibrium } from '../loads/load-path.ts'
import { IMPERIAL, METRIC } from '../measure/units.ts'
import { DURATIONS, MOISTURES } from '../mechanics/methods/method.ts'
import { sayCheck } from '../wording/checks.ts'
import { sayProblem } from '../wording/problems.ts'
import { sayIn } from '../wording/say.ts'
import { stepText } from '../wording/steps.ts'
import { procure } from './plan.ts'
import { newBuild } from './new-build.ts'
import { newProject, type Build } from './project.ts'
import { readWith } from './read-build.ts'

/*
 * Any goods, any room, any choices, some dimensions fixed at random: whatever comes of it, it is a build that keeps the
 * contract, or a problem in words.
 */

const mm = (min: number, max: number) => fc.integer({ min, max })
const goods = fc.array(
  fc.record({
    kind: fc.constantFrom(...GOODS_KINDS),
    count: mm(1, 40),
    across: mm(30, 1200),
    deep: mm(30, 1200),
    tall: mm(30, 1500),
    kg: fc.option(mm(1, 200), { freq: 10 }),
  }),
  { minLength: 1, maxLength: 4 },
)
const anything = fc.record({
  system: fc.constantFrom('imperial', 'metric'),
  goods,
  wall: mm(400, 9000),
  family: fc.constantFrom(...allFamilies().map((f) => f.id)),
  mirrored: fc.boolean(),
  method: fc.constantFrom('asd', 'ec5'),
  moisture: fc.constantFrom(...MOISTURES),
  duration: fc.constantFrom(...DURATIONS),
  seismicG: fc.constantFrom(0, 0.5, 1),
  floor: fc.constantFrom('slab', 'timber'),
  walls: fc.constantFrom('studs', 'masonry', 'thin'),
  high: mm(600, 3200),
  deep: mm(100, 1500),
  fall: mm(0, 15),
  // What is chosen and fixed, drawn in the order the build lists them.
  draws: fc.array(fc.double({ min: 0, max: 0.999, noNaN: true }), { minLength: 80, maxLength: 80 }),
})
type Anything = typeof anything extends fc.Arbitrary<infer T> ? T : never

function contextOf(x: Anything): ShapeContext {
  const base = exampleContext(
    x.system,
    x.goods.map((g, i) => ({
      item: newGoods({
        id: `g${i}`,
        name: `thing ${i}`,
        kind: g.kind,
        count: g.count,
        acrossMm: g.across,
        deepMm: g.deep,
        tallMm: g.tall,
        massKg: g.kg,
      }),
      count: g.count,
    })),
    x.wall,
  )
  const wall = x.walls === 'studs' ? {} : { construction: { kind: x.walls }, studsMm: [] }
  return {
    ...base,
    settings: { ...base.settings, method: x.method, moisture: x.moisture, duration: x.duration, seismicG: x.seismicG },
    space: { ...base.space, ...wall, floor: x.floor, heightMm: x.high, depthMm: x.deep },
    ...(x.fall > 0 ? { fallUnder: () => ({ atOriginMm: 0, xMmPerM: x.fall, yMmPerM: x.fall / 2 }) } : {}),
  }
}

/** Takes some of a build's choices and fixes some of its dimensions. */
function meddled(build: Build, x: Anything, ctx: ShapeContext): Build {
  const first = readWith(findFamily(x.family)!, build, ctx)
  if (!first.ok) return build
  let at = 0
  const draw = () => x.draws[at++ % x.draws.length]
  let params = build.params as Record<string, unknown>
  for (const c of first.reading.shaped.choices)
    if (draw() < 0.4) params = { ...params, [c.path]: c.options[Math.floor(draw() * c.options.length)] }
  for (const d of first.reading.shaped.dims.filter((y) => !y.path.includes('.'))) {
    if (draw() > 0.12) continue
    const most = Math.min(d.max, d.quantity === 'count' ? 12 : 3000)
    const value = d.min + draw() * Math.max(0, most - d.min)
    params = { ...params, [d.path]: d.quantity === 'count' ? Math.round(value) : value }
  }
  return { ...build, params: params as Build['params'] }
}

describe('any build', () => {
  it('keeps the contract, is in equilibrium and has words for all it says, or is refused in words', () => {
    fc.assert(
      fc.property(anything, (x) => {
        const ctx = contextOf(x)
        const build = meddled(
          {
            ...newBuild({
              id: 'b',
              name: 'b',
              family: x.family,
              params: findFamily(x.family)!.start(ctx) as Build['params'],
              wallId: 'w',
            }),
            mirrored: x.mirrored,
          },
          x,
          ctx,
        )
        const outcome = readWith(findFamily(x.family)!, build, ctx)
        if (!outcome.ok) {
          expect(sayProblem(outcome.problem, sayIn(METRIC))).toMatch(/^["A-Z0-9].*[.]$/)
          // In any room a build is told what it lacks, not only that its pieces do not meet.
          expect(outcome.problem.code).not.toBe('not-buildable')
          return
        }
        const { reading } = outcome
        const { assembly } = reading.shaped
        // Goods may only stand out where a check says that they do not fit.
        const tight = reading.checks.some((c) => c.check === 'contents-fit' && c.state === 'fails')
        expect(validateAssembly(assembly).filter((f) => !(tight && f.code === 'item-outside'))).toEqual([])
        expect([inEquilibrium(reading.service), inEquilibrium(reading.design)]).toEqual([true, true])
        expect(new Set(reading.checks.map((c) => c.id)).size).toBe(reading.checks.length)
        for (const c of reading.checks) {
          const numbers = [c.demand, c.capacity, c.ratio, ...(c.working?.inputs ?? []).map((i) => i.value)]
          const said = [IMPERIAL, METRIC].map((units) => sayCheck(c, sayIn(units)))
          const wrong = [
            ...numbers.filter((n) => n !== null && !Number.isFinite(n)),
            ...said.filter((s) => !/^[A-Z0-9"].*[.]$/.test(s) || /undefined|NaN|Infinity|\?/.test(s)),
          ]
          if (wrong.length > 0) expect([c.id, wrong]).toEqual([c.id, []])
        }
        for (const s of reading.steps) expect(stepText(s, sayIn(IMPERIAL))).not.toMatch(/undefined|NaN/)
        for (const view of VIEWS)
          drawView(assembly, view, {
            boxes: reading.boxes,
            goods: reading.goods,
            labels: reading.labels,
            dims: reading.shaped.dims,
          })
        // Nobody weighed it, or the method knows the wood not: never a verdict that holds.
        if (reading.service.notWeighed.length > 0) expect(['fails', 'unknown']).toContain(reading.verdict.state)
      }),
      { numRuns: 220 },
    )
  })
  it('is cut whole, or says of each kind of stock why it cannot be', () => {
    fc.assert(
      fc.property(anything, (x) => {
        const ctx = contextOf(x)
        const build = meddled(
          newBuild({
            id: 'b',
            name: 'b',
            family: x.family,
            params: findFamily(x.family)!.start(ctx) as Build['params'],
            wallId: 'w',
          }),
          x,
          ctx,
        )
        const outcome = readWith(findFamily(x.family)!, build, ctx)
        if (!outcome.ok) return
        const { cutPlan } = procure(newProject('p', 'p', x.system, '2026-01-01T00:00:00.000Z'), [outcome.reading])
        const cut = [
          ...cutPlan.boards.flatMap((b) => b.cuts.flatMap((c) => c.labels)),
          ...cutPlan.sheets.flatMap((s) => s.cuts.map((c) => c.label)),
        ]
        expect(new Set(cut).size).toBe(cut.length)
        const sawn = outcome.reading.shaped.assembly.parts.filter((p) => isSawn(p.stock))
        if (cutPlan.cannot.length === 0) expect(cut.length).toBe(sawn.length)
        else expect(cut.length).toBeLessThan(sawn.length)
        // What no stock gives has been told by a check before anybody buys.
        const told = outcome.reading.checks.some((c) => c.check === 'stock' && c.state === 'fails')
        const tooLarge = cutPlan.cannot.some(({ why }) => /^piece-.*-than-stock$/.test(why.code))
        expect([x.family, told]).toEqual([x.family, tooLarge])
      }),
      { numRuns: 40 },
    )
  })
})
