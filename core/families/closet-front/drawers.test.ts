import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { readParams, tryParams } from '../../../test-support/read-params.ts'
import { misplaced } from '../../assembly/sound.ts'
import { validateAssembly } from '../../assembly/validate.ts'
import { DRAWER } from '../../blocks/fronts/drawer.ts'
import { METRIC } from '../../measure/units.ts'
import { sayProblem } from '../../wording/problems.ts'
import { sayIn } from '../../wording/say.ts'
import { exampleContext, exampleGoods, handTools } from '../example-context.ts'
import { closetFront } from './closet-front.ts'
import { startingParams, type ClosetFrontParams } from './parameters.ts'

const say = sayIn(METRIC)
const boxesAndTools = exampleContext('metric', [exampleGoods('metric', 'box', 6), ...handTools('metric')], 1500)
const given = (over: Partial<ClosetFrontParams> = {}): ClosetFrontParams => ({
  ...startingParams('metric', true),
  front: 'drawers',
  ...over,
})
const read = (over: Partial<ClosetFrontParams> = {}, c = boxesAndTools) => readParams(closetFront, given(over), c)
const problem = (over: Partial<ClosetFrontParams>) => tryParams(closetFront, given(over), boxesAndTools).problem!

describe.each(['shared', 'boxes'] as const)('drawers under the doors of a closet of %s', (school) => {
  const r = read({ school })
  const a = r.shaped.assembly
  const box = (id: string) => r.boxes.get(id)!
  const dim = (path: string) => r.shaped.dims.find((d) => d.path === path)!.value
  const [rows, bays] = [dim('drawerRows'), dim('bays')]
  it('hold, in every bay, with everything placed', () => {
    expect([...validateAssembly(a), ...misplaced(a)]).toEqual([])
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
    expect(r.shaped.unhoused).toEqual([])
    expect(a.subassemblies.filter((s) => s.name === DRAWER)).toHaveLength(bays * rows)
  })
  it('take what is low and light; cartons stand behind the doors', () => {
    const inside = (code: string) =>
      new Set(a.bays.flatMap((b) => (b.name.code === code ? b.items : [])).map((i) => i.goodsId))
    expect(inside('shelf')).toContain('carton-m')
    expect(inside('drawer').size).toBeGreaterThan(3)
    expect([...inside('drawer')].every((id) => id.startsWith('tool-'))).toBe(true)
    // Over the drawers, never beside them.
    for (const b of a.bays.filter((x) => x.name.code === 'shelf'))
      expect(b.clear.min[2]).toBeGreaterThanOrEqual(box('shelf-0-1').max[2] - 1e-6)
  })
  it('end under the panel that doors begin on, so that either opens with the other shut', () => {
    const panel = box('shelf-0-1')
    const [face, door] = [box(`drawer-0-${rows - 1}-face`), a.parts.find((p) => p.id.startsWith('door-0'))!]
    expect(face.max[2]).toBeLessThan(panel.min[2])
    expect(panel.min[2] - face.max[2]).toBeLessThan(10)
    const foot = box(door.id).min[2]
    expect(foot).toBeGreaterThan(panel.min[2])
    expect(foot).toBeLessThan(panel.max[2])
    // Faces are flush with the edges of the sides, doors before them.
    expectNear(face.max[1], box(door.id).min[1], 1e-6)
  })
  it('are led through: what they run on before the panels, themselves before the doors', () => {
    const order = r.steps.map((s) => s.code)
    const told = ['slides-on', 'closet-panels', 'tie', 'drawer-on-slides', 'drawers-on-slides-in', 'doors-hung']
    expect(told.map((c) => order.indexOf(c))).toEqual([...told.map((c) => order.indexOf(c))].sort((x, y) => x - y))
    expect(order).not.toContain(undefined)
    const brought = r.steps.flatMap((s) => s.parts)
    expect([...brought].sort()).toEqual(a.parts.map((p) => p.id).sort())
  })
})

describe('drawers of a closet', () => {
  it('run in grooves too, and a fixed panel keeps sides from bowing between many', () => {
    const r = read({ runs: 'grooves', hand: 'hole', drawerRows: 9 })
    const a = r.shaped.assembly
    const between = a.parts.filter((p) => p.id.startsWith('panel-0-'))
    expect(between.length).toBeGreaterThan(0)
    expect([...validateAssembly(a), ...misplaced(a)]).toEqual([])
    expect(a.stick.filter((m) => m.code === 'runner-groove').length).toBeGreaterThan(0)
    // Each panel has its mark, and comes with the panels.
    for (const p of between) expect(a.stick.some((m) => m.parts.includes(p.id))).toBe(true)
    expect(r.steps.find((s) => s.code === 'closet-panels')!.parts).toEqual(
      expect.arrayContaining(between.map((p) => p.id)),
    )
  })
  it('push the shelf over them up with one that is fixed', () => {
    const [plain, moved] = [read(), read({ drawerMm: [240] })]
    const top = (r: typeof plain) => r.shaped.dims.find((d) => d.path === 'topMm.0')!.value
    const second = (r: typeof plain) => r.shaped.dims.find((d) => d.path === 'drawerMm.0')!
    expectNear(second(moved).value, 240, 1e-9)
    expectNear(top(moved) - top(plain), 240 - second(plain).value, 1)
  })
  it('leave the doors above as high as they can be: what is not needed below goes to the shelves over them', () => {
    const few = read({ drawerRows: 1 })
    const tops = few.shaped.dims.flatMap((d) => (d.path.startsWith('topMm.') ? [d.value] : []))
    const gaps = tops.slice(1).map((z, i) => z - tops[i])
    expect(tops[0]).toBeLessThan(400)
    expect(Math.max(...gaps) - Math.min(...gaps)).toBeLessThan(330)
  })
  it('are refused where nothing carries them, in words', () => {
    const refused = [
      [problem({ school: 'ladders' }), 'closet-drawers-want-sides', 'school'],
      [problem({ school: 'frames' }), 'closet-drawers-want-sides', 'school'],
      [problem({ face: 'frame' }), 'closet-drawers-want-sides', 'face'],
      [problem({ shelves: 1 }), 'drawers-one-shelf', 'shelves'],
      [problem({ depthMm: 250 }), 'drawer-slide-short', 'depthMm'],
      [problem({ drawerRows: 3, drawerMm: [150] }), 'drawer-too-low', 'drawerMm.0'],
    ] as const
    for (const [p, code, field] of refused) {
      expect(p).toMatchObject({ code, field })
      expect(sayProblem(p, say)).toMatch(/^[A-Z].*\.$/)
    }
  })
})
