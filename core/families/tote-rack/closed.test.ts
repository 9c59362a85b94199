import { describe, expect, it } from '@jest/globals'
import { partBoxes } from '../../assembly/part-box.ts'
import { boxOverlap, boxSize } from '../../geometry/box.ts'
import { newBuild } from '../../project/new-build.ts'
import { readWith } from '../../project/read-build.ts'
import { exampleContext, exampleGoods } from '../example-context.ts'
import { startingParams, UPGRADES, type ToteRackParams } from './parameters.ts'
import { toteRack } from './tote-rack.ts'

const totes = (count: number) => [exampleGoods('metric', 'tote', count)]
const reading = (over: Partial<ToteRackParams>, goods = totes(9)) => {
  const params = { ...startingParams('metric', 'rim', true), columns: 3, rows: 3, raise: 'in-place' as const, ...over }
  const b = newBuild({ id: 'b', family: 'tote-rack', params: params as never, wallId: 'w' })
  return readWith(toteRack, b, exampleContext('metric', goods))
}
const read = (over: Partial<ToteRackParams> = {}, goods?: ReturnType<typeof totes>) => {
  const r = reading(over, goods)
  if (!r.ok) throw new Error(JSON.stringify(r.problem))
  return r.reading
}
const dim = (r: ReturnType<typeof read>, path: string) => r.shaped.dims.find((d) => d.path === path)!.value

describe('a tote rack behind doors', () => {
  const r = read({ front: 'doors' })
  const { assembly: a } = r.shaped
  const boxes = partBoxes(a)

  it('holds, a leaf or a pair of them before each column', () => {
    expect(r.checks.filter((c) => c.state === 'fails' || c.state === 'unknown').map((c) => c.id)).toEqual([])
    expect(a.parts.filter((p) => p.role === 'door').length).toBeGreaterThanOrEqual(3)
  })
  it('has its leaves side by side with a gap, on one post between two of them', () => {
    const doors = a.parts.filter((p) => p.role === 'door').map((p) => boxes.get(p.id)!)
    for (const x of doors)
      for (const y of doors) if (x !== y) expect(x.max[0] <= y.min[0] - 2.9 || y.max[0] <= x.min[0] - 2.9).toBe(true)
  })
  it('lets every tote out: no hinge in its way, nor where a rail ends', () => {
    const hinges = a.parts.filter((p) => p.id.includes('hinge')).map((p) => boxes.get(p.id)!)
    expect(hinges.length).toBeGreaterThan(0)
    const rails = a.parts.filter((p) => p.role === 'rail').map((p) => boxes.get(p.id)!)
    for (const h of hinges)
      for (const rail of rails) {
        const both = boxOverlap(h, rail, 0)
        expect(both === null || Math.min(...boxSize(both)) < 0.5).toBe(true)
      }
    for (const b of a.bays)
      for (const { box } of b.items) {
        const [tote] = [exampleGoods('metric', 'tote', 1).item]
        // Its lid over the rails, on its way out; its body passes between them.
        const lid = {
          min: [box.min[0], box.min[1], box.max[2] - tote.tote!.rimMm],
          max: [box.max[0], 3000, box.max[2]],
        }
        for (const h of hinges) {
          const both = boxOverlap(h, lid as never, 0)
          expect(both === null || Math.min(...boxSize(both)) < 0.5).toBe(true)
        }
      }
  })
  it('lets nothing stand out, so its rails are as long as a tote is deep', () => {
    const deep = exampleGoods('metric', 'tote', 1).item.deepMm
    expect(dim(r, 'railLengthMm')).toBeGreaterThanOrEqual(deep)
    expect(a.bays.every((b) => b.stickOutMm === 0)).toBe(true)
  })
  it('is not proven when one hinge is gone', () => {
    const hinge = a.joints.find((j) => j.kind === 'hinged')!
    expect(r.checks.some((c) => c.covers.includes(hinge.id))).toBe(true)
  })
})

describe('a board behind the totes of each column', () => {
  const r = read({ catch: 'board' })
  const boxes = partBoxes(r.shaped.assembly)
  const catches = r.shaped.assembly.parts.filter((p) => p.id.startsWith('catch-'))

  it('stands behind the middle of each, against the back rails, and all totes stop at it', () => {
    expect(r.checks.filter((c) => c.state === 'fails' || c.state === 'unknown').map((c) => c.id)).toEqual([])
    expect(catches).toHaveLength(3)
    for (const [c, p] of catches.entries()) {
      const box = boxes.get(p.id)!
      for (const b of r.shaped.assembly.bays.filter((x) => x.name.column === c + 1)) {
        expect((box.min[0] + box.max[0]) / 2).toBeCloseTo((b.clear.min[0] + b.clear.max[0]) / 2, 6)
        expect(b.clear.min[1]).toBeCloseTo(box.max[1], 6)
        // From under the lowest tote to over its own: as high as a tote hangs.
        expect(box.min[2]).toBeLessThan(b.clear.max[2])
        expect(box.max[2]).toBeGreaterThan(b.clear.min[2])
      }
    }
  })
  it('makes the rails longer by as much as it is thick', () => {
    const plain = read({ railLengthMm: null })
    expect(dim(r, 'railLengthMm')).toBeGreaterThanOrEqual(dim(plain, 'railLengthMm') + 38 - 25.4 - 50.8)
    const deep = exampleGoods('metric', 'tote', 1).item.deepMm
    expect(dim(r, 'railLengthMm') - 38 + 25.4).toBeGreaterThanOrEqual(deep - 0.5)
  })
  it('is as thick as a post, whatever the rails are: screws from behind find enough of it', () => {
    const thin = read({ catch: 'board', railSection: '18x94mm' })
    const [board] = thin.shaped.assembly.parts.filter((p) => p.id.startsWith('catch-'))
    expect(board.size.thicknessMm).toBe(38)
    expect(thin.checks.filter((c) => c.state === 'fails' || c.state === 'unknown').map((c) => c.id)).toEqual([])
  })
  it('hangs on two back rails: fewer are refused at their field', () => {
    const one = reading({ catch: 'board', backRails: 1, brace: false })
    expect(one.ok ? null : one.problem).toMatchObject({ code: 'catch-needs-rails', field: 'backRails' })
  })
  it('is screwed on before the front frame goes on', () => {
    const steps = r.steps.map((s) => s.id)
    expect(steps.indexOf('catches')).toBeGreaterThan(steps.indexOf('backs'))
    expect(steps.indexOf('catches')).toBeLessThan(steps.indexOf('front'))
  })
  it('is none in racks made before, nor leaves', () => {
    for (const system of ['imperial', 'metric'] as const) {
      const now = startingParams(system, 'rim', true)
      const { doorSheet, catch: _c, front: _f, ...old } = now
      const up = UPGRADES.reduce((raw, step) => step(raw), old as Record<string, unknown>)
      expect(up).toMatchObject({ front: 'open', catch: 'none', doorSheet })
    }
  })
})
