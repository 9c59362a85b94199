import type { KindWords, StepWordsFor, WordsFor } from '../../wording/kind.ts'
import type { StepData } from './steps.ts'
import type { LeverData } from './levers.ts'
import type { ProblemData, ReasonData } from './plan-out.ts'
import { fixed } from '../../wording/fixed.ts'
import { sectionName } from '../../wording/names.ts'
import { capital, plural } from '../../wording/say.ts'

const dims: Record<string, (d: Record<string, number>) => string> = {
  'top-extra': () => 'extra over the top row',
  'first-rail': () => 'lowest rail, top',
  pitch: (d) => `row ${d.row} to row ${d.row + 1}`,
  'back-rails': () => 'back rails',
}

const choices: NonNullable<KindWords['choices']> = {
  'front-sheet': { label: 'Leaves and panels' },
  catch: { label: 'Behind the totes', options: { none: 'nothing', board: 'a board that stops each column' } },
  'rail-rip': { label: 'Rails are', options: { full: 'the full section', half: 'ripped down the middle' } },
}

const reasons: WordsFor<ReasonData> = {
  'play-apart': () => 'the makes differ too much for one pair of rails: each has columns of its own',
  'play-mixed': (_d, say) => `mixed makes: ${say.length(12.7)} each side takes them all`,
  'top-extra': () => 'the top row is tipped in under the plate',
  'rows-goods': (d) => `${plural(d.total, 'tote')} over ${plural(d.columns, 'column')}`,
  'rows-height': (d) => `as many as ceiling and reach allow (${d.byHeight})`,
  'back-rails-brace': () => 'one low, one high, the brace between them',
  'back-rails-stop': () => 'one low, one high, to stop the totes',
}

const levers: WordsFor<LeverData> = {
  'full-rails': () => 'Use rails of the full section, not ripped',
  'thin-rail': (d) => `Make the rails thinner: ${sectionName(d.section)}`,
  'stand-on-base': () => 'Let the totes stand on their base, on flat rails',
  'fewer-rows': (d) => `Build ${plural(d.rows, 'row')} only`,
  'half-rails': () => 'Use rails ripped down the middle: two from one board',
}

const problems: WordsFor<ProblemData> = {
  'rail-shorter-than-posts': (d, say) =>
    `Rails of ${say.lengthOf(d, 'mm')} are shorter than the two posts they join: at least ${say.lengthOf(d, 'leastMm')}.`,
  'rail-below-plate': (d, say) =>
    `The lowest rail would run into the bottom plate: its top must be at least ${say.lengthOf(d, 'leastMm')} above the floor.`,
  'opening-too-narrow': (d, say) =>
    `An opening of ${say.lengthOf(d, 'mm')} is less than its two rails: at least ${say.lengthOf(d, 'leastMm')}.`,
  'catch-needs-rails': () => 'A board behind the totes hangs on two back rails at least. Put in two, or leave it out.',
  'catch-past-rails': (d, say) =>
    `Between the rails of a column ${say.lengthOf(d, 'freeMm')} are free, and the board behind the totes is ${say.lengthOf(d, 'mm')} wide. Leave it out, or take narrower rails or posts.`,
  'rails-overlap': (d, say) => `Rails would overlap: at least ${say.lengthOf(d, 'leastMm')} from one to the next.`,
}

const steps: StepWordsFor<StepData> = {
  'rear-frame': {
    title: 'Rear frame',
    text: (d) =>
      `On the flat floor: posts between bottom and top plate, faces flush. ${capital(fixed(d))} through each plate into each post.${d.spliced ? ' Plates and back rails in pieces meet over the middle of a post, each with its own screws, and not above one another.' : ''}`,
  },
  'back-and-brace': {
    title: 'Back rails and brace',
    text: (d) =>
      `Back rails across the rear faces of the posts, ${fixed(d)} at each, then the diagonal between them. Measure the diagonals before the brace goes on.`,
  },
  'back-rails': { title: 'Back rails', text: (d) => `Across the rear faces of the posts, ${fixed(d)} at each.` },
  'catch-boards': {
    title: 'Boards behind the totes',
    text: (d) =>
      `One upright board behind the middle of ${plural(d.count, 'column')}, against the front faces of the back rails: ${fixed(d)} from behind through each. What is pushed in stops there, and nothing slides out at the back.`,
  },
  'front-frame': {
    title: 'Front frame',
    text: () =>
      'Lay the pieces on the rear frame as a pattern, then screw them together. No brace here: the totes come out this way.',
  },
  'mark-rails': {
    title: 'Mark the rail heights',
    text: () => 'Stand the stick beside each post and carry every mark across: all posts at once, both frames.',
  },
  'first-rails': {
    title: 'First pair of rails',
    text: (d) => `Join the two frames at the lowest pair of one column, tops on the marks, ${fixed(d)} at each end.`,
  },
  'other-rails': {
    title: 'All other rails',
    text: () => 'Pair by pair, tops on the marks. Inner posts take rails on both faces; outer posts on the inner face.',
  },
  'top-sheet': { title: 'Top sheet', text: () => 'Lay it on the plates, flush at the front, and screw it down.' },
}

const holds: NonNullable<KindWords['holds']> = {
  'one-tote': () => 'Put one tote in before you fasten the rest. It must slide in and out, and lie on both rails.',
}

export const toteRackWords: KindWords = {
  name: 'Tote rack',
  blurb: 'Each tote slides on its own pair of rails',
  dims,
  choices,
  reasons,
  levers,
  problems,
  steps,
  holds,
}
