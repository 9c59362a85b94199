import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { goodsOf } from '../../test-support/any-build.ts'
import { partBox } from '../assembly/part-box.ts'
import { validateAssembly } from '../assembly/validate.ts'
import { boxUnion } from '../geometry/box.ts'
import { newGoods } from '../goods/goods.ts'
import { inches, IMPERIAL, METRIC } from '../measure/units.ts'
import { braceLine } from '../blocks/frame/brace-line.ts'
import { dividingLength } from './dividing-length.ts'
import { exampleContext, exampleGoods } from './example-context.ts'
import type { Shaped } from './family.ts'
import { equalModules, modulesFor, modulesToWall, moduleSizes } from './post-rack/modules.ts'
import { findFamily } from './registry.ts'
import { spliceOver } from '../blocks/sizing/splice.ts'

const rack = findFamily('tote-rack')!
const posts = findFamily('post-rack')!
const tote = (over: object = {}, count = 12) => ({
  item: newGoods({
    id: 't',
    name: 'tote',
    kind: 'tote',
    count,
    acrossMm: inches(16.5),
    deepMm: inches(24),
    tallMm: inches(12.5),
    massKg: 14,
    tote: { rimMm: 38, overhangMm: 40, taperMm: 20, assumed: false },
    ...over,
  }),
  count,
})
const shape = (family: typeof rack, params: object, ctx: Parameters<typeof rack.shape>[1]): Shaped => {
  const r = family.shape({ ...(family.start(ctx) as object), ...params }, ctx)
  if (!r.ok) throw new Error(JSON.stringify(r.problem))
  return r.value
}
const role = (s: Shaped, r: string) => s.assembly.parts.filter((p) => p.role === r)
const dim = (s: Shaped, path: string) => s.dims.find((d) => d.path === path)!

describe('tote rack', () => {
  it.each([
    [1, 1],
    [2, 3],
    [4, 3],
    [3, 5],
  ])('%i columns and %i rows: 2·c·r rails, 2·(c+1) posts, 4 plates', (columns, rows) => {
    const ctx = exampleContext('imperial', [tote()])
    const s = shape(rack, { columns, rows }, ctx)
    expect([role(s, 'rail').length, role(s, 'post').length, role(s, 'plate').length]).toEqual([
      2 * columns * rows,
      2 * (columns + 1),
      4,
    ])
    const clear = dim(s, 'clearMm.0').value
    expect(clear).toBeCloseTo(inches(16.5) + 2 * dim(s, 'sidePlayMm').value, 6)
    const width = boxUnion(s.assembly.parts.map(partBox)).max[0]
    expect(width).toBeCloseTo(columns * clear + (columns + 1) * 38.1, 6)
  })
  it('spaces its rows by tote and play: the one above hangs from its own rim', () => {
    const s = shape(rack, { rows: 3 }, exampleContext('metric', [tote({ tallMm: 318 })]))
    expect(dim(s, 'pitchMm.0').value).toBe(Math.ceil(318 + 12.7))
    // 13 1/4 in over a lid with a rim of 1 1/2 in, and half an inch.
    const inch = exampleContext('imperial', [
      tote({ tallMm: inches(13.25), tote: { rimMm: inches(1.5), overhangMm: 40, taperMm: 20, assumed: false } }),
    ])
    expect(dim(shape(rack, { rows: 3 }, inch), 'pitchMm.0').value).toBeCloseTo(inches(13.75), 6)
    // Of two kinds in one rack: the rim of the lower, the body of the one above, whichever needs most.
    const low = tote({ id: 'low', tallMm: 250, massKg: 30 }, 3)
    const high = tote(
      { id: 'high', tallMm: 400, massKg: 5, tote: { rimMm: 20, overhangMm: 40, taperMm: 20, assumed: false } },
      3,
    )
    const two = shape(rack, { rows: 2, columns: 3 }, exampleContext('metric', [low, high]))
    expect(dim(two, 'pitchMm.0').value).toBe(Math.ceil(38 + 380 + 12.7))
    for (const b of two.assembly.bays)
      for (const item of b.items) expect(b.clear.max[2] - item.box.max[2]).toBeGreaterThanOrEqual(12.7 - 1e-6)
  })
  it('leaves the narrow make its rim, by less play or a column for each make', () => {
    const wide = (mm: number) => tote({ id: 'wide', acrossMm: 420 + mm, massKg: 10 }, 4)
    const narrow = tote({ id: 'narrow', acrossMm: 420, massKg: 10 }, 4)
    const side = (s: Shaped) => dim(s, 'sidePlayMm')
    const rail = 38
    for (const mm of [0, 4, 8, 12, 18, 24, 60]) {
      const s = shape(rack, {}, exampleContext('metric', [wide(mm), narrow]))
      expect(s.unhoused).toEqual([])
      for (const b of s.assembly.bays)
        for (const item of b.items) {
          const slack = b.clear.max[0] - b.clear.min[0] - (item.box.max[0] - item.box.min[0])
          expect(rail - slack).toBeGreaterThanOrEqual(6 - 1e-6)
        }
      const apart = side(s).why.code === 'play-apart'
      expect(apart).toBe(mm >= 24)
      if (apart)
        for (const column of new Set(s.assembly.bays.map((b) => b.name.column))) {
          const kinds = s.assembly.bays
            .filter((b) => b.name.column === column)
            .flatMap((b) => b.items.map((i) => i.goodsId))
          expect(new Set(kinds).size).toBeLessThanOrEqual(1)
        }
    }
  })
  it('follows a lid that grows by 10 mm in every tacked dimension that depends on it, and in no fixed one', () => {
    const before = exampleContext('metric', [tote({ acrossMm: 420 })])
    const after = exampleContext('metric', [tote({ acrossMm: 430 })])
    const params = { columns: 3, rows: 4, clearMm: [null, 460, null] }
    const [a, b] = [shape(rack, params, before), shape(rack, params, after)]
    const moved = a.dims.filter((d) => dim(b, d.path).value !== d.value).map((d) => d.path)
    expect(moved).toEqual(['clearMm.0', 'clearMm.2'])
    expect(dim(b, 'clearMm.0').value - dim(a, 'clearMm.0').value).toBeCloseTo(10, 6)
    expect(dim(b, 'clearMm.1')).toMatchObject({ value: 460, tacked: false })
    expect(dim(b, 'clearMm.1').tackedValue).not.toBe(460)
  })
  it('gives inner posts rails on both faces, and treats what lies on a slab', () => {
    const s = shape(rack, { columns: 3, rows: 2 }, exampleContext('imperial', [tote()]))
    const onPost = (id: string) =>
      s.assembly.supports.filter(
        (x) => x.on.kind === 'part' && x.on.part === id && 'part' in x.from && x.from.part.startsWith('rail'),
      ).length
    expect([0, 1, 2, 3].map((c) => onPost(`post-${c}-front`))).toEqual([2, 4, 4, 2])
    const treated = s.assembly.parts.filter((p) => p.stock.kind === 'board' && p.stock.treated).map((p) => p.id)
    expect(treated.sort()).toEqual(['plate-bottom-front', 'plate-bottom-rear'])
  })
  it('refuses what cannot be, naming the field', () => {
    const ctx = exampleContext('imperial', [tote()])
    const code = (params: object) => {
      const r = rack.shape({ ...(rack.start(ctx) as object), ...params }, ctx)
      return r.ok ? 'shaped' : `${r.problem.code} ${r.problem.field}`
    }
    expect(code({ railLengthMm: 160 })).toBe('rail-shorter-than-posts railLengthMm')
    expect(code({ firstMm: 70 })).toBe('rail-below-plate firstMm')
    expect(code({ pitchMm: [61] })).toBe('rails-overlap pitchMm.0')
    expect(code({ columns: -1 })).toMatch(/^parameter columns/)
    expect(code({ rows: 2.5 })).toMatch(/^parameter rows/)
    expect(code({ clearMm: ['wide'] })).toMatch(/^parameter clearMm.0/)
  })
})

describe('runs longer than a board', () => {
  const seats = (n: number) => Array.from({ length: n }, (_, i) => 19 + i * 500)
  it('fit in one piece where they can, and meet over posts where not', () => {
    expect(spliceOver(4000, 4870, seats(9))).toEqual([{ from: 0, to: 4000 }])
    expect(spliceOver(6038, 4870, seats(13))).toEqual([
      { from: 0, to: 4519 },
      { from: 4519, to: 6038 },
    ])
    expect(spliceOver(6038, 4870, seats(13), 1)).toEqual([
      { from: 0, to: 4019 },
      { from: 4019, to: 6038 },
    ])
    expect(spliceOver(6038, 400, seats(13))).toBeNull()
  })
  it('cover the run without a gap, in pieces a board gives, for any posts', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 30 }),
        fc.integer({ min: 300, max: 900 }),
        fc.integer({ min: 1000, max: 5000 }),
        fc.integer({ min: 0, max: 2 }),
        (n, pitch, most, early) => {
          const at = Array.from({ length: n }, (_, i) => 19 + i * pitch)
          const length = at[n - 1] + 19
          const pieces = spliceOver(length, most, at, early)!
          expect(pieces[0].from).toBe(0)
          expect(pieces[pieces.length - 1].to).toBe(length)
          pieces.forEach((p, i) => {
            expect(p.to - p.from).toBeLessThanOrEqual(most)
            expect(p.to).toBeGreaterThan(p.from)
            if (i > 0) expect(p.from).toBe(pieces[i - 1].to)
            if (i < pieces.length - 1) expect(at.slice(1, -1)).toContain(p.to)
          })
        },
      ),
    )
  })
  it('a rack of twelve columns is cut from boards of 16 ft, top and bottom not spliced over the same post', () => {
    const s = shape(rack, { columns: 12, rows: 4 }, exampleContext('imperial', [tote({}, 40)], inches(260)))
    const plates = role(s, 'plate')
    expect(plates.length).toBe(8)
    const longest = inches(192)
    for (const p of [...plates, ...role(s, 'back-rail')]) expect(p.size.lengthMm).toBeLessThan(longest)
    const ends = (name: string) =>
      plates
        .filter((p) => p.id.startsWith(name) && p.id.endsWith('rear'))
        .map((p) => partBox(p).max[0])
        .slice(0, 1)
    expect(ends('plate-top')).not.toEqual(ends('plate-bottom'))
    expect(validateAssembly(s.assembly)).toEqual([])
  })
})

describe('post rack', () => {
  it('runs a 20 ft wall as 8 + 8 + 4', () => {
    const m = moduleSizes(
      inches(96),
      [{ lengthMm: inches(96) }, { lengthMm: inches(120) }],
      inches(1 / 8),
      inches(1 / 4),
      0,
      IMPERIAL,
    )
    expect(m.fullMm).toBeCloseTo(inches(95.75), 6)
    expect(modulesFor(inches(240), m)).toEqual([m.fullMm, m.fullMm, m.halfMm])
    expect(modulesFor(inches(30), m)).toEqual([inches(30)])
    expect(equalModules(inches(150), m, inches(96)).map((x) => Math.round(x))).toEqual([1905, 1905])
  })
  it('leaves nothing of a wall over: whole modules and a filler, or two alike where a filler would be too short', () => {
    const m = { fullMm: 2500, halfMm: 1248 }
    expect(modulesToWall(6717, m, METRIC)).toEqual([2500, 2500, 1717])
    expect(modulesToWall(5213, m, METRIC)).toEqual([2500, 1356, 1356])
    expect(modulesToWall(6260, m, METRIC)).toEqual([2500, 2500, 1248])
    expect(modulesToWall(2100, m, METRIC)).toEqual([2100])
    for (let wall = 450; wall < 12_000; wall += 13) {
      const list = modulesToWall(wall, m, METRIC)
      expect(wall - list.reduce((a, b) => a + b, 0)).toBeLessThanOrEqual(25)
      expect(wall - list.reduce((a, b) => a + b, 0)).toBeGreaterThanOrEqual(0)
      expect(Math.max(...list)).toBeLessThanOrEqual(2500)
      expect(Math.min(...list)).toBeGreaterThanOrEqual(400)
    }
    const ctx = exampleContext('metric', [exampleGoods('metric', 'box', 24)], 6717)
    const s = shape(posts, { follow: 'wall' }, ctx)
    const boxes = s.assembly.parts.map((p) => partBox(p))
    expect(Math.min(...boxes.map((b) => b.min[0]))).toBeCloseTo(0, 6)
    expect(Math.max(...boxes.map((b) => b.max[0]))).toBeCloseTo(6717, 6)
    // No sheet is broader than a whole share of the sheet it is ripped from.
    expect(dim(s, 'depthMm').why.code).toBe('economical-rip')
  })
  it('gives what is wide and stands on the floor a bay as wide, and no other rack fewer posts', () => {
    const item = { ...exampleGoods('metric', 'box', 1).item, id: 'm', kind: 'equipment' as const, tote: null }
    const wide = { item: { ...item, acrossMm: 1500, deepMm: 550, tallMm: 1050, massKg: 40, count: 1 }, count: 1 }
    const ctx = exampleContext('metric', [wide, exampleGoods('metric', 'box', 8)])
    const s = shape(posts, { shelves: 1 }, ctx)
    expect(s.unhoused).toEqual([])
    const bay = s.assembly.bays.find((b) => b.items.some((i) => i.goodsId === 'm'))!
    expect(bay.carriers).toEqual([])
    expect(bay.clear.max[0] - bay.clear.min[0]).toBeGreaterThan(1500)
    const drums = exampleContext('metric', [exampleGoods('metric', 'drum', 2)])
    const usual = shape(posts, { shelves: 1, lengthMm: 2500 }, drums)
    expect(dim(usual, 'midPosts').value).toBe(1)
  })
  it('takes frame and sheet off the opening: top to top is goods, play, rail and sheet', () => {
    const s = shape(
      posts,
      { shelves: 2, floorBay: false },
      exampleContext('metric', [exampleGoods('metric', 'pail', 60)]),
    )
    expect(dim(s, 'topMm.1').value - dim(s, 'topMm.0').value).toBe(
      Math.ceil(dim(s, 'topMm.0').value + 270 + 50.8 + 89 + 18 - dim(s, 'topMm.0').value),
    )
    const bay = s.assembly.bays.find((b) => b.name.row === 1 && b.items.length > 0)!
    expect(bay.clear.max[2] - bay.clear.min[2]).toBeGreaterThanOrEqual(270 + 50.8 - 1e-6)
  })
  it('rips the sheet economically: half of 48 in less half a kerf', () => {
    const s = shape(posts, {}, exampleContext('imperial', [exampleGoods('imperial', 'pail', 10)]))
    expect(dim(s, 'depthMm').why.code).toBe('economical-rip')
    const narrow = [1, 2, 3, 4].map((n) => (inches(48) - (n - 1) * inches(1 / 8)) / n)
    expect(narrow.some((x) => Math.abs(x - dim(s, 'depthMm').value) < 1.6)).toBe(true)
  })
  it('keeps drums on the floor, and moves only what is above a shelf that is fixed higher', () => {
    const ctx = exampleContext('imperial', [exampleGoods('imperial', 'drum', 2), exampleGoods('imperial', 'pail', 30)])
    const [a, b] = [shape(posts, { shelves: 2 }, ctx), shape(posts, { shelves: 2, topMm: [1300] }, ctx)]
    expect(a.assembly.bays.filter((x) => x.carriers.length === 0).flatMap((x) => x.items).length).toBe(2)
    expect(dim(b, 'topMm.0')).toMatchObject({ value: 1300, tacked: false })
    expect(dim(b, 'topMm.1').value - dim(a, 'topMm.1').value).toBeCloseTo(1300 - dim(a, 'topMm.0').value, 0)
  })
  it('refuses shelves in each other and posts outside their module', () => {
    const ctx = exampleContext('imperial', [exampleGoods('imperial', 'pail', 30)])
    const code = (params: object) => {
      const r = posts.shape({ ...(posts.start(ctx) as object), ...params }, ctx)
      return r.ok ? 'shaped' : `${r.problem.code} ${r.problem.field}`
    }
    expect(code({ shelves: 2, topMm: [800, 820] })).toBe('shelves-overlap topMm.1')
    expect(code({ midPosts: 1, midAtMm: [20] })).toBe('post-outside midAtMm.0')
    expect(code({ lengthMm: 399 })).toMatch(/^parameter lengthMm/)
  })
})

describe('whatever goods and room, a family gives a sound assembly or a named reason', () => {
  const goods = fc.record({
    across: fc.integer({ min: 60, max: 900 }),
    deep: fc.integer({ min: 60, max: 900 }),
    tall: fc.integer({ min: 40, max: 900 }),
    count: fc.integer({ min: 1, max: 30 }),
    kg: fc.option(fc.integer({ min: 0, max: 200 })),
    kind: fc.constantFrom('tote' as const, 'pail' as const, 'drum' as const, 'box' as const),
  })
  it.each(['tote-rack', 'post-rack'])('%s', (id) => {
    const family = findFamily(id)!
    fc.assert(
      fc.property(
        fc.array(goods, { minLength: 1, maxLength: 4 }),
        fc.integer({ min: 700, max: 9000 }),
        fc.constantFrom('imperial' as const, 'metric' as const),
        (list, wallMm, system) => {
          const ctx = exampleContext(system, goodsOf(list), wallMm)
          const r = family.shape(family.start(ctx), ctx)
          if (r.ok) expect(validateAssembly(r.value.assembly)).toEqual([])
          else expect(r.problem.code).not.toBe('parameter')
        },
      ),
      { numRuns: 60 },
    )
  })
})

describe('helpers', () => {
  it('finds the length that divides a board, kerf and squaring taken off', () => {
    const boards = [
      { lengthMm: inches(96), minor: 400 },
      { lengthMm: inches(120), minor: 520 },
    ]
    const d = dividingLength(inches(23), inches(24), inches(26), boards, inches(1 / 8), inches(1 / 4), IMPERIAL)
    // 4 pieces of (96 − 1/4 − 3/8)/4 = 23.84, down to 23 13/16; 5 from ten feet would be 23.85 and cost more each.
    expect(d.mm).toBeCloseTo(inches(23 + 13 / 16), 6)
    expect(d.why.data).toMatchObject({ pieces: 4 })
    expect(4 * d.mm + 3 * inches(1 / 8) + inches(1 / 4)).toBeLessThanOrEqual(inches(96))
    expect(dividingLength(3000, 3000, 3001, boards, 3, 6, IMPERIAL).why.code).toBe('no-board-divides')
  })
  it('lays a brace inside its rectangle, touching all sides', () => {
    fc.assert(
      fc.property(fc.integer({ min: 300, max: 4000 }), fc.integer({ min: 300, max: 3000 }), (w, h) => {
        const b = braceLine(w, h, 94)
        if (!b) return
        expect(b.lengthMm * Math.cos(b.angleRad) + 94 * Math.sin(b.angleRad)).toBeCloseTo(w, 3)
        expect(b.lengthMm * Math.sin(b.angleRad) + 94 * Math.cos(b.angleRad)).toBeCloseTo(h, 3)
      }),
    )
  })
})
