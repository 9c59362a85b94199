import type { Conflict } from '../../clearance/conflicts.ts'
import { defineRoomCheck } from '../room-check.ts'
import { plain, type CheckResult } from '../check.ts'

/** Name of what a build meets, as data for the words. */
const metData = (c: Conflict): Record<string, string> => ({
  kind: c.feature?.kind ?? (c.neighbour ? 'build' : 'wall'),
  name: c.feature ? c.feature.name : (c.neighbour?.name ?? c.wall?.wall.name ?? ''),
  wall: c.wall?.wall.name ?? '',
})

/** A build against other builds, walls, doors and all that stands in the room, with the space each keeps. */
export const clearance = defineRoomCheck({
  id: 'clearance',
  reads: ['conflicts', 'frame'],
  run({ conflicts, frame }): CheckResult[] {
    const given = { check: 'clearance', link: 'room' as const, quantity: 'length' as const }
    if (conflicts.length === 0) return [plain({ ...given, code: 'clear', subject: 'all', state: 'holds' })]
    return conflicts.map((c) =>
      plain({
        ...given,
        code: `meets-${c.code}`,
        subject: `${c.code}:${c.feature?.id ?? c.neighbour?.id ?? c.wall?.wall.id ?? ''}`,
        state: 'fails',
        demand: c.byMm,
        parts: c.parts,
        bays: c.bays,
        data: {
          ...metData(c),
          featureId: c.feature?.id ?? '',
          byMm: c.byMm,
          atMm: c.atMm,
          upMm: c.upMm,
          onWall: frame.wall.wall.name,
          goods: c.bays.length,
          parts: c.parts.length,
          sought: c.sought ? 1 : 0,
          moveMm: c.move?.mm ?? -1,
          moveWay: c.move?.way ?? '',
          clearMm: c.clearing?.mm ?? -1,
          clearWay: c.clearing?.way ?? '',
        },
        working: {
          formula: 'least push that parts the two, over all separating axes of the two bodies',
          inputs: [
            { symbol: 'reach into it', value: c.byMm, quantity: 'length' },
            { symbol: 'along the wall', value: c.atMm, quantity: 'length' },
            { symbol: 'above the floor', value: c.upMm, quantity: 'length' },
          ],
          source: 'geometry of the two bodies as placed',
        },
      }),
    )
  },
})
