import { findFamily } from '../families/registry.ts'
import type { AnyFamily, ShapeContext } from '../families/family.ts'
import type { Build, Project } from './project.ts'

/** A build standing straight at the left end of its wall unless said otherwise. */
export const newBuild = (given: Pick<Build, 'id' | 'family' | 'params' | 'wallId'> & Partial<Build>): Build => ({
  name: '',
  offsetMm: 0,
  outMm: 0,
  turn: findFamily(given.family)?.turn ?? 0,
  mirrored: false,
  tiedTo: [],
  standsOn: null,
  goods: [],
  paramsVersion: findFamily(given.family)?.version ?? 1,
  ...given,
})

/** What stands on the floor is set out from its wall as far as its skirting stands before it. */
export function beforeSkirting(p: Pick<Project, 'room'>, family: AnyFamily, build: Build, ctx: ShapeContext): Build {
  const skirting = p.room.walls.find((w) => w.id === build.wallId)?.skirting
  const stands =
    skirting && build.standsOn === null && build.outMm < skirting.deepMm && !family.hangs(family.start(ctx))
  return stands ? { ...build, outMm: skirting.deepMm } : build
}
