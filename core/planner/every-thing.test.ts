import { describe, expect, it } from '@jest/globals'
import { USUAL_THINGS } from '../catalogue/usual-things.ts'
import { parseGoodsLine } from '../goods/parse-line.ts'
import { withPresumed } from '../goods/presumed.ts'
import { newProject } from '../project/project.ts'
import { NO_WISHES } from '../project/wishes.ts'
import { RoomMarket } from './market.ts'

/** One long wall with studs far apart under joists, and a usual strip of floor before it. */
function marketFor(name: string): RoomMarket {
  const p = newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z')
  const said = parseGoodsLine(`1 ${name}`, 'metric', 'g')
  if (!said.ok) throw new Error(`${name}: ${said.problem.code}`)
  const [first] = p.room.walls
  const wall = { ...first, id: 'n', lengthMm: 12_000, heightMm: 2550, depthMm: 1200 }
  const construction = { ...wall.construction, kind: 'studs', spacingMm: 600, firstMm: 600 } as typeof wall.construction
  const ceiling = { ...p.room.ceiling, heightMm: 2550 }
  const room = { ...p.room, ceiling, walls: [{ ...wall, construction }] }
  return new RoomMarket({ ...p, goods: withPresumed([said.value]), room }, NO_WISHES)
}

describe('every usual thing', () => {
  it('has a place at a long free wall, in some kind of build', () => {
    const lot = [{ goodsId: 'g', count: 1 }]
    const without = USUAL_THINGS.filter(({ name }) => {
      const market = marketFor(name)
      return !market.kindsFor(lot).some(({ kind }) => market.offer(kind, 'n', lot, []) !== null)
    })
    expect(without.map((t) => t.name)).toEqual([])
  })
})
