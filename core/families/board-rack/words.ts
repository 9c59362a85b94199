import type { KindWords, StepWordsFor, WordsFor } from '../../wording/kind.ts'
import { sectionName } from '../../wording/names.ts'
import { plural } from '../../wording/say.ts'
import type { LeverData } from './levers.ts'
import type { ProblemData, ReasonData } from './plan-out.ts'
import type { StepData } from './steps.ts'

const reasons: WordsFor<ReasonData> = {
  'uprights-usual': (d, say) => `on every second stud, ${say.length(d.everyMm)}`,
  'uprights-short': (d, say) => `close enough that the shortest, ${say.length(d.shortestMm)}, lies on two arms`,
  'uprights-longest': (d, say) => `as many as the longest, ${say.length(d.longestMm)}, lies on`,
  'arms-usual': () => 'a foot is usual',
  'arms-deepest': (d, say) => `the widest board is ${say.length(d.deepestMm)}`,
  'levels-boards': (d) => `as many as ${plural(d.things, 'board')} need`,
  'rise-boards': () => 'a stack, a hand over it, and the lean of the arms',
  'lowest-sheets': (d, say) => `over sheets of ${say.length(d.tallMm)} that stand below`,
  'lowest-usual': () => 'clear of what is pushed under it',
  'play-hand': () => 'a hand over the stack',
}

const levers: WordsFor<LeverData> = {
  'arms-shorter': (d, say) => `Shorten the arms to ${say.length(d.mm)}`,
  'more-levels': (d) => `Spread the boards over ${plural(d.count, 'level')}`,
  'uprights-closer': (d, say) => `Put the uprights closer: ${say.length(d.mm)} apart`,
  'upright-section': (d) => `Make the uprights ${sectionName(d.section)}`,
  'upright-screws': () => 'Change how many screws each fixing of an upright has',
}

const problems: WordsFor<ProblemData> = {
  'no-boards': () =>
    'Nothing here is long enough to lie on arms: boards, pipes, mouldings. Choose other goods for this build.',
  'arm-too-thick': (d, say) =>
    `An arm of ${say.length(d.mm)} leaves too little wood beside its hole: ${say.length(d.mostMm)} at most in these uprights.`,
  'too-few-uprights': (d, say) =>
    `Only ${plural(d.count, 'stud')} can take an upright at ${say.length(d.mm)} apart: two at least. Put them closer, or choose a longer wall.`,
  'arm-too-deep': (d, say) =>
    `Uprights and arms reach ${say.length(d.mm)} out, and ${say.length(d.mostMm)} are free there.`,
  'levels-too-high': (d, say) =>
    `The highest level would need ${say.length(d.mm)}, and the wall ends at ${say.length(d.mostMm)}. Take fewer levels, or put them closer.`,
  'rack-past-wall': (d, say) =>
    `The longest board, ${say.length(d.mm)}, does not lie evenly on uprights of this wall, which is ${say.length(d.haveMm)} long.`,
}

const steps: StepWordsFor<StepData> = {
  'uprights-bored': {
    title: 'Bore the uprights',
    text: (d, say) =>
      `${plural(d.count, 'upright')} side by side, every height struck across all of them with the stick. Bore ${plural(d.holes, 'hole')} of ${say.length(d.diameterMm)}, ${say.length(d.deepMm)} deep, leaning up by five degrees: a block sawn at that angle guides the bit. Holes on the line through the middle of the face, all to one depth.`,
  },
  'uprights-up': {
    title: 'Uprights on the studs',
    text: (d, say) =>
      `${plural(d.count, 'upright')} plumb on the middles of their studs, lower ends ${say.length(d.footMm)} above the floor, ${plural(d.screws, 'fixing')} in each, bored first. The first one plumb; a long straight board or a level line from its holes sets the others.`,
  },
}

export const boardRackWords: KindWords = {
  name: 'Board rack',
  blurb: 'Boards and pipes across arms in uprights on the studs',
  dims: {
    uprights: () => 'uprights',
    'arms-apart': () => 'uprights apart, at least',
    levels: () => 'levels',
    'lowest-arm': () => 'lowest arms, at the uprights',
    'level-rise': () => 'from one level to the next',
    'arm-length': () => 'arms, out from the uprights',
  },
  choices: {
    'upright-section': { label: 'Uprights' },
    'upright-screws': { label: 'Screws at each fixing', options: { one: 'one', two: 'two' } },
  },
  reasons,
  levers,
  problems,
  steps,
  holds: {
    'one-arm-tried':
      'One arm in its first hole before the rest is bored: it goes in by hand with a twist, and does not rattle.',
    'holes-in-line': 'A straight board on the arms of one level touches all of them.',
  },
}
