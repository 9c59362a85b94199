import type { KindWords, StepWordsFor, WordsFor } from '../../wording/kind.ts'
import { sheetName } from '../../wording/names.ts'
import { plural } from '../../wording/say.ts'
import type { LeverData } from './levers.ts'
import type { ProblemData, ReasonData } from './plan-out.ts'
import type { StepData } from './steps.ts'

const reasons: WordsFor<ReasonData> = {
  'bank-unit': () => 'a hand lies flat in a drawer of one unit',
  'bank-width': (d, say) =>
    `bottoms are a sheet ${say.length(d.sheetMm)} long in ${d.parts}; the widest thing with its play is ${say.length(d.widestMm)}`,
  'bank-depth': (d, say) =>
    `uprights are a sheet ${say.length(d.sheetMm)} wide in ${d.parts}; the deepest thing is ${say.length(d.deepestMm)}`,
  'bank-columns': (d) =>
    `${plural(d.drawers, 'drawer')} of ${plural(d.units, 'unit')} together, none over the shoulder`,
  'bank-kick': () => 'room for the toes',
}

const levers: WordsFor<LeverData> = {
  'bank-bottom': (d) => `Make the bottoms of ${sheetName(d.sheet)}`,
  'bank-sides': (d) => `Make the drawers of ${sheetName(d.sheet)}`,
  'bank-box': (d) => `Make the box of ${sheetName(d.sheet)}`,
  'bank-narrower': (d, say) => `Make the columns ${say.length(d.mm)} wide`,
  'bank-wider': (d, say) => `Make the columns ${say.length(d.mm)} wide`,
  'bank-slides': () => 'Run the drawers on bought slides',
  'bank-grooves': () => 'Run the drawers in grooves instead of on slides',
  'bank-columns': (d) => `Put the drawers in ${plural(d.count, 'column')}`,
}

const problems: WordsFor<ProblemData> = {
  'bank-too-wide': (d, say) =>
    `It would be ${say.length(d.mm)} wide, and ${say.length(d.mostMm)} is the most, for its room or for a top of one sheet. Fewer columns, or narrower ones.`,
  'bank-too-deep': (d, say) => `It would be ${say.length(d.mm)} deep, and there are ${say.length(d.mostMm)}.`,
  'bank-too-high': (d, say) =>
    `It would be ${say.length(d.mm)} high, and ${say.length(d.mostMm)} is the most. More columns, or fewer drawers.`,
  'bank-unit-low': (d, say) =>
    `A unit of ${say.length(d.mm)} leaves nothing over a bottom: ${say.length(d.leastMm)} at least.`,
  'bank-slide-short': (d, say) =>
    `Drawers ${say.length(Math.max(0, d.mm))} deep take no slide: the shortest is ${say.length(d.leastMm)}. A deeper bank, or grooves.`,
  'bank-tray-slides': () => 'A flat tray has no sides for slides. Make it a drawer, or run all of them in grooves.',
  'bank-rooms-narrow': (d, say) =>
    `Rooms ${say.length(d.mm)} wide take nothing: ${say.length(d.leastMm)} at least. Fewer rooms, or a wider column.`,
  'bank-empty': () => 'Nothing of what is chosen goes into a drawer. Choose low things, or list the drawers wanted.',
  'bank-too-many': (d) => `${d.count} drawers are more than one bank takes: ${d.most} at most. Make it two.`,
}

const steps: StepWordsFor<StepData> = {
  'bank-grooves': {
    title: 'Grooves in the uprights',
    text: (d, say) =>
      `${plural(d.sides, 'upright')} side by side, the marks of the stick across all of them at once: the housings of the panels, and ${plural(d.grooves, 'groove')} in each face that looks at drawers, ${say.length(d.wideMm)} wide and ${say.length(d.deepMm)} deep. A strip as wide as a unit, run in the groove before, spaces the next one.`,
  },
  'bank-housings': {
    title: 'Housings in the uprights',
    text: (d, say) =>
      `${plural(d.sides, 'upright')} side by side, the marks of the stick across all of them at once: ${plural(d.housings, 'housing')} for the panels in each face that looks at drawers, ${say.length(d.wideMm)} wide and ${say.length(d.deepMm)} deep.`,
  },
  'bank-slides-on': {
    title: 'The slides',
    text: (d, say) =>
      `While the uprights still lie on the floor: ${plural(d.slides, 'slide')}, ${say.length(d.longMm)} long, at ${plural(d.levels, 'height')}, their front ends ${say.length(d.frontMm)} behind the front edge. Their lower edges on the marks of the stick, carried across both uprights of a column at once.`,
  },
  'bank-slide-drawer': {
    title: 'The first drawer',
    text: (d, say) =>
      `Grooves ${say.length(d.deepMm)} deep along the sides first. The back between the sides, ${plural(d.screws, 'screw')} and glue into each end, the bottom slid into its grooves from the front, the face over the ends of the sides. Then the inner half of each slide on its side.`,
  },
  'bank-slides-in': {
    title: 'Put the drawers in',
    text: (d) =>
      `Both halves of each pair of slides into each other, and the ${d.count === 1 ? 'drawer' : `${d.count} drawers`} pushed home once: then it runs. One that binds has uprights nearer to each other than slides ask for: plane nothing, loosen a slide and pack it.`,
  },
  'bank-box': {
    title: 'The box',
    text: (d) =>
      `${plural(d.panels, 'fixed panel')} into their housings, ${plural(d.screws, 'screw')} through the upright into each end.`,
  },
  'bank-top': {
    title: 'The top',
    text: (d) => `Flush all round over the uprights, ${plural(d.screws, 'screw')} down into each.`,
  },
  'bank-first-drawer': {
    title: 'The first drawer',
    text: (d) =>
      `Sides and back first, then the face over the ends of the sides, all on the bottom: glue, and ${plural(d.screws, 'screw')} up through it into the longest piece. Its bottom stands out on both sides: that runs in the grooves.`,
  },
  'bank-drawers': {
    title: 'The other drawers',
    text: (d) =>
      `${plural(d.count, 'more drawer')}${d.kinds > 1 ? ` of ${plural(d.kinds, 'height')}` : ''}: pieces of one height in one setting of the saw, each drawer against the first.`,
  },
  'bank-in': {
    title: 'Put the drawers in',
    text: (d) =>
      `Wax on the edges of ${d.count === 1 ? 'the bottom' : 'the bottoms'}, then the high drawers into the low grooves. One that binds is planed at its bottom's edge, never at the groove.`,
  },
  'bank-pulls': {
    title: 'The handles',
    text: (d) =>
      `${plural(d.count, 'handle')}, each in the middle of its face: holes bored through a strip of wood with a stop, the same for all faces of one height. Two screws from inside.`,
  },
  'bank-inserts': {
    title: 'What lies round the things',
    text: (d) =>
      `${[d.foam > 0 ? `${plural(d.foam, 'piece')} of foam` : '', d.bored > 0 ? `${plural(d.bored, 'bored board')}` : ''].filter((x) => x !== '').join(' and ')}, ${plural(d.places, 'place')} in all. Lay the things on it first as they will be, and draw round them: what you measured may have an edge nobody counted.${d.foam > 0 ? ' Foam is cut with a long blade drawn slowly, square to its face.' : ''}${d.bored > 0 ? ' Holes right through, on a scrap board.' : ''}`,
  },
  'bank-load': {
    title: 'Fill it, lowest first',
    text: (d) =>
      `${d.drawers === 1 ? 'Write on its face' : 'Write on each face'} what lies behind it. Heavy things in the lowest drawers; draw out one at a time.`,
  },
}

export const drawerBankWords: KindWords = {
  name: 'Drawer bank',
  blurb: 'A box with drawers of one, two or three units, in grooves at one pitch or on slides',
  dims: {
    'bank-unit': () => 'height of one unit',
    'bank-width': () => 'clear width of a column',
    'bank-depth': () => 'depth',
    'bank-columns': () => 'columns',
    'bank-kick': () => 'under the lowest panel',
  },
  choices: {
    'bank-sheet': { label: 'Box' },
    'bank-drawer-sheet': { label: 'Sides and faces of drawers' },
    'bank-bottom-sheet': { label: 'Bottoms, which run in the grooves' },
    'bank-runs': {
      label: 'Drawers run',
      options: { grooves: 'on their bottoms, in grooves', slides: 'on bought slides, right out' },
    },
    'bank-hand': {
      label: 'Drawn by',
      options: { hole: 'a hand hole in the face', pull: 'a handle', none: 'the edge of the face' },
    },
  },
  lists: {
    drawers: {
      label: 'Drawers',
      one: 'kind of drawer',
      none: 'As many as the things need. Add drawers to have others.',
    },
  },
  fields: {
    'drawer-units': { label: 'Units high' },
    'drawer-make': { label: 'Made as', options: { drawer: 'a drawer', tray: 'a flat tray with lips' } },
    'drawer-rooms': { label: 'Rooms beside each other' },
    'drawer-insert': {
      label: 'Round the things',
      options: { none: 'nothing', foam: 'foam cut out', bored: 'a board bored for what stands on end' },
    },
    'drawer-count': { label: 'How many' },
  },
  reasons,
  levers,
  problems,
  steps,
  holds: {
    'panel-in-housing': 'A scrap of the panels goes into the first housing by hand, and does not wag.',
    'slides-level': 'Measured from the foot of both uprights, the two slides of each drawer are at one height.',
    'bottom-runs': 'A strip of the bottom runs from end to end of the first groove with two fingers.',
    'drawer-runs': 'Drawn by one corner of its face it comes without binding; drawn half out it does not tip.',
  },
}
