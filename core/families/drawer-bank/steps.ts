import { partOf } from '../../assembly/by-id.ts'
import { backStep } from '../../blocks/carcass/steps.ts'
import { drawerSteps, runnerSteps } from '../../blocks/fronts/drawer-steps.ts'
import { levelStep, tieStep } from '../../blocks/mounts/steps.ts'
import { fixedBy } from '../../steps/fixed-by.ts'
import { stepsWith, type Step } from '../../steps/step.ts'
import type { Shaped } from '../family.ts'
import type { DrawerBankParams } from './parameters.ts'

/** What is said with each step. */
export interface StepData {
  'bank-housings': { sides: number; housings: number; wideMm: number; deepMm: number }
  'bank-box': { panels: number; screws: number }
  'bank-top': { screws: number }
  'bank-load': { drawers: number }
}
const step = stepsWith<StepData>()
/** Diagonals of a box square enough for drawers, mm: half of builders' usual eighth of an inch. */
const SQUARE_MM = 2

export function drawerBankSteps(_p: DrawerBankParams, { assembly: a }: Shaped): Step[] {
  const ids = (pattern: RegExp) => a.parts.map((x) => x.id).filter((id) => pattern.test(id))
  const of = partOf(a)
  const levels = a.stick.map((m) => m.level)
  const starts = (name: string) => (x: { id: string }) => x.id.startsWith(name)
  const first = of('upright-0')
  const uprights = ids(/^upright-/)
  const back = ids(/^(back|tie)-/)
  const dadoes = first.machining.filter((m) => m.kind === 'dado')
  const panel = dadoes.reduce((x, y) => (y.widthMm > x.widthMm ? y : x))
  const housings = dadoes.filter((m) => m.widthMm === panel.widthMm)
  const diagonal = Math.hypot(of('top').size.lengthMm, first.size.lengthMm)
  const square = { kind: 'equal' as const, targetMm: diagonal, toleranceMm: SQUARE_MM }
  const steps: (Step | false)[] = [
    { id: 'stick', code: 'make-stick', parts: [], marks: levels, cautions: [] },
    step({
      ...{ id: 'housings', code: 'bank-housings', parts: uprights, cautions: ['blades', 'dust'] },
      marks: a.stick.flatMap((m) => (m.code === 'shelf-top' ? [m.level] : [])),
      data: { sides: uprights.length, housings: housings.length, wideMm: panel.widthMm, deepMm: panel.depthMm },
      hold: { code: 'panel-in-housing' },
    }),
    ...runnerSteps(a),
    step({
      id: 'box',
      code: 'bank-box',
      data: { panels: ids(/^panel-/).length, screws: fixedBy(a, starts('panel'), starts('upright')).screwsMost ?? 0 },
      parts: ids(/^panel-/),
      on: uprights,
      cautions: ['screws'],
      hold: { code: 'diagonals', measure: square },
    }),
    backStep(a, square),
    step({
      id: 'top',
      code: 'bank-top',
      data: { screws: fixedBy(a, starts('top'), starts('upright')).screwsMost ?? 0 },
      parts: ['top'],
      cautions: [],
    }),
    { id: 'stand', code: 'tilt-up', parts: [], on: [...uprights, ...back], cautions: ['lift-two', 'top-heavy'] },
    levelStep(a, uprights),
    tieStep(a.anchors),
    ...drawerSteps(a),
    step({ id: 'load', code: 'bank-load', data: { drawers: a.motions.length }, parts: [], cautions: [] }),
  ]
  return steps.filter((s): s is Step => s !== false)
}
