import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../test-support/near.ts'
import { checkOf, readParams } from '../../test-support/read-params.ts'
import { partMassKg } from '../assembly/mass.ts'
import { drawerBank } from '../families/drawer-bank/drawer-bank.ts'
import type { ShapeContext } from '../families/family.ts'
import { METRIC, newtons } from '../measure/units.ts'
import { sayCheck } from '../wording/checks.ts'
import { sayIn } from '../wording/say.ts'

const [example] = drawerBank.examples()
const heavier = (times: number | null): ShapeContext => ({
  ...example.context,
  goods: example.context.goods.map((g) => ({
    ...g,
    item: { ...g.item, massKg: times === null || g.item.massKg === null ? null : g.item.massKg * times },
  })),
})
const read = (times: number | null) => readParams(drawerBank, example.params as never, heavier(times))

describe('what it takes to start a drawer', () => {
  it('is two fifths of the heaviest one, full', () => {
    const r = read(1)
    const a = r.shaped.assembly
    const each = a.motions
      .filter((m) => m.kind === 'slide')
      .map((m) => {
        const own = a.parts.filter((p) => m.parts.includes(p.id)).reduce((n, p) => n + partMassKg(p), 0)
        const goods = a.bays.filter((b) => b.carriers.some((c) => m.parts.includes(c))).flatMap((b) => b.items)
        return newtons(own + goods.reduce((n, i) => n + i.massKg!, 0))
      })
    const c = checkOf(r, 'pull-open:drawers')
    expectNear(c.demand!, 0.4 * Math.max(...each), 1e-9)
    expect(c.state).toBe(0.4 * Math.max(...each) <= 150 ? 'holds' : 'fails')
  })
  it('is too much where it is heavy, and not known where nobody weighed what is in it', () => {
    const heavy = checkOf(read(100), 'pull-open:drawers')
    expect(heavy.state).toBe('fails')
    expect(sayCheck(heavy, sayIn(METRIC))).toMatch(/more than two hands pull easily \(150 N/)
    expect(checkOf(read(null), 'pull-open:drawers').state).toBe('unknown')
  })
})
