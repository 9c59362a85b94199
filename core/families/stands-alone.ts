import { z } from '../measure/schema.ts'
import type { UnitSystem } from '../measure/units.ts'
import type { FreeSpace } from '../room/room.ts'
import type { LeverPen } from './levers.ts'

/*
 * How a rack stands where nothing behind it can hold it: by diagonals over its ends, and feet held down to the slab.
 */

/** Diagonals over both ends keep a rack from folding front to back where nothing behind it can. */
export const ends = z.enum(['open', 'braced'])
/** Feet that only stand, or are held down to the slab. */
export const feet = z.enum(['standing', 'pinned'])

interface StandsAlone {
  tie: boolean
  ends: z.infer<typeof ends>
  feet: z.infer<typeof feet>
}

/** Boards of diagonals that nothing helps: stiff enough to be pressed as well. */
const PRESSED: Record<UnitSystem, string> = { imperial: '2x4', metric: '38x89mm' }

/** Tied where the wall holds a tie; else closed at its ends, and held down where the floor takes an anchor. */
export const tiedOrAlone = (
  system: UnitSystem,
  canTie: boolean,
  canPin: boolean,
): StandsAlone & { backSection?: string } => ({
  ...(canTie ? {} : { backSection: PRESSED[system] }),
  tie: canTie,
  ends: canTie ? 'open' : 'braced',
  feet: !canTie && canPin ? 'pinned' : 'standing',
})

/** Ties, diagonals over the ends, feet held down: what is not there yet. */
export function standingLevers<P extends StandsAlone>(p: P, { add }: Pick<LeverPen<P>, 'add'>): void {
  const change = (x: Partial<StandsAlone>) => x as Partial<P>
  if (!p.tie) add('add-tie', change({ tie: true }))
  if (p.ends === 'open') add('brace-ends', change({ ends: 'braced' }))
  if (p.feet === 'standing') add('pin-feet', change({ feet: 'pinned' }))
  if (p.ends === 'open' && p.feet === 'standing') add('brace-and-pin', change({ ends: 'braced', feet: 'pinned' }))
}

/** Rows of feet that are held down: the rear ones, and the front ones too where nothing is behind it. */
export const rowsHeld = (space: Pick<FreeSpace, 'away'>): ('rear' | 'front')[] =>
  space.away ? ['rear', 'front'] : ['rear']
