import { placedBox } from '../../clearance/placing.ts'
import { boxUnion } from '../../geometry/box.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import { BENCH_LUX, luxFrom } from '../../mechanics/light.ts'
import type { FeatureKind } from '../../room/features.ts'
import { boxesApart, cordWayMm, nearestFeature } from '../../room/near-feature.ts'
import { plain, type Input } from '../check.ts'
import { defineRoomCheck } from '../room-check.ts'
import { CORD_MM } from './keeping.ts'
import { light, toldLamps, type Lamp } from './lamps.ts'

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

/** One lamp as it shines on the middle of what one works at. */
function lampOver({ lumens, at }: Lamp, to: Vec3) {
  const [upMm, awayMm] = [at[2] - to[2], Math.hypot(at[0] - to[0], at[1] - to[1])]
  return { lumens, upMm, awayMm, lux: luxFrom(lumens, upMm, awayMm) }
}

/** Light in the middle of a top from the lamps whose brightness is known; daylight comes on top of it. */
function lit(top: string, at: Vec3, told: readonly Lamp[]) {
  const lamps = told.map((l) => lampOver(l, at))
  return light({
    ...{ check: 'worked-at', subject: 'lit', codes: { enough: 'lit-enough', dim: 'lit-dim' }, parts: [top] },
    ...{ lux: lamps.reduce((sum, l) => sum + l.lux, 0), wantedLux: BENCH_LUX, lamps: lamps.length },
    working: {
      formula: 'E = Σ 0.67 · Φ · h² / (π · (h² + a²)²)',
      inputs: lamps.flatMap((l, i): Input[] => [
        { symbol: `Φ${i + 1} (lm)`, value: l.lumens, quantity: 'count' },
        { symbol: `h${i + 1}`, value: l.upMm, quantity: 'length' },
        { symbol: `a${i + 1}`, value: l.awayMm, quantity: 'length' },
      ]),
      source: 'inverse square and cosine, lamps that shine down evenly; EN 12464-1: 300 lx at a joiner’s bench',
    },
  })
}

/** Light and power at what people work at. */
export const workedAt = defineRoomCheck({
  id: 'worked-at',
  reads: ['assembly', 'boxes', 'frame', 'room', 'outline'],
  run({ assembly, boxes, frame, room, outline }) {
    const tops = assembly.subassemblies.filter((s) => TOPS.has(s.tags?.use)).flatMap((s) => s.parts)
    if (tops.length === 0) return []
    const { min, max } = boxUnion(tops.map((id) => placedBox(frame, boxes.get(id)!)))
    const middle = [0, 1, 2].map((i) => (min[i] + max[i]) / 2) as Vec3
    const lamps = toldLamps(room, outline)
    return NEEDS.map(({ kinds, withinMm, code }) => {
      // What lamps give is reckoned where somebody said how bright they are.
      if (code === 'lit' && lamps.length > 0) return lit(tops[0], middle, lamps)
      // A cord is plugged in at the end that is nearest; light must reach the middle.
      const from = code === 'lit' ? { min: middle, max: middle } : { min, max }
      const near = nearestFeature(from, kinds, room.features, outline, code === 'powered' ? cordWayMm : boxesApart)
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
