import type { Draft } from '../../assembly/draft.ts'
import { OUT, UP } from '../mounts/wall-fixing.ts'

/** A bought hook, by what its maker says it carries: sizes mm, kg, N. */
export interface RatedHook {
  item: string
  massKg: number
  ratedN: number
  wideMm: number
  highMm: number
  outMm: number
}

/** Puts a hook on the face of a board or a panel: held up and back at the top and the bottom of its plate. @returns it */
export function placeRatedHook(
  d: Draft,
  k: { hook: RatedHook; id: string; on: string; x: number; z: number; face: number },
): string {
  const { item, massKg, ratedN, wideMm, highMm, outMm } = k.hook
  d.square({
    id: k.id,
    role: 'hardware',
    stock: { kind: 'bought', item, massKg, ratedN },
    min: [k.x - wideMm / 2, k.face, k.z - highMm / 2],
    size: [wideMm, outMm, highMm],
    along: 'z',
    across: 'x',
  })
  d.joint({ kind: 'screwed', near: k.id, far: k.on, fasteners: [] })
  const body = `${k.id}-body`
  d.body(body, [k.id], [])
  for (const z of [k.z - highMm / 3, k.z + highMm / 3])
    for (const push of [UP, OUT])
      d.hold({
        from: { body, through: k.id },
        on: { kind: 'part', part: k.on },
        contact: { min: [k.x, k.face, z], max: [k.x, k.face, z] },
        push,
        way: 'both',
        via: 'hanging',
      })
  return k.id
}
