import { addTo } from '../../core/measure/add-to.ts'
/** A dimension line as its text needs to know it, mm of the drawing: the middle of its text where there is room for it. */
export interface DimensionLine {
  /** Lines of one row follow on each other. */
  row: string
  x: number
  y: number
  /** Which way is away from what is measured: to the right or down, or the other way. */
  away: 1 | -1
  /** The text stands upright beside an upright line. */
  upright: boolean
  length: number
  text: string
}
/** What is written at a line, and where; with a thin line from it where it had to give way. */
export interface DimensionText {
  text: string
  x: number
  y: number
  leader: [fromX: number, fromY: number, toX: number, toY: number] | null
}

/** Width of a text in heights of its letters: numerals of the drawing's face. */
export const WIDE = 0.56
/** Rows a text may give way by, to either side of its line. */
const ROWS = 5
const ROW = 1.3

interface Taken {
  x0: number
  y0: number
  x1: number
  y1: number
}
const meet = (a: Taken, b: Taken) => a.x0 < b.x1 && b.x0 < a.x1 && a.y0 < b.y1 && b.y0 < a.y1

/**
 * Texts of dimension lines so that none runs into another: neighbours alike that have no room are written once, `12 × 21
 * 1/2"`; a single one that has none gives way to the side and is called out; only where all sides are taken is it left to
 * the list beside the drawing.
 * @param textMm height of the letters on the drawing
 */
export function dimensionTexts(lines: readonly DimensionLine[], textMm: number): DimensionText[] {
  const out: DimensionText[] = lines.map((l) => ({ text: l.text, x: l.x, y: l.y, leader: null }))
  const width = (text: string) => text.length * WIDE * textMm
  const placed: Taken[] = []
  const boxOf = (l: DimensionLine, text: string, x: number, y: number): Taken => {
    const [w, h] = l.upright ? [textMm, width(text)] : [width(text), textMm]
    // The letters stand on their line: mostly before it.
    return l.upright
      ? { x0: x - 0.8 * w, y0: y - h / 2, x1: x + 0.2 * w, y1: y + h / 2 }
      : { x0: x - w / 2, y0: y - 0.8 * h, x1: x + w / 2, y1: y + 0.2 * h }
  }
  const crowded: number[] = []
  for (const row of rowsOf(lines))
    for (let i = 0; i < row.length;) {
      const first = lines[row[i]]
      let n = 1
      while (i + n < row.length && lines[row[i + n]].text === first.text) n++
      const fits = width(first.text) <= first.length
      const last = lines[row[i + n - 1]]
      const text = `${n} × ${first.text}`
      const room = Math.hypot(last.x - first.x, last.y - first.y) + (first.length + last.length) / 2
      if (fits) for (let k = 0; k < n; k++) put(row[i + k], lines[row[i + k]].text, 0, 0)
      else if (n > 1 && width(text) <= room) {
        for (let k = 1; k < n; k++) out[row[i + k]].text = ''
        put(row[i], text, (last.x - first.x) / 2, (last.y - first.y) / 2)
      } else for (let k = 0; k < n; k++) crowded.push(row[i + k])
      i += n
    }
  function put(i: number, text: string, dx: number, dy: number) {
    out[i] = { ...out[i], text, x: lines[i].x + dx, y: lines[i].y + dy }
    placed.push(boxOf(lines[i], text, out[i].x, out[i].y))
  }
  for (const i of crowded) {
    const l = lines[i]
    // First away from what is measured, then over it.
    const tried = [l.away, -l.away].flatMap((way) =>
      Array.from({ length: ROWS }, (_, k) => way * (k + 1) * ROW * textMm),
    )
    const side = (by: number): [number, number] => (l.upright ? [l.x + by, l.y] : [l.x, l.y + by])
    const free = tried.map(side).find(([x, y]) => !placed.some((t) => meet(t, boxOf(l, l.text, x, y))))
    if (!free) {
      out[i].text = ''
      continue
    }
    const [x, y] = free
    placed.push(boxOf(l, l.text, x, y))
    out[i] = { text: l.text, x, y, leader: [l.x, l.y, x, y] }
  }
  return out
}

/** Lines by their rows, each in order along it. */
function rowsOf(lines: readonly DimensionLine[]): number[][] {
  const rows = new Map<string, number[]>()
  lines.forEach((l, i) => addTo(rows, l.row, i))
  const along = (i: number) => (lines[i].upright ? lines[i].y : lines[i].x)
  return [...rows.values()].map((row) => row.sort((a, b) => along(a) - along(b)))
}
