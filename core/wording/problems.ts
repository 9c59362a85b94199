import { WORD_SETS } from '../families/all-words.ts'
import type { Problem } from '../measure/result.ts'
import { gathered } from './kind.ts'
import { roleName } from './names.ts'
import { capital, type Data, type Say } from './say.ts'

type Words = (d: Data, say: Say) => string

const example = (say: Say) =>
  say.units.system === 'imperial' ? `67 1/4, 5' 7 1/4", or 171 cm` : `1708, 171 cm, or 5' 7 1/4"`
const massExample = (say: Say) => (say.units.system === 'imperial' ? '62, 62 lb, or 14 kg' : '14, 14 kg, or 62 lb')
const runExample = (say: Say) =>
  say.units.system === 'imperial'
    ? '24 1/2, door 32 x 80, 60, window 36 x 40 up 42, 63; or: outlet at 24 and 72, up 15'
    : '620, door 810 x 2030, 1500, window 900 x 1000 up 1070, 640; or: outlet at 600 and 1800, up 380'
const lineExample = (say: Say) =>
  say.units.system === 'imperial' ? '12 tote 16 1/2 x 24 x 12 1/2, 31 lb' : '12 tote 420 x 610 x 320, 14 kg'

/** What a refused field is called. A length is said without its unit's letters. */
const FIELDS: Record<string, string> = {
  acrossMm: 'the width',
  deepMm: 'the depth',
  tallMm: 'the height',
  wideMm: 'the width',
  highMm: 'the height',
  upMm: 'the height above the floor',
  atMm: 'the place along the wall',
  outMm: 'the distance from the wall',
  offsetMm: 'the place along the wall',
  lengthMm: 'the length',
  widthMm: 'the width',
  heightMm: 'the height',
  depthMm: 'the depth available',
  rimMm: 'the rim',
  overhangMm: 'the overhang of the rim',
  taperMm: 'the taper of the body',
  massKg: 'the mass',
  radiusMm: 'the radius of the bend',
  fromMm: 'the beginning of the bad place',
  toMm: 'the end of the bad place',
  kerfMm: 'the kerf',
  downMm: 'the distance down to the floor',
  spacingMm: 'the spacing',
  firstMm: 'the first one',
  cornerRad: 'the corner',
  prices: 'a price',
  spent: 'what was paid',
  have: 'what is there already',
  readyMadeMinor: 'the price of a ready-made one',
  goods: 'lines of goods',
  builds: 'builds',
  walls: 'walls',
  features: 'things in the room',
  diagonals: 'diagonals',
  points: 'heights of the floor',
  defects: 'bad places',
  onHand: 'pieces on hand',
  whereNow: 'where it is kept now',
}
const fieldName = (what: string) =>
  FIELDS[what] ?? `the ${what.replace(/(Mm|Kg|Minor|N)$/, '').replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`)}`
const subject = (d: Data) => capital(`${d.of ? `${d.of}: ` : ''}${fieldName(String(d.what))}`)
const inItsUnit = (d: Data, key: string, say: Say): string => {
  const [what, n] = [String(d.what), Number(d[key])]
  if (what.endsWith('Mm')) return say.length(n)
  if (what.endsWith('Kg')) return say.mass(n)
  if (what.endsWith('Rad')) return `${Math.round((n * 180) / Math.PI)}°`
  if (what.endsWith('Minor') || ['prices', 'spent'].includes(what)) return say.number(n / 100)
  return say.number(n)
}

const TABLE: Record<string, Words> = {
  ...gathered<Words>(WORD_SETS, (k) => k.problems),
  empty: (_d, say) => `Type a value, such as ${example(say)}.`,
  negative: () => 'A size or mass can not be below zero.',
  'not-a-length': (d, say) => `"${d.text}" is not a length. Type one such as ${example(say)}.`,
  'not-a-mass': (d, say) => `"${d.text}" is not a mass. Type one such as ${massExample(say)}.`,
  'not-an-angle': (d) => `"${d.text}" is not an angle. Type degrees such as 88.7.`,
  'not-money': (d) => `"${d.text}" is not a price. Type one such as 4.98.`,
  'not-whole': (d) => `"${d.text}" is not a whole number.`,
  'too-small': (d, say) => `Too small: at least ${say.lengthOf(d, 'minMm')}.`,
  'too-large': (d, say) => `Too large: at most ${say.lengthOf(d, 'maxMm')}.`,
  'too-heavy': (d, say) => `"${d.text}" is too heavy to store here: at most ${say.mass(5000)} each.`,
  'out-of-range': (d, say) =>
    `"${d.text}" is out of range: each size from ${say.lengthOf(d, 'minMm')} to ${say.lengthOf(d, 'maxMm')}.`,
  count: (d) => `A count must be a whole number from 1 to ${d.max}.`,
  'count-range': (d) => `A whole number from ${d.min} to ${d.max}.`,
  'line-empty': (_d, say) => `Type a line such as: ${lineExample(say)}`,
  'heap-volume': (d) =>
    `"${d.text}" is no volume: say litres, quarts or gallons more than nought, and what they go into.`,
  'line-no-size': (d, say) =>
    `No sizes found. ${d.like ? `Known without: ${d.like}. Or say` : 'Say'} count, thing, across x deep x tall, mass: ${lineExample(say)}`,
  'line-no-name': (_d, say) => `What is it? Say count, thing, sizes, mass: ${lineExample(say)}`,
  'volume-odd': (d) =>
    `A ${d.name} that takes ${d.text} is none people usually have. Write across x deep x tall instead.`,
  'line-sizes': (d, say) =>
    `Found ${d.found} of 3 sizes in "${d.text}". Write across x deep x tall, or "12 dia x 15" for round things: ${lineExample(say)}`,
  'run-backwards': (d) =>
    `"${d.text}" ends before it begins. Both from the left corner: where it begins, to where it ends.`,
  'run-narrow': (d, say) =>
    `"${d.text}" would be ${say.length(Number(d.mm))} wide or high, and such a thing is ${say.length(Number(d.leastMm))} at least. Say the unit: 3 ft, 90 cm.`,
  'run-empty': (_d, say) => `Call the distances from the left corner: ${runExample(say)}`,
  'run-piece': (d, say) =>
    `"${d.text}" is not understood. Say what and how wide, then how high and how far up: ${runExample(say)}`,
  'run-mixed': (_d, say) =>
    `Either a run of stretches one after the other, or things each "at" a place: ${runExample(say)}`,
  'run-no-wall': () =>
    'Where its right end or its middle is nobody knows: say how long the wall is, or measure from the left corner.',
  'run-off-wall': (d, say) =>
    `That would be ${say.length(Number(d.mm))} along a wall ${say.length(Number(d.wallMm))} long. Measure both again.`,
  'run-no-width': (_d, say) => `How wide? Every stretch needs its width: ${runExample(say)}`,
  'row-missing': () => 'This column is empty.',
  'row-beyond': (d) =>
    `There are more cells than columns ("${d.text}"). Put quotation marks round a text that has commas in it.`,
  'row-field': (d) => `Not accepted: ${d.issue}.`,
  parameter: (d) => `Not accepted: ${d.issue}.`,
  'no-totes': () =>
    'There are no totes with a rim among these goods. Let them stand on their base, or choose another kind of build.',
  'no-joists-known': () =>
    'Nobody has said what is over this ceiling: say in Survey how the joists run. A build away from its wall or turned hangs from none that are known.',
  'hung-from-trusses': () =>
    'Over this ceiling are trusses: they are made for their roof alone. Only an engineer may say whether anything may hang from them.',
  'hung-under-slope': () =>
    'This ceiling slopes: nothing level lies on its rafters. Hang it where the joists are level.',
  'no-joist-size': () => 'Say in Survey how thick and deep the joists are and how far they span.',
  'no-joist-over': () =>
    'The spreaders need a joist on either side of the rods: move it along the wall, or make it narrower.',
  'too-few-bolts': (d, say) =>
    `Two bolts at least must be in the ceiling over its front, in one row along the wall, ${say.lengthOf(d, 'outMm')} out or more: ${d.count === 0 ? 'none is' : `${d.count} are, not in one row`}. Say in Survey where they are, or make it longer or less deep.`,
  'sliding-one-opening': () =>
    'Panels that slide want two openings side by side: one goes over the other. Take two, or doors.',
  'sliding-one-shelf': () =>
    'Panels that slide run on the lowest shelf and under the highest: two shelves at least, or another front.',
  'lift-one-shelf': () =>
    'Leaves that turn up close what is between the lowest shelf and the highest: two shelves at least, or another front.',
  'lift-under-strip': () =>
    'Leaves that turn up hang where the strips under the front edges are: no strips, or another front.',
  'sliding-unequal': (d, say) =>
    `Slid aside, the panel of opening ${d.opening} would still cover ${say.lengthOf(d, 'mm')} of it: the one beside it is too narrow. Make them alike, or take doors.`,
  'sliding-past-sheet': (d, say) =>
    `A panel over the widest opening would be ${say.lengthOf(d, 'mm')} wide, and a sheet gives ${say.lengthOf(d, 'mostMm')}. Narrower openings, or doors.`,
  'sliding-past-board': (d, say) =>
    `A track would be ${say.lengthOf(d, 'mm')} long, the longest board gives ${say.lengthOf(d, 'mostMm')}, and two do not meet on an upright of ${say.lengthOf(d, 'pastMm')}. Fewer bays, two builds side by side, or doors.`,
  'rod-in-joist': () =>
    'A rod would run into a joist wherever it is put: move it along the wall, or make it wider or narrower.',
  'rod-too-long': (d, say) =>
    `Its rods would be ${say.lengthOf(d, 'mm')} long under the ceiling, more than any is sold (${say.lengthOf(d, 'mostMm')}). Hang it higher.`,
  'no-wall-to-hang-on': () =>
    'This wall has nothing to hang it on: say in Survey what it is made of, or put it at another wall.',
  'no-goods': () => 'Choose what this build is to hold first.',
  'shelf-above-sheet': (d, say) =>
    `The highest shelf would be ${say.lengthOf(d, 'mm')} up; the uprights, cut from one sheet, reach ${say.lengthOf(d, 'mostMm')}. Fewer or lower shelves, or more bays.`,
  'longer-than-board': (d, say) =>
    `${say.lengthOf(d, 'mm')} is longer than any board for it (${say.lengthOf(d, 'mostMm')} usable). Fewer columns, or two builds side by side.`,
  'lift-too-narrow': (d, say) =>
    `An opening of ${say.lengthOf(d, 'mm')} is too narrow for a leaf that turns up: its hinges and springs want ${say.lengthOf(d, 'leastMm')}. Wider openings, or doors.`,
  'no-hinge-room': (d, say) =>
    `A leaf ${say.lengthOf(d, 'mm')} high has no place for its hinges between the panels, cleats and rails behind it. Make it higher, or choose another front.`,
  'no-spring-room': (d, say) =>
    `No gas spring goes in beside a leaf over ${say.lengthOf(d, 'mm')} of free height. Make the opening higher or deeper, or choose doors.`,
  'deeper-than-sheet': (d, say) =>
    `${say.lengthOf(d, 'mm')} is more than the sheet is wide (${say.lengthOf(d, 'mostMm')}).`,
  'pieces-at-feet': () =>
    'Pieces under the rails stand where angles would hold the feet down. Let the fasteners bear the rails, or let the feet stand.',
  'post-past-rail': (d, say) =>
    `Pieces under the rails are of the posts' section: ${say.lengthOf(d, 'mm')} would stand out past rails of ${say.lengthOf(d, 'mostMm')}. Posts no thicker than the rails, or rails borne by their fasteners.`,
  'no-room-under-rail': (d, say) =>
    `Under a rail are ${say.length(Math.max(0, Number(d.mm)))} for a piece that bears it: ${say.lengthOf(d, 'leastMm')} at least, or it splits. Move that shelf, or let the fasteners bear the rails.`,
  'too-shallow': (d, say) => `Too shallow for two rails and a cross piece: at least ${say.lengthOf(d, 'leastMm')}.`,
  'shelves-overlap': (d, say) =>
    `Shelf ${d.shelf} runs into what is below it: its top must be at ${say.lengthOf(d, 'leastMm')} or higher.`,
  'not-on-pins': (d, say) =>
    `Shelf ${d.shelf} lies on pins: there is a hole for ${say.lengthOf(d, 'lowMm')} and for ${say.lengthOf(d, 'highMm')}, none for ${say.lengthOf(d, 'mm')}.`,
  'hole-near-edge': (d, say) =>
    `Hole ${d.hole} for a cord leaves no ${say.lengthOf(d, 'leastMm')} of wood to the edge of its panel. Put it further in, or make it smaller.`,
  'hole-at-panel': (d, say) =>
    `Hole ${d.hole} for a cord comes nearer than ${say.lengthOf(d, 'leastMm')} to what lies against its panel: a shelf, the bottom, the top, a rail or a cross piece. Put it elsewhere.`,
  'holes-near': (d, say) =>
    `Hole ${d.hole} for a cord comes nearer than ${say.lengthOf(d, 'leastMm')} to another one. Put it further away.`,
  'not-buildable': (d) =>
    d.other
      ? `There is too little room for it as it is: its ${roleName(String(d.role))} and its ${roleName(String(d.other))} do not meet. Give it more length, depth or height, or make it of less.`
      : `There is too little room for it as it is: nothing is left of its ${roleName(String(d.role))}. Give it more length, depth or height, or make it of less.`,
  'past-wall': (d, say) =>
    `From ${say.lengthOf(d, 'mm')} on nothing of this wall is left: it is ${say.lengthOf(d, 'wallMm')} long. Begin nearer to its left corner, or take another wall.`,
  'stands-past': (d) =>
    `It would stand beside the top of "${d.name}". Move it over that, or let it stand on the floor.`,
  'stands-on-nothing': () =>
    'What it stands on is gone, or cannot be built as it is. Let it stand on the floor, or on another build.',
  'stands-on-itself': (d) => `It stands on "${d.name}", and that on it. Let one of them stand on the floor.`,
  'stands-on-turned': (d) =>
    `It can stand on "${d.name}" only at the same wall, and both with their backs to it. Move it, or let it stand on the floor.`,
  'hangs-and-stands': (d) => `It hangs, and does not stand on "${d.name}". Let it stand on nothing.`,
  'no-flat-top': (d) =>
    `"${d.name}" has no flat top of sheet to stand on. Give it one, or let this build stand on the floor.`,
  'newer-build': (d) =>
    `This build was made by a newer version of the program (form ${d.version} of its kind). Nothing of it is changed; update the program to see it.`,
  'no-such-family': (d) =>
    `This build is of a kind ("${d.family}") that this version does not know. It is kept as it is.`,
  'no-such-wall': () => 'The wall this build stands at is gone. Choose another wall.',
  'file-not-json': (d) => `This is not a project file: it can not be read as JSON (${d.issue}).`,
  'file-not-project': () => 'This file is JSON, but not a Tack Loft project: it does not say format "tackloft".',
  'file-not-room': () => 'This file is JSON, but neither a room nor a Tack Loft project.',
  'file-newer': (d) =>
    `This file was made by a newer version of Tack Loft (file version ${d.version}; this one reads up to ${d.known}). Update the application, then import it again.`,
  'file-field': (d) => String(d.issue),
  'file-not-stored': (d) => `It reads well, but was not stored (${d.issue}).`,
  'file-too-large': (d) => `This file is larger than any project: at most ${d.most} million letters are read.`,
  'file-too-deep': (d) =>
    `This is no project file: it nests more than ${d.most} levels deep, a project stays below ten.`,
  'id-twice': (d) =>
    `Two things had the id "${d.id}". The second is "${d.became}" now; what pointed to the id means the first.`,
  'edit-gone': () => 'What it concerns was taken away meanwhile.',
  'edit-changed': () => 'It was changed to something else meanwhile.',
  'refused-most': (d, say) => `${subject(d)} can be at most ${inItsUnit(d, 'most', say)}.`,
  'refused-least': (d, say) => `${subject(d)} must be at least ${inItsUnit(d, 'least', say)}.`,
  'refused-long': (d) => `${subject(d)} can have at most ${d.most} letters.`,
  'refused-empty': (d) => `${subject(d)} can not be empty.`,
  'refused-many': (d) => `${subject(d)}: at most ${d.most} are kept in one project.`,
  'refused-kind': (d) => `${subject(d)} needs a value.`,
  'refused-other': (d) => `${subject(d)}: ${d.issue}.`,
}

export const sayProblem = (p: Problem, say: Say): string => TABLE[p.code]?.(p.data ?? {}, say) ?? p.code
