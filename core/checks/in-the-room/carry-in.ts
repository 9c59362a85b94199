import { findSection } from '../../catalogue/lumber.ts'
import { roundCorner, throughDoorway } from '../../clearance/carry.ts'
import type { Part } from '../../assembly/assembly.ts'
import type { Feature } from '../../room/features.ts'
import { defineRoomCheck } from '../room-check.ts'
import { plain, type CheckResult } from '../check.ts'

/** Room one has inside a door before the first thing in the way, when nothing else is known, mm. Product decision. */
const INSIDE_MM = 2400

interface Big {
  part: Part
  lengthMm: number
  widthMm: number
  thicknessMm: number
}

/** The pieces hardest to bring in: the largest sheet piece, the longest board, and what is not cut at all. */
function bigPieces(parts: readonly Part[]): Big[] {
  const sized = parts.map((part): Big => ({
    part,
    lengthMm: part.size.lengthMm,
    widthMm: part.size.widthMm,
    thicknessMm: part.size.thicknessMm,
  }))
  const largest = (list: Big[], of: (b: Big) => number) =>
    list.length === 0 ? [] : [list.reduce((a, b) => (of(b) > of(a) ? b : a))]
  const sheets = sized.filter((b) => b.part.stock.kind === 'sheet')
  const boards = sized.filter((b) => b.part.stock.kind === 'board' && findSection(b.part.stock.section))
  const whole = sized.filter((b) => b.part.stock.kind === 'existing')
  return [...largest(sheets, (b) => b.widthMm * 1e5 + b.lengthMm), ...largest(boards, (b) => b.lengthMm), ...whole]
}

interface Way {
  door: Feature
  passes: boolean
  shortenMm: number
  why: 'door' | 'corner' | null
}

function through(b: Big, door: Feature): Way {
  const past = throughDoorway(b, door.wideMm, door.highMm)
  if (!past.passes) return { door, passes: false, shortenMm: 0, why: 'door' }
  const outside = door.leaf?.outsideMm ?? null
  if (outside === null) return { door, passes: true, shortenMm: 0, why: null }
  // From a passage through the doorway: a corner from the passage's width into the width of the door.
  const turn = roundCorner(b, outside, Math.min(door.wideMm, INSIDE_MM), door.highMm)
  return { door, passes: turn.passes, shortenMm: turn.shortenMm, why: turn.passes ? null : 'corner' }
}

/** Whether every piece can be brought into the room through one of its doors. */
export const carryIn = defineRoomCheck({
  id: 'carry-in',
  reads: ['assembly', 'room'],
  run({ assembly, room }): CheckResult[] {
    const doors = room.features.filter((f) => f.kind === 'door' || f.kind === 'sectional-door')
    const given = { check: 'carry-in', link: 'handling' as const, quantity: 'length' as const }
    if (doors.length === 0) return [plain({ ...given, code: 'no-doors', subject: 'all', state: 'not-applicable' })]
    return bigPieces(assembly.parts).map((b) => {
      const ways = doors
        .map((d) => through(b, d))
        .sort((x, y) => Number(y.passes) - Number(x.passes) || x.shortenMm - y.shortenMm)
      const best = ways[0]
      return plain({
        ...given,
        code: best.passes ? 'carried-in' : best.why === 'corner' ? 'stuck-corner' : 'stuck-door',
        subject: b.part.role,
        state: best.passes ? 'holds' : 'fails',
        parts: [b.part.id],
        data: {
          role: b.part.role,
          name: best.door.name,
          kind: best.door.kind,
          lengthMm: b.lengthMm,
          widthMm: b.widthMm,
          doorMm: best.door.wideMm,
          doorHighMm: best.door.highMm,
          shortenMm: best.shortenMm,
          outsideMm: best.door.leaf?.outsideMm ?? 0,
        },
        working: {
          formula:
            'two smaller sides through the opening (a rectangle turned in a rectangle); from a passage: L ≤ min (a·cos θ + b·sin θ − w) / (sin θ·cos θ)',
          inputs: [
            { symbol: 'length', value: b.lengthMm, quantity: 'length' },
            { symbol: 'width', value: b.widthMm, quantity: 'length' },
            { symbol: 'doorway', value: best.door.wideMm, quantity: 'length' },
            { symbol: 'its height', value: best.door.highMm, quantity: 'length' },
          ],
          source: 'Carver 1957; the ladder round a corner',
        },
      })
    })
  },
})
