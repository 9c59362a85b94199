import type { Placed } from '../assembly/assembly.ts'
import type { PartBoxes } from '../assembly/part-box.ts'
import { boxSize } from '../geometry/box.ts'
import { isLong, type Goods } from '../goods/goods.ts'
import { newtons } from '../measure/units.ts'
import { secondMoment } from '../mechanics/section.ts'
import { defineCheck, measured, plain, type CheckResult } from './check.ts'

/*
 * What is long lies on two arms at least, on both sides of its middle. Boards there bend under themselves, and stay bent:
 * between two arms, and past the outer ones.
 */

/** Softwood nobody has graded, MPa: EN 338 C16 mean. */
const E_MPA = 8000
/** What lies for years sags so many times as far as on day one: NDS 2018 3.5.2 unseasoned, EN 1995-1-1 about the same. */
const CREEP = 2
/** A board that has sagged further than this share of its span is no longer straight. Product decision. */
const LIMIT = 1 / 200

interface Sag {
  mm: number
  spanMm: number
  past: boolean
}

/** @param at middles of what it lies on, along it, mm */
function sags(g: Goods, item: Placed, at: readonly number[]): Sag | null {
  const [from, to] = [item.box.min[0], item.box.max[0]]
  const under = at.filter((x) => x >= from && x <= to).sort((a, b) => a - b)
  if (under.length < 2 || item.massKg === null) return null
  const w = newtons(item.massKg) / (to - from)
  const ei = E_MPA * secondMoment(g.deepMm, g.tallMm)
  const between = Math.max(...under.slice(1).map((x, i) => x - under[i]))
  const past = Math.max(under[0] - from, to - under[under.length - 1])
  const spans: Sag[] = [
    { mm: (CREEP * 5 * w * between ** 4) / (384 * ei), spanMm: between, past: false },
    { mm: (CREEP * w * past ** 4) / (8 * ei), spanMm: past, past: true },
  ]
  return spans.reduce((a, b) => (b.mm / b.spanMm > a.mm / a.spanMm ? b : a))
}

/** Whether a row of pieces runs out from the wall, as arms and bearers do: what is long lies across them. */
const isRow = (ids: readonly string[], boxes: PartBoxes): boolean =>
  ids.length > 1 &&
  ids.every((id) => {
    const [x, y] = boxSize(boxes.get(id)!)
    return x < y
  })

/** Whether something long rests on arms on both sides of its middle. */
function rests({ box: { min, max } }: Placed, at: readonly number[]): boolean {
  const middle = (min[0] + max[0]) / 2
  const under = at.filter((x) => x >= min[0] && x <= max[0])
  return under.length > 1 && Math.min(...under) < middle && Math.max(...under) > middle
}

export const lying = defineCheck({
  id: 'lying',
  reads: ['assembly', 'boxes', 'goods'],
  run({ assembly, boxes, goods }): CheckResult[] {
    const worst = new Map<string, { g: Goods; sag: Sag; bays: string[] }>()
    const falling = new Map<string, { g: Goods; bay: string }>()
    for (const b of assembly.bays) {
      if (b.carriers.length < 2 || b.holds !== 'surface') continue
      const at = b.carriers.map((id) => (boxes.get(id)!.min[0] + boxes.get(id)!.max[0]) / 2)
      for (const item of b.items) {
        const g = goods.get(item.goodsId)
        if (g && isLong(g) && item.stands !== 'bar' && isRow(b.carriers, boxes) && !rests(item, at))
          falling.set(g.id, { g, bay: b.id })
        const sag = g?.kind === 'board' ? sags(g, item, at) : null
        if (!g || !sag) continue
        const seen = worst.get(g.id)
        if (!seen || sag.mm / sag.spanMm > seen.sag.mm / seen.sag.spanMm) worst.set(g.id, { g, sag, bays: [b.id] })
      }
    }
    const given = { check: 'lying', link: 'goods' as const }
    const off = [...falling.values()].map(({ g, bay }) =>
      plain({
        ...{ ...given, code: 'lying-off', quantity: 'count', state: 'fails', bays: [bay] },
        ...{ subject: `${g.id}:off`, data: { goods: g.name } },
      }),
    )
    const bent = [...worst.values()].map(({ g, sag, bays }) =>
      measured({
        ...given,
        code: 'lying',
        quantity: 'sag',
        subject: g.id,
        demand: sag.mm,
        capacity: LIMIT * sag.spanMm,
        bays,
        data: { goods: g.name, sagMm: sag.mm, spanMm: sag.spanMm, past: sag.past ? 1 : 0 },
        working: {
          formula: sag.past ? '2 · w·a⁴ / (8·EI) ≤ a / 200' : '2 · 5·w·L⁴ / (384·EI) ≤ L / 200',
          inputs: [
            { symbol: sag.past ? 'a' : 'L', value: sag.spanMm, quantity: 'length' },
            { symbol: 'E', value: E_MPA, quantity: 'stress', source: 'EN 338 C16, mean: nobody has graded it' },
          ],
          source: 'beam on two supports, and past the last; limit: product decision',
        },
      }),
    )
    return [...off, ...bent]
  },
})
