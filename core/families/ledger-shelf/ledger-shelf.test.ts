import { describe, expect, it } from '@jest/globals'
import { crateOf } from '../../../test-support/crate.ts'
import { expectNear } from '../../../test-support/near.ts'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import { partsById } from '../../assembly/by-id.ts'
import { partMassKg } from '../../assembly/mass.ts'
import type { CheckContext } from '../../checks/check.ts'
import { joints } from '../../checks/joints.ts'
import { jointGives } from '../../checks/ties.ts'
import { METRIC, newtons } from '../../measure/units.ts'
import { METHODS } from '../../mechanics/methods/all.ts'
import type { BuildReading } from '../../project/read-build.ts'
import { sundryLines } from '../../takeoff/sundries.ts'
import { sayProblem } from '../../wording/problems.ts'
import { sayIn } from '../../wording/say.ts'
import { stepText } from '../../wording/steps.ts'
import { exampleContext, exampleGoods, exampleJoists } from '../example-context.ts'
import type { ShapeContext } from '../family.ts'
import { ledgerShelf } from './ledger-shelf.ts'
import { startingParams, type LedgerShelfParams } from './parameters.ts'

const say = sayIn(METRIC)
const crate = crateOf([600, 500, 300], 35)
const ctx = (over: Partial<ShapeContext['space']> = {}, goods = [{ item: crate, count: 1 }]): ShapeContext => {
  const c = exampleContext('metric', goods)
  return { ...c, space: { ...c.space, ...over } }
}
const one: Partial<LedgerShelfParams> = { shelves: 1, bays: 1, topMm: [1200], floorBay: false, depthMm: 500 }
const read = (p: Partial<LedgerShelfParams> = {}, c = ctx()): BuildReading =>
  readParams(ledgerShelf, { ...startingParams('metric'), ...p }, c)
const problemOf = (p: Partial<LedgerShelfParams>, c = ctx()) =>
  tryParams(ledgerShelf, { ...startingParams('metric'), ...p }, c).problem

describe('one shelf on a ledger and two posts', () => {
  const r = read(one)
  const a = r.shaped.assembly
  it('gives half of what stands in its depth to the wall and half to the posts', () => {
    const wall = a.supports.filter((s) => s.on.kind === 'wall' && s.push[2] === 1)
    const floor = a.supports.filter((s) => s.on.kind === 'floor')
    const sum = (list: typeof wall) => list.reduce((n, s) => n + (r.service.reactions.get(s.id) ?? 0), 0)
    expectNear(sum(wall) + sum(floor), newtons(35 + r.massKg), 1e-3)
    // The crate stands over the whole depth: in the middle between ledger and rail, their middles 19 mm from the edges.
    const posts = a.parts.filter((p) => p.role === 'post').reduce((n, p) => n + newtons(partMassKg(p)), 0)
    const all = newtons(35 + r.massKg) - posts
    // About the wall: the posts take what stands 250 mm out over their own 519 mm, the fixings' line at the wall's face.
    expect(sum(floor) - posts).toBeGreaterThan(0.44 * all)
    expect(sum(floor) - posts).toBeLessThan(0.53 * all)
  })
  it('is no longer than its wall, where that is shorter than posts are usually apart', () => {
    for (const lengthMm of [900, 1000, 1200]) {
      const short = read({ shelves: 1 }, ctx({ lengthMm }))
      const long = Math.max(...short.shaped.assembly.parts.map((p) => short.boxes.get(p.id)!.max[0]))
      expect(long).toBeLessThanOrEqual(lengthMm)
      expect(long).toBeGreaterThan(lengthMm - 2)
      expect(checkOf(short, 'room-fit:room-length').state).toBe('holds')
    }
  })
  it('holds, every fixing in a stud, and its front tells a hand that pulls at it so', () => {
    expect(r.verdict.state).toBe('holds')
    for (const x of a.anchors) expect(r.space.studsMm.some((s) => Math.abs(s - x.at[0]) < 1e-9)).toBe(true)
    expect(checkOf(r, 'unread:build').state).toBe('holds')
  })
  it('the deck as one: about the middles of its feet the wall bears what statics gives it', () => {
    const posts = a.parts.filter((p) => p.role === 'post')
    const footY = posts[0].at.centre[1]
    const deck = a.parts.filter((p) => p.role !== 'post')
    const moment =
      newtons(crate.massKg!) * (footY - 250) +
      deck.reduce((s, p) => s + newtons(partMassKg(p)) * (footY - p.at.centre[1]), 0)
    const wall = a.supports.filter((s) => s.on.kind === 'wall' && s.push[2] === 1)
    const n = wall.reduce((s, x) => s + (r.service.reactions.get(x.id) ?? 0), 0)
    expectNear(n, moment / footY, 0.06)
  })
})

describe('shelves on a ledger', () => {
  it('open as pitch less frame less sheet: the tallest thing and the play', () => {
    const c = ctx({}, [{ item: crateOf([300, 300, 420], 10), count: 8 }])
    const r = read({ apartMm: 800, bays: 2 }, c)
    const tops = r.shaped.dims.filter((d) => d.path.startsWith('topMm')).map((d) => d.value)
    expect(tops.length).toBeGreaterThan(1)
    expect(tops[1] - tops[0] - 89 - 18).toBeGreaterThanOrEqual(420 + 50.8)
    expect(tops[1] - tops[0] - 89 - 18).toBeLessThan(420 + 50.8 + 1)
  })
  it('has ledgers in pieces that meet on studs, each in two of its own; rails in pieces that meet on posts', () => {
    const c = exampleContext('imperial', [exampleGoods('imperial', 'box', 20)], 9000)
    const r = readParams(ledgerShelf, { ...startingParams('imperial'), follow: 'wall', shelves: 1 }, c)
    const a = r.shaped.assembly
    const ledgers = a.parts.filter((p) => p.role === 'ledger')
    const rails = a.parts.filter((p) => p.role === 'rail')
    expect(ledgers.length).toBeGreaterThan(1)
    expect(rails.length).toBeGreaterThan(1)
    for (const p of ledgers) {
      expect(a.anchors.filter((x) => x.part === p.id).length).toBeGreaterThanOrEqual(2)
      const end = r.boxes.get(p.id)!.max[0]
      if (p !== ledgers[ledgers.length - 1]) expect(r.space.studsMm.some((s) => Math.abs(s - end) < 1e-6)).toBe(true)
    }
    const posts = a.parts.filter((p) => p.role === 'post').map((p) => p.at.centre[0])
    for (const p of rails.slice(0, -1))
      expect(posts.some((x) => Math.abs(x - r.boxes.get(p.id)!.max[0]) < 1e-6)).toBe(true)
    // Sheets meet over a cross piece.
    const sheets = a.parts.filter((p) => p.role === 'shelf')
    for (const s of sheets.slice(0, -1)) {
      const end = r.boxes.get(s.id)!.max[0]
      expect(a.parts.some((p) => p.role === 'cross' && Math.abs(p.at.centre[0] - end) < 1)).toBe(true)
    }
    expect(r.verdict.unknown).toBe(0)
  })
  it('stands on a floor that falls: each post to its own length, the frames level', () => {
    const c = { ...ctx(), fallUnder: () => ({ atOriginMm: 0, xMmPerM: 10, yMmPerM: 5 }) }
    const posts = read(one, c).shaped.assembly.parts.filter((p) => p.role === 'post')
    expect(new Set(posts.map((p) => p.size.lengthMm)).size).toBe(posts.length)
  })
  it('counts the studs it really has, and doubled ones as such', () => {
    const studsMm = [60, 466, 872, 910, 1250]
    const r = read(one, ctx({ studsMm }))
    const text = stepText(
      r.steps.find((s) => s.code === 'mark-ledger')!,
      say,
    )
    expect(text).toMatch(/\d studs lie behind, 1 of them doubled/)
  })
  it.each([
    ['a thin wall', {}, { construction: { kind: 'thin' as const } }, 'no-wall-to-hang-on', undefined],
    ['one stud behind it', {}, { studsMm: [500] }, 'ledger-misses-studs', 'bays'],
    ['no depth for two rails', { depthMm: 151, frameSection: '47x150mm' }, {}, null, undefined],
    ['shelves that overlap', { topMm: [600, 620], shelves: 2 }, {}, 'shelves-overlap', 'topMm.1'],
  ])('with %s says so, or holds', (_n, p, over, code, field) => {
    const problem = problemOf({ ...one, ...p } as Partial<LedgerShelfParams>, ctx(over))
    if (code === null) return
    expect([problem!.code, problem!.field]).toEqual([code, field])
    expect(sayProblem(problem!, say)).toMatch(/^[A-Z].*\.$/)
  })
  it('on masonry waits for the rating of its anchors', () => {
    const over = { construction: { kind: 'masonry' as const }, studsMm: [] }
    const c = ctx(over)
    expect(read(one, c).checks.find((x) => x.check === 'anchors')!.state).toBe('unknown')
    const rated = { ...c, settings: { ...c.settings, anchorRatedN: 6000 } }
    expect(read(one, rated).checks.find((x) => x.check === 'anchors')!.state).toBe('holds')
  })
})

describe('holes for cords', () => {
  const hole = { shelf: 1, alongMm: 300, outMm: 200, diameterMm: 60 }
  it('go through the shelf that is named, between its cross pieces, and leave less to bend', () => {
    const r = read({ ...one, cordHoles: [hole] })
    const sheet = r.shaped.assembly.parts.find((p) => p.role === 'shelf')!
    expect(sheet.machining).toEqual([
      { kind: 'hole', face: 'over', atMm: 300, offMm: 200, diameterMm: 60, depthMm: null, tiltRad: 0 },
    ])
    const used = (x: BuildReading) => x.checks.find((c) => c.id === `bending:${sheet.id}`)!.ratio!
    expect(used(r)).toBeGreaterThan(used(read(one)))
  })
  it.each([
    ['over the rail', { outMm: 480 }, 'hole-near-edge'],
    ['over the ledger', { outMm: 50 }, 'hole-near-edge'],
    ['past the end', { alongMm: 9000 }, 'hole-near-edge'],
  ])('%s there is none', (_name, over, code) =>
    expect(problemOf({ ...one, cordHoles: [{ ...hole, ...over }] })).toMatchObject({ code, field: 'cordHoles.0' }),
  )
  it('over a cross piece there is none', () => {
    const r = read(one)
    const lefts = r.shaped.assembly.parts.filter((p) => p.role === 'cross').map((p) => r.boxes.get(p.id)!.min[0])
    const middle = lefts.sort((x, y) => x - y)[1]
    expect(problemOf({ ...one, cordHoles: [{ ...hole, alongMm: middle }] })).toMatchObject({ code: 'hole-at-panel' })
  })
  it('two are no nearer than wood between them holds', () =>
    expect(problemOf({ ...one, cordHoles: [hole, { ...hole, alongMm: 365 }] })).toMatchObject({ code: 'holes-near' }))
  it('older shelves have none', () => {
    const { cordHoles, ...first } = startingParams('metric')
    expect(cordHoles).toEqual([])
    expect(ledgerShelf.upgrade(first, 1)).toEqual({ ...first, cordHoles: [] })
  })
})

describe('a front that hangs from the joists', () => {
  const goods = [{ item: crateOf([500, 400, 300], 20), count: 6 }]
  const under = (run: 'out' | 'along') => ctx({ joists: exampleJoists(run) }, goods)
  const hung: Partial<LedgerShelfParams> = { shelves: 2, bays: 2, topMm: [1300], floorBay: false, depthMm: 450 }
  const pulled = (r: BuildReading, id: string) => {
    const s = r.service.members.get(id)!.state
    return s.kind === 'strut' ? s.axial.pulledN : NaN
  }
  const upward = (r: BuildReading, from: string, on: RegExp) =>
    r.shaped.assembly.supports
      .filter((s) => 'part' in s.from && s.from.part === from && s.on.kind === 'part' && on.test(s.on.part))
      .reduce((n, s) => n + (r.service.reactions.get(s.id) ?? 0), 0)

  it.each(['rods', 'chains'] as const)('on %s holds, and has no post', (front) => {
    for (const run of ['out', 'along'] as const) {
      const r = read({ ...hung, front }, under(run))
      expect([run, r.verdict.fails, r.verdict.unknown]).toEqual([run, 0, 0])
      expect(r.shaped.assembly.parts.filter((p) => p.role === 'post')).toEqual([])
    }
  })
  it('a rod carries the fronts of both shelves, each by a nut of its own', () => {
    const r = read({ ...hung, front: 'rods' }, under('along'))
    const fronts = [0, 1].map((i) => upward(r, `bearer-1-${i}`, /^rod-1-lower$/))
    for (const n of fronts) expect(n).toBeGreaterThan(50)
    // What a rod weighs hangs in equal shares on all it meets.
    expectNear(pulled(r, 'rod-1-lower'), fronts[0] + fronts[1], 5e-3)
  })
  it('a bearer is a beam on its rod and under the ledger: by its moments', () => {
    const r = read({ ...hung, front: 'rods' }, under('along'))
    const a = r.shaped.assembly
    const bearer = a.parts.find((p) => p.id === 'bearer-1-0')!
    const rods = a.parts.find((p) => p.id === 'rod-1-lower')!.at.centre[1]
    const rail = a.supports.filter((s) => s.on.kind === 'part' && s.on.part === 'bearer-1-0')
    const ledgerY = 19
    // About the screws in the ledger; the lower rod's share of its own weight hangs straight on the rod.
    const byHand =
      (rail.reduce(
        (nmm, s) => nmm + (r.service.reactions.get(s.id) ?? 0) * ((s.contact.min[1] + s.contact.max[1]) / 2 - ledgerY),
        0,
      ) +
        newtons(partMassKg(bearer)) * (bearer.at.centre[1] - ledgerY)) /
      (rods - ledgerY)
    expectNear(upward(r, 'bearer-1-0', /^rod-1-lower$/), byHand, 0.02)
  })
  it('a chain carries what hangs under it; the wood over it gives only its own front', () => {
    const r = read({ ...hung, front: 'chains' }, under('along'))
    const kg = (id: RegExp) =>
      r.shaped.assembly.parts.filter((p) => id.test(p.id)).reduce((n, p) => n + partMassKg(p), 0)
    const [low, high] = [pulled(r, 'chain-1-1'), pulled(r, 'chain-1-0')]
    const own = upward(r, 'bearer-1-1', /^rod-1-0$/)
    expect(low).toBeGreaterThan(50)
    // From the lower chain's upper end on: an eye nut, the rod through the wood, another one, and the chain itself.
    const between = newtons(kg(/^eye-1-1-high$|^rod-1-0$|^eye-1-0-low$|^chain-1-0$/))
    expectNear(high, low + own + between, 0.01)
  })
  it('of chain too weak for it fails by its rating, and a stronger one is offered', () => {
    const heavy = ctx({ joists: { ...exampleJoists('along'), allowanceKnM2: 3 } }, [
      { item: crateOf([500, 400, 300], 150), count: 6 },
    ])
    const p: Partial<LedgerShelfParams> = { ...hung, front: 'chains' }
    const over = read(p, heavy).checks.find((c) => c.check === 'ratings')!
    expect(over.state).toBe('fails')
    const codes = ledgerShelf.levers({ ...startingParams('metric'), ...p }, heavy).map((l) => l.code)
    expect(codes).toEqual(expect.arrayContaining(['stronger-chain', 'front-on-posts', 'ledger-bearers']))
  })
  it('of chain under what nobody has weighed is not called strong enough', () => {
    const item = { ...crateOf([500, 400, 300], 20), massKg: null }
    const r = read({ ...hung, front: 'chains' }, ctx({ joists: exampleJoists('along') }, [{ item, count: 6 }]))
    expect(r.checks.filter((c) => c.check === 'ratings').map((c) => c.state)).toEqual(['unknown'])
  })
  it('of chain with no room for rods and eyes between two shelves is refused, at the upper one', () => {
    const p = { ...hung, front: 'chains' as const, shelves: 2, topMm: [1200, 1400] }
    const refused = problemOf(p, under('along'))!
    expect(refused).toMatchObject({ code: 'chain-too-short', field: 'topMm.0', data: { shelf: 1 } })
    expect(sayProblem(refused, sayIn(METRIC))).toMatch(/^Over the bearers of shelf 1 there are /)
    expect(problemOf({ ...p, front: 'rods' }, under('along'))).toBeNull()
    expect(problemOf({ ...p, topMm: [1200, 1600] }, under('along'))).toBeNull()
    expect(problemOf({ ...p, topMm: [150, 900] }, under('along'))).toMatchObject({
      code: 'rods-in-floor',
      field: 'topMm.0',
    })
  })
  it.each([
    ['under trusses', { joists: { ...exampleJoists('out'), kind: 'trusses' as const } }, 'hung-from-trusses'],
    ['where nobody has looked', { joists: null }, 'no-joists-known'],
  ])('%s is refused', (_n, over, code) =>
    expect(problemOf({ ...hung, front: 'rods' }, ctx(over, goods))!.code).toBe(code),
  )
  it('is bought by its length of chain', () => {
    const r = read({ ...hung, front: 'chains' }, under('out'))
    const lines = sundryLines([r.shaped.assembly], under('out').settings)
    const long = r.shaped.assembly.parts.filter((p) => p.stock.kind === 'soft').reduce((n, p) => n + p.size.lengthMm, 0)
    expectNear(lines.find((l) => l.label === '5 mm chain, m')!.amount, long / 1000, 1e-9)
  })
  it('older shelves stand on posts', () => {
    const { front, rod, chain, bearerSection, spreaderSection, ...second } = startingParams('imperial')
    expect(ledgerShelf.upgrade(second, 2)).toEqual({ ...second, front, rod, chain, bearerSection, spreaderSection })
  })
})

describe('sheets notched round the posts of a ledger shelf', () => {
  const r = read(
    { edge: 'round-posts', shelves: 3, bays: 2, apartMm: 900, depthMm: 500 },
    ctx({}, [{ item: crate, count: 4 }]),
  )
  const a = r.shaped.assembly
  it('come out to the faces of the posts, the posts at both free ends in their corners', () => {
    const [sheet] = a.parts.filter((p) => p.role === 'shelf')
    const front = Math.max(...[...r.boxes.values()].map((b) => b.max[1]))
    expect(front).toBeCloseTo(500, 6)
    expect(r.boxes.get(sheet.id)!.max[1]).toBeCloseTo(500, 6)
    const notches = sheet.machining.filter((m) => m.kind === 'notch')
    expect(notches.map((n) => n.edge)).toEqual(['high', 'high', 'high'])
    expect(notches[0]).toMatchObject({ atMm: 0, lengthMm: 90, depthMm: 39 })
    expect(notches[2].atMm + notches[2].lengthMm).toBeCloseTo(sheet.size.lengthMm, 6)
    // The middle one has room on both sides.
    expect(notches[1].lengthMm).toBeCloseTo(91, 6)
    expect(r.verdict.unknown).toBe(0)
  })
  it('lie on their frames before the posts stand: no way leads in between them', () => {
    const at = (id: string) => r.steps.findIndex((s) => s.id === id)
    expect(at('sheets')).toBeLessThan(at('posts'))
    expect(stepText(r.steps[at('sheets')], say)).toMatch(
      /the 9 notches for the posts in front.*while the frames are on/,
    )
  })
  it('one shelf alone is laid from above, last', () => {
    const one = read({ edge: 'round-posts', shelves: 1, bays: 1, depthMm: 500, floorBay: false })
    const at = (id: string) => one.steps.findIndex((s) => s.id === id)
    expect(at('sheets')).toBeGreaterThan(at('posts'))
  })
})

describe('a shallow one on posts', () => {
  const boxes = { item: crateOf([400, 300, 280], 9, { count: 8 }), count: 8 }
  const shallow = { ...startingParams('imperial'), depthMm: 300 }
  const r = readParams(ledgerShelf, shallow, exampleContext('imperial', [boxes], 2500))
  const { assembly, goods } = { assembly: r.shaped.assembly, goods: new Map() }
  const context = {
    ...{ assembly, goods, parts: partsById(assembly), boxes: r.boxes, rooms: r.rooms },
    ...{ settings: exampleContext('imperial', []).settings, method: METHODS.asd, design: r.design, service: r.service },
  } as never as CheckContext
  const joint = (besideMm: number) =>
    joints
      .run({ ...context, design: { ...r.design, besideMm } })
      .find((c) => c.parts.some((id) => id.startsWith('rail')) && c.parts.some((id) => id.startsWith('post')))!
  it('is proven: what turns its rail goes into the posts, and posts and screws are judged with it', () => {
    // A rail bears on its inner face and is held by its outer one: 38 mm and half a post beside the middle of its feet.
    expect(r.service.besideMm).toBeGreaterThan(0.05 * r.boxes.get('post-0')!.max[1])
    expect(checkOf(r, 'equilibrium:build').state).toBe('holds')
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
  })
  it('by hand: each newton a rail hands to its post pulls its screws with 38 / (2/3 · 89)', () => {
    const [bare, turned] = [joint(0), joint(r.service.besideMm)]
    const j = assembly.joints.find((x) => x.near === turned.parts[0] && x.far === turned.parts[1])!
    const pull = jointGives(j, 1, context.parts, context.boxes, context)!
    expectNear(turned.demand! / bare.demand!, 1 + ((38.1 / ((2 / 3) * 88.9)) * turned.capacity!) / pull, 1e-6)
  })
  it('small things stand on one that is deep enough for its frame', () => {
    const jar = { item: crateOf([90, 90, 140], 0.8, { count: 12 }), count: 12 }
    const small = read({ depthMm: null }, ctx({}, [jar]))
    expect(small.shaped.dims.find((d) => d.path === 'depthMm')!.value).toBeGreaterThanOrEqual(126)
    expect(small.verdict).toMatchObject({ fails: 0, unknown: 0 })
  })
})

describe('how deep it is begun', () => {
  it('a strip of the sheet where the deepest thing stands on it, whatever its posts take of the room before it', () => {
    const deep = (mm: number) => ({ item: crateOf([600, mm, 400], 12), count: 4 })
    const begun = (mm: number) =>
      readParams(ledgerShelf, startingParams('imperial'), exampleContext('imperial', [deep(mm)])).shaped.dims.find(
        (d) => d.path === 'depthMm',
      )!
    // Half of a sheet four feet wide less a kerf: two foot deep things stand a sixteenth of an inch out.
    const half = begun(609.6)
    expect(half.why.code).toBe('economical-rip')
    expect(2 * half.value).toBeLessThanOrEqual(1219.2 - 3)
    expectNear(half.value, 1219.2 / 2, 4e-3)
    expect(begun(660).why.code).toBe('depth-deepest')
  })
})

describe('a ledger shelf for what is wider than half a sheet', () => {
  const wide = (acrossMm: number) => ({ item: crateOf([acrossMm, 400, 300], 8, { id: `w${acrossMm}` }), count: 1 })
  it('has its posts as far apart as that wants, and holds', () => {
    const r = readParams(ledgerShelf, startingParams('metric'), exampleContext('metric', [wide(1400)]))
    const apart = r.shaped.dims.find((d) => d.path === 'apartMm')!
    expect(apart.why.code).toBe('ledger-posts-wide')
    expectNear(apart.value, 1400 + 2 * 13 + 89, 2e-3)
    expect(r.shaped.unhoused).toEqual([])
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
  })
  it('so where something narrower goes there too, unless it is much wider', () => {
    const both = (mm: number) =>
      readParams(ledgerShelf, startingParams('metric'), exampleContext('metric', [wide(mm), wide(600)]))
    expect(both(1400).shaped.unhoused).toEqual([])
    expect(both(1400).verdict).toMatchObject({ fails: 0, unknown: 0 })
    expect(both(1600).shaped.dims.find((d) => d.path === 'apartMm')!.why.code).toBe('posts-half-sheet')
    expect(both(1600).shaped.unhoused).toMatchObject([{ goodsId: 'w1600', count: 1 }])
  })
  it('what stands on the floor has its place however wide, whatever else goes on the shelf', () => {
    const mower = { item: crateOf([1500, 550, 1000], 40, { id: 'mower', kind: 'equipment' }), count: 1 }
    const r = readParams(ledgerShelf, startingParams('metric'), exampleContext('metric', [mower, wide(600)]))
    expect(r.shaped.unhoused).toEqual([])
    expectNear(r.shaped.dims.find((d) => d.path === 'apartMm')!.value, 1500 + 2 * 13 + 89, 2e-3)
    const floor = r.shaped.assembly.bays.flatMap((b) => b.items).find((i) => i.goodsId === 'mower')!
    expect(floor.box.min[2]).toBe(0)
  })
})
