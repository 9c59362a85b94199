import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import { newGoods } from '../../goods/goods.ts'
import { METRIC, newtons } from '../../measure/units.ts'
import type { BuildReading } from '../../project/read-build.ts'
import { sayCheck } from '../../wording/checks.ts'
import { sayProblem } from '../../wording/problems.ts'
import { sayIn } from '../../wording/say.ts'
import { exampleContext } from '../example-context.ts'
import type { ShapeContext } from '../family.ts'
import { startingParams, UPGRADES, type SheetStoreParams } from './parameters.ts'
import { standing } from './plan-out.ts'
import { sheetStore } from './sheet-store.ts'

const say = sayIn(METRIC)
const sheets = (
  longMm: number,
  tallMm: number,
  count: number,
  massKg: number | null = 29,
  id = `s${longMm}x${tallMm}`,
) => ({
  item: newGoods({ id, name: id, kind: 'sheet', count, acrossMm: longMm, deepMm: 18, tallMm, massKg }),
  count,
})
const ctx = (goods: ShapeContext['goods'], over: Partial<ShapeContext['space']> = {}): ShapeContext => {
  const c = exampleContext('metric', goods)
  return { ...c, space: { ...c.space, ...over } }
}
const whole = sheets(2440, 1220, 6)
const read = (p: Partial<SheetStoreParams> = {}, c = ctx([whole])): BuildReading =>
  readParams(sheetStore, { ...startingParams('metric'), ...p }, c)
const problemOf = (p: Partial<SheetStoreParams>, c = ctx([whole])) =>
  tryParams(sheetStore, { ...startingParams('metric'), ...p }, c).problem
const dim = (r: BuildReading, path: string) => r.shaped.dims.find((d) => d.path === path)!.value

describe('the bow of sheets', () => {
  it('is wanted once in each compartment: bowed one way they lie in each other', () => {
    const slot = (bowMm: number | null) => dim(read({ bowMm }), 'slotMm.0')
    expect(slot(40) - slot(0)).toBeCloseTo(40, 6)
    // Thick sheets stand straighter than thin ones.
    const thin = { ...whole, item: { ...whole.item, deepMm: 6, massKg: 10 } }
    const bow = (g: typeof whole) => dim(read({}, ctx([g])), 'bowMm')
    expect(bow(whole)).toBeLessThan(bow(thin))
    expectNear(bow(whole), 2440 / 400, 0.2)
    expectNear(bow(thin), 2440 / 150, 0.1)
  })
  it('that a compartment leaves no room for is refused, and said', () => {
    const problem = problemOf({ slotMm: [130], bowMm: 30 })!
    expect(problem).toMatchObject({ code: 'store-slot-narrow', field: 'slotMm.0', data: { leastMm: 6 * 18 + 30 } })
    expect(sayProblem(problem, say)).toMatch(/138 mm.* 30 mm for their bow/)
    expect(problemOf({ slotMm: [138], bowMm: 30 })).toBeNull()
  })
  it('is none in stores made before', () => {
    const { bowMm: _bow, edge: _edge, ...old } = startingParams('metric')
    expect(UPGRADES.reduce((raw, up) => up(raw), old as Record<string, unknown>)).toMatchObject({
      bowMm: 0,
      edge: 'long',
    })
  })
})

describe('the opening of a sheet store', () => {
  it('is a full sheet and a clear margin; exactly a sheet high it is refused, with the margin wanted', () => {
    const r = read()
    const low = Math.max(
      ...r.shaped.assembly.parts.filter((p) => p.id.startsWith('under')).map((p) => r.boxes.get(p.id)!.max[2]),
    )
    const high = Math.min(
      ...r.shaped.assembly.parts.filter((p) => p.id.startsWith('over')).map((p) => r.boxes.get(p.id)!.min[2]),
    )
    expect(high - low).toBeGreaterThanOrEqual(1220 + 50.8)
    const problem = problemOf({ openMm: 1220 })!
    expect(problem).toMatchObject({ code: 'store-no-margin', field: 'openMm' })
    expect(problem.data!.leastMm).toBeCloseTo(1220 + 50.8, 6)
    expect(sayProblem(problem, say)).toContain('1271 mm at least')
    // Less of a margin may be asked for, none may not.
    expect(problemOf({ openMm: 1240, marginMm: 20 })).toBeNull()
    expect(problemOf({ openMm: 1225, marginMm: 10 })).toMatchObject({ code: 'store-no-margin' })
  })
  it.each([
    [
      'no sheet among them',
      [
        {
          item: newGoods({
            id: 'b',
            name: 'b',
            kind: 'box',
            count: 1,
            acrossMm: 300,
            deepMm: 300,
            tallMm: 300,
            massKg: 3,
          }),
          count: 1,
        },
      ],
      {},
      {},
      'store-no-sheets',
      undefined,
    ],
    ['a ceiling too low', [whole], {}, { ceilingMm: 1400 }, 'store-too-high', 'openMm'],
    ['more than there is depth for', [sheets(2440, 1220, 40)], {}, { depthMm: 700 }, 'store-too-deep', 'sparePct'],
    ['a compartment for less than stands in it', [whole], { slotMm: [100] }, {}, 'store-slot-narrow', 'slotMm.0'],
    ['no wall free to draw them out', [whole], {}, { lengthMm: 3000 }, 'store-no-way-in', 'entry'],
    [
      'a wall that holds nothing',
      [whole],
      {},
      { construction: { kind: 'thin' as const } },
      'no-wall-to-hang-on',
      undefined,
    ],
  ])('with %s says so', (_name, goods, p, over, code, field) => {
    const problem = problemOf(p, ctx(goods as ShapeContext['goods'], over))!
    expect([problem.code, problem.field]).toEqual([code, field])
    expect(sayProblem(problem, say)).toMatch(/^[A-Z].*\.$/)
  })
  it('to the other end it may be drawn out where the right one is shut', () =>
    expect(problemOf({ entry: 'left' }, ctx([whole], { lengthMm: 3000 }))).toBeNull())
})

describe('compartments', () => {
  it('hold what is much lower by itself, the tallest at the wall, with room to spare', () => {
    const r = read({}, ctx([sheets(900, 500, 8, 4), whole, sheets(1220, 1220, 4, 14)]))
    const slots = r.shaped.assembly.bays
    expect(slots.map((b) => b.items.length)).toEqual([10, 8])
    expect(slots[0].clear.min[1]).toBeLessThan(slots[1].clear.min[1])
    expectNear(dim(r, 'slotMm.0'), 10 * 18 * 1.3 + dim(r, 'bowMm') + 15, 0.01)
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
    expect(r.shaped.unhoused).toEqual([])
  })
  it('stand every sheet on its long edge, however it was measured', () => {
    const odd = newGoods({
      id: 'o',
      name: 'o',
      kind: 'sheet',
      count: 1,
      acrossMm: 12,
      deepMm: 2500,
      tallMm: 1250,
      massKg: 20,
    })
    expect(standing(odd)).toMatchObject({ thickMm: 12, tallMm: 1250, longMm: 2500 })
    const r = read({}, ctx([{ item: odd, count: 1 }]))
    const [{ box }] = r.shaped.assembly.bays[0].items
    expect([0, 1, 2].map((i) => box.max[i] - box.min[i])).toEqual([2500, 12, 1250])
    expect(r.checks.filter((c) => c.check === 'contents-fit' && c.state === 'fails')).toEqual([])
  })
  it('take no piece that meets one frame only', () => {
    const r = read({ frames: 2, lengthMm: 1800 }, ctx([whole, sheets(700, 300, 1, 3)]))
    const few = r.checks.find((c) => c.code === 'on-one-frame')!
    expect(few).toMatchObject({ state: 'fails', data: { goods: 's700x300' } })
    expect(sayCheck(few, say)).toMatch(/meets one frame only/)
    expect(read({}, ctx([whole, sheets(700, 300, 1, 3)])).checks.find((c) => c.code === 'on-one-frame')).toBeUndefined()
  })
})

describe('what leans', () => {
  const r = read({ slotMm: [250] })
  it('pushes a post with its weight, what is free, and twice its height, by moments about its foot', () => {
    // With one taken out it would be 5 · 160 mm, less than 6 · 142 mm.
    const n = (1.5 * newtons(6 * 29) * (250 - 6 * 18)) / (2 * 1220)
    const post = checkOf(r, 'leaned-on:slot-0')
    expectNear(Number(post.data.n), n, 1e-9)
    // All of it on one post, from the middle of the lower bar to that of the upper one.
    const span = dim(r, 'openMm') + 89
    const at = 1220 + 89 / 2
    expectNear(post.demand!, (n * at * (span - at)) / span / ((38 * 89 ** 2) / 6), 1e-6)
    expectNear(checkOf(r, 'leaned-on:slot-0:bolts').demand!, (n * at) / span, 1e-6)
    // Out from the wall the ties hold it, as it weighs.
    expectNear(checkOf(r, 'leaned-on:ties').demand!, ((n / 1.5) * at) / span, 1e-6)
  })
  it('pushes less where less is free', () => {
    const n = (mm: number) => Number(checkOf(read({ slotMm: [mm], bowMm: 0 }), 'leaned-on:slot-0').data.n)
    expect(n(150)).toBeLessThan(n(250))
    // Packed tight they stand; with half of them taken out the others lean in the room that leaves.
    expectNear(n(108), (1.5 * newtons(3 * 29) * (108 - 3 * 18)) / (2 * 1220), 1e-9)
  })
  it('is held by bolts as long as the wood is thick', () => {
    const of = (frameSection: '38x89mm' | '47x100mm') =>
      read({ frameSection }).shaped.assembly.joints.find((j) => j.kind === 'bolted')!.fasteners[0].fastener
    expect([of('38x89mm'), of('47x100mm')]).toEqual(['bolt-M10x90', 'bolt-M10x120'])
    expect(read({ frameSection: '47x100mm' }).verdict).toMatchObject({ fails: 0, unknown: 0 })
  })
  it('that nobody has weighed leaves it not proven', () => {
    const unknown = read({}, ctx([sheets(2440, 1220, 6, null)]))
    expect(checkOf(unknown, 'leaned-on:slot-0')).toMatchObject({ state: 'unknown', code: 'unknown-not-weighed' })
    expect(unknown.verdict.state).toBe('unknown')
  })
})

describe('sheets on their short edges', () => {
  const half = sheets(1220, 610, 8, 7)
  const [long, short] = [read({ bowMm: 0 }, ctx([half])), read({ bowMm: 0, edge: 'short' }, ctx([half]))]
  it('stand upright: a store half as long and as much higher, which is proven as it stands', () => {
    const [box] = short.shaped.assembly.bays[0].items.map((i) => i.box)
    expect([box.max[0] - box.min[0], box.max[2] - box.min[2]]).toEqual([610, 1220])
    expect(dim(short, 'lengthMm')).toBeLessThan(0.55 * dim(long, 'lengthMm'))
    expectNear(dim(short, 'openMm') - dim(long, 'openMm'), 610, 1e-3)
    expect(short.verdict).toMatchObject({ fails: 0, unknown: 0 })
  })
  it('push no more for being high: the weight leans by the same room over twice the height', () => {
    const n = (r: BuildReading) => Number(checkOf(r, 'leaned-on:slot-0').data.n)
    expectNear(n(short) / n(long), 0.5, 1e-6)
  })
  it('whole are refused under a usual ceiling, with the height there is', () => {
    const problem = problemOf({ edge: 'short' })
    expect(problem).toMatchObject({ code: 'store-too-high', field: 'openMm' })
  })
})

describe('a store behind panels', () => {
  const r = read({ front: 'panel' })
  const a = r.shaped.assembly
  const panels = a.parts.filter((p) => p.role === 'face').map((p) => ({ id: p.id, box: r.boxes.get(p.id)! }))
  it('is closed from frame to frame and between its bars, and holds', () => {
    const open = read()
    const posts = open.shaped.assembly.parts.filter((p) => p.role === 'post').map((p) => open.boxes.get(p.id)!)
    const [left, right] = [Math.min(...posts.map((b) => b.min[0])), Math.max(...posts.map((b) => b.max[0]))]
    const width = panels.reduce((s, p) => s + p.box.max[0] - p.box.min[0], 0)
    expectNear(width, right - left, 1e-9)
    for (const { box } of panels) {
      // On the front posts, off both bars by the hair it is lifted by.
      expect(box.min[1]).toBeCloseTo(Math.max(...posts.map((b) => b.max[1])), 6)
      const [over, under] = ['over-0', 'under-0'].map((id) => r.boxes.get(id)!)
      expect([box.min[2] - under.max[2], over.min[2] - box.max[2]]).toEqual([3, 3])
    }
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
    expect(r.massKg).toBeGreaterThan(open.massKg + 5)
  })
  it('its sheets still come out at the end, and a step says how the panels go on', () => {
    expect(checkOf(r, 'comes-out:build')?.state ?? 'holds').not.toBe('fails')
    expect(r.checks.filter((c) => c.check === 'comes-out').map((c) => c.state)).not.toContain('fails')
    const step = r.steps.find((s) => s.id === 'panels')!
    expect(step.parts).toEqual(panels.map((p) => p.id))
  })
  it('stores from before have none', () => {
    const { front: _f, frontSheet: _s, ...old } = startingParams('metric')
    expect(sheetStore.upgrade(old, 3)).toEqual(startingParams('metric'))
    const { front: _g, frontSheet: _t, ...inches } = startingParams('imperial')
    expect(sheetStore.upgrade(inches, 3)).toEqual(startingParams('imperial'))
  })
})
