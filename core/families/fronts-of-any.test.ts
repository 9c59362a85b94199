import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { DRAWS, meddled } from '../../test-support/any-build.ts'
import { misplaced } from '../assembly/sound.ts'
import { settled } from '../assembly/temporary.ts'
import { validateAssembly } from '../assembly/validate.ts'
import { METRIC } from '../measure/units.ts'
import { newBuild } from '../project/new-build.ts'
import { sayProblem } from '../wording/problems.ts'
import { sayIn } from '../wording/say.ts'
import { allFamilies } from './registry.ts'

/*
 * A front is more pieces where others are already: strips, cleats, plates and rails are in the way of hinges, catches,
 * tracks and springs. Whatever is chosen and fixed, nothing of it lies in anything else, or it is refused in words.
 */
const closable = allFamilies().flatMap((family) => {
  const examples = family.examples()
  const shaped = family.shape(examples[0].params, examples[0].context)
  const front = shaped.ok && shaped.value.choices.find((c) => c.path === 'front' && c.options.includes('curtain'))
  return front ? front.options.map((o) => [family.id, String(o), family, examples] as const) : []
})
const tried = fc.record({ draws: DRAWS, example: fc.nat(20), goods: fc.nat(20) })

describe('any build behind any front', () => {
  it.each(closable)(
    '%s, %s: nothing lies in anything else, or it is refused in words',
    (id, front, family, examples) => {
      const wrong: unknown[] = []
      let built = 0
      fc.assert(
        fc.property(tried, ({ draws, example, goods }) => {
          const { params } = examples[example % examples.length]
          const { context } = examples[goods % examples.length]
          const plain = newBuild({ id: 'b', family: id, params: params as never, wallId: 'w' })
          const own = draws[0] < 0.3 ? plain : meddled(plain, draws, context)
          const shaped = family.shape({ ...own.params, front } as never, context)
          if (!shaped.ok) {
            expect(sayProblem(shaped.problem, sayIn(METRIC))).toMatch(/^["A-Z0-9].*[.]$/)
            return
          }
          built++
          const assembly = settled(shaped.value.assembly).built
          // What no sheet gives a check tells, and what stands out too far.
          const told = ['no-stock', 'item-outside']
          const flaws = [
            ...validateAssembly(assembly).filter((f) => !told.includes(f.code)),
            ...misplaced(assembly).filter((f) => f.code !== 'no-board'),
          ]
          if (flaws.length > 0) wrong.push([own.params, flaws.slice(0, 3)])
        }),
        { numRuns: 36 },
      )
      expect(wrong.slice(0, 2)).toEqual([])
      expect(built).toBeGreaterThan(0)
    },
  )
})
