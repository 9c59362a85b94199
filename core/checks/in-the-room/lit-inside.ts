import { add, dot, scale, sub, type Vec3 } from '../../geometry/vec.ts'
import { luxUprightFrom, STORE_LUX } from '../../mechanics/light.ts'
import type { Bay } from '../../assembly/assembly.ts'
import type { Input } from '../check.ts'
import { defineRoomCheck, type RoomContext } from '../room-check.ts'
import { isBehind } from './keeping.ts'
import { light, toldLamps, type Lamp } from './lamps.ts'

/*
 * Whether one finds what stands behind leaves, panels or a curtain once they are open, by the lamps of the room: light on
 * an upright face in the middle of the front of each place, as if nobody stood before it.
 */

interface Shone {
  lumens: number
  upMm: number
  outMm: number
  asideMm: number
}
/** A lamp as it stands to the front of a place. */
function before({ lumens, at }: Lamp, { clear, exit }: Bay, frame: RoomContext['frame']): Shone {
  const [x, y, z] = [0, 1, 2].map((i) => (clear.min[i] + clear.max[i]) / 2)
  const half = [0, 1, 2].reduce((mm, i) => mm + (Math.abs(exit[i]) * (clear.max[i] - clear.min[i])) / 2, 0)
  const [px, py] = frame.toPlan(x, y)
  const out = frame.direction(exit)
  const middle = add([px, py, z + frame.liftMm], scale(out, half))
  const [upMm, to] = [at[2] - middle[2], sub(at, middle)]
  const outMm = dot(to, out)
  const flat: Vec3 = [to[0], to[1], 0]
  return { lumens, upMm, outMm, asideMm: Math.hypot(...sub(flat, scale(out, outMm))) }
}

/** Light on what stands in a closed store. */
export const litInside = defineRoomCheck({
  id: 'lit-inside',
  reads: ['assembly', 'boxes', 'frame', 'room', 'outline'],
  run({ assembly, boxes, frame, room, outline }) {
    const leaves = assembly.parts.filter((p) => p.role === 'door')
    if (leaves.length === 0) return []
    const lamps = toldLamps(room, outline)
    if (lamps.length === 0) return []
    const seen = assembly.bays
      .filter((b) => b.exit[2] === 0 && b.items.length > 0 && isBehind(b.clear, leaves, boxes))
      .map((bay) => {
        const shone = lamps.map((l) => before(l, bay, frame))
        return {
          bay,
          shone,
          lux: shone.reduce((sum, l) => sum + luxUprightFrom(l.lumens, l.upMm, l.outMm, l.asideMm), 0),
        }
      })
    if (seen.length === 0) return []
    const { bay, shone, lux } = seen.reduce((a, b) => (b.lux < a.lux ? b : a))
    return [
      light({
        ...{ check: 'lit-inside', subject: 'darkest', codes: { enough: 'store-lit', dim: 'store-dim' } },
        ...{ lux, wantedLux: STORE_LUX, lamps: lamps.length, bays: [bay.id] },
        working: {
          formula: 'E = Σ 0.67 · Φ · h · y / (π · (h² + y² + a²)²)',
          inputs: shone.flatMap((l, i): Input[] => [
            { symbol: `Φ${i + 1} (lm)`, value: l.lumens, quantity: 'count' },
            { symbol: `h${i + 1}`, value: l.upMm, quantity: 'length' },
            { symbol: `y${i + 1}`, value: l.outMm, quantity: 'length' },
            { symbol: `a${i + 1}`, value: l.asideMm, quantity: 'length' },
          ]),
          source: 'inverse square and cosine, lamps that shine down evenly; EN 12464-1: 100 lx in stores',
        },
      }),
    ]
  },
})
