import type { AnyFamily, ShapeContext } from '../core/families/family.ts'
import { newBuild } from '../core/project/new-build.ts'
import type { Look } from '../core/project/judge.ts'
import { readWith, type BuildReading } from '../core/project/read-build.ts'
import type { Problem } from '../core/measure/result.ts'

/** A build of a family read with some parameters, or why it is none. */
export function tryParams(
  family: AnyFamily,
  params: object,
  context: ShapeContext,
  look?: Look,
): { reading: BuildReading; problem: null } | { reading: null; problem: Problem } {
  const build = newBuild({ id: 'b', family: family.id, params: params as never, wallId: 'w' })
  const r = readWith(family, build, context, undefined, look)
  return r.ok ? { reading: r.reading, problem: null } : { reading: null, problem: r.problem }
}

/** The same where it must be one. */
export function readParams(family: AnyFamily, params: object, context: ShapeContext, look?: Look): BuildReading {
  const r = tryParams(family, params, context, look)
  if (!r.reading) throw new Error(JSON.stringify(r.problem))
  return r.reading
}

export const checkOf = (r: BuildReading, id: string) => r.checks.find((c) => c.id === id)!
