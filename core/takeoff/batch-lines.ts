import type { CutBatch, CutCare, SawCut } from './cut-order.ts'

/** Alike cuts of a batch from boards or sheets that are cut alike: one line of the work order. */
export interface BatchLine {
  /** Key of its first cut. */
  key: string
  cuts: SawCut[]
  /** Boards or sheets it is made on, by the plan's ids, in order. */
  on: string[]
  /** How many cuts each of them gets. */
  each: number
  frees: string[]
  holds: string[]
  care: CutCare[]
}

/** The letters of a label: pieces of one kind bear the same, and a number. */
export const letterOf = (label: string): string => label.replace(/\d+$/, '')

/** What tells one cut of a batch from another. */
const kindOf = (c: SawCut): string =>
  [c.frees.map(letterOf).sort(), c.holds.map(letterOf).sort(), c.care, Math.round(c.inHand.lengthMm)].join('/')

/**
 * The lines of a batch. Only cuts that are alike and follow each other on their board or sheet stand together; what comes
 * later on one comes in a later line.
 */
export function linesOf(batch: Pick<CutBatch, 'cuts'>): BatchLine[] {
  const runs = new Map<string, SawCut[][]>()
  for (const c of batch.cuts) {
    const mine = runs.get(c.on) ?? []
    runs.set(c.on, mine)
    const last = mine[mine.length - 1]
    if (last && kindOf(last[0]) === kindOf(c)) last.push(c)
    else mine.push([c])
  }
  const alike = new Map<string, { turn: number; runs: SawCut[][] }>()
  for (const mine of runs.values())
    mine.forEach((run, turn) => {
      const sign = [turn, run[0].stock, run.length, kindOf(run[0])].join('|')
      const line = alike.get(sign) ?? { turn, runs: [] }
      alike.set(sign, line)
      line.runs.push(run)
    })
  const lines = [...alike.values()].sort((a, b) => a.turn - b.turn || a.runs[0][0].n - b.runs[0][0].n)
  return lines.map(({ runs: list }) => {
    const cuts = list.flat()
    return {
      key: cuts[0].key,
      cuts,
      on: list.map((l) => l[0].on),
      each: list[0].length,
      frees: cuts.flatMap((c) => c.frees),
      holds: cuts.flatMap((c) => c.holds),
      care: [...new Set(cuts.flatMap((c) => c.care))],
    }
  })
}

/** What is to be minded at every line of a batch: said once. */
export const careOfAll = (lines: readonly BatchLine[]): CutCare[] =>
  lines.length < 2 ? [] : lines[0].care.filter((c) => lines.every((l) => l.care.includes(c)))

/** Names that only differ in their number, as ranges: `A1 to A3, A7, B`. */
export function ranges(names: readonly string[], joint: string): string {
  const parsed = [...new Set(names)].map((name) => {
    const letter = letterOf(name)
    return { name, letter, n: name === letter ? null : Number(name.slice(letter.length)) }
  })
  parsed.sort((a, b) => (a.letter < b.letter ? -1 : a.letter > b.letter ? 1 : (a.n ?? 0) - (b.n ?? 0)))
  const runs: (typeof parsed)[] = []
  for (const p of parsed) {
    const run = runs[runs.length - 1]
    const last = run?.[run.length - 1]
    if (last && last.letter === p.letter && p.n !== null && last.n === p.n - 1) run.push(p)
    else runs.push([p])
  }
  return runs
    .map((r) => {
      const [a, z] = [r[0].name, r[r.length - 1].name]
      return r.length === 1 ? a : r.length === 2 ? `${a}, ${z}` : `${a}${joint}${z}`
    })
    .join(', ')
}
