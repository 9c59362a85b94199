import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { unitsOf } from '../../assembly/settings.ts'
import { screwPanel } from '../../blocks/carcass/screwed-panel.ts'
import { stripUnder } from '../../blocks/carcass/under-edge.ts'
import { braceEnds, stackBraces } from '../../blocks/frame/stacked-braces.ts'
import { placeBrace } from '../../blocks/frame/brace.ts'
import { standPost } from '../../blocks/frame/standing-post.ts'
import { slidingFront } from '../../blocks/fronts/front.ts'
import { trackStock } from '../../blocks/fronts/sliding.ts'
import { closeFront, overPosts, stretch } from '../../blocks/fronts/standing.ts'
import { ANGLE_ROOM_MM, pinFoot } from '../../blocks/mounts/pinned-foot.ts'
import { tieToWall } from '../../blocks/mounts/tie.ts'
import { spliceOver } from '../../blocks/sizing/splice.ts'
import { findSection } from '../../catalogue/lumber.ts'
import type { Sheet } from '../../catalogue/sheets.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { longestBoard } from '../boards-of.ts'
import { choicePen } from '../choices.ts'
import type { Choice, ShapeContext, Shaped } from '../family.ts'
import { standing } from '../house-on-shelves.ts'
import { opened } from '../opened.ts'
import { rowsHeld } from '../stands-alone.ts'
import { COVERS, TOPS, type FloatingShelfRackParams } from './parameters.ts'
import { BETWEEN_PLANKS_MM, LOOSE_MM, planOut, type Plan, type Planks } from './plan-out.ts'

/*
 *   frame from the end:            front:
 *   |==========|  upper piece      ===================  boards along the top
 *   |----------|                   ||-     -||-     -||
 *   |----------|  a cleat every    ||-=====-||-     -||   loose shelves on cleats, strips under
 *   |----------|  rise             ||-     -||-=====-||   their edges that stop short of the cleats
 *   |==========|  lower piece      ||-     -||-     -||
 */
export function shapeFloatingShelfRack(p: FloatingShelfRackParams, ctx: ShapeContext): Result<Shaped> {
  const begun = opened(p, ctx, planOut, false)
  if (!begun.ok) return begun
  const { d, pen, plan, unhoused } = begun.value
  frames(d, p, ctx, plan)
  const along = topBoards(d, p, ctx, plan)
  if (along !== null)
    return bad('longer-than-board', { mm: plan.clearMm + plan.post.thicknessMm, mostMm: along }, 'clearMm')
  if (plan.cover) covers(d, plan, plan.cover)
  const under = plan.planks ? stoodOn(d, p, ctx, plan, plan.planks) : null
  if (under !== null)
    return bad('longer-than-board', { mm: plan.clearMm + plan.post.thicknessMm, mostMm: under }, 'clearMm')
  braces(d, p, ctx, plan)
  if (p.feet === 'pinned' && ctx.space.floor === 'slab')
    for (const side of rowsHeld(ctx.space))
      plan.frames.forEach((_, f) => pinFoot(d, `angle-${f}-${side}`, `post-${f}-${side}`, side))
  plan.shelves.forEach((s, i) => plan.openings.forEach((_o, k) => shelf(d, p, ctx, plan, { i, k, place: s.place })))
  bays(d, ctx, plan)
  plan.shelves.forEach((s, i) =>
    d.mark(
      plan.places[s.place],
      'cleat-top',
      i + 1,
      plan.openings.map((_o, k) => `shelf-${k}-${i}`),
    ),
  )
  const part = (pattern: RegExp) => d.assembly.parts.map((x) => x.id).filter((id) => pattern.test(id))
  plan.frames.forEach((_, f) =>
    d.sub({ id: `frame-${f}`, name: 'frame', parts: part(new RegExp(`^(post|piece|cleat)-${f}-`)), built: 'flat' }),
  )
  d.sub({ id: 'along', name: 'unit', parts: part(/^(top|tie|brace|angle|cover)-/), built: 'in-place' })
  plan.shelves.forEach((_s, i) =>
    plan.openings.forEach((_o, k) =>
      d.sub({
        id: `loose-${k}-${i}`,
        name: 'sheets',
        parts: part(new RegExp(`^(shelf|strip)-${k}-${i}(-|$)`)),
        built: 'in-place',
      }),
    ),
  )
  front(d, p, ctx, plan)
  return good({ assembly: d.assembly, dims: pen.dims, choices: choices(p, ctx), unhoused })
}

function front(d: Draft, p: FloatingShelfRackParams, ctx: ShapeContext, plan: Plan) {
  const posts = plan.frames.flatMap((_x, f) => ['rear', 'front'].map((side) => `post-${f}-${side}`))
  const railed = posts.filter((id) => id.endsWith('-front'))
  closeFront(d, {
    front: p.front,
    sheet: plan.sheet,
    closed: overPosts(d, plan.between, railed),
    uprights: posts,
    railed,
    frontMm: plan.backMm + plan.deepMm,
    headMm: plan.highMm,
    of: trackStock(ctx.settings),
    // No hinge where a cleat ends, with a shelf on it.
    panelsMm: plan.places.flatMap((z) => stretch(z - plan.cleat.widthMm, z + plan.sheet.thicknessMm)),
  })
}

const board = (section: string, grade: string, treated = false): Stock => ({ kind: 'board', section, grade, treated })
/** Screws of a cleat into each post, and of the pieces that box a frame. */
const CLEAT_SCREWS = 2
const PIECE_SCREWS = 2
/** Of the lower piece of a frame, above the floor: over the angles that hold feet down, mm. */
const LOWER_MM = ANGLE_ROOM_MM + 10

/** Posts, the pieces that box them, and a cleat on each face that looks at a bay at every place. */
function frames(d: Draft, p: FloatingShelfRackParams, ctx: ShapeContext, plan: Plan) {
  const { thicknessMm: t, widthMm: w } = plan.post
  const treated = ctx.space.floor === 'slab'
  const floor = { fall: ctx.space.floorFall, units: unitsOf(ctx.settings) }
  plan.frames.forEach((x, f) => {
    const sides = [
      ['rear', plan.backMm],
      ['front', plan.backMm + plan.deepMm - w],
    ] as const
    for (const [side, y] of sides) {
      const stock = board(p.postSection, ctx.settings.grade, treated)
      standPost(
        d,
        { id: `post-${f}-${side}`, stock, x, y, wideMm: t, deepMm: w, topMm: plan.highMm, across: 'y' },
        floor,
      )
    }
    for (const [name, z] of [
      ['low', LOWER_MM],
      ['high', plan.highMm - w],
    ] as const) {
      const id = `piece-${f}-${name}`
      d.square({
        id,
        role: 'cross',
        stock: board(p.postSection, ctx.settings.grade),
        min: [x, plan.backMm + w, z],
        size: [t, plan.deepMm - 2 * w, w],
        along: 'y',
        across: 'z',
      })
      for (const [side] of sides) {
        const on = `post-${f}-${side}`
        const joint = d.screw(on, id, PIECE_SCREWS, 'end', w, 200)
        // On blocks it is only kept down by them.
        if (plan.planks && name === 'high')
          d.hold({
            ...{ from: { part: id }, on: { kind: 'part', part: on }, joint },
            ...{ push: [0, 0, -1], way: 'push', via: 'fasteners' },
          })
        else d.rest(id, on, 'fasteners', joint)
      }
    }
    plan.places.forEach((z, n) => cleats(d, p, ctx, plan, { f, x, z, n }))
  })
}

function cleats(
  d: Draft,
  p: FloatingShelfRackParams,
  ctx: ShapeContext,
  plan: Plan,
  at: { f: number; x: number; z: number; n: number },
) {
  const { thicknessMm, widthMm } = plan.cleat
  for (const [side, x] of [
    ['left', at.x - thicknessMm],
    ['right', at.x + plan.post.thicknessMm],
  ] as const) {
    // Outer faces of the outer frames look at no bay.
    if ((side === 'left' && at.f === 0) || (side === 'right' && at.f === plan.frames.length - 1)) continue
    const id = `cleat-${at.f}-${at.n}-${side}`
    d.square({
      id,
      role: 'cleat',
      stock: board(p.cleatSection, ctx.settings.grade),
      min: [x, plan.backMm, at.z - widthMm],
      size: [thicknessMm, plan.deepMm, widthMm],
      along: 'y',
      across: 'z',
    })
    for (const post of ['rear', 'front'].map((s) => `post-${at.f}-${s}`))
      d.rest(id, post, 'fasteners', d.screw(id, post, CLEAT_SCREWS, 'side', thicknessMm, plan.post.thicknessMm))
  }
}

/** Boards flat over the posts at the front, on edge at the back, where they go to the wall. @returns the longest board there is, where that is too short */
function topBoards(d: Draft, p: FloatingShelfRackParams, ctx: ShapeContext, plan: Plan): number | null {
  const from = plan.frames[0]
  const to = plan.frames[plan.frames.length - 1] + plan.post.thicknessMm
  const seats = plan.frames.map((x) => x + plan.post.thicknessMm / 2 - from)
  const longest = longestBoard(ctx, p.backSection)
  const { thicknessMm, widthMm } = plan.back
  const stock = board(p.backSection, ctx.settings.grade)
  const pieces = spliceOver(to - from, longest, seats)
  const behind = spliceOver(to - from, longest, seats, 1)
  if (!pieces || !behind) return longest
  const on = (id: string, side: string, way: 'bearing' | 'fasteners') => {
    plan.frames.forEach((_x, f) => {
      const post = `post-${f}-${side}`
      if (d.meets(id, post))
        d.rest(id, post, way, d.screw(id, post, 2, way === 'bearing' ? 'end' : 'side', thicknessMm, plan.post.widthMm))
    })
  }
  pieces.forEach((s, i) => {
    const id = `top-${i}`
    const min: [number, number, number] = [from + s.from, plan.backMm + plan.deepMm - widthMm, plan.highMm]
    d.square({ id, role: 'rail', stock, min, size: [s.to - s.from, widthMm, thicknessMm], along: 'x', across: 'y' })
    on(id, 'front', 'bearing')
  })
  behind.forEach((s, i) => {
    const id = `tie-${i}`
    const min: [number, number, number] = [from + s.from, 0, plan.highMm - widthMm]
    const size: [number, number, number] = [s.to - s.from, thicknessMm, widthMm]
    d.square({ id, role: 'back-rail', stock, min, size, along: 'x', across: 'z' })
    on(id, 'rear', 'fasteners')
    if (plan.tied) tieToWall(d, id, ctx.space, ctx.settings.yard)
  })
  return null
}

/** Diagonals over ends that no panel closes, and across the back under the board at the top where nothing ties it along. */
function braces(d: Draft, p: FloatingShelfRackParams, ctx: ShapeContext, plan: Plan) {
  if (p.ends !== 'braced' && !plan.cover) return
  const { widthMm, thicknessMm } = plan.back
  const plank = { stock: board(p.backSection, ctx.settings.grade), widthMm, thicknessMm }
  const last = plan.frames.length - 1
  const posts = (f: number) => [`post-${f}-rear`, `post-${f}-front`] as const
  if (!plan.cover)
    braceEnds(
      d,
      { left: posts(0), right: posts(last) },
      { id: (side) => `brace-${side}`, highMm: plan.highMm, board: plank },
    )
  if (plan.tied) return
  const highMm = plan.highMm - widthMm
  const across = placeBrace(d, {
    id: 'brace-back',
    posts: plan.frames.map((x, f) => ({ id: `post-${f}-rear`, left: x, right: x + plan.post.thicknessMm })),
    lowMm: 0,
    highMm,
    yMm: plan.backMm,
    board: plank,
    longestMm: longestBoard(ctx, p.backSection),
  })
  // One bay is too narrow for one board.
  if (across === null)
    stackBraces(d, {
      id: 'brace-back',
      posts: ['post-0-rear', `post-${last}-rear`],
      way: 'x',
      faceMm: plan.backMm,
      side: -1,
      highMm,
      board: plank,
      falls: false,
    })
}

/** Panels over the outer faces of both ends, clear of the floor. */
function covers(d: Draft, plan: Plan, sheet: Sheet) {
  const last = plan.frames.length - 1
  for (const [f, x] of [
    [0, plan.frames[0] - sheet.thicknessMm],
    [last, plan.frames[last] + plan.post.thicknessMm],
  ] as const)
    screwPanel(d, sheet, {
      id: `cover-${f}`,
      role: 'side',
      min: [x, plan.backMm, COVER_FOOT_MM],
      size: [sheet.thicknessMm, plan.deepMm, plan.highMm - COVER_FOOT_MM],
      across: 'y',
      on: ['rear', 'front'].map((s) => `post-${f}-${s}`),
    })
}
/** A panel begins this far above the floor: water and a broom, mm. */
const COVER_FOOT_MM = 60
/** A loose shelf on two cleats, its strips between them. */
function shelf(
  d: Draft,
  p: FloatingShelfRackParams,
  ctx: ShapeContext,
  plan: Plan,
  at: { i: number; k: number; place: number },
) {
  const id = `shelf-${at.k}-${at.i}`
  const left = plan.frames[at.k] + plan.post.thicknessMm
  const z = plan.places[at.place]
  d.square({
    id,
    role: 'shelf',
    stock: { kind: 'sheet', sheet: p.sheet },
    min: [left + LOOSE_MM, plan.backMm, z],
    size: [plan.clearMm - 2 * LOOSE_MM, plan.deepMm, plan.sheet.thicknessMm],
    along: 'x',
    across: 'y',
    loose: true,
  })
  d.rest(id, `cleat-${at.k}-${at.place}-right`)
  d.rest(id, `cleat-${at.k + 1}-${at.place}-left`)
  if (p.strips === 'none') return
  const o = plan.openings[at.k]
  for (const [name, backMm] of [
    ['front', plan.backMm + plan.deepMm - plan.strip.thicknessMm],
    ['rear', plan.backMm],
  ] as const)
    stripUnder(d, {
      id: `strip-${at.k}-${at.i}-${name}`,
      shelf: id,
      section: p.stripSection,
      grade: ctx.settings.grade,
      from: o.left + LOOSE_MM,
      to: o.right - LOOSE_MM,
      backMm,
      glued: p.strips === 'glued',
    })
}

/** Screws of a plank into each frame, and of a block under the end of a frame's upper piece into its post. */
const PLANK_SCREWS = 2
const BLOCK_SCREWS = 4
/** Such a block is so high, mm: its screws far enough from each other and from its ends. Product decision. */
const BLOCK_HIGH_MM = 200
/** Room shown over the planks, mm. */
const OVER_MM = 300
const BLOCK: Record<UnitSystem, string> = { imperial: '2x2', metric: '38x38mm' }

/**
 * Planks along it behind the board at the front, over the frames, whose upper pieces stand on blocks.
 * @returns the longest board there is, where that is too short
 */
function stoodOn(d: Draft, p: FloatingShelfRackParams, ctx: ShapeContext, plan: Plan, planks: Planks): number | null {
  const { thicknessMm: t, widthMm: w } = planks.section
  const from = plan.frames[0]
  const to = plan.frames[plan.frames.length - 1] + plan.post.thicknessMm
  const seats = plan.frames.map((x) => x + plan.post.thicknessMm / 2 - from)
  const longest = longestBoard(ctx, p.plankSection)
  const stock = board(p.plankSection, ctx.settings.grade)
  const parts: string[] = []
  for (let n = 0; n < planks.count; n++) {
    // Neighbours meet over other frames.
    const pieces = spliceOver(to - from, longest, seats, n % 2)
    if (!pieces) return longest
    const backMm = plan.backMm + n * (w + BETWEEN_PLANKS_MM)
    pieces.forEach((s, i) => {
      const id = `plank-${n}-${i}`
      const [left, right] = [from + s.from, from + s.to]
      const min: [number, number, number] = [left, backMm, plan.highMm]
      d.square({ id, role: 'top', stock, min, size: [right - left, w, t], along: 'x', across: 'y' })
      plan.frames.forEach((_x, f) => {
        const on = `piece-${f}-high`
        if (d.meets(id, on)) d.rest(id, on, 'bearing', d.screw(id, on, PLANK_SCREWS, 'side', t, plan.post.widthMm))
        if (d.meets(id, `post-${f}-rear`)) d.rest(id, `post-${f}-rear`)
      })
      d.bay({
        id: `over-${n}-${i}`,
        name: { code: 'shelf', column: i + 1, row: plan.shelves.length + 1 },
        holds: 'surface',
        clear: { min: [left, backMm, plan.highMm + t], max: [right, backMm + w, plan.highMm + t + OVER_MM] },
        carriers: [id],
        items: [],
        play: { sideMm: 0, aboveMm: 0, deepMm: 0 },
        stickOutMm: 0,
        exit: [0, 0, 1],
      })
      parts.push(id)
    })
  }
  plan.frames.forEach((_x, f) => parts.push(...blocks(d, ctx, plan, f)))
  d.sub({ id: 'planks', name: 'unit', parts, built: 'in-place', tags: { use: 'stood-on' } })
  return null
}

/** A block under either end of the upper piece of a frame, screwed to its post: it bears what stands on it. */
function blocks(d: Draft, ctx: ShapeContext, plan: Plan, f: number): string[] {
  const section = findSection(BLOCK[ctx.settings.yard])!
  const { widthMm: w } = plan.post
  return ['rear', 'front'].map((side) => {
    const id = `block-${f}-${side}`
    const backMm = side === 'rear' ? plan.backMm + w : plan.backMm + plan.deepMm - w - section.thicknessMm
    d.square({
      ...{ id, role: 'block', stock: board(section.id, ctx.settings.grade), along: 'z', across: 'x' },
      min: [plan.frames[f], backMm, plan.highMm - w - BLOCK_HIGH_MM],
      size: [section.widthMm, section.thicknessMm, BLOCK_HIGH_MM],
    })
    const post = `post-${f}-${side}`
    d.rest(id, post, 'fasteners', d.screw(id, post, BLOCK_SCREWS, 'side', section.thicknessMm, w))
    d.rest(`piece-${f}-high`, id)
    return id
  })
}

function bays(d: Draft, ctx: ShapeContext, plan: Plan) {
  plan.shelves.forEach((s, i) => {
    const above = plan.shelves[i + 1]
    const floorMm = plan.places[s.place] + plan.sheet.thicknessMm
    plan.free.forEach((o, k) => {
      const strips = d.assembly.parts.filter((x) => x.id.startsWith(`strip-${k}-${i + 1}-`))
      const head = above
        ? Math.min(plan.places[above.place], ...strips.map((x) => d.box(x.id).min[2]))
        : Math.max(floorMm + 1, plan.planks ? plan.highMm : ctx.space.ceilingMm)
      d.bay({
        id: `bay-${k}-${i}`,
        name: { code: 'shelf', column: k + 1, row: i + 1 },
        holds: 'surface',
        clear: { min: [o.left, plan.backMm, floorMm], max: [o.right, plan.backMm + plan.deepMm, head] },
        carriers: [`shelf-${k}-${i}`],
        items: standing(s.level, k, plan.backMm, floorMm),
        play: { sideMm: plan.play.sideMm, aboveMm: above ? plan.play.aboveMm : 0, deepMm: 0 },
        stickOutMm: plan.stickOutMm,
        exit: [0, 1, 0],
      })
    })
  })
}

function choices(p: FloatingShelfRackParams, ctx: ShapeContext): Choice[] {
  const imperial = ctx.settings.yard === 'imperial'
  const sheets = imperial
    ? ['ply-3/8', 'ply-15/32', 'ply-19/32', 'ply-23/32', 'osb-7/16']
    : ['ply-9mm', 'ply-12mm', 'ply-15mm', 'ply-18mm', 'osb3-15mm']
  const posts = imperial ? ['2x2', '2x3', '2x4'] : ['38x38mm', '38x63mm', '38x89mm']
  const thin = imperial ? ['1x2', '1x3', '2x2'] : ['18x44mm', '18x69mm', '38x38mm']
  const planks = imperial ? ['2x4', '2x6', '2x8'] : ['38x89mm', '47x100mm', '47x150mm', '47x200mm']
  const { section, sheet, coded } = choicePen(p)
  return [
    sheet('sheet', 'sheet', [...sheets, ...ctx.settings.ownSheets]),
    coded('strips', 'floating-strips', ['glued', 'screwed', 'none']),
    section('stripSection', 'strip-section', thin.slice(0, 2)),
    section('cleatSection', 'floating-cleat', thin),
    section('postSection', 'post-section', posts),
    coded('front', 'front', slidingFront.options),
    coded('cover', 'floating-cover', COVERS),
    coded('top', 'floating-top', TOPS),
    ...(p.top === 'planks' ? [section('plankSection', 'floating-plank', planks)] : []),
    ...(p.cover === 'ends'
      ? [sheet('coverSheet', 'cover-sheet', imperial ? ['ply-3/8', 'ply-15/32'] : ['ply-9mm', 'ply-12mm'])]
      : []),
    coded('tie', 'tie', [true, false]),
    ...(p.cover === 'ends' ? [] : [coded('ends', 'ends', ['open', 'braced'])]),
    ...(ctx.space.floor === 'slab' ? [coded('feet', 'feet', ['standing', 'pinned'])] : []),
  ]
}
