import { describe, expect, it } from '@jest/globals'
import { shapedExamples } from '../../test-support/examples.ts'
import { METRIC } from '../measure/units.ts'
import { sayIn } from '../wording/say.ts'
import { saySettingOut } from '../wording/setting-out.ts'
import { holesThrough, settingOut } from './setting-out.ts'

const corner = { alongMm: 1000, outMm: 250 }
const examples = shapedExamples().map(({ name, shaped, context }) => ({
  name,
  a: shaped.assembly,
  space: context.space,
}))
const marked = examples.filter((x) => x.a.anchors.some((y) => y.into !== 'neighbour' && y.into !== 'slab' && !y.side))

describe('setting out', () => {
  it('is there for kinds that hang on walls and for kinds that hang from ceilings', () => {
    expect(marked.length).toBeGreaterThan(8)
    const on = new Set(marked.flatMap((x) => settingOut(x.a, x.a.anchors, x.space, corner).map((s) => s.on)))
    expect([...on].sort()).toEqual(['ceiling', 'wall'])
  })
  it.each(marked.map((x) => [x.name, x] as const))('%s: every fixing once, in order, where it is', (_n, x) => {
    const sheets = settingOut(x.a, x.a.anchors, x.space, corner)
    const told = sheets.flatMap((s) =>
      s.rows.flatMap((r) =>
        r.marks.map((m) => [s.on, m.atMm - 1000, r.awayMm + s.levelMm - (s.on === 'wall' ? 0 : 250)]),
      ),
    )
    // What goes into the floor or a wall beside is bored through what it holds.
    const meant = x.a.anchors
      .filter((a) => a.into !== 'slab' && !a.side)
      .map((a) =>
        a.into === 'joist' || a.prepared?.on === 'ceiling' ? ['ceiling', a.at[0], a.at[1]] : ['wall', a.at[0], a.at[2]],
      )
    const key = (v: (string | number)[]) => v.map((n) => (typeof n === 'number' ? Math.round(n) : n)).join('|')
    expect(told.map(key).sort()).toEqual(meant.map(key).sort())
    for (const s of sheets) {
      const numbers = s.rows.flatMap((r) => r.marks.map((m) => m.n))
      expect(numbers).toEqual(numbers.map((_v, i) => i + 1))
      s.rows.forEach((r, i) => {
        if (i > 0) expect(r.awayMm).toBeGreaterThan(s.rows[i - 1].awayMm)
        const places = r.marks.map((m) => m.atMm)
        expect(places).toEqual([...places].sort((p, q) => p - q))
      })
      // Nothing lies outside the drawing; each mark is in it with its number.
      const [l, b, r, t] = s.scene.bounds
      for (const m of s.scene.marks)
        if (m.kind === 'outline') for (const [u, v] of m.points) expect(u >= l && u <= r && v >= b && v <= t).toBe(true)
      const labels = s.scene.marks.flatMap((m) => (m.kind === 'label' ? [m.text] : []))
      expect(labels).toEqual(numbers.map(String))
      const lines = saySettingOut(s, 'the left corner', sayIn(METRIC))
      expect(lines).toHaveLength(s.rows.length + 1)
      for (const text of lines) expect(text).not.toMatch(/NaN|undefined/)
    }
  })
  it('a wall begins with its level line, through the lowest fixings', () => {
    const { a, space } = marked.find((x) => x.name.startsWith('wall-cabinet'))!
    const [s] = settingOut(a, a.anchors, space, corner)
    expect(s.levelMm).toBeCloseTo(Math.min(...a.anchors.map((x) => x.at[2])), 6)
    expect(s.rows[0].awayMm).toBeCloseTo(0, 6)
    expect(saySettingOut(s, 'the left corner', sayIn(METRIC))[1]).toMatch(/^On the line: 1 at \d/)
  })
  it('a stack on rods asks for four holes in the ceiling, wider than its rods', () => {
    const { a, space } = examples.find((x) => x.name.startsWith('rod-stack'))!
    const s = holesThrough(a, space, corner)!
    const rods = a.parts.filter((p) => p.stock.kind === 'steel' && p.id.endsWith('upper'))
    expect(s.rows.flatMap((r) => r.marks)).toHaveLength(4)
    expect(s.boreMm!).toBeGreaterThan(rods[0].size.widthMm + 2)
    expect(holesThrough(marked.find((x) => x.name.startsWith('wall-cabinet'))!.a, space, corner)).toBeNull()
  })
})
