import { describe, expect, it } from '@jest/globals'
import { freshProject } from '../../test-support/one-build.ts'
import { newGoods } from '../goods/goods.ts'
import { METRIC } from '../measure/units.ts'
import { newBuild } from '../project/new-build.ts'
import { startOf } from '../project/proposals.ts'
import { readBuild } from '../project/read-build.ts'
import { sayCheck } from '../wording/checks.ts'
import { sayIn } from '../wording/say.ts'

/** What is said of what a shelf unit has no place for, some of its measures fixed. */
function saidOf(over: object, count = 4): { said: string[]; larger: unknown[] } {
  const size = { acrossMm: 400, deepMm: 350, tallMm: 280, massKg: 3 }
  const p = { ...freshProject(), goods: [newGoods({ id: 'g', name: 'crate', kind: 'box', count, ...size })] }
  const at = { id: 'b', wallId: p.room.walls[0].id, offsetMm: 0, goods: [{ goodsId: 'g', count }] }
  const { build } = startOf(p, 'shelf-unit', at)!
  const r = readBuild(p, newBuild({ ...build, params: { ...build.params, ...over } }))
  if (!r.ok) throw new Error(r.problem.code)
  const out = r.reading.checks.filter((c) => c.code === 'unhoused-no-place')
  return { said: out.map((c) => sayCheck(c, sayIn(METRIC))), larger: out.map((c) => c.data.larger) }
}

describe('what has no place on shelves', () => {
  it('has one as it is first tacked', () => {
    expect(saidOf({}).said).toEqual([])
  })
  it('is told to be wider than the widest opening, whichever way round it stands', () => {
    expect(saidOf({ clearMm: 300 }).said).toEqual([
      '4 × "crate" have no place in this build: each is 350 mm wide, and the widest opening has 300 mm.',
    ])
  })
  it('is told no more than that where it would go in and others have taken its place', () => {
    const { said, larger } = saidOf({ shelves: 1, bays: 1 }, 30)
    expect(larger).toEqual([undefined])
    expect(said[0]).toMatch(/^\d+ × "crate" have no place in this build\.$/)
  })
})
