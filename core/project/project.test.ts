import { expectSame } from '../../test-support/near.ts'
import { describe, expect, it } from '@jest/globals'
import { withRack } from '../../test-support/one-build.ts'
import { readFileSync, readdirSync } from 'node:fs'
import { z } from '../measure/schema.ts'
import { sayIn } from '../wording/say.ts'
import { sayProblem } from '../wording/problems.ts'
import { METRIC } from '../measure/units.ts'
import { planCuts } from '../takeoff/cut-plan.ts'
import { boardJobs, sheetJobs, stripsOf } from '../takeoff/instances.ts'
import { purchases } from '../takeoff/purchases.ts'
import { verifyBoards, verifySheets } from '../cutting/verify.ts'
import { planBoardsGreedy } from '../cutting/boards-greedy.ts'
import { planSheetsGreedy } from '../cutting/sheets-greedy.ts'
import { readProject, writeProject } from './file.ts'
import { cutKey } from './plan.ts'
import { planFile, planProject } from './plan-file.ts'
import { PROJECT_VERSION, projectSchema, type Project } from './project.ts'
import { NO_WISHES } from './wishes.ts'
import { priceBook, readBuild, readingsOf } from './read-build.ts'
import { readBuilds, type KeptReadings } from './read-builds.ts'
import { compare } from './compare.ts'
import { remedies } from './remedies.ts'
import { safeLoads } from './safe-load.ts'
import { savings } from './savings.ts'
import { readRoom, writeRoom } from './room-file.ts'
import { newFeature } from '../room/features.ts'
import { closing, cornerReadings } from '../room/outline.ts'
import { degrees } from '../measure/angle.ts'
import { sayCheck } from '../wording/checks.ts'

const demos = readdirSync('demo').filter((f) => f.endsWith('.tackloft.json'))
const load = (file: string): Project => {
  const r = readProject(readFileSync(`demo/${file}`, 'utf8'))
  if (!r.ok) throw new Error(JSON.stringify(r.problems))
  return r.project
}
describe.each(demos)('demo %s', (file) => {
  const p = load(file)
  const kept: KeptReadings = new Map()
  it('is whole: everything kept that a build holds has its place, and all of it holds', () => {
    const outcomes = readBuilds(p, kept)
    for (const r of readingsOf(outcomes)) {
      expect(r.shaped.unhoused).toEqual([])
      expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
    }
    expect(outcomes.every((o) => o.ok)).toBe(true)
  })
  it('plans to a file that keeps its own schema', () => {
    const plan = planProject(p)
    expectSame(planFile.parse(JSON.parse(JSON.stringify(plan))), plan)
    expect(plan.totalMinor).toBe(plan.purchases.reduce((n, l) => n + (l.totalMinor ?? 0), 0))
  })
  it('is cut by plans that the verifier passes', () => {
    const lines = readingsOf(readBuilds(p, kept)).flatMap((r) => r.pieces)
    for (const job of boardJobs(lines, p.settings, priceBook(p))) {
      const r = planBoardsGreedy(job.instance)
      expect(r.ok && verifyBoards(job.instance, r.plan)).toEqual([])
    }
    for (const job of sheetJobs(lines, p.settings, priceBook(p))) {
      const r = planSheetsGreedy(job.instance)
      expect(r.ok && verifySheets(job.instance, r.plan)).toEqual([])
    }
  })
})

describe('project file', () => {
  it('comes back exactly', () =>
    expect(readProject(writeProject(load(demos[0])))).toMatchObject({
      ok: true,
      project: load(demos[0]),
      migratedFrom: null,
    }))
  const codes = (text: string) => {
    const r = readProject(text)
    return r.ok ? [] : r.problems.map((x) => `${x.code} ${x.field ?? ''}`.trim())
  }
  const spoil = (change: (p: Record<string, never>) => void) => {
    const p = JSON.parse(writeProject(load(demos[0])))
    change(p)
    return codes(JSON.stringify(p))
  }
  it.each([
    ['', 'file-not-json'],
    ['{', 'file-not-json'],
    ['[]', 'file-not-project'],
    ['null', 'file-not-project'],
    ['{"format":"other"}', 'file-not-project'],
    ['{"format":"tackloft"}', 'file-field version'],
    ['{"format":"tackloft","version":99}', 'file-newer version'],
  ])('refuses %p', (text, code) => expect(codes(text)).toEqual([code]))
  it('explains a damaged one field by field', () => {
    expect(spoil((p) => ((p as unknown as Project).goods[2].acrossMm = -5))).toEqual(['file-field goods.2.acrossMm'])
    expect(spoil((p) => ((p as unknown as Project).room.walls[0].construction = { kind: 'glass' } as never))).toEqual([
      'file-field room.walls.0.construction.kind',
    ])
    expect(spoil((p) => delete (p as Record<string, unknown>).settings)).toEqual(['file-field settings'])
    const r = readProject(JSON.stringify({ ...load(demos[0]), name: '' }))
    expect(!r.ok && sayProblem(r.problems[0], sayIn(METRIC))).toMatch(/the file has ""/)
  })
  it('migrates the oldest version', () => {
    const { prices: _p, progress: _g, answered: _a, ...old } = load(demos[0])
    expect(readProject(JSON.stringify({ ...old, version: 0 }))).toMatchObject({
      ok: true,
      migratedFrom: 0,
      project: { version: PROJECT_VERSION, progress: { steps: [] } },
    })
  })
  it('gives tools of a file before they had a table one that is assumed, and others none', () => {
    const p = load(demos[0])
    const goods = p.goods.map(({ tool: _t, ...g }: Record<string, unknown>) => g)
    const r = readProject(JSON.stringify({ ...p, goods, version: 5 }))
    expect(r.ok && r.migratedFrom).toBe(5)
    for (const g of r.ok ? r.project.goods : []) expect(g.tool === null).toBe(g.kind !== 'tool')
  })
  it('wishes nothing and keeps no thing in one way only, of a file before either was asked', () => {
    const { wishes: _w, ...p } = load(demos[0])
    const goods = p.goods.map(({ keptAs: _k, ...g }: Record<string, unknown>) => g)
    const r = readProject(JSON.stringify({ ...p, goods, version: 6 }))
    expect(r.ok && r.migratedFrom).toBe(6)
    if (!r.ok) return
    expect(r.project.wishes).toEqual(NO_WISHES)
    expect(r.project.goods.every((g) => g.keptAs === null)).toBe(true)
  })
  it('knows nothing more of things in a file before that was asked', () => {
    const p = load(demos[0])
    const told = ['inUse', 'care', 'whose', 'time', 'spare', 'leaving']
    const goods = p.goods.map((g: object) => Object.fromEntries(Object.entries(g).filter(([k]) => !told.includes(k))))
    const r = readProject(JSON.stringify({ ...p, goods, version: 7 }))
    expect(r.ok && r.migratedFrom).toBe(7)
    for (const g of r.ok ? r.project.goods : [])
      expect(g).toMatchObject({ inUse: null, care: [], whose: '', time: 'here', spare: 0, leaving: { gone: false } })
  })
  it('piles nothing of a file before that was asked: what was built for it stays as it is', () => {
    const p = load(demos[0])
    const bag = { ...p.goods[0], name: 'bag of soil', kind: 'bag', acrossMm: 400, deepMm: 600, tallMm: 120 }
    const goods = [bag].map(({ pile: _p, ...g }: Record<string, unknown>) => g)
    const r = readProject(JSON.stringify({ ...p, goods, builds: [], version: 8 }))
    expect(r.ok && [r.migratedFrom, r.project.goods.map((g) => g.pile)]).toEqual([8, [1]])
  })
  it('has the schemas in the documentation as they are', () => {
    for (const [name, schema] of [
      ['project', projectSchema],
      ['plan', planFile],
    ] as const)
      expect(JSON.parse(readFileSync(`docs/schema/${name}.schema.json`, 'utf8'))).toEqual(
        JSON.parse(JSON.stringify(z.toJSONSchema(schema, { io: 'input' }))),
      )
  })
})

describe('remedies', () => {
  it('makes an overloaded shelf hold with the first one offered', () => {
    const p = withRack(20, 46, { sheet: 'osb-7/16', crossEveryMm: 1300, depthMm: 600 })
    const r = readBuild(p, p.builds[0])
    if (!r.ok) throw new Error()
    expect(r.reading.verdict.state).toBe('fails')
    const target = r.reading.checks.find((c) => c.check === 'sag' && c.state === 'fails')!
    const [first] = remedies(p, p.builds[0], target.id)
    const after = readBuild(p, first.build)
    expect(after.ok && after.reading.checks.filter((c) => c.check === 'sag' && c.state !== 'holds')).toEqual([])
  })
  it.each([
    ['a fixed opening too narrow', withRack(6, 12, { clearMm: [300] }, 'tote', 'tote-rack'), 'contents-fit'],
    ['nothing against sway', withRack(6, 12, { brace: false, tie: false }, 'tote', 'tote-rack'), 'sway'],
    ['totes without a place', withRack(20, 12, { columns: 2, rows: 2 }, 'tote', 'tote-rack'), 'contents-fit'],
    ['a free-standing tower', withRack(10, 12, { tie: false, columns: 2, rows: 5 }, 'tote', 'tote-rack'), 'tip-over'],
    ['goods beyond all reason', withRack(12, 900, { floorBay: false }), 'bending'],
  ])('finds some for %s', (_name, p, check) => {
    const r = readBuild(p, p.builds[0])
    if (!r.ok) throw new Error(JSON.stringify(r.problem))
    const target = r.reading.checks.find((c) => c.check === check && c.state === 'fails')!
    expect(target).toBeDefined()
    expect(remedies(p, p.builds[0], target.id).length).toBeGreaterThan(0)
  })
  it('finds them for a build that is not the first: the letters of its parts run on, its links keep their names', () => {
    const p = withRack(20, 46, { sheet: 'osb-7/16', crossEveryMm: 1300, depthMm: 600 })
    p.builds.unshift({
      ...withRack(4, 5).builds[0],
      id: 'b0',
      wallId: 'wall-1',
      offsetMm: 5000,
      goods: p.builds[0].goods,
    })
    const [, second] = readingsOf(readBuilds(p))
    expect(second.build.id).toBe('b1')
    const target = second.checks.find((c) => c.state === 'fails' && c.data.letter)!
    expect(remedies(p, second.build, target.id).length).toBeGreaterThan(0)
  })
  it('offers nothing for what nobody has weighed: leaving it out is none', () => {
    const p = withRack(4, 5)
    p.goods = p.goods.map((g) => ({ ...g, massKg: null }))
    const r = readBuild(p, p.builds[0])
    if (!r.ok) throw new Error()
    const open = r.reading.checks.filter((c) => c.code === 'unknown-not-weighed')
    expect(open.length).toBeGreaterThan(0)
    for (const c of open) expect(remedies(p, p.builds[0], c.id)).toEqual([])
  })
  it('offers nothing where nothing is wrong', () => {
    const p = withRack(4, 5)
    expect(remedies(p, p.builds[0], 'sway:build')).toEqual([])
  })
})

describe('the question a kept cut plan answers', () => {
  const boats = load('boats.tackloft.json')
  const pieces = readingsOf(readBuilds(boats)).map((r) => ({ pieces: r.pieces }))
  it('is the same for the same pieces, and another for another saw', () => {
    expect(cutKey(boats, pieces)).toBe(cutKey(load('boats.tackloft.json'), pieces))
    const wide = { ...boats, settings: { ...boats.settings, kerfMm: 4 } }
    expect(cutKey(wide, pieces)).not.toBe(cutKey(boats, pieces))
  })
  it('asks for slanting rips: a plan of the same lengths without them answers another', () => {
    const square = pieces.map((r) => ({
      pieces: r.pieces.map((l) => ({ ...l, machining: l.machining.filter((m) => m.kind !== 'bevel') })),
    }))
    expect(cutKey(boats, square)).not.toBe(cutKey(boats, pieces))
  })
})

describe('take-off', () => {
  it('counts strips ripped from one board, and buys no more boards than they need', () => {
    expect(stripsOf(88.9, 42.8625, 3.175)).toBe(2)
    expect(stripsOf(88.9, 50, 3.175)).toBe(1)
    const p = withRack(12, 12, { railRip: 'half', columns: 3, rows: 4 }, 'tote', 'tote-rack')
    const [r] = readingsOf(readBuilds(p))
    const rails = r.pieces.find((l) => l.role === 'rail')!
    expect([rails.count, rails.ripped]).toEqual([24, true])
    const job = boardJobs(r.pieces, p.settings, priceBook(p)).find((j) => j.key === '2x4')!
    expect(job.instance.parts.find((x) => x.id.endsWith(rails.letter))!.qty).toBe(12)
    const plan = planCuts(r.pieces, p.settings, priceBook(p))
    expect(
      plan.boards.flatMap((b) => b.cuts.filter((c) => c.line.endsWith(`/${rails.letter}`)).flatMap((c) => c.labels))
        .length,
    ).toBe(24)
  })
  it('follows a changed price, and says when there is none', () => {
    const p = withRack(6, 12)
    const lines = readingsOf(readBuilds(p)).flatMap((r) => r.pieces)
    const bill = purchases(planCuts(lines, p.settings, priceBook(p)), [], priceBook(p))
    const key = bill.lines[0].key
    p.prices[key] = bill.lines[0].eachMinor! + 100
    const dearer = purchases(planCuts(lines, p.settings, priceBook(p)), [], priceBook(p))
    expect(dearer.totalMinor).toBeGreaterThanOrEqual(bill.totalMinor)
    expect(
      purchases(
        planCuts(lines, p.settings, priceBook(p)),
        [{ fastener: 'ghost', label: 'g', count: 3, boxes: 1 }],
        priceBook(p),
      ).unpriced,
    ).toBe(1)
  })
})

describe('a room by itself', () => {
  it('goes out and comes in the same, also out of a project file', () => {
    const p = load(demos[0])
    expect(readRoom(writeRoom(p.room))).toEqual({ ok: true, room: p.room })
    expect(readRoom(writeProject(p))).toEqual({ ok: true, room: p.room })
  })
  it('the sample is L-shaped with a corner of 88.7°, and closes', () => {
    const r = readRoom(readFileSync('demo/l-shaped.tackloft-room.json', 'utf8'))
    if (!r.ok) throw new Error(JSON.stringify(r.problems))
    const corners = cornerReadings(r.room).map((c) => degrees(c.rad))
    expect(corners[0]).toBeCloseTo(88.7, 1)
    expect(corners[3]).toBeCloseTo(270, 0)
    expect(closing(r.room)).toMatchObject({ by: 'diagonals', suspect: null })
  })
  it('is refused with the field that is wrong', () => {
    expect(readRoom('{"format":"else"}')).toMatchObject({ ok: false, problems: [{ code: 'file-not-room' }] })
    const bent = JSON.parse(writeRoom(load(demos[0]).room))
    bent.room.walls[0].lengthMm = -4
    expect(readRoom(JSON.stringify(bent))).toMatchObject({
      ok: false,
      problems: [{ code: 'file-field', field: 'room.walls.0.lengthMm' }],
    })
    expect(readRoom(JSON.stringify({ ...bent, version: 99 }))).toMatchObject({
      ok: false,
      problems: [{ code: 'file-newer' }],
    })
  })
})

describe('builds in their room', () => {
  const say = sayIn(METRIC)
  const inRoom = (change: (p: Project) => void) => {
    const p = withRack(8, 10)
    change(p)
    const [o] = readBuilds(p)
    if (!o.ok) throw new Error(JSON.stringify(o.problem))
    return { p, r: o.reading, fails: o.reading.checks.filter((c) => c.state === 'fails') }
  }
  it('a tank in its place is named with place, amount and the smallest move, and that move is the first remedy', () => {
    const { p, r, fails } = inRoom((x) => {
      x.room.features = [
        newFeature({ id: 'heater', kind: 'water-heater', wallId: 'wall-1', atMm: 600, name: 'old tank' }),
      ]
    })
    const hit = fails.find((c) => c.check === 'clearance')!
    expect(sayCheck(hit, say)).toMatch(
      /water heater "old tank" by \d+ mm, at \d+ mm from the left end of North wall.*Moving it \d+ mm to the right clears it/,
    )
    const [first] = remedies(p, p.builds[0], hit.id)
    expect(first.changes[0].code).toBe('move')
    const after = readBuilds({ ...p, builds: [first.build] })[0]
    expect(after.ok && after.reading.checks.filter((c) => c.check === 'clearance' && c.state === 'fails')).toEqual([])
    expect(r.verdict.state).toBe('fails')
  })
  it('two builds in one place meet; side by side they do not', () => {
    const two = (offsetMm: number) =>
      inRoom((x) => {
        x.builds[0].params = { ...x.builds[0].params, lengthMm: 2432 }
        x.builds.push({ ...x.builds[0], id: 'b2', name: 'Second', offsetMm })
      }).fails.filter((c) => c.check === 'clearance').length
    expect(two(1000)).toBe(1)
    expect(two(3000)).toBe(0)
  })
  it('totes need the way out: a car in front of them is in it', () => {
    const p = withRack(4, 10, {}, 'tote', 'tote-rack')
    p.room.features = [
      newFeature({
        id: 'car',
        kind: 'car',
        wallId: 'wall-1',
        atMm: 0,
        outMm: 1400,
        wideMm: 1800,
        deepMm: 3000,
        clear: { leftMm: 0, rightMm: 0, frontMm: 0, aboveMm: 0, belowMm: 0 },
      }),
    ]
    const [o] = readBuilds(p)
    expect(o.ok && o.reading.checks.filter((c) => c.code === 'meets-way-out').length).toBe(1)
  })
  it('away from its wall nothing is tied to it, and a thin wall says so', () => {
    const away = inRoom((x) => (x.builds[0].outMm = 600)).r
    expect(away.shaped.assembly.anchors).toEqual([])
    expect(away.checks.find((c) => c.check === 'fixing')).toMatchObject({
      code: 'away-from-wall',
      state: 'not-applicable',
    })
    const thin = inRoom((x) => (x.room.walls[0].construction = { kind: 'thin' })).r
    expect(thin.checks.find((c) => c.check === 'fixing')).toMatchObject({ code: 'thin-wall' })
  })
  it('on a sloping slab legs differ, and heights are kept from the level line', () => {
    const { r } = inRoom((x) => {
      const points = [
        [0, 100],
        [6000, 100],
        [0, 1000],
        [6000, 1000],
      ].map(([atMm, outMm]) => ({ wallId: 'wall-1', atMm, outMm, downMm: 1000 + 0.01 * atMm }))
      x.room = { ...x.room, floor: { kind: 'slab', points } }
    })
    const posts = r.shaped.assembly.parts.filter((x) => x.role === 'post').map((x) => x.size.lengthMm)
    expect(Math.max(...posts) - Math.min(...posts)).toBeGreaterThan(9)
    const tops = r.shaped.assembly.parts.filter((x) => x.role === 'shelf').map((x) => x.at.centre[2])
    expect(new Set(tops.map((z) => Math.round(z))).size).toBe(r.shaped.assembly.stick.length)
  })
  it('a heavy thing high up and a daily one out of reach are said', () => {
    const { r } = inRoom((x) => {
      x.goods[0] = { ...x.goods[0], massKg: 30 }
      x.builds[0].params = { ...x.builds[0].params, topMm: [1600] }
    })
    expect(r.checks.find((c) => c.code === 'heavy-over-shoulder')).toMatchObject({ state: 'fails' })
  })
})

describe('what a build could do', () => {
  it('a fibreboard shelf is cured by what really cures it: an edge strip alone leaves the other edge soft', () => {
    const p = withRack(12, 9, { sheet: 'mdf-3/4', clearMm: 914.4, bays: 1, depthMm: 285.75 }, 'pail', 'shelf-unit')
    const [o] = readBuilds(p)
    const sag = o.ok ? o.reading.checks.find((c) => c.check === 'sag' && c.state === 'fails') : undefined
    const found = remedies(p, p.builds[0], sag!.id)
    expect(found.length).toBeGreaterThan(0)
    for (const r of found) {
      const [after] = readBuilds({ ...p, builds: [r.build] })
      expect(after.ok && after.reading.checks.find((c) => c.id === sag!.id)?.state).not.toBe('fails')
    }
  })
  it('fibreboard in an unheated garage is not proven, whatever it carries; another sheet, or a heated room, answers it', () => {
    const p = withRack(4, 2, { sheet: 'mdf-3/4' }, 'pail', 'shelf-unit')
    const look = (x: typeof p) => {
      const r = readBuild(x, x.builds[0])
      if (!r.ok) throw new Error()
      return r.reading
    }
    expect(p.settings.moisture).toBe('unheated')
    const damp = look(p).checks.find((c) => c.check === 'damp')!
    expect(damp).toMatchObject({ state: 'unknown', code: 'unknown-damp' })
    expect(look(p).verdict.state).not.toBe('holds')
    for (const l of safeLoads(p, look(p))) expect([l.spreadKg, l.singleKg, l.by]).toEqual([0, 0, 'damp'])
    expect(remedies(p, p.builds[0], damp.id).some((r) => r.changes.some((c) => c.code === 'sheet'))).toBe(true)
    const heated = { ...p, settings: { ...p.settings, moisture: 'dry' as const } }
    expect(look(heated).checks.some((c) => c.check === 'damp')).toBe(false)
    expect(look(heated).verdict.unknown).toBe(0)
    expect(
      look(withRack(4, 2, { sheet: 'ply-23/32' }, 'pail', 'shelf-unit')).checks.some((c) => c.check === 'damp'),
    ).toBe(false)
  })
  it('its safe load is more than it carries, and less in one place than spread out', () => {
    const p = withRack(6, 10)
    const r = readBuild(p, p.builds[0])
    if (!r.ok) throw new Error()
    const loads = safeLoads(p, r.reading)
    expect(loads.length).toBe(r.reading.shaped.assembly.stick.length)
    for (const l of loads) {
      expect(l.spreadKg).toBeGreaterThan(60)
      expect(l.singleKg).toBeLessThanOrEqual(l.spreadKg)
    }
  })
  it('what is stronger than it need be can be cheaper, and still holds', () => {
    const p = withRack(8, 4, { sheet: 'ply-23/32', railSection: '2x6' })
    const found = savings(p, p.builds[0])
    expect(found.length).toBeGreaterThan(0)
    for (const s of found) {
      expect(s.deltaMinor).toBeLessThan(0)
      const r = readBuild(p, s.build)
      expect(r.ok && r.reading.verdict.fails + r.reading.verdict.unknown).toBe(0)
    }
  })
  it('variants stand side by side: the stiffer sheet sags less', () => {
    const p = withRack(8, 10)
    const rows = compare(p, p.builds[0], 'sheet', ['osb-7/16', 'ply-23/32', 'no-such-sheet'])
    expect(rows.map((r) => r.option)).toEqual(['osb-7/16', 'ply-23/32'])
    expect(rows[1].sagMm!).toBeLessThan(rows[0].sagMm!)
    expect(rows.map((r) => r.now)).toEqual([false, true])
    // A rack of the same measures has the same room in it, and takes as many sheets.
    expect(new Set(rows.map((r) => `${r.sheets} ${r.openMm}`)).size).toBe(1)
    expect(rows[0].sheets).toBeGreaterThan(0)
  })
})
