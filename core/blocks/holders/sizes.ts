import type { Goods } from '../../goods/goods.ts'
import { assumedTool, type Held, type ToolShape } from '../../goods/tool.ts'
import { bad, good, type Result } from '../../measure/result.ts'

/*
 * The measures of a holder from its tool: the opening that holds it, how far apart and how far out tools are, what
 * room they take over and under where they are held.
 */

/** Wood left beside an opening, mm. Product decision: what a hole saw leaves whole in a sheet. */
const WOOD_MM = 15
/** What must not pass lies on at least so much on both sides of an opening, mm. Product decision. */
const LIP_MM = 2
/** A body lies on each ledge by at least this much when it is pushed to the other side, mm. Product decision. */
const LEDGE_MM = 4
/** What rests on two pegs reaches past their middles by at least this, mm. */
const PEG_MM = 3
/** Over a ledge, between a body and the deck above, mm. */
const OVER_BODY_MM = 10
/** A front board or a divider stands up this share of a tool, and at least so high, mm. Product decision. */
const FRONT_SHARE = 0.5
const FRONT_LEAST_MM = 60

export interface Plays {
  /** All round in an opening together, mm. */
  fitMm: number
  /** Beside each tool. */
  sideMm: number
}

/** Thicknesses of what holders are made of, mm. */
export interface Woods {
  dividerMm: number
  /** Of a bar that tools hang over, and of webs under a deck. */
  barMm: number
  pegMm: number
  hookOpenMm: number
}

export interface HolderSize {
  held: Held
  item: Goods
  tool: ToolShape
  /** The measure that must be right: a hole, a slot, a compartment; and the broader one of a keyhole. */
  openMm: number
  keyMm: number
  /** From one tool to the next, and what one more at the end takes. */
  pitchMm: number
  endMm: number
  /** From the back of its room to the middle of the tools, and to the front edge. */
  middleMm: number
  deepMm: number
  /** From the lower edge of what carries it up to its top, and down to its lowest point. */
  overMm: number
  underMm: number
  /** Height of front board, dividers, or webs. */
  boardMm: number
}

export const toolOf = (g: Goods): ToolShape => g.tool ?? assumedTool(g)

interface Asked {
  g: Goods
  tool: ToolShape
  held: Held
  p: Plays
  w: Woods
  /** The opening a tool has where it is held. */
  openMm: number
}
type Sized = Partial<HolderSize> & Pick<HolderSize, 'openMm' | 'pitchMm'>
/** What is wrong, with what there is and what would be accepted, mm. */
interface Refused {
  code: 'tool-falls-through' | 'tool-not-over' | 'tool-not-on-hook'
  mm: number
  leastMm: number
}
const fallsThrough = (mm: number, leastMm: number): Refused => ({ code: 'tool-falls-through', mm, leastMm })

/** What of a hung tool is over and under what holds it. */
const hung = ({ g, tool }: Asked) => ({ overMm: Math.max(0, g.tallMm - tool.hangMm), underMm: tool.hangMm, boardMm: 0 })
const beside = ({ g, p }: Asked): number => g.acrossMm + p.sideMm

/** Tools through openings in a deck, and the wood round them. @param outMm the opening from front to back */
function through(a: Asked, acrossMm: number, outMm: number, keyMm = 0): Sized {
  const half = outMm / 2 + WOOD_MM
  const middleMm = a.p.sideMm + Math.max(a.g.deepMm / 2, half)
  return {
    openMm: a.openMm,
    keyMm,
    pitchMm: Math.max(beside(a), acrossMm + 2 * WOOD_MM),
    middleMm,
    deepMm: middleMm + half,
    ...hung(a),
  }
}

function inBox({ g, p, w, held }: Asked): Sized {
  const openMm = g.acrossMm + 2 * p.sideMm
  return {
    openMm,
    pitchMm: openMm + w.dividerMm,
    endMm: -w.dividerMm,
    middleMm: w.dividerMm + p.sideMm + g.deepMm / 2,
    deepMm: g.deepMm + 2 * p.sideMm + 2 * w.dividerMm,
    boardMm: held === 'box' ? Math.max(FRONT_LEAST_MM, FRONT_SHARE * g.tallMm) : g.tallMm + p.sideMm,
  }
}

function onBar(a: Asked): Sized | Refused {
  const { neckMm } = a.tool
  const leastMm = a.w.barMm + a.p.fitMm
  if (neckMm < leastMm) return { code: 'tool-not-over', mm: neckMm, leastMm }
  return { openMm: neckMm, pitchMm: beside(a), ...hung(a) }
}

const SIZES: Record<Held, (a: Asked) => Sized | Refused> = {
  shelf: (a) => ({ openMm: a.g.acrossMm, pitchMm: beside(a) }),
  box: inBox,
  'hinged-box': inBox,
  'bored-rail': (a) => {
    const least = a.openMm + 2 * LIP_MM
    return a.tool.headMm < least ? fallsThrough(a.tool.headMm, least) : through(a, a.openMm, a.openMm)
  },
  'slotted-rail': (a) => {
    const keyMm = Math.max(a.tool.handleMm, a.tool.neckMm) + a.p.fitMm
    const least = keyMm + 2 * LIP_MM
    return a.tool.headMm < least ? fallsThrough(a.tool.headMm, least) : through(a, keyMm, keyMm, keyMm)
  },
  cutout: (a) => {
    const keyMm = a.tool.handleMm + a.p.fitMm
    const least = Math.min(a.openMm, keyMm) + 2 * LIP_MM
    return a.tool.headMm < least ? fallsThrough(a.tool.headMm, least) : through(a, a.openMm, keyMm, keyMm)
  },
  pegs: (a) => {
    const least = a.openMm + a.w.pegMm + 2 * PEG_MM
    if (a.tool.headMm < least) return fallsThrough(a.tool.headMm, least)
    return { openMm: a.openMm, pitchMm: Math.max(a.g.acrossMm, a.openMm + 2 * a.w.pegMm) + a.p.sideMm, ...hung(a) }
  },
  'drill-slots': (a) => {
    const lane = a.tool.headMm + 2 * a.p.fitMm
    const least = a.openMm + 2 * (LEDGE_MM + a.p.fitMm)
    if (a.tool.headMm < least) return fallsThrough(a.tool.headMm, least)
    return {
      openMm: a.openMm,
      keyMm: lane,
      pitchMm: lane + a.w.barMm,
      endMm: lane - a.openMm + a.w.barMm,
      ...hung(a),
      boardMm: a.g.tallMm - a.tool.hangMm + OVER_BODY_MM,
    }
  },
  'clamp-bar': onBar,
  'hang-rail': onBar,
  hook: (a) =>
    a.openMm > a.w.hookOpenMm
      ? { code: 'tool-not-on-hook', mm: a.openMm, leastMm: a.w.hookOpenMm }
      : { openMm: a.openMm, pitchMm: beside(a), ...hung(a) },
}

/** @returns the sizes of what keeps a tool; or which tool falls through, or does not go in */
export function holderSize(g: Goods, held: Held, p: Plays, w: Woods): Result<HolderSize> {
  const tool = toolOf(g)
  const sized = SIZES[held]({ g, tool, held, p, w, openMm: tool.neckMm + p.fitMm })
  if ('code' in sized) return bad(sized.code, { goods: g.name, mm: sized.mm, leastMm: sized.leastMm, held }, 'holders')
  return good({
    middleMm: p.sideMm + g.deepMm / 2,
    deepMm: g.deepMm + p.sideMm,
    ...{ held, item: g, tool, keyMm: 0, endMm: p.sideMm, overMm: g.tallMm, underMm: 0, boardMm: 0 },
    ...sized,
  })
}

/** Room tools beside each other take between the sides of their holder, mm. */
export const clearFor = (s: HolderSize, n: number): number => n * s.pitchMm + s.endMm
