import { pocketScrew } from '../../catalogue/fasteners.ts'
import type { Stock } from '../../assembly/assembly.ts'
import { draft, type Draft } from '../../assembly/draft.ts'
import { partBoxes } from '../../assembly/part-box.ts'
import { unitsOf } from '../../assembly/settings.ts'
import { waysIn } from '../../assembly/way-in.ts'
import { findSection } from '../../catalogue/lumber.ts'
import { findSheet } from '../../catalogue/sheets.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { canHoldTie } from '../../room/room.ts'
import { longestBoard } from '../boards-of.ts'
import { dimPen } from '../dim-pen.ts'
import { standing, type Level } from '../house-on-shelves.ts'
import type { Choice, ListChoice, ShapeContext, Shaped } from '../family.ts'
import { besideHinges } from '../../blocks/fronts/front.ts'
import { trackStock } from '../../blocks/fronts/sliding.ts'
import { closeFront, overPosts, stretch } from '../../blocks/fronts/standing.ts'
import { doublePost, lowUnder, SUPPORTS } from '../../blocks/frame/doubled-post.ts'
import { standPost } from '../../blocks/frame/standing-post.ts'
import { placeBrace } from '../../blocks/frame/brace.ts'
import { braceEnds } from '../../blocks/frame/stacked-braces.ts'
import { pinFoot } from '../../blocks/mounts/pinned-foot.ts'
import { sideTies, tieToSide, wallBeside } from '../../blocks/mounts/side-tie.ts'
import { tieToWall } from '../../blocks/mounts/tie.ts'
import { notchRound } from '../../blocks/frame/notched-round.ts'
import { CROSS_SCREWS, placeShelfFrame, railOnPost, railOverPost } from '../../blocks/frame/shelf-frame.ts'
import { rowsHeld } from '../stands-alone.ts'
import { DUTY, LIMITS, PANELS, SIDES, TOP_FRAME, TOP_MM, type PostRackParams } from './parameters.ts'
import { COVER_FOOT_MM, coverMost, hasShelf, liesOnPosts, nextOver, planOut, type PostRackPlan } from './plan-out.ts'
import { isAt } from './tall-bays.ts'
import { panelsOver, screwPanel, under } from '../../blocks/carcass/screwed-panel.ts'

/*
 *  plan of one module, wall at the top:          posts stand flat against the frame, front and back, so that the sheet stays whole;
 *     [post]        [post]        [post]         rails run the length inside the posts, cross pieces between the rails,
 *    =====================================  rail the sheet lies on all of them.
 *    |         |         |         |     |  cross
 *    =====================================  rail
 *     [post]        [post]        [post]
 */
export function shapePostRack(p: PostRackParams, ctx: ShapeContext): Result<Shaped> {
  if (ctx.goods.length === 0) return bad('no-goods')
  const pen = dimPen(p, unitsOf(ctx.settings))
  if (p.supports === 'doubled' && p.feet === 'pinned' && ctx.space.floor === 'slab')
    return bad('pieces-at-feet', {}, 'supports')
  const plan = planOut(p, ctx, pen)
  if ('code' in plan) return bad(plan.code, plan.data, plan.field)

  const d = draft(ctx.settings.yard)
  const back = findSection(p.backSection)!
  // Lower than the tie board is wide there is nothing to tie.
  const covered = p.cover === 'panels'
  const tied = p.tie && !covered && canHoldTie(ctx.space) && plan.postTopMm >= back.widthMm
  const y0 = covered ? findSheet(p.coverSheet)!.thicknessMm : p.brace || tied ? back.thicknessMm : 0
  posts(d, p, ctx, plan, y0)
  plan.modules.forEach((_, m) => plan.tops.forEach((_z, i) => hasShelf(p, m, i) && shelf(d, p, ctx, plan, m, i, y0)))
  if (p.supports === 'doubled') {
    const low = plan.modules.map((_, m) => lowUnder(d, railsOf(p, plan, m, 'rear'))).find((x) => x !== null)
    if (low) return bad('no-room-under-rail', { ...low }, 'supports')
    doublePosts(d, p, ctx, plan)
  }
  if (tied) tieBoards(d, p, ctx, plan)
  const unheld = p.sides === 'tied' ? tieSides(d, p, ctx, plan, tied) : null
  if (unheld) return bad(unheld, {}, 'sides')
  if (covered) coverBack(d, p, ctx, plan)
  else if (p.brace) brace(d, p, ctx, plan, y0, tied)
  if (p.ends === 'braced') endBraces(d, p, ctx, plan)
  if (p.feet === 'pinned' && ctx.space.floor === 'slab')
    for (const side of rowsHeld(ctx.space))
      plan.modules.forEach((m, n) =>
        m.posts.forEach((_x, i) => pinFoot(d, `angle-${n}-${i}-${side}`, `post-${n}-${i}-${side}`, side)),
      )
  bays(d, p, ctx, plan, y0)
  const isOwn = (m: number, i: number) => p.ownTops.some((x) => isAt(x, m, i))
  plan.tops.forEach((z, i) =>
    d.mark(
      z,
      'shelf-top',
      i + 1,
      plan.modules.flatMap((_, m) => (hasShelf(p, m, i) && !isOwn(m, i) ? [`shelf-${m}-${i}`] : [])),
    ),
  )
  p.ownTops.forEach(({ module, shelf, topMm }, k) =>
    d.mark(topMm, 'own-top', plan.tops.length + 1 + k, [`shelf-${module - 1}-${shelf - 1}`]),
  )

  // Every id says its module: `rail-2-0-front`.
  const frames = plan.modules.map((): string[] => [])
  const sheets = plan.modules.map((): string[] => [])
  const wayOf = waysIn(d.assembly, partBoxes(d.assembly))
  for (const x of d.assembly.parts) {
    const later = x.role === 'shelf' && wayOf(x) !== 'before-uprights'
    ;(later ? sheets : frames)[Number(x.id.split('-', 2)[1])].push(x.id)
  }
  plan.modules.forEach((_, m) => {
    d.sub({ id: `module-${m}`, name: 'module', parts: frames[m], built: p.raise === 'tilt' ? 'flat' : 'in-place' })
    if (sheets[m].length > 0) d.sub({ id: `sheets-${m}`, name: 'sheets', parts: sheets[m], built: 'in-place' })
  })
  // Pieces that stand under rails behind their posts are none of those a front is hung on.
  const standing = d.assembly.parts.filter((x) => x.role === 'post' && x.id.startsWith('post-')).map((x) => x.id)
  const front = standing.filter((id) => id.endsWith('-front'))
  const railHigh = findSection(p.railSection)!.widthMm
  const doorSheet = findSheet(p.sheet)!
  closeFront(d, {
    front: p.front,
    sheet: doorSheet,
    closed: overPosts(d, plan.openings, front),
    uprights: standing,
    railed: front,
    frontMm: y0 + plan.frameMm + 2 * findSection(p.postSection)!.thicknessMm,
    headMm: plan.postTopMm,
    of: trackStock(ctx.settings),
    panelsMm: plan.topsIn.flatMap((tops) =>
      tops.flatMap((z, i) => (liesOnPosts(p, plan, i) ? [] : stretch(z - doorSheet.thicknessMm - railHigh, z))),
    ),
  })
  let nth = 0
  plan.modules.forEach((module, m) =>
    module.posts.slice(1, -1).forEach((_, i) =>
      pen.drag(`midAtMm.${nth++}`, {
        axis: 'x',
        parts: [`post-${m}-${i + 1}-front`, `post-${m}-${i + 1}-rear`],
        sign: 1,
      }),
    ),
  )
  const onShelf = plan.tops.map((): string[] => [])
  for (const x of d.assembly.parts)
    if (x.role === 'shelf' || x.role === 'rail' || x.role === 'cross') {
      const [, m, i] = x.id.split('-').map(Number)
      if (!isOwn(m, i)) onShelf[i].push(x.id)
    }
  onShelf.forEach((parts, i) => pen.drag(`topMm.${i}`, { axis: 'z', sign: 1, parts }))
  return good({
    assembly: d.assembly,
    dims: pen.dims,
    choices: choices(p, ctx),
    presets: [DUTY[ctx.settings.yard]],
    lists: [leftOutList(p), ownTopList(p, plan)],
    unhoused: plan.unhoused,
  })
}

const board = (section: string, grade: string, treated = false): Stock => ({ kind: 'board', section, grade, treated })

function posts(d: Draft, p: PostRackParams, ctx: ShapeContext, plan: PostRackPlan, y0: number) {
  const post = findSection(p.postSection)!
  const high = plan.postTopMm
  // Stood straight on a slab, a post drinks water through its end grain: preservative-treated there.
  const stock = board(p.postSection, ctx.settings.grade, ctx.space.floor === 'slab')
  const units = unitsOf(ctx.settings)
  plan.modules.forEach((m, n) =>
    m.posts.forEach((x, i) => {
      for (const [side, y] of [
        ['rear', y0],
        ['front', y0 + post.thicknessMm + plan.frameMm],
      ] as const) {
        const id = `post-${n}-${i}-${side}`
        const at = { x, y, wideMm: post.widthMm, deepMm: post.thicknessMm, topMm: high, across: 'x' } as const
        standPost(d, { id, stock, ...at }, { fall: ctx.space.floorFall, units })
      }
    }),
  )
  for (let n = 1; n < plan.modules.length; n++)
    for (const side of ['rear', 'front'])
      // Edge to edge, and far too broad to go through: at a slant across the seam.
      d.joint({
        kind: 'pocket-screwed',
        near: `post-${n - 1}-${plan.modules[n - 1].posts.length - 1}-${side}`,
        far: `post-${n}-0-${side}`,
        fasteners: [{ fastener: pocketScrew(ctx.settings.yard), count: 3, into: 'edge' }],
      })
}

function shelf(d: Draft, p: PostRackParams, ctx: ShapeContext, plan: PostRackPlan, m: number, i: number, y0: number) {
  const module = plan.modules[m]
  const onPosts = liesOnPosts(p, plan, i)
  const frame = frameAt(p, plan, i, y0)
  const sheets = sheetAt(p, plan, i, y0)
  const whole = (id: string) => ({ id, from: module.left, to: module.left + module.lengthMm })
  const rails = (['rear', 'front'] as const).map((side) => ({ side, id: `rail-${m}-${i}-${side}` }))
  placeShelfFrame(d, {
    section: findSection(p.railSection)!,
    stock: board(p.railSection, ctx.settings.grade),
    sheet: findSheet(p.sheet)!,
    ...frame,
    topMm: plan.topsIn[m][i],
    rear: { role: 'rail', pieces: [whole(rails[0].id)] },
    front: [whole(rails[1].id)],
    crosses: module.crosses.map((left, k) => ({ id: `cross-${m}-${i}-${k}`, left })),
    crossScrews: CROSS_SCREWS[p.crossJoint],
    sheets: [whole(`shelf-${m}-${i}`)],
    cover: { role: 'shelf', ...sheets, lies: [] },
  })
  for (const { side, id } of rails)
    module.posts.forEach((_, k) => {
      const post = `post-${m}-${k}-${side}`
      if (onPosts) railOverPost(d, id, post, ctx.settings.yard)
      else
        railOnPost(d, id, post, {
          ...{ how: p.railJoint, system: ctx.settings.yard, bears: p.supports === 'doubled' },
        })
    })
  if (p.panels === 'round-posts' && !onPosts)
    for (const { side } of rails)
      module.posts.forEach((_, k) => notchRound(d, `shelf-${m}-${i}`, `post-${m}-${k}-${side}`))
}

/** Levels of a module whose rails are between its posts. */
const levelsOf = (p: PostRackParams, plan: PostRackPlan, m: number): number[] =>
  plan.tops.flatMap((_z, i) => (hasShelf(p, m, i) && !liesOnPosts(p, plan, i) ? [i] : []))
const railsOf = (p: PostRackParams, plan: PostRackPlan, m: number, side: 'rear' | 'front'): string[] =>
  levelsOf(p, plan, m).map((i) => `rail-${m}-${i}-${side}`)

/** Pieces beside the posts, under every rail they hold; sheets are notched round what stands on their rails. */
function doublePosts(d: Draft, p: PostRackParams, ctx: ShapeContext, plan: PostRackPlan) {
  const { thicknessMm: thickMm, widthMm: wideMm } = findSection(p.postSection)!
  const stock = board(p.postSection, ctx.settings.grade, ctx.space.floor === 'slab')
  const floor = { fall: ctx.space.floorFall, units: unitsOf(ctx.settings) }
  plan.modules.forEach((module, m) => {
    const levels = levelsOf(p, plan, m)
    for (const side of ['rear', 'front'] as const)
      module.posts.forEach((_x, k) => {
        const rails = railsOf(p, plan, m, side)
        const off = side === 'rear' ? 'before' : 'behind'
        const under = doublePost(d, { post: `post-${m}-${k}-${side}`, rails, stock, wideMm, thickMm, off }, floor)
        under.slice(1).forEach((id, n) => notchRound(d, `shelf-${m}-${levels[n]}`, id))
      })
  })
}

interface Deep {
  backMm: number
  frontMm: number
}
/** A frame between the rows of posts, or over both. */
function frameAt(p: PostRackParams, plan: PostRackPlan, level: number, y0: number): Deep {
  const { thicknessMm } = findSection(p.postSection)!
  return liesOnPosts(p, plan, level)
    ? { backMm: y0, frontMm: y0 + plan.frameMm + 2 * thicknessMm }
    : { backMm: y0 + thicknessMm, frontMm: y0 + thicknessMm + plan.frameMm }
}
/** Sheets as deep as their frame, or from the backs of the rear posts to the fronts of the front ones. */
const sheetAt = (p: PostRackParams, plan: PostRackPlan, level: number, y0: number): Deep =>
  p.panels === 'round-posts' ? { backMm: y0, frontMm: y0 + plan.sheetMm } : frameAt(p, plan, level, y0)

function brace(d: Draft, p: PostRackParams, ctx: ShapeContext, plan: PostRackPlan, y0: number, tied: boolean) {
  const back = findSection(p.backSection)!
  const longest = longestBoard(ctx, p.backSection)
  const high = plan.postTopMm - (tied ? back.widthMm : 0)
  plan.modules.forEach((m, n) => {
    const rear = m.posts.map((_, i) => {
      const b = d.box(`post-${n}-${i}-rear`)
      return { id: `post-${n}-${i}-rear`, left: b.min[0], right: b.max[0] }
    })
    placeBrace(d, {
      id: `brace-${n}`,
      posts: rear,
      lowMm: 0,
      highMm: high,
      yMm: y0,
      board: {
        stock: board(p.backSection, ctx.settings.grade),
        widthMm: back.widthMm,
        thicknessMm: back.thicknessMm,
      },
      longestMm: longest,
      falls: n % 2 === 1,
    })
  })
}

/** Panels over the backs of the rear posts, which meet on them. */
function coverBack(d: Draft, p: PostRackParams, ctx: ShapeContext, plan: PostRackPlan) {
  const sheet = findSheet(p.coverSheet)!
  const { widthMm } = findSection(p.postSection)!
  const highMm = plan.tops[plan.tops.length - 1] - COVER_FOOT_MM
  plan.modules.forEach((m, n) =>
    panelsOver(m.posts, widthMm, coverMost(p, ctx, highMm)).forEach((s, k) =>
      screwPanel(d, sheet, {
        id: `cover-${n}-${k}`,
        role: 'back',
        min: [s.from, 0, COVER_FOOT_MM],
        size: [s.to - s.from, sheet.thicknessMm, highMm],
        across: 'x',
        on: under(s, m.posts, widthMm).map((i) => `post-${n}-${i}-rear`),
      }),
    ),
  )
}

/** Diagonals over the outer posts of both ends, the lowest of the one rising where that of the other falls. */
function endBraces(d: Draft, p: PostRackParams, ctx: ShapeContext, plan: PostRackPlan) {
  const { widthMm, thicknessMm } = findSection(p.backSection)!
  const last = plan.modules.length - 1
  const posts = (m: number, i: number) => [`post-${m}-${i}-rear`, `post-${m}-${i}-front`] as const
  braceEnds(
    d,
    { left: posts(0, 0), right: posts(last, plan.modules[last].posts.length - 1) },
    {
      id: (side) => `brace-${side === 'left' ? 0 : last}-${side}`,
      highMm: plan.postTopMm,
      board: { stock: board(p.backSection, ctx.settings.grade), widthMm, thicknessMm },
    },
  )
}

/** A board across the tops of the rear posts, against the wall, that the ties go through. */
function tieBoards(d: Draft, p: PostRackParams, ctx: ShapeContext, plan: PostRackPlan) {
  const back = findSection(p.backSection)!
  const post = findSection(p.postSection)!
  const z = plan.postTopMm - back.widthMm
  plan.modules.forEach((m, n) => {
    const id = `tie-${n}`
    d.square({
      id,
      role: 'back-rail',
      stock: board(p.backSection, ctx.settings.grade),
      min: [m.left, 0, z],
      size: [m.lengthMm, back.thicknessMm, back.widthMm],
      along: 'x',
      across: 'z',
    })
    m.posts.forEach((_, i) =>
      d.rest(
        id,
        `post-${n}-${i}-rear`,
        'fasteners',
        d.screw(id, `post-${n}-${i}-rear`, 2, 'side', back.thicknessMm, post.thicknessMm),
      ),
    )
    tieToWall(d, id, ctx.space, ctx.settings.yard)
  })
}

/** Screws through a sheet into the cross piece that is tied. Product decision; what they hold is checked. */
const SIDE_SCREWS = 4

/**
 * The end cross pieces of the uppermost frames tied to the walls beside them. What stands between two walls is pressed
 * against the one it leans to; one module between them is held out from the wall as well, where nothing behind holds it.
 * @returns why it cannot be: nothing there holds, or at one end only more modules than one would be pulled apart
 */
function tieSides(
  d: Draft,
  p: PostRackParams,
  ctx: ShapeContext,
  plan: PostRackPlan,
  tiedBehind: boolean,
): 'no-wall-beside' | 'seams-pulled' | null {
  const top = plan.tops.length - 1
  const last = plan.modules.length - 1
  const ties = (
    [
      ['left', 0, 0, 0],
      ['right', plan.lengthMm, last, plan.modules[last].crosses.length - 1],
    ] as const
  ).flatMap(([end, atMm, m, k]) => {
    const wall = wallBeside(ctx.space, end, atMm)
    const t = wall && sideTies(d, `cross-${m}-${top}-${k}`, end, wall)
    return t && t.at.length > 0 ? [{ ...t, sheet: `shelf-${m}-${top}` }] : []
  })
  if (ties.length === 0) return 'no-wall-beside'
  if (ties.length === 1 && last > 0) return 'seams-pulled'
  const holdsOut = ties.length > 1 && last === 0 && !tiedBehind
  for (const t of ties) {
    // Screws into its end grain hold it in nothing along its length: the sheet does.
    d.screw(t.sheet, t.part, SIDE_SCREWS, 'side', findSheet(p.sheet)!.thicknessMm, findSection(p.railSection)!.widthMm)
    tieToSide(d, t, ctx.settings.yard, holdsOut ? ['x', 'y'] : ['x'])
  }
  return null
}

function bays(d: Draft, p: PostRackParams, ctx: ShapeContext, plan: PostRackPlan, y0: number) {
  const rail = findSection(p.railSection)!
  const sheet = findSheet(p.sheet)!
  const bay = (l: number, k: number, shelf: number, spots: Level) => {
    const o = plan.openings[k]
    const tops = plan.topsIn[o.module]
    const bottom = shelf < 0 ? 0 : tops[shelf]
    const { backMm: yBack, frontMm } = sheetAt(p, plan, shelf, y0)
    const above = tops[nextOver(p, o.module, shelf)]
    const ceiling = above === undefined ? ctx.space.ceilingMm : above - sheet.thicknessMm - rail.widthMm
    const inside = besideHinges(p.front, o)
    d.bay({
      id: `bay-${l}-${k}`,
      name: { code: shelf < 0 ? 'floor' : 'shelf', column: k + 1, row: shelf + 1 },
      holds: 'surface',
      clear: {
        min: [inside.left, yBack, bottom],
        max: [inside.right, frontMm, Math.max(ceiling, bottom + 1)],
      },
      carriers: shelf < 0 ? [] : [`shelf-${o.module}-${shelf}`],
      items: standing(spots, k, yBack, bottom),
      play: { sideMm: plan.play.sideMm, aboveMm: above === undefined ? 0 : plan.play.aboveMm, deepMm: 0 },
      stickOutMm: plan.stickOutMm,
      exit: [0, 1, 0],
    })
  }
  const tallOf = (module: number, shelf: number) =>
    plan.tall.find((t) => t.bay.module === module && t.bay.from === shelf)?.spots
  const floor = plan.levels.find((l) => l.floor)
  const shelves = plan.levels.filter((l) => !l.floor)
  const first = floor ? 1 : 0
  plan.openings.forEach((o, k) => {
    // Under a shelf that is left out one can stand things, wherever else nothing stands on the floor.
    const own = tallOf(o.module, -1)
    if (own || floor) bay(0, k, -1, own ? highLevel(own) : floor!)
    shelves.forEach((level, i) => {
      const high = tallOf(o.module, i)
      if (hasShelf(p, o.module, i)) bay(i + first, k, i, high ? highLevel(high) : level)
    })
  })
}

/** A high bay as a level of its own. */
const highLevel = (spots: Level['spots']): Level => ({ floor: false, spots, tallest: null })

/** Shelves that modules have not, as a list. */
const leftOutList = (p: PostRackParams): ListChoice => ({
  path: 'leftOut',
  code: 'left-out',
  items: p.leftOut.map(({ module, shelf }) => ({ module, shelf })),
  fields: [
    { key: 'module', code: 'left-out-module', quantity: 'count', min: 1, max: LIMITS.modules },
    { key: 'shelf', code: 'left-out-shelf', quantity: 'count', min: 1, max: LIMITS.shelves },
  ],
  most: LIMITS.leftOut,
  fresh: { module: 1, shelf: 1 },
  step: { module: 1 },
})

/** Shelves at a height of their own, as a list. */
const ownTopList = (p: PostRackParams, plan: PostRackPlan): ListChoice => ({
  path: 'ownTops',
  code: 'own-tops',
  items: p.ownTops.map((x) => ({ ...x })),
  fields: [
    { key: 'module', code: 'left-out-module', quantity: 'count', min: 1, max: LIMITS.modules },
    { key: 'shelf', code: 'left-out-shelf', quantity: 'count', min: 1, max: LIMITS.shelves },
    { key: 'topMm', code: 'own-top', quantity: 'length', min: TOP_MM[0], max: TOP_MM[1] },
  ],
  most: LIMITS.leftOut,
  fresh: { module: 1, shelf: 1, topMm: plan.tops[0] },
  step: { module: 1 },
})

function choices(p: PostRackParams, ctx: ShapeContext): Choice[] {
  const imperial = ctx.settings.yard === 'imperial'
  const sections = imperial ? ['2x3', '2x4', '2x6', '2x8'] : ['38x63mm', '38x89mm', '47x100mm', '47x150mm']
  const sheets = imperial
    ? ['ply-15/32', 'ply-19/32', 'ply-23/32', 'osb-7/16', 'osb-23/32', 'mdf-3/4', 'pb-3/4']
    : ['ply-12mm', 'ply-18mm', 'osb3-15mm', 'osb3-18mm', 'mdf-18mm', 'pb-18mm']
  const thin = imperial ? ['hb-1/4', 'ply-3/8', 'ply-15/32'] : ['hb-6mm', 'ply-9mm', 'ply-12mm']
  const covers: Choice = {
    options: [...thin, ...ctx.settings.ownSheets],
    of: 'sheet',
    ...{ path: 'coverSheet', code: 'cover-sheet', value: p.coverSheet },
  }
  const list: Choice[] = [
    { path: 'follow', code: 'follow', value: p.follow, options: ['goods', 'wall'], of: 'code' },
    { path: 'floorBay', code: 'floor-bay', value: p.floorBay, options: [true, false], of: 'code' },
    { path: 'railSection', code: 'rail-section', value: p.railSection, options: sections, of: 'section' },
    { path: 'postSection', code: 'post-section', value: p.postSection, options: sections.slice(0, 3), of: 'section' },
    { path: 'sheet', code: 'sheet', value: p.sheet, options: [...sheets, ...ctx.settings.ownSheets], of: 'sheet' },
    { path: 'panels', code: 'panels', value: p.panels, options: [...PANELS], of: 'code' },
    { path: 'topFrame', code: 'top-frame', value: p.topFrame, options: [...TOP_FRAME], of: 'code' },
    {
      path: 'railJoint',
      code: 'rail-joint',
      value: p.railJoint,
      options: ['screws', 'more-screws', 'bolts'],
      of: 'code',
    },
    { path: 'supports', code: 'supports', value: p.supports, options: [...SUPPORTS], of: 'code' },
    { path: 'crossJoint', code: 'cross-joint', value: p.crossJoint, options: ['two', 'three', 'four'], of: 'code' },
    { path: 'cover', code: 'cover', value: p.cover, options: ['none', 'panels'], of: 'code' },
    ...(p.cover === 'panels'
      ? [covers]
      : [
          { path: 'brace', code: 'brace', value: p.brace, options: [true, false], of: 'code' as const },
          { path: 'tie', code: 'tie', value: p.tie, options: [true, false], of: 'code' as const },
        ]),
    { path: 'ends', code: 'ends', value: p.ends, options: ['open', 'braced'], of: 'code' },
    {
      path: 'front',
      code: 'front',
      value: p.front,
      options: ['open', 'doors', 'sliding', 'panel', 'curtain'],
      of: 'code',
    },
    { path: 'raise', code: 'raise', value: p.raise, options: ['tilt', 'in-place'], of: 'code' },
  ]
  if (p.sides === 'tied' || ctx.space.sides?.left || ctx.space.sides?.right)
    list.push({ path: 'sides', code: 'sides', value: p.sides, options: [...SIDES], of: 'code' })
  if (ctx.space.floor === 'slab')
    list.push({ path: 'feet', code: 'feet', value: p.feet, options: ['standing', 'pinned'], of: 'code' })
  return list
}
