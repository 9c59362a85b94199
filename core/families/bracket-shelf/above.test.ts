import { describe, expect, it } from '@jest/globals'
import { crateOf } from '../../../test-support/crate.ts'
import { expectNear } from '../../../test-support/near.ts'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import { massCentre, partMassKg } from '../../assembly/mass.ts'
import { validateAssembly } from '../../assembly/validate.ts'
import { METRIC, newtons } from '../../measure/units.ts'
import { sayIn } from '../../wording/say.ts'
import { holdText, stepText } from '../../wording/steps.ts'
import { sayWork } from '../../wording/work.ts'
import { exampleContext } from '../example-context.ts'
import { bracketShelf } from './bracket-shelf.ts'
import { startingParams } from './parameters.ts'

const crate = crateOf([600, 400, 240], 30)
const given = { ...startingParams('metric'), stand: 'above', kneeSection: '18x44mm', depthMm: 400, bays: 1 }
const ctx = () => exampleContext('metric', [{ item: crate, count: 1 }])
const say = sayIn(METRIC)

describe('a shelf under its brackets', () => {
  const r = readParams(bracketShelf, given, ctx())
  const a = r.shaped.assembly
  const part = (id: string) => a.parts.find((p) => p.id === id)!

  it('is sound and judged whole; nothing of it hangs below its arms', () => {
    expect(validateAssembly(a)).toEqual([])
    expect(checkOf(r, 'unread:build').state).toBe('holds')
    const low = r.boxes.get('bracket-0-0-arm')!.min[2]
    for (const b of r.boxes.values()) expect(b.min[2]).toBeGreaterThanOrEqual(low - 30)
  })
  it('its braces are pulled and its arm pressed, by moments about the end of the arm', () => {
    const [left, right] = [0, 1].map((k) => part(`bracket-${k}-0-leg`).at.centre[0])
    const weight = (id: string) => ({
      n: newtons(partMassKg(part(id))),
      x: massCentre(part(id))[0],
      y: massCentre(part(id))[1],
    })
    const goods = a.bays.flatMap((b) =>
      b.items.map((i) => ({
        n: newtons(i.massKg!),
        x: (i.box.min[0] + i.box.max[0]) / 2,
        y: (i.box.min[1] + i.box.max[1]) / 2,
      })),
    )
    const braces = ['left', 'right'].map((side) => part(`bracket-0-0-knee-${side}`))
    const held = a.supports.filter(
      (s) => s.on.kind === 'part' && braces.some((b) => s.on.kind === 'part' && b.id === s.on.part),
    )
    expect(held).toHaveLength(2)
    const { contact, push } = held[0]
    // Half of a brace's weight hangs where it is fixed to the arm.
    const loads = [
      ...[...goods, weight('shelf-0-0')].map((w) => ({ n: (w.n * (right - w.x)) / (right - left), y: w.y })),
      weight('bracket-0-0-arm'),
      ...braces.map((b) => ({ n: newtons(partMassKg(b)) / 2, y: contact.min[1] })),
    ]
    const root = r.boxes.get('bracket-0-0-arm')!
    const [y0, z0] = [root.min[1], (root.min[2] + root.max[2]) / 2]
    const moment = loads.reduce((s, w) => s + w.n * (w.y - y0), 0)
    // The pair runs from the leg down to the arm: its pull has this lever about the end of the arm.
    const lever = Math.abs((contact.min[1] - y0) * push[2] - (contact.min[2] - z0) * push[1])
    for (const s of held) expectNear(-r.service.reactions.get(s.id)!, moment / lever / 2, 2e-3)
    const pulled = (moment / lever) * 1
    const up = a.supports.find(
      (s) => s.from && 'part' in s.from && s.from.part === 'bracket-0-0-arm' && s.push[2] === 1,
    )!
    expectNear(r.service.reactions.get(up.id)!, loads.reduce((s, w) => s + w.n, 0) - pulled * Math.abs(push[2]), 5e-3)
    const pressed = a.supports.find((s) => 'part' in s.from && s.from.part === 'bracket-0-0-arm' && s.push[1] === 1)!
    expectNear(r.service.reactions.get(pressed.id)!, pulled * push[1], 2e-3)
  })
  it('the sheet is notched round legs and braces, and says so', () => {
    const sheet = r.pieces.find((l) => l.role === 'shelf')!
    expect(sayWork(sheet, say)).toMatch(/notch 40 mm long, 44 mm deep in its lower edge/)
    expect(sayWork(sheet, say)).toMatch(/notch 20 mm long, [\d.]+ mm deep in its upper edge/)
    const step = (id: string) => r.steps.find((s) => s.id === id)!
    expect(stepText(step('sheets'), say)).toMatch(/notched round the legs/)
    expect(holdText(step('pairs').hold!, say)).toMatch(/underside, to the upper end of the leg/)
  })
  it('has no room for its brackets under a low ceiling, and says so', () => {
    const c = ctx()
    const low = { ...c, space: { ...c.space, ceilingMm: 1500 } }
    const p = tryParams(bracketShelf, { ...given, topMm: [1450] }, low).problem
    expect(p).toMatchObject({ code: 'no-room-for-bracket' })
  })
})

it('parameters of the first form have their brackets below', () => {
  const { stand, ...first } = startingParams('metric')
  expect(stand).toBe('below')
  expect(bracketShelf.upgrade(first, 1)).toEqual({ stand: 'below', ...first })
})
