import { describe, expect, it } from '@jest/globals'
import { CONTAINERS } from '../catalogue/containers.ts'
import type { UnitSystem } from '../measure/units.ts'
import { rowsToGoods } from './csv.ts'
import { newGoods } from './goods.ts'
import { parseGoodsLine, parseGoodsLines } from './parse-line.ts'
import { presumedMass } from './presumed.ts'
import { usualMeant } from './said-otherwise.ts'
import { doubts } from './suspicious.ts'

const read = (line: string, system: UnitSystem = 'imperial') => {
  const r = parseGoodsLine(line, system, 'x')
  if (!r.ok) throw new Error(`${line}: ${r.problem.code}`)
  const { count, name, kind, acrossMm, deepMm, tallMm, massKg } = r.value
  return { count, name, kind, size: [acrossMm, deepMm, tallMm].map(Math.round), massKg: massKg && Math.round(massKg) }
}
const isRead = (line: string, system: UnitSystem = 'imperial') => parseGoodsLine(line, system, 'x').ok
const sizeOf = (id: string) => {
  const c = CONTAINERS.find((x) => x.id === id)!
  return [c.acrossMm, c.deepMm, c.tallMm].map(Math.round)
}

describe('things as people say them', () => {
  it.each([
    ['lawn mower 40 lb', 1, 'lawn mower', 18],
    ['50 lb bag of concrete', 1, 'bag of concrete', 23],
    ['12 50 lb bags of soil', 12, 'bags of soil', 23],
    ['5kg dumbbells x 2', 2, 'dumbbells', 5],
    ['2 anvil, 90 kg, 300 x 120 x 250 mm', 2, 'anvil', 90],
    ['6 totes 40 lb each', 6, 'totes', 18],
  ])('a mass wherever it stands: %s', (line, count, name, massKg) =>
    expect(read(line)).toMatchObject({ count, name, massKg }),
  )
  it.each([
    ['rakes 3', 3, 'rakes'],
    ['rakes x 3', 3, 'rakes'],
    ['rakes (3)', 3, 'rakes'],
    ['Bikes - 4', 4, 'Bikes'],
    ['4x bike', 4, 'bike'],
    ['- 2 bikes', 2, 'bikes'],
    ['two bikes', 2, 'bikes'],
    ['a dozen paint cans', 12, 'paint cans'],
    ['my old bike', 1, 'old bike'],
    ['3 sets of skis', 3, 'skis'],
    ['5 gallon buckets x 3', 3, '5 gallon buckets'],
    ['winter clothes 3 totes', 3, 'totes of winter clothes'],
  ])('a count wherever and however it is said: %s', (line, count, name) =>
    expect(read(line)).toMatchObject({ count, name }),
  )
  it('the one length people know of a ladder, a board, a table', () => {
    expect(read('8 ft step ladder')).toMatchObject({ count: 1, size: [2438, 500, 150], name: '8 ft step ladder' })
    expect(read("2 24' extension ladders")).toMatchObject({ count: 2, size: [3658, 450, 180] })
    expect(read('kayak 10 ft, 50 lb')).toMatchObject({ size: [3048, 650, 380], massKg: 23 })
    expect(read('step ladder 2.4 m', 'metric')).toMatchObject({ size: [2400, 500, 150] })
    // A blade, or what it runs on, is no size of the tool.
    expect(read('10 inch table saw').size).toEqual(read('table saw').size)
    expect(read('18v drill').size).toEqual(read('drill').size)
    expect(isRead('60 ft step ladder')).toBe(false)
    expect(isRead('8 ft gadget')).toBe(false)
  })
  it('a ladder of which only the length is said is a straight one; without it somebody is asked which', () => {
    const long = (line: string, system: UnitSystem) => read(line, system).size[0]
    expect(long('12 ft ladder', 'imperial')).toBe(3658)
    expect(read('ladder 3 m', 'metric')).toMatchObject({ name: '3 m ladder', kind: 'board', size: [3000, 420, 90] })
    expect(read('2 ladders 4 m', 'metric')).toMatchObject({ count: 2, size: [4000, 420, 90] })
    expect(isRead('ladder')).toBe(false)
    // It weighs as one does, and not as so much solid wood.
    expect(usualMeant('12 ft ladder')?.name).toBe('straight ladder')
    expect(usualMeant('ladder')).toBeUndefined()
    const one = parseGoodsLine('12 ft ladder', 'imperial', 'x')
    expect(one.ok && presumedMass(one.value).kg).toBeLessThan(30)
  })
  it('a comma before the figures of a metric length or mass', () => {
    expect(read('8 laths 2,4 m', 'metric')).toMatchObject({ count: 8, size: [2400, 50, 25] })
    expect(read('plank 2,75 m', 'metric').size[0]).toBe(2750)
  })
  it.each([
    ['10 crates 400 x 300 x 240 mm 9 kg', [400, 300, 240], 9],
    ['10 crates 400x300x240 mm, 9 kg', [400, 300, 240], 9],
    ['box 40 x 30 x 24 cm 9 kg', [400, 300, 240], 9],
    ['box 16 x 12 1/2 x 10 in 20 lb', [406, 318, 254], 9],
    ['box 16 x 12 x 10 20 lb', [406, 305, 254], 9],
  ])('a mass right after a size with its unit: %s', (line, size, massKg) =>
    expect(read(line)).toMatchObject({ size, massKg }),
  )
  it.each([
    ['crate 2 x 1 x 1 ft', [610, 305, 305]],
    ["box 2 x 2 x 2'", [610, 610, 610]],
    ['work table 6 x 2 x 3 ft', [1829, 610, 914]],
    // The last alone is in feet where it is the longest, or the others would be longer than anything that is kept.
    ['beam 4 x 3 x 6 ft', [102, 76, 1829]],
    ['cabinet 16 x 12 x 6 ft', [406, 305, 1829]],
  ])('feet said once are those of all, or of the longest: %s', (line, size) => expect(read(line).size).toEqual(size))
  it('what a thing takes is none of its size: it goes by that as well', () => {
    expect(read('chest freezer 200 l', 'metric').size).toEqual(read('chest freezer', 'metric').size)
    expect(read('chest freezer 7 cu ft').size).toEqual(read('chest freezer').size)
    expect(read('20 gallon air compressor').size).toEqual(read('air compressor').size)
    expect(read('compost 50 l x 6', 'metric')).toMatchObject({ count: 6, kind: 'bag' })
    expect(read('2 beer crates', 'metric')).toMatchObject({ count: 2, size: [400, 300, 280] })
  })
  it('lumber by its names, in inches and feet, and nothing else that is called so', () => {
    const studs = { count: 12, kind: 'board', size: [2438, 89, 38] }
    for (const line of ['12 2x4 8 ft', '12 2x4x8', '12 2x4 studs', '2x4 studs 12', '12 2x4s', '12 boards 2x4, 8 ft'])
      expect([line, read(line)]).toEqual([line, { ...studs, name: '2x4 8 ft', massKg: null }])
    for (const line of ['12 2x4x8, 9 lb', '12 2x4 9 lb 8 ft', '12 lumber 2x4x8, 9', '12 2x4s, 8 ft, 9 lb'])
      expect([line, read(line)]).toEqual([line, { ...studs, name: '2x4 8 ft', massKg: 4 }])
    expect(read('20 pieces of 2x6 10 ft')).toMatchObject({ count: 20, size: [3048, 140, 38] })
    expect(read('9 boards 38x89, 2.4 m', 'metric')).toMatchObject({ count: 9, size: [2400, 89, 38], massKg: null })
    expect(isRead('2 crates 12 x 9, 8 ft')).toBe(false)
    expect(read('3 brick 2 x 4 x 8')).toMatchObject({ name: 'brick', size: [51, 102, 203] })
    expect(read('box 2x4x8')).toMatchObject({ kind: 'box', size: [51, 102, 203] })
    for (const line of ['2x4x30', '2x5 8 ft', '0 2x4']) expect([line, isRead(line)]).toEqual([line, false])
    expect(isRead('12 2x4 8 ft', 'metric')).toBe(false)
  })
  it('what things are put in by that alone, whatever is in it; its size is asked for', () => {
    expect(read('12 totes')).toMatchObject({ count: 12, kind: 'tote', size: sizeOf('tote-27') })
    expect(read('12 totes', 'metric')).toMatchObject({ size: sizeOf('box-60l') })
    expect(read('bucket of screws 40 lb')).toMatchObject({ kind: 'pail', size: sizeOf('pail-5'), massKg: 18 })
    expect(read('4 large storage bins')).toMatchObject({ kind: 'tote', count: 4 })
    const goods = (name: string, id: string) => {
      const [acrossMm, deepMm, tallMm] = sizeOf(id)
      return newGoods({ id: 'g', name, kind: 'tote', count: 1, acrossMm, deepMm, tallMm, massKg: 9 })
    }
    const asks = (name: string, id: string) => doubts(goods(name, id)).map((d) => d.code)
    expect(asks('totes', 'tote-27')).toContain('usual-size')
    expect(asks('totes', 'tote-17')).not.toContain('usual-size')
    expect(asks('27-gallon tote', 'tote-27')).not.toContain('usual-size')
  })
  it('what is said in order is read as it always was, and what is no line is none', () => {
    expect(read('tote 16 x 24 x 12')).toMatchObject({ count: 1, size: [406, 610, 305] })
    for (const line of [
      '-2 bikes',
      '2 rake 3',
      '2 drums, full',
      '3 gadgets',
      '6 l of screws in box',
      'bike, ladder',
      '',
    ])
      expect([line, isRead(line)]).toEqual([line, false])
    for (const line of ['rakes 0', 'rake x 9999', '0 totes'])
      expect(parseGoodsLine(line, 'imperial', 'x')).toMatchObject({ ok: false, problem: { code: 'count' } })
    // Refused, what is like it is named all the same.
    const r = parseGoodsLine('two ladders', 'imperial', 'x')
    expect(!r.ok && String(r.problem.data!.like)).toMatch(/extension ladder/)
  })
  it('several in one line, if each of them is one', () => {
    let n = 0
    const several = (line: string) => {
      const r = parseGoodsLines(line, 'imperial', () => `g${n++}`)
      return r.ok ? r.value.map((g) => `${g.count} ${g.name}`) : r.problem.code
    }
    expect(several('4 bikes, 2 scooters and a kayak')).toEqual(['4 bikes', '2 scooters', '1 kayak'])
    expect(several('hammer & 2 chisels')).toEqual(['1 hammer', '2 chisels'])
    expect(several('12 tote 16 1/2 x 24 x 12 1/2, 31 lb')).toEqual(['12 tote'])
    expect(several('bag of sand and gravel')).toEqual(['1 bag of sand and gravel'])
    expect(several('4 bikes, 2 gadgets')).toBe('line-sizes')
    expect(several('1 tote 16 x 24 x 12, very heavy')).toBe('not-a-mass')
    const ids = parseGoodsLines('bike, kayak', 'metric', () => `g${n++}`)
    expect(ids.ok && new Set(ids.value.map((g) => g.id)).size).toBe(2)
  })
  it('in a list without sizes they are as large as their names say; a number there may be of a label', () => {
    const names = ['8 ft step ladder', '50 lb bag of salt', 'Tote 12', 'bucket of screws', 'gadget']
    const { goods, problems } = rowsToGoods(
      names.map((name) => ({ name, count: name === 'Tote 12' ? '' : '2' })),
      'imperial',
      (row) => `r${row}`,
    )
    expect(
      goods.map((g) => [g.count, g.name, g.kind, Math.round(g.acrossMm), g.massKg && Math.round(g.massKg)]),
    ).toEqual([
      [2, '8 ft step ladder', 'board', 2438, null],
      [2, '50 lb bag of salt', 'bag', 450, 23],
      [1, 'Tote 12', 'tote', 508, null],
      [2, 'bucket of screws', 'pail', 305, null],
    ])
    expect(problems.map((p) => [p.row, p.code])).toEqual([[5, 'row-missing']])
  })
})

describe('a length that is none of the size', () => {
  it.each([
    ['21 in lawn mower', 'lawn mower'],
    ['snow blower 24 in', 'snow blower'],
    ['42 in riding mower', 'riding mower'],
    ['chain saw 18 in', 'chain saw'],
    ['planer 12 inch', 'planer'],
    ['14 in band saw', 'band saw'],
    ['26 inch bike', 'bike'],
    ['17 in tire', 'tire'],
    ['100 ft extension cord', 'extension cord'],
    ['garden hose 75 ft', 'garden hose'],
    ['2 person tent', 'tent'],
    ['4 drawer filing cabinet', 'filing cabinet'],
  ])('%s is as large as one is', (line, plain) =>
    expect(read(line)).toMatchObject({ count: 1, size: read(plain).size }),
  )
  it.each([
    ['2 kayak paddles', 'paddle', 2],
    ['push mower', 'lawn mower', 1],
    ['4 salt bags', 'bag of salt', 4],
    ['power washer', 'pressure washer', 1],
    ['string lights', 'string of lights', 1],
    ['3 pipe clamps', 'bar clamp', 3],
    ['ice chest', 'cool box', 1],
  ])('%s is called otherwise: %s', (line, plain, count) =>
    expect(read(line)).toMatchObject({ count, size: read(plain).size }),
  )
  it('how many of what is named by a number in words', () => {
    expect(read('10 five gallon buckets')).toMatchObject({ count: 10, size: read('5 gallon bucket').size })
    expect(read('10 five-gallon buckets')).toMatchObject({ count: 10, size: read('5 gallon bucket').size })
  })
  it('so in millimetres, where a machine is called by what it cuts', () => {
    expect(read('chain saw 450 mm', 'metric').size).toEqual(read('chain saw', 'metric').size)
    expect(read('lawn mower 46 cm', 'metric').size).toEqual(read('lawn mower', 'metric').size)
    // As long as it may be itself, or said of a side of it, it is its size.
    expect(read('bike 1500 mm', 'metric').size[0]).toBe(1500)
    expect(read('26 in wide band saw').size[0]).toBe(660)
  })
  it('is of the side that is said, or the longest', () => {
    const desk = read('desk').size
    expect(read('desk 48 in wide').size).toEqual([1219, desk[1], desk[2]])
    expect(read('desk 30 in deep').size).toEqual([desk[0], 762, desk[2]])
    expect(read('bookcase 6 ft tall').size[2]).toBe(1829)
    expect(read('door 32 in wide').size).toEqual([2000, 40, 813])
    expect(read('window 36 in tall').size[2]).toBe(914)
    expect(read('window 30 in wide').size[0]).toBe(762)
  })
  it.each([
    ['skis 6 ft, 4 pair', 4, 1829],
    ['10 ft 2x4, 6 of them', 6, 3048],
    ["8' 4x4 posts", 1, 2438],
    ['6 8 ft 2x4s', 6, 2438],
  ])('%s: so many, so long', (line, count, long) => {
    const g = read(line)
    expect([g.count, g.size[0]]).toEqual([count, long])
  })
  it('what it is put in says no more', () => {
    expect(read('bird seed 40lb bag')).toMatchObject({ name: 'bird seed bag', kind: 'bag', massKg: 18 })
    expect(read('dog food bag').size).toEqual(read('dog food').size)
  })
})

describe('sheets by what they are called', () => {
  it.each([
    ['3 sheets of 3/4 plywood', 3, [2438, 19, 1219], '3/4 plywood 4x8'],
    ['4x8 plywood', 1, [2438, 19, 1219], 'plywood 4x8'],
    ['drywall 4x8 3 sheets', 3, [2438, 13, 1219], 'drywall 4x8'],
    ['2 4x8 sheets of 1/2 in osb', 2, [2438, 13, 1219], '1/2 in osb 4x8'],
    ['1/4 hardboard x 2', 2, [2438, 6, 1219], '1/4 hardboard 4x8'],
    ['2x4 plywood', 1, [1219, 19, 610], 'plywood 2x4'],
    ['4 x 10 drywall', 1, [3048, 13, 1219], 'drywall 4x10'],
  ])('%s', (line, count, size, name) => expect(read(line)).toMatchObject({ kind: 'sheet', count, size, name }))
  it('with what one weighs', () => {
    expect(read('1/4 hardboard 2 sheets, 12 lb')).toMatchObject({ count: 2, massKg: 5 })
    expect(read('2 sheets 3/4 plywood, 61 lb')).toMatchObject({ count: 2, massKg: 28 })
  })
  it('others are no such sheets', () => {
    // Lumber; a usual sheet; three sizes; in millimetres nobody says so.
    expect(read('2x4 8 ft').kind).toBe('board')
    expect(read('plywood').size).toEqual([2440, 18, 1220])
    expect(read('plywood offcut 30 x 3/4 x 20').size).toEqual([762, 19, 508])
    expect(isRead('4x8 plywood 3 4', 'imperial')).toBe(false)
    expect(isRead('4x8 plywood', 'metric')).toBe(false)
    expect(isRead('2x4 scraps')).toBe(false)
  })
  it.each([
    ['18mm ply 5 sheets', 5, [2440, 18, 1220], '18mm ply'],
    ['osb 18 mm x 3', 3, [2440, 18, 1220], '18 mm osb'],
    ['12 mm plywood 2500 x 1250, 24 kg', 1, [2500, 12, 1250], '12 mm plywood 1250x2500'],
    ['plasterboard 1200 x 2400', 1, [2400, 13, 1200], 'plasterboard 1200x2400'],
  ])('in millimetres: %s', (line, count, size, name) =>
    expect(read(line, 'metric')).toMatchObject({ kind: 'sheet', count, size, name }),
  )
  it.each([
    ['cls 38x63 2.4m x 10', 10, [2400, 63, 38], '38x63 2.4 m'],
    ['38 x 89 x 3.6 m', 1, [3600, 89, 38], '38x89 3.6 m'],
    ['10 lengths of 47x100 3.6 m', 10, [3600, 100, 47], '47x100 3.6 m'],
    ['4 planks 200 x 25 x 3 m, 8 kg', 4, [3000, 200, 25], '25x200 3 m'],
  ])('boards sawn to millimetres: %s', (line, count, size, name) =>
    expect(read(line, 'metric')).toMatchObject({ kind: 'board', count, size, name }),
  )
  it('what has three sizes in one unit is as it was', () => {
    expect(read('panel 600 x 18 x 400', 'metric').size).toEqual([600, 18, 400])
    expect(read('timber 2400 x 89 x 38', 'metric').size).toEqual([2400, 89, 38])
    expect(read('set of 4 winter tires')).toMatchObject({ count: 4, name: 'winter tires' })
  })
})

describe('sizes in another order', () => {
  it.each([
    ['16 x 24 x 12 tote', 1, 'tote', [406, 610, 305]],
    ['4 16 1/2 x 24 x 12 totes, 30 lb', 4, 'totes', [419, 610, 305]],
    ['tote 16x24x12 x 8', 8, 'tote', [406, 610, 305]],
    ['boxes 18x18x16 x 20', 20, 'boxes', [457, 457, 406]],
    ['crate 2 x 1 x 1 ft', 1, 'crate', [610, 305, 305]],
  ])('%s', (line, count, name, size) => expect(read(line)).toMatchObject({ count, name, size }))
  it('so many, each so heavy, of what holds so much', () =>
    expect(read('27 gal tote x 6 40 lb')).toMatchObject({ count: 6, massKg: 18, size: sizeOf('tote-27') }))
  it.each([
    ['12 ft aluminum ladder', 3658],
    ['ladder 6ft fiberglass', 1829],
    ['1x6x8 pine', 2438],
  ])('what it is made of says no more: %s', (line, long) => expect(read(line).size[0]).toBe(long))
  it.each([
    ['3 ton floor jack', 'floor jack'],
    ['1/2 in drill', 'drill'],
    ['bmx', 'small bicycle'],
    ['2 mountain bikes', 'bicycle'],
  ])('%s is as large as one is', (line, plain) => expect(read(line).size).toEqual(read(plain).size))
  it('so many after a measure that is one of it is not so many of that measure', () => {
    expect(isRead('quart paint 8')).toBe(false)
    expect(read('gallon paint').size).toEqual(read('1 gallon paint').size)
    expect(read('1 quart paint x 8')).toMatchObject({ count: 8, size: read('1 quart paint').size })
  })
})
