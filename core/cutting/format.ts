import { z } from '../measure/schema.ts'

/*
 * Instances and plans as they are exchanged. Lengths are whole numbers of the instance's own unit, prices whole minor
 * units. k pieces fit a board when Σ length + (k − 1)·kerf ≤ length − trimStart − trimEnd.
 */

const whole = z.int().min(0)
const positive = z.int().min(1)
/** Prices up to this are reckoned with exactly, minor units: ten million of a currency. */
const MOST_PRICE = 1e9
/** More kinds of stock than this no yard sells. */
const MOST_KINDS = 1000
const price = whole.max(MOST_PRICE)
const available = whole.nullable()

/** Ids name things in the plan, so each may stand once. */
const once = (
  list: readonly { id: string }[],
  path: string,
  c: { addIssue(i: { code: 'custom'; path: (string | number)[]; message: string }): void },
) => {
  const seen = new Set<string>()
  list.forEach(({ id }, i) => {
    if (seen.has(id))
      c.addIssue({ code: 'custom', path: [path, i, 'id'], message: `"${id}" is given twice; every id may stand once` })
    seen.add(id)
  })
}

export const cut1dInstance = z
  .object({
    format: z.literal('cut1d-instance'),
    version: z.literal(1),
    name: z.string(),
    unit: z.string(),
    kerf: whole,
    trimStart: whole,
    trimEnd: whole,
    parts: z.array(z.object({ id: z.string(), length: positive, qty: positive })),
    stock: z.array(z.object({ id: z.string(), length: positive, price, available, offcut: z.boolean() })),
  })
  .superRefine((x, c) => (['parts', 'stock'] as const).forEach((k) => once(x[k], k, c)))
export type Cut1dInstance = z.infer<typeof cut1dInstance>

const claim = z.object({ cost: whole, lowerBound: whole, proved: z.boolean() })
export const cut1dPlan = z.object({
  format: z.literal('cut1d-plan'),
  version: z.literal(1),
  instance: z.string(),
  boards: z.array(z.object({ stock: z.string(), count: positive, cuts: z.array(z.string()) })),
  claim,
})
export type Cut1dPlan = z.infer<typeof cut1dPlan>

export const cut2dInstance = z
  .object({
    format: z.literal('cut2d-instance'),
    version: z.literal(1),
    name: z.string(),
    unit: z.string(),
    kerf: whole,
    trim: whole,
    /**
     * How often the way of cutting may change, trimming of the sheet's edges not counted, nor the last cut that takes a
     * piece to size where it lies alone.
     */
    maxStages: positive.nullable(),
    /** x and w run with the sheet's grain; `rotate` false keeps a part's grain. */
    parts: z.array(z.object({ id: z.string(), w: positive, h: positive, qty: positive, rotate: z.boolean() })),
    stock: z.array(z.object({ id: z.string(), w: positive, h: positive, price, available, offcut: z.boolean() })),
  })
  .superRefine((x, c) => (['parts', 'stock'] as const).forEach((k) => once(x[k], k, c)))
export type Cut2dInstance = z.infer<typeof cut2dInstance>

export const cut2dPlan = z.object({
  format: z.literal('cut2d-plan'),
  version: z.literal(1),
  instance: z.string(),
  sheets: z.array(
    z.object({
      stock: z.string(),
      count: positive,
      placements: z.array(z.object({ part: z.string(), x: whole, y: whole, rotated: z.boolean() })),
    }),
  ),
  claim,
})
export type Cut2dPlan = z.infer<typeof cut2dPlan>

/** Why no plan can be made. */
export interface CannotCut {
  code:
    | 'piece-longer-than-stock'
    | 'piece-larger-than-stock'
    /** Proven: no plan is possible. */
    | 'not-enough-stock'
    /** No plan was found; that proves nothing. */
    | 'none-found'
    | 'too-many-pieces'
    | 'no-stock'
  part?: string
  data: Record<string, number>
}
export type CutResult<P> = { ok: true; plan: P } | { ok: false; why: CannotCut }

/** How a planner is run: it stops when told to and reports every better plan. */
export interface CutControl<P> {
  shouldStop?(): boolean
  onBetter?(plan: P): void
  /**
   * Seconds until it will be told to stop, where somebody knows: a solver that cannot be interrupted is not begun
   * shortly before.
   */
  secondsLeft?(): number
}
/** Seconds a first plan may take longer than it was given before even that is given up. */
const GRACE_SECONDS = 1
export const isOverdue = (c: Pick<CutControl<never>, 'secondsLeft'>): boolean =>
  (c.secondsLeft?.() ?? 0) < -GRACE_SECONDS
export type Planner<I, P> = (instance: I, control?: CutControl<P>) => CutResult<P>

/** More pieces than anyone cuts for one project; asked for more, the planners say so at once. */
export const MOST_PIECES = 20_000

/** Longer lists are refused before they are read through. */
const MOST_LISTED: [field: 'parts' | 'stock', most: number, what: string][] = [
  ['parts', MOST_PIECES, 'kinds of pieces'],
  ['stock', MOST_KINDS, 'kinds of stock'],
]
/** Faults of a file that are told, one after the other. */
const MOST_TOLD = 8

/**
 * Reads either kind of instance from the text of a file.
 * @returns the instance, or what is wrong with it, line by line
 */
export function readInstance(
  text: string,
): { ok: true; instance: Cut1dInstance | Cut2dInstance } | { ok: false; faults: string[] } {
  const wrong = (...faults: string[]) => ({ ok: false as const, faults })
  let raw: unknown
  try {
    // A mark of the order of bytes at the beginning is no part of the text.
    raw = JSON.parse(text.replace(/^\uFEFF/, ''))
  } catch (e) {
    return wrong(e instanceof Error ? e.message : 'cannot be read')
  }
  const given = (typeof raw === 'object' && raw !== null ? raw : {}) as Record<string, unknown>
  const schema =
    given.format === 'cut1d-instance' ? cut1dInstance : given.format === 'cut2d-instance' ? cut2dInstance : null
  if (!schema)
    return wrong(
      `format: "cut1d-instance" or "cut2d-instance" is wanted, the file has ${JSON.stringify(given.format) ?? 'nothing'}`,
    )
  for (const [field, most, what] of MOST_LISTED) {
    const list = given[field]
    if (Array.isArray(list) && list.length > most)
      return wrong(`${field}: ${list.length} are given; at most ${most} ${what} are planned for`)
  }
  const read = schema.safeParse(raw)
  return read.success
    ? { ok: true, instance: read.data }
    : wrong(...read.error.issues.slice(0, MOST_TOLD).map((i) => `${i.path.join('.')}: ${i.message}`))
}
