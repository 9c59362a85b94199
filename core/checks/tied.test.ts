import { describe, expect, it } from '@jest/globals'
import { exampleGoods } from '../families/example-context.ts'
import { findFamily } from '../families/registry.ts'
import { newBuild } from '../project/new-build.ts'
import { newProject, type Build, type Project } from '../project/project.ts'
import { contextOf, type BuildReading } from '../project/read-build.ts'
import { readBuilds } from '../project/read-builds.ts'
import { remedies } from '../project/remedies.ts'
import { partMassKg } from '../assembly/mass.ts'
import { wholeBox } from '../assembly/part-box.ts'
import { newtons } from '../measure/units.ts'
import type { CheckResult } from './check.ts'

/* Racks at a wall that can carry nothing, alone and screwed to each other. */

const goods = exampleGoods('metric', 'pail', 8)
const empty = (): Project => {
  const p = newProject('p', 'thin', 'metric', '2026-01-01T00:00:00.000Z')
  p.room.walls[0] = { ...p.room.walls[0], depthMm: 3000, construction: { kind: 'thin' } }
  p.goods = [{ ...goods.item, massKg: 12 }]
  return p
}
function rack(p: Project, id: string, place: Partial<Build>, params: object = {}): Build {
  const family = findFamily('post-rack')!
  const b = newBuild({
    id,
    name: id,
    family: 'post-rack',
    wallId: 'wall-1',
    params: {},
    goods: [{ goodsId: goods.item.id, count: 8 }],
    ...place,
  })
  return {
    ...b,
    params: {
      ...(family.start(contextOf(p, b)!) as object),
      // What ties do, and nothing else.
      ends: 'open',
      feet: 'standing',
      lengthMm: 1200,
      depthMm: 320,
      brace: false,
      backSection: '18x94mm',
      ...params,
    } as Build['params'],
  }
}
const read = (p: Project): BuildReading[] =>
  readBuilds(p).map((o) => {
    if (!o.ok) throw new Error(JSON.stringify(o.problem))
    return o.reading
  })
const result = (r: BuildReading, id: string): CheckResult | undefined => r.checks.find((c) => c.id === id)
const size = (r: BuildReading) => wholeBox(r.boxes).max

describe('two racks screwed to each other', () => {
  const lone = empty()
  lone.builds = [rack(lone, 'a', {})]
  const [wide, deep] = size(read(lone)[0])
  const backToBack = (tiedTo: string[]): Project => {
    const p = empty()
    p.builds = [rack(p, 'a', { outMm: 200, turn: 2 }), rack(p, 'b', { outMm: 200 + deep, tiedTo })]
    return p
  }

  it('back to back they are twice as deep, and the slimness of both is halved', () => {
    const [a0] = read(backToBack([]))
    const [a, b] = read(backToBack(['a']))
    expect(result(a0, 'slenderness:build')!.code).toBe('slender')
    expect(result(a, 'slenderness:build')!.code).toBe('group-slender')
    expect(result(a, 'slenderness:build')!.demand).toBeCloseTo(result(a0, 'slenderness:build')!.demand! / 2, 6)
    expect(result(b, 'slenderness:build')!.demand).toBeCloseTo(result(a, 'slenderness:build')!.demand!, 9)
  })

  it('the pull on the empty pair meets the weight of both about the far feet', () => {
    const both = read(backToBack(['a']))
    const r = result(both[0], 'tip-over:pull')!
    const [p] = both
    const own = newtons(p.shaped.assembly.parts.reduce((m, x) => m + partMassKg(x), 0))
    // By hand: alike and mirrored, the common centre lies in the middle: two weights, one depth.
    expect(r.capacity).toBeCloseTo(2 * own * deep, -3)
    expect(r.demand).toBeCloseTo(220 * Math.min(1500, size(p)[2]), 6)
  })

  it('is offered as a remedy to a rack that tips, and does what it says', () => {
    const p = empty()
    const [, far] = size(read({ ...p, builds: [rack(p, 'a', {}, { depthMm: 480 })] })[0])
    p.builds = [
      rack(p, 'a', { outMm: 200, turn: 2 }, { depthMm: 480 }),
      rack(p, 'b', { outMm: 200 + far }, { depthMm: 480 }),
    ]
    const [a] = read(p)
    const bad = a.checks.find((c) => c.state === 'fails' && (c.check === 'slenderness' || c.check === 'tip-over'))!
    const offer = remedies(p, p.builds[0], bad.id, { most: 30 }).find((r) => r.changes[0].code === 'tie-neighbour')
    expect(offer?.build.tiedTo).toEqual(['b'])
    const [after] = read({ ...p, builds: [offer!.build, p.builds[1]] })
    expect(result(after, bad.id)!.state).not.toBe('fails')
  })

  it('adds screws to the list once, and a step to both build sheets', () => {
    const [a, b] = read(backToBack(['a']))
    const ties = [a, b].flatMap((r) => r.shaped.assembly.anchors.filter((x) => x.into === 'neighbour'))
    expect(ties).toHaveLength(1)
    expect(ties[0].count).toBe(2)
    for (const r of [a, b]) expect(r.steps.filter((s) => s.code === 'tie-neighbours')).toHaveLength(1)
  })

  it('a rack with a diagonal keeps the bare one beside it from folding', () => {
    const p = empty()
    p.builds = [rack(p, 'a', {}), rack(p, 'b', { offsetMm: wide, tiedTo: ['a'] }, { brace: true })]
    const [a] = read(p)
    expect(result(read({ ...p, builds: p.builds.slice(0, 1) })[0], 'sway:build')!.state).toBe('fails')
    expect(result(a, 'sway:build')).toMatchObject({ code: 'sway-group-brace', state: 'holds' })
    // Both lean on one diagonal: by hand, a twentieth of all that weighs, with the factors of the method.
    const all = read(p).reduce((n, r) => n + newtons(1.35 * r.massKg + 1.5 * 8 * 12), 0)
    expect(result(a, 'sway:build')!.demand).toBeCloseTo(0.05 * all, 0)
  })

  it('proves nothing while something on either was not weighed', () => {
    const p = backToBack(['a'])
    p.goods = p.goods.map((g) => ({ ...g, massKg: null }))
    for (const [r, id] of [
      [read(p)[0], 'tied:b'],
      [read(p)[1], 'tied:a'],
    ] as const)
      expect(result(r, id)).toMatchObject({ state: 'unknown', code: 'unknown-not-weighed' })
  })
  it('in an L each keeps the other from falling, and the tie is asked for what either lacks', () => {
    const p = empty()
    p.builds = [rack(p, 'a', {}), rack(p, 'b', { offsetMm: wide, turn: 1, tiedTo: ['a'] })]
    const [a, b] = read(p)
    expect(result(a, 'tied:b')).toMatchObject({ code: 'tied-to', quantity: 'force' })
    expect(result(a, 'tied:b')!.demand).toBeCloseTo(result(b, 'tied:a')!.demand!, 9)
    expect(result(a, 'slenderness:build')!.demand!).toBeLessThan(
      result(read({ ...p, builds: [p.builds[0]] })[0], 'slenderness:build')!.demand!,
    )
  })

  it('in a U three stand as one, and none of them falls either way', () => {
    const p = empty()
    const own = { brace: true }
    const leftDeep = size(read({ ...p, builds: [rack(p, 'c', { turn: 3 }, own)] })[0])[1]
    p.builds = [
      rack(p, 'a', { offsetMm: leftDeep }, own),
      rack(
        p,
        'b',
        { offsetMm: leftDeep + size(read({ ...p, builds: [rack(p, 'a', {}, own)] })[0])[0], turn: 1, tiedTo: ['a'] },
        own,
      ),
      rack(p, 'c', { turn: 3, tiedTo: ['a'] }, own),
    ]
    const all = read(p)
    const names = (r: BuildReading) => r.checks.filter((c) => c.check === 'tied').map((c) => [c.id, c.state])
    expect(names(all[0])).toEqual([
      ['tied:b', 'holds'],
      ['tied:c', 'holds'],
    ])
    for (const r of all) {
      expect(result(r, 'slenderness:build')).toMatchObject({ code: 'group-slender', state: 'holds' })
      expect(r.checks.filter((c) => c.check === 'tip-over' && c.state === 'fails')).toEqual([])
      expect(result(r, 'slenderness:build')!.demand).toBeCloseTo(result(all[0], 'slenderness:build')!.demand!, 9)
    }
  })

  it('apart by more than a packer they are not tied, and each stands as it stands alone', () => {
    const p = empty()
    p.builds = [rack(p, 'a', { outMm: 200, turn: 2 }), rack(p, 'b', { outMm: 260 + deep, tiedTo: ['a'] })]
    const [a] = read(p)
    expect(result(a, 'tied:b')).toMatchObject({ code: 'tied-apart', state: 'fails' })
    expect(result(a, 'slenderness:build')!.code).toBe('slender')
  })
})
