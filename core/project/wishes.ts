import { id, z } from '../measure/schema.ts'

/** What a person wishes of a plan of their room, beside that everything kept has a place. */
export const wishes = z.object({
  /** No plan may cost more, minor units; null where nobody has said. */
  budgetMinor: z.int().min(0).max(1_000_000_000).nullable(),
  /** Walls nothing is screwed to, and walls nothing stands at or hangs on. */
  noHolesIn: z.array(id).max(60),
  keepFree: z.array(id).max(60),
  /** Nothing hangs from the ceiling. */
  nothingOverhead: z.boolean(),
  /** It is to come apart again: nothing is glued. */
  comesApart: z.boolean(),
  /** One person builds: nothing that needs two to lift. */
  alone: z.boolean(),
})
export type Wishes = z.infer<typeof wishes>

export const NO_WISHES: Wishes = {
  budgetMinor: null,
  noHolesIn: [],
  keepFree: [],
  nothingOverhead: false,
  comesApart: false,
  alone: false,
}
