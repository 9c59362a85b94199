import { describe, expect, it } from '@jest/globals'
import type { LoadPath } from '../loads/load-path.ts'
import { equilibrium } from './equilibrium.ts'
import type { CheckContext } from './check.ts'

const path = (over: Partial<LoadPath> = {}): LoadPath => ({ members: new Map(), reactions: new Map(), loadsN: 1000, arrivedN: 1000, loadsAt: [400_000, 200_000], arrivedAt: [400_000, 200_000], notWeighed: [], ...over })
const look = (service: LoadPath, design = path()) => equilibrium.run({ service, design } as CheckContext)[0]

describe('equilibrium', () => {
  it('holds when all arrives where it was put in', () => expect(look(path())).toMatchObject({ state: 'holds', demand: 1000, capacity: 1000 }))
  it('is not proven when a newton is lost, or the middle wanders by more than half a post', () => {
    expect(look(path({ arrivedN: 999 })).state).toBe('unknown')
    expect(look(path({ arrivedAt: [400_000, 251_000] })).state).toBe('unknown')
    expect(look(path({ arrivedAt: [400_000, 249_000] })).state).toBe('holds')
    expect(look(path(), path({ arrivedN: 1001 })).state).toBe('unknown')
  })
})
