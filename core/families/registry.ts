import { FAMILIES } from './all.ts'
import type { AnyFamily } from './family.ts'

const byId = new Map(FAMILIES.map((f) => [f.id, f]))

export const allFamilies = (): readonly AnyFamily[] => FAMILIES
export const findFamily = (id: string): AnyFamily | undefined => byId.get(id)

/** Whether a build hangs, as against what stands on the floor. */
export const isHung = (b: { family: string; params: unknown }): boolean => byId.get(b.family)?.hangs(b.params) ?? false
