import { meetsTooFew } from '../../wording/counts.ts'
import type { KindWords, StepWordsFor, WordsFor } from '../../wording/kind.ts'
import { sectionName } from '../../wording/names.ts'
import { plural } from '../../wording/say.ts'
import type { LeverData } from './levers.ts'
import type { ProblemData, ReasonData } from './plan-out.ts'
import type { StepData } from './steps.ts'

const reasons: WordsFor<ReasonData> = {
  'loft-goods': (d) => `as long as ${plural(d.things, 'thing')} need`,
  'loft-wall': (d, say) => `the whole wall, ${say.length(d.wallMm)}`,
  'loft-sheet': () => 'a sheet deep, across the joists',
  'loft-room': (d, say) => `as deep as the ${say.length(d.haveMm)} there are, its posts counted`,
  'loft-headroom': (d, say) => `so that one walks under it upright, ${say.length(d.headroomMm)}`,
  'joists-usual': (_d, say) => `${say.length(406.4)} is usual under a deck of sheet`,
  'uprights-apart': (d, say) => `a post every ${say.length(d.everyMm)} at most`,
  'door-usual': (_d, say) => `${say.length(863.6)} takes a usual door and its frame`,
  'door-middle': () => 'in the middle',
}

const levers: WordsFor<LeverData> = {
  'loft-joists': (d) => `Make joists and ledger ${sectionName(d.section)}`,
  'joists-closer': (d, say) => `Put the joists ${say.length(d.mm)} apart`,
  'loft-rim': (d) => `Make the rim ${sectionName(d.section)}`,
  'more-posts': (d) => `Stand it on ${d.count} posts`,
  'loft-uprights': (d) => `Make posts or studs ${sectionName(d.section)}`,
  'loft-shallower': (d, say) => `Make the deck ${say.length(d.mm)} deep`,
}

const problems: WordsFor<ProblemData> = {
  'loft-no-room-above': (d, say) =>
    `${say.length(d.haveMm)} are left between the deck and the ceiling, and the tallest thing on it wants ${say.length(d.needMm)}. Put the deck lower, or what is so tall on the floor.`,
  'loft-too-low': (d, say) =>
    `Its rim would be ${say.length(d.mm)} above the floor: ${say.length(d.leastMm)} at least. What is so low is a shelf.`,
  'loft-past-ceiling': (d, say) =>
    `Its deck would be ${say.length(d.mm)} up, and the wall ends at ${say.length(d.mostMm)}. Put it lower, or make joists and rim less deep.`,
  'loft-ledger-studs': (d, say) =>
    `The piece of ledger that begins ${say.length(d.from)} from its left end ${meetsTooFew(d.count)}. Make it longer, or move it along the wall.`,
  'loft-not-spliced': (d, say) =>
    `No board is long enough from one stud or post to the next: at most ${say.length(d.mostMm)}. Put the posts closer.`,
  'loft-joist-too-long': (d, say) =>
    `Its joists would be ${say.length(d.mm)} long, and boards come to ${say.length(d.mostMm)}. Make it less deep.`,
  'loft-door-past-wall': (d, say) =>
    `The door begins ${say.length(d.mm)} along the wall: two studs must stand to either side of it, so at most ${say.length(d.mostMm)}. Move it, or make it narrower.`,
  'loft-rim-low': (d, say) =>
    `A rim ${say.length(d.mm)} high takes no hanger of a joist ${say.length(d.leastMm)} high. Make the rim at least as high.`,
  'loft-holds-nothing': () =>
    'Nothing of what is chosen stands on this deck: all of it is deeper or wider than a piece of it.',
}

const steps: StepWordsFor<StepData> = {
  'loft-ledger': {
    title: 'The ledger on the wall',
    text: (d, say) =>
      `${plural(d.pieces, 'piece')}${d.pieces > 1 ? ', meeting on studs' : ''}, upper edge on a level line ${say.length(d.atMm)} above the floor: ${plural(d.screws, 'screw')} into each of ${plural(d.studs, 'stud')}, bored first. Mark the joists on it now.`,
  },
  'loft-posts': {
    title: 'Posts and rim',
    text: (d, say) =>
      `Flat on the floor: ${plural(d.count, 'post')}, each with a notch for the rim whose seat is ${say.length(d.highMm)} up, cut by its own place on the floor. The rim in, ${plural(d.bolts, 'bolt')} in all through the tongues. Mark the joists from the ledger.`,
  },
  'loft-wall': {
    title: 'The wall below',
    text: (d, say) =>
      `Flat on the floor: plates, ${plural(d.studs, 'stud')} notched for the rim, ${plural(d.noggings, 'nogging')} half-way up, the rim over all of them${d.doorMm > 0 ? ` and over the door, ${say.length(d.doorMm)} clear` : ''}; ${plural(d.bolts, 'bolt')} in all. Mark the joists from the ledger.`,
  },
  'loft-front-up': {
    title: 'Stand the front up',
    text: (d, say) =>
      `Two people. Plumb, and at the deck's depth from the wall at both ends; a brace from each end to the wall keeps it so until the joists are in. The rim's lower edge is ${say.length(d.propMm)} above the floor.`,
  },
  'loft-joists': {
    title: 'Joists in their hangers',
    text: (d, say) =>
      `${plural(d.count, 'joist')}${d.pairs > 0 ? `, ${d.pairs} of them as a pair under a joint` : ''}, ${say.length(d.everyMm)} apart at most: ${plural(d.hangers, 'hanger')}, every hole of each nailed or screwed as its maker says, crowns up.`,
  },
  'loft-blocks': {
    title: 'Fillers and blocks',
    text: (d) =>
      `${d.fillers > 0 ? `${plural(d.fillers, 'filler')} between the pairs, screwed from both sides. ` : ''}${d.blocks > 0 ? `${plural(d.blocks, 'block')} between joists where two rows of sheets meet, every other one set off so that both ends are screwed.` : ''}`,
  },
  'loft-deck': {
    title: 'Lay the deck',
    text: (d) =>
      `${plural(d.count, 'sheet')} across the joists, joints on joists, a nail's thickness between: ${plural(d.screws, 'screw')} in all. Lie on what is screwed down, not on what is loose.`,
  },
  'load-loft': {
    title: 'Load it',
    text: (d, say) =>
      `From a ladder that is tied, the heavy things at the wall and over the posts. ${say.length(d.underMm)} are clear under the rim: mark its edge if someone is taller.`,
  },
}

export const loftDeckWords: KindWords = {
  name: 'Loft deck',
  blurb: 'A framed deck for storage over an alcove or a room in the room',
  dims: {
    'loft-depth': () => 'depth, from the wall',
    'loft-top': () => 'deck above the floor',
    'joists-every': () => 'joists, at most every',
    'loft-posts': () => 'posts',
    'loft-door': () => 'door, clear width',
    'loft-door-at': () => 'door from the left end',
  },
  choices: {
    'loft-front': { label: 'Its front stands on', options: { posts: 'posts', wall: 'a framed wall' } },
    'loft-joists': { label: 'Joists and ledger' },
    'loft-rim': { label: 'Rim' },
    'loft-uprights': { label: 'Posts or studs' },
  },
  reasons,
  levers,
  problems,
  steps,
  holds: {
    'loft-front-plumb': 'Plumb both ways at both ends, and every post or plate bears.',
    'hangers-nailed': 'Every hole of every hanger filled, and no joist more than a hair off its seat.',
    'loft-walked': 'From a ladder lean on the deck between two joists: it gives no more than a floor does.',
  },
}
