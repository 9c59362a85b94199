import { describe, expect, it } from '@jest/globals'
import { exampleContext, exampleGoods } from '../families/example-context.ts'
import { findFamily } from '../families/registry.ts'
import { METRIC } from '../measure/units.ts'
import { newBuild } from '../project/new-build.ts'
import { readWith } from '../project/read-build.ts'
import { sayIn } from '../wording/say.ts'
import { stepText } from '../wording/steps.ts'

const ctx = exampleContext('metric', [exampleGoods('metric', 'box', 12)])
const read = (family: string, params: Record<string, unknown>) => {
  const f = findFamily(family)!
  const all = { ...(f.start(ctx) as object), ...params } as never
  const r = readWith(f, newBuild({ id: 'b', family, params: all, wallId: 'w' }), ctx)
  if (!r.ok) throw new Error(JSON.stringify(r.problem))
  return r.reading
}
const text = (family: string, params: Record<string, unknown>, code: string) => {
  const step = read(family, params).steps.find((s) => s.code === code)!
  return stepText(step, sayIn(METRIC))
}

describe('a step counts what the build has', () => {
  it.each([
    ['screws', /Three|3 screws through each post/],
    ['more-screws', /5 screws through each post/],
    ['bolts', /2 bolts through each post/],
  ])('posts on rails held by %s', (railJoint, said) =>
    expect(text('post-rack', { railJoint }, 'posts-on')).toMatch(said),
  )
  it.each([
    ['two', '2 screws'],
    ['four', '4 screws'],
  ])('cross pieces with %s', (crossJoint, said) =>
    expect(text('post-rack', { crossJoint }, 'first-shelf-frame')).toContain(`${said} through the rail into each end`),
  )
  it('says no number of its own anywhere', () => {
    for (const family of ['tote-rack', 'post-rack', 'shelf-unit'])
      for (const s of read(family, {}).steps)
        expect(stepText(s, sayIn(METRIC))).not.toMatch(/\b(two|three|four|five) (screws|bolts|nails)/i)
  })
})

describe('cleats on thin uprights', () => {
  it.each(['none', 'screwed', 'glued'])('hold by screws through the upright, with a strip that is %s', (strip) => {
    const r = read('shelf-unit', { hold: 'cleats', strip, bays: 2 })
    const cleats = r.checks.find((c) => c.id === 'joints:cleat-side')!
    expect(cleats).toMatchObject({ state: 'holds', code: 'joint' })
    expect(r.checks.filter((c) => c.state === 'unknown')).toEqual([])
    // Through both the upright and the cleat on its other face, a screw keeps six of its diameters for the cleat it
    // holds.
    const long = r.shaped.assembly.joints.flatMap((j) => j.fasteners.filter((f) => (f.beforeMm ?? 0) > 0))
    expect(long.length).toBeGreaterThan(0)
    for (const f of long) expect(f.fastener).toBe('screw-5x90mm')
  })
  it('of boards too thin for a screw fail, and are made thicker', () => {
    const r = read('shelf-unit', { hold: 'cleats', cleatSection: '18x44mm' })
    expect(r.checks.find((c) => c.id === 'joints:cleat-side')).toMatchObject({
      state: 'fails',
      code: 'joint-too-short',
    })
    const f = findFamily('shelf-unit')!
    const levers = f.levers({ ...(f.start(ctx) as object), hold: 'cleats', cleatSection: '18x44mm' }, ctx)
    expect(levers.map((l) => l.code)).toEqual(expect.arrayContaining(['cleat-section', 'dado']))
  })
})
