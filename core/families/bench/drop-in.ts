import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { CROSS_SCREWS, placeSheet } from '../../blocks/frame/shelf-frame.ts'
import { hangJoist } from '../../blocks/mounts/joist-hanger.ts'
import type { Section } from '../../catalogue/lumber.ts'
import type { Sheet } from '../../catalogue/sheets.ts'
import { standsOn, type Goods } from '../../goods/goods.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import type { ShapeContext } from '../family.ts'
import { layOn } from '../../blocks/frame/layers.ts'
import { LEAST_FRONT_MM, rowsOf, type BenchParams, type Well } from './parameters.ts'
import type { BenchSection } from './sections.ts'

/*
 * A machine let down through the top until its table is level with it, from above:
 *
 *    |====================|  rear strip, on the rail and a trimmer
 *    | left |------| right|  trimmers between the cross pieces on both sides of the opening
 *    |      |      |      |  the opening, over a platform on the same legs
 *    |      |------|      |
 *    |====================|  front strip
 */

/** Between a machine and the edge of what it is let down through, at each side, mm. Product decision. */
export const DROP_PLAY_MM = 3
/** What lies less than this on something does not lie on it, mm. */
const LEAST_LIES_MM = 5
/** Screws into an end are not hindered by how long a board is, mm. */
const LONG_MM = 200
/** Screws of a strip along a trimmer are no further apart, mm. */
const STRIP_EVERY_MM = 300

export interface DropProblems {
  'drop-too-shallow': { mm: number; leastMm: number }
  'drop-too-near': { mm: number; leastMm: number }
  'drop-in-corner': object
  'drop-no-machine': { wideMm: number; deepMm: number }
}

/** Where the opening is: out from the wall, and along it. */
export interface Opened {
  back: number
  front: number
  left: number
  right: number
}

export interface DropRoom {
  depthMm: number
  overhangMm: number
  /** Thickness of the boards of its frame. */
  boardMm: number
}

/** What an opening needs at each end of its stretch: a leg and a cross piece. */
export const besideOpening = (post: Section, frame: Section): number => post.widthMm + frame.thicknessMm

/** How deep a machine may be that goes in, mm. */
export const dropDeepMm = (w: Well, r: DropRoom): number => r.depthMm - w.frontMm - 2 * DROP_PLAY_MM - 2 * r.boardMm

/** How far out from the wall the opening goes: as deep as its machine and play. What nobody put there nobody can judge. */
export function openedDeep(
  w: Well,
  machine: Goods | null,
  r: DropRoom,
  field: string,
): Result<Pick<Opened, 'back' | 'front'>> {
  const leastMm = Math.max(LEAST_FRONT_MM, r.overhangMm + 2 * r.boardMm)
  if (w.frontMm < leastMm) return bad('drop-too-near', { mm: w.frontMm, leastMm }, field)
  const front = r.depthMm - w.frontMm
  if (!machine) {
    const deepMm = Math.max(0, dropDeepMm(w, r))
    return bad('drop-no-machine', { wideMm: w.wideMm - 2 * DROP_PLAY_MM, deepMm }, field)
  }
  return good({ back: front - machine.deepMm - 2 * DROP_PLAY_MM, front })
}

export interface DropSite {
  d: Draft
  p: BenchParams
  ctx: ShapeContext
  section: BenchSection
  n: number
  /** Of its top. */
  sheet: Sheet
  layers: number
  frame: Section
  depthMm: number
  /** Out from the wall, what runs between its legs, or between its batten and its front legs. */
  fromMm: number
  toMm: number
}

const board = ({ p, ctx }: DropSite): Stock => ({
  kind: 'board',
  section: p.frameSection,
  grade: ctx.settings.grade,
  treated: false,
})
const lowOf = ({ section, layers, sheet }: DropSite): number => section.highMm - layers * sheet.thicknessMm

/** Between the legs of each end, under the outer edge of what lies beside the opening. @returns their ids */
function endPieces(s: DropSite): string[] {
  const { d, p, section, n, frame } = s
  const { thicknessMm: t, widthMm: w } = frame
  return [section.from, section.to - t].map((x, k) => {
    const id = `between-${n}-${k}`
    d.square({
      ...{ id, role: 'cross', stock: board(s), along: 'y', across: 'z' },
      min: [x, s.fromMm, lowOf(s) - w],
      size: [t, s.toMm - s.fromMm, w],
    })
    // On a batten its rear end is held by that, which is not there yet.
    for (const side of rowsOf(p)) holdEnd(s, id, `leg-${n}-${k}-${side}`, side === 'rear' ? 0 : 1)
    return id
  })
}

/** The end of a piece on what it meets: in a hanger, or by screws through that. @param end 0 at its lower end, 1 at its upper */
function holdEnd({ d, p }: DropSite, id: string, on: string, end: 0 | 1): void {
  const { min, max } = d.box(id)
  const axis = max[0] - min[0] > max[1] - min[1] ? 0 : 1
  if (p.crossJoint !== 'hangers')
    d.rest(
      id,
      on,
      'fasteners',
      d.screw(on, id, CROSS_SCREWS[p.crossJoint], 'end', d.part(on).size.thicknessMm, LONG_MM),
    )
  else
    hangJoist(d, {
      ...{ id: `hanger-${id}-${end}`, joist: id, on, nailed: true },
      ...(end === 0 ? { faceMm: min[axis], way: 1 } : { faceMm: max[axis], way: -1 }),
    })
}

/** Trimmers along both edges of the opening, and the top in four pieces round it. */
export function aroundOpening(s: DropSite, o: Opened): void {
  const { d, p, n, section, frame } = s
  const { thicknessMm: t, widthMm: w } = frame
  const ends = endPieces(s)
  if (p.back === 'batten') for (const id of ends) holdEnd(s, id, `rail-${n}-top-rear`, 0)
  const trimmers = (['rear', 'front'] as const).map((side) => {
    const id = `trimmer-${n}-${side}`
    d.square({
      ...{ id, role: 'cross', stock: board(s), along: 'x', across: 'z' },
      min: [o.left, side === 'rear' ? o.back - t : o.front, lowOf(s) - w],
      size: [o.right - o.left, t, w],
    })
    for (const k of [0, 1] as const) holdEnd(s, id, `cross-${n}-top-${k}`, k)
    return id
  })
  const rails = ['rear', 'front'].map((side) => `rail-${n}-top-${side}`)
  const crosses = [0, 1].map((k) => `cross-${n}-top-${k}`)
  const legs = [0, 1].flatMap((k) => rowsOf(p).map((side) => `leg-${n}-${k}-${side}`))
  const { from, to } = section
  const strip = { from: o.left, to: o.right }
  topPiece(s, { id: 'rear', ...strip, backMm: 0, frontMm: o.back }, [rails[0], trimmers[0]], [])
  topPiece(s, { id: 'front', ...strip, backMm: o.front, frontMm: s.depthMm }, [rails[1], trimmers[1]], [])
  const beside = [...legs, ...ends, ...crosses]
  const whole = { backMm: 0, frontMm: s.depthMm }
  topPiece(s, { id: 'left', from, to: o.left, ...whole }, rails, beside)
  topPiece(s, { id: 'right', from: o.right, to, ...whole }, rails, beside)
}

/** A piece of the top, screwed to what it lies along, and what else it lies on. */
function topPiece(
  s: DropSite,
  at: { id: string; from: number; to: number; backMm: number; frontMm: number },
  along: readonly string[],
  lies: readonly string[],
): void {
  const { d, n } = s
  const { thicknessMm } = s.sheet
  const { backMm, frontMm } = at
  const piece = (layer: string) => ({ id: `top-${n}-${layer}-${at.id}`, from: at.from, to: at.to })
  const lower = piece('a')
  placeSheet(d, lower, { role: 'top', sheet: s.sheet.id, backMm, frontMm, z: lowOf(s), thicknessMm })
  const long = Math.max(at.to - at.from, frontMm - backMm)
  for (const on of along)
    d.rest(
      lower.id,
      on,
      'bearing',
      d.screw(lower.id, on, Math.ceil(long / STRIP_EVERY_MM) + 1, 'side', thicknessMm, s.frame.widthMm),
    )
  const [box, least] = [d.box(lower.id), LEAST_LIES_MM]
  for (const on of lies) {
    const b = d.box(on)
    const over = ([0, 1] as const).every((i) => Math.min(b.max[i], box.max[i]) - Math.max(b.min[i], box.min[i]) > least)
    if (over) d.rest(lower.id, on)
  }
  if (s.layers === 2) layOn(d, { sheet: s.sheet, z: lowOf(s) + thicknessMm, backMm, frontMm }, piece('b'), [lower])
}

/** The machine on its platform under the opening, lifted out upwards; and room to work all round it. */
export function openingBays(
  s: DropSite,
  o: Opened,
  at: { machine: Goods; platform: { id: string; topMm: number }; column: number; row: number; overMm: number },
): void {
  const { d, section, n } = s
  const { machine, platform } = at
  const play = { sideMm: DROP_PLAY_MM, aboveMm: 0, deepMm: DROP_PLAY_MM }
  const [x, y] = [(o.left + o.right - machine.acrossMm) / 2, o.back + DROP_PLAY_MM]
  d.bay({
    id: `drop-${n}`,
    name: { code: 'well', column: at.column, row: at.row },
    holds: 'surface',
    clear: { min: [o.left, o.back, platform.topMm], max: [o.right, o.front, at.overMm] },
    carriers: [platform.id],
    items: [
      {
        goodsId: machine.id,
        massKg: machine.massKg,
        stands: standsOn(machine.kind),
        box: {
          min: [x, y, platform.topMm],
          max: [x + machine.acrossMm, y + machine.deepMm, platform.topMm + machine.tallMm],
        },
      },
    ],
    play,
    stickOutMm: 0,
    exit: [0, 0, 1],
  })
  for (const [side, from, to, back, front] of [
    ['rear', o.left, o.right, 0, o.back],
    ['front', o.left, o.right, o.front, s.depthMm],
    ['left', section.from, o.left, 0, s.depthMm],
    ['right', o.right, section.to, 0, s.depthMm],
  ] as const)
    d.bay({
      id: `top-${n}-${side}`,
      name: { code: 'worktop', column: at.column, row: at.row },
      holds: 'surface',
      clear: { min: [from, back, section.highMm], max: [to, front, at.overMm] },
      // Two whole layers bend together and share.
      carriers: ['b', 'a'].slice(2 - s.layers).map((layer) => `top-${n}-${layer}-${side}`),
      items: [],
      play: { sideMm: 0, aboveMm: 0, deepMm: 0 },
      stickOutMm: 0,
      exit: [0, 0, 1],
    })
}
