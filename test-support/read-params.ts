import type { AnyFamily, ShapeContext } from '../core/families/family.ts'
import { newBuild } from '../core/project/new-build.ts'
import { readWith, type BuildReading } from '../core/project/read-build.ts'
import type { Problem } from '../core/measure/result.ts'

/** A build of a family read with some parameters, or why it is none. */
export function tryParams(
  family: AnyFamily,
  params: object,
  context: ShapeContext,
): { reading: BuildReading; problem: null } | { reading: null; problem: Problem } {
  const r = readWith(family, newBuild({ id: 'b', family: family.id, params: params as never, wallId: 'w' }), context)
  return r.ok ? { reading: r.reading, problem: null } : { reading: null, problem: r.problem }
}

/** The same where it must be one. */
export function readParams(family: AnyFamily, params: object, context: ShapeContext): BuildReading {
  const r = tryParams(family, params, context)
  if (!r.reading) throw new Error(JSON.stringify(r.problem))
  return r.reading
}

export const checkOf = (r: BuildReading, id: string) => r.checks.find((c) => c.id === id)!
