import type { Assembly } from '../assembly/assembly.ts'
import type { Point } from '../geometry/hull.ts'
import type { FreeSpace } from '../room/room.ts'
import type { Mark } from './scene.ts'

const line = (from: Point, to: Point): Mark => ({ kind: 'line', from, to, ink: 'wall' })

/**
 * The ceiling and the joists over what hangs from it, as one looks at the wall or along it: each joist from its end, or
 * as one band from the side. Nothing over a build that does not reach up there.
 */
export function overhead(
  a: Assembly,
  space: Pick<FreeSpace, 'ceilingMm' | 'joists'>,
  view: 'front' | 'section',
  [from, to]: [number, number],
): Mark[] {
  if (!a.supports.some((s) => s.on.kind === 'ceiling')) return []
  const { ceilingMm: low, joists: j } = space
  const out = [line([from, low], [to, low])]
  if (!j?.size) return out
  const high = low + j.size.deepMm
  if ((view === 'front') !== (j.run === 'out')) return [...out, line([from, high], [to, high])]
  const half = j.size.wideMm / 2
  const seen = j.atMm.filter((x) => x - half > from && x + half < to)
  return [
    ...out,
    ...seen.flatMap((x) => [
      line([x - half, low], [x - half, high]),
      line([x - half, high], [x + half, high]),
      line([x + half, high], [x + half, low]),
    ]),
  ]
}
