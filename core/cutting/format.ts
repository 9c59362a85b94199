import { z } from '../measure/schema.ts'

/*
 * Instances and plans as they are exchanged. Lengths are whole numbers of the instance's own unit, prices whole minor
 * units. k pieces fit a board when Σ length + (k − 1)·kerf ≤ length − trimStart − trimEnd.
 */

const whole = z.int().min(0)
const positive = z.int().min(1)
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
    stock: z.array(z.object({ id: z.string(), length: positive, price: whole, available, offcut: z.boolean() })),
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
    stock: z.array(
      z.object({ id: z.string(), w: positive, h: positive, price: whole, available, offcut: z.boolean() }),
    ),
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
export type Planner<I, P> = (instance: I, control?: CutControl<P>) => CutResult<P>

/** More pieces than anyone cuts for one project; asked for more, the planners say so at once. */
export const MOST_PIECES = 20_000
