import type { Assembly, Placed } from '../assembly/assembly.ts'
import type { Goods } from '../goods/goods.ts'

/** Sizes that differ by less are the same, mm. */
const SAME_MM = 0.5
const SIZES = ['acrossMm', 'deepMm', 'tallMm'] as const

/**
 * Things in places made for them as they are in use, drawn and weighed as they are at rest: they press on no more than
 * they stand on. Each stays on its base, in the middle of its place.
 * @param used what the places were made for, by id
 */
export function atRest(a: Assembly, rest: ReadonlyMap<string, Goods>, used: ReadonlyMap<string, Goods>): Assembly {
  const shrunk = (i: Placed): Placed => {
    const [r, u] = [rest.get(i.goodsId), used.get(i.goodsId)]
    if (!r || !u || r === u) return i
    if (i.turned) return turnedAtRest(i, i.turned, r)
    const [min, max] = [[...i.box.min], [...i.box.max]] as [[number, number, number], [number, number, number]]
    // Whichever way round it stands: by which of its sizes it fills an axis.
    const left = [...SIZES]
    for (const k of [0, 1, 2]) {
      const at = left.findIndex((key) => Math.abs(u[key] - (max[k] - min[k])) < SAME_MM)
      const [key] = at < 0 ? [] : left.splice(at, 1)
      const less = key ? u[key] - r[key] : 0
      if (k < 2) min[k] += less / 2
      max[k] -= k < 2 ? less / 2 : less
    }
    return { ...i, box: { min, max } }
  }
  return { ...a, bays: a.bays.map((b) => ({ ...b, items: b.items.map(shrunk) })) }
}

/** The same of what stands at an angle: its own size shrinks, and the box around it. */
function turnedAtRest(i: Placed, { rad }: NonNullable<Placed['turned']>, { acrossMm, deepMm, tallMm }: Goods): Placed {
  const [c, s] = [Math.abs(Math.cos(rad)), Math.abs(Math.sin(rad))]
  const half = [(acrossMm * c + deepMm * s) / 2, (acrossMm * s + deepMm * c) / 2]
  const [x, y] = [0, 1].map((k) => (i.box.min[k] + i.box.max[k]) / 2)
  const z = i.box.min[2]
  return {
    ...i,
    box: { min: [x - half[0], y - half[1], z], max: [x + half[0], y + half[1], z + tallMm] },
    turned: { rad, acrossMm, deepMm },
  }
}
