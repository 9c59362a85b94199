import { describe, expect, it } from '@jest/globals'
import { isSawn } from '../assembly/identical.ts'
import fc from 'fast-check'
import { anything, contextOf, meddled } from '../../test-support/any-build.ts'
import { validateAssembly } from '../assembly/validate.ts'
import { drawView, VIEWS } from '../drawing/view.ts'
import { findFamily } from '../families/registry.ts'
import { inEquilibrium } from '../loads/load-path.ts'
import { IMPERIAL, METRIC } from '../measure/units.ts'
import { sayCheck } from '../wording/checks.ts'
import { sayProblem } from '../wording/problems.ts'
import { sayIn } from '../wording/say.ts'
import { stepText } from '../wording/steps.ts'
import { procure } from './plan.ts'
import { newBuild } from './new-build.ts'
import { newProject, type Build } from './project.ts'
import { readWith } from './read-build.ts'

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
          x.draws,
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
          x.draws,
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
