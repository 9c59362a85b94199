import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../test-support/near.ts'
import { checkOf, readParams, tryParams } from '../../test-support/read-params.ts'
import type { Assembly } from '../assembly/assembly.ts'
import { partsById } from '../assembly/by-id.ts'
import { partMassKg } from '../assembly/mass.ts'
import { partBoxes } from '../assembly/part-box.ts'
import { exampleContext, exampleGoods } from '../families/example-context.ts'
import { startingParams, type PostRackParams } from '../families/post-rack/parameters.ts'
import { postRack } from '../families/post-rack/post-rack.ts'
import { arrangements } from '../loads/arrangements.ts'
import { METRIC, newtons } from '../measure/units.ts'
import { sayCheck } from '../wording/checks.ts'
import { sayProblem } from '../wording/problems.ts'
import { sayIn } from '../wording/say.ts'
import { slides } from './slides.ts'

const say = sayIn(METRIC)
const ctx = exampleContext('metric', [exampleGoods('metric', 'box', 10)])
const params = (over: Partial<PostRackParams> = {}): PostRackParams => ({
  ...startingParams('metric', true),
  ...{ front: 'sliding', shelves: 3, midPosts: 2 },
  ...over,
})
const r = readParams(postRack, params(), ctx)
const a = r.shaped.assembly
const box = (id: string) => r.boxes.get(id)!
const panels = a.parts.filter((p) => p.role === 'door')
const look = (b: Assembly) => slides.run({ assembly: b, parts: partsById(b), boxes: partBoxes(b) } as never)
const changed = (id: string, change: (p: Assembly['parts'][number]) => Assembly['parts'][number]): Assembly => ({
  ...a,
  parts: a.parts.map((p) => (p.id === id ? change(p) : p)),
})

describe('panels that slide past each other', () => {
  it('are one for each opening, by turns in two grooves, the upper ones deeper by what they are lifted', () => {
    expect(panels.map((p) => p.id)).toEqual(['slide-0', 'slide-1', 'slide-2'])
    expectNear(box('slide-0').min[1], box('slide-2').min[1], 1e-9)
    expect(box('slide-1').min[1]).toBeGreaterThan(box('slide-0').max[1])
    const depths = (id: string) =>
      a.parts.find((p) => p.id === id)!.machining.map((m) => (m.kind === 'groove' ? m.depthMm : 0))
    expect([depths('track-low'), depths('track-high')]).toEqual([
      [6, 6],
      [14, 14],
    ])
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
  })
  it('go in beside each other, and cover every opening when they are shut', () => {
    const [left, right] = [box('slide-0').min[0], box('slide-2').max[0]]
    expectNear(left, box('post-0-0-front').min[0], 1e-9)
    expectNear(right, box('post-0-3-front').max[0], 1e-9)
    for (const k of [0, 1]) expect(box(`slide-${k}`).max[0] - box(`slide-${k + 1}`).min[0]).toBeCloseTo(20, 6)
  })
  it('slid aside each leaves the clear width of its bays free, and stays on its tracks', () => {
    for (const m of a.motions.filter((x) => x.kind === 'slide')) {
      const [panel, k] = [box(m.parts[0]), Number(m.parts[0].slice(-1))]
      const bay = a.bays.find((b) => b.id.endsWith(`-${k}`))!
      const by = m.kind === 'slide' ? m.by[0] : 0
      // The edge that goes first has gone past the other side of its bay.
      expect(by > 0 ? panel.min[0] + by >= bay.clear.max[0] - 1e-6 : panel.max[0] + by <= bay.clear.min[0] + 1e-6).toBe(
        true,
      )
    }
  })
  it('press on the lower track with what they weigh, which pulls at its screws as its arm says, by hand', () => {
    const on = (id: string, up: boolean) =>
      a.supports
        .filter((s) => s.on.kind === 'part' && s.on.part === id && (up ? s.push[2] === 1 : s.push[1] === 1))
        .reduce((n, s) => n + (r.service.reactions.get(s.id) ?? 0), 0)
    const weight = panels.reduce((n, p) => n + newtons(partMassKg(p)), 0)
    expectNear(on('track-low', true), weight, 1e-9)
    expectNear(on('track-high', true), 0, 1e-9)
    // All that the lower track and its panels weigh, times how far before the posts, over screw to pressed edge.
    const track = a.parts.find((p) => p.id === 'track-low')!
    const face = box('track-low').min[1]
    const turn =
      newtons(partMassKg(track)) * 19 + panels.reduce((n, p) => n + newtons(partMassKg(p)) * (p.at.centre[1] - face), 0)
    const held = a.supports.filter((s) => 'part' in s.from && s.from.part === 'track-low' && s.push[1] === 1)
    const pressed = held.filter((s) => s.steadies).reduce((n, s) => n + (r.service.reactions.get(s.id) ?? 0), 0)
    expectNear(pressed, turn / ((0.45 - 0.08) * 38), 0.01)
  })
  it('lift out: what stands in the lower groove against what the upper one leaves', () => {
    const c = checkOf(r, 'slides:panels')
    expect(c).toMatchObject({ state: 'holds', demand: 6, capacity: 8 })
    expect(sayCheck(c, say)).toBe(
      'Its 3 panels stand 6 mm in the lower groove and lift out: the upper one leaves 8 mm.',
    )
  })
  it('do not where the upper groove is too shallow, or where one stands too deep below', () => {
    const shallow = changed('track-high', (p) => ({
      ...p,
      machining: p.machining.map((m) => (m.kind === 'groove' ? { ...m, depthMm: 11 } : m)),
    }))
    const [fails] = look(shallow)
    expect(fails).toMatchObject({ state: 'fails', demand: 6, capacity: 5 })
    expect(sayCheck(fails, say)).toMatch(/does not lift out.*deeper groove above/i)
    const loose = changed('slide-1', (p) => ({
      ...p,
      at: { ...p.at, centre: [p.at.centre[0], p.at.centre[1], p.at.centre[2] + 7] },
    }))
    expect(look(loose)[0].state).toBe('fails')
  })
  it('that would run off their tracks are told by how much', () => {
    const far = {
      ...a,
      motions: a.motions.map((m) =>
        m.kind === 'slide' ? { ...m, by: [m.by[0] * 3, 0, 0] as [number, number, number] } : m,
      ),
    }
    expect(look(far)[0]).toMatchObject({ code: 'slides-off', state: 'fails' })
  })
  it('want two openings, and panels no wider than their sheet', () => {
    const code = (over: Partial<PostRackParams>) => tryParams(postRack, params(over), ctx).problem
    // By itself it has posts as near as its panels ask.
    expect(code({ midPosts: null, lengthMm: 2400 })).toBeNull()
    expect(code({ midPosts: 0, lengthMm: 900 })!.code).toBe('sliding-one-opening')
    expect(code({ midAtMm: [600, 1300] })).toMatchObject({ code: 'sliding-unequal', data: { opening: 3 } })
    const wide = code({ midPosts: 1, lengthMm: 2440 })!
    expect([wide.code, wide.field]).toEqual(['sliding-past-sheet', 'front'])
    expect(sayProblem(wide, say)).toMatch(/Narrower openings, or doors\.$/)
  })
  describe('along more than a board', () => {
    const long = { ...ctx, space: { ...ctx.space, lengthMm: 6200 } }
    const run = readParams(postRack, params({ midPosts: null, lengthMm: 6000 }), long)
    const { assembly } = run.shaped
    const guides = (which: string) => assembly.parts.filter((p) => p.id.startsWith(`track-${which}`))
    const seam = (which: string) => run.boxes.get(guides(which)[0].id)!.max[0]
    it('tracks are of two boards that meet over uprights, not both over the same', () => {
      expect(guides('low').map((p) => p.id)).toEqual(['track-low-0', 'track-low-1'])
      for (const which of ['low', 'high']) {
        const post = [...run.boxes].find(
          ([id, b]) => /^post-.*-front$/.test(id) && b.min[0] < seam(which) && b.max[0] > seam(which),
        )!
        const on = assembly.joints.filter((j) => j.far === post[0] && j.near.startsWith(`track-${which}`))
        expect(on.map((j) => j.near)).toEqual(guides(which).map((p) => p.id))
        expectNear(
          guides(which).reduce((n, p) => n + p.size.lengthMm, 0),
          6000,
          1e-9,
        )
      }
      expect(seam('low')).not.toBe(seam('high'))
      expect(run.verdict).toMatchObject({ fails: 0, unknown: 0 })
      expect(run.checks.filter((c) => c.check === 'stock').every((c) => c.state === 'holds')).toBe(true)
    })
    it('a panel that slides over where two meet stands on the board it has come to', () => {
      const over = assembly.motions.filter((m) => m.kind === 'slide')
      const onLow = (x: Assembly, panel: string) =>
        x.supports.flatMap((s) =>
          'body' in s.from && s.from.through === panel && s.on.kind === 'part' && s.on.part.startsWith('track-low')
            ? [{ on: s.on.part, x: (s.contact.min[0] + s.contact.max[0]) / 2 }]
            : [],
        )
      const opened = arrangements(assembly).find((x) => x.code === 'opened')!.assembly
      const went = over.filter((m) => onLow(opened, m.parts[0])[0].on !== onLow(assembly, m.parts[0])[0].on)
      expect(went.length).toBeGreaterThan(0)
      for (const m of over)
        for (const { on, x } of onLow(opened, m.parts[0])) {
          expect(x).toBeGreaterThan(run.boxes.get(on)!.min[0])
          expect(x).toBeLessThan(run.boxes.get(on)!.max[0])
        }
    })
    it('a gap where two should meet is told', () => {
      const short = assembly.parts.map((p) =>
        p.id === 'track-low-1'
          ? {
              ...p,
              size: { ...p.size, lengthMm: p.size.lengthMm - 100 },
              at: {
                ...p.at,
                centre: [p.at.centre[0] + 50, p.at.centre[1], p.at.centre[2]] as [number, number, number],
              },
            }
          : p,
      )
      expect(look({ ...assembly, parts: short })[0]).toMatchObject({ code: 'slides-off', state: 'fails' })
    })
  })
  it('a build without any is asked nothing', () => expect(look({ ...a, motions: [] })).toEqual([]))
})
