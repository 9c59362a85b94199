import { describe, expect, it } from '@jest/globals'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import { partBox } from '../../assembly/part-box.ts'
import { METRIC } from '../../measure/units.ts'
import { newProject, type Project } from '../../project/project.ts'
import { newBuild } from '../../project/new-build.ts'
import { readBuilds } from '../../project/read-builds.ts'
import { readingsOf } from '../../project/read-build.ts'
import type { Corners } from '../../room/room.ts'
import { sayProblem } from '../../wording/problems.ts'
import { stepText, stepTitle } from '../../wording/steps.ts'
import { sayIn } from '../../wording/say.ts'
import { exampleContext } from '../example-context.ts'
import type { ShapeContext } from '../family.ts'
import { bench } from './bench.ts'
import { benchSteps } from './steps.ts'
import { startingParams, type BenchParams } from './parameters.ts'

const rad = (degrees: number): number => (degrees * Math.PI) / 180
const ctx = (corners: Corners | null): ShapeContext => {
  const c = exampleContext('metric', [])
  return { ...c, space: { ...c.space, corners } }
}
const params = (p: Partial<BenchParams> = {}): BenchParams => ({
  ...startingParams('metric', true),
  lengthMm: 2000,
  depthMm: 600,
  shelves: 0,
  corner: 'left',
  ...p,
})
const left = (degrees: number, fromMm: number): Corners => ({
  left: { rad: rad(degrees), fromMm: -fromMm },
  right: null,
})
const topOf = (p: Partial<BenchParams>, c: Corners | null) => {
  const r = readParams(bench, params(p), ctx(c))
  return { r, top: r.shaped.assembly.parts.find((x) => x.role === 'top')! }
}

describe('a bench in a corner that is not square', () => {
  /*
   * 88.7°, both benches 600 deep. The front of the other is at 600/sin 88.7° = 600.15 from the corner along the wall, and
   * at 600.15 + 600/tan 88.7° = 613.77 at the front of this one. The frame stands at 615.
   */
  const { r, top } = topOf({}, left(88.7, 615))
  const [atWall, atFront] = [
    615 - 600 / Math.sin(rad(88.7)),
    615 - 600 / Math.sin(rad(88.7)) - 600 / Math.tan(rad(88.7)),
  ]
  it('its top goes past the frame to the line of the other bench, by hand', () => {
    expect(atWall - atFront).toBeCloseTo(13.62, 2)
    expect(atWall).toBeCloseTo(14.85, 1)
    expect(atFront).toBeCloseTo(1.23, 1)
    const { min } = partBox(top)
    expect(min[0]).toBeCloseTo(-atWall, 6)
    expect(top.outline![0][0]).toBeCloseTo(0, 6)
    expect(top.outline![3][0]).toBeCloseTo(atWall - atFront, 6)
    expect(r.verdict.state).toBe('holds')
  })
  it('is cut over size by what it is scribed with: 13.6 of the corner and 5 besides over the short edge', () => {
    const scribe = top.machining.find((m) => m.kind === 'scribe')!
    expect(scribe).toEqual({ kind: 'scribe', edge: 'start', allowanceMm: 5 })
    const [line] = r.pieces.filter((l) => l.parts.includes(top.id))
    expect(line.cut.lengthMm - (2000 + atFront)).toBeCloseTo(600 * Math.tan(rad(1.3)) + 5, 1)
  })
  it('says the line to check the corner by', () => {
    const step = benchSteps(params(), r.shaped).find((s) => s.code === 'bench-scribe')!
    expect(stepTitle(step)).toBe('Scribe its end')
    expect(stepText(step, sayIn(METRIC))).toMatch(/13.6 mm longer at the wall, over a depth of 600 mm/)
  })
  it('judges a load on what stands out', () => {
    const bay = r.shaped.assembly.bays.find((b) => b.name.code === 'worktop')!
    expect(bay.clear.min[0]).toBeCloseTo(-atWall, 6)
    expect(checkOf(r, `bending:${top.id}`).state).toBe('holds')
  })
  it.each([
    ['opens: the long edge is the front', {}, left(91.2, 606), 'front', 600 * Math.tan(rad(1.2))],
    ['against the wall itself', { meets: 'wall' }, left(88.7, 15), 'back', 600 * Math.tan(rad(1.3))],
    ['square: nothing slants', {}, left(90, 600), 'none', 0],
  ] as const)('%s', (_n, p, c, longAt, slant) => {
    const x = topOf(p, c).top
    const [wall, front] = x.outline ? [-x.outline[0][0], -x.outline[3][0]] : [0, 0]
    expect(Math.abs(wall - front)).toBeCloseTo(slant, 6)
    expect(slant === 0 ? 'none' : wall > front ? 'back' : 'front').toBe(longAt)
  })
  it('at its right end, the same the other way round', () => {
    const c: Corners = { left: null, right: { rad: rad(88.7), fromMm: 2615 } }
    const x = topOf({ corner: 'right' }, c).top
    expect(partBox(x).max[0]).toBeCloseTo(2000 + atWall, 6)
    expect(x.outline![1][0] - x.outline![2][0]).toBeCloseTo(atWall - atFront, 6)
  })
  it('both layers end there', () => {
    const all = topOf({ layers: 'two' }, left(88.7, 615)).r.shaped.assembly.parts.filter((x) => x.role === 'top')
    expect(all.map((x) => x.machining.filter((m) => m.kind === 'scribe').length)).toEqual([1, 1])
  })
  it.each([
    ['no-corner-known', null],
    ['no-corner-known', { left: null, right: null }],
    ['corner-far-from-square', left(50, 900)],
    ['corner-far-from-square', left(85, 700)],
    ['corner-overlaps', left(88.7, 605)],
    ['corner-gapes', left(88.7, 900)],
  ] as const)('%s: says so in words', (code, c) => {
    const { problem } = tryParams(bench, params(), ctx(c))
    expect(problem!.code).toBe(code)
    expect(sayProblem(problem!, sayIn(METRIC))).not.toContain(code)
  })
  it('as far past its frame as it may be it is proven, and further it is not shaped', () => {
    const at = (from: number) => tryParams(bench, params(), ctx(left(88.7, from)))
    expect(at(600.15 + 44).reading!.verdict.state).toBe('holds')
    expect(at(600.15 + 47).problem!.code).toBe('corner-gapes')
  })
  it('moved as it is told, it fits', () => {
    for (const from of [560, 605, 730, 900]) {
      const { problem } = tryParams(bench, params(), ctx(left(88.7, from)))
      const by = Number(problem!.data!.moveMm) * (problem!.code === 'corner-overlaps' ? 1 : -1)
      expect(tryParams(bench, params(), ctx(left(88.7, from + by))).problem).toBeNull()
    }
  })
})

describe('two benches in such a corner of a room', () => {
  const room = (offsetMm: number): Project => {
    const p = newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z')
    const [first] = p.room.walls
    const wall = (id: string, lengthMm: number, cornerRad: number | null) => ({ ...first, id, lengthMm, cornerRad })
    const at = { family: 'bench', goods: [] }
    return {
      ...p,
      room: { ...p.room, closed: false, walls: [wall('a', 4000, rad(88.7)), wall('b', 4000, null)] },
      builds: [
        newBuild({
          ...{ id: 'one', wallId: 'a', offsetMm: 1000, ...at },
          params: { ...params({ corner: 'none', lengthMm: 3000 - 14 }) },
        }),
        newBuild({ ...{ id: 'two', wallId: 'b', offsetMm, ...at }, params: { ...params() } }),
      ],
    }
  }
  const readings = readingsOf(readBuilds(room(615)))
  it('the corner of the survey is the one the top is cut to', () => {
    expect(readings).toHaveLength(2)
    const top = readings[1].shaped.assembly.parts.find((x) => x.role === 'top')!
    expect(top.outline![3][0]).toBeCloseTo(600 * Math.tan(rad(1.3)), 3)
  })
  it('neither stands in the other', () => {
    for (const x of readings)
      expect(x.checks.filter((c) => c.state === 'fails').map((c) => `${c.id} ${JSON.stringify(c.data)}`)).toEqual([])
  })
})
