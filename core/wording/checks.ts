import type { CheckResult, Input } from '../checks/check.ts'
import type { Verdict } from '../checks/verdict.ts'
import { formatSecondMoment, formatSmallArea } from '../measure/format.ts'
import { roleName, sectionName } from './names.ts'
import { GOODS_TABLE, short } from './goods-checks.ts'
import { share, TIE_LINKS, type Words } from './of-checks.ts'
import { ROOM_TABLE } from './room-checks.ts'
import { SPRING_TABLE } from './spring-checks.ts'
import { STANDING_TABLE } from './standing-checks.ts'
import { capital, perWidth, plural, type Data, type Say, listed } from './say.ts'

/** Pieces told by their roles, each as often as there are of it. */
function piecesOf(roles: string): string {
  const all = roles.split(',')
  return listed(
    [...new Set(all)].map((role) => plural(all.filter((r) => r === role).length, roleName(role), roleName(role, 2))),
  )
}

const name = (d: Data) => `${roleName(String(d.role))} ${d.letter ?? ''}`.trim()
const unknown: Record<string, Words> = {
  'unknown-not-weighed': (_r, d) =>
    `Not proven: ${d.goods ? `nobody has weighed "${d.goods}"` : 'some of what it carries has not been weighed'}. Enter the mass in Sort.`,
  'unknown-too-few-supports': (_r, d) =>
    `Not proven: the ${name(d)} is held in one place only, and that is beyond this check.`,
  'unknown-no-stiffness': (_r, d) =>
    `Not proven: the chosen method has no stiffness for the wood of ${name(d)}. Choose another grade or method in the settings.`,
  'unknown-off-axis': (_r, d) =>
    `Not proven: the ${name(d)} is loaded across itself, and it only takes a force along itself. This is a fault of the program.`,
  'unknown-no-strength': (_r, d) =>
    `Not proven: the chosen method has no strength for the material of ${name(d)}. Choose another grade or method in the settings.`,
  'unknown-equilibrium': (_r, d, say) =>
    `Not proven: ${say.force(Number(d.inN))} are put in and ${say.force(Number(d.outN))} arrive below. This is a fault of the program; none of its figures for this build may be believed.`,
  'unknown-beside': () =>
    'Not proven: some of what comes down presses on the outer half of what carries it and would turn it, and nobody has looked at that. Move what stands on it further in.',
  'unknown-damp': (_r, d) =>
    `Not proven: ${d.sheet} is made for dry rooms. In an unheated place it swells and weakens, and no strength under lasting loads is given for it. Take plywood, OSB or boards, or set the place to heated in the settings if it is.`,
  'unknown-anchor': (_r, d, say) =>
    d.weakest === 'prepared'
      ? `Not proven: it is fixed to bolts or blocking that were prepared, and nobody has said what they carry. Say it in Survey.`
      : d.weakest === undefined || d.weakest === 'rated'
        ? d.each
          ? `Not proven: with everything as it is drawn ${oneOf(d, 'anchor')} must hold ${say.force(Number(d.needN))}, and only a share of its maker's rating is counted. Enter that in the settings.`
          : `Not proven: tied with ${plural(Number(d.count), 'anchor')} that must hold ${say.force(Number(d.needN))} together. Enter the maker's rated pull-out in the settings.`
        : `Not proven: ${d.each ? oneOf(d, 'fixing') : `its ${plural(Number(d.count), 'tie')}`} must hold ${say.force(Number(d.needN))}${d.each ? '' : ' together'}, and ${TIE_LINKS[String(d.weakest)]} has no known strength. Choose another wood, method or fixing.`,
}

const oneOf = (d: CheckResult['data'], what: string): string =>
  Number(d.count) === 1 ? `its ${what}` : `one of its ${d.count} ${what}s`

const courseOf = (d: CheckResult['data']) => (d.joints ? 'in mortar joints' : 'in bricks or blocks, clear of joints')
const pulledOrPressed = (d: Data, say: Say) =>
  Number(d.pressedN) > 0 && Number(d.pulledN) > 0
    ? `is pulled with ${say.force(Number(d.pulledN))} and pressed with ${say.force(Number(d.pressedN))}`
    : Number(d.pressedN) > 0
      ? `is pressed along itself with ${say.force(Number(d.pressedN))}`
      : Number(d.pulledN) > 0
        ? `is pulled along itself with ${say.force(Number(d.pulledN))}`
        : 'bends both ways'
/** What would fold it. */

const TABLE: Record<string, Words> = {
  ...STANDING_TABLE,
  ...unknown,
  ...GOODS_TABLE,
  ...ROOM_TABLE,
  ...SPRING_TABLE,
  'panel-bending': (r, d, say) =>
    r.state === 'holds'
      ? `The ${name(d)} is strong enough${share(r, say)}.`
      : `The ${name(d)} can break: it is asked for ${say.percent(r.ratio ?? 9.99)} of what it can do.`,
  'member-bending': (r, d, say) =>
    r.state === 'holds'
      ? `The ${name(d)} (${sectionName(String(d.section))}) is strong enough in bending${share(r, say)}.`
      : `The ${name(d)} can break: it is asked for ${say.percent(r.ratio ?? 9.99)} of what a ${sectionName(String(d.section))} can do.`,
  ledge: (r, d, say) =>
    r.state === 'holds'
      ? `What lies on the edges of the ${name(d)} does not split ${Number(d.edges) === 1 ? 'it' : 'them'}${share(r, say)}.`
      : `The ${name(d)} can split along: what lies ${say.lengthOf(d, 'armMm')} out on its edge bends it across the grain with ${say.percent(r.ratio ?? 9.99)} of what wood takes that way. A thicker piece, or less on it.`,
  'member-shear': (r, d, say) =>
    r.state === 'holds'
      ? `The ${name(d)} is strong enough in shear${share(r, say)}.`
      : `The ${name(d)} can split along its length near a support: ${say.percent(r.ratio ?? 9.99)} of what it can do.`,
  'panel-sag': (r, d, say) => sagWords(r, d, say),
  'member-sag': (r, d, say) => sagWords(r, d, say),
  'notched-shear': (r, d, say) =>
    `The ${name(d)} is notched ${say.lengthOf(d, 'notchMm')} deep at a support${r.state === 'holds' ? ` and still holds${share(r, say)}` : ` and can split there: ${say.percent(r.ratio ?? 9.99)} of what is left of it`}.`,
  joint: (r, d, say) => jointWords(r, d, say),
  'joint-end-grain': (r, d, say) =>
    `${jointWords(r, d, say)} They go into end grain, which holds ${d.endGrain === 'third' ? 'a third' : 'two thirds'} of what side grain does, and nothing at all when pulled.`,
  'joint-pulled-out': (r, d, say) =>
    `The screws of ${roleName(String(d.near))} on ${roleName(String(d.far))} go into ${Number(d.end) === 1 ? 'end grain' : 'the edge of a sheet'} and are pulled along their length with ${say.force(r.demand!)}: nothing they hold there counts.${Number(d.end) === 1 ? '' : ' Glue them too, or use a board.'}`,
  'joint-too-short': (r, d, say) =>
    r.state === 'holds'
      ? `${capital(roleName(String(d.near)))} on ${roleName(String(d.far))}: nothing passes through these screws.`
      : `The screws of ${roleName(String(d.near))} on ${roleName(String(d.far))} reach too short a way into the wood to count (${d.fastener}), and ${say.force(r.demand!)} passes through them.`,
  'joint-crowded': (r, d) =>
    r.state === 'holds'
      ? `${capital(roleName(String(d.near)))} on ${roleName(String(d.far))}: nothing passes through these screws.`
      : `${capital(roleName(String(d.near)))} on ${roleName(String(d.far))}: ${d.count} × ${d.fastener} find no room there without splitting the wood. Fewer or thinner ones, or a deeper piece.`,
  'split-driven': (_r, d) => `${between(d)}: ${d.count} × ${d.fastener} may be driven without boring.`,
  'split-bore': (_r, d, say) =>
    `${between(d)}: bore ${say.drill(Number(d.boreMm))} for the ${d.fastener}, so that it does not split the wood near an end or edge.`,
  'split-close': (_r, d, say) =>
    `${between(d)}: bore ${say.drill(Number(d.boreMm))} for the ${d.fastener}. Even bored, ${d.count} stand nearer to an edge, an end or each other than is asked for (${say.percent(Number(d.share))} of it); what they carry is counted less for it.`,
  'split-tight': (_r, d, say) =>
    `${between(d)}: ${d.count} × ${d.fastener} stand very near to an edge. Nothing hangs on them; bore ${say.drill(Number(d.boreMm))}, or take thinner ones.`,
  'split-crowded': (_r, d) =>
    `${between(d)}: ${d.count} × ${d.fastener} find no room; even bored they split the wood. Fewer or thinner ones, or a deeper piece.`,
  'unknown-joint': (_r, d) =>
    `Not proven: the chosen method has no value for the fasteners between ${roleName(String(d.near))} and ${roleName(String(d.far))}.`,
  buckles: (_r, d, say) => `The ${name(d)} buckles ${d.way} under ${say.force(Number(d.axialN))}.`,
  dado: (r, d, say) =>
    r.state === 'holds'
      ? `The dadoes (${say.lengthOf(d, 'deepMm')} deep) carry their shelves${share(r, say)}.`
      : `The shoulder of a dado ${say.lengthOf(d, 'deepMm')} deep is crushed: ${say.percent(r.ratio ?? 9.99)} of what it takes. Deeper dadoes, or a cleat under the shelf as well.`,
  upright: (r, d, say) =>
    r.state === 'holds'
      ? `The uprights carry ${say.force(Number(d.axialN))} without bowing${share(r, say)}.`
      : `An upright can bow sideways under ${say.force(Number(d.axialN))}: hold it at more heights, or make it thicker.`,
  equilibrium: (_r, d, say) =>
    `All that is put on it arrives below: ${say.force(Number(d.inN))} in, ${say.force(Number(d.outN))} out.`,
  'top-pressed': (r, _d, say) =>
    r.state === 'holds'
      ? `What it stands on is not crushed under its feet${share(r, say)}.`
      : 'A foot presses too hard on the top it stands on: put a plate under it.',
  slab: (r, _d, say) =>
    r.state === 'holds'
      ? `The slab takes what stands on it${share(r, say)}.`
      : 'A foot presses too hard on the slab: put a plate under it.',
  'timber-floor': (r, d, say) =>
    `All of it weighs ${say.mass(Number(d.kg))}, ${say.spread(Number(d.knM2))} on its footprint; ${r.state === 'holds' ? 'a floor of a dwelling is made for' : 'more than the'} ${say.spread(Number(d.allowedKnM2))}${r.state === 'holds' ? '' : ' a floor of a dwelling is made for'}. Ask locally what yours is made for.`,
  post: (r, d, say) =>
    r.state === 'holds'
      ? `The ${name(d)} carries ${say.force(Number(d.axialN))}${share(r, say)}.`
      : `The ${name(d)} can buckle ${d.way} under ${say.force(Number(d.axialN))}: ${say.percent(r.ratio ?? 9.99)} of what it can do.`,
  'too-slender': (_r, d, say) =>
    `The ${name(d)} is too slender: ${say.lengthOf(d, 'lengthMm')} without being held ${d.way}, only ${say.lengthOf(d, 'sideMm')} thick.`,
  along: (r, d, say) =>
    r.state === 'holds'
      ? `The ${roleName(String(d.role))} ${pulledOrPressed(d, say)}${share(r, say)}.`
      : `The ${roleName(String(d.role))} is too weak: it ${pulledOrPressed(d, say)}, ${say.percent(r.ratio ?? 9.99)} of what it can do.`,
  'along-slender': (_r, d, say) =>
    `The ${roleName(String(d.role))} is pressed with ${say.force(Number(d.pressedN))} and bows away: ${say.lengthOf(d, 'lengthMm')} free, only ${say.lengthOf(d, 'thickMm')} thick. Make it thicker or shorter.`,
  'along-plate-bows': (r, d, say) =>
    r.state === 'holds'
      ? `The ${roleName(String(d.role))} is pressed with ${say.force(Number(d.pressedN))} and stays flat${share(r, say)}.`
      : `The ${roleName(String(d.role))} is pressed with ${say.force(Number(d.pressedN))} and bows away: ${say.lengthOf(d, 'lengthMm')} between its screws, only ${say.lengthOf(d, 'thickMm')} thick. Make it thicker or smaller.`,
  anchors: (r, d, say) =>
    r.state === 'holds'
      ? `Its ${plural(Number(d.count), 'fixing')} ${Number(d.count) === 1 ? 'holds' : 'hold'}: the one with most slides with ${say.force(Number(d.slidN))} and is pulled with ${say.force(Number(d.pulledN))}${share(r, say)}.`
      : `Its fixings are too weak: one slides with ${say.force(Number(d.slidN))} and is pulled with ${say.force(Number(d.pulledN))}, ${say.percent(r.ratio ?? 9.99)} of what it can do. More of them, longer or thicker ones, or less weight.`,
  'in-course': (_r, d) => `All ${plural(Number(d.count), 'fixing')} sit ${courseOf(d)}, as measured.`,
  'off-course': (_r, d, say) =>
    `${plural(Number(d.off), 'fixing')} of ${d.count} ${Number(d.off) === 1 ? 'does' : 'do'} not sit ${courseOf(d)}, where their rating counts: the one that is worst would have to go ${say.lengthOf(d, 'mm')} ${d.up ? 'up' : 'down'}. Fix that height, or put it on upright battens.`,
  rod: (r, d, say) =>
    r.state === 'holds'
      ? `Its rods hold: the one with most is pulled with ${say.force(Number(d.pulledN))}${share(r, say)}.`
      : `Its rods are too thin: one is pulled with ${say.force(Number(d.pulledN))}, ${say.percent(r.ratio ?? 9.99)} of what a ${sectionName(String(d.rod))} can do.`,
  'rods-swing': () =>
    'Not proven in an earthquake: it swings on its rods, and nothing keeps it from it. Put its back against a wall with studs or masonry, and screw it there.',
  washer: (r, d, say) =>
    r.state === 'holds'
      ? `The washers do not sink into the ${roleName(String(d.role))}${share(r, say)}.`
      : `A washer would sink into the ${roleName(String(d.role))}: ${say.percent(r.ratio ?? 9.99)} of what it can do there. A thicker rod with its wider washer, or less weight.`,
  joists: (r, d, say) =>
    r.state === 'holds'
      ? `The joists it hangs from may take it${share(r, say)}, as far as their ceiling may be loaded with ${say.spread(Number(d.kpa))} more and nothing else hangs there. Ask locally.`
      : `It is too much for the joists it hangs from: ${say.percent(r.ratio ?? 9.99)} of what a ceiling for ${say.spread(Number(d.kpa))} may take. Spread it over more joists, hang less from them, or let an engineer look.`,
  'joists-not-surveyed': () =>
    'Not proven: nobody has said what is over the ceiling. Say in Survey how the joists run, and what they are.',
  'joists-trusses': () =>
    'Not proven: trusses are made for their roof alone. Only an engineer may say what may hang from them.',
  'joists-sloped': () => 'Not proven: this ceiling slopes, and nothing level lies on its rafters.',
  'joists-no-span': () => 'Not proven: say in Survey how thick and deep the joists are, and how far they span.',
  'joists-beside': (_r, d, say) =>
    `Not proven: the ${roleName(String(d.role))} hangs ${say.lengthOf(d, 'missedMm')} beside the nearest joist. Move it under one, or say in Survey where they run.`,
  'joists-past': (_r, d, say) =>
    `Not proven: the ${roleName(String(d.role))} hangs ${say.lengthOf(d, 'missedMm')} past the end of the joists. Move it or make it shorter, or say in Survey how far they span.`,
  hinges: (r, d, say) =>
    r.state === 'holds'
      ? `The ${plural(Number(d.hinges), 'hinge')} of the ${roleName(String(d.role))} hold it${share(r, say)}: pulled with ${say.force(Number(d.pulledN))} at most.`
      : `Its hinges are torn out of the ${roleName(String(d.role))} or what it hangs on: ${say.percent(r.ratio ?? 9.99)} of what their screws hold. More hinges, a narrower leaf, or plywood.`,
  pivots: (r, d, say) =>
    r.state === 'holds'
      ? `The pins the ${roleName(String(d.role))} turns on hold it${share(r, say)}: pressed aside with ${say.force(Number(d.pulledN))} at most.`
      : `The pins the ${roleName(String(d.role))} turns on carry ${say.percent(r.ratio ?? 9.99)} of what their maker rates them for. Hang less on it, or take narrower or higher leaves.`,
  'stands-on': (r, d, say) =>
    r.state === 'holds'
      ? `It stands with all its feet on "${d.name}".`
      : `It stands out past what "${d.name}" has under it by ${say.lengthOf(d, 'overMm')}. Move it, make it smaller, or let it stand on the floor.`,
  'carries-unread': (_r, d) =>
    `Not proven: "${d.name}" stands on it and cannot be read itself. Mend that one, or let it stand on the floor.`,
  pins: (r, d, say) =>
    r.state === 'holds'
      ? `Its ${plural(Number(d.pins), 'pin')} hold${share(r, say)}: the one with most takes ${say.force(r.demand!)}.`
      : `A pin is pressed out of its hole or bends: ${say.force(r.demand!)} on it, ${say.force(r.capacity!)} is what it takes. Spread the load over more shelves, or stand the shelves in dadoes.`,
  'unknown-pin': () => 'Not proven: nobody knows how its pins stand in the uprights.',
  rating: (r, d, say) =>
    r.state === 'holds'
      ? `The ${d.item} carries ${say.force(r.demand!)} at most, rated for ${say.force(r.capacity!)}.`
      : `The ${d.item} is asked for ${say.force(r.demand!)}; its maker rates it for ${say.force(r.capacity!)}.`,
  existing: (r, d, say) =>
    r.state === 'holds'
      ? `${d.item} has ${say.force(r.demand!)} in and on it, and is known to carry ${say.force(r.capacity!)}.`
      : `${d.item} has ${say.force(r.demand!)} in and on it, and is known to carry ${say.force(r.capacity!)}. Put less into it, or find out what it carries.`,
  leaning: (r, d, say) =>
    r.state === 'holds'
      ? `A person may lean or sit on it anywhere: ${say.force(Number(d.n))} in the middle of ${say.length(Number(d.spanMm))}${share(r, say)}.`
      : `It breaks under a person: ${say.force(Number(d.n))} in the middle of ${say.length(Number(d.spanMm))}${share(r, say)}. A thicker top, a higher board under its front edge, or a support nearer.`,
  'unknown-leaned-on': () =>
    'Not proven: nobody knows what the wood or the bolts of the frames hold that the sheets lean on.',
  'unknown-leaning': () => 'Not proven: nobody knows what the worktop carries where a person leans on it.',
  'unknown-arranged': () => 'Not proven yet: it is still looked at with the goods wherever they do worst.',
  'unknown-existing': (r, d, say) =>
    `Not proven: nobody knows what ${d.item} carries${r.demand! > 0 ? `, and ${say.force(r.demand!)} is in and on it` : ''}. Enter what it carried before.`,
  'unknown-hinge': () => 'Not proven: nobody knows how its hinges are held.',
  'strip-metre': (_r, d, say) =>
    `A metre of strip carries ${say.force(Number(d.carriesN))} hung like what pulls hardest here; the fullest has ${say.force(Number(d.nowN))}.`,
  'pivot-panel': (r, d, say) =>
    r.state === 'holds'
      ? `What fastens the panel its pins stand in holds it${share(r, say)}: pushed along itself with ${say.force(Number(d.n))} at most.`
      : `Its pins push the panel they stand in with ${say.force(Number(d.n))}, more than what fastens one of its ends. Panels in rabbets or dadoes with more screws, or less on the leaves.`,
  'unknown-pivot-panel': () => 'Not proven: nobody knows what fastens the panel its pins stand in.',
  'pull-open': (r, _d, say) =>
    r.state === 'holds'
      ? `The heaviest drawer, full, starts with ${say.force(r.demand!)} of pull on its runners.`
      : `The heaviest drawer, full, takes ${say.force(r.demand!)} to start on its runners, more than two hands pull easily (${say.force(r.capacity!)}). Less in it, or a smaller one; wax on the runners helps.`,
  'usable-faces': (_r, d, say) =>
    `Things can hang on ${say.area(Number(d.areaMm2))} of it, ${say.number(Number(d.times))} times the bare wall it takes: both faces of ${plural(Number(d.leaves), 'leaf', 'leaves')}, and the back.`,
  lying: (r, d, say) =>
    r.state === 'holds'
      ? `"${d.goods}" stays straight: it sags ${say.lengthOf(d, 'sagMm')} ${d.past ? 'past the last arm' : 'between two arms'} over the years.`
      : `"${d.goods}" takes a bend: it sags ${say.lengthOf(d, 'sagMm')} over ${say.lengthOf(d, 'spanMm')} ${d.past ? 'past the last arm' : 'between two arms'} over the years. Put the uprights closer, or more of them.`,
  'lying-off': (_r, d) =>
    `"${d.goods}" does not lie on an arm on either side of its middle: it falls off. Arms closer to each other, or longer things there.`,
  tube: (r, d, say) =>
    r.state === 'holds'
      ? `The ${roleName(String(d.role))} of ${d.tube} does not bend for good (${say.percent(r.ratio ?? 9.99)} of what it can do).${d.assumed ? ' Its strength is assumed: conduit has none that is guaranteed.' : ''}`
      : `The ${roleName(String(d.role))} of ${d.tube} bends for good: ${say.percent(r.ratio ?? 9.99)} of what it can do. A thicker tube, a shorter arm, or less on it.`,
  socket: (r, d, say) =>
    r.state === 'holds'
      ? `The ${roleName(String(d.role))} sits in its hole: ${say.percent(r.ratio ?? 9.99)} of what the wood bears there.`
      : `The ${roleName(String(d.role))} crushes its hole in the ${roleName(String(d.into))}: ${say.percent(r.ratio ?? 9.99)} of what the wood bears there, ${say.lengthOf(d, 'deepMm')} deep. Thicker ones, a thicker board, or less weight.`,
  'comes-off': (r, d, say) =>
    r.state === 'holds'
      ? 'What hooks over a strip is lifted off past the rest of the build.'
      : `It cannot be lifted off: something of it runs into the ${roleName(String(d.other))} by ${say.lengthOf(d, 'byMm')}.`,
  'opens-past-piece': (r, d, say) =>
    r.state === 'holds'
      ? `The ${roleName(String(d.role))} opens past the rest of the build.`
      : `The ${roleName(String(d.role))} does not open: it runs into the ${roleName(String(d.other))} by ${say.lengthOf(d, 'byMm')}.`,
  'opens-past-goods': (r, d, say) =>
    r.state === 'holds'
      ? `The ${roleName(String(d.role))} opens past what stands behind it.`
      : `The ${roleName(String(d.role))} does not shut: something stands in its way by ${say.lengthOf(d, 'byMm')}.`,
  'anchors-short': (_r, d, say) =>
    `Its fixings do not count: their screws reach only ${say.lengthOf(d, 'embedMm')} into the stud. Thinner pieces against the wall, or longer screws.`,
  body: (r, d, say) =>
    r.state === 'holds'
      ? `What hangs on its ${roleName(String(d.role))} is well fastened to it: ${say.force(Number(d.slidN))} down, ${say.force(Number(d.pulledN))} out${share(r, say)}.`
      : `The ${roleName(String(d.role))} tears off: ${say.force(Number(d.slidN))} hang on it and ${say.force(Number(d.pulledN))} pull it out, ${say.percent(Math.min(r.ratio ?? 9.99, 9.99))} of what its screws can do. More of them, or less weight.`,
  'anchors-quake': (r, d, say) =>
    r.state === 'holds'
      ? `In the earthquake reckoned with its fixings hold what hangs: ${say.force(Number(d.slidN))} across, ${say.force(Number(d.pulledN))} out${share(r, say)}. Ask locally.`
      : `In the earthquake reckoned with its fixings are too weak: one slides with ${say.force(Number(d.slidN))} and is pulled with ${say.force(Number(d.pulledN))}, ${say.percent(r.ratio ?? 9.99)} of what it can do. Ask locally.`,
  'all-read': () => 'Every piece, fixing and support that carries has been judged.',
  'unread-unread': (_r, d) =>
    `Not proven: no check has looked at ${Number(d.count) === 1 ? `the ${roleName(String(d.role)) || 'piece'}` : `${d.count} pieces, first the ${roleName(String(d.role)) || d.first}`}. Nothing here may be called safe.`,
  'unread-missing': (_r, d) =>
    `Not proven: ${Number(d.count) === 1 ? 'a piece or fixing' : `${d.count} pieces or fixings`} this build counts on ${Number(d.count) === 1 ? 'is' : 'are'} missing (${d.first}). This is a fault of the program.`,
  'unread-apart': (_r, d) =>
    `Not proven: ${d.first} does not lie where its pieces meet. This is a fault of the program.`,
  'unread-no-board': (_r, d) =>
    `Not proven: the ${roleName(String(d.role))} is no board its section gives. This is a fault of the program.`,
  'unread-not-held': () =>
    'Not proven: as it is loaded its supports do not hold it: it would turn, slide or lift somewhere.',
  bears: (r, d, say) =>
    r.state === 'holds'
      ? `Where wood lies on wood it is not crushed: hardest pressed is ${roleName(String(d.from))} on ${roleName(String(d.role))}${share(r, say)}.`
      : `${capital(roleName(String(d.from)))} crushes into ${roleName(String(d.role))}, or is crushed on it: ${say.percent(r.ratio ?? 9.99)} of what the softer of them can take.`,
  partitions: (r, d, say) =>
    r.state === 'holds'
      ? `What leans in its slots leans with ${say.force(Number(d.n))} at most, and the dividers carry it${share(r, say)}.`
      : `What leans in a slot leans with ${say.force(Number(d.n))}, too much for its divider. Fewer things in a slot, narrower slots, or thicker dividers.`,
  slides: (r, d, say) =>
    r.state === 'holds'
      ? `Its ${plural(Number(d.panels), 'panel')} ${Number(d.panels) === 1 ? 'stands' : 'stand'} ${say.lengthOf(d, 'inMm')} in the lower groove and ${Number(d.panels) === 1 ? 'lifts' : 'lift'} out: the upper one leaves ${say.lengthOf(d, 'leftMm')}.`
      : `A panel does not lift out: it stands ${say.lengthOf(d, 'inMm')} in the lower groove, and the upper one leaves ${say.lengthOf(d, 'leftMm')}. A deeper groove above.`,
  'slides-off': (_r, d, say) =>
    `A panel runs ${say.lengthOf(d, 'mm')} off the end of its tracks. Longer tracks, or a stop.`,
  'drawn-out': (r, d, say) =>
    r.state === 'holds'
      ? `Drawn out, with everything in front, ${Number(d.drawers) === 1 ? 'its drawer stays' : 'each drawer stays'} in its grooves by ${say.lengthOf(d, 'staysMm')}, and they carry it${share(r, say)}.`
      : `Drawn out, its drawers crush the front ends of their grooves: ${say.force(Number(d.n))} on ${say.lengthOf(d, 'staysMm')} of one of them. Less in each drawer, or deeper drawers.`,
  'slide-rating': (r, d, say) =>
    r.state === 'holds'
      ? `Right out, the ${plural(Number(d.slides), 'slide')} of its drawers carry them${share(r, say)}: ${say.force(Number(d.n))} on one at most.`
      : `${say.force(Number(d.n))} hang on one slide, ${say.percent(r.ratio ?? 9.99)} of what it is rated for. Less in a drawer, or slides of a higher rating.`,
  'slide-screws': (r, d, say) =>
    r.state === 'holds'
      ? `With a drawer right out the screws of its slides hold${share(r, say)}: ${say.force(Number(d.n))} on two of them at most.`
      : `With a drawer right out the screws of its slides are torn from the uprights or the sides: ${say.percent(r.ratio ?? 9.99)} of what they hold. Less in a drawer, or thicker plywood.`,
  'unknown-slide': () => 'Not proven: nobody knows how its slides are held.',
  'drawn-right-out': () => 'A drawer leaves its grooves when it is drawn out. A deeper one, or a stop.',
  'hooked-panel': (r, d, say) =>
    r.state === 'holds'
      ? `Hooks do not bend the panel they hang on (${d.sheet}) too far${share(r, say)}.`
      : `A hook breaks out the panel it hangs on (${d.sheet}): it is asked for ${say.percent(r.ratio ?? 9.99)} of what it can do there. Less on a hook, hooks nearer to a batten or further apart, more battens, or a thicker panel.`,
  'leaned-on': (r, d, say) =>
    r.state === 'holds'
      ? `The sheets of compartment ${d.slot} lean on its posts with ${say.force(Number(d.n))}, and they carry it${share(r, say)}.`
      : `The sheets of compartment ${d.slot} lean on its posts with ${say.force(Number(d.n))}, too much for them. Less free room beside the sheets, more frames, or thicker posts.`,
  'leaned-bolts': (r, d, say) =>
    r.state === 'holds'
      ? `The bolts of its posts hold what leans in compartment ${d.slot}${share(r, say)}.`
      : `The bolts of its posts are too few for what leans in compartment ${d.slot}. Less free room beside the sheets, or more frames.`,
  'leaned-ties': (r, _d, say) =>
    r.state === 'holds'
      ? `Leaning out from the wall all sheets together pull less at its ties than they hold${share(r, say)}.`
      : 'Leaning out from the wall the sheets pull its ties out. Less free room in the compartments, or more ties.',
  'on-one-frame': (_r, d) =>
    `"${d.goods}" meets one frame only and tips off it. Frames closer together, or the piece somewhere else.`,
  'room-length': (r, d, say) =>
    r.state === 'holds'
      ? `It fits the stretch of wall (${say.lengthOf(d, 'haveMm')}).`
      : `It is ${short(d, say)} longer than the stretch of wall it has.`,
  'room-height': (r, d, say) =>
    r.state === 'holds' ? `It fits under the ceiling.` : `It is ${short(d, say)} higher than the room.`,
  'room-depth': (r, d, say) =>
    r.state === 'holds'
      ? `It stays within the depth available (${say.lengthOf(d, 'haveMm')}).`
      : `It stands out ${short(d, say)} further than the depth available.`,
  tilt: (r, d, say) =>
    r.state === 'holds'
      ? `Built flat, it can be tilted up: its diagonal of ${say.lengthOf(d, 'needMm')} clears the ceiling.`
      : `Built flat, it can not be stood up: its diagonal of ${say.lengthOf(d, 'needMm')} is more than the ceiling of ${say.lengthOf(d, 'ceilingMm')} less ${say.lengthOf(d, 'spareMm')} to spare. ${d.off ? `Without ${piecesOf(String(d.off))} it passes: put them on when it stands; or build it where it stands.` : 'Build it where it stands.'}`,
  'in-place': () => 'Built where it stands: nothing to tilt up.',
  'lift-whole': (_r, d, say) => `Empty it weighs ${say.mass(Number(d.massKg))}: one person lifts it up to hang it.`,
  'lift-whole-two': (r, d, say) =>
    `Empty it weighs ${say.mass(Number(d.massKg))} and is lifted up to hang it: ${r.state === 'holds' ? 'two people' : 'more than two people can hold; make it in two'}.`,
  'lift-piece': (_r, d, say) => `The heaviest piece is ${say.mass(Number(d.massKg))}: one person.`,
  'lift-piece-two': (r, d, say) =>
    `The heaviest piece is ${say.mass(Number(d.massKg))}: ${r.state === 'holds' ? 'two people' : `more than two people should lift`}.`,
  'lift-tilt': (_r, d, say) =>
    `Tilting it up starts with ${say.mass(Number(d.massKg))} at its edge: one person, better two.`,
  'lift-tilt-two': (r, d, say) =>
    `Tilting it up starts with ${say.mass(Number(d.massKg))} at its edge: ${r.state === 'holds' ? 'two people' : `${plural(Number(d.people), 'person', 'people')}`}.`,
  'lift-goods': (_r, d, say) =>
    `The heaviest thing to lift onto it is "${d.goods}", ${say.mass(Number(d.massKg))}: one person.`,
  'lift-goods-two': (r, d, say) =>
    `"${d.goods}" is ${say.mass(Number(d.massKg))}: ${r.state === 'holds' ? 'two people lift it' : 'too heavy to lift onto it by hand. Keep it on the floor, or lighten it'}.`,
}

const between = (d: Data) => `${capital(roleName(String(d.near)))} and ${roleName(String(d.far))}`

function jointWords(r: CheckResult, d: Data, say: Say): string {
  const where = `${roleName(String(d.near))} on ${roleName(String(d.far))}`
  return r.state === 'holds'
    ? `${capital(where)}: ${d.count} × ${d.fastener} hold${share(r, say)}.`
    : `${capital(where)}: ${d.count} × ${d.fastener} carry ${say.force(r.capacity!)}, ${say.force(r.demand!)} comes down on them. More of them, bolts, or a cleat under it.`
}

function sagWords(r: CheckResult, d: Data, say: Say): string {
  const now = say.sag(Number(d.firstMm))
  const later = say.sag(Number(d.endMm))
  const over = `${say.lengthOf(d, 'spanMm')} of span`
  return r.state === 'holds'
    ? `The ${name(d)} sags ${now} on day one and ${later} in the long run over ${over}; ${say.sag(Number(d.limitMm))} is allowed.`
    : `The ${name(d)} sags too far: ${now} on day one, ${later} in the long run over ${over}; ${say.sag(Number(d.limitMm))} (span/${d.ratio}) is allowed.`
}

/** Where the goods stand when a link works hardest, if that is not as they are drawn. */
const ARRANGED: Record<string, string> = {
  gathered: ' So with the goods of a shelf gathered where they do worst.',
  alone: ' So with its heaviest things alone in the middle of a span.',
  'every-other': ' So with every other place empty.',
  aside: ' So with every rim pushed to one side.',
  'on-one': ' So with all of it on one of its two arms.',
  forward: ' So with the goods drawn to the front edge.',
  'on-two': ' So with everything of a level on two of its arms.',
  person: ' So with a person on it where that does most.',
  opened: ' So with doors and drawers open.',
}
export const sayCheck = (r: CheckResult, say: Say): string =>
  capital(TABLE[r.code]?.(r, r.data, say) ?? r.code) + (ARRANGED[String(r.data.arranged)] ?? '')

/** The verdict where nothing but weights is missing, and what is presumed of them is proven. */
export const HOLDS_AS_PRESUMED = 'Not proven yet: it holds if nothing weighs more than is presumed of it.'
/** The verdict in one sentence. */
export function sayVerdict(v: Verdict, say: Say): string {
  if (v.state === 'fails') {
    const more = v.fails - 1
    return `${sayCheck(v.weakest!, say)}${more > 0 ? ` And ${more} more ${more === 1 ? 'check fails' : 'checks fail'}.` : ''}`
  }
  if (v.state === 'unknown') return v.weakest ? sayCheck(v.weakest, say) : 'Nothing to prove yet.'
  return `It holds. Hardest worked: ${sayCheck(v.weakest!, say)}`
}

/** A value of a working in the project's units. */
export function sayInput(i: Pick<Input, 'value' | 'quantity'>, say: Say): string {
  switch (i.quantity) {
    case 'length':
      return say.length(i.value)
    case 'sag':
      return say.sag(i.value)
    case 'force':
      return say.force(i.value)
    case 'mass':
      return say.mass(i.value)
    case 'stress':
      return say.stress(i.value)
    case 'moment':
      return say.moment(i.value)
    case 'area':
      return formatSmallArea(i.value, say.units)
    case 'second-moment':
      return formatSecondMoment(i.value, say.units)
    case 'moment-per-width':
    case 'stiffness':
      return perWidth(i.value, i.quantity, say.units)
    case 'count':
    case 'ratio':
      return say.number(i.value)
  }
}
