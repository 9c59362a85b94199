import { describe, expect, it } from '@jest/globals'
import { startingSettings, unitsOf } from '../../assembly/settings.ts'
import { exampleContext, exampleGoods } from '../../families/example-context.ts'
import { findFamily } from '../../families/registry.ts'
import { newBuild } from '../../project/new-build.ts'
import { readWith } from '../../project/read-build.ts'
import { standingDepth, economicalRip } from './economical-rip.ts'

const settings = startingSettings('metric')
const sheet = { widthMm: 1220 }
// With a trim at both edges and kerfs between: what a half and a third of the sheet are.
const [half, third] = [500, 350].map((wanted) => economicalRip(sheet, settings, wanted, 700)!.mm)

describe('the depth of what stands', () => {
  const depth = (wantedMm: number, mostMm: number, deepestMm = wantedMm) =>
    standingDepth(economicalRip(sheet, settings, wantedMm, mostMm), { wantedMm, mostMm, deepestMm }, unitsOf(settings))
  it('is a share of the sheet where one is deep enough and there is room for it', () => {
    expect(half).toBeGreaterThan(third)
    expect(depth(third, 700)).toEqual({ mm: third, why: 'economical-rip' })
    expect(depth(half - 1, 700)).toEqual({ mm: half, why: 'economical-rip' })
  })
  it('is what is needed where the next share is more than there is room for', () => {
    expect(depth(third + 20, half - 1)!.mm).toBeGreaterThanOrEqual(third + 20)
    expect(depth(third + 20, half - 1)!.mm).toBeLessThan(third + 21)
    // What may stand out a little stands on it whole where there is room.
    expect(depth(third + 20, half - 1, third + 45)!.mm).toBeGreaterThanOrEqual(third + 45)
    expect(depth(third + 20, third + 30, third + 45)!.mm).toBeLessThanOrEqual(third + 30)
  })
  it('is the deepest share there is room for where what is needed does not go in', () => {
    expect(depth(third + 20, third + 19)).toEqual({ mm: third, why: 'rip-for-space' })
    expect(depth(60, 50)).toBeUndefined()
  })
})

describe('a narrow shed', () => {
  const boxes = exampleGoods('metric', 'box', 6)
  const deepMm = boxes.item.deepMm
  it.each(['post-rack', 'shelf-unit', 'closet-front'])('%s: houses what is as deep as there is room for', (id) => {
    const kind = findFamily(id)!
    const refused: string[] = []
    // So much beside the depth of a thing as posts, back and front take.
    for (const more of [60, 90, 120, 150, 200]) {
      const c = exampleContext('metric', [boxes], id === 'closet-front' ? 3900 : 6000)
      const shed = { ...c, space: { ...c.space, depthMm: deepMm + more } }
      const b = newBuild({ id: 'b', family: id, params: kind.start(shed) as never, wallId: 'w' })
      const r = readWith(kind, b, shed)
      if (!r.ok) throw new Error(`${more}: ${JSON.stringify(r.problem)}`)
      if (r.reading.shaped.unhoused.length > 0) refused.push(`${more}`)
    }
    // Less than its posts take is too little for one kind, and is told; all wider ones take everything.
    expect(refused.filter((x) => Number(x) >= 150)).toEqual([])
  })
})
