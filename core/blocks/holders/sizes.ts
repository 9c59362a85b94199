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
  deckMm: number
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

/** @returns the sizes of what keeps a tool; or which tool falls through, does not go in, or lies on nothing */
export function holderSize(g: Goods, held: Held, p: Plays, w: Woods): Result<HolderSize> {
  const tool = toolOf(g)
  const { neckMm, handleMm, headMm, hangMm } = tool
  const no = (code: string, mm: number, leastMm: number) => bad(code, { goods: g.name, mm, leastMm, held }, 'holders')
  const hung = { overMm: Math.max(0, g.tallMm - hangMm), underMm: hangMm, boardMm: 0 }
  const size = (s: Partial<HolderSize> & Pick<HolderSize, 'openMm' | 'pitchMm'>): HolderSize => ({
    ...{ held, item: g, tool, keyMm: 0, endMm: p.sideMm, overMm: g.tallMm, underMm: 0, boardMm: 0 },
    middleMm: p.sideMm + g.deepMm / 2,
    deepMm: g.deepMm + p.sideMm,
    ...s,
  })
  const open = neckMm + p.fitMm
  /** Tools through openings in a deck, and the wood round them. */
  const through = (acrossMm: number, outMm: number, more: Partial<HolderSize>): HolderSize => {
    const half = outMm / 2 + WOOD_MM
    const middleMm = p.sideMm + Math.max(g.deepMm / 2, half)
    return size({
      openMm: open,
      pitchMm: Math.max(g.acrossMm + p.sideMm, acrossMm + 2 * WOOD_MM),
      middleMm,
      deepMm: middleMm + half,
      ...hung,
      ...more,
    })
  }
  switch (held) {
    case 'shelf':
      return good(size({ openMm: g.acrossMm, pitchMm: g.acrossMm + p.sideMm }))
    case 'box':
    case 'hinged-box':
      return good(
        size({
          openMm: g.acrossMm + 2 * p.sideMm,
          pitchMm: g.acrossMm + 2 * p.sideMm + w.dividerMm,
          endMm: -w.dividerMm,
          middleMm: w.dividerMm + p.sideMm + g.deepMm / 2,
          deepMm: g.deepMm + 2 * p.sideMm + 2 * w.dividerMm,
          boardMm: held === 'box' ? Math.max(FRONT_LEAST_MM, FRONT_SHARE * g.tallMm) : g.tallMm + p.sideMm,
        }),
      )
    case 'bored-rail':
      if (headMm < open + 2 * LIP_MM) return no('tool-falls-through', headMm, open + 2 * LIP_MM)
      return good(through(open, open, {}))
    case 'slotted-rail': {
      const keyMm = Math.max(handleMm, neckMm) + p.fitMm
      if (headMm < keyMm + 2 * LIP_MM) return no('tool-falls-through', headMm, keyMm + 2 * LIP_MM)
      return good(through(keyMm, keyMm, { keyMm }))
    }
    case 'cutout': {
      const keyMm = handleMm + p.fitMm
      const least = Math.min(open, keyMm) + 2 * LIP_MM
      if (headMm < least) return no('tool-falls-through', headMm, least)
      return good(through(open, keyMm, { keyMm }))
    }
    case 'pegs': {
      const least = open + w.pegMm + 2 * PEG_MM
      if (headMm < least) return no('tool-falls-through', headMm, least)
      return good(
        size({
          openMm: open,
          pitchMm: Math.max(g.acrossMm, open + 2 * w.pegMm) + p.sideMm,
          ...hung,
        }),
      )
    }
    case 'drill-slots': {
      const lane = headMm + 2 * p.fitMm
      const least = open + 2 * (LEDGE_MM + p.fitMm)
      if (headMm < least) return no('tool-falls-through', headMm, least)
      const ledge = (lane - open) / 2
      return good(
        size({
          openMm: open,
          keyMm: lane,
          pitchMm: lane + w.barMm,
          endMm: 2 * ledge + w.barMm,
          ...hung,
          boardMm: g.tallMm - hangMm + OVER_BODY_MM,
        }),
      )
    }
    case 'clamp-bar':
    case 'hang-rail':
      if (neckMm < w.barMm + p.fitMm) return no('tool-not-over', neckMm, w.barMm + p.fitMm)
      return good(size({ openMm: neckMm, pitchMm: g.acrossMm + p.sideMm, ...hung }))
    case 'hook':
      if (open > w.hookOpenMm) return no('tool-not-on-hook', open, w.hookOpenMm)
      return good(size({ openMm: open, pitchMm: g.acrossMm + p.sideMm, ...hung }))
  }
}

/** Room tools beside each other take between the sides of their holder, mm. */
export const clearFor = (s: HolderSize, n: number): number => n * s.pitchMm + s.endMm
