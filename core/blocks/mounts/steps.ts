import type { Anchor, Assembly } from '../../assembly/assembly.ts'
import { idsOf, type Step } from '../../steps/step.ts'

/* How what stands on the floor is brought level, tied, held down and loaded: the same for every kind. */

/** @param on what stands on the floor */
export const levelStep = (a: Assembly, on: string[]): Step => ({
  id: 'level',
  code: 'level',
  shims: a.shims,
  parts: [],
  on,
  cautions: [],
  hold: { code: 'level-line' },
})

/** Each tie through the piece it goes through; none where nothing is tied. */
export const tieStep = (ties: readonly Anchor[]): Step | false =>
  ties.length > 0 && {
    id: 'tie',
    code: 'tie',
    data: { count: ties.length },
    parts: [],
    on: [...new Set(ties.map((x) => x.part))],
    anchors: idsOf(ties),
    cautions: ['find-studs', 'not-into-wires'],
    hold: { code: 'tied-before-load' },
  }

/** Angles at the feet and their anchors in the slab; none where nothing is held down. */
export const pinStep = (a: Assembly, angles: string[]): Step | false =>
  angles.length > 0 && {
    id: 'pin',
    code: 'pin-feet',
    data: { count: angles.length },
    parts: angles,
    anchors: idsOf(a.anchors.filter((x) => angles.includes(x.part))),
    cautions: ['dust'],
    hold: { code: 'tied-before-load' },
  }

/** @param held tied or held down: what is neither may fall while it is loaded */
export const loadStep = (held: boolean): Step => ({
  id: 'load',
  code: held ? 'load-low-first' : 'load-low-first-untied',
  parts: [],
  cautions: held ? [] : ['untied'],
})

/** Ties through its ends into the walls beside it; none where nothing is tied there. */
export function sidesStep(beside: readonly Anchor[]): Step | false {
  if (beside.length === 0) return false
  const at = (end: 'left' | 'right') => {
    const out = beside.flatMap((x) => (x.side === end ? [x.at[1]] : []))
    return { n: out.length, from: out.length > 0 ? Math.min(...out) : 0, to: Math.max(0, ...out) }
  }
  const [l, r] = [at('left'), at('right')]
  return {
    id: 'tie-sides',
    code: 'tie-sides',
    data: { left: l.n, leftFrom: l.from, leftTo: l.to, right: r.n, rightFrom: r.from, rightTo: r.to },
    parts: [],
    on: [...new Set(beside.map((x) => x.part))],
    anchors: idsOf(beside),
    cautions: ['find-studs', 'not-into-wires'],
    hold: { code: 'tied-before-load' },
  }
}
