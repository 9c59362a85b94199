import { describe, expect, it } from '@jest/globals'
import { sayAnswers, sayAsked, sayDoubts } from '../wording/doubts.ts'
import { sayIn } from '../wording/say.ts'
import { METRIC } from '../measure/units.ts'
import { questions } from './asked.ts'
import { parseGoodsLine } from './parse-line.ts'
import type { Goods } from './goods.ts'

const say = sayIn(METRIC)
const said = (...lines: string[]): Goods[] =>
  lines.map((line, i) => {
    const r = parseGoodsLine(line, 'metric', `g${i}`)
    if (!r.ok) throw new Error(line)
    return r.value
  })
const told = (goods: Goods[], answered: string[] = []) =>
  questions(goods, answered).map((q) => q.map((x) => x.key).join(' '))

describe('what is asked of goods', () => {
  it('of two things is asked of each', () =>
    expect(told(said('sled', 'rake, 1 kg')).filter((k) => k.includes('usual-size'))).toEqual([
      'g0:usual-size',
      'g1:usual-size',
    ]))
  it('alike of many is one question, after what may be a slip', () => {
    const goods = said('chest freezer', 'sled', 'lawn mower', 'box 300 x 300 x 300, 400 kg')
    expect(told(goods)).toEqual([
      'g3:very-dense',
      'g0:usual-size g1:usual-size g2:usual-size',
      'g0:not-weighed g1:not-weighed g2:not-weighed',
    ])
  })
  it('is not asked again of what somebody has answered', () =>
    expect(
      told(said('chest freezer', 'sled', 'lawn mower'), ['g0:usual-size', 'g1:usual-size', 'g2:usual-size']),
    ).toEqual(['g0:not-weighed g1:not-weighed g2:not-weighed']))
  it('names the first of many, and what is asked of all', () => {
    const [sizes, masses] = questions(said('chest freezer', 'sled', 'lawn mower', 'rake', 'broom'), [])
    expect(sayAsked(sizes)).toBe('chest freezer, sled, lawn mower and 2 others')
    expect(sayDoubts(sizes, say)).toMatch(/^have the sizes such things usually have/)
    expect(sayDoubts(masses, say)).toMatch(/^not weighed\. They are counted on the heavy side/)
    expect(sayAnswers(sizes)).toBe('They are right')
    expect(sayAnswers(masses)).toBe('Leave them so')
    const [one] = questions(said('sled, 5 kg'), [])
    expect(sayAsked(one)).toBe('sled')
    expect(sayDoubts(one, say)).toContain('Measure it')
    expect(sayAnswers(one)).toBe('It is right')
  })
})
