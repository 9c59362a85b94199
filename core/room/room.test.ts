import { describe, expect, it } from '@jest/globals'
import { averageReadings } from '../measure/readings.ts'
import { ceilingAt, joistTicks } from './ceiling.ts'
import { newFeature } from './features.ts'
import { fallUnder, floorPlane } from './floor.ts'
import { closing, cornerReadings, offSquareMm, outline, scribeAllowanceMm, straightOutMm } from './outline.ts'
import { parseRun } from './parse-run.ts'
import { canHoldTie, fallAt, freeSpace, plainCeiling, room, studCentres, type Room, type Wall } from './room.ts'

const studs = {
  kind: 'studs' as const,
  spacingMm: 600,
  firstMm: 300,
  studMm: 38,
  lined: true,
  liningMm: 12.7,
  found: [],
}
const wall: Wall = {
  id: 'w',
  name: 'North',
  lengthMm: 3000,
  heightMm: 2600,
  depthMm: 800,
  construction: studs,
  cornerRad: null,
}
const garage: Room = {
  name: 'g',
  walls: [wall],
  closed: false,
  diagonals: [],
  ceiling: plainCeiling(2400),
  floor: { kind: 'slab', points: [] },
  features: [],
}
const rad = (d: number) => (d * Math.PI) / 180

describe('walls', () => {
  it('finds the studs of a wall, and none where it has none', () => {
    expect(studCentres(wall)).toEqual([300, 900, 1500, 2100, 2700])
    expect(studCentres({ ...wall, construction: { kind: 'masonry' } })).toEqual([])
    expect(studCentres({ ...wall, lengthMm: 300, construction: { ...studs, firstMm: 400 } })).toEqual([])
  })
  it('believes the drill before the spacing', () => {
    const found = [
      { atMm: 920, what: 'stud' as const },
      { atMm: 1500, what: 'no-stud' as const },
      { atMm: 1750, what: 'double' as const },
    ]
    expect(studCentres({ ...wall, construction: { ...studs, found } })).toEqual([300, 920, 1750, 2100, 2700])
  })
  it('leaves a build what is right of its corner, up to the next build and under the lower of wall and ceiling', () => {
    expect(freeSpace(garage, wall, 1000)).toMatchObject({
      lengthMm: 2000,
      heightMm: 2400,
      depthMm: 800,
      ceilingMm: 2400,
      studsMm: [500, 1100, 1700],
    })
    expect(freeSpace(garage, wall, 1000, 1800).lengthMm).toBe(800)
    expect(freeSpace(garage, wall, 4000).lengthMm).toBe(0)
  })
  it('knows what can hold a tie', () => {
    const holds = (kind: 'masonry' | 'concrete' | 'thin') => canHoldTie({ construction: { kind }, prepared: [] })
    expect((['masonry', 'concrete', 'thin'] as const).map(holds)).toEqual([true, true, false])
  })
  it('refuses walls that cannot be', () => {
    for (const change of [
      { lengthMm: 0 },
      { lengthMm: -5 },
      { lengthMm: 1e9 },
      { heightMm: NaN },
      { name: '' },
      { cornerRad: 0 },
      { construction: { ...studs, spacingMm: 0 } },
    ])
      expect(room.safeParse({ ...garage, walls: [{ ...wall, ...change }] }).success).toBe(false)
    expect(room.safeParse(garage).success).toBe(true)
  })
})

const rectangle = (
  lengths: number[],
  diagonals: [number, number, number][] = [],
  corners: (number | null)[] = [],
): Room => ({
  ...garage,
  closed: true,
  walls: lengths.map((lengthMm, i) => ({
    ...wall,
    id: `w${i}`,
    name: `wall ${i}`,
    lengthMm,
    cornerRad: corners[i] ?? null,
  })),
  diagonals: diagonals.map(([a, b, lengthMm], i) => ({
    id: `d${i}`,
    fromWallId: `w${a}`,
    toWallId: `w${b}`,
    lengthMm,
  })),
})

describe('does it close?', () => {
  it('walks the walls: opposite walls 23 mm different miss by 23 mm', () => {
    const c = closing(rectangle([6000, 4000, 6000, 3977]))
    expect(c.by).toBe('walk')
    expect(c.missMm).toBeCloseTo(23, 6)
    expect(c.wanted).toBe(2)
  })
  it('3-4-5: four walls and their diagonal are a rectangle with four right angles', () => {
    for (const c of cornerReadings(rectangle([4000, 3000, 4000, 3000], [[0, 2, 5000]])))
      expect((c.rad * 180) / Math.PI).toBeCloseTo(90, 3)
  })
  it('a diagonal 20 mm short opens one corner by hand-worked cosine rule', () => {
    const [first] = cornerReadings(rectangle([4000, 3000, 4000, 3000], [[0, 2, 4980]]))
    // Inside angle between walls 0 and 1, from their lengths and the diagonal across.
    expect((first.rad * 180) / Math.PI).toBeCloseTo(
      (Math.acos((4000 ** 2 + 3000 ** 2 - 4980 ** 2) / (2 * 4000 * 3000)) * 180) / Math.PI,
      2,
    )
  })
  it('with two diagonals names the one to measure again, and by how much it is off', () => {
    const c = closing(
      rectangle(
        [4000, 3000, 4000, 3000],
        [
          [0, 2, 5000],
          [1, 3, 5040],
        ],
      ),
    )
    expect(c.by).toBe('diagonals')
    expect(c.missMm).toBeCloseTo(40, 0)
    expect(c.suspect?.of).toBe('diagonal')
    expect(
      closing(
        rectangle(
          [4000, 3000, 4000, 3000],
          [
            [0, 2, 5001],
            [1, 3, 4999],
          ],
        ),
      ).suspect,
    ).toBeNull()
  })
  it('finds the wall that was read wrong when there is enough to tell', () => {
    // An L of six walls with all corners right; one wall called 60 mm too long, five diagonals.
    const lengths = [6000, 4000, 2500, 2000, 3500, 2000]
    const corners = [90, 90, 90, 270, 90, 90].map(rad)
    const true0 = outline(rectangle(lengths, [], corners)).walls.map((w) => w.from)
    const d = (a: number, b: number): [number, number, number] => [
      a,
      b,
      Math.hypot(true0[a][0] - true0[b][0], true0[a][1] - true0[b][1]),
    ]
    const all = [d(0, 2), d(0, 3), d(0, 4), d(1, 3), d(1, 4), d(2, 5), d(1, 5)]
    expect(closing(rectangle(lengths, all, corners)).missMm).toBeLessThan(1)
    const c = closing(
      rectangle(
        lengths.map((l, i) => (i === 2 ? l + 60 : l)),
        all,
        corners,
      ),
    )
    expect(c.suspect).toMatchObject({ of: 'wall', id: 'w2' })
    expect(c.suspect!.offMm).toBeGreaterThan(40)
  })
  it('88.7° comes in by 13.6 mm over 600, and a worktop is left that and a little more', () => {
    expect(offSquareMm(rad(88.7), 600)).toBeCloseTo(600 * Math.tan(rad(1.3)), 9)
    expect(offSquareMm(rad(88.7), 600)).toBeCloseTo(13.62, 2)
    expect(offSquareMm(rad(91), 1000)).toBeCloseTo(-17.46, 2)
    expect(offSquareMm(rad(45), 600)).toBeNull()
    expect(scribeAllowanceMm(rad(88.7), 600)).toBeCloseTo(18.62, 2)
  })
  it('an open run of walls is walked, and never called closed', () => {
    const o = outline({ ...garage, walls: [wall, { ...wall, id: 'x' }] })
    expect(o.closed).toBe(false)
    expect(o.walls[1].to.map(Math.round)).toEqual([3000, -3000])
  })
})

describe('straight out from a wall', () => {
  const far = (r: Room, i: number, alongMm: number) => {
    const o = outline(r)
    return straightOutMm(o, o.walls[i], alongMm)
  }
  it('one comes to the wall across, from each wall of a rectangle', () => {
    const r = rectangle([4000, 3000, 4000, 3000])
    for (const alongMm of [1, 1500, 2999]) {
      expect(far(r, 0, alongMm)).toBeCloseTo(3000, 3)
      expect(far(r, 1, alongMm)).toBeCloseTo(4000, 3)
    }
  })
  it('and to the nearer one where a corner stands in', () => {
    // An L: 6 by 4 m without the 2 by 2 m at its lower right corner.
    const turns = [90, 90, 270, 90, 90, 90].map((d) => rad(d))
    const lengths = [6000, 2000, 2000, 2000, 4000, 4000]
    const walls = lengths.map((lengthMm, i): Wall => ({ ...wall, id: `w${i}`, lengthMm, cornerRad: turns[i] }))
    const r = { ...garage, walls, closed: true }
    expect(far(r, 0, 3900)).toBeCloseTo(4000, 0)
    expect(far(r, 0, 4100)).toBeCloseTo(2000, 0)
  })
  it('and to none where nobody measured another one', () => {
    expect(far(garage, 0, 1000)).toBe(Infinity)
  })
})

describe('ceiling and floor', () => {
  it('a ceiling slopes up from a wall to its height', () => {
    const r: Room = {
      ...garage,
      ceiling: { ...plainCeiling(2400), slope: { wallId: 'w', startMm: 1800, riseMmPerM: 400 } },
    }
    const o = outline(r)
    expect([0, 500, 1500, 4000].map((y) => ceilingAt(r, o, [100, -y]))).toEqual([1800, 2000, 2400, 2400])
  })
  it('joists cross the strip of one wall and run with that of its neighbour', () => {
    const r: Room = {
      ...garage,
      walls: [wall, { ...wall, id: 'x', lengthMm: 2000 }],
      ceiling: { ...plainCeiling(2400), kind: 'joists', alongWallId: 'x', spacingMm: 500, firstMm: 400 },
    }
    const o = outline(r)
    expect(joistTicks(r, o, o.walls[0]).across.map(Math.round)).toEqual([100, 600, 1100, 1600, 2100, 2600])
    expect(joistTicks(r, o, o.walls[1]).out.slice(0, 2).map(Math.round)).toEqual([400, 900])
  })
  it('a slab that falls 20 mm in each metre out from the wall: legs follow, from the highest corner', () => {
    const points = [
      [100, 100],
      [2900, 100],
      [100, 1100],
      [2900, 1100],
    ].map(([atMm, outMm]) => ({ wallId: 'w', atMm, outMm, downMm: 1000 + 0.02 * outMm }))
    const r: Room = { ...garage, floor: { kind: 'slab', points } }
    const o = outline(r)
    const f = floorPlane(r, o)!
    expect(Math.max(...f.points.map((p) => Math.abs(p.missMm)))).toBeLessThan(1e-6)
    const fall = fallUnder(f, o.walls[0], { alongMm: 0, outMm: 0 }, 2000, 600)
    expect(fallAt(fall, 0, 0)).toBeCloseTo(0, 6)
    expect(fallAt(fall, 1500, 600)).toBeCloseTo(12, 6)
    expect(floorPlane({ ...r, floor: { kind: 'slab', points: points.slice(0, 1) } }, o)).toBeNull()
  })
})

describe('distances as one calls them', () => {
  const run = (text: string, system: 'imperial' | 'metric' = 'imperial') => parseRun(text, 'w', system)
  const inch = 25.4
  it('stretch after stretch, and what they add up to', () => {
    const r = run('24 1/2, door 32 x 80, 60, window 36 x 40 up 42, 63')
    if (!r.ok) throw new Error(JSON.stringify(r.problem))
    expect(r.value.totalMm).toBeCloseTo((24.5 + 32 + 60 + 36 + 63) * inch, 6)
    expect(r.value.features.map((f) => [f.kind, Math.round((f.atMm / inch) * 2) / 2, f.wideMm / inch])).toEqual([
      ['door', 24.5, 32],
      ['window', 116.5, 36],
    ])
    expect(r.value.features[1].upMm / inch).toBeCloseTo(42, 6)
    expect(r.value.features[1].highMm / inch).toBeCloseTo(40, 6)
  })
  it('things by themselves, small ones by their middle', () => {
    const r = run('outlet at 24 and 72, up 15; switch at 30')
    if (!r.ok) throw new Error(JSON.stringify(r.problem))
    expect(r.value.totalMm).toBeNull()
    expect(r.value.features.map((f) => f.kind)).toEqual(['outlet', 'outlet', 'switch'])
    expect(r.value.features[0].atMm + r.value.features[0].wideMm / 2).toBeCloseTo(24 * inch, 6)
    expect(r.value.features[1].upMm).toBeCloseTo(15 * inch, 6)
  })
  it('things from where to where, with what is said of them in any order', () => {
    for (const text of ['window 3000 to 4200, up 1100, 900 tall', 'window from 3000 to 4200 900 high up 1100']) {
      const r = run(text, 'metric')
      if (!r.ok) throw new Error(JSON.stringify(r.problem))
      expect(r.value.features).toEqual([
        expect.objectContaining({ kind: 'window', atMm: 3000, wideMm: 1200, highMm: 900, upMm: 1100 }),
      ])
    }
    // A narrow one is where it was said to be, and not about its middle.
    const both = run(`outlet 40 to 43; door 5' to 7' 8"`)
    if (!both.ok) throw new Error(JSON.stringify(both.problem))
    expect(both.value.features.map((f) => [f.atMm / inch, f.wideMm / inch].map(Math.round))).toEqual([
      [40, 3],
      [60, 32],
    ])
    expect(run('door 32 wide 80 tall at 24')).toMatchObject({
      ok: true,
      value: { features: [{ atMm: 24 * inch, wideMm: 32 * inch, highMm: 80 * inch }] },
    })
    expect(run('window 4200 to 3000', 'metric')).toMatchObject({ ok: false, problem: { code: 'run-backwards' } })
    expect(run('window 3000 to wall', 'metric')).toMatchObject({ ok: false, problem: { code: 'not-a-length' } })
  })
  it.each([
    [
      '2 windows at 24 and 96, 36 wide',
      [
        ['window', 24, 36],
        ['window', 96, 36],
      ],
    ],
    [`door at 2' 6" wide 32"`, [['door', 30, 32]]],
    ['window at 40, wide 36, high 48, up 42', [['window', 40, 36]]],
    ['window at 6 ft, 4 ft wide, 3 ft high, up 40', [['window', 72, 48]]],
    ['window 3 ft from the left, 4 ft wide', [['window', 36, 48]]],
    ['a window 3 x 4 ft at 30', [['window', 30, 36]]],
    ['radiator at 40, 48 wide', [['other', 40, 48]]],
    ['light switch 1 ft from the left corner', [['switch', 12 - 70 / 25.4 / 2, 70 / 25.4]]],
    ['fuse box at 60, 14 wide', [['panel', 60, 14]]],
  ] as const)('as people say them: %s', (text, features) => {
    const r = run(text)
    if (!r.ok) throw new Error(JSON.stringify(r.problem))
    const told = r.value.features.map((f) => [f.kind, f.atMm / inch, f.wideMm / inch] as const)
    expect(told.map(([kind]) => kind)).toEqual(features.map(([kind]) => kind))
    told.forEach(([, at, wide], i) => {
      expect(at).toBeCloseTo(features[i][1], 6)
      expect(wide).toBeCloseTo(features[i][2], 6)
    })
  })
  it.each([
    ['car 1900 x 4600 at 900', { wideMm: 1900, deepMm: 4600, highMm: 1650 }],
    ['workbench 1500 x 650 at 900', { wideMm: 1500, deepMm: 650, highMm: 900 }],
    ['post 120 x 90 at 900', { wideMm: 120, deepMm: 90, highMm: 2400 }],
    ['water heater 500 x 1700 at 900', { wideMm: 500, deepMm: 560, highMm: 1700 }],
    ['water heater 500 x 520 x 1700 at 900', { wideMm: 500, deepMm: 520, highMm: 1700 }],
    ['walkway 2000 wide 800 deep at 900', { wideMm: 2000, deepMm: 800 }],
    ['lamp 4000 lm at 900, 700 out', { kind: 'light', outMm: 700, lumens: 4000 }],
    ['lamp 4000 lm cover 60 % at 900', { kind: 'light', atMm: 900, lumens: 4000, coverShare: 0.6 }],
  ])('what stands on the floor is told by its sides: %s', (text, features) =>
    expect(run(text, 'metric')).toMatchObject({ ok: true, value: { features: [features] } }),
  )
  it('what it is called is kept where that says more than its kind', () => {
    expect(run('gas meter at 20')).toMatchObject({
      ok: true,
      value: { features: [{ kind: 'other', name: 'gas meter' }] },
    })
    expect(run('window at 20')).toMatchObject({ ok: true, value: { features: [{ name: '' }] } })
  })
  it('a door as narrow as its width in feet is asked for its unit', () => {
    for (const text of ['door 3 at 24', '24, window 4, 60', 'garage door 16 at 24', 'window 36 x 4 at 60'])
      expect(run(text)).toMatchObject({ ok: false, problem: { code: 'run-narrow' } })
    // An outlet is small.
    expect(run('outlet 3 at 24').ok).toBe(true)
  })
  it('in millimetres too, and refuses what it does not understand, by name', () => {
    expect(run('620, garage door 2440 x 2050, 165', 'metric')).toMatchObject({ ok: true, value: { totalMm: 3225 } })
    for (const [text, code] of [
      ['', 'run-empty'],
      ['door wide', 'not-a-length'],
      ['12 x 3 x 4 x 5', 'run-piece'],
      ['12 x 3 x 4, door 32', 'run-piece'],
      ['door 900 lm at 24', 'run-piece'],
      ['lamp 0 lm at 24', 'count-range'],
      ['lamp 900 lm cover 0 % at 24', 'count-range'],
      ['lamp 900 lm cover 140% at 24', 'count-range'],
      ['24, outlet at 30', 'run-mixed'],
      ['24, -3', 'negative'],
    ])
      expect(run(text)).toMatchObject({ ok: false, problem: { code } })
  })
})

describe('a meter read more than once', () => {
  it('averages what agrees and puts the odd one aside', () => {
    const a = averageReadings([3650.2, 3649.1, 3650.9, 3411.0, 3650.1, 3648.8])!
    expect(a.odd).toEqual([3])
    expect(a.meanMm).toBeCloseTo(3649.82, 2)
    expect(a.kept).toBe(5)
  })
  it('says that nothing agrees where most met something else, or they lie far apart', () => {
    expect(averageReadings([3650, 3649, 3651, 3411, 3650])!.agree).toBe(true)
    expect(averageReadings([3650, 3411, 3388, 3650, 3291, 3502, 3649])!.agree).toBe(false)
    expect(averageReadings([3650, 3411, 3650])).toMatchObject({ agree: true, kept: 2, odd: [1] })
    expect(averageReadings([3650, 3411])!.agree).toBe(false)
    expect(averageReadings([3650])!.agree).toBe(true)
  })
  it('calls nothing odd with two, and nothing at all without readings', () => {
    expect(averageReadings([100, 200])).toMatchObject({ odd: [], meanMm: 150 })
    expect(averageReadings([])).toBeNull()
    expect(averageReadings([1, NaN])).toBeNull()
  })
})

describe('what is in the way at a wall', () => {
  const at = (over: object) => newFeature({ id: 'f', kind: 'outlet', wallId: 'w', atMm: 1000, ...over })
  it('is told from the left end of the space, with the room it keeps round it', () => {
    const space = freeSpace({ ...garage, features: [at({ name: 'socket', upMm: 300 })] }, wall, 400)
    // An outlet is 70 by 115 mm, and keeps a hand's 40 mm.
    expect(space.obstacles).toEqual([{ name: 'socket', left: 560, right: 710, footMm: 260, headMm: 455, outMm: 0 }])
  })
  it('keeps what somebody wants it to keep, and stands as far out as it does', () => {
    const clear = { leftMm: 5, rightMm: 10, frontMm: 0, aboveMm: 20, belowMm: 0 }
    const post = newFeature({ id: 'p', kind: 'post', wallId: 'w', atMm: 2000, outMm: 350, clear })
    expect(freeSpace({ ...garage, features: [post] }, wall, 0).obstacles).toEqual([
      { name: 'post', left: 1995, right: 2110, footMm: 0, headMm: 2420, outMm: 350 },
    ])
  })
  it('is none of another wall', () =>
    expect(freeSpace({ ...garage, features: [at({ wallId: 'other' })] }, wall, 0).obstacles).toEqual([]))
})
