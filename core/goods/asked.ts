import type { Goods } from './goods.ts'
import { doubts, type Doubt } from './suspicious.ts'

/** What is asked of one thing; `key` is what an answer to it is kept by. */
export interface Question {
  goods: Goods
  doubt: Doubt
  key: string
}

/** Asked of many things alike, because nothing was said of them: one answer is for all. */
const OF_MANY = ['usual-size', 'not-weighed', 'assumed-rim', 'assumed-tool'] as const satisfies readonly Doubt['code'][]
export type OfMany = (typeof OF_MANY)[number]
const isOfMany = (code: Doubt['code']): code is OfMany => (OF_MANY as readonly string[]).includes(code)
/** So many of one sort are asked one by one. Product decision. */
const ONE_BY_ONE = 2

/** What is open to ask, what may be a slip first; what is asked alike of more than two things as one. */
export function questions(goods: readonly Goods[], answered: readonly string[]): Question[][] {
  const known = new Set(answered)
  const open = goods
    .flatMap((g) => doubts(g).map((doubt): Question => ({ goods: g, doubt, key: `${g.id}:${doubt.code}` })))
    .filter((q) => !known.has(q.key))
  const many = OF_MANY.map((code) => open.filter((q) => q.doubt.code === code)).filter((of) => of.length > ONE_BY_ONE)
  const asOne = new Set(many.flat())
  const single = open.filter((q) => !asOne.has(q))
  const isSlip = (q: Question) => !isOfMany(q.doubt.code)
  return [...single.filter(isSlip).map((q) => [q]), ...many, ...single.filter((q) => !isSlip(q)).map((q) => [q])]
}
