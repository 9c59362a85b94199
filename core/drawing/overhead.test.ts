import { expect, it } from '@jest/globals'
import { exampleContext, exampleGoods, exampleJoists } from '../families/example-context.ts'
import { findFamily } from '../families/registry.ts'
import { newBuild } from '../project/new-build.ts'
import { readWith, type BuildReading } from '../project/read-build.ts'
import { drawView } from './view.ts'

const over = (run: 'out' | 'along') => ({ ...exampleJoists(run), atMm: [-50, 356.4, 762.8, 1169.2] })
const read = (family: string, run: 'out' | 'along'): BuildReading => {
  const c = exampleContext('metric', [exampleGoods('metric', 'box', 2)])
  const f = findFamily(family)!
  const build = newBuild({ id: 'b', family, params: f.start(c) as never, wallId: 'w' })
  const r = readWith(f, build, { ...c, space: { ...c.space, joists: over(run) } })
  if (!r.ok) throw new Error(JSON.stringify(r.problem))
  return r.reading
}
/** Upright lines in the ink of walls, by where they stand. */
const upright = (r: BuildReading, view: 'front' | 'section') =>
  drawView(r.shaped.assembly, view, {
    boxes: r.boxes,
    goods: r.goods,
    over: r.space,
    showDimensions: false,
  }).marks.flatMap((m) =>
    m.kind === 'line' && m.ink === 'wall' && m.from[0] === m.to[0] && m.from[0] !== 0 ? [m.from[0]] : [],
  )

it('the joists over a hung build are drawn where they are, from their ends and from the side', () => {
  const r = read('rod-stack', 'out')
  const half = 38.1 / 2
  const at = [...new Set(upright(r, 'front').map((x) => Math.round(x * 10) / 10))]
  for (const x of at) expect(over('out').atMm.some((c) => Math.abs(Math.abs(x - c) - half) < 0.1)).toBe(true)
  expect(at.length).toBeGreaterThanOrEqual(4)
  expect(upright(r, 'section')).toHaveLength(0)
  const along = read('rod-stack', 'along')
  expect(upright(along, 'front')).toHaveLength(0)
  expect(upright(along, 'section').length).toBeGreaterThanOrEqual(2)
})
it('over what stands or hangs on the wall nothing is drawn', () =>
  expect(upright(read('wall-cabinet', 'out'), 'front')).toHaveLength(0))
