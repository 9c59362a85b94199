import { exampleGoods } from '../core/families/example-context.ts'
import { findFamily } from '../core/families/registry.ts'
import { newBuild } from '../core/project/new-build.ts'
import { newProject, type Build, type Project } from '../core/project/project.ts'
import { contextOf } from '../core/project/read-build.ts'

export const freshProject = () => newProject('p1', 'Garage', 'imperial', '2026-01-01T00:00:00.000Z')

/** A project of one build, tacked for so many things of one mass. */
export function withRack(
  count: number,
  massKg: number,
  params: object = {},
  kind: 'pail' | 'tote' = 'pail',
  family = 'post-rack',
): Project {
  const p = freshProject()
  p.goods = [{ ...exampleGoods('imperial', kind, count).item, massKg }]
  const build: Build = newBuild({
    id: 'b1',
    name: 'Rack',
    family,
    params: {},
    wallId: 'wall-1',
    goods: [{ goodsId: p.goods[0].id, count }],
  })
  build.params = { ...(findFamily(family)!.start(contextOf(p, build)!) as object), ...params } as Build['params']
  p.builds = [build]
  return p
}
