import { withLastUnit } from '../measure/last-unit.ts'
import { plainCharacters } from '../measure/number.ts'
import { parseLength } from '../measure/parse-length.ts'
import { bad, good, type Result } from '../measure/result.ts'
import type { UnitSystem } from '../measure/units.ts'
import { saidOfWall } from './said-of-walls.ts'
import { BRIGHTEST_LM, FEATURE_DEFAULTS, newFeature, type Feature, type FeatureKind } from './features.ts'

/**
 * What keeps no room of its own for its kind, told by its name, and how high it usually is, mm. Product decisions, to
 * start from.
 */
const OTHERS: Readonly<Record<string, number>> = {
  radiator: 600,
  'gas meter': 500,
  'water meter': 300,
  hatch: 500,
  sink: 900,
  freezer: 1450,
  'chest freezer': 850,
  fridge: 1750,
  refrigerator: 1750,
  washer: 850,
  dryer: 850,
  'washing machine': 850,
  'tumble dryer': 850,
  toilet: 800,
  cabinet: 1800,
  cupboard: 1800,
  shelf: 1800,
  shelves: 1800,
  chimney: 2400,
  tank: 1500,
  'water softener': 1200,
  compressor: 700,
  'tool chest': 1000,
  fireplace: 1200,
  stove: 900,
}
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
  ...Object.fromEntries(Object.keys(OTHERS).map((word) => [word, 'other' as const])),
}
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
  deep: number | null
  high: number | null
  up: number | null
  out: number | null
  at: number[]
  /** How far its right side is from the right end of the wall, that it is in the middle, or that it comes so often. */
  fromRight: number | null
  middle: boolean
  every: number | null
  /** It was said from where to where, and is wherever that is. */
  spans: boolean
  /** How bright it is, lm. */
  lumens: number | null
  /** And what its cover lets through of that. */
  coverShare: number | null
}

/** A length as it stands before a word. */
const LENGTH = `(\\S+(?:\\s+\\d+/\\d+)?\\s*(?:mm|cm|m|in|ft|'|")?)`
/** `at 30 wide 32`: what is at a place and how wide it is, said behind that word. */
const MEASURED_AFTER = /\bat\s+(.+?)\s+(wide|high|tall)\s+(?=[\d.])(.+?)(?=\s+(?:up|out|wide|high|tall)\b|$)/i
const FROM_RIGHT = new RegExp(
  String.raw`${LENGTH}\s+from\s+(?:the\s+|its\s+)?right(?:[\s-]+hand)?(?:\s+(?:corner|end|side|wall))?`,
  'i',
)
const MIDDLE = /\b(?:(?:in|at)\s+(?:the\s+)?)?(?:middle|centre|center)(?:ed|d)?(?:\s+of\s+(?:the\s+)?wall)?\b/i
const EVERY = new RegExp(String.raw`\bevery\s+${LENGTH}`, 'i')
/** How bright a lamp is. */
const LUMENS = /\b(\d+(?:\.\d+)?)\s*(?:lm|lumens?)\b/i
const COVER = /\b(?:its\s+)?cover\s+(?:lets\s+through\s+)?(\d+(?:\.\d+)?)\s*%/i
/** At an end of the wall. */
const AT_END = /\b(?:at|in|on)\s+(?:the\s+)?(?:far\s+)?(left|right)(?:[\s-]+hand)?(?:\s+(?:corner|end|side))?\b/i
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
const MEASURES = { tall: 'high', high: 'high', wide: 'wide', deep: 'deep', up: 'up', out: 'out' } as const

/** What stands or is kept on the floor is told by its two sides there, as it is seen from above. */
const SEEN_FROM_ABOVE: readonly (FeatureKind | null)[] = ['car', 'walkway', 'bench', 'steps', 'post']

const NOWHERE: Pick<Piece, 'fromRight' | 'middle' | 'every'> = { fromRight: null, middle: false, every: null }

/** Where it is told from the other end of the wall, by its middle, or again and again; what is left of what was said. */
function otherwisePlaced(text: string, p: Piece, system: UnitSystem): Result<string> {
  let rest = text
  for (const [key, how] of [
    ['fromRight', FROM_RIGHT],
    ['every', EVERY],
  ] as const) {
    const m = how.exec(rest)
    if (!m) continue
    const read = parseLength(m[1], system)
    if (!read.ok) return read
    p[key] = read.value
    rest = rest.replace(m[0], ' ')
  }
  const end = AT_END.exec(rest)
  if (end) {
    if (end[1].toLowerCase() === 'left') p.at.push(0)
    else p.fromRight = 0
    rest = rest.replace(end[0], ' ')
  } else if (MIDDLE.test(rest)) {
    p.middle = true
    rest = rest.replace(MIDDLE, ' ')
  }
  return good(rest === text ? rest : rest.replace(/\bat\s*$/i, ' '))
}

/** One stretch or thing: `36`, `door 32`, `window 36 x 40 up 42`, `outlet at 48, 15 up`, `door 800 to 1650, 2000 tall`. */
function piece(text: string, system: UnitSystem): Result<Piece> {
  const p: Piece = {
    kind: null,
    name: '',
    wide: null,
    deep: null,
    high: null,
    up: null,
    out: null,
    at: [],
    spans: false,
    lumens: null,
    coverShare: null,
    ...NOWHERE,
  }
  let rest = saidPlainly(text, system)
  const bright = LUMENS.exec(rest)
  if (bright) {
    p.lumens = Number(bright[1])
    if (!(p.lumens >= 1 && p.lumens <= BRIGHTEST_LM)) return bad('count-range', { min: 1, max: BRIGHTEST_LM })
    rest = rest.replace(bright[0], ' ')
  }
  const cover = p.lumens === null ? null : COVER.exec(rest)
  if (cover) {
    p.coverShare = Number(cover[1]) / 100
    if (!(p.coverShare >= 0.01 && p.coverShare <= 1)) return bad('count-range', { min: 1, max: 100 })
    rest = rest.replace(cover[0], ' ')
  }
  const found = PATTERN.exec(rest)
  if (found) {
    p.kind = WORDS[found[1].toLowerCase()]
    if (found[1].toLowerCase() in OTHERS) p.name = found[1].toLowerCase()
    rest = `${rest.slice(0, found.index)} ${rest.slice(found.index + found[0].length)}`
  }
  if (p.lumens !== null && p.kind !== 'light') return bad('run-piece', { text })
  const placed = otherwisePlaced(rest, p, system)
  if (!placed.ok) return placed
  rest = placed.value
  // What is called by name goes first; what is left is the width, and behind an x the height, or the depth of what
  // stands on the floor.
  for (const [word, measure] of Object.entries(MEASURES)) {
    const before =
      word === 'up' || word === 'out'
        ? new RegExp(`\\b${word}\\s+(?=[\\d.])(\\S.*?)(?=\\s+(?:up|out|at)\\b|\\s*$)`, 'i')
        : null
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
  const second = SEEN_FROM_ABOVE.includes(p.kind) ? 'deep' : 'high'
  const measures = sizes.length > 2 && p.kind ? (['wide', 'deep', 'high'] as const) : (['wide', second] as const)
  if (sizes.length > measures.length) return bad('run-piece', { text })
  for (const [i, t] of sizes.entries()) {
    const read = parseLength(t, system)
    if (!read.ok) return read
    p[measures[i]] = read.value
  }
  return good(p)
}

/**
 * Distances along a wall as one calls them from the tape, from its left corner: `24 1/2, door 32, 60, window 36 x 40 up
 * 42, 63`; or things placed by themselves: `outlet at 24 and 72 up 15; switch at 30`, `window 40 to 76, 36 tall, up 42`.
 * A bare length is a stretch of wall with nothing in it. What is no such line is read as people say it: `20 ft wall with
 * garage door 9x7 in the middle`, `outlet 18 in from the right`.
 * @param wallMm how long the wall is known to be: what is told from its right end or its middle is placed by that
 * Fails with `run-empty`, `run-piece`, `run-mixed`, `run-backwards`, `run-no-width`, `run-narrow`, `run-no-wall`,
 * `run-off-wall`, `not-a-length`, `negative`.
 */
export function parseRun(line: string, wallId: string, system: UnitSystem, wallMm?: number): Result<Run> {
  const text = plainCharacters(line)
  if (text === '') return bad('run-empty')
  const first = called(text, { wallId, system, wallMm })
  if (first.ok && !first.value.features.some(isTooWide)) return first
  const { line: plain, wall } = saidOfWall(text, system)
  const long = wall === null ? null : parseLength(wall, system)
  const saidMm = long?.ok ? long.value : null
  if (plain === '' && saidMm !== null) return good({ features: [], totalMm: saidMm })
  if (plain === '' || (plain === text && saidMm === null)) return first
  const again = called(plain, { wallId, system, wallMm: saidMm ?? wallMm })
  if (first.ok) return again.ok && !again.value.features.some(isTooWide) ? again : first
  // What is wrong with the line as it was typed is told in its own words.
  if (!again.ok) return TOLD_AS_SAID.includes(again.problem.code) ? again : first
  return good({ ...again.value, totalMm: again.value.totalMm ?? saidMm })
}
const TOLD_AS_SAID = ['run-narrow', 'run-no-wall', 'run-off-wall', 'run-backwards']

interface OfWall {
  wallId: string
  system: UnitSystem
  wallMm: number | undefined
}

function called(text: string, of: OfWall): Result<Run> {
  const read = piecesOf(text, of.system)
  if (!read.ok) return read
  const pieces = read.value
  const isPlaced = (p: Piece) => p.at.length > 0 || p.fromRight !== null || p.middle || p.every !== null
  if (!pieces.some(isPlaced)) return stretches(pieces, text, of.wallId)
  if (pieces.some((p) => !isPlaced(p) || p.kind === null)) return bad('run-mixed', { text })
  const features: Run['features'] = []
  for (const p of pieces) {
    const at = placesOf(p, of.wallMm)
    if (!at.ok) return at
    for (const mm of at.value) features.push(featureOf(p, mm, of.wallId))
  }
  return good({ totalMm: null, features })
}

function piecesOf(text: string, system: UnitSystem): Result<Piece[]> {
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
    pieces.push(read.value.kind && SMALL.includes(read.value.kind) ? highUp(read.value) : read.value)
  }
  return good(pieces)
}

/** No door is wider, mm: it was called by its size in feet and inches. */
const WIDEST_MM = 8000
const isTooWide = ({ kind, wideMm }: Run['features'][number]): boolean =>
  LEAST_MM[kind] !== undefined && wideMm > WIDEST_MM
/** What is small is not itself so high, but so high up. */
const SMALL: readonly FeatureKind[] = ['outlet', 'switch']
const SMALL_MM = 200
const highUp = (p: Piece): Piece =>
  p.up === null && p.high !== null && p.high > SMALL_MM ? { ...p, up: p.high, high: null } : p

const wideOf = (p: Piece): number => p.wide ?? FEATURE_DEFAULTS[p.kind!].wideMm

/** Left edges of what is at places: what is said to be at one has its middle there, as one measures an outlet; a wide one its left edge. */
function placesOf(p: Piece, wallMm: number | undefined): Result<number[]> {
  const wide = wideOf(p)
  const isNarrow = !p.spans && wide < MEASURED_AT_MIDDLE_MM
  const leftOf = (at: number) => (isNarrow ? at - wide / 2 : at)
  if (p.fromRight === null && !p.middle && p.every === null) return good(p.at.map(leftOf))
  if (wallMm === undefined) return bad('run-no-wall')
  const right = p.fromRight === null ? [] : [wallMm - p.fromRight - (isNarrow && p.fromRight > 0 ? wide / 2 : wide)]
  const middle = p.middle ? [(wallMm - wide) / 2] : []
  const n = p.every === null || p.every <= 0 ? 0 : Math.ceil(wallMm / p.every - 1e-9) - 1
  if (n > MOST_ALIKE) return bad('run-off-wall', { mm: p.every!, wallMm })
  const every = Array.from({ length: n }, (_, i) => leftOf((i + 1) * p.every!))
  const all = [...p.at.map(leftOf), ...right, ...middle, ...every]
  const off = all.find((at) => at < -OFF_MM || at + wide > wallMm + OFF_MM)
  return off === undefined ? good(all) : bad('run-off-wall', { mm: off < 0 ? wide : off + wide, wallMm })
}
/** No wall has more outlets than this. */
const MOST_ALIKE = 40
/** Measures of a wall and of what is on it differ by as much, mm. */
const OFF_MM = 10

function featureOf(p: Piece, atMm: number, wallId: string): Omit<Feature, 'id'> {
  const d = FEATURE_DEFAULTS[p.kind!]
  const { id: _id, ...f } = newFeature({
    id: '',
    kind: p.kind!,
    ...(p.name ? { name: p.name } : {}),
    wallId,
    atMm,
    wideMm: p.wide ?? d.wideMm,
    deepMm: p.deep ?? d.deepMm,
    highMm: p.high ?? OTHERS[p.name] ?? d.highMm,
    upMm: p.up ?? d.upMm,
    outMm: p.out ?? 0,
    ...(p.lumens === null ? {} : { lumens: p.lumens }),
    ...(p.coverShare === null ? {} : { coverShare: p.coverShare }),
  })
  return f
}

/** One after the other, from the left corner. */
function stretches(pieces: readonly Piece[], text: string, wallId: string): Result<Run> {
  let at = 0
  const features: Run['features'] = []
  for (const p of pieces) {
    const wide = p.wide ?? (p.kind ? FEATURE_DEFAULTS[p.kind].wideMm : null)
    if (wide === null) return bad('run-no-width', { text })
    if (p.kind) features.push(featureOf({ ...p, wide }, at, wallId))
    at += wide
  }
  return good({ features, totalMm: at })
}
