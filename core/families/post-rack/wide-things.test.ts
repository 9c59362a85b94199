import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { readParams } from '../../../test-support/read-params.ts'
import { findSection } from '../../catalogue/lumber.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { exampleContext, exampleGoods } from '../example-context.ts'
import { startingParams } from './parameters.ts'
import { postRack } from './post-rack.ts'

const boxes = (units: UnitSystem, acrossMm: number, count: number) => {
  const { item } = exampleGoods(units, 'box', count)
  return { item: { ...item, id: `box-${acrossMm}`, acrossMm, deepMm: 500, tallMm: 350, massKg: 15 }, count }
}
const read = (units: UnitSystem, ...goods: ReturnType<typeof boxes>[]) =>
  readParams(postRack, startingParams(units, true), exampleContext(units, goods))
/** Clear between the front posts of a rack, each with its neighbour, mm. */
const clears = ({ shaped, boxes: at }: ReturnType<typeof read>) => {
  const front = shaped.assembly.parts.filter((p) => p.role === 'post').map((p) => at.get(p.id)!)
  const y = Math.max(...front.map((b) => b.min[1]))
  const row = front.filter((b) => b.min[1] === y).sort((a, b) => a.min[0] - b.min[0])
  return row.slice(1).map((b, i) => b.min[0] - row[i].max[0])
}

describe('what is wider than two posts are usually apart', () => {
  it.each([
    ['metric', 1270],
    ['metric', 1800],
    ['imperial', 1270],
  ] as const)('in a %s rack boxes of %s mm stand between posts as far apart', (units, acrossMm) => {
    const r = read(units, boxes(units, acrossMm, 4))
    expect(r.checks.filter((c) => c.state === 'fails')).toEqual([])
    expect(r.shaped.assembly.bays.flatMap((b) => b.items)).toHaveLength(4)
    expect(Math.min(...clears(r))).toBeGreaterThan(acrossMm)
    expect(r.verdict.state).toBe('holds')
    // Why there are so few posts is told of what is there, not of what is usual.
    const why = r.shaped.dims.find((d) => d.path === 'midPosts')!.why
    expect(why.code).toBe('posts-as-wide')
    expect(Number(why.data!.apartMm)).toBeGreaterThan(acrossMm)
  })
  it('one opening of the first module is as wide where only some of it is, and the other gives way', () => {
    const [mixed, narrow] = [
      read('metric', boxes('metric', 1270, 1), boxes('metric', 400, 12)),
      read('metric', boxes('metric', 400, 12)),
    ]
    const [wide, rest] = clears(mixed)
    expect(mixed.shaped.unhoused).toEqual([])
    expect(wide).toBeGreaterThanOrEqual(1270)
    expectNear(wide + rest, clears(narrow)[0] + clears(narrow)[1], 1e-9)
    expect(mixed.checks.filter((c) => c.state === 'fails' || c.state === 'unknown').map((c) => c.id)).toEqual([])
    expect(mixed.shaped.dims.find((d) => d.path === 'midAtMm.0')!.why.code).toBe('post-past-wide')
    expect(narrow.shaped.dims.find((d) => d.path === 'midAtMm.0')!.why.code).toBe('evenly')
  })
  it('what is much wider than that has no place beside narrow things, and that is told', () => {
    const much = read('metric', boxes('metric', 1900, 1), boxes('metric', 400, 12))
    expect(much.shaped.dims.find((d) => d.path === 'midAtMm.0')!.why.code).toBe('evenly')
    expect(much.checks.find((c) => c.id === 'contents-fit:unhoused:box-1900')?.state).toBe('fails')
  })
  it('half a sheet less a post and its play is still narrow, by hand', () => {
    const post = findSection('38x89mm')!.widthMm
    const [narrow, wide] = [1080, 1270].map((w) => Math.min(...clears(read('metric', boxes('metric', w, 2)))))
    expect(narrow).toBeLessThan(1220 - post + 1e-6)
    expect(wide).toBeGreaterThan(1220)
  })
})
