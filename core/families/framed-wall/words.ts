import type { KindWords, StepWordsFor, WordsFor } from '../../wording/kind.ts'
import { sectionName } from '../../wording/names.ts'
import { plural } from '../../wording/say.ts'
import type { LeverData } from './levers.ts'
import type { ProblemData, ReasonData } from './plan-out.ts'
import type { StepData } from './steps.ts'

const reasons: WordsFor<ReasonData> = {
  'framed-long': (d, say) => `all there is, ${say.length(d.haveMm)}`,
  'framed-high': () => 'from the floor to the ceiling, which holds its upper end',
  'framed-studs': (d, say) => `${say.length(d.mm)} is usual for walls`,
  'framed-door': (d, say) => `${say.length(d.mm)} takes a usual door and its frame, where there is room for it`,
  'framed-door-middle': () => 'in the middle',
  'framed-door-high': (d, say) => `${say.length(d.mm)} takes a usual door and its frame`,
  'framed-anchors': (d, say) => `${say.length(d.mm)} is usual for the plates of inner walls`,
}

const levers: WordsFor<LeverData> = {
  'framed-section': (d) => `Make studs and plates ${sectionName(d.section)}`,
  'framed-closer': (d, say) => `Put the studs ${say.length(d.mm)} apart`,
  'framed-anchors': (d, say) => `Anchor the plates every ${say.length(d.mm)}`,
  'framed-bare': () => 'Leave its faces open',
  'framed-one-face': () => 'Close one face only',
}

const problems: WordsFor<ProblemData> = {
  'framed-no-ceiling': () =>
    'A framed wall is held at its upper end by joists, and nobody has said where there are any, or they are trusses or rafters, which only an engineer may judge. Say in Survey what is above.',
  'framed-no-slab': () =>
    'The plates of a framed wall are anchored to a slab here. On a floor of boards ask somebody who knows what is under them.',
  'framed-not-at-ceiling': (d, say) =>
    `It would end ${say.length(d.mm)} up, and the ceiling, which holds its upper end, is at ${say.length(d.ceilingMm)}. Let its height go.`,
  'framed-no-joist': (d, say) =>
    `The joists run along it, and none is over it: the nearest is ${say.length(Math.abs(d.mm))} further ${d.mm < 0 ? 'back' : 'out'}. Move it under that, or turn it across the joists.`,
  'framed-few-joists': (d) =>
    `It crosses ${Number(d.count) === 0 ? 'no joist' : 'one joist'}: two at least hold its upper end. Make it longer, or move it.`,
  'framed-stud-too-long': (d, say) =>
    `Its studs would be ${say.length(d.mm)} long, and boards of this size come to ${say.length(d.mostMm)}. Take another size.`,
  'framed-door-past-wall': (d, say) =>
    `The door begins ${say.length(d.mm)} along the wall: there are studs and two anchors to either side of it, so it begins between ${say.length(d.leastMm)} and ${say.length(Math.max(d.leastMm, d.mostMm))}. Move it, or make it narrower.`,
  'framed-door-narrow': (d, say) =>
    `A door of ${say.length(d.mm)} lets nobody through: ${say.length(d.leastMm)} at least, or 0 for none.`,
  'framed-door-too-high': (d, say) =>
    `Over a door ${say.length(d.mm)} high there is no room for a board and the plate: ${say.length(d.mostMm)} at most.`,
  'framed-panel-too-high': (d, say) =>
    `Its panels would be ${say.length(d.mm)} high, and a sheet gives ${say.length(d.mostMm)}. Leave its faces open, or take a longer sheet.`,
  'framed-not-spliced': (d, say) =>
    `Its plates meet on studs, boards of this size come to ${say.length(d.mostMm)}, and each piece above needs two joists: there is no place where they could meet. Make it a little shorter or longer.`,
}

const steps: StepWordsFor<StepData> = {
  'framed-plates': {
    title: 'Plates on the floor and the ceiling',
    text: (d, say) =>
      `Snap the line on the floor, carry it up with a plumb line, and mark it on the ceiling. ${plural(d.lower, 'lower plate')}${d.doorMm > 0 ? `, none in the ${say.length(d.doorMm)} of the door` : ''}, ${plural(d.anchors, 'anchor')} into the slab as their maker says, packed where the floor falls. ${plural(d.upper, 'upper plate')} on the line above: ${plural(d.screws, 'screw')}, each up into a joist, bored first.`,
  },
  'framed-studs': {
    title: 'Studs between the plates',
    text: (d, say) =>
      `Measure each of ${plural(d.studs, 'stud')} where it stands: it must go in with a light tap. No further apart than ${say.length(d.everyMm)}, crowns all one way, ${plural(d.screws, 'screw')} through the plate into each end, above at a slant where the plate is already up.${d.noggings > 0 ? ` ${plural(d.noggings, 'nogging')} half-way up between them.` : ''}`,
  },
  'framed-door': {
    title: 'The opening for the door',
    text: (d, say) =>
      `A short stud beside each long one, the board over the door on them, level, ${say.length(d.highMm)} up; ${plural(d.pieces, 'short piece')} from it to the plate. The opening is ${say.length(d.wideMm)} wide: hold the door’s own frame beside it before anything is closed.`,
  },
  'framed-panels': {
    title: 'Panels',
    text: (d) =>
      `${plural(d.count, 'panel')}, meeting on the middle of a stud, clear of the floor, ${plural(d.screws, 'screw')} in all. Cables and pipes in the wall are somebody’s work who may do it, before it is closed.`,
  },
}

export const framedWallWords: KindWords = {
  name: 'Framed wall',
  blurb: 'Studs from floor to ceiling that divide a room, closed on one face or both, with a door where one is wanted',
  dims: {
    'framed-high': () => 'height of the wall',
    'framed-studs': () => 'studs, middle to middle at most',
    'framed-door': () => 'door, clear width',
    'framed-door-at': () => 'door from the left end',
    'framed-door-high': () => 'door, clear height',
    'framed-anchors': () => 'anchors apart at most',
  },
  choices: {
    'framed-studs': { label: 'Studs and plates' },
    'framed-sheet': { label: 'Panels' },
    'framed-faces': {
      label: 'Closed',
      options: { one: 'on one face', both: 'on both faces', none: 'not at all' },
    },
  },
  holds: {
    'framed-plumb': 'A plumb line from the upper plate meets the lower one all along.',
    'framed-door-square': 'Both diagonals of the opening are alike, and its sides are plumb.',
  },
  reasons,
  levers,
  problems,
  steps,
}
