import { describe, expect, it } from '@jest/globals'
import { wrenchOf, type Force } from '../loads/body.ts'
import type { LoadPath } from '../loads/load-path.ts'
import { equilibrium } from './equilibrium.ts'
import type { CheckContext } from './check.ts'

/** A thousand newtons at (400, 200), held there by a foot. */
const path = (arrivals: Force[] = [{ at: [400, 200, 0], n: [0, 0, -1000] }]): LoadPath => ({
  members: new Map(),
  reactions: new Map(),
  notHeld: [],
  besideMm: 0,
  loadsN: 1000,
  weights: wrenchOf([{ at: [400, 200, 900], n: [0, 0, -1000] }]),
  arrivals: arrivals.map((f) => ({ ...f, support: 's' })),
  notWeighed: [],
})
const foot = (x: number, y: number, n: number): Force => ({ at: [x, y, 0], n: [0, 0, -n] })
const look = (service: LoadPath, design = path()) => equilibrium.run({ service, design } as CheckContext)[0]

describe('equilibrium', () => {
  it('holds when all arrives where it was put in', () => {
    expect(look(path())).toMatchObject({ state: 'holds', demand: 1000, capacity: 1000 })
    // Two feet either side; a pull and a push that cancel on the wall at one height.
    expect(look(path([foot(200, 200, 500), foot(600, 200, 500)])).state).toBe('holds')
    const wall = [800, -800].map((n): Force => ({ at: [400, 0, 1500], n: [0, n, 0] }))
    expect(look(path([foot(400, 200, 1000), ...wall])).state).toBe('holds')
  })
  it('is not proven when a newton is lost, the middle wanders by more than a millimetre, or a couple is left over', () => {
    expect(look(path([foot(400, 200, 999)])).state).toBe('unknown')
    expect(look(path([foot(400, 201.1, 1000)])).state).toBe('unknown')
    expect(look(path([foot(400.7, 200.7, 1000)])).state).toBe('holds')
    expect(look(path(), path([foot(400, 200, 1001)])).state).toBe('unknown')
    const couple = [
      { at: [400, 0, 1500], n: [0, 5, 0] },
      { at: [400, 0, 0], n: [0, -5, 0] },
    ] satisfies Force[]
    expect(look(path([foot(400, 200, 1000), ...couple])).state).toBe('unknown')
    expect(look({ ...path(), besideMm: 9 })).toMatchObject({ state: 'unknown', code: 'unknown-beside' })
  })
})
