import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { readParams, tryParams } from '../../../test-support/read-params.ts'
import { boxOverlap } from '../../geometry/box.ts'
import { newGoods } from '../../goods/goods.ts'
import type { BuildReading } from '../../project/read-build.ts'
import { exampleContext } from '../example-context.ts'
import { drawerBank } from './drawer-bank.ts'
import { plain, startingParams, UPGRADES, type DrawerBankParams, type DrawerKind } from './parameters.ts'

const small = (id: string, count: number, acrossMm: number, deepMm: number, tallMm: number, massKg = 0.2) => ({
  item: newGoods({ id, name: id, kind: 'box', count, acrossMm, deepMm, tallMm, massKg }),
  count,
})
const tool = (g: ReturnType<typeof small>) => ({ ...g, item: { ...g.item, kind: 'tool' as const } })
const bits = tool(small('bit', 12, 20, 20, 70))
const rules = small('rule', 4, 60, 180, 12)
const screws = small('screws', 6, 100, 90, 50)
const params = (drawers: DrawerKind[], over: Partial<DrawerBankParams> = {}): DrawerBankParams => ({
  ...startingParams('metric', true),
  clearMm: 400,
  drawers,
  ...over,
})
const read = (drawers: DrawerKind[], goods = [screws]): BuildReading =>
  readParams(drawerBank, params(drawers), exampleContext('metric', goods))
const partsOf = (r: BuildReading, role: string) => r.shaped.assembly.parts.filter((p) => p.role === role)
const boxesOf = (r: BuildReading, role: string) => partsOf(r, role).map((p) => r.boxes.get(p.id)!)
const items = (r: BuildReading) => r.shaped.assembly.bays.flatMap((b) => b.items)
/** What of it is not proven; that a bank of one drawer tips is another matter. */
const STANDS = ['tip-over', 'sway', 'contents-fit', 'slenderness']
const judged = (r: BuildReading) =>
  r.checks.filter((c) => (c.state === 'fails' || c.state === 'unknown') && !STANDS.includes(c.check)).map((c) => c.id)

describe('rooms of a drawer', () => {
  const r = read([{ ...plain(1, 2), rooms: 3 }])
  it('are as wide as each other, parted by dividers that hold what lies between them', () => {
    const dividers = boxesOf(r, 'divider')
    expect(dividers).toHaveLength(4)
    const [bay] = r.shaped.assembly.bays
    const t = partsOf(r, 'divider')[0].size.thicknessMm
    const each = (bay.clear.max[0] - bay.clear.min[0] - 2 * t) / 3
    const lefts = dividers.slice(0, 2).map((b) => b.min[0] - bay.clear.min[0])
    expectNear(lefts[0], each, 1e-9)
    expectNear(lefts[1], 2 * each + t, 1e-9)
    for (const d of dividers) for (const i of items(r)) expect(boxOverlap(d, i.box)).toBeNull()
    expect(judged(r)).toEqual([])
  })
  it('move with their drawer, and are screwed to its bottom', () => {
    for (const p of partsOf(r, 'divider')) {
      expect(r.shaped.assembly.motions.filter((m) => m.parts.includes(p.id))).toHaveLength(1)
      expect(r.shaped.assembly.joints.some((j) => j.far === p.id && j.near.endsWith('-bottom'))).toBe(true)
    }
  })
  it('too narrow for anything are refused at their field', () => {
    const { problem } = tryParams(
      drawerBank,
      params([plain(1, 1), { ...plain(1, 1), rooms: 12 }]),
      exampleContext('metric', [screws]),
    )
    expect(problem).toMatchObject({ code: 'bank-rooms-narrow', field: 'drawers.1.rooms' })
  })
})

describe('a tray', () => {
  const [drawer, tray] = [read([plain(1, 1)]), read([{ ...plain(1, 1), make: 'tray' }])]
  it('has lips where a drawer has sides, and its face all the same', () => {
    const lips = [...partsOf(tray, 'side'), ...partsOf(tray, 'back')].filter((p) => p.id.startsWith('drawer-'))
    expect(lips.map((p) => p.size.widthMm)).toEqual([15, 15, 15])
    const face = (r: BuildReading) => partsOf(r, 'face')[0].size
    expect(face(tray)).toEqual(face(drawer))
    expect(tray.massKg).toBeLessThan(drawer.massKg)
    expect(judged(tray)).toEqual([])
  })
})

describe('what lies round the things', () => {
  it('is foam with a cut-out for each, a wall between every two', () => {
    const r = read([{ ...plain(1, 1), insert: 'foam' }], [rules])
    const [foam] = partsOf(r, 'insert')
    expect(foam.stock).toEqual({ kind: 'soft', soft: 'foam' })
    const cuts = foam.machining.flatMap((m) => (m.kind === 'cutout' ? [m] : []))
    expect(cuts).toHaveLength(4)
    const at = r.boxes.get(foam.id)!
    cuts.forEach((c, i) => {
      const { box } = items(r)[i]
      expectNear(at.min[0] + c.atMm, box.min[0] - 1, 1e-6)
      expectNear(at.min[1] + c.offMm, box.min[1] - 1, 1e-6)
      expect([c.lengthMm, c.widthMm]).toEqual([60 + 2, 180 + 2])
      // Not out of its edges.
      expect(c.atMm).toBeGreaterThan(0)
      expect(c.offMm).toBeGreaterThan(0)
      expect(c.atMm + c.lengthMm).toBeLessThan(foam.size.lengthMm)
      expect(c.offMm + c.widthMm).toBeLessThan(foam.size.widthMm)
    })
    const boxes = items(r).map((i) => i.box)
    boxes.forEach((a, i) =>
      boxes.slice(i + 1).forEach((b) => {
        const apart = [0, 1].map((k) => Math.max(a.min[k] - b.max[k], b.min[k] - a.max[k]))
        expect(Math.max(...apart)).toBeGreaterThanOrEqual(8 - 1e-6)
      }),
    )
    expect(judged(r)).toEqual([])
  })
  it('is a board with a hole for each that stands on end, as wide as it and its play', () => {
    const r = read([{ ...plain(2, 1), insert: 'bored' }], [bits])
    const [board] = partsOf(r, 'insert')
    expect(board.stock.kind).toBe('sheet')
    const holes = board.machining.flatMap((m) => (m.kind === 'hole' ? [m] : []))
    expect(holes).toHaveLength(12)
    const at = r.boxes.get(board.id)!
    holes.forEach((h, i) => {
      const { box } = items(r)[i]
      expect(h.diameterMm).toBe(21)
      expectNear(at.min[0] + h.atMm, (box.min[0] + box.max[0]) / 2, 1e-6)
      expectNear(at.min[1] + h.offMm, (box.min[1] + box.max[1]) / 2, 1e-6)
      expect(box.max[2] - box.min[2]).toBe(70)
    })
    expect(judged(r)).toEqual([])
  })
  it('takes nothing that would stand too high in its drawer: it lies in another or has no place', () => {
    const one = read([{ ...plain(1, 1), insert: 'bored' }], [bits])
    expect(items(one)).toEqual([])
    expect(one.shaped.unhoused).toMatchObject([{ goodsId: 'bit', count: 12 }])
    const both = read([{ ...plain(1, 1), insert: 'bored' }, plain(1, 1)], [bits])
    expect(items(both)).toHaveLength(12)
  })
  it('stands in a hole what is round and slender, whatever else there is, and nothing that is neither', () => {
    const r = read([plain(2, 4), { ...plain(2, 1), insert: 'bored' }], [screws, bits])
    const bored = r.shaped.assembly.bays.filter((b) =>
      b.carriers.some((c) => partsOf(r, 'insert').some((p) => p.id.startsWith(c.replace('bottom', 'insert')))),
    )
    expect(bored.flatMap((b) => b.items.map((i) => i.goodsId))).toEqual(Array(12).fill('bit'))
    expect(items(r)).toHaveLength(18)
  })
  it('is made for each room by itself, and put in last', () => {
    const r = read([{ ...plain(1, 1), rooms: 2, insert: 'foam' }], [rules])
    expect(partsOf(r, 'insert')).toHaveLength(2)
    const step = r.steps.find((s) => s.code === 'drawer-inserts')!
    expect(step.parts).toEqual(partsOf(r, 'insert').map((p) => p.id))
    expect(step.data).toEqual({ foam: 2, bored: 0, places: 4 })
  })
  it('is none in banks made before', () => {
    const old = { ...startingParams('metric', true), drawers: [{ units: 1, count: 4 }] }
    const now = UPGRADES.reduce((raw, up) => up(raw), old as Record<string, unknown>)
    expect(drawerBank.schema.parse(now)).toMatchObject({ drawers: [plain(1, 4)] })
  })
})
