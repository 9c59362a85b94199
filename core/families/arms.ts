import type { Assembly, Stock } from '../assembly/assembly.ts'
import { partBox } from '../assembly/part-box.ts'
import { findSection } from '../catalogue/lumber.ts'
import { findTube, TUBES } from '../catalogue/steel.ts'
import { z } from '../measure/schema.ts'
import type { UnitSystem } from '../measure/units.ts'
import { choicePen } from './choices.ts'
import type { Choice } from './family.ts'
import type { LeverPen } from './levers.ts'
import { section } from './params.ts'
import { idsOf, stepsWith, type Step } from '../steps/step.ts'

/*
 * Arms in bored holes: of steel tube, or hardwood dowels. Parameters, choices and levers of all kinds that have them.
 */

export const tube = z.enum(TUBES.map((t) => t.id) as [string, ...string[]])
export const usualTube: Readonly<Record<UnitSystem, string>> = { imperial: 'pipe-3/4', metric: 'tube-26.9x2.6' }
export const armParams = { arm: z.enum(['tube', 'dowel']), tube, dowelSection: section }
export interface Arms {
  arm: 'tube' | 'dowel'
  tube: string
  dowelSection: string
}
export const startingArms: Readonly<Record<UnitSystem, Arms>> = {
  imperial: { arm: 'tube', tube: usualTube.imperial, dowelSection: 'dowel-1' },
  metric: { arm: 'tube', tube: usualTube.metric, dowelSection: 'dowel-25mm' },
}

export const armDiameterMm = (p: Arms): number =>
  p.arm === 'tube' ? findTube(p.tube)!.outerMm : findSection(p.dowelSection)!.widthMm
export const armStock = (p: Arms, grade: string): Stock =>
  p.arm === 'tube' ? { kind: 'steel', rod: p.tube } : { kind: 'board', section: p.dowelSection, grade, treated: false }

export const tubeChoice = (p: { tube: string }, system: UnitSystem): Choice =>
  choicePen(p).section(
    'tube',
    'arm-tube',
    TUBES.filter((t) => t.system === system).map((t) => t.id),
  )
export function armChoices(p: Arms, system: UnitSystem): Choice[] {
  const { section, coded } = choicePen(p)
  return [
    coded('arm', 'arm-kind', ['tube', 'dowel']),
    p.arm === 'tube'
      ? tubeChoice(p, system)
      : section(
          'dowelSection',
          'arm-dowel',
          system === 'imperial' ? ['dowel-3/4', 'dowel-1'] : ['dowel-20mm', 'dowel-25mm'],
        ),
  ]
}

const byStrength = (system: UnitSystem) =>
  TUBES.filter((t) => t.system === system).sort((a, b) => a.outerMm * a.wallMm - b.outerMm * b.wallMm)

/** Tubes that are stronger than the one there is, and those that are less. */
const sides = (p: { tube: string }, system: UnitSystem) => {
  const tubes = byStrength(system)
  const at = tubes.findIndex((t) => t.id === p.tube)
  return { stronger: tubes.slice(at + 1), weaker: tubes.slice(0, Math.max(0, at)) }
}
export function thickerTubes<P extends { tube: string }>({ add }: LeverPen<P>, p: P, system: UnitSystem) {
  for (const t of sides(p, system).stronger) add('arm-tube', { tube: t.id } as Partial<P>, { section: t.id })
}
export function thinnerTubes<P extends { tube: string }>({ add }: LeverPen<P>, p: P, system: UnitSystem) {
  for (const t of sides(p, system).weaker) add('arm-tube', { tube: t.id } as Partial<P>, { section: t.id })
}
/** Stronger arms, one change each. */
export function strongerArms<P extends Arms>(pen: LeverPen<P>, p: P, system: UnitSystem) {
  if (p.arm === 'dowel') pen.add('arms-tube', { arm: 'tube' } as Partial<P>)
  else thickerTubes(pen, p, system)
}
/** Arms that cost less. */
export function cheaperArms<P extends Arms>(pen: LeverPen<P>, p: P, system: UnitSystem) {
  if (p.arm !== 'tube') return
  thinnerTubes(pen, p, system)
  pen.add('arms-dowel', { arm: 'dowel' } as Partial<P>)
}

interface ArmStepData {
  'arms-set': { count: number; outMm: number; tube: number }
  'ends-safe': { count: number; outMm: number; caps: number }
}
const step = stepsWith<ArmStepData>()

/** The arms into their uprights, and their ends so that nobody is hurt by them. */
export function armSteps(a: Assembly, tube: boolean): Step[] {
  const of = (role: string) => a.parts.filter((x) => x.role === role)
  const [uprights, arms, caps] = [of('post'), of('arm'), of('hardware')]
  const count = arms.length
  const outMm = Math.max(...arms.map((x) => partBox(x).max[1])) - partBox(uprights[0]).max[1]
  return [
    step({
      id: 'arms',
      code: 'arms-set',
      data: { count, outMm, tube: tube ? 1 : 0 },
      parts: idsOf(arms),
      on: idsOf(uprights),
      cautions: tube ? ['sharp-tube'] : [],
      hold: { code: 'arms-hang' },
    }),
    step({
      id: 'ends',
      code: 'ends-safe',
      data: { count, outMm, caps: caps.length },
      parts: idsOf(caps),
      on: idsOf(arms),
      cautions: ['heads-on-arms'],
    }),
  ]
}
