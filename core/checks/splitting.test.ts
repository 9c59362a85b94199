import { describe, expect, it } from '@jest/globals'
import { partsById } from '../assembly/by-id.ts'
import { draft } from '../assembly/draft.ts'
import { partBoxes } from '../assembly/part-box.ts'
import type { Stock } from '../assembly/assembly.ts'
import { exampleContext, exampleGoods } from '../families/example-context.ts'
import { findFamily } from '../families/registry.ts'
import { inches, METRIC, IMPERIAL } from '../measure/units.ts'
import { METHODS } from '../mechanics/methods/all.ts'
import { newBuild } from '../project/new-build.ts'
import type { Build } from '../project/project.ts'
import { readWith } from '../project/read-build.ts'
import { stepFasteners } from '../project/step-fasteners.ts'
import { sayCheck } from '../wording/checks.ts'
import { sayIn } from '../wording/say.ts'
import { startingSettings } from '../assembly/settings.ts'
import { jointRooms } from './joint-room.ts'
import { joints } from './joints.ts'
import { splitting } from './splitting.ts'

const board = (section: string): Stock => ({ kind: 'board', section, grade: 'spf-no2', treated: false })
/** A 2x4 rail on edge across the face of a 2x4 post: its end flush with the post's edge, or a way beyond it. */
function crossing(beyondMm: number, count: number, fastener: string, method: 'asd' | 'ec5' = 'asd') {
  const [t, w] = [38.1, 88.9]
  const d = draft('imperial')
  d.square({
    id: 'post',
    role: 'post',
    stock: board('2x4'),
    min: [0, 0, 0],
    size: [t, w, 1000],
    along: 'z',
    across: 'y',
  })
  d.square({
    id: 'rail',
    role: 'rail',
    stock: board('2x4'),
    min: [-beyondMm, w, 400],
    size: [600 + beyondMm, t, w],
    along: 'x',
    across: 'z',
  })
  d.bolt('rail', 'post', count, fastener)
  const rooms = jointRooms(d.assembly, partBoxes(d.assembly), METHODS[method])
  return [...rooms.values()][0][0]!
}

describe('room of a joint for its fasteners, by hand', () => {
  // #8 is 4.166 mm. The post is 38.1 wide, so a rail flush with it has its end 19.05 mm from the middle.
  it('a rail whose end is flush with a narrow post: must be bored for', () => {
    // Driven 10 D = 41.7 from the end is off the post; bored 5 D = 20.8 leaves 38.1 − 10.4 − 20.8 = 6.9 mm: one column
    // of screws.
    expect(crossing(0, 2, 'screw-8x2.5')).toMatchObject({ driven: false, share: 1 })
    // The height: 88.9 − 2 × 10.4 = 68.1 mm at 10 D bored along the post's grain = 41.7 apart: two, not three.
    expect(crossing(0, 3, 'screw-8x2.5').share).toBeLessThan(1)
    expect(crossing(0, 3, 'screw-8x2.5').share).toBeGreaterThanOrEqual(0.8)
  })
  it('let run 50 mm past the post it may be driven: 15 D along the post’s grain leave two', () => {
    expect(crossing(50, 2, 'screw-8x2.5')).toMatchObject({ driven: true, share: 1 })
    expect(crossing(50, 3, 'screw-8x2.5').driven).toBe(false)
  })
  it('two 3/8 in bolts one above the other: 4 D + 1.5 D of 88.9 mm leave 36.5 of 38.1 mm', () => {
    const bolts = crossing(50, 2, 'bolt-3/8x3.5')
    expect(bolts.share).toBe(0.95)
    expect(crossing(50, 1, 'bolt-3/8x3.5').share).toBe(1)
    expect(crossing(50, 9, 'bolt-3/8x3.5').share).toBe(0)
  })
  it('is never more under more fasteners', () => {
    for (const method of ['asd', 'ec5'] as const)
      for (const f of ['screw-8x2.5', 'screw-10x3.5', 'bolt-3/8x3.5']) {
        const shares = [1, 2, 3, 4, 6, 9].map((n) => crossing(20, n, f, method).share)
        expect([...shares].sort((a, b) => b - a)).toEqual(shares)
      }
  })
})

describe('splitting in a build', () => {
  const read = (params: object, system: 'imperial' | 'metric' = 'imperial') => {
    const family = findFamily('post-rack')!
    const ctx = exampleContext(system, [exampleGoods(system, 'pail', 20)])
    const build = newBuild({
      id: 'b',
      name: 'b',
      family: family.id,
      params: { ...(family.start(ctx) as object), ...params } as Build['params'],
      wallId: 'w',
    })
    const r = readWith(family, build, ctx)
    if (!r.ok) throw new Error(JSON.stringify(r.problem))
    return r.reading
  }
  it('says what to bore, in the size drills are sold in', () => {
    const c = read({}).checks.find((x) => x.id === 'splitting:cross-rail')!
    expect(c).toMatchObject({ state: 'holds', code: 'split-bore' })
    expect(sayCheck(c, sayIn(IMPERIAL))).toMatch(/bore 1\/8"/)
    expect(sayCheck(c, sayIn(METRIC))).toMatch(/bore 3 mm/)
  })
  it('screws that find no room even bored carry nothing, and the joint fails', () => {
    const r = read({})
    const assembly = JSON.parse(JSON.stringify(r.shaped.assembly)) as typeof r.shaped.assembly
    for (const j of assembly.joints)
      if (j.far.startsWith('rail') && j.near.startsWith('post')) j.fasteners[0].count = 60
    const rooms = jointRooms(assembly, r.boxes, METHODS.asd)
    const c = {
      assembly,
      arranged: assembly,
      parts: partsById(assembly),
      boxes: r.boxes,
      alike: r.groups,
      service: r.service,
      design: r.design,
      settings: startingSettings('imperial'),
      method: METHODS.asd,
      rooms,
      space: r.space,
      goods: r.goods,
      unhoused: [],
    }
    expect(splitting.run(c).find((x) => x.id === 'splitting:post-rail')).toMatchObject({
      state: 'fails',
      code: 'split-crowded',
    })
    expect(joints.run(c).find((x) => x.id === 'joints:post-rail')).toMatchObject({
      state: 'fails',
      code: 'joint-crowded',
      capacity: 0,
    })
  })
  it('what is nearer than asked for counts less, and the working says so', () => {
    const c = read({}, 'metric').checks.find((x) => x.id === 'joints:cross-rail')!
    const place = c.working!.inputs.find((i) => i.symbol === 'CΔ')!
    expect(place.value).toBeLessThan(1)
    expect(c.capacity).toBeCloseTo(Number(c.data.count) * Number(c.data.oneN) * place.value, 6)
  })
  it('stands in the steps beside the screws', () => {
    const r = read({})
    const lines = r.steps.flatMap((_s, i) => stepFasteners(r.shaped.assembly, r.rooms, r.steps, i, METHODS.asd))
    expect(lines.some((l) => l.boreMm !== null && Math.abs(l.boreMm - (inches(0.142) * 7) / 8) < 0.01)).toBe(true)
    // Posts are cut and marked in one step and screwed on in the next.
    const at = (code: string) =>
      stepFasteners(
        r.shaped.assembly,
        r.rooms,
        r.steps,
        r.steps.findIndex((s) => s.code === code),
        METHODS.asd,
      ).reduce((n, l) => n + l.count, 0)
    expect(at('mark-posts')).toBe(0)
    expect(at('posts-on')).toBe(
      r.shaped.assembly.joints
        .filter((j) => j.near.startsWith('post') && j.far.startsWith('rail'))
        .reduce((n, j) => n + j.fasteners[0].count, 0),
    )
    // Every screw of the build is driven in exactly one step.
    const count = (list: { fastener: string; count: number }[]) => {
      const out: Record<string, number> = {}
      for (const x of list) out[x.fastener] = (out[x.fastener] ?? 0) + x.count
      return out
    }
    // Those into the wall are driven in a step too.
    const { joints, anchors } = r.shaped.assembly
    const into = anchors.flatMap(({ fastener, count: n }) => (fastener ? [{ fastener, count: n }] : []))
    expect(into.length).toBeGreaterThan(0)
    expect(count(lines)).toEqual(count([...joints.flatMap((j) => j.fasteners), ...into]))
  })
})
