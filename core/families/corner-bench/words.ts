import { angleText } from '../../measure/angle.ts'
import type { KindWords, StepWordsFor, WordsFor } from '../../wording/kind.ts'
import { meetsTooFew } from '../../wording/counts.ts'
import { plural } from '../../wording/say.ts'
import type { LeverData } from './levers.ts'
import type { ProblemData, ReasonData } from './plan-out.ts'
import type { StepData } from './steps.ts'
import type { HeightReasons } from '../bench-sizes.ts'
import type { CornerProblems } from '../corner-line.ts'

const reasons: WordsFor<Omit<ReasonData, keyof HeightReasons>> = {
  'corner-level': () => 'level with the benches beside it',
  'corner-stands-before': () => 'as wide as somebody who stands before it',
  'corner-takes-machine': (d, say) =>
    `so that a machine ${say.length(d.acrossMm)} wide and ${say.length(d.deepMm)} deep stands behind it, its rear corners off both walls`,
  'corner-depth': () => 'as deep as a usual bench',
  'corner-as-deep': () => 'as deep as its other end; measure the bench there',
  'corner-machine-play': () => 'for cords, hands and dust',
  'corner-cross': () => 'so close that somebody may kneel between them',
}

const levers: WordsFor<LeverData> = {
  'corner-on-posts': () => 'Stand its back on posts, tied to the wall',
  'corner-on-ledger': () => 'Lay its back on a ledger on the wall',
}

const problems: WordsFor<Omit<ProblemData, keyof CornerProblems>> = {
  'corner-none-here': (d) =>
    `It stands in a corner of the room, and none is known at the ${d.side} end of this wall for what stands straight at it. Say in Survey which wall meets it there, or choose the other end.`,
  'corner-not-square': (d) =>
    `The corner at its ${d.side} end is one of ${angleText(d.rad)}°: it stands in one that is nearly square. Choose the other end, or another wall.`,
  'corner-past-sheet': (d, say) =>
    `Its top would be ${say.length(d.mm)} one way, and the sheet gives ${say.length(d.mostMm)}. A shorter front, or shallower ends.`,
  'corner-too-low': (d, say) =>
    `Its top would be ${say.length(d.mm)} above the floor: joists, beams and what is swept under them need ${say.length(d.leastMm)}. Make the benches higher, or give the machine a stand of its own.`,
  'corner-front-narrow': (d, say) =>
    `A front of ${say.length(d.mm)} has no room for two posts under it: ${say.length(d.leastMm)} at least.`,
  'corner-machine-no-room': (d, say) =>
    `Behind a front of ${say.length(d.mm)} the machine stands in a wall or past an end: ${say.length(d.leastMm)} at least, or deeper ends.`,
  'corner-ledger-misses-studs': (d) =>
    `Its back ${meetsTooFew(d.count)}. Stand it on posts, make it longer, or put it in the corner with the other wall behind it.`,
}

const steps: StepWordsFor<StepData> = {
  'corner-trestles': {
    title: 'Trestles',
    text: (d, say) =>
      `${plural(d.count, 'trestle')}: a beam on edge over two posts, their narrow sides along it, one under each end, their outer faces flush with the beam's; ${plural(d.screws, 'screw')} at a slant through the beam into each. Under the beam for the front, ${say.length(d.frontMm)} long, the one that comes next to the other wall stands ${say.length(d.inMm)} in from its end, past the post there. All come ${say.length(d.highMm)} high.`,
  },
  'corner-ledger': {
    title: 'Ledger on the wall',
    text: (d, say) =>
      `A level line on the wall ${say.length(d.lowMm)} above the floor, the ledger's lower edge on it, one end in the corner; ${d.screws > 1 ? `${plural(d.screws, 'screw')} into each ${d.courses ? 'place' : 'stud'}` : `one ${d.courses ? 'anchor into each course it meets' : 'screw into each stud'}`}, first at one end, then levelled, then the others.`,
  },
  'corner-stand': {
    title: 'Stand them in the corner',
    text: (d, say) =>
      `From the corner, at its ${d.side} end: mark ${say.length(d.lengthMm)} along this wall and ${say.length(d.reachMm)} along the other. One trestle stands square out from the other wall, its outer face on that mark${d.ledger ? '' : '; one stands along this wall'}; the front one runs on at 45° from the free end of the first, ${say.length(d.frontMm)} over the face of the top, and ends at the first mark, ${say.length(d.depthMm)} out from this wall.`,
  },
  'corner-joists': {
    title: 'Joists',
    text: (d) =>
      `${plural(d.count, 'joist')} on edge from the wall to the front${d.slanted > 0 ? `, ${d.slanted} of them cut at 45° where they end over the slanted beam: lay them uncut, draw the front along a straight edge, then saw` : ''}. ${plural(d.screws, 'screw')} at a slant into whatever each lies on.${d.blocks > 0 ? ` Over the slanted beam ${plural(d.blocks, 'block')} on edge between them, flush with its front: the edge of the top lies on those.` : ''}`,
  },
  'corner-top': {
    title: 'Lay the top',
    text: (d, say) =>
      `The top comes ${say.length(d.spareMm)} too long at its ${d.side} end: lay it in the corner, draw the wall on it with a block under the pencil, and saw to that. Its front is ${say.length(d.frontMm)} at 45°. ${plural(d.screws, 'screw')} down into each joist, more into the long ones, heads a little below the face.`,
  },
  'corner-machine': {
    title: 'Stand the machine across the corner',
    text: (d) =>
      d.downMm > 0
        ? 'Two lift it, its plug drawn and its cutter covered. Its front to the slanted edge, in the middle of it; shim its feet until its table is level with the benches on both sides, then screw it down.'
        : 'Two lift it, its plug drawn and its cutter covered. Its front to the slanted edge, in the middle of it; screw it down.',
  },
}

export const cornerBenchWords: KindWords = {
  name: 'Bench across a corner',
  blurb: "A top with five edges in a corner of the room, its front across it, as low as a machine's table asks",
  dims: {
    'corner-table': () => "lower by the machine's table",
    'corner-front': () => 'front across the corner',
    'corner-depth': () => 'depth at its own wall',
  },
  choices: {
    'corner-side': { label: 'Its corner is', options: { left: 'at its left end', right: 'at its right end' } },
    'corner-back': {
      label: 'Its back lies on',
      options: { ledger: 'a ledger on the wall', posts: 'posts, tied to the wall' },
    },
  },
  reasons,
  levers,
  problems,
  steps,
  holds: {
    'table-between': 'A straight edge from one bench over the table to the other lies on all three.',
    'trestles-alike':
      'Side by side on a flat place all trestles are as high as each other: a card goes over none of them.',
    'front-across': (h, say) =>
      `From the corner of the walls to the middle of the front: ${say.length(h.measure!.targetMm)}, give or take ${say.length(h.measure!.toleranceMm)}. Then the front runs at 45°.`,
  },
}
