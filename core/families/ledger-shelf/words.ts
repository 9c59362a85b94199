import { meetsTooFew } from '../../wording/counts.ts'
import type { KindWords, StepWordsFor, WordsFor } from '../../wording/kind.ts'
import { sectionName } from '../../wording/names.ts'
import { plural } from '../../wording/say.ts'
import type { LeverData } from './levers.ts'
import type { ProblemData, ReasonData } from './plan-out.ts'
import type { StepData } from './steps.ts'

const reasons: WordsFor<ReasonData> = {
  'posts-even': (d, say) =>
    `evenly along a wall of ${say.length(d.wallMm)}, no further apart than ${say.length(d.everyMm)}`,
  'ledger-posts-wide': (d, say) => `posts ${say.length(d.everyMm)} apart: the widest thing goes between them`,
  'posts-half-sheet': (d, say) => `a post under every half sheet, ${say.length(d.everyMm)}`,
  'bays-goods': (d) => `as many as ${plural(d.things, 'thing')} need`,
  'bays-wall': (d, say) => `as many as the wall takes, ${say.length(d.wallMm)}`,
}

const levers: WordsFor<LeverData> = {
  'ledger-screws': (d) => `Put ${plural(d.count, 'screw')} of the ledger into each stud`,
  'shelf-frame': (d) => `Make ledgers, rails and cross pieces ${sectionName(d.section)}`,
  'posts-closer': (d, say) => `Put the posts closer: ${say.length(d.mm)} apart`,
  'ledger-bearers': (d) => `Make the bearers under the frames ${sectionName(d.section)}`,
  'stronger-chain': () => 'Hang it on heavier chain',
  'front-on-posts': () => 'Stand its front on posts',
  'posts-further': (d, say) => `Put the posts further apart: ${say.length(d.mm)}`,
}

const problems: WordsFor<ProblemData> = {
  'rods-in-floor': (d, say) =>
    `Under its lowest bearers there are ${say.length(d.mm)} for the ends of the rods and their nuts: ${say.length(d.leastMm)} at least. The lowest shelf higher.`,
  'chain-too-short': (d, say) =>
    `Over the bearers of shelf ${d.shelf} there are ${say.length(d.mm)} for rods, eyes and chain: ${say.length(d.leastMm)} at least. Shelves further apart, or another front.`,
  'front-in-ceiling': (d, say) =>
    `Its highest shelf at ${say.length(d.mm)} leaves no room under the ceiling for what its front hangs by: at most ${say.length(d.mostMm)}. Take fewer shelves, or stand its front on posts.`,
  'ledger-misses-studs': (d, say) =>
    `The piece of ledger that begins ${say.length(d.from)} from its left end ${meetsTooFew(d.count)}. Make it longer, or move it along the wall.`,
  'ledger-not-spliced': (d, say) =>
    `No board is long enough from one stud or post to the next: at most ${say.length(d.mostMm)}. Put the posts closer.`,
}

const JOINTS: Record<string, string> = { bolts: 'two bolts', five: 'five screws', three: 'three screws' }

const steps: StepWordsFor<StepData> = {
  'ledger-frames': {
    title: 'Make the frames',
    text: (d) =>
      `${plural(d.frames, 'frame')} alike, flat on the floor: ledger behind, rail in front, cross pieces between, the outermost of them the returns that close both ends, ${plural(d.screws, 'screw')} into each end of them through ledger and rail.${d.pieces > 1 ? ` Ledgers are of ${d.pieces} pieces that meet on studs, rails of pieces that meet on posts: a strip of the same wood across each joint until it is up.` : ''} Lay every other frame on the first.`,
  },
  'mark-ledger': {
    title: 'Level lines and studs',
    text: (d, say) =>
      `Strike ${d.levels > 1 ? `${d.levels} level lines` : 'a level line'} at the tops of the ledgers, the lowest ${say.length(d.lowestMm)} above the floor. ${plural(d.studs, 'stud')} lie behind${d.doubled > 0 ? `, ${d.doubled} of them doubled` : ''}: they are where a thin drill finds wood at both edges, not where the corner would have them.`,
  },
  'frames-on-wall': {
    title: 'Frames on the wall',
    text: (d, say) =>
      `From below up. A prop ${say.length(d.propMm)} long under the front of the lowest${d.count > 1 ? ', longer ones for those above it' : ''}; its ledger to the line, ${plural(d.screws, 'screw')} into every stud, bored first. One stud, level again, then the next.`,
  },
  'ledger-posts': {
    title: 'Posts under the front',
    text: (d) =>
      `${plural(d.count, 'post')}, each cut to its own place: the floor is not level. Plumb, flat against the rails, ${JOINTS[d.joints]} through each post into every rail.`,
  },
  'ledger-spreaders': {
    title: 'Spreaders over the joists',
    text: (d) =>
      `Bore the ${plural(d.count, 'hole')} through the ceiling for the rods, clear of the joists. From above a spreader over each, lying on both joists beside it, a short rod down through it: washer and two nuts${d.chains ? ', an eye nut on its lower end' : ''}.`,
  },
  'ledger-hung': {
    title: 'Hang the front',
    text: (d) =>
      `${plural(d.bearers, 'bearer')} flat under the frames, out past their front: two screws up into the ledger, two into each rail. ${
        d.chains
          ? `A short rod through the end of each, two nuts and a washer below, eye nuts on both its ends; then ${plural(d.count, 'chain')} from eye to eye, the same count of links each. What is left over to level is turned in at the nuts.`
          : `${plural(d.count, 'rod')} up through them into their couplings, a nut and a washer under each bearer and one over it; turn them until all fronts are level.`
      }`,
  },
  'ledger-sheets': {
    title: 'Lay the sheets',
    text: (d) =>
      `${plural(d.count, 'sheet')}, from below up, best face up, joints over a cross piece${d.round > 0 ? `, the ${plural(d.round, 'notch', 'notches')} for the posts in front` : ''}. Screw them to ledger and rail.${d.first ? ' Now, while the frames are on their props: once the posts stand no way leads in between them.' : ''}`,
  },
}

export const ledgerShelfWords: KindWords = {
  name: 'Ledger shelf',
  blurb: 'Shelves with their back on the wall, their front on posts or hung from the joists',
  dims: { 'posts-apart': () => 'posts apart' },
  choices: {
    'shelf-frame': { label: 'Ledgers, rails and cross pieces' },
    'ledger-front': {
      label: 'Its front',
      options: { posts: 'stands on posts', rods: 'hangs on rods', chains: 'hangs on chains' },
    },
    'ledger-edge': {
      label: 'Shelves reach',
      options: { 'at-rail': 'to the front rail', 'round-posts': 'round the posts, notched' },
    },
    'ledger-bearers': { label: 'Bearers, flat, under the frames' },
    chain: { label: 'Chain', options: { light: 'light', heavy: 'heavy' } },
    'ledger-screws': {
      label: 'Screws of the ledger in each stud',
      options: { one: 'one', two: 'two', three: 'three', four: 'four' },
    },
  },
  fields: {
    'hole-shelf': { label: 'Through shelf' },
    'hole-left': { label: 'From the left end' },
    'hole-out': { label: 'Out from the wall' },
  },
  reasons,
  levers,
  problems,
  steps,
  holds: {
    'studs-drilled': 'Every stud found with a drill, both edges, before a screw goes in.',
    'frame-level-both-ways':
      'Level along the front and from wall to front before the next goes up. Lean on it: the ledger may not move.',
    'props-out': 'Every post bears: knock out the props, the frames may not sink.',
  },
}
