import { describe, expect, it } from '@jest/globals'
import { readFileSync } from 'node:fs'
import { startingSettings, type Settings } from '../assembly/settings.ts'
import { readProject } from '../project/file.ts'
import { procureProject } from '../project/plan.ts'
import type { Project } from '../project/project.ts'
import { priceBook, readingsOf } from '../project/read-build.ts'
import { readBuilds } from '../project/read-builds.ts'
import { BOARD_LENGTHS } from '../catalogue/lumber.ts'
import { boardKey, type PriceLine } from '../catalogue/prices.ts'
import { isSawn, labelsOf } from '../assembly/identical.ts'
import { planCuts } from './cut-plan.ts'
import type { PieceLine } from './pieces.ts'
import { boardCuts, wholeBoard } from './board-cuts.ts'
import { batched, madeCuts } from './cut-order.ts'
import { sheetCuts, wholeSheet } from './sheet-cuts.ts'
import { soundStretches, type OnHandPiece } from './on-hand.ts'
import { purchases } from './purchases.ts'
import { leftovers, replan, replanDifference, stillFits, type Mishap } from './replan.ts'
import { sawWork } from './saw-work.ts'
import type { BoardLaid, Sawing, SheetLaid } from './sawing.ts'
import { surfaceM2, sundryLines } from './sundries.ts'
import { carriage } from './carriage.ts'
import { yardBoardCuts, yardSheetCuts } from './yard-cuts.ts'

const demo = (name: string): Project => {
  const r = readProject(readFileSync(`demo/${name}.tackloft.json`, 'utf8'))
  if (!r.ok) throw new Error(JSON.stringify(r.problems))
  return r.project
}
const settings: Settings = { ...startingSettings('metric'), kerfMm: 3, squaringTrimMm: 6, sheetTrimMm: 0 }
const sheet = (cuts: [string, number, number, number, number][], over: Partial<SheetLaid> = {}): SheetLaid => ({
  id: 's',
  stockKey: 'sheet:ply-18mm',
  sheet: 'ply-18mm',
  lengthMm: 2440,
  widthMm: 1220,
  usedShare: 1,
  handId: null,
  cuts: cuts.map(([label, xMm, yMm, wMm, hMm]) => ({ line: `b/${label[0]}`, label, xMm, yMm, wMm, hMm })),
  ...over,
})
const board = (lengths: [string, number][], over: Partial<BoardLaid> = {}): BoardLaid => {
  let at = 6
  const cuts = lengths.map(([label, lengthMm]) => {
    const c = { line: `b/${label[0]}`, labels: [label], lengthMm, atMm: at, ripMm: null }
    at += lengthMm + 3
    return c
  })
  return {
    id: 'b',
    stockKey: 'board:38x89mm:2400',
    section: '38x89mm',
    treated: false,
    lengthMm: 2400,
    cuts,
    leftoverMm: Math.max(0, 2400 - at),
    handId: null,
    fromMm: 0,
    ...over,
  }
}

describe('the order of cuts', () => {
  it.each(['beekeeper', 'potter'])(
    'of the %s: every piece is freed once, numbers run through, one setting in one go',
    (name) => {
      const p = demo(name)
      const { cutPlan } = procureProject(p, readingsOf(readBuilds(p)))
      const work = sawWork(cutPlan, p.settings)
      const all = [...work.yard, ...work.home].flatMap((b) => b.cuts)
      expect(all.map((c) => c.n)).toEqual(all.map((_, i) => i + 1))
      expect(new Set(all.map((c) => c.key)).size).toBe(all.length)
      for (const b of [...work.yard, ...work.home])
        for (const c of b.cuts) expect(c.settingMm).toBeCloseTo(b.settingMm, 1)
      const freed = all.flatMap((c) => c.frees)
      expect(new Set(freed).size).toBe(freed.length)
      // What no cut frees is a board or a sheet as it is bought, or what is left when the yard has cut the rest off.
      const on = [
        ...cutPlan.boards.map((b) => ({ id: b.id, labels: b.cuts.flatMap((c) => c.labels) })),
        ...cutPlan.sheets.map((s) => ({ id: s.id, labels: s.cuts.map((c) => c.label) })),
      ]
      for (const { id, labels } of on) {
        const open = labels.filter((l) => !freed.includes(l))
        const uncut = !all.some((c) => c.on === id)
        if (open.length > 0) expect(uncut || work.yard.some((b) => b.cuts.some((c) => c.on === id))).toBe(true)
      }
      expect(work.settings).toBeLessThanOrEqual(work.home.length)
    },
  )
  it('breaks a sheet down by its long cuts first, then across, and says what stays in the hand', () => {
    const s = sheet([
      ['A1', 0, 0, 1200, 600],
      ['A2', 1203, 0, 1200, 600],
      ['B1', 0, 603, 2440, 400],
    ])
    const cuts = batched(sheetCuts(s, wholeSheet(s), settings)).flatMap((b) => b.cuts)
    expect(cuts.map((c) => [c.kind, c.settingMm, c.frees, c.leavesMm])).toEqual([
      ['rip', 600, [], 617],
      ['rip', 400, ['B1'], 214],
      ['crosscut', 1200, ['A1'], 1237],
      ['crosscut', 1200, ['A2'], 34],
    ])
  })
  it('frees two with the cut that parts the last two', () => {
    const s = sheet([
      ['A1', 0, 0, 1218.5, 1220],
      ['A2', 1221.5, 0, 1218.5, 1220],
    ])
    const [c] = sheetCuts(s, wholeSheet(s), settings)
    expect(c.frees).toEqual(['A1', 'A2'])
    expect(sheetCuts(s, wholeSheet(s), settings)).toHaveLength(1)
  })
  it('cuts boards stop by stop, squared first, the longest first', () => {
    const boards = [
      board(
        [
          ['A1', 1000],
          ['B1', 700],
        ],
        { id: 'x' },
      ),
      board(
        [
          ['A2', 1000],
          ['A3', 1000],
        ],
        { id: 'y' },
      ),
    ]
    const batches = batched(boards.flatMap((b) => boardCuts(b, wholeBoard(b), settings)))
    expect(batches.map((b) => [b.kind, b.settingMm, b.cuts.map((c) => `${c.on}:${c.frees.join('+')}`)])).toEqual([
      ['square', 6, ['x:', 'y:']],
      ['crosscut', 1000, ['x:A1', 'y:A2', 'y:A3']],
      ['crosscut', 700, ['x:B1']],
    ])
  })
  it('needs no cut for a piece that uses the board up', () => {
    const b = board([
      ['A1', 1000],
      ['A2', 1388],
    ])
    // A plan once begun is frozen: nothing may be written into it.
    for (const c of b.cuts) Object.freeze(c.labels)
    const cuts = batched(boardCuts(b, { fromMm: 0, toMm: 6 + 1000 + 3 + 1388, cuts: b.cuts }, settings)).flatMap(
      (x) => x.cuts,
    )
    expect(cuts.filter((c) => c.kind === 'crosscut').map((c) => c.frees)).toEqual([['A1', 'A2']])
  })
  it('says when two people, a push stick or support are wanted', () => {
    const s = sheet([
      ['A1', 0, 0, 2440, 100],
      ['B1', 0, 103, 2440, 1117],
    ])
    const [c] = sheetCuts(s, wholeSheet(s), settings)
    expect(c.care).toEqual(['two-people', 'outfeed', 'push-stick'])
  })
  it('a cut is made when what it frees is cut, when it was ticked itself, or when one after it is', () => {
    const s = sheet([
      ['A1', 0, 0, 1200, 600],
      ['A2', 1203, 0, 1200, 600],
      ['B1', 0, 603, 2440, 400],
    ])
    const batches = batched(sheetCuts(s, wholeSheet(s), settings))
    const [rip, narrow, first] = batches.flatMap((b) => b.cuts.map((c) => c.key))
    const made = (...done: string[]) => [...madeCuts(batches, new Set(done))].sort()
    expect(made()).toEqual([])
    expect(made(rip)).toEqual([rip])
    expect(made('A1')).toEqual([rip, first].sort())
    expect(made('A2', 'B1')).toEqual(batches.flatMap((b) => b.cuts.map((c) => c.key)).sort())
    expect(made('B1')).toEqual([rip, narrow].sort())
  })
})

describe('cuts at the yard', () => {
  const rules = (over: Partial<Settings['yardCuts']> = {}, carriage: Partial<Settings['carriage']> = {}): Settings => ({
    ...settings,
    onePersonKg: 60,
    yardCuts: { use: true, freeCuts: 2, smallestStripMm: 300, toleranceMm: 2, ...over },
    carriage: { longestMm: 2500, widestMm: 1000, mostKg: 300, ...carriage },
  })
  const strips = sheet([
    ['A1', 0, 0, 2440, 400],
    ['A2', 0, 403, 2440, 400],
    ['A3', 0, 806, 2440, 400],
  ])
  it('are as few as bring everything into the vehicle: one rip for a sheet that is too wide', () => {
    const y = yardSheetCuts(strips, rules())
    expect(y.cuts).toHaveLength(1)
    for (const c of y.cuts) expect([400, 803]).toContain(Math.round(c.settingMm))
    for (const l of y.carried) expect(Math.min(l.lengthMm, l.widthMm)).toBeLessThanOrEqual(1000)
  })
  it('are two when each strip must be carried alone', () => {
    const { cuts } = yardSheetCuts(strips, { ...rules(), onePersonKg: 12 })
    // Each set from the edge the cut before it left: never from what is gone.
    expect(cuts.map((c) => [c.settingMm, c.inHand.widthMm, c.frees])).toEqual([
      [400, 1220, ['A1']],
      [400, 817, ['A2']],
    ])
  })
  it('none where it goes in as it is, and none when the yard is not asked', () => {
    expect(yardSheetCuts(strips, rules({}, { widestMm: 1300 })).cuts).toEqual([])
    expect(yardSheetCuts(strips, rules({ use: false })).stuck).toBe(true)
  })
  it('never a strip narrower than the yard cuts', () => {
    const narrow = sheet([
      ['A1', 0, 0, 2440, 250],
      ['A2', 0, 253, 2440, 250],
      ['A3', 0, 506, 2440, 250],
      ['A4', 0, 759, 2440, 250],
    ])
    for (const c of yardSheetCuts(narrow, rules()).cuts)
      expect(Math.min(c.settingMm, c.leavesMm)).toBeGreaterThanOrEqual(300 - 1e-6)
  })
  it('leaves room to trim where there is some, and says to measure where there is none', () => {
    const one = sheet([['A1', 0, 0, 2440, 800]])
    const y = yardSheetCuts(one, rules())
    expect(y.cuts.map((c) => [c.settingMm, c.care])).toEqual([[802, ['trim-later']]])
    // Trimmed at home: the cut to its line is still on the list there.
    const [load] = y.loads
    expect(sheetCuts(one, load, settings, load.after).map((c) => [c.kind, c.settingMm, c.frees, c.leavesMm])).toEqual([
      ['rip', 800, ['A1'], 0],
    ])
    expect(yardSheetCuts(strips, rules()).cuts[0].care).toEqual(['measure-there'])
  })
  it('a board longer than the vehicle is cut between two pieces', () => {
    const b = board([
      ['A1', 1000],
      ['A2', 1000],
    ])
    expect(yardBoardCuts(b, rules({}, { longestMm: 1500 })).cuts.map((c) => Math.round(c.settingMm))).toEqual([1008])
    expect(yardBoardCuts(b, rules({}, { longestMm: 900 })).stuck).toBe(true)
    expect(yardBoardCuts(b, rules()).cuts).toEqual([])
  })
  it('is not asked to cut what is on hand at home', () => {
    const work = sawWork({ boards: [], sheets: [{ ...strips, handId: 'h-1' }] }, rules())
    expect(work.yardCuts).toBe(0)
  })
})

describe('when something goes wrong', () => {
  const p = demo('beekeeper')
  const readings = readingsOf(readBuilds(p))
  const lines = readings.flatMap((r) => r.pieces)
  const { cutPlan } = procureProject(p, readings)
  const begun: Sawing = { boards: cutPlan.boards, sheets: cutPlan.sheets, lost: [] }
  const again = (done: string[], mishap: Mishap | null, onHand: OnHandPiece[] = []) =>
    replan(begun, new Set(done), mishap, lines, p.settings, priceBook(p), onHand)
  const labels = (s: Pick<Sawing, 'boards' | 'sheets'>) => [
    ...s.boards.flatMap((b) => b.cuts.flatMap((c) => c.labels)),
    ...s.sheets.flatMap((x) => x.cuts.map((c) => c.label)),
  ]
  const wanted = lines
    .filter((l) => isSawn(l.stock))
    .flatMap(labelsOf)
    .sort()
  const book = new Map(priceBook(p).map((l) => [l.key, l]))
  const at = '2026-01-01T00:00:00.000Z'

  it('nothing done and nothing lost: every piece is there once, nothing more is bought', () => {
    const r = again([], null)
    expect(labels(r.sawing).sort()).toEqual(wanted)
    expect(replanDifference(begun, r.sawing, book).buy).toEqual([])
  })
  it.each(['miscut', 'bad-wood'] as const)(
    '%s: what is cut stays where it was cut, every piece is there once, boards keep their length',
    (why) => {
      const b = begun.boards.find((x) => x.cuts.length > 1)!
      const [first, second] = b.cuts
      const r = again(first.labels, { label: second.labels[0], why, at })
      expect(r.cannot).toEqual([])
      expect(labels(r.sawing).sort()).toEqual(wanted)
      const kept = r.sawing.boards.find((x) => x.id === b.id)!
      expect(kept.cuts).toEqual([first])
      for (const x of r.sawing.boards) {
        const used = x.cuts.reduce((n, c) => n + c.lengthMm, 0)
        expect(used).toBeLessThanOrEqual(x.lengthMm + 1e-6)
      }
      // Pieces cut from what is left of it lie within what is left.
      const rest = r.sawing.boards.filter((x) => x.handId?.startsWith(`rest:${b.id}`))
      for (const x of rest) expect(x.lengthMm).toBeLessThanOrEqual(b.lengthMm - second.atMm - second.lengthMm + 1e-6)
      if (why === 'bad-wood') expect(rest).toEqual([])
      expect(r.sawing.lost).toEqual([{ label: second.labels[0], why, at }])
    },
  )
  it('a spoilt piece of sheet is cut from what is left of sheets, or from a new one; the others stay', () => {
    const s = begun.sheets[0]
    const r = again([], { label: s.cuts[0].label, why: 'miscut', at })
    expect(labels(r.sawing).sort()).toEqual(wanted)
    expect(r.sawing.sheets.find((x) => x.id === s.id)!.cuts.map((c) => c.label)).toEqual(
      s.cuts.slice(1).map((c) => c.label),
    )
  })
  it('leaves stock of other kinds as it was', () => {
    const s = begun.sheets[0]
    const r = again([], { label: s.cuts[0].label, why: 'miscut', at })
    expect(r.sawing.boards).toEqual(begun.boards)
    expect(replanDifference(begun, r.sawing, book).moved).toContain(s.cuts[0].label)
  })
  it('losing many boards asks for more of them, and says which', () => {
    let state = begun
    for (const b of begun.boards.filter((x) => x.section === '2x4').slice(0, 12)) {
      const l = b.cuts[0].labels[0]
      state = replan(state, new Set(), { label: l, why: 'bad-wood', at }, lines, p.settings, priceBook(p), []).sawing
    }
    const d = replanDifference(begun, state, book)
    expect(d.buy.length).toBeGreaterThan(0)
    const ids = [...state.boards, ...state.sheets].map((x) => x.id)
    expect(new Set(ids).size).toBe(ids.length)
    const twice = replan(
      replan(state, new Set(), null, lines, p.settings, priceBook(p), []).sawing,
      new Set(),
      null,
      lines,
      p.settings,
      priceBook(p),
      [],
    ).sawing
    expect(new Set(twice.boards.map((x) => x.id)).size).toBe(twice.boards.length)
    expect(d.buy.every((x) => x.count > 0 && x.label !== x.key)).toBe(true)
    expect(labels(state).sort()).toEqual(wanted)
  })
  it('knows when the builds no longer ask for what is being cut', () => {
    expect(stillFits(begun, lines)).toBe(true)
    expect(stillFits(begun, lines.slice(1))).toBe(false)
    expect(
      stillFits(
        begun,
        lines.map((l, i) => (i === 0 ? { ...l, cut: { ...l.cut, lengthMm: l.cut.lengthMm + 5 } } : l)),
      ),
    ).toBe(false)
  })
})

describe('stock on hand', () => {
  const p = demo('beekeeper')
  const readings = readingsOf(readBuilds(p))
  it('is used first and costs nothing', () => {
    const onHand: OnHandPiece[] = [
      { id: 'h-1', kind: 'board', section: '2x4', treated: false, lengthMm: 3657.6, note: '', defects: [] },
      { id: 'h-2', kind: 'sheet', sheet: 'ply-23/32', lengthMm: 2438.4, widthMm: 1219.2, note: '' },
    ]
    const [before, after] = [procureProject(p, readings), procureProject({ ...p, onHand }, readings)]
    expect(after.bill.totalMinor).toBeLessThan(before.bill.totalMinor)
    expect(
      [...after.cutPlan.boards, ...after.cutPlan.sheets]
        .filter((x) => x.handId !== null)
        .map((x) => x.handId)
        .sort(),
    ).toEqual(['h-1', 'h-2'])
  })
  it('no piece lies over a bad place', () => {
    const defects = [
      { fromMm: 900, toMm: 1000 },
      { fromMm: 2000, toMm: 2050 },
    ]
    const piece: OnHandPiece = {
      id: 'h-1',
      kind: 'board',
      section: '2x4',
      treated: false,
      lengthMm: 3657.6,
      note: '',
      defects,
    }
    expect(soundStretches(piece)).toEqual([
      { fromMm: 0, toMm: 900 },
      { fromMm: 1000, toMm: 2000 },
      { fromMm: 2050, toMm: 3657.6 },
    ])
    const { cutPlan } = procureProject({ ...p, onHand: [piece] }, readings)
    const mine = cutPlan.boards.filter((b) => b.handId === 'h-1')
    expect(mine.length).toBeGreaterThan(0)
    for (const b of mine)
      for (const c of b.cuts)
        for (const d of defects)
          expect(b.fromMm + c.atMm + c.lengthMm <= d.fromMm + 1e-6 || b.fromMm + c.atMm >= d.toMm - 1e-6).toBe(true)
  })
  it('gets what is worth keeping once all is cut', () => {
    const kept = leftovers(
      {
        boards: [
          board([['A1', 1000]]),
          board([
            ['A1', 1200],
            ['A2', 1100],
          ]),
        ],
        sheets: [sheet([['A1', 0, 0, 2440, 600]])],
      },
      settings,
      { boardMm: 300, sheetMm: 200 },
    )
    expect(kept).toEqual([
      expect.objectContaining({ kind: 'board', section: '38x89mm', lengthMm: 1391 }),
      expect.objectContaining({ kind: 'sheet', lengthMm: 2440, widthMm: 617 }),
    ])
  })
})

describe('narrow sections', () => {
  const line = (letter: string, section: string, lengthMm: number, count: number, widthMm: number): PieceLine => ({
    build: 'b',
    letter,
    numbered: count > 1,
    role: 'rail',
    stock: { kind: 'board', section, grade: 'c16', treated: false },
    grain: 'length',
    lengthMm,
    widthMm,
    thicknessMm: 38,
    cut: { lengthMm, widthMm },
    ripped: false,
    machining: [],
    count,
    massKg: 1,
    parts: [],
  })
  const prices = (narrow: number, wide: number) =>
    BOARD_LENGTHS.metric.flatMap((mm): PriceLine[] => [
      { key: boardKey('38x38mm', mm, false), label: 'narrow', per: 'board', minor: Math.round((narrow * mm) / 1000) },
      { key: boardKey('38x89mm', mm, false), label: 'wide', per: 'board', minor: Math.round((wide * mm) / 1000) },
    ])
  const lines = [line('A', '38x38mm', 1000, 8, 38), line('B', '38x89mm', 1100, 3, 89)]
  it('are ripped out of wider boards where that is cheaper, all pieces still there', () => {
    const cheap = planCuts(lines, settings, prices(300, 350))
    expect(new Set(cheap.boards.map((b) => b.section))).toEqual(new Set(['38x89mm']))
    const strips = cheap.boards.flatMap((b) => b.cuts).filter((c) => c.ripMm !== null)
    expect(strips.flatMap((c) => c.labels).sort()).toEqual(['A1', 'A2', 'A3', 'A4', 'A5', 'A6', 'A7', 'A8'])
    // Two strips of 38 and a kerf out of 89.
    for (const c of strips) expect([c.labels.length, c.ripMm]).toEqual([2, 38])
  })
  it('and bought narrow where it is not', () =>
    expect(new Set(planCuts(lines, settings, prices(150, 350)).boards.map((b) => b.section))).toEqual(
      new Set(['38x38mm', '38x89mm']),
    ))
})

describe('what else is bought', () => {
  const p = demo('beekeeper')
  const readings = readingsOf(readBuilds(p))
  const assemblies = readings.map((r) => r.shaped.assembly)
  it('finish by the surface of every piece, in tins', () => {
    const [a] = assemblies
    const byHand =
      a.parts.reduce(
        (n, x) =>
          n +
          2 *
            (x.size.lengthMm * x.size.widthMm +
              x.size.lengthMm * x.size.thicknessMm +
              x.size.widthMm * x.size.thicknessMm),
        0,
      ) / 1e6
    expect(surfaceM2(a)).toBeCloseTo(byHand, 6)
    const [line] = sundryLines([a], { yard: 'imperial', edgeBanding: false, finish: { coats: 2, coverM2PerL: 10 } })
    expect(line).toMatchObject({ kind: 'finish', count: Math.ceil((2 * byHand * 1.1) / (10 * 0.946)) })
    expect(sundryLines([a], { yard: 'imperial', edgeBanding: false, finish: { coats: 0, coverM2PerL: 10 } })).toEqual(
      [],
    )
  })
  it('banding by the bare front edges of shelves', () => {
    const banded = sundryLines(assemblies, {
      yard: 'imperial',
      edgeBanding: true,
      finish: { coats: 0, coverM2PerL: 10 },
    })
    const shelves = assemblies.flatMap((a) => a.parts.filter((x) => x.role === 'shelf' && x.stock.kind === 'sheet'))
    expect(banded[0]?.amount ?? 0).toBeLessThanOrEqual(shelves.reduce((n, x) => n + x.size.lengthMm, 0) / 1000 + 1e-9)
    expect(banded[0].amount).toBeGreaterThan(0)
  })
  it('what is there already is not paid for, more than needed is not more', () => {
    const plan = { boards: [board([['A1', 500]]), board([['A2', 500]])], sheets: [] }
    const prices = [{ key: 'board:38x89mm:2400', label: '38 x 89, 2.4 m', per: 'board' as const, minor: 500 }]
    expect(purchases(plan, [], prices, [], { 'board:38x89mm:2400': 1 }).lines[0]).toMatchObject({
      count: 2,
      have: 1,
      buy: 1,
      totalMinor: 500,
    })
    expect(purchases(plan, [], prices, [], { 'board:38x89mm:2400': 9 })).toMatchObject({ totalMinor: 0, unpriced: 0 })
    expect(purchases(plan, [], [], [], {})).toMatchObject({ totalMinor: 0, unpriced: 1 })
  })
  it('a plan found before is kept for the same pieces, and all else is counted anew', () => {
    const found = procureProject(p, readings)
    const { boards, ...rest } = found.cutPlan
    // As no planner would leave it, so that it is known again.
    const before = { key: found.key, cutPlan: { ...rest, boards: [...boards].reverse() } }
    const screwed = readings.map((r) => {
      const { assembly } = r.shaped
      const joints = assembly.joints.map((j) => ({
        ...j,
        fasteners: j.fasteners.map((f) => ({ ...f, count: 2 * f.count })),
      }))
      return { ...r, shaped: { ...r.shaped, assembly: { ...assembly, joints } } }
    })
    const again = procureProject(p, screwed, undefined, [{ ...before, key: 'of others' }, before])
    expect(again.cutPlan).toBe(before.cutPlan)
    expect(again.key).toBe(found.key)
    const screws = (r: typeof found) => r.screws.reduce((n, s) => n + s.count, 0)
    const anchors = readings.flatMap((r) => r.shaped.assembly.anchors).filter((x) => x.fastener)
    const inWalls = anchors.reduce((n, x) => n + x.count, 0)
    expect(screws(again) - inWalls).toBe(2 * (screws(found) - inWalls))
    expect(again.bill.totalMinor).toBeGreaterThan(found.bill.totalMinor)
    const dearer = { ...p, settings: { ...p.settings, kerfMm: p.settings.kerfMm + 1 } }
    expect(procureProject(dearer, readings, undefined, [before]).cutPlan).not.toBe(before.cutPlan)
  })
  it('shares of the builds add up to the whole', () => {
    const { perBuild, bill } = procureProject(p, readings)
    expect(perBuild.map((b) => b.build)).toEqual(p.builds.map((b) => b.id))
    expect(Math.abs(perBuild.reduce((n, b) => n + b.minor, 0) - bill.totalMinor)).toBeLessThanOrEqual(perBuild.length)
  })
  it('loads by mass: as many trips as the vehicle needs', () => {
    const { cutPlan } = procureProject(p, readings)
    const { massKg, trips } = carriage(cutPlan, { ...p.settings, carriage: { ...p.settings.carriage, mostKg: 100 } })
    expect(trips).toBe(Math.ceil(massKg / 100))
    expect(carriage({ boards: [], sheets: [] }, p.settings)).toEqual({ massKg: 0, trips: 0 })
  })
})
