import { describe, expect, it } from '@jest/globals'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import { expectNear } from '../../../test-support/near.ts'
import { crateOf } from '../../../test-support/crate.ts'
import { misplaced } from '../../assembly/sound.ts'
import { validateAssembly } from '../../assembly/validate.ts'
import { METHODS } from '../../mechanics/methods/all.ts'
import { METRIC } from '../../measure/units.ts'
import { sayProblem } from '../../wording/problems.ts'
import { sayIn } from '../../wording/say.ts'
import { stepFasteners } from '../../project/step-fasteners.ts'
import { exampleContext, exampleGoods } from '../example-context.ts'
import { startingParams, UPGRADES, type PostRackParams } from './parameters.ts'
import { postRack } from './post-rack.ts'

const context = exampleContext('metric', [exampleGoods('metric', 'box', 12)])
const params = (over: Partial<PostRackParams> = {}): PostRackParams => ({
  ...startingParams('metric', true),
  ...{ topFrame: 'on-posts', shelves: 3, floorBay: false },
  ...over,
})
const read = (over: Partial<PostRackParams> = {}, c = context) => readParams(postRack, params(over), c)
const top = (r: ReturnType<typeof read>) =>
  r.shaped.assembly.parts.filter((p) => /^rail-\d+-2-/.test(p.id)).map((p) => ({ id: p.id, box: r.boxes.get(p.id)! }))

describe('the uppermost frame on the posts', () => {
  const r = read()
  const { assembly } = r.shaped
  const posts = assembly.parts.filter((p) => p.role === 'post').map((p) => r.boxes.get(p.id)!)
  it('lies on all of them, its faces flush with theirs, its sheet as deep', () => {
    for (const { box } of top(r)) {
      for (const b of posts) expectNear(box.min[2], b.max[2], 1e-9)
      const flush = posts.some((b) => Math.abs(b.min[1] - box.min[1]) < 1e-6 || Math.abs(b.max[1] - box.max[1]) < 1e-6)
      expect(flush).toBe(true)
    }
    const sheet = r.boxes.get('shelf-0-2')!
    expectNear(sheet.min[1], Math.min(...posts.map((b) => b.min[1])), 1e-9)
    expectNear(sheet.max[1], Math.max(...posts.map((b) => b.max[1])), 1e-9)
    expect(r.verdict.state).toBe('holds')
  })
  it('presses on their ends: its screws bear none of it', () => {
    const bears = assembly.supports.filter((s) => 'part' in s.from && s.from.part.startsWith('rail-0-2-'))
    expect(new Set(bears.map((s) => s.via))).toEqual(new Set(['bearing']))
    // All that lies there, and the frame itself, by hand.
    const kg = assembly.bays.filter((b) => b.carriers.includes('shelf-0-2')).flatMap((b) => b.items)
    const goodsN = kg.reduce((n, i) => n + i.massKg! * 9.80665, 0)
    const down = bears.reduce((n, s) => n + (r.service.reactions.get(s.id) ?? 0), 0)
    expect(down).toBeGreaterThan(goodsN)
    expect(down).toBeLessThan(goodsN + 40 * 9.80665)
  })
  it('stays on them when it leans: a twentieth of what each rail brings down beside its screws, by hand', () => {
    const c = checkOf(r, 'on-posts:build')
    const [id] = c.parts
    const presses = r.shaped.assembly.supports.filter((s) => 'part' in s.from && s.from.part === id)
    expect(c.demand!).toBeGreaterThanOrEqual(
      0.05 * presses.reduce((n, s) => n + (r.design.reactions.get(s.id) ?? 0), 0) * (1 - 1e-9),
    )
    expect(c.data).toMatchObject({ posts: presses.length, screws: 2 * presses.length })
    expect(c.state).toBe('holds')
    const heavy = exampleContext('metric', [{ item: crateOf([450, 400, 350], 300, { count: 6 }), count: 6 }])
    const much = checkOf(read({ shelves: 1, midPosts: 0 }, heavy), 'on-posts:build')
    expect(much.demand! / c.demand!).toBeGreaterThan(5)
  })
  it('is not proven where nobody has weighed what lies there', () => {
    const { item, count } = exampleGoods('metric', 'box', 12)
    const unweighed = exampleContext('metric', [{ item: { ...item, massKg: null }, count }])
    expect(checkOf(read({}, unweighed), 'on-posts:build').state).toBe('unknown')
  })
  it('is screwed on in a step of its own, the others in theirs', () => {
    const counted = (code: string) => {
      const i = r.steps.findIndex((s) => s.code === code)
      return stepFasteners(assembly, r.rooms, r.steps, i, METHODS.ec5).reduce((n, f) => n + f.count, 0)
    }
    expect(counted('frame-on-posts')).toBe(2 * posts.length)
    expect(counted('posts-on')).toBe(3 * 2 * posts.length)
  })
  it.each([
    ['sheets round the posts', { panels: 'round-posts', raise: 'in-place' }],
    ['pieces under the other rails', { supports: 'doubled', raise: 'in-place' }],
    ['panels over its back', { cover: 'panels' }],
    ['doors', { front: 'doors' }],
    ['two modules, one of them without it', { lengthMm: 3600, leftOut: [{ module: 1, shelf: 2 }] }],
  ] as [string, Partial<PostRackParams>][])('goes with %s', (_n, over) => {
    const x = read(over)
    expect(validateAssembly(x.shaped.assembly)).toEqual([])
    expect(misplaced(x.shaped.assembly)).toEqual([])
    expect(x.verdict.unknown).toBe(0)
    // No piece stands under what lies on the posts.
    expect(x.shaped.assembly.parts.some((p) => /^under-\d+-2-/.test(p.id))).toBe(false)
  })
  it('is refused where posts under it would be stumps, and is in no rack made before', () => {
    const { problem } = tryParams(postRack, params({ shelves: 1, topMm: [150] }), context)
    expect(problem).toMatchObject({ code: 'posts-too-short', field: 'topMm.0' })
    expect(sayProblem(problem!, sayIn(METRIC))).toMatch(/^The uppermost shelf .*\.$/)
    const { topFrame: _t, ...old } = startingParams('metric', true)
    const now = UPGRADES.reduce((raw, up) => up(raw), old as Record<string, unknown>)
    expect(postRack.schema.parse(now)).toMatchObject({ topFrame: 'between-posts' })
  })
})
