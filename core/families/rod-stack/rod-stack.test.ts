import { describe, expect, it } from '@jest/globals'
import { crateOf } from '../../../test-support/crate.ts'
import { expectNear } from '../../../test-support/near.ts'
import { massCentre, partMassKg } from '../../assembly/mass.ts'
import { hungFrom } from '../../checks/joists.ts'
import type { Goods } from '../../goods/goods.ts'
import { METRIC, newtons } from '../../measure/units.ts'
import { newBuild } from '../../project/new-build.ts'
import { newProject } from '../../project/project.ts'
import { procure } from '../../project/plan.ts'
import { readWith, type BuildReading } from '../../project/read-build.ts'
import { sawWork } from '../../takeoff/saw-work.ts'
import { sayCheck } from '../../wording/checks.ts'
import { sayCounts } from '../../wording/counts.ts'
import { sayIn } from '../../wording/say.ts'
import { stepText } from '../../wording/steps.ts'
import { exampleContext, exampleJoists } from '../example-context.ts'
import type { ShapeContext } from '../family.ts'
import { startingParams, type RodStackParams } from './parameters.ts'
import { rodStack } from './rod-stack.ts'

const say = sayIn(METRIC)
const thing = (over: Partial<Goods> = {}) => crateOf([400, 300, 280], 150, over)
const ctx = (over: Partial<ShapeContext['space']> = {}, item = thing()): ShapeContext => {
  const c = exampleContext('metric', [{ item, count: item.count }])
  return { ...c, space: { ...c.space, ...over } }
}
const outcome = (params: Partial<RodStackParams> = {}, c = ctx()) =>
  readWith(
    rodStack,
    newBuild({
      id: 'b',
      family: 'rod-stack',
      params: { ...startingParams('metric'), clearMm: 800, depthMm: 350, ...params } as never,
      wallId: 'w',
    }),
    c,
  )
const read = (params: Partial<RodStackParams> = {}, c = ctx()): BuildReading => {
  const r = outcome(params, c)
  if (!r.ok) throw new Error(JSON.stringify(r.problem))
  return r.reading
}
const check = (r: BuildReading, id: string) => r.checks.find((c) => c.id === id)!
const pulled = (r: BuildReading, rod: string): number => {
  const s = r.service.members.get(rod)!.state
  return s.kind === 'strut' ? s.axial.pulledN : NaN
}

describe('150 kg off the middle of a box on four M10 rods', () => {
  const r = read()
  const rods = r.shaped.assembly.parts.filter((p) => p.role === 'rod' && p.id.endsWith('-lower'))
  const at = (p: (typeof rods)[number]) => ({ x: p.at.centre[0], y: p.at.centre[1] })
  it('pulls each as six equations ask: a rigid box on four springs, its bottom on two cross pieces that are beams', () => {
    // What stands on the cross pieces by its sides, as one weight at one place.
    const body = new Set(r.shaped.assembly.bodies[0].parts.filter((id) => id !== 'shelf-0'))
    const hung = [
      ...r.shaped.assembly.parts
        .filter((p) => body.has(p.id))
        .map((p) => ({ n: newtons(partMassKg(p)), x: massCentre(p)[0], y: massCentre(p)[1] })),
      ...r.shaped.assembly.bays
        .filter((b) => b.id !== 'bay-0')
        .flatMap((b) =>
          b.items.map((i) => ({
            n: newtons(i.massKg!),
            x: (i.box.min[0] + i.box.max[0]) / 2,
            y: (i.box.min[1] + i.box.max[1]) / 2,
          })),
        ),
    ]
    // What lies on the bottom comes down on the two by the law of the lever.
    const bottom = r.shaped.assembly.parts.find((p) => p.id === 'shelf-0')!
    const lies = [
      { n: newtons(partMassKg(bottom)), x: bottom.at.centre[0], y: bottom.at.centre[1] },
      ...r.shaped.assembly.bays[0].items.map((i) => ({
        n: newtons(i.massKg!),
        x: (i.box.min[0] + i.box.max[0]) / 2,
        y: (i.box.min[1] + i.box.max[1]) / 2,
      })),
    ]
    const rests = r.shaped.assembly.supports
      .filter((s) => 'part' in s.from && s.from.part === 'shelf-0')
      .map((s) => ({
        cross: s.on.kind === 'part' ? s.on.part : '',
        y: (s.contact.min[1] + s.contact.max[1]) / 2,
      }))
    expect(rests).toHaveLength(2)
    const onCross = (id: string) => {
      const [here, there] = [rests.find((s) => s.cross === id)!, rests.find((s) => s.cross !== id)!]
      return lies.map((w) => ({ x: w.x, n: (w.n * (there.y - w.y)) / (there.y - here.y) }))
    }
    const n = hung.reduce((s, w) => s + w.n, 0)
    const x = hung.reduce((s, w) => s + w.n * w.x, 0) / n
    const y = hung.reduce((s, w) => s + w.n * w.y, 0) / n
    // Four equal springs where its sides stand on the cross pieces.
    const feet = r.shaped.assembly.supports
      .filter((s) => 'body' in s.from && s.on.kind === 'part')
      .map((s) => ({
        cross: s.on.kind === 'part' ? s.on.part : '',
        x: (s.contact.min[0] + s.contact.max[0]) / 2,
        y: (s.contact.min[1] + s.contact.max[1]) / 2,
      }))
    expect(feet).toHaveLength(4)
    const mean = (of: (f: (typeof feet)[number]) => number) => feet.reduce((s, f) => s + of(f), 0) / 4
    const [mx, my] = [mean((f) => f.x), mean((f) => f.y)]
    const spread = (of: (f: (typeof feet)[number]) => number) => feet.reduce((s, f) => s + of(f) ** 2, 0)
    const [ix, iy] = [spread((f) => f.x - mx), spread((f) => f.y - my)]
    const foot = feet.map((f) => ({
      ...f,
      n: n * (1 / 4 + ((x - mx) * (f.x - mx)) / ix + ((y - my) * (f.y - my)) / iy),
    }))
    // Each cross piece is a beam on its two rods, with its own weight and half of theirs below.
    for (const rod of rods) {
      const i = rod.id.split('-')[1]
      const mate = rods.find((q) => q.id !== rod.id && q.id.split('-')[1] === i)!
      const share = (fx: number) => (fx - at(mate).x) / (at(rod).x - at(mate).x)
      const cross = r.shaped.assembly.parts.find((p) => p.id === `cross-${i}`)!
      const loads = [...foot.filter((f) => f.cross === cross.id), ...onCross(cross.id)]
      const own = newtons(partMassKg(cross)) / 2 + newtons(partMassKg(rod)) / 2
      const by = loads.reduce((s, f) => s + f.n * share(f.x), 0) + own
      const held = r.shaped.assembly.supports.find((s) => s.on.kind === 'part' && s.on.part === rod.id)!
      expectNear(r.service.reactions.get(held.id)!, by, 1e-6)
      // Half of what hangs above its own coupling is counted to it as well.
      const upper = r.shaped.assembly.parts.find((p) => p.id === rod.id.replace('lower', 'upper'))!
      expectNear(pulled(r, rod.id), by + newtons(partMassKg(upper)) / 2, 1e-6)
    }
    const all = rods.map((p) => pulled(r, p.id))
    expect(Math.max(...all)).toBeGreaterThan(1.2 * Math.min(...all))
  })
  it('the rod gives 0.9·fu·As/1.25, and has it in its working', () => {
    const c = check(r, 'rods:rod')
    // M10: stress area 58.0 mm², 400 MPa.
    expectNear(c.capacity!, (0.9 * 400 * 58) / 1.25, 0.002)
    expect(c.state).toBe('holds')
  })
  it('what shakes it presses rods and washers by 1 + 0.2·SDS', () => {
    const c = ctx()
    const shaken = read({}, { ...c, settings: { ...c.settings, seismicG: 0.8 } })
    for (const id of ['rods:rod', 'rods:washer'])
      expectNear(check(shaken, id).demand!, 1.16 * check(r, id).demand!, 1e-9)
  })
  it('all of it is judged, and with something nobody weighed nothing of it is proven', () => {
    expect(check(r, 'unread:build').state).toBe('holds')
    const open = read({}, ctx({}, thing({ massKg: null })))
    for (const id of ['rods:rod', 'joists:ceiling', 'body:stack-0']) expect(check(open, id).state).toBe('unknown')
  })
  it('twice as heavy everything that hangs has more to do', () => {
    const more = read({}, ctx({}, thing({ massKg: 300 })))
    for (const id of ['rods:rod', 'rods:washer', 'joists:ceiling'])
      expect(check(more, id).ratio!).toBeGreaterThan(1.5 * check(r, id).ratio!)
  })
})

describe('the joists it hangs from', () => {
  it('as beams: one load at a third, two like it, and nothing', () => {
    expectNear(hungFrom(3000, [{ atMm: 1000, n: 900 }]).momentNmm, (900 * 1000 * 2000) / 3000)
    expectNear(hungFrom(3000, [{ atMm: 1000, n: 900 }]).shearN, 600)
    const two = [1000, 2000].map((atMm) => ({ atMm, n: 900 }))
    expectNear(hungFrom(3000, two).momentNmm, 900 * 1000)
    expect(hungFrom(3000, [])).toEqual({ momentNmm: 0, shearN: 0 })
  })
  it('are asked one by one: all that arrives is on them, and the worst against q·s·L²/8', () => {
    const r = read()
    const arrived = r.service.arrivals.reduce((s, a) => s - a.n[2], 0)
    expectNear(arrived, r.service.loadsN, 1e-6)
    const c = check(r, 'joists:ceiling')
    const [m, most] = ['M', 'q·s·L²/8'].map((x) => c.working!.inputs.find((i) => i.symbol === x)!.value)
    expectNear(most, ((0.96 / 1000) * 406.4 * 3600 ** 2) / 8)
    expect(c.ratio!).toBeGreaterThanOrEqual(m / most - 1e-9)
  })
  it('that may take nothing more take nothing', () => {
    const none = check(read({}, ctx({ joists: { ...exampleJoists('out'), allowanceKnM2: 0 } })), 'joists:ceiling')
    expect(none).toMatchObject({ state: 'fails', ratio: null })
  })
  it('bear no box whose back no sheet gives in one piece: that is refused before', () => {
    const long = outcome({ clearMm: 1500, shelves: 3, topMm: [450, 900, 1300] }, ctx({ ceilingMm: 2600 }))
    expect(long).toMatchObject({ problem: { code: 'back-past-sheet', field: 'clearMm' } })
  })
  it('that slope are refused', () =>
    expect(outcome({}, ctx({ joists: { ...exampleJoists('out'), kind: 'sloped' } }))).toMatchObject({
      problem: { code: 'hung-under-slope' },
    }))
  it('that may take less fail sooner; trusses never hold', () => {
    const weak = read({}, ctx({ joists: { ...exampleJoists('out'), allowanceKnM2: 0.1 } }))
    expect(check(weak, 'joists:ceiling').state).toBe('fails')
    expect(outcome({}, ctx({ joists: { ...exampleJoists('out'), kind: 'trusses' } }))).toMatchObject({
      problem: { code: 'hung-from-trusses' },
    })
  })
  it('are never bored: its rods pass beside them', () => {
    for (const first of [0, 60, 110, 150, 200, 260, 330])
      for (const run of ['out', 'along'] as const) {
        const joists = { ...exampleJoists(run), atMm: Array.from({ length: 14 }, (_, i) => first - 406.4 + i * 406.4) }
        const r = outcome({}, ctx({ joists }))
        if (!r.ok) continue
        const rods = r.reading.shaped.assembly.parts.filter((p) => p.role === 'rod')
        expect(rods).toHaveLength(8)
        for (const rod of rods)
          for (const at of joists.atMm)
            expect(Math.abs(rod.at.centre[run === 'out' ? 0 : 1] - at)).toBeGreaterThan(19 + 5)
      }
  })
})

describe('where it cannot hang', () => {
  it('says so: nothing known, no size, no joist beside it, no room under it', () => {
    const without = (joists: ShapeContext['space']['joists'], params = {}) => outcome(params, ctx({ joists }))
    expect(without(null)).toMatchObject({ problem: { code: 'no-joists-known' } })
    expect(without({ ...exampleJoists('out'), size: null })).toMatchObject({ problem: { code: 'no-joist-size' } })
    expect(without({ ...exampleJoists('out'), atMm: [400] })).toMatchObject({ ok: false })
    expect(outcome({ gapMm: 1900 })).toMatchObject({ problem: { code: 'hangs-to-floor', field: 'gapMm' } })
    expect(outcome({ gapMm: 0 }, ctx({}, thing({ tallMm: 30 })))).toMatchObject({
      problem: { code: 'no-room-for-coupling', field: 'gapMm' },
    })
    expect(outcome({ depthMm: 120 })).toMatchObject({ problem: { code: 'too-shallow-for-rods', field: 'depthMm' } })
  })
})

describe('its rods', () => {
  const r = read({ behindMm: 80 })
  it('are bought by length and sawn: pieces, nuts and couplings stand in the plan and the bill', () => {
    const c = ctx()
    const { cutPlan, bill } = procure(newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z'), [
      { ...r, build: newBuild({ id: 'b', family: 'rod-stack', params: {}, wallId: 'w' }) },
    ])
    expect(c.settings.yard).toBe('metric')
    const bars = cutPlan.boards.filter((b) => b.section === 'rod-M10')
    expect(bars.flatMap((b) => b.cuts.flatMap((x) => x.labels))).toHaveLength(8)
    const lines = bill.lines.map((l) => l.label)
    expect(bill.lines.find((l) => /threaded rod/.test(l.label))!.aisle).toBe('hardware')
    expect(sayCounts(cutPlan)).toMatch(/^\d+ boards?, \d+ rods?, \d+ sheets?$/)
    // No saw for wood cuts steel.
    const { home } = sawWork(cutPlan, c.settings)
    const onRods = home.flatMap((b) => b.cuts).filter((c) => c.stock === 'rod-M10')
    expect(onRods.length).toBeGreaterThan(0)
    for (const cut of onRods) expect(cut.care).toEqual(['hacksaw'])
    expect(lines.some((l) => /M10 threaded rod/.test(l))).toBe(true)
    expect(lines.some((l) => /coupling nut/.test(l))).toBe(true)
    expect(bill.lines.every((l) => l.eachMinor !== null)).toBe(true)
  })
  it('weigh what steel does', () => {
    const rod = r.shaped.assembly.parts.find((p) => p.role === 'rod')!
    expectNear(partMassKg(rod), 0.9 * (Math.PI / 4) * 10 ** 2 * rod.size.lengthMm * 7.85e-6)
  })
  it('away from the wall it is not screwed to it, and the steps do not say so', () => {
    expect(r.shaped.assembly.anchors).toHaveLength(0)
    expect(r.steps.some((s) => s.code === 'stack-steady')).toBe(false)
    expect(read().steps.some((s) => s.code === 'stack-steady')).toBe(true)
    expect(
      stepText(
        r.steps.find((s) => s.code === 'stack-up')!,
        say,
      ),
    ).toContain('4 rods')
  })
  it('too thin they fail, in words', () => {
    const heavy = read({ rod: 'rod-M6' }, ctx({}, thing({ massKg: 2500 })))
    expect(check(heavy, 'rods:rod').state).toBe('fails')
    expect(sayCheck(check(heavy, 'rods:rod'), say)).toContain('M6 threaded rod')
    expect(check(heavy, 'rods:washer').state).toBe('fails')
  })
})

describe('in an earthquake', () => {
  const shaken = (over: Partial<RodStackParams>) => {
    const c = ctx()
    return read(over, { ...c, settings: { ...c.settings, seismicG: 1 } })
  }
  it('the screws that steady it hold 0.48 of all that hangs, and its rods a fifth more', () => {
    const r = shaken({})
    const quake = check(r, 'anchors:quake')
    const n = r.shaped.assembly.anchors.length
    const across = Math.max(...['V', 'T'].map((x) => quake.working!.inputs.find((i) => i.symbol === x)!.value))
    expectNear(across, (0.48 * r.design.loadsN) / n, 0.001)
    expectNear(check(r, 'rods:rod').demand!, 1.2 * check(read(), 'rods:rod').demand!, 1e-6)
  })
  it('screwed to nothing it swings, and is not proven', () => {
    expect(check(shaken({ behindMm: 80 }), 'rods:swing')).toMatchObject({ state: 'unknown', code: 'rods-swing' })
    expect(check(shaken({}), 'rods:swing')).toBeUndefined()
  })
})
