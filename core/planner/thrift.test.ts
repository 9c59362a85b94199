import { describe, expect, it } from '@jest/globals'
import { crateOf } from '../../test-support/crate.ts'
import { procure } from '../project/plan.ts'
import { newProject, type Build, type Project } from '../project/project.ts'
import { startOf } from '../project/proposals.ts'
import { isTrouble } from '../checks/verdict.ts'
import { holdingIn, thriftier } from './thrift.ts'

const boxes = (massKg: number) => crateOf([400, 300, 280], massKg, { id: 'boxes', count: 16 })
/** A garage with one rack for light boxes, begun as its kind begins. */
function garage(massKg: number): { p: Project; build: Build } {
  const p = { ...newProject('p', 'p', 'imperial', '2026-01-01T00:00:00.000Z'), goods: [boxes(massKg)] }
  const at = { id: 'rack', wallId: p.room.walls[0].id, offsetMm: 0, goods: [{ goodsId: 'boxes', count: 16 }] }
  return { p, build: startOf(p, 'post-rack', at)!.build }
}
const ended = (search: Generator<void, Build[]>): Build[] => {
  for (;;) {
    const step = search.next()
    if (step.done) return step.value
  }
}
const minorOf = (p: Project, builds: readonly Build[]) => procure(p, holdingIn(p, builds)!).bill.totalMinor

describe('a plan with less wood', () => {
  const { p, build } = garage(6)
  it('costs less, and all of it holds as before, with everything in it', () => {
    const less = ended(thriftier(p, [build], () => false))
    expect(less.map((b) => b.id)).toEqual(['rack'])
    expect(minorOf(p, less)).toBeLessThan(minorOf(p, [build]))
    const [r] = holdingIn(p, less)!
    expect(r.checks.filter(isTrouble)).toEqual([])
    expect(r.shaped.assembly.bays.flatMap((b) => b.items)).toHaveLength(16)
  })
  it('is as it was where there is no time for it', () => {
    expect(ended(thriftier(p, [build], () => true))).toEqual([build])
  })
  it('is only as thin as what stands on it lets it be', () => {
    const sheetOf = ([b]: Build[]) => b.params.sheet
    const heavy = garage(25)
    const less = ended(thriftier(heavy.p, [heavy.build], () => false))
    expect(minorOf(heavy.p, less)).toBeLessThan(minorOf(heavy.p, [heavy.build]))
    expect(sheetOf(less)).not.toBe(sheetOf(ended(thriftier(p, [build], () => false))))
  })
  it('what something fails of, or has no place, holds not', () => {
    expect(holdingIn(p, [build])).toHaveLength(1)
    expect(holdingIn({ ...p, goods: [boxes(150)] }, [build])).toBeNull()
    expect(holdingIn(p, [{ ...build, wallId: 'no such wall' }])).toBeNull()
  })
})
