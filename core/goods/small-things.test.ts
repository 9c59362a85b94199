import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../test-support/near.ts'
import { METRIC } from '../measure/units.ts'
import { sayProblem } from '../wording/problems.ts'
import { sayIn } from '../wording/say.ts'
import { newGoods } from './goods.ts'
import { parseGoodsLine } from './parse-line.ts'
import { presumedMass } from './presumed.ts'
import { filledWith, litresIn, parseHeap } from './small-things.ts'

const heap = (text: string) => {
  const r = parseHeap(text)
  if (!r?.ok) throw new Error(JSON.stringify(r))
  return r.value
}
const line = (text: string, system: 'metric' | 'imperial' = 'metric') => parseGoodsLine(text, system, 'g')

describe('a heap of small things', () => {
  it('is said by its volume and what it goes into, either way round', () => {
    expect(heap('6 l of screws in box 110 x 90 x 50')).toEqual({ name: 'screws', litres: 6, container: 'box 110 x 90 x 50' }) // prettier-ignore
    expect(heap('wooden blocks 12.5 litres into tote 400 x 300 x 200').litres).toBe(12.5)
    expect(heap('1 1/2 gal nails in pail 12 dia x 14').name).toBe('nails')
  })
  it('in any usual unit: a gallon is 231 cubic inches', () => {
    expectNear(heap('1 gal x in box 1').litres, 3.785411784, 1e-9)
    expectNear(heap('4 qt x in box 1').litres, 3.785411784, 1e-9)
    expectNear(heap('500 ml x in box 1').litres, 0.5, 1e-12)
    expectNear(heap('1 cu ft x in box 1').litres, 28.316846592, 1e-9)
  })
  it('is none where no volume is said', () => {
    for (const text of [
      '12 tote 400 x 300 x 200',
      '2 bicycles',
      'box 12 in x 8 in x 6 in',
      'saw in case 300 x 200 x 90',
    ])
      expect(parseHeap(text)).toBeNull()
  })
  it('fills as many of a container as it takes: three quarters of the box round it', () => {
    const box = newGoods({ id: 'b', name: 'box', kind: 'box', count: 1, acrossMm: 200, deepMm: 100, tallMm: 100, massKg: null }) // prettier-ignore
    expectNear(litresIn(box), 1.5, 1e-12)
    const count = (litres: number) => {
      const r = filledWith({ name: 'x', litres, container: '' }, box)
      return r.ok ? r.value.count : null
    }
    expect([count(1.5), count(1.51), count(6), count(0.001)]).toEqual([1, 2, 4, 1])
    const pail = { ...box, kind: 'pail' as const }
    expectNear(litresIn(pail), 1.5 * (Math.PI / 4), 1e-12)
    expect(filledWith({ name: 'x', litres: 90_000, container: '' }, box).ok).toBe(false)
  })
})

describe('in the line where things are said', () => {
  it('it is so many containers, named by what is in them, and presumed to weigh what that does', () => {
    const r = line('6 l of screws in box 150 x 100 x 80')
    expect(r).toMatchObject({ ok: true, value: { kind: 'box', count: 7, name: 'screws in box', massKg: null } })
    if (r.ok) expect(presumedMass(r.value).contents).toBe('metal')
    expect(line('5 qt of screws in box 6 x 4 x 3', 'imperial')).toMatchObject({ ok: true, value: { count: 6 } })
  })
  it('keeps a count that is said and more than it takes', () => {
    expect(line('6 l of screws in 9 box 150 x 100 x 80')).toMatchObject({ ok: true, value: { count: 9 } })
    expect(line('6 l of screws in 2 box 150 x 100 x 80')).toMatchObject({ ok: true, value: { count: 7 } })
  })
  it('keeps a mass that is said of one of them', () => {
    expect(line('20 l of seed in tote 400 x 300 x 200, 9 kg')).toMatchObject({ ok: true, value: { massKg: 9, kind: 'tote' } }) // prettier-ignore
  })
  it.each([
    '0 l of screws in box 150 x 100 x 80',
    '-3 l of screws in box 150 x 100 x 80',
    '9999999 l of x in box 1 x 1 x 1',
  ])('%s is refused, and said in words', (text) => {
    const r = line(text)
    expect(r).toMatchObject({ ok: false, problem: { code: 'heap-volume', field: 'count' } })
    if (!r.ok) expect(sayProblem(r.problem, sayIn(METRIC))).toMatch(/no volume/)
  })
  it('what is wrong of the container is said of that', () => {
    expect(line('6 l of screws in box')).toMatchObject({ ok: false })
    expect(line('6 l of screws in box 100 x 50')).toMatchObject({ ok: false, problem: { code: 'line-sizes' } })
  })
})
