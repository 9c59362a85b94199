import { describe, expect, it } from '@jest/globals'
import { partMassKg } from '../../assembly/mass.ts'
import { turnsUp } from '../../assembly/moved.ts'
import { partsById } from '../../assembly/by-id.ts'
import { partBox } from '../../assembly/part-box.ts'
import { exampleContext, exampleGoods } from '../../families/example-context.ts'
import { findFamily } from '../../families/registry.ts'
import { newtons } from '../../measure/units.ts'
import { newBuild } from '../../project/new-build.ts'
import { readWith } from '../../project/read-build.ts'

const boxes = exampleContext('metric', [exampleGoods('metric', 'box', 4)])

/** A kind with leaves that turn up, as read where it stands. */
function read(id: string, over: object, ctx = boxes) {
  const family = findFamily(id)!
  const params = { ...(family.start(ctx) as object), front: 'lift-up', ...over }
  return readWith(family, newBuild({ id: 'b', family: id, params: params as never, wallId: 'w' }), ctx)
}
function reading(id: string, over: object) {
  const r = read(id, over)
  if (!r.ok) throw new Error(JSON.stringify(r.problem))
  const { assembly } = r.reading.shaped
  const leaves = assembly.motions.filter(turnsUp).map((m) => {
    const part = assembly.parts.find((p) => p.id === m.parts[0])!
    return { id: part.id, m, box: partBox(part) }
  })
  const top = (part: string) => partBox(assembly.parts.find((p) => p.id === part)!).max[2]
  const check = (code: string) => r.reading.checks.filter((c) => c.check === code)
  return { leaves, top, check, assembly, reading: r.reading }
}

describe('leaves that turn up', () => {
  it('close shelves between uprights up to the highest, which stays open as no top is over it', () => {
    const { leaves, top, reading: r } = reading('shelf-unit', { shelves: 3, bays: 1 })
    expect(leaves).toHaveLength(2)
    const [lower, upper] = leaves
    expect(lower.box.min[2]).toBeCloseTo(top('shelf-0-0') - 18, 6)
    expect(upper.box.max[2]).toBeCloseTo(top('shelf-0-2'), 6)
    // Two leaves share the edge of the shelf between them, 3 mm apart.
    expect(upper.box.min[2] - lower.box.max[2]).toBeCloseTo(3, 6)
    expect((upper.box.min[2] + lower.box.max[2]) / 2).toBeCloseTo(top('shelf-0-1') - 9, 6)
    const bays = r.shaped.assembly.bays
    const [under, over] = [bays.find((b) => b.id === 'bay-0-1')!, bays.find((b) => b.id === 'bay-0-2')!]
    // Hinges take 12 mm of what is under a shelf, nothing of what is over the highest.
    expect(under.clear.max[2]).toBeCloseTo(top('shelf-0-2') - 18 - 12, 6)
    expect(over.clear.max[2]).toBeGreaterThanOrEqual(top('shelf-0-2') + 150)
  })
  it('are one where all is no higher than 600 mm, and turn about their outer upper edge', () => {
    const { leaves, top } = reading('shelf-unit', { shelves: 2, bays: 1 })
    expect(leaves).toHaveLength(1)
    expect(leaves[0].m).toMatchObject({ kind: 'swing', axis: [1, 0, 0] })
    expect((leaves[0].m as { at: number[] }).at[2]).toBeCloseTo(top('shelf-0-1'), 6)
  })
  it('are refused where strips are under the front edges, or nothing is over the lowest shelf', () => {
    expect(read('shelf-unit', { strip: 'glued' })).toMatchObject({
      ok: false,
      problem: { code: 'lift-under-strip', field: 'strip' },
    })
    expect(read('shelf-unit', { shelves: 1 })).toMatchObject({
      ok: false,
      problem: { code: 'lift-one-shelf', field: 'front' },
    })
  })
  it('keep their springs under the cleats of the shelf above them', () => {
    const { assembly, check } = reading('shelf-unit', { shelves: 3, bays: 1, hold: 'cleats' })
    const cleats = assembly.parts.filter((p) => p.role === 'cleat').map(partBox)
    const springs = assembly.parts.filter((p) => p.id.includes('-spring-')).map(partBox)
    expect(springs).toHaveLength(4)
    for (const s of springs)
      for (const c of cleats) expect([0, 1, 2].every((i) => s.min[i] < c.max[i] && c.min[i] < s.max[i])).toBe(false)
    expect(check('gas-springs').every((c) => c.state === 'holds')).toBe(true)
  })
  it('hang under the top of each box of a bench, and open under what that stands out', () => {
    const { leaves, assembly, check } = reading('box-bench', { bays: 2, shelves: 0 })
    expect(leaves).toHaveLength(2)
    const underTop = partBox(assembly.parts.find((p) => p.id === 'top-0-a')!).min[2]
    for (const { id, box } of leaves) {
      expect(box.max[2]).toBeLessThan(underTop)
      expect(assembly.joints.some((j) => j.near.startsWith(`${id}-hinge`) && j.far === 'top-0-a')).toBe(true)
      expect(check('own-sweep').find((c) => c.parts.includes(id))).toMatchObject({
        state: 'holds',
      })
    }
  })
  it('hang by their hinges with all they weigh, springs with them, on the top of a hung stack too', () => {
    const { leaves, assembly, reading: r } = reading('rod-stack', { shelves: 1 })
    const parts = partsById(assembly)
    expect(leaves.length).toBeGreaterThan(0)
    for (const { id } of leaves) {
      const body = assembly.bodies.find((b) => b.id === `leaf-${id}`)!
      const weighs = body.parts.reduce((n, x) => n + newtons(partMassKg(parts.get(x)!)), 0)
      const hinges = assembly.supports.filter(
        (s) => 'body' in s.from && s.from.body === body.id && s.push[2] === 1 && s.on.kind === 'part',
      )
      const carried = hinges.reduce((n, s) => n + r.service.reactions.get(s.id)!, 0)
      expect(hinges.length).toBeGreaterThan(1)
      expect(carried).toBeCloseTo(weighs, 3)
    }
  })
})
