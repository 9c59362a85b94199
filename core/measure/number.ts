const VULGAR: Record<string, string> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
}

/** Typographic quotes, primes, dashes and single-glyph fractions brought to plain characters. */
export function plainCharacters(text: string): string {
  return text
    .replace(/[½¼¾⅛⅜⅝⅞⅓⅔]/g, (c) => ` ${VULGAR[c]}`)
    .replace(/[′’‘]/g, "'")
    .replace(/[″”“]|''/g, '"')
    .replace(/[–—−]/g, '-')
    .replace(/[×✕]/g, 'x')
    .replace(/\s+/g, ' ')
    .trim()
}

/**
 * A number as people write it: `67`, `67.25`, `67,25`, `1/2`, `67 1/4`, `67-1/4`. The source of a regular expression.
 */
export const NUMBER = String.raw`\d+(?:\s+|-)\d+\/\d+|\d+\/\d+|\d+(?:[.,]\d+)?|\.\d+`

/**
 * Value of a text matched by NUMBER, or null when it is not one (zero denominator, or a comma that could be a
 * thousands mark: three digits behind it).
 */
export function readNumber(text: string): number | null {
  const t = text.trim()
  const mixed = /^(?:(\d+)(?:\s+|-))?(\d+)\/(\d+)$/.exec(t)
  if (mixed) {
    const below = Number(mixed[3])
    return below === 0 ? null : Number(mixed[1] ?? 0) + Number(mixed[2]) / below
  }
  if (/^\d+,\d{3}$/.test(t)) return null
  return /^(\d+([.,]\d+)?|\.\d+)$/.test(t) ? Number(t.replace(',', '.')) : null
}
