import type { Part, Subassembly } from '../../assembly/assembly.ts'
import { partBox } from '../../assembly/part-box.ts'
import type { Held } from '../../goods/tool.ts'
import { idsOf, stepsWith, type Step } from '../../steps/step.ts'
import type { Shaped } from '../family.ts'
import type { StripWallParams } from './parameters.ts'

interface HolderData {
  nth: number
  goods: string
  tools: number
  openMm: number
  keyMm: number
  pitchMm: number
  travels: number
  handles: number
}
/** What is said with each step. */
export type StepData = {
  'strips-cut': { strips: number; widthMm: number; longMm: number; ripped: number }
  'battens-up': { count: number; anchors: number }
  'backing-on': { panels: number }
  'first-strip': { atMm: number; pieces: number; places: number; battens: number }
  'other-strips': { count: number; spacerMm: number }
  'hang-holders': { count: number }
  'load-holders': object
} & Record<`holder-${Held}`, HolderData>
const step = stepsWith<StepData>()

/** A strip may be out of level by this over its length, mm: more shows against the next one. Product decision. */
const LEVEL_MM = 2

export function stripWallSteps(p: StripWallParams, { assembly: a }: Shaped): Step[] {
  const of = (role: Part['role']) => a.parts.filter((x) => x.role === role && !x.temporary)
  const [strips, battens] = [of('hanger'), of('batten')]
  const backing = a.subassemblies.find((s) => s.id === 'backing')?.parts ?? []
  const lowest = Math.min(...strips.map((s) => partBox(s).max[2]))
  const first = strips.filter((s) => partBox(s).max[2] - lowest < 1)
  const others = strips.filter((s) => !first.includes(s))
  const anchorsOf = (parts: readonly Part[]) => {
    const ids = new Set(idsOf(parts))
    return idsOf(a.anchors.filter((x) => ids.has(x.part)))
  }
  const joinsBattens = battens.length > 0 ? { joins: ['batten-hanger'] } : {}
  const marks = a.stick.map((m) => m.level)
  const riseMm = a.stick.length > 1 ? a.stick[1].zMm - a.stick[0].zMm : 0
  const spacer = a.parts.find((x) => x.id === 'spacer')
  const holders = a.subassemblies.filter((s) => s.name === 'holder')
  return [
    step({
      id: 'strips',
      code: 'strips-cut',
      data: {
        strips: strips.length,
        widthMm: strips[0].size.widthMm,
        longMm: Math.max(...strips.map((s) => s.size.lengthMm)),
        ripped: p.strip === 'ripped' ? 1 : 0,
      },
      parts: battens.length > 0 ? [] : idsOf(strips),
      cautions: ['blades', 'dust'],
      hold: { code: 'strip-straight' },
    }),
    ...(battens.length > 0
      ? [
          step({
            id: 'battens',
            code: 'battens-up',
            data: { count: battens.length, anchors: anchorsOf(battens).length },
            parts: idsOf(battens),
            anchors: anchorsOf(battens),
            cautions: ['not-into-wires', 'dust'],
            hold: { code: 'battens-flat' },
          }),
        ]
      : []),
    ...(backing.length > 0
      ? [
          step({
            id: 'backing',
            code: 'backing-on',
            data: { panels: backing.length },
            parts: backing,
            on: idsOf(battens),
            cautions: ['sheet-two', 'dust'],
          }),
        ]
      : []),
    step({
      id: 'first',
      code: 'first-strip',
      data: {
        atMm: lowest,
        pieces: first.length,
        places: battens.length > 0 ? battens.length : anchorsOf(first).length,
        battens: battens.length > 0 ? 1 : 0,
      },
      parts: battens.length > 0 ? idsOf(first) : [],
      on: battens.length > 0 ? idsOf(battens) : idsOf(first),
      anchors: anchorsOf(first),
      marks: marks.slice(0, 1),
      cautions: battens.length > 0 ? [] : ['find-studs', 'not-into-wires'],
      hold: { code: 'strip-level', measure: { kind: 'value', targetMm: 0, toleranceMm: LEVEL_MM } },
    }),
    ...(others.length > 0
      ? [
          step({
            id: 'others',
            code: 'other-strips',
            data: { count: a.stick.length - 1, spacerMm: riseMm - strips[0].size.widthMm },
            parts: [...(battens.length > 0 ? idsOf(others) : []), ...(spacer ? [spacer.id] : [])],
            on: battens.length > 0 ? idsOf(battens) : idsOf(strips),
            anchors: anchorsOf(others),
            removes: spacer ? [spacer.id] : [],
            marks: marks.slice(1),
            cautions: ['ladder'],
            hold: { code: 'strip-pull' },
          }),
        ]
      : []),
    ...holders.map((h, i) => holderStep(h, i + 1)),
    step({
      id: 'hang',
      code: 'hang-holders',
      data: { count: holders.length },
      parts: [],
      on: holders.flatMap((h) => h.parts),
      ...joinsBattens,
      cautions: ['falls-on-heads'],
      hold: { code: 'holders-plumb' },
    }),
    step({ id: 'load', code: 'load-holders', data: {}, parts: [], cautions: [] }),
  ]
}

function holderStep({ tags, parts }: Subassembly, nth: number): Step {
  const held = String(tags!.held) as Held
  const n = (key: string) => Number(tags![key])
  return step({
    id: `make-${nth}`,
    code: `holder-${held}`,
    data: {
      nth,
      goods: String(tags!.goods),
      tools: n('tools'),
      openMm: n('openMm'),
      keyMm: n('keyMm'),
      pitchMm: n('pitchMm'),
      travels: n('travels'),
      handles: Number(tags!.handles ?? 0),
    },
    parts,
    bench: true,
    cautions: BORED.includes(held) ? ['blades', 'screws'] : ['screws'],
    ...(held === 'shelf' ? {} : { hold: { code: 'one-tool-tried' } }),
  })
}
/** Something is bored or sawn out of them that must be right at once. */
const BORED: readonly Held[] = ['bored-rail', 'slotted-rail', 'cutout', 'pegs']
