import { dimName } from './dims.ts'
import { sectionName, sheetName } from './names.ts'
import { plural, type Data, type Say } from './say.ts'
import type { Dim } from '../families/family.ts'
import { KIND_WORDS } from '../families/all-words.ts'
import { gathered } from './kind.ts'

const TABLE: Record<string, (d: Data, say: Say) => string> = {
  ...gathered<(d: Data, say: Say) => string>(Object.values(KIND_WORDS), (k) => k.levers),
  'in-place': () => 'Build it where it stands, piece by piece',
  'add-brace': () => 'Screw a diagonal brace across the back',
  'add-tie': () => 'Tie it to the wall',
  'full-rails': () => 'Use rails of the full section, not ripped',
  'rail-section': (d) => `Make the rails ${sectionName(String(d.section))}`,
  'thin-rail': (d) => `Make the rails thinner: ${sectionName(String(d.section))}`,
  'back-section': (d) => `Make the boards and the diagonal across the back ${sectionName(String(d.section))}`,
  'rail-joint': (d) =>
    d.railJoint === 'bolts'
      ? 'Hold the rails with two bolts at each post'
      : 'Hold the rails with five screws at each post',
  'cross-joint': (d) => `Put ${d.count} screws into each end of the cross pieces`,
  'post-section': (d) => `Make the posts ${sectionName(String(d.section))}`,
  'side-play': (d, say) => `Widen the openings: ${say.lengthOf(d, 'playMm')} play each side`,
  'stand-on-base': () => 'Let the totes stand on their base, on flat rails',
  'fewer-rows': (d) => `Build ${plural(Number(d.rows), 'row')} only`,
  'mid-posts': (d) => `Put ${plural(Number(d.count), 'middle post')} in each module`,
  'cross-every': (d, say) => `Put cross pieces every ${say.lengthOf(d, 'mm')}`,
  'hang-by-rail': () => 'Screw it to the wall through its rail instead of hooking it on a strip',
  'hang-by-strip': () => 'Hook it on a bevelled strip instead of screwing it through its rail',
  'flat-doors': () => 'Give it flat doors instead of doors that are boxes',
  'in-rabbets': () => 'Set top and bottom into rabbets of the sides instead of between them',
  'no-doors': () => 'Leave its front open, without doors',
  'rail-screws': (d) => `Put ${d.count} screws into each end of its rails`,
  'hang-rail': (d) => `Make its rails and strip ${sectionName(String(d.section))}`,
  'wall-screws': (d) => `Put ${d.count} screws into each stud`,
  rod: (d) => `Hang it on ${sectionName(String(d.section))}`,
  'thinner-rod': (d) => `Hang it on thinner rods: ${sectionName(String(d.section))}`,
  'cross-section': (d) => `Make the cross pieces ${sectionName(String(d.section))}`,
  'spreader-section': (d) => `Make the spreaders over the joists ${sectionName(String(d.section))}`,
  'leg-screws': (d) => `Put ${d.count} screws into each leg of its brackets`,
  'corner-screws': (d) => `Put ${d.count} screws through each arm into its leg`,
  'pair-screws': (d) =>
    `Put ${d.count} screws into either end of each ${d.bracket === 'gusset' ? 'gusset' : 'brace'} of its brackets`,
  'end-on-bracket': () => 'Put its right end on a bracket, not on a rod',
  'brackets-below': () => 'Put the brackets under the shelves',
  bracket: (d) => (d.bracket === 'gusset' ? 'Brace the brackets with boards' : 'Give the brackets gussets of sheet'),
  gusset: (d) => `Make the gussets of ${sheetName(String(d.sheet))}`,
  knee: (d) => `Make the braces of the brackets ${sectionName(String(d.section))}`,
  'frame-whole': () => 'Make legs and arms of the full section, not ripped',
  'frame-ripped': () => 'Rip legs and arms down the middle: two from one board',
  'frame-section': (d) => `Make legs and arms from ${sectionName(String(d.section))}`,
  'brackets-closer': (d, say) => `Put the brackets closer: at least ${say.lengthOf(d, 'mm')} apart`,
  'brackets-apart': (d, say) => `Put the brackets further apart: at least ${say.lengthOf(d, 'mm')}`,
  openings: (d) => `Make it of ${plural(Number(d.count), 'opening')}`,
  'cleat-section': (d) => `Make the cleats ${sectionName(String(d.section))}, thick enough for their screws`,
  dado: () => 'Stand the shelves in dadoes',
  'add-back': () => 'Give it a thin back',
  'edge-strip': (d) =>
    `${d.strip === 'glued' ? 'Glue and screw' : 'Screw'} a ${sectionName(String(d.section))} strip under the front edges`,
  wider: (d, say) => `Make the openings ${say.lengthOf(d, 'mm')} wide`,
  'no-strip': () => 'Leave the edge strips out',
  'half-rails': () => 'Use rails ripped down the middle: two from one board',
  narrower: (d, say) => `Make the openings ${say.lengthOf(d, 'mm')} wide`,
  sheet: (d) => `Use ${sheetName(String(d.sheet))} for the shelves`,
  'follow-wall': () => 'Let it run the length of the wall',
  'floor-bay': () => 'Keep the heavy things on the floor under it',
  move: (d, say) =>
    `Move it ${say.lengthOf(d, 'mm')} ${{ left: 'to the left', right: 'to the right', out: 'out from the wall', back: 'back to the wall' }[String(d.way)] ?? ''}`,
  'tie-neighbour': (d) => `Screw it to "${d.name}" beside it, so that they stand as one`,
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
