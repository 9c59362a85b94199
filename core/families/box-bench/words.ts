import type { KindWords, StepWordsFor, WordsFor } from '../../wording/kind.ts'
import { sheetName } from '../../wording/names.ts'
import { plural } from '../../wording/say.ts'
import type { ScribeStep } from '../bench-corner.ts'
import type { WellStep } from '../bench-wells.ts'
import type { CornerProblems } from '../corner-line.ts'
import type { ProblemData, ReasonData } from './plan-out.ts'
import type { StepData } from './steps.ts'

const reasons: WordsFor<Omit<ReasonData, 'bench-other-same'>> = {
  'box-bench-bays': (d) =>
    d.things > 0 ? `a usual bench, or as many as ${plural(d.things, 'thing')} in it need` : 'a usual bench',
  'box-bench-toes': () => 'room for toes',
  'box-bench-span': () => 'so close that somebody may sit on a top of two layers between them',
}

const problems: WordsFor<Omit<ProblemData, keyof CornerProblems>> = {
  'box-well-too-low': (d, say) =>
    `The well would be ${say.length(d.mm)} above the floor, and nothing goes in under it: ${say.length(d.leastMm)} at least. A higher bench, a machine with a lower table, or the machine on a stand of its own.`,
  'box-angle-over-kick': (d, say) =>
    `With ${say.length(d.mm)} under its bottoms the angles at its feet have no room: ${say.length(d.leastMm)} at least.`,
  'box-bench-shallow': (d, say) =>
    `A top ${say.length(d.mm)} deep leaves its boxes no depth to hold anything: ${say.length(d.leastMm)} at least.`,
  'box-shelf-over-top': (d, say) =>
    d.shelf === 0
      ? `The bottom would be ${say.length(d.mm)} up, and nothing goes in under the top: at most ${say.length(d.mostMm)}. Make it higher.`
      : `Shelf ${d.shelf} would be ${say.length(d.mm)} up, and nothing goes in under the top: at most ${say.length(d.mostMm)}.`,
}

const steps: StepWordsFor<Omit<StepData, keyof (ScribeStep & WellStep)>> = {
  'box-bench-join': {
    title: 'Box to box',
    text: (d) =>
      `${plural(d.boxes, 'box', 'boxes')} side by side${d.wells > 0 ? ', the low ones where their machines stand: fronts flush, and upper edges of those that are as high' : ': fronts and upper edges flush, a straight edge over both'}, clamped; then ${plural(d.screws, 'screw')} through each pair of sides, near shelves where nobody sees them.`,
  },
  'box-bench-top': {
    title: 'Lay the top',
    text: (d) =>
      `${plural(d.count, 'sheet')}, best face up, back edge at the wall: ${plural(d.screws, 'screw')} down into each end and divider, bored, on a line carried up from below so that none comes out of its face.${d.layers > 1 ? ' The second layer on the first, screwed from below so that nothing shows and it can be changed.' : ' Heads a little below the face: nothing may meet a blade.'}`,
  },
}

export const boxBenchWords: KindWords = {
  name: 'Bench on boxes',
  blurb:
    'A worktop on boxes of sheet, dividers and shelves in dadoes under it, open or behind doors, or drawers; lower boxes for machines',
  dims: { 'box-overhang': () => 'top past what is under it' },
  levers: {
    'two-layers': () => 'Make the top of two layers',
    'back-sheet': (d: { sheet: string }) => `Make the back of ${sheetName(d.sheet)}`,
  },
  fields: { 'well-after': { label: 'Openings on its left' } },
  reasons,
  problems,
  steps,
}
