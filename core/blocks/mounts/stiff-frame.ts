import type { Draft } from '../../assembly/draft.ts'
import type { Vec3 } from '../../geometry/vec.ts'

const UP: Vec3 = [0, 0, 1]
/** Higher than this over the floor nothing stands on it, mm. */
const OVER_FLOOR_MM = 1

/**
 * Uprights that stand side by side and are stiff against each other: what leaves that hang on one of them push it
 * sideways is a couple, and comes down as a little more under one edge of their feet and a little less under another.
 * Whether they are stiff at all the sway check asks.
 */
export function stiffFrame(d: Draft, id: string, uprights: readonly string[]): void {
  d.frame(id, [...uprights])
  for (const u of uprights) {
    const { min, max } = d.box(u)
    // What stands on others comes down by those.
    if (min[2] > OVER_FLOOR_MM) continue
    const middle = (min[1] + max[1]) / 2
    for (const [from, to] of [
      [min[1], middle],
      [middle, max[1]],
    ])
      d.hold({
        from: { body: id, through: u },
        on: { kind: 'floor' },
        contact: { min: [min[0], from, min[2]], max: [max[0], to, min[2]] },
        push: UP,
        way: 'both',
        via: 'bearing',
      })
  }
}
