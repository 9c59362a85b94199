import { meetsTooFew } from '../../wording/counts.ts'
import type { KindWords, StepWordsFor, WordsFor } from '../../wording/kind.ts'
import { sectionName, sheetName } from '../../wording/names.ts'
import { plural } from '../../wording/say.ts'
import type { LeverData } from './levers.ts'
import type { ProblemData, ReasonData } from './plan-out.ts'
import type { StepData } from './steps.ts'

const reasons: WordsFor<ReasonData> = {
  'panel-quarter': () => 'half a sheet each way: one person puts it up',
  'panel-long': () => 'as high as a sheet is wide, for what is long',
  'panels-tools': (d) => `as many as hang ${plural(d.things, 'thing')}`,
  'panels-studs': () => 'so many that their battens are held in two studs',
  'panel-at-hand': () => 'its middle at the shoulder',
  'panel-over-floor': () => 'what hangs past its lower edge ends over the floor',
  'battens-usual': (_d, say) => `${say.length(406.4)} is usual`,
  'panel-screws': (_d, say) => `a screw every ${say.length(203.2)} is usual`,
  'hook-play': (_d, say) => `${say.length(25.4)} between things: a hook hole`,
}

const levers: WordsFor<LeverData> = {
  'battens-in-stud': () => 'Change how many screws hold a batten in each stud',
  'battens-closer': (d, say) => `Put the battens closer: ${say.length(d.mm)} apart`,
  'panel-screws-closer': (d, say) => `Screw the panels every ${say.length(d.mm)}`,
  'peg-battens': (d) => `Make the battens ${sectionName(d.section)}`,
  'peg-panel': (d) => `Make the panels of ${sheetName(d.sheet)}`,
}

const problems: WordsFor<ProblemData> = {
  'panel-past-sheet': (d, say) =>
    `A panel of ${say.length(d.mm)} does not come out of a sheet, which gives ${say.length(d.mostMm)} that way. Make it smaller.`,
  'pegboard-past-wall': (d, say) =>
    `The panels are ${say.length(d.mm)} long, and ${say.length(d.haveMm)} of wall are free. Fewer panels, or narrower ones.`,
  'battens-miss-studs': (d, say) =>
    `The piece of batten that begins ${say.length(d.from)} from the left end ${meetsTooFew(d.count)}. More panels, or move it along the wall.`,
  'batten-not-spliced': (d, say) =>
    `No board is long enough from one stud to the next: at most ${say.length(d.mostMm)}.`,
  'pegboard-too-high': (d, say) =>
    `Its upper edge would be ${say.length(d.mm)} up, and the wall ends at ${say.length(d.mostMm)}. Lower it, or make the panels lower.`,
  'no-standoff': (d, say) =>
    `Battens of ${say.length(d.mm)} leave no room for the backs of the hooks: ${say.length(d.leastMm)} at least.`,
  'no-hung-tools': () =>
    'Nothing here goes on these panels: everything is wider than one, or longer than from its upper edge to the floor. Make them larger.',
}

const steps: StepWordsFor<StepData> = {
  'battens-along': {
    title: 'Battens on the wall',
    text: (d, say) =>
      `${plural(d.count, 'batten')}, level, the lowest with its lower edge ${say.length(d.lowestMm)} above the floor, the others from the stick: ${plural(d.places, 'place')} in studs or masonry, bored first. They keep the panel off the wall, so that hooks go in.`,
  },
  'panels-on': {
    title: 'Panels on the battens',
    text: (d) =>
      `${plural(d.count, 'panel')}, holes bored on the bench through a template, ${plural(d.screws, 'screw')} in all into the battens, the middle row first, then outwards. Screw heads flush, not sunk.`,
  },
  'hooks-in': {
    title: 'Hooks',
    text: (d) =>
      `${plural(d.count, 'hook')}, each where its tool hangs in the picture; lay the tools out on the floor first.`,
  },
  'hang-tools': {
    title: 'Hang the tools',
    text: () => 'The heavy ones near a batten. A hook that pulls its hole oval moves one hole on.',
  },
}

export const pegboardWords: KindWords = {
  name: 'Pegboard',
  blurb: 'Panels with holes on battens, a hook for each tool',
  dims: {
    panels: () => 'panels',
    'panel-wide': () => 'panel, along the wall',
    'panel-high': () => 'panel, height',
    'panel-lowest': () => 'lower edge',
    'battens-every': () => 'battens, at most every',
    'panel-screws': () => 'screws along each batten, every',
  },
  choices: {
    'peg-sheet': { label: 'Panels' },
    'batten-in-stud': { label: 'Screws of a batten in each stud', options: { one: 'one', two: 'two' } },
  },
  reasons,
  levers,
  problems,
  steps,
  holds: {
    'battens-in-plane': 'A straight edge across all battens: pack the hollow ones before the screws are tight.',
    'panel-flat': 'Press between the battens: it gives a little and comes back. Pull at a corner: nothing.',
  },
}
