import type { KindWords, StepWordsFor, WordsFor } from '../../wording/kind.ts'
import { sectionName } from '../../wording/names.ts'
import { plural } from '../../wording/say.ts'
import type { LeverData } from './levers.ts'
import type { ProblemData, ReasonData } from './plan-out.ts'
import type { StepData } from './steps.ts'

const reasons: WordsFor<ReasonData> = {
  'hooks-things': (d) => `${plural(d.things, 'thing')} to hang, and ${d.fit} fit on this wall`,
  'wheel-off-floor': () => 'swept under, and lifted no higher than it must be',
  'wheel-in-reach': (d, say) => `a wheel is lifted no higher than ${say.length(d.reachMm)}`,
  'wheels-beside': () => 'handle bars pass each other',
  'wheel-lift': () => 'a wheel is lifted off its hook',
}

const levers: WordsFor<LeverData> = {
  'wheel-rail': (d) => `Make the rail ${sectionName(d.section)}`,
  'wheel-rail-in-stud': () => 'Change how many screws hold the rail in each stud',
  'wheels-fewer': (d) => `Hang ${d.count} of them here`,
  'wheels-closer': (d, say) => `Leave ${say.length(d.mm)} between neighbours`,
  'wheels-lower': (d, say) => `Hang the longest ${say.length(d.mm)} above the floor`,
}

const problems: WordsFor<ProblemData> = {
  'nothing-by-wheel': () =>
    'Nothing here hangs by a wheel: bicycles do. Choose other goods for this build, or say of a thing that it is a bicycle.',
  'wheels-past-wall': (d, say) =>
    `What hangs takes ${say.length(d.mm)} along the wall, and ${say.length(d.haveMm)} are free. Fewer hooks, or less between them.`,
  'wheels-too-high': (d, say) =>
    `Upright, and lifted off its hook, the longest reaches ${say.length(d.mm)}, and the wall ends at ${say.length(d.mostMm)}.`,
  'wheels-too-deep': (d, say) =>
    `What hangs by a wheel stands ${say.length(d.mm)} out from the wall, and ${say.length(d.mostMm)} are free there.`,
  'wheel-rail-in-floor': (d, say) =>
    `Its upper wheel would be ${say.length(d.mm)} above the floor, and there is no room for the rail under ${say.length(d.leastMm)}. Hang it higher.`,
  'wheel-rail-narrow': (d, say) =>
    `The plate of a hook is ${say.length(d.leastMm)} high, and the rail ${say.length(d.mm)}. Choose a wider board.`,
  'wheel-rail-misses-studs': (d, say) =>
    `The piece of rail that begins ${say.length(d.from)} from the left passes ${plural(d.count, 'stud')}: two at least must hold it. Move the build.`,
  'wheel-rail-not-spliced': (d, say) =>
    `Boards of ${say.length(d.mostMm)} do not reach from stud to stud. Take fewer things, or another section.`,
}

const steps: StepWordsFor<StepData> = {
  'wheel-rail-up': {
    title: 'Rail on the wall',
    text: (d, say) =>
      `${d.pieces === 1 ? 'The rail' : `${plural(d.pieces, 'piece')} of rail, meeting on a stud,`} level, with its lower edge ${say.length(d.lowestMm)} above the floor. ${plural(d.places, 'place')} into studs or masonry, bored first, tightened once all are in.`,
  },
  'wheel-hooks-in': {
    title: 'Hooks on the rail',
    text: (d, say) =>
      `${plural(d.count, 'hook')}${d.count > 1 ? `, ${say.length(d.apartMm)} from middle to middle` : ''}, their plates in the middle of the rail, with the screws they come with, bored first, no screw near the edge or the end of the board.`,
  },
  'hang-by-wheel': {
    title: 'Hang them',
    text: (d) =>
      `${plural(d.count, 'place')}: stand the bicycle on its rear wheel, lift the front one onto its hook with the spokes clear of it, and let the rear one come to the wall. Every second one the other way up, if handle bars meet. A maker may forbid it: look it up for brakes with oil in them, air forks and rims of carbon.`,
  },
}

export const hookRailWords: KindWords = {
  name: 'Hook rail',
  blurb: 'Bicycles upright by a wheel, close beside each other',
  dims: {
    'wheel-hooks': () => 'hooks',
    'wheels-beside': () => 'between neighbours',
    'wheel-lowest': () => 'lowest wheel above the floor',
  },
  choices: { 'wheel-rail': { label: 'Rail' } },
  reasons,
  levers,
  problems,
  steps,
  holds: {
    'wheel-rail-level': 'A level along the rail: end to end it agrees.',
    'wheel-hook-pulled':
      'Hang on every hook with both hands, as heavily as the heaviest thing: nothing gives or creaks.',
  },
}
