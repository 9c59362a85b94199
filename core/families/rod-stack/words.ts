import type { KindWords, StepWordsFor, WordsFor } from '../../wording/kind.ts'
import type { StepData } from './steps.ts'
import type { LeverData } from './levers.ts'
import type { ProblemData, ReasonData } from './plan-out.ts'
import { fixed } from '../../wording/fixed.ts'
import { sectionName } from '../../wording/names.ts'
import { plural } from '../../wording/say.ts'

const dims: Record<string, (d: Record<string, number>) => string> = {
  'gap-ceiling': () => 'from its top to the ceiling',
}

const choices: NonNullable<KindWords['choices']> = {
  'cross-section': { label: 'Cross pieces under it' },
}

const reasons: WordsFor<ReasonData> = {
  'past-first-joist': () => 'so that its rear rods hang between two joists',
  'against-wall': () => 'its back against the wall',
  'clear-widest': (d, say) => `the widest thing, ${say.lengthOf(d, 'widestMm')}, with its play`,
  'clear-usual': (d, say) => `no narrower than ${say.lengthOf(d, 'everyMm')}`,
  'gap-spanner': () => 'room to lift it onto its nuts, and for a hand and a spanner',
}

const levers: WordsFor<LeverData> = {
  'thinner-rod': (d) => `Hang it on thinner rods: ${sectionName(d.section)}`,
  'cross-section': (d) => `Make the cross pieces ${sectionName(d.section)}`,
}

const problems: WordsFor<ProblemData> = {
  'too-shallow-for-rods': (d, say) =>
    `Too shallow for a cross piece at front and back: at least ${say.lengthOf(d, 'leastMm')}.`,
  'spreaders-meet': (d, say) =>
    `Above the joists its two spreaders would lie in each other: each is ${say.lengthOf(d, 'mm')} wide, and its rods are ${say.lengthOf(d, 'mostMm')} apart. Narrower spreaders, or a larger box.`,
  'hangs-to-floor': (d, say) =>
    `It would be ${say.lengthOf(d, 'mm')} high and hang to the floor: at most ${say.lengthOf(d, 'mostMm')}. Fewer shelves.`,
  'no-room-for-coupling': (d, say) =>
    `There is no room for the coupling nuts between its cross pieces and the ceiling: from its top to the ceiling at least ${say.lengthOf(d, 'leastMm')}.`,
}

const steps: StepWordsFor<StepData> = {
  'back-behind': {
    title: 'Back',
    text: () => 'Behind the box, flush all round, screwed to sides, shelves, bottom and top. It keeps the box square.',
  },
  'spreaders-up': {
    title: 'Spreaders over the joists',
    text: (d) =>
      `Mark where the rods come through the ceiling, beside the joists and never in them, and bore. Lay the ${plural(d.count, 'spreader')} over the joists, and put the ${plural(d.rods, 'short rod')} through, washer and nut above. Two nuts against each other do not work loose.`,
  },
  'crosses-on': {
    title: 'Cross pieces under the box',
    text: (d) =>
      `Bore the holes of the cross pieces, one over the other so that they agree with those above. Flat under the box at front and back, ${fixed(d)} down through the bottom into each.`,
  },
  'stack-up': {
    title: 'Up with it',
    text: (d, say) =>
      `Screw a coupling nut on each of the ${plural(d.rods, 'rod')}, half its length, and hang them from the short ones. Two people, empty: lift the box on two trestles or props, cross pieces ${say.lengthOf(d, 'atMm')} above the floor, thread the rods through, washer and nut below each, and turn the nuts until it hangs free of the props. A second nut above keeps it down.`,
  },
  'stack-steady': {
    title: 'So that it does not swing',
    text: (d) =>
      `${plural(d.count, 'screw')} through the back into the wall, near its top, where ${d.count === 1 ? 'a stud is' : 'studs are'}. They steady it; the rods carry it.`,
  },
}

const holds: NonNullable<KindWords['holds']> = {
  'stack-level': () =>
    'Level both ways, and all four rods tight: pluck each, they sound alike. Then push it: nothing may creak.',
  'nuts-again': () => 'After a day under load, look at every nut and washer once more.',
}

export const rodStackWords: KindWords = {
  name: 'Stack on rods',
  blurb: 'A box of shelves hung from the joists by threaded rods',
  dims,
  choices,
  reasons,
  levers,
  problems,
  steps,
  holds,
}
