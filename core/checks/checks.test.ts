import { describe, expect, it } from '@jest/globals'
import { partsById } from '../assembly/by-id.ts'
import { exampleContext, exampleGoods } from '../families/example-context.ts'
import type { ShapeContext } from '../families/family.ts'
import { findFamily } from '../families/registry.ts'
import { newGoods } from '../goods/goods.ts'
import { inches, IMPERIAL } from '../measure/units.ts'
import { sayCheck } from '../wording/checks.ts'
import { sayIn } from '../wording/say.ts'
import { readWith, type BuildReading } from '../project/read-build.ts'
import { newBuild } from '../project/new-build.ts'
import type { Build } from '../project/project.ts'
import { expectNear } from '../../test-support/near.ts'
import { beamCurve } from '../mechanics/beam.ts'
import { verdict } from './verdict.ts'
import { alike } from '../assembly/identical.ts'
import { startingSettings } from '../assembly/settings.ts'
import { METHODS } from '../mechanics/methods/all.ts'
import { compositeStiffness, looseStiffness } from '../mechanics/section.ts'
import { shear } from './members.ts'
import { seismicShare } from './seismic.ts'

function read(id: string, params: object, ctx: ShapeContext): BuildReading {
  const family = findFamily(id)!
  const build = newBuild({
    id: 'b',
    name: 'b',
    family: id,
    params: { ...(family.start(ctx) as object), ...params } as Build['params'],
    wallId: 'w',
  })
  const r = readWith(family, build, ctx)
  if (!r.ok) throw new Error(JSON.stringify(r.problem))
  return r.reading
}
const check = (r: BuildReading, idStart: string) => r.checks.filter((c) => c.id.startsWith(idStart))
const tote = (over: object = {}) =>
  newGoods({
    id: 't',
    name: 'tote',
    kind: 'tote',
    count: 12,
    acrossMm: 500,
    deepMm: 700,
    tallMm: 350,
    massKg: 20,
    tote: { rimMm: 40, overhangMm: 42, taperMm: 20, assumed: false },
    ...over,
  })
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
    const thick = read(
      'tote-rack',
      { railSection: '2x4' },
      totes({ tote: { rimMm: 40, overhangMm: 20, taperMm: 20, assumed: false } }),
    )
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
    const item = newGoods({
      id: 'c',
      name: 'crate',
      kind: 'box',
      count: 8,
      acrossMm: 520,
      deepMm,
      tallMm: 300,
      massKg: kg,
    })
    return read(
      'post-rack',
      { shelves: 1, floorBay: false, midPosts: 0, crossEveryMm: 1300, lengthMm: 2400, ...params },
      exampleContext('imperial', [{ item, count: 4 }]),
    )
  }
  it('sags a panel between its cross pieces as the continuous beam it is', () => {
    const r = shelf({ crossEveryMm: 800 }, 10)
    const state = r.service.members.get('shelf-0-0')!.state
    if (state.kind !== 'panel') throw new Error(state.kind)
    // Its own weight alone, over equal spans of n cross pieces.
    const some = state.strips[0]
    const full = some.spec.loads.find((l) => l.kind === 'line' && l.toMm - l.fromMm > some.spec.lengthMm - 1)!
    const own = { ...some, spec: { ...some.spec, loads: [full] } }
    const w = full.kind === 'line' ? full.startNPerMm : 0
    const ei = own.spec.ei as number
    const l = own.spec.supports[1].atMm - own.spec.supports[0].atMm
    expect(own.spec.supports.length).toBe(4)
    // Three spans: 0.00688 wl⁴/EI in the end ones, less a hair for the 19 mm overhang at each end.
    expectNear(beamCurve(own.spec)!.sagAt(own.spec.supports[0].atMm + 0.446 * l), (0.00688 * w * l ** 4) / ei, 0.03)
  })
  it('more load never helps, thicker and closer never hurts', () => {
    const worst = (r: BuildReading, kind: string, link: string) =>
      Math.max(...r.checks.filter((c) => c.check === kind && c.link === link).map((c) => c.ratio ?? 0))
    for (const kind of ['sag', 'bending']) {
      for (const link of ['shelf', 'rail'])
        expect(worst(shelf({}, 40), kind, link)).toBeGreaterThan(worst(shelf({}, 20), kind, link))
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
    // Four rows, two rails each on the inner post, half of half a tote on each: 4 · 2 · 30/4 kg, rails and plate on
    // top.
    expect(inner.totalN).toBeGreaterThan(4 * 2 * (30 / 4) * 9.80665)
    expect(inner.totalN).toBeLessThan(4 * 2 * (30 / 4) * 9.80665 + 250)
    expect(Number(post.data.axialN)).toBeCloseTo(
      Math.max(
        ...[0, 1, 2]
          .flatMap((c) => ['front', 'rear'].map((s) => r.service.members.get(`post-${c}-${s}`)!.state))
          .map((s) => (s.kind === 'column' ? s.axialN : 0)),
      ),
      6,
    )
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
    const front = Math.max(
      ...r.shaped.assembly.parts
        .filter((p) => p.id === 'plate-bottom-front')
        .map((p) => p.at.centre[1] + p.size.widthMm / 2),
    )
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
    const rated = read(
      'tote-rack',
      { rows: 5, columns: 2 },
      { ...ctx, settings: { ...ctx.settings, anchorRatedN: 4000 } },
    )
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
    const low = read(
      'tote-rack',
      { raise: 'tilt', rows: 4, columns: 3 },
      totes({}, { ceilingMm: Math.hypot(h, d) + 5 }),
    )
    const [fails] = check(low, 'tilt-up')
    expect(fails.state).toBe('fails')
    // Without what the text names the rest passes, and nothing that is left stood on it.
    const off = String(fails.data.off).split(',')
    const lying = low.shaped.assembly.subassemblies.find((s) => s.built === 'flat')!.parts
    const gone = low.shaped.assembly.parts.filter((p) => off.includes(p.role) && lying.includes(p.id)).map((p) => p.id)
    const rest = lying.filter((id) => !gone.includes(id)).map((id) => low.boxes.get(id)!)
    const size = (i: number) => Math.max(...rest.map((b) => b.max[i])) - Math.min(...rest.map((b) => b.min[i]))
    expect(off).toHaveLength(gone.length)
    expect(
      low.shaped.assembly.supports.some(
        (s) => s.on.kind === 'part' && gone.includes(s.on.part) && 'part' in s.from && !gone.includes(s.from.part),
      ),
    ).toBe(false)
    expect(Math.hypot(size(1), size(2)) + 10).toBeLessThanOrEqual(Math.hypot(h, d) + 5)
    expect(sayCheck(fails, sayIn(IMPERIAL))).toMatch(/Without .* it passes: put them on when it stands/)
    const far = read('tote-rack', { raise: 'tilt', rows: 4, columns: 3 }, totes({}, { ceilingMm: h - 200 }))
    expect(check(far, 'tilt-up')[0].data.off).toBeUndefined()
    expect(check(read('tote-rack', { raise: 'in-place' }, totes()), 'lift:piece')[0].state).toBe('holds')
  })
  it('sees a build that outgrows its wall', () => {
    const r = read('tote-rack', { columns: 6 }, totes({}, { lengthMm: 1500 }))
    expect(check(r, 'room-fit:room-length')[0]).toMatchObject({ state: 'fails' })
    expect(check(r, 'room-fit:room-height')[0].state).toBe('holds')
  })
  it('says when a thing is too heavy for two', () => {
    expect(check(read('tote-rack', {}, totes({ massKg: 30 })), 'lift:goods')[0]).toMatchObject({
      state: 'holds',
      code: 'lift-goods-two',
    })
    expect(check(read('tote-rack', {}, totes({ massKg: 60 })), 'lift:goods')[0].state).toBe('fails')
  })
})

it('takes inches as inches: play of a quarter on each side of one make', () => {
  const r = read('tote-rack', {}, totes())
  expect(r.shaped.dims.find((d) => d.path === 'sidePlayMm')!.value).toBeCloseTo(inches(0.25), 9)
})

describe('joints, floor and earthquakes', () => {
  const pails = (massKg: number) => {
    const ctx = exampleContext('imperial', [
      {
        item: newGoods({
          id: 'p',
          name: 'pail',
          kind: 'pail',
          count: 12,
          acrossMm: 300,
          deepMm: 300,
          tallMm: 370,
          massKg,
        }),
        count: 12,
      },
    ])
    return ctx
  }
  const of = (r: BuildReading, id: string) => r.checks.find((c) => c.id === id)!
  it('the screws of a post carry what the beams say comes down, and bolts carry more', () => {
    const r = read('post-rack', {}, pails(25))
    const screws = of(r, 'joints:post-rail')
    const most = Math.max(
      ...r.shaped.assembly.supports
        .filter(
          (s) =>
            s.via === 'fasteners' &&
            s.joint !== null &&
            s.on.kind === 'part' &&
            s.on.part.startsWith('post') &&
            'part' in s.from &&
            s.from.part.startsWith('rail'),
        )
        .map((s) => r.design.reactions.get(s.id)!),
    )
    // As drawn; in the worst arrangement more, never less.
    expect(screws.demand!).toBeGreaterThanOrEqual(most - 1e-9)
    expect(screws.demand!).toBeLessThan(1.6 * most)
    expectNear(screws.capacity!, 3 * Number(screws.data.oneN), 1e-9)
    expect(of(read('post-rack', { railJoint: 'bolts' }, pails(25)), 'joints:post-rail').capacity!).toBeGreaterThan(
      1.8 * screws.capacity!,
    )
  })
  it('screws into end grain are called so, and count two thirds', () => {
    const c = of(read('post-rack', {}, pails(10)), 'joints:cross-rail')
    expect(c.code).toBe('joint-end-grain')
    expect(c.working!.inputs.find((i) => i.symbol === 'Ceg')?.value).toBe(0.67)
  })
  it('one joint more asked than it can give turns the verdict', () => {
    const ctx = exampleContext('imperial', [
      {
        item: newGoods({
          id: 'i',
          name: 'ingot box',
          kind: 'box',
          count: 14,
          acrossMm: 140,
          deepMm: 500,
          tallMm: 200,
          massKg: 46,
        }),
        count: 14,
      },
    ])
    const r = read('post-rack', { shelves: 1 }, ctx)
    expect(of(r, 'joints:post-rail').state).toBe('fails')
    expect(r.verdict.state).toBe('fails')
  })
  it('a timber floor is asked for all the weight on the footprint', () => {
    const ctx = pails(40)
    const r = read('post-rack', {}, { ...ctx, space: { ...ctx.space, floor: 'timber' } })
    const c = of(r, 'floor:floor')
    expect(c.code).toBe('timber-floor')
    expect(Number(c.data.kg)).toBeCloseTo(12 * 40 + r.massKg, 3)
    expect(of(read('post-rack', {}, pails(40)), 'floor:floor').code).toBe('slab')
  })
  it('an earthquake by ASCE 7-16 13.3-1: 0.16 SDS, no less than 0.3 SDS', () => {
    expect(seismicShare(0.5)).toBeCloseTo(0.15, 9)
    expect(seismicShare(1, 1)).toBeCloseTo(0.48, 9)
    const ctx = pails(20)
    const r = read('post-rack', { tie: false }, { ...ctx, settings: { ...ctx.settings, seismicG: 1 } })
    // With SDS 1 only 0.9 − 0.2 of the weight resists, about the front feet and about the sides.
    const c = of(r, 'earthquake:build')
    expect(c).toMatchObject({ code: 'quake-free' })
    const rests = of(
      read('post-rack', { tie: false }, { ...ctx, settings: { ...ctx.settings, seismicG: 0.17 } }),
      'earthquake:build',
    )
    expectNear(c.capacity! / rests.capacity!, 0.7 / (0.9 - 0.034), 1e-9)
    expectNear(c.demand! / rests.demand!, 1 / 0.17, 1e-9)
    expect(of(r, 'earthquake:along')).toMatchObject({ code: 'quake-along', demand: c.demand })
    expect(read('post-rack', {}, ctx).checks.some((c) => c.check === 'earthquake')).toBe(false)
  })
  it('a load off the axis of its post makes it work harder', () => {
    const c = of(read('post-rack', {}, pails(25)), 'buckling:post-0-0-rear')
    expect(c.working!.inputs.find((i) => i.symbol.startsWith('M '))!.value).toBeGreaterThan(0)
    expect(c.demand!).toBeGreaterThan(0)
  })
  it('a notch at a support is seen and takes its share', () => {
    const r = read('tote-rack', {}, exampleContext('imperial', [{ item: tote(), count: 12 }]))
    const plainShear = r.checks.find((c) => c.id.startsWith('shear:rail'))!
    const a = JSON.parse(JSON.stringify(r.shaped.assembly)) as BuildReading['shaped']['assembly']
    for (const p of a.parts)
      if (p.role === 'rail')
        p.machining = [{ kind: 'notch', atMm: 0, offMm: 0, lengthMm: 60, depthMm: 30, edge: 'low' }]
    const [c] = shear
      .run({
        assembly: a,
        arranged: a,
        parts: partsById(a),
        boxes: r.boxes,
        alike: alike(a),
        service: r.service,
        design: r.design,
        settings: startingSettings('imperial'),
        method: METHODS.asd,
        rooms: r.rooms,
        space: r.space,
        goods: r.goods,
        unhoused: [],
      })
      .filter((x) => x.code === 'notched-shear')
    expectNear(plainShear.capacity! / c.capacity!, (88.9 / 58.9) ** 3, 1e-6)
  })
})

describe('the shelf unit', () => {
  const books = () => {
    const ctx = exampleContext('imperial', [
      {
        item: newGoods({
          id: 'b',
          name: 'books',
          kind: 'box',
          count: 18,
          acrossMm: inches(6),
          deepMm: inches(11),
          tallMm: inches(10),
          massKg: 20 * 0.45359237,
        }),
        count: 18,
      },
    ])
    return { ...ctx, settings: { ...ctx.settings, moisture: 'dry' as const } }
  }
  const params = { sheet: 'mdf-3/4', clearMm: inches(36), bays: 1, shelves: 3, sidePlayMm: 0, depthMm: inches(11.25) }
  it('3/4 in fibreboard over 36 in under 40 lb per foot is called by its long-term sag', () => {
    const r = read('shelf-unit', params, books())
    expect(r.verdict.weakest).toMatchObject({ check: 'sag', state: 'fails' })
    expect(Number(r.verdict.weakest!.data.endMm) / Number(r.verdict.weakest!.data.firstMm)).toBeCloseTo(3.25, 9)
  })
  it('an edge strip stiffens its own edge: the softest place gains far less than the whole would, glued more than screwed', () => {
    const sagOf = (over: object) =>
      Number(
        read('shelf-unit', { ...params, stripSection: '1x3', ...over }, books()).checks.find(
          (c) => c.check === 'sag' && c.data.role === 'shelf',
        )!.data.firstMm,
      )
    const e = 1.4e6 * 0.00689475729316836
    const panel = { e: 3000, breadthMm: inches(11.25), depthMm: inches(0.75), middleMm: 0 }
    const strip = { e, breadthMm: inches(0.75), depthMm: inches(2.5), middleMm: -(inches(0.75) + inches(2.5)) / 2 }
    const own = looseStiffness([panel])
    const [none, glued, screwed] = ['none', 'glued', 'screwed'].map((x) => sagOf({ strip: x }))
    expect(none / glued).toBeGreaterThan(none / screwed)
    expect(none / screwed).toBeGreaterThan(1)
    expect(none / glued).toBeLessThan(0.5 * (compositeStiffness([panel, strip]) / own))
    expect(none / screwed).toBeLessThan(0.8 * (looseStiffness([panel, strip]) / own))
  })
})
