import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import { massCentre, partMassKg } from '../../assembly/mass.ts'
import { movedBox } from '../../assembly/moved.ts'
import { solidOf } from '../../drawing/solid.ts'
import { newGoods } from '../../goods/goods.ts'
import { inEquilibrium } from '../../loads/load-path.ts'
import { METRIC, newtons } from '../../measure/units.ts'
import { wedgeShare } from '../../mechanics/hung.ts'
import { METHODS } from '../../mechanics/methods/all.ts'
import { judge } from '../../project/judge.ts'
import type { BuildReading } from '../../project/read-build.ts'
import type { Obstacle } from '../../room/room.ts'
import { sayProblem } from '../../wording/problems.ts'
import { sayIn } from '../../wording/say.ts'
import { exampleContext } from '../example-context.ts'
import type { ShapeContext } from '../family.ts'
import { startingParams, type ReusedCabinetsParams } from './parameters.ts'
import { cabinet, reusedCabinets } from './reused-cabinets.ts'

const say = sayIn(METRIC)
const crate = newGoods({
  id: 'c',
  name: 'Crate',
  kind: 'box',
  count: 4,
  acrossMm: 300,
  deepMm: 200,
  tallMm: 180,
  massKg: 6,
})
const ctx = (over: Partial<ShapeContext['space']> = {}, count = 4): ShapeContext => {
  const c = exampleContext('metric', [{ item: crate, count }])
  return { ...c, space: { ...c.space, ...over } }
}
const two = [cabinet(900, 720), cabinet(700, 720)]
const params = (p: Partial<ReusedCabinetsParams>) => ({ ...startingParams('metric'), cabinets: two, ...p })
const read = (p: Partial<ReusedCabinetsParams> = {}, c = ctx()): BuildReading =>
  readParams(reusedCabinets, params(p), c)
const problemOf = (p: Partial<ReusedCabinetsParams>, c = ctx()) => tryParams(reusedCabinets, params(p), c).problem
const boxOf = (r: BuildReading, i: number) => r.boxes.get(`cabinet-${i}-box`)!
const at = (foot: number, head: number, left: number, right: number): Obstacle => ({
  name: 'Outlet',
  left,
  right,
  footMm: foot,
  headMm: head,
  outMm: 0,
})

describe('cabinets on strips', () => {
  const r = read()
  const a = r.shaped.assembly
  it('hold, tops in one line, and are neither cut nor bought', () => {
    expect(r.verdict.state).toBe('holds')
    expect(boxOf(r, 0).max[2]).toBeCloseTo(boxOf(r, 1).max[2], 6)
    const existing = a.parts.filter((p) => p.stock.kind === 'existing')
    expect(existing.reduce((m, p) => m + partMassKg(p), 0)).toBeCloseTo(two[0].massKg + two[1].massKg, 6)
    // Cleats and strips come from one kind of board, as thick as each other.
    const made = a.parts.filter((p) => p.stock.kind === 'board')
    expect(
      new Set(made.map((p) => `${p.size.thicknessMm} ${p.stock.kind === 'board' ? p.stock.section : ''}`)).size,
    ).toBe(1)
  })
  it('pull their strip off the wall as statics says', () => {
    expect(inEquilibrium(r.service)).toBe(true)
    const pad = r.boxes.get('cabinet-0-pad')!
    const strip = a.supports.filter((s) => 'body' in s.from && s.from.body === 'cabinet-0-body' && s.push[2] > 0.9)
    const up = strip.reduce((n, s) => n + r.service.reactions.get(s.id)!, 0)
    const own = a.bodies.find((b) => b.id === 'cabinet-0-body')!.parts.map((id) => a.parts.find((p) => p.id === id)!)
    const items = a.bays.filter((b) => b.carriers[0] === 'cabinet-0-box').flatMap((b) => b.items)
    const kg = own.reduce((m, p) => m + partMassKg(p), 0) + items.reduce((m, i) => m + i.massKg!, 0)
    expectNear(up, newtons(kg), 1e-6)
    // About the pad: weights out from the wall against the pull at the strip.
    const pulls = a.supports.filter((s) => 'body' in s.from && s.from.body === 'cabinet-0-body' && s.way === 'pull')
    const pulled = pulls.reduce((n, s) => n + Math.abs(r.service.reactions.get(s.id)!), 0)
    const zPad = (pad.min[2] + pad.max[2]) / 2
    const zPull = (pulls[0].contact.min[2] + pulls[0].contact.max[2]) / 2
    const y = (strip[0].contact.min[1] + strip[0].contact.max[1]) / 2
    const out =
      own.reduce((m, p) => m + newtons(partMassKg(p)) * (massCentre(p)[1] - y), 0) +
      items.reduce((m, i) => m + newtons(i.massKg!) * ((i.box.min[1] + i.box.max[1]) / 2 - y), 0)
    // The bevel pulls by its own share of what it bears, or more where the couple asks for more.
    expectNear(pulled, Math.max(out / (zPull - zPad), wedgeShare(Math.PI / 4, Math.atan(0.3)) * up), 0.02)
  })
  it('go round what is on the wall, and meet two studs with every strip', () => {
    const c = ctx({ obstacles: [at(1500, 1620, 700, 900), at(1070, 2000, 1900, 2800)] })
    const s = read({ cabinets: [...two, cabinet(400, 360, { shelves: 0 })] }, c)
    for (const i of [0, 1])
      for (const o of c.space.obstacles)
        expect(boxOf(s, i).max[0] <= o.left + 1e-6 || boxOf(s, i).min[0] >= o.right - 1e-6).toBe(true)
    for (const strip of s.shaped.assembly.parts.filter((p) => p.role === 'hanger'))
      expect(s.shaped.assembly.anchors.filter((x) => x.part === strip.id).length).toBeGreaterThanOrEqual(2)
    // What passes behind a thing that stands out is not in its way.
    const behind = read({}, ctx({ obstacles: [{ ...at(0, 2400, 0, 6000), outMm: 500 }] }))
    expect(boxOf(behind, 0).min[0]).toBe(boxOf(r, 0).min[0])
  })
  it('close a gap their studs make with a strip as wide as it, flush with the front', () => {
    const s = read({ cabinets: [cabinet(700, 720), cabinet(700, 720)] })
    const filler = s.shaped.assembly.parts.find((p) => p.role === 'filler')!
    const [f, left, right] = [s.boxes.get(filler.id)!, boxOf(s, 0), boxOf(s, 1)]
    const [first, second] = left.min[0] < right.min[0] ? [left, right] : [right, left]
    expectNear(f.max[0] - f.min[0], second.min[0] - first.max[0], 1e-9)
    expect(f.max[1]).toBe(first.max[1])
  })
  it('line up with what stands below', () => {
    const given = ctx({ obstacles: [at(1500, 1620, 920, 1100)], studsMm: [100, 500, 900, 1300, 1700, 2100] })
    const cabinets = [cabinet(900, 720), cabinet(450, 720)]
    const right = Math.max(...[0, 1].map((i) => boxOf(read({ cabinets }, given), i).max[0]))
    const s = read({ cabinets, edges: [{ atMm: right + 10 }] }, given)
    expect(Math.max(...[0, 1].map((i) => boxOf(s, i).max[0]))).toBeCloseTo(right + 10, 6)
  })
})

describe('what nobody knows of a cabinet', () => {
  it('leaves it not proven, until it is said what it carries', () => {
    const unknown = read({ cabinets: [cabinet(900, 720, { holdsKg: 0 })] })
    expect(unknown.verdict.state).toBe('unknown')
    expect(checkOf(unknown, 'ratings:cabinet-0-box').code).toBe('unknown-existing')
    const known = read({ cabinets: [cabinet(900, 720, { holdsKg: 30 })] })
    const c = checkOf(known, 'ratings:cabinet-0-box')
    expectNear(c.demand!, newtons(24), 1e-9)
    expectNear(c.capacity!, newtons(30), 1e-9)
  })
  it('is not loaded beyond what it carries: what is too much finds no place', () => {
    const s = read({ cabinets: [cabinet(900, 720, { holdsKg: 13 })] })
    expect(s.shaped.unhoused).toEqual([{ goodsId: 'c', count: 2, why: 'no-place' }])
    expect(checkOf(s, 'ratings:cabinet-0-box').state).toBe('holds')
  })
  it('an opened leaf pulls more at the strip than a shut one', () => {
    const pull = (front: 'open' | 'pair') => {
      const s = read({ cabinets: [cabinet(900, 360, { front, massKg: 40, shelves: 0 })] })
      return checkOf(s, 'anchors:build').demand!
    }
    expect(pull('pair')).toBeGreaterThan(pull('open'))
  })
  it('stands there empty where nothing goes in, and says what is left over', () => {
    const s = read({ cabinets: [cabinet(200, 720), cabinet(300, 720), cabinet(300, 720)] })
    expect(s.shaped.unhoused).toEqual([{ goodsId: 'c', count: 4, why: 'no-place' }])
    expect(checkOf(s, 'contents-fit:unhoused:c').state).toBe('fails')
    const low = read({ cabinets: [cabinet(900, 300, { shelves: 2 }), cabinet(900, 300, { shelves: 1 })] })
    const { larger, needMm, haveMm } = checkOf(low, 'contents-fit:unhoused:c').data
    expect(larger).toBe('tall')
    expect(needMm).toBeGreaterThan(Number(haveMm))
    // Less than half of what is inside between two shelves, and more than a third.
    expect(haveMm).toBeGreaterThan(80)
    expect(haveMm).toBeLessThan(150)
  })
  it('is drawn hollow, with its own shelves', () => {
    const part = read({ cabinets: [cabinet(900, 720, { shelves: 2 })] }).shaped.assembly.parts.find(
      (p) => p.id === 'cabinet-0-box',
    )!
    expect(part.machining.filter((m) => m.kind === 'recess')).toHaveLength(3)
    const { lengthMm: l, widthMm: w, thicknessMm: t } = part.size
    const wood = solidOf(part).pieces.reduce((v, b) => v + b.size[0] * b.size[1] * b.size[2], 0)
    const hollow = part.machining.reduce(
      (v, m) => v + (m.kind === 'recess' ? m.lengthMm * m.widthMm * m.depthMm : 0),
      0,
    )
    expectNear(wood, l * w * t - hollow, 1e-9)
  })
})

describe('what closes a cabinet that was there', () => {
  const slid = read({ cabinets: [cabinet(1200, 720, { front: 'sliding' })] })
  const BOARD = 16
  it('two panels slide: each covers a half and a little, and goes aside before the other', () => {
    const { parts, motions, bays } = slid.shaped.assembly
    const panels = parts.filter((p) => p.role === 'door').map((p) => slid.boxes.get(p.id)!)
    const box = boxOf(slid, 0)
    const inside = 1200 - 2 * BOARD
    for (const p of panels) expect(p.max[0] - p.min[0]).toBeCloseTo(inside / 2 + 10, 3)
    expect(panels[1].min[1]).toBeGreaterThan(panels[0].max[1])
    for (const [k, m] of motions.filter((x) => x.kind === 'slide').entries())
      expect(m).toMatchObject({ kind: 'slide', by: [expect.closeTo((k === 0 ? 1 : -1) * (inside / 2 - 10), 3), 0, 0] })
    // Things stand behind one of them, and behind their tracks.
    expect(bays.map((b) => b.name)).toEqual([1, 1, 2, 2].map((row) => ({ code: 'shelf', column: 1, row })))
    for (const b of bays) {
      expect(b.clear.max[1]).toBeCloseTo(box.max[1] - 30, 6)
      expect(b.clear.max[0] - b.clear.min[0]).toBeCloseTo(inside / 2 - 10, 3)
    }
    expect(slid.shaped.unhoused).toEqual([])
    expect(slid.verdict).toMatchObject({ fails: 0, unknown: 0 })
  })
  it('its shelves end behind the panels: nothing of the box stands where they are', () => {
    const { parts } = slid.shaped.assembly
    const solid = solidOf(parts.find((p) => p.id === 'cabinet-0-box')!)
    const front = boxOf(slid, 0).max[1]
    const mid = (min: number, max: number, at: number) => at > min && at < max
    const within = solid.pieces.filter((x) => {
      const [w, h, d] = x.size
      return mid(x.centre[0] - w / 2, x.centre[0] + w / 2, boxOf(slid, 0).min[0] + 600) && x.centre[1] + d / 2 > front - 29 && h < 100 // prettier-ignore
    })
    // Its bottom and its top alone come to the front there.
    expect(within).toHaveLength(2)
  })
  it('a panel weighs as a leaf would, and what is in it is not lost', () => {
    expect(slid.shaped.assembly.parts.reduce((m, p) => m + (p.stock.kind === 'existing' ? partMassKg(p) : 0), 0)) // prettier-ignore
      .toBeCloseTo(cabinet(1200, 720).massKg, 6)
  })
  it('a leaf that turns up comes to lie level over the front, hinged along the top, on stays of its own', () => {
    const r = read({ cabinets: [cabinet(900, 400, { shelves: 0, front: 'up' })] }, ctx({}, 2))
    const { motions, joints, parts } = r.shaped.assembly
    const [m] = motions
    const leaf = r.boxes.get('cabinet-0-leaf-0')!
    const open = movedBox(m, leaf)
    expect(open.min[2]).toBeGreaterThan(boxOf(r, 0).max[2] - BOARD - 3)
    expect(open.max[1] - leaf.max[1]).toBeCloseTo(leaf.max[2] - leaf.min[2], 6)
    const hinges = joints.filter((j) => j.kind === 'hinged')
    expect(hinges.every((j) => j.at![2] > leaf.max[2] - 2)).toBe(true)
    expect(hinges.length).toBe(2)
    // Out before its box it pulls more at the strip than shut.
    const strip = parts.find((p) => p.role === 'hanger')!.id
    const pull = (front: 'open' | 'up') => {
      const x = read({ cabinets: [cabinet(900, 400, { shelves: 0, front })] })
      return Math.max(
        ...x.checks.filter((c) => c.parts?.includes(strip) && c.check === 'anchors').map((c) => c.demand!),
      )
    }
    expect(pull('up')).toBeGreaterThan(pull('open'))
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
  })
  it('one too shallow for panels is refused at its field', () => {
    const thin = (front: 'open' | 'sliding') =>
      problemOf({ railMm: 40, cabinets: [cabinet(900, 720, { deepMm: 105, front })] })
    expect(thin('open')).toBeNull()
    expect(thin('sliding')).toMatchObject({ code: 'cabinet-too-small', data: { cabinet: 1 } })
  })
})

describe('bases under a worktop', () => {
  const bases = [1, 2, 3].map(() => cabinet(800, 720, { deepMm: 560, holdsKg: 120 }))
  const r = read({ row: 'floor', cabinets: bases, worktop: 'spliced' })
  it('hold; its pieces meet where two sides do, and lie on sides', () => {
    // What stands out in front of the last board works hard where somebody leans on it.
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
    const tops = r.shaped.assembly.parts.filter((p) => p.role === 'top').map((p) => r.boxes.get(p.id)!)
    const joints = tops.slice(1).map((t) => t.min[0])
    for (const x of joints) expect(bases.some((_b, i) => Math.abs(boxOf(r, i).min[0] - x) < 1e-6)).toBe(true)
    expectNear(
      tops.reduce((n, t) => n + t.max[0] - t.min[0], 0),
      2400,
      1e-9,
    )
  })
  it('may be leaned on: a span under a load in its middle, shared by the stiffnesses, by hand', () => {
    const c = checkOf(r, 'leaning:worktop-0')
    const of = (symbol: string) => c.working!.inputs.find((i) => i.symbol === symbol)!.value
    // Sides 16 mm thick: 800 wide, from middle to middle 784.
    expect(of('span')).toBeCloseTo(784, 0)
    expectNear(of('width of the sheet that carries it'), (0.58 * of('span') + 50) / 2, 1e-6)
    expect(c.state).toBe('holds')
    // A wide base: its board breaks first, the stress its share of P·L / 4 over b·d² / 6.
    const wide = [cabinet(1400, 720, { deepMm: 560, holdsKg: 120 })]
    const thin = read({ row: 'floor', cabinets: wide, worktop: 'one-length', supportSection: '38x63mm', overhangMm: 0 })
    const b = checkOf(thin, 'leaning:worktop-0')
    const at = (symbol: string) => b.working!.inputs.find((i) => i.symbol === symbol)!.value
    const factor = METHODS[ctx().settings.method].loadFactor.goods
    const share = at('share of the board under the edge')
    expectNear(b.demand!, (share * 1000 * factor * at('span')) / 4 / ((38 * 63 ** 2) / 6), 1e-9)
    expect([b.quantity, b.state]).toEqual(['stress', 'fails'])
  })
  it('the screws at the ends of the board bring back what it takes: with fewer it tears off', () => {
    const { assembly: a, unhoused } = r.shaped
    const fewer = {
      ...a,
      subassemblies: a.subassemblies.map((s) => (s.tags?.use ? { ...s, tags: { ...s.tags, endScrews: 1 } } : s)),
    }
    const given = { settings: ctx().settings, space: r.space, goods: r.goods, unhoused, alike: r.groups }
    const torn = judge(fewer, given).checks.find((c) => c.id === 'leaning:worktop-0')!
    expect([torn.state, torn.quantity]).toEqual(['fails', 'force'])
    // Half of the board's share of P at each end.
    const share = torn.working!.inputs.find((i) => i.symbol === 'share of the board under the edge')!.value
    expectNear(torn.demand!, (share * 1000 * METHODS[ctx().settings.method].loadFactor.goods) / 2, 1e-9)
  })
  it('over an opening between two bases no board helps: there the sheet carries alone', () => {
    const space = { obstacles: [at(0, 400, 820, 1400)] }
    const gap = read({ row: 'floor', cabinets: bases.slice(0, 2), worktop: 'one-length', order: 'listed' }, ctx(space))
    const c = checkOf(gap, 'leaning:worktop-0')
    expect(c.working!.inputs.find((i) => i.symbol === 'share of the board under the edge')!.value).toBe(0)
    expect(c.state).toBe('fails')
  })
  it('tip over neither filled nor pulled, and stand on all of their feet', () => {
    expect(checkOf(r, 'tip-over:filled').state).toBe('holds')
    expect(r.service.notHeld).toEqual([])
  })
})

describe('what cannot be is said, at its field', () => {
  it.each<[string, Partial<ReusedCabinetsParams>, Partial<ShapeContext['space']>, string, string | undefined]>([
    ['none listed', { cabinets: [] }, {}, 'no-cabinets', 'cabinets'],
    [
      'no room',
      { cabinets: Array.from({ length: 9 }, () => cabinet(900, 720)) },
      {},
      'cabinet-no-room',
      'cabinets.6.wideMm',
    ],
    ['higher than its line', { topMm: 600 }, {}, 'cabinet-below-floor', 'cabinets.0.highMm'],
    ['a line above the wall', { topMm: 3000 }, {}, 'cabinet-past-top', 'topMm'],
    [
      'shelves without end',
      { cabinets: [cabinet(900, 300, { shelves: 6 })] },
      {},
      'cabinet-too-small',
      'cabinets.0.highMm',
    ],
    ['a wall that holds nothing', {}, { construction: { kind: 'thin' } }, 'no-wall-to-hang-on', undefined],
    ['no studs', {}, { studsMm: [] }, 'cabinets-miss-studs', 'cabinets'],
    [
      'one stud behind each',
      { hang: 'through', order: 'listed' },
      { studsMm: [300, 1300] },
      'cabinet-one-stud',
      'hang',
    ],
    [
      'bases unlike',
      { row: 'floor', worktop: 'spliced', cabinets: [cabinet(800, 720), cabinet(800, 800)] },
      {},
      'bases-unlike',
      'cabinets.1.highMm',
    ],
    [
      'a worktop too long',
      { row: 'floor', worktop: 'one-length', cabinets: [cabinet(1400, 720), cabinet(1400, 720)] },
      {},
      'worktop-too-long',
      'worktop',
    ],
  ])('%s', (_name, p, space, code, field) => {
    const problem = problemOf(p, ctx(space))!
    expect(problem.code).toBe(code)
    expect(problem.field).toBe(field)
    expect(sayProblem(problem, say)).not.toContain(code)
  })
  it('hangs where it hangs, and stands where it stands', () => {
    expect(reusedCabinets.hangs(params({}))).toBe(true)
    expect(reusedCabinets.hangs(params({ row: 'floor' }))).toBe(false)
    expect(reusedCabinets.hangs({ nonsense: 1 })).toBe(false)
  })
})
