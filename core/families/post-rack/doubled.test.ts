import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import { validateAssembly } from '../../assembly/validate.ts'
import { misplaced } from '../../assembly/sound.ts'
import { METRIC } from '../../measure/units.ts'
import { sayProblem } from '../../wording/problems.ts'
import { sayIn } from '../../wording/say.ts'
import { exampleContext, exampleGoods, thinWalls } from '../example-context.ts'
import { postRackLevers, postRackSavers } from './levers.ts'
import { startingParams, UPGRADES, type PostRackParams } from './parameters.ts'
import { postRack } from './post-rack.ts'

const context = exampleContext('metric', [exampleGoods('metric', 'pail', 24)])
const params = (over: Partial<PostRackParams> = {}): PostRackParams => ({
  ...startingParams('metric', true),
  ...{ shelves: 3, raise: 'in-place', supports: 'doubled' },
  ...over,
})
const read = (over: Partial<PostRackParams> = {}) => readParams(postRack, params(over), context)

describe('where a rail is too low for a piece under it', () => {
  it('is refused in words, at the choice that asks for one', () => {
    const low = { shelves: 2, floorBay: false, topMm: [130, 500] }
    const p = tryParams(postRack, params(low), context).problem!
    expect(p).toMatchObject({ code: 'no-room-under-rail', field: 'supports', data: { leastMm: 40 } })
    expect(sayProblem(p, sayIn(METRIC))).toMatch(/^Under a rail are .* 40 mm at least/)
    expect(tryParams(postRack, params({ ...low, supports: 'single' }), context).problem).toBeNull()
  })
})

describe('a rack with pieces under its rails', () => {
  const r = read()
  const { assembly } = r.shaped
  const under = assembly.parts.filter((p) => p.id.startsWith('under-'))
  it('has one for each rail at each post, from the floor up without a gap', () => {
    const posts = assembly.parts.filter((p) => p.id.startsWith('post-'))
    expect(under).toHaveLength(3 * posts.length)
    for (const post of posts) {
      const own = under.filter((p) => p.id.endsWith(post.id.replace('post-', '-')))
      const boxes = own.map((p) => r.boxes.get(p.id)!).sort((a, b) => a.min[2] - b.min[2])
      expect(boxes[0].min[2]).toBe(0)
      boxes.forEach((b, i) => {
        const rails = assembly.parts.filter((p) => p.role === 'rail').map((p) => r.boxes.get(p.id)!)
        const at = (z: number, side: 'min' | 'max') => rails.some((x) => Math.abs(x[side][2] - z) < 1e-6)
        expect(at(b.max[2], 'min')).toBe(true)
        if (i > 0) expect(at(b.min[2], 'max')).toBe(true)
      })
    }
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
  })
  it('hands all that its rails carry down the pieces, and hardly anything to their fasteners', () => {
    const single = read({ supports: 'single' })
    expect(checkOf(r, 'joints:post-rail').ratio!).toBeLessThan(checkOf(single, 'joints:post-rail').ratio!)
    const floor = (x: typeof r, head: string) =>
      x.shaped.assembly.supports
        .filter((s) => s.on.kind === 'floor' && 'part' in s.from && s.from.part.startsWith(head))
        .reduce((n, s) => n + (x.service.reactions.get(s.id) ?? 0), 0)
    expect(floor(r, 'under-')).toBeGreaterThan(3 * floor(r, 'post-'))
    expectNear(floor(r, 'under-') + floor(r, 'post-') + floor(r, 'brace'), r.service.loadsN, 0.02)
  })
  it('has its sheets notched round what stands on their rails, whether they reach past the posts or not', () => {
    for (const panels of ['between-posts', 'round-posts'] as const) {
      const x = read({ panels })
      expect(validateAssembly(x.shaped.assembly)).toEqual([])
      expect(misplaced(x.shaped.assembly)).toEqual([])
      const lowest = x.shaped.assembly.joints.filter((j) => j.kind === 'notched' && j.far.startsWith('under-'))
      // All but the uppermost sheet have pieces standing on their rails.
      const tops = new Set(lowest.map((j) => j.near))
      expect(tops.size).toBe(x.shaped.assembly.parts.filter((p) => p.role === 'shelf').length * (2 / 3))
    }
  })
  it('has its curtain and its doors on its posts, not on what is under its rails', () => {
    for (const front of ['curtain', 'doors'] as const) {
      const x = readParams(postRack, params({ front }), exampleContext('metric', [exampleGoods('metric', 'box', 4)]))
      const a = x.shaped.assembly
      const on = a.joints.filter((j) => j.kind === 'hung' || j.kind === 'hinged').map((j) => j.far)
      expect(on.some((id) => id.startsWith('post-'))).toBe(true)
      expect(on.filter((id) => id.startsWith('under-'))).toEqual([])
    }
  })
  it('is offered where fasteners are too weak, and what does without them as a saving', () => {
    const codes = (list: { code: string }[]) => list.map((l) => l.code)
    expect(codes(postRackLevers(params({ supports: 'single' })))).toContain('double-supports')
    expect(codes(postRackLevers(params()))).not.toContain('double-supports')
    expect(codes(postRackSavers(params()))).toContain('single-supports')
  })
  it('is refused where angles hold its feet down, and is in no rack made before', () => {
    const thin = thinWalls(exampleContext('metric', [exampleGoods('metric', 'pail', 8)]))
    const { problem } = tryParams(postRack, { ...startingParams('metric', false, true), supports: 'doubled' }, thin)
    expect(problem).toMatchObject({ code: 'pieces-at-feet', field: 'supports' })
    expect(sayProblem(problem!, sayIn(METRIC))).toMatch(/^Pieces .*\.$/)
    const { supports: _s, ...old } = startingParams('metric', true)
    const now = UPGRADES.reduce((raw, up) => up(raw), old as Record<string, unknown>)
    expect(postRack.schema.parse(now)).toMatchObject({ supports: 'single' })
  })
})
