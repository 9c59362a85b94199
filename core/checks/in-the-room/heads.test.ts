import { describe, expect, it } from '@jest/globals'
import { frameOf, placedBox, type BuildSolids, type Frame } from '../../clearance/placing.ts'
import type { KeepOut } from '../../clearance/keep-outs.ts'
import type { Box } from '../../geometry/box.ts'
import { prism } from '../../geometry/convex.ts'
import { METRIC } from '../../measure/units.ts'
import { outline } from '../../room/outline.ts'
import { newProject } from '../../project/project.ts'
import { sayCheck } from '../../wording/checks.ts'
import { sayIn } from '../../wording/say.ts'
import type { RoomContext } from '../room-check.ts'
import { heads } from './heads.ts'

const p = newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z')
const [wall] = outline(p.room).walls
const frame: Frame = frameOf(wall, { alongMm: 500, outMm: 0, turn: 0 }, 1000, 600)
const box = (min: Box['min'], max: Box['max']) => placedBox(frame, { min, max })
const solids = (parts: [Box['min'], Box['max']][], swept: [Box['min'], Box['max']][] = []): BuildSolids => ({
  parts: parts.map(([min, max], i) => ({ id: `p${i}`, body: box(min, max) })),
  goods: [],
  ways: [],
  swept: swept.map(([min, max], i) => ({ motion: `m${i}`, body: box(min, max) })),
  whole: box([0, 0, 0], [1000, 600, 2000]),
})
const look = (s: BuildSolids, more: Partial<Pick<RoomContext, 'neighbours' | 'keeps'>> = {}) =>
  heads.run({
    solids: s,
    frame,
    neighbours: [],
    keeps: [],
    settings: { ...p.settings, personMm: 1700 },
    ...more,
  } as never as RoomContext)
const board = (outMm: number, lowMm: number): [Box['min'], Box['max']] => [
  [0, 0, lowMm],
  [1000, outMm, lowMm + 300],
]

describe('edges at the height of a head', () => {
  it('are said, with how high they hang', () => {
    const [r] = look(solids([board(500, 1600)]))
    expect(r).toMatchObject({ code: 'head-edge', state: 'holds', parts: ['p0'] })
    expect(sayCheck(r, sayIn(METRIC))).toContain('1600 mm above the floor')
  })
  it.each([
    ['over the crown', board(500, 1740)],
    ['where it is seen', board(500, 1200)],
    ['near the wall, where nobody walks', board(300, 1600)],
  ])('are none %s', (_n, b) => expect(look(solids([b]))).toEqual([]))
  it('the lowest of several is told', () => {
    expect(look(solids([board(500, 1650), board(500, 1400)]))[0].data.atMm).toBe(1400)
  })
  it('over what stands on the floor nobody walks: of its own, of another build, of the room', () => {
    const low: [Box['min'], Box['max']] = [
      [0, 0, 0],
      [1000, 550, 800],
    ]
    expect(look(solids([board(500, 1600), low]))).toEqual([])
    const other = { buildId: 'o', name: 'o', solids: solids([low]) }
    expect(look(solids([board(500, 1600)]), { neighbours: [other] })).toEqual([])
    const bench = { feature: null, wall, code: 'solid', body: box(...low) } as KeepOut
    expect(look(solids([board(500, 1600)]), { keeps: [bench] })).toEqual([])
  })
  it('a mat on the floor and the space a door keeps stop nobody', () => {
    const foot = prism(
      [
        [-10_000, -10_000],
        [10_000, -10_000],
        [10_000, 10_000],
        [-10_000, 10_000],
      ],
      0,
      100,
    )
    const mat = { feature: null, wall, code: 'solid', body: foot } as KeepOut
    const clear = { feature: null, wall, code: 'clear', body: box([0, 0, 0], [1000, 600, 2000]) } as KeepOut
    expect(look(solids([board(500, 1600)]), { keeps: [mat, clear] })).toHaveLength(1)
  })
  it('an opened leaf is told as one', () => {
    const leaf: [Box['min'], Box['max']] = [
      [0, 300, 1500],
      [20, 700, 1900],
    ]
    const [r] = look(solids([board(300, 1500)], [leaf]))
    expect(r).toMatchObject({ code: 'head-leaf', parts: [] })
    expect(sayCheck(r, sayIn(METRIC))).toMatch(/^Opened, its leaf stands 1500 mm/)
  })
})
