import { describe, expect, it } from '@jest/globals'
import { crateOf } from '../../test-support/crate.ts'
import { expectNear } from '../../test-support/near.ts'
import { readParams } from '../../test-support/read-params.ts'
import type { Part } from '../assembly/assembly.ts'
import { exampleContext } from '../families/example-context.ts'
import { startingParams } from '../families/wall-cabinet/parameters.ts'
import { wallCabinet } from '../families/wall-cabinet/wall-cabinet.ts'
import { METRIC } from '../measure/units.ts'
import { planBoardsGreedy } from '../cutting/boards-greedy.ts'
import { boardJobs } from '../takeoff/instances.ts'
import { startingPrices } from '../catalogue/prices.ts'
import { sayCheck } from '../wording/checks.ts'
import { sayIn } from '../wording/say.ts'
import { fromStock } from './stock.ts'

const say = sayIn(METRIC)
const ctx = exampleContext('metric', [{ item: crateOf([300, 260, 240], 6), count: 4 }])
const read = (clearMm: number, bays: number) =>
  readParams(
    wallCabinet,
    { ...startingParams('metric'), bays, clearMm },
    { ...ctx, space: { ...ctx.space, lengthMm: 7000 } },
  )
const ofStock = (r: ReturnType<typeof read>) => r.checks.filter((c) => c.check === 'stock')

describe('every piece comes out of what is sold', () => {
  it('in a build no longer than a board, one answer for each kind of stock', () => {
    const results = ofStock(read(800, 2))
    expect(results.every((c) => c.state === 'holds')).toBe(true)
    const stocks = read(800, 2).pieces.filter((l) => ['board', 'sheet'].includes(l.stock.kind))
    expect(results.length).toBe(new Set(stocks.map((l) => JSON.stringify(l.stock))).size)
    expect(sayCheck(results[0], say)).toMatch(/comes out of what is sold: at most/)
  })
  it('or is told: a hanger longer than any board fails, as the saw would find', () => {
    const r = read(1800, 3)
    const wrong = ofStock(r).filter((c) => c.state !== 'holds')
    const longest = Math.max(...r.pieces.filter((l) => l.stock.kind === 'board').map((l) => l.cut.lengthMm))
    expect(wrong).toHaveLength(1)
    expectNear(wrong[0].demand!, longest, 1e-6)
    expect(wrong[0]).toMatchObject({ state: 'fails', capacity: 4800 - ctx.settings.squaringTrimMm })
    expect(r.verdict.state).toBe('fails')
    expect(sayCheck(wrong[0], say)).toMatch(/and what is sold gives 4794 mm once trimmed/)
    const [job] = boardJobs(r.pieces, ctx.settings, startingPrices('metric')).filter(
      (j) => Math.max(...Object.values(j.lines).map((x) => x.line.cut.lengthMm)) === longest,
    )
    expect(planBoardsGreedy(job.instance)).toMatchObject({ ok: false, why: { code: 'piece-longer-than-stock' } })
  })
  it('a sheet turned only where its grain may turn', () => {
    const panel = (lengthMm: number, widthMm: number, grain: Part['grain']) =>
      fromStock.run({
        settings: { yard: 'metric', sheetTrimMm: 10, squaringTrimMm: 6 },
        alike: [
          {
            parts: [
              {
                id: 'a',
                role: 'shelf',
                grain,
                size: { lengthMm, widthMm, thicknessMm: 18 },
                machining: [],
                stock: { kind: 'sheet', sheet: 'ply-18mm' },
              },
            ],
          },
        ],
      } as never)[0]
    expect(panel(2420, 1200, 'length')).toMatchObject({ state: 'holds' })
    expect(panel(2425, 600, 'length')).toMatchObject({ state: 'fails', capacity: 2420 })
    expect(panel(1300, 600, 'width')).toMatchObject({ state: 'fails', demand: 1300 - 1e-6, capacity: 1200 })
    expect(panel(600, 1300, 'any').state).toBe('holds')
    expect(panel(600, 1300, 'length').state).toBe('fails')
  })
  it('of what nobody sells nothing comes out', () => {
    const part = {
      id: 'a',
      role: 'shelf',
      grain: 'any',
      size: { lengthMm: 10, widthMm: 10, thicknessMm: 18 },
      machining: [],
    }
    for (const stock of [
      { kind: 'sheet', sheet: 'no-such' },
      { kind: 'board', section: 'no-such', grade: 'c16', treated: false },
    ]) {
      const settings = { yard: 'metric', sheetTrimMm: 0, squaringTrimMm: 6 }
      const [c] = fromStock.run({ settings, alike: [{ parts: [{ ...part, stock }] }] } as never)
      expect(c).toMatchObject({ state: 'fails', capacity: 0 })
    }
  })
  it('what is left on for scribing is cut too', () => {
    const scribed = fromStock.run({
      settings: { yard: 'metric', sheetTrimMm: 0, squaringTrimMm: 6 },
      alike: [
        {
          parts: [
            {
              id: 'a',
              role: 'filler',
              grain: 'length',
              size: { lengthMm: 2430, widthMm: 60, thicknessMm: 18 },
              machining: [{ kind: 'scribe', edge: 'end', allowanceMm: 12 }],
              stock: { kind: 'sheet', sheet: 'ply-18mm' },
            },
          ],
        },
      ],
    } as never)
    expect(scribed[0]).toMatchObject({ state: 'fails', capacity: 2440 })
  })
})
