import type { Assembly, Part } from '../assembly/assembly.ts'
import type { PartBoxes } from '../assembly/part-box.ts'
import type { Alike } from '../assembly/identical.ts'
import type { Settings } from '../assembly/settings.ts'
import type { Shaped } from '../families/family.ts'
import type { Goods } from '../goods/goods.ts'
import type { LoadPath } from '../loads/load-path.ts'
import type { Conditions, DesignMethod } from '../mechanics/methods/method.ts'
import type { JointRooms } from './joint-room.ts'
import type { FreeSpace } from '../room/room.ts'

/** Holds, fails, does not apply, could not be computed: four different answers. */
export type CheckState = 'holds' | 'fails' | 'not-applicable' | 'unknown'

export type Quantity =
  | 'length'
  | 'sag'
  | 'force'
  | 'mass'
  | 'stress'
  | 'moment'
  | 'moment-per-width'
  | 'ratio'
  | 'count'
  | 'stiffness'
  | 'area'
  | 'second-moment'

/** One value of a working, beside where it comes from. */
export interface Input {
  symbol: string
  value: number
  quantity: Quantity
  source?: string
}

export interface Working {
  formula: string
  inputs: Input[]
  source: string
}

/** Which links of the chain from goods to ground a check belongs to. */
export type Link = 'goods' | 'shelf' | 'rail' | 'post' | 'ground' | 'whole' | 'room' | 'handling'

export interface CheckResult {
  /** Stable while the build keeps its shape: check and subject. */
  id: string
  check: string
  link: Link
  /** The words are made from it in `wording/checks.ts`. */
  code: string
  data: Record<string, number | string>
  state: CheckState
  /** What is asked and what can be given, in `quantity`; null where it is yes or no, or could not be computed. */
  demand: number | null
  capacity: number | null
  ratio: number | null
  quantity: Quantity
  /** Parts, or bays, it is about: the worst one first. */
  parts: string[]
  bays: string[]
  /** Parts, supports, joints and anchors it has judged beside those it is about. */
  covers: string[]
  working: Working | null
}

/** Everything a check may ask for; each declares what it reads and gets only that. */
export interface CheckContext {
  assembly: Assembly
  /** The same with its goods where they are in this arrangement, and what opens open where it is. */
  arranged: Assembly
  parts: ReadonlyMap<string, Part>
  boxes: PartBoxes
  alike: Alike[]
  /** Weights as they are, and weights times the method's factors. */
  service: LoadPath
  design: LoadPath
  settings: Omit<Settings, 'duration'> & Conditions
  method: DesignMethod
  /** Room of every joint for its fasteners. */
  rooms: JointRooms
  space: FreeSpace
  goods: ReadonlyMap<string, Goods>
  unhoused: Shaped['unhoused']
}

export interface Check<K extends keyof CheckContext> {
  id: string
  reads: readonly K[]
  /**
   * It only asks how much passes through each support, or weighs in all: the most of all arrangements answers it in one
   * run.
   */
  asksForTheMost?: boolean
  /** It asks for what stands there for years: people who come and go are none of it. */
  lasting?: boolean
  run(c: Pick<CheckContext, K>): CheckResult[]
}

export interface AnyCheck {
  id: string
  asksForTheMost?: boolean
  lasting?: boolean
  reads: readonly (keyof CheckContext)[]
  run(c: CheckContext): CheckResult[]
}

/** Ties a check to what it reads: its types let it ask for nothing else. */
export const defineCheck = <K extends keyof CheckContext>(c: Check<K>): AnyCheck => ({
  id: c.id,
  asksForTheMost: c.asksForTheMost ?? false,
  lasting: c.lasting ?? false,
  reads: c.reads,
  run: c.run,
})

/** Demand over capacity may pass 1 by this much: rounding of sizes to a tape's fraction, nothing else. */
const SLACK = 1e-6

type Given = Pick<CheckResult, 'check' | 'link' | 'code' | 'quantity'> & Partial<CheckResult> & { subject: string }

/** A result from a demand and a capacity: it holds when demand is no more than capacity. */
export function measured(r: Given & { demand: number; capacity: number }): CheckResult {
  const ratio = r.capacity > 0 ? r.demand / r.capacity : r.demand > 0 ? null : 0
  const holds = r.capacity > 0 ? ratio! <= 1 + SLACK : r.demand <= 0
  return result(r, holds ? 'holds' : 'fails', r.demand, r.capacity, ratio)
}

/** A result that is not a number: yes, no, does not apply, or could not be computed. */
export const plain = (r: Given & { state: CheckState }): CheckResult =>
  result(r, r.state, r.demand ?? null, r.capacity ?? null, r.ratio ?? null)

/** All in one order: thousands of them are read again and again. */
const result = (
  r: Given,
  state: CheckState,
  demand: number | null,
  capacity: number | null,
  ratio: number | null,
): CheckResult => ({
  id: `${r.check}:${r.subject}`,
  check: r.check,
  link: r.link,
  code: r.code,
  data: r.data ?? {},
  state,
  demand,
  capacity,
  ratio,
  quantity: r.quantity,
  parts: r.parts ?? [],
  bays: r.bays ?? [],
  covers: r.covers ?? [],
  working: r.working ?? null,
})

/** What could not be made because somebody has not weighed something of it yet; by the name of that. */
export const notWeighed = (
  r: Omit<Given, 'code'>,
  goodsId: string | undefined,
  goods: ReadonlyMap<string, Pick<Goods, 'name'>>,
): CheckResult =>
  plain({
    ...r,
    code: 'unknown-not-weighed',
    state: 'unknown',
    data: { ...r.data, goods: (goodsId === undefined ? undefined : goods.get(goodsId)?.name) ?? '' },
  })
