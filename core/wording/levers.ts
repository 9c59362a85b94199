import { dimName, familyName } from './dims.ts'
import { metName, MOVE_WAYS } from './features.ts'
import { sectionName, sheetName } from './names.ts'
import { plural, type Data, type Say } from './say.ts'
import type { Dim } from '../families/family.ts'
import { WORD_SETS } from '../families/all-words.ts'
import { gathered } from './kind.ts'

const TABLE: Record<string, (d: Data, say: Say) => string> = {
  ...gathered<(d: Data, say: Say) => string>(WORD_SETS, (k) => k.levers),
  'in-place': () => 'Build it where it stands, piece by piece',
  longer: (d, say) => `Make it ${say.lengthOf(d, 'mm')} longer along the wall`,
  'one-more': () => 'Make it one bay longer',
  'add-brace': () => 'Screw a diagonal brace across the back',
  'add-tie': () => 'Tie it to the wall',
  'of-strips': (d) => `Rip the ${sectionName(String(d.section))} from the sheet: ${sectionName(String(d.strip))}`,
  'rail-section': (d) => `Make the rails ${sectionName(String(d.section))}`,
  'back-section': (d) => `Make the boards and the diagonal across the back ${sectionName(String(d.section))}`,
  'rail-joint': (d) =>
    d.railJoint === 'bolts'
      ? 'Hold the rails with two bolts at each post'
      : 'Hold the rails with five screws at each post',
  'double-supports': () => 'Stand a piece under each rail, beside every post',
  'single-supports': () => 'Leave out the pieces under the rails: their fasteners hold by themselves',
  'cross-joint': (d) => `Put ${d.count} screws into each end of the cross pieces`,
  'arm-tube': (d) => `Make the arms of ${sectionName(String(d.section))}`,
  'arms-tube': () => 'Make the arms of steel tube',
  'arms-dowel': () => 'Make the arms of hardwood dowels',
  'post-section': (d) => `Make the posts ${sectionName(String(d.section))}`,
  'side-play': (d, say) => `Widen the openings: ${say.lengthOf(d, 'playMm')} play each side`,
  'cross-every': (d, say) => `Put cross pieces every ${say.lengthOf(d, 'mm')}`,
  'no-doors': () => 'Leave its front open, without doors',
  'flat-doors': () => 'Give it flat doors on upright hinges',
  'rail-screws': (d) => `Put ${d.count} screws into each end of its rails`,
  'hang-rail': (d) => `Make its rails and strip ${sectionName(String(d.section))}`,
  'wall-screws': (d) => `Put ${d.count} screws into each stud`,
  rod: (d) => `Hang it on ${sectionName(String(d.section))}`,
  'spreader-section': (d) => `Make the spreaders over the joists ${sectionName(String(d.section))}`,
  gusset: (d) => `Make the gussets of ${sheetName(String(d.sheet))}`,
  knee: (d) => `Make the braces of the brackets ${sectionName(String(d.section))}`,
  openings: (d) => `Make it of ${plural(Number(d.count), 'opening')}`,
  'narrow-openings': (d, say) =>
    `Make it of ${plural(Number(d.count), 'opening')}, ${say.lengthOf(d, 'mm')} clear each`,
  dado: () => 'Stand the shelves in dadoes',
  'edge-strip': (d) =>
    `${d.strip === 'glued' ? 'Glue and screw' : 'Screw'} a ${sectionName(String(d.section))} strip under the front edges`,
  narrower: (d, say) => `Make the openings ${say.lengthOf(d, 'mm')} wide`,
  sheet: (d) => `Use ${sheetName(String(d.sheet))} for the shelves`,
  'follow-wall': () => 'Let it run the length of the wall',
  'floor-bay': () => 'Keep the heavy things on the floor under it',
  move: (d, say) => `Move it ${say.lengthOf(d, 'mm')} ${MOVE_WAYS[String(d.way)] ?? ''}`,
  'lower-boxes': (d, say) =>
    `Pack "${d.goods}" into ${d.count} boxes ${say.lengthOf(d, 'mm')} high of the same footprint`,
  'other-kind': (d) => `Build it otherwise: ${familyName(String(d.family))}, for the same things in the same place`,
  'move-feature': (d, say) =>
    `Have ${metName(String(d.kind), String(d.name))} moved ${say.lengthOf(d, 'mm')} ${MOVE_WAYS[String(d.way)]} instead`,
  'tie-neighbour': (d) => `Screw it to "${d.name}" beside it, so that they stand as one`,
  'brace-ends': () => 'Screw diagonals over both ends',
  'cover-back': () => 'Close its back with panels',
  'cover-sheet': (d) => `Make the panels over its back of ${sheetName(String(d.sheet))}`,
  'pin-feet': () => 'Hold its feet down to the slab with angles',
  'brace-and-pin': () => 'Screw diagonals over both ends, and hold its feet down to the slab',
  'feet-standing': () => 'Let its feet stand on the floor, without angles',
  'carry-less': (d) => `Take out ${d.out} × "${d.goods}" (keep ${d.keep} here)`,
}

/** What a remedy does. Two changes at once are joined. */
export function sayLever(code: string, d: Data, say: Say, dims: readonly Dim[] = []): string {
  if (code === 'let-go') {
    const dim = dims.find((x) => x.path === d.path)
    const to = dim ? (dim.quantity === 'count' ? String(dim.tackedValue) : say.length(dim.tackedValue)) : ''
    return dim ? `Let go of "${dimName(dim)}": tacked it becomes ${to}` : 'Let go of a fixed dimension'
  }
  return TABLE[code]?.(d, say) ?? code
}
