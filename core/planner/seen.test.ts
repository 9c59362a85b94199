import { describe, expect, it } from '@jest/globals'
import { prism } from '../geometry/convex.ts'
import { newProject } from '../project/project.ts'
import { roomPlan } from '../project/read-build.ts'
import { newBuild } from '../project/new-build.ts'
import { beside } from './beside.ts'
import type { Offer } from './offer.ts'
import { Seen, type Asked } from './seen.ts'

const { room } = newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z')
const [first] = room.walls
const wall = (id: string, lengthMm: number) => ({ ...first, id, name: id, lengthMm, depthMm: 900 })
const { outline } = roomPlan({
  ...room,
  closed: true,
  walls: [wall('n', 6000), wall('e', 5000), wall('s', 6000), wall('w', 5000)],
})
const [n, e] = ['n', 'e'].map((id) => outline.walls.find((x) => x.wall.id === id)!)

const asked = (over: Partial<Asked> = {}): Asked => ({
  ...{ kind: 'rack', w: n, wallClass: 'c', offsetMm: 0, freeMm: 6000, bounds: '' },
  ...{ lot: [{ goodsId: 'a', count: 2 }] },
  ...over,
})
/** So long a build 500 deep and 1800 high, at a place, with so many of its goods. */
function build(a: Asked, longMm: number, count = 2): Offer {
  const at = (along: number, out: number): [number, number] => [
    a.w.from[0] + along * a.w.along[0] + out * a.w.inward[0],
    a.w.from[1] + along * a.w.along[1] + out * a.w.inward[1],
  ]
  const [from, to] = [a.offsetMm, a.offsetMm + longMm]
  const body = prism([at(from, 0), at(to, 0), at(to, 500), at(from, 500)], 0, 1800)
  return {
    build: newBuild({ id: 'x', family: a.kind, wallId: a.w.wall.id, offsetMm: a.offsetMm, params: {} }),
    ...{ judged: false, troubles: 0, fails: false, ways: [body], body, housed: [{ goodsId: 'a', count }] },
    ...{ minor: 0, floorM2: 1, reach: 0, lessWell: [], asking: [], needsTwo: false, glued: false, inWall: true },
    ...{ overhead: false, fixings: 4 },
  }
}
const seen = (...looks: [Asked, Offer[]][]) => {
  const s = new Seen(({ kind }) => (kind === 'hung' ? 2 : 1))
  for (const [a, ways] of looks) s.note(a, ways)
  return s
}

describe('what was seen elsewhere', () => {
  it('is the same further along its wall, and at another wall of its class', () => {
    const s = seen([asked(), [build(asked(), 1800)]])
    const along = s.elsewhere(asked({ offsetMm: 700, freeMm: 5300 }))!
    expect(along.ownWall).toBe(true)
    expect(beside(n, along.ways[0].body)).toMatchObject({ from: 700, to: 2500, outMm: 0, deepMm: 500, highMm: 1800 })
    const round = s.elsewhere(asked({ w: e, offsetMm: 300, freeMm: 4700 }))!
    expect(round.ownWall).toBe(false)
    expect(round.ways[0].build).toMatchObject({ wallId: 'e', offsetMm: 300 })
    const there = beside(e, round.ways[0].body)
    expect([there.from, there.to, there.outMm, there.deepMm].map((x) => Math.round(x) + 0)).toEqual([300, 2100, 0, 500])
    expect(beside(e, round.ways[0].ways[0])).toEqual(there)
    expect(s.elsewhere(asked({ wallClass: 'other' }))).toBeNull()
    expect(s.elsewhere(asked({ bounds: 'deep' }))).toBeNull()
    expect(s.elsewhere(asked({ lot: [{ goodsId: 'a', count: 3 }] }))).toBeNull()
  })
  it('may be shorter where there is less room than it took, unless it took no notice of what there was', () => {
    expect(seen([asked(), [build(asked(), 1800)]]).elsewhere(asked({ freeMm: 1700 }))).toBeNull()
    const stiff = seen([asked({ freeMm: 1000 }), [build(asked(), 1800)]])
    expect(stiff.elsewhere(asked({ freeMm: 900 }))).not.toBeNull()
    expect(stiff.elsewhere(asked({ freeMm: 1200 }))).toBeNull()
    // Once there is room for all of it, it is as long there too.
    expect(stiff.elsewhere(asked({ freeMm: 1900 }))).not.toBeNull()
  })
  it('may take more where there is more room, if it left something out', () => {
    const part = seen([asked({ freeMm: 2000 }), [build(asked(), 1800, 1)]])
    expect(part.elsewhere(asked({ freeMm: 1900 }))).not.toBeNull()
    expect(part.elsewhere(asked({ freeMm: 2500 }))).toBeNull()
  })
  it('that nothing was is so where there is no more room, for any number of them', () => {
    const s = seen([asked({ freeMm: 1500 }), []])
    expect(s.isNone(asked({ freeMm: 1500, lot: [{ goodsId: 'a', count: 9 }] }))).toBe(true)
    expect(s.isNone(asked({ freeMm: 1501 }))).toBe(false)
    expect(s.isNone(asked({ freeMm: 1500, lot: [{ goodsId: 'b', count: 2 }] }))).toBe(false)
  })
  it('of things none of which goes there by itself none does together', () => {
    const both = [
      { goodsId: 'a', count: 1 },
      { goodsId: 'b', count: 4 },
    ]
    const s = seen([asked(), []])
    expect(s.isNone(asked({ lot: both }))).toBe(false)
    s.note(asked({ lot: [{ goodsId: 'b', count: 1 }] }), [])
    expect(s.isNone(asked({ lot: both }))).toBe(true)
  })
  it('that nothing hung was is sure only after as many places as are asked for', () => {
    const s = seen([asked({ kind: 'hung' }), []])
    expect(s.isNone(asked({ kind: 'hung' }))).toBe(false)
    s.note(asked({ kind: 'hung', offsetMm: 400, freeMm: 5600 }), [])
    expect(s.isNone(asked({ kind: 'hung', freeMm: 5600 }))).toBe(true)
    expect(s.isNone(asked({ kind: 'hung' }))).toBe(false)
  })
})
