import fc from 'fast-check'
import { GOODS_KINDS } from '../core/catalogue/containers.ts'
import { exampleContext } from '../core/families/example-context.ts'
import type { ShapeContext } from '../core/families/family.ts'
import { allFamilies, findFamily } from '../core/families/registry.ts'
import { newGoods } from '../core/goods/goods.ts'
import { DURATIONS, MOISTURES } from '../core/mechanics/methods/method.ts'
import type { Build } from '../core/project/project.ts'

/*
 * Any goods, any room, any choices, some dimensions fixed at random: whatever comes of it, it is a build that keeps the
 * contract, or a problem in words.
 */

/** What is chosen and fixed, drawn in the order the build lists them. */
export const DRAWS = fc.array(fc.double({ min: 0, max: 0.999, noNaN: true }), { minLength: 80, maxLength: 80 })

const mm = (min: number, max: number) => fc.integer({ min, max })
const goods = fc.array(
  fc.record({
    kind: fc.constantFrom(...GOODS_KINDS),
    count: mm(1, 40),
    across: mm(30, 1200),
    deep: mm(30, 1200),
    tall: mm(30, 1500),
    kg: fc.option(mm(1, 200), { freq: 10 }),
  }),
  { minLength: 1, maxLength: 4 },
)
export const anything = fc.record({
  system: fc.constantFrom('imperial', 'metric'),
  goods,
  wall: mm(400, 9000),
  family: fc.constantFrom(...allFamilies().map((f) => f.id)),
  mirrored: fc.boolean(),
  method: fc.constantFrom('asd', 'ec5'),
  moisture: fc.constantFrom(...MOISTURES),
  duration: fc.constantFrom(...DURATIONS),
  seismicG: fc.constantFrom(0, 0.5, 1),
  floor: fc.constantFrom('slab', 'timber'),
  walls: fc.constantFrom('studs', 'masonry', 'thin'),
  high: mm(600, 3200),
  deep: mm(100, 1500),
  fall: mm(0, 15),
  draws: DRAWS,
})
export type Anything = typeof anything extends fc.Arbitrary<infer T> ? T : never

/** Goods as a build is given them. */
export const goodsOf = (list: Anything['goods']): ShapeContext['goods'] =>
  list.map((g, i) => ({
    item: newGoods({
      id: `g${i}`,
      name: `thing ${i}`,
      kind: g.kind,
      count: g.count,
      acrossMm: g.across,
      deepMm: g.deep,
      tallMm: g.tall,
      massKg: g.kg,
    }),
    count: g.count,
  }))

export function contextOf(x: Anything): ShapeContext {
  const base = exampleContext(x.system, goodsOf(x.goods), x.wall)
  const wall = x.walls === 'studs' ? {} : { construction: { kind: x.walls }, studsMm: [] }
  return {
    ...base,
    settings: { ...base.settings, method: x.method, moisture: x.moisture, duration: x.duration, seismicG: x.seismicG },
    space: { ...base.space, ...wall, floor: x.floor, heightMm: x.high, depthMm: x.deep },
    ...(x.fall > 0 ? { fallUnder: () => ({ atOriginMm: 0, xMmPerM: x.fall, yMmPerM: x.fall / 2 }) } : {}),
  }
}

/** Takes some of a build's choices and fixes some of its dimensions. */
export function meddled(build: Build, draws: readonly number[], ctx: ShapeContext): Build {
  const first = findFamily(build.family)!.shape(build.params, ctx)
  if (!first.ok) return build
  let at = 0
  const draw = () => draws[at++ % draws.length]
  let params = build.params as Record<string, unknown>
  for (const c of first.value.choices)
    if (draw() < 0.4) params = { ...params, [c.path]: c.options[Math.floor(draw() * c.options.length)] }
  for (const d of first.value.dims.filter((y) => !y.path.includes('.'))) {
    if (draw() > 0.12) continue
    const most = Math.min(d.max, d.quantity === 'count' ? 12 : 3000)
    const value = d.min + draw() * Math.max(0, most - d.min)
    params = { ...params, [d.path]: d.quantity === 'count' ? Math.round(value) : value }
  }
  return { ...build, params: params as Build['params'] }
}
