import { wantsCover } from '../goods/care.ts'
import { sideways } from '../goods/sideways.ts'
import type { z } from 'zod'
import type { Assembly } from '../assembly/assembly.ts'
import { NotBuildable } from '../assembly/draft.ts'
import type { Settings } from '../assembly/settings.ts'
import type { Goods } from '../goods/goods.ts'
import { bad, type Result } from '../measure/result.ts'
import type { Rounded } from '../measure/rounding.ts'
import type { FloorFall, FreeSpace, Joists } from '../room/room.ts'
import type { Step } from '../steps/step.ts'
import type { Way } from '../goods/ways.ts'
import { valueAt } from './params.ts'
import { stripped } from './strips.ts'

/** What a family shapes to: the goods this build is to hold, the space, and what a yard sells. */
export interface ShapeContext {
  goods: { item: Goods; count: number }[]
  space: FreeSpace
  settings: Settings
  /** Lengths a board is sold in, mm, and what each costs, minor units. */
  boards(section: string, treated: boolean): { lengthMm: number; minor: number }[]
  /**
   * Fall of the floor under a footprint of this size where the build stands; absent where the floor is level or not
   * measured.
   */
  fallUnder?(wideMm: number, deepMm: number): FloorFall
  /** Joists over a build of this size that is turned; absent where it is not: then those of the space are over it. */
  joistsUnder?(wideMm: number, deepMm: number): Joists | null
}

/** One term of why a dimension has its value: `times` × `mm`, taken off when negative. */
export interface Term {
  name: string
  mm: number
  times?: number
}

export interface Reason {
  code: string
  terms: Term[]
  data?: Record<string, number | string>
  rounded?: Rounded
}

/** A dimension of a build: tacked (worked out, following) or fixed (set by the person, never moved). */
export interface Dim {
  /** Where it lives in the parameters: `pitchMm.2`. */
  path: string
  code: string
  data?: Record<string, number>
  quantity: 'length' | 'count'
  value: number
  tacked: boolean
  /** What it would be if it were tacked. */
  tackedValue: number
  min: number
  max: number
  why: Reason
  /** Parts that move with it on the drawing, along which axis, and how the value grows with it (+1 or -1). */
  drag?: { axis: 'x' | 'z'; parts: string[]; sign: 1 | -1 }
}

/** A choice that is not a measure. */
export interface Choice {
  path: string
  code: string
  value: string | number | boolean
  options: (string | number | boolean)[]
  /** Options are catalogue ids of this kind, or codes of the family's wording. */
  of: 'section' | 'sheet' | 'code'
  /** Ways to build it that are worth laying side by side, though they are no stock. */
  compared?: boolean
}

/** A field of the things in a list: a measure, a count or a choice. */
export type ListField = { key: string; code: string } & (
  | { quantity: 'length' | 'count' | 'mass'; min: number; max: number }
  | {
      options: readonly string[]
      /** Of options that are things of the person, by their ids. */ names?: Record<string, string>
    }
)

/** A list among the parameters that a person adds to, takes from, orders and repeats. */
export interface ListChoice {
  path: string
  code: string
  items: readonly Record<string, number | string>[]
  fields: readonly ListField[]
  most: number
  /** What a new thing in it begins as, and how far from it the next one like it is put. */
  fresh: Record<string, number | string>
  step: Record<string, number>
}

/** Choices that are usually made together: which of the sets is chosen now is read from the choices. */
export interface Preset {
  code: string
  options: Readonly<Record<string, Readonly<Record<string, string | number | boolean>>>>
}
/** The option whose choices all stand as it sets them; null where none does. */
export const chosenOf = (p: Preset, params: unknown): string | null =>
  Object.keys(p.options).find((o) => Object.entries(p.options[o]).every(([path, v]) => valueAt(params, path) === v)) ??
  null

export interface Shaped {
  assembly: Assembly
  dims: Dim[]
  choices: Choice[]
  presets?: Preset[]
  lists?: ListChoice[]
  /** Goods meant for this build that found no place. */
  unhoused: { goodsId: string; count: number; why: string }[]
}

/** A change that makes a build stronger, lighter, cheaper or fitting. */
export interface Lever<P> {
  code: string
  data?: Record<string, number | string>
  params: P
}

export interface Family<P> {
  id: string
  /**
   * Hangs on the wall or from the ceiling: what stands below takes none of its length, nor it of theirs. A function where
   * that depends on its parameters.
   */
  hangs: boolean | ((params: P) => boolean)
  /** Where it hangs, on the wall unless it says otherwise: only what hangs there too takes of its length. */
  hangsFrom?: readonly ('wall' | 'ceiling')[]
  /** The dimension that says how high all of it hangs, where there is one: with that it is put over what stands below. */
  hangsAt?: string
  /** Things stand on its shelves: what is deeper than there is room stands there with its long side along the wall. */
  turnsGoods?: true
  /** How it is first set: quarter turns of a build; straight along its wall unless it says otherwise. */
  turn?: 1 | 2 | 3
  /** In a plan of a whole room only for what has no place otherwise: it takes of the wall what others use better. */
  lastResort?: true
  /** False where it is a build without goods too. */
  needsGoods?: boolean
  schema: z.ZodType<P>
  /** One step for each older form of the parameters, the first from the first: their version is one more. */
  upgrades?: readonly ((raw: Raw) => Raw)[]
  /** Parameters all tacked, chosen for these goods and this space. */
  start(ctx: ShapeContext): P
  shape(params: P, ctx: ShapeContext): Result<Shaped>
  levers(params: P, ctx: ShapeContext): Lever<P>[]
  /** The reverse: changes that make it lighter or cheaper, where it is stronger than it need be. */
  savers(params: P, ctx: ShapeContext): Lever<P>[]
  steps(params: P, shaped: Shaped): Step[]
  /** How it would keep a thing, and how well that suits the thing; null where it is nothing for it. */
  suits(g: Goods): Way | null
  /** Different ways to hold the goods, best guess first; none when this family cannot take them. */
  propose(ctx: ShapeContext): P[]
  /** Small complete cases for tests and the documentation. */
  examples(): { name: string; params: P; context: ShapeContext }[]
}

/** Parameters as they are stored. */
export type Raw = Record<string, unknown>

/** A family whose parameters are only known to itself. */
export interface AnyFamily extends Omit<Family<unknown>, 'hangs' | 'needsGoods'> {
  version: number
  needsGoods: boolean
  hangs(params: unknown): boolean
  /** Parameters stored in an older form, in the present one. */
  upgrade(raw: Raw, from: number): Raw
}

/** Too little room for what is asked leaves pieces without a size, or apart: that is told, as all else that cannot be. */
function shapedOrWhyNot(shape: () => Result<Shaped>): Result<Shaped> {
  try {
    return shape()
  } catch (e) {
    if (!(e instanceof NotBuildable)) throw e
    if (e.problem) return { ok: false, problem: e.problem }
    return bad('not-buildable', { role: e.role, other: e.other ?? '' })
  }
}

/** Fronts that cover what is behind them, the cheapest first; who wants things behind doors is given no curtain. */
function frontsFor({ goods }: ShapeContext): readonly string[] {
  if (goods.some(({ item }) => item.keptAs === 'closed')) return ['doors']
  return goods.some(({ item }) => wantsCover(item)) ? ['curtain', 'doors'] : []
}

/** What is proposed open is closed where what goes in asks for that and the kind has such a front. */
function covered<P>(proposed: readonly P[], fronts: readonly string[], schema: Family<P>['schema']): P[] {
  return proposed.flatMap((p) => {
    if ((p as { front?: unknown }).front !== 'open') return [p]
    const closed = fronts.map((front) => ({ ...p, front })).filter((x) => schema.safeParse(x).success)
    return closed.length > 0 ? closed : [p]
  })
}

/** What shelves take of the depth there is for frames and backs, less what may stand out, mm. A post's thickness, about. Product decision. */
const TAKEN_MM = 25
/** Goods as they go onto shelves where there is no more room than this. */
function withTurned(ctx: ShapeContext): ShapeContext {
  const turned = ctx.goods.map((g) => ({ ...g, item: sideways(g.item, ctx.space.depthMm - TAKEN_MM) }))
  return turned.every((g, i) => g.item === ctx.goods[i].item) ? ctx : { ...ctx, goods: turned }
}

/** Hides a family's parameter type behind its schema: every entry parses first, and a bad parameter names its field. */
export function family<P>(f: Family<P>): AnyFamily {
  const parse = (raw: unknown): Result<P> => {
    const read = f.schema.safeParse(raw)
    if (read.success) return { ok: true, value: read.data }
    const issue = read.error.issues[0]
    return { ok: false, problem: { code: 'parameter', field: issue.path.join('.'), data: { issue: issue.message } } }
  }
  const must = (raw: unknown): P => {
    const read = parse(raw)
    if (!read.ok) throw new Error(`${f.id}: ${read.problem.field}: ${read.problem.data?.issue}`)
    return read.value
  }
  const asTheyStand = (ctx: ShapeContext): ShapeContext => (f.turnsGoods ? withTurned(ctx) : ctx)
  return {
    id: f.id,
    ...(f.turn ? { turn: f.turn } : {}),
    ...(f.hangsFrom ? { hangsFrom: f.hangsFrom } : {}),
    ...(f.hangsAt ? { hangsAt: f.hangsAt } : {}),
    ...(f.lastResort ? { lastResort: true } : {}),
    needsGoods: f.needsGoods ?? true,
    hangs: (raw) => {
      if (typeof f.hangs !== 'function') return f.hangs
      const read = parse(raw)
      return read.ok && f.hangs(read.value)
    },
    schema: f.schema,
    version: (f.upgrades?.length ?? 0) + 1,
    upgrade: (raw, from) => (f.upgrades ?? []).slice(from - 1).reduce((r, step) => step(r), raw),
    start: f.start,
    shape: (raw, ctx) => {
      const read = parse(raw)
      if (!read.ok) return read
      const shaped = shapedOrWhyNot(() => f.shape(read.value, asTheyStand(ctx)))
      return shaped.ok ? { ok: true, value: stripped(shaped.value) } : shaped
    },
    levers: (raw, ctx) => f.levers(must(raw), ctx),
    savers: (raw, ctx) => f.savers(must(raw), ctx),
    steps: (raw, shaped) => f.steps(must(raw), shaped),
    suits: f.suits,
    propose: (ctx) => covered(f.propose(ctx), frontsFor(ctx), f.schema),
    examples: f.examples,
  }
}
