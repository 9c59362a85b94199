import { placedBox } from '../../clearance/placing.ts'
import { boxUnion } from '../../geometry/box.ts'
import type { FeatureKind } from '../../room/features.ts'
import { nearestFeature } from '../../room/near-feature.ts'
import { plain } from '../check.ts'
import { defineRoomCheck } from '../room-check.ts'
import { CORD_MM } from './keeping.ts'

/*
 * What a top that people work at asks of the room: light on it, and an outlet for what is used there. Neither is a matter
 * of strength: it is said, and nothing fails for it.
 */

/** A lamp or a window further from the middle of what one works at leaves it in the shade, mm. Product decision. */
export const LIT_WITHIN_MM = 2000

/** Uses of what people work at: the top of a bench, and one over cabinets. */
const TOPS: ReadonlySet<unknown> = new Set(['bench', 'worktop'])

interface Need {
  kinds: readonly FeatureKind[]
  withinMm: number
  code: 'lit' | 'powered'
}
const NEEDS: readonly Need[] = [
  { kinds: ['light', 'window'], withinMm: LIT_WITHIN_MM, code: 'lit' },
  { kinds: ['outlet'], withinMm: CORD_MM, code: 'powered' },
]

/** Light and power at what people work at. */
export const workedAt = defineRoomCheck({
  id: 'worked-at',
  reads: ['assembly', 'boxes', 'frame', 'room', 'outline'],
  run({ assembly, boxes, frame, room, outline }) {
    const tops = assembly.subassemblies.filter((s) => TOPS.has(s.tags?.use)).flatMap((s) => s.parts)
    if (tops.length === 0) return []
    const { min, max } = boxUnion(tops.map((id) => placedBox(frame, boxes.get(id)!)))
    const middle = [0, 1, 2].map((i) => (min[i] + max[i]) / 2) as [number, number, number]
    return NEEDS.map(({ kinds, withinMm, code }) => {
      // A cord is plugged in at the end that is nearest; light must reach the middle.
      const from = code === 'lit' ? { min: middle, max: middle } : { min, max }
      const near = nearestFeature(from, kinds, room.features, outline)
      const state = near && near.mm <= withinMm ? 'holds' : 'not-applicable'
      return plain({
        check: 'worked-at',
        link: 'handling',
        quantity: 'length',
        code: near === null ? `${code}-unknown` : state === 'holds' ? code : `${code}-far`,
        subject: code,
        state,
        parts: [tops[0]],
        data: near
          ? { kind: near.feature.kind, name: near.feature.name, gapMm: near.mm, wantedMm: withinMm }
          : { wantedMm: withinMm },
      })
    })
  },
})
