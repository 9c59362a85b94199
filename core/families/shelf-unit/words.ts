import type { KindWords, StepWordsFor, WordsFor } from '../../wording/kind.ts'
import type { StepData } from './steps.ts'
import type { LeverData } from './levers.ts'
import { fixed } from '../../wording/fixed.ts'
import { sectionName } from '../../wording/names.ts'

const levers: WordsFor<LeverData> = {
  'cleat-section': (d) => `Make the cleats ${sectionName(d.section)}, thick enough for their screws`,
  'add-back': () => 'Give it a thin back',
  wider: (d, say) => `Make the openings ${say.lengthOf(d, 'mm')} wide`,
  'no-strip': () => 'Leave the edge strips out',
  'no-rear-strip': () => 'Leave the strips under the rear edges out',
  'both-strips': (d) => `Glue and screw ${sectionName(d.section)} under the front and the rear edge of each shelf`,
}

const where = (d: Record<string, string | number | undefined>): string =>
  d.rear ? 'Under the front and the rear edge of each shelf' : 'Under the front edge of each shelf'

const steps: StepWordsFor<StepData> = {
  'walk-to-wall': {
    title: 'Walk it to the wall',
    text: () => 'Empty, two people, one end at a time. One of them holds it upright until it is tied or heavy below.',
  },
  'cleats-on': {
    title: 'Cleats on the uprights',
    text: (d) =>
      `Lay the uprights side by side, carry the marks of the stick across all of them at once, and screw the cleats on through the upright with their tops one sheet thickness below the marks, ${fixed(d)} in each. Where one is on the other face already, the screws go through it too.`,
  },
  'strips-glued': {
    title: 'Strips under the edges',
    text: (d) =>
      `${where(d)}: glue along the whole strip, screw it from above every hand’s width, and let the glue set before it carries anything: the two then bend as one.`,
  },
  'strips-screwed': {
    title: 'Strips under the edges',
    text: (d) => `${where(d)}: screw each strip from above, flush with the edge of its shelf.`,
  },
  'shelves-in': {
    title: 'Shelves between the uprights',
    text: (d) =>
      `On their backs on the flat floor: shelves ${d.cleats ? 'onto their cleats' : 'into their dadoes'}, ${fixed(d)} at each end.`,
  },
  'shelves-in-standing': {
    title: 'Shelves between the uprights, standing',
    text: (d) =>
      `An arm’s length off the wall: one person holds an outer upright, the other brings the lowest and the highest shelf and the next upright, ${fixed(d)} at each end; then the shelves between.`,
  },
}

const holds: NonNullable<KindWords['holds']> = {
  'cleats-level': () => 'Lay a shelf across two uprights side by side: it must lie on both cleats without rocking.',
}

export const shelfUnitWords: KindWords = {
  name: 'Shelf unit',
  blurb: 'Uprights of sheet, shelves between them',
  choices: {
    'rear-strip': { label: 'Strips at the back', options: { false: 'none', true: 'under the rear edges too' } },
  },
  levers,
  steps,
  holds,
}
