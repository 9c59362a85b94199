import { describe, expect, it } from '@jest/globals'
import { withRack } from '../../test-support/one-build.ts'
import { IMPERIAL } from '../measure/units.ts'
import { sayLever } from '../wording/levers.ts'
import { sayIn } from '../wording/say.ts'
import { otherKinds } from './other-kinds.ts'
import { readingsOf } from './read-build.ts'
import { readBuilds } from './read-builds.ts'

describe('another kind in place of one that does not hold', () => {
  const p = withRack(8, 30, {}, 'pail', 'bracket-shelf')
  const found = otherKinds(p, p.builds[0])
  it('holds all it was to hold, where it was to stand, and keeps its name', () => {
    expect(found.length).toBeGreaterThan(0)
    for (const r of found) {
      expect(r.build.family).not.toBe('bracket-shelf')
      expect([r.build.id, r.build.name, r.build.wallId, r.build.offsetMm]).toEqual(['b1', 'Rack', 'wall-1', 0])
      const [reading] = readingsOf(readBuilds({ ...p, builds: [r.build] }))
      expect(['holds', 'hard-worked']).toContain(reading.verdict.state)
      expect(reading.shaped.unhoused).toEqual([])
      expect(reading.checks.filter((c) => c.state === 'fails' || c.state === 'unknown')).toEqual([])
    }
    const minors = found.map((r) => r.deltaMinor)
    expect(minors).toEqual([...minors].sort((a, b) => a - b))
    const [{ code, data }] = found[0].changes
    expect(sayLever(code, data, sayIn(IMPERIAL))).toMatch(/^Build it otherwise: [A-Z].*same place$/)
  })
  it('while nobody has weighed what it holds it is none that carries it', () => {
    const unweighed = { ...p, goods: p.goods.map((g) => ({ ...g, massKg: null })) }
    for (const r of otherKinds(unweighed, unweighed.builds[0])) {
      const [reading] = readingsOf(readBuilds({ ...unweighed, builds: [r.build] }))
      const laden = reading.shaped.assembly.bays.filter((b) => b.items.length > 0)
      expect(laden.flatMap((b) => b.carriers)).toEqual([])
    }
  })
  it('is none for what carries another', () => {
    const carrying = { ...p, builds: [...p.builds, { ...p.builds[0], id: 'b2', standsOn: 'b1' }] }
    expect(otherKinds(carrying, carrying.builds[0])).toEqual([])
  })
})
