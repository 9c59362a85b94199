import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { seeded } from '../../measure/seeded.ts'
import { alongWall, linedUp, studsBehind, type InRow, type RowSpec } from './along-wall.ts'

const GRID = 5
const thing = (wideMm: number, blocked: InRow['blocked'] = []): InRow => ({
  wideMm,
  blocked,
  kind: JSON.stringify([wideMm, blocked]),
})

/** The most studs any order at any place of a grid meets, by trying all of them; null where not all find room. */
function byTryingAll(s: RowSpec): number | null {
  const n = Math.floor(s.lengthMm / GRID) + 1
  // By thing and place: studs behind it there, or that it cannot be there.
  const value = s.things.map((t) =>
    Array.from({ length: n }, (_, g) => {
      const [left, right] = [g * GRID, g * GRID + t.wideMm]
      const clear = right <= s.lengthMm && t.blocked.every((b) => right <= b.from || left >= b.to)
      return clear ? studsBehind(s.studsMm, left, t.wideMm, s.insideMm) : -1
    }),
  )
  let most: number | null = null
  const after = (before: Int16Array, i: number): Int16Array => {
    // The most with this thing added, ending no further than each place.
    const out = new Int16Array(n).fill(-1)
    const wide = s.things[i].wideMm / GRID
    for (let g = 0; g + wide < n; g++) {
      const so = value[i][g] < 0 || before[g] < 0 ? -1 : before[g] + value[i][g]
      if (so > out[g + wide]) out[g + wide] = so
    }
    for (let g = 1; g < n; g++) if (out[g - 1] > out[g]) out[g] = out[g - 1]
    return out
  }
  const visit = (left: readonly number[], so: Int16Array) => {
    if (left.length === 0) {
      if (so[n - 1] >= 0 && (most === null || so[n - 1] > most)) most = so[n - 1]
      return
    }
    for (const i of left)
      visit(
        left.filter((x) => x !== i),
        after(so, i),
      )
  }
  visit(
    s.things.map((_t, i) => i),
    new Int16Array(n),
  )
  return most
}

/** What a row claims, counted from where its things are; and that none is over another or where it cannot be. */
function counted(s: RowSpec, at: readonly (number | null)[]): number {
  const placed = s.things.flatMap((t, i) => (at[i] === null ? [] : [{ ...t, left: at[i] }]))
  placed.sort((a, b) => a.left - b.left)
  placed.forEach((t, i) => {
    expect(t.left).toBeGreaterThanOrEqual(i === 0 ? 0 : placed[i - 1].left + placed[i - 1].wideMm - 1e-6)
    expect(t.left + t.wideMm).toBeLessThanOrEqual(s.lengthMm + 1e-6)
    for (const b of t.blocked) expect(t.left + t.wideMm <= b.from + 1e-6 || t.left >= b.to - 1e-6).toBe(true)
  })
  return placed.reduce((n, t) => n + studsBehind(s.studsMm, t.left, t.wideMm, s.insideMm), 0)
}

const anyRow = fc.record({
  widths: fc.array(fc.integer({ min: 150, max: 900 }), { minLength: 1, maxLength: 6 }),
  lengthMm: fc.integer({ min: 300, max: 5000 }),
  firstMm: fc.integer({ min: 0, max: 400 }),
  blocked: fc.array(fc.record({ from: fc.integer({ min: 0, max: 4500 }), wideMm: fc.integer({ min: 1, max: 900 }) }), {
    maxLength: 3,
  }),
})
function specOf(r: {
  widths: number[]
  lengthMm: number
  firstMm: number
  blocked: { from: number; wideMm: number }[]
}): RowSpec {
  const ways = r.blocked.map((b) => ({ from: b.from, to: b.from + b.wideMm }))
  return {
    things: r.widths.map((w) => thing(w, ways)),
    lengthMm: r.lengthMm,
    studsMm: Array.from({ length: 12 }, (_, i) => r.firstMm + 400 * i),
    insideMm: 40,
  }
}

describe('things in a row along a wall', () => {
  it('never lie over each other, past the wall or where they cannot be, and count what they claim', () => {
    fc.assert(
      fc.property(anyRow, (given) => {
        const s = specOf(given)
        for (const order of ['best', 'listed'] as const) {
          const row = alongWall(s, order)
          expect(counted(s, row.at)).toBe(row.studs)
        }
      }),
    )
  })
  it('more wall, or less in the way, never leaves more of them out', () => {
    fc.assert(
      fc.property(anyRow, (given) => {
        const placed = (s: RowSpec) => alongWall(s).at.filter((x) => x !== null).length
        const now = placed(specOf(given))
        expect(placed(specOf({ ...given, lengthMm: given.lengthMm + 300 }))).toBeGreaterThanOrEqual(now)
        expect(placed(specOf({ ...given, blocked: given.blocked.slice(1) }))).toBeGreaterThanOrEqual(now)
      }),
    )
  })
  it('seven boxes and three things in their way: no row there is meets more studs', () => {
    const outlets = [
      { from: 1380, to: 1530 },
      { from: 2900, to: 3050 },
    ]
    const window = { from: 3900, to: 4800 }
    const spec: RowSpec = {
      things: [800, 600, 600, 400, 500, 300, 450].map((w, i) => thing(w, i < 3 ? [...outlets, window] : [window])),
      lengthMm: 6000,
      studsMm: Array.from({ length: 15 }, (_, i) => 200 + 400 * i),
      insideMm: 40,
    }
    const row = alongWall(spec)
    expect(row.at.every((x) => x !== null)).toBe(true)
    expect(counted(spec, row.at)).toBe(row.studs)
    expect(row.studs).toBe(byTryingAll(spec))
  })
  it('the same on walls nobody chose', () => {
    const next = seeded(7)
    const at = (from: number, to: number) => from + GRID * Math.floor((next() * (to - from)) / GRID)
    for (let k = 0; k < 40; k++) {
      const lengthMm = at(2600, 4200)
      const blocked = Array.from({ length: 2 }, () => at(0, lengthMm - 300)).map((from) => ({
        from,
        to: from + at(60, 300),
      }))
      const spec: RowSpec = {
        things: Array.from({ length: 5 }, () => thing(at(250, 800), next() < 0.7 ? blocked : [])),
        lengthMm,
        studsMm: Array.from({ length: 12 }, (_, i) => at(100, 350) + i * 400),
        insideMm: 40,
      }
      const [row, best] = [alongWall(spec), byTryingAll(spec)]
      expect(counted(spec, row.at)).toBe(row.studs)
      if (best === null) expect(row.at).toContain(null)
      else expect([row.at.includes(null), row.studs]).toEqual([false, best])
    }
  })
  it('without studs it closes up, and is its own mirror image where it can be', () => {
    const spec: RowSpec = {
      things: [600, 300, 300, 450, 450].map((w) => thing(w)),
      lengthMm: 4000,
      studsMm: [],
      insideMm: 25,
    }
    const row = alongWall(spec)
    expect(row.gaps).toBe(0)
    const order = spec.things.map((t, i) => [row.at[i]!, t.wideMm]).sort((a, b) => a[0] - b[0])
    expect(order.map((x) => x[1])).toEqual(order.map((x) => x[1]).reverse())
  })
  it('keeps to a list, as far as there is room, and leaves out what finds none', () => {
    const spec: RowSpec = {
      things: [thing(900), thing(400, [{ from: 0, to: 1200 }]), thing(2000)],
      lengthMm: 2400,
      studsMm: [],
      insideMm: 25,
    }
    expect(alongWall(spec, 'listed').at).toEqual([0, 1200, null])
  })
  it('slides what has room to an edge below, where it keeps its studs', () => {
    const spec: RowSpec = { things: [thing(600), thing(600)], lengthMm: 3000, studsMm: [300, 1500], insideMm: 25 }
    const row = { at: [0, 1200], studs: 2, gaps: 1 }
    expect(linedUp(spec, row, [700]).at).toEqual([100, 1200])
    // The first would lose its stud there; the second keeps its own.
    expect(linedUp(spec, row, [950]).at).toEqual([0, 950])
    // What touches its neighbour stays with it.
    expect(linedUp(spec, { ...row, at: [600, 1200] }, [500]).at).toEqual([600, 1200])
  })
})
