import type { KindWords, StepWordsFor, WordsFor } from '../../wording/kind.ts'
import { sectionName } from '../../wording/names.ts'
import { plural } from '../../wording/say.ts'
import type { LeverData } from './levers.ts'
import type { ProblemData, ReasonData } from './plan-out.ts'
import type { StepData } from './steps.ts'

const reasons: WordsFor<ReasonData> = {
  'cradles-usual': (d, say) => `${say.length(d.everyMm)} is usual for boards`,
  'cradles-short': (d, say) => `close enough that the shortest, ${say.length(d.shortestMm)}, lies on two`,
  'cradles-longest': (d, say) => `as many as the longest, ${say.length(d.longestMm)}, lies on`,
  'cradle-stacks': (d) => `${plural(d.things, 'thing')} side by side in low stacks`,
  'cradle-under-ceiling': (d, say) => `as high as what lies there, ${say.length(d.highMm)}, and its play let it`,
  'cradle-lifted-over': () => 'to lift one thing over another',
}

const levers: WordsFor<LeverData> = {
  'cradle-bearer': (d) => `Make the bearers ${sectionName(d.section)}`,
  'cradles-closer': (d, say) => `Hang the cradles closer: ${say.length(d.mm)} apart`,
  'cradles-wider-apart': (d, say) => `Hang the cradles ${say.length(d.mm)} apart`,
  'slid-in-from': (d) => `Slide things in from the ${d.from}`,
}

const problems: WordsFor<ProblemData> = {
  'cradles-none-long': () =>
    'Nothing here is long enough to lie across bearers: boards, pipes, ladders. Choose other goods for this build.',
  'cradle-in-ceiling': (d, say) =>
    `Bearers at ${say.length(d.mm)} leave no room under the ceiling for what lies there, or for what they hang by: at most ${say.length(d.mostMm)}.`,
  'cradle-too-low': (d, say) =>
    `Their underside would hang ${say.length(d.mm)} above the floor: at least ${say.length(d.leastMm)}. What is so thick belongs elsewhere.`,
  'cradle-too-narrow': (d, say) =>
    `With ${say.length(d.mm)} between the rods of a cradle the spreaders over both meet: at least ${say.length(d.leastMm)}, or narrower spreaders.`,
  'cradle-too-deep': (d, say) =>
    `The bearers reach ${say.length(d.mm)} out from the wall, and ${say.length(d.mostMm)} are free there.`,
  'cradles-past-wall': (d, say) =>
    `What lies there, or its cradles, take ${say.length(d.mm)} along the wall, and ${say.length(d.haveMm)} are free.`,
}

const steps: StepWordsFor<StepData> = {
  'cradle-bearers': {
    title: 'Bore the bearers',
    text: (d, say) =>
      `${plural(d.count, 'bearer')} of ${say.length(d.longMm)} on top of each other, ends flush, clamped: ${plural(d.holes, 'hole')} through all of them at once, ${say.length(d.apartMm)} apart. Then every rod hangs plumb.`,
  },
  'cradle-spreaders': {
    title: 'Spreaders over the joists',
    text: (d) =>
      `Bore the ${plural(d.holes, 'hole')} through the ceiling where the rods go, clear of the joists. From above the ${plural(d.count, 'spreader')} over them, lying flat on the joists on both sides, a short rod down through each hole: washer and two nuts.`,
  },
  'cradles-up': {
    title: 'Hang the bearers',
    text: (d, say) =>
      `One bearer after the other, ${d.count} in all: a long rod up into each coupling, the bearer onto both from below, washer and two nuts. Its upper face at ${say.length(d.atMm)} by the stick; nuts do the rest. Cap or file the rods where they end.`,
  },
  'load-cradles': {
    title: 'Load it',
    text: (d) =>
      `Two people, one at either end, each on a ladder of their own: slide things in from the ${d.from} between the rods, over the first bearer and on to the last. Heaviest first and lowest, spread over the width; no end past the last bearer further than it must be.`,
  },
}

export const ceilingCradlesWords: KindWords = {
  name: 'Ceiling cradles',
  blurb: 'Boards, pipes and ladders across bearers that hang from the joists by rods',
  dims: {
    cradles: () => 'cradles',
    'cradles-apart': () => 'from one cradle to the next',
    'cradle-clear': () => 'between the rods of a cradle',
    'cradle-top': () => 'bearers above the floor',
  },
  choices: {
    'cradle-bearer': { label: 'Bearers, flat' },
    'slid-in-from': { label: 'Things are slid in from', options: { right: 'the right end', left: 'the left end' } },
  },
  reasons,
  levers,
  problems,
  steps,
  holds: {
    'holes-alike': 'Lay the bearers side by side: all holes in line.',
    'cradles-in-line':
      'A long straight board on all bearers touches every one of them, and a level on each bearer agrees: turn the nuts until both do.',
  },
}
