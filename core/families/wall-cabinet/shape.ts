import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { boreCordHoles, cordHoleList, type CordHole } from '../../blocks/carcass/cord-holes.ts'
import { boreRows, buttedShelf, housedShelf, pinDepth, pinnedShelf } from '../../blocks/carcass/shelf-between.ts'
import { hangCurtain } from '../../blocks/fronts/curtain.ts'
import { placesInBox, standsOut, underHinges } from '../../blocks/fronts/front.ts'
import { GAP_MM, magnet, placeLeaves } from '../../blocks/fronts/hinged.ts'
import { SCREWED_FRONT, screwOver } from '../../blocks/fronts/screwed-panel.ts'
import { boxPanels, placeLiftUps } from '../../blocks/fronts/lift-up.ts'
import { panelsInside, tracksInside, type SlidingBox } from '../../blocks/fronts/sliding.ts'
import {
  hookOnStrip,
  liftOff,
  liftsOff,
  screwThroughRail,
  secondStrip,
  type Hanging,
} from '../../blocks/mounts/hung-on-wall.ts'
import { temporaryLedger } from '../../blocks/mounts/temporary-ledger.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import type { ShapeContext, Shaped } from '../family.ts'
import { opened } from '../opened.ts'
import { hangDeepLeaves } from '../deep-leaves.ts'
import { standing } from '../house-on-shelves.ts'
import { hangOnPins } from '../leaves-on-pins.ts'
import { choices } from './choices.ts'
import { LIMITS, SCREWS, type WallCabinetParams } from './parameters.ts'
import { planOut, type Plan } from './plan-out.ts'

/** Screws from the top into the rail are this far apart, mm. */
const TOP_SCREWS_EVERY = 200

/*
 *   side view:  |=|‾‾‾‾‾‾‾|   top in rabbets          front: |‾|‾‾‾‾‾‾|‾|‾‾‾‾‾‾|‾|
 *               |r|       |   rail r under the top,           | |------| |------| |   shelves in dadoes
 *               |   back  |   back in front of it             | |------| |------| |
 *               |=|_______|   lower rail, bottom              |_|______|_|______|_|
 */
export function shapeWallCabinet(p: WallCabinetParams, ctx: ShapeContext): Result<Shaped> {
  const first = opened(p, ctx, planOut)
  if (!first.ok) return first
  const { d, pen, plan, unhoused } = first.value
  const loose = carcass(d, p, ctx, plan)
  const bored = boreCordHoles(d, p.cordHoles, (h) => holePlace(d, plan, h))
  if (!bored.ok) return bored
  if (hang(d, p, ctx, plan) === 0) return bad('no-stud-behind-it', {}, 'clearMm')
  fronts(d, p, ctx, plan)
  if (p.hang !== 'rail') {
    const on = d.assembly.parts.filter((x) => x.role !== 'hanger').map((x) => x.id)
    liftsOff(d, plan.rail, on)
  }
  placeBays(d, p, plan)
  plan.tops.forEach((z, i) =>
    d.mark(
      z - plan.footMm,
      i === 0 ? 'bottom-top' : 'shelf-top',
      i,
      plan.openings.map((_o, k) => `shelf-${k}-${i}`),
      plan.footMm,
    ),
  )
  if (loose.length > 0) d.sub({ id: 'loose', name: 'unit', parts: loose, built: 'in-place' })
  return good({
    assembly: d.assembly,
    dims: pen.dims,
    choices: choices(p, ctx),
    lists: [cordHoleList('cordHoles', p.cordHoles, LIMITS.cordHoles, d.box('rail-lower').max[2] - plan.footMm)],
    unhoused,
  })
}

const board = (section: string, grade: string): Stock => ({ kind: 'board', section, grade, treated: false })

/** Box, rails and backs, which act as one. @returns what lies loose in it */
function carcass(d: Draft, p: WallCabinetParams, ctx: ShapeContext, plan: Plan): string[] {
  uprights(d, plan)
  const loose = panels(d, p, ctx, plan)
  rails(d, p, plan, ctx.settings.grade)
  backs(d, plan)
  const parts = d.assembly.parts.map((x) => x.id).filter((id) => !loose.includes(id))
  d.body('carcass', parts, [['rail-upper']])
  d.sub({ id: 'box', name: 'unit', parts, built: 'in-place' })
  return loose
}

/** Sides as deep as the cabinet; dividers end at the back, so that the rails run through behind them. */
function uprights(d: Draft, plan: Plan) {
  plan.uprights.forEach((x, u) => {
    const outer = u === 0 || u === plan.uprights.length - 1
    const y = outer ? 0 : plan.innerMm
    d.square({
      id: `upright-${u}`,
      role: 'side',
      stock: { kind: 'sheet', sheet: plan.sheet.id },
      min: [x, y, plan.footMm],
      size: [plan.t, plan.frontMm - y, plan.headMm - plan.footMm],
      along: 'z',
      across: 'y',
    })
  })
}

/** Bottom, shelves and top of every opening; top and bottom close the recess behind the back too. @returns loose ones */
function panels(d: Draft, p: WallCabinetParams, ctx: ShapeContext, plan: Plan): string[] {
  const loose: string[] = []
  const system = ctx.settings.yard
  plan.openings.forEach((o, k) => {
    const between = (id: string, role: 'shelf' | 'top', topMm: number, fromMm: number) => ({
      ...{ id, role, topMm, fromMm },
      sheet: plan.sheet,
      left: o.left,
      right: o.right,
      deepMm: plan.frontMm - fromMm,
      uprights: [`upright-${k}`, `upright-${k + 1}`] as const,
      footMm: plan.footMm,
      dadoMm: plan.dadoMm,
    })
    const ends = [
      { ...between(`shelf-${k}-0`, 'shelf', plan.tops[0], 0), at: 'start' as const },
      { ...between(`top-${k}`, 'top', plan.topMm, 0), at: 'end' as const },
    ]
    for (const { at, ...s } of ends) {
      if (p.corner === 'butt') buttedShelf(d, s)
      else housedShelf(d, p.corner === 'rabbet' ? { ...s, at } : s)
    }
    plan.tops.slice(1).forEach((topMm, i) => {
      const s = {
        ...between(`shelf-${k}-${i + 1}`, 'shelf', topMm, plan.innerMm),
        deepMm: plan.shelvesMm - plan.innerMm,
      }
      if (p.shelfHold === 'dado') housedShelf(d, s)
      else if (p.shelfHold === 'butt') buttedShelf(d, s)
      else loose.push(s.id, ...pinnedShelf(d, { ...s, system }))
    })
    if (p.shelfHold === 'pins' && plan.rows.count >= 2)
      for (const u of [`upright-${k}`, `upright-${k + 1}`])
        boreRows(d, u, `top-${k}`, {
          fromMm: plan.innerMm,
          toMm: plan.shelvesMm,
          rows: plan.rows,
          depthMm: pinDepth(plan.sheet, system),
          system,
        })
  })
  return loose
}

/** A rail under the top and one over the bottom, against the wall, from side to side. */
function rails(d: Draft, p: WallCabinetParams, plan: Plan, grade: string) {
  const { t, pastMm, leftMm, rightMm } = plan
  const last = plan.uprights.length - 1
  const { thicknessMm, widthMm } = plan.rail
  for (const [id, z] of [
    ['rail-upper', plan.topMm - t - widthMm],
    // Over a second strip, and room to lift it off that.
    ['rail-lower', plan.footMm + pastMm + t + (p.hang === 'two-strips' ? widthMm + liftOff(plan.rail) : 0)],
  ] as const) {
    d.square({
      id,
      role: 'back-rail',
      stock: board(p.railSection, grade),
      min: [leftMm + t, 0, z],
      size: [rightMm - leftMm - 2 * t, thicknessMm, widthMm],
      along: 'x',
      across: 'z',
    })
    for (const u of [0, last]) d.screw(`upright-${u}`, id, SCREWS[p.railScrews], 'end', t, 200)
  }
  // The rails reach past the dividers: tops and bottoms of all openings are screwed to them.
  plan.openings.forEach((o, k) => {
    const n = SCREWS[p.railScrews] + Math.floor((o.right - o.left) / TOP_SCREWS_EVERY)
    d.screw(`top-${k}`, 'rail-upper', n, 'side', t, widthMm)
    // Over a second strip the lower rail does not lie on the bottom.
    if (p.hang !== 'two-strips') d.screw(`shelf-${k}-0`, 'rail-lower', n, 'side', t, widthMm)
  })
}

/** A back in each opening, in front of the rails, screwed to both. */
function backs(d: Draft, plan: Plan) {
  const { thicknessMm } = plan.back
  const [z0, z1] = [plan.footMm + plan.pastMm + plan.t, plan.topMm - plan.t]
  plan.openings.forEach((o, k) => {
    const id = `back-${k}`
    const upright = o.right - o.left <= plan.back.widthMm
    d.square({
      id,
      role: 'back',
      stock: { kind: 'sheet', sheet: plan.back.id },
      min: [o.left, plan.rail.thicknessMm, z0],
      size: [o.right - o.left, thicknessMm, z1 - z0],
      along: upright ? 'z' : 'x',
      across: upright ? 'x' : 'z',
      grain: 'any',
    })
    const n = 2 + Math.floor((o.right - o.left) / TOP_SCREWS_EVERY)
    for (const rail of ['rail-upper', 'rail-lower']) d.screw(id, rail, n, 'side', thicknessMm, plan.rail.thicknessMm)
  })
}

/** Heights over the underside at which shelves, bottom and top meet a part, and rails the back. */
function takenBeside(d: Draft, plan: Plan, h: CordHole): { fromMm: number; toMm: number }[] {
  const range = (from: number, to: number) => ({ fromMm: from - plan.footMm, toMm: to - plan.footMm })
  const panels = [...plan.tops, plan.topMm].map((z) => range(z - plan.t, z))
  if (h.in !== 'back') return panels
  const rails = ['rail-upper', 'rail-lower'].map((id) => d.box(id))
  return [...panels, ...rails.map(({ min, max }) => range(min[2], max[2]))]
}

/** A hole told from the wall and the underside, on the part it is in. */
function holePlace(d: Draft, plan: Plan, h: CordHole) {
  const part = h.in === 'back' ? 'back-0' : h.in === 'left' ? 'upright-0' : `upright-${plan.uprights.length - 1}`
  const { min } = d.box(part)
  const { size, at } = d.assembly.parts.find((x) => x.id === part)!
  const [up, along] = [h.upMm + plan.footMm - min[2], h.in === 'back' ? h.alongMm : h.alongMm - min[1]]
  const upright = Math.abs(at.along[2]) > 0.9
  return {
    part,
    ...(upright ? { atMm: up, offMm: along } : { atMm: along, offMm: up }),
    lengthMm: size.lengthMm,
    widthMm: size.widthMm,
    seenMm: h.upMm,
    taken: takenBeside(d, plan, h),
  }
}

/** Hooked on its strip, or screwed through its rail from a ledger that comes off again. @returns how many fixings */
function hang(d: Draft, p: WallCabinetParams, ctx: ShapeContext, plan: Plan): number {
  const stock = board(p.railSection, ctx.settings.grade)
  const hanging: Hanging = {
    body: 'carcass',
    rail: 'rail-upper',
    lower: 'rail-lower',
    space: ctx.space,
    system: ctx.settings.yard,
    screws: SCREWS[p.wallScrews],
  }
  const strip = { section: plan.rail, stock }
  let fixings: number
  if (p.hang !== 'rail') {
    fixings = hookOnStrip(d, hanging, { ...strip, id: 'strip-wall' })
    if (p.hang === 'two-strips') secondStrip(d, hanging, { ...strip, id: 'strip-second' })
  } else {
    fixings = screwThroughRail(
      d,
      hanging,
      plan.openings.map((_o, k) => `back-${k}`),
    )
    if (plan.footMm > plan.rail.widthMm)
      temporaryLedger(d, {
        id: 'ledger',
        section: plan.rail,
        stock,
        left: plan.leftMm,
        right: plan.rightMm,
        underMm: plan.footMm,
      })
  }
  const parts = d.assembly.parts.filter((x) => x.role === 'hanger' || x.role === 'ledger').map((x) => x.id)
  if (parts.length > 0) d.sub({ id: 'wall', name: 'unit', parts, built: 'in-place' })
  return fixings
}

/** Openings whose panels slide on the bottom and under the top; the box is stiff by itself. */
const slidingIn = (ctx: ShapeContext, plan: Plan): SlidingBox => ({
  openings: plan.openings.map((o, k) => ({ ...o, id: `${k}`, below: `shelf-${k}-0`, above: `top-${k}` })),
  ...{ yard: ctx.settings.yard, grade: ctx.settings.grade, frontMm: plan.frontMm, uprights: [] },
})

function fronts(d: Draft, p: WallCabinetParams, ctx: ShapeContext, plan: Plan) {
  if (p.front === 'sliding') {
    const sliding = slidingIn(ctx, plan)
    const on = tracksInside(d, sliding)
    d.sub({ id: 'tracks', name: 'unit', parts: on, built: 'in-place' })
    panelsInside(d, sliding)
  }
  const before = d.assembly.parts.length
  if (p.front === 'doors') doors(d, p, plan)
  if (p.front === 'panel')
    plan.openings.forEach((_o, k) =>
      screwOver(d, {
        ...{ id: `panel-${k}`, sheet: plan.sheet, ...closing(plan, k) },
        ...{ footMm: plan.footMm, headMm: plan.headMm, frontMm: plan.frontMm },
      }),
    )
  if (p.front === 'deep-doors') deepDoors(d, p, plan)
  if (plan.pivots)
    hangOnPins(d, plan.pivots, {
      ...{ sheet: plan.sheet, frontMm: plan.frontMm, lower: 'shelf-0-0', upper: 'top-0' },
      ...{ footMm: plan.footMm + plan.pastMm + plan.t, headMm: plan.topMm - plan.t },
    })
  if (p.front === 'lift-up')
    placeLiftUps(
      d,
      plan.openings.map((_o, k) => ({ ...closing(plan, k), rows: plan.rowsUp, panelOf: boxPanels(k) })),
      { sheet: plan.sheet, frontMm: plan.frontMm, deepMm: plan.frontMm - plan.innerMm },
    )
  if (p.front === 'curtain')
    hangCurtain(d, {
      id: 'curtain',
      left: plan.leftMm,
      right: plan.rightMm,
      frontMm: plan.frontMm,
      headMm: plan.headMm,
      footMm: plan.footMm,
      on: plan.uprights.map((_, u) => `upright-${u}`),
    })
  const parts = d.assembly.parts.slice(before).map((x) => x.id)
  const tags = p.front === 'panel' ? { tags: SCREWED_FRONT } : {}
  if (parts.length > 0) d.sub({ id: 'front', name: 'unit', parts, built: 'in-place', ...tags })
}

const panelMiddles = (plan: Plan): number[] => [...plan.tops, plan.topMm].map((z) => z - plan.t / 2)

/** What holds a leaf shut under the top of an opening. */
const latchUnder = (plan: Plan, k: number) => ({
  under: `top-${k}`,
  underMm: plan.topMm - plan.t,
  frontMm: plan.frontMm,
  left: plan.openings[k].left,
  right: plan.openings[k].right,
})

/** From edge to edge of the leaves of an opening: from middle to middle of its uprights, the outer ones are covered. */
const covered = (plan: Plan, k: number) => ({
  left: k === 0 ? plan.leftMm : plan.openings[k].left - plan.t / 2 + GAP_MM / 2,
  right: k === plan.openings.length - 1 ? plan.rightMm : plan.openings[k].right + plan.t / 2 - GAP_MM / 2,
})

/** What closes an opening, and what it hangs on. */
const closing = (plan: Plan, k: number) => ({
  ...covered(plan, k),
  uprights: [`upright-${k}`, `upright-${k + 1}`] as const,
  faces: [plan.openings[k].left, plan.openings[k].right] as const,
})

/**
 * Flat leaves over the openings, from the middle of one upright to the middle of the next; the outer ones are covered.
 */
function doors(d: Draft, p: WallCabinetParams, plan: Plan) {
  const { t } = plan
  plan.openings.forEach((_o, k) => {
    placeLeaves(d, {
      id: `door-${k}`,
      stock: { kind: 'sheet', sheet: plan.sheet.id },
      thicknessMm: t,
      ...closing(plan, k),
      footMm: plan.footMm,
      headMm: plan.headMm,
      frontMm: plan.frontMm,
      panelsMm: panelMiddles(plan),
      latch: p.latch === 'magnet' ? latchUnder(plan, k) : null,
    })
  })
}

/** Leaves that are boxes, over the whole front, and what stands in them. */
function deepDoors(d: Draft, p: WallCabinetParams, plan: Plan) {
  const { leftMm: left, rightMm: right, footMm, headMm, frontMm } = plan
  const uprights = ['upright-0', `upright-${plan.uprights.length - 1}`] as const
  const over = { left, right, footMm, headMm, frontMm, uprights, panelsMm: panelMiddles(plan) }
  hangDeepLeaves(d, plan.leaf!, over).forEach((leaf, i) => {
    if (p.latch !== 'magnet') return
    const { min, max } = d.box(`${leaf.id}-face`)
    magnet(d, latchUnder(plan, nearest(plan, i === 0 ? max[0] : min[0])), {
      id: leaf.id,
      left: min[0],
      right: max[0],
      hung: i === 0 ? 0 : 1,
    })
  })
}

/** The opening a free edge of a leaf comes to. */
const nearest = (plan: Plan, x: number): number => {
  const off = plan.openings.map((o) => Math.max(o.left - x, x - o.right, 0))
  return off.indexOf(Math.min(...off))
}

function placeBays(d: Draft, p: WallCabinetParams, plan: Plan) {
  const places = placesInBox(p.front, plan.openings)
  const perOpening = places.length / plan.openings.length
  plan.levels.forEach((level, i) => {
    const above = plan.tops[i + 1] ?? plan.topMm
    const hangs = underHinges(p.front) + (i === plan.levels.length - 1 ? plan.slideMm : 0)
    places.forEach(({ left, right }, k) =>
      d.bay({
        id: `bay-${k}-${i}`,
        name: { code: 'shelf', column: k + 1, row: i + 1 },
        holds: 'surface',
        clear: {
          min: [left, plan.innerMm, plan.tops[i]],
          max: [right, plan.shelvesMm, above - plan.t - hangs],
        },
        carriers: [`shelf-${Math.floor(k / perOpening)}-${i}`],
        items: standing(level, k, plan.innerMm, plan.tops[i]),
        play: {
          sideMm: plan.play.sideMm,
          aboveMm: Math.max(0, plan.play.aboveMm - underHinges(p.front)),
          deepMm: 0,
        },
        stickOutMm: standsOut(p.front),
        exit: [0, 1, 0],
      }),
    )
  })
}
