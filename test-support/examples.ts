import type { AnyFamily, ShapeContext, Shaped } from '../core/families/family.ts'
import { allFamilies } from '../core/families/registry.ts'

/** An example of a kind as it is shaped. */
export interface ShapedExample {
  family: AnyFamily
  /** Of the kind and of the example. */
  name: string
  params: unknown
  context: ShapeContext
  shaped: Shaped
}

let all: readonly ShapedExample[] | null = null
/** Every example of every kind that can be shaped, shaped once for all who look at them: nobody changes one. */
export const shapedExamples = (): readonly ShapedExample[] =>
  (all ??= allFamilies().flatMap((family) =>
    family.examples().flatMap(({ name, params, context }) => {
      const r = family.shape(params, context)
      return r.ok ? [{ family, name: `${family.id}: ${name}`, params, context, shaped: r.value }] : []
    }),
  ))
