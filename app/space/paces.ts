/** How much of a picture is drawn: all of it, without hatching, without holes and grooves too, or without edges too. */
export type Much = 'all' | 'bare' | 'rough' | 'faces'
/** How a moving picture is drawn: at what share of the surface's size, and how much of it. */
export interface Pace {
  ratio: number
  much: Much
}
export const FULL: Pace = { ratio: 1, much: 'all' }

/** A frame may take this long to draw, ms: bringing it to the screen takes most of what two of a screen's own leave. */
export const FRAME_MS = 6

/**
 * From the best to the quickest: where a machine is too slow for everything, hatching is left out while one moves, then
 * holes and grooves, then pixels are larger, then edges are left out.
 */
export const PACES: readonly Pace[] = [
  FULL,
  { ratio: 1, much: 'bare' },
  ...[1, 0.8, 0.6, 0.45].map((ratio): Pace => ({ ratio, much: 'rough' })),
  ...[0.45, 0.33].map((ratio): Pace => ({ ratio, much: 'faces' })),
]

/** Frames come further apart than this: too slow; nearer than that: there is time for more, ms. */
const SLOW_MS = 30
const QUICK_MS = 19
/** Frames come this far apart: the next pace would not do either, ms. */
const FAR_TOO_SLOW_MS = 45
/** Two frames further apart than this are two movements, ms. */
const APART_MS = 250
/** So many frames in a row tell that a pace is too slow; so many that a better one may do. */
const SLOW_FRAMES = 2
const QUICK_FRAMES = 90

/**
 * Watches how frames of a moving picture really follow each other, everything else the machine does included, and goes
 * to a quicker pace at once, to a better one after a while. A pace that was too slow is not gone back to.
 */
export class PaceKeeper {
  private at = 0
  private best = 0
  private last: number | null = null
  private slow = 0
  private quick = 0

  get pace(): Pace {
    return PACES[this.at]
  }
  /** Begins anew with what a trial found. */
  set(pace: Pace): void {
    this.at = Math.max(0, PACES.indexOf(pace))
    this.best = 0
    this.rests()
  }
  /** The next frame is no longer of this movement. */
  rests(): void {
    this.last = null
    this.slow = this.quick = 0
  }
  /** A frame of a moving picture was drawn at this time, ms. */
  drawn(now: number): void {
    const ms = this.last === null ? null : now - this.last
    this.last = now
    if (ms === null || ms > APART_MS) return
    this.slow = ms > SLOW_MS ? this.slow + 1 : 0
    this.quick = ms < QUICK_MS ? this.quick + 1 : 0
    if (this.slow >= SLOW_FRAMES && this.at < PACES.length - 1) {
      this.at = Math.min(PACES.length - 1, this.at + (ms > FAR_TOO_SLOW_MS ? 2 : 1))
      this.best = this.at
      this.slow = this.quick = 0
    } else if (this.quick >= QUICK_FRAMES && this.at > this.best) {
      this.at--
      this.slow = this.quick = 0
    }
  }
}
