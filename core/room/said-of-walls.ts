import type { UnitSystem } from '../measure/units.ts'

/*
 * What is on a wall as people say it, brought nearer to how the tape is called: `24' wall with garage door 9x7 in the
 * middle`, `two windows 3 ft wide at 5 ft and 12 ft, sill 3 ft`, `door 2-8 18 in from the right`.
 */

/** What says which of such things it is, and nothing of its place. */
const WHICH =
  /\b(?<!\b(?:in|at|on|from|of)\s+)(?:an?|the|one|service|side|entry|exterior|interior|front|back|rear|man|patio|french|sliding|double|single|main|old|existing|concrete|metal|steel|wooden|glass|small|big|crawl ?space|duplex|double-hung)\s+(?=[a-z])/gi
/** Other words for what is known by one. */
const ALSO: readonly (readonly [RegExp, string])[] = [
  [/\b(?:overhead|roller|roll[- ]up|up[- ]and[- ]over|car) doors?\b/gi, 'garage door'],
  [/\b(?:doorway|opening)\b/gi, 'door'],
  [/\b(?:hose bibb?|spigot|faucet|tap|stop ?cock|stop tap|stop valve|gas line|water line|drain)\b/gi, 'pipe'],
  [/\bwork ?bench\b/gi, 'bench'],
  [/\b(?:electric(?:al)? panel|breaker|load cent(?:er|re))\b/gi, 'panel'],
  [/\b(?:receptacle|plug(?: socket)?|power point|double socket)s?\b/gi, 'outlet'],
  [/\bsill(?: height)?(?: is)?(?: at)?\s+/gi, 'up '],
  [/\s+sill\b/gi, ' up'],
  [/\s+(?:off|from|above|over)\s+(?:the\s+)?(?:floor|slab|ground)\b/gi, ' up'],
  [/\s+(?:dia(?:meter)?|across)\b\.?/gi, ' wide'],
  [
    /\b(?:from|starting at|starts at|begins at|beginning at|located at)\s+(?=[\d.]+[^,;]*$)(?![^,;]*\b(?:to|left|right)\b)/gi,
    'at ',
  ],
]
const COUNTS = ['two', 'three', 'four', 'five', 'six']
/** A wall or a ceiling and how long or high it is. */
const OF_THE_WALL =
  /^(?:(?:plain|blank|empty|whole)\s+)*(?:wall(?:\s+is)?\s+)?([\d.][^a-z]*(?:mm|cm|m|ft|feet|foot|in|inches|'|")?)\s*(?:long\s*)?(?:wall)?(?:\s+long)?$/i
/** What is so long that it is a wall. */
const LONG_UNIT = /(?:ft|feet|foot|'|(?<![mc])m)$/i
const OF_THE_CEILING = /\bceiling\b/i

/** A door called by feet and inches: `3-0`, `2/8 x 6/8`, `3068`. */
function doorSizes(piece: string): string {
  if (!/\b(?:door|window)s?\b/i.test(piece) || /garage/i.test(piece)) return piece
  return piece
    .replace(/(?<![\d./'-])([1-9])([0-9])([4-9])([0-9])(?![\d./])/, '$1\' $2" x $3\' $4"')
    .replace(/(?<![\d./'-])([1-9])[-/](\d|1[01])(?![\d/.])(?=\s*(?:x|$|\s+(?:at|wide|[a-z])))/g, '$1\' $2"')
    .replace(/(?<=x\s*)([1-9])[-/](\d|1[01])(?![\d/.])/g, '$1\' $2"')
}

/** Garage doors are sold by the foot. */
const garageFeet = (piece: string): string =>
  /\bgarage door/i.test(piece)
    ? piece.replace(
        /(?<![\d./])(\d{1,2})\s*x\s*(\d{1,2})(?!\s*(?:(?:mm|cm|m|in(?! the)|ft|feet|foot)\b|'|")|[\d./])/i,
        "$1' x $2'",
      )
    : piece

/** Nobody measures a door in tenths of a millimetre: `2.3 x 2.1`. */
const inMetres = (piece: string): string =>
  piece.replace(
    /(?<![\d.])(\d\.\d{1,2})\s*x\s*(\d(?:\.\d{1,2})?)(?!\s*(?:mm|cm|m|in(?! the)|ft)\b|[\d.])/i,
    '$1 m x $2 m',
  )

export interface SaidOfWall {
  line: string
  /** How long the wall was said to be, as it was said; null where it was not. */
  wall: string | null
}

/** The same line as the tape would be called; it may be no such line all the same. */
export function saidOfWall(text: string, system: UnitSystem): SaidOfWall {
  let wall: string | null = null
  const pieces = text
    .split(/\s*[,;]\s*|\s+with\s+(?:an?\s+)?/i)
    .flatMap((given, i) => {
      if (OF_THE_CEILING.test(given)) return []
      const own = OF_THE_WALL.exec(given.trim())
      if (own && (/\bwall\b/i.test(given) || (i === 0 && LONG_UNIT.test(own[1].trim())))) {
        wall = own[1].trim()
        return []
      }
      const plain = ALSO.reduce((t, [what, word]) => t.replace(what, word), given.replace(WHICH, ''))
      const counted = COUNTS.reduce((t, word, n) => t.replace(new RegExp(`^\\s*${word}\\b`, 'i'), String(n + 2)), plain)
      return [system === 'imperial' ? garageFeet(doorSizes(counted)) : inMetres(counted)]
    })
    .filter((t) => t.trim() !== '')
  return { line: pieces.join(', '), wall }
}
