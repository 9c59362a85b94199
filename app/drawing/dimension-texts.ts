/**
 * A dimension line as its text needs to know it: where its middle is along the row it stands in, and how long it is,
 * mm.
 */
export interface DimensionLine {
  row: string
  middle: number
  length: number
  text: string
}
/** What is written at a line, and how far from its own middle; nothing where there is no room. */
export interface DimensionText {
  text: string
  shift: number
}

/** Width of a text in heights of its letters: numerals of the drawing's face. */
const WIDE = 0.56

/**
 * Texts of dimension lines so that none runs into the next: neighbours alike that have no room are written once, `12 ×
 * 21 1/2"`; a single one that has none is left to the list beside the drawing.
 * @param textMm height of the letters on the drawing
 */
export function dimensionTexts(lines: readonly DimensionLine[], textMm: number): DimensionText[] {
  const out: DimensionText[] = lines.map((l) => ({ text: l.text, shift: 0 }))
  const width = (text: string) => text.length * WIDE * textMm
  const rows = new Map<string, number[]>()
  lines.forEach((l, i) => rows.set(l.row, [...(rows.get(l.row) ?? []), i]))
  for (const row of rows.values()) {
    row.sort((a, b) => lines[a].middle - lines[b].middle)
    for (let i = 0; i < row.length;) {
      const first = lines[row[i]]
      let n = 1
      while (i + n < row.length && lines[row[i + n]].text === first.text) n++
      if (width(first.text) > first.length) {
        const last = lines[row[i + n - 1]]
        const middle = (first.middle + last.middle) / 2
        const room = last.middle - first.middle + (first.length + last.length) / 2
        const text = `${n} × ${first.text}`
        for (let k = 0; k < n; k++) out[row[i + k]] = { text: '', shift: 0 }
        if (n > 1 && width(text) <= room) out[row[i]] = { text, shift: middle - first.middle }
      }
      i += n
    }
  }
  return out
}
