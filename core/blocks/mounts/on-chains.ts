import type { Draft } from '../../assembly/draft.ts'
import { eyeNutFor } from '../../catalogue/hardware.ts'
import type { Line } from '../../catalogue/soft.ts'
import type { Rod } from '../../catalogue/steel.ts'
import { hangsAt, nutted, pastNuts, pieceOfRod, type MakeColumn } from './on-rods.ts'

/*
 * Chains instead of long rods: short rods through the spreader and through every piece of wood, with an eye nut on each
 * end that a chain hooks into.
 *
 *   =====●==|==●=====  spreader          What hangs lower hangs from the rod through the wood over it: its weight goes up
 *   --------o--------  ceiling           along that rod, the wood gives only its own.
 *           ¦  chain
 *   ======= o =======  wood
 *           ¦
 */

/** The eye under the ceiling is this far below it, mm. */
const EYE_UNDER_MM = 30

/** A chain has some links, mm: product decision. */
const LEAST_CHAIN_MM = 40
/** Least room between one piece of wood and what is over it, for rods, nuts, eyes and some links of chain, mm. */
export const roomForChain = (rod: Rod, under: 'wood' | 'ceiling'): number => {
  const ends = under === 'wood' ? 2 * pastNuts(rod) : pastNuts(rod) + EYE_UNDER_MM
  return ends + 2 * eyeNutFor(rod).highMm + LEAST_CHAIN_MM
}

/** Makes columns of chain. */
export const chainsOf =
  (chain: Line): MakeColumn =>
  (d, h, c) => {
    const eyeNut = eyeNutFor(h.rod)
    const at = { ...c, acrossMm: h.rod.diameterMm }
    const lower: string[] = []
    const stub = (id: string, foot: number, head: number) => {
      pieceOfRod(d, h.rod, { ...c, id }, foot, head)
      return { id, foot, head }
    }
    const { max } = d.box(c.over)
    const top = stub(`rod-${c.id}-upper`, h.ceilingMm - EYE_UNDER_MM, max[2] + pastNuts(h.rod))
    hangsAt(d, at, [top.id, c.over], max[2], nutted(h.rod))
    let above = top
    for (const [k, wood] of [...c.from].reverse().entries()) {
      const box = d.box(wood)
      const next = stub(`rod-${c.id}-${k}`, box.min[2] - pastNuts(h.rod), box.max[2] + pastNuts(h.rod))
      hangsAt(d, at, [wood, next.id], box.min[2], nutted(h.rod))
      const from = placeEye(d, { ...c, id: `eye-${c.id}-${k}-low`, fromMm: next.head }, eyeNut)
      const to = placeEye(d, { ...c, id: `eye-${c.id}-${k}-high`, fromMm: above.foot - eyeNut.highMm }, eyeNut)
      const link = `chain-${c.id}-${k}`
      const [z0, z1] = [next.head + eyeNut.highMm, above.foot - eyeNut.highMm]
      d.square({
        id: link,
        role: 'rod',
        stock: { kind: 'soft', soft: chain.id },
        min: [c.x - chain.wideMm / 2, c.y - chain.wideMm / 2, z0],
        size: [chain.wideMm, chain.wideMm, z1 - z0],
        along: 'z',
        across: 'x',
        axial: true,
      })
      hangsAt(d, at, [next.id, from], next.head, [])
      hangsAt(d, at, [from, link], z0, [])
      hangsAt(d, at, [link, to], z1, [])
      hangsAt(d, at, [to, above.id], above.foot, [])
      lower.push(next.id, from, link, to)
      above = next
    }
    return { lower, upper: top.id }
  }

function placeEye(
  d: Draft,
  at: { x: number; y: number; id: string; fromMm: number },
  { item, massKg, ratedN, highMm, forMm }: ReturnType<typeof eyeNutFor>,
): string {
  const wide = 2 * forMm
  d.square({
    id: at.id,
    role: 'hardware',
    stock: { kind: 'bought', item, massKg, ratedN },
    min: [at.x - wide / 2, at.y - wide / 2, at.fromMm],
    size: [wide, wide, highMm],
    along: 'x',
    across: 'y',
  })
  return at.id
}
