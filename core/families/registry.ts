import { FAMILIES } from './all.ts'
import type { AnyFamily } from './family.ts'

const byId = new Map(FAMILIES.map((f) => [f.id, f]))

export const allFamilies = (): readonly AnyFamily[] => FAMILIES
export const findFamily = (id: string): AnyFamily | undefined => byId.get(id)
