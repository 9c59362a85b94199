import type { Bay, Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import type { Section } from '../../catalogue/lumber.ts'
import type { Holder, Outline } from './outline.ts'

/** A holder where it hangs. */
export interface Site {
  h: Holder
  o: Outline
  /** Middles of the tools along the wall. */
  xs: number[]
}

/** Middles of its tools, from where the first may begin. */
export const middles = (h: Holder, from: number): number[] => {
  const { pitchMm, endMm } = h.size
  const first = from + (pitchMm + endMm) / 2
  return Array.from({ length: h.count }, (_, i) => first + i * pitchMm)
}

export const board = (section: Section, grade: string): Stock => ({
  kind: 'board',
  section: section.id,
  grade,
  treated: false,
})

/** Its tools side by side on what carries them; `underMm` of each is lower than that. */
export function placeTools(
  d: Draft,
  { h, o, xs }: Site,
  t: { carriers: string[]; left: number; right: number; y: number; z: number; holds: Bay['holds'] },
) {
  const { item } = h.size
  const base = t.z - h.size.underMm
  d.bay({
    id: `${h.id}-bay`,
    name: { code: 'holder', column: Number(h.id.split('-')[1]) + 1, row: h.row + 1 },
    holds: t.holds,
    clear: {
      min: [t.left, h.strips.backMm, Math.min(base, o.footMm)],
      max: [t.right, t.y + h.size.item.deepMm / 2 + h.play.sideMm, base + item.tallMm + h.play.aboveMm],
    },
    carriers: t.carriers,
    items: xs.map((x) => ({
      goodsId: item.id,
      massKg: item.massKg,
      stands: 'flat' as const,
      box: {
        min: [x - item.acrossMm / 2, t.y - item.deepMm / 2, base],
        max: [x + item.acrossMm / 2, t.y + item.deepMm / 2, base + item.tallMm],
      },
    })),
    play: { sideMm: 0, aboveMm: h.play.aboveMm, deepMm: 0 },
    stickOutMm: 0,
    exit: [0, 1, 0],
  })
}
