import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { cleatedShelf } from '../../blocks/carcass/cleated-shelf.ts'
import { housedShelf } from '../../blocks/carcass/shelf-between.ts'
import { backOver, tieNailer } from '../../blocks/carcass/standing.ts'
import { placeFace } from '../../blocks/fronts/face-frame.ts'
import { GAP_MM, type Latch } from '../../blocks/fronts/hinged.ts'
import { boxPanels, placeLiftUps } from '../../blocks/fronts/lift-up.ts'
import { trackStock } from '../../blocks/fronts/sliding.ts'
import { closeFront, stretch } from '../../blocks/fronts/standing.ts'
import { stiffFrame } from '../../blocks/mounts/stiff-frame.ts'
import type { Section } from '../../catalogue/lumber.ts'
import { good, type Result } from '../../measure/result.ts'
import { SAME_LENGTH_MM } from '../../measure/rounding.ts'
import { BOX_SHEETS, choicePen } from '../choices.ts'
import { panelsBetween, putDrawersBelow, type DrawersBelow } from '../drawers-below.ts'
import type { Choice, ShapeContext, Shaped } from '../family.ts'
import { standing } from '../house-on-shelves.ts'
import { drawerChoices } from '../in-drawers.ts'
import { opened } from '../opened.ts'
import { closed, FACES, isFramed, school, type ClosetFrontParams } from './parameters.ts'
import { planOut, type Plan } from './plan-out.ts'
import { cleatHigh, lessAbove, usable } from './sizes.ts'
import { standWalls } from './walls.ts'

/** What is scribed is left over size by this much, mm: usual for a wall that is not quite straight. */
const SCRIBE_MM = 10
/** The board under the lowest panels stands so far behind the front, mm: toes. */
const KICK_BACK_MM = 50
/** Screws of a filler and of a kick are no further apart, mm. Product decision. */
const FILLER_EVERY_MM = 400

/*
 *   f|=|======|=|======|=|f   head filler under the ceiling, fillers f at both walls
 *    | |------| |------| |    bays alike, closed by doors, or by leaves that turn up
 *    | |------| |------| |
 *    |_|======|_|======|_|    the lowest panels over a kick
 */
export function shapeClosetFront(p: ClosetFrontParams, ctx: ShapeContext): Result<Shaped> {
  const begun = opened(p, ctx, planOut, false)
  if (!begun.ok) return begun
  const { d, pen, plan, unhoused } = begun.value
  const { settings, space } = ctx
  const postStock: Stock = { kind: 'board', section: p.postSection, grade: settings.grade, treated: false }
  const heights = [...plan.tops, plan.highMm].map((z) => z - plan.sheet.thicknessMm - plan.cleat.widthMm / 2)
  const ladders = standWalls(d, {
    walls: plan.walls,
    school: p.school,
    sheet: p.school === 'frames' ? plan.skin : plan.sheet,
    post: plan.post,
    postStock,
    backMm: plan.back.thicknessMm,
    deepMm: plan.depthMm,
    highMm: plan.highMm,
    rungsMm: heights,
    fall: space.floorFall,
  })
  panels(d, p, ctx, plan)
  const below = plan.drawers && belowOf(plan, plan.drawers)
  if (below) panelsBetween(d, ctx, below, plan.tops.length + 1)
  const tied = new Set<string>()
  plan.openings.forEach((_o, k) => {
    const on = rears(plan, k, 'back')
    const [from, to] = backEdges(plan, k)
    backOver(d, plan.back, { id: `back-${k}`, from, to, on, highMm: plan.highMm })
    if (!plan.tied) return
    tieNailer(
      d,
      {
        section: plan.nailer.id,
        grade: settings.grade,
        topMm: plan.highMm - plan.sheet.thicknessMm - cleatHigh(p, plan),
      },
      { space, system: settings.yard },
      {
        on: rears(plan, k, 'tie'),
        ...{ id: `tie-${k}`, ...plan.openings[k], backMm: plan.back.thicknessMm },
      },
    )
    tied.add(`tie-${k}`)
  })
  placeBays(d, p, plan)
  mark(d, plan)
  const closetParts = d.assembly.parts.map((x) => x.id).filter((id) => !ladders.includes(id))
  if (ladders.length > 0) d.sub({ id: 'ladders', name: 'unit', parts: ladders, built: 'in-place' })
  d.sub({ id: 'unit', name: 'unit', parts: closetParts, built: 'in-place' })
  if (plan.face) faceFrame(d, ctx, plan, plan.face)
  if (below) putDrawersBelow(d, below)
  trim(d, p, plan)
  fronts(d, p, ctx, plan)
  return good({ assembly: d.assembly, dims: pen.dims, choices: choices(p, ctx), unhoused })
}

/** Uprights that look into a bay. */
const sides = (plan: Plan, k: number): [string, string] => [plan.walls[k].right!.front, plan.walls[k + 1].left!.front]
/** What drawers over the lowest panels are put into. */
const belowOf = (plan: Plan, drawers: DrawersBelow) => ({
  ...{ drawers, openings: plan.openings, sheet: plan.sheet, backMm: plan.back.thicknessMm, deepMm: plan.depthMm },
  uprightsOf: (k: number) => sides(plan, k),
})
/** What a back is screwed to, or a tie is between. */
const rears = (plan: Plan, k: number, of: 'tie' | 'back'): [string, string] => [
  plan.walls[k].right![of],
  plan.walls[k + 1].left![of],
]
/** The middle of a wall; at both ends its outer face. */
const middleOf = (plan: Plan, k: number): number => {
  const w = plan.walls[k]
  return k === 0 ? w.from : k === plan.walls.length - 1 ? w.to : (w.from + w.to) / 2
}
/** A back goes over both its uprights: to the middle of a shared one, and not past one of its own. */
const backEdges = (plan: Plan, k: number): [number, number] => [middleOf(plan, k), middleOf(plan, k + 1)]

/** The lowest panel, the shelves and the top of every bay. */
function panels(d: Draft, p: ClosetFrontParams, ctx: ShapeContext, plan: Plan) {
  const stock: Stock = { kind: 'board', section: p.cleatSection, grade: ctx.settings.grade, treated: false }
  plan.openings.forEach((o, k) => {
    const uprights = sides(plan, k)
    const between = { sheet: plan.sheet, ...o, fromMm: plan.back.thicknessMm, deepMm: plan.depthMm }
    const levels = [
      ...plan.tops.map((topMm, i) => ({ id: `shelf-${k}-${i}`, topMm })),
      { id: `top-${k}`, topMm: plan.highMm },
    ]
    levels.forEach(({ id, topMm }, i) => {
      const isTop = i === levels.length - 1
      if (p.school === 'frames') framedShelf(d, plan, { ...between, id, topMm, k, i, stock })
      else if (p.school === 'ladders')
        cleatedShelf(d, {
          id,
          topMm,
          ends: [
            { upright: uprights[0], id: `cleat-left-${k}-${i}`, beforeMm: 0 },
            { upright: uprights[1], id: `cleat-right-${k}-${i}`, beforeMm: 0 },
          ],
          cleat: plan.cleat,
          stock,
          cleatMm: plan.depthMm,
          ...between,
        })
      else
        housedShelf(d, {
          ...between,
          id,
          role: isTop ? 'top' : 'shelf',
          topMm,
          uprights,
          footMm: 0,
          dadoMm: plan.dadoMm,
          ...(isTop ? { at: 'end' as const } : {}),
        })
    })
  })
}

/** Screws of a cleat in each post, and of a shelf in its cleat. */
const CLEAT_SCREWS = 2
const SHELF_SCREWS = 2

/** A shelf between light frames: on cleats screwed to the posts on both sides, through the skin where that lies between. */
function framedShelf(
  d: Draft,
  plan: Plan,
  s: {
    id: string
    topMm: number
    left: number
    right: number
    fromMm: number
    deepMm: number
    k: number
    i: number
    stock: Stock
  },
) {
  const [t, { thicknessMm, widthMm }] = [plan.sheet.thicknessMm, plan.cleat]
  d.square({
    ...{ id: s.id, role: 'shelf', stock: { kind: 'sheet', sheet: plan.sheet.id }, along: 'x', across: 'y' },
    min: [s.left, s.fromMm, s.topMm - t],
    size: [s.right - s.left, s.deepMm, t],
  })
  for (const side of ['left', 'right'] as const) {
    const id = `cleat-${side}-${s.k}-${s.i}`
    d.square({
      ...{ id, role: 'cleat', stock: s.stock, along: 'y', across: 'z' },
      min: [side === 'left' ? s.left : s.right - thicknessMm, s.fromMm, s.topMm - t - widthMm],
      size: [thicknessMm, s.deepMm, widthMm],
    })
    for (const post of [0, 1].map((n) => `post-${side === 'left' ? s.k : s.k + 1}-${n}`)) {
      const [c, q] = [d.box(id), d.box(post)]
      const gapMm = side === 'left' ? c.min[0] - q.max[0] : q.min[0] - c.max[0]
      // What is left of rounding where they meet is no skin.
      const betweenMm = gapMm > SAME_LENGTH_MM ? gapMm : 0
      const joint = d.screw(post, id, CLEAT_SCREWS, 'side', plan.post.thicknessMm, thicknessMm, { betweenMm })
      const x = side === 'left' ? c.min[0] : c.max[0]
      d.hold({
        ...{
          from: { part: id },
          on: { kind: 'part', part: post },
          push: [0, 0, 1],
          way: 'both',
          via: 'fasteners',
          joint,
        },
        contact: { min: [x, q.min[1], c.min[2]], max: [x, q.max[1], c.max[2]] },
      })
    }
    d.rest(s.id, id, 'bearing', d.screw(s.id, id, SHELF_SCREWS, 'side', t, widthMm))
  }
}

function mark(d: Draft, plan: Plan) {
  plan.tops.forEach((z, i) =>
    d.mark(
      z,
      'shelf-top',
      i + 1,
      plan.openings.map((_o, k) => `shelf-${k}-${i}`),
    ),
  )
}

function placeBays(d: Draft, p: ClosetFrontParams, plan: Plan) {
  plan.levels.forEach((level, i) => {
    // Drawers are over the lowest panel.
    if (plan.drawers && i === 0) return
    const above = plan.tops[i + 1]
    const last = plan.underMm - cleatHigh(p, plan)
    plan.openings.forEach((_o, k) => {
      const { left, right } = usable(p, plan, k)
      d.bay({
        id: `bay-${k}-${i}`,
        name: { code: 'shelf', column: k + 1, row: i + 1 },
        holds: 'surface',
        clear: {
          min: [left, plan.back.thicknessMm, plan.tops[i]],
          max: [
            right,
            plan.back.thicknessMm + plan.depthMm,
            (above === undefined ? last : above - plan.sheet.thicknessMm) - lessAbove(p),
          ],
        },
        carriers: [`shelf-${k}-${i}`],
        items: standing(level, k, plan.back.thicknessMm, plan.tops[i]),
        play: {
          sideMm: plan.play.sideMm,
          aboveMm: above === undefined ? 0 : Math.max(0, plan.play.aboveMm - lessAbove(p)),
          deepMm: 0,
        },
        stickOutMm: 0,
        exit: [0, 1, 0],
      })
    })
  })
}

const stileId = (k: number) => `stile-${k}`
/** Where a closet shows its front, out from the wall: the edges of its sides, or the boards on them, mm. */
const frontOf = (plan: Plan): number => plan.back.thicknessMm + plan.depthMm + (plan.face?.thicknessMm ?? 0)

/** Stiles over every wall, rails over the lowest panels and the tops. */
function faceFrame(d: Draft, ctx: ShapeContext, plan: Plan, face: Section) {
  const last = plan.walls.length - 1
  const stiles = plan.walls.map((w, k) => ({
    id: stileId(k),
    left: k === 0 ? w.from : k === last ? w.to - face.widthMm : (w.from + w.to - face.widthMm) / 2,
    on: [...new Set([w.left?.front, w.right?.front])].filter((x) => x !== undefined),
  }))
  const parts = placeFace(d, {
    ...{ section: face, grade: ctx.settings.grade, yard: ctx.settings.yard, stiles },
    ...{ frontMm: plan.back.thicknessMm + plan.depthMm, headMm: plan.highMm },
    rails: [
      { id: 'face-foot', topMm: plan.tops[0] },
      { id: 'face-head', topMm: plan.highMm },
    ],
  })
  d.sub({ id: 'face', name: 'unit', parts, built: 'in-place' })
}

/** Kicks under the lowest panels, strips at both walls and one under the ceiling. */
function trim(d: Draft, p: ClosetFrontParams, plan: Plan) {
  const from = d.assembly.parts.length
  const t = plan.sheet.thicknessMm
  const front = frontOf(plan)
  const stock: Stock = { kind: 'sheet', sheet: plan.sheet.id }
  const strip = (id: string, min: [number, number, number], size: [number, number, number], along: 'x' | 'z') =>
    d.square({ id, role: 'filler', stock, min, size, along, across: along === 'x' ? 'z' : 'x', grain: 'any' })
  const screws = (longMm: number) => 2 + Math.floor(longMm / FILLER_EVERY_MM)
  plan.openings.forEach((o, k) => {
    const id = `kick-${k}`
    // Between light frames it stands between their front posts.
    const behind = p.school === 'frames' ? plan.post.widthMm - t : KICK_BACK_MM
    const edge = plan.back.thicknessMm + plan.depthMm
    strip(id, [o.left, edge - behind - t, 0], [o.right - o.left, t, plan.kickMm - cleatHigh(p, plan)], 'x')
    d.rest(id, 'floor')
    for (const u of sides(plan, k)) d.screw(u, id, 2, 'edge', t, 100)
  })
  if (plan.fillerMm > 0) {
    const ends = [
      { id: 'filler-left', x: 0, on: endOf(d, p, plan, 0), edge: 'low' },
      {
        id: 'filler-right',
        x: plan.walls[plan.walls.length - 1].to,
        on: endOf(d, p, plan, plan.walls.length - 1),
        edge: 'high',
      },
    ] as const
    for (const { id, x, on, edge } of ends) {
      strip(id, [x, front - t, 0], [plan.fillerMm, t, plan.highMm], 'z')
      d.rest(id, 'floor')
      const { min, max } = d.box(on)
      d.screw(on, id, screws(plan.highMm), 'edge', max[0] - min[0], 100)
      d.machine(id, { kind: 'scribe', edge, allowanceMm: SCRIBE_MM })
    }
  }
  if (plan.headMm > 0)
    plan.openings.forEach((_o, k) => {
      const id = `head-${k}`
      const [left, right] = backEdges(plan, k)
      strip(id, [left, front - t, plan.highMm], [right - left, t, plan.headMm], 'x')
      const on = plan.face ? `face-head-${k}` : `top-${k}`
      d.rest(id, on, 'bearing', d.screw(on, id, screws(right - left), 'edge', plan.face?.widthMm ?? t, 100))
      d.machine(id, { kind: 'scribe', edge: 'high', allowanceMm: SCRIBE_MM })
    })
  d.sub({ id: 'trim', name: 'unit', parts: d.assembly.parts.slice(from).map((x) => x.id), built: 'in-place' })
}
/** What a filler is screwed to at an end: the stile or upright there, or the front post of a ladder. */
const endOf = (d: Draft, p: ClosetFrontParams, plan: Plan, k: number): string =>
  plan.face
    ? stileId(k)
    : isFramed(p) && !(p.school === 'frames' && k === 0)
      ? `post-${k}-1`
      : d.assembly.parts.some((x) => x.id === `upright-${k}`)
        ? `upright-${k}`
        : `upright-${k}-${k === 0 ? 'b' : 'a'}`

/** Left and right edges of what closes a bay: from middle to middle of its walls, the outer ones covered. */
const covered = (plan: Plan, k: number) => ({
  left: k === 0 ? middleOf(plan, 0) : middleOf(plan, k) + GAP_MM / 2,
  right: k === plan.openings.length - 1 ? middleOf(plan, k + 1) : middleOf(plan, k + 1) - GAP_MM / 2,
})

/** Heights a panel takes at an upright, and the cleat it lies on. @param z its lower face */
function noHingeAt(p: ClosetFrontParams, plan: Plan, z: number): number[] {
  const middle = z + plan.sheet.thicknessMm / 2
  return isFramed(p) ? [middle, ...stretch(z - plan.cleat.widthMm, z)] : [middle]
}

/** Magnets are under the panel that doors end at. */
function latchOf(p: ClosetFrontParams, plan: Plan, k: number): Latch | null {
  if (p.latch !== 'magnet') return null
  const last = plan.tops.length - 1
  const up = plan.doorsToMm === null
  return {
    under: !up ? `shelf-${k}-${last}` : plan.face ? `face-head-${k}` : `top-${k}`,
    underMm: (up ? plan.highMm : plan.tops[last]) - (plan.face?.widthMm ?? plan.sheet.thicknessMm),
    frontMm: frontOf(plan),
    // Between the cleats of the panel.
    ...usable(p, plan, k),
  }
}

function fronts(d: Draft, p: ClosetFrontParams, ctx: ShapeContext, plan: Plan) {
  const frontMm = frontOf(plan)
  const looking = [...new Set(plan.walls.flatMap((w) => [w.left?.front, w.right?.front]))].filter(
    (u) => u !== undefined,
  )
  const slides = p.front === 'sliding'
  const posts = d.assembly.parts.filter((x) => x.role === 'post').map((x) => x.id)
  const onPosts = slides && !plan.face
  const uprights = p.school === 'frames' || onPosts ? posts : looking
  const from = d.assembly.parts.length
  const each = plan.faces.map((o, k) => ({
    uprights: onPosts
      ? ([`post-${k}-1`, `post-${k + 1}-1`] as const)
      : plan.face
        ? ([stileId(k), stileId(k + 1)] as const)
        : sides(plan, k),
    faces: [o.left, o.right] as const,
    ...covered(plan, k),
  }))
  if (['doors', 'drawers', 'curtain', 'sliding'].includes(p.front) || plan.doorsToMm !== null)
    closeFront(d, {
      front: p.front === 'curtain' || p.front === 'sliding' ? p.front : 'doors',
      of: trackStock(ctx.settings),
      sheet: plan.sheet,
      closed: each.map((c, k) => ({ ...c, latch: latchOf(p, plan, k) })),
      uprights,
      railed: plan.face ? plan.walls.map((_w, k) => stileId(k)) : looking,
      frontMm,
      underMm: plan.doorsFromMm,
      headMm: plan.doorsToMm ?? plan.highMm,
      panelsMm: [
        ...[...plan.tops, plan.highMm].flatMap((z) => noHingeAt(p, plan, z - plan.sheet.thicknessMm)),
        ...(plan.face ? [plan.tops[0], plan.highMm] : []).flatMap((z) => stretch(z - plan.face!.widthMm, z)),
      ],
    })
  if (plan.rowsUp.length === 0) return
  if (plan.doorsToMm === null) stiffFrame(d, 'frame', uprights)
  const lifted = each.map((o, k) => ({ ...o, rows: plan.rowsUp, panelOf: boxPanels(k) }))
  placeLiftUps(d, lifted, {
    sheet: plan.sheet,
    frontMm,
    deepMm: plan.depthMm,
    cleatMm: cleatHigh(p, plan),
  })
  const leaves = d.assembly.parts.slice(from).map((x) => x.id)
  const known = new Set(d.assembly.subassemblies.flatMap((x) => x.parts))
  d.sub({ id: 'lifts', name: 'unit', parts: leaves.filter((id) => !known.has(id)), built: 'in-place' })
}

function choices(p: ClosetFrontParams, ctx: ShapeContext): Choice[] {
  const { yard } = ctx.settings
  const imperial = yard === 'imperial'
  const pen = choicePen(p)
  const coated = imperial ? ['pb-3/4'] : ['pb-18mm']
  const posts = imperial ? ['2x2', '2x3'] : ['38x38mm', '38x63mm']
  return [
    { ...pen.coded('school', 'closet-school', school.options), compared: true },
    pen.sheet('sheet', 'sheet', [...BOX_SHEETS[yard], ...coated, ...ctx.settings.ownSheets]),
    pen.sheet('backSheet', 'back-sheet', imperial ? ['hb-1/4', 'ply-3/8'] : ['hb-6mm', 'ply-9mm']),
    ...(p.school === 'frames'
      ? [pen.sheet('skinSheet', 'closet-skin', imperial ? ['ply-3/8', 'ply-15/32'] : ['ply-9mm', 'ply-12mm'])]
      : []),
    ...(isFramed(p)
      ? [pen.section('postSection', 'closet-post', posts), pen.section('cleatSection', 'closet-cleat', posts)]
      : []),
    pen.coded('front', 'closet-closed', closed.options),
    ...(p.front === 'drawers' ? drawerChoices(p, ctx) : []),
    ...(['doors', 'both', 'drawers'].includes(p.front) ? [pen.coded('latch', 'latch', ['magnet', 'none'])] : []),
    ...(isFramed(p) ? [] : [pen.coded('face', 'closet-face', [...FACES])]),
    ...(p.face === 'frame' && !isFramed(p) ? [pen.section('faceSection', 'closet-face-boards', posts)] : []),
    pen.coded('fillers', 'closet-fillers', [true, false]),
    pen.coded('tie', 'tie', [true, false]),
  ]
}
