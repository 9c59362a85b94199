import type { CheckResult } from '../checks/check.ts'
import { FEATURE_CAUTIONS, metName, MOVE_WAYS } from './features.ts'
import { roleName } from './names.ts'
import { plural, type Data, type Say } from './say.ts'
import type { FeatureKind } from '../room/features.ts'

/** Room for things lower than this is none, mm. */
const LEAST_TALL_MM = 50

type Words = (r: CheckResult, d: Data, say: Say) => string

const met = (d: Data) => metName(String(d.kind), String(d.name))
const packedSides = (d: Data, say: Say) =>
  [d.lengthMm, d.widthMm, d.thicknessMm].map((mm) => say.length(Number(mm))).join(' x ')
/** What of the build is in the way: goods only, or pieces. */
const what = (r: CheckResult) =>
  r.parts.length === 0 ? 'Goods' : r.bays.length === 0 ? 'The build' : 'The build and its goods'
const where = (d: Data, say: Say) =>
  `${say.length(Number(d.atMm))} from the left end of ${d.onWall}, ${say.length(Number(d.upMm))} up`
const move = (d: Data, say: Say) =>
  Number(d.moveMm) < 0 && Number(d.sought) === 0
    ? 'So much meets here that no move was looked for yet: choose a free place.'
    : Number(d.moveMm) < 0
      ? 'No single move clears it: choose another place or a smaller build.'
      : `Moving it ${say.length(Number(d.moveMm))} ${MOVE_WAYS[String(d.moveWay)]} clears it.`
const caution = (d: Data) => {
  const c = FEATURE_CAUTIONS[String(d.kind) as FeatureKind]
  return c ? ` ${c}` : ''
}
/** One build does, goods or a build and its goods do. */
const verb = (r: CheckResult, one: string, many: string) => (r.bays.length === 0 ? one : many)
const meets =
  (one: string, many: string): Words =>
  (r, d, say) =>
    `${what(r)} ${verb(r, one, many)} ${met(d)} by ${say.length(Number(d.byMm))}, at ${where(d, say)}. ${move(d, say)}${caution(d)}`

/** The thing a finding is about, and how many more it is true of. */
const theGoods = (d: Data) => `"${d.goods}"${Number(d.others) > 0 ? ` and ${Number(d.others)} more` : ''}`
const areIs = (d: Data) => (Number(d.others) > 0 ? 'are' : 'is')

export const ROOM_TABLE: Record<string, Words> = {
  clear: () => 'It stands clear of everything in the room.',
  'meets-build': meets('runs into', 'run into'),
  'meets-wall': meets('runs into', 'run into'),
  'meets-skirting': (_r, d, say) =>
    `It stands in the skirting of ${d.onWall} by ${say.length(Number(d.byMm))}. ${move(d, say)} Or notch its feet, or take the skirting off behind it.`,
  'meets-solid': meets('runs into', 'run into'),
  'meets-clear': (r, d, say) =>
    `${what(r)} ${verb(r, 'stands', 'stand')} in the space ${met(d)} keeps, by ${say.length(Number(d.byMm))}, at ${where(d, say)}. ${move(d, say)}${caution(d)}`,
  'meets-leaf': (r, d, say) =>
    `${met(d).replace(/^t/, 'T')} hits ${r.parts.length === 0 ? 'goods' : 'it'} when it opens: ${say.length(Number(d.byMm))} too far into its swing, at ${where(d, say)}. ${move(d, say)}`,
  'meets-springs': (r, d, say) =>
    `${what(r)} ${verb(r, 'reaches', 'reach')} ${say.length(Number(d.byMm))} into the space of the springs of ${met(d)}. ${move(d, say)}${caution(d)}`,
  'meets-opener': (r, d, say) =>
    `${what(r)} ${verb(r, 'reaches', 'reach')} ${say.length(Number(d.byMm))} into the opener of ${met(d)}. ${move(d, say)}`,
  'meets-track': (r, d, say) =>
    `${what(r)} ${verb(r, 'runs', 'run')} into a track of ${met(d)} by ${say.length(Number(d.byMm))}. ${move(d, say)}`,
  'meets-way-out': (r, d, say) =>
    `What is in ${plural(r.bays.length, 'place')} of it can not be drawn out: ${met(d)} stands in the way by ${say.length(Number(d.byMm))}. ${move(d, say)}`,
  'meets-motion': (_r, d, say) => `What opens on it hits ${met(d)} by ${say.length(Number(d.byMm))}. ${move(d, say)}`,
  sweep: (r, d, say) => {
    const gap = Number(d.gapMm)
    const door = metName('sectional-door', String(d.name))
    if (r.state === 'holds') return `${door.replace(/^t/, 'T')} passes with ${say.length(gap)} to spare at its nearest.`
    const tall = Math.floor(Number(d.tallMm ?? 0))
    const lower =
      tall >= LEAST_TALL_MM
        ? ` In ${Number(d.places) === 1 ? 'the place' : `the ${d.places} places`} it strikes nothing may be taller than ${say.length(tall)}.`
        : ''
    return gap < 0
      ? `${door.replace(/^t/, 'T')} hits it on the way up, by ${say.length(-gap)}: its top edge rises above the track on the bend.${lower}`
      : `${door.replace(/^t/, 'T')} comes within ${say.length(gap)} of it on the way up; ${say.length(Number(d.wantedMm))} is wanted.${lower}`
  },
  'under-slope': (r, d, say) =>
    r.state === 'holds'
      ? 'It fits under the slope of the ceiling.'
      : `It is ${say.length(Number(d.needMm) - Number(d.haveMm))} too high for the slope of the ceiling where it stands.`,
  'in-studs': (_r, d) => `${d.count} fixings land in studs of ${d.wall} (${d.studs} studs behind it).`,
  'in-prepared': (_r, d) =>
    `${d.count} fixings into ${d.wall}, ${Number(d.prepared) === Number(d.count) ? 'all' : d.prepared} of them into bolts or blocking that were prepared.`,
  'shared-prepared': (_r, d) =>
    `Not proven: "${d.name}" is fixed to the same bolts or blocking, and nobody has judged what both ask of them together. Fix one of the two to others.`,
  'shared-joists': (r, d, say) => {
    const and = Number(d.others) > 0 ? ` and ${plural(Number(d.others), 'other build')}` : ''
    return r.state === 'holds'
      ? `"${d.name}"${and} hangs from the same joists; together they take ${say.percent(Number(d.sum))} of what those may, at most.`
      : Number(d.sum) > 0
        ? `Not proven: "${d.name}"${and} hangs from the same joists, and together they may take ${say.percent(Number(d.sum))} of what those may. Hang one from other joists, or less on both.`
        : `Not proven: "${d.name}"${and} hangs from the same joists, and what one of them asks of those is not known.`
  },
  'in-side-wall': (_r, d) => `${plural(Number(d.count), 'fixing')} into ${d.wall}, beside it.`,
  'in-masonry': (_r, d) => `${d.count} fixings into ${d.wall}.`,
  'one-fixing': (_r, d, say) => {
    const turns = `lands in ${d.kind === 'studs' ? 'a stud of ' : ''}${d.wall}: it can still turn.`
    if (d.kind !== 'studs')
      return `Only one fixing ${turns} Make it longer${Number(d.prepared) > 0 ? ', or put it where two bolts, or more blocking, are behind it' : ''}.`
    const to = Number(d.moveMm) > 0 ? ` ${say.length(Number(d.moveMm))} to the ${d.moveWay}` : ''
    const other = Number(d.clearMm) > 0 ? ` or ${say.length(Number(d.clearMm))} to the ${d.clearWay}` : ''
    const long = Number(d.longerMm) > 0 ? `, or make it ${say.length(Number(d.longerMm))} longer` : ''
    return `Only one fixing ${turns} Move it${to}${other}${long}, over a second stud, or first screw a batten across two studs${Number(d.first) >= 0 ? ` (one is ${say.length(Number(d.first))} from the left end)` : ''} and fix to that.`
  },
  'in-opening': (_r, d, say) =>
    `${plural(Number(d.count), 'fixing')} would go into ${met(d)}, where there is no wall. ${move(d, say)}`,
  'no-stud-behind': (_r, d) =>
    `Fewer than two studs of ${d.wall} are behind it. To tie it, screw a batten across the studs to both sides, or put blocking between them.`,
  'not-fixed': (_r, d) => `It is not fixed to ${d.wall}.`,
  'away-from-wall': () => 'It stands away from the wall: nothing to fix to. It stands free, or is tied to a neighbour.',
  'thin-wall': (_r, d) => `${d.wall} can carry nothing: it stands free, or is tied to a neighbour.`,
  'screw-near-wire': (_r, d, say) =>
    `A fixing is in line with ${met(d)} at ${say.length(Number(d.atMm))}: cables run straight up and down from it. Leave that one out, or switch the power off and look first.`,
  'turn-up': (r, d, say) =>
    r.state === 'holds'
      ? `Stood up in its place it clears ${met(d)} by ${say.length(Number(d.gapMm))}.`
      : `It can not be stood up here: ${met(d)} is in the way by ${say.length(-Number(d.gapMm))}. Build it where it stands, or in two halves of ${say.length(Number(d.halvesMm))}, or ${say.length(Number(d.shortenMm))} lower.`,
  'turn-up-in-front': (_r, d, say) =>
    `It can not be stood up under ${met(d)}, but in front of it, ${say.length(Number(d.outMm))} out from its place; then it slides in under it with ${say.length(Number(d.spareMm))} to spare.`,
  'turn-up-slope': (r, d, say) =>
    r.state === 'holds'
      ? 'It can be stood up under the slope.'
      : `It can not be stood up under the slope: it needs ${say.length(Number(d.needMm))}, there is ${say.length(Number(d.haveMm))}. Build it where it stands, or in two halves, or ${say.length(Number(d.shortenMm))} lower.`,
  'no-doors': () => 'No door has been surveyed, so whether the pieces come in was not looked at.',
  'carried-in': (_r, d, say) =>
    `The largest ${roleName(String(d.role))} (${say.length(Number(d.lengthMm))} x ${say.length(Number(d.widthMm))}) comes in through ${met(d)}.`,
  'stuck-door': (_r, d, say) =>
    `The ${roleName(String(d.role))} (${say.length(Number(d.lengthMm))} x ${say.length(Number(d.widthMm))}) does not go through ${met(d)} (${say.length(Number(d.doorMm))} x ${say.length(Number(d.doorHighMm))}). Bring it in as smaller pieces, and build it inside.`,
  'stuck-corner': (_r, d, say) =>
    `The ${roleName(String(d.role))} of ${say.length(Number(d.lengthMm))} does not go round the corner from the passage (${say.length(Number(d.outsideMm))} wide) through ${met(d)}: it would have to be ${say.length(Number(d.shortenMm))} shorter. Cut it inside, or join it from two.`,
  packs: (_r, d, say) =>
    `Knocked down it is ${plural(Number(d.count), 'piece')}, ${say.mass(Number(d.massKg))} in all${Number(d.trips) > 1 ? `, in ${d.trips} loads` : ''}; the largest, ${packedSides(d, say)}, lies in your vehicle.`,
  'packs-past': (_r, d, say) =>
    `Knocked down its largest piece is ${packedSides(d, say)}: your vehicle takes ${say.length(Number(d.longestMm))} x ${say.length(Number(d.widestMm))}. Make it lower or shallower, or say in the settings what brings it.`,
  'packs-door': () => 'Each of its pieces goes through a door.',
  'packs-stuck': (_r, d, say) =>
    `${plural(Number(d.count), 'kind')} of its pieces, the largest ${packedSides(d, say)}, ${Number(d.count) === 1 ? 'goes' : 'go'} through no door of the room.`,
  'tilts-in': (r, d, say) =>
    r.state === 'holds'
      ? `"${d.goods}" can be tipped in at the top.`
      : `"${d.goods}" can not be tipped in at the top: ${say.length(Number(d.needMm) - Number(d.haveMm))} more is wanted above the rails.`,
  'tied-apart': (_r, d) =>
    `It is to be tied to "${d.name}", but no two of their uprights come face to face within a packer. Move it beside it, or untie it: each then stands alone.`,
  'unknown-tie': (_r, d) =>
    `Not proven: nothing is known of how screws hold in the uprights between it and "${d.name}". Bolt them through, or use uprights of lumber or plywood.`,
  'tied-to': (r, d, say) =>
    r.state === 'holds'
      ? `${d.count} × ${d.fastener} near the top (${say.length(Number(d.atMm))}) tie it to "${d.name}": ${say.force(r.demand!)} of ${say.force(r.capacity!)}.`
      : `The tie to "${d.name}" is too weak: it would have to hold ${say.force(r.demand!)}, its ${d.count} × ${d.fastener} hold ${say.force(r.capacity!)}. Each then stands as it stands alone.`,
  'group-filled': (r, d, say) =>
    r.state === 'holds'
      ? `Tied to ${d.names}, they stand as one: badly filled with a margin of ${say.number(Number(d.safety))} (${d.wanted} is wanted).`
      : `Even tied to ${d.names}, badly filled they can tip together: margin ${say.number(Number(d.safety))}, ${d.wanted} is wanted.`,
  'group-pull': (r, d, say) =>
    r.state === 'holds'
      ? `Tied to ${d.names}, a child pulling at ${say.length(Number(d.highMm))} does not tip them, even empty.`
      : `Even tied to ${d.names}, a child pulling with ${say.force(Number(d.pullN))} at ${say.length(Number(d.highMm))} tips them over together.`,
  'group-slender': (r, d, say) =>
    r.state === 'holds'
      ? `Tied to ${d.names}, together they are ${say.number(r.demand!)} times as high as deep; up to ${d.most} is steady.`
      : `Even tied to ${d.names}, together they are ${say.number(r.demand!)} times as high as deep; more than ${d.most} tips easily.`,
  'group-quake': (r, d) =>
    r.state === 'holds'
      ? `In the earthquake reckoned with they stay standing, tied to ${d.names}. Ask locally.`
      : `In the earthquake reckoned with they tip over together, even tied to ${d.names}. Ask locally.`,
  'sway-group': (_r, d) => `"${d.names}", tied to it, keeps it from folding.`,
  'sway-group-brace': (r, d, say) =>
    r.state === 'holds'
      ? `Diagonals of ${d.names} keep all that is tied together from folding sideways.`
      : `The diagonals of ${d.names} are too weak for ${say.force(Number(d.leanN))}, the lean of all that is tied together.`,
  'head-edge': (_r, d, say) =>
    `Its lower edge hangs ${say.length(Number(d.atMm))} above the floor, at the height of a head, and one can walk there. Round it off and mark it with tape, or set something on the floor under it.`,
  'head-leaf': (_r, d, say) =>
    `Opened, its leaf stands ${say.length(Number(d.atMm))} above the floor, at the height of a head, where one can walk. Shut it before you turn away.`,
  'care-kept': (_r, d) => `${theGoods(d)} ${areIs(d)} kept as ${areIs(d) === 'is' ? 'it asks' : 'they ask'} for.`,
  'care-flame': (_r, d, say) =>
    `${theGoods(d)} can catch fire and ${areIs(d)} ${say.length(Number(d.gapMm))} from ${met(d)}: at least ${say.length(Number(d.wantedMm))}, and as far as its label and local codes say. Another place.`,
  'care-heat': (_r, d, say) =>
    `${theGoods(d)} ${areIs(d)} spoilt by heat, ${say.length(Number(d.gapMm))} from ${met(d)}: at least ${say.length(Number(d.wantedMm))}.`,
  'care-sparks': (_r, d) =>
    `${theGoods(d)} can catch fire and ${areIs(d)} beside "${d.other}", which charges there: put one of them elsewhere.`,
  'care-food': (_r, d) => `${theGoods(d)} ${areIs(d)} food beside "${d.other}": put one of them elsewhere.`,
  lit: (_r, d, say) => `Lit by ${met(d)}, ${say.length(Number(d.gapMm))} from its middle.`,
  'lit-far': (_r, d, say) =>
    `Nothing lights it: ${met(d)} is ${say.length(Number(d.gapMm))} from its middle, and more than ${say.length(Number(d.wantedMm))} leaves one working in one's own shadow. Hang a lamp over it before it is built.`,
  'lit-enough': (_r, d) =>
    `About ${Math.round(Number(d.lux))} lx in its middle from ${plural(Number(d.lamps), 'lamp')}: enough to work by (${d.wantedLux} lx), if nothing hangs between.`,
  'lit-dim': (_r, d) =>
    `About ${Math.round(Number(d.lux))} lx in its middle from ${plural(Number(d.lamps), 'lamp')}, and work at a bench asks for ${d.wantedLux} lx. A window, or a lamp nobody told the light of, comes on top. Else a brighter lamp, or one over it, before it is built.`,
  'lit-unknown': () => 'No lamp and no window has been surveyed: nobody has looked whether it is lit.',
  'store-lit': (_r, d) =>
    `With its front open at least ${Math.round(Number(d.lux))} lx fall on what stands in it, from ${plural(Number(d.lamps), 'lamp')}: one finds things by ${d.wantedLux} lx, if one does not stand in the light.`,
  'store-dim': (_r, d) =>
    `With its front open only about ${Math.round(Number(d.lux))} lx fall on what stands in its darkest place, from ${plural(Number(d.lamps), 'lamp')}, and one finds things by ${d.wantedLux} lx. Hang a lamp before it, or a strip of light inside with a hole for its cord, before it is built.`,
  powered: (_r, d, say) =>
    `An outlet is ${say.length(Number(d.gapMm))} of cord from it, led along the walls: it reaches.`,
  'powered-far': (_r, d, say) =>
    `The nearest outlet is ${say.length(Number(d.gapMm))} of cord from it, led along the walls, further than a cord reaches (${say.length(Number(d.wantedMm))}). Have one put there before it is built; no cord that stays lying.`,
  'powered-unknown': () => 'No outlet has been surveyed: nobody has looked whether a machine on it can be plugged in.',
  'care-outlet': (_r, d, say) =>
    `${theGoods(d)} must be charged, and the nearest outlet is ${say.length(Number(d.gapMm))} of cord away, led along the walls: one reaches ${say.length(Number(d.wantedMm))}. Another place, or an outlet there; no cord that stays lying.`,
  'care-no-outlet': (_r, d) =>
    `${theGoods(d)} must be charged; no outlet has been surveyed, so nobody has looked for one.`,
  'care-strip': (_r, d) =>
    `${d.count} things are charged here, and an outlet has ${d.places} places: one strip with as many, screwed up where it is seen, plugged into the wall and never into another strip.`,
  'care-cord-hole': (_r, d, say) =>
    `${theGoods(d)} ${areIs(d)} charged behind a closed front, and no hole lets a cord out: bore one of ${say.length(Number(d.holeMm))} at least in a side or the back before it is put up. What charges gets warm: leave the front open meanwhile.`,
  'care-no-burner': (_r, d) =>
    `${theGoods(d)} must be kept from flames and heat; no heater or furnace has been surveyed, so nobody has looked for one.`,
  'care-no-window': (_r, d) =>
    `${theGoods(d)} ${areIs(d)} spoilt by light, with nothing before it; no window has been surveyed, so nobody has looked for one.`,
  'care-gas': (_r, d) =>
    `${theGoods(d)}: bottles of gas belong upright in the open air, never in a cellar and in many places in no garage. Ask locally.`,
  'care-over-eyes': (_r, d, say) =>
    `${theGoods(d)} ${areIs(d)} up to ${say.length(Number(d.atMm))}, over the eyes: what leaks or sprays is better low, in a tray.`,
  'care-frost': (_r, d) =>
    `${theGoods(d)} must not freeze. Whether this room does nobody here knows: ask before winter.`,
  'care-damp': (_r, d, say) =>
    `${theGoods(d)} ${areIs(d)} spoilt by damp and near the slab: better ${say.length(Number(d.wantedMm))} above it, with air behind.`,
  'care-light': (_r, d) =>
    `${theGoods(d)} ${areIs(d)} spoilt by light, with nothing before it and a window in the room: doors or a curtain.`,
  'care-dust': (_r, d) => `${theGoods(d)} must be kept from dust, with nothing before it: doors or a curtain.`,
  'care-food-open': (_r, d) =>
    `${theGoods(d)} ${areIs(d)} food with nothing before it: mice find it. Doors, or a box that shuts.`,
  'in-reach': (_r, _d) => 'Everything is in reach.',
  ladder: (r, d, say) =>
    `${plural(Number(d.count), 'thing')} ("${d.goods}") can only be reached from a ladder: above ${say.length(Number(d.limitMm))}${r.state === 'fails' ? '. Some are used daily: put those lower' : ''}.`,
  'heavy-over-shoulder': (_r, d, say) =>
    `"${d.goods}" is too heavy to lift above the shoulder (${say.length(Number(d.limitMm))}): it stands at ${say.length(Number(d.atMm))}. Put it between knee and shoulder.`,
  'heavyish-over-shoulder': (_r, d, say) =>
    `"${d.goods}" is heavy for ${say.length(Number(d.atMm))}, above the shoulder: lift it with two, or put it lower.`,
  'daily-out-of-easy-reach': (_r, d) =>
    `${plural(Number(d.count), 'thing')} used daily ("${d.goods}") ${Number(d.count) === 1 ? 'is' : 'are'} not between knee and shoulder.`,
}

export const ROOM_CHECK_NAMES: Record<string, string> = {
  clearance: 'Clearances',
  'door-sweep': 'Garage door',
  'under-ceiling': 'Sloping ceiling',
  fixing: 'Fixings',
  'shared-hold': 'Shared with others',
  'stand-up': 'Standing it up here',
  'carry-in': 'Bringing it in',
  packed: 'Knocked down',
  'tilt-in': 'Tipping in',
  reach: 'Reach',
  heads: 'Heads',
  keeping: 'What things ask for',
  'worked-at': 'Light and power',
  'lit-inside': 'Light inside',
  tied: 'Tied to a neighbour',
}
