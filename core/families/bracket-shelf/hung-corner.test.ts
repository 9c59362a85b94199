import { describe, expect, it } from '@jest/globals'
import { crateOf } from '../../../test-support/crate.ts'
import { expectNear } from '../../../test-support/near.ts'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import { massCentre, partMassKg } from '../../assembly/mass.ts'
import { validateAssembly } from '../../assembly/validate.ts'
import { newtons } from '../../measure/units.ts'
import { exampleContext, exampleJoists } from '../example-context.ts'
import type { ShapeContext } from '../family.ts'
import { bracketShelf } from './bracket-shelf.ts'
import { startingParams, UPGRADES } from './parameters.ts'

const crate = crateOf([600, 400, 240], 30)
const given = { ...startingParams('metric'), end: 'hung', depthMm: 400, bays: 1, shelves: 1 }
const ctx = (space: Partial<ShapeContext['space']> = {}): ShapeContext => {
  const c = exampleContext('metric', [{ item: crate, count: 1 }])
  return { ...c, space: { ...c.space, ...space } }
}

describe('a shelf whose right front corner hangs from the joists', () => {
  const r = readParams(bracketShelf, given, ctx())
  const a = r.shaped.assembly
  const part = (id: string) => a.parts.find((p) => p.id === id)!
  it('is sound, judged whole, and asks rod, washers and joists', () => {
    expect(validateAssembly(a)).toEqual([])
    for (const id of ['unread:build', 'rods:rod', 'rods:washer', 'joists:ceiling'])
      expect(checkOf(r, id).state).toBe('holds')
  })
  it('pulls its rod with what the arm bears, by the law of the lever', () => {
    const [left, right] = [0, 1].map((k) => part(`bracket-${k}-0-leg`).at.centre[0])
    const weight = (id: string) => ({ n: newtons(partMassKg(part(id))), at: massCentre(part(id)) })
    const goods = a.bays.flatMap((b) =>
      b.items.map((i) => ({ n: newtons(i.massKg!), at: [0, 1, 2].map((k) => (i.box.min[k] + i.box.max[k]) / 2) })),
    )
    const onArm = [
      ...[...goods, weight('shelf-0-0')].map((w) => ({ n: (w.n * (w.at[0] - left)) / (right - left), y: w.at[1] })),
      { n: weight('bracket-1-0-arm').n, y: massCentre(part('bracket-1-0-arm'))[1] },
    ]
    const root = a.supports.find(
      (s) =>
        'part' in s.from &&
        s.from.part === 'bracket-1-0-arm' &&
        s.on.kind === 'part' &&
        s.on.part === 'bracket-1-0-leg',
    )!
    const y0 = (root.contact.min[1] + root.contact.max[1]) / 2
    const rod = a.parts.find((p) => p.id.endsWith('-lower'))!
    const lever = rod.at.centre[1] - y0
    // Half of the rod below its coupling hangs where it holds the arm.
    const pull = onArm.reduce((s, w) => s + w.n * (w.y - y0), 0) / lever
    const held = a.supports.find(
      (s) => 'part' in s.from && s.from.part === 'bracket-1-0-arm' && s.on.kind === 'part' && s.on.part === rod.id,
    )!
    expectNear(r.service.reactions.get(held.id)!, pull + newtons(partMassKg(rod)) / 2, 2e-3)
  })
  it('the rod goes through the shelf, and the cut list says where', () => {
    const holes = part('shelf-0-0').machining.filter((m) => m.kind === 'hole')
    expect(holes).toHaveLength(1)
    expect(r.steps.map((s) => s.code)).toEqual(expect.arrayContaining(['spreader-over', 'corner-hung']))
  })
  it('hangs from nothing that is not known, not from trusses, nor through a joist', () => {
    const why = (c: ShapeContext, more = {}) => tryParams(bracketShelf, { ...given, ...more }, c).problem
    expect(why(ctx({ joists: null }))).toMatchObject({ code: 'no-joists-known' })
    expect(why(ctx({ joists: { ...exampleJoists('out'), kind: 'trusses' } }))).toMatchObject({
      code: 'hung-from-trusses',
    })
    expect(why(ctx({ joists: { ...exampleJoists('out'), size: null } }))).toMatchObject({ code: 'no-joist-size' })
    const x = part('bracket-1-0-leg').at.centre[0]
    const there = { ...exampleJoists('out'), atMm: [x - 400, x, x + 400] }
    expect(why(ctx({ joists: there }))).toMatchObject({ code: 'rod-in-joist', field: 'end' })
    // The rod hangs clear of the leg.
    expect(why(ctx(), { depthMm: 100 })).toMatchObject({ code: 'bracket-too-shallow', field: 'depthMm' })
    expect(why(ctx(), { shelves: 2 })).toMatchObject({ code: 'hung-one-shelf', field: 'shelves' })
  })
})

it('parameters of the first form have a rod of their own system, and none of it is used', () => {
  const first = (system: 'metric' | 'imperial') => {
    const { stand, end, rod, spreaderSection, ...raw } = startingParams(system)
    expect([stand, end, rod, spreaderSection]).toHaveLength(4)
    return UPGRADES[0](raw)
  }
  for (const system of ['metric', 'imperial'] as const) expect(first(system)).toEqual(startingParams(system))
})
