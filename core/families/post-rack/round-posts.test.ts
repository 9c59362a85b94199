import { describe, expect, it } from '@jest/globals'
import { readParams } from '../../../test-support/read-params.ts'
import type { BuildReading } from '../../project/read-build.ts'
import { METRIC } from '../../measure/units.ts'
import { sayIn } from '../../wording/say.ts'
import { stepText } from '../../wording/steps.ts'
import { exampleContext, exampleGoods } from '../example-context.ts'
import { startingParams, type PostRackParams } from './parameters.ts'
import { postRack } from './post-rack.ts'

const say = sayIn(METRIC)
const read = (p: Partial<PostRackParams>): BuildReading =>
  readParams(
    postRack,
    { ...startingParams('metric', true), depthMm: 500, lengthMm: 2400, shelves: 3, raise: 'in-place', ...p },
    exampleContext('metric', [exampleGoods('metric', 'pail', 12)]),
  )
const sheetsOf = (r: BuildReading) => r.shaped.assembly.parts.filter((p) => p.role === 'shelf')
const stepOf = (r: BuildReading, part: string) => r.steps.findIndex((s) => s.parts.includes(part))
const POST = { wide: 89, thick: 38, room: 1 }

describe('sheets notched round the posts', () => {
  const r = read({ panels: 'round-posts' })
  const plain = read({})
  it('are as deep as the rack, whose frames are less deep by its posts', () => {
    const crosses = (x: BuildReading) => x.shaped.assembly.parts.find((p) => p.role === 'cross')!.size.lengthMm
    for (const s of sheetsOf(r)) expect(s.size.widthMm).toBe(500)
    expect(crosses(plain) - crosses(r)).toBeCloseTo(2 * POST.thick, 6)
    const [w, v] = [r, plain].map((x) => Math.max(...[...x.boxes.values()].map((b) => b.max[1])))
    expect(v - w).toBeCloseTo(2 * POST.thick, 6)
  })
  it('have a notch round every post, with a little room, in the edge it stands in', () => {
    const a = r.shaped.assembly
    const posts = a.parts.filter((p) => p.role === 'post').map((p) => r.boxes.get(p.id)!)
    for (const s of sheetsOf(r)) {
      const { min, max } = r.boxes.get(s.id)!
      const notches = s.machining.filter((m) => m.kind === 'notch')
      expect(notches).toHaveLength(posts.length)
      for (const b of posts) {
        const low = b.min[1] < (min[1] + max[1]) / 2
        const [from, to] = [Math.max(b.min[0] - POST.room, min[0]), Math.min(b.max[0] + POST.room, max[0])]
        const own = notches.find((n) => n.edge === (low ? 'low' : 'high') && Math.abs(n.atMm - (from - min[0])) < 1e-6)
        expect(own?.lengthMm).toBeCloseTo(to - from, 6)
        expect(own?.depthMm).toBeCloseTo(POST.thick + POST.room, 6)
      }
    }
  })
  it('lie on their frames before a post is on, but for the uppermost, and are lifted with them', () => {
    const at = Object.fromEntries(r.steps.map((s, i) => [s.id, i]))
    const [low, middle, top] = sheetsOf(r).map((s) => s.id)
    expect([stepOf(r, low), stepOf(r, middle), stepOf(r, top)]).toEqual([
      at['sheets-first'],
      at['sheets-first'],
      at.sheets,
    ])
    expect(at['sheets-first']).toBeLessThan(at.posts)
    expect(stepText(r.steps[at['sheets-first']], say)).toMatch(/^2 sheets onto their frames before a post is on/)
    const lifted = r.shaped.assembly.subassemblies.find((s) => s.id === 'module-0')!.parts
    expect(lifted).toEqual(expect.arrayContaining([low, middle]))
    expect(lifted).not.toContain(top)
  })
  it('what stands on them is shared by the rails as where they end at the frames', () => {
    expect(r.verdict.unknown + r.verdict.fails).toBe(0)
    const onto = (x: BuildReading, side: string) =>
      x.shaped.assembly.supports
        .filter((s) => 'part' in s.from && s.from.part.startsWith('rail-') && s.from.part.endsWith(side))
        .reduce((n, s) => n + (x.service.reactions.get(s.id) ?? 0), 0)
    const all = (x: BuildReading) => onto(x, '-rear') + onto(x, '-front')
    // Cross pieces are shorter by two posts, nothing else weighs less.
    expect(all(r) / all(plain)).toBeCloseTo(1, 1.5)
    expect(all(r)).toBeLessThan(all(plain))
    expect(onto(r, '-rear') / onto(plain, '-rear')).toBeCloseTo(1, 1)
  })
})

it('sheets between posts that pass at no slant are slid in from an end, before the next module stands there', () => {
  const r = read({ lengthMm: 4800 })
  const at = Object.fromEntries(r.steps.map((s, i) => [s.id, i]))
  expect(stepOf(r, 'shelf-0-0')).toBe(at['sheets-end'])
  expect(stepOf(r, 'shelf-0-2')).toBe(at.sheets)
  expect(at['sheets-end']).toBeGreaterThan(at.stand)
  expect(at['sheets-end']).toBeLessThan(at.join)
})

it.each(['doors', 'panel', 'curtain'] as const)(
  'what closes its front afterwards (%s) is in no sheet’s way',
  (front) => {
    const [open, closed] = [read({ midPosts: 0 }), read({ midPosts: 0, front })]
    const steps = (r: BuildReading) => sheetsOf(r).map((s) => r.steps[stepOf(r, s.id)].id)
    expect(steps(closed)).toEqual(steps(open))
  },
)
