import type { NeverCode } from '../goods/ways.ts'
import type { WayCode } from '../goods/way-codes.ts'

/** How a thing is kept, and what that has for it. */
export const WAYS: Record<WayCode, string> = {
  'rim-rails': 'on rails, by its rim: each is drawn out without lifting another',
  'on-shelf': 'on a shelf',
  'under-shelf': 'on the floor with a shelf over it: too heavy to be lifted',
  'own-bay': 'on the floor in a bay of its own, under a shelf',
  'on-floor': 'on the floor in a marked place of its own',
  closed: 'behind doors, out of the dust',
  high: 'up high, where only what is light and seldom wanted belongs',
  'under-ceiling': 'under the ceiling, by its rim: it takes no floor',
  'own-holder': 'in a holder made to it, on a wall where it is seen and missed',
  'on-hook': 'on a hook of a pegboard: quick to move, for what is light',
  'on-arms': 'lying on arms along the wall, where it stays straight',
  'along-ceiling': 'lying across bearers under the ceiling, out of the way of all else',
  'below-arms': 'on edge, under the arms of a board rack',
  'in-well': 'in a well of a bench, its table level with the top',
  'under-bench': 'under a bench',
  'in-drawer': 'in a drawer, seen from above, nothing behind it',
  'in-slot': 'on edge in a slot, drawn out without moving another',
  'by-its-wheel': 'hung upright by a wheel: least of the wall, and more out from it; some makers forbid it',
  'by-its-bar': 'hung by its bar on a pair of arms, off the floor, none leaning on another',
  'in-store': 'upright on its long edge in a store, drawn out at the end',
}
export const NEVER: Record<NeverCode, string> = {
  'high-drum': 'on a shelf, above the knee',
  'flat-sheet': 'flat on a shelf: it sags, and buries what lies under it',
  'on-end': 'on end in a corner: it bows, and falls',
  'stood-up': 'upright on an open shelf: nothing holds it, and it falls',
  'heap-of-tools': 'in a tote with others: it is never found',
  'stacked-totes': 'in stacks of more than three: the lowest is never opened',
  behind: 'behind something else',
  leaning: 'leaning in a heap, where the hindmost is never taken',
}
