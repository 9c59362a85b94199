import type { KindWords, StepWordsFor, WordsFor } from '../../wording/kind.ts'
import { sectionName } from '../../wording/names.ts'
import { plural } from '../../wording/say.ts'
import type { LeverData } from './levers.ts'
import type { ProblemData, ReasonData } from './plan-out.ts'
import type { StepData } from './steps.ts'

const reasons: WordsFor<ReasonData> = {
  'floating-width': (d, say) =>
    `shelves are a sheet ${say.length(d.sheetMm)} long in ${d.parts}; the widest thing is ${say.length(d.widestMm)}`,
  'floating-depth': (d, say) =>
    `shelves are a sheet ${say.length(d.sheetMm)} wide in ${d.parts}; the deepest thing is ${say.length(d.deepestMm)}`,
  'floating-high': (d, say) => `for ${plural(d.things, 'thing')}, no shelf over your reach of ${say.length(d.reachMm)}`,
  'floating-rise': () => 'a shelf moves by a hand at a time',
  'floating-shelves': (d) => `as few as ${plural(d.things, 'thing')} need; there are ${plural(d.places, 'place')}`,
  'floating-bays': (d) => `as few as ${plural(d.things, 'thing')} need`,
}

const levers: WordsFor<LeverData> = {
  'floating-strips': (d) =>
    d.strips === 'none'
      ? 'Leave the strips under the shelves out'
      : `${d.strips === 'glued' ? 'Glue and screw' : 'Screw'} strips under front and back edges of the shelves`,
  'floating-cleat': (d) => `Make the cleats ${sectionName(d.section)}`,
  'floating-narrower': (d, say) => `Make the bays ${say.length(d.mm)} wide`,
  'floating-wider': (d, say) => `Make the bays ${say.length(d.mm)} wide`,
  'floating-plank': (d) => `Make the planks ${sectionName(d.section)}`,
  'floating-bare': () => 'Put nothing over it: nobody stands there then',
  'floating-cover': () => 'Close both ends with panels, in place of diagonals',
  'floating-bays': (d) => `Make it of ${plural(d.count, 'bay')}`,
}

const problems: WordsFor<ProblemData> = {
  'floating-too-wide': (d, say) =>
    `It would be ${say.length(d.mm)} long, and there are ${say.length(d.mostMm)}. Fewer bays, or narrower ones.`,
  'floating-too-deep': (d, say) => `It would be ${say.length(d.mm)} deep, and there are ${say.length(d.mostMm)}.`,
  'floating-too-high': (d, say) =>
    `${say.length(d.mm)} would be needed in height, and there are ${say.length(d.mostMm)}. Fewer shelves, or more bays.`,
  'floating-rise-low': (d, say) =>
    `A rise of ${say.length(d.mm)} leaves no room over a cleat for a shelf: ${say.length(d.leastMm)} at least.`,
  'floating-top-narrow': (d, say) =>
    `To stand on it is ${say.length(d.leastMm)} deep at least, and it is ${say.length(d.mm)}. Deeper, or nothing over it.`,
  'floating-angles-meet': (d, say) =>
    `Between its posts angles hold the feet down: ${say.length(d.leastMm)} deep at least, and it is ${say.length(d.mm)}. Deeper, or let the feet stand.`,
  'floating-too-many': (d) =>
    `${plural(d.count, 'shelf', 'shelves')} do not fit into ${plural(d.most, 'place')} with what stands on them. Fewer shelves, or more bays.`,
}

const steps: StepWordsFor<StepData> = {
  'floating-cleats': {
    title: 'Mark the posts',
    text: (d, say) =>
      `${plural(d.posts, 'post')} side by side, ends flush: the upper edge of a cleat at ${plural(d.places, 'place')}, ${say.length(d.riseMm)} apart, across all of them at once. The places of the shelves are on the stick.`,
  },
  'floating-frame': {
    title: 'The first frame',
    text: (d) =>
      `Two posts on the floor, a piece between them low and one high, screwed through the posts. Then ${plural(d.cleats, 'cleat')}, ${plural(d.screws, 'screw')} into each post, upper edges on the marks: on this frame on the face that looks inward only.`,
  },
  'floating-frames': {
    title: 'The other frames',
    text: (d) =>
      `${plural(d.count, 'more frame')}, each laid on the first. Inner frames have cleats on both faces; turn them over for the second.`,
  },
  'floating-planks': {
    title: 'Planks over it',
    text: (d) =>
      `A block tight under either end of the upper piece of each frame, ${plural(d.blocks, 'block')} in all: ${plural(d.blockScrews, 'screw')} into the post. Then ${plural(d.count, 'plank')} behind the board along the front, ends over the frames: ${plural(d.screws, 'screw')} into each. One person at a time, from a ladder that is held, and never on the thin board along the front: nobody has proven that; there is no rail, and where people go often local rules want one.`,
  },
  'floating-covers': {
    title: 'Panels over the ends',
    text: (d) =>
      `${plural(d.count, 'panel')}, clear of the floor: the posts plumb first, then ${plural(d.screws, 'screw')} along each.`,
  },
  'floating-shelves': {
    title: 'The shelves',
    text: (d) =>
      `${plural(d.count, 'shelf', 'shelves')}, all alike.${d.strips > 0 ? ` A strip ${d.glued ? 'glued and screwed' : 'screwed'} under the front edge and under the back edge of each; both stop short of the cleats, or the shelf does not lie down.` : ''}`,
  },
  'floating-stand': {
    title: 'Stand the frames, a shelf between each two',
    text: (d, say) =>
      `${plural(d.frames, 'frame')} upright, a shelf low and one high between each two as spacers, ${say.length(d.spaceMm)} long. Then ${plural(d.boards, 'board')} along the top, ${plural(d.screws, 'screw')} at each post: at the back on edge, at the front flat over the posts.`,
  },
  'floating-in': {
    title: 'Put the shelves in',
    text: (d) =>
      `${plural(d.shelves, 'shelf', 'shelves')}, tipped in over one corner and let down on two cleats of one height; of ${plural(d.places, 'place')} most stay empty. To move one, lift it straight up.`,
  },
}

export const floatingShelfRackWords: KindWords = {
  name: 'Rack of loose shelves',
  blurb: 'Frames with cleats at one rise, loose shelves that are moved at will',
  dims: {
    'floating-width': () => 'clear between two frames',
    'floating-depth': () => 'depth of the shelves',
    'floating-high': () => 'height of the frames',
    'floating-rise': () => 'from cleat to cleat',
    'floating-shelves': () => 'shelves in a bay',
    'floating-bays': () => 'bays',
  },
  choices: {
    'floating-strips': {
      label: 'Strips under the edges',
      options: { none: 'none', screwed: 'screwed', glued: 'glued and screwed' },
    },
    'floating-cleat': { label: 'Cleats' },
    'floating-top': {
      label: 'Over it',
      options: { open: 'nothing', planks: 'planks one person may stand on' },
    },
    'floating-plank': { label: 'Planks' },
    'floating-cover': { label: 'Cover panels', options: { none: 'none', ends: 'over both ends' } },
  },
  reasons,
  levers,
  problems,
  steps,
  holds: { 'shelf-between': 'A shelf goes in and out between each two frames at the top, the middle and the bottom.' },
}
