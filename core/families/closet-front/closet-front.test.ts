import { describe, expect, it } from '@jest/globals'
import { crateOf } from '../../../test-support/crate.ts'
import { expectNear } from '../../../test-support/near.ts'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import type { Part } from '../../assembly/assembly.ts'
import { findGrade } from '../../catalogue/lumber.ts'
import { findSheet } from '../../catalogue/sheets.ts'
import { METRIC } from '../../measure/units.ts'
import { compare } from '../../project/compare.ts'
import { newBuild } from '../../project/new-build.ts'
import { newProject } from '../../project/project.ts'
import type { BuildReading } from '../../project/read-build.ts'
import { surfaceM2, sundryLines } from '../../takeoff/sundries.ts'
import { sayProblem } from '../../wording/problems.ts'
import { sayIn } from '../../wording/say.ts'
import { exampleContext } from '../example-context.ts'
import { closetFront } from './closet-front.ts'
import { startingParams, UPGRADES, type ClosetFrontParams, type School } from './parameters.ts'

const say = sayIn(METRIC)
const boxes = (count: number) => [{ item: crateOf([360, 320, 260], 6, { count }), count }]
const wall = (mm: number, count = 12) => exampleContext('metric', boxes(count), mm)
const params = (over: Partial<ClosetFrontParams> = {}): ClosetFrontParams => ({
  ...startingParams('metric', true),
  ...over,
})
const read = (over: Partial<ClosetFrontParams> = {}, c = wall(2700)): BuildReading =>
  readParams(closetFront, params(over), c)
const problem = (over: Partial<ClosetFrontParams>, c = wall(2700)) => tryParams(closetFront, params(over), c).problem
const byId = (r: BuildReading, id: string): Part => r.shaped.assembly.parts.find((p) => p.id === id)!
const dim = (r: BuildReading, path: string) => r.shaped.dims.find((d) => d.path === path)!.value
const SCHOOLS: School[] = ['shared', 'boxes', 'ladders', 'frames']

describe('a closet from wall to wall', () => {
  it.each(SCHOOLS)('of %s leaves nothing over: bays alike, and strips that fill both ends', (school) => {
    for (const mm of [1830, 2700, 3417, 4999]) {
      const r = read({ school }, wall(mm))
      const bays = dim(r, 'bays')
      const [t, post] = [18, 38]
      const [outer, inner] = {
        shared: [t, t],
        boxes: [t, 2 * t],
        ladders: [t + post, 2 * t + post],
        // One skin of 12 mm on a face of each.
        frames: [12 + post, 12 + post],
      }[school]
      const filler = (mm - 2 * outer - (bays - 1) * inner - bays * dim(r, 'clearMm')) / 2
      expect(filler).toBeGreaterThanOrEqual(20)
      // A light frame's bay is no wider than one leaf closes: strips take what that leaves.
      expect(filler).toBeLessThan(school === 'frames' ? 200 : 20 + bays)
      for (const id of ['filler-left', 'filler-right']) expectNear(byId(r, id).size.widthMm, filler, 1e-9)
      const [left, right] = ['filler-left', 'filler-right'].map((id) => r.boxes.get(id)!)
      expect([left.min[0], right.max[0]].map((x) => Math.round(x * 100) / 100)).toEqual([0, mm])
      expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
    }
  })
  it('its strips are cut over size and scribed at the wall and at the ceiling', () => {
    const r = read()
    const scribes = (id: string) =>
      byId(r, id).machining.flatMap((m) => (m.kind === 'scribe' ? [`${m.edge} ${m.allowanceMm}`] : []))
    expect(scribes('filler-left')).toEqual(['low 10'])
    expect(scribes('filler-right')).toEqual(['high 10'])
    expect(scribes('head-0')).toEqual(['high 10'])
    expectNear(r.boxes.get('head-0')!.max[2], 2440, 1e-9)
    const cut = r.pieces.find((l) => l.parts.includes('filler-left'))!.cut
    expectNear(Math.min(cut.widthMm, cut.lengthMm), byId(r, 'filler-left').size.widthMm + 10, 1e-9)
  })
  it('no upright is free over a long height, though things need few shelves', () => {
    const r = read({}, wall(2700, 2))
    const tops = [dim(r, 'kickMm') + 18, ...r.shaped.dims.filter((d) => d.path.startsWith('topMm')).map((d) => d.value)]
    const gaps = [...tops.slice(1), dim(r, 'highMm')].map((z, i) => z - tops[i])
    // And the board for the ties under the top.
    expect(Math.max(...gaps)).toBeLessThanOrEqual(550 + 94 + 2 * 18)
    expect(r.shaped.assembly.bays.length).toBe(tops.length * dim(r, 'bays'))
  })
  it('is never parted so that every stud hides behind an upright', () => {
    for (const every of [400, 600, 610])
      for (const mm of [3000, 4200, 6000]) {
        const c = wall(mm)
        const studsMm = Array.from({ length: Math.floor(mm / every) }, (_, i) => (i + 1) * every)
        const r = read({}, { ...c, space: { ...c.space, studsMm } })
        expect(r.shaped.assembly.anchors.length).toBeGreaterThanOrEqual(2)
        expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
      }
  })
  it('is refused where it is longer than its wall, higher than its ceiling, or a spring finds no room', () => {
    expect(problem({ bays: 6, clearMm: 600 })).toMatchObject({ code: 'closet-too-long', field: 'bays' })
    expect(problem({ highMm: 2600 })).toMatchObject({ code: 'closet-too-high', field: 'highMm' })
    const low = problem({ front: 'lift-up', bays: 3, topMm: [215], shelves: 2 }, wall(2700, 1))
    expect(low).toMatchObject({ code: 'no-spring-room', field: 'front' })
    for (const p of [problem({ bays: 6, clearMm: 600 }), problem({ highMm: 2600 }), low])
      expect(sayProblem(p!, say)).toMatch(/^[A-Z].*\.$/)
  })
})

describe('what it proposes itself for', () => {
  const item = crateOf([360, 320, 260], 6, { count: 14 })
  const of = (over: Partial<typeof item>, count = 14) =>
    closetFront.propose(exampleContext('metric', [{ item: { ...item, ...over }, count }], 2700))
  it('a wall of what is kept from dust or light, or is wished closed; nothing else', () => {
    expect(of({ care: ['dust'] })).toHaveLength(1)
    expect(of({ care: ['light'] })).toHaveLength(1)
    expect(of({ keptAs: 'closed' })).toHaveLength(1)
    expect(of({})).toEqual([])
    expect(of({ care: ['dust'] }, 4)).toEqual([])
    expect(of({ care: ['dust'], massKg: 40 })).toEqual([])
  })
})

describe('what is under its lowest panels', () => {
  it('is no lower than a strip, and the cleats of ladders and frames, want', () => {
    expect(problem({ school: 'frames', kickMm: 40 })).toMatchObject({ code: 'closet-kick-low', field: 'kickMm' })
    expect(problem({ school: 'shared', kickMm: 40 })).toBeNull()
  })
  it('before a wall without depth there is none', () => {
    const c = exampleContext('metric', [{ item: crateOf([90, 30, 40], 1), count: 2 }], 2700)
    const shallow = problem({}, { ...c, space: { ...c.space, depthMm: 105 } })!
    expect(shallow).toMatchObject({ code: 'closet-too-shallow', field: 'depthMm', data: { leastMm: 150 } })
    expect(sayProblem(shallow, say)).toMatch(/150 mm at least\.$/)
  })
})

describe('what closes it', () => {
  it.each(SCHOOLS)('doors and leaves of %s cover the whole front, with gaps between them', (school) => {
    for (const front of school === 'frames' ? (['doors'] as const) : (['doors', 'lift-up', 'both'] as const)) {
      const r = read({ school, front })
      const leaves = r.shaped.assembly.parts.filter((p) => p.role === 'door').map((p) => r.boxes.get(p.id)!)
      const [z0, z1] = [dim(r, 'kickMm'), dim(r, 'highMm')]
      const x = [r.boxes.get('filler-left')!.max[0], r.boxes.get('filler-right')!.min[0]]
      const area = leaves.reduce((n, b) => n + (b.max[0] - b.min[0]) * (b.max[2] - b.min[2]), 0)
      const whole = (x[1] - x[0]) * (z1 - z0)
      expect(area).toBeLessThan(whole)
      expect(area).toBeGreaterThan(0.985 * whole)
      expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
      expect(r.checks.some((c) => c.check === 'gas-springs')).toBe(front !== 'doors')
    }
  })
  it('24 leaves are read whole', () => {
    const r = read({ front: 'lift-up', bays: 6, shelves: 4 }, wall(3700, 24))
    expect(r.shaped.assembly.motions).toHaveLength(24)
    expect(r.checks.filter((c) => c.check === 'gas-springs')).toHaveLength(6)
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
  })
})

describe('light frames', () => {
  const r = read({ school: 'frames' }, wall(1900, 8))
  const { parts, joints } = r.shaped.assembly
  it('have two posts and one skin each, on the left, and leaves that hang on their posts', () => {
    const walls = parts.filter((p) => /^post-\d+-0$/.test(p.id)).length
    const skins = parts.filter((p) => p.role === 'side')
    expect(skins).toHaveLength(walls)
    for (let k = 0; k < walls; k++)
      expectNear(r.boxes.get(`upright-${k}`)!.max[0], r.boxes.get(`post-${k}-0`)!.min[0], 1e-9)
    expect(new Set(skins.map((p) => p.size.thicknessMm))).toEqual(new Set([12]))
    const hung = joints.filter((j) => j.kind === 'hinged' && !j.far.startsWith('door'))
    expect(hung.length).toBeGreaterThan(0)
    for (const j of hung) expect(j.far).toMatch(/^post-\d+-1$/)
  })
  it('have bays no wider than one leaf closes, or none', () => {
    expect(problem({ school: 'frames', clearMm: 580 })).toMatchObject({ code: 'closet-frames-wide', field: 'clearMm' })
    expect(problem({ school: 'frames', clearMm: 580, front: 'curtain' })).toBeNull()
  })
  it('carry each cleat on both posts, through the skin where that lies between', () => {
    for (const c of parts.filter((p) => p.role === 'cleat')) {
      const own = joints.filter((j) => j.far === c.id && j.near.startsWith('post-'))
      expect(own).toHaveLength(2)
      const touches = own.map((j) => {
        const [post, cleat] = [r.boxes.get(j.near)!, r.boxes.get(c.id)!]
        return Math.min(Math.abs(post.max[0] - cleat.min[0]), Math.abs(cleat.max[0] - post.min[0]))
      })
      const between = own.map((j) => j.fasteners[0].betweenMm ?? 0)
      touches.forEach((mm, i) => expectNear(mm, between[i], 1e-9))
      expect([0, 12]).toContain(Math.round(between[0]))
    }
  })
  it('are refused with leaves that turn up, whose springs want a sheet on both sides', () => {
    const p = problem({ school: 'frames', front: 'lift-up' })!
    expect(p).toMatchObject({ code: 'closet-springs-want-sides', field: 'front' })
    expect(sayProblem(p, say)).toMatch(/^Gas springs .*\.$/)
  })
  it('carry the tracks of panels that slide on their front posts; sheets carry none', () => {
    for (const school of ['ladders', 'frames'] as const) {
      const r = read({ school, front: 'sliding' })
      const { parts, joints } = r.shaped.assembly
      const bays = r.shaped.assembly.bays.length
      expect(bays).toBeGreaterThan(1)
      for (const track of ['track-low', 'track-high']) {
        const on = joints.filter((j) => j.near === track).map((j) => j.far)
        expect(on.filter((id) => id.startsWith('post-'))).toHaveLength(
          parts.filter((x) => /^post-.-1$/.test(x.id)).length,
        )
        for (const id of on.filter((x) => x.startsWith('post-'))) expect(r.boxes.get(id)!.max[1]).toBeCloseTo(r.boxes.get(track)!.min[1], 6) // prettier-ignore
      }
      expect(r.checks.find((c) => c.check === 'slides')).toMatchObject({ state: 'holds' })
      expect(r.steps.some((s) => s.code === 'panels-slide')).toBe(true)
    }
    const p = problem({ school: 'boxes', front: 'sliding' })!
    expect(p).toMatchObject({ code: 'closet-sliding-wants-posts', field: 'front' })
    expect(sayProblem(p, say)).toMatch(/^Panels .*\.$/)
    // Two boards of a track do not meet on a post of 38 mm.
    const far = problem({ school: 'frames', front: 'sliding' }, wall(6000))!
    expect(far).toMatchObject({ code: 'sliding-past-board', field: 'front', data: { mostMm: 4794, pastMm: 38 } })
    expect(sayProblem(far, say)).toMatch(/longest board gives 4794 mm.*38 mm\. Fewer bays/)
    expect(problem({ school: 'ladders', front: 'sliding', bays: 1, clearMm: 600 })).toMatchObject({
      code: 'sliding-one-opening',
    })
  })
  it('is what no closet had before: the skin is there, and the school stays', () => {
    const { skinSheet: _s, ...old } = startingParams('imperial', true)
    expect(closetFront.schema.parse(UPGRADES.reduce((raw, up) => up(raw), old as Record<string, unknown>))).toEqual(
      startingParams('imperial', true),
    )
  })
})

describe('schools side by side', () => {
  it('cost, weigh, take sheets and lose opening each in its own way', () => {
    const p = newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z')
    const [{ item }] = boxes(12)
    p.goods = [item]
    p.room.walls = [{ ...p.room.walls[0], lengthMm: 2700 }]
    p.builds = [
      newBuild({
        id: 'b',
        family: 'closet-front',
        params: params() as never,
        wallId: p.room.walls[0].id,
        goods: [{ goodsId: item.id, count: 12 }],
      }),
    ]
    const rows = compare(p, p.builds[0], 'school', SCHOOLS)
    const [shared, boxed, ladders, frames] = rows
    expect(rows.map((r) => r.option)).toEqual(SCHOOLS)
    expect(shared.openMm).toBeGreaterThan(boxed.openMm)
    expect(boxed.openMm).toBeGreaterThan(ladders.openMm)
    expect(boxed.sheets).toBeGreaterThanOrEqual(shared.sheets)
    expect(ladders.massKg).toBeGreaterThan(shared.massKg)
    // A frame with one thin skin is lighter than one with a thick skin on both faces.
    expect(frames.massKg).toBeLessThan(ladders.massKg)
    expect(new Set(rows.map((r) => r.minor)).size).toBe(4)
  })
})

describe('a closet with a face frame', () => {
  const r = read({ school: 'boxes', face: 'frame' })
  const { assembly } = r.shaped
  const box = (id: string) => r.boxes.get(id)!
  const stiles = assembly.parts.filter((p) => p.role === 'stile').map((p) => box(p.id))
  it('has a stile over every wall, the outer ones flush outside, the others over the middle; rails flush above', () => {
    const bays = dim(r, 'bays')
    expect(stiles).toHaveLength(bays + 1)
    expectNear(stiles[0].min[0], box('upright-0-b').min[0], 1e-9)
    expectNear(stiles[bays].max[0], box(`upright-${bays}-a`).max[0], 1e-9)
    for (let k = 1; k < bays; k++) {
      const [a, b] = [box(`upright-${k}-a`), box(`upright-${k}-b`)]
      expectNear(stiles[k].min[0] + stiles[k].max[0], a.min[0] + b.max[0], 1e-9)
    }
    for (let k = 0; k < bays; k++) {
      const [foot, head] = [box(`face-foot-${k}`), box(`face-head-${k}`)]
      expectNear(head.max[2], dim(r, 'highMm'), 1e-9)
      expectNear(foot.max[2], box(`shelf-${k}-0`).max[2], 1e-9)
      expect([foot.min[0], foot.max[0]]).toEqual([stiles[k].max[0], stiles[k + 1].min[0]])
    }
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
  })
  it('lets things out between its stiles and under its upper rails', () => {
    for (const b of assembly.bays) {
      const k = Number(b.id.split('-')[1])
      expect(b.clear.min[0]).toBeGreaterThanOrEqual(stiles[k].max[0])
      expect(b.clear.max[0]).toBeLessThanOrEqual(stiles[k + 1].min[0])
      expect(b.clear.max[2]).toBeLessThanOrEqual(box(`face-head-${k}`).min[2] + 1e-6)
    }
  })
  it('carries its leaves: what comes down a stile is its own weight, its leaves and half of each rail, by hand', () => {
    const kg = (id: string) => {
      const p = byId(r, id)
      const n = p.stock.kind === 'bought' ? p.stock.massKg : null
      return n ?? (p.size.lengthMm * p.size.widthMm * p.size.thicknessMm * density(p)) / 1e9
    }
    const density = (p: Part) =>
      p.stock.kind === 'sheet' ? findSheet(p.stock.sheet)!.densityKgM3 : findGrade('c16')!.densityKgM3
    const hung = assembly.parts.filter((p) => /^door-0-left(-hinge-\d)?$/.test(p.id)).map((p) => p.id)
    // A magnet hangs under the rail, and the strip under the ceiling lies on it.
    const rails = ['face-foot-0', 'face-head-0', 'head-0'].reduce((n, id) => n + kg(id) / 2, 0)
    const magnets = assembly.parts.filter((p) => /^door-0-.*-catch$/.test(p.id)).reduce((n, p) => n + kg(p.id), 0)
    const stile = assembly.supports.filter((s) => 'part' in s.from && s.from.part === 'stile-0' && s.push[2] > 0.9)
    const down = stile.reduce((n, s) => n + (r.service.reactions.get(s.id) ?? 0), 0)
    const least = 9.80665 * (kg('stile-0') + rails + hung.reduce((n, id) => n + kg(id), 0))
    expect(down).toBeGreaterThanOrEqual(least * (1 - 1e-6))
    expect(down).toBeLessThanOrEqual(least + 9.80665 * magnets + 1e-6)
  })
  it('holds its stiles by screws that are judged, and does not where the boards are too thin for their threads', () => {
    expect(checkOf(r, 'joints:side-stile')).toMatchObject({ state: 'holds' })
    expect(checkOf(r, 'buckling:stile-0').data).toMatchObject({ role: 'stile' })
    const thin = read({ school: 'boxes', face: 'frame', faceSection: '18x44mm' })
    expect(thin.verdict.state).not.toBe('holds')
  })
  it('has no band on edges it covers', () => {
    const settings = { yard: 'metric' as const, edgeBanding: true, finish: { coats: 2, coverM2PerL: 10 } }
    const m = (over: Partial<ClosetFrontParams>) =>
      sundryLines([read({ school: 'boxes', sheet: 'pb-18mm', ...over }).shaped.assembly], settings).find(
        (l) => l.kind === 'banding',
      )!.amount
    const uprights = assembly.parts.filter((p) => p.id.startsWith('upright')).reduce((mm, p) => mm + p.size.lengthMm, 0)
    expect(m({}) - m({ face: 'frame' })).toBeGreaterThan(0.9 * (uprights / 1000))
  })
  it.each([
    ['closet-face-wants-sheets', { school: 'ladders' }],
    ['closet-face-wants-sheets', { school: 'frames' }],
    ['closet-face-wants-doors', { front: 'lift-up' }],
    ['closet-face-wants-doors', { front: 'both' }],
  ] as [string, Partial<ClosetFrontParams>][])('%s: says so in words', (code, over) => {
    const p = problem({ face: 'frame', ...over })
    expect(p).toMatchObject({ code, field: 'face' })
    expect(sayProblem(p!, say)).toMatch(/^[A-Z].*\.$/)
  })
  it.each(['open', 'curtain', 'sliding'] as const)('also with a front that is %s', (front) => {
    const x = read({ face: 'frame', front })
    expect(x.verdict).toMatchObject({ fails: 0, unknown: 0 })
    expect(x.shaped.unhoused).toEqual([])
  })
})

describe('what is brushed and banded', () => {
  const settings = { yard: 'metric' as const, edgeBanding: true, finish: { coats: 2, coverM2PerL: 10 } }
  const banding = (r: BuildReading) =>
    sundryLines([r.shaped.assembly], settings).find((l) => l.kind === 'banding')!.amount
  it('coated sheets get no finish, and a band on every edge that shows', () => {
    const plain = read()
    const coated = read({ sheet: 'pb-18mm' })
    expect(surfaceM2(coated.shaped.assembly)).toBeLessThan(0.35 * surfaceM2(plain.shaped.assembly))
    const { parts, motions } = coated.shaped.assembly
    const leaves = new Set(motions.flatMap((m) => m.parts))
    const byHand = parts.reduce((mm, p) => {
      if (p.stock.kind !== 'sheet' || p.stock.sheet !== 'pb-18mm') return mm
      if (leaves.has(p.id)) return mm + 2 * (p.size.lengthMm + p.size.widthMm)
      return /^(upright|shelf|top)/.test(p.id) ? mm + p.size.lengthMm : mm
    }, 0)
    expectNear(banding(coated), byHand / 1000, 1e-9)
  })
  it('of others the front edges of what carries', () => {
    const r = read()
    const shelves = r.shaped.assembly.parts.filter((p) => p.id.startsWith('shelf'))
    expectNear(banding(r), shelves.reduce((mm, p) => mm + p.size.lengthMm, 0) / 1000, 1e-9)
  })
})

describe('a closet for what is nearly as high as it', () => {
  it('has no shelf over it that its sheets do not reach', () => {
    const broom = { item: crateOf([180, 80, 1550], 2, { count: 2 }), count: 2 }
    const r = readParams(closetFront, startingParams('metric', true), exampleContext('metric', [broom], 3900))
    expect(r.shaped.unhoused).toEqual([])
    expect(
      r.checks.filter((c) => c.state === 'fails' && c.link !== 'ground' && c.link !== 'whole').map((c) => c.id),
    ).toEqual([])
    expect(checkOf(r, 'contents-fit:above:' + broom.item.id).state).toBe('holds')
    const highest = Math.max(...r.shaped.assembly.bays.map((b) => b.clear.min[2]))
    // The broom on the bottom, and one shelf over it where there is room for something.
    expect(r.shaped.assembly.bays.some((b) => b.items.length > 0 && b.clear.max[2] - b.clear.min[2] > 1550)).toBe(true)
    expect(highest).toBeLessThan(2440)
  })
})
