import type { KindWords, StepWordsFor, WordsFor } from '../../wording/kind.ts'
import type { StepData } from './steps.ts'
import type { LeverData } from './levers.ts'
import type { ProblemData, ReasonData } from './plan-out.ts'
import { fixed } from '../../wording/fixed.ts'
import { sectionName } from '../../wording/names.ts'
import { plural, type Data } from '../../wording/say.ts'

const armOnLeg = (d: Data): string =>
  d.above
    ? `The end of the arm lies against the face of the leg, lower ends flush: ${fixed(d)} through the leg into it, bored.`
    : `The arm lies over the end of the leg, flush at the back: ${fixed(d)} down through the arm.`

const dims: Record<string, (d: Record<string, number>) => string> = {
  'brackets-apart': () => 'brackets apart, at least',
  'bracket-down': () => 'brackets reach down',
  'bracket-up': () => 'brackets reach up',
}

const choices: NonNullable<KindWords['choices']> = {
  bracket: { label: 'Brackets', options: { gusset: 'gussets of sheet', knee: 'braces' } },
  'gusset-sheet': { label: 'Gussets' },
  'knee-section': { label: 'Braces of the brackets' },
  'frame-section': { label: 'Legs and arms' },
  'frame-rip': { label: 'Legs and arms are', options: { ripped: 'ripped down the middle', whole: 'the full section' } },
  'corner-screws': { label: 'Screws from each arm into its leg', options: { one: 'one', two: 'two', three: 'three' } },
  'pair-screws': {
    label: 'Screws of each gusset or brace at either end',
    options: { two: 'two', three: 'three', four: 'four' },
  },
  'leg-screws': { label: 'Screws in each leg', options: { two: 'two', three: 'three', four: 'four', five: 'five' } },
}

const reasons: WordsFor<ReasonData> = {
  'apart-widest': (d, say) => `the widest thing, ${say.lengthOf(d, 'widestMm')}, stands between two brackets`,
  'apart-usual': (d, say) => `no closer than ${say.lengthOf(d, 'everyMm')}: the next studs after that`,
  'down-per-out': (d, say) => `a bracket ${say.lengthOf(d, 'outMm')} out reaches about four fifths of that down`,
  'up-to-shelf': () => 'as far up as the shelf above it, or the ceiling, lets it',
  'down-to-shelf': () => 'as far down as the shelf below it, or the floor, lets it',
}

const levers: WordsFor<LeverData> = {
  'leg-screws': (d) => `Put ${d.count} screws into each leg of its brackets`,
  'corner-screws': (d) => `Put ${d.count} screws through each arm into its leg`,
  'pair-screws': (d) =>
    `Put ${d.count} screws into either end of each ${d.bracket === 'gusset' ? 'gusset' : 'brace'} of its brackets`,
  'end-on-bracket': () => 'Put its right end on a bracket, not on a rod',
  'brackets-below': () => 'Put the brackets under the shelves',
  bracket: (d) => (d.bracket === 'gusset' ? 'Brace the brackets with boards' : 'Give the brackets gussets of sheet'),
  'frame-whole': () => 'Make legs and arms of the full section, not ripped',
  'frame-ripped': () => 'Rip legs and arms down the middle: two from one board',
  'frame-section': (d) => `Make legs and arms from ${sectionName(d.section)}`,
  'brackets-closer': (d, say) => `Put the brackets closer: at least ${say.lengthOf(d, 'mm')} apart`,
  'brackets-apart': (d, say) => `Put the brackets further apart: at least ${say.lengthOf(d, 'mm')}`,
}

const problems: WordsFor<ProblemData> = {
  'too-few-studs': (d, say) =>
    `${d.count === 0 ? 'No stud is' : `Only ${plural(d.count, 'stud')} ${d.count === 1 ? 'is' : 'are'}`} where its brackets could go, ${say.lengthOf(d, 'mm')} apart: put them closer, take fewer, or move it along the wall.`,
  'no-room-for-bracket': (d, say) =>
    `Shelf ${d.shelf} has no room for its brackets: its top must be at least ${say.lengthOf(d, 'leastMm')} above what is below it.`,
  'bracket-too-shallow': (d, say) =>
    `A shelf ${say.lengthOf(d, 'mm')} deep is no deeper than the legs of its brackets: ${say.lengthOf(d, 'leastMm')} at least, or smaller sections.`,
  'bracket-too-low': (d, say) =>
    `Brackets that reach ${say.lengthOf(d, 'mm')} down run into what is below them: at most ${say.lengthOf(d, 'mostMm')}.`,
  'brace-no-angle': (d, say) =>
    `A brace ${say.lengthOf(d, 'outMm')} out and ${say.lengthOf(d, 'mm')} high is too flat or too steep: between 25° and 65°. Let the brackets reach further down, or less.`,
  'hung-one-shelf': (d) =>
    `A corner hung from above carries one shelf; these are ${d.count}. Build one shelf, or put its end on a bracket.`,
  'arm-under-braces': (d, say) =>
    `The braces leave only ${say.lengthOf(d, 'mm')} of each arm bare for the sheet to lie on; ${say.lengthOf(d, 'leastMm')} is the least. Take narrower braces, or a deeper shelf.`,
}

const steps: StepWordsFor<StepData> = {
  'brackets-ripped': {
    title: 'Legs and arms',
    text: (d) =>
      `Rip the boards down the middle, cut legs and arms with a stop. ${armOnLeg(d)} ${plural(d.count, 'bracket')} in all.`,
  },
  'brackets-cut': {
    title: 'Legs and arms',
    text: (d) => `Cut legs and arms with a stop. ${armOnLeg(d)} ${plural(d.count, 'bracket')} in all.`,
  },
  'gussets-on': {
    title: 'Gussets on both sides',
    text: (d) =>
      `Hold leg and arm in a corner of something square. A gusset on each side, flush at back and top, ${fixed(d)} in the arm near its front end and as many in the leg near its foot; those of the two sides must not meet, and one more near the corner keeps each flat.`,
  },
  'knees-on': {
    title: 'Braces on both sides',
    text: (d) =>
      `Hold leg and arm in a corner of something square. A brace on each side, its ends flush with arm and leg, ${fixed(d)} in each of them; those of the two sides must not meet.`,
  },
  'brackets-on-wall': {
    title: 'Brackets on the studs',
    text: (d, say) =>
      `Strike a level line ${say.lengthOf(d, 'atMm')} above the floor: the tops of the ${d.levels > 1 ? 'lowest ' : ''}arms. Find the studs on it. The outer brackets first, plumb, ${plural(d.screws, 'screw')} through each leg into the middle of its stud, bored first; a string between their front ends is the line for the others.`,
  },
  'shelves-on-brackets': {
    title: 'Shelves on the brackets',
    text: (d) =>
      `${d.levels > 1 ? 'From below upward, ' : ''}${d.sheets > d.levels ? 'sheets that follow each other meet over the middle of an arm; ' : ''}${d.above ? 'notched round the legs at the back and round the braces in front as the cut list says, ' : ''}flush against the wall, ${fixed(d)} down into each arm, bored and countersunk.`,
  },
  'spreader-over': {
    title: 'Spreader over the joists',
    text: () =>
      'Plumb up from the hole in the arm: mark where the rod comes through the ceiling, beside a joist and never in it, and bore. Lay the spreader over the two joists beside it.',
  },
  'corner-hung': {
    title: 'Hang the corner',
    text: () =>
      'The short rod down through the spreader, washer and two nuts above. A coupling nut under the ceiling, the long rod into it and down through shelf and arm, washer and two nuts below. Turn the nuts until the shelf is level along its front.',
  },
}

const holds: NonNullable<KindWords['holds']> = {
  'corner-level': () => 'Level along the front edge, the rod tight: pull it sideways, it must not give.',
  'bracket-square': (h, say) =>
    `From the front end of the arm, at its top, to the foot of the leg, at the wall: ${say.length(h.measure!.targetMm)}, to ${say.length(h.measure!.toleranceMm)}. The first one is the pattern: lay every other on it.`,
  'bracket-square-above': (h, say) =>
    `From the front end of the arm, at its underside, to the upper end of the leg, at the wall: ${say.length(h.measure!.targetMm)}, to ${say.length(h.measure!.toleranceMm)}. The first one is the pattern: lay every other on it.`,
  'bracket-pull': () =>
    'Pull down on the front end of the first bracket with both hands: nothing may move. Then the others.',
}

export const bracketShelfWords: KindWords = {
  name: 'Bracket shelf',
  blurb: 'Shelves on brackets that are screwed to the studs',
  dims,
  choices,
  reasons,
  levers,
  problems,
  steps,
  holds,
}
