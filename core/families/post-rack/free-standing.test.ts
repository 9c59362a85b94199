import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import type { Assembly } from '../../assembly/assembly.ts'
import { partBoxes } from '../../assembly/part-box.ts'
import { massCentre, partMassKg } from '../../assembly/mass.ts'
import { newtons } from '../../measure/units.ts'
import { newBuild } from '../../project/new-build.ts'
import { readWith } from '../../project/read-build.ts'
import type { CheckResult } from '../../checks/check.ts'
import { exampleContext, exampleGoods } from '../example-context.ts'
import type { ShapeContext } from '../family.ts'
import { postRack } from './post-rack.ts'
import { startingParams, type PostRackParams } from './parameters.ts'

const thin = (anchorRatedN: number | null, floor: 'slab' | 'timber' = 'slab'): ShapeContext => {
  const c = exampleContext('imperial', [exampleGoods('imperial', 'box', 12)])
  return {
    ...c,
    space: { ...c.space, floor, construction: { kind: 'thin' }, studsMm: [] },
    settings: { ...c.settings, anchorRatedN },
  }
}
const read = (c: ShapeContext, over: Partial<PostRackParams> = {}) => {
  const params = {
    ...startingParams(c.settings.yard, false, c.space.floor === 'slab'),
    shelves: 3,
    lengthMm: 2000,
    midPosts: 1,
    ...over,
  }
  const r = readWith(postRack, newBuild({ id: 'b', family: 'post-rack', params: params as never, wallId: 'w' }), c)
  if (!r.ok) throw new Error(JSON.stringify(r.problem))
  const check = (id: string): CheckResult => r.reading.checks.find((x) => x.id === id)!
  return { a: r.reading.shaped.assembly, check, verdict: r.reading.verdict }
}
const figure = (r: CheckResult, symbol: string) => r.working!.inputs.find((i) => i.symbol === symbol)!.value

/** Moment of all it weighs empty about its front feet, by hand, N·mm. */
const ownMoment = (a: Assembly) => {
  const boxes = partBoxes(a)
  const front = Math.max(...a.parts.filter((p) => p.role === 'post').map((p) => boxes.get(p.id)!.max[1]))
  return a.parts.reduce((n, p) => n + newtons(partMassKg(p)) * (front - massCentre(p)[1]), 0)
}

describe('a rack at walls that carry nothing', () => {
  const held = read(thin(4000))
  it('stands by itself: diagonals over its ends, its rear feet held down', () => {
    expect(held.check('sway:deep')).toMatchObject({ code: 'sway-brace', state: 'holds' })
    expect(held.check('tip-over:pull')).toMatchObject({ code: 'tip-pinned', state: 'holds' })
    expect(held.verdict.state).toBe('holds')
  })
  it('is held down by a quarter of what its pins are rated for times their distance from the front feet', () => {
    const boxes = partBoxes(held.a)
    const front = Math.max(...held.a.parts.filter((p) => p.role === 'post').map((p) => boxes.get(p.id)!.max[1]))
    const pins = held.a.anchors.filter((x) => x.into === 'slab')
    expect(pins).toHaveLength(3)
    const r = held.check('tip-over:pull')
    // A quarter of 4000 N each, less than the angle's own 1500 N; both as far from the front.
    expectNear(figure(r, 'feet held down'), 3 * 1000 * (front - pins[0].at[1]), 1e-9)
    expectNear(figure(r, 'own weight × arm'), ownMoment(held.a), 1e-6)
    expectNear(r.capacity!, 3 * 1000 * (front - pins[0].at[1]) + ownMoment(held.a), 1e-6)
  })
  it('the angle counts where the anchor is stronger', () => {
    const r = read(thin(100_000)).check('tip-over:pull')
    expectNear(figure(r, 'feet held down') / figure(held.check('tip-over:pull'), 'feet held down'), 1.5, 1e-9)
  })
  it('is not proven while nobody has said what its anchors are rated for', () => {
    const r = read(thin(null))
    expect(r.check('tip-over:pull')).toMatchObject({ code: 'unknown-anchor', state: 'unknown' })
    expect(r.check('tip-over:pull').data).toMatchObject({ weakest: 'rated', count: 3 })
    expect(r.verdict.state).not.toBe('holds')
  })
  it('falls when its feet only stand, and folds when its ends are open', () => {
    const loose = read(thin(4000), { feet: 'standing' })
    expect(loose.check('tip-over:pull')).toMatchObject({ code: 'tip-pull', state: 'fails' })
    const open = read(thin(4000), { ends: 'open' })
    expect(open.check('sway:deep')).toMatchObject({ code: 'sway-deep-free', state: 'fails' })
  })
  it('has no angles on a floor of boards', () => {
    expect(read(thin(4000, 'timber'), { feet: 'pinned' }).a.anchors).toEqual([])
  })
})

describe('in an earthquake', () => {
  const shaken = (anchorRatedN: number | null, over: Partial<PostRackParams> = {}) => {
    const c = thin(anchorRatedN)
    return read({ ...c, settings: { ...c.settings, seismicG: 1.2 } }, over)
  }
  it('feet held down add their moment; what nobody rated proves nothing', () => {
    const [held, loose] = [shaken(40_000), shaken(40_000, { feet: 'standing' })]
    const share = (r: typeof held) => r.check('earthquake:build').ratio ?? Infinity
    expect(share(held)).toBeLessThan(share(loose))
    expect(loose.check('earthquake:build').state).toBe('fails')
    expect(shaken(null).check('earthquake:build')).toMatchObject({ code: 'unknown-anchor', state: 'unknown' })
  })
})

describe('diagonals over an end', () => {
  const { a, check } = read(thin(4000))
  const boards = a.parts.filter((p) => /-(left|right)-/.test(p.id))
  it('lie on the outer faces of the end posts, none too steep, those of the ends crossing', () => {
    expect(boards.length).toBeGreaterThanOrEqual(4)
    for (const p of boards) {
      const deg = (Math.asin(Math.abs(p.at.along[2])) * 180) / Math.PI
      expect(deg).toBeGreaterThanOrEqual(25)
      expect(deg).toBeLessThanOrEqual(65)
      expect(Math.abs(p.at.along[0])).toBeLessThan(1e-9)
    }
    const slope = (id: string) => {
      const { along } = boards.find((p) => p.id === id)!.at
      return Math.sign(along[1] * along[2])
    }
    expect(slope('brace-0-left-0')).toBe(-slope('brace-0-right-0'))
    expect(slope('brace-0-left-0')).toBe(-slope('brace-0-left-1'))
  })
  it('above one another take the same push, one after the other: two ends give what two boards give', () => {
    const r = check('sway:deep')
    // Two ends, each with one pulled or one pressed at any height: never more than two of them together.
    const [pulled, pressed] = [figure(r, 'diagonal, pulled'), figure(r, 'diagonal, pressed')]
    expect(r.capacity!).toBeLessThanOrEqual(pulled + Math.max(pulled, pressed))
  })
  it('a whole run is two modules long at most, and says so', () => {
    const c = thin(4000)
    const long = postRack.shape({ ...startingParams('imperial', false, true), lengthMm: 6000 }, c)
    expect(long).toMatchObject({ ok: false, problem: { code: 'past-braced-ends', field: 'lengthMm' } })
  })
  it('lie inside the length asked for', () => {
    const boxes = partBoxes(a)
    const x = [...boxes.values()].map((b) => [b.min[0], b.max[0]])
    expectNear(Math.min(...x.map((v) => v[0])) + 1, 1, 1e-6)
    expectNear(Math.max(...x.map((v) => v[1])), 2000, 1e-6)
  })
  it('away from every wall both rows of feet are held down, and falling over the rear ones is judged as well', () => {
    const away = (anchorRatedN: number | null) => {
      const c = thin(anchorRatedN)
      return { ...c, space: { ...c.space, away: true } }
    }
    const r = read(away(4000))
    const pins = r.a.anchors.filter((x) => x.into === 'slab')
    expect(pins).toHaveLength(6)
    expect(r.verdict.state).toBe('holds')
    // By hand: those of each row hold against the edge of the other.
    const boxes = partBoxes(r.a)
    const posts = r.a.parts.filter((p) => p.role === 'post').map((p) => boxes.get(p.id)!)
    const [back, front] = [Math.min(...posts.map((b) => b.min[1])), Math.max(...posts.map((b) => b.max[1]))]
    const held = (arm: (y: number) => number) => {
      const most = Math.max(...pins.map((x) => arm(x.at[1])))
      return pins.reduce((n, x) => n + (1000 * arm(x.at[1]) ** 2) / most, 0)
    }
    const own = (arm: (y: number) => number) =>
      r.a.parts.reduce((n, p) => n + newtons(partMassKg(p)) * arm(massCentre(p)[1]), 0)
    const arms = [(y: number) => front - y, (y: number) => y - back]
    expectNear(r.check('tip-over:pull').capacity!, Math.min(...arms.map((a) => held(a) + own(a))), 1e-6)
    // Nothing is taken off the moment of one that has a wall behind it.
    expect(r.check('tip-over:pull').capacity!).toBeGreaterThan(held((y) => front - y) - 1)
  })
  it('what is heaviest at its back falls backwards where nothing is behind it', () => {
    const free = (away: boolean) => {
      const c = thin(null)
      return read({ ...c, space: { ...c.space, away } }, { feet: 'standing' }).check('tip-over:pull')
    }
    expect(free(true).capacity!).toBeLessThan(free(false).capacity!)
    expect(free(true).data.way).toBe('backward')
  })
})
