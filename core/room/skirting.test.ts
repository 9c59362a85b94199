import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../test-support/near.ts'
import { checkOf } from '../../test-support/read-params.ts'
import { findScrew } from '../catalogue/fasteners.ts'
import { findFamily } from '../families/registry.ts'
import { newGoods } from '../goods/goods.ts'
import { METRIC } from '../measure/units.ts'
import { readProject, writeProject } from '../project/file.ts'
import { newBuild } from '../project/new-build.ts'
import { newProject, type Build, type Project } from '../project/project.ts'
import { startOf } from '../project/proposals.ts'
import { contextOf, type BuildReading } from '../project/read-build.ts'
import { readBuilds } from '../project/read-builds.ts'
import { sayCheck } from '../wording/checks.ts'
import { sayIn } from '../wording/say.ts'
import { cautionText } from '../wording/steps.ts'

function project(deepMm: number | null, over: Partial<Build> = {}, family = 'post-rack'): Project {
  const p = newProject('p', 'skirting', 'metric', '2026-01-01T00:00:00.000Z')
  const crate = { id: 'c', name: 'crate', kind: 'box' as const, count: 8, acrossMm: 400, deepMm: 350, tallMm: 300 }
  p.goods = [newGoods({ ...crate, massKg: 12 })]
  if (deepMm !== null) p.room.walls[0] = { ...p.room.walls[0], skirting: { highMm: 120, deepMm } }
  const goods = [{ goodsId: 'c', count: 8 }]
  const bare = newBuild({ id: 'b', name: 'Rack', family, params: {}, wallId: 'wall-1', goods, ...over })
  p.builds = [{ ...bare, params: findFamily(family)!.start(contextOf(p, bare)!) as Build['params'] }]
  return p
}
function read(p: Project): BuildReading {
  const [o] = readBuilds(p)
  if (!o.ok) throw new Error(JSON.stringify(o.problem))
  return o.reading
}
const meets = (r: BuildReading) => r.checks.find((c) => c.code === 'meets-skirting')
const gap = (r: BuildReading) => {
  const x = r.shaped.assembly.anchors[0]
  const part = r.boxes.get(x.part)!
  return findScrew(x.fastener!)!.lengthMm - (part.max[1] - part.min[1]) - x.embedMm
}

describe('a skirting along a wall', () => {
  it('is met by what stands against the wall, which is told how far to come out', () => {
    const c = meets(read(project(18)))!
    expect(c).toMatchObject({ state: 'fails' })
    expect(sayCheck(c, sayIn(METRIC))).toMatch(
      /stands in the skirting of .* by 18 mm\. Moving it 19 mm out from the wall clears it/,
    )
    expect(meets(read(project(null)))).toBeUndefined()
    expect(meets(read(project(18, { outMm: 18 })))).toBeUndefined()
  })
  it('is passed over by what hangs above it', () => {
    const r = read(project(18, {}, 'wall-cabinet'))
    expect(meets(r)).toBeUndefined()
    expect(r.build.outMm).toBe(0)
  })
  it('sets what stands on the floor out from the wall by itself, and nothing that hangs', () => {
    const p = project(18)
    const at = { id: 'n', wallId: 'wall-1', offsetMm: 0, goods: [{ goodsId: 'c', count: 4 }] }
    expect(startOf(p, 'post-rack', at)!.build.outMm).toBe(18)
    expect(startOf(p, 'wall-cabinet', at)!.build.outMm).toBe(0)
    expect(startOf(project(null), 'post-rack', at)!.build.outMm).toBe(0)
  })
  it('packed out it is still tied: longer screws, a gap, packers in the step', () => {
    const [at, out] = [read(project(18)), read(project(18, { outMm: 18 }))]
    expect(out.shaped.assembly.anchors.length).toBe(at.shaped.assembly.anchors.length)
    expect(out.shaped.assembly.anchors.length).toBeGreaterThan(1)
    expectNear(gap(out) - gap(at), 18, 1e-6)
    const [a, b] = [at, out].map((r) => r.shaped.assembly.anchors[0])
    expect(b.embedMm).toBeGreaterThanOrEqual(31)
    expect(findScrew(b.fastener!)!.lengthMm).toBeGreaterThan(findScrew(a.fastener!)!.lengthMm)
    expect(checkOf(out, 'tip-over:pull')).toMatchObject({ code: 'tip-tied', state: 'holds' })
    expect(out.steps.find((s) => s.cautions.includes('packers'))!.anchors!.length).toBeGreaterThan(0)
    expect(at.steps.some((s) => s.cautions.includes('packers'))).toBe(false)
    expect(cautionText('packers')).toMatch(/packer as thick as the gap/)
  })
  it('a deep one still counts as standing at the wall; further out it stands by itself', () => {
    expect(read(project(40, { outMm: 45 })).shaped.assembly.anchors.length).toBeGreaterThan(1)
    const inWall = (q: Project) => read(q).shaped.assembly.anchors.filter((x) => x.into !== 'slab')
    expect(inWall(project(40, { outMm: 60 }))).toEqual([])
    expect(inWall(project(null, { outMm: 45 }))).toEqual([])
  })
  it('stays in the file', () => {
    const back = readProject(writeProject(project(18)))
    expect(back.ok && back.project.room.walls[0].skirting).toEqual({ highMm: 120, deepMm: 18 })
  })
})
