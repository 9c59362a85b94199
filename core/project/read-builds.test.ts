import { describe, expect, it } from '@jest/globals'
import { freshProject, withRack } from '../../test-support/one-build.ts'
import { exampleGoods } from '../families/example-context.ts'
import { findFamily } from '../families/registry.ts'
import { IMPERIAL } from '../measure/units.ts'
import type { Wall } from '../room/room.ts'
import { sayCheck } from '../wording/checks.ts'
import { sayIn } from '../wording/say.ts'
import { newBuild } from './new-build.ts'
import { newProject, type Build, type Project } from './project.ts'
import { contextOf, readBuild, readingsOf, shapeProblem } from './read-build.ts'
import { readBuilds, type KeptReadings } from './read-builds.ts'

function twoRacks(): Project {
  const p = newProject('p', 'p', 'imperial', '2026-01-01T00:00:00.000Z')
  p.goods = [{ ...exampleGoods('imperial', 'pail', 12).item, massKg: 12 }]
  const rack = (id: string, offsetMm: number): Build => {
    const goods = [{ goodsId: p.goods[0].id, count: 6 }]
    const b = newBuild({ id, name: id, family: 'post-rack', params: {}, wallId: 'wall-1', offsetMm, goods })
    return { ...b, params: findFamily('post-rack')!.start(contextOf(p, b)!) as Build['params'] }
  }
  p.builds = [rack('a', 0), rack('b', 3200)]
  return p
}
const changed = (p: Project, depthMm: number): Project => ({
  ...p,
  builds: p.builds.map((b) => (b.id === 'a' ? { ...b, params: { ...b.params, depthMm } } : b)),
})
const of = (p: Project, kept: KeptReadings, look?: 'as-drawn') => readingsOf(readBuilds(p, kept, look))

describe('what is turned into the room', () => {
  const [first] = freshProject().room.walls
  const four: Wall[] = [4200, 3300, 4200, 3300].map((lengthMm, i) => ({
    ...first,
    id: i ? `w${i}` : first.id,
    lengthMm,
  }))
  const spaceAt = (p: Project, at: Partial<Build>) =>
    contextOf(p, newBuild({ id: 'b', family: 'partition', params: {}, wallId: first.id, turn: 1, ...at }))!.space
      .lengthMm
  const measured = { ...freshProject(), room: { ...freshProject().room, walls: four, closed: true } }
  it('may come to the wall across, whatever else stands at its own wall', () => {
    expect(spaceAt(measured, { offsetMm: 1000 })).toBeCloseTo(3300, 2)
    expect(spaceAt(measured, { offsetMm: 1000, outMm: 400 })).toBeCloseTo(2900, 2)
    const crowded = withRack(6, 12)
    const beside = { ...crowded.builds[0], id: 'next', offsetMm: 1150 }
    expect(spaceAt({ ...measured, builds: [beside] }, { offsetMm: 1000 })).toBeCloseTo(3300, 2)
    expect(spaceAt({ ...measured, builds: [beside] }, { offsetMm: 1000, turn: 0 })).toBe(150)
  })
  it('and as far as its own wall is long where no other one was measured', () => {
    const p = freshProject()
    expect(spaceAt(p, { offsetMm: 1000 })).toBe(first.lengthMm)
  })
})

describe('while something is dragged', () => {
  const p = twoRacks()
  it('what changes is judged as it is drawn, and is not proven until it is looked at everywhere', () => {
    const kept: KeptReadings = new Map()
    expect(of(p, kept).map((r) => r.verdict.state)).toEqual(['holds', 'holds'])
    const dragged = changed(p, 500)
    const [a, b] = of(dragged, kept, 'as-drawn')
    expect([a.verdict.state, b.verdict.state]).toEqual(['unknown', 'holds'])
    const said = a.checks.find((c) => c.code === 'unknown-arranged')!
    expect(sayCheck(said, sayIn(IMPERIAL))).toMatch(/^Not proven yet/)
    // At rest it is what it would have been all along.
    const [rested] = of(dragged, kept)
    expect(rested.verdict).toEqual(of(dragged, new Map())[0].verdict)
    expect(rested.checks.some((c) => c.code === 'unknown-arranged')).toBe(false)
  })
  it('what was read in full before is not read again in a hurry', () => {
    const kept: KeptReadings = new Map()
    const full = of(p, kept)
    expect(of(p, kept, 'as-drawn')).toEqual(full)
    expect(kept.get('a')!.look).toBe('everywhere')
  })
  it('what fails as it is drawn fails at once', () => {
    const weak = { ...p, goods: [{ ...p.goods[0], massKg: 400 }] }
    expect(of(weak, new Map(), 'as-drawn')[0].verdict.state).toBe('fails')
  })
  it('why a build cannot be shaped is told without judging it, in the same words', () => {
    const b = { ...p.builds[0], params: { ...p.builds[0].params, depthMm: 4 } }
    const read = readBuild(p, b)
    expect(shapeProblem(p, b)).toEqual(read.ok ? null : read.problem)
    expect(shapeProblem(p, b)).not.toBeNull()
    expect(shapeProblem(p, p.builds[0])).toBeNull()
    expect(shapeProblem(p, { ...p.builds[0], family: 'none' })?.code).toBe('no-such-family')
    expect(shapeProblem(p, { ...p.builds[0], wallId: 'none' })?.code).toBe('no-such-wall')
  })
})
