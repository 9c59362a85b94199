import type { Goods } from '../goods/goods.ts'

/*
 * The face of a wall, seen from the room: what is taken of it, and whether there is room for something so large.
 */

/** What something takes of a wall's face, mm along it and over the floor. */
export interface Taken {
  from: number
  to: number
  lowMm: number
  highMm: number
}

/**
 * Whether a piece so long and so high is free of all that is taken: then one that is free begins where something ends.
 * @param onFloor it stands there. @param between it begins there, mm: anywhere when left out
 */
export function isFree(
  face: { longMm: number; highMm: number },
  taken: readonly Taken[],
  { longMm, highMm, onFloor }: { longMm: number; highMm: number; onFloor: boolean },
  between: { from: number; to: number } = { from: 0, to: face.longMm },
): boolean {
  const first = Math.max(0, between.from)
  const lefts = [first, ...taken.map((t) => t.to)].filter(
    (x) => x >= first && x <= between.to && x + longMm <= face.longMm,
  )
  const feet = [0, ...(onFloor ? [] : taken.map((t) => t.highMm))].filter((z) => z >= 0 && z + highMm <= face.highMm)
  const meets = (t: Taken, x: number, z: number) =>
    t.from < x + longMm && t.to > x && t.lowMm < z + highMm && t.highMm > z
  return lefts.some((x) => feet.some((z) => !taken.some((t) => meets(t, x, z))))
}

/** How little of a face a thing may take as it is kept, mm: what has a front is not turned, what is held in the hand may hang any way. */
export function facesOf(
  g: Pick<Goods, 'kind' | 'acrossMm' | 'deepMm' | 'tallMm'>,
): { longMm: number; highMm: number }[] {
  if (g.kind === 'equipment') return [{ longMm: g.acrossMm, highMm: g.tallMm }]
  if (STANDS.includes(g.kind)) return [{ longMm: Math.min(g.acrossMm, g.deepMm), highMm: g.tallMm }]
  const [a, b] = [g.acrossMm, g.deepMm, g.tallMm].sort((x, y) => x - y)
  return [
    { longMm: a, highMm: b },
    { longMm: b, highMm: a },
  ]
}
/** What stands as it was measured, one of its sides or the other to the front. */
const STANDS: readonly Goods['kind'][] = ['tote', 'box', 'pail', 'drum', 'bag', 'other']
