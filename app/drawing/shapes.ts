import type { Mark, Scene } from '../../core/drawing/scene.ts'
import type { Point } from '../../core/geometry/hull.ts'
import { dimensionTexts, WIDE } from './dimension-texts.ts'

/*
 * Marks of a scene as what an SVG draws: paths, places of texts, patterns. Coordinates of the page, mm, y downward.
 */

export type Of<K extends Mark['kind']> = Extract<Mark, { kind: K }>
export const marksOf = <K extends Mark['kind']>(s: Scene, kind: K): Of<K>[] =>
  s.marks.filter((m): m is Of<K> => m.kind === kind)

/** How large letters are on the page, and how lengths are written there. */
export interface Page {
  /** mm of the drawing for one pixel of the screen. */
  mmPerPx: number
  textMm: number
  tell(mm: number): string
}

export const flip = (p: Point): string => `${p[0].toFixed(1)},${(-p[1]).toFixed(1)}`

/** A dimension line with its extension lines and slashes. */
function dimensionLine(m: Of<'dimension'>, page: Page) {
  const [dx, dy] = [m.to[0] - m.from[0], m.to[1] - m.from[1]]
  const l = Math.hypot(dx, dy) || 1
  const [nx, ny] = [(-dy / l) * m.offsetMm, (dx / l) * m.offsetMm]
  const a: Point = [m.from[0] + nx, m.from[1] + ny]
  const b: Point = [m.to[0] + nx, m.to[1] + ny]
  const s = 4 * page.mmPerPx
  const slash = (p: Point) => `M${flip([p[0] - s, p[1] - s])}L${flip([p[0] + s, p[1] + s])}`
  const ext = (p: Point, q: Point) =>
    `M${flip([p[0] + nx * 0.15, p[1] + ny * 0.15])}L${flip([q[0] + Math.sign(nx) * s, q[1] + Math.sign(ny) * s])}`
  const upright = Math.abs(dy) > Math.abs(dx)
  const off = 5 * page.mmPerPx
  return {
    d: `M${flip(a)}L${flip(b)}${ext(m.from, a)}${ext(m.to, b)}`,
    ticks: slash(a) + slash(b),
    away: ((upright ? nx : -ny) >= 0 ? 1 : -1) as 1 | -1,
    upright,
    row: `${upright}|${m.offsetMm}`,
    x: (a[0] + b[0]) / 2 - (upright ? off : 0),
    y: -(a[1] + b[1]) / 2 - (upright ? 0 : off),
    length: m.mm,
    text: page.tell(m.mm),
  }
}

/** All dimension lines of a scene, with texts that keep out of each other's way. */
export function dimensionLines(s: Scene, page: Page) {
  const drawn = marksOf(s, 'dimension').map((m) => dimensionLine(m, page))
  const texts = dimensionTexts(drawn, page.textMm)
  return drawn.map((l, i) => ({ ...l, ...texts[i] }))
}

/** Texts upright at their places in order, moved on where the one before is in the way. */
function apartFrom(places: readonly number[], least: number): number[] {
  let last = -Infinity
  return places.map((x) => (last = Math.max(x, last + least)))
}

/** What is set out from one end: texts stand upright, and keep apart from each other to the right. */
export const runningLines = (s: Scene, page: Page) =>
  marksOf(s, 'running').map((m) => {
    const places = m.stops.map((mm) => m.fromMm + mm)
    const texts = apartFrom(places, 1.15 * page.textMm)
    return {
      y: -m.atMm,
      from: m.fromMm,
      to: places[places.length - 1],
      stops: m.stops.map((mm, i) => ({ x: places[i], textX: texts[i], text: page.tell(mm) })),
    }
  })

/** Arrows with their heads, and where their texts stand: beyond their tails. */
export const arrowShapes = (s: Scene, { mmPerPx }: Page) =>
  marksOf(s, 'arrow').map((m) => {
    const [dx, dy] = [m.to[0] - m.from[0], m.to[1] - m.from[1]]
    const l = Math.hypot(dx, dy) || 1
    const h = 6 * mmPerPx
    const back: Point = [m.to[0] - (dx / l) * h, m.to[1] - (dy / l) * h]
    const [nx, ny] = [(-dy / l) * h * 0.4, (dx / l) * h * 0.4]
    const off = 7 * mmPerPx
    return {
      line: `M${flip(m.from)}L${flip(back)}`,
      head: `M${flip(m.to)}L${flip([back[0] + nx, back[1] + ny])}L${flip([back[0] - nx, back[1] - ny])}Z`,
      x: m.from[0] - (dx / l) * off,
      y: -(m.from[1] - (dy / l) * off),
      text: m.text,
    }
  })

/** Edges of a part in one path each: seen ones, and hidden ones that are looked for. */
export function edgePaths(s: Scene) {
  const paths = new Map<string, { d: string; part?: string; ink: string; hidden: boolean }>()
  for (const m of marksOf(s, 'edge')) {
    const key = `${m.part}|${m.ink}|${m.hidden}`
    const path = paths.get(key) ?? { d: '', part: m.part, ink: m.ink, hidden: m.hidden ?? false }
    path.d += `M${flip(m.from)}L${flip(m.to)}`
    paths.set(key, path)
  }
  return [...paths.values()]
}

export const grainKey = (m: Of<'face'>) =>
  `${m.ink}-${m.grain === 'end' ? 'end' : Math.round((Number(m.grain) * 180) / Math.PI)}`

/** Lines of grain are so far apart, pixels: along boards, at their ends, on sheets, and their plies. */
const EVERY_PX = { board: 6, end: 3.6, sheet: 11, ply: 2.4 }

/** Patterns of grain that occur: by material and the way it runs. */
export function grainPatterns(s: Scene, { mmPerPx }: Page) {
  const found = new Map<string, { every: number; degrees: number }>()
  for (const m of marksOf(s, 'face')) {
    if (m.grain === undefined) continue
    const [along, across] = m.ink === 'sheet' ? (['sheet', 'ply'] as const) : (['board', 'end'] as const)
    const every = EVERY_PX[m.grain === 'end' ? across : along] * mmPerPx
    const degrees = m.grain === 'end' ? (across === 'ply' ? 90 : 45) : 90 - (m.grain * 180) / Math.PI
    found.set(grainKey(m), { every, degrees })
  }
  return found
}

/** Pixels: a stick, what leads to its words, and a letter of those. */
const STICK_PX = 14
const LETTER_PX = 12.5 * WIDE
type StickName = (code: string, level: number) => string
const stickWords = (k: { zMm: number; code: string; level: number }, tell: Page['tell'], name: StickName) =>
  `${tell(k.zMm)}  ${name(k.code, k.level)}`

/** Where a story stick stands, and the room to the right that it and its words need, px; null where there is none. */
export function stickRoom(s: Scene, tell: Page['tell'], name: StickName): { atMm: number; px: number } | null {
  const [m] = marksOf(s, 'stick')
  const letters = Math.max(0, ...(m?.marks ?? []).map((k) => stickWords(k, tell, name).length))
  return m ? { atMm: m.atMm, px: 2 * STICK_PX + letters * LETTER_PX } : null
}

/** The story stick with its words, kept apart from each other upward from the lowest. */
export function stickShape(s: Scene, page: Page, name: StickName) {
  const [m] = marksOf(s, 'stick')
  if (!m) return null
  const marks = [...m.marks].sort((a, b) => a.zMm - b.zMm)
  const texts = apartFrom(
    marks.map((k) => m.footMm + k.zMm),
    15 * page.mmPerPx,
  )
  return {
    at: m.atMm,
    top: m.topMm,
    high: m.topMm - m.footMm,
    wide: STICK_PX * page.mmPerPx,
    marks: marks.map((k, i) => ({
      z: m.footMm + k.zMm,
      text: texts[i],
      words: stickWords(k, page.tell, name),
    })),
  }
}
