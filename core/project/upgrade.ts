import { findFamily } from '../families/registry.ts'
import type { Build, Project } from './project.ts'

/** A build whose parameters are in the present form of its kind; one of a newer form, or of no known kind, as it is. */
export function upgraded(b: Build): Build {
  const family = findFamily(b.family)
  if (!family || b.paramsVersion >= family.version) return b
  return { ...b, params: family.upgrade(b.params, b.paramsVersion) as Build['params'], paramsVersion: family.version }
}

/** A project with all its builds in the present form; the same object when they are. */
export function upgradedProject(p: Project): Project {
  const builds = p.builds.map(upgraded)
  return builds.every((b, i) => b === p.builds[i]) ? p : { ...p, builds }
}
