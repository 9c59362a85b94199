import { describe, expect, it } from '@jest/globals'
import { rowsToGoods } from '../goods/csv.ts'
import { GOODS_LIMITS, newGoods } from '../goods/goods.ts'
import { parseGoodsLine } from '../goods/parse-line.ts'
import { presumedMass } from '../goods/presumed.ts'
import { doubts } from '../goods/suspicious.ts'
import { allFamilies } from '../families/registry.ts'
import { formatLength } from '../measure/format.ts'
import { waysToKeep } from '../project/ways-to-keep.ts'
import { usualThing, usualThingsLike } from './find-usual.ts'
import { TOLD_OFTEN } from './usual-often.ts'
import { isPluggedIn } from './usual-plugged.ts'
import { USUAL_GROUPS, USUAL_THINGS } from './usual-things.ts'

const said = (line: string, system: 'metric' | 'imperial' = 'metric') => {
  const r = parseGoodsLine(line, system, 'g')
  if (!r.ok) throw new Error(r.problem.code)
  return r.value
}

describe('usual things', () => {
  it('are many, in every group, each named once and of a size that can be', () => {
    expect(USUAL_THINGS.length).toBeGreaterThanOrEqual(120)
    for (const group of USUAL_GROUPS) expect(USUAL_THINGS.filter((t) => t.group === group).length).toBeGreaterThan(3)
    for (const t of USUAL_THINGS) {
      expect(usualThing(t.name)).toBe(t)
      for (const mm of [t.acrossMm, t.deepMm, t.tallMm]) {
        expect(mm * (1 - t.spread)).toBeGreaterThanOrEqual(GOODS_LIMITS.minMm)
        expect(mm * (1 + t.spread)).toBeLessThanOrEqual(GOODS_LIMITS.maxMm)
      }
      // Between packing foam and solid stone.
      const density = t.mostKg / ((t.acrossMm * t.deepMm * t.tallMm) / 1e9)
      expect({ name: t.name, can: density > 8 && density < 2700 }).toEqual({ name: t.name, can: true })
    }
  })
  it('are found as they are typed, and by one of several', () => {
    expect(usualThingsLike('fre', 9).map((t) => t.name)).toEqual(['chest freezer', 'upright freezer'])
    expect(usualThingsLike('chest fr', 9).map((t) => t.name)).toEqual(['chest freezer'])
    expect(usualThingsLike('step', 9)[0].name).toBe('step ladder')
    expect(usualThingsLike('zzz', 9)).toEqual([])
    expect(usualThingsLike('  ', 9)).toEqual([])
    expect(usualThing('Chest Freezers')?.name).toBe('chest freezer')
    for (const [several, one] of [
      ['boxes of books', 'box of books'],
      ['kids bike', 'small bicycle'],
      ['child’s bike', 'small bicycle'],
      ['dog crate', 'pet crate'],
      ['garbage cans', 'waste bin on wheels'],
      ['crates of jars', 'crate of jars'],
      ['axes', 'axe'],
      ['pairs of skis', 'pair of skis'],
      ['hand planes', 'hand plane'],
    ])
      expect(usualThing(several)?.name).toBe(one)
    expect(usualThing('freezer of my aunt')).toBeUndefined()
  })
  it('go by other names too, in one word or in two, and none of those is the name of another', () => {
    for (const [name, thing] of [
      ['chainsaw', 'chain saw'],
      ['sawhorses', 'saw horse'],
      ['toolbox', 'tool box'],
      ['lawnmower', 'lawn mower'],
      ['barbecue', 'charcoal grill'],
      ['bikes', 'bicycle'],
      ['garden hose', 'garden hose on its reel'],
      ['plant pots', 'flower pot'],
      ['winter tyres', 'wheel with tyre'],
      ['drums of water', 'drum of water'],
      ['gas bottles', 'bottle of gas'],
    ])
      expect([name, usualThing(name)?.name]).toEqual([name, thing])
    const all = USUAL_THINGS.flatMap((t) => [t.name, ...t.also].map((x) => [x, t.name]))
    for (const [said, of] of all) expect([said, usualThing(said)?.name]).toEqual([said, of])
    expect(usualThingsLike('chains', 9).map((t) => t.name)).toContain('chain saw')
    expect(usualThingsLike('bike', 9)[0].name).toBe('bicycle')
    expect(usualThingsLike('barbec', 9).map((t) => t.name)).toEqual(['charcoal grill'])
    expect(said('2 sawhorses')).toMatchObject({ name: 'sawhorses', count: 2, acrossMm: 1000 })
  })
  it('may be said without a size, which is asked about until somebody measures', () => {
    const g = said('2 chest freezers')
    expect(g).toMatchObject({ name: 'chest freezers', kind: 'equipment', count: 2, acrossMm: 900, massKg: null })
    expect(doubts(g).map((d) => d.code)).toEqual(['usual-size', 'not-weighed'])
    expect(doubts({ ...g, deepMm: 640 }).map((d) => d.code)).toEqual(['not-weighed'])
    expect(said('bicycle')).toMatchObject({ count: 1, kind: 'bicycle', acrossMm: 1750 })
    for (const [line, code] of [
      ['0 bicycle', 'count'],
      ['3 gadgets', 'line-no-size'],
      ['bicycle 10 x 20', 'line-sizes'],
    ])
      expect(parseGoodsLine(line, 'metric', 'g')).toMatchObject({ ok: false, problem: { code } })
  })
  it('are named where what was said is part of what several are called', () => {
    for (const line of ['1 ladder', '2 ladders', 'ladder']) {
      const r = parseGoodsLine(line, 'metric', 'g')
      expect(r.ok).toBe(false)
      if (!r.ok)
        expect(String(r.problem.data!.like).split(', ').sort()).toEqual([
          'extension ladder',
          'folding ladder',
          'loft ladder',
          'step ladder',
          'straight ladder',
        ])
    }
    const none = parseGoodsLine('3 gadgets', 'metric', 'g')
    expect(none).toMatchObject({ ok: false, problem: { data: { like: '' } } })
  })
  it('as they are suggested are lines that can be entered, in either system', () => {
    for (const t of USUAL_THINGS)
      for (const system of ['metric', 'imperial'] as const) {
        const sizes = [t.acrossMm, t.deepMm, t.tallMm].map((mm) => formatLength(mm, { system, fraction: 16 }))
        const g = said(`3 ${t.name} ${sizes.join(' x ')}`, system)
        expect(g).toMatchObject({ name: t.name, count: 3, kind: t.kind })
        expect(Math.abs(g.acrossMm - t.acrossMm)).toBeLessThan(1)
        // Taken over as it was suggested it is asked about, whichever the unit.
        expect(doubts(g).map((d) => d.code)).toContain('usual-size')
      }
  })
  it('are presumed to weigh the most such things do, more where they are larger', () => {
    const g = said('chest freezer')
    expect(presumedMass(g)).toMatchObject({ contents: 'usual', kg: 60 })
    expect(presumedMass({ ...g, acrossMm: 1800 }).kg).toBe(120)
    expect(presumedMass({ ...g, acrossMm: 500 }).kg).toBe(60)
  })
  it('are kept by some kind of build, or are known to have none yet', () => {
    expect(allFamilies().length).toBeGreaterThan(10)
    const homeless = USUAL_THINGS.filter((t) => waysToKeep(said(t.name)).length === 0)
    expect(homeless.map((t) => t.name)).toEqual([])
  })
})

describe('how often usual things are needed', () => {
  it('is told of things there are, each once', () => {
    expect(TOLD_OFTEN.filter((name) => usualThing(name)?.name !== name)).toEqual([])
    expect(new Set(TOLD_OFTEN).size).toBe(TOLD_OFTEN.length)
  })
  it('is what they begin with, by whatever name they go, until somebody says otherwise', () => {
    expect(said('2 chest freezers').often).toBe('daily')
    expect(said('fridge').often).toBe('daily')
    expect(said('rake').often).toBe('weekly')
    expect(said('4 boxes of decorations 400 x 300 x 300').often).toBe('seldom')
    expect(said('freezer of my aunt 600 x 600 x 900').often).toBe('weekly')
    expect(newGoods({ ...said('christmas tree'), often: 'daily' }).often).toBe('daily')
  })
  it('a list without a word of it has it too', () => {
    const row = { name: 'sled', across: '1000', deep: '450', tall: '280' }
    const { goods } = rowsToGoods([row, { ...row, often: 'weekly' }], 'metric', (i) => `g${i}`)
    expect(goods.map((g) => g.often)).toEqual(['seldom', 'weekly'])
  })
})

describe('what is plugged in where it is kept', () => {
  it('are usual machines, each under its name', () => {
    const machines = USUAL_THINGS.filter((t) => t.kind === 'equipment')
    const plugged = machines.filter((t) => isPluggedIn(t.name))
    expect(plugged).toHaveLength(29)
    expect(machines.filter((t) => t.also.some((x) => isPluggedIn(x) !== isPluggedIn(t.name)))).toEqual([])
    expect(isPluggedIn('rotary evaporator')).toBe(true)
  })
})
