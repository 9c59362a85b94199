import type { KindWords, StepWordsFor, WordsFor } from '../../wording/kind.ts'
import { sectionName } from '../../wording/names.ts'
import { plural } from '../../wording/say.ts'
import type { LeverData } from './levers.ts'
import type { ProblemData, ReasonData } from './plan-out.ts'
import type { StepData } from './steps.ts'

const reasons: WordsFor<ReasonData> = {
  'store-length': (d, say) =>
    `three quarters of the longest sheet, ${say.length(d.sheetMm)}: it stands out at both ends`,
  'store-frames': (d, say) => `no further apart than ${say.length(d.everyMm)}, or thin sheets hang through`,
  'store-margin': () => 'a sheet is lifted over the bar, and never goes in exactly upright',
  'store-open': (d, say) => `the tallest sheet, ${say.length(d.tallMm)}, and ${say.length(d.marginMm)} over it`,
  'store-spare': () => 'for what is bought later',
  'store-bow': (d, say) =>
    `a sheet ${say.length(d.sheetMm)} long and ${say.length(d.thinMm)} thick is never quite flat: lay a straight edge on yours`,
  'store-slot': (d, say) =>
    `${plural(d.count, 'sheet')}, ${d.sparePct} % to spare, ${say.length(d.bowMm)} for their bow, and room for fingers`,
}

const levers: WordsFor<LeverData> = {
  'store-more-frames': (d) => `Make ${d.count} frames`,
  'store-section': (d) => `Make the frames of ${sectionName(d.section)}`,
  'store-tie': (d) => `Make the board at the wall ${sectionName(d.section)}`,
  'store-less-spare': (d) => `Keep ${d.pct} % to spare only`,
  'store-screws': (d) => `Put ${plural(d.count, 'screw')} of the board at the wall into each post`,
  'store-edge': (d) => `Stand the sheets on their ${d.edge} edges`,
  'store-other-end': () => 'Draw the sheets out at the left end',
}

const problems: WordsFor<ProblemData> = {
  'store-no-sheets': () => 'Nothing of what is chosen is a sheet. Say so in Sort, as its kind.',
  'store-no-margin': (d, say) =>
    `An opening of ${say.length(d.mm)} takes no sheet ${say.length(d.tallMm)} tall: it must be lifted over the bar and goes in aslant. ${say.length(d.leastMm)} at least.`,
  'store-too-deep': (d, say) =>
    `It would stand ${say.length(d.mm)} out from the wall, and there are ${say.length(d.mostMm)}. Less room to spare, or fewer sheets.`,
  'store-too-high': (d, say) =>
    `It would be ${say.length(d.mm)} high, and there are ${say.length(d.mostMm)}. Lower frames cannot hold the tallest sheet on its edge.`,
  'store-slot-narrow': (d, say) =>
    `Compartment ${d.slot} is ${say.length(d.mm)} wide, and its sheets want ${say.length(d.leastMm)}: as thick as they are together${d.bowMm > 0 ? `, and ${say.length(d.bowMm)} for their bow` : ''}.`,
  'store-no-way-in': (d, say) =>
    `Its sheets are drawn out to the right, where ${say.length(d.haveMm)} of wall are free: ${say.length(d.needMm)} at least. Move it to the left, or draw them out at the other end.`,
}

const steps: StepWordsFor<StepData> = {
  'store-frame': {
    title: 'First frame',
    text: (d) =>
      `Flat on the floor: bar at the floor and bar over the sheets, ${plural(d.posts, 'post')} across both, their places carried from the plan. ${plural(d.bolts, 'bolt')} at every crossing, square first, then bored through both at once.`,
  },
  'store-frames': {
    title: 'The other frames',
    text: (d) => `${plural(d.count, 'more frame')}, each laid out on the first: sheets slide through all of them.`,
  },
  'store-stand': {
    title: 'Stand them up',
    text: (d) =>
      `${plural(d.count, 'frame')} at the wall, posts in one line from end to end: a straight batten laid in a compartment touches all of them.`,
  },
  'store-tie': {
    title: 'The board at the wall',
    text: (d) =>
      `Across the rear posts, right under the upper bars, ${plural(d.screws, 'screw')} into each; then ${plural(d.count, 'screw')} through it into solid wood or masonry.`,
  },
  'store-load': {
    title: 'Put the sheets in',
    text: (d) =>
      `${plural(d.slots, 'compartment')}, the tallest sheets at the wall. From the ${d.entry} end, two people for whole sheets: on the bar of the first frame, then slid. They lean against the wall's side; what stands upright falls over the hand that draws out its neighbour.`,
  },
}

export const sheetStoreWords: KindWords = {
  name: 'Sheet store',
  blurb: 'Frames along the wall that sheets stand in on edge, drawn out at an end',
  dims: {
    'store-length': () => 'from the first frame to the last',
    'store-frames': () => 'frames',
    'store-open': () => 'opening over the bars',
    'store-margin': () => 'over the tallest sheet',
    'store-spare': () => 'room to spare, %',
    'store-bow': () => 'bow of a sheet',
    'store-slot': (d) => `compartment ${d.slot}`,
  },
  choices: {
    'store-edge': { label: 'Sheets stand on', options: { long: 'their long edge', short: 'their short edge' } },
    'store-entry': { label: 'Sheets are drawn out', options: { right: 'to the right', left: 'to the left' } },
    'store-section': { label: 'Bars and posts' },
    'store-tie': { label: 'Board at the wall' },
    'store-screws': { label: 'Its screws in each post', options: { two: 'two', three: 'three' } },
  },
  reasons,
  levers,
  problems,
  steps,
  holds: {
    'sheets-slide': 'The longest sheet goes in and comes out again with no post in its way.',
  },
}
