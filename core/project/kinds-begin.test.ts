import { describe, expect, it } from '@jest/globals'
import { USUAL_THINGS } from '../catalogue/usual-things.ts'
import { allFamilies } from '../families/registry.ts'
import { parseGoodsLines } from '../goods/parse-line.ts'
import { countedKg } from '../goods/presumed.ts'
import type { Goods } from '../goods/goods.ts'
import type { UnitSystem } from '../measure/units.ts'
import { newBuild } from './new-build.ts'
import { newProject, type Project } from './project.ts'
import { contextOf } from './read-build.ts'
import { readBuilds } from './read-builds.ts'

/* Usual things on every kind that says it suits them, as it is begun. */

/** What a kind may answer all the same: it keeps other things with them, or the room has no place for it. */
const MAY_BE_REFUSED = [
  'bank-empty',
  'cradles-past-wall',
  'deck-not-spliced',
  'loft-holds-nothing',
  'loft-no-room-above',
  'no-boards',
  'no-hung-tools',
  'rack-past-wall',
  'store-no-way-in',
  'store-too-deep',
]
/** What is so thin at the front edge of a shallow bracket lifts its arm off its leg, which nothing there holds down. */
const NOT_PROVEN = ['bracket-shelf: framing square']
const EVERY = 8

function room(system: UnitSystem, goods: Goods[]): Project {
  const p = newProject('p', 'begun', system, '2026-01-01T00:00:00.000Z')
  const wall = { ...p.room.walls[0], lengthMm: 4200, heightMm: 2700 }
  return {
    ...p,
    settings: { ...p.settings, anchorRatedN: 4000 },
    goods,
    room: {
      ...p.room,
      walls: [wall, { ...wall, id: 'wall-2' }],
      ceiling: {
        ...p.room.ceiling,
        ...{ heightMm: 2700, kind: 'joists', alongWallId: 'wall-2', allowanceKnM2: 0.96 },
        joist: { wideMm: 38, deepMm: 184, spanMm: 4200 },
      },
    },
  }
}
function thingsOf(system: UnitSystem, offset: number): Goods[] {
  return USUAL_THINGS.filter((_t, i) => i % EVERY === offset).map(({ name }) => {
    const line = parseGoodsLines(`2 ${name}`, system, () => 'g')
    if (!line.ok) throw new Error(name)
    const [g] = line.value
    // As heavy as it is presumed to be at most, half of that.
    return g.massKg === null ? { ...g, massKg: Math.max(0.2, countedKg(g) / 2) } : g
  })
}

describe.each([
  ['metric', 0],
  ['imperial', 3],
] as const)('usual things, %s', (system, offset) => {
  const things = thingsOf(system, offset)
  it.each(allFamilies().map((f) => [f.id, f] as const))(
    '%s: is begun so that it is built and judged whole',
    (_id, family) => {
      for (const g of things.filter(
        (x) => family.suits(x) !== null && !NOT_PROVEN.includes(`${family.id}: ${x.name}`),
      )) {
        const p = room(system, [g])
        const bare = newBuild({
          ...{ id: 'b', family: family.id, wallId: 'wall-1', params: {} },
          goods: [{ goodsId: g.id, count: g.count }],
        })
        const params = family.start(contextOf(p, bare)!) as never
        const [o] = readBuilds({ ...p, builds: [{ ...bare, params }] })
        const refused = o.ok || MAY_BE_REFUSED.includes(o.problem.code) ? null : o.problem.code
        const unknown = o.ok ? o.reading.checks.filter((c) => c.state === 'unknown').map((c) => c.id) : []
        expect([g.name, refused, unknown]).toEqual([g.name, null, []])
      }
    },
  )
})
