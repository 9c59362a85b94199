import { unitsOf } from '../../assembly/settings.ts'
import { HANGER_STEEL_MM } from '../../catalogue/hardware.ts'
import { findSection, type Section } from '../../catalogue/lumber.ts'
import { findSheet, type Sheet } from '../../catalogue/sheets.ts'
import type { Goods } from '../../goods/goods.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { roundNearest, roundUp } from '../../measure/rounding.ts'
import { inches } from '../../measure/units.ts'
import type { CornerProblems } from '../corner-line.ts'
import { shelfPlay, type DimPen } from '../dim-pen.ts'
import { cornerCut, type CornerCut } from '../bench-corner.ts'
import {
  besideOpening,
  DROP_PLAY_MM,
  dropDeepMm,
  openedDeep,
  type DropProblems,
  type DropRoom,
  type Opened,
} from './drop-in.ts'
import type { ShapeContext } from '../family.ts'
import { withoutPlace, type Level, type Opening } from '../house-on-shelves.ts'
import { framedTops } from '../shelf-tops.ts'
import type { Planned } from '../opened.ts'
import {
  benchDepth,
  benchHeight,
  PLAY_ABOVE,
  USUAL_LENGTH,
  type DepthReasons,
  type HeightReasons,
} from '../bench-sizes.ts'
import { LIMITS, type BenchParams, type Well } from './parameters.ts'
import { intoWells, type WellRoom } from '../bench-wells.ts'
import { LEAST_SECTION, openingsOf, sectionsOf, type BenchSection } from './sections.ts'
import { underneath, type UnderTop } from './under-top.ts'

/** What is said with its reasons and problems. */
export interface ReasonData extends HeightReasons, DepthReasons {
  'bench-goods': { things: number }
  'bench-usual-length': Record<string, never>
  'bench-wells': { count: number }
  'legs-half-sheet': { everyMm: number }
  'bench-kneel': Record<string, never>
  'shelves-under': { things: number }
  'bench-other-same': object
}
export interface ProblemData extends CornerProblems, DropProblems {
  'well-past-start': { mm: number; leastMm: number }
  'well-past-end': { mm: number; mostMm: number }
  'wells-meet': { mm: number; leastMm: number }
  'well-too-low': { mm: number; leastMm: number }
  'bench-too-shallow': { mm: number; leastMm: number }
  'shelf-over-top': { mm: number; mostMm: number; shelf: number }
  'angle-under-shelf': { mm: number; leastMm: number }
  'doubled-behind-panels': object
  'batten-misses-studs': { from: number; count: number }
}
/** A shorter one is no bench, mm. Product decision. */
const LEAST_LENGTH = 500
/** It is tried this much longer each time, mm. */
const GROWS_MM = 100
/** Legs no further apart, centre to centre, than half a sheet. */
const LEGS_EVERY = inches(48)
/** Cross pieces no further apart: somebody kneels between them. */
const CROSS_EVERY = inches(12)

export interface Plan {
  sheet: Sheet
  shelfSheet: Sheet
  frame: Section
  post: Section
  layers: number
  lengthMm: number
  depthMm: number
  heightMm: number
  /** Front of the frame; its back is at the wall. */
  frontMm: number
  /** From the outer face of a rail to the inner one of the leg behind it. */
  inMm: number
  /** Where shelves begin, from the wall: at the rear legs, or at the wall where a batten takes their place. */
  backMm: number
  sections: BenchSection[]
  /** Between the legs, of the sections that are no wells. */
  openings: (Opening & { section: number })[]
  levels: Level[]
  /** Tops of the shelves under it. */
  shelves: number[]
  /** Of each well, what stands in it. */
  machines: { well: Well; item: Goods | null; opened: Pick<Opened, 'back' | 'front'> | null }[]
  play: { sideMm: number; aboveMm: number }
  corner: CornerCut | null
}

export function planOut(p: BenchParams, ctx: ShapeContext, pen: DimPen): Result<Planned<Plan>> {
  const units = unitsOf(ctx.settings)
  const [frame, post] = [p.frameSection, p.postSection].map((s) => findSection(s)!)
  const [sheet, shelfSheet] = [findSheet(p.sheet)!, findSheet(p.shelfSheet)!]
  const layers = p.layers === 'two' ? 2 : 1
  const thick = layers * sheet.thicknessMm
  const { aboveMm, sideMm } = shelfPlay(pen, 300, PLAY_ABOVE)
  const heightMm = roundNearest(benchHeight(p, ctx, pen, thick + frame.widthMm), units)

  const deep = benchDepth(ctx, pen, sheet, { code: 'overhang' })
  if (!deep.ok) return deep
  const { depthMm, overhangMm } = deep.value
  const frontMm = depthMm - overhangMm
  const inMm = frame.thicknessMm + post.thicknessMm
  const backMm = p.back === 'batten' ? 0 : inMm
  const leastMm = 2 * inMm + 100 + overhangMm
  if (depthMm < leastMm) return bad('bench-too-shallow', { mm: depthMm, leastMm }, 'depthMm')

  const legsApart = pen.length({ path: 'legsApartMm', code: 'legs-apart', min: 300, max: 2400 }, LEGS_EVERY, {
    code: 'legs-half-sheet',
    terms: [],
    data: { everyMm: LEGS_EVERY },
  })
  const every = pen.length({ path: 'crossEveryMm', code: 'cross-every', min: 150, max: 1300 }, CROSS_EVERY, {
    code: 'bench-kneel',
    terms: [],
  })
  const panelMm = shelfSheet.lengthMm - 2 * ctx.settings.sheetTrimMm
  const spec = { p, ctx, sheet, post, frame, heightMm, legsApart, every, panelMm }
  const drop: DropRoom = { depthMm, overhangMm, boardMm: frame.thicknessMm }
  const found = intoWells(
    ctx.goods,
    p.wells.map((w) => roomIn(w, drop)),
  )
  const machines = p.wells.map((well, i) => ({ well, item: found.machines[i] }))
  const { rest } = found
  const things = rest.length
  const room: UnderTop = {
    depthMm: frontMm - inMm - backMm,
    highMm: heightMm - thick - frame.widthMm,
    frame: {
      frameMm: frame.widthMm,
      sheetMm: shelfSheet.thicknessMm,
      // Hangers go under what they carry.
      underMm: p.crossJoint === 'hangers' ? HANGER_STEEL_MM : 0,
    },
    aboveMm,
    sideMm,
    floorBay: p.floorBay,
    lifters: ctx.settings,
  }
  const openingsFor = (mm: number) => {
    const s = sectionsOf(spec, mm)
    return s.ok ? openingsOf(s.value, post) : []
  }
  const wellsEnd = Math.max(
    0,
    ...p.wells.map((w) => w.leftMm + w.wideMm + (w.way === 'dropped-in' ? besideOpening(post, frame) : 0)),
  )
  const longest = ctx.space.lengthMm
  // What a well leaves of a usual bench is a stretch with legs of its own, or it ends with the well.
  const beside = USUAL_LENGTH - wellsEnd
  const grown = beside > 0 && beside < LEAST_SECTION ? wellsEnd + LEAST_SECTION : USUAL_LENGTH
  const usual = Math.min(longest, Math.max(grown, wellsEnd))
  let needed = Math.max(LEAST_LENGTH, usual)
  const fits = (mm: number) => underneath(room, openingsFor(mm), rest, p.shelves).left.length === 0
  while (needed < longest && !fits(needed)) needed = Math.min(longest, needed + GROWS_MM)
  const lengthMm = pen.length(
    { path: 'lengthMm', code: 'length', min: LEAST_LENGTH, max: 12_000 },
    Math.min(roundUp(needed, units), Math.max(longest, LEAST_LENGTH)),
    {
      code: needed > usual ? 'bench-goods' : usual > USUAL_LENGTH ? 'bench-wells' : 'bench-usual-length',
      terms: [],
      data: needed > usual ? { things } : usual > USUAL_LENGTH ? { count: p.wells.length } : {},
    },
  )
  const opened: Plan['machines'] = []
  for (const [i, m] of machines.entries()) {
    const o = m.well.way === 'dropped-in' ? openedDeep(m.well, m.item, drop, `wells.${i}`) : good(null)
    if (!o.ok) return o
    opened.push({ ...m, opened: o.value })
  }
  const corner = cornerCut(p, ctx, pen, { depthMm, lengthMm })
  if (!corner.ok) return corner
  const sections = sectionsOf(spec, lengthMm)
  if (!sections.ok) return sections
  const outer = corner.value && sections.value.at(corner.value.side === 'left' ? 0 : -1)
  if (outer?.opening) return bad('drop-in-corner', {}, 'corner')
  const openings = openingsOf(sections.value, post)
  const { levels, left } = underneath(room, openings, rest, p.shelves)
  pen.count(
    { path: 'shelves', code: 'shelves', min: 0, max: LIMITS.shelves },
    underneath(room, openings, rest, null).levels.filter((l) => !l.floor).length,
    { code: 'shelves-under', terms: [], data: { things } },
  )
  const shelves = framedTops(levels, room.frame, aboveMm, pen, 1400)
  if (!shelves.ok) return shelves
  const over = shelves.value.findIndex((z) => z > room.highMm)
  if (over >= 0)
    return bad('shelf-over-top', { mm: shelves.value[over], mostMm: room.highMm, shelf: over + 1 }, `topMm.${over}`)
  return good({
    unhoused: withoutPlace(left),
    plan: {
      sheet,
      shelfSheet,
      frame,
      post,
      layers,
      lengthMm,
      depthMm,
      heightMm,
      frontMm,
      inMm,
      backMm,
      sections: sections.value,
      openings,
      levels,
      shelves: shelves.value,
      machines: opened,
      play: { sideMm, aboveMm },
      corner: corner.value,
    },
  })
}

/** Room for a machine in a well. */
const roomIn = (w: Well, r: DropRoom): WellRoom =>
  w.way === 'dropped-in'
    ? { wideMm: w.wideMm - 2 * DROP_PLAY_MM, deepMm: dropDeepMm(w, r) }
    : { wideMm: w.wideMm, deepMm: r.depthMm }
