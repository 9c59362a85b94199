import type { Project } from '../project/project.ts'
import type { Wishes } from '../project/wishes.ts'
import { planningRoom } from './plan-room.ts'
import type { Planning } from './planned.ts'

/** A search is ended by its time; it is bounded all the same. */
const MOST_ROUNDS = 2000

/**
 * A search for plans of a room that may be begun before anybody asks for one, as far as its first plan, and is gone on
 * with when somebody does.
 */
export class HeldPlanning {
  private readonly search: Generator<Planning, Planning>
  private last: IteratorResult<Planning, Planning> | null = null
  private begunMs: number

  /**
   * @param seconds it is searched for so long, from when it is asked for; then the best are proven
   * @param turn of several searches at once each begins with another aim, and draws otherwise
   */
  constructor(
    p: Project,
    wishes: Wishes,
    seconds: number,
    private readonly nowMs: () => number,
    turn = 0,
  ) {
    this.begunMs = nowMs()
    const shouldStop = (share: number) => nowMs() > this.begunMs + 1000 * seconds * share
    this.search = planningRoom(p, wishes, { seed: 1 + turn, turn, rounds: MOST_ROUNDS, shouldStop })
  }

  /** Goes on until there is a whole plan, and waits there; a step at a time, for somebody may ask in between. */
  *toFirst(): Generator<void> {
    const isBegun = () =>
      this.last && (this.last.done || (this.last.value.plans.length && this.last.value.doing !== 'growing'))
    for (; !isBegun(); yield) this.last = this.search.next()
  }

  /** What was found so far, and what comes after it. */
  *goOn(): Generator<Planning, Planning> {
    this.begunMs = this.nowMs()
    for (this.last ??= this.search.next(); !this.last.done; this.last = this.search.next()) yield this.last.value
    return this.last.value
  }
}
