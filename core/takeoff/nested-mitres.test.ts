import { describe, expect, it } from '@jest/globals'
import { startingSettings } from '../assembly/settings.ts'
import { startingPrices } from '../catalogue/prices.ts'
import { METRIC } from '../measure/units.ts'
import { play } from '../../test-support/saw-player.ts'
import { saySetting } from '../wording/cuts.ts'
import { sayIn } from '../wording/say.ts'
import { planCuts } from './cut-plan.ts'
import { boardJobs, fromCutUnit } from './instances.ts'
import { sharedMm } from './nested-mitres.ts'
import type { PieceLine } from './pieces.ts'
import { replan, stillFits } from './replan.ts'
import { sawWork } from './saw-work.ts'
import type { BoardCut } from './sawing.ts'

const settings = { ...startingSettings('metric'), kerfMm: 3, squaringTrimMm: 5 }
const prices = startingPrices('metric')
const RAD = Math.PI / 180

/** Joists with one end at an angle, over their long points. */
function joists(
  letter: string,
  lengthMm: number,
  count: number,
  degrees = 45,
  over: Partial<PieceLine> = {},
): PieceLine {
  const line: PieceLine = {
    ...{ build: 'b', letter, numbered: true, role: 'joist', grain: 'length', ripped: false, massKg: 1 },
    stock: { kind: 'board', section: '38x89mm', grade: 'no2', treated: false },
    ...{ lengthMm, widthMm: 89, thicknessMm: 38, cut: { lengthMm, widthMm: 89 }, count },
    machining: [{ kind: 'mitre', end: 'end', angleRad: degrees * RAD, through: 'width' }],
    parts: Array.from({ length: count }, (_, i) => `${letter}${i}`),
  }
  return { ...line, ...over }
}
const planned = (lines: PieceLine[]) => planCuts(lines, settings, prices)
const leaning = (lines: PieceLine[]) => planned(lines).boards.flatMap((b) => b.cuts.filter((c) => c.lean))
const costOf = (lines: PieceLine[]) => planned(lines).claims.reduce((n, c) => n + c.cost, 0)
/** The longest board less what squares its end. */
const LONGEST_MM =
  Math.max(...boardJobs([joists('A', 100, 1)], settings, prices)[0].instance.stock.map((s) => fromCutUnit(s.length))) -
  5

describe('two mitred pieces in one length', () => {
  // One cut at 45° through 89 mm: the long points overlap by 89 less the kerf along the board, 3√2.
  const shared = 89 - 3 * Math.SQRT2
  // Two of them just fit the longest board so, and not end to end.
  const half = (LONGEST_MM + shared) / 2 - 0.1
  it('share what the cut leans over, less the kerf as wide as it is at that angle', () => {
    expect(sharedMm({ angleRad: 45 * RAD, deepMm: 89 }, 3)).toBeCloseTo(shared, 9)
    expect(sharedMm({ angleRad: 0, deepMm: 89 }, 3)).toBeCloseTo(-3, 9)
  })
  it('go in one board where end to end they need two', () => {
    const square = costOf([joists('A', half, 2, 45, { machining: [] })])
    expect(costOf([joists('A', half, 2)])).toBeLessThan(square)
    expect(planned([joists('A', half, 2)]).boards).toHaveLength(1)
  })
  it('are a kerf apart all along the cut, and nowhere nearer', () => {
    const [first, second] = planned([joists('A', half, 2)]).boards[0].cuts
    // Corners of both slanting ends, by hand: long point of the first below, of the second above.
    const [low, high] = [first.atMm + first.lengthMm, first.atMm + first.lengthMm - 89]
    const [low2, high2] = [second.atMm + 89, second.atMm]
    for (const [mine, other] of [
      [low, low2],
      [high, high2],
    ])
      expect((other - mine) * Math.cos(45 * RAD)).toBeCloseTo(3, 4)
  })
  it('lie end to end where that costs no more', () => {
    expect(leaning([joists('A', 600, 2)])).toEqual([])
  })
  it('pieces of two lengths may lie in each other', () => {
    const both = [joists('A', half + 30, 1), joists('B', half - 30, 1)]
    expect(leaning(both)).toHaveLength(1)
    expect(planned(both).boards[0].cuts.map((c) => c.labels[0][0])).toEqual(['A', 'B'])
  })
  it.each([
    ['other angles', [joists('A', half, 1), joists('B', half, 1, 30)]],
    ['one alone', [joists('A', half, 1)]],
    [
      'an end that is left long to scribe',
      [
        joists('A', half, 2, 45, {
          machining: [
            { kind: 'mitre', end: 'end', angleRad: 45 * RAD, through: 'width' },
            { kind: 'scribe', edge: 'start', allowanceMm: 10 },
          ],
        }),
      ],
    ],
    ['strips', [joists('A', half, 2, 45, { widthMm: 38, cut: { lengthMm: half, widthMm: 38 }, ripped: true })]],
  ])('%s lie in nothing', (_, lines) => {
    expect(leaning(lines)).toEqual([])
  })
  it('through the thickness less is shared', () => {
    const thin = joists('A', half, 2, 45, {
      machining: [{ kind: 'mitre', end: 'end', angleRad: -45 * RAD, through: 'thickness' }],
    })
    expect(leaning([thin])).toEqual([])
    const short = (LONGEST_MM + 38 - 3 * Math.SQRT2) / 2 - 0.1
    const fits = { ...thin, lengthMm: short, cut: { lengthMm: short, widthMm: 89 } }
    expect(leaning([fits]).map((c) => c.lean!.deepMm)).toEqual([38])
  })
  it.each([1, 2, 3, 4, 5, 6, 7])('%i pieces are all made, once each', (n) => {
    const labels = planned([joists('A', half, n), joists('B', 400, 3)]).boards.flatMap((b) =>
      b.cuts.flatMap((c) => c.labels),
    )
    expect([...labels].sort()).toHaveLength(n + 3)
    expect(new Set(labels).size).toBe(n + 3)
  })

  describe('as work', () => {
    const lines = [joists('A', half, 4), joists('B', LONGEST_MM - 50, 1, 45, { machining: [] })]
    const plan = planned(lines)
    const work = sawWork(plan, settings)
    const cuts = [...work.yard, ...work.home].flatMap((b) => b.cuts)
    it('comes out to size when it is played', () => {
      const raw = plan.boards.map((b) => ({
        ...{ id: b.id, w: b.lengthMm, h: 89, t: 38, fresh: { low: 5, high: 0, ways: ['x' as const] } },
        pieces: b.cuts.flatMap((c: BoardCut) => c.labels.map((label) => ({ label, w: c.lengthMm, h: 89 }))),
      }))
      expect(play(raw, cuts, 3)).toEqual([])
      expect(
        play(
          raw.slice(0, 1),
          cuts.filter((c) => c.tiltRad === undefined),
          3,
        ),
      ).not.toEqual([])
    })
    it('tells the slanting cut by its stop and its angle, and both pieces come free by it', () => {
      const [set] = [...work.yard, ...work.home].filter((x) => x.tiltRad !== undefined)
      const mm = sayIn(METRIC).length(half)
      expect(saySetting(set, sayIn(METRIC))).toBe(`Stop at ${mm} to the long point, saw turned 45°: crosscut`)
      expect(saySetting({ ...set, through: 'thickness' }, sayIn(METRIC))).toContain('blade leaning 45°')
      expect(set.cuts.map((c) => c.frees.length)).toEqual([2, 2])
    })
    it('after a mishap what is cut stays, and the piece is made anew', () => {
      const sawing = { boards: plan.boards, sheets: [], lost: [] }
      expect(stillFits(sawing, lines)).toBe(true)
      const [first, second] = plan.boards.find((b) => b.cuts.some((c) => c.lean))!.cuts
      const spoilt = { label: first.labels[0], why: 'miscut' as const, at: '2026-01-01T00:00:00.000Z' }
      const r = replan(sawing, new Set(second.labels), spoilt, lines, settings, prices, [])
      const made = r.sawing.boards.flatMap((b) => b.cuts.flatMap((c) => c.labels))
      expect([...made].sort()).toEqual(plan.boards.flatMap((b) => b.cuts.flatMap((c) => c.labels)).sort())
      expect(r.cannot).toEqual([])
    })
  })
})
