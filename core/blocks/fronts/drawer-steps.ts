import type { Assembly, Part } from '../../assembly/assembly.ts'
import { partOf } from '../../assembly/by-id.ts'
import { findSlide } from '../../catalogue/drawer-slides.ts'
import { fixedBy } from '../../steps/fixed-by.ts'
import { idsOf, stepsWith, type Step } from '../../steps/step.ts'
import { DRAWER } from './drawer.ts'

/** What is said with each step. */
export interface DrawerStep {
  'runner-grooves': { sides: number; grooves: number; wideMm: number; deepMm: number }
  'slides-on': { slides: number; longMm: number; frontMm: number; levels: number }
  'drawer-on-slides': { screws: number; parts: number; deepMm: number }
  'drawer-first': { screws: number; parts: number }
  'drawers-alike': { count: number; kinds: number }
  'drawer-inserts': { foam: number; bored: number; places: number }
  'drawers-in': { count: number }
  'drawers-on-slides-in': { count: number }
  'drawer-pulls': { count: number }
}
const step = stepsWith<DrawerStep>()

interface Drawers {
  /** What each moves with, its bottom first, without what was bought for it and what lies in it. */
  each: string[][]
  slides: Part[]
  of: (id: string) => Part
}
/** The drawers of a build: each a part of it by itself that is drawn out. */
function drawersOf(a: Assembly): Drawers {
  const of = partOf(a)
  const inDrawers = new Set(a.subassemblies.flatMap((s) => (s.name === DRAWER ? s.parts : [])))
  const added = (p: Part) => p.role === 'insert' || p.stock.kind === 'bought'
  const each = a.motions
    .filter((m) => m.kind === 'slide' && m.parts.every((id) => inDrawers.has(id)))
    .map((m) => m.parts.filter((id) => !added(of(id))))
  const slides = a.parts.filter((p) => inDrawers.has(p.id) && p.stock.kind === 'bought' && findSlide(p.stock.item))
  return { each, slides, of }
}

/** What drawers run in or on, cut or screwed while the uprights lie; none where nothing is drawn out. */
export function runnerSteps(a: Assembly): Step[] {
  const { each, slides, of } = drawersOf(a)
  if (each.length === 0) return []
  const marks = (code: string) => a.stick.flatMap((m) => (m.code === code ? [m.level] : []))
  const bottoms = new Set(each.map(([bottom]) => bottom))
  const held = a.supports.flatMap((s) =>
    'part' in s.from && bottoms.has(s.from.part) && s.on.kind === 'part' ? [s.on.part] : [],
  )
  if (slides.length > 0) {
    const sides = a.joints.filter((j) => j.near === slides[0].id).map((j) => of(j.far))
    const upright = sides.reduce((x, y) => (y.size.lengthMm > x.size.lengthMm ? y : x))
    const fronts = slides.map((x) => x.at.centre[1] + x.size.lengthMm / 2)
    const moving = new Set(each.flat())
    const on = a.joints.filter((j) => slides.some((s) => s.id === j.near) && !moving.has(j.far)).map((j) => j.far)
    return [
      step({
        ...{ id: 'slides', code: 'slides-on', parts: idsOf(slides), on: [...new Set(on)], cautions: ['screws'] },
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
  const on = [...new Set(held)]
  const cut = of(on[0]).machining.filter((m) => m.kind === 'dado')
  const runner = cut.reduce((x, y) => (y.widthMm < x.widthMm ? y : x))
  return [
    step({
      ...{ id: 'grooves', code: 'runner-grooves', parts: [], on, marks: marks('runner-groove') },
      cautions: ['blades', 'dust'],
      data: {
        sides: on.length,
        grooves: cut.filter((m) => m.widthMm === runner.widthMm).length,
        wideMm: runner.widthMm,
        deepMm: runner.depthMm,
      },
      hold: { code: 'bottom-runs' },
    }),
  ]
}

/** The first drawer by itself, the others like it, putting them in, their handles and what lies round the things in them. */
export function drawerSteps(a: Assembly): Step[] {
  const { each, slides, of } = drawersOf(a)
  if (each.length === 0) return []
  const [first, ...others] = each
  // Drawers of one height are made alike.
  const kinds = new Set(each.map((x) => of(x[4]).size.widthMm)).size
  const pulls = a.parts.filter((x) => x.id.endsWith('-pull'))
  const inserts = a.parts.filter((x) => x.role === 'insert')
  const all: (Step | false)[] = [
    firstDrawer(a, first, slides.length > 0),
    others.length > 0 &&
      step({
        data: { count: others.length, kinds },
        ...{ id: 'drawers', code: 'drawers-alike', parts: others.flat(), cautions: [] },
      }),
    step({
      ...{ id: 'in', data: { count: each.length }, parts: [], on: each.flat(), cautions: [] },
      code: slides.length > 0 ? 'drawers-on-slides-in' : 'drawers-in',
    }),
    pulls.length > 0 &&
      step({
        ...{ id: 'pulls', code: 'drawer-pulls', cautions: [] },
        data: { count: pulls.length },
        parts: idsOf(pulls),
      }),
    inserts.length > 0 &&
      step({
        ...{ id: 'inserts', code: 'drawer-inserts', parts: idsOf(inserts), cautions: ['blades'] },
        data: {
          foam: inserts.filter((x) => x.stock.kind === 'soft').length,
          bored: inserts.filter((x) => x.stock.kind === 'sheet').length,
          places: inserts.reduce((n, x) => n + x.machining.length, 0),
        },
      }),
  ]
  return all.filter((s): s is Step => s !== false)
}

/** A drawer by itself, its bottom, left side, right side, back and face first. */
function firstDrawer(a: Assembly, first: string[], onSlides: boolean): Step {
  const screws = (near: string, among: readonly string[]) =>
    fixedBy(
      a,
      (x) => x.id === near,
      (x) => among.includes(x.id),
    ).screwsMost ?? 0
  const about = { id: 'first', parts: first, cautions: ['screws'], hold: { code: 'drawer-runs' } }
  if (!onSlides)
    return step({ ...about, code: 'drawer-first', data: { screws: screws(first[0], first), parts: first.length } })
  const groove = partOf(a)(first[1]).machining.find((m) => m.kind === 'groove')
  return step({
    ...{ ...about, code: 'drawer-on-slides' },
    data: { screws: screws(first[1], [first[3]]), parts: first.length, deepMm: groove?.depthMm ?? 0 },
  })
}
