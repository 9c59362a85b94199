import { describe, expect, it } from '@jest/globals'
import { parseGoodsLine } from '../goods/parse-line.ts'
import { withPresumed } from '../goods/presumed.ts'
import { newProject } from '../project/project.ts'
import { NO_WISHES } from '../project/wishes.ts'
import { RoomMarket } from './market.ts'

/*
 * What a kind of build offers for a thing by itself it can be made to hold, on a wall with studs as far apart as they come.
 */

const USUAL = ['tent', 'cool box', '8 tin of paint', '6 can of spray', '4 camping chair', 'box of decorations']
const TOOLS = ['cordless drill', 'hammer', 'hand saw', 'extension cord', '6 bar clamp']
const market = (() => {
  const p = newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z')
  const goods = [...USUAL, ...TOOLS].map((line, i) => {
    const r = parseGoodsLine(line, 'metric', `g${i}`)
    if (!r.ok) throw new Error(line)
    return r.value
  })
  const [first] = p.room.walls
  const construction = {
    ...first.construction,
    kind: 'studs',
    spacingMm: 600,
    firstMm: 600,
  } as typeof first.construction
  const wall = { ...first, id: 'n', lengthMm: 7000, heightMm: 2600, depthMm: 1250, construction }
  const room = { ...p.room, walls: [wall], ceiling: { ...p.room.ceiling, heightMm: 2600 } }
  return { goods, of: new RoomMarket({ ...p, goods: withPresumed(goods), room }, NO_WISHES) }
})()

describe('one thing on a wall with studs 600 mm apart', () => {
  it.each(['bracket-shelf', 'wall-cabinet', 'floating-shelf-rack', 'strip-wall', 'pegboard', 'ledger-shelf'])(
    'in a %s holds wherever it is offered',
    (kind) => {
      const offers = market.goods.flatMap((g) => {
        const lot = [{ goodsId: g.id, count: g.count }]
        const suits = market.of.kindsFor(lot).some((k) => k.kind === kind)
        const offer = suits ? market.of.offer(kind, 'n', lot, []) : null
        return offer ? [{ name: g.name, troubles: market.of.settled(offer).troubles }] : []
      })
      expect(offers.length).toBeGreaterThan(2)
      expect(offers.filter((o) => o.troubles > 0)).toEqual([])
    },
  )
})
