import { describe, expect, it } from '@jest/globals'
import { crateOf } from '../../../test-support/crate.ts'
import { expectNear } from '../../../test-support/near.ts'
import { readParams, tryParams } from '../../../test-support/read-params.ts'
import { misplaced } from '../../assembly/sound.ts'
import { validateAssembly } from '../../assembly/validate.ts'
import { DRAWER } from '../../blocks/fronts/drawer.ts'
import { METRIC } from '../../measure/units.ts'
import { sayProblem } from '../../wording/problems.ts'
import { sayIn } from '../../wording/say.ts'
import { exampleContext, exampleGoods, handTools, smallTins } from '../example-context.ts'
import { startingParams, type ShelfUnitParams } from './parameters.ts'
import { shelfUnit } from './shelf-unit.ts'

const say = sayIn(METRIC)
const ctx = (goods: Parameters<typeof exampleContext>[1]) => exampleContext('metric', goods)
const mixed = ctx([exampleGoods('metric', 'box', 4), ...handTools('metric')])
const given = (over: Partial<ShelfUnitParams> = {}): ShelfUnitParams => ({
  ...startingParams('metric', true),
  front: 'drawers',
  bays: 2,
  ...over,
})
const read = (over: Partial<ShelfUnitParams> = {}, c = mixed) => readParams(shelfUnit, given(over), c)
const problem = (over: Partial<ShelfUnitParams>, c = mixed) => tryParams(shelfUnit, given(over), c).problem!

describe('drawers under the shelves of a unit', () => {
  const r = read()
  const a = r.shaped.assembly
  const box = (id: string) => r.boxes.get(id)!
  const dim = (path: string) => r.shaped.dims.find((d) => d.path === path)!.value
  const rows = dim('drawerRows')
  it('hold, each a part by itself in every opening', () => {
    expect([...validateAssembly(a), ...misplaced(a)]).toEqual([])
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
    expect(a.subassemblies.filter((s) => s.name === DRAWER)).toHaveLength(2 * rows)
    expect(a.motions.filter((m) => m.kind === 'slide')).toHaveLength(2 * rows)
  })
  it('take what is low and light, laid down; what is not stands on the shelves over them', () => {
    const inside = (code: string) =>
      new Set(a.bays.flatMap((b) => (b.name.code === code ? b.items : [])).map((i) => i.goodsId))
    // A level is longer than a drawer is wide or deep.
    expect([...inside('shelf')].sort()).toEqual(['carton-m', 'tool-level'])
    expect([...inside('drawer')].every((id) => id.startsWith('tool-'))).toBe(true)
    expect(r.shaped.unhoused).toEqual([])
    const high = a.bays.flatMap((b) =>
      b.name.code === 'drawer' ? b.items.map((i) => i.box.max[2] - i.box.min[2]) : [],
    )
    expect(Math.max(...high)).toBeLessThan(50)
  })
  it('are between the lowest shelf and the next, which is over the uppermost of them', () => {
    expectNear(box('drawer-0-0-left').min[2], box('shelf-0-0').max[2] + 3, 1e-6)
    const gap = box('shelf-0-1').min[2] - box(`drawer-0-${rows - 1}-face`).max[2]
    expect(gap).toBeGreaterThan(0)
    expect(gap).toBeLessThan(10)
    // No higher than one looks into from above.
    expect(box(`drawer-0-${rows - 1}-face`).max[2]).toBeLessThan(1250)
  })
  it('a fixed panel keeps tall uprights between many of them from bowing', () => {
    const many = read({ drawerRows: 9 })
    const panels = many.shaped.assembly.parts.filter((p) => p.id.startsWith('panel-0-'))
    expect(panels.length).toBeGreaterThan(0)
    const ends = ['shelf-0-0', ...panels.map((p) => p.id), 'shelf-0-1'].map((id) => many.boxes.get(id)!)
    for (let i = 1; i < ends.length; i++) expect(ends[i].min[2] - ends[i - 1].max[2]).toBeLessThan(710)
    expect([...validateAssembly(many.shaped.assembly), ...misplaced(many.shaped.assembly)]).toEqual([])
  })
  it('a strip under the front edge of the shelf over them leaves the uppermost its room', () => {
    const strip = read({ strip: 'glued' })
    expect(misplaced(strip.shaped.assembly)).toEqual([])
    const face = strip.boxes.get(`drawer-0-${rows - 1}-face`)!
    expect(face.max[2]).toBeLessThan(strip.boxes.get('strip-0-1')!.min[2])
  })
  it('one more can be asked for than the things need, and its height', () => {
    const more = read({ drawerRows: rows + 1, drawerMm: [dim('topMm.0') + 250] })
    const at = (id: string) => more.boxes.get(id)!
    expectNear(at('drawer-0-1-left').min[2], box('shelf-0-0').max[2] + 250, 1e-6)
    // The shelf over them is as much higher as they are.
    expect(at('shelf-0-1').min[2]).toBeGreaterThan(at(`drawer-0-${rows}-face`).max[2])
    expect(more.shaped.assembly.motions.filter((m) => m.kind === 'slide')).toHaveLength(2 * (rows + 1))
  })
  it('is led through with its slides before the shelves, and its drawers once it is tied', () => {
    const order = r.steps.map((s) => s.code)
    const told = ['slides-on', 'shelves-in', 'tie', 'drawer-on-slides', 'drawers-on-slides-in', 'drawer-pulls']
    expect(told.map((c) => order.indexOf(c))).toEqual([...told.map((c) => order.indexOf(c))].sort((x, y) => x - y))
    const brought = r.steps.flatMap((s) => s.parts)
    expect(new Set(brought)).toEqual(new Set(a.parts.map((p) => p.id)))
    expect(brought.length).toBe(a.parts.length)
  })
  it('is as deep as slides and drawers ask, its handles in front of it inside the room', () => {
    const tins = read({}, ctx([smallTins('metric')]))
    expect(tins.shaped.dims.find((d) => d.path === 'depthMm')!.value).toBeGreaterThanOrEqual(300)
    const front = Math.max(...[...tins.boxes.values()].map((b) => b.max[1]))
    expect(front).toBeLessThan(mixed.space.depthMm)
    const heavy = read({}, ctx([{ item: crateOf([300, 300, 150], 12, { count: 4 }), count: 4 }]))
    expect(heavy.shaped.assembly.bays.every((b) => b.name.code !== 'drawer' || b.items.length === 0)).toBe(true)
  })
  it('refuses cleats, one shelf and a drawer without room, in words', () => {
    const refused = [
      [problem({ hold: 'cleats' }), 'drawers-in-dadoes', 'hold'],
      [problem({ shelves: 1 }), 'drawers-one-shelf', 'shelves'],
      [problem({ drawerRows: 3, drawerMm: [110] }), 'drawer-too-low', 'drawerMm.0'],
      [problem({ depthMm: 250 }), 'drawer-slide-short', 'depthMm'],
    ] as const
    for (const [p, code, field] of refused) {
      expect(p).toMatchObject({ code, field })
      expect(sayProblem(p, say)).toMatch(/^[A-Z].*\.$/)
    }
  })
})
