import { describe, expect, it } from '@jest/globals'
import { readFileSync, readdirSync } from 'node:fs'
import { play, type PlayedCut, type RawStock } from '../../test-support/saw-player.ts'
import { startingSettings, type Settings } from '../assembly/settings.ts'
import { findSection } from '../catalogue/lumber.ts'
import { planBoardsGreedy } from '../cutting/boards-greedy.ts'
import type { Cut1dInstance, Cut2dInstance } from '../cutting/format.ts'
import { planSheetsGreedy } from '../cutting/sheets-greedy.ts'
import { readProject } from '../project/file.ts'
import { procureProject } from '../project/plan.ts'
import { readingsOf } from '../project/read-build.ts'
import { readBuilds } from '../project/read-builds.ts'
import { METRIC } from '../measure/units.ts'
import { saySetting } from '../wording/cuts.ts'
import { sayIn } from '../wording/say.ts'
import { sawWork, type SawWork } from './saw-work.ts'
import type { BoardLaid, SheetLaid } from './sawing.ts'
import { tidied } from './sheet-cuts.ts'

const inOrder = (w: SawWork): PlayedCut[] => [...w.yard, ...w.home].flatMap((b) => b.cuts)

function rawOf(plan: { boards: BoardLaid[]; sheets: SheetLaid[] }, s: Settings): RawStock[] {
  return [
    ...plan.sheets.map((x): RawStock => ({
      id: x.id,
      w: x.lengthMm,
      h: x.widthMm,
      pieces: x.cuts.map((c) => ({ label: c.label, w: c.wMm, h: c.hMm })),
      fresh: { low: s.sheetTrimMm, high: s.sheetTrimMm, ways: ['x', 'y'] },
    })),
    ...plan.boards.map((b): RawStock => {
      const h = findSection(b.section)!.widthMm
      return {
        id: b.id,
        w: b.lengthMm,
        h,
        t: findSection(b.section)!.thicknessMm,
        pieces: b.cuts.flatMap((c) => c.labels.map((label) => ({ label, w: c.lengthMm, h: c.ripMm ?? h }))),
        fresh: { low: s.squaringTrimMm, high: 0, ways: ['x'] },
      }
    }),
  ]
}
const played = (plan: { boards: BoardLaid[]; sheets: SheetLaid[] }, s: Settings) =>
  play(rawOf(plan, s), inOrder(sawWork(plan, s)), s.kerfMm)

describe('every demo, played', () => {
  const demos = readdirSync('demo').filter((f) => f.endsWith('.tackloft.json'))
  it.each(demos)('%s comes out to size, with and without the yard, trims and a wide saw', (file) => {
    const r = readProject(readFileSync(`demo/${file}`, 'utf8'))
    if (!r.ok) throw new Error(file)
    const readings = readingsOf(readBuilds(r.project))
    for (const use of [true, false])
      for (const [sheetTrimMm, squaringTrimMm, kerfMm] of [
        [r.project.settings.sheetTrimMm, r.project.settings.squaringTrimMm, r.project.settings.kerfMm],
        [0, 0, 3],
        [6, 10, 3.2],
        [2, 1, 4],
      ]) {
        const settings = { ...r.project.settings, sheetTrimMm, squaringTrimMm, kerfMm }
        settings.yardCuts = { ...settings.yardCuts, use }
        const { cutPlan } = procureProject({ ...r.project, settings }, readings)
        expect(played(cutPlan, settings)).toEqual([])
      }
  })
})

describe('two strips by one slanting cut', () => {
  const settings = { ...startingSettings('metric'), kerfMm: 3, squaringTrimMm: 6 }
  const board = (labels: string[], ripMm: number): BoardLaid => ({
    id: 'b',
    stockKey: 's',
    section: '18x144mm',
    treated: false,
    lengthMm: 2400,
    cuts: [{ line: 'l', labels, lengthMm: 1800, atMm: 6, ripMm, slantRad: Math.PI / 4 }],
    leftoverMm: 0,
    handId: null,
    fromMm: 0,
  })
  const work = (b: BoardLaid) => sawWork({ boards: [b], sheets: [] }, settings)
  it('is told with the blade leaning, and both come out as wide as they are', () => {
    const b = board(['A1', 'A2'], 78)
    const all = work(b)
    const [slanted] = all.home.filter((x) => x.tiltRad !== undefined)
    expect(saySetting(slanted, sayIn(METRIC))).toBe('Fence at 78 mm to the long point, blade at 45°: rip')
    expect(slanted.cuts[0].frees).toEqual(['A1', 'A2'])
    expect(played({ boards: [b], sheets: [] }, settings)).toEqual([])
    // 2 × 78 less the 18 both share, and a kerf as wide as it is at 45°: that is ripped off square first.
    const square = all.home.find((x) => x.kind === 'rip' && x.tiltRad === undefined)!
    expect(square.settingMm).toBeCloseTo(2 * 78 - 18 + 3 * Math.SQRT2, 6)
    expect(square.cuts[0].holds).toEqual(['A1', 'A2'])
  })
  it('four strips are two pairs, each parted after it is ripped off', () => {
    const narrow = { ...board(['A1', 'A2', 'A3', 'A4'], 42), section: '18x144mm' }
    expect(played({ boards: [narrow], sheets: [] }, settings)).toEqual([])
  })
  it('one strip alone leaves the other half', () => {
    expect(played({ boards: [board(['A1'], 78)], sheets: [] }, settings)).toEqual([])
  })
  it('a plain rip of the same setting is a setting of its own', () => {
    const plain: BoardLaid = { ...board(['B1'], 78), id: 'c' }
    delete plain.cuts[0].slantRad
    const rips = sawWork({ boards: [board(['A1', 'A2'], 78), plain], sheets: [] }, settings).home
    expect(rips.filter((x) => x.kind === 'rip' && x.settingMm === 78)).toHaveLength(2)
  })
})

/** Numbers that look random and are the same every time. */
function dice(seed: number): (below: number) => number {
  let x = seed * 2654435761 + 1
  return (below) => {
    x = (Math.imul(x, 1664525) + 1013904223) >>> 0
    return x % below
  }
}

/** A made-up job, in tenths of a millimetre: sheets, boards, rips, leftovers. */
function randomPlan(seed: number, s: Settings, maxStages: number | null): { boards: BoardLaid[]; sheets: SheetLaid[] } {
  const roll = dice(seed)
  const pick = <T>(list: readonly T[]) => list[roll(list.length)]
  const tenth = (mm: number) => Math.round(mm * 10)
  const sheets: Cut2dInstance = {
    format: 'cut2d-instance',
    version: 1,
    name: 's',
    unit: '0.1mm',
    kerf: tenth(s.kerfMm),
    trim: tenth(s.sheetTrimMm),
    maxStages,
    parts: Array.from({ length: 3 + roll(8) }, (_, i) => ({
      id: `${i}`,
      // Often what leaves less than a kerf, or nothing, beside two or three of them.
      w: pick([tenth(300 + roll(900)), tenth(1218.5), tenth(811.3), 6000, 24400 - 2 * tenth(s.sheetTrimMm)]),
      h: pick([tenth(60 + roll(500)), tenth(608.5), tenth(404.7), 1000]),
      qty: 1 + roll(5),
      rotate: roll(2) === 0,
    })),
    stock: [
      { id: 'whole', w: 24400, h: 12200, price: 5000, available: null, offcut: false },
      { id: 'left', w: 9000 + roll(9000), h: 5000 + roll(4000), price: 0, available: roll(3), offcut: true },
    ],
  }
  const boards: Cut1dInstance = {
    format: 'cut1d-instance',
    version: 1,
    name: 'b',
    unit: '0.1mm',
    kerf: tenth(s.kerfMm),
    trimStart: tenth(s.squaringTrimMm),
    trimEnd: 0,
    parts: Array.from({ length: 3 + roll(6) }, (_, i) => ({
      id: `${i}`,
      length: pick([tenth(100 + roll(1500)), tenth(797), tenth(598.5), 36000 - tenth(s.squaringTrimMm)]),
      qty: 1 + roll(7),
    })),
    stock: [
      { id: 'long', length: 36000, price: 700, available: null, offcut: false },
      { id: 'short', length: 24000, price: 500, available: null, offcut: false },
    ],
  }
  const [onSheets, onBoards] = [planSheetsGreedy(sheets), planBoardsGreedy(boards)]
  let n = 0
  const label = () => `P${++n}`
  return {
    sheets: !onSheets.ok
      ? []
      : onSheets.plan.sheets.flatMap((q) =>
          Array.from({ length: q.count }, (): SheetLaid => {
            const stock = sheets.stock.find((x) => x.id === q.stock)!
            const laid: SheetLaid = {
              id: `s${++n}`,
              stockKey: q.stock,
              sheet: 'ply-18mm',
              lengthMm: stock.w / 10,
              widthMm: stock.h / 10,
              usedShare: 1,
              handId: stock.offcut ? q.stock : null,
              cuts: q.placements.map((p) => {
                const { w, h } = sheets.parts.find((x) => x.id === p.part)!
                const [wMm, hMm] = (p.rotated ? [h, w] : [w, h]).map((v) => v / 10)
                return { line: p.part, label: label(), xMm: p.x / 10, yMm: p.y / 10, wMm, hMm }
              }),
            }
            return seed % 2 ? tidied(laid, s.kerfMm, s.sheetTrimMm) : laid
          }),
        ),
    boards: !onBoards.ok
      ? []
      : onBoards.plan.boards.flatMap((q) =>
          Array.from({ length: q.count }, (): BoardLaid => {
            const stock = boards.stock.find((x) => x.id === q.stock)!
            let at = s.squaringTrimMm
            const cuts = q.cuts.map((id) => {
              const lengthMm = boards.parts.find((x) => x.id === id)!.length / 10
              const rips = roll(4) === 0 ? 1 + roll(2) : 0
              const cut = {
                line: id,
                labels: rips ? Array.from({ length: rips }, label) : [label()],
                lengthMm,
                atMm: at,
                // Two halves and a kerf are all of a board 89 wide.
                ripMm: rips ? pick([40, (89 - s.kerfMm) / 2, 30]) : null,
              }
              at += lengthMm + s.kerfMm
              return cut
            })
            return {
              id: `b${++n}`,
              stockKey: q.stock,
              section: '38x89mm',
              treated: false,
              lengthMm: stock.length / 10,
              cuts,
              leftoverMm: Math.max(0, stock.length / 10 - at),
              handId: null,
              fromMm: 0,
            }
          }),
        ),
  }
}

describe('made-up plans, played', () => {
  it('200 of them come out to size', () => {
    let pieces = 0
    for (let seed = 1; seed <= 200; seed++) {
      const settings: Settings = {
        ...startingSettings('metric'),
        kerfMm: [3, 3.2, 2.4][seed % 3],
        squaringTrimMm: [0, 6, 2][seed % 3],
        sheetTrimMm: [0, 5, 0, 2][seed % 4],
        onePersonKg: [12, 25, 60][seed % 3],
        yardCuts: {
          use: seed % 5 > 1,
          freeCuts: 2,
          smallestStripMm: [300, 150][seed % 2],
          toleranceMm: [2, 0, 3][seed % 3],
        },
        carriage: { longestMm: [2500, 1800][seed % 2], widestMm: [1000, 700][seed % 2], mostKg: 300 },
      }
      const plan = randomPlan(seed, settings, [null, 2, 3][seed % 3])
      pieces += rawOf(plan, settings).reduce((n, x) => n + x.pieces.length, 0)
      expect([seed, ...played(plan, settings)]).toEqual([seed])
    }
    expect(pieces).toBeGreaterThan(4000)
  })
  it('a wrong order is found: a cut left out, made twice, set wrong, and a kerf forgotten', () => {
    const settings = { ...startingSettings('metric'), kerfMm: 3, squaringTrimMm: 6, sheetTrimMm: 5 }
    const plan = randomPlan(7, settings, null)
    const cuts = inOrder(sawWork(plan, settings))
    const raw = rawOf(plan, settings)
    const renumbered = (list: PlayedCut[]) => list.map((c, i) => ({ ...c, n: i + 1 }))
    expect(play(raw, cuts, 3)).toEqual([])
    cuts.forEach((_, i) => expect(play(raw, renumbered(cuts.filter((__, k) => k !== i)), 3)).not.toEqual([]))
    cuts.forEach((c, i) =>
      expect(play(raw, renumbered([...cuts.slice(0, i + 1), c, ...cuts.slice(i + 1)]), 3)).not.toEqual([]),
    )
    cuts.forEach((c, i) =>
      expect(
        play(
          raw,
          cuts.map((x, k) => (k === i ? { ...c, settingMm: c.settingMm + 1 } : x)),
          3,
        ),
      ).not.toEqual([]),
    )
    expect(play(raw, cuts, 4)).not.toEqual([])
  })
})
