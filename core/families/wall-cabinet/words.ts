import type { KindWords, StepWordsFor, WordsFor } from '../../wording/kind.ts'
import type { StepData } from './steps.ts'
import type { LeverData } from './levers.ts'
import type { ProblemData, ReasonData } from './plan-out.ts'
import { fixed } from '../../wording/fixed.ts'
import { plural } from '../../wording/say.ts'

const choices: NonNullable<KindWords['choices']> = {
  'shelf-hold': {
    label: 'Shelves are held',
    options: { dado: 'in dadoes', butt: 'by screws through the uprights', pins: 'loose on pins in rows of holes' },
  },
}

const reasons: WordsFor<ReasonData> = {
  'two-studs': () => 'wide enough to be fixed to two studs',
}

const levers: WordsFor<LeverData> = {
  'hang-by-rail': () => 'Screw it to the wall through its rail instead of hooking it on a strip',
  'hang-by-strip': () => 'Hook it on a bevelled strip instead of screwing it through its rail',
  'in-rabbets': () => 'Set top and bottom into rabbets of the sides instead of between them',
}

const problems: WordsFor<ProblemData> = {
  'pins-too-shallow': (d, say) =>
    `A loose shelf lies on two rows of pins, one in front of the other: ${say.lengthOf(d, 'leastMm')} deep at least, and it is ${say.lengthOf(d, 'mm')}. Deeper, or shelves in dadoes.`,
  'no-stud-behind-it': () => 'No stud lies behind it: make it wider, or move it along the wall.',
  'back-past-sheet': (d, say) =>
    `The back of an opening would be ${say.lengthOf(d, 'mm')} at its narrowest, and a sheet of it gives ${say.lengthOf(d, 'mostMm')}. Narrower openings, or lower ones.`,
}

const steps: StepWordsFor<StepData> = {
  'ledger-up': {
    title: 'A ledger for the time being',
    text: (d, say) =>
      `A straight board, level, its upper edge ${say.lengthOf(d, 'atMm')} above the floor, one screw into each stud behind it. It only holds the weight until the fixings do.`,
  },
  'screw-to-wall-held': {
    title: 'Screw it to the wall',
    text: (d) =>
      `Empty: one person holds it in its place and back against the wall, the other fixes it through back and upper rail at ${plural(d.count, 'place')}.`,
  },
  'rails-bevelled': {
    title: 'Rails against the wall',
    text: (d) =>
      `Rip the strip and the upper rail with the saw tilted to 45°: the bevels face each other. The rails go in flush with the rear edges, the upper one with its bevel down and inward, ${fixed(d)} through the side into each end, then through top and bottom along them.`,
  },
  'rails-in': {
    title: 'Rails against the wall',
    text: (d) =>
      `Flush with the rear edges, ${fixed(d)} through the side into each end, then through top and bottom along them.`,
  },
  'back-in': {
    title: 'Back',
    text: () => 'From the front, against the rails, and screwed to both. It keeps the box square.',
  },
  'strip-on-wall': {
    title: 'The strip on the wall',
    text: (d, say) =>
      `Strike a level line ${say.lengthOf(d, 'atMm')} above the floor: the upper edge of the strip. Find the studs on it, and screw the strip on, bevel up and away from the wall, at ${plural(d.count, 'place')}, each in solid wood or masonry.`,
  },
  'strips-on-wall': {
    title: 'The strips on the wall',
    text: (d, say) =>
      `Strike a level line ${say.lengthOf(d, 'atMm')} above the floor: the upper edge of the upper strip. Screw it on, bevel up and away from the wall, in solid wood or masonry. The second one below it, set from the two rails of the box itself: both must hook at once. ${plural(d.count, 'place')} in all.`,
  },
  'hook-on': {
    title: 'Hook it on',
    text: () =>
      'Two people, empty: lift it above the strip, lean it to the wall and let it down until the bevels meet. Slide it to its place. Its lower rail must touch the wall along its whole length: pack it where it does not.',
  },
  'screw-to-wall': {
    title: 'Screw it to the wall',
    text: (d, say) =>
      `Two people, empty: set it on the ledger, its underside ${say.lengthOf(d, 'atMm')} above the floor; one holds it back, the other fixes it through back and upper rail at ${plural(d.count, 'place')}. Then the ledger comes off.`,
  },
}

const holds: NonNullable<KindWords['holds']> = {
  'box-square-again': () => 'Diagonals once more before the last screw of the back.',
}

export const wallCabinetWords: KindWords = {
  name: 'Wall cabinet',
  blurb: 'A box with shelves and a back, hung on the wall',
  choices,
  reasons,
  levers,
  problems,
  steps,
  holds,
}
