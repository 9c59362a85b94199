import { KIND_WORDS } from '../families/all-words.ts'
import type { HoldPoint, Step } from '../steps/step.ts'
import { gathered } from './kind.ts'
import { capital, plural, type Data, type Say } from './say.ts'

interface StepWords {
  title: string
  text: (d: Data, say: Say) => string
}

const KINDS = ['screw', 'bolt', 'lag', 'nail', 'nut'] as const
const NAMES = { screw: 'screw', bolt: 'bolt', lag: 'lag screw', nail: 'nail', nut: 'nut' } as const
/** "2 bolts and 4 screws", as the joints of the build have them; "the fasteners listed" where none were counted. */
function fixed(d: Data): string {
  const each = KINDS.flatMap((k) => {
    const [least, most] = [Number(d[`${k}s`] ?? 0), Number(d[`${k}sMost`] ?? 0)]
    if (most === 0) return []
    return [least === most ? plural(most, NAMES[k]) : `${least} to ${most} ${NAMES[k]}s`]
  })
  return each.length === 0 ? 'the fasteners listed' : each.join(' and ')
}

const armOnLeg = (d: Data): string =>
  d.above
    ? `The end of the arm lies against the face of the leg, lower ends flush: ${fixed(d)} through the leg into it, bored.`
    : `The arm lies over the end of the leg, flush at the back: ${fixed(d)} down through the arm.`

const OWN = Object.values(KIND_WORDS)
const STEPS: Record<string, StepWords> = {
  ...gathered<StepWords>(OWN, (k) => k.steps),
  'make-stick': {
    title: 'Make the story stick',
    text: () =>
      'Mark every height on one straight strip, from its lower end. From now on carry heights with the stick, not with the tape.',
  },
  'rear-frame': {
    title: 'Rear frame',
    text: (d) =>
      `On the flat floor: posts between bottom and top plate, faces flush. ${capital(fixed(d))} through each plate into each post.${d.spliced ? ' Plates and back rails in pieces meet over the middle of a post, each with its own screws, and not above one another.' : ''}`,
  },
  'back-and-brace': {
    title: 'Back rails and brace',
    text: (d) =>
      `Back rails across the rear faces of the posts, ${fixed(d)} at each, then the diagonal between them. Measure the diagonals before the brace goes on.`,
  },
  'back-rails': { title: 'Back rails', text: (d) => `Across the rear faces of the posts, ${fixed(d)} at each.` },
  'front-frame': {
    title: 'Front frame',
    text: () =>
      'Lay the pieces on the rear frame as a pattern, then screw them together. No brace here: the totes come out this way.',
  },
  'mark-rails': {
    title: 'Mark the rail heights',
    text: () => 'Stand the stick beside each post and carry every mark across: all posts at once, both frames.',
  },
  'first-rails': {
    title: 'First pair of rails',
    text: (d) => `Join the two frames at the lowest pair of one column, tops on the marks, ${fixed(d)} at each end.`,
  },
  'other-rails': {
    title: 'All other rails',
    text: () => 'Pair by pair, tops on the marks. Inner posts take rails on both faces; outer posts on the inner face.',
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
  'walk-to-wall': {
    title: 'Walk it to the wall',
    text: () => 'Empty, two people, one end at a time. One of them holds it upright until it is tied or heavy below.',
  },
  level: {
    title: 'Level and shim',
    text: () => 'Set it by the level line on the wall. Shim under the low posts until every mark agrees with the line.',
  },
  tie: {
    title: 'Tie it to the wall',
    text: (d) => `${plural(Number(d.count), 'screw')} into solid wood or masonry behind it, where the drawing shows.`,
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
  'top-sheet': { title: 'Top sheet', text: () => 'Lay it on the plates, flush at the front, and screw it down.' },
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
  'cleats-on': {
    title: 'Cleats on the uprights',
    text: (d) =>
      `Lay the uprights side by side, carry the marks of the stick across all of them at once, and screw the cleats on through the upright with their tops one sheet thickness below the marks, ${fixed(d)} in each. Where one is on the other face already, the screws go through it too.`,
  },
  'strips-glued': {
    title: 'Strips under the front edges',
    text: () =>
      'Glue along the whole strip, screw it from above every hand’s width, and let the glue set before it carries anything: the two then bend as one.',
  },
  'strips-screwed': {
    title: 'Strips under the front edges',
    text: () => 'Screw each strip from above, flush with the front edge of its shelf.',
  },
  'shelves-in': {
    title: 'Shelves between the uprights',
    text: (d) =>
      `On their backs on the flat floor: shelves ${d.cleats ? 'onto their cleats' : 'into their dadoes'}, ${fixed(d)} at each end.`,
  },
  'shelves-in-standing': {
    title: 'Shelves between the uprights, standing',
    text: (d) =>
      `An arm’s length off the wall: one person holds an outer upright, the other brings the lowest and the highest shelf and the next upright, ${fixed(d)} at each end; then the shelves between.`,
  },
  'back-on': {
    title: 'Back and tie board',
    text: (d) =>
      `Square it. ${d.nailers ? `The nailers go between the uprights at the top, ${fixed(d)} through the upright into each end${d.back ? '; then screw the back on all round' : ''}.` : 'Screw the back on all round.'}`,
  },
  'box-together': {
    title: 'Put the box together',
    text: (d) =>
      `On its back on the flat floor: bottom, shelves and top into their dadoes and rabbets, glue in all of them, ${fixed(d)} at each end.`,
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
  'ledger-up': {
    title: 'A ledger for the time being',
    text: (d, say) =>
      `A straight board, level, its upper edge ${say.lengthOf(d, 'atMm')} above the floor, one screw into each stud behind it. It only holds the weight until the fixings do.`,
  },
  'screw-to-wall-held': {
    title: 'Screw it to the wall',
    text: (d) =>
      `Empty: one person holds it in its place and back against the wall, the other fixes it through back and upper rail at ${plural(Number(d.count), 'place')}.`,
  },
  'rails-bevelled': {
    title: 'Rails against the wall',
    text: (d) =>
      `Rip the strip and the upper rail with the saw tilted to 45°: the bevels face each other. The rails go in flush with the rear edges, the upper one with its bevel down and inward, ${fixed(d)} through the side into each end, then through top and bottom along them.`,
  },
  'rails-in': {
    title: 'Rails against the wall',
    text: (d) =>
      `Flush with the rear edges, ${fixed(d)} through the side into each end, then through top and bottom along them.`,
  },
  'back-in': {
    title: 'Back',
    text: () => 'From the front, against the rails, and screwed to both. It keeps the box square.',
  },
  'strip-on-wall': {
    title: 'The strip on the wall',
    text: (d, say) =>
      `Strike a level line ${say.lengthOf(d, 'atMm')} above the floor: the upper edge of the strip. Find the studs on it, and screw the strip on, bevel up and away from the wall, at ${plural(Number(d.count), 'place')}, each in solid wood or masonry.`,
  },
  'strips-on-wall': {
    title: 'The strips on the wall',
    text: (d, say) =>
      `Strike a level line ${say.lengthOf(d, 'atMm')} above the floor: the upper edge of the upper strip. Screw it on, bevel up and away from the wall, in solid wood or masonry. The second one below it, set from the two rails of the box itself: both must hook at once. ${plural(Number(d.count), 'place')} in all.`,
  },
  'hook-on': {
    title: 'Hook it on',
    text: () =>
      'Two people, empty: lift it above the strip, lean it to the wall and let it down until the bevels meet. Slide it to its place. Its lower rail must touch the wall along its whole length: pack it where it does not.',
  },
  'screw-to-wall': {
    title: 'Screw it to the wall',
    text: (d, say) =>
      `Two people, empty: set it on the ledger, its underside ${say.lengthOf(d, 'atMm')} above the floor; one holds it back, the other fixes it through back and upper rail at ${plural(Number(d.count), 'place')}. Then the ledger comes off.`,
  },
  'brackets-ripped': {
    title: 'Legs and arms',
    text: (d) =>
      `Rip the boards down the middle, cut legs and arms with a stop. ${armOnLeg(d)} ${plural(Number(d.count), 'bracket')} in all.`,
  },
  'brackets-cut': {
    title: 'Legs and arms',
    text: (d) => `Cut legs and arms with a stop. ${armOnLeg(d)} ${plural(Number(d.count), 'bracket')} in all.`,
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
      `Strike a level line ${say.lengthOf(d, 'atMm')} above the floor: the tops of the ${Number(d.levels) > 1 ? 'lowest ' : ''}arms. Find the studs on it. The outer brackets first, plumb, ${plural(Number(d.screws), 'screw')} through each leg into the middle of its stud, bored first; a string between their front ends is the line for the others.`,
  },
  'shelves-on-brackets': {
    title: 'Shelves on the brackets',
    text: (d) =>
      `${Number(d.levels) > 1 ? 'From below upward, ' : ''}${Number(d.sheets) > Number(d.levels) ? 'sheets that follow each other meet over the middle of an arm; ' : ''}${d.above ? 'notched round the legs at the back and round the braces in front as the cut list says, ' : ''}flush against the wall, ${fixed(d)} down into each arm, bored and countersunk.`,
  },
  'back-behind': {
    title: 'Back',
    text: () => 'Behind the box, flush all round, screwed to sides, shelves, bottom and top. It keeps the box square.',
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
  'spreaders-up': {
    title: 'Spreaders over the joists',
    text: (d) =>
      `Mark where the rods come through the ceiling, beside the joists and never in them, and bore. Lay the ${plural(Number(d.count), 'spreader')} over the joists, and put the ${plural(Number(d.rods), 'short rod')} through, washer and nut above. Two nuts against each other do not work loose.`,
  },
  'crosses-on': {
    title: 'Cross pieces under the box',
    text: (d) =>
      `Bore the holes of the cross pieces, one over the other so that they agree with those above. Flat under the box at front and back, ${fixed(d)} down through the bottom into each.`,
  },
  'stack-up': {
    title: 'Up with it',
    text: (d, say) =>
      `Screw a coupling nut on each of the ${plural(Number(d.rods), 'rod')}, half its length, and hang them from the short ones. Two people, empty: lift the box on two trestles or props, cross pieces ${say.lengthOf(d, 'atMm')} above the floor, thread the rods through, washer and nut below each, and turn the nuts until it hangs free of the props. A second nut above keeps it down.`,
  },
  'stack-steady': {
    title: 'So that it does not swing',
    text: (d) =>
      `${plural(Number(d.count), 'screw')} through the back into the wall, near its top, where ${Number(d.count) === 1 ? 'a stud is' : 'studs are'}. They steady it; the rods carry it.`,
  },
  'doors-hung': {
    title: 'Hang the doors',
    text: (d, say) =>
      `${plural(Number(d.hinges), 'hinge')} in all: first on the ${plural(Number(d.leaves), 'leaf', 'leaves')}, then, the leaf held in its place on two wedges, on the uprights, one screw in each until it hangs right. ${say.lengthOf(d, 'gapMm')} between leaves.${d.catches ? ' The catches under the top last, where the leaf pulls shut by itself.' : ''}`,
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
  'lay-sheets': {
    title: 'Lay the sheets',
    text: () => 'From below upward, before the next one is in the way; screw them to the rails.',
  },
}

const HOLDS: Record<string, (h: HoldPoint, say: Say) => string> = {
  ...Object.fromEntries(
    Object.entries(gathered<string>(OWN, (k) => k.holds)).map(([code, text]) => [code, () => text]),
  ),
  diagonals: (h, say) =>
    `Measure both diagonals: they must be equal to ${say.length(h.measure!.toleranceMm)}; square they are ${say.length(h.measure!.targetMm)}. Push the long corner until they are.`,
  'diagonals-again': (h, say) =>
    `Diagonals once more before the last screw: equal to ${say.length(h.measure!.toleranceMm)}.`,
  'same-as-first': () => 'Lay it on the first one: every edge must agree.',
  'dado-fits': () =>
    'Try an offcut of the shelf in the first dado before you cut the rest: pushed in by hand, no rattle.',
  'cleats-level': () => 'Lay a shelf across two uprights side by side: it must lie on both cleats without rocking.',
  'set-on-flush': () => 'Push it sideways and pull at its front: it must neither slide nor rock.',
  'rows-agree': () =>
    'Stand two uprights face to face and push a pin through a hole of one: it must find that of the other, at both ends of the row.',
  'pins-rock': () => 'Press on each corner of the shelf: it lies on all its pins and does not rock.',
  'leaf-square': () => 'Diagonals of each leaf equal before the face is screwed on: the face keeps it so.',
  'ledger-bears': () => 'Lean on it with your weight: it must not move, nor be out of level.',
  'box-square-again': () => 'Diagonals once more before the last screw of the back.',
  'strip-level': () => 'Level on the strip itself, and pull at it with your weight before anything hangs on it.',
  'rods-pull': () => 'Pull hard at every short rod: nothing may give.',
  'corner-level': () => 'Level along the front edge, the rod tight: pull it sideways, it must not give.',
  'stack-level': () =>
    'Level both ways, and all four rods tight: pluck each, they sound alike. Then push it: nothing may creak.',
  'nuts-again': () => 'After a day under load, look at every nut and washer once more.',
  'doors-shut': () =>
    'Open and shut every leaf: the gaps are even, none drags, none falls open. Then the remaining screws.',
  'bracket-square': (h, say) =>
    `From the front end of the arm, at its top, to the foot of the leg, at the wall: ${say.length(h.measure!.targetMm)}, to ${say.length(h.measure!.toleranceMm)}. The first one is the pattern: lay every other on it.`,
  'bracket-square-above': (h, say) =>
    `From the front end of the arm, at its underside, to the upper end of the leg, at the wall: ${say.length(h.measure!.targetMm)}, to ${say.length(h.measure!.toleranceMm)}. The first one is the pattern: lay every other on it.`,
  'bracket-pull': () =>
    'Pull down on the front end of the first bracket with both hands: nothing may move. Then the others.',
  'hangs-before-load': () => 'Pull down on its front edge with both hands: nothing may move. Only then load it.',
  'one-tote': () => 'Put one tote in before you fasten the rest. It must slide in and out, and lie on both rails.',
  'level-line': () => 'Level from the line, not from the floor.',
  'tied-before-load': () => 'Tie it to the studs before you load it.',
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
  'bottom-top': 'bottom, upper face',
  'strip-top': 'strip top',
  'arm-hole': 'holes for arms',
  'batten-middle': 'batten',
  'plate-under': 'under top plate',
  'cleat-top': 'cleat top',
  'ledger-top': 'ledger top',
  'cabinet-tops': 'cabinet tops',
  worktop: 'bench top',
  'bar-under': 'upper bar',
}
