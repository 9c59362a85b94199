import { withLastUnit } from '../measure/last-unit.ts'
import { plainCharacters } from '../measure/number.ts'
import { parseLength } from '../measure/parse-length.ts'
import { bad, good, type Result } from '../measure/result.ts'
import type { UnitSystem } from '../measure/units.ts'
import { FEATURE_DEFAULTS, newFeature, type Feature, type FeatureKind } from './features.ts'

const WORDS: Record<string, FeatureKind> = {
  door: 'door',
  window: 'window',
  'garage door': 'sectional-door',
  'sectional door': 'sectional-door',
  outlet: 'outlet',
  socket: 'outlet',
  switch: 'switch',
  panel: 'panel',
  'breaker panel': 'panel',
  'breaker box': 'panel',
  'electrical panel': 'panel',
  'fuse box': 'panel',
  'consumer unit': 'panel',
  'light switch': 'switch',
  light: 'light',
  lamp: 'light',
  'water heater': 'water-heater',
  boiler: 'water-heater',
  furnace: 'furnace',
  return: 'return-grille',
  grille: 'return-grille',
  vent: 'return-grille',
  downpipe: 'pipe',
  stairs: 'steps',
  conduit: 'conduit',
  pipe: 'pipe',
  beam: 'beam',
  post: 'post',
  column: 'post',
  steps: 'steps',
  step: 'steps',
  walkway: 'walkway',
  car: 'car',
  bench: 'bench',
  blocking: 'blocking',
  bolt: 'bolt',
  'ceiling blocking': 'ceiling-blocking',
  'ceiling bolt': 'ceiling-bolt',
  other: 'other',
  thing: 'other',
  radiator: 'other',
  'gas meter': 'other',
  'water meter': 'other',
  hatch: 'other',
}
/** Called so they are nothing that keeps room of its own, and are told by that name. */
const NAMED = /^(?:radiator|(?:gas|water) meter|hatch)$/i
/** What is narrower than this is measured to its middle, mm. */
const MEASURED_AT_MIDDLE_MM = 200
/** Written longest first, so that "garage door" is not read as "door". */
const PATTERN = new RegExp(
  `\\b(${Object.keys(WORDS)
    .sort((a, b) => b.length - a.length)
    .join('|')})s?\\b`,
  'i',
)

export interface Run {
  features: Omit<Feature, 'id'>[]
  /** Sum of all stretches, mm, when it was called as a run; null when things were placed one by one. */
  totalMm: number | null
}

interface Piece {
  kind: FeatureKind | null
  name: string
  wide: number | null
  high: number | null
  up: number | null
  out: number | null
  at: number[]
  /** It was said from where to where, and is wherever that is. */
  spans: boolean
}

/** A length as it stands before a word. */
const LENGTH = `(\\S+(?:\\s+\\d+/\\d+)?\\s*(?:mm|cm|m|in|ft|'|")?)`
/** `at 30 wide 32`: what is at a place and how wide it is, said behind that word. */
const MEASURED_AFTER = /\bat\s+(.+?)\s+(wide|high|tall)\s+(?=[\d.])(.+?)(?=\s+(?:up|out|wide|high|tall)\b|$)/i
const FROM_LEFT = new RegExp(String.raw`${LENGTH}\s+from\s+(?:the\s+|its\s+)?left(?:\s+(?:corner|end))?`, 'i')
const PLACES = /\s+and\s+|\s*&\s*/i

/** At how many places something is said to be. */
const placesIn = (text: string): number => /\bat\s+(.+)$/i.exec(text)?.[1].split(PLACES).length ?? 0

/** A piece as it would be said by somebody who knows how: `a window 3 ft from the left` is one at that place. */
function saidPlainly(text: string, system: UnitSystem): string {
  let said = text.replace(/^\s*(?:an?|the)\s+/i, '').replace(FROM_LEFT, 'at $1')
  for (let m = MEASURED_AFTER.exec(said); m; m = MEASURED_AFTER.exec(said)) {
    // What stands before the word is its measure, unless all of it is where it is.
    if (!m[1].split(PLACES).every((t) => parseLength(t, system).ok)) break
    said = said.replace(m[0], `${m[3]} ${m[2]} at ${m[1]}`)
  }
  // As many of them as there are places.
  const count = placesIn(said)
  return count > 1 ? said.replace(new RegExp(`^\\s*${count}\\s+(?=[a-z])`, 'i'), '') : said
}

/** What is narrower or lower than this is none of these: its unit was left out, mm. Product decision. */
const LEAST_MM: Partial<Record<FeatureKind, number>> = { door: 200, window: 200, 'sectional-door': 1000 }

/** Words that say which measure of a thing a length before them is; before or behind the last two. */
const MEASURES = { tall: 'high', high: 'high', wide: 'wide', up: 'up', out: 'out' } as const

/** One stretch or thing: `36`, `door 32`, `window 36 x 40 up 42`, `outlet at 48, 15 up`, `door 800 to 1650, 2000 tall`. */
function piece(text: string, system: UnitSystem): Result<Piece> {
  const p: Piece = { kind: null, name: '', wide: null, high: null, up: null, out: null, at: [], spans: false }
  let rest = saidPlainly(text, system)
  const found = PATTERN.exec(rest)
  if (found) {
    p.kind = WORDS[found[1].toLowerCase()]
    if (NAMED.test(found[1])) p.name = found[1].toLowerCase()
    rest = `${rest.slice(0, found.index)} ${rest.slice(found.index + found[0].length)}`
  }
  // What is called by name goes first, and what is left is the width, and the height behind an x.
  for (const [word, measure] of Object.entries(MEASURES)) {
    const before =
      word === 'up' || word === 'out' ? new RegExp(`\\b${word}\\s+(.+?)(?=\\s+(?:up|out|at)\\b|$)`, 'i') : null
    const m = before?.exec(rest) ?? new RegExp(`${LENGTH}\\s+${word}\\b`, 'i').exec(rest)
    if (!m) continue
    const read = parseLength(m[1], system)
    if (!read.ok) return read
    p[measure] = read.value
    rest = rest.replace(m[0], ' ')
  }
  const span = /^\s*(?:from\s+)?(\S.*?)\s+to\s+(\S.*?)\s*$/i.exec(rest)
  if (span) {
    const [from, to] = [parseLength(span[1], system), parseLength(span[2], system)]
    if (!from.ok) return from
    if (!to.ok) return to
    if (to.value <= from.value) return bad('run-backwards', { text })
    return good({ ...p, wide: to.value - from.value, at: [from.value], spans: true })
  }
  const at = /\bat\s+(.+)$/i.exec(rest)
  if (at) {
    for (const t of at[1].split(PLACES)) {
      const read = parseLength(t, system)
      if (!read.ok) return read
      p.at.push(read.value)
    }
    rest = rest.replace(at[0], ' ')
  }
  const sizes = rest.trim() === '' ? [] : withLastUnit(rest.trim().split(/\s*x\s*/i), false)
  if (sizes.length > 2) return bad('run-piece', { text })
  for (const [i, t] of sizes.entries()) {
    const read = parseLength(t, system)
    if (!read.ok) return read
    if (i === 0) p.wide = read.value
    else p.high = read.value
  }
  return good(p)
}

/**
 * Distances along a wall as one calls them from the tape, from its left corner: `24 1/2, door 32, 60, window 36 x 40 up
 * 42, 63`; or things placed by themselves: `outlet at 24 and 72 up 15; switch at 30`, `window 40 to 76, 36 tall, up 42`.
 * A bare length is a stretch of wall with nothing in it. Fails with `run-empty`, `run-piece`, `run-mixed`,
 * `run-backwards`, `run-no-width`, `run-narrow`, `not-a-length`, `negative`.
 */
export function parseRun(line: string, wallId: string, system: UnitSystem): Result<Run> {
  const text = plainCharacters(line)
  if (text === '') return bad('run-empty')
  const pieces: Piece[] = []
  // "outlet at 48, 15 up": what follows a comma but is only a measure said by its name belongs to what stands before it.
  const parts = text.split(/\s*[,;]\s*(?!\d{1,2}\s*(?:m|cm)\b(?!\s*,))/).reduce<string[]>((list, t) => {
    if (list.length > 0 && /^(up|out|wide|high|tall)\b|\b(up|out|tall|high|wide)$/i.test(t) && !PATTERN.test(t))
      list[list.length - 1] += ` ${t}`
    else if (t !== '') list.push(t)
    return list
  }, [])
  for (const t of parts) {
    const read = piece(t, system)
    if (!read.ok) return read
    const { kind, wide, high } = read.value
    const leastMm = (kind && LEAST_MM[kind]) ?? 0
    const mm = Math.min(wide ?? Infinity, high ?? Infinity)
    if (mm < leastMm) return bad('run-narrow', { text: t, mm, leastMm })
    pieces.push(read.value)
  }
  const make = (p: Piece, atMm: number): Omit<Feature, 'id'> => {
    const d = FEATURE_DEFAULTS[p.kind!]
    const { id: _id, ...f } = newFeature({
      id: '',
      kind: p.kind!,
      ...(p.name ? { name: p.name } : {}),
      wallId,
      atMm,
      wideMm: p.wide ?? d.wideMm,
      highMm: p.high ?? d.highMm,
      upMm: p.up ?? d.upMm,
      outMm: p.out ?? 0,
    })
    return f
  }
  if (pieces.some((p) => p.at.length > 0)) {
    const stray = pieces.find((p) => p.at.length === 0 || p.kind === null)
    if (stray) return bad('run-mixed', { text })
    // A thing said to be at a place has its middle there, as one measures an outlet; a wide one its left edge.
    const leftOf = (p: Piece, at: number): number => {
      const wide = p.wide ?? FEATURE_DEFAULTS[p.kind!].wideMm
      return !p.spans && wide < MEASURED_AT_MIDDLE_MM ? at - wide / 2 : at
    }
    return good({ totalMm: null, features: pieces.flatMap((p) => p.at.map((at) => make(p, leftOf(p, at)))) })
  }
  let at = 0
  const features: Omit<Feature, 'id'>[] = []
  for (const p of pieces) {
    const wide = p.wide ?? (p.kind ? FEATURE_DEFAULTS[p.kind].wideMm : null)
    if (wide === null) return bad('run-no-width', { text })
    if (p.kind) features.push(make({ ...p, wide }, at))
    at += wide
  }
  return good({ features, totalMm: at })
}
