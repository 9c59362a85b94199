import { describe, expect, it } from '@jest/globals'
import { parseGoodsLine } from '../goods/parse-line.ts'
import { withPresumed } from '../goods/presumed.ts'
import type { Goods } from '../goods/goods.ts'
import { wishedWay } from '../goods/ways.ts'
import { newBuild } from '../project/new-build.ts'
import { shapeInPlace } from '../project/read-build.ts'
import { exampleContext } from './example-context.ts'
import type { AnyFamily } from './family.ts'
import { findFamily } from './registry.ts'

/*
 * What a kind of build has a place for by itself it has a place for beside anything else of that sort, where there is wall
 * enough. Otherwise a plan of a room gives each of them a build of its own.
 */

const USUAL = [
  ...['lawn mower', 'stroller', 'chest freezer', 'shop vac', 'moving box', 'box of decorations', 'artificial tree'],
  ...['cool box', 'tent', '4 sleeping bag', '4 camping chair', 'golf bag', '4 wheel with tyre', '8 tin of paint'],
  ...['2 fuel can', 'tool chest on wheels', 'circular saw', 'hammer', '6 bar clamp', 'extension cord', '3 full sheet'],
  ...['box of scrap wood', '6 folding chair', 'garden hose', '3 bag of soil', 'drum of oil', 'suitcase', 'guitar'],
  ...['milk crate', 'tote 500 x 700 x 380', 'box of screws', '2 rake', 'shovel', 'spirit level', 'picture', 'mirror'],
]
const things = withPresumed(
  USUAL.map((line, i) => {
    const r = parseGoodsLine(line, 'metric', `g${i}`)
    if (!r.ok) throw new Error(line)
    return r.value
  }),
)

/** How many of some things have no place in a build of a kind at six metres of a free wall; all where there is none. */
function left(kind: AnyFamily, goods: readonly Goods[]): number {
  const given = exampleContext(
    'metric',
    goods.map((item) => ({ item, count: item.count })),
    6000,
  )
  const ctx = { ...given, space: { ...given.space, depthMm: 900, heightMm: 2600, ceilingMm: 2600 } }
  const each = kind.propose(ctx).map((params) => {
    const build = newBuild({ id: 'b', family: kind.id, params: params as never, wallId: 'w' })
    const shaped = shapeInPlace(kind, build, ctx)
    return shaped.ok ? shaped.value.unhoused.reduce((n, u) => n + u.count, 0) : Infinity
  })
  return Math.min(...each, Infinity)
}

describe('two things that a kind keeps', () => {
  it.each([
    ...['post-rack', 'ledger-shelf', 'shelf-unit', 'floating-shelf-rack', 'wall-cabinet', 'ceiling-platform'],
    ...['strip-wall', 'pegboard', 'drawer-bank', 'sheet-store', 'loft-deck'],
  ])('a %s keeps together', (id) => {
    const kind = findFamily(id)!
    const own = things.filter((g) => (wishedWay(kind, g)?.score ?? 0) > 0 && left(kind, [g]) === 0)
    const pairs = own.flatMap((a, i) => own.slice(i + 1).map((b) => [a, b] as const))
    expect(pairs.length).toBeGreaterThan(0)
    // Of many some will do: each thing is among them with several others.
    const some = pairs.filter((_p, i) => i % Math.max(1, Math.floor(pairs.length / 90)) === 0)
    expect(some.filter((p) => left(kind, p) > 0).map((p) => p.map((g) => g.name).join(' + '))).toEqual([])
  })
})
