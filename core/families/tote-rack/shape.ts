import { pocketScrew } from '../../catalogue/fasteners.ts'
import type { Stock } from '../../assembly/assembly.ts'
import { draft, type Draft } from '../../assembly/draft.ts'
import { unitsOf } from '../../assembly/settings.ts'
import { findSection, type Section } from '../../catalogue/lumber.ts'
import { findSheet } from '../../catalogue/sheets.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { canHoldTie, fallAt, THINNEST_SHIM_MM } from '../../room/room.ts'
import { longestBoard } from '../boards-of.ts'
import { dimPen } from '../dim-pen.ts'
import type { Choice, ShapeContext, Shaped } from '../family.ts'
import { slidingFront } from '../../blocks/fronts/front.ts'
import { slidingFault, trackStock } from '../../blocks/fronts/sliding.ts'
import { closeFront, overPosts, stretch } from '../../blocks/fronts/standing.ts'
import { placeBrace } from '../../blocks/frame/brace.ts'
import { spliceOver, type Stretch } from '../../blocks/sizing/splice.ts'
import { tieToWall } from '../../blocks/mounts/tie.ts'
import type { ToteRackParams } from './parameters.ts'
import { backDeep, planOut, type RackPlan } from './plan-out.ts'

/*
 *   top plate   =====================     front view; each column is closed by a pair of rails (r) on the faces of its posts,
 *               |r     r|r     r|         front to back; inner posts carry rails on both faces, outer ones on one.
 *         post  |r     r|r     r|
 *               |r     r|r     r|         side view: rear frame (plate, posts, plate), front frame, rails from one to the other.
 *   bottom plate=====================
 */
export function shapeToteRack(p: ToteRackParams, ctx: ShapeContext): Result<Shaped> {
  const units = unitsOf(ctx.settings)
  const pen = dimPen(p, units)
  const plan = planOut(p, ctx, pen)
  if (plan === 'nothing') return bad('no-totes')
  const runs = runsOf(p, ctx, plan)
  if ('tooLongMm' in runs) return bad('longer-than-board', { mm: runs.tooLongMm, mostMm: runs.mostMm }, 'columns')

  const top = p.top === 'none' ? undefined : findSheet(p.top)
  if (top && plan.railMm > top.widthMm)
    return bad('deeper-than-sheet', { mm: plan.railMm, mostMm: top.widthMm }, 'railLengthMm')
  const post = findSection(p.postSection)!
  const plate = findSection(p.plateSection)!
  // Front and rear frame stand one behind the other: neither posts nor plates may meet.
  const postDepth = Math.max(post.widthMm, plate.widthMm)
  if (plan.railMm < 2 * postDepth)
    return bad('rail-shorter-than-posts', { mm: plan.railMm, leastMm: 2 * postDepth }, 'railLengthMm')
  if (plan.rows[0].railTopMm - plan.rail.heightMm < plate.thicknessMm - 0.01)
    return bad(
      'rail-below-plate',
      { mm: plan.rows[0].railTopMm, leastMm: plate.thicknessMm + plan.rail.heightMm },
      'firstMm',
    )
  const narrow = plan.columns.findIndex((c) => c.clearMm < 2 * plan.rail.thicknessMm)
  if (narrow >= 0)
    return bad(
      'opening-too-narrow',
      { mm: plan.columns[narrow].clearMm, leastMm: 2 * plan.rail.thicknessMm },
      `clearMm.${narrow}`,
    )
  for (let r = 1; r < plan.rows.length; r++) {
    const pitch = plan.rows[r].railTopMm - plan.rows[r - 1].railTopMm
    if (pitch < plan.rail.heightMm)
      return bad('rails-overlap', { mm: pitch, leastMm: plan.rail.heightMm }, `pitchMm.${r - 1}`)
  }

  const openings = plan.columns.map((c) => ({ left: c.left, right: c.left + c.clearMm }))
  const unslid = p.front === 'sliding' ? slidingFault(openings, ctx.settings, post.thicknessMm) : null
  if (unslid) return bad(unslid.code, unslid.data, unslid.field)

  const d = draft(ctx.settings.yard)
  const ties = p.tie && canHoldTie(ctx.space)
  const y0 = backDeep(p, ctx)
  frames(d, p, ctx, plan, runs, y0)
  rails(d, p, ctx, plan, y0)
  if (y0 > 0) backBoards(d, p, ctx, plan, runs, pen, y0)
  if (p.catch === 'board') {
    const wrong = catches(d, p, ctx, plan, y0)
    if (wrong) return wrong
  }
  if (p.top !== 'none') topSheet(d, p, plan, runs, y0)
  bays(d, p, plan, y0 + plan.catchMm)
  // The uppermost back rail lies against the wall.
  const backs = d.assembly.parts.filter((x) => x.role === 'back-rail')
  const highest = Math.max(...backs.map((x) => x.at.centre[2]))
  if (ties) for (const x of backs) if (x.at.centre[2] === highest) tieToWall(d, x.id, ctx.space, ctx.settings.yard)

  const all = d.assembly.parts.map((x) => x.id)
  const frame = (side: string) => all.filter((id) => id.endsWith(side) && !id.startsWith('rail'))
  if (p.raise === 'tilt')
    d.sub({ id: 'rack', name: 'rack', parts: all.filter((id) => !id.startsWith('top-')), built: 'flat' })
  else {
    d.sub({ id: 'front-frame', name: 'front-frame', parts: frame('-front'), built: 'flat' })
    d.sub({ id: 'rear-frame', name: 'rear-frame', parts: frame('-rear'), built: 'flat' })
    d.sub({
      id: 'rails',
      name: 'rails',
      parts: all.filter(
        (id) => id.startsWith('rail') || id.startsWith('back') || id.startsWith('catch') || id === 'brace',
      ),
      built: 'in-place',
    })
  }
  if (p.top !== 'none')
    d.sub({ id: 'top', name: 'top', parts: all.filter((id) => id.startsWith('top-')), built: 'in-place' })

  const frontPosts = all.filter((id) => id.startsWith('post-') && id.endsWith('-front'))
  const posts = all.filter((id) => id.startsWith('post-'))
  closeFront(d, {
    front: p.front,
    sheet: findSheet(p.doorSheet)!,
    closed: overPosts(d, openings, frontPosts),
    uprights: posts,
    plates: all.filter((id) => id.startsWith('plate-bottom')),
    railed: frontPosts,
    frontMm: y0 + plan.railMm,
    ...overPlate(p.front, plate, post),
    headMm: Math.max(...frontPosts.map((id) => d.box(id).max[2])),
    of: trackStock(ctx.settings),
    // No hinge where a rail ends, nor where a lid comes out over it.
    panelsMm: plan.rows.flatMap((r) => stretch(r.railTopMm - plan.rail.heightMm, r.railTopMm + plan.overRailMm)),
  })
  plan.columns.forEach((_, c) =>
    pen.drag(`clearMm.${c}`, { axis: 'x', parts: [`post-${c + 1}-front`, `post-${c + 1}-rear`], sign: 1 }),
  )
  plan.rows.forEach((_, r) => {
    const ids = plan.columns.flatMap((_c, c) => [`rail-${c}-${r}-left`, `rail-${c}-${r}-right`])
    pen.drag(r === 0 ? 'firstMm' : `pitchMm.${r - 1}`, { axis: 'z', parts: ids, sign: 1 })
  })
  return good({ assembly: d.assembly, dims: pen.dims, choices: choices(p, ctx), unhoused: plan.unhoused })
}

/** What closes it ends this far over a bottom plate that stands out in front of the posts, mm. */
const OVER_PLATE_MM = 5
/** Over such a plate; tracks are screwed to the posts, which stand on it. */
function overPlate(
  front: ToteRackParams['front'],
  plate: Section,
  post: Section,
): { footMm?: number; underMm?: number } {
  const past = plate.widthMm > post.widthMm
  if (!past && front !== 'sliding') return {}
  const mm = plate.thicknessMm + (past ? OVER_PLATE_MM : 0)
  return { footMm: mm, underMm: mm }
}

const board = (section: string, grade: string, treated = false): Stock => ({ kind: 'board', section, grade, treated })

/** Pieces of what runs along the whole rack: one each, or spliced over posts where no board is long enough. */
interface Runs {
  bottom: Stretch[]
  top: Stretch[]
  backs: Stretch[][]
}

function runsOf(p: ToteRackParams, ctx: ShapeContext, plan: RackPlan): Runs | { tooLongMm: number; mostMm: number } {
  const half = findSection(p.postSection)!.thicknessMm / 2
  const seats = [half, ...plan.columns.map((c) => c.left + c.clearMm + half)]
  const longest = (section: string, treated: boolean) => longestBoard(ctx, section, treated)
  const plates = { bottom: longest(p.plateSection, ctx.space.floor === 'slab'), top: longest(p.plateSection, false) }
  const back = longest(p.backSection, false)
  const [bottom, top] = [spliceOver(plan.widthMm, plates.bottom, seats), spliceOver(plan.widthMm, plates.top, seats, 1)]
  // Boards above each other do not meet over the same post.
  const backs = [0, 1].map((early) => spliceOver(plan.widthMm, back, seats, early + 1))
  if (!bottom || !top || backs.some((b) => !b))
    return {
      tooLongMm: Math.max(...plan.columns.map((c) => c.clearMm)) + 2 * half,
      mostMm: Math.min(plates.bottom, plates.top, back),
    }
  return { bottom, top, backs: backs as Stretch[][] }
}

/** `plate-top-rear`, or `plate-top-2-rear` where there are several. */
const pieceId = (name: string, pieces: readonly Stretch[], i: number, side = '') =>
  [name, ...(pieces.length > 1 ? [String(i)] : []), ...(side ? [side] : [])].join('-')
/** Pieces that lie over or under a stretch. */
const meeting = (pieces: readonly Stretch[], from: number, to: number) =>
  pieces.flatMap((s, i) => (Math.min(s.to, to) - Math.max(s.from, from) > 1 ? [i] : []))

function frames(d: Draft, p: ToteRackParams, ctx: ShapeContext, plan: RackPlan, runs: Runs, y0: number) {
  const post = findSection(p.postSection)!
  const plate = findSection(p.plateSection)!
  const grade = ctx.settings.grade
  for (const [side, y] of [
    ['rear', y0],
    ['front', y0 + plan.railMm - post.widthMm],
  ] as const) {
    const flat = (name: string, pieces: Stretch[], z: number, treated: boolean) =>
      pieces.forEach(({ from, to }, i) =>
        d.square({
          id: pieceId(name, pieces, i, side),
          role: 'plate',
          stock: board(p.plateSection, grade, treated),
          min: [from, y, z],
          size: [to - from, plate.widthMm, plate.thicknessMm],
          along: 'x',
          across: 'y',
        }),
      )
    flat('plate-bottom', runs.bottom, 0, ctx.space.floor === 'slab')
    flat('plate-top', runs.top, plan.topMm, false)
    runs.bottom.forEach((_, i) => d.rest(pieceId('plate-bottom', runs.bottom, i, side), 'floor'))
    for (let c = 0; c <= plan.columns.length; c++) {
      const id = `post-${c}-${side}`
      const x = c === 0 ? 0 : plan.columns[c - 1].left + plan.columns[c - 1].clearMm
      d.square({
        id,
        role: 'post',
        stock: board(p.postSection, grade),
        min: [x, y, plate.thicknessMm],
        size: [post.thicknessMm, post.widthMm, plan.postMm],
        along: 'z',
        across: 'y',
      })
      const bottoms = meeting(runs.bottom, x, x + post.thicknessMm).map((i) =>
        pieceId('plate-bottom', runs.bottom, i, side),
      )
      const tops = meeting(runs.top, x, x + post.thicknessMm).map((i) => pieceId('plate-top', runs.top, i, side))
      for (const on of [...bottoms, ...tops]) d.screw(on, id, 2, 'end', plate.thicknessMm, 200)
      for (const on of bottoms) d.rest(id, on)
      for (const on of tops) d.rest(on, id)
      // Plates lie level, so the floor is made up under every post where it falls away.
      const fall = fallAt(ctx.space.floorFall, x + post.thicknessMm / 2, y + post.widthMm / 2)
      if (fall >= THINNEST_SHIM_MM) d.shim(bottoms[0], [x + post.thicknessMm / 2, y + post.widthMm / 2, 0], fall)
    }
  }
}

function rails(d: Draft, p: ToteRackParams, ctx: ShapeContext, plan: RackPlan, y0: number) {
  const post = findSection(p.postSection)!
  const { thicknessMm: t, heightMm: h, flat } = plan.rail
  plan.rows.forEach((row, r) => {
    const ids: string[] = []
    plan.columns.forEach((column, c) => {
      for (const side of ['left', 'right'] as const) {
        const id = `rail-${c}-${r}-${side}`
        const x = side === 'left' ? column.left : column.left + column.clearMm - t
        d.square({
          id,
          role: 'rail',
          stock: board(p.railSection, ctx.settings.grade),
          min: [x, y0, row.railTopMm - h],
          size: [t, plan.railMm, h],
          along: 'y',
          across: flat ? 'x' : 'z',
        })
        for (const end of ['rear', 'front'] as const) {
          const on = `post-${side === 'left' ? c : c + 1}-${end}`
          const j = flat
            ? // A flat rail is too broad to screw through: pocket screws from below into the post.
              d.joint({
                kind: 'pocket-screwed',
                near: id,
                far: on,
                fasteners: [{ fastener: pocketScrew(ctx.settings.yard), count: 2, into: 'side' }],
              })
            : d.screw(id, on, 2, 'side', t, post.thicknessMm)
          d.rest(id, on, 'fasteners', j)
        }
        ids.push(id)
      }
    })
    d.mark(row.railTopMm, 'rail-top', r + 1, ids)
  })
  d.mark(
    plan.topMm,
    'plate-under',
    0,
    d.assembly.parts.flatMap((x) => (x.id.startsWith('plate-top') ? [x.id] : [])),
  )
}

function backBoards(
  d: Draft,
  p: ToteRackParams,
  ctx: ShapeContext,
  plan: RackPlan,
  runs: Runs,
  pen: ReturnType<typeof dimPen>,
  y0: number,
) {
  const back = findSection(p.backSection)!
  const post = findSection(p.postSection)!
  const grade = ctx.settings.grade
  const high = plan.topMm
  // With a brace the back rails keep to the top and the bottom, so that the diagonal runs between them in one plane.
  const most = Math.floor((high - back.widthMm) / (2 * back.widthMm))
  // Ties go through a board across the back.
  const least = p.tie && canHoldTie(ctx.space) && most > 0 ? 1 : 0
  const wanted = pen.count({ path: 'backRails', code: 'back-rails', min: least, max: 6 }, Math.min(2, most), {
    code: p.brace ? 'back-rails-brace' : 'back-rails-stop',
    terms: [],
  })
  const n = Math.max(least, Math.min(p.brace ? Math.min(2, wanted) : wanted, most))
  const low = findSection(p.plateSection)!.thicknessMm
  const places =
    n === 1
      ? [high - back.widthMm]
      : Array.from({ length: n }, (_, i) => low + ((high - back.widthMm - low) * i) / (n - 1))
  places.forEach((z, i) => {
    const pieces = runs.backs[i % 2]
    pieces.forEach(({ from, to }, k) => {
      const id = pieceId(`back-${i}`, pieces, k)
      d.square({
        id,
        role: 'back-rail',
        stock: board(p.backSection, grade),
        min: [from, 0, z],
        size: [to - from, back.thicknessMm, back.widthMm],
        along: 'x',
        across: 'z',
      })
      for (let c = 0; c <= plan.columns.length; c++) {
        const { min, max } = d.box(`post-${c}-rear`)
        const over = Math.min(max[0], to) - Math.max(min[0], from)
        if (over < 1) continue
        const j = d.screw(id, `post-${c}-rear`, 2, 'side', back.thicknessMm, post.widthMm)
        // Half a post under a splice is not reckoned with: the whole ones carry the piece.
        if (over > 0.75 * post.thicknessMm || to - from < 2 * post.thicknessMm)
          d.rest(id, `post-${c}-rear`, 'fasteners', j)
      }
    })
  })
  if (!p.brace) return
  const posts = Array.from({ length: plan.columns.length + 1 }, (_, c) => {
    const b = d.box(`post-${c}-rear`)
    return { id: `post-${c}-rear`, left: b.min[0], right: b.max[0] }
  })
  const longest = longestBoard(ctx, p.backSection)
  placeBrace(d, {
    id: 'brace',
    posts,
    lowMm: n > 1 ? places[0] + back.widthMm : low,
    highMm: n > 0 ? places[n - 1] : high,
    yMm: y0,
    board: { stock: board(p.backSection, grade), widthMm: back.widthMm, thicknessMm: back.thicknessMm },
    longestMm: longest,
  })
}

/** A board behind the totes of each column, from the lowest back rail to the highest. @returns why there can be none */
function catches(d: Draft, p: ToteRackParams, ctx: ShapeContext, plan: RackPlan, y0: number): Result<never> | null {
  const [section, back] = [findSection(p.postSection)!, findSection(p.backSection)!]
  const backs = d.assembly.parts.filter((x) => x.role === 'back-rail')
  for (const [c, column] of plan.columns.entries()) {
    const middle = column.left + column.clearMm / 2
    const [left, right] = [middle - section.widthMm / 2, middle + section.widthMm / 2]
    const behind = backs.filter(({ id }) => d.box(id).min[0] <= left && d.box(id).max[0] >= right)
    if (behind.length < 2) return bad('catch-needs-rails', {}, 'backRails')
    const besides = d.assembly.parts.filter((x) => x.id.startsWith(`rail-${c}-`)).map((x) => d.box(x.id))
    const freeMm = 2 * Math.min(...besides.map((b) => Math.max(b.min[0] - middle, middle - b.max[0])))
    if (freeMm < section.widthMm) return bad('catch-past-rails', { mm: section.widthMm, freeMm }, 'catch')
    const footMm = Math.min(...behind.map(({ id }) => d.box(id).min[2]))
    const headMm = Math.max(...behind.map(({ id }) => d.box(id).max[2]))
    const id = `catch-${c}`
    d.square({
      ...{ id, role: 'back-rail', stock: board(p.postSection, ctx.settings.grade), along: 'z', across: 'x' },
      min: [left, y0, footMm],
      size: [section.widthMm, section.thicknessMm, headMm - footMm],
    })
    for (const on of behind)
      d.rest(id, on.id, 'fasteners', d.screw(on.id, id, 2, 'side', back.thicknessMm, section.thicknessMm))
  }
  return null
}

function topSheet(d: Draft, p: ToteRackParams, plan: RackPlan, runs: Runs, y0: number) {
  const sheet = findSheet(p.top)!
  const z = plan.topMm + findSection(p.plateSection)!.thicknessMm
  const post = findSection(p.postSection)!
  // Pieces end on the middle of a post, each as long as the sheet allows.
  const ends = [0]
  const seams = [...plan.columns.map((c) => c.left + c.clearMm + post.thicknessMm / 2).slice(0, -1), plan.widthMm]
  seams.forEach((x, i) => {
    const next = seams[i + 1]
    if (next === undefined || next - ends[ends.length - 1] > sheet.lengthMm) ends.push(x)
  })
  ends.slice(1).forEach((x, i) => {
    const id = `top-${i}`
    d.square({
      id,
      role: 'top',
      stock: { kind: 'sheet', sheet: sheet.id },
      min: [ends[i], y0, z],
      size: [x - ends[i], plan.railMm, sheet.thicknessMm],
      along: 'x',
      across: 'y',
    })
    for (const side of ['rear', 'front'] as const) {
      for (const k of meeting(runs.top, ends[i], x)) {
        const on = pieceId('plate-top', runs.top, k, side)
        const shared = Math.min(x, runs.top[k].to) - Math.max(ends[i], runs.top[k].from)
        d.rest(
          id,
          on,
          'bearing',
          d.screw(
            id,
            on,
            Math.max(2, Math.ceil(shared / 300)),
            'side',
            sheet.thicknessMm,
            findSection(p.plateSection)!.thicknessMm,
          ),
        )
      }
    }
  })
}

function bays(d: Draft, p: ToteRackParams, plan: RackPlan, y0: number) {
  plan.columns.forEach((column, c) => {
    plan.rows.forEach((row, r) => {
      const g = plan.grid[c][r]
      const under = (top: number, item: typeof g) =>
        p.carry === 'rim' && item ? top - (item.tallMm - (item.tote?.rimMm ?? 0)) : top
      const bottom = under(row.railTopMm, g)
      const next = plan.rows[r + 1]
      const ceiling = next
        ? p.carry === 'rim'
          ? under(next.railTopMm, plan.grid[c][r + 1])
          : next.railTopMm - plan.rail.heightMm
        : plan.topMm
      const id = `bay-${c}-${r}`
      d.bay({
        id,
        name: { code: 'place', column: c + 1, row: r + 1 },
        holds: p.carry,
        clear: {
          min: [column.left, y0, bottom],
          max: [column.left + column.clearMm, y0 + plan.railMm - plan.catchMm, ceiling],
        },
        carriers: [`rail-${c}-${r}-left`, `rail-${c}-${r}-right`],
        items: g
          ? [
              {
                goodsId: g.id,
                massKg: g.massKg,
                stands: 'flat' as const,
                box: {
                  min: [column.left + (column.clearMm - g.acrossMm) / 2, y0, bottom],
                  max: [column.left + (column.clearMm + g.acrossMm) / 2, y0 + g.deepMm, bottom + g.tallMm],
                },
              },
            ]
          : [],
        play: { sideMm: plan.play.sideMm, aboveMm: plan.play.aboveMm, deepMm: 0 },
        stickOutMm: plan.stickOutMm,
        exit: [0, 1, 0],
      })
    })
  })
}

function choices(p: ToteRackParams, ctx: ShapeContext): Choice[] {
  const imperial = ctx.settings.yard === 'imperial'
  const sections = imperial
    ? ['2x2', '2x3', '2x4', '2x6', '1x3', '1x4']
    : ['38x38mm', '38x63mm', '38x89mm', '47x100mm', '18x69mm', '18x94mm']
  const posts = imperial ? ['2x3', '2x4', '2x6'] : ['38x63mm', '38x89mm', '47x100mm']
  const sheets = imperial
    ? ['none', 'ply-15/32', 'ply-23/32', 'osb-7/16', 'osb-23/32']
    : ['none', 'ply-12mm', 'ply-18mm', 'osb3-15mm', 'osb3-18mm']
  const doors = sheets.filter((x) => x.startsWith('ply'))
  return [
    { path: 'carry', code: 'carry', value: p.carry, options: ['rim', 'base'], of: 'code' },
    { path: 'railSection', code: 'rail-section', value: p.railSection, options: sections, of: 'section' },
    { path: 'railRip', code: 'rail-rip', value: p.railRip, options: ['full', 'half'], of: 'code' },
    { path: 'postSection', code: 'post-section', value: p.postSection, options: posts, of: 'section' },
    { path: 'brace', code: 'brace', value: p.brace, options: [true, false], of: 'code' },
    { path: 'tie', code: 'tie', value: p.tie, options: [true, false], of: 'code' },
    { path: 'top', code: 'top', value: p.top, options: sheets, of: 'sheet' },
    { path: 'front', code: 'front', value: p.front, options: slidingFront.options, of: 'code' },
    { path: 'doorSheet', code: 'front-sheet', value: p.doorSheet, options: doors, of: 'sheet' },
    { path: 'catch', code: 'catch', value: p.catch, options: ['none', 'board'], of: 'code' },
    { path: 'raise', code: 'raise', value: p.raise, options: ['tilt', 'in-place'], of: 'code' },
  ]
}
