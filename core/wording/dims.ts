import { KIND_WORDS, WORD_SETS } from '../families/all-words.ts'
import type { Choice, Dim } from '../families/family.ts'
import { gathered } from './kind.ts'
import { sectionName, sheetName } from './names.ts'
import { capital } from './say.ts'

const DIMS: Record<string, (d: Record<string, number>) => string> = {
  ...gathered<(d: Record<string, number>) => string>(WORD_SETS, (k) => k.dims),
  'side-play': () => 'play each side',
  'above-play': () => 'play above',
  columns: () => 'columns',
  rows: () => 'rows',
  'clear-width': (d) => `opening, column ${d.column}`,
  bays: () => 'openings side by side',
  behind: () => 'room behind its back',
  'clear-bay': () => 'clear width of an opening',
  'rail-length': () => 'rail length (depth)',
  depth: () => 'sheet depth',
  'clear-depth': () => 'depth inside',
  hang: () => 'underside above the floor',
  'shelves-over': () => 'shelves over the bottom',
  'shelf-top-inside': (d) => `shelf ${d.shelf}, top above the underside`,
  length: () => 'length',
  shelves: () => 'shelves',
  'shelf-top': (d) => `shelf ${d.shelf}, top`,
  'cross-every': () => 'cross pieces, at most every',
}
export const dimName = (d: Pick<Dim, 'code' | 'data'>): string => capital(DIMS[d.code]?.(d.data ?? {}) ?? d.code)

const CHOICES: Record<string, { label: string; options?: Record<string, string> }> = {
  ...gathered<{ label: string; options?: Record<string, string> }>(WORD_SETS, (k) => k.choices),
  carry: { label: 'Totes are carried', options: { rim: 'by the rim', base: 'standing on the base' } },
  'arm-kind': { label: 'Arms', options: { tube: 'steel tube', dowel: 'hardwood dowels' } },
  'arm-tube': { label: 'Tube' },
  'arm-dowel': { label: 'Dowels' },
  'rail-section': { label: 'Rails' },
  'post-section': { label: 'Posts' },
  sheet: { label: 'Shelf sheet' },
  'rail-joint': {
    label: 'Rails at posts',
    options: { screws: 'three screws', 'more-screws': 'five screws', bolts: 'two bolts' },
  },
  supports: {
    label: 'Rails are borne',
    options: { single: 'by their fasteners', doubled: 'by pieces under them beside the posts' },
  },
  'cross-joint': { label: 'Screws in cross pieces', options: { two: 'two', three: 'three', four: 'four' } },
  hold: { label: 'Shelves are held', options: { dado: 'in dadoes', cleats: 'on cleats' } },
  strip: {
    label: 'Strip under front edges',
    options: { none: 'none', screwed: 'screwed', glued: 'glued and screwed' },
  },
  'strip-section': { label: 'Strips' },
  back: { label: 'Thin back', options: { true: 'yes', false: 'no' } },
  cover: { label: 'Back', options: { none: 'open, braced or tied', panels: 'closed by panels' } },
  'cover-sheet': { label: 'Panels over the back' },
  brace: { label: 'Brace across the back', options: { true: 'yes', false: 'no' } },
  tie: { label: 'Tied to the wall', options: { true: 'yes', false: 'no' } },
  top: { label: 'Sheet on top', options: { none: 'none' } },
  raise: { label: 'Put up', options: { tilt: 'built flat, tilted up', 'in-place': 'built where it stands' } },
  follow: { label: 'Length follows', options: { goods: 'the goods', wall: 'the wall' } },
  'back-sheet': { label: 'Back' },
  hang: {
    label: 'Hangs',
    options: { strip: 'on a bevelled strip', 'two-strips': 'on two bevelled strips', rail: 'screwed through its rail' },
  },
  front: {
    label: 'Front',
    options: {
      open: 'open',
      doors: 'doors',
      'lift-up': 'leaves that turn up on gas springs',
      'deep-doors': 'doors that are boxes',
      pivots: 'leaves on pins, one behind the other',
      drawers: 'drawers',
      curtain: 'a curtain',
      panel: 'panels screwed on',
      sliding: 'panels that slide past each other',
    },
  },
  duty: { label: 'Made for', options: { light: 'light things', medium: 'usual things', heavy: 'heavy things' } },
  latch: { label: 'Doors are kept shut', options: { magnet: 'by magnets', none: 'by nothing' } },
  corner: {
    label: 'Top and bottom',
    options: { rabbet: 'in rabbets', dado: 'in dadoes, sides run past', butt: 'between the sides, screwed' },
  },
  'hang-rail': { label: 'Rails and strip' },
  'rail-screws': { label: 'Screws in each end of the rails', options: { two: 'two', three: 'three', four: 'four' } },
  'wall-screws': { label: 'Screws in each stud', options: { two: 'two', three: 'three', four: 'four', five: 'five' } },
  end: { label: 'Its right end is', options: { bracket: 'on a bracket', hung: 'hung from the joists at its front' } },
  stand: { label: 'Brackets are', options: { below: 'under the shelves', above: 'over the shelves' } },
  rod: { label: 'Rods' },
  'spreader-section': { label: 'Spreaders over the joists' },
  ends: { label: 'Ends', options: { open: 'open', braced: 'closed by diagonals' } },
  feet: { label: 'Feet', options: { standing: 'standing on the floor', pinned: 'held down to the slab' } },
  'floor-bay': { label: 'Heavy things on the floor', options: { true: 'yes', false: 'no' } },
}
/** Lists of things among the parameters of a build. */
const LISTS: Record<string, { label: string; one: string; none: string }> = {
  ...gathered<{ label: string; one: string; none: string }>(WORD_SETS, (k) => k.lists),
  'cord-holes': { label: 'Holes for cords', one: 'hole', none: 'No hole for a cord yet.' },
}
const LIST_FIELDS: Record<string, { label: string; options?: Record<string, string> }> = {
  ...gathered<{ label: string; options?: Record<string, string> }>(WORD_SETS, (k) => k.fields),
  'hole-in': { label: 'In', options: { left: 'left side', right: 'right side', back: 'back' } },
  'hole-up': { label: 'Above the underside' },
  'hole-along': { label: 'From the wall, or the left edge' },
  'hole-diameter': { label: 'Diameter' },
}
export const listName = (code: string) => LISTS[code] ?? { label: code, one: code, none: '' }
export const fieldLabel = (code: string): string => LIST_FIELDS[code]?.label ?? code
export const fieldOption = (code: string, option: string): string => LIST_FIELDS[code]?.options?.[option] ?? option

export const choiceName = (c: Pick<Choice, 'code'>): string => CHOICES[c.code]?.label ?? c.code
export function optionName(c: Pick<Choice, 'code' | 'of'>, option: Choice['value']): string {
  const named = CHOICES[c.code]?.options?.[String(option)]
  if (named) return named
  return c.of === 'section'
    ? sectionName(String(option))
    : c.of === 'sheet'
      ? sheetName(String(option))
      : String(option)
}

export const familyName = (id: string): string => KIND_WORDS[id]?.name ?? id
