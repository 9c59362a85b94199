import { describe, expect, it } from '@jest/globals'
import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import type { Dim } from '../families/family.ts'
import { newGoods } from '../goods/goods.ts'
import { presumedMass } from '../goods/presumed.ts'
import { doubts } from '../goods/suspicious.ts'
import { IMPERIAL, METRIC } from '../measure/units.ts'
import type { SawCut } from '../takeoff/cut-order.ts'
import { sayVerdict } from './checks.ts'
import { sayCare, sayOutcome, saySetting, stockOfBatch } from './cuts.ts'
import { sayAnswer, sayDoubt } from './doubts.ts'
import { sayLever } from './levers.ts'
import { sayProblem } from './problems.ts'
import { sayReason } from './reasons.ts'
import { plural, sayIn } from './say.ts'

const files = (dir: string): string[] =>
  readdirSync(dir).flatMap((f) => (statSync(join(dir, f)).isDirectory() ? files(join(dir, f)) : [join(dir, f)]))
const sourceOf = (dir: string) =>
  files(dir)
    .filter((f) => f.endsWith('.ts') && !f.endsWith('.test.ts') && !f.startsWith(join('core', 'wording')))
    .map((f) => readFileSync(f, 'utf8'))
    .join('\n')
const source = sourceOf('core')
const say = sayIn(METRIC)

describe('words', () => {
  it('exist for every problem the core can name', () => {
    const codes = new Set([...source.matchAll(/\bbad(?:<[^>]*>)?\(\s*'([a-z-]+)'/g)].map((m) => m[1]))
    for (const m of source.matchAll(/problem: \{ code: '([a-z-]+)'/g)) codes.add(m[1])
    expect(codes.size).toBeGreaterThan(20)
    for (const code of codes) expect(sayProblem({ code, data: {} }, say)).not.toBe(code)
  })
  it('say what would be accepted, in the units of the project', () => {
    expect(sayProblem({ code: 'not-a-length', data: { text: 'wide' } }, sayIn(IMPERIAL))).toMatch(/"wide".*67 1\/4/)
    expect(sayProblem({ code: 'too-small', data: { minMm: 60 } }, say)).toBe('Too small: at least 60 mm.')
    expect(sayProblem({ code: 'shelves-overlap', data: { mm: 5, leastMm: 910, shelf: 2 } }, say)).toContain(
      '910 mm or higher',
    )
  })
  it('ask about an unweighed thing with what it is counted as, and offer the answer that fits', () => {
    const g = newGoods({
      id: 'g',
      name: 'lawn mower',
      kind: 'equipment',
      count: 1,
      acrossMm: 700,
      deepMm: 500,
      tallMm: 900,
      massKg: null,
    })
    const [asked] = doubts(g).filter((d) => d.code === 'not-weighed')
    expect(sayDoubt(asked, say)).toContain(`counted as ${say.mass(presumedMass(g).kg)} each`)
    expect(sayAnswer(asked)).toBe('Leave it so')
    const others = doubts({ ...g, whose: 'a neighbour', decision: 'pass' }).find((d) => d.code === 'ask-first')
    expect(sayAnswer(others!)).toBe('I asked')
    expect(sayAnswer({ goodsId: 'g', code: 'very-dense', data: { density: 3000 } })).toBe('It is right')
  })
  it('count', () =>
    expect([plural(1, 'board'), plural(2, 'board'), plural(0, 'person', 'people')]).toEqual([
      '1 board',
      '2 boards',
      '0 people',
    ]))

  const dim: Dim = {
    path: 'clearMm.0',
    code: 'clear-width',
    data: { column: 1 },
    quantity: 'length',
    value: 533.4,
    tacked: true,
    tackedValue: 533.4,
    min: 60,
    max: 3000,
    why: {
      code: 'sum',
      terms: [
        { name: 'lid', mm: 520 },
        { name: 'side-play', mm: 6.5, times: 2 },
      ],
    },
  }
  it('give the sum a dimension comes from, its rounding, and what a fixed one would be', () => {
    expect(sayReason(dim, say)).toBe('lid 520 mm + 2 × side play 6.5 mm')
    expect(sayReason({ ...dim, why: { ...dim.why, rounded: { mm: 534, toMm: 1, way: 'up', movedMm: 1 } } }, say)).toBe(
      'lid 520 mm + 2 × side play 6.5 mm, is 533.0 mm, rounded up to the millimetre',
    )
    expect(sayReason({ ...dim, tacked: false, value: 500 }, say)).toMatch(/^fixed; tacked it would be 533 mm/)
  })
  it('tell what letting go of a dimension makes of it', () => {
    expect(sayLever('let-go', { path: 'clearMm.0' }, say, [dim])).toBe(
      'Let go of "Opening, column 1": tacked it becomes 533 mm',
    )
    expect(sayLever('carry-less', { goods: 'pail', out: 3, keep: 4 }, say)).toBe('Take out 3 × "pail" (keep 4 here)')
  })
  it('never call an empty proof safe', () =>
    expect(sayVerdict({ state: 'unknown', weakest: null, fails: 0, unknown: 0 }, say)).toBe('Nothing to prove yet.'))
})

describe('cuts in words', () => {
  const cut = (over: Partial<SawCut> = {}): SawCut => ({
    n: 1,
    key: 'k',
    where: 'home',
    on: 's',
    stock: 'ply-18mm',
    kind: 'rip',
    settingMm: 600,
    inHand: { lengthMm: 2440, widthMm: 1220 },
    region: { x: 0, y: 0, w: 2440, h: 1220 },
    way: 'y',
    atMm: 600,
    frees: [],
    holds: [],
    leavesMm: 617,
    care: [],
    after: null,
    ...over,
  })
  const mm = sayIn(METRIC)
  it('say what is set, what comes off and what stays', () => {
    expect(saySetting({ kind: 'rip', settingMm: 600 }, mm)).toBe('Fence at 600 mm: rip')
    expect(saySetting({ kind: 'crosscut', settingMm: 1200 }, mm)).toBe('Stop at 1200 mm: crosscut')
    expect(sayOutcome(cut({ frees: ['A1', 'A2'] }), mm)).toBe('frees A1, A2, leaves 617 mm')
    expect(sayOutcome(cut({ holds: ['A1', 'B1'], leavesMm: 0 }), mm)).toBe('takes off A1, B1, leaves nothing')
    expect(sayOutcome(cut({ holds: ['A', 'B', 'C', 'D', 'E', 'F', 'G'] }), mm)).toBe(
      'takes off 7 pieces, leaves 617 mm',
    )
  })
  it('say what is to be minded, every kind of it', () => {
    const all = ['two-people', 'outfeed', 'push-stick', 'carrier', 'sled', 'short-stock'] as const
    for (const c of [...all, 'trim-later', 'measure-there', 'hacksaw'] as const)
      expect(sayCare(c)).toMatch(/^[A-Z].*\.$/)
  })
  it('name the stock', () =>
    expect([stockOfBatch('2x4'), stockOfBatch('2x4:treated'), stockOfBatch('ply-18mm')]).toEqual([
      '2x4',
      '2x4 treated',
      'Softwood plywood 18 mm',
    ]))
})
