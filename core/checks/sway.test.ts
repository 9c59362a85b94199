import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../test-support/near.ts'
import { checkOf } from '../../test-support/read-params.ts'
import { partsById } from '../assembly/by-id.ts'
import { exampleContext, exampleGoods } from '../families/example-context.ts'
import type { ShapeContext } from '../families/family.ts'
import { findFamily } from '../families/registry.ts'
import type { Assembly } from '../assembly/assembly.ts'
import { partBoxes } from '../assembly/part-box.ts'
import { inches, N_PER_LBF } from '../measure/units.ts'
import { METHODS } from '../mechanics/methods/all.ts'
import { newBuild } from '../project/new-build.ts'
import { readWith, type BuildReading } from '../project/read-build.ts'
import type { CheckContext, CheckResult } from './check.ts'
import { sway } from './sway.ts'
import { tiesAlong, tiesPulled } from './ties.ts'

const ctx = (over: Partial<ShapeContext['space']> = {}): ShapeContext => {
  const c = exampleContext('imperial', [exampleGoods('imperial', 'pail', 24)])
  return { ...c, space: { ...c.space, ...over } }
}
const read = (family: string, params: Record<string, unknown>, c = ctx()): BuildReading => {
  const f = findFamily(family)!
  const all = { ...(f.start(c) as object), ...params }
  const r = readWith(f, newBuild({ id: 'b', family, params: all as never, wallId: 'w' }), c)
  if (!r.ok) throw new Error(JSON.stringify(r.problem))
  return r.reading
}
/** The check by itself on an assembly changed by hand. */
const swayOf = (
  r: BuildReading,
  change: (a: Assembly) => void,
  subject: string,
  notWeighed: string[] = [],
): CheckResult => {
  const assembly: Assembly = JSON.parse(JSON.stringify(r.shaped.assembly))
  change(assembly)
  return sway
    .run({
      assembly,
      parts: partsById(assembly),
      boxes: partBoxes(assembly),
      settings: ctx().settings,
      method: METHODS.asd,
      design: { ...r.design, notWeighed },
      goods: new Map([['pail', { name: 'Pails' }]]),
    } as unknown as CheckContext)
    .find((x) => x.id === `sway:${subject}`)!
}
const free = { tie: false, midPosts: 0, lengthMm: 1500 }
const figure = (r: CheckResult, symbol: string) => r.working!.inputs.find((i) => i.symbol === symbol)!.value

describe('a diagonal', () => {
  const one = read('post-rack', { ...free, brace: true })
  const r = swayOf(one, () => {}, 'build')
  it('pulled gives its weaker end, pressed nothing once it is fifty times as long as it is thick', () => {
    expect(figure(r, 'le/d')).toBeGreaterThan(50)
    expect(figure(r, 'diagonal, pulled')).toBeGreaterThan(200)
    expect(figure(r, 'diagonal, pressed')).toBe(0)
    // One diagonal works to one side only.
    expect([r.state, r.capacity]).toEqual(['fails', 0])
  })
  it('of a thicker board is stiff enough to be pressed', () => {
    const thick = read('post-rack', { ...free, brace: true, backSection: '2x4', lengthMm: 1000 })
    const s = swayOf(thick, () => {}, 'build')
    expect(figure(s, 'le/d')).toBeLessThan(50)
    expect(figure(s, 'diagonal, pressed')).toBeGreaterThan(100)
    expect(figure(s, 'diagonal, pressed')).toBeLessThanOrEqual(figure(s, 'diagonal, pulled'))
    expect(s.state).toBe('holds')
  })
  it('in each of two modules: one is pulled, whichever way it leans', () => {
    const two = read('post-rack', { tie: false, midPosts: 0, lengthMm: 3400, brace: true })
    const [a, b] = two.shaped.assembly.parts.filter((p) => p.role === 'brace')
    expect(a.at.along[0] * a.at.along[2] * b.at.along[0] * b.at.along[2]).toBeLessThan(0)
    const s = swayOf(two, () => {}, 'build')
    expect(figure(s, 'diagonal, pressed')).toBe(0)
    expect(s.capacity!).toBeGreaterThan(100)
  })
  it('proves nothing while nobody has weighed the goods', () => {
    const two = read('post-rack', { tie: false, midPosts: 0, lengthMm: 3400, brace: true })
    expect(swayOf(two, () => {}, 'build').state).toBe('holds')
    expect(swayOf(two, () => {}, 'build', ['pail'])).toMatchObject({
      state: 'unknown',
      code: 'unknown-not-weighed',
      data: { goods: 'Pails' },
    })
  })
  it('that lost the screws of one end gives nothing', () => {
    const cut = swayOf(
      one,
      (a) => {
        const brace = a.parts.find((p) => p.role === 'brace')!.id
        const last = a.joints.filter((j) => j.near === brace).at(-1)!
        a.joints = a.joints.filter((j) => j !== last)
      },
      'build',
    )
    expect(cut.state).toBe('fails')
  })
  it('has its joints where it crosses the posts', () => {
    const a = one.shaped.assembly
    const brace = a.parts.find((p) => p.role === 'brace')!
    const heights = a.joints.filter((j) => j.near === brace.id).map((j) => j.at[2])
    // Near its two ends, not at mid-height.
    const rise = brace.size.lengthMm * Math.abs(brace.at.along[2])
    expect(Math.max(...heights) - Math.min(...heights)).toBeGreaterThan(0.75 * rise)
    for (const j of a.joints.filter((x) => x.near === brace.id)) {
      const post = a.parts.find((p) => p.id === j.far)!
      expect(Math.abs(j.at[0] - post.at.centre[0])).toBeLessThan(post.size.widthMm / 2 + 1)
    }
  })
})

describe('a sheet back', () => {
  const unit = read('shelf-unit', { back: true, tie: false, bays: 1 })
  const back = (a: Assembly) => a.parts.find((p) => p.role === 'back')!
  const screws = (a: Assembly, count: number) =>
    a.joints.forEach((j) => (j.near === back(a).id ? (j.fasteners[0].count = count) : 0))
  it('is as good as its screws: rows of n turned by half the moment each', () => {
    const r = swayOf(unit, (a) => screws(a, 8), 'build')
    const a = unit.shaped.assembly
    const b = partBoxes(a).get(back(a).id)!
    const rows = a.joints.filter((j) => j.near === back(a).id).map((j) => j.at[0])
    const [wide, high] = [rows[1] - rows[0], b.max[2] - b.min[2]]
    // By hand for a force F at the top: Σz² of eight places evenly over the height, F·H/2 on each row.
    const z = Array.from({ length: 8 }, (_, i) => high * (i / 7 - 1 / 2))
    const across = ((high / 2) * (high / 2)) / z.reduce((s, v) => s + v * v, 0)
    const along = high / (wide * 8)
    const twice = swayOf(unit, (x) => screws(x, 16), 'build')
    const one = r.capacity! * Math.hypot(across, along)
    expect(one).toBeGreaterThan(50)
    expect(twice.capacity!).toBeGreaterThan(1.5 * r.capacity!)
    const z16 = Array.from({ length: 16 }, (_, i) => high * (i / 15 - 1 / 2))
    const across16 = ((high / 2) * (high / 2)) / z16.reduce((s, v) => s + v * v, 0)
    expectNear(twice.capacity! * Math.hypot(across16, high / (wide * 16)), one, 1e-9)
  })
  it('does not hold with any fasteners, nor as a door', () => {
    expect(swayOf(unit, (a) => screws(a, 1), 'build').state).toBe('fails')
    const door = swayOf(
      unit,
      (a) => a.motions.push({ id: 'm', kind: 'swing', parts: [back(a).id], at: [0, 0, 0], axis: [0, 0, 1], byRad: 1 }),
      'build',
    )
    expect(door).toMatchObject({ state: 'fails', code: 'sway-free' })
    const nailed = swayOf(unit, (a) => (a.joints = a.joints.filter((j) => j.near !== back(a).id)), 'build')
    expect(nailed.state).toBe('fails')
  })
  it('leaves the uprights to keep it from folding front to back', () =>
    expect(swayOf(unit, () => {}, 'deep')).toMatchObject({ state: 'holds', code: 'sway-sides' }))
})

describe('front to back', () => {
  it('bare frames fold; a tie keeps them from it', () => {
    expect(swayOf(read('post-rack', { ...free, brace: true }), () => {}, 'deep')).toMatchObject({
      state: 'fails',
      code: 'sway-deep-free',
    })
    const tied = swayOf(read('post-rack', { tie: true, brace: true }), () => {}, 'deep')
    expect(tied).toMatchObject({ state: 'holds', code: 'sway-tied' })
  })
})

describe('diagonals one above another', () => {
  const thin = ctx({ construction: { kind: 'thin' }, studsMm: [], floor: 'slab' })
  const rack = read('post-rack', { lengthMm: 2000, midPosts: 1 }, thin)
  const without = (ids: string[]) =>
    swayOf(rack, (a) => (a.joints = a.joints.filter((j) => !ids.includes(j.near))), 'deep')
  const whole = without([])
  it('take the same push one after the other: two ends give what one story of each gives', () => {
    const [cos] = rack.shaped.assembly.parts
      .filter((p) => p.id === 'brace-0-left-0')
      .map((p) => Math.abs(p.at.along[1]))
    const [pulled, pressed] = [figure(whole, 'diagonal, pulled'), figure(whole, 'diagonal, pressed')]
    expect(rack.shaped.assembly.parts.filter((p) => p.id.startsWith('brace-0-')).length).toBeGreaterThanOrEqual(4)
    expectNear(whole.capacity!, (pulled + pressed) * cos, 1e-6)
  })
  it('a story lost at one end leaves the other end alone; lost at both it folds there', () => {
    const one = without(['brace-0-left-0'])
    expect(one.capacity!).toBeLessThan(0.55 * whole.capacity!)
    expect(without(['brace-0-left-0', 'brace-0-left-1']).capacity!).toBeCloseTo(one.capacity!, 6)
    expect(without(['brace-0-left-0', 'brace-0-right-0']).state).toBe('fails')
  })
})

describe('a tie, end to end', () => {
  const rack = read('post-rack', { tie: true, brace: true })
  const a = rack.shaped.assembly
  const given = { method: METHODS.asd, settings: ctx().settings }
  const pulled = (change: (x: Assembly) => void = () => {}) => {
    const copy: Assembly = JSON.parse(JSON.stringify(a))
    change(copy)
    return tiesPulled(copy, given)
  }
  const least = (t: ReturnType<typeof pulled>) => t.reduce((x, y) => (y.n! < x.n! ? y : x))
  it('gives no more than its head in the board: 690·π·D_H·G²·t by hand', () => {
    const head = 1.78 * 0.177
    const t = 0.75
    // #9 through a 1x4 of G 0.42, permanent load; t under 2.5 heads.
    const byHand = 690 * Math.PI * head * 0.42 ** 2 * Math.min(t, 2.5 * head) * 0.9 * N_PER_LBF
    const deep = pulled((x) => x.anchors.forEach((y) => (y.embedMm = 500)))
    const shallow = pulled((x) => x.anchors.forEach((y) => (y.embedMm = 5)))
    expect(least(shallow)).toMatchObject({ weakest: 'stud' })
    expectNear(least(shallow).n!, 2850 * 0.42 ** 2 * 0.177 * (5 / inches(1)) * 0.9 * N_PER_LBF, 1e-6)
    for (const y of deep) expect(y.n!).toBeLessThanOrEqual(byHand * 1.1)
  })
  it('gives nothing through a board that nothing fastens, and what the board bends', () => {
    const boards = new Set(a.anchors.map((x) => x.part))
    const loose = pulled((x) => (x.joints = x.joints.filter((j) => !boards.has(j.near))))
    for (const t of loose) expect(t.n === null || t.n === 0).toBe(true)
    const thin = pulled((x) => x.parts.forEach((p) => boards.has(p.id) && (p.size.thicknessMm = 6)))
    expect(least(thin).weakest).toBe('board')
  })
  it('promises nothing where nobody rated the anchor', () => {
    const masonry = pulled((x) => x.anchors.forEach((y) => ((y.into = 'masonry'), (y.fastener = null))))
    expect(masonry.every((t) => t.n === null && t.weakest === 'rated')).toBe(true)
  })
})

describe('a tied board that fits between two uprights', () => {
  const r = read('box-bench', { bays: 1 })
  const c = { method: METHODS.asd, settings: ctx().settings }
  const { assembly } = r.shaped
  const along = (a: Assembly) => tiesAlong(a, c).map(({ n, weakest }) => ({ n, weakest }))
  it('hands on a push along the wall by its ends, whichever way it goes: then its screws in the studs are asked', () => {
    const ties = along(assembly)
    expect(ties.length).toBeGreaterThan(0)
    for (const t of ties) expect(t.weakest).toBe('stud')
    // What the ends bear by hand: their section, at what the face of a panel takes.
    const { widthMm, thicknessMm } = assembly.parts.find((p) => p.id === 'tie-0')!.size
    for (const t of ties) expect(t.n).toBeLessThan(widthMm * thicknessMm * 1)
    expect(checkOf(r, 'sway:build').capacity!).toBeGreaterThan(ties.length * ties[0].n! - 1e-6)
  })
  it('gives nothing where only one of its ends stands at something: screws in end grain hold no pull', () => {
    const upright = assembly.joints.find((j) => j.far === 'tie-0' || j.near === 'tie-0')!.near
    const loose = {
      ...assembly,
      joints: assembly.joints.filter((j) => !(j.near === upright && j.far === 'tie-0')),
    }
    for (const t of along(loose)) expect(t).toEqual({ n: 0, weakest: 'frame' })
    const shorter = {
      ...assembly,
      parts: assembly.parts.map((p) =>
        p.id === 'tie-0' ? { ...p, size: { ...p.size, lengthMm: p.size.lengthMm - 4 } } : p,
      ),
    }
    for (const t of along(shorter)) expect(t).toEqual({ n: 0, weakest: 'frame' })
  })
})
