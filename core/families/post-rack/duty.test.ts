import { describe, expect, it } from '@jest/globals'
import { crateOf } from '../../../test-support/crate.ts'
import { readParams } from '../../../test-support/read-params.ts'
import { strain } from '../../checks/verdict.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { exampleContext } from '../example-context.ts'
import { chosenOf } from '../family.ts'
import { DUTY, startingParams } from './parameters.ts'
import { postRack } from './post-rack.ts'

const read = (system: UnitSystem, duty: string, kg: number) =>
  readParams(
    postRack,
    { ...startingParams(system, true), lengthMm: 2400, depthMm: 500, ...DUTY[system].options[duty] },
    exampleContext(system, [{ item: crateOf([450, 400, 350], kg, { count: 12 }), count: 12 }]),
  )
/** How hard its rails work in bending. */
function hardest(system: UnitSystem, duty: string): number {
  const r = read(system, duty, 22)
  const rails = new Set(r.shaped.assembly.parts.filter((p) => p.role === 'rail').map((p) => p.id))
  return Math.max(...r.checks.filter((c) => c.check === 'bending' && rails.has(c.parts[0])).map(strain))
}

describe.each(['imperial', 'metric'] as const)('what a rack is made for, %s', (system) => {
  it('has rails that work less hard under the same things the heavier it is made for', () => {
    const [light, medium, heavy] = ['light', 'medium', 'heavy'].map((duty) => hardest(system, duty))
    expect(medium).toBeLessThan(light)
    expect(heavy).toBeLessThan(medium)
  })
  it('is proven, not promised: what is made for light things fails under heavy ones', () => {
    expect(read(system, 'light', 60).verdict.state).toBe('fails')
    expect(read(system, 'light', 6).verdict).toMatchObject({ fails: 0, unknown: 0 })
  })
  it('begins as usual, and is as chosen once one piece of it is another', () => {
    const params = startingParams(system, true)
    expect(chosenOf(DUTY[system], params)).toBe('medium')
    expect(chosenOf(DUTY[system], { ...params, crossJoint: 'four' })).toBeNull()
  })
})
