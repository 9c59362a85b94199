import { describe, expect, it } from '@jest/globals'
import { bad, good } from '../measure/result.ts'
import { exampleContext, exampleGoods } from './example-context.ts'
import type { ShapeContext } from './family.ts'
import { allOnWall, opened } from './opened.ts'

const ctx = (over: Partial<ShapeContext> = {}): ShapeContext => ({
  ...exampleContext('metric', [exampleGoods('metric', 'box', 2), exampleGoods('metric', 'pail', 1)]),
  ...over,
})
const thin = (c: ShapeContext): ShapeContext => ({ ...c, space: { ...c.space, construction: { kind: 'thin' } } })
const plan = () => good({ plan: { mm: 7 }, unhoused: [] })

describe('how shaping begins', () => {
  it('with a plan, its pen and an empty draft of the yard it is bought from', () => {
    const r = opened({ depthMm: 300 }, ctx(), (p, _c, pen) => {
      pen.length({ path: 'depthMm', code: 'depth', min: 0, max: 900 }, 400, { code: 'x', terms: [] })
      return good({ plan: p, unhoused: [] })
    })
    if (!r.ok) throw new Error(r.problem.code)
    expect(r.value.plan).toEqual({ depthMm: 300 })
    expect(r.value.pen.dims).toMatchObject([{ path: 'depthMm', value: 300, tacked: false, tackedValue: 400 }])
    expect(r.value.d.assembly.parts).toEqual([])
  })
  it('not without goods, and not on a wall that holds nothing where it needs one', () => {
    expect(opened({}, ctx({ goods: [] }), plan)).toMatchObject({ ok: false, problem: { code: 'no-goods' } })
    expect(opened({}, thin(ctx()), plan)).toMatchObject({ ok: false, problem: { code: 'no-wall-to-hang-on' } })
    expect(opened({}, thin(ctx()), plan, false).ok).toBe(true)
  })
  it('and what cannot be planned is told as it is', () =>
    expect(opened({}, ctx(), () => bad('too-shallow', { mm: 3 }, 'depthMm'))).toMatchObject({
      problem: { code: 'too-shallow', field: 'depthMm' },
    }))
})

describe('what a kind proposes itself for', () => {
  it('goods that all fit, on a wall that holds them', () => {
    expect(allOnWall(ctx())).toBe(true)
    expect(allOnWall(ctx(), (g) => g.kind === 'box')).toBe(false)
    expect(allOnWall(ctx(), (g) => g.kind !== 'drum')).toBe(true)
    expect(allOnWall(ctx({ goods: [] }))).toBe(false)
    expect(allOnWall(thin(ctx()))).toBe(false)
  })
})
