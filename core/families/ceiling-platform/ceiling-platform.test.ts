import { describe, expect, it } from '@jest/globals'
import { crateOf } from '../../../test-support/crate.ts'
import { expectNear } from '../../../test-support/near.ts'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import { hungFrom } from '../../checks/joists.ts'
import { partMassKg } from '../../assembly/mass.ts'
import { METRIC, newtons } from '../../measure/units.ts'
import type { BuildReading } from '../../project/read-build.ts'
import { sayProblem } from '../../wording/problems.ts'
import { sayIn } from '../../wording/say.ts'
import { stepText } from '../../wording/steps.ts'
import { exampleContext, exampleJoists } from '../example-context.ts'
import type { ShapeContext } from '../family.ts'
import { ceilingPlatform } from './ceiling-platform.ts'
import { startingParams, type CeilingPlatformParams } from './parameters.ts'

const say = sayIn(METRIC)
const joists = (run: 'out' | 'along') => ({
  ...exampleJoists(run),
  atMm: Array.from({ length: 18 }, (_, i) => 130 + i * 400),
  spacingMm: 400,
})
const ctx = (run: 'out' | 'along', over: Partial<ShapeContext['space']> = {}, count = 5): ShapeContext => {
  const item = crateOf([420, 500, 300], 12)
  const c = exampleContext('metric', [{ item, count }])
  return { ...c, space: { ...c.space, joists: joists(run), ...over } }
}
const six: Partial<CeilingPlatformParams> = { lengthMm: 3100, bearers: 6 }
const read = (p: Partial<CeilingPlatformParams>, c: ShapeContext): BuildReading =>
  readParams(ceilingPlatform, { ...startingParams('metric'), ...p }, c)
const problemOf = (p: Partial<CeilingPlatformParams>, c: ShapeContext) =>
  tryParams(ceilingPlatform, { ...startingParams('metric'), ...p }, c).problem
const pulled = (r: BuildReading, rod: string): number => {
  const s = r.service.members.get(rod)!.state
  return s.kind === 'strut' ? s.axial.pulledN : NaN
}

describe('six rods from spreaders over joists 400 mm apart that run along the wall', () => {
  const r = read(six, ctx('along'))
  const a = r.shaped.assembly
  const spreaders = a.parts.filter((p) => p.role === 'spreader')
  const uppers = a.parts.filter((p) => p.id.startsWith('rod-') && p.id.endsWith('-upper'))
  it('hang between two joists each, and none of them under one', () => {
    expect(spreaders).toHaveLength(6)
    for (const u of uppers) {
      const y = u.at.centre[1]
      expect(joists('along').atMm.every((j) => Math.abs(j - y) > 45 / 2)).toBe(true)
    }
    expect(r.verdict.state).toBe('holds')
  })
  it('bend their spreaders by P·a·b / L, by hand', () => {
    for (const [k, s] of spreaders.entries()) {
      const m = r.service.members.get(s.id)!.state
      if (m.kind !== 'beam') throw new Error(m.kind)
      const y = uppers[k].at.centre[1]
      const before = Math.max(...joists('along').atMm.filter((j) => j < y))
      const self = newtons(partMassKg(s))
      const p = pulled(r, uppers[k].id)
      const [x, b] = [y - before, before + 400 - y]
      // Its own weight, past both joists by what it reaches over them, adds a little.
      const over = (s.size.lengthMm - 400) / 2
      const own = (self / s.size.lengthMm) * (x * b - over ** 2) * 0.5
      expectNear(m.bent.result.moment.nmm, (p * x * b) / 400 + own, 0.03)
    }
  })
  it('load each joist as a beam from end to end with all that hangs from it', () => {
    const c = checkOf(r, 'joists:ceiling')
    const y = uppers[0].at.centre[1]
    const before = Math.max(...joists('along').atMm.filter((j) => j < y))
    const at = (joist: number) =>
      a.supports
        .filter((s) => s.on.kind === 'ceiling' && Math.abs((s.contact.min[1] + s.contact.max[1]) / 2 - joist) < 1)
        .map((s) => ({ atMm: (s.contact.min[0] + s.contact.max[0]) / 2, n: r.service.reactions.get(s.id) ?? 0 }))
    const input = (symbol: string) => c.working!.inputs.find((i) => i.symbol === symbol)!.value
    const worst = [before, before + 400].flatMap((j) => {
      const { momentNmm, shearN } = hungFrom(3600, at(j))
      return [momentNmm / input('q·s·L²/8'), shearN / input('q·s·L/2')]
    })
    // As drawn, or worse elsewhere: never less than by hand.
    expect(c.demand!).toBeGreaterThanOrEqual(Math.max(...worst) - 1e-9)
    expect(c.demand!).toBeLessThan(1.35 * Math.max(...worst))
  })
  it('carry in front what the cleat does not: both together all that hangs', () => {
    const fronts = uppers.reduce((n, u) => n + pulled(r, u.id), 0)
    const wall = a.supports
      .filter((s) => s.on.kind === 'wall' && s.push[2] === 1)
      .reduce((n, s) => n + (r.service.reactions.get(s.id) ?? 0), 0)
    const above = [...spreaders, ...uppers].reduce((n, p) => n + newtons(partMassKg(p)), 0)
    // A rod's own weight is halved between what holds it and what it holds.
    expectNear(fronts + wall + above, newtons(5 * 12 + r.massKg), 0.02)
  })
})

describe('six rods under joists that run out from the wall', () => {
  const r = read(six, ctx('out'))
  it('hang from one spreader over all joists between them, each clear of a joist', () => {
    const a = r.shaped.assembly
    const [spreader, ...more] = a.parts.filter((p) => p.role === 'spreader')
    expect(more).toEqual([])
    const over = a.supports.filter((s) => s.on.kind === 'ceiling' && 'part' in s.from && s.from.part === spreader.id)
    expect(over.length).toBeGreaterThan(6)
    for (const u of a.parts.filter((p) => p.id.endsWith('-upper')))
      expect(joists('out').atMm.every((j) => Math.abs(j - u.at.centre[0]) > 45 / 2)).toBe(true)
    expect(r.verdict.state).toBe('holds')
  })
  it('what stands on it is drawn out between two rods', () => {
    const a = r.shaped.assembly
    const rods = a.parts.filter((p) => p.id.endsWith('-lower')).map((p) => p.at.centre[0])
    for (const b of a.bays)
      for (const i of b.items) expect(rods.some((x) => x > i.box.min[0] && x < i.box.max[0])).toBe(false)
  })
  it('bearers lie on the cleat behind, frames and deck on them, sheets meet over a bearer', () => {
    const a = r.shaped.assembly
    const bearers = a.parts.filter((p) => p.id.startsWith('bearer')).map((p) => p.at.centre[0])
    const sheets = a.parts.filter((p) => p.role === 'shelf')
    expect(sheets.length).toBeGreaterThan(1)
    for (const s of sheets.slice(0, -1))
      expect(bearers.some((x) => Math.abs(x - r.boxes.get(s.id)!.max[0]) < 1e-6)).toBe(true)
    for (const s of sheets) expect(s.size.lengthMm).toBeLessThanOrEqual(1220 + 1e-9)
  })
})

describe('six pairs of drops of board under joists along the wall', () => {
  const r = read({ ...six, lengthMm: 3600, front: 'drops' }, ctx('along'))
  const a = r.shaped.assembly
  const drops = a.parts.filter((p) => p.role === 'drop')
  const spreaders = a.parts.filter((p) => p.role === 'spreader')
  const [t, w] = [38, 89]
  it('hold, beside both edges of bearer and spreader, clear of the joists', () => {
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
    expect([drops.length, spreaders.length]).toEqual([12, 6])
    for (const p of drops) {
      const { min, max } = r.boxes.get(p.id)!
      const [bearer, over] = [`bearer-${p.id.split('-')[1]}`, `spreader-${p.id.split('-')[1]}`].map((id) =>
        r.boxes.get(id)!,
      )
      expect(joists('along').atMm.every((j) => j + 45 / 2 <= min[1] || j - 45 / 2 >= max[1])).toBe(true)
      for (const b of [bearer, over]) {
        const beside = p.id.endsWith('-0') ? [max[0], b.min[0]] : [min[0], b.max[0]]
        expectNear(beside[0], beside[1], 1e-9)
      }
      expectNear(max[2] - min[2], over.max[2] - bearer.min[2], 1e-9)
    }
  })
  it('two of a bearer share its front alike, and all of them and the cleat carry all', () => {
    for (let k = 0; k < 6; k++) expectNear(pulled(r, `drop-${k}-0`), pulled(r, `drop-${k}-1`), 1e-6)
    const wall = a.supports
      .filter((s) => s.on.kind === 'wall' && s.push[2] === 1)
      .reduce((n, s) => n + (r.service.reactions.get(s.id) ?? 0), 0)
    const ceiling = a.supports
      .filter((s) => s.on.kind === 'ceiling')
      .reduce((n, s) => n + (r.service.reactions.get(s.id) ?? 0), 0)
    expectNear(wall + ceiling, newtons(5 * 12 + r.massKg), 1e-3)
  })
  it('bend their spreader as what is spread over their width does, by hand', () => {
    const [s] = spreaders
    const m = r.service.members.get(s.id)!.state
    if (m.kind !== 'beam') throw new Error(m.kind)
    const y = drops[0].at.centre[1]
    const before = Math.max(...joists('along').atMm.filter((j) => j < y))
    const [a0, b0] = [y - before, before + 400 - y]
    // Half of what the two weigh themselves hangs on it too.
    const pair = drops.slice(0, 2).reduce((n, x) => n + newtons(partMassKg(x)), 0)
    const p = pulled(r, 'drop-0-0') + pulled(r, 'drop-0-1') + pair / 2
    // R·(a - w/2) + R²·w / 2P with R = P·b / L; its own weight, past both joists, adds a little.
    const near = (p * b0) / 400
    const own = (newtons(partMassKg(s)) / s.size.lengthMm / 2) * (a0 * b0 - ((s.size.lengthMm - 400) / 2) ** 2)
    expectNear(m.bent.result.moment.nmm, near * (a0 - w / 2) + (near ** 2 * w) / (2 * p) + own, 0.02)
  })
  it('are bent by their pull times half their thickness: it goes in and out at one face', () => {
    const c = checkOf(r, 'along:drop')
    const value = (symbol: string) => c.working!.inputs.find((i) => i.symbol === symbol)!.value
    const n = value('pulled')
    expectNear(value('σm'), (n * (t / 2)) / ((w * t ** 2) / 6), 1e-6)
    expect(c.ratio!).toBeGreaterThan(value('σm') / 100)
  })
  it('go through the ceiling, and are in the room up to it', () =>
    expect(checkOf(r, 'room-fit:room-height').state).toBe('holds'))
  it('are told in the steps', () => {
    const text = (id: string) =>
      stepText(
        r.steps.find((x) => x.id === id)!,
        say,
      )
    expect(text('spreaders')).toMatch(/^6 spreaders flat over the joists/)
    expect(text('bearers')).toMatch(/A drop on either edge of it.*2 screws through each/)
    expect(r.steps.find((x) => x.id === 'bearers')!.parts).toEqual(expect.arrayContaining(drops.map((p) => p.id)))
  })
})

describe('pairs of drops of board under joists that run out from the wall', () => {
  const r = read({ front: 'drops', cleatScrews: 'three' }, ctx('out', {}, 3))
  const a = r.shaped.assembly
  const boxOf = (id: string) => r.boxes.get(id)!
  const [t, w] = [38, 89]
  it('hold: beside both edges of a saddle over each bearer, on two spreaders along the wall', () => {
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
    expect(a.parts.filter((p) => p.role === 'spreader')).toHaveLength(2)
    for (const k of [0, 1, 2, 3, 4]) {
      const [saddle, bearer] = [boxOf(`saddle-${k}`), boxOf(`bearer-${k}`)]
      expectNear(saddle.min[0], bearer.min[0], 1e-9)
      expectNear(saddle.min[2], boxOf('spreader-0').max[2], 1e-9)
      expectNear(boxOf(`drop-${k}-0`).max[0], saddle.min[0], 1e-9)
      expectNear(boxOf(`drop-${k}-1`).min[0], saddle.max[0], 1e-9)
      expectNear(boxOf(`drop-${k}-0`).max[2], saddle.max[2], 1e-9)
    }
  })
  it('go up clear of joists and of both spreaders', () => {
    for (const p of a.parts.filter((x) => x.role === 'drop')) {
      const { min, max } = boxOf(p.id)
      expect(joists('out').atMm.every((j) => j + 45 / 2 <= min[0] || j - 45 / 2 >= max[0])).toBe(true)
      expect(boxOf('spreader-0').max[1]).toBeLessThan(min[1])
      expect(boxOf('spreader-1').min[1]).toBeGreaterThan(max[1])
    }
  })
  it('bend their saddle between the spreaders as what is spread over their width does, by hand', () => {
    const m = r.service.members.get('saddle-1')!.state
    if (m.kind !== 'beam') throw new Error(m.kind)
    const pair = ['drop-1-0', 'drop-1-1'].map((id) => a.parts.find((x) => x.id === id)!)
    const p = pair.reduce((n, x) => n + pulled(r, x.id) + newtons(partMassKg(x)) / 2, 0)
    // From middle to middle of what it lies on: P·L / 4 less P·w / 8, and its own weight past them as well.
    const [from, to] = ['spreader-0', 'spreader-1'].map((id) => (boxOf(id).min[1] + boxOf(id).max[1]) / 2)
    const saddle = a.parts.find((x) => x.id === 'saddle-1')!
    const [span, long] = [to - from, saddle.size.lengthMm]
    const self = newtons(partMassKg(saddle)) / long
    const own = (self * span ** 2) / 8 - (self * ((long - span) / 2) ** 2) / 2
    expectNear(m.bent.result.moment.nmm, (p * span) / 4 - (p * w) / 8 + own, 0.02)
    expectNear(span, 2 * (w / 2 + 10 + w / 2), 1e-9)
    expect(t).toBeLessThan(w)
  })
  it('bring half of each pair to either spreader, and with the cleat all of it', () => {
    const carried = (where: 'wall' | 'ceiling') =>
      a.supports
        .filter((s) => s.on.kind === where && s.push[2] === 1)
        .reduce((n, s) => n + (r.service.reactions.get(s.id) ?? 0), 0)
    expectNear(carried('wall') + carried('ceiling'), newtons(3 * 12 + r.massKg), 1e-3)
    const on = (id: string) =>
      a.supports
        .filter((s) => s.on.kind === 'part' && s.on.part === id)
        .reduce((n, s) => n + (r.service.reactions.get(s.id) ?? 0), 0)
    expectNear(on('spreader-0'), on('spreader-1'), 0.001)
  })
  it('are refused where a bearer would hang beside a joist, and told in the steps', () => {
    const step = r.steps.find((x) => x.id === 'spreaders')!
    expect(stepText(step, say)).toMatch(/^2 spreaders flat over the joists along the wall.*one of the 5 saddles/)
    expect(step.parts).toEqual(expect.arrayContaining(['saddle-0', 'saddle-1', 'saddle-2']))
    const dense = { ...joists('out'), atMm: joists('out').atMm.flatMap((x) => [x, x + 160]) }
    expect(problemOf({ ...six, bearers: 3, front: 'drops' }, ctx('out', { joists: dense }))!.code).toBe('rod-in-joist')
  })
})

describe('a platform on bolts that are in the ceiling', () => {
  const bolts = (spots: [number, number][], holdsN: number | null = 1500) =>
    spots.map(([x, y], i) => ({
      ...{ of: `b${i}`, kind: 'bolt' as const, on: 'ceiling' as const, left: x - 5, right: x + 5 },
      ...{ from: y - 5, to: y + 5, thickMm: 60, holdsN },
    }))
  const at = (prepared: ReturnType<typeof bolts>) => ctx('out', { joists: null, prepared }, 3)
  const four = [300, 1100, 1900, 2700].map((x): [number, number] => [x, 660])
  const r = read({ front: 'bolts' }, at(bolts(four)))
  const a = r.shaped.assembly
  it('hangs on the bolts where they are, needs nobody over the ceiling, and holds', () => {
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
    const hung = a.anchors.filter((x) => x.prepared)
    expect(hung.map((x) => [x.at[0], x.at[1], x.into])).toEqual(hung.map((_x, i) => [four[i][0], 660, 'bolt']))
    expect(hung.length).toBeGreaterThan(1)
    expect(a.parts.some((p) => p.role === 'spreader')).toBe(false)
    expect(r.checks.some((c) => c.check === 'joists')).toBe(false)
    expect(r.steps.find((s) => s.id === 'bolts')!.anchors).toEqual(hung.map((x) => x.id))
  })
  it('pulls each bolt with what its rod carries: all of them and the cleat carry all', () => {
    const up = (kind: 'wall' | 'ceiling') =>
      a.supports
        .filter((s) => s.on.kind === kind && s.push[2] === 1)
        .reduce((n, s) => n + (r.service.reactions.get(s.id) ?? 0), 0)
    // Half of what a rod weighs is counted to what it holds.
    expectNear(up('wall') + up('ceiling'), newtons(3 * 12 + r.massKg), 0.02)
    // Where goods stand worst one of them carries most: said to carry a newton less it fails, one more it holds.
    const asked = (n: number) => checkOf(read({ front: 'bolts' }, at(bolts(four, n))), 'anchors:build')
    const most = 10 * asked(10).ratio!
    expect(most).toBeGreaterThan(newtons(12) / 2)
    expect([asked(most - 1).state, asked(most + 1).state]).toEqual(['fails', 'holds'])
  })
  it('in trusses or under a slope it is never proven, whatever was said of the bolts', () => {
    for (const kind of ['trusses', 'sloped'] as const) {
      const under = { ...at(bolts(four)).space, joists: { ...joists('out'), kind } }
      const hung = read({ front: 'bolts' }, { ...at(bolts(four)), space: under })
      expect(hung.verdict.state).toBe('unknown')
      expect(hung.checks.find((c) => c.check === 'joists')!.code).toBe(`joists-${kind}`)
    }
  })
  it('nobody having said what they carry it is never proven', () =>
    expect(read({ front: 'bolts' }, at(bolts(four, null))).verdict.state).toBe('unknown'))
  it.each([
    ['none', [], 'too-few-bolts'],
    ['one', [[300, 660]], 'too-few-bolts'],
    [
      'two that are not in one row',
      [
        [300, 660],
        [1100, 700],
      ],
      'too-few-bolts',
    ],
  ] as [string, [number, number][], string][])('is refused over %s', (_n, spots, code) => {
    const problem = problemOf({ front: 'bolts' }, at(bolts(spots)))!
    expect(problem.code).toBe(code)
    expect(sayProblem(problem, say)).toMatch(/^Two bolts at least.*\.$/)
  })
})

describe('a platform', () => {
  it.each([
    ['under trusses', {}, { joists: { ...joists('out'), kind: 'trusses' as const } }, 'hung-from-trusses'],
    ['where nobody has looked over the ceiling', {}, { joists: null }, 'no-joists-known'],
    ['on a thin wall', {}, { construction: { kind: 'thin' as const } }, 'no-wall-to-hang-on'],
    ['with one stud behind its cleat', {}, { studsMm: [400] }, 'cleat-misses-studs'],
    ['higher than its goods let it', { topMm: 2300 }, {}, 'platform-in-ceiling'],
    ['for things nearly as tall as the room', { topMm: 900 }, {}, 'platform-too-low'],
    ['too shallow for two rails', { depthMm: 200, frameSection: '47x100mm' as const }, {}, null],
  ])('%s is refused in words, or holds', (_n, p, over, code) => {
    const problem = problemOf(p, ctx('out', over))
    if (code === null) return
    expect(problem!.code).toBe(code)
    expect(sayProblem(problem!, say)).toMatch(/^[A-Z].*\.$/)
  })
  it('hangs as high as the tallest thing and its play let it', () => {
    const r = read({}, ctx('along', {}, 2))
    expectNear(r.shaped.dims.find((d) => d.path === 'topMm')!.value, 2440 - 300 - 50.8, 1e-9)
  })
  it('heavy things need more screws or thicker rods, and levers offer them', () => {
    const p = startingParams('metric')
    const codes = ceilingPlatform.levers(p, ctx('along')).map((l) => l.code)
    for (const code of ['cleat-screws', 'more-bearers', 'rod', 'deck-frame', 'bearer-section'])
      expect(codes).toContain(code)
  })
})

describe('a platform for what is small', () => {
  const small = (run: 'out' | 'along'): ShapeContext => {
    const c = ctx(run, { studsMm: [300, 900, 1500, 2100] })
    return { ...c, goods: [{ item: crateOf([200, 90, 200], 2), count: 1 }] }
  }
  it('is begun long enough for two studs, and where joists run along the wall deep enough to hang between two of them', () => {
    for (const run of ['out', 'along'] as const) {
      const r = read({}, small(run))
      const dim = (path: string) => r.shaped.dims.find((d) => d.path === path)!
      expect(dim('lengthMm').value).toBeGreaterThanOrEqual(900)
      expect(dim('lengthMm').value).toBeLessThan(960)
      expect(r.shaped.unhoused).toEqual([])
      expect(r.checks.filter((x) => x.state === 'fails' || x.state === 'unknown').map((x) => x.id)).toEqual([])
      if (run === 'along') expect(dim('depthMm').why.code).toBe('platform-past-joist')
    }
  })
})

describe('a platform for more than there is length for', () => {
  const many = (run: 'out' | 'along', count: number, over: Partial<ShapeContext['space']> = {}) => {
    const c = ctx(run, { lengthMm: 6000, depthMm: 900, ...over })
    return { ...c, goods: [{ item: crateOf([500, 250, 250], 6), count }] }
  }
  const dimOf = (r: BuildReading, path: string) => r.shaped.dims.find((d) => d.path === path)!
  it.each(['out', 'along'] as const)('is so deep that things stand behind each other (joists %s)', (run) => {
    const few = read({}, many(run, 4, { lengthMm: 3000 }))
    expect(dimOf(few, 'depthMm').value).toBeLessThan(500)
    expect(few.shaped.unhoused).toEqual([])
    const more = read({}, many(run, 9, { lengthMm: 3000 }))
    expect(dimOf(more, 'depthMm').why.code).toBe('platform-rows')
    expect(dimOf(more, 'depthMm').value).toBeGreaterThanOrEqual(500)
    expect(more.shaped.unhoused).toEqual([])
    expect(more.checks.filter((c) => c.state === 'fails').map((c) => c.id)).toEqual([])
    // Told to be shallow it is, and leaves some out.
    expect(read({ depthMm: 300 }, many(run, 9, { lengthMm: 3000 })).shaped.unhoused).not.toEqual([])
  })
  it.each(['out', 'along'] as const)('goes as far as its boards, and tells what is left out (joists %s)', (run) => {
    const r = read({}, many(run, 40))
    const left = r.shaped.unhoused.reduce((n, u) => n + u.count, 0)
    const kept = r.shaped.assembly.bays.flatMap((b) => b.items).length
    expect(left).toBeGreaterThan(0)
    expect(kept + left).toBe(40)
    expect(kept).toBeGreaterThan(15)
  })
})
