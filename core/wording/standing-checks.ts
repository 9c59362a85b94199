import { share, TIE_LINKS, type Words } from './of-checks.ts'
import { capital, plural, type Data } from './say.ts'

const leanOf = (d: Data) =>
  `the lean of all that stands on it${Number(d.pushN) > 0 ? ' and the push of who works at it' : ''}`
const tiesOf = (d: Data) => (d.above ? 'fixings in the ceiling' : 'ties to the wall')
const swayWay = (d: Data) => (d.way === 'deep' ? 'front to back' : 'sideways')

/** What is said of whether a build stands: slender, tipping, folding, shaken, pushed. */
export const STANDING_TABLE: Record<string, Words> = {
  'quake-free': (r) =>
    r.state === 'holds'
      ? 'In the earthquake reckoned with it stays standing, free. Ask locally.'
      : 'In the earthquake reckoned with it tips over: tie it to the wall. Ask locally.',
  'quake-along': (r) =>
    r.state === 'holds'
      ? 'In the earthquake reckoned with it does not tip along the wall. Ask locally.'
      : 'In the earthquake reckoned with it tips along the wall: make it wider or lower, or tie it to a neighbour. Ask locally.',
  'quake-tied': (r, d, say) =>
    r.state === 'holds'
      ? `In the earthquake reckoned with its ties hold: ${say.force(Number(d.needN))} in all. Ask locally.`
      : `In the earthquake reckoned with its ties are too weak for ${say.force(Number(d.needN))}. More ties, or lower and lighter. Ask locally.`,
  slender: (r, d, say) =>
    r.state === 'holds'
      ? `Standing free, it is ${say.number(r.demand!)} times as high as it is deep or wide at the foot; up to ${d.most} is steady.`
      : `Standing free, it is ${say.number(r.demand!)} times as high as it is deep or wide at the foot; more than ${d.most} tips easily. Tie it to the wall, or make it deeper, wider or lower.`,
  'slender-tied': () => 'Tied to the wall, so its height over its depth does not matter.',
  'slender-pinned': () => 'Held down to the slab; whether it can tip is reckoned below.',
  'tip-filled': (r, d, say) =>
    r.state === 'holds'
      ? `Badly filled it still stands with a margin of ${say.number(Number(d.safety))} (${d.wanted} is wanted).`
      : `Badly filled it can tip ${d.way === 'sideways' ? 'over sideways' : String(d.way)}: margin ${say.number(Number(d.safety))}, ${d.wanted} is wanted. Tie it to the wall, or make it deeper.`,
  'tip-opened': (r, d, say) =>
    r.state === 'holds'
      ? `With everything open and pulled out it still stands, margin ${say.number(Number(d.safety))} (${d.wanted} is wanted)${Number(d.ties) > 0 ? ', its ties counted' : ''}.`
      : `With its doors open and drawers pulled out it can tip forward: margin ${say.number(Number(d.safety))}, ${d.wanted} is wanted. Tie it to the wall, keep heavy things in the lowest drawer, or let one open at a time.`,
  'tip-pull': (r, d, say) =>
    r.state === 'holds'
      ? `A child pulling at ${say.lengthOf(d, 'highMm')} does not tip it, even empty.`
      : `A child pulling with ${say.force(Number(d.pullN))} at ${say.lengthOf(d, 'highMm')} tips it over when it is empty. Tie it to the wall.`,
  'tip-pinned': (r, d, say) =>
    r.state === 'holds'
      ? `A child pulling at ${say.lengthOf(d, 'highMm')} does not tip it, even empty: ${plural(Number(d.pins), 'foot', 'feet')} held down to the slab.`
      : `A child pulling with ${say.force(Number(d.pullN))} at ${say.lengthOf(d, 'highMm')} tips it over when it is empty, though ${plural(Number(d.pins), 'foot is', 'feet are')} held down to the slab. Anchors with a higher rating, or a deeper build.`,
  'tip-tied': (r, d, say) =>
    r.state === 'holds'
      ? `Tied to the wall by ${plural(Number(d.count), 'screw')}, a pull at the top does not tip it: ${say.force(Number(d.needN))} of ${say.force(Number(d.capacityN))}.`
      : `The ties are too weak: a pull at the top asks for ${say.force(Number(d.needN))}, they give ${say.force(Number(d.capacityN))}; weakest is ${TIE_LINKS[String(d.weakest)]}.`,
  'sway-brace': (r, d, say) =>
    r.state === 'holds'
      ? `${capital(Number(d.braces) > 1 ? 'diagonals keep' : 'a diagonal keeps')} it from folding ${swayWay(d)}${share(r, say)}.`
      : `${capital(Number(d.braces) > 1 ? 'the diagonals are' : 'the diagonal is')} too weak for ${say.force(Number(d.leanN))} ${swayWay(d)}, ${leanOf(d)}${Number(d.slenderness) > 50 ? `: pressed it bows, ${say.number(Number(d.slenderness))} times as long between its fastenings as it is thick (50 is the most)` : ''}. A thicker board, more screws at its ends, a second diagonal the other way, or a tie to the wall.`,
  'sway-back': (r, d, say) =>
    r.state === 'holds'
      ? `The sheet back keeps it from folding ${swayWay(d)}${share(r, say)}.`
      : `The screws of the sheet back are too few for ${say.force(Number(d.leanN))} ${swayWay(d)}, ${leanOf(d)}. More of them, or a tie to the wall.`,
  'pushed-studs': (r, _d, say) =>
    r.state === 'holds'
      ? `Its studs bear people falling against it${share(r, say)}.`
      : `Its studs break when people fall against it: ${say.percent(r.ratio ?? 9.99)} of what they bear. Deeper studs, or closer ones.`,
  'unknown-pushed': (_r, d, say) =>
    `Not proven: each of its fixings must hold up to ${say.force(Number(d.needN))} when it is pushed, and nobody has said what the anchors in the slab give. Enter their maker’s rating in the settings.`,
  'pushed-bows': (r, _d, say) =>
    r.state === 'holds'
      ? `Pressed all over, its studs bow no more than they may${share(r, say)}.`
      : `Pressed all over, its studs bow ${say.sag(r.demand ?? 0)}, and ${say.sag(r.capacity ?? 0)} is allowed. Deeper studs, or closer ones.`,
  'pushed-ends': (r, _d, say) =>
    r.state === 'holds'
      ? `The screws at the ends of its studs keep them there when it is pushed${share(r, say)}.`
      : `The screws at the ends of its studs give way when it is pushed: ${say.percent(r.ratio ?? 9.99)} of what they hold. Closer studs.`,
  'pushed-plates': (r, _d, say) =>
    r.state === 'holds'
      ? `Its plates bear the push between their fixings${share(r, say)}.`
      : `Its plates break between their fixings when it is pushed: ${say.percent(r.ratio ?? 9.99)} of what they bear. Anchors nearer to each other, or wider boards.`,
  'pushed-fixings': (r, d, say) =>
    r.state === 'holds'
      ? `Its ${plural(Number(d.count), 'fixing')} in floor and ceiling keep it when it is pushed${share(r, say)}.`
      : `Its fixings in floor and ceiling give way when it is pushed: ${say.percent(r.ratio ?? 9.99)} of what one holds. Anchors nearer to each other, or a wall that crosses more joists.`,
  'held-above': () => 'It is held at its foot and by the ceiling: it does not fall, and what pushes it is asked apart.',
  'slender-held': () => 'It is held at its foot and by the ceiling: how slender it is decides nothing.',
  'on-posts': (r, d, say) =>
    r.state === 'holds'
      ? `What lies on the posts stays there when it leans: ${plural(Number(d.screws), 'screw')} at a slant in ${plural(Number(d.posts), 'post')}${share(r, say)}.`
      : `What lies on the posts is pushed off them when it leans: ${say.force(Number(d.leanN))} beside ${plural(Number(d.screws), 'screw')} at a slant. Put its frame between the posts, or more posts under it.`,
  'sway-tied': (r, d, say) =>
    r.state === 'holds'
      ? `Its ${tiesOf(d)} keep it from folding ${swayWay(d)}${share(r, say)}.`
      : `Its ${tiesOf(d)} are too weak for ${say.force(Number(d.leanN))} ${swayWay(d)}, ${leanOf(d)}. More ties, or a brace.`,
  'sway-sides': (_r, d) => `Its uprights of sheet keep it from folding ${swayWay(d)}.`,
  'sway-free': (_r, d, say) =>
    `Nothing keeps it from folding sideways: posts and rails alone are a parallelogram. Brace it, give it a back, or tie it to the wall: one tie at the top of a post, about ${say.lengthOf(d, 'tieAtMm')} up, already turns it stiff.`,
  'sway-deep-free': () =>
    'Nothing keeps it from folding front to back: posts and rails alone are a parallelogram. Tie it to the wall or to a build that is stiff that way, or brace its ends.',
  'unknown-sway': (_r, d) =>
    `Not proven: whether it folds ${swayWay(d)}; the chosen method has no value for the wood of its diagonal or back.`,
}
