import type { Choice, Dim, ListChoice, Shaped } from '../families/family.ts'
import { fixedPaths, valueAt, withValue } from '../families/params.ts'
import { findFamily } from '../families/registry.ts'
import type { Build, Project } from './project.ts'
import { contextOf, shapeInPlace } from './read-build.ts'
import { upgraded } from './upgrade.ts'

type Fields = Pick<Shaped, 'dims' | 'choices' | 'presets' | 'lists'>

/** A build with none of its dimensions fixed. */
export const letGo = (build: Build): Build => ({
  ...build,
  params: fixedPaths(build.params).reduce((q, path) => withValue(q, path, null), build.params),
})

/**
 * What can be changed of a build that cannot be shaped as it is: its dimensions and choices as it would have them with
 * nothing fixed, and where that is no help with nothing chosen either; what is fixed and chosen in its place.
 * @returns null where no change of it alone is enough: its place, its goods or the room are in the way
 */
export function toMend(p: Project, given: Build): Fields | null {
  const build = upgraded(given)
  const family = findFamily(build.family)
  const ctx = family && contextOf(p, build)
  if (!family || !ctx) return null
  const anew = { ...build, params: family.start(ctx) as Build['params'] }
  for (const at of [letGo(build), anew]) {
    const shaped = shapeInPlace(family, at, ctx)
    if (shaped.ok) return withOwn(shaped.value, build)
  }
  return null
}

/** Fields with the values a build has of its own. */
function withOwn({ dims, choices, presets, lists }: Shaped, { params }: Build): Fields {
  const dim = (d: Dim): Dim => {
    const value = valueAt(params, d.path)
    return typeof value === 'number' ? { ...d, value, tacked: false } : d
  }
  const choice = (c: Choice): Choice => {
    const value = valueAt(params, c.path) as Choice['value'] | undefined
    return value === undefined || value === null ? c : { ...c, value }
  }
  const list = (l: ListChoice): ListChoice => ({
    ...l,
    items: (valueAt(params, l.path) as ListChoice['items'] | undefined) ?? l.items,
  })
  return {
    dims: dims.map(dim),
    choices: choices.map(choice),
    presets: presets ?? [],
    lists: (lists ?? []).map(list),
  }
}
