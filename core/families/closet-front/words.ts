import type { KindWords, StepWordsFor, WordsFor } from '../../wording/kind.ts'
import { sheetName } from '../../wording/names.ts'
import { plural } from '../../wording/say.ts'
import type { LeverData } from './levers.ts'
import type { ProblemData, ReasonData } from './plan-out.ts'
import type { StepData } from './steps.ts'

const SCHOOLS: Record<string, string> = {
  shared: 'sides shared by two bays',
  boxes: 'a box for each bay',
  ladders: 'ladders with a skin on both faces',
  frames: 'light frames with one thin skin',
}

const reasons: WordsFor<ReasonData> = {
  'closet-bays': (d, say) =>
    `as many bays of about ${say.length(d.everyMm)} as the ${say.length(d.wallMm)} of wall take`,
  'closet-studs': (d, say) =>
    `so many that studs come between uprights: bays of ${say.length(d.everyMm)} would hide every stud of the ${say.length(d.wallMm)} behind one`,
  'closet-clear': (d, say) =>
    `the wall parted evenly by ${plural(d.bays, 'bay')}, with ${say.length(d.fillerMm)} at least for a strip at each end`,
  'closet-high': (d, say) =>
    `${say.length(d.spareMm)} under the ceiling at ${say.length(d.ceilingMm)}, and no longer than a sheet gives, ${say.length(d.sheetMm)}`,
  'closet-kick': () => 'room for toes, and over what is spilt',
  'closet-shelves': (d, say) =>
    `what ${plural(d.things, 'thing')} need, and so many that uprights are held every ${say.length(d.apartMm)} at least`,
  'closet-even': () => 'what is left up to the top, parted evenly',
}

const levers: WordsFor<LeverData> = {
  'closet-school': (d) => `Build it with ${SCHOOLS[d.school]}`,
  'closet-doors': () => 'Close it with doors instead of leaves that turn up',
  'closet-no-drawers': () => 'Close it with doors down to the lowest panels, without drawers',
  'closet-no-face': () => 'Leave the face frame off, and band the edges',
  'closet-skin': (d) => `Make the skins of ${sheetName(d.sheet)}`,
  'closet-bays': (d) => `Part it into ${d.count} bays`,
}

const problems: WordsFor<ProblemData> = {
  'closet-too-long': (d, say) =>
    `It would be ${say.length(d.mm)} long and there are ${say.length(d.mostMm)}. Fewer or narrower bays.`,
  'closet-too-shallow': (d, say) =>
    `The space in front of this wall leaves ${say.length(d.mm)} inside it: ${say.length(d.leastMm)} at least.`,
  'closet-face-low': (d, say) =>
    `The lowest panels are ${say.length(d.mm)} up, and the rail of the face frame in front of them is ${say.length(d.leastMm)} wide: it would stand in the floor. Higher panels, or a narrower rail.`,
  'closet-kick-low': (d, say) =>
    `Under the lowest panels are ${say.length(d.mm)}: the strip there, and cleats where they lie on some, need ${say.length(d.leastMm)}.`,
  'closet-too-high': (d, say) =>
    `It can be ${say.length(d.mostMm)} high at most, by the ceiling and the sheet, not ${say.length(d.mm)}.`,
  'closet-frames-wide': (d, say) =>
    `A bay ${say.length(d.mm)} wide wants two leaves, and a light frame carries them on one face only: ${say.length(d.mostMm)} at most. More bays, or another school.`,
  'closet-face-wants-sheets': () =>
    'A face frame goes on the front edges of sheets: ladders and light frames show their posts. Take a box for each bay, or shared sides.',
  'closet-face-wants-doors': () =>
    'Leaves that turn up have their hinges and springs where a face frame would be: with one take doors, panels that slide, a curtain or nothing.',
  'closet-drawers-want-sides': () =>
    'Drawers run between sides of sheet, their faces flush with the edges of those: take a box for each bay or shared sides, without a face frame.',
  'closet-springs-want-sides': () =>
    'Gas springs want a sheet on both sides of a bay: a light frame has one on one face. Doors, or ladders with skins.',
  'closet-sliding-wants-posts': () =>
    'Panels that slide run on tracks screwed to the front of posts or stiles: take ladders, light frames or a face frame, or doors.',
  'closet-too-deep': (d, say) => `A sheet gives sides of ${say.length(d.mostMm)} at most, not ${say.length(d.mm)}.`,
}

const steps: StepWordsFor<StepData> = {
  'closet-ladders': {
    title: 'Ladders',
    text: (d) =>
      `${plural(d.ladders, 'ladder')} flat on the floor, each of two posts with its rungs at the marks of the stick, ${plural(d.rungs, 'rung')} in all, ${plural(d.screws, 'screw')} into each end. All on the first, so that all are alike.`,
  },
  'closet-skins': {
    title: 'Cleats and skins',
    text: (d) =>
      `The ${plural(d.cleats, 'cleat')} first: screwed on from behind, through their skin, while its back can still be reached. Then the ${plural(d.skins, 'skin')} onto the ladders, ${plural(d.screws, 'screw')} into each post, one face whole before the ladder is turned over.`,
  },
  'closet-framed': {
    title: 'Cleats and skins',
    text: (d) =>
      `The ${plural(d.cleats, 'cleat')} of the open face first, ${plural(d.cleatScrews, 'screw')} through each post into its cleats. Then the ${plural(d.skins, 'skin')} on one face of each frame, ${plural(d.screws, 'screw')} into each post, and the cleats of that face over it, their screws through the post and the skin.`,
  },
  'closet-panels': {
    title: 'Bay by bay',
    text: (d) =>
      `From one end: an upright held plumb, the lowest panel and the top ${d.cleats ? 'on their cleats' : 'into their dadoes'}, the next upright, then the shelves between, ${plural(d.screws, 'screw')} at each end; the ${plural(d.kicks, 'board')} under the lowest panels as one goes. ${plural(d.bays, 'bay')} in all, stood up where they stay: together they pass under no door.`,
  },
  'closet-sides': {
    title: 'Box to box',
    text: (d) =>
      `Fronts and tops flush, clamped, then ${plural(d.screws, 'screw')} through each of the ${plural(d.pairs, 'pair')} of sides, near shelves where nobody sees them.`,
  },
  'closet-back': {
    title: 'Backs',
    text: (d) =>
      `${plural(d.backs, 'thin back')}, screwed all round while each bay is square${d.nailers ? `, and ${plural(d.nailers, 'board')} between the uprights under the tops for the ties` : ''}. Where nobody gets behind it, each back goes on before its bay is pushed to the wall.`,
  },
  'closet-face': {
    title: 'Face frame',
    text: (d) =>
      `${plural(d.stiles, 'stile')} with ${plural(d.rails, 'rail')} between them, flat on the floor, ${plural(d.railScrews, 'screw')} at a slant out of each end, from behind. Then onto the front edges, the outer stiles flush with the outer sides, ${plural(d.screws, 'screw')} at a slant out of a side into each stile, bored first.`,
  },
  'closet-trim': {
    title: 'Strips at the walls and the ceiling',
    text: (d, say) =>
      `${plural(d.ends, 'strip')} at the ends${d.heads ? ` and ${plural(d.heads, 'piece')} under the ceiling` : ''}, cut ${say.length(d.leftMm)} over size. Hold each plumb in its place, draw the wall’s line on it with a block and a pencil, plane to the line with the edge leaning back a little, and screw it from inside.`,
  },
}

export const closetFrontWords: KindWords = {
  name: 'Closet wall',
  blurb: 'Bays from wall to wall behind doors, panels that slide or leaves that turn up',
  dims: {
    'closet-high': () => 'height of the uprights',
    'closet-kick': () => 'under the lowest panels',
  },
  choices: {
    'closet-school': {
      label: 'Between the bays',
      options: {
        shared: 'one sheet for two bays',
        boxes: 'a box for each bay',
        ladders: 'ladders with a skin on both faces',
        frames: 'light frames with a thin skin on one face',
      },
    },
    'closet-post': { label: 'Posts and rungs' },
    'closet-cleat': { label: 'Cleats' },
    'closet-skin': { label: 'Skin of the frames' },
    'closet-closed': {
      label: 'Front',
      options: {
        doors: 'doors',
        sliding: 'panels that slide past each other',
        'lift-up': 'leaves that turn up, one for each shelf',
        both: 'doors below, leaves that turn up above',
        drawers: 'drawers below, doors above',
        open: 'open',
        curtain: 'a curtain',
      },
    },
    'closet-face': {
      label: 'Front edges',
      options: { edges: 'as they are, banded', frame: 'behind a face frame' },
    },
    'closet-face-boards': { label: 'Stiles and rails' },
    'closet-fillers': { label: 'Strips scribed to walls and ceiling', options: { true: 'yes', false: 'no' } },
  },
  reasons,
  levers,
  problems,
  steps,
}
