import { wholeBox } from '../../assembly/part-box.ts'
import { intoAlcove } from '../../clearance/carry.ts'
import { highestThatStands, turnUpGap } from '../../clearance/stand-up.ts'
import { boxUnion } from '../../geometry/box.ts'
import { hull, type Point } from '../../geometry/hull.ts'
import { ceilingAt } from '../../room/ceiling.ts'
import { defineRoomCheck } from '../room-check.ts'
import { measured, plain, type CheckResult } from '../check.ts'

/** Kept free while something is turned up past a thing above it, mm. Product decision. */
const SPARE_MM = 10

/**
 * What hangs lower than this is stood beside, not under: it is moved, or the frame is walked past it, mm. Product
 * decision.
 */
const OVERHEAD_MM = 1500

/** A frame built flat and turned up where it will stand: beams, lights, ducts and a sloping ceiling in its way. */
export const standUpClear = defineRoomCheck({
  id: 'stand-up',
  reads: ['assembly', 'boxes', 'frame', 'keeps', 'outline', 'room'],
  run({ assembly, boxes, frame, keeps, outline, room }): CheckResult[] {
    const flat = assembly.subassemblies.filter((s) => s.built === 'flat')
    if (flat.length === 0) return []
    const whole = wholeBox(boxes)
    const highest = flat
      .map((s) => boxUnion(s.parts.map((id) => boxes.get(id)!)))
      .reduce((a, b) =>
        Math.hypot(b.max[1] - b.min[1], b.max[2] - b.min[2]) > Math.hypot(a.max[1] - a.min[1], a.max[2] - a.min[2])
          ? b
          : a,
      )
    const [deep, high] = [highest.max[1] - highest.min[1], highest.max[2] - highest.min[2]]
    // Seen from its own side: out from its back, which stands where its own y is nought.
    const overhead = keeps.filter(
      (k) =>
        (k.code === 'solid' || k.code === 'springs' || k.code === 'opener' || k.code === 'track') &&
        k.body.min[2] > OVERHEAD_MM,
    )
    const origin = frame.toPlan(0, 0)
    const [ex, ey] = [frame.direction([1, 0, 0]), frame.direction([0, 1, 0])]
    const things: { name: string; kind: string; under: number; startMm: number; endMm: number; outline: Point[] }[] = []
    for (const k of overhead) {
      const seen = k.body.points.map((p) => {
        const d = [p[0] - origin[0], p[1] - origin[1]]
        return { x: d[0] * ex[0] + d[1] * ex[1], y: d[0] * ey[0] + d[1] * ey[1], z: p[2] }
      })
      if (Math.max(...seen.map((s) => s.x)) <= whole.min[0] || Math.min(...seen.map((s) => s.x)) >= whole.max[0])
        continue
      const outs = seen.map((s) => s.y)
      things.push({
        name: k.feature?.name ?? '',
        kind: k.feature?.kind ?? '',
        under: k.body.min[2],
        startMm: Math.min(...outs),
        endMm: Math.max(...outs),
        outline: hull(seen.map((s): Point => [s.y, s.z])),
      })
    }
    /** The nearest of all while it is turned up this far out from its place. */
    const turnedUp = (outMm: number) => {
      let worst: { gap: number; thing: (typeof things)[number] } | null = null
      for (const thing of things) {
        if (thing.endMm < outMm || thing.startMm > outMm + deep + high) continue
        const gap = turnUpGap(deep, high, highest.min[1] + outMm, thing.outline)
        if (!worst || gap < worst.gap) worst = { gap, thing }
      }
      return worst
    }
    const here = turnedUp(0)
    const worst = here && { gap: here.gap, ...here.thing }
    const results: CheckResult[] = []
    // Turned up in front of what is in the way, where nothing else is, and slid in under all that hangs over the way
    // back.
    const outMm = worst?.endMm ?? 0
    const ceiling = ceilingAt(room, outline, frame.toPlan((whole.min[0] + whole.max[0]) / 2, outMm + deep))
    const lowest = Math.min(...things.filter((t) => t.startMm < outMm + deep && t.endMm > 0).map((t) => t.under))
    const slides =
      worst &&
      worst.gap < SPARE_MM &&
      (turnedUp(outMm + 1)?.gap ?? Infinity) >= SPARE_MM &&
      intoAlcove({ deepMm: deep, highMm: high }, { highMm: lowest, deepMm: deep, outsideMm: ceiling }, SPARE_MM) ===
        'slid-in'
    if (worst && slides)
      results.push(
        plain({
          check: 'stand-up',
          link: 'handling',
          code: 'turn-up-in-front',
          quantity: 'length',
          subject: 'things',
          state: 'holds',
          data: { name: worst.name, kind: worst.kind, outMm, spareMm: lowest - high },
        }),
      )
    else if (worst)
      results.push(
        measured({
          check: 'stand-up',
          link: 'handling',
          code: 'turn-up',
          quantity: 'length',
          subject: 'things',
          demand: SPARE_MM,
          capacity: Math.max(worst.gap, 0),
          data: {
            gapMm: worst.gap,
            name: worst.name,
            kind: worst.kind,
            shortenMm: Math.max(0, high - highestThatStands(deep, worst.under - SPARE_MM)),
            halvesMm: high / 2,
            highMm: high,
          },
          working: {
            formula: 'least gap while the frame turns about its lower edge',
            inputs: [
              { symbol: 'height', value: high, quantity: 'length' },
              { symbol: 'depth', value: deep, quantity: 'length' },
              { symbol: 'gap', value: worst.gap, quantity: 'length' },
            ],
            source: 'geometry of a turning rectangle',
          },
        }),
      )
    if (room.ceiling.slope) {
      // Under a slope the corner is highest above the place where the diagonal stands upright.
      const need = Math.hypot(deep, high) + SPARE_MM
      const at = frame.toPlan((whole.min[0] + whole.max[0]) / 2, deep)
      results.push(
        measured({
          check: 'stand-up',
          link: 'handling',
          code: 'turn-up-slope',
          quantity: 'length',
          subject: 'slope',
          demand: need,
          capacity: ceilingAt(room, outline, at),
          data: {
            needMm: need,
            haveMm: ceilingAt(room, outline, at),
            shortenMm: Math.max(0, high - highestThatStands(deep, ceilingAt(room, outline, at) - SPARE_MM)),
            halvesMm: high / 2,
          },
        }),
      )
    }
    return results
  },
})
