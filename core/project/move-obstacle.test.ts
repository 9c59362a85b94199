import { describe, expect, it } from '@jest/globals'
import { withRack } from '../../test-support/one-build.ts'
import { IMPERIAL } from '../measure/units.ts'
import { FEATURE_DEFAULTS, type Feature, type FeatureKind } from '../room/features.ts'
import { sayLever } from '../wording/levers.ts'
import { sayIn } from '../wording/say.ts'
import type { Project } from './project.ts'
import { readingsOf } from './read-build.ts'
import { readBuilds } from './read-builds.ts'
import { remedies } from './remedies.ts'

const WIDE_MM = 400
/** A rack, and something that reaches so far into its right end. */
function withThing(kind: FeatureKind, intoMm: number): { p: Project; rightMm: number } {
  const p = withRack(12, 8)
  p.room.walls[0].lengthMm = 8000
  const [r] = readingsOf(readBuilds(p))
  const rightMm = Math.max(...[...r.boxes.values()].map((b) => b.max[0]))
  const { clear, highMm, upMm } = FEATURE_DEFAULTS[kind]
  const feature: Feature = {
    id: 'thing',
    kind,
    name: '',
    wallId: 'wall-1',
    atMm: rightMm - intoMm,
    wideMm: WIDE_MM,
    upMm,
    highMm,
    outMm: 0,
    deepMm: 300,
    clear: { ...clear, leftMm: 0, rightMm: 0, frontMm: 0, aboveMm: 0, belowMm: 0 },
    leaf: null,
    sectional: null,
  } as never
  return { p: { ...p, room: { ...p.room, features: [feature] } }, rightMm }
}
const failing = (p: Project) =>
  readingsOf(readBuilds(p))[0].checks.filter((c) => c.check === 'clearance' && c.state === 'fails')
const moves = (p: Project, obstacles = true) =>
  remedies(p, p.builds[0], failing(p)[0].id, { obstacles, most: 20 }).filter((r) => r.feature)

describe('what is in the way is moved', () => {
  it('by the next round measure past what it reaches in, and then it clears', () => {
    const { p, rightMm } = withThing('other', 80)
    const found = moves(p)
    const right = found.find((r) => r.changes[0].data.way === 'right')!
    expect(right.feature!.atMm).toBeCloseTo(rightMm - 80 + 4 * 25.4, 6)
    expect(sayLever(right.changes[0].code, right.changes[0].data, sayIn(IMPERIAL))).toMatch(
      /^Have .* moved 4" to the right instead$/,
    )
    for (const r of found) {
      const there = { ...p, room: { ...p.room, features: p.room.features.map(() => r.feature!) } }
      expect([r.changes[0].data.way, failing(there)]).toEqual([r.changes[0].data.way, []])
      expect(r.build).toEqual(p.builds[0])
    }
  })
  it('out of the room nothing goes, and what stands at the end of its wall not past it', () => {
    const { p, rightMm } = withThing('other', 80)
    p.room.walls[0].lengthMm = rightMm - 80 + WIDE_MM + 40
    expect(moves(p).some((r) => r.changes[0].data.way === 'right')).toBe(false)
  })
  it('only where that is asked for, and never what is part of the house', () => {
    const { p } = withThing('other', 80)
    expect(moves(p, false)).toEqual([])
    expect(moves(withThing('water-heater', 80).p)).toEqual([])
  })
  it('after ways that change the build alone: nobody knows what it costs', () => {
    const { p } = withThing('other', 80)
    const all = remedies(p, p.builds[0], failing(p)[0].id, { obstacles: true, most: 20 }).filter((r) => r.allHold)
    const first = all.findIndex((r) => r.feature)
    const kept = all.filter((r) => r.deltaHoused >= 0)
    expect(first).toBeGreaterThan(0)
    expect(kept.slice(first).every((r) => r.feature)).toBe(true)
  })
})
