import type { Bay } from '../assembly/assembly.ts'
import type { Draft } from '../assembly/draft.ts'
import { unitsOf } from '../assembly/settings.ts'
import {
  apartFor,
  FACE_EDGE_MM,
  facesOf,
  leafHigh,
  leavesIn,
  placePivotLeaves,
  PASS_MM,
  zoneOf,
  type Face,
  type Leaf,
  type PivotLeaves,
} from '../blocks/fronts/pivot-leaves.ts'
import { PIVOT } from '../catalogue/hardware.ts'
import type { Sheet } from '../catalogue/sheets.ts'
import type { Goods } from '../goods/goods.ts'
import { bad, good, type Result } from '../measure/result.ts'
import { roundUp } from '../measure/rounding.ts'
import type { DimPen } from './dim-pen.ts'
import type { ShapeContext } from './family.ts'
import { withoutPlace } from './house-on-shelves.ts'
import { countDim, dim } from './params.ts'

/** A leaf is usually so high, mm: a row of long tools over a row of short ones. Product decision. */
const USUAL_HIGH_MM = 700
/** What hangs on a leaf is no heavier and stands out no further, kg and mm: one screw holds it. Product decision. */
const MOST_KG = 3
const MOST_OUT_MM = 120
/** Between two things on a face, and a row and the next, mm. */
const BESIDE_MM = 15

/** What is said of leaves with their reasons and problems. */
export interface LeafReason {
  'leaf-usual': object
  'leaves-pass': { deepMm: number; passMm: number }
  'leaves-goods': { things: number }
  'behind-leaves': object
  'leaf-high-usual': object
}
export interface LeafProblem {
  'leaf-tools-meet': { one: string; other: string; mm: number }
  'leaves-too-narrow': { count: number; mm: number }
  'leaves-too-deep': { mm: number; mostMm: number }
  'leaves-one-opening': { count: number }
  'leaves-one-shelf': object
  'leaves-too-high': { mm: number; mostMm: number }
  'tier-over-leaf': { mm: number; mostMm: number; shelf: number }
}

/** A thing on a face: from its left edge, from its upper edge down. */
interface OnFace {
  item: Goods
  xMm: number
  downMm: number
}
export interface PivotPlan {
  leaves: Leaf[]
  faces: (Face & { things: OnFace[] })[]
  /** Free height between bottom and top, and what the leaves need in front of the shelves. */
  openMm: number
  zoneMm: number
}

const LEAVES = 8
export const leavesOnPins = {
  /** Leaves on pins, from leaf to leaf, and their height. */
  leaves: countDim(1, LEAVES),
  apartMm: dim(20, 300),
  leafHighMm: dim(200, 1100),
}
export const usualPins = () => ({ leaves: null, apartMm: null, leafHighMm: null })

/** Whether a thing may hang on a leaf. */
export const hangsOnLeaf = (p: { front: string }, g: Goods): boolean =>
  p.front === 'pivots' && g.kind === 'tool' && g.massKg !== null && g.massKg <= MOST_KG && g.deepMm <= MOST_OUT_MM

interface Opening {
  left: number
  right: number
  sheet: Sheet
}

/** Leaves of one opening, as few as take all that may hang on them, and what hangs where; what is left goes on. */
export function planLeaves(
  p: { front: string },
  ctx: ShapeContext,
  pen: DimPen,
  o: Opening,
): Result<{ plan: PivotPlan; left: ShapeContext['goods'] }> {
  const units = unitsOf(ctx.settings)
  const tools = ctx.goods.filter((g) => hangsOnLeaf(p, g.item))
  const deepestMm = Math.max(0, ...tools.map((g) => g.item.deepMm))
  const highMm = pen.length(
    { path: 'leafHighMm', code: 'leaf-high', min: 200, max: 1100 },
    roundUp(USUAL_HIGH_MM, units),
    {
      code: 'leaf-high-usual',
      terms: [],
    },
  )
  const apartMm = pen.length(
    { path: 'apartMm', code: 'leaves-apart', min: 20, max: 300 },
    roundUp(apartFor(o.sheet, deepestMm), units),
    { code: 'leaves-pass', terms: [], data: { deepMm: deepestMm, passMm: PASS_MM } },
  )
  const room = { ...o, frontMm: 0, apartMm, deepestMm }
  const queue = tools
    .flatMap((g) => Array.from({ length: g.count }, () => g.item))
    .sort((a, b) => b.deepMm - a.deepMm || b.tallMm - a.tallMm || b.acrossMm - a.acrossMm)
  const fits = Array.from({ length: LEAVES }, (_, i) => i + 1).filter((n) => leavesIn(n, room) !== null)
  const on = (n: number) => hangUp(queue, facesOf(leavesIn(n, room)!, leafHigh(openOf(highMm))))
  const even = fits.filter((n) => n % 2 === 0)
  const enough = even.find((n) => on(n).left.length === 0) ?? even[even.length - 1] ?? 1
  const count = pen.count({ path: 'leaves', code: 'leaves', min: 1, max: LEAVES }, enough, {
    code: 'leaves-goods',
    terms: [],
    data: { things: queue.length },
  })
  const leaves = leavesIn(count, room)
  if (!leaves) return bad('leaves-too-narrow', { count, mm: o.right - o.left }, 'leaves')
  const { faces, left } = on(count)
  const met = toolsThatMeet(faces, leaves, apartMm - o.sheet.thicknessMm)
  if (met) return bad('leaf-tools-meet', met, 'apartMm')
  const over = new Map(withoutPlace(left).map((u) => [u.goodsId, u.count]))
  const rest = ctx.goods.map((g) => (hangsOnLeaf(p, g.item) ? { ...g, count: over.get(g.item.id) ?? 0 } : g))
  return good({
    plan: {
      leaves,
      faces,
      openMm: openOf(highMm),
      zoneMm: zoneOf(count, { sheet: o.sheet, apartMm, deepestMm }),
    },
    left: rest.filter((g) => g.count > 0),
  })
}

/** Free height that leaves of a height need. */
const openOf = (highMm: number): number => highMm + 2 * PIVOT.highMm

/** Rows of things on each face, from its upper edge down, deep things with deep ones. */
function hangUp(queue: readonly Goods[], faces: readonly Face[]): Pick<PivotPlan, 'faces'> & { left: Goods[] } {
  const open = faces.map((f) => ({
    ...f,
    things: [] as OnFace[],
    rows: [] as { downMm: number; highMm: number; xMm: number }[],
  }))
  const left: Goods[] = []
  for (const item of queue) {
    const placed = open.some((f) => {
      const row = f.rows.find((r) => r.xMm + item.acrossMm <= f.wideMm && item.tallMm <= r.highMm)
      const last = f.rows[f.rows.length - 1]
      const downMm = row ? row.downMm : last ? last.downMm + last.highMm + BESIDE_MM : 0
      if (!row && (item.acrossMm > f.wideMm || downMm + item.tallMm > f.highMm)) return false
      const at = row ?? { downMm, highMm: item.tallMm, xMm: 0 }
      if (!row) f.rows.push(at)
      f.things.push({ item, xMm: at.xMm, downMm })
      at.xMm += item.acrossMm + BESIDE_MM
      return true
    })
    if (!placed) left.push(item)
  }
  return { faces: open.map(({ rows: _rows, ...f }) => f), left }
}

const deepest = (f: { things: readonly OnFace[] } | undefined): OnFace | undefined =>
  f?.things.reduce<OnFace | undefined>((d, t) => (d && d.item.deepMm >= t.item.deepMm ? d : t), undefined)

/** The two things of leaves that follow each other that reach furthest into each other; null where none do. */
function toolsThatMeet(faces: PivotPlan['faces'], leaves: readonly Leaf[], clearMm: number) {
  let worst: { one: string; other: string; mm: number } | null = null
  leaves.forEach((l, i) => {
    const behind = leaves.findIndex((x) => x.hung === l.hung && x.nth === l.nth + 1)
    if (behind < 0) return
    const [back, front] = [
      deepest(faces.find((f) => f.leaf === i && !f.front)),
      deepest(faces.find((f) => f.leaf === behind && f.front)),
    ]
    const mm = (back?.item.deepMm ?? 0) + (front?.item.deepMm ?? 0) - clearMm
    if (mm > (worst?.mm ?? 0)) worst = { one: back?.item.name ?? '', other: front?.item.name ?? '', mm }
  })
  return worst
}

/** Places on the faces, each a bay that turns with its leaf. */
function faceBays(
  plan: PivotPlan,
  x: { ids: readonly string[]; sheet: Sheet; footMm: number; shiftMm: number },
): Bay[] {
  const half = x.sheet.thicknessMm / 2
  const headMm = x.footMm + plan.openMm - PIVOT.highMm - FACE_EDGE_MM
  return plan.faces.flatMap((f, n): Bay[] => {
    if (f.things.length === 0) return []
    const { outMm } = plan.leaves[f.leaf]
    const face = x.shiftMm + outMm + (f.front ? half : -half)
    const items = f.things.map(({ item, xMm, downMm }): Bay['items'][number] => ({
      goodsId: item.id,
      massKg: item.massKg,
      stands: 'flat',
      box: {
        min: [f.left + xMm, f.front ? face : face - item.deepMm, headMm - downMm - item.tallMm],
        max: [f.left + xMm + item.acrossMm, f.front ? face + item.deepMm : face, headMm - downMm],
      },
    }))
    const deepMm = deepest(f)!.item.deepMm
    return [
      {
        id: `face-${n}`,
        name: { code: f.front ? 'leaf-front' : 'leaf-back', column: f.leaf + 1, row: 1 },
        holds: 'hung',
        clear: {
          min: [f.left, f.front ? face : face - deepMm, headMm - f.highMm],
          max: [f.left + f.wideMm, f.front ? face + deepMm : face, headMm],
        },
        carriers: [x.ids[f.leaf]],
        items,
        play: { sideMm: 0, aboveMm: 0, deepMm: 0 },
        stickOutMm: 0,
        exit: [0, f.front ? 1 : -1, 0],
      },
    ]
  })
}

/** Leaves on pins between two panels, and what hangs on them. */
export function hangOnPins(
  d: Draft,
  x: PivotPlan,
  s: Pick<PivotLeaves, 'sheet' | 'lower' | 'upper' | 'footMm' | 'headMm'> & { frontMm: number },
): void {
  const leaves = x.leaves.map((l) => ({ ...l, outMm: l.outMm + s.frontMm }))
  const ids = placePivotLeaves(d, { id: 'leaf', ...s, leaves })
  // Under a higher box the leaves are as high as it is: what hangs on them hangs from their upper edge.
  const shown = { ...x, openMm: s.headMm - s.footMm }
  for (const b of faceBays(shown, { ids, sheet: s.sheet, footMm: s.footMm, shiftMm: s.frontMm })) d.bay(b)
}
