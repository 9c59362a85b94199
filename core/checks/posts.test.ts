import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../test-support/near.ts'
import { checkOf, readParams } from '../../test-support/read-params.ts'
import { partsById } from '../assembly/by-id.ts'
import { judge } from '../project/judge.ts'
import type { BuildReading } from '../project/read-build.ts'
import { closetFront } from '../families/closet-front/closet-front.ts'
import { startingParams as closet } from '../families/closet-front/parameters.ts'
import { exampleContext, exampleGoods, thinWalls } from '../families/example-context.ts'
import { framedWall } from '../families/framed-wall/framed-wall.ts'
import { startingParams as wall } from '../families/framed-wall/parameters.ts'
import { postRack } from '../families/post-rack/post-rack.ts'
import { startingParams as rack } from '../families/post-rack/parameters.ts'
import type { Assembly } from '../assembly/assembly.ts'
import { heldByPanels, heldHeights } from './posts.ts'

const inTheRoom = (yard: 'metric' | 'imperial') => {
  const c = thinWalls(exampleContext(yard, [], 3000))
  return { ...c, space: { ...c.space, away: true } }
}
/** The same build judged with its assembly changed. */
const judged = (r: BuildReading, c: ReturnType<typeof exampleContext>, change: (a: Assembly) => Assembly) =>
  judge(change(r.shaped.assembly), {
    ...{ settings: c.settings, space: r.space, goods: r.goods, unhoused: [], alike: r.groups },
  }).checks
const lengthOf = (r: { checks: BuildReading['checks'] }, id: string) =>
  Number(checkOf(r as BuildReading, id).data.lengthMm)

describe('what keeps a standing piece from bowing', () => {
  it('sheets side on side do not hold each other: they bow together, from shelf to shelf', () => {
    const c = exampleContext('metric', [exampleGoods('metric', 'box', 9)], 1900)
    const r = readParams(closetFront, { ...closet('metric', true), school: 'boxes', shelves: 3 }, c)
    const { assembly } = r.shaped
    const given = { assembly, boxes: r.boxes, parts: partsById(assembly) }
    const heights = (id: string) => heldByPanels(given.parts.get(id)!, given).map((z) => Math.round(z))
    // Beside it stands another, screwed to it eight times; at the end of the wall there is none.
    expect(assembly.joints.some((j) => j.near === 'upright-1-a' && j.far === 'upright-1-b')).toBe(true)
    expect(heights('upright-1-a')).toEqual(heights('upright-0-b'))
    // Floor and top, the panels between them, and the board of the tie.
    const tops = r.shaped.dims.filter((d) => d.path.startsWith('topMm')).length
    expect(new Set(heights('upright-1-a')).size).toBeLessThanOrEqual(2 + tops + 3)
  })
  it('a panel screwed to two studs holds both in its plane; without its screws it holds none', () => {
    const c = inTheRoom('imperial')
    const r = readParams(framedWall, { ...wall('imperial'), faces: 'one', doorMm: 0 }, c)
    expect(checkOf(r, 'buckling:stud-0').state).toBe('holds')
    // A panel is only held by what carries it: without the joints between, the studs are 50 times as long as thick.
    const bare = judged(r, c, (a) => {
      const panels = new Set(a.parts.filter((p) => p.role === 'face').map((p) => p.id))
      return {
        ...a,
        parts: a.parts.filter((p) => !panels.has(p.id)),
        subassemblies: a.subassemblies.filter((s) => s.id !== 'panels'),
        joints: a.joints.filter((j) => !panels.has(j.near)),
        fixings: a.fixings.filter((id) => !a.joints.some((j) => j.id === id && panels.has(j.near))),
        supports: a.supports.filter((s) => !('part' in s.from && panels.has(s.from.part))),
      }
    })
    expect(bare.find((x) => x.id === 'buckling:stud-0')).toMatchObject({ code: 'too-slender', state: 'fails' })
  })
  it('noggings half-way up halve it', () => {
    const r = readParams(framedWall, { ...wall('metric'), faces: 'none', doorMm: 0 }, inTheRoom('metric'))
    const stud = r.boxes.get('stud-1')!
    expectNear(lengthOf(r, 'buckling:stud-0'), (stud.max[2] - stud.min[2]) / 2, 0.03)
  })
  it('a panel that is taken off to open a rack holds its posts no more than none does', () => {
    const c = exampleContext('metric', [exampleGoods('metric', 'box', 12)])
    const front = (kind: 'open' | 'panel') => {
      const params = { ...rack('metric', true), shelves: 2, topMm: [300, 1900], front: kind }
      const r = readParams(postRack, params, c)
      const { assembly } = r.shaped
      const given = { assembly, boxes: r.boxes, parts: partsById(assembly) }
      const post = given.parts.get('post-0-0-front')!
      return { heights: heldHeights(post, 0, given), screwed: assembly.joints.some((j) => j.near === 'panel-0') }
    }
    const [open, closed] = [front('open'), front('panel')]
    expect([open.screwed, closed.screwed]).toEqual([false, true])
    expect(closed.heights).toEqual(open.heights)
  })
})
