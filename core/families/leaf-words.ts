import type { KindWords, WordsFor } from '../wording/kind.ts'
import type { LeafProblem, LeafReason } from './leaves-on-pins.ts'
import { plural } from '../wording/say.ts'

/*
 * What is said of leaves that are boxes, and of leaves on pins, whatever kind of build they close.
 */

const dims: Record<string, (d: Record<string, number>) => string> = {
  'leaf-depth': () => 'depth of the leaves inside',
  tiers: () => 'tiers in each leaf',
  leaves: () => 'leaves',
  'leaves-apart': () => 'from leaf to leaf, middle to middle',
  'leaf-high': () => 'height kept free for leaves',
  'tier-top': (d) => `tier ${d.shelf + 1}, top above the underside of the leaf`,
}

const reasons: WordsFor<LeafReason> = {
  'leaf-usual': () => 'tins and hand tools stand in it, and it does not swing too far out',
  'leaves-pass': (d, say) =>
    `its own thickness, twice the deepest thing, ${say.length(d.deepMm)}, and ${say.length(d.passMm)} to pass`,
  'leaves-goods': (d) => `in pairs, as few as take ${plural(d.things, 'thing')}`,
  'behind-leaves': () => 'what lies behind the leaves is shallow: everything hangs on them',
  'leaf-high-usual': () => 'a row of long tools over one of short ones',
}

const problems: WordsFor<LeafProblem> = {
  'leaf-tools-meet': (d, say) =>
    `${
      d.one && d.other
        ? `The ${d.one} on the back of one leaf and the ${d.other} on the front of the next would reach ${say.length(d.mm)} into each other.`
        : `The ${d.one || d.other} between two leaves would reach ${say.length(d.mm)} into the wood of the other.`
    } Put the leaves further apart, or hang one of them elsewhere.`,
  'leaves-too-narrow': (d, say) =>
    `${plural(d.count, 'leaf', 'leaves')} do not go into an opening of ${say.length(d.mm)}: those further back would be too narrow to hang anything on. Fewer of them, or a wider opening.`,
  'leaves-too-deep': (d, say) =>
    `With its leaves it would be ${say.length(d.mm)} deep, and there are ${say.length(d.mostMm)}. Fewer leaves, or shallower things on them.`,
  'leaves-one-opening': (d) =>
    `Leaves on pins hang between two sides: one opening, not ${d.count}. Take one opening, or another front.`,
  'leaves-one-shelf': () =>
    'Leaves on pins stand between two shelves, and there is only one. Give it two shelves at least, or another front.',
  'leaves-too-high': (d, say) =>
    `Leaves on pins ask for ${say.length(d.mm)} between the lowest shelf and the highest, and there are ${say.length(d.mostMm)}. Lower leaves, or the highest shelf higher.`,
  'tier-over-leaf': (d, say) =>
    `Tier ${d.shelf} of the leaves would be at ${say.length(d.mm)}; under the head of the leaf ${say.length(d.mostMm)} is the highest. Take fewer tiers, or lower things.`,
}

/** In the form in which kinds of build have theirs. */
export const leafWords: KindWords = { name: 'Leaves', blurb: '', dims, reasons, problems }
