import { describe, expect, it } from '@jest/globals'
import { crateOf } from '../../../test-support/crate.ts'
import { expectNear } from '../../../test-support/near.ts'
import { readParams } from '../../../test-support/read-params.ts'
import { studsAt } from '../../../test-support/studs-at.ts'
import { massCentre, partMassKg } from '../../assembly/mass.ts'
import type { Part } from '../../assembly/assembly.ts'
import { lineOf } from '../../blocks/arms/bracket.ts'
import { findSheet } from '../../catalogue/sheets.ts'
import { drawView } from '../../drawing/view.ts'
import type { Goods } from '../../goods/goods.ts'
import { METRIC, newtons } from '../../measure/units.ts'
import { METHODS } from '../../mechanics/methods/all.ts'
import { newBuild } from '../../project/new-build.ts'
import { readWith, type BuildReading } from '../../project/read-build.ts'
import { sayCheck } from '../../wording/checks.ts'
import { sayIn } from '../../wording/say.ts'
import { stepText } from '../../wording/steps.ts'
import { sayWork } from '../../wording/work.ts'
import { exampleContext, exampleJoists } from '../example-context.ts'
import type { ShapeContext } from '../family.ts'
import { bracketShelf } from './bracket-shelf.ts'
import { startingParams, type BracketShelfParams } from './parameters.ts'

const say = sayIn(METRIC)
const thing = (over: Partial<Goods> = {}) => crateOf([700, 400, 280], 80, { count: 2, ...over })
const ctx = (over: Partial<ShapeContext['space']> = {}, goods = [{ item: thing(), count: 1 }]): ShapeContext => {
  const c = exampleContext('metric', goods)
  return { ...c, space: { ...c.space, ...over } }
}
const outcome = (params: Partial<BracketShelfParams> = {}, c = ctx()) => {
  const given = { ...startingParams('metric'), depthMm: 400, ...params } as never
  return readWith(bracketShelf, newBuild({ id: 'b', family: 'bracket-shelf', params: given, wallId: 'w' }), c)
}
const read = (params: Partial<BracketShelfParams> = {}, c = ctx()): BuildReading => {
  const r = outcome(params, c)
  if (!r.ok) throw new Error(JSON.stringify(r.problem))
  return r.reading
}
const part = (r: BuildReading, id: string): Part => r.shaped.assembly.parts.find((p) => p.id === id)!
const check = (r: BuildReading, id: string) => r.checks.find((c) => c.id === id)!
/** What passes through all supports of a kind, along their push. */
const sum = (r: BuildReading, which: (s: BuildReading['shaped']['assembly']['supports'][number]) => boolean) =>
  r.shaped.assembly.supports.filter(which).reduce((s, x) => s + (r.service.reactions.get(x.id) ?? 0), 0)

/** The weights on the left one of two brackets by hand: sheet and goods by the lever, and its arm. */
function onArm(r: BuildReading) {
  const [left, right] = [0, 1].map((k) => part(r, `bracket-${k}-0-leg`).at.centre[0])
  const of = (id: string) => {
    const p = part(r, id)
    return { n: newtons(partMassKg(p)), y: massCentre(p)[1], x: massCentre(p)[0] }
  }
  const goods = r.shaped.assembly.bays.flatMap((b) =>
    b.items.map((i) => ({
      n: newtons(i.massKg!),
      x: (i.box.min[0] + i.box.max[0]) / 2,
      y: (i.box.min[1] + i.box.max[1]) / 2,
    })),
  )
  const shared = [of('shelf-0-0'), ...goods].map((w) => ({ ...w, n: (w.n * (right - w.x)) / (right - left) }))
  return [...shared, of('bracket-0-0-arm')]
}

describe.each([
  ['braces', { bracket: 'knee', reachMm: 357 }],
  ['gussets', { bracket: 'gusset', reachMm: 300 }],
] as const)('a bracket on %s', (_name, params) => {
  const middle = { ...ctx(), goods: [{ item: thing(), count: 1 }] }
  const r = read(params, middle)
  const plan = {
    above: false,
    deepMm: part(r, 'bracket-0-0-arm').size.widthMm,
    topMm: r.boxes.get('bracket-0-0-arm')!.max[2],
    footMm: r.boxes.get('bracket-0-0-leg')!.min[2],
    pair:
      params.bracket === 'gusset'
        ? ({ kind: 'gusset', sheet: 'ply-12mm', thicknessMm: 12, outMm: 400 } as const)
        : ({
            kind: 'knee',
            widthMm: 69,
            thicknessMm: 18,
            outMm: 400,
          } as const),
  }
  const line = lineOf(plan)
  const angle = Math.atan2(line.arm.z - line.leg.z, line.arm.y - line.leg.y)

  it('is a triangle: the pair is pressed, the arm pulls at the top, by moments about the end of the leg', () => {
    const root = { y: plan.deepMm / 2, z: plan.topMm - plan.deepMm }
    // A strut hangs by half on the arm, where it meets it.
    const pairs = ['left', 'right'].map((side) => part(r, `bracket-0-0-${params.bracket}-${side}`))
    const hung = pairs.map((p) => ({ n: newtons(partMassKg(p)) / 2, y: line.arm.y }))
    const moment = [...onArm(r), ...hung].reduce((s, w) => s + w.n * (w.y - root.y), 0)
    const lever = Math.sin(angle) * (line.arm.y - root.y) - Math.cos(angle) * (line.arm.z - root.z)
    const pressed = moment / lever
    const through = sum(
      r,
      (s) => 'part' in s.from && s.from.part === 'bracket-0-0-arm' && s.push[2] > 0 && s.push[1] > 0,
    )
    expectNear(through, pressed, 0.02)
    const pull = sum(r, (s) => 'part' in s.from && s.from.part === 'bracket-0-0-arm' && s.push[1] === -1)
    expectNear(pull, pressed * Math.cos(angle), 0.02)
  })
  it('is held by its fixings: all weight slides on them, and the couple pulls the top one', () => {
    const anchored = (s: BuildReading['shaped']['assembly']['supports'][number]) =>
      s.anchor !== null && 'part' in s.from && s.from.part === 'bracket-0-0-leg'
    const self = r.shaped.assembly.parts.filter((p) => p.id.startsWith('bracket-0-0-') && !p.id.endsWith('-arm'))
    const all = [...onArm(r), ...self.map((p) => ({ n: newtons(partMassKg(p)), y: massCentre(p)[1] }))]
    expectNear(
      sum(r, (s) => anchored(s) && s.push[2] === 1),
      all.reduce((s, w) => s + w.n, 0),
      1e-6,
    )
    // What pulls out and what presses back is a couple: as large as the weights about the wall.
    const couple = r.shaped.assembly.supports
      .filter((s) => anchored(s) && s.push[1] === 1)
      .reduce((m, s) => m - r.service.reactions.get(s.id)! * (s.contact.min[2] - plan.footMm), 0)
    expectNear(
      couple,
      all.reduce((s, w) => s + w.n * w.y, 0),
      0.002,
    )
  })
  it('has all of it judged, and fails where its fixings do', () => {
    expect(check(r, 'unread:build').state).toBe('holds')
    const twice = read(params, ctx({}, [{ item: thing({ massKg: 400 }), count: 1 }]))
    expect(check(twice, 'anchors:build').state).toBe('fails')
  })
  it('with something nobody weighed it is not proven', () => {
    const open = read(params, ctx({}, [{ item: thing({ massKg: null }), count: 1 }]))
    expect(check(open, 'anchors:build').state).toBe('unknown')
    expect(open.verdict.state).toBe('unknown')
  })
})

describe('a gusset', () => {
  const r = read({ reachMm: 300 })
  const g = part(r, 'bracket-0-0-gusset-left')
  const [w, h, deep] = [g.size.lengthMm, g.size.widthMm, part(r, 'bracket-0-0-arm').size.widthMm]
  it('is drawn with its five corners, and stands in the cut list with them', () => {
    const scene = drawView(r.shaped.assembly, 'section', { boxes: r.boxes, goods: r.goods, showDimensions: false })
    const mark = scene.marks.find((m) => m.kind === 'outline' && m.part === g.id)!
    expect(mark.kind === 'outline' && mark.points.length).toBe(5)
    const line = r.pieces.find((l) => l.role === 'gusset')!
    expect(line.count).toBe(4)
    expect(sayWork(line, say)).toBe(
      `cut to 5 corners, from its start and its lower edge: 0 mm × 0 mm, ${say.length(deep)} × 0 mm, ${say.length(w)} × ${say.length(h - deep)}, ${say.length(w)} × ${say.length(h)}, 0 mm × ${say.length(h)}`,
    )
  })
  it('weighs what its face does: the rectangle less the triangle', () => {
    const cut = ((w - deep) * (h - deep)) / 2
    expectNear(
      partMassKg(g),
      ((w * h - cut) * g.size.thicknessMm * 1e-9 * partMassKg({ ...g, outline: undefined })) /
        (w * h * g.size.thicknessMm * 1e-9),
      1e-9,
    )
  })
  it('is pressed as a strip beside its free edge, and bows when it is thin and long', () => {
    const c = check(r, 'along:gusset')
    const width = c.working!.inputs.find((i) => i.symbol === 'width of the strip')!.value
    const length = c.working!.inputs.find((i) => i.symbol === 'length of the strip')!.value
    // By hand: the free edge runs from (deep, 0) to (w, h − deep); the line from the screws in the leg to those in the
    // arm lies beside it.
    const from = [deep / 2, (h - deep) / 6]
    const to = [(w * 5) / 6, h - deep / 2]
    expectNear(length, Math.hypot(to[0] - from[0], to[1] - from[1]), 1e-6)
    const edge = [w - deep, h - 2 * deep + deep]
    const beside = (p: number[]) =>
      Math.abs((p[0] - deep) * (h - deep) - p[1] * (w - deep)) / Math.hypot(edge[0], h - deep)
    expect(width).toBeLessThanOrEqual(2 * 1.1 * Math.max(beside(from), beside(to)))
    expect(width).toBeGreaterThan(2 * 0.8 * Math.min(beside(from), beside(to)))
    const long = read({ reachMm: 600, depthMm: 600, gussetSheet: 'ply-9mm' }, ctx({ depthMm: 700 }))
    const thin = check(long, 'along:gusset')
    expect(thin.ratio!).toBeGreaterThan(c.ratio!)
    expect(thin.code).toBe('along-plate-bows')
    // By hand: pressed against a third of π²·EI·b / L², or half the weaker bending strength of the sheet over its section.
    const of = ({ working }: typeof c, symbol: string) => working!.inputs.find((i) => i.symbol === symbol)!.value
    const { ei } = findSheet('ply-9mm')!
    const strip = [of(thin, 'width of the strip'), of(thin, 'length of the strip')]
    const bows = (Math.PI ** 2 * Math.min(ei.along, ei.across) * strip[0]) / strip[1] ** 2 / 3
    expectNear(thin.demand!, of(thin, 'pressed') / bows, 1e-9)
    const { settings } = ctx()
    const weaker = [true, false].map(
      (way) => METHODS[settings.method].panelMoment(findSheet('ply-9mm')!, way, settings)!.value,
    )
    expectNear(of(thin, 'strength in its plane'), (0.5 * 6 * Math.min(...weaker)) / 9 ** 2, 1e-9)
  })
})

describe('the weight of a gusset', () => {
  it('comes down on arm and leg by where its middle is: no couple is left over', () => {
    for (const c of [ctx(), ctx({}, [{ item: thing({ massKg: 1 }), count: 1 }])]) {
      const r = read({ bracket: 'gusset' }, c)
      expect(r.shaped.assembly.parts.some((p) => p.role === 'gusset')).toBe(true)
      expect(r.service.besideMm).toBeLessThan(0.5)
    }
  })
})

describe('what is small, or low', () => {
  const small = (over: Partial<Goods>) => [{ item: crateOf([300, 30, 60], 1, { count: 6, ...over }), count: 6 }]
  it('stands on a shelf that is deep enough for its brackets, with room for them under each', () => {
    const r = read({ depthMm: null, shelves: 3 }, ctx({}, small({})))
    const [depth] = r.shaped.dims.filter((d) => d.path === 'depthMm')
    // A leg of 43 mm and 20 for the slant of the gusset past it.
    expect(depth.value).toBeGreaterThanOrEqual(63)
    expect(depth.value).toBeLessThan(100)
    expect(r.checks.filter((c) => c.state === 'fails' || c.state === 'unknown').map((c) => c.id)).toEqual([])
    const why = r.shaped.dims.find((d) => d.path === 'topMm.1')!.why
    expect(why.terms.map((t) => t.name)).toContain('room-for-brace')
  })
  it('a flat gusset holds what comes down on it, and nothing along its arm: all of it arrives', () => {
    // 120 mm high and 450 mm deep: the line of a gusset between two such shelves is 23 degrees flat.
    const low = [{ item: crateOf([1050, 450, 120], 8, { count: 3 }), count: 3 }]
    const r = read({}, ctx({}, low))
    expect(r.service.besideMm).toBeLessThan(1)
    expect(check(r, 'equilibrium:build').state).toBe('holds')
  })
})

describe('where its brackets go', () => {
  const xs = (r: BuildReading) =>
    r.shaped.assembly.parts.filter((p) => p.role === 'leg').map((p) => Math.round(p.at.centre[0] * 10) / 10)
  it('on studs at least so far apart, wide enough for the widest thing', () => {
    const r = read({ bays: 2 })
    const studs = r.space.studsMm.map((x) => Math.round(x * 10) / 10)
    expect(xs(r).every((x) => studs.includes(x))).toBe(true)
    const bay = r.shaped.assembly.bays[0]
    expect(bay.clear.max[0] - bay.clear.min[0]).toBeGreaterThanOrEqual(700 + 2 * 12.7 - 3)
  })
  it('regularly in masonry, where nobody’s rating is not proven', () => {
    const c = ctx({ construction: { kind: 'masonry' } as never, studsMm: [] })
    const r = read({ bays: 2 }, c)
    const [a, b, d] = xs(r)
    expect(b - a).toBeCloseTo(d - b, 6)
    expect(check(r, 'anchors:build')).toMatchObject({ state: 'unknown', code: 'unknown-anchor' })
  })
  it('says where they can not: no studs, a thin wall, no room below, no angle', () => {
    expect(outcome({}, ctx({ studsMm: [400] }))).toMatchObject({ problem: { code: 'too-few-studs', field: 'apartMm' } })
    expect(outcome({ bays: 10 }, ctx({ lengthMm: 2000 }))).toMatchObject({
      problem: { code: 'too-few-studs', field: 'bays' },
    })
    expect(outcome({}, ctx({ construction: { kind: 'thin' } }))).toMatchObject({
      problem: { code: 'no-wall-to-hang-on' },
    })
    expect(outcome({ topMm: [120] })).toMatchObject({ problem: { code: 'no-room-for-bracket', field: 'topMm.0' } })
    // The short leg of what hangs at its front is under the arm too.
    const hung = ctx({ joists: exampleJoists('out') })
    expect(outcome({ topMm: [200], shelves: 1, end: 'hung', stand: 'above' }, hung)).toMatchObject({
      problem: { code: 'no-room-for-bracket', field: 'topMm.0' },
    })
    expect(outcome({ topMm: [500], reachMm: 900 })).toMatchObject({
      problem: { code: 'bracket-too-low', field: 'reachMm' },
    })
    expect(outcome({ bracket: 'knee', reachMm: 100, depthMm: 600 })).toMatchObject({
      problem: { code: 'brace-no-angle', field: 'reachMm' },
    })
  })
  it('one shelf over the other: its brackets end over the one below', () => {
    const r = read({ shelves: 2 }, ctx({}, [{ item: thing({ massKg: 20 }), count: 2 }]))
    const [low] = r.shaped.assembly.stick.map((m) => m.zMm)
    expect(r.boxes.get('bracket-0-1-leg')!.min[2]).toBeGreaterThanOrEqual(low - 0.1)
    expect(r.shaped.assembly.stick).toHaveLength(2)
  })
})

describe('its steps', () => {
  it('count what it has', () => {
    const r = read({ wallScrews: 'four', pairScrews: 'three', cornerScrews: 'two' })
    const text = (code: string) =>
      stepText(
        r.steps.find((s) => s.code === code)!,
        say,
      )
    expect(text('brackets-ripped')).toContain('2 screws down through the arm')
    expect(text('gussets-on')).toContain('3 screws in the arm')
    expect(text('brackets-on-wall')).toContain('4 screws through each leg')
  })
})

describe('screws too short to count', () => {
  it('fail in words, not with a number nobody can read', () => {
    const deep = { frame: 'whole', frameSection: '47x100mm' } as const
    const c = check(read(deep), 'anchors:build')
    expect(c).toMatchObject({ state: 'fails', code: 'anchors-short', ratio: null })
    expect(sayCheck(c, say)).toMatch(/reach only [\d.]+ mm into the stud/)
  })
})

describe('what stands on it', () => {
  it('is judged at its front edge too: there it pulls most', () => {
    const narrow = [{ item: thing({ deepMm: 250, massKg: 40 }), count: 1 }]
    const r = read({}, ctx({}, narrow))
    const c = check(r, 'anchors:build')
    expect(c.data.arranged).toBe('forward')
    // As if it were as deep as the shelf's front leaves room: its middle 150 mm further out.
    const full = read({ depthMm: 250 }, ctx({}, narrow))
    expect(check(full, 'anchors:build').data.arranged).not.toBe('forward')
  })
})

describe('studs 600 mm apart', () => {
  const at600 = (goods: ShapeContext['goods']) => studsAt(exampleContext('metric', goods, 5000), 300, 600)
  const things = (acrossMm: number, count: number) => [{ item: crateOf([acrossMm, 380, 400], 8), count }]
  const readAt = (goods: ShapeContext['goods'], p: object = {}) =>
    readParams(bracketShelf, { ...startingParams('metric'), ...p }, at600(goods))
  const brackets = (r: ReturnType<typeof readAt>) =>
    r.shaped.assembly.parts.filter((p) => p.id.includes('arm')).map((p) => p.at.centre[0])
  it('each take a bracket, and what is as wide as they are apart stands over them on an only shelf', () => {
    const r = readAt(things(600, 2))
    const xs = [...new Set(brackets(r))].sort((a, b) => a - b)
    expect(xs.slice(1).map((x, i) => Math.round(x - xs[i]))).toEqual(xs.slice(1).map(() => 600))
    expect(r.shaped.dims.find((d) => d.path === 'shelves')!.value).toBe(1)
    expect(r.shaped.unhoused).toEqual([])
    expect(r.checks.filter((c) => c.state === 'fails' || c.state === 'unknown').map((c) => c.id)).toEqual([])
  })
  it('are passed over by brackets where what stands under another shelf is wider than between two of them', () => {
    const r = readAt(things(600, 2), { shelves: 2 })
    const xs = [...new Set(brackets(r))].sort((a, b) => a - b)
    expect(Math.round(xs[1] - xs[0])).toBe(1200)
    expect(r.shaped.dims.find((d) => d.path === 'apartMm')!.why.code).toBe('apart-widest')
  })
})
