import { findSheet } from '../../catalogue/sheets.ts'
import { boltFor, LEAST_POINT, screwFor, type Screw } from '../../catalogue/fasteners.ts'
import type { Part } from '../../assembly/assembly.ts'
import type { Settings } from '../../assembly/settings.ts'
import {
  footEdges,
  goodsWeights,
  heightOf,
  meetingOf,
  ownWeights,
  type FootEdge,
  type Meeting,
  type PlacedWeight,
  type Unit,
} from '../../clearance/tied.ts'
import { PANEL_G, type DesignMethod, type Wood } from '../../mechanics/methods/method.ts'
import { washerBearing } from '../../mechanics/hung.ts'
import { screwWithdrawal } from '../../mechanics/withdrawal.ts'
import { woodOf } from '../wood.ts'
import { restingShare, seismicShare } from '../seismic.ts'
import { LEAN, PULL_N, PULL_REACH_MM, SAFETY_FILLED, worstFilling } from '../stability.ts'
import { tiesPulled } from '../ties.ts'
import { standsAtWall } from '../../room/room.ts'
import { measured, plain, type CheckResult, type Input } from '../check.ts'
import { defineRoomCheck, type RoomContext } from '../room-check.ts'

/** Screws, or bolts, of one tie between two units, at the top of the lower one. Product decision. */
export const TIE_FASTENERS = 2
/** Load duration of what may pull for years: NDS table 2.3.2. */
const TIE_CD = 0.9
/**
 * Washers under head and nut: three bolts across, two millimetres of play in the hole. ISO 7093, ASME B18.21.1 (USS).
 */
const WASHER_BOLTS = 3
const WASHER_PLAY_MM = 2
/** Directions this close count as the same: the cosine between them. */
const SAME_WAY = 0.9

const arm = (e: FootEdge) => (w: PlacedWeight) => w.n * (e.atMm - e.out[0] * w.at[0] - e.out[1] * w.at[1])
const lean = (share: number) => (w: PlacedWeight) => share * w.n * w.z
const total = (list: readonly PlacedWeight[], of: (w: PlacedWeight) => number) => list.reduce((s, w) => s + of(w), 0)

/** Edges over which units can fall: not towards a wall they stand at. */
function fallEdges(units: readonly Unit[]): FootEdge[] {
  const walls = units
    .filter((u) => u.frame.place.turn === 0 && standsAtWall(u.frame.wall.wall, u.frame.place.outMm))
    .map((u) => u.frame.direction([0, -1, 0]))
  return footEdges(units).filter((e) => !walls.some((w) => w[0] * e.out[0] + w[1] * e.out[1] > SAME_WAY))
}

/**
 * What ties at a meeting, and how deep it sits in the far piece: a screw, or where no screw reaches far enough a bolt
 * through both.
 */
export function tieFastener(m: Meeting, yard: Settings['yard']): { fastener: Screw; embedMm: number } {
  const screw = screwFor(m.nearMm + m.gapMm, m.farMm, yard)
  const embedMm = screw.lengthMm - m.nearMm - m.gapMm
  const bolt = embedMm < LEAST_POINT * screw.diameterMm ? boltFor(m.nearMm + m.gapMm + m.farMm, yard) : undefined
  return bolt ? { fastener: bolt, embedMm: m.farMm } : { fastener: screw, embedMm }
}

/**
 * What one fastener gives against pulling apart, N: the thread of a screw, or the washer of a bolt pressed into the
 * wood.
 */
function pulledApart(f: Screw, wood: Wood, embedMm: number, method: DesignMethod, settings: Settings): number | null {
  if (f.kind === 'bolt') {
    const outer = WASHER_BOLTS * f.diameterMm
    const press =
      wood.kind === 'lumber'
        ? method.bearing(wood.grade, settings, { lengthMm: outer, beforeMm: outer, afterMm: outer })
        : null
    return press && washerBearing(outer, f.diameterMm + WASHER_PLAY_MM, press.value)
  }
  if (wood.kind === 'lumber') return method.withdrawal(f, wood.grade, embedMm, settings)?.value ?? null
  const kind = findSheet(wood.sheet.id)?.kind
  return kind === 'plywood' || kind === 'osb' ? screwWithdrawal(PANEL_G, f.diameterMm, embedMm, TIE_CD) : null
}

const intoEdge = (p: Part, alongScrewMm: number) => p.stock.kind === 'sheet' && alongScrewMm > p.size.thicknessMm + 1

/** Weakest of sliding and pulling apart, all fasteners of a tie, N; null when a wood is not known. */
function tieGives(m: Meeting, method: DesignMethod, settings: Settings): number | null {
  const { fastener, embedMm } = tieFastener(m, settings.yard)
  const [side, main] = [woodOf(m.near), woodOf(m.far)]
  // A screw into the edge of a sheet holds by chance: nothing is promised of it.
  if (!side || !main || intoEdge(m.near, m.nearMm) || intoEdge(m.far, m.farMm)) return null
  if (embedMm <= 0) return 0
  const across = method.lateral(
    {
      fastener,
      side,
      sideMm: m.nearMm,
      main,
      mainMm: embedMm,
      into: 'side',
      acrossGrain: true,
      askew: false,
      gapMm: m.gapMm,
    },
    settings,
  )
  const out = pulledApart(fastener, main, embedMm, method, settings)
  return across === null || out === null ? null : TIE_FASTENERS * Math.min(across.value, out)
}

/** Things that stand on a unit and have no known mass. */
const notWeighed = (u: Unit) =>
  u.assembly.bays.flatMap((x) => (x.carriers.length > 0 ? x.items.filter((i) => i.massKg === null) : []))

/**
 * Force at a height that keeps a unit up which would not stay up alone, N: the worst of filled and leaning, and empty
 * and pulled; and what keeps it from folding.
 */
function holdsUp(u: Unit, topMm: number, sway: readonly CheckResult[] = []): number {
  const [self, goods] = [ownWeights(u), goodsWeights(u)]
  const high = Math.min(heightOf(u), PULL_REACH_MM)
  let moment = 0
  for (const e of fallEdges([u])) {
    const { restoring, overturning } = worstFilling(self, goods, arm(e), lean(LEAN))
    moment = Math.max(moment, SAFETY_FILLED * overturning - restoring, PULL_N * high - total(self, arm(e)))
  }
  const folds =
    sway.length > 0 && sway.every((r) => r.state === 'holds') ? 0 : total([...self, ...goods], (w) => LEAN * w.n)
  return Math.max(moment / topMm, folds)
}

/**
 * Builds tied to each other stand, tip and sway as one: the checks of standing are done for the group, in place of
 * those of one build alone, and the ties are asked whether they hold what each would lack alone.
 */
export const tied = defineRoomCheck({
  id: 'tied',
  reads: ['group', 'settings', 'method', 'swayAlone', 'goods'],
  run({ group, settings, method, swayAlone, goods }): CheckResult[] {
    const [own, ...rest] = group
    if (rest.length === 0) return []
    const joined = rest.filter((o) => own.tiedTo.includes(o.id) || o.tiedTo.includes(own.id))
    const out: CheckResult[] = []
    let whole = true
    for (const o of joined) {
      const given = { check: 'tied', link: 'whole' as const, quantity: 'force' as const, subject: o.id }
      // Both sides of a tie see the same screws, driven from the one that comes first.
      const [a, b] = own.id < o.id ? [own, o] : [o, own]
      const m = meetingOf(a, b)
      if (!m) {
        whole = false
        out.push(plain({ ...given, code: 'tied-apart', state: 'fails', data: { name: o.name } }))
        continue
      }
      // What nobody weighed may ask for anything.
      const unweighed = [a, b].flatMap(notWeighed)[0]
      if (unweighed) {
        whole = false
        out.push(
          plain({
            ...given,
            code: 'unknown-not-weighed',
            state: 'unknown',
            data: { goods: goods.get(unweighed.goodsId)?.name ?? '' },
          }),
        )
        continue
      }
      const { fastener, embedMm } = tieFastener(m, settings.yard)
      const ties = (u: Unit) =>
        Math.max(1, group.filter((x) => x !== u && (u.tiedTo.includes(x.id) || x.tiedTo.includes(u.id))).length)
      const demand = Math.max(
        holdsUp(a, m.topMm, swayAlone.get(a.id)) / ties(a),
        holdsUp(b, m.topMm, swayAlone.get(b.id)) / ties(b),
      )
      const capacity = tieGives(m, method, settings)
      const data = { name: o.name, fastener: fastener.label, count: TIE_FASTENERS, atMm: m.topMm, needN: demand }
      const parts = [own === a ? m.near.id : m.far.id]
      if (capacity === null) {
        whole = false
        out.push(plain({ ...given, code: 'unknown-tie', state: 'unknown', data, parts }))
        continue
      }
      const r = measured({
        ...given,
        code: 'tied-to',
        demand,
        capacity,
        data,
        parts,
        working: {
          formula:
            'what either would lack alone / height of the tie ≤ fasteners × the less of sliding and pulling apart',
          inputs: [
            { symbol: 'height of tie', value: m.topMm, quantity: 'length' },
            { symbol: 'fasteners', value: TIE_FASTENERS, quantity: 'count', source: 'product decision' },
            {
              symbol: 'one of them',
              value: capacity / TIE_FASTENERS,
              quantity: 'force',
              source: 'yield-limit equations, and withdrawal or the washer’s bearing, of the method',
            },
            { symbol: 'in the far piece', value: embedMm, quantity: 'length' },
          ],
          source: 'moment balance of each unit about its own feet',
        },
      })
      if (r.state !== 'holds') whole = false
      out.push(r)
    }
    // Ties that do not hold make no group: each then stands as it stands alone.
    return whole
      ? [
          ...out,
          ...standing(group, method, settings, goods),
          ...quake(group, method, settings),
          ...together(group, swayAlone, method),
        ]
      : out
  },
})

const names = (group: readonly Unit[]) =>
  group
    .slice(1)
    .map((u) => u.name)
    .join(', ')
/** Over which edge the whole stands worst: the least of restoring over overturning. */
function worstEdge<T extends { restoring: number; overturning: number }>(
  edges: readonly FootEdge[],
  of: (e: FootEdge) => T,
): T | null {
  return edges
    .map(of)
    .reduce<T | null>((a, b) => (a && a.restoring / a.overturning <= b.restoring / b.overturning ? a : b), null)
}

function standing(
  group: readonly Unit[],
  method: DesignMethod,
  settings: Settings,
  goods: ReadonlyMap<string, { name: string }>,
): CheckResult[] {
  const edges = fallEdges(group)
  const self = group.flatMap(ownWeights)
  const given = { check: 'tip-over', link: 'whole' as const, quantity: 'moment' as const }
  const data = { names: names(group), units: group.length }
  const out: CheckResult[] = []
  const unweighed = group.flatMap(notWeighed)
  const filled = worstEdge(edges, (e) => worstFilling(self, group.flatMap(goodsWeights), arm(e), lean(LEAN)))
  if (unweighed.length > 0)
    out.push(
      plain({
        ...given,
        code: 'unknown-not-weighed',
        subject: 'filled',
        state: 'unknown',
        data: { goods: goods.get(unweighed[0].goodsId)?.name ?? '' },
      }),
    )
  else if (filled)
    out.push(
      measured({
        ...given,
        code: 'group-filled',
        subject: 'filled',
        demand: SAFETY_FILLED * filled.overturning,
        capacity: filled.restoring,
        data: { ...data, safety: filled.restoring / filled.overturning, wanted: SAFETY_FILLED },
        working: {
          formula:
            'restoring / overturning moment ≥ 1.5 about the worst edge of all their feet, with those goods in that make it worst',
          inputs: [
            { symbol: 'restoring', value: filled.restoring, quantity: 'moment' },
            {
              symbol: 'overturning',
              value: filled.overturning,
              quantity: 'moment',
              source: `${LEAN} of every weight sideways at its height: product decision`,
            },
          ],
          source: 'moment balance',
        },
      }),
    )
  const high = Math.min(Math.max(...group.map(heightOf)), PULL_REACH_MM)
  const pull = PULL_N * high
  const walls = wallTies(group, method, settings)
  const pulled = worstEdge(edges, (e) => ({
    restoring: total(self, arm(e)) + walls.moment(e),
    own: total(self, arm(e)),
    overturning: pull,
    unknown: total(self, arm(e)) < pull && walls.unknown(e),
  }))
  const inputs: Input[] = [
    {
      symbol: 'pull',
      value: PULL_N,
      quantity: 'force',
      source: 'a child at the top edge or at 1.5 m, whichever is lower: product decision',
    },
    { symbol: 'height', value: high, quantity: 'length' },
  ]
  if (pulled?.unknown)
    out.push(
      plain({
        ...given,
        quantity: 'force',
        code: 'unknown-anchor',
        subject: 'pull',
        state: 'unknown',
        data: { needN: Math.max(0, pull - pulled.own) / walls.lowestMm, count: walls.count, into: 'masonry' },
      }),
    )
  else if (pulled)
    out.push(
      measured({
        ...given,
        code: 'group-pull',
        subject: 'pull',
        demand: pull,
        capacity: Math.max(0, pulled.restoring),
        data: { ...data, pullN: PULL_N, highMm: high },
        working: {
          formula: 'own weights × arms, and ties to walls × their heights ≥ pull × height, empty',
          inputs: [...inputs, { symbol: 'restoring', value: pulled.restoring, quantity: 'moment' }],
          source: 'moment balance about the worst edge of all their feet',
        },
      }),
    )
  const deep = Math.min(...edges.map((e) => spread(group, e)))
  const slender = { check: 'slenderness', link: 'whole' as const, quantity: 'ratio' as const, subject: 'build' }
  const highest = Math.max(...group.map(heightOf))
  if (walls.count > 0) out.push(plain({ ...slender, code: 'slender-tied', state: 'not-applicable' }))
  else
    out.push(
      measured({
        ...slender,
        code: 'group-slender',
        demand: highest / deep,
        capacity: settings.slenderness,
        data: { ...data, most: settings.slenderness },
        working: {
          formula: 'height / least depth of all feet ≤ limit',
          inputs: [
            { symbol: 'height', value: highest, quantity: 'length' },
            { symbol: 'depth', value: deep, quantity: 'length' },
          ],
          source: 'project setting',
        },
      }),
    )
  return out
}

/** How deep the feet stand behind an edge. */
function spread(group: readonly Unit[], e: FootEdge): number {
  const behind = footEdges(group)
    .flatMap((o) => o.corners)
    .map((p) => e.out[0] * p[0] + e.out[1] * p[1])
  return e.atMm - Math.min(...behind)
}

/** What ties of the group to walls give against falling over an edge. */
function wallTies(group: readonly Unit[], method: DesignMethod, settings: Settings) {
  const ties = group.flatMap((u) =>
    tiesPulled(u.assembly, { method, settings }).map((x) => ({
      n: x.n,
      z: x.anchor.at[2],
      out: u.frame.direction([0, 1, 0]),
    })),
  )
  const towards = (e: FootEdge) => ties.filter((t) => t.out[0] * e.out[0] + t.out[1] * e.out[1] > SAME_WAY)
  return {
    count: ties.length,
    lowestMm: Math.min(...ties.map((t) => t.z)),
    moment: (e: FootEdge) => towards(e).reduce((s, t) => s + (t.n ?? 0) * t.z, 0),
    unknown: (e: FootEdge) => towards(e).some((t) => t.n === null),
  }
}

function quake(group: readonly Unit[], method: DesignMethod, settings: Settings): CheckResult[] {
  const sds = settings.seismicG
  const all = group.flatMap((u) => [...ownWeights(u), ...goodsWeights(u)])
  if (!sds || group.some((u) => notWeighed(u).length > 0)) return []
  const share = seismicShare(sds)
  const walls = wallTies(group, method, settings)
  const worst = worstEdge(fallEdges(group), (e) => ({
    restoring: restingShare(sds) * total(all, arm(e)) + walls.moment(e),
    overturning: total(all, lean(share)),
  }))
  if (!worst) return []
  // Of all edges: so it stands for what was read of the build alone, out from the wall and along it.
  return ['build', 'along'].map((subject) =>
    measured({
      check: 'earthquake',
      link: 'whole',
      quantity: 'moment',
      subject,
      code: 'group-quake',
      demand: worst.overturning,
      capacity: Math.max(0, worst.restoring),
      data: { sds, names: names(group), units: group.length },
      working: {
        formula:
          'Fp × height ≤ (0.9 − 0.2·SDS) × restoring moment + ties to walls, about the worst edge of all their feet',
        inputs: [
          { symbol: 'SDS', value: sds, quantity: 'ratio', source: 'project setting; ask locally' },
          {
            symbol: 'Fp / Wp',
            value: share,
            quantity: 'ratio',
            source: 'ASCE 7-16 13.3-1, ap 1.0, Rp 2.5, Ip 1.0, z/h 0',
          },
        ],
        source: 'ASCE 7-16 chapter 13, simplified',
      },
    }),
  )
}

/**
 * Folding: whoever is stiff that way holds the rest; what stands across gives along its wall what the others lack front
 * to back, and the reverse.
 */
function together(group: readonly Unit[], swayAlone: RoomContext['swayAlone'], method: DesignMethod): CheckResult[] {
  const along = (u: Unit) => u.frame.direction([1, 0, 0])
  const way = along(group[0])
  const parallel = (u: Unit) => Math.abs(along(u)[0] * way[0] + along(u)[1] * way[1]) > SAME_WAY
  const { self, goods } = method.loadFactor
  const demand =
    LEAN *
    (self * total(group.flatMap(ownWeights), (w) => w.n) + goods * total(group.flatMap(goodsWeights), (w) => w.n))
  const other = { build: 'deep', deep: 'build' } as const
  return (['build', 'deep'] as const).flatMap((subject) => {
    const own = swayOf(swayAlone, group[0].id, subject)
    if (own?.state === 'holds' && own.capacity === null) return []
    const gives = group.map((u) => ({ u, r: swayOf(swayAlone, u.id, parallel(u) ? subject : other[subject]) }))
    const stiff = gives.find((g) => g.r?.state === 'holds' && g.r.capacity === null)
    const capacity = gives.reduce((s, g) => s + (g.r?.capacity ?? 0), 0)
    const names = gives.flatMap((g) => (g.r?.state === 'holds' || g.r?.capacity ? [g.u.name] : []))
    const given = { check: 'sway', link: 'whole' as const, quantity: 'force' as const, subject }
    if (stiff) return [plain({ ...given, code: 'sway-group', state: 'holds', data: { names: stiff.u.name } })]
    if (names.length === 0) return []
    return [
      measured({
        ...given,
        code: 'sway-group-brace',
        demand,
        capacity,
        data: { names: names.join(', '), leanN: demand },
        working: {
          formula: 'lean of all that is tied together ≤ Σ what diagonals, backs and ties of all give',
          inputs: [
            { symbol: 'lean', value: demand, quantity: 'force', source: `${LEAN} of every weight: product decision` },
            { symbol: 'all together', value: capacity, quantity: 'force' },
          ],
          source: 'statics of pinned frames',
        },
      }),
    ]
  })
}

const swayOf = (alone: RoomContext['swayAlone'], unit: string, subject: string) =>
  alone.get(unit)?.find((r) => r.id === `sway:${subject}`)
