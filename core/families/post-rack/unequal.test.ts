import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { expectNear } from '../../../test-support/near.ts'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import { validateAssembly } from '../../assembly/validate.ts'
import { findSection } from '../../catalogue/lumber.ts'
import { boxOverlap } from '../../geometry/box.ts'
import { METRIC } from '../../measure/units.ts'
import type { BuildReading } from '../../project/read-build.ts'
import { sayProblem } from '../../wording/problems.ts'
import { sayIn } from '../../wording/say.ts'
import { exampleContext, exampleGoods, highThing } from '../example-context.ts'
import { startingParams, type PostRackParams } from './parameters.ts'
import { postRack } from './post-rack.ts'
import { tallBays, type LeftOut } from './tall-bays.ts'

const goods = [highThing(), exampleGoods('metric', 'box', 14)]
const ctx = exampleContext('metric', goods)
const params = (leftOut: LeftOut[], over: Partial<PostRackParams> = {}): PostRackParams => ({
  ...startingParams('metric', true),
  ...{ lengthMm: 3600, shelves: 3, leftOut },
  ...over,
})
const read = (leftOut: LeftOut[], over: Partial<PostRackParams> = {}): BuildReading =>
  readParams(postRack, params(leftOut, over), ctx)
const TWO: LeftOut[] = [
  { module: 1, shelf: 1 },
  { module: 1, shelf: 2 },
]
const top = (r: BuildReading, id: string) => r.boxes.get(id)?.max[2]

describe('bays of unequal height side by side', () => {
  const r = read(TWO)
  const { parts, bays } = r.shaped.assembly
  const [sheet, rail] = [18, findSection('38x89mm')!.widthMm]
  const freezer = bays.find((b) => b.items.some((i) => i.goodsId === 'freezer'))!
  it('one module has a bay from the floor to its third shelf, the other all three', () => {
    expect(parts.filter((p) => p.role === 'shelf').map((p) => p.id)).toEqual([
      'shelf-0-2',
      'shelf-1-0',
      'shelf-1-1',
      'shelf-1-2',
    ])
    expect(freezer.clear.min[2]).toBe(0)
    expectNear(freezer.clear.max[2], top(r, 'shelf-0-2')! - sheet - rail, 1e-9)
  })
  it('only the shelf over it is as high as it needs: its height, its play, frame and sheet, by hand', () => {
    expectNear(top(r, 'shelf-0-2')!, Math.ceil(1250 + 50.8 + rail + sheet), 0.001)
    const box = goods[1].item.tallMm
    expect(top(r, 'shelf-1-1')! - top(r, 'shelf-1-0')!).toBeLessThan(box + 60 + rail + sheet)
    const why = r.shaped.dims.find((d) => d.path === 'topMm.2')!.why
    expect(why.terms.map((t) => t.name)).toContain('tall-bay')
    // Where every module has every shelf the first one is over it.
    const even = read([])
    expect(top(even, 'shelf-1-0')!).toBeGreaterThan(1250)
    expect(even.massKg).toBeGreaterThan(r.massKg)
  })
  it('holds whole, with everything in its place', () => {
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
    expect(r.shaped.unhoused).toEqual([])
    expect(freezer.items).toHaveLength(1)
  })
  it('its posts stand free over the whole high bay: they are judged so', () => {
    const unheld = (q: BuildReading) =>
      Math.max(
        ...q.checks
          .filter((c) => c.check === 'buckling')
          .flatMap((c) => c.working?.inputs ?? [])
          .filter((i) => i.symbol === 'unheld length')
          .map((i) => i.value),
      )
    expect(unheld(r)).toBeGreaterThan(freezer.clear.max[2] - rail)
    expect(checkOf(r, 'unread:build').state).toBe('holds')
  })
  it('what is high goes in there first, what is low never', () => {
    expect(freezer.items.map((i) => i.goodsId)).toEqual(['freezer'])
    const onShelf = read([{ module: 2, shelf: 2 }], { floorBay: false })
    const over = onShelf.shaped.assembly.bays.filter((b) => b.carriers.includes('shelf-1-0'))
    for (const i of over.flatMap((b) => b.items)) expect(i.goodsId).toBe('freezer')
  })
})

describe('shelves that are left out', () => {
  it('make bays from the floor or a shelf to the next one there is', () => {
    const list = [
      { module: 2, shelf: 4 },
      { module: 1, shelf: 1 },
      { module: 2, shelf: 2 },
      { module: 2, shelf: 3 },
    ]
    expect(tallBays(list)).toEqual([
      { module: 0, from: -1, over: 1 },
      { module: 1, from: 0, over: 4 },
    ])
    expect(tallBays([])).toEqual([])
  })
  it.each([
    ['the highest, with nothing over it', [{ module: 1, shelf: 3 }], 'no-shelf-over'],
    ['of a module that is not there', [{ module: 3, shelf: 1 }], 'no-such-module'],
  ])('are refused: %s', (_n, leftOut, code) => {
    const { problem } = tryParams(postRack, params(leftOut), ctx)
    expect([problem!.code, problem!.field]).toEqual([code, 'leftOut'])
    expect(sayProblem(problem!, sayIn(METRIC))).toMatch(/^[A-Z].*\.$/)
  })
  it('as many shelves are taken as there must be over them', () => {
    const r = read([{ module: 1, shelf: 4 }], { shelves: null })
    expect(top(r, 'shelf-0-3')).toBeUndefined()
    expect(top(r, 'shelf-0-4')).toBeGreaterThan(0)
  })
  it('whichever they are: a sound rack or a refusal, everything once, nothing in anything else', () => {
    const one = fc.record({ module: fc.integer({ min: 1, max: 3 }), shelf: fc.integer({ min: 1, max: 4 }) })
    fc.assert(
      fc.property(
        fc.array(one, { maxLength: 5 }),
        fc.integer({ min: 2, max: 4 }),
        fc.boolean(),
        (leftOut, shelves, floorBay) => {
          const p = params(leftOut, { shelves, floorBay, lengthMm: 6000 })
          const shaped = postRack.shape(p, ctx)
          if (!shaped.ok) return
          const { assembly, unhoused } = shaped.value
          expect(validateAssembly(assembly)).toEqual([])
          const items = assembly.bays.flatMap((b) => b.items)
          const out = unhoused.reduce((n, u) => n + u.count, 0)
          expect(items.length + out).toBe(15)
          items.forEach((a, i) => items.slice(i + 1).forEach((b) => expect(boxOverlap(a.box, b.box, -0.5)).toBeNull()))
          for (const x of leftOut)
            expect(assembly.parts.some((q) => q.id === `shelf-${x.module - 1}-${x.shelf - 1}`)).toBe(false)
        },
      ),
      { numRuns: 60 },
    )
  })
})

describe('under a low ceiling', () => {
  const under = (mm: number) => {
    const boxes = exampleGoods('metric', 'box', 40)
    const c = exampleContext('metric', [highThing(), boxes])
    return { ...c, space: { ...c.space, heightMm: mm, ceilingMm: mm } }
  }
  it('shelves over a high bay are as few as leave room for what stands on the last one', () => {
    for (const mm of [2300, 2500, 2700]) {
      const c = under(mm)
      const own = { ...startingParams('metric', true), lengthMm: 3600, leftOut: [{ module: 1, shelf: 1 }] }
      const { reading } = tryParams(postRack, own, c)
      const { bays } = reading!.shaped.assembly
      for (const b of bays) for (const i of b.items) expect(i.box.max[2]).toBeLessThanOrEqual(mm + 1e-6)
      expect(reading!.checks.filter((x) => x.code === 'taller-than-opening')).toEqual([])
    }
  })
})

describe('angles at its feet', () => {
  it('have room under the lowest shelf: it is raised for them, and says so', () => {
    // A floor is kept for what is too wide for it: the shelf over it is as low as its frame lets it be.
    const high = highThing()
    const wide = { ...high, item: { ...high.item, acrossMm: 5000 } }
    const c = exampleContext('metric', [wide, exampleGoods('metric', 'box', 12)])
    const own = { ...startingParams('metric', true), feet: 'pinned' as const }
    const { shaped } = readParams(postRack, own, c)
    const first = shaped.dims.find((d) => d.path === 'topMm.0')!
    expect(first.why.terms.some((t) => t.name === 'room-for-angle')).toBe(true)
    const plain = readParams(postRack, { ...own, feet: 'standing' as const }, c).shaped.dims
    expect(first.value).toBeGreaterThan(plain.find((d) => d.path === 'topMm.0')!.value)
    // Fixed lower than they want it is refused, as before.
    const low = tryParams(postRack, { ...own, topMm: [first.value - 20] }, c)
    expect(low.problem).toMatchObject({ code: 'angle-under-rail', field: 'topMm.0' })
  })
})

describe('shelves at a height of their own in one module', () => {
  const few = exampleContext('metric', [exampleGoods('metric', 'box', 10)])
  const own = (ownTops: PostRackParams['ownTops'], over: Partial<PostRackParams> = {}) =>
    params([], { ownTops, topMm: [300, 1100, 1700], ...over })
  const r = readParams(postRack, own([{ module: 2, shelf: 2, topMm: 900 }]), few)
  const { assembly } = r.shaped
  const at = (id: string) => r.boxes.get(id)!
  it('a bench bay beside usual ones: its frame, its sheet and what stands there are at its height', () => {
    expect(validateAssembly(assembly)).toEqual([])
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
    expectNear(at('shelf-0-1').max[2], 1100, 1e-9)
    expectNear(at('shelf-1-1').max[2], 900, 1e-9)
    expectNear(at('rail-1-1-front').max[2], 900 - 18, 1e-9)
    for (const b of assembly.bays.filter((x) => x.carriers.includes('shelf-1-1'))) {
      expectNear(b.clear.min[2], 900, 1e-9)
      for (const i of b.items) expectNear(i.box.min[2], 900, 1e-9)
    }
    // The bay under it is as much lower, the one over it as much higher.
    const clear = (module: number, shelf: number) =>
      assembly.bays
        .filter((b) => b.carriers.includes(`shelf-${module}-${shelf}`))
        .map((b) => b.clear.max[2] - b.clear.min[2])[0]
    expectNear(clear(0, 0) - clear(1, 0), 200, 1e-6)
    expectNear(clear(1, 1) - clear(0, 1), 200, 1e-6)
  })
  it('has a mark of its own on the stick, and is not dragged with its neighbours', () => {
    const mark = assembly.stick.find((m) => m.code === 'own-top')!
    expect([mark.zMm, mark.parts]).toEqual([900, ['shelf-1-1']])
    expect(assembly.stick.find((m) => m.level === 2)!.parts).toEqual(['shelf-0-1'])
    expect(new Set(assembly.stick.map((m) => m.level)).size).toBe(assembly.stick.length)
    const drag = r.shaped.dims.find((d) => d.path === 'topMm.1')!.drag!
    expect(drag.parts).toContain('rail-0-1-front')
    expect(drag.parts).not.toContain('rail-1-1-front')
  })
  it.each([
    ['no-such-module-own', own([{ module: 5, shelf: 1, topMm: 500 }]), 'ownTops.0'],
    ['no-such-shelf-own', own([{ module: 1, shelf: 7, topMm: 500 }]), 'ownTops.0'],
    ['no-such-shelf-own', own([{ module: 1, shelf: 1, topMm: 500 }], { leftOut: TWO }), 'ownTops.0'],
    ['own-top-in-the-way', own([{ module: 1, shelf: 1, topMm: 1080 }]), 'ownTops.0'],
    ['own-top-in-the-way', own([{ module: 1, shelf: 3, topMm: 1900 }]), 'ownTops.0'],
    ['own-top-on-posts', own([{ module: 1, shelf: 3, topMm: 1500 }], { topFrame: 'on-posts' }), 'ownTops.0'],
    [
      'own-top-twice',
      own([
        { module: 1, shelf: 2, topMm: 900 },
        { module: 1, shelf: 2, topMm: 950 },
      ]),
      'ownTops.1',
    ],
  ] as [string, PostRackParams, string][])('%s: said at its place', (code, p, field) => {
    const { problem } = tryParams(postRack, p, few)
    expect([problem?.code, problem?.field]).toEqual([code, field])
    expect(sayProblem(problem!, sayIn(METRIC))).toMatch(/^[A-Z].*\.$/)
  })
  it('what stands on it and is too high for its bay is told', () => {
    const low = readParams(postRack, own([{ module: 1, shelf: 2, topMm: 1550 }]), few)
    expect(low.checks.some((c) => c.check === 'contents-fit' && c.state === 'fails')).toBe(true)
  })
  it('any heights are sound, or refused in words', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(fc.integer({ min: 1, max: 2 }), fc.integer({ min: 1, max: 3 }), fc.integer({ min: 60, max: 2000 })),
          {
            minLength: 1,
            maxLength: 3,
          },
        ),
        (list) => {
          const ownTops = list.map(([module, shelf, topMm]) => ({ module, shelf, topMm }))
          const x = tryParams(postRack, own(ownTops), few)
          if (x.reading) expect(validateAssembly(x.reading.shaped.assembly)).toEqual([])
          else expect(sayProblem(x.problem, sayIn(METRIC))).toMatch(/^[A-Z].*\.$/)
        },
      ),
      { numRuns: 60 },
    )
  })
})
