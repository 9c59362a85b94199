import { describe, expect, it } from '@jest/globals'
import { exampleContext, exampleGoods } from '../families/example-context.ts'
import { allFamilies, findFamily } from '../families/registry.ts'
import { newBuild } from '../project/new-build.ts'
import { readWith } from '../project/read-build.ts'
import { partBoxes, wholeBox } from '../assembly/part-box.ts'
import { drawView, type View } from './view.ts'
import type { Mark } from './scene.ts'

const family = findFamily('tote-rack')!
const ctx = exampleContext('metric', [exampleGoods('metric', 'tote', 6)])
const r = family.shape({ ...(family.start(ctx) as object), columns: 3, rows: 2 }, ctx)
if (!r.ok) throw new Error()
const { assembly, dims } = r.value
const boxes = partBoxes(assembly)
const goods = new Map(ctx.goods.map((g) => [g.item.id, g.item]))
const draw = (view: View, over: object = {}) => drawView(assembly, view, { boxes, goods, dims, ...over })
const of = <K extends Mark['kind']>(marks: Mark[], kind: K) =>
  marks.filter((m): m is Extract<Mark, { kind: K }> => m.kind === kind)

describe('drawings to scale', () => {
  it('give the whole width and height, and each opening, as dimension lines below and beside', () => {
    const scene = draw('front')
    const lines = of(scene.marks, 'dimension')
    const whole = wholeBox(boxes)
    expect(Math.max(...lines.map((l) => l.mm))).toBeCloseTo(whole.max[0], 6)
    expect(lines.some((l) => Math.abs(l.mm - whole.max[2]) < 1e-6)).toBe(true)
    const openings = lines.filter((l) => l.path?.startsWith('clearMm.'))
    expect(openings.map((l) => l.path).sort()).toEqual(['clearMm.0', 'clearMm.1', 'clearMm.2'])
    for (const l of openings) expect(l.mm).toBeCloseTo(dims.find((d) => d.path === l.path)!.value, 6)
    // Horizontal chains run from right to left: their left side is below.
    for (const l of lines.filter((x) => x.from[1] === x.to[1]))
      expect([l.from[0] > l.to[0], l.offsetMm > 0]).toEqual([true, true])
  })
  it('chain openings beside each other, none over another, whatever the kind of build', () => {
    for (const f of allFamilies())
      for (const e of f.examples()) {
        const b = newBuild({ id: 'b', family: f.id, params: e.params as never, wallId: 'w' })
        const read = readWith(f, b, e.context, undefined, 'as-drawn')
        if (!read.ok) throw new Error(e.name)
        const { shaped, boxes: own, goods: things } = read.reading
        const scene = drawView(shaped.assembly, 'front', { boxes: own, goods: things, dims: shaped.dims })
        const level = of(scene.marks, 'dimension').filter((l) => l.from[1] === l.to[1])
        const byLine = new Map<number, [number, number][]>()
        for (const l of level) byLine.set(l.offsetMm, [...(byLine.get(l.offsetMm) ?? []), [l.to[0], l.from[0]]])
        for (const chain of byLine.values()) {
          const sorted = chain.sort((x, y) => x[0] - y[0])
          for (let i = 1; i < sorted.length; i++)
            expect(`${f.id} ${sorted[i][0] - sorted[i - 1][1] > -0.2}`).toBe(`${f.id} true`)
        }
      }
  })
  it('keep everything inside their bounds', () => {
    for (const view of ['front', 'plan', 'section'] as const) {
      const { marks, bounds } = draw(view, { stick: assembly.stick })
      for (const m of of(marks, 'outline'))
        for (const [x, y] of m.points)
          expect(x >= bounds[0] && x <= bounds[2] && y >= bounds[1] && y <= bounds[3]).toBe(true)
      const stick = of(marks, 'stick')[0]
      expect(view === 'plan' ? stick === undefined : stick.atMm < bounds[2]).toBe(true)
    }
  })
  it('paint what is nearer later: front posts over back rails', () => {
    const parts = of(draw('front').marks, 'outline').map((m) => m.part)
    expect(parts.indexOf('post-1-front')).toBeGreaterThan(parts.indexOf('back-0'))
    expect(parts.indexOf('post-1-front')).toBeGreaterThan(parts.indexOf('post-1-rear'))
  })
  it('hatch only what the section cuts, and leave out what lies in front of it', () => {
    const cut = of(draw('section').marks, 'outline')
      .filter((m) => m.ink === 'cut-board')
      .map((m) => m.part!)
    expect(cut.length).toBeGreaterThan(0)
    expect(cut.every((id) => id.startsWith('plate') || id.startsWith('back') || id === 'brace')).toBe(true)
    expect(of(draw('section').marks, 'outline').some((m) => m.part === 'post-3-front')).toBe(false)
  })
  it('sets uprights out from the left end, each told once', () => {
    const [run] = of(draw('front').marks, 'running')
    const lefts = assembly.parts
      .filter((p) => p.role === 'post')
      .map((p) => boxes.get(p.id)!.min[0] - wholeBox(boxes).min[0])
    const once = [...new Set(lefts.map((x) => x.toFixed(2)))].sort((a, b) => Number(a) - Number(b))
    expect(run.stops.map((x) => x.toFixed(2))).toEqual(once)
    expect(run.stops).toHaveLength(4)
    expect(of(draw('front', { showDimensions: false }).marks, 'running')).toEqual([])
    expect(of(draw('plan').marks, 'running')).toEqual([])
  })
  it('takes the section where it is asked for: through a post its post is hatched, beyond it nothing is drawn', () => {
    const post = boxes.get('post-2-front')!
    const at = (post.min[0] + post.max[0]) / 2
    const marks = of(draw('section', { cutAtMm: at }).marks, 'outline')
    expect(marks.find((m) => m.part === 'post-2-front')!.ink).toBe('cut-board')
    expect(marks.some((m) => m.part === 'post-3-front')).toBe(false)
    expect(of(draw('section', { cutAtMm: 1e6 }).marks, 'outline').filter((m) => m.ink.startsWith('cut'))).toEqual([])
  })
  it('show goods once each from the front, and none when they are not wanted', () => {
    expect(of(draw('front').marks, 'outline').filter((m) => m.goods).length).toBe(6)
    expect(of(draw('front', { showGoods: false }).marks, 'outline').filter((m) => m.goods).length).toBe(0)
  })
  it('label parts where they are', () => {
    const labels = new Map(assembly.parts.map((p) => [p.id, p.id]))
    for (const l of of(draw('front', { labels }).marks, 'label')) {
      const b = boxes.get(l.part)!
      expect(l.at[0]).toBeCloseTo((b.min[0] + b.max[0]) / 2, 6)
      expect(l.at[1]).toBeCloseTo((b.min[2] + b.max[2]) / 2, 6)
    }
  })
})

describe('a cabinet with doors from the front', () => {
  const f = findFamily('wall-cabinet')!
  const c = exampleContext('metric', [exampleGoods('metric', 'box', 2)])
  const params = { ...(f.start(c) as object), front: 'doors', bays: 1, clearMm: 640 }
  const r = readWith(f, newBuild({ id: 'b', family: f.id, params: params as never, wallId: 'w' }), c)
  if (!r.ok) throw new Error(JSON.stringify(r.problem))
  const scene = (view: 'front' | 'plan') =>
    drawView(r.reading.shaped.assembly, view, { boxes: r.reading.boxes, goods: r.reading.goods, showDimensions: false })
  it('one looks through its leaves, and sees where each is hung', () => {
    const marks = scene('front').marks.flatMap((m) => (m.kind === 'outline' ? [m] : []))
    const leaves = marks.filter((m) => m.ink === 'leaf')
    expect(leaves.map((m) => m.part).sort()).toEqual(['door-0-left', 'door-0-right'])
    const swings = marks.filter((m) => m.ink === 'work' && m.points.length === 3)
    const box = (id: string) => r.reading.boxes.get(id)!
    expect(swings.map((m) => m.points[1][0]).sort((x, y) => x - y)).toEqual([
      box('door-0-left').min[0],
      box('door-0-right').max[0],
    ])
  })
  it('from above they are sheets like others', () =>
    expect(scene('plan').marks.some((m) => m.kind === 'outline' && m.ink === 'leaf')).toBe(false))
})
