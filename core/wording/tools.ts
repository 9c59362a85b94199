import { MEASURED, type Held, type ToolMeasure } from '../goods/tool.ts'

/** What keeps a tool, as a person calls it. */
export const HELD_NAMES: Record<Held, string> = {
  shelf: 'open shelf',
  box: 'box with dividers',
  'hinged-box': 'box with a door',
  'bored-rail': 'bored rail',
  'slotted-rail': 'slotted rail',
  cutout: 'shaped cut-out',
  pegs: 'pair of pegs',
  'drill-slots': 'slots under a deck',
  'clamp-bar': 'bar for clamps',
  'hang-rail': 'rail for hangers',
  hook: 'hook',
}
export const heldName = (held: string): string => HELD_NAMES[held as Held] ?? held

const USUAL: Record<ToolMeasure, string> = {
  neckMm: 'Thickness where it is held',
  handleMm: 'Broader measure there',
  headMm: 'Least width of what stays on top',
  hangMm: 'Hangs below by',
}
const OWN: Partial<Record<Held, Partial<Record<ToolMeasure, string>>>> = {
  'bored-rail': { neckMm: 'Thickness that goes through the hole', headMm: 'Least width of what must not pass' },
  'slotted-rail': { neckMm: 'Handle, edgeways through the slot', handleMm: 'Handle, the broad way' },
  cutout: { neckMm: 'Body across, through the cut-out', handleMm: 'Body front to back, through it' },
  pegs: { neckMm: 'Thickness between the pegs', headMm: 'Width of what rests on both' },
  'drill-slots': {
    neckMm: 'Thickness of its grip',
    headMm: 'Width of its body',
    hangMm: 'Grip and battery below the body',
  },
  'clamp-bar': { neckMm: 'Throat: from its rail to the end of the jaw' },
  'hang-rail': { neckMm: 'Opening of the hanger’s hook' },
  hook: { neckMm: 'Thickness of what goes over the hook' },
}

/** What is asked for a tool kept in one way, in order, and how it is called. */
export const measuresOf = (held: Held): { key: ToolMeasure; label: string }[] =>
  MEASURED[held].map((key) => ({ key, label: OWN[held]?.[key] ?? USUAL[key] }))
