import type { Draft } from '../../assembly/draft.ts'
import { cleatedShelf } from '../../blocks/carcass/cleated-shelf.ts'
import { housedShelf } from '../../blocks/carcass/shelf-between.ts'
import {
  closeBack,
  coverUprights,
  NAILER,
  standUprights,
  tieNailers,
  uprightId,
  type StandingBox,
} from '../../blocks/carcass/standing.ts'
import { slidingFront } from '../../blocks/fronts/front.ts'
import { panelsInside, tracksInside, type SlidingBox } from '../../blocks/fronts/sliding.ts'
import { closeFront, overSheets, stretch } from '../../blocks/fronts/standing.ts'
import { standsOn } from '../../goods/goods.ts'
import { good, type Result } from '../../measure/result.ts'
import { BOX_SHEETS, choicePen, GROOVE_SHEETS } from '../choices.ts'
import type { Choice, ShapeContext, Shaped } from '../family.ts'
import { opened } from '../opened.ts'
import { MADE, type SlotRackParams } from './parameters.ts'
import { BLOCK, dividersOf, outShare, planOut, type Bin, type Plan, type Slot } from './plan-out.ts'

/*
 *   =================   top
 *   | | | | | | | | |   low bin: dividers in grooves of the decks under and over them
 *   |===============|
 *   |   |   |   |   |   high bin
 *   |   |   |   |   |
 *   |===============|   lowest deck, at a height nobody kneels for
 *   |               |
 */
export function shapeSlotRack(p: SlotRackParams, ctx: ShapeContext): Result<Shaped> {
  const begun = opened(p, ctx, planOut, false)
  if (!begun.ok) return begun
  const { d, pen, plan, unhoused } = begun.value
  const t = plan.box.thicknessMm
  const box: StandingBox = {
    openings: plan.openings,
    thicknessMm: t,
    backMm: plan.back.thicknessMm,
    deepMm: plan.deepMm,
    highMm: plan.highMm - t,
  }
  standUprights(d, box, p.sheet, ctx.space.floorFall)
  decks(d, plan, box, ctx)
  closeBack(d, box, plan.back)
  coverUprights(d, box, plan.box)
  const system = ctx.settings.yard
  if (plan.tied) {
    const tie = { section: NAILER[system], grade: ctx.settings.grade, topMm: box.highMm }
    tieNailers(d, box, tie, { space: ctx.space, system })
  }
  const dividers: string[] = []
  plan.bins.forEach((bin, i) =>
    bin.columns.forEach((slots, k) => {
      dividers.push(...partition(d, plan, box, { bin, slots, i, k }))
      bays(d, p, plan, box, { slots, i, k })
    }),
  )
  const sliding = p.front === 'sliding' ? slidingIn(plan, box, ctx) : null
  subs(d, p, dividers)
  if (dividers.length > 0)
    d.sub({ id: 'dividers', name: 'sheets', parts: dividers, built: 'in-place', tags: { use: 'partitions' } })
  if (sliding) {
    d.sub({ id: 'tracks', name: 'unit', parts: tracksInside(d, sliding), built: 'in-place' })
    panelsInside(d, sliding)
  } else front(d, p, plan, box)
  return good({ assembly: d.assembly, dims: pen.dims, choices: choices(p, ctx), unhoused })
}

/** All that stands is one piece; knocked down each upright with its blocks is, and every deck by itself. */
function subs(d: Draft, p: SlotRackParams, dividers: readonly string[]) {
  const rest = d.assembly.parts.filter((x) => !dividers.includes(x.id)).map((x) => x.id)
  if (p.made === 'for-good') return d.sub({ id: 'unit', name: 'unit', parts: rest, built: 'flat' })
  const sides = rest.filter((id) => id.startsWith('upright-'))
  const ofSide = (id: string) => [
    id,
    ...d.assembly.joints.filter((j) => j.near === id && isBlock(j.far)).map((j) => j.far),
  ]
  for (const id of sides)
    d.sub({ id: `side-${id}`, name: 'unit', parts: ofSide(id), built: 'flat', tags: { pack: 'flat' } })
  const loose = rest.filter((id) => !sides.includes(id) && !isBlock(id))
  d.sub({ id: 'between', name: 'sheets', parts: loose, built: 'in-place' })
}
const isBlock = (id: string) => id.startsWith('block-')

/** Panels that slide past each other between the lowest deck and the top, two in each column. */
const slidingIn = (plan: Plan, box: StandingBox, { settings: { yard, grade } }: ShapeContext): SlidingBox => ({
  openings: plan.openings.map((o, k) => ({ ...o, id: `${k}`, below: `deck-${k}-0`, above: 'top' })),
  ...{
    yard,
    grade,
    frontMm: box.backMm + plan.deepMm,
    uprights: [...plan.openings, null].map((_o, k) => uprightId(k)),
  },
})

/** What keeps dust off: from the lowest deck up. */
function front(d: Draft, p: SlotRackParams, plan: Plan, box: StandingBox) {
  const { thicknessMm: t } = plan.box
  const sides = [...plan.openings, null].map((_o, k) => uprightId(k))
  closeFront(d, {
    front: p.front,
    sheet: plan.box,
    closed: overSheets(plan.openings, sides, t, () => null),
    ...{ uprights: sides, railed: sides },
    frontMm: box.backMm + plan.deepMm,
    headMm: box.highMm,
    ...{ underMm: plan.decks[0] - t, footMm: plan.decks[0] - t },
    panelsMm: plan.decks.flatMap((z) => stretch(z - t / 2 - (plan.block?.widthMm ?? 0), z - t / 2)),
  })
}

function decks(d: Draft, plan: Plan, box: StandingBox, { settings: { yard, grade } }: ShapeContext) {
  plan.decks.forEach((topMm, i) => {
    plan.openings.forEach((o, k) => {
      const deck = {
        ...{ id: `deck-${k}-${i}`, sheet: plan.box, ...o, fromMm: box.backMm, topMm },
        // Panels that slide pass what is over the lowest.
        deepMm: plan.deepMm - (i > 0 ? plan.insideMm : 0),
      }
      const { block } = plan
      if (!block)
        return housedShelf(d, {
          ...{ ...deck, role: 'shelf', dadoMm: plan.dadoMm, footMm: 0 },
          uprights: [uprightId(k), uprightId(k + 1)],
        })
      cleatedShelf(d, {
        ...{ ...deck, cleat: block, cleatMm: plan.deepMm - plan.insideMm },
        // Past the block that is already on the other face.
        ends: [
          { upright: uprightId(k), id: `block-left-${k}-${i}`, beforeMm: k > 0 ? block.thicknessMm : 0 },
          { upright: uprightId(k + 1), id: `block-right-${k}-${i}`, beforeMm: 0 },
        ],
        stock: { kind: 'board', section: BLOCK[yard], grade, treated: false },
      })
    })
    d.mark(
      topMm,
      'shelf-top',
      i + 1,
      plan.openings.map((_o, k) => `deck-${k}-${i}`),
    )
  })
}

interface At {
  slots: readonly Slot[]
  i: number
  k: number
}

/** Room of a divider in its groove, mm. */
const IN_GROOVE_MM = 0.5

/** Under the tie, what stands in the highest bin ends before it. */
const behindTie = (d: Draft, plan: Plan, i: number): number =>
  plan.tied && i === plan.bins.length - 1 ? d.part('tie-0').size.thicknessMm : 0

/** Dividers of one column of a bin, and the grooves they stand in and are held by. */
function partition(d: Draft, plan: Plan, box: StandingBox, a: At & { bin: Bin }): string[] {
  const o = plan.openings[a.k]
  const under = `deck-${a.k}-${a.i}`
  const over = a.i + 1 < plan.decks.length ? `deck-${a.k}-${a.i + 1}` : 'top'
  const [fromZ, toZ] = [plan.decks[a.i], d.box(over).min[2]]
  const { thicknessMm } = plan.divider
  const backMm = box.backMm + behindTie(d, plan, a.i)
  return dividersOf(a.slots, plan.clearMm - (plan.block?.thicknessMm ?? 0), thicknessMm).map((atMm, n) => {
    const id = `divider-${a.k}-${a.i}-${n}`
    const x = o.left + atMm
    d.square({
      id,
      role: 'divider',
      stock: { kind: 'sheet', sheet: plan.divider.id },
      min: [x, backMm, fromZ - plan.grooveMm],
      size: [thicknessMm, box.backMm + plan.deepMm - plan.insideMm - backMm, toZ - fromZ + 2 * plan.grooveMm],
      along: 'y',
      across: 'z',
      grain: 'any',
    })
    for (const deck of [under, over]) {
      d.machine(deck, {
        kind: 'dado',
        face: deck === under ? 'over' : 'under',
        atMm: x - IN_GROOVE_MM / 2 - d.box(deck).min[0],
        offMm: 0,
        widthMm: thicknessMm + IN_GROOVE_MM,
        depthMm: plan.grooveMm,
        stopped: false,
      })
      const joint = d.joint({ kind: 'housed', near: deck, far: id, fasteners: [] })
      if (deck === under) d.rest(id, under, 'bearing', joint)
    }
    return id
  })
}

function bays(d: Draft, p: SlotRackParams, plan: Plan, box: StandingBox, { slots, i, k }: At) {
  const o = plan.openings[k]
  const deck = plan.decks[i]
  const headMm = i + 1 < plan.decks.length ? plan.decks[i + 1] - plan.box.thicknessMm : box.highMm
  const backMm = box.backMm + behindTie(d, plan, i)
  const frontMm = box.backMm + plan.deepMm - plan.insideMm
  slots.forEach((s, n) => {
    const left = o.left + s.leftMm
    let x = left
    const items = s.things.map((it) => {
      const from = x
      x += it.thickMm
      return {
        goodsId: it.item.id,
        massKg: it.item.massKg,
        stands: standsOn(it.item.kind),
        box: {
          min: [from, backMm, deck] as [number, number, number],
          max: [x, backMm + it.deepMm, deck + it.tallMm] as [number, number, number],
        },
      }
    })
    d.bay({
      id: `bay-${k}-${i}-${n}`,
      name: { code: 'slot', column: k + 1, row: i + 1 },
      holds: 'slot',
      clear: { min: [left, backMm, deck], max: [left + s.wideMm, frontMm, headMm] },
      carriers: [`deck-${k}-${i}`],
      items,
      play: { sideMm: 0, aboveMm: 0, deepMm: 0 },
      stickOutMm: outShare(p) * Math.max(plan.deepMm - plan.insideMm, ...s.things.map((it) => it.deepMm)),
      exit: [0, 1, 0],
    })
  })
}

function choices(p: SlotRackParams, ctx: ShapeContext): Choice[] {
  const { yard } = ctx.settings
  const { sheet, coded } = choicePen(p)
  return [
    sheet('sheet', 'slots-sheet', [...BOX_SHEETS[yard], ...ctx.settings.ownSheets]),
    sheet('dividerSheet', 'slots-divider', [...GROOVE_SHEETS[yard], ...ctx.settings.ownSheets]),
    coded('made', 'slots-made', MADE),
    coded('front', 'front', slidingFront.options),
    coded('tie', 'tie', [true, false]),
  ]
}
