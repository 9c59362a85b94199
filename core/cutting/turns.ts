/** Steps of the search between two rounds of the bound. */
const EVERY = { rough: 12, fine: 60 }

/**
 * Whose turn it is where a bound and a search go on beside each other: the bound's after so many steps of the search. A round
 * of a fine bound takes as long as hundreds of these; so from its first whole answer on (until then the search has use of
 * every round) the bound rests after each for as long as it took, where there is a clock.
 */
export class Turns {
  private every = EVERY.rough
  private even = false
  private restsUntil = Infinity

  /** @param secondsLeft Infinity where nobody measures time */
  constructor(private readonly secondsLeft: () => number) {}

  isOfBound(step: number): boolean {
    return step % this.every === 0 && !(this.secondsLeft() > this.restsUntil)
  }
  /** A round of the bound, by which it is known how long the next waits. */
  bound<T extends { value: { fine: boolean; settled?: boolean } | void }>(round: () => T): T {
    const begun = this.secondsLeft()
    const done = round()
    const now = this.secondsLeft()
    if (done.value) {
      this.every = done.value.fine ? EVERY.fine : EVERY.rough
      this.even ||= done.value.settled ?? false
    }
    if (this.even) this.restsUntil = now - (begun - now)
    return done
  }
}
