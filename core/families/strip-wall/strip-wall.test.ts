import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import type { Machining } from '../../assembly/assembly.ts'
import { misplaced } from '../../assembly/sound.ts'
import { partBox } from '../../assembly/part-box.ts'
import { partMassKg } from '../../assembly/mass.ts'
import { newGoods, type Goods } from '../../goods/goods.ts'
import { assumedTool, HELD, type Held, type ToolMeasure, type ToolShape } from '../../goods/tool.ts'
import { METRIC, newtons } from '../../measure/units.ts'
import type { BuildReading } from '../../project/read-build.ts'
import { sayProblem } from '../../wording/problems.ts'
import { sayIn } from '../../wording/say.ts'
import { stepText } from '../../wording/steps.ts'
import { exampleContext } from '../example-context.ts'
import type { ShapeContext } from '../family.ts'
import { startingParams, type StripWallParams } from './parameters.ts'
import { stripWall } from './strip-wall.ts'

const say = sayIn(METRIC)
const tool = (
  held: Held,
  size: [number, number, number],
  kg: number,
  over: Partial<ToolShape> & Partial<Goods> = {},
): Goods => {
  const [acrossMm, deepMm, tallMm] = size
  const { neckMm, handleMm, headMm, hangMm, travels, ...goods } = over
  const given = { neckMm, handleMm, headMm, hangMm, travels }
  const known = Object.fromEntries(Object.entries(given).filter(([, v]) => v !== undefined)) as Partial<ToolShape>
  const item = newGoods({
    id: held,
    name: held,
    kind: 'tool',
    count: 1,
    acrossMm,
    deepMm,
    tallMm,
    massKg: kg,
    ...goods,
  })
  return { ...item, tool: { ...assumedTool(item, held), assumed: false, ...known } }
}

/** Fourteen tools of all kinds. */
const TABLE: Goods[] = [
  tool('slotted-rail', [130, 40, 330], 0.7, { id: 'hammer', neckMm: 22, handleMm: 32, headMm: 60, hangMm: 290 }),
  tool('slotted-rail', [110, 60, 320], 0.6, { id: 'mallet', neckMm: 26, handleMm: 26, headMm: 58, hangMm: 230 }),
  tool('bored-rail', [34, 34, 250], 0.12, { id: 'driver', count: 6, neckMm: 8, headMm: 28, hangMm: 150 }),
  tool('bored-rail', [45, 40, 300], 0.3, { id: 'chisel', count: 4, neckMm: 14, headMm: 32, hangMm: 160 }),
  tool('drill-slots', [80, 200, 240], 1.9, { id: 'drill', count: 2, neckMm: 44, headMm: 78, hangMm: 170 }),
  tool('pegs', [130, 40, 560], 0.5, { id: 'saw', neckMm: 30, headMm: 110, hangMm: 500 }),
  tool('pegs', [300, 30, 420], 0.8, { id: 'square', neckMm: 25, headMm: 80, hangMm: 380, often: 'daily' }),
  tool('clamp-bar', [45, 120, 600], 1.4, { id: 'clamp', count: 5, neckMm: 80, hangMm: 560 }),
  tool('box', [66, 66, 200], 0.4, { id: 'spray', count: 4 }),
  tool('shelf', [160, 180, 110], 0.9, { id: 'charger' }),
  tool('hang-rail', [60, 350, 900], 1.2, { id: 'jacket', count: 3, neckMm: 35, hangMm: 860 }),
  tool('hook', [220, 80, 380], 2.4, { id: 'cord', count: 2, neckMm: 30, hangMm: 350, often: 'seldom' }),
  tool('cutout', [180, 160, 230], 3.4, {
    id: 'router',
    neckMm: 92,
    handleMm: 96,
    headMm: 150,
    hangMm: 80,
    travels: true,
  }),
  tool('hinged-box', [150, 60, 120], 0.6, { id: 'bits', count: 2 }),
]

const ctx = (goods: Goods[] = TABLE, over: Partial<ShapeContext['space']> = {}): ShapeContext => {
  const c = exampleContext(
    'metric',
    goods.map((item) => ({ item, count: item.count })),
  )
  return { ...c, space: { ...c.space, ...over } }
}
const read = (p: Partial<StripWallParams> = {}, c = ctx()): BuildReading =>
  readParams(stripWall, { ...startingParams('metric'), ...p }, c)
const problemOf = (p: Partial<StripWallParams> = {}, c = ctx()) =>
  tryParams(stripWall, { ...startingParams('metric'), ...p }, c).problem
const holderOf = (r: BuildReading, name: string) =>
  r.shaped.assembly.subassemblies.find((s) => s.name === 'holder' && s.tags?.goods === name)!
/** What is done to a holder's pieces; its sides have hand holes, which are none of a tool's. */
const worksOf = (r: BuildReading, name: string): Machining[] =>
  r.shaped.assembly.parts
    .filter((p) => holderOf(r, name).parts.includes(p.id) && p.role !== 'side')
    .flatMap((p) => p.machining)
/** A tool of the table, one measure of it otherwise. */
const changed = (
  id: string,
  part: Partial<Goods>,
  measures: Partial<Pick<ToolShape, ToolMeasure>> = {},
): ShapeContext => ctx(TABLE.map((g) => (g.id === id ? { ...g, ...part, tool: { ...g.tool!, ...measures } } : g)))

describe('a table of fourteen tools of all kinds', () => {
  const named = TABLE.map((g) => ({ ...g, name: g.id }))
  const r = read({}, ctx(named))
  it('has a holder for each, and holds', () => {
    expect(new Set(TABLE.map((g) => g.tool!.held)).size).toBe(HELD.length)
    expect(r.shaped.unhoused).toEqual([])
    for (const g of TABLE) expect(holderOf(r, g.id)).toBeDefined()
    expect(r.checks.filter((c) => c.state === 'fails' || c.state === 'unknown').map((c) => c.id)).toEqual([])
    expect(r.verdict.state).toBe('holds')
  })
  const openingOf = (works: Machining[], held: Held) => {
    const hole = works.find((m) => m.kind === 'hole')
    const slot = works.find((m) => m.kind === 'notch')
    const cut = works.find((m) => m.kind === 'cutout')
    return held === 'bored-rail'
      ? hole?.kind === 'hole' && hole.diameterMm
      : held === 'slotted-rail'
        ? slot?.kind === 'notch' && slot.lengthMm
        : cut?.kind === 'cutout' && cut.lengthMm
  }
  const bored = TABLE.filter((g) => ['bored-rail', 'slotted-rail', 'cutout'].includes(g.tool!.held))
  it.each(bored.map((g) => [g.id, g] as const))(
    '%s: its hole, slot or cut-out follows its neck by a millimetre',
    (id, g) => {
      const before = openingOf(worksOf(r, id), g.tool!.held)
      const after = changed(id, {}, { neckMm: g.tool!.neckMm + 1 })
      const more = openingOf(
        worksOf(
          read({}, { ...after, goods: after.goods.map((x) => ({ ...x, item: { ...x.item, name: x.item.id } })) }),
          id,
        ),
        g.tool!.held,
      )
      expectNear(Number(before), g.tool!.neckMm + 3, 1e-9)
      expectNear(Number(more) - Number(before), 1, 1e-9)
    },
  )
  it.each([
    ['saw', 'openMm', { neckMm: 31 }, {}, 1],
    ['drill', 'openMm', { neckMm: 45 }, {}, 1],
    ['drill', 'keyMm', { headMm: 79 }, {}, 1],
    ['mallet', 'keyMm', { handleMm: 27 }, {}, 1],
    ['router', 'keyMm', { handleMm: 97 }, {}, 1],
    ['spray', 'openMm', {}, { acrossMm: 67 }, 1],
    ['bits', 'openMm', {}, { acrossMm: 151 }, 1],
    ['charger', 'openMm', {}, { acrossMm: 161 }, 1],
    ['clamp', 'pitchMm', {}, { acrossMm: 46 }, 1],
    ['jacket', 'pitchMm', {}, { acrossMm: 61 }, 1],
    ['cord', 'pitchMm', {}, { acrossMm: 221 }, 1],
  ] as const)('%s: %s follows its measure', (id, key, measures, part, by) => {
    const c = changed(id, part, measures)
    const after = read({}, { ...c, goods: c.goods.map((x) => ({ ...x, item: { ...x.item, name: x.item.id } })) })
    expectNear(Number(holderOf(after, id).tags![key]) - Number(holderOf(r, id).tags![key]), by, 1e-9)
  })
  it('what a holder says it is, its wood is: pegs, ledges, dividers at the measure told', () => {
    const own = (name: string, role: string) =>
      r.shaped.assembly.parts.filter((p) => holderOf(r, name).parts.includes(p.id) && p.role === role)
    const box = (p: { id: string }) => r.boxes.get(p.id)!
    const [one, other] = own('saw', 'arm').map(box)
    expectNear(other.min[0] - one.max[0], 33, 1e-6)
    const ledges = own('drill', 'flange').map(box)
    ledges.slice(1).forEach((b, i) => expectNear(b.min[0] - ledges[i].max[0], 47, 1e-6))
    const webs = own('drill', 'web').map(box)
    webs.slice(1).forEach((b, i) => expectNear(b.min[0] - webs[i].max[0], 78 + 6, 1e-6))
    const dividers = own('spray', 'divider').map(box)
    expect(dividers).toHaveLength(3)
    dividers.slice(1).forEach((b, i) => expectNear(b.min[0] - dividers[i].max[0], 66 + 26, 1e-6))
  })
  it('has a step for each holder that tells its measure and its tool, and says which travels', () => {
    const text = (name: string) =>
      stepText(
        r.steps.find((s) => s.data?.goods === name)!,
        say,
      )
    expect(text('driver')).toContain('17 mm'.replace('17', String(8 + 3)))
    expect(text('driver')).toContain('6 of driver')
    expect(text('router')).toMatch(/goes along/)
    expect(text('hammer')).not.toMatch(/goes along/)
  })
  it('gives what goes along a hand hole in each side, where its sides are deep enough and a hand goes in', () => {
    const along = read({}, ctx(named.map((g) => ({ ...g, tool: { ...g.tool!, travels: true } }))))
    const holes = named.flatMap((g) => {
      const own = along.shaped.assembly.parts.filter((p) => holderOf(along, g.name).parts.includes(p.id))
      const sides = own.filter((p) => p.role === 'side')
      const middle = sides.reduce((x, p) => x + p.at.centre[0] / sides.length, 0)
      return sides.flatMap((p) =>
        p.machining.flatMap((m) => (m.kind === 'cutout' ? [{ name: g.name, p, m, own, middle }] : [])),
      )
    })
    expect(holes.map((h) => h.name)).toEqual(['spray', 'charger', 'jacket', 'router'].flatMap((n) => [n, n]))
    for (const { p, m, own, middle } of holes) {
      const { min, max } = along.boxes.get(p.id)!
      // Wood all round, in the upper half, and nothing of the holder where the fingers are.
      expect(p.size.lengthMm - m.atMm - m.lengthMm).toBeGreaterThanOrEqual(28 - 1e-6)
      expect(Math.min(m.offMm, p.size.widthMm - m.offMm - m.widthMm)).toBeGreaterThanOrEqual(15 - 1e-6)
      expect(m.atMm).toBeGreaterThanOrEqual(p.size.lengthMm / 2 - 1e-6)
      const x = p.at.centre[0] < middle ? max[0] + 20 : min[0] - 20
      const fingers = [x, min[1] + m.offMm + m.widthMm / 2, min[2] + m.atMm + m.lengthMm / 2]
      const inTheWay = own.filter((q) => {
        const b = along.boxes.get(q.id)!
        return fingers.every((v, i) => b.min[i] < v && b.max[i] > v)
      })
      expect(inTheWay).toEqual([])
    }
    const step = along.steps.find((s) => s.data?.goods === 'charger')!
    expect(stepText(step, say)).toMatch(/a hand hole in each of its sides/)
    expect(along.verdict.unknown + along.verdict.fails).toBe(0)
    // Nobody carries what stays.
    const stays = r.shaped.assembly.parts.filter(
      (p) => p.role === 'side' && holderOf(r, 'charger').parts.includes(p.id),
    )
    expect(stays.flatMap((p) => p.machining)).toEqual([])
  })
  it('hangs what is used daily at the hand, and nothing over anything else', () => {
    const at = (name: string) =>
      r.shaped.assembly.parts.find((p) => p.id === `${holderOf(r, name).id}-cleat`)!.at.centre[2]
    const hand = 0.818 * 1700
    expect(Math.abs(at('square') - hand)).toBeLessThanOrEqual(Math.abs(at('cord') - hand))
    const items = r.shaped.assembly.bays.flatMap((b) => b.items.map((i) => i.box))
    items.forEach((a, i) =>
      items.slice(i + 1).forEach((b) => {
        const apart = [0, 1, 2].some((k) => a.min[k] >= b.max[k] - 1e-6 || b.min[k] >= a.max[k] - 1e-6)
        expect(apart).toBe(true)
      }),
    )
  })
})

describe('a tool its holder does not hold', () => {
  it.each([
    ['hammer', 'tool-falls-through', { handleMm: 58 }, /hammer falls through its slotted rail.*60 mm.*65 mm/],
    ['driver', 'tool-falls-through', { headMm: 14 }, /driver falls through its bored rail/],
    ['drill', 'tool-falls-through', { neckMm: 70 }, /drill falls through its slots under a deck/],
    ['router', 'tool-falls-through', { headMm: 90 }, /router falls through its shaped cut-out/],
    ['saw', 'tool-falls-through', { headMm: 50 }, /saw falls through its pair of pegs/],
    ['clamp', 'tool-not-over', { neckMm: 15 }, /clamp does not go over its bar for clamps.*15 mm.*21 mm/],
    ['jacket', 'tool-not-over', { neckMm: 12 }, /jacket does not go over its rail for hangers/],
    ['cord', 'tool-not-on-hook', { neckMm: 60 }, /cord does not go on a hook/],
  ] as const)('%s is named, with what there is and what is wanted', (id, code, measures, words) => {
    const c = changed(id, { name: id }, measures)
    const p = problemOf({}, c)!
    expect([p.code, p.field]).toEqual([code, 'holders'])
    expect(sayProblem(p, say)).toMatch(words)
  })
  it('hangs where the list says otherwise', () => {
    const c = changed('driver', { name: 'driver' }, { headMm: 14 })
    expect(problemOf({ holders: [{ tool: 'driver', held: 'box', row: 2, atMm: 0 }] }, c)).toBeNull()
    const r = read({ holders: [{ tool: 'driver', held: 'box', row: 2, atMm: 0 }] }, c)
    expect(holderOf(r, 'driver').tags!.held).toBe('box')
    const cleat = r.boxes.get(`${holderOf(r, 'driver').id}-cleat`)!
    const rows = r.shaped.assembly.stick.map((m) => m.zMm)
    expectNear(cleat.min[2] + 18, rows[1], 1e-6)
  })
  it('hangs where its place along the strips says, the others round it', () => {
    const c = changed('saw', { name: 'saw' }, {})
    const r = read({ holders: [{ tool: 'saw', held: 'pegs', row: 0, atMm: 433 }], follow: 'wall' }, c)
    const saw = holderOf(r, 'saw')
    expectNear(r.boxes.get(`${saw.id}-plate`)!.min[0], 433, 1e-6)
    expect(r.shaped.unhoused).toEqual([])
    expect(checkOf(r, 'unread:build').state).toBe('holds')
    // All holders keep off each other, seen from the front.
    const spans = r.shaped.assembly.subassemblies
      .filter((x) => x.name === 'holder')
      .map((x) => x.parts.map((id) => r.boxes.get(id)!))
      .map((boxes) => ({
        x: [Math.min(...boxes.map((b) => b.min[0])), Math.max(...boxes.map((b) => b.max[0]))],
        z: [Math.min(...boxes.map((b) => b.min[2])), Math.max(...boxes.map((b) => b.max[2]))],
      }))
    for (const [i, a] of spans.entries())
      for (const b of spans.slice(i + 1))
        expect(a.x[0] >= b.x[1] || b.x[0] >= a.x[1] || a.z[0] >= b.z[1] || b.z[0] >= a.z[1]).toBe(true)
  })
  it('older lists leave the place along the strips open', () => {
    const old = { ...startingParams('metric'), holders: [{ tool: 'saw', held: 'box', row: 1 }] }
    expect(stripWall.upgrade(old, 1)).toEqual({ ...old, holders: [{ tool: 'saw', held: 'box', row: 1, atMm: 0 }] })
  })
  it.each([
    [
      'a place past the end',
      [{ tool: 'saw', held: 'pegs' as const, row: 0, atMm: 14000 }],
      'holder-in-the-way',
      'holders.0.atMm',
    ],
    [
      'two in one place',
      [
        { tool: 'saw', held: 'pegs' as const, row: 1, atMm: 300 },
        { tool: 'driver', held: 'bored-rail' as const, row: 1, atMm: 320 },
      ],
      'holder-in-the-way',
      'holders.0.atMm',
    ],
    [
      'a tool that is not there',
      [{ tool: 'gone', held: 'box' as const, row: 0, atMm: 0 }],
      'holder-no-tool',
      'holders.0.tool',
    ],
    [
      'one tool twice',
      [
        { tool: 'saw', held: 'box' as const, row: 0, atMm: 0 },
        { tool: 'saw', held: 'shelf' as const, row: 0, atMm: 0 },
      ],
      'holder-twice',
      'holders.1.tool',
    ],
  ])('a list for %s is refused at its field', (_n, holders, code, field) => {
    const p = problemOf({ holders })!
    expect([p.code, p.field]).toEqual([code, field])
    expect(sayProblem(p, say)).toMatch(/^[A-Z].*\.$/)
  })
})

describe('strips', () => {
  const one = [tool('shelf', [200, 200, 150], 12, { id: 'box' })]
  const r = read({ lengthMm: 900 }, ctx(one, { lengthMm: 1400, studsMm: [100, 500, 900, 1300] }))
  it('carry what hangs: shear and pry-out by hand, W·e / h', () => {
    const a = r.shaped.assembly
    const ids = holderOf(r, 'shelf').parts
    const own = a.parts.filter((p) => ids.includes(p.id))
    const all = [
      ...own.map((p) => ({ n: newtons(partMassKg(p)), y: p.at.centre[1] })),
      { n: newtons(12), y: (a.bays[0].items[0].box.min[1] + a.bays[0].items[0].box.max[1]) / 2 },
    ]
    const w = all.reduce((s, x) => s + x.n, 0)
    const onStrip = a.supports.filter((s) => 'body' in s.from && s.from.body === 'holder-0-body')
    const sum = (k: number, list = onStrip) =>
      list.reduce((s, x) => s + (r.service.reactions.get(x.id) ?? 0) * x.push[k], 0)
    expectNear(sum(2), w, 1e-6)
    // About where the lower edge leans: moment of all weights over the height of the bevel above it.
    const up = onStrip.filter((s) => s.push[2] > 0.9)
    const pulls = onStrip.filter((s) => s.way === 'pull')
    const leans = onStrip.filter((s) => s.push[1] > 0.9 && s.way === 'push')
    const mid = (s: (typeof up)[number], k: number) => (s.contact.min[k] + s.contact.max[k]) / 2
    const h = mid(pulls[0], 2) - mid(leans[0], 2)
    const e = all.reduce((s, x) => s + x.n * (x.y - mid(up[0], 1)), 0) / w
    expectNear(sum(1, leans), (w * e) / h, 1e-6)
  })
  it('are two from a board: one slanting cut, the toe of each as wide as both can have', () => {
    const strip = r.shaped.assembly.parts.find((p) => p.role === 'hanger')!
    const { kerfMm } = ctx().settings
    // Board 144, thickness 18 shared by the slant, the kerf along it.
    expect(strip.size.widthMm).toBeLessThanOrEqual((144 + 18 - kerfMm * Math.SQRT2) / 2 + 1e-9)
    expect(strip.size.widthMm).toBeGreaterThan((144 + 18 - kerfMm * Math.SQRT2) / 2 - 1)
  })
  it('meet on studs, each piece in two of its own, and no holder hangs over a joint', () => {
    const c = ctx(TABLE, { lengthMm: 9000, studsMm: Array.from({ length: 22 }, (_, i) => 120 + i * 406.4) })
    const long = read({ follow: 'wall' }, c)
    const strips = long.shaped.assembly.parts.filter((p) => p.role === 'hanger')
    const ends = new Set(strips.map((p) => Math.round(long.boxes.get(p.id)!.max[0])).filter((x) => x < 8990))
    expect(ends.size).toBeGreaterThan(0)
    for (const x of ends) expect(c.space.studsMm.some((s) => Math.abs(s - x) < 1)).toBe(true)
    for (const p of strips)
      expect(long.shaped.assembly.anchors.filter((x) => x.part === p.id).length).toBeGreaterThanOrEqual(2)
    for (const p of long.shaped.assembly.parts.filter((x) => x.role === 'cleat'))
      for (const x of ends) {
        const b = long.boxes.get(p.id)!
        expect(b.min[0] < x - 1 && b.max[0] > x + 1).toBe(false)
      }
  })
  it('heavy tools pull their screws out, and a lever mends it', () => {
    const c = ctx([tool('shelf', [300, 300, 200], 45, { id: 'heavy' })])
    const weak = read({ stripScrews: 'one' }, c)
    expect(checkOf(weak, 'anchors:build').state).toBe('fails')
    const levers = stripWall.levers({ ...startingParams('metric'), stripScrews: 'one' }, c)
    expect(levers.map((l) => l.code)).toContain('strip-screws')
    expect(checkOf(read({ stripScrews: 'three' }, c), 'anchors:build').ratio!).toBeLessThan(
      checkOf(weak, 'anchors:build').ratio!,
    )
  })
  const masonry = { construction: { kind: 'masonry' as const }, studsMm: [] }
  it('say what a metre of them carries: 1000 / (s·(1/Z + k/W)), beside the fullest one', () => {
    const r14 = read()
    const c = checkOf(r14, 'strip-metre:metre')
    const [s, z, w, k, factor] = ['s', 'Z', 'W', 'k', 'factor'].map(
      (symbol) => c.working!.inputs.find((i) => i.symbol === symbol)!.value,
    )
    expectNear(s, 406.4, 1e-6)
    expect(k).toBeGreaterThan(0.5)
    expectNear(c.capacity!, 1000 / (s * factor * (1 / z + k / w)), 1e-9)
    // No metre has more than hangs on that strip.
    const strip = c.parts[0]
    const on = r14.shaped.assembly.supports.filter(
      (x) => x.on.kind === 'part' && x.on.part === strip && x.push[2] > 0.9,
    )
    const all = on.reduce((n, x) => n + (r14.service.reactions.get(x.id) ?? 0), 0)
    expect(c.demand!).toBeLessThanOrEqual(all + 1e-6)
    // The fullest metre of it, wherever that begins.
    const each = on.map((x) => ({
      from: (x.contact.min[0] + x.contact.max[0]) / 2,
      n: (r14.design.reactions.get(x.id) ?? 0) / factor,
    }))
    const metres = each.map((a) =>
      each.filter((b) => b.from >= a.from && b.from - a.from <= 1000).reduce((sum, b) => sum + b.n, 0),
    )
    expectNear(c.demand!, Math.max(...metres), 1e-9)
    expect(Math.max(...metres)).toBeLessThan(all)
  })
  it('on battens over masonry bring everything to the wall by its anchors', () => {
    const c = ctx(one, masonry)
    const rated = { ...c, settings: { ...c.settings, anchorRatedN: 6000 } }
    const b = read({ mount: 'battens' }, rated)
    expect(b.verdict.state).toBe('holds')
    for (const x of b.shaped.assembly.anchors) expect(x.part).toMatch(/^batten/)
    // Between battens there is air: what leans does so on a strip, never on a wall it does not reach.
    const leaning = b.shaped.assembly.supports.filter((s) => 'body' in s.from && s.push[1] > 0.9 && s.way === 'push')
    expect(leaning.length).toBeGreaterThan(0)
    for (const s of leaning) expect(s.on).toMatchObject({ kind: 'part', part: expect.stringMatching(/^strip/) })
    const all = read({ mount: 'battens' }, { ...ctx(TABLE, masonry), settings: rated.settings })
    expect(all.checks.find((x) => x.id === 'unread:build')!.state).toBe('holds')
    expect(checkOf(read({ mount: 'battens' }, c), 'anchors:build').state).toBe('unknown')
  })
  it('on battens with a backing: panels that meet on a batten, every screw through them into a batten', () => {
    const c = ctx(one, masonry)
    const rated = { ...c, settings: { ...c.settings, anchorRatedN: 6000 } }
    const [bare, backed] = [{ backing: 'none' } as const, { backing: 'panels' } as const].map((p) =>
      read({ mount: 'battens', lengthMm: 2900, ...p }, rated),
    )
    expect(backed.verdict).toMatchObject({ fails: 0, unknown: 0 })
    const a = backed.shaped.assembly
    const panels = a.parts.filter((p) => p.role === 'back')
    const middles = a.parts.filter((p) => p.role === 'batten').map((p) => p.at.centre[0])
    expect(panels.length).toBeGreaterThan(1)
    panels.slice(1).forEach((p, i) => {
      const x = backed.boxes.get(p.id)!.min[0]
      expectNear(x, backed.boxes.get(panels[i].id)!.max[0], 1e-9)
      expect(middles.some((m) => Math.abs(m - x) < 1e-6)).toBe(true)
    })
    // Strips lie before the panels, and their screws reach as deep into the battens as those of bare ones.
    const strips = a.parts.filter((p) => p.role === 'hanger')
    for (const s of strips) expectNear(backed.boxes.get(s.id)!.min[1], 38 + 9, 1e-9)
    const through = (r: BuildReading) =>
      r.shaped.assembly.joints.filter((j) => j.near.startsWith('strip') && j.far.startsWith('batten'))
    expect(through(backed).length).toBe(strips.length * middles.length)
    for (const j of through(backed)) expect(j.fasteners[0].betweenMm).toBe(9)
    const of = (r: BuildReading) => checkOf(r, 'joints:batten-hanger')
    expect(of(backed).working!.inputs.some((i) => /gap/i.test(i.symbol) && i.value < 1)).toBe(true)
    expect(of(bare).working!.inputs.some((i) => /gap/i.test(i.symbol))).toBe(false)
    expect(of(backed).demand!).toBeGreaterThan(0)
  })
  it('a panel gone from behind a strip leaves its screws in the air: nothing is proven', () => {
    const c = ctx(one, masonry)
    const rated = { ...c, settings: { ...c.settings, anchorRatedN: 6000 } }
    const a = read({ mount: 'battens', backing: 'panels' }, rated).shaped.assembly
    expect(misplaced(a)).toEqual([])
    const gone = { ...a, parts: a.parts.filter((p) => !p.id.startsWith('backing')) }
    const names = { ...gone, joints: a.joints.filter((j) => !j.near.startsWith('backing')), supports: [] }
    expect(misplaced(names).map((f) => f.code)).toContain('apart')
  })
  it.each([
    ['a thin wall', {}, { construction: { kind: 'thin' as const } }, 'no-wall-to-hang-on', undefined],
    ['strips that leave no room to lift', { riseMm: 160, strip: 'whole' }, {}, 'strips-too-close', 'riseMm'],
    ['one stud behind it', {}, { lengthMm: 1400, studsMm: [500] }, 'strip-misses-studs', 'lengthMm'],
    ['strips above the wall', { rows: 8, riseMm: 600 }, {}, 'strips-too-high', 'rows'],
  ])('with %s says so', (_n, p, over, code, field) => {
    const problem = problemOf(p as Partial<StripWallParams>, ctx(TABLE, over))!
    expect([problem.code, problem.field]).toEqual([code, field])
    expect(sayProblem(problem, say)).toMatch(/^[A-Z].*\.$/)
  })
})

describe('pegs', () => {
  const saws = ctx([tool('pegs', [130, 60, 300], 2, { id: 'saw', neckMm: 40, headMm: 120, hangMm: 280 })])
  const choices = read({}, saws).shaped.choices
  const offered = (path: string) => choices.find((c) => c.path === path)!.options as string[]
  const isBoard = (id: string) => !id.includes('-of-')
  const pairs = offered('plateSection').flatMap((plate) =>
    offered('cleatSection')
      .filter(isBoard)
      .flatMap((cleat) =>
        offered('stripSection')
          .filter(isBoard)
          .flatMap((strip) => offered('strip').map((rip) => [plate, cleat, strip, rip] as const)),
      ),
  )
  it.each(pairs)('sit on a plate of %s with its cleat of %s before it, on strips of %s, %s', (...chosen) => {
    const [plateSection, cleatSection, stripSection, strip] = chosen
    for (const riseMm of [300, 450, 899.22]) {
      const p = { plateSection, cleatSection, stripSection, strip, riseMm } as Partial<StripWallParams>
      const { assembly } = read(p, saws).shaped
      const [plate, cleat] = ['plate', 'cleat'].map((end) =>
        partBox(assembly.parts.find((x) => x.id === `holder-0-${end}`)!),
      )
      expect(Math.min(plate.max[2], cleat.max[2]) - Math.max(plate.min[2], cleat.min[2])).toBeGreaterThanOrEqual(15)
      expect(assembly.supports.filter((x) => 'body' in x.from && x.push[1] === 1 && x.way === 'push')).not.toEqual([])
    }
  })
  it('press their holes as statics says: (R / L + 6·M / L²) / d', () => {
    const c = ctx([tool('pegs', [130, 60, 300], 6, { id: 'saw', neckMm: 40, headMm: 120, hangMm: 280 })])
    const r = read({}, c)
    const check = r.checks.find((x) => x.check === 'sockets')!
    const a = r.shaped.assembly
    const peg = a.parts.find((p) => p.role === 'arm')!
    const hole = a.parts.flatMap((p) => p.machining).find((m) => m.kind === 'hole')!
    const [depth, d] = hole.kind === 'hole' ? [hole.depthMm!, hole.diameterMm] : [0, 0]
    const item = a.bays[0].items[0].box
    const face = r.boxes.get('holder-0-plate')!.max[1]
    const tilt = Math.asin(peg.at.along[2])
    const half = newtons(6) / 2
    const self = newtons(partMassKg(peg))
    const out = (y: number) => (y - face) / Math.cos(tilt)
    const [P, arm] = [
      (half + self) * Math.cos(tilt),
      (half * out((item.min[1] + item.max[1]) / 2) + self * out(peg.at.centre[1])) / (half + self),
    ]
    const L = depth / Math.cos(tilt)
    const most = (P / L) * (4 + (6 * arm) / L)
    const factor = r.design.loadsN / r.service.loadsN
    expectNear(check.demand!, (factor * most) / d, 0.02)
  })
  it('bend as round bars: M / (π·d³/32)', () => {
    const c = ctx([tool('pegs', [130, 60, 300], 6, { id: 'saw', neckMm: 40, headMm: 120, hangMm: 280 })])
    const r = read({}, c)
    const check = r.checks.find((x) => x.check === 'bending' && x.parts[0].includes('-peg-'))!
    const m = check.working!.inputs.find((i) => i.symbol === 'M')!.value
    expectNear(check.demand!, m / ((Math.PI * 20 ** 3) / 32), 1e-6)
  })
})

describe('a tool wider than a holder usually is', () => {
  it('has one of its own as wide, and is not told that there is no room', () => {
    const r = read({}, ctx([tool('shelf', [1000, 220, 220], 4, { id: 'trimmer' })]))
    expect(r.shaped.unhoused).toEqual([])
    const bay = r.shaped.assembly.bays.find((b) => b.items.some((i) => i.goodsId === 'trimmer'))!
    expect(bay.clear.max[0] - bay.clear.min[0]).toBeGreaterThan(1000)
    expect(r.verdict.unknown).toBe(0)
  })
})
