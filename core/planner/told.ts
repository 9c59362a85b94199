import type { Planning } from './planned.ts'

/** What is drawn anew more often than this nobody reads, and it keeps the page from answering, ms. Product decision. */
const EVERY_MS = 250

/** Tells of a search now and then only: at once where a first plan is whole, its end by what it returns. */
export function nowAndThen(tell: (so: Planning) => void, nowMs: () => number): (so: Planning) => void {
  let last: { atMs: number; doing: Planning['doing'] } | null = null
  return (so) => {
    const atMs = nowMs()
    const isWhole = last?.doing === 'growing' && so.doing !== 'growing'
    if (last && !isWhole && atMs - last.atMs < EVERY_MS) return
    last = { atMs, doing: so.doing }
    tell(so)
  }
}
