import { describe, expect, it } from '@jest/globals'
import { crateOf } from '../../../test-support/crate.ts'
import { expectNear } from '../../../test-support/near.ts'
import type { Assembly } from '../../assembly/assembly.ts'
import { massCentre, partMassKg } from '../../assembly/mass.ts'
import { withMoved } from '../../assembly/moved.ts'
import { partBoxes } from '../../assembly/part-box.ts'
import { ownSweep } from '../../checks/own-sweep.ts'
import type { CheckContext } from '../../checks/check.ts'
import { exampleContext } from '../../families/example-context.ts'
import { startingParams, type WallCabinetParams } from '../../families/wall-cabinet/parameters.ts'
import { wallCabinet } from '../../families/wall-cabinet/wall-cabinet.ts'
import { analyse, edgeStrips } from '../../loads/analyse.ts'
import { arrangements } from '../../loads/arrangements.ts'
import type { LoadPath } from '../../loads/load-path.ts'
import { inEquilibrium } from '../../loads/load-path.ts'
import { METRIC, newtons } from '../../measure/units.ts'
import { hingePull, hingeShear } from '../../mechanics/hinge.ts'
import { METHODS } from '../../mechanics/methods/all.ts'
import { newBuild } from '../../project/new-build.ts'
import { readWith, type BuildReading } from '../../project/read-build.ts'
import { sayCheck } from '../../wording/checks.ts'
import { sayIn } from '../../wording/say.ts'
import { hingesFor } from './hinged.ts'

const item = crateOf([350, 300, 280], 9, { count: 4 })
const context = exampleContext('metric', [{ item, count: 4 }])
function read(params: Partial<WallCabinetParams> = {}): BuildReading {
  const given = { ...startingParams('metric'), front: 'doors', hang: 'rail', bays: 2, clearMm: 640, ...params } as never
  const r = readWith(wallCabinet, newBuild({ id: 'b', family: 'wall-cabinet', params: given, wallId: 'w' }), context)
  if (!r.ok) throw new Error(JSON.stringify(r.problem))
  return r.reading
}
const r = read()
const a = r.shaped.assembly
const solve = (x: Assembly): LoadPath =>
  analyse(x, partBoxes(x), {
    method: METHODS.ec5,
    conditions: { moisture: 'dry', duration: 'long' },
    stripsOf: edgeStrips(x),
    factor: { self: 1, goods: 1 },
  })
const open: Assembly = { ...a, parts: withMoved(a, a.motions) }
const leafOf = (x: Assembly, id: string) => x.parts.find((p) => p.id === id)!
/** What the hinges of a leaf do to it along an axis, with their heights. */
const hinges = (x: Assembly, path: LoadPath, leaf: string, axis: 0 | 1 | 2) =>
  x.supports
    .filter((s) => 'body' in s.from && s.from.body === `leaf-${leaf}` && s.push[axis] === 1)
    .map((s) => ({ n: path.reactions.get(s.id)!, z: s.contact.min[2], x: s.contact.min[0], y: s.contact.min[1] }))
/** Weight of a leaf with its fittings, and where it acts. */
const weight = (x: Assembly, leaf: string) => {
  const ids = x.bodies.find((b) => b.id === `leaf-${leaf}`)!.parts
  const each = x.parts.filter((p) => ids.includes(p.id)).map((p) => ({ n: newtons(partMassKg(p)), at: massCentre(p) }))
  const n = each.reduce((s, e) => s + e.n, 0)
  const mean = (i: number) => each.reduce((s, e) => s + e.n * e.at[i], 0) / n
  return { n, x: mean(0), y: mean(1) }
}

describe('a leaf on two hinges', () => {
  const leaf = 'door-0-left'
  it('shut: its weight on both, and the couple of half its width along the front', () => {
    const [lo, hi] = hinges(a, r.service, leaf, 0).sort((p, q) => p.z - q.z)
    const w = weight(a, leaf)
    expectNear(hi.n, -(w.n * (w.x - hi.x)) / (hi.z - lo.z), 1e-9)
    expectNear(lo.n, -hi.n, 1e-9)
    for (const h of hinges(a, r.service, leaf, 2)) expectNear(h.n, w.n / 2, 1e-9)
  })
  it('asks its screws for what pulls and what slides them, both shares together', () => {
    const told = r.checks.filter((c) => c.check === 'hinges')
    expect(told.length).toBeGreaterThan(1)
    for (const c of told) {
      const [pulled, slid, w, z] = ['pulled', 'slid', 'screws pulled out', 'screws across'].map(
        (symbol) => c.working!.inputs.find((i) => i.symbol === symbol)!.value,
      )
      expect(Math.min(pulled, slid)).toBeGreaterThan(1)
      expectNear(c.demand!, pulled / w + slid / z, 1e-9)
    }
  })
  it('open at a right angle: the same couple out from the front', () => {
    const path = solve(open)
    expect(inEquilibrium(path)).toBe(true)
    const [lo, hi] = hinges(open, path, leaf, 1).sort((p, q) => p.z - q.z)
    const w = weight(open, leaf)
    expectNear(hi.n, -(w.n * (w.y - hi.y)) / (hi.z - lo.z), 1e-9)
    expect(leafOf(open, leaf).at.centre[1]).toBeGreaterThan(leafOf(a, leaf).at.centre[1] + 100)
  })
})

describe('a cabinet with its leaves open', () => {
  const pull = (x: Assembly, path: LoadPath) =>
    -x.supports.filter((s) => s.anchor !== null && s.push[1] === 1).reduce((n, s) => n + path.reactions.get(s.id)!, 0)
  it('pulls its fixings by the moment of the leaves more', () => {
    const rail = r.boxes.get('rail-upper')!
    const lower = r.boxes.get('rail-lower')!
    const high = (rail.min[2] + rail.max[2]) / 2 - (lower.min[2] + (lower.min[2] + lower.max[2]) / 2) / 2
    const leaves = a.motions.map((m) => m.parts[0])
    const more = leaves.reduce((s, id) => s + weight(open, id).n * (weight(open, id).y - weight(a, id).y), 0) / high
    expect(more).toBeGreaterThan(20)
    expectNear(pull(open, solve(open)) - pull(a, solve(a)), more, 1e-6)
  })
  it('is judged so with its goods wherever they do worst, and each leaf alone', () => {
    const all = arrangements(a)
    const shut = all.filter((x) => x.code !== 'opened')
    expect(all.filter((x) => x.code === 'opened')).toHaveLength(shut.length + a.motions.length)
    const bare = read({ front: 'open' })
    const ratio = (x: BuildReading) => x.checks.find((c) => c.id === 'anchors:build')!.ratio!
    expect(ratio(r)).toBeGreaterThan(1.1 * ratio(bare))
    expect(r.checks.find((c) => c.id === 'anchors:build')!.data.arranged).toBe('opened')
    expect(
      sayCheck(
        r.checks.find((c) => c.id === 'anchors:build')!,
        sayIn(METRIC),
      ),
    ).toContain('doors and drawers open')
  })
})

describe('hinges and leaves', () => {
  it('are as many as the leaf is high, and none lies against a panel', () => {
    expect([500, 900, 901, 1700, 2100].map(hingesFor)).toEqual([2, 2, 3, 4, 5])
    const panels = a.parts.filter((p) => p.role === 'shelf' || p.role === 'top').map((p) => r.boxes.get(p.id)!)
    for (const h of a.parts.filter((p) => p.role === 'hardware')) {
      const box = r.boxes.get(h.id)!
      for (const p of panels) expect(box.max[2] <= p.min[2] || box.min[2] >= p.max[2]).toBe(true)
    }
  })
  it('an opening wider than one leaf carries has a pair that does not meet', () => {
    expect(a.motions).toHaveLength(4)
    const [left, right] = ['door-0-left', 'door-0-right'].map((id) => r.boxes.get(id)!)
    expect(right.min[0] - left.max[0]).toBeCloseTo(3, 6)
    expect(read({ clearMm: 500, bays: 2 }).shaped.assembly.motions).toHaveLength(2)
  })
  it('hold by the screws in the face of the sheet: by hand', () => {
    // 2850·G²·D lb an inch of thread, NDS 2018 12.2-2, for 3.5 mm and 13 mm of thread in plywood of G 0.42, permanent.
    expectNear(hingePull(0.42, 3.5, 13, 1), 2850 * 0.42 ** 2 * (3.5 / 25.4) * (13 / 25.4) * 0.9 * 4.4482216, 0.001)
    expect(hingePull(0.42, 3.5, 13, 0.5)).toBeCloseTo(hingePull(0.42, 3.5, 13, 1) / 2, 9)
    expectNear(hingeShear(400, 3.5, 13), (0.4 * 0.082 * 400 * 3.5 ** -0.3 * 13 * 3.5) / 3, 0.001)
    const board = read({ sheet: 'pb-18mm' })
    const share = (x: BuildReading) => x.checks.find((c) => c.check === 'hinges')!.ratio!
    expect(share(board)).toBeGreaterThan(1.8 * share(r))
  })
  it('what stands in the way of a leaf is found: a piece in front of it, and a thing that keeps it from shutting', () => {
    const run = (x: Assembly) => ownSweep.run({ assembly: x } as CheckContext)
    expect(run(a).every((c) => c.state === 'holds')).toBe(true)
    const leaf = r.boxes.get('door-0-left')!
    const post = { ...leafOf(a, 'rail-lower'), id: 'post', at: { ...leafOf(a, 'rail-lower').at } }
    post.at.centre = [(leaf.min[0] + leaf.max[0]) / 2, leaf.max[1] + 150, leaf.min[2] + 200]
    expect(run({ ...a, parts: [...a.parts, post] })[0]).toMatchObject({ state: 'fails', code: 'opens-past-piece' })
    const bays = a.bays.map((b, i) =>
      i === 0
        ? {
            ...b,
            items: b.items.map((x) => ({
              ...x,
              box: { min: x.box.min, max: [x.box.max[0], leaf.max[1], x.box.max[2]] as [number, number, number] },
            })),
          }
        : b,
    )
    expect(run({ ...a, bays }).some((c) => c.state === 'fails' && c.code === 'opens-past-goods')).toBe(true)
  })
})
