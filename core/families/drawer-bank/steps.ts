import { levelStep, tieStep } from '../../blocks/mounts/steps.ts'
import { fixedBy } from '../../steps/fixed-by.ts'
import { idsOf, stepsWith, type Step } from '../../steps/step.ts'
import type { Shaped } from '../family.ts'
import type { DrawerBankParams } from './parameters.ts'

/** What is said with each step. */
export interface StepData {
  'bank-grooves': { sides: number; grooves: number; wideMm: number; deepMm: number }
  'bank-box': { panels: number; screws: number }
  'bank-top': { screws: number }
  'bank-first-drawer': { screws: number; parts: number }
  'bank-drawers': { count: number; kinds: number }
  'bank-inserts': { foam: number; bored: number; places: number }
  'bank-in': { count: number }
  'bank-load': { drawers: number }
}
const step = stepsWith<StepData>()
/** Diagonals of a box square enough for drawers, mm: half of builders' usual eighth of an inch. */
const SQUARE_MM = 2

export function drawerBankSteps(_p: DrawerBankParams, { assembly: a }: Shaped): Step[] {
  const ids = (pattern: RegExp) => a.parts.map((x) => x.id).filter((id) => pattern.test(id))
  const of = (id: string) => a.parts.find((x) => x.id === id)!
  const levels = a.stick.map((m) => m.level)
  const starts = (name: string) => (x: { id: string }) => x.id.startsWith(name)
  const first = of('upright-0')
  const grooves = first.machining.filter((m) => m.kind === 'dado')
  const runner = grooves.reduce((x, y) => (y.widthMm < x.widthMm ? y : x))
  const running = grooves.filter((m) => m.widthMm === runner.widthMm)
  const uprights = ids(/^upright-/)
  const back = ids(/^(back|tie)-/)
  const inserts = a.parts.filter((x) => x.role === 'insert')
  const laid = new Set(inserts.map((x) => x.id))
  const drawers = a.motions.map((m) => m.parts.filter((id) => !laid.has(id)))
  // Drawers of one height are made alike: the bank says how many heights it has.
  const kinds = new Set(drawers.map((x) => of(x[4]).size.widthMm)).size
  const diagonal = Math.hypot(of('top').size.lengthMm, first.size.lengthMm)
  const square = { kind: 'equal' as const, targetMm: diagonal, toleranceMm: SQUARE_MM }
  const drawerFast = fixedBy(
    a,
    (x) => x.id === drawers[0]?.[0],
    (x) => drawers[0]?.includes(x.id) ?? false,
  )
  const steps: (Step | false)[] = [
    { id: 'stick', code: 'make-stick', parts: [], marks: levels, cautions: [] },
    step({
      id: 'grooves',
      code: 'bank-grooves',
      data: { sides: uprights.length, grooves: running.length, wideMm: runner.widthMm, deepMm: runner.depthMm },
      parts: uprights,
      marks: levels,
      cautions: ['blades', 'dust'],
      hold: { code: 'bottom-runs' },
    }),
    step({
      id: 'box',
      code: 'bank-box',
      data: { panels: ids(/^panel-/).length, screws: fixedBy(a, starts('panel'), starts('upright')).screwsMost ?? 0 },
      parts: ids(/^panel-/),
      on: uprights,
      cautions: ['screws'],
      hold: { code: 'diagonals', measure: square },
    }),
    {
      id: 'back',
      code: 'back-on',
      data: {
        nailers: ids(/^tie-/).length,
        back: ids(/^back-/).length,
        ...fixedBy(a, starts('tie'), starts('upright')),
      },
      parts: back,
      cautions: [],
      hold: { code: 'diagonals-again', measure: square },
    },
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
    drawers.length > 0 &&
      step({
        id: 'first',
        code: 'bank-first-drawer',
        data: { screws: drawerFast.screwsMost ?? 0, parts: drawers[0].length },
        parts: drawers[0],
        cautions: ['screws'],
        hold: { code: 'drawer-runs' },
      }),
    drawers.length > 1 &&
      step({
        id: 'drawers',
        code: 'bank-drawers',
        data: { count: drawers.length - 1, kinds },
        parts: drawers.slice(1).flat(),
        cautions: [],
      }),
    step({ id: 'in', code: 'bank-in', data: { count: drawers.length }, parts: [], on: drawers.flat(), cautions: [] }),
    inserts.length > 0 &&
      step({
        id: 'inserts',
        code: 'bank-inserts',
        data: {
          foam: inserts.filter((x) => x.stock.kind === 'soft').length,
          bored: inserts.filter((x) => x.stock.kind === 'sheet').length,
          places: inserts.reduce((n, x) => n + x.machining.length, 0),
        },
        parts: idsOf(inserts),
        cautions: ['blades'],
      }),
    step({ id: 'load', code: 'bank-load', data: { drawers: drawers.length }, parts: [], cautions: [] }),
  ]
  return steps.filter((s): s is Step => s !== false)
}
