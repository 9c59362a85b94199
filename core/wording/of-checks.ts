import type { CheckResult } from '../checks/check.ts'
import type { Data, Say } from './say.ts'

/** What is said of a result of a check. */
export type Words = (r: CheckResult, d: Data, say: Say) => string

/** How much of what it can do is asked. */
export const share = (r: CheckResult, say: Say) =>
  r.ratio === null ? '' : ` (${say.percent(r.ratio)} of what it can do)`

/** What of a tie gives first. */
export const TIE_LINKS: Record<string, string> = {
  stud: 'the thread in the stud',
  rated: 'the anchor',
  prepared: 'what was prepared in the wall',
  head: 'the head pulled through the board',
  board: 'the board between its fastenings',
  frame: 'what fastens the board to the build',
}
