import type { Anchor, Part } from '../../assembly/assembly.ts'
import { partBox } from '../../assembly/part-box.ts'
import { called, fixedBy } from '../../steps/fixed-by.ts'
import { idsOf, stepsWith, type Step } from '../../steps/step.ts'
import type { Shaped } from '../family.ts'

/** What is said with each step. */
export interface StepData {
  'platform-frame': { screws: number; sheets: number }
  'platform-spreaders': { count: number; drops: number; saddles: number }
  'platform-bolts': { count: number; longMm: number }
  'platform-cleat': { screws: number; atMm: number }
  'platform-bearers': { count: number; propMm: number; drops: number; saddles: number; bolts: number; screws: number }
  'platform-frame-up': { screws: number; drops: number }
  'platform-deck': { sheets: number }
  'load-platform': object
}
const step = stepsWith<StepData>()
const SQUARE_MM = 3

export function ceilingPlatformSteps({ assembly: a }: Shaped): Step[] {
  const of = (role: string) => a.parts.filter((x) => x.role === role)
  const bearers = of('cross').filter((x) => x.id.startsWith('bearer'))
  const crosses = of('cross').filter((x) => !bearers.includes(x))
  const [rails, cleats, sheets, spreaders] = ['rail', 'cleat', 'shelf', 'spreader'].map(of)
  const [rods, drops, saddles] = ['rod', 'drop', 'block'].map(of)
  const lain = drops.length > 0 ? [...spreaders, ...saddles] : []
  const upper = rods.filter((r) => spreaders.some((s) => a.joints.some((j) => j.near === r.id && j.far === s.id)))
  const lower = rods.filter((r) => !upper.includes(r))
  const fixings = a.anchors.filter((x) => cleats.some((c) => c.id === x.part))
  const under = partBox(bearers[0]).min[2]
  const wide = rails.filter((r) => partBox(r).min[1] < 1).reduce((mm, r) => mm + r.size.lengthMm, 0)
  const deep = Math.max(...rails.map((r) => partBox(r).max[1]))
  const crossing = (x: { id: string; role: string }) => crosses.some((c) => c.id === x.id)
  return [
    step({
      id: 'frame',
      code: 'platform-frame',
      data: { screws: fixedBy(a, crossing, called('rail')).screws ?? 0, sheets: sheets.length },
      parts: idsOf([...rails, ...crosses]),
      cautions: ['screws', 'dust'],
      hold: { code: 'diagonals', measure: { kind: 'equal', targetMm: Math.hypot(wide, deep), toleranceMm: SQUARE_MM } },
    }),
    ...(spreaders.length > 0 ? [] : [boltsStep(rods, a.anchors)]),
    ...(spreaders.length === 0
      ? []
      : [
          step({
            id: 'spreaders',
            code: 'platform-spreaders',
            data: {
              ...{ count: drops.length > 0 ? spreaders.length : upper.length, drops: drops.length },
              saddles: saddles.length,
            },
            parts: idsOf([...spreaders, ...saddles, ...upper]),
            cautions: ['joists-only', 'not-into-wires', 'ladder'],
            ...(drops.length > 0 ? {} : { hold: { code: 'rods-pull' } }),
          }),
        ]),
    step({
      id: 'cleat',
      code: 'platform-cleat',
      data: { screws: fixings[0]?.count ?? 1, atMm: under },
      parts: idsOf(cleats),
      anchors: idsOf(fixings),
      marks: a.stick.map((m) => m.level),
      cautions: ['find-studs', 'not-into-wires', 'ladder'],
      hold: { code: 'strip-level' },
    }),
    step({
      id: 'bearers',
      code: 'platform-bearers',
      data: {
        ...{ count: bearers.length, propMm: under, drops: drops.length, saddles: saddles.length },
        bolts: spreaders.length > 0 ? 0 : rods.length,
        screws: fixedBy(a, called('drop'), called(saddles.length > 0 ? 'block' : 'spreader')).screws ?? 0,
      },
      parts: idsOf([...bearers, ...(spreaders.length > 0 ? lower : []), ...drops]),
      on: idsOf([...cleats, ...(spreaders.length > 0 ? upper : rods), ...lain]),
      cautions: ['ladder', 'falls-on-heads'],
      hold: { code: 'front-level' },
    }),
    step({
      id: 'up',
      code: 'platform-frame-up',
      data: {
        screws: fixedBy(a, (x) => bearers.some((b) => b.id === x.id), called('rail')).screws ?? 0,
        drops: drops.length,
      },
      parts: [],
      on: idsOf([...rails, ...crosses, ...bearers]),
      joins: ['cross-rail'],
      cautions: ['lift-two', 'ladder', 'falls-on-heads'],
    }),
    step({
      id: 'deck',
      code: 'platform-deck',
      data: { sheets: sheets.length },
      parts: idsOf(sheets),
      cautions: ['ladder'],
      hold: { code: 'platform-pull' },
    }),
    step({ id: 'load', code: 'load-platform', data: {}, parts: [], cautions: ['ladder'] }),
  ]
}

/** Rods screwed onto the bolts that are in the ceiling. */
const boltsStep = (rods: readonly Part[], anchors: readonly Anchor[]): Step =>
  step({
    id: 'bolts',
    code: 'platform-bolts',
    data: { count: rods.length, longMm: Math.max(...rods.map((r) => r.size.lengthMm)) },
    parts: idsOf(rods),
    anchors: idsOf(anchors.filter((x) => rods.some((r) => r.id === x.part))),
    cautions: ['ladder'],
    hold: { code: 'rods-pull' },
  })
