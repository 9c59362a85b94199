import { describe, expect, it } from '@jest/globals'
import type { Stock } from '../../assembly/assembly.ts'
import { draft } from '../../assembly/draft.ts'
import { partMassKg } from '../../assembly/mass.ts'
import { validateAssembly } from '../../assembly/validate.ts'
import { partBoxes } from '../../assembly/part-box.ts'
import { startingSettings } from '../../assembly/settings.ts'
import { hangerFor } from '../../catalogue/hardware.ts'
import { analyse, edgeStrips } from '../../loads/analyse.ts'
import { newtons } from '../../measure/units.ts'
import { METHODS } from '../../mechanics/methods/all.ts'
import { hangJoist } from './joist-hanger.ts'

const stock: Stock = { kind: 'board', section: '47x150mm', grade: 'c16', treated: false }

/** A joist 1500 long between two boards that stand on the floor. */
function between() {
  const d = draft('metric')
  const across = (id: string, y: number) => {
    const size: [number, number, number] = [600, 47, 150]
    d.square({ id, role: 'rail', stock, min: [0, y, 0], size, along: 'x', across: 'z' })
    d.rest(id, 'floor')
  }
  across('back', 0)
  across('front', 1547)
  d.square({ id: 'joist', role: 'joist', stock, min: [276, 47, 0], size: [47, 1500, 150], along: 'y', across: 'z' })
  const ids = [
    hangJoist(d, { id: 'h0', joist: 'joist', on: 'back', faceMm: 47, way: 1 }),
    hangJoist(d, { id: 'h1', joist: 'joist', on: 'front', faceMm: 1547, way: -1 }),
  ]
  return { a: d.assembly, ids }
}

describe('a joist in two hangers', () => {
  const { a, ids } = between()
  it('is sound but for what hangs below the floor here, each hanger under its own end', () => {
    expect(validateAssembly(a).filter((f) => !['below-floor', 'in-no-subassembly'].includes(f.code))).toEqual([])
    const boxes = partBoxes(a)
    expect(boxes.get(ids[0])!.min[1]).toBe(47)
    expect(boxes.get(ids[1])!.max[1]).toBe(1547)
    for (const id of ids) expect(boxes.get(id)!.max[2]).toBe(0)
  })
  it('hands half of itself to each, and each hands on what it has with its own weight', () => {
    const settings = startingSettings('metric')
    const path = analyse(a, partBoxes(a), {
      method: METHODS.ec5,
      conditions: settings,
      stripsOf: edgeStrips(a),
      factor: { self: 1, goods: 1 },
    })
    const joist = newtons(partMassKg(a.parts.find((p) => p.id === 'joist')!))
    const hanger = newtons(hangerFor(150).massKg)
    for (const id of ids) {
      const into = a.supports.find((s) => s.on.kind === 'part' && s.on.part === id)!
      const on = a.supports.find((s) => 'part' in s.from && s.from.part === id)!
      expect(path.reactions.get(into.id)).toBeCloseTo(joist / 2, 6)
      expect(path.reactions.get(on.id)).toBeCloseTo(joist / 2 + hanger, 6)
    }
    // Both in the face of what it hangs on: no couple is left over.
    expect(path.besideMm).toBeLessThan(1)
  })
})
