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

/** The same in a room of four walls, the first and third of 6 m, the others of 5 m. */
export function inFourWalls(p: Project): Project {
  const [wall] = p.room.walls
  const walls = ['north', 'east', 'south', 'west'].map((id, i) => ({ ...wall, id, lengthMm: i % 2 ? 5000 : 6000 }))
  return { ...p, room: { ...p.room, walls }, builds: p.builds.map((b) => ({ ...b, wallId: 'north' })) }
}
