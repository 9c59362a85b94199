import type { Goods } from '../goods/goods.ts'
import { familyName } from './dims.ts'

/** Kinds of things a name tells of, and how long it gets by that, letters. */
const MOST_TOLD = 2
const MOST_LETTERS = 60

interface Named {
  family: string
  goods: readonly { goodsId: string; count: number }[]
}

/**
 * What a build of several is called: its kind, and what takes most room in it: `Post rack: totes, tins of paint`. A
 * name that is taken gets a number.
 */
export function buildName(b: Named, goods: readonly Goods[], taken: ReadonlySet<string>): string {
  const volume = (g: Goods, count: number) => count * g.acrossMm * g.deepMm * g.tallMm
  const held = b.goods
    .flatMap(({ goodsId, count }) => {
      const g = goods.find((x) => x.id === goodsId)
      return g ? [{ name: g.name, mm3: volume(g, count) }] : []
    })
    .sort((x, y) => y.mm3 - x.mm3)
  const kind = familyName(b.family)
  const told = [...new Set(held.map((x) => x.name))].slice(0, MOST_TOLD)
  while (told.length > 0 && nameOf(kind, told).length > MOST_LETTERS) told.pop()
  const name = nameOf(kind, told)
  if (!taken.has(name)) return name
  for (let n = 2; ; n++) if (!taken.has(`${name} ${n}`)) return `${name} ${n}`
}
const nameOf = (kind: string, told: readonly string[]) => (told.length > 0 ? `${kind}: ${told.join(', ')}` : kind)
