import type { KindWords, StepWordsFor, WordsFor } from '../../wording/kind.ts'
import { plural } from '../../wording/say.ts'
import { sectionName } from '../../wording/names.ts'
import type { LeverData } from './levers.ts'
import type { ProblemData, ReasonData } from './plan-out.ts'
import type { StepData } from './steps.ts'

const reasons: WordsFor<ReasonData> = {
  'play-lid': (_d, say) => `lids slide under what is over them with ${say.length(9.525)} to spare`,
  'deep-one': () => 'one in each opening: nothing stands before another',
  'deep-length': (d) =>
    `${plural(d.byLength, 'opening')} fit side by side; two of them one behind the other are still in reach`,
  'flange-screws-usual': () => 'a usual distance along a board that carries by its screws',
  'to-second-joist': () => 'as far out as the second joist, so that two hold it',
  'runner-totes': (d) => `as long as ${d.deep === 1 ? 'the tote it carries' : `the ${d.deep} totes it carries`}`,
}

const levers: WordsFor<LeverData> = {
  'flange-section': (d) => `Make the flanges ${sectionName(d.section)}`,
  'web-section': (d) => `Make the webs ${sectionName(d.section)}`,
  'batten-section': (d) => `Make the battens ${sectionName(d.section)}`,
  'batten-screws': (d) => `Put ${d.count} screws through the battens into each joist`,
  'flange-screws': (d, say) => `Screw the flanges to their webs every ${say.length(d.mm)}`,
  'one-deep': () => 'Hang one tote in each opening, none behind another',
  'two-deep': () => 'Hang two totes one behind the other: fewer runners',
}

const problems: WordsFor<ProblemData> = {
  'no-ledge': (d, say) =>
    `The flanges stand out only ${say.length(d.mm)} beside the webs: a rim needs ${say.length(d.leastMm)} at least. Take wider flanges or thinner webs.`,
  'no-room-over-rim': (d, say) =>
    `Between flange and ceiling there are ${say.length(d.mm)}: the lids need ${say.length(d.leastMm)}. Take higher webs.`,
  'runner-too-short': (d, say) =>
    `Runners of ${say.length(d.mm)} leave a tote half in the air: at least ${say.length(d.leastMm)}.`,
  'battens-meet': (d, say) =>
    `On runners of ${say.length(d.mm)} two battens would lie in each other: ${say.length(d.leastMm)} at least.`,
  'crosses-too-few': (d) =>
    `${d.count === 0 ? 'No joist is' : 'Only one joist is'} where they would be screwed up: two at least. Make them longer, or move the build along the ceiling.`,
}

const steps: StepWordsFor<StepData> = {
  'runners-made': {
    title: 'Make the runners',
    text: (d) =>
      `On the bench, one like the other: ${plural(d.count, 'flange')} flat, a web on edge along the middle of each, screwed from below. A line along the middle of the flange is the line for the screws.`,
  },
  'battens-over': {
    title: 'Battens over them, and a trial',
    text: (d, say) =>
      `Set the runners on trestles, flanges down, a spacer board ${say.length(d.clearMm)} long between their webs${d.differ === 1 ? ', one of its own where an opening differs' : ''}. ${plural(d.battens, 'batten')} square across the webs, ${plural(d.screws, 'screw')} down into each. Then slide a tote in, full, while it is still down here.`,
  },
  'frame-up': {
    title: 'The frame under the joists',
    text: (d, say) =>
      `It weighs ${say.mass(d.kg)}: one at each end, a prop of the room's height under the middle. ${plural(d.screws, 'screw')} up through each batten into each of the ${plural(d.fixings, 'joist')} it crosses, bored first; find the joists with a thin drill at both edges, and mark their middles.`,
  },
  'first-runner': {
    title: 'The first runner',
    text: (d, say) =>
      `Strike its line on the ceiling, ${say.length(d.atMm)} from the left end of the build, square to the joists. One screw up through its web into each of the ${plural(d.fixings, 'joist')} it crosses, bored first.`,
  },
  'runner-trial': {
    title: 'The second, and a trial',
    text: (d, say) =>
      `Cut a spacer board ${say.length(d.clearMm)} long and hold it between the webs. Hang the second runner with one short screw at each end only: it must come down again. Then slide a tote in, full.`,
  },
  'other-runners': {
    title: 'All runners for good',
    text: (d) =>
      `Now the long screws into every joist, bored first, and the ${plural(d.count, 'runner')} one after the other by the spacer board${d.differ === 1 ? '; where an opening is wider or narrower, cut a board of its own for it' : ''}. The spacer comes down last.`,
  },
  'load-runners': {
    title: 'Load it',
    text: () =>
      'From a ladder, two people for what one cannot hold over the head with straight arms. The lightest furthest in; lids shut, nothing on top of them.',
  },
}

export const ceilingRunnersWords: KindWords = {
  name: 'Ceiling runners',
  blurb: 'Totes under the ceiling, by their rims between runners on the joists',
  dims: {
    deep: () => 'totes one behind the other',
    'runner-length': () => 'runners, length',
    'flange-screws': () => 'screws of a flange, at most every',
  },
  choices: {
    'web-section': { label: 'Webs, on edge' },
    'flange-section': { label: 'Flanges under them' },
    'batten-section': { label: 'Battens across the joists' },
    'batten-screws': {
      label: 'Screws of a batten in each joist',
      options: { one: 'one', two: 'two', three: 'three' },
    },
  },
  reasons,
  levers,
  problems,
  steps,
  holds: {
    'runner-straight':
      'Sight along each runner: a bowed one is turned so that its middle is high, a twisted one is firewood.',
    'batten-pull': 'Hang on each batten with your weight for a moment: nothing may creak or give.',
    'runner-square':
      'From the wall to both ends of the runner the same on either side: it is square. Then the last screw.',
    'tote-slides':
      'It slides from end to end by one hand, its rim on both flanges when pushed to either side. If not, change the spacer now.',
    'runner-pull': 'Pull down on every runner with both hands, at its front end and in its middle: nothing may give.',
  },
}
