import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { checkOf, readParams } from '../../../test-support/read-params.ts'
import { partMassKg } from '../../assembly/mass.ts'
import { validateAssembly } from '../../assembly/validate.ts'
import { exampleContext, exampleGoods } from '../../families/example-context.ts'
import { findFamily } from '../../families/registry.ts'
import { inEquilibrium } from '../../loads/load-path.ts'
import { startingPrices } from '../../catalogue/prices.ts'
import { sundryKey } from '../../catalogue/sundries.ts'
import { sundryLines } from '../../takeoff/sundries.ts'
import { newtons } from '../../measure/units.ts'
import type { BuildReading } from '../../project/read-build.ts'
import { stretch } from './standing.ts'

const context = exampleContext('metric', [exampleGoods('metric', 'box', 6)])
const read = (id: string, params: object): BuildReading => {
  const family = findFamily(id)!
  return readParams(family, { ...(family.start(context) as object), shelves: 3, ...params }, context)
}
/** What comes down on the floor under all feet of a kind, N. */
const onFloor = (r: BuildReading, foot: (id: string) => boolean) =>
  r.shaped.assembly.supports
    .filter((s) => s.on.kind === 'floor' && !('bay' in s.from) && foot('part' in s.from ? s.from.part : s.from.through))
    .reduce((n, s) => n + (r.service.reactions.get(s.id) ?? 0), 0)

describe.each([
  ['shelf-unit', { bays: 1 }],
  ['post-rack', { floorBay: false }],
])('doors on a %s', (id, params) => {
  const open = read(id, { ...params, front: 'open' })
  const r = read(id, { ...params, front: 'doors' })
  const a = r.shaped.assembly

  it('are sound and judged whole, standing before what is in it', () => {
    expect(validateAssembly(a)).toEqual([])
    expect(checkOf(r, 'unread:build').state).toBe('holds')
    expect(inEquilibrium(r.service)).toBe(true)
    const front = Math.min(...a.motions.flatMap((m) => m.parts).map((p) => r.boxes.get(p)!.min[1]))
    for (const b of a.bays) for (const i of b.items) expect(i.box.max[1]).toBeLessThanOrEqual(front + 1e-6)
    expect(open.shaped.assembly.motions).toEqual([])
  })
  it('bring their whole weight down, and their couple as more under one foot and less under another', () => {
    const added = a.parts
      .filter((p) => p.role === 'door' || p.role === 'hardware')
      .reduce((n, p) => n + newtons(partMassKg(p)), 0)
    const rest = a.parts
      .filter((p) => p.role !== 'door' && p.role !== 'hardware')
      .reduce((n, p) => n + newtons(partMassKg(p)), 0)
    const goods = a.bays.flatMap((b) => b.items).reduce((n, i) => n + newtons(i.massKg!), 0)
    expectNear(
      onFloor(r, () => true),
      added + rest + goods,
      1e-9,
    )
    // The leaves are in front of all feet: the frame's own supports give nothing in all, and take their couple.
    const frame = a.supports.filter((s) => 'body' in s.from && s.from.body === 'frame')
    expect(frame.length).toBeGreaterThanOrEqual(4)
    expectNear(frame.reduce((n, s) => n + (r.service.reactions.get(s.id) ?? 0), 0) + 1, 1, 1e-6)
    const hinged = a.supports.filter((s) => 'body' in s.from && s.from.body.startsWith('leaf-') && s.push[1] === 1)
    const turn = hinged.reduce((m, s) => m + (r.service.reactions.get(s.id) ?? 0) * s.contact.min[2], 0)
    const taken = frame.reduce(
      (m, s) => m + ((r.service.reactions.get(s.id) ?? 0) * (s.contact.min[1] + s.contact.max[1])) / 2,
      0,
    )
    expect(Math.abs(turn)).toBeGreaterThan(0)
    // What hinges push the upright the frame takes the other way round; the ground adds what is beside the feet.
    expectNear(taken, -turn, 0.05)
  })
})

it('a curtain hangs on its rail, and that on every upright', () => {
  const r = read('shelf-unit', { bays: 2, front: 'curtain' })
  const cloth = r.shaped.assembly.parts.find((p) => p.stock.kind === 'soft')!
  // 350 g of canvas for each square metre, half as much again where it folds.
  expectNear(partMassKg(cloth), (1.5 * 0.35 * cloth.size.lengthMm * cloth.size.widthMm) / 1e6)
  expect(r.shaped.assembly.joints.filter((j) => j.near === 'curtain-rail')).toHaveLength(3)
  expect(checkOf(r, 'ratings:rating').state).toBe('holds')
  // It folds: half as much again is bought, and a tenth to spare; it has a price, and the rail too.
  const [line] = sundryLines([r.shaped.assembly], context.settings).filter((l) => l.label.startsWith('canvas'))
  expectNear(line.amount, (1.5 * cloth.size.lengthMm * cloth.size.widthMm) / 1e6)
  expect(line.count).toBe(Math.ceil(line.amount * 1.1))
  const priced = new Set(startingPrices('metric').map((l) => l.key))
  for (const l of sundryLines([r.shaped.assembly], context.settings).filter((x) => x.kind === 'ready'))
    expect(priced.has(sundryKey('ready', l.label))).toBe(true)
})

it('heights without a hinge lie close enough that none slips between', () => {
  const z = stretch(100, 250)
  expect([z[0], z[z.length - 1]]).toEqual([100, 250])
  for (let i = 1; i < z.length; i++) expect(z[i] - z[i - 1]).toBeLessThanOrEqual(40)
  expect(stretch(5, 5)).toEqual([5, 5])
})
