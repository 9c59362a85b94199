import { describe, expect, it } from '@jest/globals'
import type { Support } from '../assembly/assembly.ts'
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
const look = (
  service: LoadPath,
  design = path(),
  supports: Partial<Support>[] = [],
  parts = new Map<string, object>(),
) => equilibrium.run({ assembly: { supports }, parts, service, design } as never as CheckContext)[0]

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
  it('leaves a little more to what hangs on the wall and stands on the floor: it only shifts between the two', () => {
    const at = (y: number) => ({ min: [0, y, 0], max: [0, y, 0] }) as Support['contact']
    const ledger: Partial<Support> = {
      from: { part: 'l' },
      on: { kind: 'wall' },
      anchor: 'a1',
      push: [0, 0, 1],
      contact: at(0),
    }
    const post: Partial<Support> = {
      from: { part: 'p' },
      on: { kind: 'floor' },
      anchor: null,
      push: [0, 0, 1],
      contact: at(600),
    }
    expect(look({ ...path(), besideMm: 29 }, path(), [ledger, post]).state).toBe('holds')
    expect(look({ ...path(), besideMm: 31 }, path(), [ledger, post]).state).toBe('unknown')
    // Twice as much goes into posts, of boards that stand; not into uprights of sheet, and no more than that.
    const of = (kind: string) => new Map([['p', { stock: { kind }, at: { along: [0, 0, 1] } }]])
    expect(look({ ...path(), besideMm: 89 }, path(), [ledger, post], of('board')).state).toBe('holds')
    expect(look({ ...path(), besideMm: 91 }, path(), [ledger, post], of('board')).state).toBe('unknown')
    expect(look({ ...path(), besideMm: 31 }, path(), [ledger, post], of('sheet')).state).toBe('unknown')
    expect(look({ ...path(), besideMm: 9 }, path(), [post]).state).toBe('unknown')
    expect(look({ ...path(), besideMm: 9 }, path(), [ledger]).state).toBe('unknown')
  })
})
