import { workOn } from './work.ts'
import type { Assembly, Motion, Part, StickMark } from '../assembly/assembly.ts'
import { opens, turnsUp } from '../assembly/moved.ts'
import { isSquare, thicknessAxis, turnedBox, wholeBox, type PartBoxes } from '../assembly/part-box.ts'
import type { Dim } from '../families/family.ts'
import { corners, boxUnion, outlineOf, type Box } from '../geometry/box.ts'
import { hull, type Point } from '../geometry/hull.ts'
import { add, scale, type Vec3 } from '../geometry/vec.ts'
import { isRound, type Goods } from '../goods/goods.ts'
import { silhouetteIn } from '../goods/silhouette.ts'
import type { FreeSpace } from '../room/room.ts'
import { goodsSolid, type Standing } from './goods-solid.ts'
import { inkOf } from './ink.ts'
import { overhead } from './overhead.ts'
import type { Mark, Scene } from './scene.ts'
import { polyhedra, solidOf } from './solid.ts'

export const VIEWS = ['front', 'plan', 'section'] as const
export type View = (typeof VIEWS)[number]

/** Right and up on the page, and towards the eye, for each view. The plan has the wall at its top edge. */
const LOOK: Record<View, { page(p: Vec3): Point; near(p: Vec3): number }> = {
  front: { page: (p) => [p[0], p[2]], near: (p) => p[1] },
  plan: { page: (p) => [p[0], -p[1]], near: (p) => p[2] },
  // From the right: the wall is on the left of the page.
  section: { page: (p) => [p[1], p[2]], near: (p) => p[0] },
}

/**
 * Distance of the first and further rows of dimension lines from the build: on a large drawing letters are large too.
 * mm
 */
const rowOf = (wideMm: number, highMm: number) => Math.max(110, 0.06 * Math.max(wideMm, highMm))

type Look = (typeof LOOK)[View]

interface Drawn {
  mark: Mark
  near: number
}

const cuts = (b: Box, x: number) => b.min[0] < x && b.max[0] > x

/** Where a section is taken unless asked for elsewhere: through the middle of the first bay, mm from the build's origin. */
export const sectionPlane = (a: Assembly, boxes: PartBoxes): number => {
  const b = a.bays[0]?.clear ?? wholeBox(boxes)
  return (b.min[0] + b.max[0]) / 2
}

/** A leaf seen from the front is drawn so that one looks through it, with the two lines that meet at its hinges. */
function swingMark(m: Motion, b: Box, look: Look): Mark | null {
  if (m.kind !== 'swing') return null
  const up: boolean = turnsUp(m)
  if (up) {
    const [hung, free] =
      Math.abs(m.at[2] - b.max[2]) < Math.abs(m.at[2] - b.min[2]) ? [b.max[2], b.min[2]] : [b.min[2], b.max[2]]
    const to = (x: number, z: number) => look.page([x, b.max[1], z])
    return {
      kind: 'outline',
      points: [to(b.min[0], free), to((b.min[0] + b.max[0]) / 2, hung), to(b.max[0], free)],
      ink: 'work',
    }
  }
  if (Math.abs(m.axis[2]) < 0.9) return null
  const hung = Math.abs(m.at[0] - b.min[0]) < Math.abs(m.at[0] - b.max[0]) ? b.min[0] : b.max[0]
  const free = hung === b.min[0] ? b.max[0] : b.min[0]
  const at = (x: number, z: number) => look.page([x, b.max[1], z])
  return {
    kind: 'outline',
    points: [at(free, b.min[2]), at(hung, (b.min[2] + b.max[2]) / 2), at(free, b.max[2])],
    ink: 'work',
  }
}

/** Whether one looks at a part's broad face. */
const seenFlat = (p: Part, look: Look): boolean => Math.abs(look.near(thicknessAxis(p))) > 0.9

/** One piece without a notch whose end is cut at a slant: it is drawn as that leaves it. */
const endsSlanted = (p: Part): boolean =>
  p.machining.length > 0 && p.machining.every((m) => m.kind === 'mitre') && p.outline === undefined

/** Corners of a part's broad face, where they are. */
const faceOf = (p: Part): Vec3[] =>
  outlineOf(turnedBox(p)).map(([u, v]) => add(p.at.centre, add(scale(p.at.along, u), scale(p.at.across, v))))

/** Dadoes, rabbets, bevels and the like, over the part they are cut into. */
const workMarks = (p: Part, look: Look, near: number): Drawn[] =>
  workOn(p, look.near(thicknessAxis(p)) > 0 ? 'over' : 'under').map((figure) => ({
    mark: { kind: 'outline', points: figure.map(look.page), ink: 'work' },
    near: near + 1e-6,
  }))

function goodsMark(view: View, g: Goods, { box, turned }: Standing): Mark {
  const [w, d, h] = [box.max[0] - box.min[0], box.max[1] - box.min[1], box.max[2] - box.min[2]]
  const [cx, cy] = [(box.min[0] + box.max[0]) / 2, (box.min[1] + box.max[1]) / 2]
  const outline = (points: Point[]): Mark => ({ kind: 'outline', points, ink: 'goods', goods: g.id })
  if (view === 'front') return outline(silhouetteIn(g, w, h).map(([x, z]): Point => [cx + x, box.min[2] + z]))
  if (view === 'section') return outline(silhouetteIn(g, d, h).map(([x, z]): Point => [cy + x, box.min[2] + z]))
  if (turned && !isRound(g.kind))
    return outline(hull(polyhedra(goodsSolid(g, { box, turned })).flat(2).map(LOOK.plan.page)))
  if (isRound(g.kind))
    return outline(
      Array.from({ length: 28 }, (_, i): Point => [
        cx + (w / 2) * Math.cos((i / 14) * Math.PI),
        -cy + (d / 2) * Math.sin((i / 14) * Math.PI),
      ]),
    )
  return outline([
    [box.min[0], -box.max[1]],
    [box.max[0], -box.max[1]],
    [box.max[0], -box.min[1]],
    [box.min[0], -box.min[1]],
  ])
}

const rectangle = (p: Point, q: Point): Point[] => [p, [q[0], p[1]], q, [p[0], q[1]]]

export interface ViewOptions {
  boxes: PartBoxes
  goods: ReadonlyMap<string, Goods>
  labels?: ReadonlyMap<string, string>
  dims?: readonly Dim[]
  /** The story stick, beside the build and to its scale. */
  stick?: readonly StickMark[]
  showGoods?: boolean
  /** What is over it, for a build that hangs from there. */
  over?: Pick<FreeSpace, 'ceilingMm' | 'joists'>
  showDimensions?: boolean
  /** Where a section is taken, mm from the build's origin along the wall. */
  cutAtMm?: number
}

/** Draws an assembly to scale from one side: parts and goods from far to near, then dimension lines. */
export function drawView(a: Assembly, view: View, o: ViewOptions): Scene {
  const look = LOOK[view]
  const { boxes } = o
  const plane = o.cutAtMm ?? sectionPlane(a, boxes)
  const drawn: Drawn[] = []
  for (const p of a.parts) {
    const b = boxes.get(p.id)!
    const leaf = a.motions.find((m) => opens(m) && m.parts.includes(p.id))
    if (view === 'section' && b.min[0] >= plane) continue
    const cut = view === 'section' && cuts(b, plane)
    const points = endsSlanted(p)
      ? hull(polyhedra(solidOf(p)).flat(2).map(look.page))
      : isSquare(p)
        ? rectangle(look.page(b.min), look.page(b.max))
        : p.outline && seenFlat(p, look)
          ? faceOf(p).map(look.page)
          : hull(corners(turnedBox(p)).map(look.page))
    drawn.push({
      mark: { kind: 'outline', points, ink: view === 'front' && leaf ? 'leaf' : inkOf(p, cut), part: p.id },
      near: cut ? 1e9 : look.near(b.max) - (view === 'section' ? 0 : 1e-3 * b.min[0]),
    })
    const swing = view === 'front' && leaf ? swingMark(leaf, b, look) : null
    if (swing) drawn.push({ mark: swing, near: look.near(b.max) + 1e-6 })
    if (!cut && seenFlat(p, look)) drawn.push(...workMarks(p, look, drawn[drawn.length - 1].near))
  }
  if (o.showGoods !== false)
    for (const bay of a.bays)
      for (const item of bay.items) {
        const g = o.goods.get(item.goodsId)
        if (!g || (view === 'section' && item.box.min[0] >= plane)) continue
        drawn.push({ mark: goodsMark(view, g, item), near: look.near(item.box.max) - 0.5 })
      }
  drawn.sort((x, y) => x.near - y.near)
  const marks = drawn.map((d) => d.mark)
  if (o.labels) marks.push(...partLabels(a, o, look, view, plane))

  const whole = boxUnion([
    wholeBox(boxes),
    ...(o.showGoods === false ? [] : a.bays.flatMap((b) => b.items.map((i) => i.box))),
  ])
  const [p, q] = [look.page(whole.min), look.page(whole.max)]
  const [left, right] = [Math.min(p[0], q[0]), Math.max(p[0], q[0])]
  const [bottom, top] = [Math.min(p[1], q[1]), Math.max(p[1], q[1])]
  const row = rowOf(right - left, top - bottom)
  if (view !== 'plan' && bottom < HANGS_MM)
    marks.unshift({ kind: 'line', from: [left - 2 * row, 0], to: [right + 2 * row, 0], ink: 'floor' })
  const wall: Mark =
    view === 'plan'
      ? { kind: 'line', from: [left - row, 0], to: [right + row, 0], ink: 'wall' }
      : {
          kind: 'line',
          from: [0, Math.min(bottom, HANGS_MM) === bottom ? 0 : bottom - row],
          to: [0, top + row],
          ink: 'wall',
        }
  if (view !== 'front') marks.unshift(wall)
  if (o.over && view !== 'plan')
    marks.unshift(...overhead(a, o.over, view, view === 'front' ? [left - row, right + row] : [0, right + row]))
  if (o.showDimensions !== false)
    marks.push(...dimensions(a, wholeBox(boxes), view, [left, bottom, right, top], o.dims ?? [], row))
  const m = o.showDimensions === false ? row / 2 : 2.3 * row
  const set = view === 'front' && o.showDimensions !== false ? running(a, boxes, top + 0.5 * row) : null
  if (set) marks.push(set)
  const over = set ? Math.max(row, RUNNING_SHARE * Math.max(right - left, top - bottom) + row) : row
  const bounds: Scene['bounds'] = [left - m, bottom - 1.15 * m, right + m, top + over]
  if (o.stick && o.stick.length > 0 && view !== 'plan') {
    const atMm = right + 1.6 * row + (view === 'section' ? row : 0)
    marks.push({ kind: 'stick', atMm, footMm: o.stick[0]?.footMm ?? 0, topMm: top + row / 2, marks: o.stick })
    // Room for the words beside it: about a third of the drawing's larger side.
    bounds[2] = atMm + 0.32 * Math.max(bounds[3] - bounds[1], atMm - bounds[0])
  }
  return { marks, bounds }
}

function partLabels(a: Assembly, o: ViewOptions, look: Look, view: View, plane: number): Mark[] {
  return a.parts.flatMap((p): Mark[] => {
    const text = o.labels?.get(p.id)
    const b = o.boxes.get(p.id)!
    if (!text || (view === 'section' && !cuts(b, plane))) return []
    const [q, r] = [look.page(b.min), look.page(b.max)]
    return [
      {
        kind: 'label',
        at: look.page(p.at.centre),
        text,
        part: p.id,
        upright: Math.abs(q[1] - r[1]) > Math.abs(q[0] - r[0]),
      },
    ]
  })
}

/** Room over the build for what is told of its uprights, as a share of its longer side. */
const RUNNING_SHARE = 0.07
/** Of the whole height: what is shorter is not set out by itself. */
const UPRIGHT_SHARE = 0.4

/** Where uprights are set out, all from the left end of the build to their left edges. */
function running(a: Assembly, boxes: PartBoxes, atMm: number): Mark | null {
  const whole = wholeBox(boxes)
  const high = whole.max[2] - whole.min[2]
  const stops = new Set<number>()
  for (const p of a.parts) {
    const b = boxes.get(p.id)
    if (!b || Math.abs(p.at.along[2]) < 0.9 || p.stock.kind === 'steel' || p.stock.kind === 'bought') continue
    if (b.max[2] - b.min[2] < UPRIGHT_SHARE * high || b.max[0] - b.min[0] > WIDEST_UPRIGHT_MM) continue
    stops.add(Math.round((b.min[0] - whole.min[0]) * 100) / 100)
  }
  const sorted = [...stops].sort((x, y) => x - y)
  return sorted.length > 2 ? { kind: 'running', fromMm: whole.min[0], atMm, stops: sorted } : null
}
/** What is wider is a panel or a door, mm. */
const WIDEST_UPRIGHT_MM = 250

/** A build whose lowest piece is higher than this hangs, mm. */
const HANGS_MM = 100

/** Openings that share no more than this stand beside each other, mm. */
const CHAINED_MM = 0.1

/** Chains of dimension lines: openings, then the whole, below; the whole height at the left. */
function dimensions(
  a: Assembly,
  b: Box,
  view: View,
  [left, bottom, right]: [number, number, number, number],
  dims: readonly Dim[],
  row: number,
): Mark[] {
  const dim = (from: Point, to: Point, offsetMm: number, path?: string): Mark => ({
    kind: 'dimension',
    from,
    to,
    offsetMm,
    mm: Math.hypot(to[0] - from[0], to[1] - from[1]),
    ...(path ? { path } : {}),
  })
  if (view === 'section')
    return [dim([b.max[1], bottom], [b.min[1], bottom], 2 * row), dim([b.max[1], b.min[2]], [b.max[1], b.max[2]], -row)]
  const out: Mark[] = [dim([b.max[0], bottom], [b.min[0], bottom], 2 * row)]
  if (view === 'plan') return [...out, dim([right, -b.max[1]], [right, -b.min[1]], -row)]
  // Openings from below up as one chain, none over another; what hangs here and there has no row.
  const openings: { from: number; to: number; mark: Mark }[] = []
  for (const bay of a.bays) {
    if (bay.holds === 'hung' || bay.holds === 'slot') return [...out, dim([left, b.min[2]], [left, b.max[2]], row)]
    const [from, to] = [bay.clear.min[0], bay.clear.max[0]]
    if (openings.some((o) => Math.min(o.to, to) - Math.max(o.from, from) > CHAINED_MM)) continue
    const path = dims.find((d) => d.path === `clearMm.${bay.name.column - 1}`)?.path
    openings.push({ from, to, mark: dim([to, bottom], [from, bottom], row, path) })
  }
  if (openings.length > 1) out.push(...openings.map((o) => o.mark))
  // What stands is told from the floor, what hangs from its underside.
  const foot = b.min[2] > HANGS_MM ? b.min[2] : 0
  out.push(dim([left, foot], [left, b.max[2]], row))
  return out
}
