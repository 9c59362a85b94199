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
  'bank-box': (d) => `Make the box of ${sheetName(d.sheet)}`,
  'bank-narrower': (d, say) => `Make the columns ${say.length(d.mm)} wide`,
  'bank-wider': (d, say) => `Make the columns ${say.length(d.mm)} wide`,
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
  'bank-tray-slides': () => 'A flat tray has no sides for slides. Make it a drawer, or run all of them in grooves.',
  'bank-rooms-narrow': (d, say) =>
    `Rooms ${say.length(d.mm)} wide take nothing: ${say.length(d.leastMm)} at least. Fewer rooms, or a wider column.`,
  'bank-empty': () => 'Nothing of what is chosen goes into a drawer. Choose low things, or list the drawers wanted.',
  'bank-too-many': (d) => `${d.count} drawers are more than one bank takes: ${d.most} at most. Make it two.`,
}

const steps: StepWordsFor<StepData> = {
  'bank-housings': {
    title: 'Housings in the uprights',
    text: (d, say) =>
      `${plural(d.sides, 'upright')} side by side, the marks of the stick across all of them at once: ${plural(d.housings, 'housing')} for the panels in each face that looks at drawers, ${say.length(d.wideMm)} wide and ${say.length(d.deepMm)} deep.`,
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
  },
}
