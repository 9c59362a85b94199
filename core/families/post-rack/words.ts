import type { StepData } from './steps.ts'
import type { KindWords, StepWordsFor, WordsFor } from '../../wording/kind.ts'
import type { LeverData } from './levers.ts'
import type { ProblemData, ReasonData } from './plan-out.ts'
import { plural } from '../../wording/say.ts'

const dims: Record<string, (d: Record<string, number>) => string> = {
  'mid-posts': () => 'middle posts a module',
  'mid-post-at': (d) => `middle post ${d.post}, centre`,
}

const reasons: WordsFor<ReasonData> = {
  'length-wall': (d, say) =>
    `modules along a wall of ${say.lengthOf(d, 'wallMm')}; a board loses ${say.lengthOf(d, 'trimMm')} to squaring`,
  'length-goods': (d, say) =>
    `the shortest run of modules that takes the goods; a board loses ${say.lengthOf(d, 'trimMm')} to squaring`,
  'posts-as-wide': (d, say) => `posts at least ${say.lengthOf(d, 'apartMm')} apart: the widest thing goes between them`,
  'post-spacing': (d, say) => `posts no more than ${say.lengthOf(d, 'everyMm')} apart`,
  evenly: () => 'spaced evenly in its module',
  'post-past-wide': () => 'past one opening that the widest thing goes into, the others evenly',
}

const levers: WordsFor<LeverData> = {
  'tie-sides': () => 'Tie its ends to the walls beside them',
  'mid-posts': (d) => `Put ${plural(d.count, 'middle post')} in each module`,
}

const problems: WordsFor<ProblemData> = {
  'cover-too-high': (d, say) =>
    `Panels over its back would be ${say.lengthOf(d, 'mm')} high, and a sheet gives ${say.lengthOf(d, 'mostMm')}. Take fewer shelves, or leave its back open.`,
  'cover-too-wide': (d, say) =>
    `From one post to the next are ${say.lengthOf(d, 'mm')}, and a panel of this height is ${say.lengthOf(d, 'mostMm')} at most: it must meet the next on a post. Take more middle posts.`,
  'past-braced-ends': (d, say) =>
    `A rack with braced ends is two modules long at most, ${say.lengthOf(d, 'mostMm')}: further in no diagonal would keep it from folding front to back. Make it two racks, or tie it to a wall.`,
  'no-such-module': (d) =>
    `A shelf is left out of module ${d.module}, and there ${d.modules === 1 ? 'is one module' : `are ${d.modules} modules`}.`,
  'no-shelf-over': (d) =>
    `Shelf ${d.shelf} cannot be left out: over a high bay there must be a shelf, and the rack has ${plural(d.shelves, 'shelf', 'shelves')}. Add one, or leave out a lower one.`,
  'no-such-module-own': (d) =>
    `A shelf of module ${d.module} is told its own height, and there ${d.modules === 1 ? 'is one module' : `are ${d.modules} modules`}.`,
  'no-such-shelf-own': (d) =>
    `Module ${d.module} has no shelf ${d.shelf} to be at a height of its own: there are ${plural(d.shelves, 'shelf', 'shelves')}, less what is left out of it.`,
  'own-top-twice': (d) => `Shelf ${d.shelf} of module ${d.module} is told two heights of its own. Leave one of them.`,
  'own-top-on-posts': (d) =>
    `Shelf ${d.shelf} lies on the posts, which are as high everywhere. Put its frame between the posts first.`,
  'own-top-in-the-way': (d, say) =>
    `Shelf ${d.shelf} of module ${d.module} would be ${say.lengthOf(d, 'mm')} up, in what is under or over it: between ${say.lengthOf(d, 'leastMm')} and ${say.lengthOf(d, 'mostMm')}. Move it, or move or leave out its neighbour.`,
  'no-wall-beside': () =>
    'Neither end stands at a wall beside it with a stud, or masonry, behind the end of its uppermost frame. Move it against one, or leave its ends free.',
  'seams-pulled': () =>
    'Of a rack of several modules only one end stands at a wall beside it: leaning away from that it would be pulled apart at its seams. Fill the wall from end to end, make it one module, or leave its ends free.',
  'angle-under-rail': (d, say) =>
    `The lowest shelf is ${say.lengthOf(d, 'mm')} up: the angles at its feet need ${say.lengthOf(d, 'leastMm')}. Raise it, or let the feet stand.`,
  'posts-too-short': (d, say) =>
    `The uppermost shelf is ${say.lengthOf(d, 'mm')} up: posts under its frame need ${say.lengthOf(d, 'leastMm')}. Raise it, or put its frame between the posts.`,
  'post-outside': (d, say) =>
    `A middle post must stand between ${say.lengthOf(d, 'leastMm')} and ${say.lengthOf(d, 'mostMm')}.`,
}

const steps: StepWordsFor<StepData> = {
  'sheets-on-frames': {
    title: 'Sheets on the frames first',
    text: (d) =>
      `${plural(d.count, 'sheet')} onto their frames before a post is on: notched round the posts, or between uprights on all sides, no way leads in afterwards. Their ends flush with the frame, what goes past the rails as much on either side; screwed to the rails. Try an offcut of post in every notch.`,
  },
  'frame-on-posts': {
    title: 'The uppermost frame on the posts',
    text: (d) =>
      `It lies on the ends of the posts, its faces flush with theirs: ${d.level ? 'the rack still on its back, ' : ''}${plural(d.screws, 'screw')} at a slant through each rail into each post, bored first so that the rail does not creep.`,
  },
  'sheets-from-end': {
    title: 'Slide the sheets in from an end',
    text: (d) =>
      `Between the posts ${d.count === 1 ? 'the sheet does' : `the ${d.count} sheets do`} not pass, held at any slant. In from an end, along the rails, ${d.modules > 1 ? 'while each module stands by itself, before the next is beside it' : 'before it stands against a wall with that end'}: where a wall is nearer than a sheet is long, out in the room, then push it back. From below upward; screw them to the rails.`,
  },
}

export const postRackWords: KindWords = {
  name: 'Post rack',
  blurb: 'Posts, shelf frames and sheet shelves',
  levers,
  problems,
  dims,
  reasons,
  steps,
  choices: {
    'top-frame': {
      label: 'Uppermost frame',
      options: { 'between-posts': 'between the posts', 'on-posts': 'on top of the posts' },
    },
    sides: { label: 'Walls beside it', options: { free: 'nothing tied to them', tied: 'ends tied to them' } },
    panels: {
      label: 'Shelves reach',
      options: { 'between-posts': 'from post to post', 'round-posts': 'round the posts, notched' },
    },
  },
  lists: {
    'left-out': {
      label: 'High bays',
      one: 'shelf left out',
      none: 'Every module has every shelf. Leave one out of a module for what is high there: drums with a pump, an appliance, a seat.',
    },
    'own-tops': {
      label: 'Shelves at their own height',
      one: 'shelf at its own height',
      none: 'Every shelf is as high in all modules. Give one its own height in a module: a bench bay, a seat.',
    },
  },
  fields: {
    'own-top': { label: 'Its top above the floor' },
    'left-out-module': { label: 'Module, from the left' },
    'left-out-shelf': { label: 'Shelf, from below' },
  },
  holds: { 'notches-clear': 'An offcut of post drops through every notch without a knock.' },
}
