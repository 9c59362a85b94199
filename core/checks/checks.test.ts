import { describe, expect, it } from '@jest/globals'
import { exampleContext, exampleGoods } from '../families/example-context.ts'
import type { ShapeContext } from '../families/family.ts'
import { findFamily } from '../families/registry.ts'
import { newGoods } from '../goods/goods.ts'
import { inches } from '../measure/units.ts'
import { readWith, type BuildReading } from '../project/read-build.ts'
import { newBuild, type Build } from '../project/project.ts'
import { expectNear } from '../../test-support/near.ts'
import { beamCurve } from '../mechanics/beam.ts'
import { verdict } from './verdict.ts'

function read(id: string, params: object, ctx: ShapeContext): BuildReading {
  const family = findFamily(id)!
  const build = newBuild({ id: 'b', name: 'b', family: id, params: { ...(family.start(ctx) as object), ...params } as Build['params'], wallId: 'w' })
  const r = readWith(family, build, ctx)
  if (!r.ok) throw new Error(JSON.stringify(r.problem))
  return r.reading
}
const check = (r: BuildReading, idStart: string) => r.checks.filter((c) => c.id.startsWith(idStart))
const tote = (over: object = {}) => newGoods({ id: 't', name: 'tote', kind: 'tote', count: 12, acrossMm: 500, deepMm: 700, tallMm: 350, massKg: 20, tote: { rimMm: 40, overhangMm: 42, taperMm: 20, assumed: false }, ...over })
const totes = (over: object = {}, space: Partial<ShapeContext['space']> = {}): ShapeContext => {
  const ctx = exampleContext('imperial', [{ item: tote(over), count: 12 }])
  return { ...ctx, space: { ...ctx.space, ...space } }
}

describe('contents fit', () => {
  it('holds when everything is tacked', () => {
    const r = read('tote-rack', {}, totes())
    expect(r.checks.filter((c) => c.check === 'contents-fit').map((c) => c.state)).not.toContain('fails')
  })
  it('says by how much a fixed opening is too narrow', () => {
    const [r] = check(read('tote-rack', { columns: 3, clearMm: [490] }, totes()), 'contents-fit:across')
    expect(r).toMatchObject({ state: 'fails', code: 'wider-than-opening' })
    expect(Number(r.data.needMm) - Number(r.data.haveMm)).toBeCloseTo(500 + 12.7 - 490, 6)
  })
  it('catches a body that does not pass its rails, and a rim that slips off', () => {
    const thick = read('tote-rack', { railSection: '2x4' }, totes({ tote: { rimMm: 40, overhangMm: 20, taperMm: 20, assumed: false } }))
    expect(check(thick, 'contents-fit:body')[0]).toMatchObject({ state: 'fails' })
    const loose = read('tote-rack', { railSection: '1x4', sidePlayMm: 12.7 }, totes())
    expect(check(loose, 'contents-fit:rim')[0]).toMatchObject({ state: 'fails' })
  })
  it('counts what finds no place', () => {
    const r = read('tote-rack', { columns: 1, rows: 2 }, totes())
    expect(check(r, 'contents-fit:unhoused')[0]).toMatchObject({ state: 'fails', data: { count: 10 } })
  })
})

describe('strength and sag', () => {
  const shelf = (params: object, kg: number | null, deepMm = 600) => {
    const item = newGoods({ id: 'c', name: 'crate', kind: 'box', count: 8, acrossMm: 520, deepMm, tallMm: 300, massKg: kg })
    return read('post-rack', { shelves: 1, floorBay: false, midPosts: 0, crossEveryMm: 1300, lengthMm: 2400, ...params }, exampleContext('imperial', [{ item, count: 4 }]))
  }
  it('sags a panel between its cross pieces as the continuous beam it is', () => {
    const r = shelf({ crossEveryMm: 800 }, 10)
    const state = r.service.members.get('shelf-0-0')!.state
    if (state.kind !== 'panel') throw new Error(state.kind)
    // Its own weight alone, over equal spans of n cross pieces.
    const own = state.strips.find((s) => s.spec.loads.length === 1)!
    const w = own.spec.loads[0].kind === 'line' ? own.spec.loads[0].startNPerMm : 0
    const ei = own.spec.ei as number
    const l = own.spec.supports[1].atMm - own.spec.supports[0].atMm
    expect(own.spec.supports.length).toBe(4)
    // Three spans: 0.00688 wl⁴/EI in the end ones, less a hair for the 19 mm overhang at each end.
    expectNear(beamCurve(own.spec)!.sagAt(own.spec.supports[0].atMm + 0.446 * l), (0.00688 * w * l ** 4) / ei, 0.03)
  })
  it('more load never helps, thicker and closer never hurts', () => {
    const worst = (r: BuildReading, kind: string, link: string) => Math.max(...r.checks.filter((c) => c.check === kind && c.link === link).map((c) => c.ratio ?? 0))
    for (const kind of ['sag', 'bending']) {
      for (const link of ['shelf', 'rail']) expect(worst(shelf({}, 40), kind, link)).toBeGreaterThan(worst(shelf({}, 20), kind, link))
      expect(worst(shelf({ crossEveryMm: 400 }, 40), kind, 'shelf')).toBeLessThan(worst(shelf({}, 40), kind, 'shelf'))
      expect(worst(shelf({ railSection: '2x6' }, 40), kind, 'rail')).toBeLessThan(worst(shelf({}, 40), kind, 'rail'))
    }
  })
  it('turns the verdict when goods are too heavy, and names the weakest member', () => {
    const r = shelf({ sheet: 'osb-7/16' }, 90)
    expect(r.verdict.state).toBe('fails')
    expect(r.verdict.weakest).toMatchObject({ state: 'fails' })
    expect(r.verdict.weakest!.parts.length).toBeGreaterThan(0)
  })
  it('never shows as safe what nobody weighed', () => {
    const r = shelf({}, null)
    expect(r.verdict.state).not.toBe('holds')
    expect(check(r, 'sag').some((c) => c.state === 'unknown')).toBe(true)
    expect(check(r, 'buckling')[0].state).toBe('unknown')
    expect(verdict(r.checks.filter((c) => c.state !== 'fails')).state).toBe('unknown')
  })
  it('has no verdict from a method without values for the wood', () => {
    const ctx = exampleContext('metric', [exampleGoods('metric', 'pail', 6)])
    const r = read('post-rack', {}, { ...ctx, settings: { ...ctx.settings, method: 'asd' } })
    expect(check(r, 'sag').filter((c) => c.state === 'unknown').length).toBeGreaterThan(0)
    expect(r.verdict.state).not.toBe('holds')
  })
  it('checks a post by hand: load, Fc and CP', () => {
    const r = read('tote-rack', { columns: 2, rows: 4, top: 'none' }, totes({ massKg: 30 }))
    const [post] = check(r, 'buckling')
    const inner = r.service.members.get('post-1-front')!
    // Four rows, two rails each on the inner post, half of half a tote on each: 4 · 2 · 30/4 kg, rails and plate on top.
    expect(inner.totalN).toBeGreaterThan(4 * 2 * (30 / 4) * 9.80665)
    expect(inner.totalN).toBeLessThan(4 * 2 * (30 / 4) * 9.80665 + 250)
    expect(Number(post.data.axialN)).toBeCloseTo(Math.max(...[0, 1, 2].flatMap((c) => ['front', 'rear'].map((s) => r.service.members.get(`post-${c}-${s}`)!.state)).map((s) => (s.kind === 'column' ? s.axialN : 0))), 6)
  })
})

describe('standing and putting up', () => {
  it('calls a free-standing tall rack by its depth, and lets a tie answer for it', () => {
    const narrow = { deepMm: 380, acrossMm: 400 }
    const free = read('tote-rack', { tie: false, rows: 5, columns: 2 }, totes(narrow))
    expect(check(free, 'slenderness')[0]).toMatchObject({ state: 'fails', code: 'slender' })
    expect(check(free, 'tip-over:pull')[0]).toMatchObject({ state: 'fails', code: 'tip-pull' })
    const tied = read('tote-rack', { tie: true, rows: 5, columns: 2 }, totes(narrow))
    expect(check(tied, 'slenderness')[0].state).toBe('not-applicable')
    expect(check(tied, 'tip-over:pull')[0]).toMatchObject({ state: 'holds', code: 'tip-tied' })
  })
  it('works the pull out by moments about the front feet', () => {
    const r = read('tote-rack', { tie: false, rows: 2, columns: 2 }, totes())
    const [pull] = check(r, 'tip-over:pull')
    const front = Math.max(...r.shaped.assembly.parts.filter((p) => p.id === 'plate-bottom-front').map((p) => p.at.centre[1] + p.size.widthMm / 2))
    const weight = r.massKg * 9.80665
    const cg = pull.capacity! / weight
    expect(cg).toBeGreaterThan(0.3 * front)
    expect(cg).toBeLessThan(0.7 * front)
    expectNear(pull.demand!, 220 * Math.min(1500, Math.max(...[...r.boxes.values()].map((b) => b.max[2]))), 1e-9)
  })
  it('does not trust masonry anchors nobody rated', () => {
    const wall = { construction: { kind: 'masonry' as const }, studsMm: [] }
    const unrated = read('tote-rack', { rows: 5, columns: 2 }, totes({ deepMm: 380, acrossMm: 400 }, wall))
    expect(check(unrated, 'tip-over:pull')[0]).toMatchObject({ state: 'unknown', code: 'unknown-anchor' })
    const ctx = totes({ deepMm: 380, acrossMm: 400 }, wall)
    const rated = read('tote-rack', { rows: 5, columns: 2 }, { ...ctx, settings: { ...ctx.settings, anchorRatedN: 4000 } })
    expect(check(rated, 'tip-over:pull')[0].state).toBe('holds')
  })
  it('ties nothing to a wall that can carry nothing', () => {
    const r = read('tote-rack', { tie: true }, totes({}, { construction: { kind: 'thin' }, studsMm: [] }))
    expect(r.shaped.assembly.anchors).toEqual([])
    expect(check(r, 'tip-over:pull')[0].code).toBe('tip-pull')
  })
  it('folds sideways without brace, back or tie', () => {
    const r = read('tote-rack', { brace: false, tie: false }, totes())
    expect(check(r, 'sway')[0]).toMatchObject({ state: 'fails', code: 'sway-free' })
    expect(check(read('tote-rack', { brace: true, tie: false }, totes()), 'sway')[0].state).toBe('holds')
  })
  it('compares the diagonal with the ceiling when it is tilted up', () => {
    const r = read('tote-rack', { raise: 'tilt', rows: 4, columns: 3 }, totes())
    const [t] = check(r, 'tilt-up')
    const box = [...r.boxes.values()]
    const [h, d] = [Math.max(...box.map((b) => b.max[2])), Math.max(...box.map((b) => b.max[1]))]
    expect(Number(t.data.needMm)).toBeCloseTo(Math.hypot(h, d), 6)
    const low = read('tote-rack', { raise: 'tilt', rows: 4, columns: 3 }, totes({}, { ceilingMm: Math.hypot(h, d) + 5 }))
    expect(check(low, 'tilt-up')[0].state).toBe('fails')
    expect(check(read('tote-rack', { raise: 'in-place' }, totes()), 'lift:piece')[0].state).toBe('holds')
  })
  it('sees a build that outgrows its wall', () => {
    const r = read('tote-rack', { columns: 6 }, totes({}, { lengthMm: 1500 }))
    expect(check(r, 'room-fit:room-length')[0]).toMatchObject({ state: 'fails' })
    expect(check(r, 'room-fit:room-height')[0].state).toBe('holds')
  })
  it('says when a thing is too heavy for two', () => {
    expect(check(read('tote-rack', {}, totes({ massKg: 30 })), 'lift:goods')[0]).toMatchObject({ state: 'holds', code: 'lift-goods-two' })
    expect(check(read('tote-rack', {}, totes({ massKg: 60 })), 'lift:goods')[0].state).toBe('fails')
  })
})

it('takes inches as inches: play of a quarter on each side of one make', () => {
  const r = read('tote-rack', {}, totes())
  expect(r.shaped.dims.find((d) => d.path === 'sidePlayMm')!.value).toBeCloseTo(inches(0.25), 9)
})
