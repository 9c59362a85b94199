import { ceilingAt } from '../../room/ceiling.ts'
import { SAME_LENGTH_MM } from '../../measure/rounding.ts'
import { defineRoomCheck } from '../room-check.ts'
import { measured, type CheckResult } from '../check.ts'

/** Under a sloping ceiling: every top corner of the build and its goods below the ceiling over it. */
export const underCeiling = defineRoomCheck({
  id: 'under-ceiling',
  reads: ['room', 'outline', 'solids'],
  run({ room, outline, solids }): CheckResult[] {
    if (!room.ceiling.slope) return []
    let worst = { over: -Infinity, z: 0, have: 0 }
    for (const s of [...solids.parts, ...solids.goods])
      for (const p of s.body.points) {
        const have = ceilingAt(room, outline, [p[0], p[1]])
        if (p[2] - have > worst.over) worst = { over: p[2] - have, z: p[2], have }
      }
    return [
      measured({
        check: 'under-ceiling',
        link: 'room',
        code: 'under-slope',
        quantity: 'length',
        subject: 'all',
        demand: worst.z - SAME_LENGTH_MM,
        capacity: worst.have,
        data: { needMm: worst.z, haveMm: worst.have },
      }),
    ]
  },
})
