/*
 * Sizes as one says them, with their unit once.
 */

/** Feet that one says of a side of a thing that is kept, at most. */
const MOST_FEET = 8

/**
 * A unit said once, after the last of several bare numbers, is that of all: `110 x 90 x 50 mm`, `2 x 1 x 1 ft`. Feet may
 * be said of the last alone, which is the longest then: `2 x 6 x 10 ft`.
 * @param isLong it may be something long and thin: no door or window is
 */
export function withLastUnit(terms: readonly string[], isLong = true): readonly string[] {
  const [before, last] = [terms.slice(0, -1), terms[terms.length - 1]]
  const [, n, unit] = /([\d.]+)\s*(mm|cm|m|inches|inch|in|"|feet|foot|ft|')\.?\s*$/i.exec(last) ?? []
  if (!unit || !before.every((t) => /^[\d\s./,]+$/.test(t))) return terms
  const most = Math.max(...before.map((t) => parseFloat(t)))
  if (/^(?:f|')/i.test(unit) && (most > MOST_FEET || (isLong && most < Number(n)))) return terms
  return [...before.map((t) => `${t.trim()} ${unit}`), last]
}
