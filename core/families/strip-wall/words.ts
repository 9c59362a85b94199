import { meetsTooFew } from '../../wording/counts.ts'
import type { KindWords, StepWordsFor, WordsFor } from '../../wording/kind.ts'
import { sectionName, sheetName } from '../../wording/names.ts'
import { plural, type Say } from '../../wording/say.ts'
import { HELD_NAMES, heldName } from '../../wording/tools.ts'
import type { LeverData } from './levers.ts'
import type { ProblemData, ReasonData } from './plan-out.ts'
import type { StepData } from './steps.ts'

const reasons: WordsFor<ReasonData> = {
  'rows-tools': (d) => `as many as hang ${plural(d.things, 'tool')}`,
  'rise-prepared': () => 'from one height with bolts or blocking to the next',
  'rise-usual': (_d, say) => `${say.length(304.8)} is usual: most holders hang between two`,
  'lowest-longest': (d, say) => `over a bench, and the longest tool hangs ${say.length(d.lowMm)} below its strip`,
  'lowest-prepared': () => 'over bolts or blocking: nothing else in this wall holds it',
  'lowest-hand': (d, say) =>
    `so that what hangs is at the hand; the longest tool hangs ${say.length(d.lowMm)} below its strip`,
  'strips-goods': () => 'as far as holders hang, and into two studs',
  'strips-wall': (d, say) => `the whole wall, ${say.length(d.wallMm)}`,
  'fit-usual': (_d, say) => `${say.length(3.175)} more than the tool lifts out without a fight`,
  'play-fingers': (_d, say) => `${say.length(12.7)} beside each for fingers`,
  'play-lift': () => 'room above to lift it out',
}

const levers: WordsFor<LeverData> = {
  'strip-screws': (d) => `Put ${plural(d.count, 'screw')} of the strips into each stud`,
  'holder-rail-screws': (d) => `Put ${plural(d.count, 'screw')} through each side into the ends of the holders’ rails`,
  'strip-wider': (d) => `Make the strips from ${sectionName(d.section)}`,
  'strip-whole': () => 'Make each strip from a board of its own',
  'strip-ripped': () => 'Rip two strips from each board',
  'strips-direct': () => 'Fix the strips straight to the wall',
  'on-battens': () => 'Fix the strips to upright battens',
  'thicker-pegs': (d) => `Make the pegs of ${sectionName(d.section)}`,
  'holder-sheet': (d) => `Make the holders of ${sheetName(d.sheet)}`,
  'higher-bars': (d) => `Make the bars of ${sectionName(d.section)}`,
}

const problems: WordsFor<ProblemData> = {
  'tool-falls-through': (d, say) =>
    `${d.goods} falls through its ${heldName(d.held)}: what should stay on top is ${say.length(d.mm)} across, and ${say.length(d.leastMm)} is the least. Measure it again, or keep it another way.`,
  'tool-not-over': (d, say) =>
    `${d.goods} does not go over its ${heldName(d.held)}: it opens ${say.length(d.mm)}, and ${say.length(d.leastMm)} is wanted. Take a thinner bar, or keep it another way.`,
  'tool-not-on-hook': (d, say) =>
    `${d.goods} does not go on a hook: ${say.length(d.mm)} thick with its play, and a hook opens ${say.length(d.leastMm)}. Keep it another way.`,
  'tool-too-high-for-web': (d, say) =>
    `No board is wide enough for what hangs ${d.goods}: ${say.length(d.mm)} over its ledge. Keep it another way.`,
  'holder-no-tool': (d) =>
    `Holder ${d.holder} is for a tool that is not among the goods of this build. Choose another tool for it, or take it away.`,
  'holder-twice': (d) => `Holder ${d.holder} is for ${d.goods} again: a tool has one way of being kept.`,
  'strip-misses-studs': (d, say) =>
    `The piece of strip that begins ${say.length(d.from)} from its left end ${meetsTooFew(d.count)}. Make it longer, or move it along the wall.`,
  'strip-not-spliced': (d, say) =>
    `No board is long enough from one stud to the next: at most ${say.length(d.mostMm)}.`,
  'strips-too-close': (d, say) =>
    `Strips ${say.length(d.mm)} apart leave no room to lift a holder over its bevel: ${say.length(d.leastMm)} at least.`,
  'holder-in-the-way': (d, say) =>
    `A holder for ${d.goods} cannot begin ${say.length(d.mm)} from the left end: something else hangs there, two pieces of strip meet under it, or it would reach past the end or the floor.`,
  'strip-too-low': (d, say) =>
    `The lowest strip's upper edge is ${say.length(d.mm)} above the floor: ${say.length(d.leastMm)} at least, it is as wide as that.`,
  'strips-too-high': (d, say) =>
    `The highest strip would be ${say.length(d.mm)} up, and the wall ends at ${say.length(d.mostMm)}. Take fewer strips, or put them closer.`,
  'cleat-not-as-thick': (d, say) =>
    `Cleats of ${say.length(d.mm)} do not hook over strips of ${say.length(d.leastMm)}: both are as thick as each other.`,
  'nothing-hung': (d) =>
    `No holder finds room on these strips, ${d.goods} to begin with. Make them longer, higher or more of them.`,
}

type HolderText = (d: StepData['holder-shelf'], say: Say) => string
const holder = (title: string, text: HolderText) => ({
  title,
  text: (d: StepData['holder-shelf'], say: Say) =>
    `Holder ${d.nth}, for ${d.tools > 1 ? `${d.tools} of ` : ''}${d.goods}. ${text(d, say)}${d.handles > 0 ? ' It goes along to where it is used, by a hand hole in each of its sides: two holes bored, sawn out between, every edge rounded.' : d.travels ? ' It goes along to where it is used: leave a hand’s width free at its top.' : ''}`,
})
const apart = (d: StepData['holder-shelf'], say: Say) =>
  d.tools > 1 ? `, ${say.length(d.pitchMm)} from middle to middle` : ''
const FRAME = 'Rails between the sides at their backs, cleat behind the upper one with its toe down and at the wall.'

const steps: StepWordsFor<StepData> = {
  'strips-cut': {
    title: 'Rip the strips',
    text: (d, say) =>
      `${plural(d.strips, 'strip')}, ${say.length(d.widthMm)} wide over the toe, the longest ${say.length(d.longMm)}. Square one edge of the longest board first. ${d.ripped ? 'Saw at 45°: one cut down the middle gives two.' : 'Saw at 45° along one edge of each.'}`,
  },
  'backing-on': {
    title: 'Panels over the battens',
    text: (d) =>
      `${plural(d.panels, 'panel')}, whole ones or sound pieces of old ones, which meet on the middle of a batten; screwed to every batten. Mark the battens on them before the strips cover their screws: the strips go through into the battens, not into the panel alone.`,
  },
  'battens-up': {
    title: 'Battens on the wall',
    text: (d) =>
      `${plural(d.count, 'batten')} plumb, in one plane, ${plural(d.anchors, 'anchor')} in all. Bore in solid masonry or in the middle of a joint, as the anchor's maker says.`,
  },
  'first-strip': {
    title: 'The lowest strip',
    text: (d, say) =>
      `Strike a level line ${say.length(d.atMm)} above the floor: the upper edge of the lowest strip. Toe up and away from the wall${d.pieces > 1 ? `, ${d.pieces} pieces that meet on a stud` : ''}. Screw it on at ${plural(d.places, 'place')}, ${d.battens ? 'one at every batten' : 'each in solid wood or masonry'}, bored first.`,
  },
  'other-strips': {
    title: 'The other strips',
    text: (d, say) =>
      `${plural(d.count, 'more strip', 'more strips')}, from below up, each set by a board ${say.length(d.spacerMm)} high that stands on the one below: no tape, no second line.`,
  },
  'holder-shelf': holder('Open shelf', () => `${FRAME} The deck between the sides, flush with their tops.`),
  'holder-box': holder(
    'Box with dividers',
    (d, say) =>
      `Compartments ${say.length(d.openMm)} wide. Dado front and back boards as one wide board, then rip the pair from it: the dadoes face each other. ${FRAME} Bottom, back, front, then slide the dividers in.`,
  ),
  'holder-hinged-box': holder(
    'Box with a door',
    () =>
      `${FRAME} Bottom and top between the sides, the door over the front on its hinges, a magnet at its free edge; it stops against its own hinge.`,
  ),
  'holder-bored-rail': holder(
    'Bored rail',
    (d, say) =>
      `Bore ${plural(d.tools, 'hole')} of ${say.length(d.openMm)} through the deck${apart(d, say)}: one in a scrap first, the tool through it. ${FRAME} The deck flush with the tops of the sides.`,
  ),
  'holder-slotted-rail': holder(
    'Slotted rail',
    (d, say) =>
      `Bore ${plural(d.tools, 'hole')} of ${say.length(d.keyMm)}${apart(d, say)}, then saw a slot ${say.length(d.openMm)} wide from the front edge into each: the tool goes in edgeways and is turned. ${FRAME} The deck flush with the tops of the sides.`,
  ),
  'holder-cutout': holder(
    'Shaped cut-out',
    (d, say) =>
      `Draw round the tool, and saw out ${say.length(d.openMm)} by ${say.length(d.keyMm)}${apart(d, say)}: corners bored first. ${FRAME} The deck flush with the tops of the sides.`,
  ),
  'holder-pegs': holder(
    'Pegs',
    (d, say) =>
      `Bore the plate for two pegs for each tool, ${say.length(d.openMm)} clear between them, leaning up by five degrees: a block sawn at that angle guides the bit. Glue them in; the cleat goes behind the upper edge.`,
  ),
  'holder-drill-slots': holder(
    'Slots under a deck',
    (d, say) =>
      `${plural(d.tools + 1, 'T')} of a web and a ledge: ${say.length(d.keyMm)} clear between webs for the body, ${say.length(d.openMm)} between ledges for the grip. Screw each down through the deck from above. ${FRAME}`,
  ),
  'holder-clamp-bar': holder(
    'Bar for clamps',
    (d, say) =>
      `${FRAME} The bar on edge between the sides, flush with their tops; clamps stand ${say.length(d.pitchMm)} apart.`,
  ),
  'holder-hang-rail': holder(
    'Rail for hangers',
    (d, say) =>
      `${FRAME} The rail on edge between the sides, its upper edges rounded; hangers ${say.length(d.pitchMm)} apart.`,
  ),
  'holder-hook': holder(
    'Hooks',
    (d, say) => `${plural(d.tools, 'hook')} on one plate${apart(d, say)}; the cleat behind its upper edge.`,
  ),
  'hang-holders': {
    title: 'Hang the holders',
    text: (d) =>
      `${plural(d.count, 'holder')}: lift over the strip, lean to the wall, let down until the bevels meet, slide along to its place.`,
  },
  'load-holders': {
    title: 'Put the tools in',
    text: () => 'The heaviest first. Lift each out once again: what catches is filed now.',
  },
}

export const stripWallWords: KindWords = {
  name: 'Strip wall',
  blurb: 'Holders made to each tool, hooked over bevelled strips',
  dims: {
    'strip-rows': () => 'strips',
    'strip-rise': () => 'from one strip to the next',
    'strip-lowest': () => 'lowest strip, upper edge',
    'strip-length': () => 'strips, length',
    'tool-fit': () => 'play round a tool in its opening',
    'tool-apart': () => 'between tools',
  },
  choices: {
    'strip-rip': { label: 'Strips are', options: { ripped: 'two from each board', whole: 'a board each' } },
    backing: { label: 'Over the battens', options: { none: 'nothing', panels: 'panels that meet on them' } },
    'backing-sheet': { label: 'Panels over the battens' },
    'strip-mount': { label: 'Strips are fixed', options: { direct: 'to the wall', battens: 'to upright battens' } },
    'holder-sheet': { label: 'Sides and decks of holders' },
    'divider-sheet': { label: 'Dividers, fronts and backs' },
    'holder-cleats': { label: 'Cleats and pads of holders' },
    'holder-rails': { label: 'Rails of holders' },
    'holder-bars': { label: 'Bars, webs and ledges' },
    'hook-plate': { label: 'Plates for hooks and pegs' },
    pegs: { label: 'Pegs' },
  },
  lists: {
    holders: { label: 'Tools kept otherwise', one: 'holder', none: 'Every tool is kept as its table in Sort says.' },
  },
  fields: {
    'holder-tool': { label: 'Tool' },
    'holder-held': { label: 'Kept in', options: HELD_NAMES },
    'holder-row': { label: 'Over strip (0: any)' },
    'holder-at': { label: 'From the left end (0: any)' },
  },
  reasons,
  levers,
  problems,
  steps,
  holds: {
    'strip-straight': 'Sight along every strip: one that bows goes to the bottom row or back to the pile.',
    'battens-flat': 'A straight edge across all of them: pack the hollow ones before the anchors are tight.',
    'strip-level': 'Level over its whole length before the next goes up: all others are set from it.',
    'strip-pull': 'Pull hard by hand at every strip, between the screws: nothing gives.',
    'one-tool-tried': 'One tool in and out before the rest is made: it goes in, and does not fall through.',
    'holders-plumb': 'Every holder hangs plumb and touches at its lower edge. Push it up: only a lift takes it off.',
  },
}
