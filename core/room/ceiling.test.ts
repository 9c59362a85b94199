import { describe, expect, it } from '@jest/globals'
import { METRIC } from '../measure/units.ts'
import { newProject } from '../project/project.ts'
import { sayIn } from '../wording/say.ts'
import { sayOddSpan } from '../wording/survey.ts'
import { oddSpan, oddSpanKey } from './ceiling.ts'
import type { Room } from './room.ts'

/** A closed room of 6200 by 3400 under joists that run along one of its walls. */
function room(along: 'long' | 'short', spanMm: number, over: Partial<Room> = {}): Room {
  const { room: r } = newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z')
  const wall = (id: string, lengthMm: number) => ({ ...r.walls[0], id, name: `${id} wall`, lengthMm })
  return {
    ...r,
    closed: true,
    walls: [wall('long', 6200), wall('short', 3400), wall('c', 6200), wall('d', 3400)],
    ceiling: { ...r.ceiling, kind: 'joists', alongWallId: along, joist: { wideMm: 47, deepMm: 200, spanMm } },
    ...over,
  }
}

describe('joists that span less than the wall they run along is long', () => {
  it.each([
    ['across the short way', room('short', 3300), null],
    ['as long as the wall', room('long', 6100), null],
    ['half of it', room('long', 3400), 6200],
    ['in a room that is not closed', room('long', 3400, { closed: false }), null],
    ['measured by nobody', { ...room('long', 3400), ceiling: { ...room('long', 1).ceiling, joist: null } }, null],
  ] as const)('%s', (_name, r, mm) => {
    expect(oddSpan(r)).toBe(mm)
    expect(sayOddSpan(r, sayIn(METRIC)) === '').toBe(mm === null)
  })
  it('answered, is asked about again once another span or another wall is said', () => {
    const keys = [room('long', 3400), room('long', 3500), room('short', 3400)].map(oddSpanKey)
    expect(new Set(keys).size).toBe(3)
    expect(oddSpanKey(room('long', 3400))).toBe(keys[0])
  })
  it('is asked about by its wall and both lengths', () => {
    expect(sayOddSpan(room('long', 3400), sayIn(METRIC))).toMatch(/^long wall is 6200 mm long: .* span of 3400 mm/)
  })
})
