import earcut from 'earcut'
import type { TurnedBox } from './box.ts'

type Corner = readonly [number, number]

const turn = (o: Corner, a: Corner, b: Corner) => (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0])

/** Whether corners go round without one that points inwards. */
export const isConvex = (outline: readonly Corner[]): boolean =>
  outline.every((c, i) => turn(c, outline[(i + 1) % outline.length], outline[(i + 2) % outline.length]) > 0)

const cut = new WeakMap<readonly Corner[], readonly (readonly Corner[])[]>()

/** Triangles an outline is made of, each going round as it does. */
export function trianglesOf(outline: readonly Corner[]): readonly (readonly Corner[])[] {
  const known = cut.get(outline)
  if (known) return known
  const at = earcut(outline.flat())
  const out = Array.from({ length: at.length / 3 }, (_, i): Corner[] => {
    const [a, b, c] = [0, 1, 2].map((k) => outline[at[3 * i + k]])
    return turn(a, b, c) > 0 ? [a, b, c] : [a, c, b]
  })
  cut.set(outline, out)
  return out
}

/** A solid as solids without a corner that points inwards: itself where it has none. */
export function convexPieces(b: TurnedBox): readonly TurnedBox[] {
  if (!b.outline || isConvex(b.outline)) return [b]
  return trianglesOf(b.outline).map((outline) => ({ ...b, outline }))
}

/** Whether the edges of an outline meet at its corners only. */
export function isSimple(outline: readonly Corner[]): boolean {
  const n = outline.length
  const crosses = (a: Corner, b: Corner, c: Corner, d: Corner) =>
    turn(a, b, c) * turn(a, b, d) <= 0 && turn(c, d, a) * turn(c, d, b) <= 0
  for (let i = 0; i < n; i++)
    for (let k = i + 2; k < n; k++)
      if (!(i === 0 && k === n - 1) && crosses(outline[i], outline[i + 1], outline[k], outline[(k + 1) % n]))
        return false
  return true
}
