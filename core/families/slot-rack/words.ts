import type { KindWords, StepWordsFor, WordsFor } from '../../wording/kind.ts'
import { sheetName } from '../../wording/names.ts'
import { plural } from '../../wording/say.ts'
import type { LeverData } from './levers.ts'
import type { ProblemData, ReasonData } from './plan-out.ts'
import type { StepData } from './steps.ts'

const reasons: WordsFor<ReasonData> = {
  'slots-width': (d, say) => `decks with grooves span about ${say.length(d.everyMm)} under things on edge`,
  'slots-depth': (d, say) =>
    `${d.parts > 0 ? `a sheet ${say.length(d.sheetMm)} wide in ${d.parts}` : 'no deeper than it must be'}; the deepest thing is ${say.length(d.deepestMm)} ${d.outPct > 0 ? 'and may stand out by a quarter' : 'and stands behind a front'}${d.insideMm > 0 ? `; the tracks take ${say.length(d.insideMm)}` : ''}`,
  'slots-base': () => 'nobody kneels for what stands on it',
  'slots-margin': () => 'to lift a thing in over its edge',
  'slots-each': (d, say) => `the thickest thing is ${say.length(d.thickMm)}: more of them would lie against each other`,
  'slots-spare': () => 'for what comes later',
  'slots-columns': (d) => `${plural(d.things, 'thing')} in ${plural(d.slots, 'slot')}, none over your reach`,
}

const levers: WordsFor<LeverData> = {
  'slots-sheet': (d) => `Make uprights and decks of ${sheetName(d.sheet)}`,
  'slots-divider': (d) => `Make the dividers of ${sheetName(d.sheet)}`,
  'slots-narrower': (d, say) => `Make the columns ${say.length(d.mm)} wide`,
  'slots-wider': (d, say) => `Make the columns ${say.length(d.mm)} wide`,
  'slots-fewer': (d) => `Put ${plural(d.count, 'thing')} into each slot`,
  'slots-less-spare': (d) => `Keep ${d.pct} % of slots free only`,
  'slots-columns': (d) => `Make it of ${plural(d.count, 'column')}`,
  'slots-lower': (d, say) => `Put the lowest deck ${say.length(d.mm)} above the floor`,
}

const problems: WordsFor<ProblemData> = {
  'slots-none-flat': () =>
    'Nothing of what is chosen is flat: thin, and at least three times as high and as long. Its sizes stand in Sort.',
  'slots-too-wide': (d, say) =>
    `It would be ${say.length(d.mm)} wide, and ${say.length(d.mostMm)} is the most, for its room or for a top of one sheet. Fewer columns, or narrower ones.`,
  'slots-too-high': (d, say) =>
    `Its lowest bin alone would reach ${say.length(d.mm)}, and ${say.length(d.mostMm)} is the most. A lower base, or a lower thing.`,
  'blocks-in-floor': (d, say) =>
    `Its lowest deck lies on blocks ${say.length(d.leastMm)} high, and there are ${say.length(d.mm)} under it. A higher base, or decks in dadoes.`,
  'slots-none-deep': (d, say) =>
    `Nothing of what is chosen stands in slots ${say.length(d.mostMm)} deep: the least deep wants ${say.length(d.mm)}.`,
  'slots-too-deep': (d, say) => `It would be ${say.length(d.mm)} deep, and there are ${say.length(d.mostMm)}.`,
  'slots-column-narrow': (d, say) =>
    `A column ${say.length(d.mm)} wide takes no slot of ${say.length(d.leastMm)}. A wider column, or fewer things in a slot.`,
  'slots-too-many': (d) => `${d.count} slots are more than one rack takes: ${d.most} at most. Make it two.`,
}

const steps: StepWordsFor<StepData> = {
  'slots-uprights': {
    title: 'Housings in the uprights',
    text: (d) =>
      `${plural(d.sides, 'upright')} side by side, the marks of the stick across all of them at once: a housing for each deck, its upper face on the mark.`,
  },
  'slots-grooves': {
    title: 'Grooves for the dividers',
    text: (d, say) =>
      `Decks that face each other side by side, marked across both at once: grooves ${say.length(d.wideMm)} wide and ${say.length(d.deepMm)} deep from front to back, in the upper face of one and the lower face of the next. ${plural(d.decks, 'deck')} with the top.`,
  },
  'slots-blocks': {
    title: 'Locating blocks on the uprights',
    text: (d) =>
      `${plural(d.sides, 'upright')} side by side, the marks of the stick less a deck across all of them at once: ${plural(d.blocks, 'block')}, upper edges on the marks, ${plural(d.screws, 'screw')} through the upright into each. They stay on it, and say where each deck belongs.`,
  },
  'slots-on-blocks': {
    title: 'Decks on their blocks',
    text: (d) =>
      `${plural(d.decks, 'deck')} on the blocks, ${plural(d.screws, 'screw')} down into each: no glue, these come out again. Write on the end of each deck, and on the block under it, the same letter.`,
  },
  'slots-apart': {
    title: 'Knock it down, and put it together again',
    text: (d, say) =>
      `Empty it, draw the dividers and bundle them by size. ${d.tracks > 0 ? 'Lift the panels out, and unscrew their tracks before the dividers. ' : ''}Fixings to the wall out, the front off, then the back, the top and the decks from above: ${plural(d.pieces, 'piece')} as listed, none heavier than ${say.mass(d.heaviestKg)}, the largest ${say.length(d.longMm)} x ${say.length(d.wideMm)}; screws in a bag for each kind. Together again in the order it was built: two uprights held up, the lowest deck on its blocks, the others, the top, and the back before anything is loaded: until that is on it folds.`,
  },
  'slots-box': {
    title: 'The box',
    text: (d) =>
      `${plural(d.decks, 'deck')} into their housings, ${plural(d.screws, 'screw')} through the upright into each end.`,
  },
  'slots-top': {
    title: 'The top',
    text: (d) => `Flush all round over the uprights, ${plural(d.screws, 'screw')} down into each.`,
  },
  'slots-dividers': {
    title: 'The dividers',
    text: (d) =>
      `${plural(d.count, 'divider')}${d.kinds > 1 ? ` of ${plural(d.kinds, 'size')}` : ''}, slid in from the front as far as they go. No glue: one that is in the way of a thick thing is drawn out${d.tracks > 0 ? ', in the lowest and the highest bin after its track is unscrewed' : ''}.`,
  },
  'slots-load': {
    title: 'Fill the slots',
    text: (d) =>
      `Heavy and high things in the lowest bin, their thick edges to the back. Write at the front of ${plural(d.slots, 'slot')} what belongs there.`,
  },
}

export const slotRackWords: KindWords = {
  name: 'Slot rack',
  blurb: 'Flat things on edge, in slots between dividers, one bin over the other',
  dims: {
    'slots-width': () => 'clear width of a column',
    'slots-depth': () => 'depth',
    'slots-base': () => 'lowest deck, above the floor',
    'slots-margin': () => 'over the tallest thing',
    'slots-each': () => 'things in a slot',
    'slots-spare': () => 'slots kept free, %',
    'slots-columns': () => 'columns',
  },
  choices: {
    'slots-sheet': { label: 'Uprights and decks' },
    'slots-divider': { label: 'Dividers' },
    'slots-made': {
      label: 'Put together',
      options: { 'for-good': 'for good, decks in housings', 'knock-down': 'to be knocked down, decks on blocks' },
    },
  },
  reasons,
  levers,
  problems,
  steps,
  holds: { 'dividers-slide': 'A divider slides in a pair of grooves from front to back without being pressed.' },
}
