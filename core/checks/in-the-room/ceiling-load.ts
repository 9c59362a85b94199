import { allowanceKnM2 } from '../../room/ceiling.ts'
import { defineRoomCheck } from '../room-check.ts'
import { measured, plain, type CheckResult } from '../check.ts'

/**
 * What hangs from the ceiling, against what its joists may take besides themselves; trusses are always an engineer's. Where a joist's size and span are
 * known each is judged by itself instead.
 */
export const ceilingLoad = defineRoomCheck({
  id: 'ceiling-load',
  reads: ['assembly', 'room', 'solids', 'hungN'],
  run({ assembly, room, solids, hungN }): CheckResult[] {
    if (!assembly.supports.some((s) => s.on.kind === 'ceiling')) return []
    if (room.ceiling.kind === 'joists' && room.ceiling.joist) return []
    const given = { check: 'ceiling-load', link: 'ground' as const, quantity: 'stress' as const, subject: 'ceiling' }
    if (room.ceiling.kind === 'trusses') return [plain({ ...given, code: 'trusses', state: 'fails' })]
    const allowed = allowanceKnM2(room)
    if (allowed === null || hungN === null)
      return [plain({ ...given, code: allowed === null ? 'unknown-ceiling' : 'unknown-not-weighed', state: 'unknown' })]
    const { min, max } = solids.whole
    const area = Math.max(1, (max[0] - min[0]) * (max[1] - min[1]))
    return [
      measured({
        ...given,
        code: 'hung',
        demand: hungN / area,
        capacity: allowed / 1000,
        data: { hungN, knM2: (hungN / area) * 1000, allowedKnM2: allowed },
        working: {
          formula: 'hung weight / area under it ≤ what the ceiling may be given',
          source:
            room.ceiling.allowanceKnM2 === null
              ? 'ceiling without storage, 10 psf: IRC table R301.5'
              : 'entered in Survey',
          inputs: [
            { symbol: 'hung', value: hungN, quantity: 'force' },
            { symbol: 'area', value: area, quantity: 'area' },
          ],
        },
      }),
    ]
  },
})
