import { describe, expect, it } from '@jest/globals'
import { exampleContext, exampleGoods } from '../families/example-context.ts'
import { findFamily } from '../families/registry.ts'
import type { Assembly } from './assembly.ts'
import { validateAssembly } from './validate.ts'

const family = findFamily('post-rack')!
const ctx = exampleContext('imperial', [exampleGoods('imperial', 'pail', 8)])
const sound = (): Assembly => {
  const r = family.shape(family.start(ctx), ctx)
  if (!r.ok) throw new Error()
  return JSON.parse(JSON.stringify(r.value.assembly))
}

describe('the assembly validator finds', () => {
  const cases: [string, string, (a: Assembly) => void][] = [
    ['a number that is none', 'not-finite', (a) => (a.parts[3].size.lengthMm = NaN)],
    ['an id used twice', 'id-twice', (a) => (a.parts[1].id = a.parts[0].id)],
    ['a joint to nowhere', 'no-such-part', (a) => (a.joints[0].far = 'ghost')],
    ['a part of no thickness', 'size', (a) => (a.parts[0].size.thicknessMm = 0)],
    [
      'wood the yard does not sell',
      'no-stock',
      (a) => (a.parts[0].stock = { kind: 'board', section: '5x5', grade: 'spf-no2', treated: false }),
    ],
    [
      'a face whose edges cross',
      'outline',
      (a) => {
        const { lengthMm: l, widthMm: w } = a.parts[0].size
        a.parts[0].outline = [
          [0, 0],
          [l, w],
          [l, 0],
          [0, w],
        ]
      },
    ],
    [
      'a face smaller than what it is cut from',
      'outline',
      (a) => {
        const { lengthMm: l, widthMm: w } = a.parts[0].size
        a.parts[0].outline = [
          [0, 0],
          [l - 20, 0],
          [l - 20, w],
          [0, w],
        ]
      },
    ],
    ['a board thicker than its section', 'no-stock', (a) => (a.parts[0].size.thicknessMm = 60)],
    ['two parts in one place', 'overlap', (a) => (a.parts[1].at.centre = [...a.parts[0].at.centre])],
    [
      'parts that should meet and do not',
      'apart',
      (a) => (a.parts.find((p) => p.id === 'cross-0-0-1')!.at.centre[2] += 400),
    ],
    [
      'a part that rests on nothing',
      'rests-on-nothing',
      (a) => (a.supports = a.supports.filter((s) => !('part' in s.from && s.from.part === 'cross-0-0-0'))),
    ],
    [
      'loads in a circle',
      'circle',
      (a) =>
        a.supports.push({
          ...a.supports[0],
          id: 'x',
          from: { part: 'post-0-0-rear' },
          on: { kind: 'part', part: 'rail-0-0-rear' },
        }),
    ],
    ['a part below the floor', 'below-floor', (a) => (a.parts.find((p) => p.role === 'cross')!.at.centre[2] -= 2000)],
    ['axes that are not square', 'not-square', (a) => (a.parts[0].at.along = [0.5, 0, 0.5])],
    ['a screw nobody sells', 'no-fastener', (a) => (a.joints[0].fasteners[0].fastener = 'nail')],
    ['a part of no sub-assembly', 'in-no-subassembly', (a) => (a.subassemblies = a.subassemblies.slice(1))],
    [
      'two things in one place',
      'items-overlap',
      (a) => {
        const b = a.bays.find((x) => x.items.length > 1)!
        b.items[1].box = JSON.parse(JSON.stringify(b.items[0].box))
      },
    ],
    [
      'a thing outside its bay',
      'item-outside',
      (a) => {
        const b = a.bays.find((x) => x.items.length > 0)!
        b.items[0].box.min[0] += 5000
        b.items[0].box.max[0] += 5000
      },
    ],
  ]
  it('nothing in a sound one', () => expect(validateAssembly(sound())).toEqual([]))
  it.each(cases)('%s', (_name, code, spoil) => {
    const a = sound()
    spoil(a)
    expect(validateAssembly(a).map((f) => f.code)).toContain(code)
  })
})
