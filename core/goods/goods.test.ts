import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { goodsToRows, rowsToGoods, type Row } from './csv.ts'
import { baseAcross, bodyAcross, goodsItem, newGoods, type Goods } from './goods.ts'
import { parseGoodsLine, parseSizes } from './parse-line.ts'
import { silhouette } from './silhouette.ts'
import { doubts } from './suspicious.ts'
import { totals } from './totals.ts'

const line = (text: string, system: 'imperial' | 'metric' = 'imperial') => parseGoodsLine(text, system, 'g1')
const code = (text: string) => {
  const r = line(text)
  return r.ok ? 'read' : r.problem.code
}

describe('one-line entry', () => {
  it('reads the line of the design', () => {
    const r = line('12 tote 16 1/2 x 24 x 12 1/2, 14kg')
    expect(r).toMatchObject({ ok: true, value: { count: 12, kind: 'tote', name: 'tote', massKg: 14 } })
    if (!r.ok) return
    ;[419.1, 609.6, 317.5].forEach((mm, i) =>
      expect([r.value.acrossMm, r.value.deepMm, r.value.tallMm][i]).toBeCloseTo(mm, 9),
    )
    expect(r.value.tote?.assumed).toBe(true)
  })
  it.each([
    ['6 pail 12 x 12 x 15, 62 lb', { count: 6, kind: 'pail' }],
    ['extractor 24 x 24 x 44, 90 lb', { count: 1, kind: 'equipment' }],
    ['2 syrup drum 23 dia x 35 at 480 lb each', { count: 2, kind: 'drum', name: 'syrup drum' }],
    ['4 boxes of jars 300mm x 40cm x 12, 9kg', { count: 4, kind: 'box', name: 'boxes of jars' }],
    ['2 crate of jars 12x8x7 11 lb', { count: 2, kind: 'box', massKg: expect.closeTo(4.9895, 3) }],
    ['5 tin 100mm x 100mm x 120mm 1.5kg each', { count: 5, massKg: 1.5 }],
    ['1 case 16 x 24 x 12" 30 lb', { count: 1, tallMm: expect.closeTo(304.8, 6), massKg: expect.closeTo(13.608, 3) }],
    ['3 thing 1 by 2 by 3', { count: 3, kind: 'other', massKg: null }],
    ["1 cabinet 2' x 1' 6\" x 30", { count: 1, kind: 'other' }],
  ])('reads %s', (text, expected) => expect(line(text)).toMatchObject({ ok: true, value: expected }))
  it.each([
    ['', 'line-empty'],
    ['12 gadget', 'line-no-size'],
    ['16 x 24 x 12', 'line-no-name'],
    ['12 tote 16 x 24', 'line-sizes'],
    ['0 tote 16 x 24 x 12', 'count'],
    ['-2 tote 16 x 24 x 12', 'count'],
    ['99999 tote 16 x 24 x 12', 'count'],
    ['1 tote 0 x 24 x 12', 'out-of-range'],
    ['1 tote 16 x 24 x 99999', 'out-of-range'],
    ['1 tote -16 x 24 x 12', 'negative'],
    ['1 tote a x b x 12', 'line-sizes'],
    ['1 tote 16 x 24 x 12, very heavy', 'not-a-mass'],
    ['1 tote 16 x 24 x 12, 99999 kg', 'too-heavy'],
  ])('refuses %p with %s', (text, expected) => expect(code(text)).toBe(expected))
  it('never throws, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), (text) => {
        const r = line(text)
        if (r.ok) expect(goodsItem.safeParse(r.value).success).toBe(true)
      }),
    )
  })
  it.each([
    ['110 x 90 x 50 mm', 'imperial', [110, 90, 50]],
    ['40 x 30 x 25.5 cm', 'metric', [400, 300, 255]],
    ['16 1/2 x 24 x 12 in', 'metric', [419.1, 609.6, 304.8]],
    ['300 dia x 40 cm', 'imperial', [3000, 3000, 400]],
    // Each has its own, or feet are said of the last alone.
    ['110mm x 9 x 50 mm', 'imperial', [110, 228.6, 50]],
    ['16 x 24 x 2 ft', 'imperial', [406.4, 609.6, 609.6]],
  ] as const)('a unit said once after the last is that of all: %s', (text, system, mm) => {
    const r = parseSizes(text, system)
    expect(r.ok && Object.values(r.value).map((x) => Math.round(x * 10) / 10)).toEqual(mm)
  })
  it('reads sizes alone', () =>
    expect(parseSizes('300 dia x 381', 'metric')).toEqual({
      ok: true,
      value: { acrossMm: 300, deepMm: 300, tallMm: 381 },
    }))
})

const tote = newGoods({
  id: 't',
  name: 'tote',
  kind: 'tote',
  count: 3,
  acrossMm: 500,
  deepMm: 700,
  tallMm: 350,
  massKg: 20,
  tote: { rimMm: 40, overhangMm: 42, taperMm: 20, assumed: false },
})

describe('goods', () => {
  it('narrows a tote from lid to body to base', () => {
    expect(bodyAcross(tote)).toBe(416)
    expect(baseAcross(tote)).toBe(376)
    const widths = silhouette(tote).map(([x]) => Math.abs(x))
    expect(new Set(widths)).toEqual(new Set([188, 208, 250]))
  })
  it('totals only what is kept, and tells what nobody weighed', () => {
    const t = totals([tote, { ...tote, id: 'b', decision: 'bin' }, { ...tote, id: 'c', count: 2, massKg: null }])
    expect(t).toMatchObject({ things: 5, massKg: 60, notWeighed: 2, shelfMm: 2500 })
  })
  it('asks about what cannot be', () => {
    const codes = (g: typeof tote) => doubts(g).map((d) => d.code)
    expect(codes(tote)).toEqual([])
    expect(codes({ ...tote, tote: { ...tote.tote!, overhangMm: 260 } })).toContain('body-wider-than-lid')
    expect(codes({ ...tote, massKg: null })).toContain('not-weighed')
    expect(codes({ ...tote, massKg: 900 })).toContain('very-dense')
    expect(codes({ ...tote, tote: { ...tote.tote!, rimMm: 200 } })).toContain('rim-taller-than-half')
  })
  it('goes out as rows and comes back the same', () => {
    const back = rowsToGoods(goodsToRows([tote]), 'imperial', () => 't')
    expect(back).toEqual({ goods: [tote], problems: [] })
  })
  it('with all that may be told of a thing too, and names what is none of it', () => {
    const told: Goods = {
      ...tote,
      care: ['damp', 'food'],
      whose: 'the neighbour',
      time: 'lent',
      spare: 3,
      inUse: { acrossMm: tote.acrossMm, deepMm: tote.deepMm, tallMm: tote.tallMm + 200 },
      leaving: { to: 'the club', first: 'handles off', gone: true },
    }
    const rows = goodsToRows([told])
    expect(rowsToGoods(rows, 'imperial', () => 't')).toEqual({ goods: [told], problems: [] })
    // Of a size in use one measure is enough: the others are as at rest.
    const [row] = rows
    const one = rowsToGoods([{ ...row, across_in_use_mm: '', deep_in_use_mm: '' }], 'imperial', () => 't')
    expect(one.goods[0].inUse).toEqual(told.inUse)
    const wrong = (over: Row) => rowsToGoods([{ ...row, ...over }], 'imperial', () => 't').problems.map((p) => p.field)
    expect(wrong({ care: 'sunshine' })).toEqual(['care.0'])
    expect(wrong({ time: 'yesterday' })).toEqual(['time'])
    expect(wrong({ spare: '-2' })).toEqual(['spare'])
    expect(wrong({ tall_in_use_mm: 'very' })).toEqual(['tall_in_use'])
  })
  it('is told by its name what can hurt, and how it opens, until somebody says otherwise', () => {
    const cares = (text: string) => {
      const r = line(text)
      return r.ok && r.value.care
    }
    expect(cares('fuel can')).toEqual(['aerosol'])
    expect(cares('3 tins of paint 7 x 7 x 8, 6 kg')).toEqual(['liquid'])
    expect(cares('2 chest freezers')).toEqual([])
    // A list that has no such column says nothing of it; an empty cell says that nothing is asked for.
    const rows: Row[] = [
      { name: 'fuel can', across: '10', deep: '10', tall: '12' },
      { name: 'chest freezer', across: '40', deep: '25', tall: '34' },
    ]
    const read = (list: Row[]) => rowsToGoods(list, 'imperial', (i) => String(i)).goods
    expect(read(rows).map((g) => g.care)).toEqual([['aerosol'], []])
    expect(read(rows)[1].inUse).toMatchObject({ tallMm: (34 + 25) * 25.4 })
    expect(read(rows.map((r) => ({ ...r, care: '' })))[0].care).toEqual([])
    expect(read(rows.map((r) => ({ ...r, tall_in_use: '' })))[1].inUse).toBeNull()
    // What somebody unticked stays unticked on its way out and back.
    const unticked = { ...read(rows)[0], care: [] }
    expect(rowsToGoods(goodsToRows([unticked]), 'imperial', () => unticked.id).goods[0].care).toEqual([])
  })
  it('asks before something of somebody else goes, and about sizes in use that say nothing', () => {
    const codes = (over: Partial<Goods>) => doubts({ ...tote, ...over }).map((d) => d.code)
    expect(codes({ whose: 'a friend' })).toEqual([])
    expect(codes({ whose: 'a friend', decision: 'bin' })).toEqual(['ask-first'])
    const { acrossMm, deepMm, tallMm } = tote
    expect(codes({ inUse: { acrossMm, deepMm, tallMm } })).toEqual(['smaller-in-use'])
    expect(codes({ inUse: { acrossMm, deepMm, tallMm: tallMm + 1 } })).toEqual([])
  })
  it('keeps the good rows of a bad file and names the bad ones', () => {
    const rows: Row[] = [
      { name: 'ok', across: '12', deep: '12', tall: '12', mass: '5 lb' },
      { name: 'no size', across: '12' },
      { name: 'bad', across: 'wide', deep: '1', tall: '1' },
      { name: 'neg', across: '12', deep: '12', tall: '12', count: '-4' },
    ]
    const r = rowsToGoods(rows, 'imperial', (i) => `g${i}`)
    expect(r.goods.map((g) => g.name)).toEqual(['ok'])
    expect(r.problems.map((p) => [p.row, p.field, p.code])).toEqual([
      [2, 'deep', 'row-missing'],
      [3, 'across', 'not-a-length'],
      [4, 'count', 'row-field'],
    ])
  })
})

describe('what opens upwards', () => {
  const said = (text: string) => {
    const r = line(text, 'metric')
    if (!r.ok) throw new Error(r.problem.code)
    return r.value
  }
  it('is in use as high as with its lid up, until somebody says otherwise', () => {
    expect(said('chest freezer').inUse).toEqual({ acrossMm: 900, deepMm: 600, tallMm: 1450 })
    expect(said('1 chest freezer 1000 x 700 x 900').inUse).toEqual({ acrossMm: 1000, deepMm: 700, tallMm: 1600 })
    expect(said('upright freezer').inUse).toBeNull()
    expect(newGoods({ ...said('chest freezer'), inUse: null }).inUse).toBeNull()
  })
})
