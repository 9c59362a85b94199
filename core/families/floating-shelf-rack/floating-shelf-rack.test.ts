import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { studsAt } from '../../../test-support/studs-at.ts'
import { partBoxes } from '../../assembly/part-box.ts'
import { newGoods } from '../../goods/goods.ts'
import { arrangements } from '../../loads/arrangements.ts'
import { METRIC } from '../../measure/units.ts'
import { newBuild } from '../../project/new-build.ts'
import { readWith } from '../../project/read-build.ts'
import { sayIn } from '../../wording/say.ts'
import { stepText } from '../../wording/steps.ts'
import { exampleContext, thinWalls } from '../example-context.ts'
import type { ShapeContext } from '../family.ts'
import type { Level } from '../house-on-shelves.ts'
import { floatingShelfRack } from './floating-shelf-rack.ts'
import { startingParams, UPGRADES, type FloatingShelfRackParams } from './parameters.ts'
import { placesFor } from './plan-out.ts'

const box = (
  id: string,
  count: number,
  acrossMm: number,
  deepMm: number,
  tallMm: number,
  massKg: number | null = 6,
) => ({
  item: newGoods({ id, name: id, kind: 'box', count, acrossMm, deepMm, tallMm, massKg }),
  count,
})
const ctx = (goods: ShapeContext['goods'] = [box('carton', 8, 300, 350, 260)]) => exampleContext('metric', goods)
const read = (over: Partial<FloatingShelfRackParams> = {}, c = ctx()) => {
  const params = { ...startingParams('metric', true), ...over }
  const r = readWith(
    floatingShelfRack,
    newBuild({ id: 'b', family: 'floating-shelf-rack', params: params as never, wallId: 'w' }),
    c,
  )
  if (!r.ok) throw new Error(JSON.stringify(r.problem))
  return r.reading
}
const troubles = (r: ReturnType<typeof read>) =>
  r.checks.filter((x) => x.state === 'fails' || x.state === 'unknown').map((x) => x.id)
const ids = (r: ReturnType<typeof read>, pattern: RegExp) =>
  r.shaped.assembly.parts.map((p) => p.id).filter((id) => pattern.test(id))

describe('a rack of loose shelves', () => {
  const r = read()
  const boxes = partBoxes(r.shaped.assembly)
  it('holds what it is made for', () => {
    expect(r.shaped.unhoused).toEqual([])
    expect(troubles(r)).toEqual([])
  })
  it('has a pair of cleats at every rise, more places than shelves, and any shelf goes to any of them', () => {
    const places = ids(r, /^cleat-0-\d+-right$/)
    const shelves = ids(r, /^shelf-0-/)
    expect(places.length).toBeGreaterThan(shelves.length)
    const tops = places.map((id) => boxes.get(id)!.max[2])
    const rise = r.shaped.dims.find((d) => d.path === 'riseMm')!.value
    for (let i = 1; i < tops.length; i++) expectNear(tops[i] - tops[i - 1], rise, 1e-9)
    for (const id of shelves) expect(tops.some((z) => Math.abs(z - boxes.get(id)!.min[2]) < 1e-6)).toBe(true)
    // Both ends of a shelf lie on cleats of one height.
    for (const id of shelves) {
      const on = r.shaped.assembly.supports.filter(
        (s) => 'part' in s.from && s.from.part === id && s.on.kind === 'part',
      )
      expect(
        on.map((s) => s.on.kind === 'part' && s.on.part.split('-')[2]).filter((n, _i, all) => n === all[0]),
      ).toHaveLength(2)
    }
  })
  it('shelves are loose, their strips stop short of the cleats on both sides', () => {
    for (const p of r.shaped.assembly.parts.filter((x) => x.role === 'shelf')) expect(p.loose).toBe(true)
    const cleats = ids(r, /^cleat-/).map((id) => boxes.get(id)!)
    for (const id of ids(r, /^strip-/)) {
      const s = boxes.get(id)!
      for (const c of cleats) {
        const apart = s.max[0] < c.min[0] - 1 || s.min[0] > c.max[0] + 1
        const other = s.max[2] <= c.min[2] || s.min[2] >= c.max[2]
        expect(apart || other).toBe(true)
      }
    }
  })
  it('nothing on a shelf meets the cleats that run up both sides', () => {
    const cleats = ids(r, /^cleat-/).map((id) => boxes.get(id)!)
    for (const i of r.shaped.assembly.bays.flatMap((b) => b.items))
      for (const c of cleats)
        expect(i.box.min[0] >= c.max[0] - 1e-6 || i.box.max[0] <= c.min[0] + 1e-6 || i.box.max[2] <= c.min[2] || i.box.min[2] >= c.max[2]).toBe(true) // prettier-ignore
  })
  it('shelves divide a sheet both ways', () => {
    const [shelf] = r.shaped.assembly.parts.filter((p) => p.role === 'shelf')
    for (const [mm, sheet] of [
      [shelf.size.lengthMm, 2440],
      [shelf.size.widthMm, 1220],
    ]) {
      const n = Math.floor((sheet + 3) / (mm + 3))
      expect(sheet - n * mm - (n - 1) * 3).toBeLessThan(n + 1)
    }
  })
})

describe('places of shelves', () => {
  const level = (tallMm: number): Level => ({ floor: false, spots: [], tallest: { tallMm } as Level['tallest'] })
  const places = Array.from({ length: 12 }, (_, i) => 100 + 100 * i)
  const o = { aboveMm: 40, underMm: 44, thickMm: 12 }
  it('are the lowest that leave room for what stands below, under the strips of the shelf above', () => {
    // 100 + 12 + 260 + 40 = 412 under the strips: 456 at the cleats, the next is 500.
    expect(placesFor([level(260), level(200), level(10)], places, o)).toEqual([0, 4, 7])
    expect(placesFor([level(204), level(10)], places, o)).toEqual([0, 3])
    expect(placesFor([level(205), level(10)], places, o)).toEqual([0, 4])
    expect(placesFor([level(245), level(10)], places, { ...o, underMm: 0 })).toEqual([0, 3])
  })
  it('are none where it does not end', () =>
    expect(placesFor([level(900), level(300), level(10)], places, o)).toBeNull())
})

describe('stiffness', () => {
  it('posts that only loose shelves stand between are no higher than fifty times their thickness', () => {
    const r = read({}, ctx([box('carton', 60, 300, 350, 260)]))
    const post = r.shaped.assembly.parts.find((p) => p.role === 'post')!
    expect(post.size.lengthMm).toBeLessThanOrEqual(50 * 38)
  })
  it('glued strips take most of the sag away', () => {
    const sag = (strips: FloatingShelfRackParams['strips']) =>
      Math.max(...read({ strips, clearMm: 800 }).checks.filter((x) => x.check === 'sag').map((x) => x.ratio ?? 0)) // prettier-ignore
    expect(sag('glued')).toBeLessThan(0.6 * sag('none'))
  })
  it('where walls carry nothing its ends are closed and its feet held down; without it folds and tips', () => {
    const c = thinWalls(ctx())
    const alone = startingParams('metric', false, true)
    expect(troubles(read(alone, c))).toEqual([])
    expect(troubles(read({ ...alone, ends: 'open' }, c))).toContain('sway:deep')
    // Panels over both ends do what diagonals do.
    const covered = read({ ...alone, ends: 'open', cover: 'ends' }, c)
    expect(troubles(covered)).toEqual([])
    expect(ids(covered, /^brace-(left|right)/)).toEqual([])
    expect(ids(covered, /^brace-back/).length).toBeGreaterThan(0)
    expect(troubles(read({ ...alone, feet: 'standing' }, c))).toContain('tip-over:pull')
  })
  it('is not proven while nobody has weighed what stands on it', () => {
    expect(read({}, ctx([box('carton', 8, 300, 350, 260, null)])).verdict.state).toBe('unknown')
  })
})

describe('panels over its ends', () => {
  const [open, covered] = [read(), read({ cover: 'ends' })]
  it('lie on the outer faces of the outer posts, clear of the floor, and make it longer by their thickness', () => {
    const panels = ids(covered, /^cover-/).map((id) => covered.boxes.get(id)!)
    expect(panels).toHaveLength(2)
    const posts = ids(covered, /^post-/).map((id) => covered.boxes.get(id)!)
    expectNear(panels[0].max[0], Math.min(...posts.map((b) => b.min[0])), 1e-9)
    expectNear(panels[1].min[0], Math.max(...posts.map((b) => b.max[0])), 1e-9)
    expect(panels.map((b) => b.min[2])).toEqual([60, 60])
    const long = (r: typeof open) => Math.max(...[...r.boxes.values()].map((b) => b.max[0])) // prettier-ignore
    expectNear(long(covered) - long(open), 2 * 9, 1e-6)
    expect(troubles(covered)).toEqual([])
  })
  it('are put on in a step of their own, once the posts are level', () => {
    const codes = covered.steps.map((s) => s.code)
    expect(codes.indexOf('floating-covers')).toBeGreaterThan(codes.indexOf('level'))
    expect(open.steps.map((s) => s.code)).not.toContain('floating-covers')
  })
})

describe('a rack for few things that is tied to studs', () => {
  it('is so long that two of them may be behind it, however narrow what stands on it is', () => {
    const few = studsAt(ctx([box('tin', 2, 170, 170, 200)]), 300, 600)
    const long = (r: ReturnType<typeof read>) => Math.max(...[...r.boxes.values()].map((b) => b.max[0]))
    const r = read({}, few)
    expect(long(r)).toBeGreaterThanOrEqual(600 + 2 * 40)
    expect(r.shaped.assembly.anchors.filter((x) => x.into === 'stud').length).toBeGreaterThan(0)
    // Nothing is tied where nobody wants it, nor where there are no studs.
    expect(long(read({ tie: false }, few))).toBeLessThan(long(r))
  })
})

describe('what cannot be', () => {
  const problem = (over: Partial<FloatingShelfRackParams>, c = ctx()) => {
    const r = floatingShelfRack.shape({ ...startingParams('metric', true), ...over }, c)
    return r.ok ? null : [r.problem.code, r.problem.field]
  }
  it('is told at its field', () => {
    expect(problem({ riseMm: 60 })).toEqual(['floating-rise-low', 'riseMm'])
    expect(problem({ bays: 6, clearMm: 1300 })).toEqual(['floating-too-wide', 'bays'])
    expect(problem({ shelves: 12, clearMm: 400 })).toEqual(['floating-too-many', 'shelves'])
    expect(problem({ highMm: 600, shelves: 4 })).toEqual(['floating-too-high', 'highMm'])
    expect(problem({ depthMm: 900 }, { ...ctx(), space: { ...ctx().space, depthMm: 500 } })).toEqual([
      'floating-too-deep',
      'depthMm',
    ])
  })
})

describe('planks over it, for one person to stand on', () => {
  const over = { top: 'planks', bays: 2, clearMm: 560, depthMm: 420 } as const
  it('bear a person between two frames, as a beam that lifts off the third does, with the factor of the method', () => {
    const r = read(over)
    expect(troubles(r)).toEqual([])
    const plank = r.checks.find((c) => c.id === 'bending:plank-0-0')!
    expect(plank).toMatchObject({ state: 'holds', data: { arranged: 'person' } })
    const [spanMm, footMm] = [560 + 38, 100]
    const nmm = 1.5 * 1000 * (spanMm / 4 - footMm / 8)
    expectNear(plank.demand!, nmm / ((150 * 47 ** 2) / 6), 0.02)
  })
  it('lie on blocks under the upper pieces, which their screws alone do not bear', () => {
    const r = read(over)
    expect(ids(r, /^plank-/)).toHaveLength(2)
    expect(ids(r, /^block-/)).toHaveLength(6)
    const { supports } = r.shaped.assembly
    const under = supports.filter((s) => 'part' in s.from && s.from.part === 'piece-1-high' && s.push[2] === 1)
    expect(under.map((s) => (s.on.kind === 'part' ? s.on.part : s.on.kind)).sort()).toEqual([
      'block-1-front',
      'block-1-rear',
    ])
    expect(ids(read(), /^(plank|block)-/)).toEqual([])
  })
  it('are stood on by one person at a time', () => {
    const all = arrangements(read(over).shaped.assembly).filter((x) => x.code === 'person')
    expect(all.length).toBeGreaterThan(6)
    for (const { assembly } of all)
      expect(assembly.bays.flatMap((b) => b.items).filter((i) => i.goodsId === 'person')).toHaveLength(1)
  })
  it('ask it to stand a push, as a bench does', () => {
    const pushed = (r: ReturnType<typeof read>) => r.checks.find((c) => c.check === 'sway')!.data.pushN
    expect(pushed(read())).toBe(0)
    expect(pushed(read(over))).toBeGreaterThan(0)
  })
  it('are told of where it is too shallow for one, and what stood before knew none', () => {
    const params = { ...startingParams('metric', true), top: 'planks', depthMm: 220, plankSection: '47x200mm' }
    expect(floatingShelfRack.shape(params as never, ctx())).toMatchObject({
      problem: { code: 'floating-top-narrow', field: 'depthMm' },
    })
    const { top: _, plankSection: __, ...before } = startingParams('imperial', true)
    expect(UPGRADES[2](before)).toMatchObject({ top: 'open', plankSection: '2x6' })
  })
  it('have a step of their own, that says that there is no rail', () => {
    const step = read(over).steps.find((s) => s.id === 'planks')!
    expect(step.parts).toHaveLength(8)
    expect(stepText(step, sayIn(METRIC))).toMatch(/6 blocks in all: 4 screws.*2 planks.*there is no rail/)
  })
})
