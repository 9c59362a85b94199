import { findBar } from '../catalogue/steel.ts'
import { plural } from './say.ts'

/** What a plan is cut from: `61 boards, 2 rods, 11 sheets`. */
export function sayCounts(plan: { boards: readonly { section: string }[]; sheets: readonly unknown[] }): string {
  const rods = plan.boards.filter((b) => findBar(b.section) !== undefined).length
  return [
    plural(plan.boards.length - rods, 'board'),
    ...(rods > 0 ? [plural(rods, 'rod')] : []),
    plural(plan.sheets.length, 'sheet'),
  ].join(', ')
}

/** What a piece that is fixed along a wall meets behind it, where that is too little. */
export const meetsTooFew = (count: number): string =>
  `meets ${count === 0 ? 'no stud, bolt or blocking' : 'only one stud, bolt or place in blocking'} at its height: two at least`
