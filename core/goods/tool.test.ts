import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { goodsToRows, rowsToGoods } from './csv.ts'
import { goodsItem, newGoods } from './goods.ts'
import { doubts } from './suspicious.ts'
import { assumedTool, HELD, MEASURED, TOOL_LIMITS, toolShape } from './tool.ts'

const size = { acrossMm: 130, deepMm: 40, tallMm: 330 }
const hammer = {
  ...newGoods({ id: 'h', name: 'Claw hammer', kind: 'tool', count: 2, ...size, massKg: 0.7 }),
  tool: {
    ...assumedTool(size, 'slotted-rail'),
    neckMm: 22,
    handleMm: 32,
    headMm: 60,
    hangMm: 290,
    assumed: false,
    travels: true,
    accessories: 'none',
    idea: 'by the bench, left hand',
  },
}

describe('a tool', () => {
  it('of any size begins with measures a tool can have, marked as assumed', () => {
    const mm = fc.double({ min: 5, max: 6000, noNaN: true })
    fc.assert(
      fc.property(mm, mm, mm, fc.constantFrom(...HELD), (acrossMm, deepMm, tallMm, held) => {
        const t = assumedTool({ acrossMm, deepMm, tallMm }, held)
        expect(toolShape.safeParse(t).success).toBe(true)
        expect(t.assumed).toBe(true)
        expect(t.headMm).toBeGreaterThanOrEqual(t.neckMm)
      }),
    )
  })
  it('hangs on pegs, or on a hook where it would fall through those, until somebody says otherwise, where it would fall over by itself; else it stands', () => {
    const held = (acrossMm: number, deepMm: number, tallMm: number) => assumedTool({ acrossMm, deepMm, tallMm }).held
    expect([held(450, 80, 1650), held(230, 120, 1450), held(60, 30, 1200)]).toEqual(['pegs', 'pegs', 'hook'])
    expect([held(260, 160, 260), held(130, 40, 550), held(500, 400, 900)]).toEqual(['shelf', 'shelf', 'shelf'])
  })
  it('has a table only where it is a tool', () => {
    const box = newGoods({ id: 'b', name: 'Box', kind: 'box', count: 1, ...size, massKg: 1 })
    expect(box.tool).toBeNull()
    expect(goodsItem.safeParse(hammer).success).toBe(true)
  })
  it.each([
    ['assumed-tool', { ...hammer.tool, assumed: true }],
    ['neck-thicker-than-head', { ...hammer.tool, headMm: 20 }],
    ['hangs-longer-than-it-is', { ...hammer.tool, hangMm: 400 }],
  ])('is asked about: %s', (code, tool) => {
    expect(doubts(hammer).map((d) => d.code)).toEqual([])
    expect(doubts({ ...hammer, tool }).map((d) => d.code)).toEqual([code])
  })
  it('that stands is asked for its size alone', () => {
    expect(MEASURED.box).toEqual([])
    expect(doubts({ ...hammer, tool: { ...hammer.tool, held: 'box', assumed: true, headMm: 1 } })).toEqual([])
  })
  it('goes out as a row and comes back the same; what is not told is assumed', () => {
    expect(rowsToGoods(goodsToRows([hammer]), 'metric', () => 'h')).toEqual({ goods: [hammer], problems: [] })
    const bare = { name: 'Saw', kind: 'tool', across_mm: '130', deep_mm: '40', tall_mm: '560' }
    const [saw] = rowsToGoods([bare], 'metric', () => 's').goods
    expect(saw.tool).toEqual(assumedTool({ acrossMm: 130, deepMm: 40, tallMm: 560 }))
  })
  it.each([
    ['held', { held: 'by magic' }, 'held'],
    ['neck', { neck_mm: 'thick' }, 'neck'],
    ['hang', { hang_mm: '-4' }, 'hang'],
    ['head', { head_mm: String(TOOL_LIMITS.headMm[1] + 1) }, 'tool.headMm'],
  ])('with a bad %s in its row is named by its field, and nothing else is lost', (_n, part, field) => {
    const [row] = goodsToRows([hammer])
    const r = rowsToGoods([row, { ...row, ...part }], 'metric', (i) => `g${i}`)
    expect(r.goods).toHaveLength(1)
    expect(r.problems.map((p) => [p.row, p.field])).toEqual([[2, field]])
  })
})
