import type { Assembly, Part } from '../../assembly/assembly.ts'
import { backStep } from '../../blocks/carcass/steps.ts'
import { levelStep, tieStep } from '../../blocks/mounts/steps.ts'
import { fixedBy } from '../../steps/fixed-by.ts'
import { idsOf, stepsWith, type Step } from '../../steps/step.ts'
import type { Shaped } from '../family.ts'
import type { DrawerBankParams } from './parameters.ts'

/** What is said with each step. */
export interface StepData {
  'bank-grooves': { sides: number; grooves: number; wideMm: number; deepMm: number }
  'bank-housings': { sides: number; housings: number; wideMm: number; deepMm: number }
  'bank-slides-on': { slides: number; longMm: number; frontMm: number; levels: number }
  'bank-box': { panels: number; screws: number }
  'bank-top': { screws: number }
  'bank-slide-drawer': { screws: number; parts: number; deepMm: number }
  'bank-slides-in': { count: number }
  'bank-first-drawer': { screws: number; parts: number }
  'bank-drawers': { count: number; kinds: number }
  'bank-inserts': { foam: number; bored: number; places: number }
  'bank-in': { count: number }
  'bank-pulls': { count: number }
  'bank-load': { drawers: number }
}
const step = stepsWith<StepData>()
/** Diagonals of a box square enough for drawers, mm: half of builders' usual eighth of an inch. */
const SQUARE_MM = 2

/** Runner grooves in the uprights, or only the housings of the panels; the slides of drawers that run on those. */
function uprightSteps(p: DrawerBankParams, a: Assembly, of: (id: string) => Part, uprights: string[]): Step[] {
  const marks = (code: string) => a.stick.flatMap((m) => (m.code === code ? [m.level] : []))
  const cut = of(uprights[0]).machining.filter((m) => m.kind === 'dado')
  const about = { parts: uprights, marks: marks('shelf-top'), cautions: ['blades' as const, 'dust' as const] }
  if (p.runs === 'slides') {
    const [panel] = cut
    const moving = new Set(a.motions.flatMap((m) => m.parts))
    const slides = a.parts.filter((x) => x.stock.kind === 'bought' && !moving.has(x.id))
    const fronts = slides.map((x) => x.at.centre[1] + x.size.lengthMm / 2)
    const upright = of(uprights[0])
    return [
      step({
        ...{ id: 'housings', code: 'bank-housings', ...about },
        data: { sides: uprights.length, housings: cut.length, wideMm: panel.widthMm, deepMm: panel.depthMm },
        hold: { code: 'panel-in-housing' },
      }),
      step({
        ...{ id: 'slides', code: 'bank-slides-on', parts: idsOf(slides), on: uprights, cautions: ['screws'] },
        marks: marks('slide-under'),
        data: {
          slides: slides.length,
          longMm: slides[0].size.lengthMm,
          frontMm: upright.at.centre[1] + upright.size.widthMm / 2 - Math.max(...fronts),
          levels: new Set(slides.map((x) => x.at.centre[2])).size,
        },
        hold: { code: 'slides-level' },
      }),
    ]
  }
  const runner = cut.reduce((x, y) => (y.widthMm < x.widthMm ? y : x))
  const running = cut.filter((m) => m.widthMm === runner.widthMm)
  return [
    step({
      data: { sides: uprights.length, grooves: running.length, wideMm: runner.widthMm, deepMm: runner.depthMm },
      hold: { code: 'bottom-runs' },
      ...{ id: 'grooves', code: 'bank-grooves', ...about },
    }),
  ]
}

/** The first drawer by itself, the others like it, and putting them in. */
function drawerSteps(p: DrawerBankParams, a: Assembly, of: (id: string) => Part): Step[] {
  const laid = new Set(a.parts.flatMap((x) => (x.role === 'insert' || x.stock.kind === 'bought' ? [x.id] : [])))
  const drawers = a.motions.map((m) => m.parts.filter((id) => !laid.has(id)))
  if (drawers.length === 0) return []
  const [first, ...others] = drawers
  const onSlides = p.runs === 'slides'
  // Drawers of one height are made alike: the bank says how many heights it has.
  const kinds = new Set(drawers.map((x) => of(x[4]).size.widthMm)).size
  const under = fixedBy(
    a,
    (x) => x.id === first[0],
    (x) => first.includes(x.id),
  )
  const between = fixedBy(
    a,
    (x) => x.id === first[1],
    (x) => x.id === first[3],
  )
  const groove = of(first[1]).machining.find((m) => m.kind === 'groove')
  const hold = { code: 'drawer-runs' as const }
  return [
    onSlides
      ? step({
          ...{ id: 'first', code: 'bank-slide-drawer', parts: first, cautions: ['screws'], hold },
          data: { screws: between.screwsMost ?? 0, parts: first.length, deepMm: groove?.depthMm ?? 0 },
        })
      : step({
          data: { screws: under.screwsMost ?? 0, parts: first.length },
          ...{ id: 'first', code: 'bank-first-drawer', parts: first, cautions: ['screws'], hold },
        }),
    ...(others.length > 0
      ? [
          step({
            data: { count: others.length, kinds },
            ...{ id: 'drawers', code: 'bank-drawers', parts: others.flat(), cautions: [] },
          }),
        ]
      : []),
    step({
      data: { count: drawers.length },
      ...{ id: 'in', code: onSlides ? 'bank-slides-in' : 'bank-in', parts: [], on: drawers.flat(), cautions: [] },
    }),
  ]
}

export function drawerBankSteps(p: DrawerBankParams, { assembly: a }: Shaped): Step[] {
  const ids = (pattern: RegExp) => a.parts.map((x) => x.id).filter((id) => pattern.test(id))
  const of = (id: string) => a.parts.find((x) => x.id === id)!
  const levels = a.stick.map((m) => m.level)
  const starts = (name: string) => (x: { id: string }) => x.id.startsWith(name)
  const first = of('upright-0')
  const uprights = ids(/^upright-/)
  const back = ids(/^(back|tie)-/)
  const pulls = ids(/-pull$/)
  const inserts = a.parts.filter((x) => x.role === 'insert')
  const diagonal = Math.hypot(of('top').size.lengthMm, first.size.lengthMm)
  const square = { kind: 'equal' as const, targetMm: diagonal, toleranceMm: SQUARE_MM }
  const steps: (Step | false)[] = [
    { id: 'stick', code: 'make-stick', parts: [], marks: levels, cautions: [] },
    ...uprightSteps(p, a, of, uprights),
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
    ...drawerSteps(p, a, of),
    pulls.length > 0 &&
      step({ id: 'pulls', code: 'bank-pulls', data: { count: pulls.length }, parts: pulls, cautions: [] }),
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
    step({ id: 'load', code: 'bank-load', data: { drawers: a.motions.length }, parts: [], cautions: [] }),
  ]
  return steps.filter((s): s is Step => s !== false)
}
