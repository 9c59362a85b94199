import type { CannotCut } from '../cutting/format.ts'
import { ranges, type BatchLine } from '../takeoff/batch-lines.ts'
import type { CutBatch, CutCare, SawCut } from '../takeoff/cut-order.ts'
import { sectionName, sheetName } from './names.ts'
import { capital, plural, type Say } from './say.ts'

const CARE: Record<CutCare, string> = {
  'two-people': 'Two people: too heavy or too wide for one.',
  outfeed: 'Support it behind the blade.',
  'push-stick': 'Push stick.',
  carrier: 'Too short to lead along a fence: on a carrier board, or clamped under a guided saw.',
  sled: 'Short edge: on a sled or a mitre saw, never along the fence.',
  'short-stock': 'Short to hold: clamp it, or leave it on a longer piece.',
  'trim-later': 'Left a little long: trim it to its line at home.',
  hacksaw: 'Steel: a hacksaw, never a saw for wood. Turn a nut on first: backed off over the cut it mends the thread.',
  'measure-there': 'No room to trim: measure it before you take it away.',
}
export const sayCare = (c: CutCare): string => CARE[c]

/** Why there is no plan. @param length says a length that is in the unit of the instance */
export function sayCannot({ code, part, data: d }: CannotCut, length: (n: number) => string): string {
  // Parts of a project are named by their build and letter.
  const name = part === undefined ? 'a piece' : `piece ${part.split('/').pop()}`
  switch (code) {
    case 'piece-longer-than-stock':
      return `${capital(name)} is ${length(d.length)} long; the longest board gives ${length(d.longest)} once its end is squared.`
    case 'piece-larger-than-stock':
      return `${capital(name)} is ${length(d.w)} along the grain by ${length(d.h)}; no sheet is large enough once its edges are trimmed${d.turned ? '. Turned it would go in, but its grain is fixed' : ''}.`
    case 'no-stock':
      return 'No stock of this kind is given that could be cut.'
    case 'not-enough-stock':
      return `There is not enough stock for these ${d.pieces} pieces.`
    case 'none-found':
      return d.seconds > 0
        ? `No way was found in ${plural(d.seconds, 'second')} to cut these ${plural(d.pieces, 'piece')} from the stock there is. That does not prove there is none: give it more time, or more stock.`
        : `No way was found at once to cut these ${plural(d.pieces, 'piece')} from the stock there is. That does not prove there is none.`
    case 'too-many-pieces':
      return `${d.pieces} pieces are more than this plans for (${d.most}).`
  }
}

/** What is set, once for all cuts of a batch. */
export function saySetting(b: Pick<CutBatch, 'kind' | 'settingMm' | 'tiltRad' | 'through'>, say: Say): string {
  const lean = `${Math.round(((b.tiltRad ?? 0) * 180) / Math.PI)}°`
  switch (b.kind) {
    case 'square':
      return `Square one end, ${say.length(b.settingMm)} off`
    case 'trim':
      return `Trim an edge straight, ${say.length(b.settingMm)} off`
    case 'rip':
      return b.tiltRad === undefined
        ? `Fence at ${say.length(b.settingMm)}: rip`
        : `Fence at ${say.length(b.settingMm)} to the long point, blade at ${lean}: rip`
    case 'crosscut':
      return b.tiltRad === undefined
        ? `Stop at ${say.length(b.settingMm)}: crosscut`
        : `Stop at ${say.length(b.settingMm)} to the long point, ${b.through === 'width' ? 'saw turned' : 'blade leaning'} ${lean}: crosscut`
  }
}
export const stockOfBatch = (stock: string): string => {
  const [section, treated] = stock.split(':')
  const name = sectionName(section)
  return name === section && sheetName(stock) !== stock ? sheetName(stock) : `${name}${treated ? ' treated' : ''}`
}

/** Boards or sheets by their names: `Boards 3–9 and 12`. */
function sayOn(names: readonly string[]): string {
  const kinds = [...new Set(names.map((n) => n.split(' ')[0]))]
  const said = kinds.map((kind) => {
    const mine = names.filter((n) => n.startsWith(`${kind} `)).map((n) => n.slice(kind.length + 1))
    return `${mine.length > 1 ? `${kind}s` : kind} ${ranges(mine, '–').replace(/, ([^,]*)$/, ' and $1')}`
  })
  return said.join(', ')
}

const sayHeld = (labels: readonly string[]) =>
  labels.length > 6 ? plural(labels.length, 'piece') : ranges(labels, '–')

/** Alike cuts in one line: from which boards or sheets, how many each, what comes off. */
export function sayLine(l: BatchLine, names: ReadonlyMap<string, string>, say: Say): string {
  const on = sayOn(l.on.map((id) => names.get(id) ?? id))
  if (l.cuts.length === 1) return `${on}: ${sayOutcome(l.cuts[0], say)}`
  const many = `${on}${l.each > 1 ? `: ${l.each} ${l.on.length > 1 ? 'each' : 'cuts'}` : ''}`
  const freed = l.frees.length > 0 ? ` → ${ranges(l.frees, '–')}` : ''
  const off = l.holds.length > 0 && l.cuts[0].kind !== 'trim' ? `, takes off ${sayHeld(l.holds)}` : ''
  return `${many}${freed}${off}`
}

/** What comes off, and what stays in the hand. */
export function sayOutcome(c: SawCut, say: Say): string {
  const off =
    c.frees.length > 0
      ? `frees ${ranges(c.frees, '–')}`
      : c.holds.length > 0 && c.kind !== 'trim'
        ? `takes off ${sayHeld(c.holds)}`
        : ''
  const left = c.leavesMm > 0.5 ? `leaves ${say.length(c.leavesMm)}` : 'leaves nothing'
  return [off, left].filter(Boolean).join(', ')
}
