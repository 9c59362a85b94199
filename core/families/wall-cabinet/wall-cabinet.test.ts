import { describe, expect, it } from '@jest/globals'
import { crateOf } from '../../../test-support/crate.ts'
import { expectNear } from '../../../test-support/near.ts'
import { partMassKg } from '../../assembly/mass.ts'
import { wedgeShare } from '../../mechanics/hung.ts'
import { newtons } from '../../measure/units.ts'
import { newBuild } from '../../project/new-build.ts'
import { safeLoads } from '../../project/safe-load.ts'
import { readWith, type BuildReading } from '../../project/read-build.ts'
import { sayIn } from '../../wording/say.ts'
import { stepText } from '../../wording/steps.ts'
import { METRIC } from '../../measure/units.ts'
import { exampleContext } from '../example-context.ts'
import type { ShapeContext } from '../family.ts'
import { startingParams, type WallCabinetParams } from './parameters.ts'
import { wallCabinet } from './wall-cabinet.ts'

const item = crateOf([350, 300, 280], 7, { count: 6 })
const ctx = (over: Partial<ShapeContext['space']> = {}): ShapeContext => {
  const c = exampleContext('metric', [{ item, count: 6 }])
  return { ...c, space: { ...c.space, ...over } }
}
const outcome = (params: Partial<WallCabinetParams> = {}, c = ctx()) =>
  readWith(
    wallCabinet,
    newBuild({
      id: 'b',
      family: 'wall-cabinet',
      params: { ...startingParams('metric'), ...params } as never,
      wallId: 'w',
    }),
    c,
  )
const read = (params: Partial<WallCabinetParams> = {}, c = ctx()): BuildReading => {
  const r = outcome(params, c)
  if (!r.ok) throw new Error(JSON.stringify(r.problem))
  return r.reading
}
/** What hangs: its weight, how far out its middle is, N and mm, by summing pieces and goods. */
function hung(r: BuildReading) {
  const body = new Set(r.shaped.assembly.bodies[0].parts)
  const weights = [
    ...r.shaped.assembly.parts
      .filter((p) => body.has(p.id))
      .map((p) => ({ n: newtons(partMassKg(p)), y: p.at.centre[1] })),
    ...r.shaped.assembly.bays.flatMap((b) =>
      b.items.map((i) => ({ n: newtons(i.massKg!), y: (i.box.min[1] + i.box.max[1]) / 2 })),
    ),
  ]
  const n = weights.reduce((s, w) => s + w.n, 0)
  return { n, outMm: weights.reduce((s, w) => s + w.n * w.y, 0) / n }
}
/** Sum of what passes through all supports of a kind, along their push. */
const sum = (r: BuildReading, which: (s: BuildReading['shaped']['assembly']['supports'][number]) => boolean) =>
  r.shaped.assembly.supports.filter(which).reduce((s, x) => s + (r.service.reactions.get(x.id) ?? 0), 0)

describe('a cabinet screwed through its rail', () => {
  const r = read({ hang: 'rail', bays: 2, clearMm: 760 })
  const { n, outMm } = hung(r)
  const rail = r.boxes.get('rail-upper')!
  const lower = r.boxes.get('rail-lower')!
  it('is pulled at its rail with W·e/h, and leans below with the same', () => {
    const high = (rail.min[2] + rail.max[2]) / 2 - (lower.min[2] + (lower.min[2] + lower.max[2]) / 2) / 2
    const pull = -sum(r, (s) => s.anchor !== null && s.push[1] === 1)
    expectNear(pull, (n * outMm) / high, 1e-6)
    expectNear(
      sum(r, (s) => s.anchor === null && s.on.kind === 'wall'),
      pull,
      1e-6,
    )
    expectNear(
      sum(r, (s) => s.anchor !== null && s.push[2] === 1),
      n,
      1e-6,
    )
  })
  it('holds by its fixings and its fastenings, all of it judged', () => {
    for (const id of ['anchors:build', 'body:carcass-0', 'unread:build'])
      expect(r.checks.find((c) => c.id === id)!.state).toBe('holds')
  })
})

describe('a cabinet on a bevelled strip', () => {
  const r = read({ bays: 2, clearMm: 760 })
  const { n, outMm } = hung(r)
  it('wedges its strip off the wall with W·tan(45° − atan 0.3) where its couple is less', () => {
    const strip = r.boxes.get('strip-wall')!
    const lower = r.boxes.get('rail-lower')!
    const hookMm = strip.max[2] - r.shaped.assembly.parts.find((p) => p.id === 'strip-wall')!.size.thicknessMm / 2
    const leansMm = (lower.min[2] + (lower.min[2] + lower.max[2]) / 2) / 2
    const share = wedgeShare(Math.PI / 4, Math.atan(0.3))
    expectNear(share, (1 - 0.3) / (1 + 0.3), 1e-9)
    const through = (id: string) => r.service.reactions.get(id)!
    const hooks = r.shaped.assembly.supports.filter((s) => s.wedged)
    expect(hooks).toHaveLength(4)
    // Each piece by what it bears; the goods do not stand evenly, so the couple is not shared evenly either.
    for (const h of hooks) expect(-through(h.id)).toBeGreaterThanOrEqual(share * through(h.wedged!.by) * (1 - 1e-9))
    expectNear(
      sum(r, (s) => hooks.some((h) => h.wedged!.by === s.id)),
      n,
      1e-9,
    )
    const pulled = -sum(r, (s) => s.way === 'pull')
    const couple = (n * outMm) / (hookMm - leansMm)
    expect(pulled).toBeGreaterThanOrEqual(Math.max(couple, n * share) * (1 - 1e-9))
    // What bears half its thickness off the wall, and pulls over the fixings, turns the strip about its lower edge.
    const fixings = r.shaped.assembly.supports.filter((s) => s.anchor !== null && s.push[1] === 1)
    const edge = r.shaped.assembly.supports.find((s) => s.steadies)!
    const [fixedAt, edgeAt] = [fixings[0].contact.min[2], edge.contact.min[2]]
    const turns = n * ((strip.max[1] - strip.min[1]) / 2) + pulled * (hookMm - fixedAt)
    const pried = turns / (fixedAt - edgeAt)
    expectNear(
      sum(r, (s) => s.steadies === true),
      pried,
      0.02,
    )
    expectNear(-sum(r, (s) => fixings.includes(s)), pulled + pried, 0.02)
    expectNear(
      sum(r, (s) => 'body' in s.from && s.on.kind === 'wall'),
      (couple * (outMm - (strip.max[1] - strip.min[1]) / 2)) / outMm,
      0.02,
    )
  })
  it('bends its strip up and out at once, and says so', () =>
    expect(r.checks.find((c) => c.id === 'along:hanger')!.covers).toEqual(['strip-wall']))
  it('with twice the goods everything on the wall has more to do', () => {
    const more = read({ bays: 2, clearMm: 760 }, exampleTwice())
    for (const id of ['anchors:build', 'body:carcass-0'])
      expect(more.checks.find((c) => c.id === id)!.ratio!).toBeGreaterThan(r.checks.find((c) => c.id === id)!.ratio!)
  })
  it('is built from its underside and hung at a height the steps tell', () => {
    expect(r.shaped.assembly.stick[0].footMm).toBeGreaterThan(1000)
    expect(r.shaped.assembly.stick[0].zMm).toBeCloseTo(18, 6)
    const strip = r.steps.find((s) => s.code === 'strip-on-wall')!
    expect(stepText(strip, sayIn(METRIC))).toContain(
      `${Math.round(r.boxes.get('strip-wall')!.max[2])} mm above the floor`,
    )
    expect(r.pieces.find((l) => l.role === 'hanger')!.machining).toEqual([
      { kind: 'bevel', face: 'over', edge: 'high', angleRad: Math.PI / 4 },
    ])
  })
})
function exampleTwice(): ShapeContext {
  const c = ctx()
  return { ...c, goods: [{ item: { ...item, massKg: 14 }, count: 6 }] }
}

describe('what its shelves may carry', () => {
  it('ends where its fixings do, and weaker ones end sooner', () => {
    const most = (wallScrews: WallCabinetParams['wallScrews']) => {
      const r = read({ bays: 2, clearMm: 760, wallScrews })
      return safeLoads({ settings: ctx().settings }, r)
    }
    const [two, five] = [most('two'), most('five')]
    expect(two.every((l) => l.by === 'anchors')).toBe(true)
    two.forEach((l, i) => expect(l.spreadKg).toBeLessThan(five[i].spreadKg))
    expect(five[0].spreadKg).toBeLessThan(200)
  })
})

describe('in an earthquake', () => {
  it('its fixings hold it shaken: Fp of all that hangs, high up, beside its weight', () => {
    const c = ctx()
    const shaken = read({ bays: 2, clearMm: 760 }, { ...c, settings: { ...c.settings, seismicG: 1 } })
    const [still, quake] = ['build', 'quake'].map((id) => shaken.checks.find((x) => x.id === `anchors:${id}`)!)
    expect(quake.ratio!).toBeGreaterThan(still.ratio! * 1.2)
    // By hand: 0.4·1·(1 + 2)/2.5 of the weight.
    expect(quake.working!.inputs.find((i) => i.symbol === 'Fp / Wp')!.value).toBeCloseTo(0.48, 9)
    expect(read({ bays: 2, clearMm: 760 }).checks.some((x) => x.id === 'anchors:quake')).toBe(false)
  })
})

describe('where it cannot hang', () => {
  it('says so: a thin wall, no stud behind it', () => {
    const thin = outcome({}, ctx({ construction: { kind: 'thin' } }))
    expect(thin).toMatchObject({ ok: false, problem: { code: 'no-wall-to-hang-on' } })
    const between = outcome({ bays: 1, clearMm: 200 }, ctx({ studsMm: [5, 900] }))
    expect(between).toMatchObject({ ok: false, problem: { code: 'no-stud-behind-it', field: 'clearMm' } })
  })
  it('on one stud it is not proven: it could turn about it', () =>
    expect(read({ bays: 1, clearMm: 400, shelves: 1 }, ctx({ studsMm: [230, 900] })).verdict.state).not.toBe('holds'))
  it('with something nobody weighed none of what holds it is proven', () => {
    const c = ctx()
    const r = read({ bays: 2, clearMm: 760 }, { ...c, goods: [{ item: { ...item, massKg: null }, count: 6 }] })
    for (const id of ['anchors:build', 'body:carcass-0'])
      expect(r.checks.find((x) => x.id === id)).toMatchObject({ state: 'unknown', code: 'unknown-not-weighed' })
  })
  it('in masonry nobody rated it is not proven', () => {
    const r = read({}, ctx({ construction: { kind: 'masonry' } as never, studsMm: [] }))
    expect(r.checks.find((c) => c.id === 'anchors:build')).toMatchObject({ state: 'unknown', code: 'unknown-anchor' })
  })
})
