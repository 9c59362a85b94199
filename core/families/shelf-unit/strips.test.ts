import { describe, expect, it } from '@jest/globals'
import { crateOf } from '../../../test-support/crate.ts'
import { expectNear } from '../../../test-support/near.ts'
import { readParams } from '../../../test-support/read-params.ts'
import { misplaced } from '../../assembly/sound.ts'
import { METRIC } from '../../measure/units.ts'
import { sayIn } from '../../wording/say.ts'
import { stepText } from '../../wording/steps.ts'
import { exampleContext } from '../example-context.ts'
import { startingParams, UPGRADES, type ShelfUnitParams } from './parameters.ts'
import { shelfUnit } from './shelf-unit.ts'

const ctx = exampleContext('metric', [{ item: crateOf([1000, 330, 250], 20), count: 4 }], 4000)
const given = (over: Partial<ShelfUnitParams>): ShelfUnitParams => ({
  ...startingParams('metric', true),
  stripSection: '38x63mm',
  ...over,
})
const read = (over: Partial<ShelfUnitParams>) => readParams(shelfUnit, given(over), ctx)
const sag = (r: ReturnType<typeof read>) =>
  Math.max(...r.checks.filter((c) => c.id.startsWith('sag:shelf-')).map((c) => c.demand! / c.capacity!))

describe('strips under the edges of wide shelves', () => {
  it.each(['dado', 'cleats'] as const)('under one edge hardly help the other, under both they do: in %s', (hold) => {
    const [none, front, both] = [
      read({ hold }),
      read({ hold, strip: 'glued' }),
      read({ hold, strip: 'glued', rearStrip: true }),
    ]
    expect(sag(none)).toBeGreaterThan(1)
    expect(sag(front)).toBeGreaterThan(0.6 * sag(none))
    expect(sag(both)).toBeLessThan(0.2 * sag(none))
    expect(both.verdict).toMatchObject({ fails: 0, unknown: 0 })
    expect(misplaced(both.shaped.assembly)).toEqual([])
  })
  it('lie at the very edges; at the back between the cleats', () => {
    for (const hold of ['dado', 'cleats'] as const) {
      const r = read({ hold, strip: 'screwed', rearStrip: true })
      const at = (id: string) => r.boxes.get(id)!
      const [shelf, front, rear] = [at('shelf-0-0'), at('strip-0-0'), at('strip-0-0-rear')]
      expectNear(front.max[1], shelf.max[1], 1e-9)
      expectNear(rear.min[1], shelf.min[1], 1e-9)
      const cleat = hold === 'cleats' ? at('cleat-left-0-0').max[0] : at('upright-0').max[0]
      expect(rear.min[0]).toBeGreaterThanOrEqual(cleat - 1e-9)
      expect(rear.min[0]).toBeLessThan(cleat + 5)
    }
  })
  it('are told in their step, offered where a shelf sags, and left out again where they are too much', () => {
    const say = sayIn(METRIC)
    const text = (over: Partial<ShelfUnitParams>) =>
      stepText(
        read(over).steps.find((s) => s.id === 'strips')!,
        say,
      )
    expect(text({ strip: 'glued', rearStrip: true })).toContain('the front and the rear edge')
    expect(text({ strip: 'screwed' })).toContain('Under the front edge of each shelf')
    expect(shelfUnit.levers(given({}), ctx).map((l) => l.code)).toContain('both-strips')
    expect(shelfUnit.levers(given({ strip: 'glued', rearStrip: true }), ctx).map((l) => l.code)).not.toContain(
      'both-strips',
    )
    expect(shelfUnit.savers(given({ strip: 'glued', rearStrip: true }), ctx).map((l) => l.code)).toContain(
      'no-rear-strip',
    )
  })
  it('were under front edges only in the third form', () => {
    expect(UPGRADES[2]({ strip: 'glued' })).toEqual({ strip: 'glued', rearStrip: false })
  })
})
