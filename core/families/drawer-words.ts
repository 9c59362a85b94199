import type { DrawerLever, DrawerProblem, DrawerReason, DrawerStep } from './in-drawers.ts'
import type { HoldWords, KindWords, StepWordsFor, WordsFor } from '../wording/kind.ts'
import { sheetName } from '../wording/names.ts'
import { plural } from '../wording/say.ts'

/*
 * What is said of drawers, whatever kind of build they are in.
 */

const steps: StepWordsFor<DrawerStep> = {
  'runner-grooves': {
    title: 'Grooves the drawers run in',
    text: (d, say) =>
      `${plural(d.sides, 'upright')} side by side, the marks of the stick across all of them at once: ${plural(d.grooves, 'groove')} in each face that looks at drawers, ${say.length(d.wideMm)} wide and ${say.length(d.deepMm)} deep. Where they lie a like way apart, a strip run in the groove before spaces the next one.`,
  },
  'slides-on': {
    title: 'The slides',
    text: (d, say) =>
      `While the uprights still lie on the floor: ${plural(d.slides, 'slide')}, ${say.length(d.longMm)} long, at ${plural(d.levels, 'height')}, their front ends ${say.length(d.frontMm)} behind the front edge. Their lower edges on the marks of the stick, carried across both uprights of an opening at once.`,
  },
  'drawer-on-slides': {
    title: 'The first drawer',
    text: (d, say) =>
      `Grooves ${say.length(d.deepMm)} deep along the sides first. The back between the sides, ${plural(d.screws, 'screw')} and glue into each end, the bottom slid into its grooves from the front, the face over the ends of the sides. Then the inner half of each slide on its side.`,
  },
  'drawers-on-slides-in': {
    title: 'Put the drawers in',
    text: (d) =>
      `Both halves of each pair of slides into each other, and the ${d.count === 1 ? 'drawer' : `${d.count} drawers`} pushed home once: then it runs. One that binds has uprights nearer to each other than slides ask for: plane nothing, loosen a slide and pack it.`,
  },
  'drawer-first': {
    title: 'The first drawer',
    text: (d) =>
      `Sides and back first, then the face over the ends of the sides, all on the bottom: glue, and ${plural(d.screws, 'screw')} up through it into the longest piece. Its bottom stands out on both sides: that runs in the grooves.`,
  },
  'drawers-alike': {
    title: 'The other drawers',
    text: (d) =>
      `${plural(d.count, 'more drawer')}${d.kinds > 1 ? ` of ${plural(d.kinds, 'height')}` : ''}: pieces of one height in one setting of the saw, each drawer against the first.`,
  },
  'drawers-in': {
    title: 'Put the drawers in',
    text: (d) =>
      `Wax on the edges of ${d.count === 1 ? 'the bottom' : 'the bottoms'}, then the high drawers into the low grooves. One that binds is planed at its bottom's edge, never at the groove.`,
  },
  'drawer-pulls': {
    title: 'The handles',
    text: (d) =>
      `${plural(d.count, 'handle')}, each in the middle of its face: holes bored through a strip of wood with a stop, the same for all faces of one height. Two screws from inside.`,
  },
  'drawer-inserts': {
    title: 'What lies round the things',
    text: (d) =>
      `${[d.foam > 0 ? `${plural(d.foam, 'piece')} of foam` : '', d.bored > 0 ? `${plural(d.bored, 'bored board')}` : ''].filter((x) => x !== '').join(' and ')}, ${plural(d.places, 'place')} in all. Lay the things on it first as they will be, and draw round them: what you measured may have an edge nobody counted.${d.foam > 0 ? ' Foam is cut with a long blade drawn slowly, square to its face.' : ''}${d.bored > 0 ? ' Holes right through, on a scrap board.' : ''}`,
  },
}

const holds: Record<string, HoldWords> = {
  'slides-level': 'Measured from the foot of both uprights, the two slides of each drawer are at one height.',
  'bottom-runs': 'A strip of the bottom runs from end to end of the first groove with two fingers.',
  'drawer-runs': 'Drawn by one corner of its face it comes without binding; drawn half out it does not tip.',
}

const levers: WordsFor<DrawerLever> = {
  'drawer-bottom': (d) => `Make the bottoms of the drawers of ${sheetName(d.sheet)}`,
  'drawer-sides': (d) => `Make the drawers of ${sheetName(d.sheet)}`,
  'drawer-slides': () => 'Run the drawers on bought slides',
  'drawer-grooves': () => 'Run the drawers in grooves instead of on slides',
}

const reasons: WordsFor<DrawerReason> = {
  'drawer-span': () => 'what the thin bottom of a drawer spans, or the widest thing asks for',
}

const problems: WordsFor<DrawerProblem> = {
  'drawer-slide-short': (d, say) =>
    `Drawers ${say.length(Math.max(0, d.mm))} deep take no slide: the shortest is ${say.length(d.leastMm)}. Make it deeper, or run the drawers in grooves.`,
  'drawer-too-low': (d, say) =>
    `Drawer ${d.shelf} from below would have a place ${say.length(Math.max(0, d.mm))} high: ${say.length(d.leastMm)} at least.`,
  'drawers-in-dadoes': () => 'Cleats are where drawers run: stand the shelves in dadoes, or take another front.',
  'drawers-one-shelf': () => 'Drawers are between two shelves. Give it two shelves at least, or another front.',
  'drawer-too-narrow': (d, say) =>
    `An opening ${say.length(d.mm)} wide leaves a drawer nothing to hold: ${say.length(d.leastMm)} at least.`,
}

const dims: Record<string, (d: Record<string, number>) => string> = {
  'drawer-under': (d) => `drawer ${d.shelf} from below, its underside`,
  'drawers-over': () => 'drawers over the lowest',
  'drawer-rows': () => 'drawers one over the other',
}

const choices: Record<string, { label: string; options?: Record<string, string> }> = {
  'drawer-sheet': { label: 'Sides and faces of drawers' },
  'drawer-bottom-sheet': { label: 'Bottoms of drawers' },
  'drawer-runs': {
    label: 'Drawers run',
    options: { grooves: 'on their bottoms, in grooves', slides: 'on bought slides, right out' },
  },
  'drawer-hand': {
    label: 'Drawn by',
    options: { hole: 'a hand hole in the face', pull: 'a handle', none: 'the edge of the face' },
  },
}

/** In the form in which kinds of build have theirs. */
export const drawerWords: KindWords = {
  name: 'Drawers',
  blurb: '',
  dims,
  choices,
  levers,
  problems,
  reasons,
  steps,
  holds,
}
