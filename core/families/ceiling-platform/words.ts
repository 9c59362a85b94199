import { meetsTooFew } from '../../wording/counts.ts'
import type { KindWords, StepWordsFor, WordsFor } from '../../wording/kind.ts'
import { sectionName } from '../../wording/names.ts'
import { plural } from '../../wording/say.ts'
import type { LeverData } from './levers.ts'
import type { ProblemData, ReasonData } from './plan-out.ts'
import type { StepData } from './steps.ts'

const reasons: WordsFor<ReasonData> = {
  'platform-past-joist': () => 'so that its front hangs between the first joist and the next',
  'platform-rows': () =>
    'so that things alike stand behind each other: in one row they would take more length than there is',
  'platform-goods': (d) => `as long as ${plural(d.things, 'thing')} need`,
  'platform-under-ceiling': (d, say) =>
    `as high as the tallest thing on it, ${say.length(d.tallMm)}, and its play let it`,
  'bearers-apart': (d, say) => `a bearer every ${say.length(d.everyMm)} at most`,
}

const levers: WordsFor<LeverData> = {
  'cleat-screws': (d) => `Put ${plural(d.count, 'screw')} of the cleat into each stud`,
  'deck-frame': (d) => `Make rails and cross pieces of the deck ${sectionName(d.section)}`,
  'bearer-section': (d) => `Make bearers and cleat ${sectionName(d.section)}`,
  'drop-screws': (d) => `Put ${plural(d.count, 'screw')} through each drop into bearer and spreader`,
  'front-on-rods': () => 'Hang its front on rods',
  'more-bearers': (d) => `Hang it on ${d.count} bearers, each with a rod of its own`,
}

const problems: WordsFor<ProblemData> = {
  'platform-in-ceiling': (d, say) =>
    `Its deck at ${say.length(d.mm)} leaves no room under the ceiling for the tallest thing, or for what it hangs by: at most ${say.length(d.mostMm)}.`,
  'platform-too-low': (d, say) =>
    `Its underside would hang ${say.length(d.mm)} above the floor: at least ${say.length(d.leastMm)}. What is so tall belongs on the floor.`,
  'deck-not-spliced': (d, say) =>
    `Two of its bearers are so far apart that no sheet one can get up there, ${say.length(d.mostMm)} long, reaches from one to the next. Take more bearers.`,
  'cleat-misses-studs': (d) => `Its cleat ${meetsTooFew(d.count)}. Make it longer, or move it along the wall.`,
}

const steps: StepWordsFor<StepData> = {
  'platform-frame': {
    title: 'Make the frame',
    text: (d) =>
      `Flat on the floor: rails behind and in front, cross pieces between, ${plural(d.screws, 'screw')} into each of their ends. Lay the ${plural(d.sheets, 'sheet')} on it for a look: the frame may be a hair larger, never smaller.`,
  },
  'platform-spreaders': {
    title: 'Spreaders over the joists',
    text: (d) =>
      d.saddles
        ? `${plural(d.count, 'spreader')} flat over the joists along the wall, one before the drops and one behind, and over both, right over each bearer to be, one of the ${plural(d.saddles, 'saddle')}: bored, two screws down into either. Cut the ceiling open beside the two edges of each saddle where the drops go up, clear of the joists.`
        : d.drops
          ? `${plural(d.count, 'spreader')} flat over the joists, each right over a bearer to be, lying on both joists beside the drops. Cut the ceiling open beside its two edges where the drops go up, clear of the joists.`
          : `Bore the ${plural(d.count, 'hole')} through the ceiling where the rods go, clear of the joists. From above a spreader over each, lying on both joists beside it, a short rod down through it: washer and two nuts.`,
  },
  'platform-bolts': {
    title: 'Rods onto the bolts',
    text: (d, say) =>
      `Find the ${plural(d.count, 'bolt')} in the ceiling and look whether each sits tight. A coupling nut half onto each, a rod ${say.length(d.longMm)} long into its other half until both ends meet. Their thread must be that of the bolts: try one before you buy.`,
  },
  'platform-cleat': {
    title: 'The cleat on the wall',
    text: (d, say) =>
      `Its upper edge on a level line ${say.length(d.atMm)} above the floor; ${plural(d.screws, 'screw')} into every stud, bored first.`,
  },
  'platform-bearers': {
    title: 'Bearers',
    text: (d, say) =>
      `One after the other, ${d.count} in all: rear end on the cleat, a clamp there, a prop ${say.length(d.propMm)} long under its front, so that one person's hands are free. ${d.drops ? `A drop on either edge of it, up beside the ${d.saddles ? 'saddle' : 'spreader'}: the level over it first, then ${plural(d.screws, 'screw')} through each into the ${d.saddles ? 'saddle' : 'spreader'} and into the bearer, all bored.` : d.bolts ? 'Its rod down through it, washer and nuts below.' : 'The long rod up through it into its coupling, washer and nuts below.'} Screw it down to the cleat.`,
  },
  'platform-frame-up': {
    title: 'The frame on its bearers',
    text: (d) =>
      `Two people lift it over the front, back edge first, against the wall. ${plural(d.screws, 'screw')} up through each bearer into either rail. ${d.drops ? 'A string along the front: what hangs low is packed up now, before anything lies on it.' : 'Turn the nuts until the front is level: it sags until then.'}`,
  },
  'platform-deck': {
    title: 'Lay the deck',
    text: (d) =>
      `${plural(d.sheets, 'piece')} of sheet, small enough to hand up, joints over a cross piece; screw them to rails and cross pieces.`,
  },
  'load-platform': {
    title: 'Load it',
    text: () =>
      'From a ladder, light things first, the heavy ones at the wall. Nobody climbs onto it: it is made for what it holds, not for people.',
  },
}

export const ceilingPlatformWords: KindWords = {
  name: 'Ceiling platform',
  blurb: 'A deck under the ceiling, on a cleat at the wall and on rods or boards in front',
  dims: { 'platform-top': () => 'deck above the floor', bearers: () => 'bearers' },
  choices: {
    'deck-sheet': { label: 'Deck' },
    'deck-frame': { label: 'Rails and cross pieces' },
    'bearer-section': { label: 'Bearers, flat, and cleat' },
    'platform-front': {
      label: 'Its front hangs',
      options: { rods: 'on rods from over the joists', drops: 'on pairs of boards', bolts: 'on bolts that are there' },
    },
    'drop-screws': {
      label: 'Screws of a drop in bearer and spreader',
      options: { two: 'two', three: 'three', four: 'four' },
    },
    'cleat-screws': { label: 'Screws of the cleat in each stud', options: { one: 'one', two: 'two', three: 'three' } },
  },
  reasons,
  levers,
  problems,
  steps,
  holds: {
    'front-level':
      'A level from the cleat to the front end of each bearer, and a string along the fronts: turn the nuts until both agree.',
    'platform-pull':
      'Hang on its front edge with your weight for a moment: nothing may creak or give. Then look at every nut again.',
  },
}
