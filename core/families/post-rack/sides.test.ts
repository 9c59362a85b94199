import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { findScrew } from '../../catalogue/fasteners.ts'
import { findGrade } from '../../catalogue/lumber.ts'
import { tiesAlong, tiesPulled } from '../../checks/ties.ts'
import { newGoods } from '../../goods/goods.ts'
import { METHODS } from '../../mechanics/methods/all.ts'
import { METRIC } from '../../measure/units.ts'
import { newBuild } from '../../project/new-build.ts'
import { newProject, type Build, type Project } from '../../project/project.ts'
import { readWith } from '../../project/read-build.ts'
import { readBuilds } from '../../project/read-builds.ts'
import { sidesAt } from '../../room/side-walls.ts'
import { sayCheck } from '../../wording/checks.ts'
import { sayIn } from '../../wording/say.ts'
import { stepText } from '../../wording/steps.ts'
import { betweenWalls, exampleContext, exampleGoods } from '../example-context.ts'
import type { ShapeContext } from '../family.ts'
import { startingParams, type PostRackParams } from './parameters.ts'
import { postRack } from './post-rack.ts'

const alcove = (wallMm: number) => betweenWalls(exampleContext('metric', [exampleGoods('metric', 'box', 10)], wallMm))
const params: PostRackParams = {
  ...startingParams('metric', false),
  ...{ follow: 'wall', sides: 'tied', ends: 'open', shelves: 3 },
}
const read = (c: ShapeContext, over: Partial<PostRackParams> = {}) => {
  const build = newBuild({ id: 'b', family: 'post-rack', params: { ...params, ...over } as never, wallId: 'w' })
  const r = readWith(postRack, build, c)
  if (!r.ok) throw new Error(JSON.stringify(r.problem))
  return r.reading
}
const only = (end: 'left' | 'right', c: ShapeContext): ShapeContext => ({
  ...c,
  space: { ...c.space, sides: { left: null, right: null, [end]: c.space.sides![end] } },
})
const check = (r: ReturnType<typeof read>, id: string) => r.checks.find((x) => x.id === id)!

describe('a rack tied to the walls beside it', () => {
  const c = alcove(2200)
  const r = read(c)
  const a = r.shaped.assembly
  const method = METHODS.ec5
  const given = { method, settings: c.settings }
  it('stands between them though nothing behind it holds a screw', () => {
    expect(r.verdict.state).toBe('holds')
    expect(check(r, 'tip-over:pull')).toMatchObject({ code: 'tip-tied', state: 'holds' })
    expect(check(r, 'sway:deep')).toMatchObject({ code: 'sway-tied', state: 'holds' })
    const free = read(c, { sides: 'free' })
    expect(free.shaped.assembly.anchors).toEqual([])
    expect(check(free, 'sway:deep').state).toBe('fails')
    expect(check(free, 'tip-over:pull').state).toBe('fails')
  })
  it('goes through both ends of its uppermost frame, where their studs are, the screw long enough', () => {
    const cross = (id: string) => r.boxes.get(id)!
    expect(a.anchors.map((x) => [x.side, x.part])).toEqual([
      ['left', 'cross-0-2-0'],
      ['right', `cross-0-2-${a.parts.filter((p) => p.id.startsWith('cross-0-2-')).length - 1}`],
    ])
    for (const x of a.anchors) {
      const b = cross(x.part)
      expect(x.at[0]).toBe(x.side === 'left' ? b.min[0] : b.max[0])
      expect([140, 546, 952]).toContain(x.at[1])
      expect(x.at[1] > b.min[1] && x.at[1] < b.max[1]).toBe(true)
      // By hand: its length less the cross piece and the lining.
      expectNear(x.embedMm, findScrew(x.fastener!)!.lengthMm - (b.max[0] - b.min[0]) - 12.7, 1e-9)
    }
  })
  it('holds along the wall by its thread, and out from the wall across the screw', () => {
    const [x] = a.anchors
    const screw = findScrew(x.fastener!)!
    const stud = findGrade('c16')!
    const pull = method.withdrawal(screw, stud, x.embedMm, c.settings)!.value / method.loadFactor.goods
    const along = tiesAlong(a, given)
    expect(along).toHaveLength(2)
    for (const t of along) expect(t.n!).toBeLessThanOrEqual(pull + 1e-9)
    for (const t of along.filter((t) => t.weakest === 'stud')) expectNear(t.n!, pull, 1e-9)
    const out = tiesPulled(a, given)
    expect(out.map((t) => t.weakest)).toEqual(['stud', 'stud'])
    // A screw pushed across its length gives more than nothing and no more than the yield of its own wood would.
    for (const t of out) expect(t.n! > 100 && t.n! < 2000).toBe(true)
  })
  it('gives nothing out from the wall where its sheet is not screwed to the tied piece: end grain holds nothing', () => {
    const loose = { ...a, joints: a.joints.filter((j) => !(j.near === 'shelf-0-2' && j.far.startsWith('cross-'))) }
    expect(loose.joints.length).toBe(a.joints.length - 2)
    expect(tiesPulled(loose, given).map((t) => [t.n, t.weakest])).toEqual([
      [0, 'frame'],
      [0, 'frame'],
    ])
  })
  it('at one end holds along the wall only; of several modules it would pull them apart', () => {
    const one = read(only('left', c))
    expect(one.shaped.assembly.anchors.map((x) => [x.side, x.holds])).toEqual([['left', ['x']]])
    expect(check(one, 'sway:deep').state).toBe('fails')
    const long = alcove(4400)
    expect(postRack.shape(params, only('right', long))).toMatchObject({ ok: false, problem: { field: 'sides' } })
    const both = read(long)
    expect(both.shaped.assembly.anchors.length).toBeGreaterThan(1)
    expect(new Set(both.shaped.assembly.anchors.flatMap((x) => x.holds))).toEqual(new Set(['x']))
  })
  it('along the wall alone it may still fall: it is judged as if nothing tied it, and loaded with that said', () => {
    const [tied, free] = [read(only('left', c)), read(c, { sides: 'free' })]
    for (const id of ['tip-over:filled', 'tip-over:pull', 'slenderness:build'])
      expect([check(tied, id).code, check(tied, id).state]).toEqual([check(free, id).code, check(free, id).state])
    expect(tied.steps[tied.steps.length - 1].code).toBe('load-low-first-untied')
    expect(r.steps[r.steps.length - 1].code).toBe('load-low-first')
  })
  it('a narrow one falls sideways by its own width, whatever nobody has rated beside it', () => {
    // Too narrow and high to stand alone sideways; the anchor in brick beside it is not rated.
    const brick = { ...c.space.sides!.left!, construction: { kind: 'masonry' as const } }
    const space = { ...c.space, sides: { left: brick, right: null } }
    const narrow = { lengthMm: 420, topMm: [300, 1100, 2100] }
    const goods = exampleContext('metric', [exampleGoods('metric', 'pail', 3)]).goods
    const of = (sides: PostRackParams['sides']) => read({ ...c, goods, space }, { ...narrow, sides })
    const [tied, free] = [of('tied'), of('free')]
    expect(tied.shaped.assembly.anchors).toHaveLength(2)
    const filled = check(tied, 'tip-over:filled')
    expect(filled.capacity).toBeCloseTo(check(free, 'tip-over:filled').capacity!, -3)
    expect(check(tied, 'slenderness:build').code).toBe('slender')
    expect(tied.verdict.state).not.toBe('holds')
  })
  it('where nothing beside it holds it says so', () => {
    const none = { ...c, space: { ...c.space, sides: { left: null, right: null } } }
    expect(postRack.shape(params, none)).toMatchObject({
      ok: false,
      problem: { code: 'no-wall-beside', field: 'sides' },
    })
  })
  it('tied behind as well, its ends hold along the wall only', () => {
    const usual = exampleContext('metric', [exampleGoods('metric', 'box', 10)], 2200)
    const tied = read({ ...usual, space: { ...usual.space, sides: c.space.sides } }, { tie: true })
    const [beside, behind] = [true, false].map((s) => tied.shaped.assembly.anchors.filter((x) => !!x.side === s))
    expect(behind.length).toBeGreaterThan(1)
    expect(beside.map((x) => x.holds)).toEqual([['x'], ['x']])
    expect(tied.verdict.state).toBe('holds')
  })
  it('no screw goes where something is on that wall, nor over its top', () => {
    const left = { ...c.space.sides!.left!, obstacles: [{ from: 100, to: 200, footMm: 0, headMm: 2000 }] }
    const sides = { ...c.space.sides!, left }
    const past = read({ ...c, space: { ...c.space, sides } })
    expect(past.shaped.assembly.anchors.map((x) => x.side)).toEqual(['right'])
    const low = { ...c.space.sides!, left: { ...left, obstacles: [], highMm: 900 } }
    expect(read({ ...c, space: { ...c.space, sides: low } }).shaped.assembly.anchors.map((x) => x.side)).toEqual([
      'right',
    ])
  })
  it('has a step that says where, from the wall behind', () => {
    const step = r.steps.find((s) => s.code === 'tie-sides')!
    expect(step.anchors).toHaveLength(2)
    const said = stepText(step, sayIn(METRIC))
    expect(said).toMatch(/on the left 1 fixing, 140 mm out from the wall behind; on the right 1 fixing, 140 mm/)
  })
})

describe('walls beside a build', () => {
  /** A square room; the builds' wall is the first, the one before it the last. */
  const room = () => {
    const p = newProject('p', 'alcove', 'metric', '2026-01-01T00:00:00.000Z')
    const [w] = p.room.walls
    const studs = (firstMm: number) => ({
      ...{ kind: 'studs' as const, spacingMm: 400, firstMm, studMm: 45, lined: true, liningMm: 12.5, found: [] },
    })
    const wall = (id: string, lengthMm: number, firstMm: number) => ({
      ...w,
      ...{ id, name: id, lengthMm, cornerRad: Math.PI / 2, construction: studs(firstMm) },
    })
    p.room = {
      ...p.room,
      closed: true,
      walls: [wall('back', 2400, 300), wall('right', 3000, 150), wall('front', 2400, 0), wall('left', 3000, 250)],
    }
    return p
  }
  it('are told out from the back: the left one from its right end, the right one from its left', () => {
    const s = sidesAt(room().room, 'back', { alongMm: 10, outMm: 5 })
    expect(s.left).toMatchObject({ name: 'left', atMm: -10, backPerMm: 0 })
    expect(s.right).toMatchObject({ name: 'right', atMm: 2390 })
    // Studs of the left one at 250, 650, ... 2650 from its far end: 350 from the corner.
    expectNear(s.left!.studsMm[0], 3000 - 2650 - 5, 1e-9)
    expectNear(s.right!.studsMm[0], 150 - 5, 1e-9)
  })
  it('are none where a corner is not square, or an open run ends', () => {
    const p = room()
    const slant = p.room.walls.map((w) => ({ ...w, cornerRad: w.id === 'back' ? (84 * Math.PI) / 180 : w.cornerRad }))
    const open = { ...p.room, closed: false, walls: slant }
    expect(sidesAt(open, 'back', { alongMm: 0, outMm: 0 })).toEqual({ left: null, right: null })
    expect(sidesAt(open, 'right', { alongMm: 0, outMm: 0 }).right?.name).toBe('front')
  })
  it('hold a rack in its room: told with their names, and a wire is looked for on each', () => {
    const p: Project = room()
    p.room.walls[0] = { ...p.room.walls[0], construction: { kind: 'thin' } }
    p.goods = [
      newGoods({ id: 'c', name: 'crate', kind: 'box', count: 8, acrossMm: 400, deepMm: 350, tallMm: 300, massKg: 12 }),
    ]
    const goods = [{ goodsId: 'c', count: 8 }]
    const wide = { ...params, follow: 'wall' } as Build['params']
    p.builds = [newBuild({ id: 'b', name: 'Rack', family: 'post-rack', params: wide, wallId: 'back', goods })]
    const [o] = readBuilds(p)
    if (!o.ok) throw new Error(JSON.stringify(o.problem))
    const told = o.reading.checks.filter((x) => x.code === 'in-side-wall').map((x) => sayCheck(x, sayIn(METRIC)))
    expect(told).toEqual(['1 fixing into left, beside it.', '1 fixing into right, beside it.'])
    expect(o.reading.verdict.state).toBe('holds')
  })
})
