import { describe, expect, it } from '@jest/globals'
import { METRIC, type UnitSystem } from '../measure/units.ts'
import { sayProblem } from '../wording/problems.ts'
import { sayIn } from '../wording/say.ts'
import { parseRun } from './parse-run.ts'

const FOOT = 304.8
const read = (line: string, system: UnitSystem = 'imperial', wallMm: number | undefined = 20 * FOOT) => {
  const r = parseRun(line, 'w', system, wallMm)
  if (!r.ok) throw new Error(`${line}: ${JSON.stringify(r.problem)}`)
  return r.value
}
/** Kind, left edge, width, in the unit of the system. */
const told = (line: string, system: UnitSystem = 'imperial', wallMm?: number) => {
  const unit = system === 'imperial' ? 25.4 : 1
  const near = (mm: number) => Math.round((mm / unit) * 10) / 10
  return read(line, system, wallMm).features.map((f) => [f.kind, near(f.atMm), near(f.wideMm)])
}
const problemOf = (line: string, system: UnitSystem = 'imperial', wallMm?: number) => {
  const r = parseRun(line, 'w', system, wallMm)
  return r.ok ? null : r.problem
}

describe('what is on a wall as people say it', () => {
  it.each([
    ['20 ft, door at 3 ft 36 in wide, window at 10 ft 4 ft wide', ['door', 36, 36], ['window', 120, 48]],
    ["24' wall with garage door 16 ft wide in the middle", ['sectional-door', 48, 192]],
    ['garage door 9x7 at 2 ft', ['sectional-door', 24, 108]],
    ['garage door 9x7 in the middle', ['sectional-door', 66, 108]],
    [
      'outlet at 24, up 15; garage door 9x7 in the middle; switch 18 from the right',
      ['outlet', 22.6, 2.8],
      ['sectional-door', 66, 108],
      ['switch', 220.6, 2.8],
    ],
    ['overhead door 16x7 centered', ['sectional-door', 24, 192]],
    ['service door 32 in at 18 ft', ['door', 216, 32]],
    ['6 ft sliding door at 3 ft', ['door', 36, 72]],
    ['door 3-0 at 2 ft', ['door', 24, 36]],
    ['door 2/8 x 6/8 at 5 ft', ['door', 60, 32]],
    ['door 3068 at 4 ft', ['door', 48, 36]],
    ['window from 4 ft to 7 ft, sill 3 ft', ['window', 48, 36]],
    ['two windows 3ft x 4ft at 5 ft and 12 ft', ['window', 60, 36], ['window', 144, 36]],
    ['window 2 ft from right corner, 3 ft wide', ['window', 180, 36]],
    ['door on the right', ['door', 208, 32]],
    ['stairs 36 in wide from 12 ft', ['steps', 144, 36]],
    ['water heater 24 in dia at 0', ['water-heater', 0, 24]],
    ['electric panel at 15 ft 5 ft up 14 in wide', ['panel', 180, 14]],
    ['freezer at 14 ft 30 in wide', ['other', 168, 30]],
  ] as [string, ...(string | number)[][]][])('%s', (line, ...features) => {
    // To the tenth of an inch: a door of 813 mm is one of 32.
    expect(told(line)).toEqual(features)
  })
  it('small things by their middle, wherever that is told from', () => {
    const middles = (line: string) => read(line).features.map((f) => Math.round((f.atMm + f.wideMm / 2) / 25.4))
    expect(middles('outlet every 6 ft')).toEqual([72, 144, 216])
    expect(middles('outlet 18 in from the right')).toEqual([222])
    const low = read('outlets 12 in off the floor at 4 ft and 8 ft').features
    expect(low.map((f) => Math.round(f.upMm / 25.4))).toEqual([12, 12])
    expect(read('outlet at 4 ft 16 in high').features[0]).toMatchObject({ upMm: 16 * 25.4, highMm: 115 })
  })
  it('how long the wall is may be said with it, and is compared with the wall as a run is', () => {
    expect(read('12 ft wall, 8 ft ceiling, outlet at 4 ft').totalMm).toBeCloseTo(12 * FOOT, 6)
    expect(read('plain wall 14 ft')).toEqual({ features: [], totalMm: 14 * FOOT })
    expect(read('outlet at 4 ft').totalMm).toBeNull()
    // Its middle is by what is said, not by what was known.
    expect(told("10' wall, window 4 ft wide in the middle")).toEqual([['window', 36, 48]])
  })
  it.each([
    ['wall 5.4 m, up and over door 2.3 x 2.1 in the middle', ['sectional-door', 1550, 2300]],
    ['window 1.2m x 1m at 2m, sill 900', ['window', 2000, 1200]],
    ['socket 300 mm from the right', ['outlet', 5665, 70]],
    ['window 1200 wide 500 from the right corner', ['window', 4300, 1200]],
    ['6 m, window 1500 to 2700', ['window', 1500, 1200]],
    ['two sockets at 1 m and 3 m, 450 up', ['outlet', 965, 70], ['outlet', 2965, 70]],
  ] as [string, ...(string | number)[][]][])('in metres: %s', (line, ...features) =>
    expect(told(line, 'metric', 6000)).toEqual(features),
  )
  it('what it is called gives its usual height', () => {
    expect(read('fridge 600 at 0', 'metric').features[0]).toMatchObject({ name: 'fridge', highMm: 1750 })
    expect(read('washer 27 in at 5 ft').features[0]).toMatchObject({ name: 'washer', highMm: 850 })
  })
  it('what cannot be placed says why', () => {
    for (const [line, code, wallMm] of [
      ['window in the middle', 'run-no-wall', undefined],
      ['window 10 from the right', 'run-no-wall', undefined],
      ['window 4 ft wide 19 ft from the right', 'run-off-wall', 20 * FOOT],
      ['window 30 ft wide in the middle', 'run-off-wall', 20 * FOOT],
      ['outlet every 1', 'run-off-wall', 20 * FOOT],
      ['attic hatch', 'not-a-length', undefined],
      ['window at', 'not-a-length', undefined],
      ['24, window at 30', 'run-mixed', undefined],
    ] as const) {
      const problem = problemOf(line, 'imperial', wallMm)
      expect([line, problem?.code]).toEqual([line, code])
      expect(sayProblem(problem!, sayIn(METRIC))).toMatch(/^[A-Z0-9"].{20,}/)
    }
  })
  it('a line as the tape is called stays what it was', () => {
    for (const line of [
      '24 1/2, door 32 x 80, 60, window 36 x 40 up 42, 63',
      'outlet at 24 and 72, up 15; switch at 30',
    ])
      expect(parseRun(line, 'w', 'imperial', 5000)).toEqual(parseRun(line, 'w', 'imperial'))
    // Far too wide is refused where it would be stored: it is no door in feet and inches either.
    expect(read('window 99999999 x 10').features[0].wideMm).toBeGreaterThan(1e9)
  })
})
