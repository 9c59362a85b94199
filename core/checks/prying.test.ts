import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../test-support/near.ts'
import { partsById } from '../assembly/by-id.ts'
import { partBoxes } from '../assembly/part-box.ts'
import { exampleContext, exampleGoods } from '../families/example-context.ts'
import { findFamily } from '../families/registry.ts'
import { METHODS } from '../mechanics/methods/all.ts'
import { newBuild } from '../project/new-build.ts'
import { readWith } from '../project/read-build.ts'
import { jointGives } from './ties.ts'

const read = (family: string, goods: 'tote' | 'box') => {
  const f = findFamily(family)!
  const ctx = exampleContext('imperial', [exampleGoods('imperial', goods, 12)])
  const r = readWith(f, newBuild({ id: 'b', family, params: f.start(ctx) as never, wallId: 'w' }), ctx)
  if (!r.ok) throw new Error(JSON.stringify(r.problem))
  return { r: r.reading, settings: ctx.settings }
}

describe('a rail loaded off the plane of its screws', () => {
  it('pulls at them by half its thickness over two thirds of its height, by hand', () => {
    const { r, settings } = read('tote-rack', 'tote')
    const a = r.shaped.assembly
    const result = r.checks.find((c) => c.id === 'joints:post-rail')!
    // The most that passes from any rail to any post, as the check finds it.
    const through = a.supports
      .filter((s) => 'part' in s.from && s.from.part.startsWith('rail') && s.on.kind === 'part' && s.joint !== null)
      .map((s) => ({ s, n: r.design.reactions.get(s.id)! }))
      .reduce((x, y) => (y.n > x.n ? y : x))
    const [parts, boxes] = [partsById(a), partBoxes(a)]
    const j = a.joints.find((x) => x.id === through.s.joint)!
    const rail = parts.get(j.near)!
    const lever = (2 / 3) * rail.size.widthMm
    const pullN = (through.n * rail.size.thicknessMm) / 2 / lever
    const pull = jointGives(j, 0, parts, boxes, { method: METHODS.asd, settings })!
    expectNear(result.demand!, through.n + (pullN * result.capacity!) / pull, 1e-6)
    expect(result.demand!).toBeGreaterThan(through.n * 1.05)
  })
  it('is kept from turning by a sheet fastened to it and to its neighbour', () => {
    const { r } = read('post-rack', 'box')
    const a = r.shaped.assembly
    const most = Math.max(
      ...a.supports
        .filter((s) => 'part' in s.from && s.from.part.startsWith('rail') && s.via === 'fasteners')
        .map((s) => r.design.reactions.get(s.id)!),
    )
    const { demand } = r.checks.find((c) => c.id === 'joints:post-rail')!
    // No more than passes in the worst arrangement of the goods.
    expect(demand!).toBeGreaterThanOrEqual(most * (1 - 1e-9))
    expect(demand!).toBeLessThan(most * 1.6)
  })
})
