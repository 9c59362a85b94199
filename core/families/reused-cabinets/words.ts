import { meetsTooFew } from '../../wording/counts.ts'
import type { KindWords, StepWordsFor, WordsFor } from '../../wording/kind.ts'
import { sectionName, sheetName } from '../../wording/names.ts'
import { plural } from '../../wording/say.ts'
import type { LeverData } from './levers.ts'
import type { ProblemData, ReasonData } from './plan-out.ts'
import type { StepData } from './steps.ts'

const reasons: WordsFor<ReasonData> = {
  'tops-over-bench': (d, say) =>
    `so that the highest begins ${say.length(d.benchMm)} up, over a bench, and none meets the ceiling`,
  'boards-usual': (_d, say) => `${say.length(15.875)} is usual; measure yours`,
  'own-rail-usual': (_d, say) => `${say.length(15.875)} is usual; measure the rail that the screws go through`,
  'own-rail-high': (_d, say) => `${say.length(63.5)} is usual; measure yours`,
  'overhang-usual': (_d, say) => `${say.length(25.4)} past the fronts keeps drips off them`,
}

const levers: WordsFor<LeverData> = {
  'cabinet-screws': (d) => `Put ${plural(d.count, 'screw')} into each stud`,
  'cabinets-on-strips': () => 'Hang them on bevelled strips',
  'cabinets-through': () => 'Screw them to the wall through their own rails',
  'cabinets-strip': (d) => `Make the strips from ${sectionName(d.section)}`,
  'cabinets-strip-whole': () => 'Make each strip from a board of its own',
  'cabinets-search': () => 'Let the order be searched for',
  'cabinets-lower': (d, say) => `Hang them with their tops at ${say.length(d.mm)}`,
  'worktop-thicker': (d) => `Make the worktop of ${sheetName(d.sheet)}`,
  'worktop-support': (d) => `Make the boards under the worktop ${sectionName(d.section)}`,
  'worktop-spliced': () => 'Let the worktop be in pieces that meet where two cabinets do',
  'cabinet-without': (d) => `Leave out cabinet ${d.cabinet}`,
}

const problems: WordsFor<ProblemData> = {
  'no-cabinets': () => 'No cabinet is listed. Add those you have, with their sizes and what they weigh.',
  'cabinet-no-room': (d, say) =>
    `Cabinet ${d.cabinet} finds no room: it is ${say.length(d.mm)} wide, and ${say.length(d.haveMm)} of the wall are left in all, round what is on it. Leave one out, or let the order be searched for.`,
  'cabinet-past-top': (d, say) =>
    `Cabinet ${d.cabinet} would reach ${say.length(d.mm)}, and the wall ends at ${say.length(d.mostMm)}. Hang them lower.`,
  'cabinet-below-floor': (d, say) =>
    `Cabinet ${d.cabinet} is ${say.length(d.mm)} high, and its top is to be ${say.length(d.topMm)} above the floor. Hang them higher.`,
  'cabinet-too-small': (d) =>
    `Nothing is left inside cabinet ${d.cabinet}, or no place for a rail: measure it and its boards again, or give it fewer shelves.`,
  'cabinet-one-stud': (d) =>
    `${d.count === 0 ? 'No stud lies' : 'One stud only lies'} behind the rail of cabinet ${d.cabinet}, and it would turn about that. Hang them on strips, which reach the next one, or move the build along the wall.`,
  'cabinets-miss-studs': (d, say) =>
    `The piece of strip that begins ${say.length(d.from)} from the left ${meetsTooFew(d.count)}. Move the build along the wall, or let the order be searched for.`,
  'cabinets-not-spliced': (d, say) =>
    `No board is long enough from one stud to the next: at most ${say.length(d.mostMm)}.`,
  'bases-unlike': (d, say) =>
    `Cabinet ${d.cabinet} is ${say.length(d.mm)} high and the first ${say.length(d.otherMm)}: a worktop wants them alike. Set the lower ones on boards and list their height with those.`,
  'worktop-too-deep': (d, say) =>
    `A worktop ${say.length(d.mm)} deep does not come out of its sheet: ${say.length(d.mostMm)} at most.`,
  'worktop-too-long': (d, say) =>
    `The worktop is ${say.length(d.mm)} long and a sheet ${say.length(d.mostMm)}. Let it be in pieces: they meet where two cabinets stand side by side.`,
}

const steps: StepWordsFor<StepData> = {
  'cabinets-measured': {
    title: 'Empty, measure and number',
    text: (d) =>
      `${plural(d.count, 'cabinet')}: over all, the boards, the rails at the back. Write its number on each.${d.leaves > 0 ? ` Take ${plural(d.leaves, 'leaf', 'leaves')} and all shelves off: a bare box is lifted.` : ' Take the shelves out: a bare box is lifted.'} Drive every loose screw home, and glue what has come apart.`,
  },
  'cabinet-cleats': {
    title: 'Cleats and pads on their backs',
    text: (d) =>
      `${plural(d.count, 'cleat')}, toe down and away from the back, along the upper rail of each${d.pads > 0 ? `, and ${plural(d.pads, 'pad')} as thick along the lower one, so that they hang plumb` : ''}: ${plural(d.screws, 'screw')} in all, from inside, through the rail.`,
  },
  'cabinet-strips': {
    title: 'Strips on the wall',
    text: (d, say) =>
      `${plural(d.pieces, 'piece')}, upper edge ${say.length(d.atMm)} above the floor, toe up and away from the wall: ${plural(d.places, 'place')}, each in solid wood or masonry, bored first.`,
  },
  'cabinet-ledgers': {
    title: 'Boards to stand them on',
    text: (d, say) =>
      `${plural(d.count, 'board')} screwed to studs for the time being, upper edges where the cabinets' undersides come, from ${say.length(d.lowestMm)} to ${say.length(d.highestMm)}: they carry while you screw.`,
  },
  'cabinets-hooked': {
    title: 'Hang the cabinets',
    text: (d, say) =>
      `${plural(d.count, 'cabinet')}: one person lifts each side, over the strip, and down until the bevels meet. The tops come to ${say.length(d.highMm)}. Alone, stand it on a prop ${say.length(d.propMm)} long first. Slide each to its place, then screw neighbours to each other through their fronts.${d.gaps > 0 ? ` ${plural(d.gaps, 'filler')} into the gaps, ripped to what the gap really is.` : ''}`,
  },
  'cabinets-screwed': {
    title: 'Screw the cabinets to the wall',
    text: (d, say) =>
      `${plural(d.count, 'cabinet')} on their boards, one person holding each: ${plural(d.places, 'place')} through their own rails into studs. Alone, a prop ${say.length(d.propMm)} long under the front keeps it from tipping out. The boards come off last.${d.gaps > 0 ? ` ${plural(d.gaps, 'filler')} into the gaps.` : ''}`,
  },
  'leaves-back': {
    title: 'Leaves and shelves back',
    text: (d) => `${plural(d.count, 'leaf', 'leaves')} on their own hinges or back in their tracks, the gaps even.`,
  },
  'bases-set': {
    title: 'Set the bases',
    text: (d, say) =>
      `${plural(d.count, 'cabinet')} from the highest place of the floor on, tops at ${say.length(d.atMm)}, wedges under the low corners, neighbours screwed to each other through their fronts.${d.gaps > 0 ? ` ${plural(d.gaps, 'filler')} into the gaps.` : ''}`,
  },
  'worktop-supports': {
    title: 'Boards to screw the worktop to',
    text: (d) =>
      `${plural(d.count, 'board')} on edge between the sides, flush with the tops, a screw through each side into either end: salvaged bases have nothing a screw holds in.`,
  },
  'worktop-on': {
    title: 'The worktop',
    text: (d, say) =>
      `${plural(d.pieces, 'piece')}, the longest ${say.length(d.longMm)}${d.pieces > 1 ? ', meeting over two sides' : ''}: ${plural(d.screws, 'screw')} down into the boards, ${d.atEnds} of them near each end of every board, heads sunk and filled.`,
  },
}

export const reusedCabinetsWords: KindWords = {
  name: 'Reused cabinets',
  blurb: 'Cabinets you have, in a row round what is on the wall, or under a worktop',
  dims: {
    'cabinet-tops': () => 'upper edges',
    'cabinet-boards': () => 'their boards',
    'own-rail': () => 'their own rails, through',
    'own-rail-high': () => 'their own rails, height',
    'worktop-overhang': () => 'worktop past the fronts',
  },
  choices: {
    'cabinet-row': { label: 'They are', options: { wall: 'hung on the wall', floor: 'on the floor' } },
    'cabinet-order': { label: 'Their order is', options: { search: 'searched for', listed: 'as listed' } },
    'cabinet-hang': {
      label: 'Held by',
      options: { strip: 'bevelled strips', through: 'screws through their own rails' },
    },
    'cabinet-screws': {
      label: 'Screws into each stud',
      options: { one: 'one', two: 'two', three: 'three', four: 'four', five: 'five' },
    },
    'filler-sheet': { label: 'Fillers' },
    worktop: {
      label: 'Worktop',
      options: { none: 'none', 'one-length': 'in one length', spliced: 'in pieces where it must be' },
    },
    'worktop-sheet': { label: 'Worktop of' },
    'worktop-support': { label: 'Boards under the worktop' },
  },
  lists: {
    cabinets: { label: 'Cabinets you have', one: 'cabinet', none: 'No cabinet yet.' },
    'cabinet-edges': {
      label: 'Edges below to line up with',
      one: 'edge',
      none: 'None: they are slid nowhere.',
    },
  },
  fields: {
    'cabinet-wide': { label: 'Width' },
    'cabinet-deep': { label: 'Depth without leaves' },
    'cabinet-high': { label: 'Height' },
    'cabinet-mass': { label: 'Weighs, with its leaves' },
    'cabinet-holds': { label: 'Is known to carry; 0: nobody knows' },
    'cabinet-shelves': { label: 'Shelves in it' },
    'cabinet-front': {
      label: 'Leaves',
      options: {
        open: 'none',
        left: 'one, hinged left',
        right: 'one, hinged right',
        pair: 'a pair',
        up: 'one, turns up on stays of its own',
        sliding: 'two panels that slide',
      },
    },
    'edge-at': { label: 'From the left end' },
  },
  reasons,
  levers,
  problems,
  steps,
  holds: {
    'cabinets-sound': 'Lift each by one corner: it does not rack, and no joint opens.',
    'cleat-pulled': 'Pull at each cleat with both hands: it does not give, and no screw has come through.',
    'tops-in-line': 'A straight edge along the tops: no step between neighbours larger than this.',
    'leaves-clear': 'Open every leaf all the way: none meets its neighbour, a lamp or the track of a door.',
    'worktop-flat': 'A straight edge along and across: no hollow over a side, no rocking.',
  },
}
