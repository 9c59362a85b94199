import type { FeatureKind } from '../room/features.ts'

/** What a thing in the room is called, with its article where a sentence wants one. */
export const FEATURE_NAMES: Record<FeatureKind, { name: string; the: string }> = {
  door: { name: 'door', the: 'the door' },
  window: { name: 'window', the: 'the window' },
  'sectional-door': { name: 'garage door', the: 'the garage door' },
  outlet: { name: 'outlet', the: 'the outlet' },
  switch: { name: 'switch', the: 'the switch' },
  panel: { name: 'electrical panel', the: 'the electrical panel' },
  light: { name: 'light', the: 'the light' },
  'water-heater': { name: 'water heater', the: 'the water heater' },
  furnace: { name: 'furnace', the: 'the furnace' },
  'return-grille': { name: 'return-air grille', the: 'the return-air grille' },
  conduit: { name: 'conduit', the: 'the conduit' },
  pipe: { name: 'pipe', the: 'the pipe' },
  beam: { name: 'beam', the: 'the beam' },
  post: { name: 'post of the house', the: 'the post of the house' },
  steps: { name: 'steps', the: 'the steps' },
  walkway: { name: 'walkway', the: 'the walkway' },
  car: { name: 'parked car', the: 'the parked car' },
  bench: { name: 'bench', the: 'the bench' },
  blocking: { name: 'blocking in the wall', the: 'the blocking' },
  bolt: { name: 'bolt in the wall', the: 'the bolt' },
  'ceiling-blocking': { name: 'blocking over the ceiling', the: 'the blocking over the ceiling' },
  'ceiling-bolt': { name: 'bolt in the ceiling', the: 'the bolt in the ceiling' },
  other: { name: 'thing', the: 'what stands there' },
}

/** The caution that goes with a thing, said once where it is met. */
export const FEATURE_CAUTIONS: Partial<Record<FeatureKind, string>> = {
  'sectional-door': 'Never touch the springs or their cables: they hold the whole weight of the door.',
  panel: 'Its working space is kept by law in most places. Work inside it is for a licensed electrician.',
  outlet: 'Power off before anything is moved; wiring is for a licensed electrician.',
  switch: 'Power off before anything is moved; wiring is for a licensed electrician.',
  'water-heater': 'Nothing that burns or gives off fumes near a flame; the label on it and local code come first.',
  furnace: 'Nothing that burns or gives off fumes near a flame; the label on it and local code come first.',
  pipe: 'No screws into or beside it.',
  conduit: 'No screws into or beside it.',
  blocking: 'Say what it carries only if you know how it is fastened to the studs: ask locally.',
  bolt: 'Say what it carries only if you know what it is set in: ask its maker or whoever set it.',
  'ceiling-blocking': 'Say what it carries only if you know how it is fastened to the joists: ask locally.',
  'ceiling-bolt': 'Say what it carries only if you know what it is set in: ask its maker or whoever set it.',
}

/** `the outlet "by the bench"`. */
export function metName(kind: string, name: string): string {
  if (kind === 'wall') return name ? `"${name}"` : 'the wall'
  if (kind === 'build') return `"${name}"`
  const words = FEATURE_NAMES[kind as FeatureKind]
  return words ? `${words.the}${name ? ` "${name}"` : ''}` : `"${name}"`
}

/** Ways along a wall and off it. */
export const MOVE_WAYS: Record<string, string> = {
  left: 'to the left',
  right: 'to the right',
  out: 'out from the wall',
  back: 'back to the wall',
}
