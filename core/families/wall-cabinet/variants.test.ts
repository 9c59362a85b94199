import { describe, expect, it } from '@jest/globals'
import { crateOf } from '../../../test-support/crate.ts'
import { expectNear } from '../../../test-support/near.ts'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import type { Machining } from '../../assembly/assembly.ts'
import { partMassKg } from '../../assembly/mass.ts'
import { withMoved } from '../../assembly/moved.ts'
import { partBox } from '../../assembly/part-box.ts'
import { validateAssembly } from '../../assembly/validate.ts'
import { pinGives } from '../../checks/pins.ts'
import { sweptBodies } from '../../clearance/motions.ts'
import { inEquilibrium } from '../../loads/load-path.ts'
import { pinInHole } from '../../mechanics/bearing.ts'
import { METRIC } from '../../measure/units.ts'
import { sayIn } from '../../wording/say.ts'
import { stepText } from '../../wording/steps.ts'
import { sayWork } from '../../wording/work.ts'
import { exampleContext, smallTins } from '../example-context.ts'
import { startingParams, UPGRADES, type WallCabinetParams } from './parameters.ts'
import type { Look } from '../../project/judge.ts'
import { wallCabinet } from './wall-cabinet.ts'

const crate = crateOf([300, 260, 240], 6, { count: 4 })
const say = sayIn(METRIC)
const ctx = () => exampleContext('metric', [{ item: crate, count: 4 }, smallTins('metric')])
const given = (params: Partial<WallCabinetParams>) => ({
  ...startingParams('metric'),
  bays: 1,
  clearMm: 860,
  ...params,
})
const read = (params: Partial<WallCabinetParams> = {}, c = ctx(), look?: Look) =>
  readParams(wallCabinet, given(params), c, look)
const problem = (params: Partial<WallCabinetParams>) => tryParams(wallCabinet, given(params), ctx()).problem

describe('a bottom under the sides', () => {
  it('hangs on its screws in rabbets, lies on a shoulder in dadoes, and is judged as what it does', () => {
    const bottom = (corner: WallCabinetParams['corner']) =>
      read({ corner }).shaped.assembly.supports.filter((s) => 'part' in s.from && s.from.part === 'shelf-0-0')
    expect(bottom('rabbet').map((s) => s.via)).toEqual(['fasteners', 'fasteners'])
    expect(bottom('butt').map((s) => s.via)).toEqual(['fasteners', 'fasteners'])
    expect(bottom('dado').map((s) => s.via)).toEqual(['bearing', 'bearing'])
    for (const corner of ['rabbet', 'butt', 'dado'] as const)
      expect(checkOf(read({ corner }), 'unread:build').state).toBe('holds')
  })
  it('in dadoes the sides run past it and the top, and the box is higher by both', () => {
    const [rabbet, dado] = (['rabbet', 'dado'] as const).map((corner) => read({ corner }).boxes)
    const high = (b: typeof rabbet, id: string) => b.get(id)!.max[2] - b.get(id)!.min[2]
    expectNear(high(dado, 'upright-0') - high(rabbet, 'upright-0'), 24, 1e-9)
    expectNear(dado.get('shelf-0-0')!.min[2] - dado.get('upright-0')!.min[2], 12, 1e-9)
  })
})

describe('shelves on pins', () => {
  const r = read({ shelfHold: 'pins', shelves: 2 })
  it('are loose, stand over a hole each, and are judged with their pins', () => {
    const a = r.shaped.assembly
    const shelves = a.parts.filter((p) => p.loose)
    expect(shelves).toHaveLength(2)
    expect(a.joints.filter((j) => j.kind === 'on-pins')).toHaveLength(8)
    const row = a.parts.find((p) => p.id === 'upright-0')!.machining.find((m) => m.kind === 'row')
    if (row?.kind !== 'row') throw new Error('no row')
    const foot = r.boxes.get('upright-0')!.min[2]
    for (const s of shelves) {
      const over = (r.boxes.get(s.id)!.min[2] - foot - row.atMm - row.diameterMm / 2) / row.everyMm
      expect(over).toBeCloseTo(Math.round(over), 6)
      expect(Math.round(over)).toBeLessThan(row.count)
    }
    expect(checkOf(r, 'pins:pins').state).toBe('holds')
    expect(inEquilibrium(r.service)).toBe(true)
    // As packed, the hardest of all the pins is judged.
    const packed = read({ shelfHold: 'pins', shelves: 2 }, undefined, 'as-drawn')
    const on = a.supports.filter((s) => a.joints.some((j) => j.kind === 'on-pins' && j.id === s.joint))
    expect(on).toHaveLength(8)
    const most = Math.max(...on.map((s) => packed.design.reactions.get(s.id) ?? 0))
    expectNear(checkOf(packed, 'pins:pins').demand!, most, 1e-9)
  })
  it('the row stands in the cut list of both sides, which are left and right', () => {
    const sides = r.pieces.filter((l) => l.role === 'side').map((l) => sayWork(l, say))
    expect(sides).toHaveLength(2)
    // Lying with their holes up, one has its front edge below and the other above.
    for (const s of sides) expect(s).toMatch(/\d+ holes of 5 mm, 12 mm deep, 32 mm apart, \d+ mm from its lower edge/)
    expect(sides[0]).toMatch(/37 mm from its lower edge/)
    expect(sides[1]).not.toMatch(/37 mm from its lower edge/)
  })
  it('a height between two holes is refused with the two that there are', () => {
    const free = r.shaped.dims.find((d) => d.path === 'topMm.0')!
    const p = problem({ shelfHold: 'pins', shelves: 2, topMm: [free.value + 5] })!
    expect(p).toMatchObject({ code: 'not-on-pins', field: 'topMm.0' })
    expectNear(Number(p.data!.lowMm), free.value, 1e-9)
    expectNear(Number(p.data!.highMm), free.value + 32, 1e-9)
    expect(
      read({ shelfHold: 'pins', shelves: 2, topMm: [free.value + 32] })
        .checks.filter((c) => c.state === 'unknown')
        .map((c) => [c.id, c.code, c.data]),
    ).toEqual([])
  })
  it('a pin gives what its hole does, or what bends it; deeper holes and shorter arms give more', () => {
    const pin = { diameterMm: 5, fy: 235 }
    expectNear(pinGives(pin, 10, 12, 9), pinInHole(10, 5, 12, 9), 1e-9)
    // Where the wood is hard enough the pin bends: F·(e + F/(2·fh·d)) = fy·d³/6/1.67.
    const F = pinGives(pin, 500, 30, 9)
    expectNear(F * (9 + F / (2 * 500 * 5)), (235 * 125) / 6 / 1.67, 1e-9)
    expect(pinGives(pin, 10, 14, 9)).toBeGreaterThan(pinGives(pin, 10, 12, 9))
    expect(pinGives(pin, 10, 12, 7)).toBeGreaterThan(pinGives(pin, 10, 12, 9))
  })
  const worked = (change: (m: Machining) => Machining[]) =>
    readParams(
      {
        ...wallCabinet,
        shape(params, c) {
          const made = wallCabinet.shape(params, c)
          if (!made.ok) return made
          const parts = made.value.assembly.parts.map((p) => ({ ...p, machining: p.machining.flatMap(change) }))
          return { ok: true, value: { ...made.value, assembly: { ...made.value.assembly, parts } } }
        },
      },
      given({ shelfHold: 'pins', shelves: 2 }),
      ctx(),
    )
  it('beside the holes of a row, or without one, nobody knows how they stand', () => {
    expect(
      checkOf(
        worked((m) => [m]),
        'pins:pins',
      ).state,
    ).toBe('holds')
    const changes: ((m: Machining) => Machining[])[] = [
      (m) => (m.kind === 'row' ? [] : [m]),
      (m) => (m.kind === 'row' ? [{ ...m, atMm: m.atMm + 3 }] : [m]),
      (m) => (m.kind === 'row' ? [{ ...m, offMm: m.offMm + 3 }] : [m]),
      (m) => (m.kind === 'row' ? [{ ...m, count: 1 }] : [m]),
      (m) => (m.kind === 'row' ? [{ ...m, face: m.face === 'over' ? 'under' : 'over' }] : [m]),
    ]
    for (const change of changes) {
      const r = worked(change)
      expect(checkOf(r, 'pins:pins').state).toBe('unknown')
      expect(r.verdict.state).not.toBe('holds')
    }
  })
  it('too much on one presses it out', () => {
    const heavy = { ...crate, massKg: 60 }
    const over = read({ shelfHold: 'pins', shelves: 2 }, exampleContext('metric', [{ item: heavy, count: 4 }]))
    expect(checkOf(over, 'pins:pins').state).toBe('fails')
  })
})

describe('leaves that are boxes', () => {
  const r = read({ front: 'deep-doors', clearMm: 900, backSheet: 'ply-12mm', wallScrews: 'five' })
  const a = r.shaped.assembly
  const swings = a.motions.flatMap((m) => (m.kind === 'swing' ? [m] : []))
  it('are sound, hold small things, and the box holds the rest', () => {
    expect(validateAssembly(a)).toEqual([])
    expect(swings).toHaveLength(2)
    const inLeaf = a.bays.filter((b) => b.name.code === 'tier').flatMap((b) => b.items)
    expect(inLeaf).toHaveLength(8)
    expect(inLeaf.every((i) => i.goodsId === 'tins-metric')).toBe(true)
    expect(a.bays.filter((b) => b.name.code === 'shelf').flatMap((b) => b.items)).toHaveLength(4)
    expect(r.verdict.unknown).toBe(0)
  })
  it('swing with all their depth beside the cabinet', () => {
    const deep = r.boxes.get('leaf-0-stile-0')!.max[1] - r.boxes.get('leaf-0-stile-0')!.min[1]
    const face = 12
    const xs = sweptBodies(swings[0], a.parts).flatMap((s) => s.figure.map((p) => p[0]))
    expect(Math.min(...xs)).toBeLessThan(r.boxes.get('upright-0')!.min[0] - deep - face + 1)
    const open = withMoved(a, swings).find((p) => p.id === 'leaf-0-face')!
    expectNear(partBox(open).max[0], r.boxes.get('upright-0')!.min[0] - deep, 1e-6)
  })
  it('open, they pull the cabinet from the wall by their moment: nothing of it is lost', () => {
    const anchors = checkOf(r, 'anchors:cabinet') ?? r.checks.find((c) => c.check === 'anchors')!
    expect(anchors.data.arranged).toBe('opened')
    const plain = read({ front: 'open', clearMm: 900 }, exampleContext('metric', [{ item: crate, count: 4 }]))
    expect(anchors.demand!).toBeGreaterThan(plain.checks.find((c) => c.check === 'anchors')!.demand!)
  })
  it('the cabinet is made as high as its tiers want, what stands in them lifted over their rods', () => {
    const six = read({ front: 'deep-doors', tiers: 6 })
    const high = (x: typeof r) => x.boxes.get('leaf-0-stile-0')!.max[2] - x.boxes.get('leaf-0-stile-0')!.min[2]
    expect(high(six)).toBeGreaterThan(high(read({ front: 'deep-doors', tiers: 1 })))
    expect(six.checks.find((c) => c.check === 'comes-out')!.state).toBe('holds')
  })
  it('a tier over its height, and a leaf too shallow for what is to stand in it, are said', () => {
    expect(problem({ front: 'deep-doors', tiers: 2, tierMm: [2000] })).toMatchObject({
      code: 'tier-over-leaf',
      field: 'tiers',
    })
    const shallow = read({ front: 'deep-doors', leafMm: 60 })
    expect(shallow.shaped.assembly.bays.filter((b) => b.name.code === 'tier').flatMap((b) => b.items)).toEqual([])
  })
})

describe('holes for cords', () => {
  const hole = { in: 'back' as const, upMm: 150, alongMm: 200, diameterMm: 60 }
  it('stand in the cut list of the part they are in', () => {
    const r = read({ cordHoles: [hole, { in: 'left', upMm: 150, alongMm: 150, diameterMm: 40 }] })
    const of = (role: string) =>
      r.pieces
        .filter((l) => l.role === role)
        .map((l) => sayWork(l, say))
        .join(' | ')
    expect(of('back')).toMatch(/1 hole of 60 mm/)
    expect(of('side')).toMatch(/1 hole of 40 mm/)
    expect(r.steps.find((s) => s.code === 'cord-holes-bored')!.data!.count).toBe(2)
  })
  it('with no wood left to an edge, a shelf or each other are refused by their number', () => {
    expect(problem({ cordHoles: [{ ...hole, alongMm: 20 }] })).toMatchObject({
      code: 'hole-near-edge',
      field: 'cordHoles.0',
    })
    expect(problem({ cordHoles: [hole, { ...hole, alongMm: 230 }] })).toMatchObject({
      code: 'holes-near',
      data: { hole: 2 },
    })
    // A rail lies behind the back; a new hole begins over it, and has room.
    expect(problem({ cordHoles: [{ ...hole, upMm: 60 }] })).toMatchObject({ code: 'hole-at-panel' })
    const [list] = read().shaped.lists!
    expect(problem({ cordHoles: [list.fresh] as never })).toBeNull()
    const top = read().shaped.dims.find((d) => d.path === 'topMm.0')!.value
    expect(problem({ cordHoles: [{ ...hole, in: 'left', upMm: top, alongMm: 150 }] })).toMatchObject({
      code: 'hole-at-panel',
    })
  })
})

describe('what is only there while it is hung', () => {
  const r = read({ hang: 'rail', railSection: '38x89mm', railScrews: 'three' })
  it('is in steps and comes off again; it is not bought, cut, weighed or judged', () => {
    expect(r.temporary.map((p) => p.role)).toEqual(['ledger'])
    expect(r.shaped.assembly.parts.some((p) => p.temporary)).toBe(false)
    expect(r.pieces.flatMap((l) => l.parts)).not.toContain('ledger')
    expectNear(
      r.massKg,
      r.shaped.assembly.parts.reduce((s, p) => s + partMassKg(p), 0),
      1e-12,
    )
    const up = r.steps.findIndex((s) => s.parts.includes('ledger'))
    const off = r.steps.findIndex((s) => s.removes?.includes('ledger'))
    expect(up).toBeGreaterThanOrEqual(0)
    expect(off).toBeGreaterThan(up)
    expect(stepText(r.steps[off], say)).toMatch(/the ledger comes off/)
  })
  it('lies under the cabinet, against the wall', () => {
    const ledger = partBox(r.temporary[0])
    expectNear(ledger.max[2], r.boxes.get('upright-0')!.min[2], 1e-9)
    expect(ledger.min[1]).toBe(0)
  })
})

describe('hooked on its strip', () => {
  it('has room to be lifted off: the strip does not stop the lower rail', () => {
    const r = read({ hang: 'strip' })
    const off = r.shaped.assembly.motions.find((m) => m.kind === 'stages')!
    expect(checkOf(r, `own-sweep:${off.id}`).state).toBe('holds')
    expect(r.boxes.get('strip-wall')!.min[2] - r.boxes.get('rail-lower')!.max[2]).toBeGreaterThanOrEqual(38 + 10 - 1e-9)
  })
})

describe('on two strips', () => {
  const one = read({ hang: 'strip', shelves: 2 })
  const two = read({ hang: 'two-strips', shelves: 2 })
  it('each fits under its rail and lets it be lifted off; the first is counted with everything', () => {
    const a = two.shaped.assembly
    expect(validateAssembly(a)).toEqual([])
    const off = a.motions.find((m) => m.kind === 'stages')!
    expect(checkOf(two, `own-sweep:${off.id}`).state).toBe('holds')
    const [strip, lower] = ['strip-second', 'rail-lower'].map((id) => two.boxes.get(id)!)
    // The bevels lie on each other: each strip's toe stands before its rail's by the height of the bevel.
    expectNear(strip.max[2] - lower.min[2], 38, 1e-9)
    expect(strip.min[2]).toBeGreaterThanOrEqual(two.boxes.get('shelf-0-0')!.max[2] + 38 - 1e-6)
    const bears = (r: typeof one, part: string) =>
      r.shaped.assembly.supports
        .filter((s) => s.on.kind === 'part' && s.on.part === part)
        .reduce((n, s) => n + (r.service.reactions.get(s.id) ?? 0) * s.push[2], 0)
    expect(bears(two, 'strip-wall')).toBeGreaterThan(0.99 * bears(one, 'strip-wall'))
    expect(bears(two, 'strip-second')).toBe(0)
    expect(two.steps.map((s) => s.code)).toContain('strips-on-wall')
    expect(checkOf(two, 'unread:build').state).toBe('holds')
  })
})

it('parameters of the first form read as they were: no doors, shelves in dadoes, nothing added', () => {
  const { front, shelfHold, corner, leafMm, tiers, tierMm, latch, cordHoles, ...first } = startingParams('metric')
  expect([front, shelfHold, corner, leafMm, tiers, tierMm, latch, cordHoles]).toHaveLength(8)
  const now = wallCabinet.upgrade(first, 1)
  expect(wallCabinet.version).toBe(UPGRADES.length + 1)
  expect(now).toMatchObject({ ...first, front: 'open', latch: 'none', shelfHold: 'dado', cordHoles: [] })
  expect(wallCabinet.schema.safeParse(now).success).toBe(true)
})
