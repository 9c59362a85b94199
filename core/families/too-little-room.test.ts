import { describe, expect, it } from '@jest/globals'
import { sayIn } from '../wording/say.ts'
import { sayProblem } from '../wording/problems.ts'
import { METRIC } from '../measure/units.ts'
import { allFamilies } from './registry.ts'

const MEASURES = ['lengthMm', 'depthMm', 'heightMm', 'ceilingMm'] as const
/** As long as two sheets are thick as well: then nothing is left between. */
const MM = [1, 36, 250]

describe('too little room', () => {
  it.each(allFamilies().map((f) => [f.id, f] as const))('%s is told, and nothing throws', (_id, f) => {
    for (const e of f.examples())
      for (const measure of MEASURES)
        for (const mm of MM) {
          const ctx = { ...e.context, space: { ...e.context.space, [measure]: mm } }
          const levers = f.levers(e.params, ctx).slice(0, 2)
          const shaped = [f.shape(e.params, ctx), ...levers.map((l) => f.shape(l.params, ctx))]
          for (const s of shaped) if (!s.ok) expect(sayProblem(s.problem, sayIn(METRIC))).toMatch(/^["A-Z0-9].*[.]$/)
        }
  })
})
