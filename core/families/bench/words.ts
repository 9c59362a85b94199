import { angleText } from '../../measure/angle.ts'
import type { KindWords, StepWordsFor, WordsFor } from '../../wording/kind.ts'
import { sectionName, sheetName } from '../../wording/names.ts'
import { meetsTooFew } from '../../wording/counts.ts'
import { plural } from '../../wording/say.ts'
import type { LeverData } from './levers.ts'
import type { ProblemData, ReasonData } from './plan-out.ts'
import type { StepData } from './steps.ts'

const WORK: Record<string, string> = {
  fine: 'a little above the elbow, for fine work',
  general: 'a hand under the elbow, for work of every kind',
  heavy: 'well under the elbow, for work one leans into',
}

const reasons: WordsFor<ReasonData> = {
  'bench-work': (d, say) => `${WORK[d.work]}, of a person ${say.length(d.personMm)} tall`,
  'bench-machine': (d, say) => `hardly under the ${say.length(d.machineMm)} of the machine's table: nothing catches`,
  'bench-under': (d, say) => `so that ${say.length(d.underMm)} go under its frame`,
  'bench-table-saw': (_d, say) => `${say.length(863.6)} is a usual table; measure yours`,
  'bench-under-usual': (_d, say) => `${say.length(762)} takes most that is rolled under; measure yours`,
  'bench-goods': (d) => `as long as ${plural(d.things, 'thing')} under it need`,
  'bench-usual-length': () => 'a usual bench, or as long as the wall is',
  'bench-wells': (d) => `as long as its ${plural(d.count, 'well')} need`,
  'bench-rip': (d) => (d.parts > 1 ? `${d.parts} of them come out of a sheet` : 'as deep as a sheet is wide'),
  'bench-clamps': () => 'so much for the jaws of clamps',
  'legs-half-sheet': (d, say) => `legs under every half sheet, ${say.length(d.everyMm)}`,
  'bench-other-same': () => 'as deep as this one; measure it',
  'bench-kneel': () => 'so close that somebody may kneel between them',
  'shelves-under': (d) =>
    d.things > 0 ? `as few as ${plural(d.things, 'thing')} need` : 'nothing is chosen to stand there',
}

const levers: WordsFor<LeverData> = {
  'bench-frame': (d) => `Make rails and cross pieces ${sectionName(d.section)}`,
  'legs-closer': (d, say) => `Put the legs closer: ${say.length(d.mm)} apart`,
  'legs-further': (d, say) => `Put the legs further apart: ${say.length(d.mm)}`,
  'worktop-sheet': (d) => `Make the top of ${sheetName(d.sheet)}`,
  'bench-panels': () => 'Stiffen it by panels at its back and its ends',
  'bench-legs': () => 'Put it on legs at the back too',
  'bench-wall': () => 'Screw it to the wall',
  'less-overhang': (d, say) => `Let the top stand out ${say.length(d.mm)} only`,
  'one-layer': () => 'Make the top of one layer',
  'cross-hangers': () => 'Hang the cross pieces in joist hangers',
}

const problems: WordsFor<ProblemData> = {
  'well-past-end': (d, say) =>
    `This well would end ${say.length(d.mm)} along the bench, which ends at ${say.length(d.mostMm)}. Put it further left, or make the bench longer.`,
  'well-past-start': (d, say) =>
    `What is on the left of this opening would begin before the bench: the opening is ${say.length(d.mm)} from its left end, ${say.length(d.leastMm)} at least for a leg and a cross piece.`,
  'drop-too-shallow': (d, say) =>
    `A machine whose table is ${say.length(d.mm)} above its foot is not let through the top: that and its frame alone take ${say.length(d.leastMm)}. Let it stand on a lowered stretch.`,
  'drop-too-near': (d, say) =>
    `With ${say.length(d.mm)} of the top before it an opening leaves no room for the rail and what holds its edge: ${say.length(d.leastMm)} at least.`,
  'drop-in-corner': () =>
    'The stretch at its corner has an opening: what is scribed there is a whole piece. Put the opening further along.',
  'drop-no-machine': (d, say) =>
    `No machine of what this bench holds goes through this opening: ${say.length(d.wideMm)} wide and ${say.length(d.deepMm)} deep at most. Put one in first, make the opening wider or the bench deeper, or let it stand on a lowered stretch.`,
  'wells-meet': (d, say) =>
    `A stretch of ${say.length(d.mm)} is left between this and what is beside it: none at all, or ${say.length(d.leastMm)} for legs of its own.`,
  'well-too-low': (d, say) =>
    `The well would be ${say.length(d.mm)} above the floor: ${say.length(d.leastMm)} at least. A higher bench, or a machine with a lower table, or the machine on its own stand.`,
  'doubled-behind-panels': () =>
    'Panels lie on the legs where pieces under the rails would stand. Keep it stiff by the wall, or let the fasteners bear the rails.',
  'batten-misses-studs': (d, say) =>
    `The batten that begins ${say.length(d.from)} from its left end ${meetsTooFew(d.count)}. Put it on legs at the back too, make that stretch longer, or move the bench along the wall.`,
  'bench-too-shallow': (d, say) =>
    `A top ${say.length(d.mm)} deep has no room for its legs and a frame between them: ${say.length(d.leastMm)} at least.`,
  'no-corner-known': (d) =>
    `There is no corner at its ${d.side} end that anybody has surveyed, or it stands mirrored, turned or away from its wall. Say in Survey how the walls meet, or make that end plain.`,
  'corner-far-from-square': (d) =>
    `The corner at its ${d.side} end is one of ${angleText(d.rad)}°: a top is scribed to one that is nearly square. Make that end plain.`,
  'corner-overlaps': (d, say) =>
    `Its ${d.side} end stands in what it meets there, by ${say.length(d.byMm)}. Move it ${say.length(d.moveMm)} away from the corner.`,
  'corner-gapes': (d, say) =>
    `From its ${d.side} end to what it meets there are ${say.length(d.byMm)}: more than a top may stand out unheld. Move it ${say.length(d.moveMm)} towards the corner.`,
  'angle-under-shelf': (d, say) =>
    `The lowest shelf is ${say.length(d.mm)} up: the angles at its feet need ${say.length(d.leastMm)}. Raise it, or let the feet stand.`,
  'shelf-over-top': (d, say) =>
    `Shelf ${d.shelf} would be ${say.length(d.mm)} up, in the frame of the top: at most ${say.length(d.mostMm)}.`,
}

const steps: StepWordsFor<StepData> = {
  'bench-frame': {
    title: 'First frame',
    text: (d) =>
      `Rails side by side, ends flush: mark both for ${plural(d.crosses, 'cross piece')} at once. A hanger under every mark, all its nails in, its seat so deep that the cross piece comes flush with the rail; then the cross pieces in, and the nails from their sides.`,
  },
  'bench-panels': {
    title: 'Panels that keep it stiff',
    text: (d) =>
      `${plural(d.count, 'panel')}, at the back and over the outer legs: square the legs by the panel, then ${plural(d.screws, 'screw')} along each leg.`,
  },
  'bench-stand': {
    title: 'Stand it where it belongs',
    text: (d) =>
      `Two carry it.${d.wells > 0 ? ' The stretches come in their order from the left, the low ones between their neighbours.' : ''} Slide it to the wall; what is behind it is reached no more.`,
  },
  'bench-machines': {
    title: 'Set the machine in its well',
    text: (d, say) =>
      `${plural(d.count, 'machine')}: two lift it by what its maker says, its plug drawn and its cutter out, onto the lower top, ${say.length(d.upMm)} up. Shim its feet until its table is level with the top beside it, then screw them down.`,
  },
  'bench-drop-in': {
    title: 'Let the machine down',
    text: (d, say) =>
      `${plural(d.count, 'machine')}: it goes in from above, so it is lifted over the top, ${say.length(d.upMm)} up. Two lift it by what its maker says, its plug drawn and its cutter out, or a hoist does; down on the platform with ${say.length(d.playMm)} all round. Shim its feet until its table is level with the top, then screw them down.`,
  },
  'bench-on-wall': {
    title: 'Put it on the wall',
    text: (d, say) =>
      `Strike a level line on the wall with ${say.length(d.lowMm)} under it and mark every ${d.courses ? 'course that is to take an anchor' : 'stud'} above it. Two lift the frame, the lower edge of its uppermost batten on the line, its legs upright under the front; ${d.screws > 1 ? `${plural(d.screws, 'screw')} into each place` : 'an anchor into each place'}, first at one end, then levelled, then the others.${d.count > 1 ? ` ${plural(d.count, 'batten')} in all.` : ''}`,
  },
  'bench-scribe': {
    title: 'Scribe its end',
    text: (d, say) =>
      `The top comes ${say.length(d.spareMm)} too long at its ${d.side} end. Lay it in its place, that end against ${d.meets === 'wall' ? 'the wall' : 'the front of the other bench'}, and draw a pencil along with a block under it as thick as the widest gap. ${d.slantMm < 0.5 ? 'The line comes out square.' : `From square it comes out ${say.length(d.slantMm)} longer at the ${d.longAt === 'back' ? 'wall' : 'front'}, over a depth of ${say.length(d.deepMm)}: if it does not, measure the corner again before you cut.`}`,
  },
  'bench-top': {
    title: 'Lay the top',
    text: (d, say) =>
      `${plural(d.count, 'sheet')}, best face up, back edge at the wall, ${d.outMm > 0.5 ? `front edge ${say.length(d.outMm)} past the rail` : 'front edge flush with the rail'}. Screws down into the rails, as many as the drawing says.${d.layers > 1 ? ' The second layer on the first, its joints beside those below, screwed from below so that nothing shows and it can be changed.' : ' Heads a little below the face: nothing may meet a blade.'}`,
  },
}

export const benchWords: KindWords = {
  name: 'Bench',
  blurb: 'A worktop on legs at the height the work asks for, shelves under it, wells for machines',
  dims: {
    'bench-height': () => 'height of the top',
    'bench-depth': () => 'depth of the top',
    'machine-table': () => "machine's table above the floor",
    'goes-under': () => 'room under the frame',
    'legs-apart': () => 'legs apart',
    overhang: () => 'top past the rail',
    'bench-other': () => 'depth of the bench it meets',
  },
  choices: {
    'height-from': {
      label: 'Height follows',
      options: {
        fine: 'fine work',
        general: 'work of every kind',
        heavy: 'heavy work',
        machine: 'the table of a machine',
        under: 'what goes under it',
      },
    },
    layers: { label: 'Layers of the top', options: { one: 'one', two: 'two, the upper to be changed' } },
    'bench-stiff': {
      label: 'Kept stiff by',
      options: { wall: 'the wall', panels: 'panels at back and ends' },
    },
    'bench-back': { label: 'Its back is carried by', options: { legs: 'legs', batten: 'a batten on the wall' } },
    'bench-corner': {
      label: 'Scribed at a corner',
      options: { none: 'no', left: 'at its left end', right: 'at its right end' },
    },
    'bench-meets': { label: 'It meets there', options: { bench: 'the bench along the other wall', wall: 'the wall' } },
    'bench-frame': { label: 'Rails and cross pieces' },
    'bench-cross-joint': {
      label: 'Ends of the cross pieces',
      options: { two: 'two screws', three: 'three screws', four: 'four screws', hangers: 'joist hangers' },
    },
  },
  lists: {
    wells: {
      label: 'Wells for machines',
      one: 'well',
      none: 'None: the top is level from end to end.',
    },
  },
  fields: {
    'well-left': { label: 'From the left end' },
    'well-wide': { label: 'Wide' },
    'well-way': {
      label: 'Machine stands',
      options: { lowered: 'on a lowered stretch', 'dropped-in': 'under an opening, let down through the top' },
    },
    'well-front': { label: 'Top before an opening' },
    'well-table': { label: "Machine's table above its foot" },
  },
  reasons,
  levers,
  problems,
  steps,
  holds: {
    'table-level': 'A straight edge over the table and the top on both sides of it: nothing catches.',
    'table-flush':
      'A straight edge over the table and the top, in both directions and on all four sides of the opening: nothing catches.',
    'top-flat':
      'A straight edge across the top in both directions: a card goes under it nowhere. A shim between rail and sheet lifts what is low.',
  },
}
