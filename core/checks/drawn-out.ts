import type { Bay, Motion, Part, Support } from '../assembly/assembly.ts'
import { massCentre, partMassKg } from '../assembly/mass.ts'
import { opens } from '../assembly/moved.ts'
import { runnersOf } from '../assembly/runners.ts'
import type { Box } from '../geometry/box.ts'
import { dot, scale, type Vec3 } from '../geometry/vec.ts'
import { newtons } from '../measure/units.ts'
import { PANEL_BEARING_MPA } from './bearing.ts'
import { defineCheck, measured, notWeighed, plain, type CheckContext, type CheckResult } from './check.ts'

/*
 * A drawer on a runner bottom, drawn out as it is in use: only its last part is still in its grooves. It tips over their
 * front ends, and the ground of the grooves and their upper lips press back.
 *
 *      N2 ↓         e
 *     ====.====.---------|-------   bottom
 *         ↑ N1           ↓ W        N2 = W·e / a, N1 = W + N2
 *        |  a  |
 */

/** Both press over a third of what is still in the grooves: product decision, between all of it and an edge. */
const PRESSED_SHARE = 1 / 3
/** Of what a drawer weighs one groove takes at most this: things lie to one side. Product decision. */
const ONE_SIDE = 0.75

interface Drawn {
  motion: Motion
  bottom: Part
  supports: Support[]
  /** Still in the grooves, and how far the bottom reaches into one, mm. */
  staysMm: number
  reachMm: number
  loadN: number
  /** About the middle of what presses in front, N·mm. */
  momentNmm: number
  unweighed: string | null
}

type Given = Pick<CheckContext, 'assembly' | 'parts' | 'method'>

/** From where to where a box reaches along a direction. */
const along = (b: Box, way: Vec3): [number, number] => {
  const ends = [dot(b.min, way), dot(b.max, way)]
  return [Math.min(...ends), Math.max(...ends)]
}

function drawnOut(m: Motion & { kind: 'slide' }, c: Given): Drawn | null {
  const supports = runnersOf(m, c.assembly)
  const [first] = supports
  if (!first || !('part' in first.from)) return null
  const travelMm = Math.hypot(...m.by)
  const way = scale(m.by, 1 / travelMm)
  const [fromMm, frontMm] = along(first.contact, way)
  const staysMm = frontMm - fromMm - travelMm
  const { self, goods } = c.method.loadFactor
  const pivotMm = frontMm - (PRESSED_SHARE * staysMm) / 2
  let [loadN, momentNmm] = [0, 0]
  const add = (n: number, atMm: number) => {
    loadN += n
    momentNmm += n * (atMm + travelMm - pivotMm)
  }
  for (const id of m.parts) {
    const p = c.parts.get(id)!
    add(self * newtons(partMassKg(p)), dot(massCentre(p), way))
  }
  let unweighed: string | null = null
  for (const b of c.assembly.bays.filter((x) => x.carriers.some((id) => m.parts.includes(id)))) {
    unweighed ??= b.items.find((i) => i.massKg === null)?.goodsId ?? null
    for (const { n, atMm } of forward(b, way)) {
      loadN += goods * n
      // What would hold it back may have been taken out.
      momentNmm += Math.max(0, goods * n * (atMm + travelMm - pivotMm))
    }
  }
  return {
    motion: m,
    bottom: c.parts.get(first.from.part)!,
    supports,
    staysMm,
    reachMm: Math.min(...supports.map((s) => reachOf(s, way))),
    loadN,
    momentNmm: Math.max(0, momentNmm),
    unweighed,
  }
}

/**
 * What lies in a drawer as far forward as it can: heaviest for its room first, each as long a stretch of the drawer as
 * its floor area takes, and none nearer to the face than half its own depth.
 */
function forward(b: Bay, way: Vec3): { n: number; atMm: number }[] {
  const across: Vec3 = [Math.abs(way[1]), Math.abs(way[0]), 0]
  const long = (box: Box, d: Vec3) => along(box, d)[1] - along(box, d)[0]
  const wideMm = Math.max(long(b.clear, across), 1)
  const things = b.items.map(({ box, massKg }) => ({
    n: newtons(massKg ?? 0),
    deepMm: long(box, way),
    stretchMm: (long(box, way) * long(box, across)) / wideMm,
  }))
  const [, frontMm] = along(b.clear, way)
  let taken = 0
  return things
    .sort((x, y) => y.n / y.stretchMm - x.n / x.stretchMm)
    .map(({ n, deepMm, stretchMm }) => {
      taken += stretchMm
      return { n, atMm: frontMm - Math.max(taken - stretchMm / 2, deepMm / 2) }
    })
}

/** How far a runner reaches into its groove: across the way it is drawn, level. */
function reachOf(s: Support, way: Vec3): number {
  const [from, to] = along(s.contact, [Math.abs(way[1]), Math.abs(way[0]), 0])
  return to - from
}

/** Drawers drawn out, each on what is left of it in its grooves. */
export const drawnOutDrawers = defineCheck({
  id: 'drawn-out',
  asksForTheMost: true,
  reads: ['assembly', 'parts', 'method', 'goods'],
  run(c): CheckResult[] {
    const slides = c.assembly.motions.filter((m): m is Motion & { kind: 'slide' } => m.kind === 'slide' && opens(m))
    const drawers = slides.flatMap((m) => drawnOut(m, c) ?? [])
    if (drawers.length === 0) return []
    const given = { check: 'drawn-out', link: 'shelf' as const, quantity: 'force' as const, subject: 'drawers' }
    const covers = drawers.flatMap((x) => x.motion.id)
    const lost = drawers.find((x) => x.unweighed !== null)
    if (lost) return [notWeighed({ ...given, parts: [lost.bottom.id], covers }, lost.unweighed!, c.goods)]
    const told = drawers.map((x) => {
      const armMm = (1 - PRESSED_SHARE) * x.staysMm
      const liftedN = armMm > 0 ? x.momentNmm / armMm : Infinity
      return {
        n: ONE_SIDE * (x.loadN + liftedN),
        gives: x.reachMm * PRESSED_SHARE * Math.max(0, x.staysMm) * PANEL_BEARING_MPA,
        liftedN,
        ...x,
      }
    })
    const worst = told.reduce((a, b) => (b.n * a.gives > a.n * b.gives ? b : a))
    if (!(worst.gives > 0 && Number.isFinite(worst.n)))
      return [plain({ ...given, code: 'drawn-right-out', state: 'fails', parts: [worst.bottom.id], covers })]
    return [
      measured({
        code: 'drawn-out',
        demand: worst.n,
        capacity: worst.gives,
        parts: [worst.bottom.id],
        covers,
        data: { drawers: drawers.length, staysMm: worst.staysMm, n: worst.n },
        working: {
          formula: '¾ · (W + W·e / a) ≤ reach · ⅓ of what stays in · strength',
          inputs: [
            { symbol: 'W', value: worst.loadN, quantity: 'force', source: c.method.loadFactor.source },
            {
              symbol: 'W·e',
              value: worst.momentNmm,
              quantity: 'moment',
              source: 'everything as far forward as it goes; what lies behind taken out',
            },
            { symbol: 'a', value: (1 - PRESSED_SHARE) * worst.staysMm, quantity: 'length' },
            { symbol: 'reach', value: worst.reachMm, quantity: 'length' },
            { symbol: 'stays in', value: worst.staysMm, quantity: 'length' },
            { symbol: 'strength', value: PANEL_BEARING_MPA, quantity: 'stress', source: 'product decision' },
          ],
          source: 'statics; both ends press over a third of what stays in',
        },
        ...given,
      }),
    ]
  },
})
