import type { Placed } from '../../assembly/assembly.ts'
import type { Goods } from '../../goods/goods.ts'
import { countedKg } from '../../goods/presumed.ts'

/*
 * Boards on arms: in stacks side by side out from the wall, one kind in a stack, no higher than there is room, the
 * heaviest kinds on the lowest level.
 */

/** Stacks are this far from the upright, from each other and from the ends of the arms, mm: what is bowed needs it. */
export const BETWEEN_MM = 10

/** What is this much higher than wide nothing is piled on. Product decision. */
const PILED = 2

export interface Stack {
  item: Goods
  count: number
  /** Its side at the wall, from the face of the uprights. */
  outMm: number
}
export interface Level {
  stacks: Stack[]
}

const massOf = (g: Goods, n: number): number => countedKg(g) * n

/** @param highMm what a stack may be high @param armMm how far arms reach */
export function stacked(
  goods: readonly { item: Goods; count: number }[],
  highMm: number,
  armMm: number,
  mostLevels: number,
): { levels: Level[]; left: Map<string, number> } {
  const levels: Level[] = []
  const left = new Map<string, number>()
  const queue = [...goods].sort((a, b) => massOf(b.item, b.count) - massOf(a.item, a.count))
  let used = Infinity
  for (const { item, count } of queue) {
    const fit = Math.max(0, Math.floor(highMm / item.tallMm + 1e-9))
    // What lies on its long edge bears no other.
    const each = item.tallMm > PILED * item.deepMm ? Math.min(1, fit) : fit
    let open = count
    while (open > 0) {
      const needs = item.deepMm + 2 * BETWEEN_MM
      if (each === 0 || needs > armMm) break
      if (used + item.deepMm + BETWEEN_MM > armMm) {
        if (levels.length >= mostLevels) break
        levels.push({ stacks: [] })
        used = BETWEEN_MM
      }
      const n = Math.min(each, open)
      levels[levels.length - 1].stacks.push({ item, count: n, outMm: used })
      used += item.deepMm + BETWEEN_MM
      open -= n
    }
    if (open > 0) left.set(item.id, open)
  }
  return { levels, left }
}

/** The lowest stacks that so many levels allow: what there is is spread over all of them. */
export function spread(
  goods: readonly { item: Goods; count: number }[],
  highMm: number,
  armMm: number,
  levels: number,
): ReturnType<typeof stacked> {
  const heights = goods
    .flatMap(({ item, count }) => Array.from({ length: Math.min(count, 200) }, (_, i) => (i + 1) * item.tallMm))
    .filter((h) => h <= highMm)
    .sort((a, b) => a - b)
  const all = stacked(goods, highMm, armMm, levels)
  const lost = [...all.left.values()].reduce((n, v) => n + v, 0)
  for (const h of new Set(heights)) {
    const tried = stacked(goods, h, armMm, levels)
    if ([...tried.left.values()].reduce((n, v) => n + v, 0) <= lost) return tried
  }
  return all
}

/** One stack, over a middle along the wall, from a face on. */
export function pile({ item, count, outMm }: Stack, middleMm: number, faceMm: number, top: number): Placed[] {
  const [left, y] = [middleMm - item.acrossMm / 2, faceMm + outMm]
  return Array.from({ length: count }, (_, n) => ({
    goodsId: item.id,
    massKg: item.massKg,
    stands: 'flat',
    box: {
      min: [left, y, top + n * item.tallMm],
      max: [left + item.acrossMm, y + item.deepMm, top + (n + 1) * item.tallMm],
    },
  }))
}
