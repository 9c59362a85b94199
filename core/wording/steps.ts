import { WORD_SETS } from '../families/all-words.ts'
import type { HoldPoint, Step } from '../steps/step.ts'
import { fixed } from './fixed.ts'
import { gathered, type HoldWords } from './kind.ts'
import { capital, plural, type Data, type Say } from './say.ts'

interface StepWords {
  title: string
  text: (d: Data, say: Say) => string
}

const STEPS: Record<string, StepWords> = {
  ...gathered<StepWords>(WORD_SETS, (k) => k.steps),
  'make-stick': {
    title: 'Make the story stick',
    text: () =>
      'Mark every height on one straight strip, from its lower end. From now on carry heights with the stick, not with the tape.',
  },
  'back-on': {
    title: 'Back and tie board',
    text: (d) =>
      `Square it. ${d.nailers ? `The nailers go between the uprights at the top, ${fixed(d)} through the upright into each end${d.back ? '; then screw the back on all round' : ''}.` : 'Screw the back on all round.'}`,
  },
  'cover-on': {
    title: 'Panels over the back',
    text: (d) =>
      `${plural(Number(d.count), 'panel')}: square the posts by the first, meet the next on the middle of a post. ${fixed(d)} in each where they lie.`,
  },
  'brace-ends': {
    title: 'Diagonals over the ends',
    text: (d) =>
      `A post plumb with the level, then ${plural(Number(d.count), 'diagonal')} on the outer faces of the end posts, the lowest of one end rising to the front and that of the other to the back; two screws where a board crosses a post. An end that stands at a wall gets its own before it is pushed there.`,
  },
  'pin-feet': {
    title: 'Hold the feet down',
    text: (d) =>
      `${plural(Number(d.count), 'angle')} against the inner faces of what stands, tight to it and to the floor, all their screws in. Then bore the slab through each, blow the hole clean, and set the anchor as its maker says.`,
  },
  'tilt-up': {
    title: 'Stand it up',
    text: () =>
      'Two people: block the lower edge, lift the upper one, walk it up. Hold it until it is tied or heavy below.',
  },
  'stand-in-place': {
    title: 'Stand the frames in their place',
    text: () =>
      'Stand the rear frame against the wall and hold it with a clamp or a first screw, then join the rest to it where it stands.',
  },
  level: {
    title: 'Level and shim',
    text: () => 'Set it by the level line on the wall. Shim under the low posts until every mark agrees with the line.',
  },
  tie: {
    title: 'Tie it to the wall',
    text: (d) => `${plural(Number(d.count), 'screw')} into solid wood or masonry behind it, where the drawing shows.`,
  },
  'tie-sides': {
    title: 'Tie the ends to the walls beside them',
    text: (d, say) => {
      const at = (end: 'left' | 'right') =>
        besideWords(end, [Number(d[end]), Number(d[`${end}From`]), Number(d[`${end}To`])], say)
      return `Through the uppermost piece that lies along that end: ${[...at('left'), ...at('right')].join('; ')}. Pack what gap there is at each first: a screw pulls the end over to the wall otherwise, and the build out of plumb.`
    },
  },
  'set-on': {
    title: 'Set it on what carries it',
    text: (d) =>
      `Two people, empty, once "${d.name}" is standing, level and tied: lift it on, flush at the back, and screw it down through its lowest panels or plates, so that it cannot slide off.`,
  },
  'tie-neighbours': {
    title: 'Tie it to its neighbour',
    text: (d) =>
      `Standing level and in its place: clamp its upright to that of ${d.names}, a packer in any gap, and join them near the top with what the list says: ${d.count} screws, or ${d.count} bolts through both.`,
  },
  'load-low-first': {
    title: 'Load it, lowest first',
    text: () => 'Heavy things low, then up row by row. Write what is in each place.',
  },
  'load-low-first-untied': {
    title: 'Load it, lowest first',
    text: () =>
      'It stands free: fill the lowest row completely before anything goes higher, and keep the heaviest there.',
  },
  'first-shelf-frame': {
    title: 'First shelf frame',
    text: (d) =>
      `On the flat floor: cross pieces between front and back rail, ${fixed(d)} through the rail into each end.`,
  },
  'other-shelf-frames': {
    title: 'The other shelf frames',
    text: () => 'Lay the pieces on the first frame as a pattern: all must be alike.',
  },
  'mark-posts': {
    title: 'Cut and mark the posts',
    text: () => 'Lay all posts side by side, ends flush, and carry the marks of the stick across all of them at once.',
  },
  'posts-on': {
    title: 'Screw the posts to the frames',
    text: (d) =>
      `Frames on edge, posts across them, sheet tops (less the sheet) on the marks. ${capital(fixed(d))} through each post into each rail.`,
  },
  'pieces-under-rails': {
    title: 'Pieces under the rails',
    text: (d) =>
      `Measure each of ${plural(Number(d.count), 'piece')} where it stands, from what is below to the rail above: it must be driven in with the hand, not with a hammer. Beside its post, ${fixed(d)} into that.`,
  },
  brace: {
    title: 'Boards across the back',
    text: (d) =>
      `The tie board across the tops of the rear posts, then the diagonal, ${fixed(d)} at each post it crosses.`,
  },
  'dadoes-cut': {
    title: 'Dadoes in the uprights',
    text: (d) =>
      `Lay the uprights side by side, carry the marks of the stick across all of them at once, and cut the ${d.dadoes === 0 ? '' : 'dadoes'}${d.rabbets ? `${d.dadoes === 0 ? '' : ', and the '}rabbets at both ends,` : ''} a third of the sheet deep, one setting for all.`,
  },
  'box-together': {
    title: 'Put the box together',
    text: (d) =>
      `On its back on the flat floor: ${d.tops === 0 ? 'bottom and shelves into their dadoes' : 'bottom, shelves and top into their dadoes and rabbets'}, glue in all of them, ${fixed(d)} at each end.`,
  },
  'box-butted': {
    title: 'Put the box together',
    text: (d) =>
      `On its back on the flat floor: bottom, fixed shelves and top between the uprights, edges flush, glue on their ends, ${fixed(d)} through the upright into each end, bored first.`,
  },
  'uprights-marked': {
    title: 'Mark the uprights',
    text: () =>
      'Lay the uprights side by side, lower ends flush, and carry the marks of the stick across all of them at once. What faces what is written on each.',
  },
  'rows-bored': {
    title: 'Rows of holes for the pins',
    text: (d, say) =>
      `A strip with one row of holes, bored on its own, is the pattern: clamp it to each upright, its lower end flush with that of the upright. ${plural(Number(d.count), 'hole')} of ${say.drill(Number(d.diameterMm))} in each row, ${say.lengthOf(d, 'everyMm')} apart, ${say.lengthOf(d, 'depthMm')} deep: a stop on the drill, or it comes through.`,
  },
  'cord-holes-bored': {
    title: 'Holes for cords',
    text: (d) =>
      `${plural(Number(d.count), 'hole')}, where the cut list says: bore from the face that is seen until the point comes through, then from the other.`,
  },
  'shelves-on-pins': {
    title: 'Loose shelves on their pins',
    text: (d) =>
      `${plural(Number(d.pins), 'pin')} for each shelf, all in the same hole counted from below, pushed in to their stop. Tip the shelf in and let it down on them.`,
  },
  'leaves-built': {
    title: 'The leaves',
    text: (d) =>
      `${Number(d.leaves) === 1 ? 'The leaf is a box by itself' : `${d.leaves} leaves, each a box by itself`}: the tiers and the head between its two sides, ${fixed(d)} at each end, the ${plural(Number(d.rods), 'rod')} into their holes as the second side goes on. Then the face, flush all round, glued and screwed.`,
  },
  'leaves-hung': {
    title: 'Hang the leaves',
    text: (d) =>
      `${plural(Number(d.hinges), 'hinge')} in all, flat over the outer faces: first on the ${plural(Number(d.leaves), 'leaf', 'leaves')}, then, empty and standing on two wedges, on the side, the knuckle where the two meet.${d.catches ? ' The catches under the top last, where the leaf pulls shut by itself.' : ''} Fill them only when they hang.`,
  },
  'curtain-hung': {
    title: 'The curtain',
    text: (d) =>
      `The rail on ${plural(Number(d.brackets), 'bracket')}, one at each upright, level, then the curtain on it.`,
  },
  'doors-hung': {
    title: 'Hang the doors',
    text: (d, say) =>
      `${plural(Number(d.hinges), 'hinge')} in all: first on the ${plural(Number(d.leaves), 'leaf', 'leaves')}, then, the leaf held in its place on two wedges, on the uprights, one screw in each until it hangs right. ${say.lengthOf(d, 'gapMm')} between leaves.${d.catches ? ' The catches under the top last, where the leaf pulls shut by itself.' : ''}`,
  },
  'lifts-hung': {
    title: 'Hang the leaves that turn up',
    text: (d, say) =>
      `The ${plural(Number(d.leaves), 'leaf', 'leaves')} held shut by two people, ${say.lengthOf(d, 'gapMm')} apart: ${plural(Number(d.hinges), 'hinge')} in all, under the panel and on the inside of the leaf, level with each other. Then the ${plural(Number(d.springs), 'gas spring')}, the thick end up: ${say.lengthOf(d, 'footMm')} under the upper edge and ${say.lengthOf(d, 'backMm')} behind the face on the upright, ${say.lengthOf(d, 'headMm')} under the upper edge on the leaf. Nobody’s head under a leaf until both its springs are on, and never open or heat a spring.`,
  },
  'load-hung': {
    title: 'Load it',
    text: () =>
      'Half of it first, lowest shelf first. Look at the strip or the screws after a day, then the rest. Write what is in each place.',
  },
  'join-modules': {
    title: 'Join the modules',
    text: () =>
      'Clamp neighbouring end posts together, tops flush, and screw them to each other at a slant across the seam: top, middle and bottom.',
  },
  'arms-set': {
    title: 'Set the arms',
    text: (d, say) =>
      `${plural(Number(d.count), 'arm')}, ${say.lengthOf(d, 'outMm')} out from the uprights. ${d.tube ? 'Deburr both ends and drive them in dry to the bottom of their holes.' : 'Glue them in to the bottom of their holes.'}`,
  },
  'ends-safe': {
    title: 'Make the ends safe',
    text: (d, say) =>
      `${Number(d.caps) > 0 ? `A cap on each of the ${plural(Number(d.count), 'end')}` : `Each of the ${plural(Number(d.count), 'end')} rounded and painted bright`}: they stand ${say.lengthOf(d, 'outMm')} out at the height of faces. What is longer than the rack gets a rag at its end.`,
  },
  'panels-screwed-on': {
    title: 'Panels over the front',
    text: (d) =>
      `${plural(Number(d.count), 'panel')}, ${fixed(d)} at each upright, bored and countersunk. Screw by hand: they come off whole when something is wanted, and go back into the same holes.`,
  },
  'take-down': {
    title: 'What comes down first',
    text: (d) =>
      `Take down ${d.names}: the build goes where it is. Look before each screw what it holds up; keep what is sound, and say in Buy what wood of it is on hand: it is planned in before anything is bought.`,
  },
  'panels-slide': {
    title: 'Panels that slide',
    text: (d) =>
      `The two tracks first, both grooves run along each, the deeper ones in the upper: ${fixed(d)} into each of the ${plural(Number(d.uprights), 'upright')}, bored, the tracks straight over each other.${Number(d.boards) > 2 ? ' Where two boards of one track meet over an upright each has screws of its own there, and the grooves run on straight.' : ''} Wax in the grooves. Each of the ${plural(Number(d.count), 'panel')} goes up into its upper groove, in over the lower wall, and down: by turns in the groove behind and in the one before it.`,
  },
  'tracks-on': {
    title: 'Tracks on the lowest and the highest panels',
    text: (d) =>
      `Run both grooves along each of the ${plural(Number(d.tracks), 'track')}, the deeper ones in the upper. One lies on each lowest panel, grooves up, one under each highest, grooves down, flush with the front edge; ${fixed(d)} in each, through the panel, bored. Wax in the grooves.`,
  },
  'panels-slid-in': {
    title: 'Panels that slide',
    text: (d) =>
      `Each of the ${plural(Number(d.count), 'panel')} goes up into its upper groove, in over the lower wall, and down: in every opening one in the groove behind and one in the one before it. Their finger holes are at the outer edges.`,
  },
  'pivots-in': {
    title: 'Leaves on their pins',
    text: (d, say) =>
      `${plural(Number(d.pins), 'pivot')}, a plate on the panel and one on the end of its leaf. Strike the line of the pins on bottom and top with one template, so that head and foot stand over each other${Number(d.apartMm) > 0 ? `; each next one back is ${say.lengthOf(d, 'apartMm')} further in from its side and ${say.lengthOf(d, 'apartMm')} further back` : ''}. The rearmost of the ${plural(Number(d.leaves), 'leaf', 'leaves')} goes in first, foot on its pin, then the head.`,
  },
  'lay-sheets': {
    title: 'Lay the sheets',
    text: (d) =>
      `From below upward, before the next one is in the way${Number(d.tilted ?? 0) > 0 ? '; between two posts one end first, at a slant' : ''}; screw them to the rails.`,
  },
}

const HOLDS: Record<string, (h: HoldPoint, say: Say) => string> = {
  'panels-lift-out': () =>
    'Slide each panel from end to end, then lift it: it must come off the lower groove before the upper one ends. Binds: the tracks are not parallel, loosen the upper one. Falls out: they are too far apart.',
  ...Object.fromEntries(
    Object.entries(gathered<HoldWords>(WORD_SETS, (k) => k.holds)).map(([code, w]) => [
      code,
      typeof w === 'string' ? () => w : w,
    ]),
  ),
  'post-plumb': () => 'The end posts plumb, seen from the end, before the first diagonal is screwed.',
  diagonals: (h, say) =>
    `Measure both diagonals: they must be equal to ${say.length(h.measure!.toleranceMm)}; square they are ${say.length(h.measure!.targetMm)}. Push the long corner until they are.`,
  'diagonals-again': (h, say) =>
    `Diagonals once more before the last screw: equal to ${say.length(h.measure!.toleranceMm)}.`,
  'same-as-first': () => 'Lay it on the first one: every edge must agree.',
  'dado-fits': () =>
    'Try an offcut of the shelf in the first dado before you cut the rest: pushed in by hand, no rattle.',
  'set-on-flush': () => 'Push it sideways and pull at its front: it must neither slide nor rock.',
  'rows-agree': () =>
    'Stand two uprights face to face and push a pin through a hole of one: it must find that of the other, at both ends of the row.',
  'pins-rock': () => 'Press on each corner of the shelf: it lies on all its pins and does not rock.',
  'leaves-pass-each-other': () =>
    'Empty, from the front one back: turn each out to a right angle, then the next; none touches another, none falls back by itself.',
  'leaf-square': () => 'Diagonals of each leaf equal before the face is screwed on: the face keeps it so.',
  'arms-hang': () =>
    'Press down on the end of one arm of each upright with a hand: nothing creaks, nothing gives. Nobody hangs on them.',
  'ledger-bears': () => 'Lean on it with your weight: it must not move, nor be out of level.',
  'strip-level': () => 'Level on the strip itself, and pull at it with your weight before anything hangs on it.',
  'rods-pull': () => 'Pull hard at every short rod: nothing may give.',
  'lift-stays-up': () =>
    'Turn each leaf up and let go with a hand under it: it must stay, and come down without a jerk. Again on the first cold day.',
  'doors-shut': () =>
    'Open and shut every leaf: the gaps are even, none drags, none falls open. Then the remaining screws.',
  'hangs-before-load': () => 'Pull down on its front edge with both hands: nothing may move. Only then load it.',
  'level-line': () => 'Level from the line, not from the floor.',
  'tied-before-load': () => 'Tie it to the wall before you load it.',
  'shelves-parallel': () => 'Measure between the shelves at all four posts: the same everywhere.',
  'back-square': () => 'Diagonals of the back equal, then the brace.',
  'tallest-fits': () => 'Try the tallest thing on its shelf before the sheet above is screwed down.',
}

const CAUTIONS: Record<string, string> = {
  screws: 'Eye protection when driving screws; keep hands clear of where the point comes out.',
  blades:
    'Blade or cutter lower than you think you need, push stick in hand, eye protection on, nothing loose near it.',
  dust: 'Sawdust: wear a respirator while cutting and until it has settled. Treated wood: gloves, and never burn the offcuts.',
  'lift-two': 'Two people. Lift with the legs, and agree who says when.',
  'sharp-tube': 'Sawn tube cuts: gloves, and file the edges inside and out.',
  'heads-on-arms': 'Arms stand out where heads go: nobody walks close along them until every end is capped.',
  'falls-on-heads': 'What hangs falls on heads: nobody under it until it is fixed and tried.',
  'top-heavy': 'It falls until it is tied: nobody below it, nothing on it.',
  'find-studs': 'Screws hold only in studs or masonry, not in the lining: find them and try with a thin drill first.',
  'joists-only':
    'Step on joists only, never on the lining between them. Never cut or bore a joist, and nothing hangs from trusses unless an engineer says so.',
  'falls-from-edge':
    'Nobody stands on it: from its edge one falls. Work from ladders, or with a rail along the edge first.',
  'storage-only':
    'Made for storage, not for people to live, sleep or work on: beyond that, and for stairs and rails, a licensed professional and the local rules decide.',
  ladder: 'A ladder on firm ground, held by a second person; both hands free only on a platform.',
  packers:
    'It stands off the wall here: a packer as thick as the gap behind each fixing before its screw is tight, or the screw pulls the build crooked.',
  'to-prepared':
    'Some of its fixings go onto bolts or into blocking that were set before the lining: find each and try it before anything hangs there; a washer and a nut on every bolt.',
  'not-into-wires':
    'No screws above or below outlets and switches, or near pipes. If in doubt switch the power off and ask an electrician.',
  'sheet-two': 'A full sheet is a two-person lift and catches the wind.',
  untied: 'Not tied: it can tip. Local rules, earthquakes and children may require a tie; they come first.',
}

/** The one line that stands under every proof. */
export const PLANNING_AID =
  'A planning aid. Local codes and licensed practice come first; a maker’s rated figure beats a computed one.'

export const stepTitle = (s: Pick<Step, 'code'>): string => STEPS[s.code]?.title ?? s.code
export const stepText = (s: Step, say: Say): string => STEPS[s.code]?.text(s.data ?? {}, say) ?? ''
export const holdText = (h: HoldPoint, say: Say): string => HOLDS[h.code]?.(h, say) ?? h.code
export const cautionText = (code: string): string => CAUTIONS[code] ?? code

export const MARKS: Record<string, string> = {
  'rail-top': 'rail top, row',
  'shelf-top': 'shelf top',
  'slide-under': 'slide, lower edge',
  'runner-groove': 'groove of a drawer, lower edge',
  'bottom-top': 'top of bottom',
  'strip-top': 'strip top',
  'own-top': 'shelf of one module',
  'arm-hole': 'holes for arms',
  'batten-middle': 'batten',
  'rail-middle': 'rail middle',
  'plate-under': 'under top plate',
  'cleat-top': 'cleat top',
  'cradle-top': 'bearer top',
  'ledger-top': 'ledger top',
  'cabinet-tops': 'cabinet tops',
  worktop: 'bench top',
  'well-top': 'top of a well',
  'bar-under': 'upper bar',
}

/** How many ties go into one of the walls beside, and where. */
function besideWords(end: 'left' | 'right', [n, fromMm, toMm]: readonly [number, number, number], say: Say): string[] {
  if (n === 0) return []
  const where = n === 1 ? say.length(fromMm) : `${say.length(fromMm)} ${n === 2 ? 'and' : 'to'} ${say.length(toMm)}`
  return [`on the ${end} ${plural(n, 'fixing')}, ${where} out from the wall behind`]
}
