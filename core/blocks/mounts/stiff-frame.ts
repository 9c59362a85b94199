import type { Draft } from '../../assembly/draft.ts'
import type { Vec3 } from '../../geometry/vec.ts'

const UP: Vec3 = [0, 0, 1]
/** Higher than this over the floor nothing stands on it, mm. */
const OVER_FLOOR_MM = 1

/**
 * Uprights that stand side by side and are stiff against each other: what leaves that hang on one of them push it
 * sideways is a couple, and comes down as a little more under one edge of their feet and a little less under another.
 * Whether they are stiff at all the sway check asks.
 * @param plates on the floor under them
 * @param panels between them that leaves stand in and hang from
 */
export function stiffFrame(
  d: Draft,
  id: string,
  uprights: readonly string[],
  plates: readonly string[] = [],
  panels: readonly string[] = [],
): void {
  d.frame(id, [...uprights, ...plates, ...panels])
  for (const u of uprights) {
    const { min, max } = d.box(u)
    // What stands on others comes down by those: on a plate, where it stands on that.
    const on = plates.filter((plate) => d.meets(u, plate))
    if (min[2] > OVER_FLOOR_MM && on.length === 0) continue
    const middle = (min[1] + max[1]) / 2
    // Over a joint of two plates it stands on an end of each.
    for (const through of on.length > 0 ? on : [u]) {
      const under = d.box(through)
      const [left, right] = [Math.max(min[0], under.min[0]), Math.min(max[0], under.max[0])]
      for (const [from, to] of [
        [min[1], middle],
        [middle, max[1]],
      ])
        d.hold({
          from: { body: id, through },
          on: { kind: 'floor' },
          contact: { min: [left, from, under.min[2]], max: [right, to, under.min[2]] },
          push: UP,
          way: 'both',
          via: 'bearing',
        })
    }
  }
}
