import type { KindWords, StepWordsFor, WordsFor } from '../../wording/kind.ts'
import { sectionName } from '../../wording/names.ts'
import { plural } from '../../wording/say.ts'
import type { LeverData } from './levers.ts'
import type { ProblemData, ReasonData } from './plan-out.ts'
import type { StepData } from './steps.ts'

const reasons: WordsFor<ReasonData> = {
  'places-things': (d) => `${plural(d.things, 'thing')} to stand there, and ${d.fit} fit along this wall`,
  'places-beside': () => 'a hand and a foot go in beside each',
}

const levers: WordsFor<LeverData> = {
  'floor-stop': (d) => `Make the stop at the wall ${sectionName(d.section)}`,
  'places-fewer': (d) => `Stand ${d.count} of them here`,
  'places-closer': (d, say) => `Leave ${say.length(d.mm)} on each side of a thing`,
}

const problems: WordsFor<ProblemData> = {
  'nothing-on-floor': () =>
    'Nothing here stands on the floor by itself: machines and equipment do. Choose other goods for this build, or say of a thing that it is equipment.',
  'places-past-wall': (d, say) =>
    `Side by side they take ${say.length(d.mm)} along the wall, and ${say.length(d.haveMm)} are free. Fewer places, or less beside them.`,
  'places-too-deep': (d, say) =>
    `With the stop behind it the deepest stands ${say.length(d.mm)} out from the wall, and ${say.length(d.mostMm)} are free there.`,
  'stop-misses-studs': (d, say) =>
    `The piece of the stop that begins ${say.length(d.from)} from the left passes ${plural(d.count, 'stud')}: two at least must hold it. Move the build.`,
  'stop-not-spliced': (d, say) =>
    `Boards of ${say.length(d.mostMm)} do not reach from stud to stud. Take fewer places, or another section.`,
}

const steps: StepWordsFor<StepData> = {
  'floor-stop-on': {
    title: 'The stop at the wall',
    text: (d) =>
      `${d.pieces === 1 ? 'The board' : `${plural(d.pieces, 'board')}, meeting on a stud,`} on edge on the floor, tight to the wall, ${plural(d.places, 'screw')} into studs or masonry, bored first. What is rolled in stops there, and not at the lining.`,
  },
  'floor-marked': {
    title: 'Mark the places',
    text: (d, say) =>
      `Sweep the floor, then tape or paint the outline of ${plural(d.count, 'place')}: along the wall from the left end of the stop ${d.widths
        .split(' ')
        .map((mm) => say.length(Number(mm)))
        .join(
          ', then ',
        )}, out to ${say.length(d.deepMm)} from it. Write what belongs in each; nothing else is put down there.`,
  },
  'floor-rolled-in': {
    title: 'Put them there',
    text: (d) =>
      `${d.count === 1 ? 'It goes' : 'Each goes'} back to the stop, brakes on or wheels chocked. Fuel off and cold before anything stands over it; what has a plug keeps its cord off the floor.`,
  },
}

export const floorPlaceWords: KindWords = {
  name: 'Place on the floor',
  blurb: 'A stop at the wall and a marked place for what stands by itself: a mower, a freezer, a barrow',
  dims: {
    'floor-places': () => 'places',
    'places-beside': () => 'free on each side of a thing',
  },
  choices: { 'floor-stop': { label: 'Stop at the wall' } },
  reasons,
  levers,
  problems,
  steps,
  holds: {
    'stop-kicked': 'Kick it: it does not move, and no screw stands out of it.',
  },
}
