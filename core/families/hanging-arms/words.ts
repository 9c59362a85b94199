import type { KindWords, StepWordsFor, WordsFor } from '../../wording/kind.ts'
import { sectionName } from '../../wording/names.ts'
import { plural } from '../../wording/say.ts'
import type { LeverData } from './levers.ts'
import type { ProblemData, ReasonData } from './plan-out.ts'
import type { StepData } from './steps.ts'

const reasons: WordsFor<ReasonData> = {
  'apart-straight': (d, say) => `${say.length(d.straightMm)} of the shortest bar are straight`,
  'pair-foot': () => 'a foot is usual',
  'arms-past-bar': (d, say) =>
    `handle bars of ${say.length(d.deepMm)} clear the uprights, and two fingers past the bar`,
  'rows-wall': (d) => `${d.columns} beside each other fit on this wall, for ${d.things}`,
  'hung-off-floor': () => 'swept under, and lifted no higher than it must be',
  'hung-beside': () => 'room to reach between two of them',
  'hung-lift': () => 'lifted over the ends of the arms',
}

const levers: WordsFor<LeverData> = {
  'pair-rails': (d) => `Make the rails ${sectionName(d.section)}`,
  'pair-uprights': (d) => `Make the uprights ${sectionName(d.section)}`,
  'pair-fixed': (d) => `Hold each upright with ${d.count} screws at every rail`,
  'rail-in-stud': () => 'Change how many screws hold a rail in each stud',
  'pair-closer': (d, say) => `Put the arms of a pair closer: ${say.length(d.mm)}`,
  'hung-one-row': () => 'Hang all in one row',
  'hung-more-rows': (d) => `Hang them in ${d.count} rows, one above the other`,
}

const problems: WordsFor<ProblemData> = {
  'nothing-by-bar': () =>
    'Nothing here has a bar to hang by: bicycles. Choose other goods for this build, or say of a thing that it is a bicycle.',
  'hung-past-wall': (d, say) =>
    `What hangs is ${say.length(d.mm)} long, and ${say.length(d.haveMm)} of the wall are free.`,
  'hung-too-high': (d, say) =>
    `So many rows need ${say.length(d.mm)} of height, and the wall ends at ${say.length(d.mostMm)}. Take fewer rows, or hang the lowest lower.`,
  'hung-too-deep': (d, say) =>
    `What hangs stands ${say.length(d.mm)} out from the wall, and ${say.length(d.mostMm)} are free there.`,
  'pair-past-bar': (d, say) =>
    `Arms ${say.length(d.mm)} apart do not go under the straight of every bar: ${say.length(d.mostMm)} at most, and clear of each other.`,
  'arm-short-of-bar': (d, say) =>
    `Arms of ${say.length(d.mm)} end before the bar, which must clear the uprights: ${say.length(d.leastMm)} at least.`,
  'arm-thick-in-upright': (d, say) =>
    `An arm of ${say.length(d.mm)} leaves too little wood beside its hole: ${say.length(d.mostMm)} at most in these uprights.`,
  'hung-rail-misses-studs': (d, say) =>
    `The piece of rail that begins ${say.length(d.from)} from the left passes ${plural(d.count, 'stud')}: two at least must hold it. Move the build.`,
  'hung-rail-not-spliced': (d, say) =>
    `Boards of ${say.length(d.mostMm)} do not reach from stud to stud. Take fewer things, or another section.`,
}

const steps: StepWordsFor<StepData> = {
  'pairs-bored': {
    title: 'Bore the uprights',
    text: (d, say) =>
      `${plural(d.count, 'upright')} side by side, the heights struck across all of them with the stick. Bore ${plural(d.holes, 'hole')} of ${say.length(d.diameterMm)}, ${say.length(d.deepMm)} deep, leaning up by five degrees: a block sawn at that angle guides the bit.`,
  },
  'pairs-framed': {
    title: 'Frame it together',
    text: (d, say) =>
      `${plural(d.count, 'upright')} face down on the floor, ${say.length(d.apartMm)} from middle to middle of a pair, ${plural(d.rails, 'rail')} across their backs at the marks of the stick. ${plural(d.screws, 'screw')} in all, from behind through the rails, bored first. A rod in the holes of both sets one upright level with the other.`,
  },
  'pairs-up': {
    title: 'Frame on the wall',
    text: (d, say) =>
      `${d.frames === 1 ? 'The frame' : `${d.frames} frames, one after the other,`} level, the lower edge of the lowest rail ${say.length(d.lowestMm)} above the floor, on two props. ${plural(d.places, 'place')} through the rails into studs or masonry, bored first.`,
  },
  'hang-by-bar': {
    title: 'Hang them',
    text: (d) =>
      `${plural(d.count, 'place')}: a strip of cloth or foam round each arm, then the frame on both arms of its pair, its middle between them. One turned the other way round from the next saves room for the bars. A frame without a level bar hangs on a bar tied through it.`,
  },
}

export const hangingArmsWords: KindWords = {
  name: 'Hanging arms',
  blurb: 'Bicycles by their frames on pairs of arms, off the floor',
  dims: {
    'pair-apart': () => 'arms of a pair apart',
    'pair-arms': () => 'arms, out from the uprights',
    'hung-beside': () => 'between neighbours',
    'hung-rows': () => 'rows, one above the other',
    'hung-lowest': () => 'lowest wheel above the floor',
  },
  choices: {
    'pair-uprights': { label: 'Uprights' },
    'pair-rails': { label: 'Rails' },
    'pair-fixed': { label: 'Screws of an upright at each rail', options: { two: 'two', three: 'three' } },
  },
  reasons,
  levers,
  problems,
  steps,
  holds: {
    'pair-arm-tried':
      'One arm in its first hole before the rest is bored: it goes in by hand with a twist, and does not rattle.',
    'pair-level': 'A level on the two arms of a pair: they agree.',
  },
}
